import type { StepId } from '../../kit/ids.ts';
import { indexOf } from '../../kit/plan.ts';
import { OVERRIDABLE_STEPS } from '../refusal.ts';
import { LEAD_ONLY } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

/** Lifts a refusal for one step. */
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
  may: LEAD_ONLY,
  needsProof: true,
  decide({ plan }, { refusal, step, reason }) {
    if (!indexOf(plan).steps.has(step)) return refuse({ code: 'unknownStep', step });
    if (!(OVERRIDABLE_STEPS as ReadonlySet<string>).has(refusal)) return refuse({ code: 'notOverridable', refusal });
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
