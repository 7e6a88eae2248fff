import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { traysOf } from '#core/job/trays.ts';
import type { PlanItem } from '#core/kit/plan.ts';
import { placeName, type TrayPlace } from '#core/kit/tray-layout.ts';
import { HardwareDrawing } from '../../drawing/HardwareDrawing.tsx';
import { useOpenJob } from '../../job/use-open-job.ts';
import { LabelButton } from '../../shop/LabelButton.tsx';
import { Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';

/** Smaller than life: a compartment shows what lies in it, not how large it is. */
const PX_PER_MM = 1.3;

/**
 * The shop's trays with what lies where: in the order of the work, look-alikes never side by side. Picked up and put
 * into another compartment it stays there.
 */
export function TrayMap({ onPick }: { onPick?: (item: PlanItem) => void }) {
  const { document, plan, index, state, give } = useOpenJob();
  const [held, setHeld] = useState<string>();
  const { trays, places } = traysOf(plan, state);
  const inPlace = (tray: string, row: number, column: number) =>
    [...places].find(([, place]) => place.tray === tray && place.row === row && place.column === column)?.[0];
  const press = (place: TrayPlace, item: string | undefined) => {
    if (held === undefined) return setHeld(item);
    if (item === undefined) give({ type: 'putInTray', item: held, ...place });
    // Onto one that is taken: the other one is picked up.
    setHeld(item === held ? undefined : item);
    return undefined;
  };
  const heldPlace = held === undefined ? undefined : places.get(held);
  const heldItem = held === undefined ? undefined : index.items.get(held);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4">
      <p className="text-ink-2" aria-live="polite">
        {heldItem
          ? say('{line} {name} in the hand: press the compartment it goes to.', {
              line: heldItem.line,
              name: heldItem.name,
            })
          : say('Laid out as the work takes it, look-alikes apart. Press one to pick it up.')}
      </p>
      {trays.map((tray) => (
        <section key={tray.name} aria-label={tray.name}>
          <h3 className="plate text-2xl">{tray.name}</h3>
          <div className="overflow-x-auto">
            <div
              className="grid border-2 border-ink"
              style={{
                gridTemplateColumns: `repeat(${tray.columns}, minmax(0, 1fr))`,
                minWidth: `${tray.columns * 6}rem`,
              }}
            >
              {Array.from({ length: tray.rows * tray.columns }, (_, at) => {
                const place = { tray: tray.name, row: Math.floor(at / tray.columns), column: at % tray.columns };
                const id = inPlace(place.tray, place.row, place.column);
                const item = id === undefined ? undefined : index.items.get(id);
                return (
                  <button
                    key={placeName(place)}
                    type="button"
                    aria-pressed={id !== undefined && id === held}
                    aria-label={`${placeName(place)}: ${item ? `${item.line} ${item.name}` : say('empty')}`}
                    className={`flex h-24 flex-col overflow-hidden border border-rule p-1 text-left ${id !== undefined && id === held ? 'bg-paint text-on-paint' : 'bg-sheet'}`}
                    onClick={() => press(place, id)}
                    onDoubleClick={() => item && onPick?.(item)}
                  >
                    <span className="flex w-full justify-between text-xs">
                      <span className="figures text-ink-2">{placeName(place)}</span>
                      {item && <b className="figures">{item.line}</b>}
                    </span>
                    {item && (
                      <>
                        <span className="line-clamp-2 text-xs leading-tight">{item.name}</span>
                        <span className="mt-auto h-9 overflow-hidden [&_svg]:h-9 [&_svg]:w-auto [&_svg]:max-w-full">
                          <HardwareDrawing item={item} pxPerMm={PX_PER_MM} />
                        </span>
                      </>
                    )}
                  </button>
                );
              })}
            </div>
          </div>
        </section>
      ))}
      <div className="flex flex-wrap gap-2">
        <a
          className="inline-flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold"
          href={`/api/jobs/${document.id}/tray-map.pdf`}
          download
        >
          {say('Tray map, PDF')}
        </a>
        <a
          className="inline-flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold"
          href={`/api/jobs/${document.id}/compartments.pdf`}
          download
        >
          {say('Labels of all, PDF')}
        </a>
        {heldItem && heldPlace && (
          <LabelButton
            name={`${heldItem.line}-${document.number}`}
            code={`${location.origin}/jobs/${document.id}/check-in?line=${encodeURIComponent(heldItem.id)}`}
            lines={[
              { text: placeName(heldPlace), mm: 5, bold: true },
              { text: `${heldPlace.tray} · ${document.number}`, mm: 2.5 },
              { text: `${heldItem.line} · ${heldItem.quantity} ×`, mm: 3, bold: true },
              { text: heldItem.name, mm: 2.5 },
            ]}
          >
            {tell('Label of {line}, PNG', { line: heldItem.line })}
          </LabelButton>
        )}
        {held && <Button onClick={() => setHeld(undefined)}>{say('Put it back')}</Button>}
      </div>
    </div>
  );
}
