import type { StepId, ThingId } from '../../kit/ids.ts';
import { indexOf, type PlanStep } from '../../kit/plan.ts';
import type { Chocks } from '../chocks.ts';
import { type Debt, debtsOf, isOwed } from '../debt.ts';
import { openConflict } from '../gate/conflict-gate.ts';
import { refitRefusal } from '../gate/refit-gate.ts';
import { stripGate } from '../gate/strip-gate.ts';
import type { JobState } from '../job-state.ts';
import { OVERRIDABLE_STEPS, type Refusal, type RefusalCode } from '../refusal.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { debtsById, debtTouched, isStrip, stepDone, stepsDone } from '../step-progress.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';
import { changeDebts } from './change-debts.ts';
import type { DebtClosed } from './close-debt.ts';
import type { DebtOpened } from './open-debt.ts';

/** `helper`: who helps, where a step needs two; `newPieces`: single-use pieces are replaced by new ones. */
export interface DoStep {
  type: 'doStep';
  step: StepId;
  helper?: string;
  chocks?: Chocks;
  newPieces?: boolean;
}

/** `covers`: steps of other kits that are done with it. */
export interface StepDone {
  type: 'stepDone';
  step: StepId;
  covers: StepId[];
  helper?: string;
  chocks?: Chocks;
}

export interface StepUndone {
  type: 'stepUndone';
  step: StepId;
  covers: StepId[];
  /** Debts it had ended. */
  reopened: ThingId[];
  /** Debts it had opened. */
  closedAgain: ThingId[];
}

const lifted = (job: JobState, step: StepId, code: RefusalCode): boolean =>
  OVERRIDABLE_STEPS.has(code) && job.visit.stepOverrides[step]?.[code] !== undefined;

/** The end a step raises, and where the chocks must not stand. */
function chocksRefusal(step: PlanStep, chocks: Chocks | undefined): Refusal | undefined {
  const lift = step.actions.find((action) => action.type === 'lift');
  if (lift?.type !== 'lift') return undefined;
  const end = lift.end ?? 'whole';
  if (chocks === undefined || (end !== 'whole' && chocks === 'none')) return { code: 'chocksNotSaid', step: step.id };
  return end === chocks ? { code: 'chocksAtRaisedEnd', step: step.id, end: chocks } : undefined;
}

/** Pieces of a debt that a step puts back: as it says, never more than are owed. */
function countOf(step: PlanStep, debt: Debt): number {
  const action = step.actions.find((entry) => entry.type === 'refit' && debt.ids.includes(entry.removed));
  const said = action?.type === 'refit' ? action.count : undefined;
  return Math.min(said ?? debt.count, debt.count - debt.ended);
}

const without = <T>(record: Record<string, T>, ids: readonly string[]): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([id]) => !ids.includes(id)));

