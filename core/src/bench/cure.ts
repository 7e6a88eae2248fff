import {
  type CureConditions,
  type CureTimes,
  cureTimes,
  isActive,
  type ProductTimes,
  type TimeOrigin,
} from '../compound/cure-curve.ts';
import type { InputFault } from '../quantity/input-fault.ts';
import { ok, type Result } from '../result.ts';
import { type Remark, remarksThat } from './remark.ts';

/** The waits of a product here: working window, fixture, full cure. */
export function waitsFor(
  times: ProductTimes,
  conditions: CureConditions,
  origin: TimeOrigin,
): Result<CureTimes & { remarks: Remark[] }, InputFault> {
  const cured = cureTimes(times, conditions, origin);
  if (!cured.ok) return cured;
  return ok({
    ...cured.value,
    remarks: remarksThat(
      { code: origin === 'productSheet' ? 'timesOfSheet' : 'timesOfModel' },
      cured.value.tooCold && { code: 'tooColdToSet' },
      !isActive(conditions.substrate) && conditions.primer !== true && { code: 'primerHelps' },
    ),
  });
}
