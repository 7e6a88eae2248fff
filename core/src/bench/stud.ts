import { type StudStack, type StudVerdict, studLength } from '../fastener/stud-length.ts';
import type { InputFault } from '../quantity/input-fault.ts';
import { ok, type Result } from '../result.ts';
import { type Remark, remarksThat } from './remark.ts';

/** Whether a wheel stud is long enough for what stands on it. */
export function studFor(stack: StudStack): Result<StudVerdict & { remarks: Remark[] }, InputFault> {
  const verdict = studLength(stack);
  if (!verdict.ok) return verdict;
  const { bottoms, bottomsByMm, tooShortByMm, nutLacksMm } = verdict.value;
  return ok({
    ...verdict.value,
    remarks: remarksThat(
      bottoms && { code: 'nutBottoms', byMm: bottomsByMm },
      tooShortByMm > 0 && { code: 'studTooShort', atLeastMm: stack.studMm + tooShortByMm },
      nutLacksMm > 0 && { code: 'nutTooShort', lacksMm: nutLacksMm },
      !bottoms && tooShortByMm <= 0 && nutLacksMm <= 0 && { code: 'studLongEnough' },
      { code: 'studCaution' },
    ),
  });
}
