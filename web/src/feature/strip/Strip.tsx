import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { debtsOf } from '#core/job/debt.ts';
import { isStrip } from '#core/job/step-progress.ts';
import { usePrimaryKey } from '../../app/use-primary-key.ts';
import { Cautions } from '../../job/Cautions.tsx';
import { useOpenJob } from '../../job/use-open-job.ts';
import { Button } from '../../ui/Button.tsx';
import { AddDebt } from './AddDebt.tsx';
import { DebtList } from './DebtList.tsx';
import { NextStepBar } from './NextStepBar.tsx';
import { StepList } from './StepList.tsx';
import { StepSheet } from './StepSheet.tsx';
import { useSteps } from './use-steps.ts';

/** Preparing and stripping: each step ticked opens what is owed until it is back. */
export default function Strip() {
  const { plan, state, give } = useOpenJob();
  const steps = useMemo(() => plan.steps.filter(isStrip), [plan]);
  const { done, next, tick, asking, close } = useSteps(steps);
  const [adding, setAdding] = useState(false);
  const debts = debtsOf(plan, state);
  const putOn = debts.filter((debt) => debt.kind === 'temporary' && !debt.opened && !state.closed);
  const go = next && !state.closed ? () => tick(next) : undefined;
  usePrimaryKey(go);
  useHotkeys('u', () => give({ type: 'undo' }), [give]);
  return (
    <div className="flex flex-1 flex-col lg:min-h-0 lg:flex-row">
      <main className="flex-1 bg-bench px-5 py-4 lg:overflow-y-auto">
        <h1 className="plate mb-2 text-3xl">Strip</h1>
        {steps.length === 0 && (
          <p className="text-ink-2">The sheet takes nothing off. What you take off all the same goes on the right.</p>
        )}
        <StepList steps={steps} done={done} next={next} onTick={tick} />
        <Cautions plan={plan} />
      </main>
      <aside className="flex shrink-0 flex-col border-ink bg-sheet lg:w-[440px] lg:border-l-2">
        <div className="flex-1 p-5 pb-28 lg:min-h-0 lg:overflow-y-auto lg:pb-5">
          <div className="flex items-center justify-between gap-3">
            <h2 className="plate text-3xl">Owed</h2>
            {!state.closed && <Button onClick={() => setAdding(true)}>Off, not on the sheet</Button>}
          </div>
          {putOn.length > 0 && (
            <section className="mt-2">
              <h3 className="font-bold">Put on for the work, and off again</h3>
              <ul>
                {putOn.map((debt) => (
                  <li key={debt.id} className="flex items-center justify-between gap-3 border-t border-hair py-1">
                    {debt.name}
                    <Button onClick={() => give({ type: 'openDebt', debt: debt.id })}>
                      It is on<span className="sr-only">: {debt.name}</span>
                    </Button>
                  </li>
                ))}
              </ul>
            </section>
          )}
          <DebtList debts={debts.filter((debt) => debt.opened !== undefined)} />
          {!debts.some((debt) => debt.opened) && <p className="mt-2 text-ink-2">Nothing is off the vehicle.</p>}
        </div>
        <NextStepBar next={next} onDo={go} then={{ to: '../fit-loose', title: 'To Fit loose' }} />
      </aside>
      {asking && <StepSheet key={asking.step.id} step={asking.step} asks={asking.asks} onClose={close} />}
      {adding && <AddDebt onClose={() => setAdding(false)} />}
    </div>
  );
}
