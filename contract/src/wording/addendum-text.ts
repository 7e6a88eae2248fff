import type { JobState } from '#core/job/job-state.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import { say } from './say.ts';

export type Addendum = NonNullable<JobState['visit']['addenda']>[number];

/** What was found after the close, by whom, and what was done about it. */
export function addendumText(plan: Plan, { text, foundBy, redone, station }: Addendum): string {
  const joint = station === undefined ? undefined : indexOf(plan).stations.get(station);
  const at = joint ? say('Station {label}, {name}: ', { label: joint.label, name: joint.name }) : '';
  return say('{at}{text} Found by {foundBy}. {which}', {
    at,
    text,
    foundBy,
    which: redone === undefined ? say('Nothing was redone.') : say('Redone: {redone}', { redone }),
  });
}
