import { type Eccentric, type EccentricAnswer, eccentricFor, type Side } from '../geometry/eccentric.ts';
import type { Plan, PlanAction } from '../kit/plan.ts';
import type { Answers } from './ask.ts';
import { checkKey, limitsOf } from './judge-check.ts';

type Align = Extract<PlanAction, { type: 'align' }>;

/** Under which it is kept where a lobe stood when its wheel was read. */
export const lobeKey = (place: string): string => `lobe ${place}`;

/** The eccentric an act turns; nothing where the sheet states none. */
export function eccentricOf({ authorityDeg, lobeOut }: Align): Eccentric | undefined {
  return authorityDeg === undefined || lobeOut === undefined ? undefined : { authorityDeg, lobeOut };
}

/** What to do at one wheel. */
export interface LobeAdvice {
  place: string;
  side: Side;
  lobeDeg: number;
  readDeg: number;
  aimDeg: number;
  answer: EccentricAnswer;
}

/**
 * Where each lobe must go, by what was read and where it stood: the target of its check, or the middle of what is
 * allowed. Places that are not read yet, or lie on no side, have none; nor has a figure that cannot be.
 */
export function lobeAdvice(plan: Pick<Plan, 'checks'>, action: Align, answers: Answers): LobeAdvice[] {
  const eccentric = eccentricOf(action);
  const check = plan.checks.find(({ id }) => id === action.check);
  if (!eccentric || !check?.places) return [];
  const { min, max } = limitsOf(check);
  const aimDeg = check.target ?? (min !== undefined && max !== undefined ? (min + max) / 2 : (min ?? max));
  if (aimDeg === undefined) return [];
  return check.places.flatMap((place): LobeAdvice[] => {
    const [readDeg, lobeDeg] = [answers[checkKey(place)], answers[lobeKey(place)]];
    const side = /\bleft\b/i.test(place) ? 'left' : /\bright\b/i.test(place) ? 'right' : undefined;
    if (typeof readDeg !== 'number' || typeof lobeDeg !== 'number' || side === undefined) return [];
    const answer = eccentricFor({ eccentric, nowDeg: readDeg, aimDeg, lobeDeg });
    return answer.ok ? [{ place, side, lobeDeg, readDeg, aimDeg, answer: answer.value }] : [];
  });
}
