import { CalendarPlus } from 'lucide-react';
import { say } from '#contract/wording/say.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import type { DayScale } from '../bays/day-scale.ts';
import { type DayPerson, type DayStep, stretchesOf } from './people-lane.ts';

/** A stretch shorter than this share of the rule has no room for a name, per cent. */
const NAMED_FROM = 6;

/** Who is where, along the same rule: a row for each, with the jobs they work on and, drawn open, those they help at. */
export function PeopleLane({
  people,
  steps,
  scale,
}: {
  people: readonly DayPerson[];
  steps: readonly DayStep[];
  scale: DayScale;
}) {
  if (people.length === 0) return null;
  return (
    <section aria-label={say('People')} className="border-t-2 border-ink">
      <ul>
        {people.map((person) => (
          <li key={person.id} className="flex min-h-9 border-b border-hair">
            <span className="sticky left-0 z-10 flex w-28 shrink-0 items-center gap-1 bg-bench pl-5 text-sm font-bold">
              <span className="truncate" title={person.name}>
                {person.initials}
                <span className="sr-only"> {person.name}</span>
              </span>
              <a
                href={person.calendar}
                download
                className="flex size-9 items-center justify-center text-ink-2 print:hidden"
                aria-label={say('{name}’s days as a calendar', { name: person.name })}
              >
                <CalendarPlus aria-hidden size={16} />
              </a>
            </span>
            <span className="relative mr-6 flex-1">
              {stretchesOf(person.id, steps)
                .filter(({ startMs, endMs }) => endMs > scale.fromMs && startMs < scale.toMs)
                .map(({ id, startMs, endMs, plate, helps }) => {
                  const left = Math.max(0, scale.percent(startMs));
                  const width = Math.max(0.5, Math.min(100, scale.percent(endMs)) - left);
                  const words = say('{which}{plate}, {shopFormat} to {shopFormat2}', {
                    which: helps ? say('helps at ') : '',
                    plate,
                    shopFormat: shopFormat(startMs, 'HH:mm'),
                    shopFormat2: shopFormat(endMs, 'HH:mm'),
                  });
                  return (
                    <span
                      key={id}
                      title={words}
                      className={`absolute inset-y-1 overflow-hidden border-2 border-ink px-1 text-sm whitespace-nowrap ${helps ? 'border-dashed bg-bench' : 'bg-sheet'}`}
                      style={{
                        left: `${left}%`,
                        width: `${width}%`,
                      }}
                    >
                      {width > NAMED_FROM && <span aria-hidden="true">{plate}</span>}
                      <span className="sr-only">{words}</span>
                    </span>
                  );
                })}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
