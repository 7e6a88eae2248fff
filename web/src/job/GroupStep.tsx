import { NEED_TEXT } from '#contract/wording/en/terms.ts';
import { stepTitle } from '#contract/wording/step-text.ts';
import type { Plan } from '#core/kit/plan.ts';

/** What the sheet's step says of starting or tightening a group, and how many hands it takes. */
export function GroupStep({ plan, group, type }: { plan: Plan; group: string; type: 'start' | 'torque' }) {
  const step = plan.steps.find((entry) =>
    entry.actions.some((action) => action.type === type && 'group' in action && action.group === group),
  );
  if (!step) return null;
  const needs = [
    (step.people ?? 1) > 1 ? `${step.people} people` : '',
    ...step.needs.filter((need) => need !== 'helper').map((need) => NEED_TEXT[need]),
  ].filter(Boolean);
  return (
    <p className="mt-1 max-w-2xl">
      {stepTitle(plan, step)} {needs.length > 0 && <b>{needs.join(', ')}.</b>}
    </p>
  );
}
