import type { StepId } from '../../kit/ids.ts';
import { lineOf } from '../../line/line.ts';
import { lineKind } from '../../line/line-kinds.ts';
import { benderOf, mayBend } from '../gate/bending.ts';
import { debtTouched, lineProgress } from '../line-progress.ts';
import { ANSWERABLE } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

/** Lets a step go undone, by name and with a reason that prints. */
export interface WaiveStep {
  type: 'waiveStep';
  step: StepId;
  reason: string;
}

export interface StepWaived {
  type: 'stepWaived';
  step: StepId;
  reason: string;
}

export interface WaiverTakenBack {
  type: 'waiverTakenBack';
  step: StepId;
}

export const waiveStep = act<WaiveStep, StepWaived | WaiverTakenBack>({
  may: ANSWERABLE,
  needsProof: true,
  decide({ plan, job, by }, { step: id, reason }) {
    const step = lineOf(plan).stepById.get(id);
    if (!step) return refuse({ code: 'unknownStep', step: id });
    if (!mayBend(plan.rules, 'waiver', by.role))
      return refuse({ code: 'notYoursToBend', rule: 'waiver', bender: benderOf(plan.rules, 'waiver') });
    const { steps, acts, debts } = lineProgress(plan, job);
    if (steps.has(id)) return refuse({ code: 'stepDoneAlready', step: id });
    if (blank(reason)) return refuse({ code: 'reasonMissing' });
    // A joint without its torque, and what is off the vehicle or still on it, is never waved through.
    const never = step.acts.filter((one) => {
      if (acts.has(one.id)) return false;
      const touched = debtTouched(one.action);
      const debt = touched && debts.get(touched.id);
      const owed = debt !== undefined && touched?.opens === false && debt.opened !== undefined;
      return lineKind(one.action).byStations || owed;
    });
    return never.length > 0
      ? refuse({ code: 'notWaivable', step: id, acts: never.map((one) => one.id) })
      : done({ type: 'stepWaived', step: id, reason });
  },
  undo({ plan, job }, last) {
    if (last.act !== 'waiveStep' || job.visit.waived[last.step] === undefined) return refuse({ code: 'nothingToUndo' });
    const { steps, stepById } = lineOf(plan);
    const { acts } = lineProgress(plan, job);
    const builtOn = steps.some(
      ({ step, acts: own }) => step.after.includes(last.step) && own.some(({ id }) => acts.has(id)),
    );
    return builtOn || !stepById.has(last.step)
      ? refuse({ code: 'nothingToUndo' })
      : done({ type: 'waiverTakenBack', step: last.step });
  },
  fold: {
    stepWaived(draft, fact) {
      const waived = { ...draft.visit.waived, [fact.step]: { reason: fact.reason, ...stampOf(fact) } };
      draft.visit = { ...draft.visit, waived };
      draft.undoable[fact.by.id] = { act: 'waiveStep', step: fact.step };
    },
    waiverTakenBack(draft, fact) {
      const { [fact.step]: _, ...waived } = draft.visit.waived;
      draft.visit = { ...draft.visit, waived };
      draft.undoable[fact.by.id] = undefined;
    },
  },
});
