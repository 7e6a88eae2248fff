/** A part by what tells it: its name, its side from the driver's seat, its stamp, and which way round it goes. */
import { say } from '#contract/wording/say.ts';
import { tell } from '../../../ui/tell.ts';
export function PartPlate({
  name,
  side,
  mark,
  facing,
  note,
  count,
  turns,
}: {
  name: string;
  side?: 'left' | 'right';
  mark?: string;
  facing?: string;
  note?: string;
  count?: number;
  turns?: number;
}) {
  const arrow = facing && /\bup|down|front|forward|rear|out|in\b/i.test(facing) ? facingDeg(facing) : undefined;
  return (
    <div className="grid w-full max-w-md gap-3 border-2 border-ink bg-sheet p-5">
      <p className="plate text-3xl">
        {count !== undefined && count > 1 ? `${count} × ` : ''}
        {name}
      </p>
      <div className="flex flex-wrap items-center gap-5">
        {mark && (
          <span
            className="figures border-4 border-ink px-4 py-2 text-4xl font-bold"
            role="img"
            aria-label={say('stamped {mark}', { mark })}
          >
            {mark}
          </span>
        )}
        {arrow !== undefined && (
          <svg viewBox="-30 -30 60 60" className="size-16" aria-hidden="true">
            <g transform={`rotate(${arrow})`}>
              <path d="M0 24V-22M-14 -8L0 -24L14 -8" fill="none" stroke="var(--ink)" strokeWidth={6} />
            </g>
          </svg>
        )}
        <div>
          {side && <p className="text-xl font-bold">{tell('{side}, from the driver’s seat', { side })}</p>}
          {facing && <p className="text-xl">{facing}</p>}
          {turns !== undefined && (
            <p className="text-xl">
              {tell('{turns} turns back before it is screwed in, so that the wire hangs straight', {
                turns: <b className="figures">{turns}</b>,
              })}
            </p>
          )}
        </div>
      </div>
      {note && <p className="text-ink-2">{note}</p>}
    </div>
  );
}

/** Where an arrow points for a facing in words: up, down, to the front (left in the drawing), to the rear. */
function facingDeg(facing: string): number {
  if (/down/i.test(facing)) return 180;
  if (/front|forward/i.test(facing)) return -90;
  if (/rear|back/i.test(facing)) return 90;
  return 0;
}
