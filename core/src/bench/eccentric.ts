import { type EccentricAnswer, type EccentricAsk, eccentricFor } from '../geometry/eccentric.ts';
import type { InputFault } from '../quantity/input-fault.ts';
import { ok, type Result } from '../result.ts';
import { type Remark, remarksThat } from './remark.ts';

/** Camber that is not told apart on a rack, °. Chosen by us. */
const REPEATS_DEG = 0.05;

/** Where an eccentric goes for an aim, and what to mind on the way. */
export function eccentricAim(ask: EccentricAsk): Result<EccentricAnswer & { remarks: Remark[] }, InputFault> {
  const answer = eccentricFor(ask);
  if (!answer.ok) return answer;
  const { missingDeg, startsAway } = answer.value;
  return ok({
    ...answer.value,
    remarks: remarksThat(
      Math.abs(missingDeg) > REPEATS_DEG && { code: 'aimOutOfReach', missingDeg: Math.abs(missingDeg) },
      startsAway && { code: 'startsAway' },
      { code: 'bothSidesAlike' },
      { code: 'headTurnsWithNut' },
      { code: 'rackDecides' },
    ),
  });
}
