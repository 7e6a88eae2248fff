import { useState } from 'react';
import { evidenceText } from '#contract/wording/piece-text.ts';
import { say } from '#contract/wording/say.ts';
import { leftoverHunt } from '#core/job/leftover-hunt.ts';
import { indexOf } from '#core/kit/plan.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { tell } from '../../ui/tell.ts';

/**
 * One more on the tray than can be left: it is missing somewhere. The stations it belongs into, the likeliest first, each
 * to be looked at; what is found is put right on the line.
 */
export function LeftoverHunt({ item: id }: { item: string }) {
  const { plan, state } = useOpenJob();
  const [looked, setLooked] = useState<ReadonlySet<string>>(new Set());
  const suspects = leftoverHunt(plan, state, id);
  const item = indexOf(plan).items.get(id);
  if (suspects.length === 0)
    return (
      <p className="text-sm text-ink-2">{say('It belongs into no station. Look in the bag and under the vehicle.')}</p>
    );
  const left = suspects.filter(({ station }) => !looked.has(station.id)).length;
  return (
    <section
      aria-label={say('Where may {name} be missing?', { name: item?.name ?? say('it') })}
      className="w-full border-l-4 border-bad pl-3"
    >
      <p className="text-sm">
        {say(
          'One that is left over is missing somewhere. Look here, the likeliest first; what lacks it is loosened on the line and put together again.',
        )}
      </p>
      <ol className="mt-1">
        {suspects.map(({ station, evidence }) => (
          <li key={station.id} className="border-b border-hair">
            <label className="flex min-h-11 items-center gap-3 py-1">
              <input
                type="checkbox"
                className="size-6 shrink-0 accent-(--ink)"
                checked={looked.has(station.id)}
                onChange={(event) => {
                  const next = new Set(looked);
                  if (event.target.checked) next.add(station.id);
                  else next.delete(station.id);
                  setLooked(next);
                }}
              />
              <span className={looked.has(station.id) ? 'text-ink-2 line-through' : ''}>
                <b>{tell('Station {label}', { label: station.label })}</b>, {station.name}
                {evidence.length > 0 && (
                  <span className="block text-sm text-ink-2">{evidence.map(evidenceText).join('; ')}</span>
                )}
              </span>
            </label>
          </li>
        ))}
      </ol>
      <p className="mt-1 text-sm font-bold">
        {left === 0
          ? say('All were looked at: count the tray again, then the bag it came in.')
          : say('{left} still to be looked at.', { left })}
      </p>
    </section>
  );
}
