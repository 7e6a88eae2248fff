import { indexOf, type Plan } from '#core/kit/plan.ts';
import type { Reach } from '#core/rehearse/reach.ts';
import { minutesText } from './minutes-text.ts';
import { say } from './say.ts';
import { stepTitle } from './step-text.ts';

/** Things named at most; the rest is counted. */
const MOST = 4;
const listed = (names: readonly string[]): string =>
  names.length > MOST
    ? say('{names} and {count} more', { names: names.slice(0, MOST).join(', '), count: names.length - MOST })
    : names.join(', ');

/** How far the work gets: `Up to step 11 of 20, about 1 h 40 min`. */
export function reachText(plan: Plan, reach: Reach): string {
  const { steps, stopsAt, workMinutes, waitMinutes } = reach;
  const total = minutesText(workMinutes + waitMinutes);
  if (stopsAt === undefined) return say('All {of} steps can be worked, in about {total}.', { of: steps.of, total });
  const { steps: byId } = indexOf(plan);
  const stop = byId.get(stopsAt);
  const last = reach.lastStep === undefined ? undefined : byId.get(reach.lastStep);
  const at = stop
    ? say('step {indexOf} of {of}, {stepTitle}', {
        indexOf: plan.steps.indexOf(stop) + 1,
        of: steps.of,
        stepTitle: stepTitle(plan, stop).replace(/\.$/, ''),
      })
    : say('a step');
  if (steps.done === 0 || !last) return say('It stops at {at}, before anything is done.', { at });
  return say('Work goes on for about {total}, to {at}.', { total, at });
}

/** How the vehicle stands then: whether it may be rolled, and what keeps it. */
export function standsText({ rolls, load, open, halfDone }: Reach): string {
  if (rolls) return say('Then it stands on its wheels with nothing open: it may be rolled aside.');
  const because = [
    load !== undefined && load !== 'onWheels' && say('it hangs'),
    open.length > 0 && say('open or off: {listed}', { listed: listed(open) }),
    halfDone.length > 0 && say('not at torque: {listed}', { listed: listed(halfDone) }),
  ].filter(Boolean);
  return say('Then it keeps its bay, and is not rolled: {because}.', { because: because.join('; ') });
}
