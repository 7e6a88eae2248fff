import type { Plan } from '../kit/plan.ts';
import { type BoltUses, boltWord } from '../kit/vehicle-facts.ts';
import { lineOf } from '../line/line.ts';
import type { JobState } from './job-state.ts';
import { lastTry } from './line-progress.ts';

/**
 * How often the vehicle's bolts that may be used again have been tightened once a job is done: a new one once, an old one
 * once more than before.
 */
export function boltUsesAfter(plan: Plan, job: JobState): BoltUses[] {
  return lineOf(plan).steps.flatMap(({ acts }) =>
    acts.flatMap(({ id, action }): BoltUses[] => {
      const answers = lastTry(job, id)?.answers;
      const thing = action.type === 'refit' ? plan.removed.find((one) => one.id === action.removed) : undefined;
      if (!thing?.reuseUnknown || !answers?.piece) return [];
      const before = typeof answers.uses === 'number' ? answers.uses : (thing.usedBefore ?? 0);
      return [{ bolt: boltWord(thing), uses: answers.piece === 'new' ? 1 : before + 1 }];
    }),
  );
}
