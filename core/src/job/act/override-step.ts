import type { StepId } from '../../kit/ids.ts';
import { indexOf } from '../../kit/plan.ts';
import { benderOf, mayBend, ruleBehind } from '../gate/bending.ts';
import { ANSWERABLE } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

/** Lifts a refusal for one step: by whom the shop lets bend the rule behind it. */
export interface OverrideStep {
  type: 'overrideStep';
  refusal: string;
  step: StepId;
  reason: string;
}

export interface StepOverrideGranted {
  type: 'stepOverrideGranted';
  refusal: string;
  step: StepId;
  reason: string;
}

export const overrideStep = act<OverrideStep, StepOverrideGranted>({
  may: ANSWERABLE,
  needsProof: true,
  decide({ plan, by }, { refusal, step, reason }) {
    if (!indexOf(plan).steps.has(step)) return refuse({ code: 'unknownStep', step });
    const rule = ruleBehind(refusal, 'step');
    if (!rule) return refuse({ code: 'notOverridable', refusal });
    if (!mayBend(plan.rules, rule, by.role))
      return refuse({ code: 'notYoursToBend', rule, bender: benderOf(plan.rules, rule) });
    if (blank(reason)) return refuse({ code: 'reasonMissing' });
    return done({ type: 'stepOverrideGranted', refusal, step, reason });
  },
  fold: {
    stepOverrideGranted(draft, fact) {
      const { step, refusal } = fact;
      const granted = { ...draft.visit.stepOverrides[step], [refusal]: { reason: fact.reason, ...stampOf(fact) } };
      draft.visit = { ...draft.visit, stepOverrides: { ...draft.visit.stepOverrides, [step]: granted } };
    },
  },
});
