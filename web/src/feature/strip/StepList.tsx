import { Check } from 'lucide-react';
import type { ReactNode } from 'react';
import { NEED_TEXT } from '#contract/wording/en/terms.ts';
import { reasonsText } from '#contract/wording/plan-text.ts';
import { planActionText, stepTitle } from '#contract/wording/step-text.ts';
import type { PlanStep } from '#core/kit/plan.ts';
import { useOpenJob } from '../../job/use-open-job.ts';

/** Steps as a list with big ticks; the one to do now is painted. */
export function StepList({
  steps,
  done,
  next,
  onTick,
  beside,
}: {
  steps: readonly PlanStep[];
  done: ReadonlySet<string>;
  next?: PlanStep;
  onTick: (step: PlanStep) => void;
  /** More at the end of a line: arranging, asking. */
  beside?: (step: PlanStep) => ReactNode;
}) {
  const { plan, state } = useOpenJob();
  const several = plan.kits.length > 1;
  return (
    <ol className="border-t border-rule">
      {steps.map((step) => {
        const ticked = done.has(step.id);
        const here = next?.id === step.id;
        const told = state.visit.steps[step.id];
        const shared = step.covers.filter((id) => id !== step.id).length;
        return (
          <li key={step.id} className="flex items-stretch gap-3 border-b border-hair">
            <button
              type="button"
              aria-label={`${ticked ? 'Done' : 'Tick'}: ${stepTitle(plan, step)}`}
              aria-pressed={ticked}
              disabled={ticked || state.closed !== undefined}
              onClick={() => onTick(step)}
              className={`flex w-16 shrink-0 items-center justify-center border-2 ${ticked ? 'border-plate bg-plate text-paint' : here ? 'border-ink bg-paint text-on-paint' : 'border-ink bg-sheet'}`}
            >
              {ticked && <Check size={30} aria-hidden="true" />}
            </button>
            <div className="min-w-0 flex-1 py-2">
              <p className={`font-bold ${ticked ? 'text-ink-2' : ''}`}>{stepTitle(plan, step)}</p>
              {step.made !== 'refit' &&
                step.actions
                  .filter((action) => action.type !== 'do')
                  .map((action) => (
                    <p key={planActionText(plan, action)} className="text-sm">
                      {planActionText(plan, action)}
                    </p>
                  ))}
              <p className="text-sm text-ink-2">
                {[
                  several ? plan.kits.find((kit) => kit.id === step.kit)?.title : '',
                  shared > 0 ? 'for several kits at once' : '',
                  (step.people ?? 1) > 1 ? `${step.people} people` : '',
                  step.needs.map((need) => NEED_TEXT[need]).join(', '),
                  step.because.length > 0 ? `because ${reasonsText(plan, step.because)}` : '',
                  told ? `${told.by.name}${told.helper ? ` with ${told.helper}` : ''}` : '',
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </p>
            </div>
            {beside?.(step)}
          </li>
        );
      })}
    </ol>
  );
}
