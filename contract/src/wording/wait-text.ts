import type { WaitFor } from '#core/rehearse/wait-for.ts';
import { minutesText } from './minutes-text.ts';
import { say } from './say.ts';
import { type ClockRules, shopClock, shopDay } from './shop-time.ts';

/** `14:00`, or with its day where that is another: `14:00 on 2026-11-30`. */
export const clockAndDay = (atMs: number, nowMs: number, clock?: ClockRules): string =>
  shopDay(atMs, clock) === shopDay(nowMs, clock)
    ? shopClock(atMs, clock)
    : say('{shopClock} on {shopDay}', { shopClock: shopClock(atMs, clock), shopDay: shopDay(atMs, clock) });

/** What waiting for pieces does to the job, and to what the owner was promised. */
export function waitText(wait: WaitFor, ownerMs: number | undefined, nowMs: number, clock?: ClockRules): string {
  const at = (ms: number) => clockAndDay(ms, nowMs, clock);
  const stands =
    wait.stopsMs === undefined
      ? say('The work does not stop for it.')
      : wait.standsMinutes < 1
        ? say('It comes before the work wants it.')
        : say('The work stops for it at about {stopsMs} and stands {minutesText}.', {
            stopsMs: at(wait.stopsMs),
            minutesText: minutesText(wait.standsMinutes),
          });
  const done = say('Done at about {finishedMs}', { finishedMs: at(wait.finishedMs) });
  if (ownerMs === undefined) return `${stands} ${done}.`;
  const late = (wait.finishedMs - ownerMs) / 60_000;
  return late > 0
    ? say('{stands} {done}: {minutesText} after the owner was promised it, {ownerMs}. Call the owner.', {
        stands,
        done,
        minutesText: minutesText(late),
        ownerMs: at(ownerMs),
      })
    : say('{stands} {done}, and the owner was promised it for {ownerMs}.', { stands, done, ownerMs: at(ownerMs) });
}
