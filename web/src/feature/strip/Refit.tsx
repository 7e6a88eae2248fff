import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { stepTitle } from '#contract/wording/step-text.ts';
import { debtsOf, isOwed } from '#core/job/debt.ts';
import { debtTouched, refitSteps } from '#core/job/step-progress.ts';
import type { PlanStep } from '#core/kit/plan.ts';
import { usePrimaryKey } from '../../app/use-primary-key.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { Button } from '../../ui/Button.tsx';
import { AddDebt } from './AddDebt.tsx';
import { DebtList } from './DebtList.tsx';
import { GiveFigure } from './GiveFigure.tsx';
import { NextStepBar } from './NextStepBar.tsx';
import { StepList } from './StepList.tsx';
import { StepSheet } from './StepSheet.tsx';
import { useSteps } from './use-steps.ts';

/** The reverse of what came off, written out: same counts, same sides, the figure asked for, nothing hidden. */
export default function Refit() {
  const { plan, state, give } = useOpenJob();
  const steps = useMemo(() => refitSteps(plan, state), [plan, state]);
  const { done, next, tick, asking, close, debts: byId } = useSteps(steps);
  const [figure, setFigure] = useState<{ id: string; name: string }>();
  const [adding, setAdding] = useState(false);
  const debts = debtsOf(plan, state);
  const listed = new Set(steps.flatMap((step) => step.actions.flatMap((action) => debtTouched(action)?.id ?? [])));
  const beyond = debts.filter((debt) => isOwed(debt) && !debt.ids.some((id) => listed.has(id)));
  const asks = debts.filter((debt) => debt.asks.includes('torque') && (debt.opened || listed.has(debt.id)));
  const missing = plan.stations.filter(
    (station) => station.spec.kind === 'missing' && state.visit.figures[station.id] === undefined,
  );
  const move = (step: PlanStep, by: -1 | 1) => {
    const order = steps.map(({ id }) => id);
    const at = order.indexOf(step.id);
    const to = at + by;
    if (to < 0 || to >= order.length) return;
    order.splice(at, 1);
    order.splice(to, 0, step.id);
    give({ type: 'arrangeRefit', order });
  };
  const go = next && !state.closed ? () => tick(next) : undefined;
  usePrimaryKey(go);
  useHotkeys('u', () => give({ type: 'undo' }), [give]);
  return (
    <div className="flex flex-1 flex-col lg:min-h-0 lg:flex-row">
      <main className="flex-1 bg-bench px-5 py-4 lg:overflow-y-auto">
        <h1 className="plate text-3xl">Refit</h1>
        <p className="mb-2 text-ink-2">
          Made from what comes off, last off first on. Move a line where the vehicle wants it otherwise.
        </p>
        {steps.length === 0 && <p className="text-ink-2">Nothing comes off that must go back.</p>}
        <StepList
          steps={steps}
          done={done}
          next={next}
          onTick={tick}
          beside={(step) =>
            done.has(step.id) || state.closed ? null : (
              <span className="flex items-center">
                {step.actions.some((action) => {
                  const touched = debtTouched(action);
                  return touched && !touched.opens && byId.get(touched.id)?.asks.includes('torque');
                }) && <span className="mr-2 text-sm font-bold text-bad">torque?</span>}
                <button
                  type="button"
                  className="flex min-h-14 w-11 items-center justify-center"
                  aria-label={`Earlier: ${stepTitle(plan, step)}`}
                  onClick={() => move(step, -1)}
                >
                  <ArrowUp size={22} aria-hidden="true" />
                </button>
                <button
                  type="button"
                  className="flex min-h-14 w-11 items-center justify-center"
                  aria-label={`Later: ${stepTitle(plan, step)}`}
                  onClick={() => move(step, 1)}
                >
                  <ArrowDown size={22} aria-hidden="true" />
                </button>
              </span>
            )
          }
        />
      </main>
      <aside className="flex shrink-0 flex-col border-ink bg-sheet lg:w-[440px] lg:border-l-2">
        <div className="flex-1 p-5 pb-28 lg:min-h-0 lg:overflow-y-auto lg:pb-5">
          {(asks.length > 0 || missing.length > 0) && (
            <section className="mb-5 border-2 border-bad p-3">
              <h2 className="plate text-2xl">No figure on the sheet</h2>
              <ul>
                {[
                  ...asks.map((debt) => ({ id: debt.id, name: debt.name })),
                  ...missing.map((station) => ({ id: station.id, name: `station ${station.label}, ${station.name}` })),
                ].map((wanted) => (
                  <li key={wanted.id} className="flex items-center justify-between gap-3 border-t border-hair py-1">
                    {wanted.name}
                    {!state.closed && (
                      <Button onClick={() => setFigure(wanted)}>
                        Find one<span className="sr-only"> for {wanted.name}</span>
                      </Button>
                    )}
                  </li>
                ))}
              </ul>
            </section>
          )}
          <div className="flex items-center justify-between gap-3">
            <h2 className="plate text-3xl">Owed</h2>
            {!state.closed && <Button onClick={() => setAdding(true)}>Off, not on the sheet</Button>}
          </div>
          {beyond.length > 0 && (
            <p className="mt-1 text-sm text-ink-2">
              {beyond.length} of these stand in no line on the left: end them here.
            </p>
          )}
          <DebtList debts={debts.filter((debt) => debt.opened !== undefined)} />
          {!debts.some((debt) => debt.opened) && <p className="mt-2 text-ink-2">Nothing is off the vehicle.</p>}
        </div>
        <NextStepBar next={next} onDo={go} then={{ to: '../close-out', title: 'To Close out' }} />
      </aside>
      {asking && <StepSheet key={asking.step.id} step={asking.step} asks={asking.asks} onClose={close} />}
      {figure && (
        <GiveFigure key={figure.id} target={figure.id} name={figure.name} onClose={() => setFigure(undefined)} />
      )}
      {adding && <AddDebt onClose={() => setAdding(false)} />}
    </div>
  );
}
