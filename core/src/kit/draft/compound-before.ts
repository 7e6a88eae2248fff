import type { Step } from '../kit-step.ts';
import type { StepAction } from '../step-action.ts';
import type { Drafting } from './drafting.ts';
import { rearrangeSteps, type SaidOfStep } from './rearrange-steps.ts';

/** What is done to a joint once its threads are ready. */
const ON_THREADS = new Set<StepAction['type']>(['start', 'snug', 'torque']);

/**
 * What goes on the threads goes on before they are started: a note often names the grease behind the figures, and put
 * on then it would be too late.
 */
export function compoundBefore(drafting: Drafting): void {
  const { kit } = drafting;
  const treated = groupsByCompound(drafting);
  rearrangeSteps(drafting, (steps) => {
    const said: SaidOfStep[] = [];
    // A step that is moved comes before one that works a thread: what works a thread first stays so.
    const worked = firstWorked(steps);
    const ahead = new Map<Step, Step[]>();
    for (const [at, step] of steps.entries()) {
      const compounds = step.actions.map((action) => (action.type === 'apply' ? action.compound : undefined));
      if (compounds.length === 0 || compounds.includes(undefined)) continue;
      const groups = kit.groups.filter(({ id }) => compounds.some((one) => treated.get(one ?? '')?.has(id)));
      const first = Math.min(...groups.map(({ id }) => worked.get(id) ?? Number.POSITIVE_INFINITY));
      const to = steps[first];
      if (!to || first > at) continue;
      step.phase = 'prepare';
      ahead.set(to, [...(ahead.get(to) ?? []), step]);
      for (const { title } of groups) said.push({ step, code: 'appliedBefore', about: title });
    }
    const moved = new Set([...ahead.values()].flat());
    const laid = steps.flatMap((step) => (moved.has(step) ? [] : [...(ahead.get(step) ?? []), step]));
    steps.splice(0, steps.length, ...laid);
    return said;
  });
}

/** The groups of a draft by what goes on their threads. */
function groupsByCompound({ kit }: Drafting): ReadonlyMap<string, ReadonlySet<string>> {
  const compoundOf = new Map(kit.stations.map(({ id, compound }) => [id, compound]));
  const groups = new Map<string, Set<string>>();
  for (const { id, stations } of kit.groups)
    for (const station of stations) {
      const compound = compoundOf.get(station);
      if (compound !== undefined) groups.set(compound, (groups.get(compound) ?? new Set()).add(id));
    }
  return groups;
}

/** The step that works each group's threads first, by its index. */
function firstWorked(steps: readonly Step[]): ReadonlyMap<string, number> {
  const first = new Map<string, number>();
  steps.forEach(({ actions }, at) => {
    for (const action of actions)
      if (ON_THREADS.has(action.type) && 'group' in action && action.group !== undefined && !first.has(action.group))
        first.set(action.group, at);
  });
  return first;
}
