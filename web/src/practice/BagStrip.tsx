import { say } from '#contract/wording/say.ts';
import { type BagPieces, bagOf } from '#core/drill/bag.ts';
import { type DrillRun, faultsOpen } from '#core/drill/drill-run.ts';
import type { PlanItem } from '#core/kit/plan.ts';
import { HardwareDrawing } from '../drawing/HardwareDrawing.tsx';
import { useSettings } from '../shop/settings.ts';

/** The pieces of one line as they lie there, each as large as it is. */
export function BagLine({ item, pieces }: { item: PlanItem; pieces: readonly BagPieces[] }) {
  const pxPerMm = useSettings((state) => state.pxPerMm);
  return (
    <div className="min-w-40 shrink-0 border-2 border-ink bg-sheet px-3 py-2">
      <p className="figures text-sm text-ink-2">{item.line}</p>
      <div className="flex items-center gap-6">
        {pieces.map((alike) => (
          <div key={JSON.stringify(alike)} className="flex items-center gap-3 py-1">
            <span className="figures text-xl font-bold">{alike.count}×</span>
            <span className="relative inline-block">
              <HardwareDrawing item={{ ...item, ...alike }} pxPerMm={pxPerMm} />
              {alike.stretched && (
                <svg
                  viewBox="0 0 60 20"
                  className="absolute inset-0 size-full"
                  role="img"
                  aria-label={say('a waist in the shank')}
                >
                  <path
                    d="M26 1 q6 8 12 0 M26 19 q6 -8 12 0"
                    fill="var(--sheet)"
                    stroke="var(--ink)"
                    strokeWidth={1.5}
                  />
                  <path d="M2 16 L10 2" stroke="var(--color-paint)" strokeWidth={3} />
                </svg>
              )}
              {alike.cutRing && (
                <svg
                  viewBox="0 0 40 40"
                  className="absolute inset-0 size-full"
                  role="img"
                  aria-label={say('the ring is cut')}
                >
                  <path
                    d="M14 20 a6 6 0 1 1 6 6"
                    fill="none"
                    stroke="var(--bad)"
                    strokeWidth={2.5}
                    strokeDasharray="4 3"
                  />
                </svg>
              )}
              {alike.torn && (
                <svg
                  viewBox="0 0 40 20"
                  className="absolute right-0 bottom-0 h-full w-1/3"
                  role="img"
                  aria-label={say('flanks dragged')}
                >
                  <path d="M2 6 l6 5 l5 -6 l6 8 l6 -7 l5 7 l7 -6" fill="none" stroke="var(--ink)" strokeWidth={2} />
                </svg>
              )}
            </span>
            {alike.propertyClass && (
              <span className="figures border-[1.5px] border-ink px-1 text-sm" title={say('stamped on the head')}>
                {alike.propertyClass}
              </span>
            )}
            {alike.side && (
              <span className="plate border-[1.5px] border-ink px-2 text-lg">{alike.side === 'left' ? 'L' : 'R'}</span>
            )}
          </div>
        ))}
      </div>
    </div>
  );
}

/** What came, line by line: to be held against the list. */
export function BagStrip({ run }: { run: DrillRun }) {
  const open = faultsOpen(run);
  return (
    <ul className="flex max-h-60 gap-3 overflow-auto pb-2" aria-label={say('What lies before you')}>
      {run.log.plan.items
        .filter(({ source }) => source === 'kit')
        .map((item) => (
          <li key={item.id} className="flex">
            <BagLine item={item} pieces={bagOf(item, open, run.log.plan.items)} />
          </li>
        ))}
    </ul>
  );
}
