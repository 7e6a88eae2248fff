import type { JobState } from '#core/job/job-state.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';

export type Addendum = NonNullable<JobState['visit']['addenda']>[number];

/** What was found after the close, by whom, and what was done about it. */
export function addendumText(plan: Plan, { text, foundBy, redone, station }: Addendum): string {
  const joint = station === undefined ? undefined : indexOf(plan).stations.get(station);
  const at = joint ? `Station ${joint.label}, ${joint.name}: ` : '';
  return `${at}${text} Found by ${foundBy}. ${redone === undefined ? 'Nothing was redone.' : `Redone: ${redone}`}`;
}
