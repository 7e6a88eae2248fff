import type { Plan } from '../kit/plan.ts';
import { type LineAct, lineOf } from './line.ts';

/**
 * The cautions that belong at an act: those it names, those of the group it works, and those for the whole kit at the
 * first step of each stretch, where somebody sets to work.
 */
export function cautionsAt(plan: Plan, act: LineAct): Plan['cautions'] {
  const { steps, stepById } = lineOf(plan);
  const step = stepById.get(act.step)?.step;
  const named = new Set(act.action.cautions ?? []);
  const anywhere = new Set(steps.flatMap(({ acts }) => acts.flatMap(({ action }) => action.cautions ?? [])));
  const group = 'group' in act.action ? act.action.group : undefined;
  const firstHere = steps.find((other) => other.step.kit === step?.kit && other.step.phase === step?.phase)?.id;
  return plan.cautions.filter((caution) => {
    if (named.has(caution.id)) return true;
    if (caution.group !== undefined) return caution.group === group;
    return !anywhere.has(caution.id) && caution.kit === step?.kit && firstHere === act.step;
  });
}
