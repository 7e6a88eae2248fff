import type { Aftercare } from '../kit/kit-document.ts';
import type { Applies, Plan } from '../kit/plan.ts';
import { type RaisedCare, raisedAftercare } from '../visit/raised-aftercare.ts';
import type { JobState } from './job-state.ts';
import type { Stamp } from './stamp.ts';

/** What is to be watched or come back for after the job: a sheet's own word, or raised by what the plan does. */
export type Care = {
  key: string;
  /** Not asked of this owner, by whom and why. */
  waived?: { reason: string } & Stamp;
} & ({ from: 'sheet'; entry: Applies<Aftercare> } | { from: 'raised'; raised: RaisedCare });

/** All of it: what no sheet says first, since nobody else says it. */
export function careList(plan: Plan, job: Pick<JobState, 'visit'>): Care[] {
  const { careWaived = {} } = job.visit;
  const raised = raisedAftercare(plan).map((care) => ({
    key: `raised:${care.what}`,
    from: 'raised' as const,
    raised: care,
  }));
  const sheet = plan.aftercare.map((entry) => ({ key: entry.id, from: 'sheet' as const, entry }));
  return [...raised, ...sheet].map((care) => {
    const waived = careWaived[care.key];
    return waived ? { ...care, waived } : care;
  });
}