export const doStep = act<DoStep, StepDone | StepUndone, DebtOpened | DebtClosed>({
  may: ON_THE_FLOOR,
  decide({ plan, job }, { step: id, helper, chocks, newPieces }) {
    const { steps } = indexOf(plan);
    const step = steps.get(id);
    if (!step) return refuse({ code: 'unknownStep', step: id });
    const debts = debtsById(plan, job);
    if (job.visit.steps[step.id] !== undefined) return refuse({ code: 'stepDoneAlready', step: step.id });
    const waiting = step.after.filter((before) => {
      const earlier = steps.get(before);
      // A person may put back in another order than the strip's reverse; everything else keeps its order.
      if (!earlier || (step.made === 'refit' && earlier.made === 'refit')) return false;
      return !stepDone(plan, job, earlier, debts);
    });
    const touched = step.actions.flatMap((action) => debtTouched(action) ?? []);
    const conflict = openConflict(plan, [step.id, ...touched.map((touch) => touch.id)]);
    const closing = touched.flatMap((touch) => {
      const debt = touch.opens ? undefined : debts.get(touch.id);
      return debt && isOwed(debt) ? [debt] : [];
    });
    const people = step.people ?? 1;
    const checks: Array<Refusal | undefined> = [
      isStrip(step) && touched.some(({ opens }) => opens) ? stripGate(plan, job) : undefined,
      conflict === undefined ? undefined : { code: 'conflictOpen', conflict },
      waiting.length > 0 ? { code: 'stepWaitsFor', step: step.id, steps: waiting } : undefined,
      people > 1 && blank(helper) ? { code: 'helperNeeded', step: step.id, people } : undefined,
      chocksRefusal(step, chocks),
      ...closing.map((debt) => refitRefusal(debt, newPieces)),
    ];
    const standing = checks.find((check) => check && !lifted(job, step.id, check.code));
    if (standing) return refuse(standing);
    const opening = touched.flatMap((touch) => {
      const debt = touch.opens ? debts.get(touch.id) : undefined;
      return debt && debt.opened === undefined ? debt.ids : [];
    });
    return done<StepDone | DebtOpened | DebtClosed>(
      {
        type: 'stepDone',
        step: step.id,
        covers: step.covers.filter((covered) => covered !== step.id),
        ...(blank(helper) ? {} : { helper }),
        ...(chocks === undefined ? {} : { chocks }),
      },
      ...(opening.length > 0 ? [{ type: 'debtOpened' as const, debts: opening }] : []),
      ...closing.map((debt) => ({
        type: 'debtClosed' as const,
        debts: debt.ids,
        count: countOf(step, debt),
        end: debt.end,
        ...(debt.asks.includes('newPiece') ? { newPieces: true } : {}),
      })),
    );
  },
  /** Takes a step back, where nothing was built on it. What it did is told by its command, not by the clock. */
  undo({ plan, job }, last) {
    if (last.act !== 'doStep') return refuse({ code: 'nothingToUndo' });
    const step = indexOf(plan).steps.get(last.step);
    const ticked = job.visit.steps[last.step];
    if (!step || !ticked) return refuse({ code: 'nothingToUndo' });
    const finished = stepsDone(plan, job);
    const later = plan.steps.some(
      (entry) => entry.after.includes(step.id) && job.visit.steps[entry.id] && finished.has(entry.id),
    );
    if (later) return refuse({ code: 'nothingToUndo' });
    const debts = debtsOf(plan, job);
    const touched = step.actions.flatMap((action) => debtTouched(action) ?? []);
    const of = (opens: boolean) =>
      touched.flatMap((touch) =>
        touch.opens === opens ? (debts.find((debt) => debt.ids.includes(touch.id)) ?? []) : [],
      );
    const opened = of(true).filter((debt) => debt.opened?.commandId === ticked.commandId);
    if (opened.some((debt) => debt.ended > 0)) return refuse({ code: 'nothingToUndo' });
    const closed = of(false).filter((debt) => debt.ends.at(-1)?.commandId === ticked.commandId);
    return done({
      type: 'stepUndone',
      step: step.id,
      covers: step.covers.filter((id) => id !== step.id),
      reopened: closed.flatMap((debt) => debt.ids),
      closedAgain: opened.flatMap((debt) => debt.ids),
    });
  },
  fold: {
    stepDone(draft, fact) {
      const ticked = { helper: fact.helper, chocks: fact.chocks, ...stampOf(fact) };
      const steps = Object.fromEntries([fact.step, ...fact.covers].map((id) => [id, ticked]));
      draft.visit = { ...draft.visit, steps: { ...draft.visit.steps, ...steps } };
      draft.undoable[fact.by.id] = { act: 'doStep', step: fact.step };
    },
    stepUndone(draft, fact) {
      draft.visit = { ...draft.visit, steps: without(draft.visit.steps, [fact.step, ...fact.covers]) };
      changeDebts(draft, fact.closedAgain, ({ opened: _, ...debt }) => debt);
      changeDebts(draft, fact.reopened, (debt) => ({ ...debt, ends: debt.ends.slice(0, -1) }));
      draft.undoable[fact.by.id] = undefined;
    },
  },
});
