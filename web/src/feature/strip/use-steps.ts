import { useMemo, useState } from 'react';
import { debtsById, debtTouched, stepDone } from '#core/job/step-progress.ts';
import type { PlanStep } from '#core/kit/plan.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { asksAnything, type StepAsks } from './StepSheet.tsx';

/** Steps in their order with what is done, the next one, and ticking one, asking first what must be said. */
export function useSteps(steps: readonly PlanStep[]) {
  const { plan, state, give } = useOpenJob();
  const [asking, setAsking] = useState<{ step: PlanStep; asks: StepAsks }>();
  const debts = useMemo(() => debtsById(plan, state), [plan, state]);
  const done = useMemo(
    () => new Set(steps.filter((step) => stepDone(plan, state, step, debts)).map((step) => step.id)),
    [plan, state, steps, debts],
  );
  const next = steps.find((step) => !done.has(step.id));
  const tick = (step: PlanStep) => {
    const lift = step.actions.find((action) => action.type === 'lift');
    const newPieces = step.actions.flatMap((action) => {
      const touched = debtTouched(action);
      const debt = touched && !touched.opens ? debts.get(touched.id) : undefined;
      return debt?.asks.includes('newPiece') ? [debt.name] : [];
    });
    const asks: StepAsks = {
      helper: (step.people ?? 1) > 1,
      newPieces,
      ...(lift?.type === 'lift' ? { chocks: lift.end ?? 'whole' } : {}),
    };
    if (asksAnything(asks)) setAsking({ step, asks });
    else give({ type: 'doStep', step: step.id });
  };
  return { done, next, tick, asking, close: () => setAsking(undefined), debts };
}
