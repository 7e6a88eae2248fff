import { unreachable } from '../result.ts';
import { DEFAULT_TOLERANCE, type TighteningSpec } from './tightening-spec.ts';

/** The torque a pull aims at and the window in which it is accepted, N·m. */
export interface AcceptBand {
  targetNm: number;
  minNm: number;
  maxNm: number;
  /** Never to be passed, at any stage and by nobody's leave. */
  absoluteMaximumNm?: number;
  /** The angle turned after `targetNm` was reached, degrees. */
  angle?: { targetDeg: number; minDeg: number; maxDeg: number };
}

const around = (targetNm: number, tolerance: number): AcceptBand => ({
  targetNm,
  minNm: targetNm * (1 - tolerance),
  maxNm: targetNm * (1 + tolerance),
});

/**
 * The band a pull must land in.
 *
 * @param spec - the joint's specification
 * @param fraction - share of the final torque aimed at in this pass, above 0 up to 1; angles are turned only at 1
 * @returns undefined for kinds that have no torque figure (contact, snug, missing)
 */
export function acceptBand(spec: TighteningSpec, fraction = 1): AcceptBand | undefined {
  switch (spec.kind) {
    case 'torque':
      return around(spec.targetNm * fraction, spec.toleranceFraction ?? DEFAULT_TOLERANCE);
    case 'range': {
      const targetNm = ((spec.minNm + spec.maxNm) / 2) * fraction;
      // A stage below the final torque is no printed window; it is aimed at like any bare value.
      return fraction < 1 ? around(targetNm, DEFAULT_TOLERANCE) : { targetNm, minNm: spec.minNm, maxNm: spec.maxNm };
    }
    case 'targetWithMaximum': {
      const band = around(spec.targetNm * fraction, spec.toleranceFraction ?? DEFAULT_TOLERANCE);
      return { ...band, maxNm: Math.min(band.maxNm, spec.maximumNm), absoluteMaximumNm: spec.maximumNm };
    }
    case 'torqueAngle': {
      const threshold = around(spec.thresholdNm * fraction, DEFAULT_TOLERANCE);
      if (fraction < 1) return { ...threshold, absoluteMaximumNm: spec.maximumNm };
      return {
        targetNm: spec.thresholdNm,
        minNm: spec.thresholdNm * (1 - DEFAULT_TOLERANCE),
        // The torque rises while the angle is turned; only a printed maximum bounds it.
        maxNm: spec.maximumNm ?? Number.POSITIVE_INFINITY,
        absoluteMaximumNm: spec.maximumNm,
        angle: {
          targetDeg: spec.angleDeg,
          minDeg: spec.angleDeg - spec.angleToleranceDeg,
          maxDeg: spec.angleDeg + spec.angleToleranceDeg,
        },
      };
    }
    case 'slot':
      return {
        targetNm: spec.startNm,
        minNm: spec.startNm,
        maxNm: spec.ceilingNm,
        absoluteMaximumNm: spec.ceilingNm,
      };
    case 'bearing':
      return {
        targetNm: (spec.finalMinNm + spec.finalMaxNm) / 2,
        minNm: spec.finalMinNm,
        maxNm: spec.finalMaxNm,
      };
    case 'contact':
    case 'missing':
    case 'snug':
      return undefined;
    default:
      return unreachable(spec);
  }
}

/** The highest torque the wrench must be able to show for this joint, N·m; undefined without a figure. */
export function peakTorqueNm(spec: TighteningSpec): number | undefined {
  if (spec.kind === 'bearing') return Math.max(spec.seatNm, spec.finalMaxNm);
  return acceptBand(spec)?.targetNm;
}
