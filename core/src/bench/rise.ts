import {
  type DamperTravel,
  type DamperTravelAnswer,
  type DroopLine,
  type DroopLineAnswer,
  damperTravel,
  droopLine,
} from '../geometry/droop.ts';
import { type LiftBy, type LiftHeight, liftHeight } from '../geometry/lift-height.ts';
import type { InputFault } from '../quantity/input-fault.ts';
import { ok, type Result } from '../result.ts';
import { type Remark, remarksThat } from './remark.ts';

/** A name that is off by less is as good as true, mm. Chosen by us. */
const NAME_MM = 5;

/** What a spacer or spring raises at the wheel. */
export function riseFor(
  by: LiftBy,
  motionRatio: number,
  namedMm?: number,
): Result<LiftHeight & { remarks: Remark[] }, InputFault> {
  const answer = liftHeight(by, motionRatio, namedMm);
  if (!answer.ok) return answer;
  const { namedOverMm = 0 } = answer.value;
  return ok({
    ...answer.value,
    remarks: remarksThat(Math.abs(namedOverMm) > NAME_MM && { code: 'nameIsNotRise', namedOverMm }, {
      code: 'riseWantsAlignment',
    }),
  });
}

/** Whether a line reaches at full droop. */
export function lineAtDroop(line: DroopLine): Result<DroopLineAnswer & { remarks: Remark[] }, InputFault> {
  const answer = droopLine(line);
  if (!answer.ok) return answer;
  const { shortByMm } = answer.value;
  return ok({
    ...answer.value,
    remarks: remarksThat(shortByMm > 0 ? { code: 'lineShort', shortMm: shortByMm } : { code: 'lineReaches' }, {
      code: 'measureAtDroop',
    }),
  });
}

/** What a lift leaves of a damper. */
export function damperAfter(damper: DamperTravel): Result<DamperTravelAnswer & { remarks: Remark[] }, InputFault> {
  const answer = damperTravel(damper);
  if (!answer.ok) return answer;
  const { topsOut, bottomsFirst, droopLeftMm, bumpLeftMm, toStopMm } = answer.value;
  return ok({
    ...answer.value,
    remarks: remarksThat(
      topsOut && { code: 'damperDrawnOut', leftMm: Math.max(0, droopLeftMm) },
      bottomsFirst && { code: 'damperShutsFirst', shortMm: toStopMm - bumpLeftMm },
      !topsOut && !bottomsFirst && { code: 'damperHasRoom' },
      { code: 'measureAtDroop' },
    ),
  });
}
