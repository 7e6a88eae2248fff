import type { Plan, PlanItem } from '../kit/plan.ts';
import { inTheBox } from '../kit/put-on.ts';
import type { JobState } from './job-state.ts';
import { type KeyHeld, keyIsBack } from './key-held.ts';

/** A key, with who has it; one of a kit that nobody took yet has no hands. */
export type KeyOfJob = KeyHeld & { id: string; item?: PlanItem };

/** Every key, bit and code of a job: those its kits bring, and those somebody named. */
export function keysOf(plan: Plan, state: JobState): KeyOfJob[] {
  const named = state.visit.keys ?? {};
  const brought = plan.items.filter((item) => item.form === 'key' && inTheBox(item));
  return [
    ...brought.map((item) => ({
      id: item.id,
      item,
      name: item.name,
      kind: 'lockKey' as const,
      hands: [],
      ...named[item.id],
    })),
    ...Object.entries(named)
      .filter(([id]) => !brought.some((item) => item.id === id))
      .map(([id, held]) => ({ id, ...held })),
  ];
}

/** Keys that are neither with the owner nor in their place in the vehicle. */
export const keysOut = (plan: Plan, state: JobState): string[] =>
  keysOf(plan, state)
    .filter((key) => !keyIsBack(key))
    .map(({ id }) => id);
