import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import { CLOCK_GATE_TEXT } from '#contract/wording/en/line.ts';
import { minutesText } from '#contract/wording/minutes-text.ts';
import { say } from '#contract/wording/say.ts';
import { chime } from '../shop/chime.ts';
import { serverNowMs } from '../shop/clock.ts';
import { clockText } from '../shop/clock-text.ts';
import { useSettings } from '../shop/settings.ts';
import { useNow } from '../ui/use-now.ts';
import { clocksToTell, useClocksHere } from './clocks-here.ts';

const MINUTE_MS = 60_000;

/** The clocks of every job worked on this tablet, the first to end in front; a tone and a buzz when one is over. */
export function ClockBar({ job }: { job?: string }) {
  const jobs = useClocksHere((store) => store.jobs);
  if (jobs.length === 0) return null;
  return <Running job={job} />;
}

function Running({ job }: { job?: string }) {
  useNow(1000);
  const nowMs = serverNowMs();
  const jobs = useClocksHere((store) => store.jobs);
  const sound = useSettings((settings) => settings.sound);
  const told = clocksToTell(jobs, nowMs);
  // Of other jobs only what calls somebody: a cure of a day is said where its job is.
  const shown = told.filter((clock) => clock.job === job || clock.calls);
  const over = shown.filter(({ calls, endsAtMs }) => calls && endsAtMs <= nowMs).length;
  const before = useRef(over);
  useEffect(() => {
    if (over > before.current && sound) chime();
    before.current = over;
  }, [over, sound]);
  if (shown.length === 0) return null;
  return (
    <ul
      aria-label={say('Clocks that run')}
      className="flex shrink-0 gap-x-5 gap-y-1 overflow-x-auto border-b border-rule bg-sheet px-5 py-1.5 text-sm whitespace-nowrap text-ink print:hidden"
    >
      {shown.map((clock) => {
        const ended = clock.endsAtMs <= nowMs;
        return (
          <li key={`${clock.job} ${clock.id}`} className="flex gap-1.5">
            <span className={`${ended ? 'bg-paint' : 'wait-hatched'} w-4 shrink-0`} aria-hidden="true" />
            <span>
              <b className="figures">{clockText(clock.endsAtMs, nowMs)}</b>{' '}
              {clock.job === job ? (
                clock.name
              ) : (
                <Link to={`/jobs/${clock.job}/line`} className="underline">
                  {clock.jobName}: {clock.name}
                </Link>
              )}
              <span className={ended ? 'font-bold' : 'text-ink-2'}>
                {ended
                  ? say(' · over')
                  : ` · ${minutesText(Math.max(1, (clock.endsAtMs - nowMs) / MINUTE_MS))}${
                      clock.gates.length > 0
                        ? say(' · before {gates}', {
                            gates: clock.gates.map((gate) => CLOCK_GATE_TEXT[gate]).join(', '),
                          })
                        : ''
                    }`}
              </span>
            </span>
          </li>
        );
      })}
    </ul>
  );
}
