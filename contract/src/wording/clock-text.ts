import type { LineClock } from '#core/job/line-clocks.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import { lineOf } from '#core/line/line.ts';
import { say } from './say.ts';
import { stepTitle } from './step-text.ts';

/** What a clock is for: the joints whose compound sets, or the sheet's own words of the step that waits. */
export function clockName(
  plan: Plan,
  { kind, group, act }: Pick<LineClock, 'act' | 'group'> & { kind?: LineClock['kind'] },
): string {
  if (group !== undefined) {
    const title = indexOf(plan).groups.get(group)?.title ?? group;
    return kind === undefined ? title : `${title}: ${kind === 'fixture' ? say('handling strength') : say('full cure')}`;
  }
  const { actById, stepById } = lineOf(plan);
  const step = stepById.get(actById.get(act ?? '')?.step ?? '')?.step;
  return step ? stepTitle(plan, { ...step, number: undefined }).replace(/\.$/, '') : (act ?? '');
}
