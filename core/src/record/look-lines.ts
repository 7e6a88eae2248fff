import type { JobState } from '../job/job-state.ts';
import { type Look, lookKey } from '../job/look.ts';
import { standingLook } from '../job/second-look.ts';
import type { Stamp } from '../job/stamp.ts';
import type { Plan } from '../kit/plan.ts';

/** A second look as the record tells of it. */
export interface LookLine {
  look: Look & Stamp;
  /** The last word on it: it holds, and nothing was done there since. */
  stands: boolean;
}

/** Every second look of a job in the order they were taken. */
export const lookLines = (plan: Plan, job: JobState): LookLine[] =>
  Object.values(job.visit.looks ?? {})
    .flat()
    .sort((a, b) => a.atMs - b.atMs || lookKey(a.target).localeCompare(lookKey(b.target)))
    .map((look) => ({ look, stands: standingLook(job, plan, look.target)?.commandId === look.commandId }));
