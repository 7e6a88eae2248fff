import { type Adjuster, type AdjusterAdvice, adjusterTurns } from '../fastener/adjuster.ts';
import type { InputFault } from '../quantity/input-fault.ts';
import { ok, type Result } from '../result.ts';
import { type Remark, remarksThat } from './remark.ts';

/** Difference between the ends that is worth setting right first, mm. Chosen by us. */
const UNEQUAL_MM = 2;

/** Turns that bring a link to length, and what they leave in mesh. */
export function linkLength(link: Adjuster): Result<AdjusterAdvice & { remarks: Remark[] }, InputFault> {
  const advice = adjusterTurns(link);
  if (!advice.ok) return advice;
  const { shortByMm, longestMm, unequalByMm } = advice.value;
  return ok({
    ...advice.value,
    remarks: remarksThat(
      shortByMm > 0 && { code: 'tooLittleInMesh', shortByMm, longestMm },
      unequalByMm > UNEQUAL_MM && { code: 'endsDiffer', unequalByMm },
      shortByMm <= 0 && unequalByMm <= UNEQUAL_MM && { code: 'meshEnough' },
      { code: 'alignAfterwards' },
    ),
  });
}
