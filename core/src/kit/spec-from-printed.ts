import { fail, ok, type Result } from '../result.ts';
import type { TorqueValue } from '../sheet/fact.ts';
import { tokenize } from '../sheet/token.ts';
import { torqueAt } from '../sheet/torque-phrase.ts';
import type { ProcedureStage } from '../tightening/kind/procedure.ts';
import type { TighteningSpec } from '../tightening/kinds.ts';

/** Tolerance of a turned angle where the sheet gives none, degrees each way (chosen by us). */
const ANGLE_TOLERANCE_DEG = 5;

/** Slots of a castle nut up to M39 (DIN 935, from memory). */
const USUAL_SLOTS = 6;

/** One tightening of a procedure; the last may be a window, which is its middle with a tolerance. */
function lastOf({ minNm, maxNm }: TorqueValue, torqueNm: number): ProcedureStage {
  const tidy = (nm: number) => Number(nm.toFixed(4));
  if (torqueNm !== maxNm || minNm === maxNm) return { do: 'tighten', torqueNm: tidy(torqueNm) };
  const middle = (minNm + maxNm) / 2;
  return { do: 'tighten', torqueNm: tidy(middle), toleranceFraction: tidy((maxNm - minNm) / (2 * middle)) };
}

/** The specification that a torque as printed asks for. */
export function specOfTorque(value: TorqueValue): TighteningSpec {
  const { minNm, limitNm, angleDeg, toleranceNm, toYield } = value;
  const aimed = value.nominal !== undefined && toleranceNm !== undefined;
  const maxNm = aimed ? (minNm + value.maxNm) / 2 : value.maxNm;
  const tidy = (nm: number) => Number(nm.toFixed(4));
  if (toYield === 'from' && limitNm !== undefined)
    return { kind: 'yieldControlled', thresholdNm: tidy(maxNm), maximumNm: tidy(limitNm) };
  if (toYield !== undefined) {
    const known =
      toYield === 'from' ? `from ${value.max} ${value.unit}, no limit given` : `limit ${value.max} ${value.unit}`;
    // Half of what it takes: the other half is a figure, and no figure is filled in.
    return { kind: 'missing', why: 'notGiven', note: `Drawn to yield, ${known}.` };
  }
  if (value.only === 'ceiling')
    // An end is no figure to pull to, and none is made of it.
    return { kind: 'missing', why: 'notGiven', note: `Never over ${value.max} ${value.unit}; no figure is given.` };
  if (value.only === 'floor')
    return { kind: 'missing', why: 'notGiven', note: `At least ${value.min} ${value.unit}; no figure is given.` };
  const end = value.stages?.at(-1);
  if (end && 'backOffDeg' in end && end.backOffDeg > 0)
    // A procedure ends with a tightening: what is left backed off is judged by who does it, and checked to no torque later.
    return {
      kind: 'missing',
      why: 'notGiven',
      note: `${value.max} ${value.unit}, then back off ${end.backOffDeg}°: what it ends at is no torque.`,
    };
  if (value.stages?.some((stage) => 'backOffDeg' in stage && stage.backOffDeg > 0))
    return {
      kind: 'procedure',
      stages: value.stages.flatMap((stage): ProcedureStage[] =>
        'torqueNm' in stage
          ? [lastOf(value, stage.torqueNm)]
          : stage.backOffDeg > 0
            ? [{ do: 'backOff', deg: stage.backOffDeg }]
            : [],
      ),
    };
  if (angleDeg !== undefined)
    return {
      kind: 'torqueAngle',
      thresholdNm: tidy(maxNm),
      angleDeg,
      angleToleranceDeg: ANGLE_TOLERANCE_DEG,
      ...(limitNm ? { maximumNm: tidy(limitNm) } : {}),
    };
  // Half the value each way is the most the format takes; more is no tolerance.
  const share = toleranceNm === undefined ? undefined : tidy(toleranceNm / maxNm);
  const tolerance = share !== undefined && share > 0 && share <= 0.5 ? { toleranceFraction: share } : {};
  if (value.toSlot && limitNm !== undefined && limitNm > maxNm)
    return { kind: 'slot', startNm: tidy(maxNm), ceilingNm: tidy(limitNm), slots: USUAL_SLOTS };
  if (limitNm !== undefined && limitNm > maxNm)
    return { kind: 'targetWithMaximum', targetNm: tidy(maxNm), maximumNm: tidy(limitNm), ...tolerance };
  if (minNm < maxNm && !aimed) return { kind: 'range', minNm: tidy(minNm), maxNm: tidy(maxNm) };
  return { kind: 'torque', targetNm: tidy(maxNm), ...tolerance };
}

/**
 * A torque as the sheet prints it; one whose unit, ceiling or last stage stands elsewhere is written out, so that what is
 * shown is what is meant.
 */
export function printedTorque(
  printed: string,
  value: Pick<TorqueValue, 'min' | 'max' | 'unit' | 'maxNm' | 'limitNm' | 'angleDeg'>,
): string {
  const read = torqueAt(tokenize(printed), 0, printed)?.value;
  const same = (a: number | undefined, b: number | undefined) =>
    a === b || (a !== undefined && b !== undefined && Math.abs(a - b) < 1e-6 * Math.max(1, Math.abs(b)));
  if (
    read?.unit === value.unit &&
    same(read.min, value.min) &&
    same(read.max, value.max) &&
    same(read.limitNm, value.limitNm) &&
    same(read.angleDeg, value.angleDeg)
  )
    return printed;
  const { min, max, unit, maxNm, limitNm, angleDeg } = value;
  const figure = `${min === max ? max : `${min}-${max}`} ${unit}`;
  const inUnit = (nm: number) => Number(((nm / maxNm) * max).toFixed(2));
  const limit = limitNm === undefined || limitNm <= maxNm ? '' : `, max ${inUnit(limitNm)} ${unit}`;
  return `${figure}${limit}${angleDeg === undefined ? '' : ` + ${angleDeg}°`}`;
}

/**
 * Reads a torque as a person types it from the sheet: `46 lbf·ft`, `80-100 in-lb`, `27 in-lb, do not exceed 35`,
 * `74 ft-lb plus 90°`.
 */
export function specFromPrinted(
  printed: string,
): Result<TighteningSpec, { code: 'noTorque' } | { code: 'beyondSense'; torqueNm: number }> {
  const tokens = tokenize(printed);
  const at = tokens.findIndex((_, index) => torqueAt(tokens, index, printed));
  const value = at < 0 ? undefined : torqueAt(tokens, at, printed)?.value;
  if (!value) return fail({ code: 'noTorque' });
  // Joints of this trade end far below; a larger figure is a lost decimal (M05).
  if (!(value.minNm > 0) || value.maxNm > 1500) return fail({ code: 'beyondSense', torqueNm: value.maxNm });
  return ok(specOfTorque(value));
}
