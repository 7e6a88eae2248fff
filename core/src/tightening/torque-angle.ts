import type { Thread } from '../fastener/thread.ts';
import { preloadAtYieldShareN } from './assembly-preload.ts';
import type { Stiffness } from './joint-stiffness.ts';
import { type BearingFace, type Friction, torquePerNewton } from './tightening-torque.ts';

/** Preload gained per degree while nothing yields, N/°: P / 360 / (δS + δP). @see VDI 2230-1:2015, section 5.4.2 */
export const preloadPerDegreeN = (thread: Pick<Thread, 'pitchMm'>, stiffness: Stiffness): number =>
  thread.pitchMm / 360 / (stiffness.boltMmPerN + stiffness.partsMmPerN);

/** One point of the curve. */
export interface TorqueAnglePoint {
  angleDeg: number;
  preloadN: number;
  torqueNm: number;
}

export interface TorqueAngleCurve {
  points: TorqueAnglePoint[];
  /** Where the equivalent stress reaches the yield strength. */
  yieldPoint: TorqueAnglePoint;
  nPerDeg: number;
}

/** Slope past yield over the elastic slope. Chosen by us: real bolts lie between 0 and a tenth; only for drawing. */
const PLASTIC_SLOPE = 0.06;

/**
 * Torque and preload over the angle turned after the parts have met, elastic to the yield point and schematic past it.
 *
 * @param joint - thread, Rp0.2 in N/mm², friction, bearing face
 * @param snugNm - torque from which the angle is counted, N·m
 * @param toDeg - how far to turn, degrees, above 0
 */
export function torqueAngleCurve(
  joint: {
    thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>;
    yieldMpa: number;
    friction: Friction;
    face: BearingFace;
  },
  stiffness: Stiffness,
  snugNm: number,
  toDeg: number,
  steps = 60,
): TorqueAngleCurve {
  const nPerDeg = preloadPerDegreeN(joint.thread, stiffness);
  const nmPerN = torquePerNewton(joint.thread, joint.friction, joint.face);
  const snugN = snugNm / nmPerN;
  const yieldN = preloadAtYieldShareN(joint.thread, joint.yieldMpa, joint.friction.thread, 1);
  const yieldDeg = (yieldN - snugN) / nPerDeg;
  const at = (angleDeg: number): TorqueAnglePoint => {
    const preloadN =
      angleDeg <= yieldDeg
        ? snugN + angleDeg * nPerDeg
        : Math.max(yieldN, snugN) + (angleDeg - Math.max(0, yieldDeg)) * nPerDeg * PLASTIC_SLOPE;
    return { angleDeg, preloadN, torqueNm: preloadN * nmPerN };
  };
  return {
    points: Array.from({ length: steps + 1 }, (_, index) => at((index / steps) * toDeg)),
    yieldPoint: at(Math.max(0, yieldDeg)),
    nPerDeg,
  };
}

/** Angle that gains a preload elastically, degrees. */
export const angleForPreloadDeg = (preloadN: number, thread: Pick<Thread, 'pitchMm'>, stiffness: Stiffness): number =>
  preloadN / preloadPerDegreeN(thread, stiffness);
