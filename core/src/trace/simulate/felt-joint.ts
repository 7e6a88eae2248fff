import { boltStrength } from '../../fastener/property-class.ts';
import { preloadAtYieldShareN } from '../../tightening/assembly-preload.ts';
import { jointStiffness } from '../../tightening/joint-stiffness.ts';
import { usualFace } from '../../tightening/proposed-torque.ts';
import { evenFriction } from '../../tightening/thread-finish.ts';
import { torquePerNewton } from '../../tightening/tightening-torque.ts';
import { preloadPerDegreeN } from '../../tightening/torque-angle.ts';
import type { ShownKind, TraceJoint } from '../pull-trace.ts';

/** What may be wrong with a model joint; `overrun` is a fault of the hand and not of the joint. */
export type JointFault = Exclude<ShownKind, 'overrun' | 'alreadyTight'>;

/**
 * A joint as the nut feels it: torque over how far the nut has turned since it was put on. Shaped after the curves in
 * Bickford, Introduction to the Design and Behavior of Bolted Joints; how large each fault is was invented.
 */
export interface FeltJoint {
  torqueAtNm(nutDeg: number): number;
  /** Where the parts meet, degrees. */
  contactDeg: number;
  /** Rise once all is in contact, N·m per degree. */
  slopeNmPerDeg: number;
  /** Share of its torque that the joint loses while it stands still, and how soon, ms. */
  settles: { share: number; afterMs: number };
}

/** Friction of threads with molybdenum paste, and of dry stainless ones. Common practice, no source. */
const SLIPPERIEST = 0.03;
const DRIEST = 0.42;

type Draw = (from: number, to: number) => number;

/** Torque that has risen to `nm` grows on at this slope: a curve is laid as its corners. */
type Corner = readonly [deg: number, nm: number];

function along(corners: readonly Corner[], deg: number): number {
  for (let at = 1; at < corners.length; at++) {
    const [start, end] = [corners[at - 1] as Corner, corners[at] as Corner];
    if (deg <= end[0]) return start[1] + ((end[1] - start[1]) * Math.max(0, deg - start[0])) / (end[0] - start[0] || 1);
  }
  return corners.at(-1)?.[1] ?? 0;
}

/**
 * Friction and stiffness of the joint at hand, by its fault. What no friction could do is another stiffness: a bolt of
 * another length, and, stiffer still, one that stands on the ground of its hole.
 */
function drawn(
  joint: TraceJoint,
  fault: JointFault,
  draw: Draw,
  armAt: (mu: number) => number,
): { mu: number; stiff: number } {
  const [least, most] = [joint.frictionMin ?? 0.1, joint.frictionMax ?? 0.16];
  const mu = draw(least, most);
  const stiff = draw(0.9, 1.2);
  const beyondDry = armAt(DRIEST) / armAt(mu);
  const beyondOil = armAt(SLIPPERIEST) / armAt(mu);
  switch (fault) {
    case 'slippery':
      return { mu: Math.max(SLIPPERIEST, least * draw(0.32, 0.55)), stiff: draw(0.9, 1.05) };
    case 'dry':
      return { mu: Math.min(DRIEST, most * draw(1.9, 2.4)), stiff: draw(1, 1.2) };
    case 'wrongStiffness':
      return { mu, stiff: draw(0, 1) < 0.5 ? beyondOil * draw(0.5, 0.78) : beyondDry * draw(1.4, 1.65) };
    case 'bottomed':
      return { mu, stiff: beyondDry * draw(2.5, 5) };
    case 'soft':
      return { mu, stiff: draw(0.16, 0.36) };
    default:
      return { mu, stiff };
  }
}

/**
 * A joint with a fault, or without.
 *
 * @param draw - a number between two ends; the same draws give the same joint
 * @param freeDeg - how far the nut runs before the parts meet, degrees
 */
export function feltJoint(joint: TraceJoint, fault: JointFault, draw: Draw, freeDeg: number): FeltJoint {
  const { thread, targetNm, prevailingNm } = joint;
  const d = thread.nominalMm;
  const face = usualFace(thread) ?? { outsideMm: 1.5 * d, holeMm: 1.1 * d };
  const stiffness = jointStiffness({
    thread,
    gripMm: joint.gripMm ?? 3 * d,
    bearingMm: face.outsideMm,
    holeMm: face.holeMm,
    partDiameterMm: 2.5 * face.outsideMm,
    part: joint.part ?? 'steel',
    into: 'nut',
  });
  if (!stiffness.ok) throw new Error(`No joint of ${d} mm on ${joint.gripMm} mm`);
  const armAt = (friction: number) => torquePerNewton(thread, evenFriction(friction), face);
  const { mu, stiff } = drawn(joint, fault, draw, armAt);
  const arm = armAt(mu);
  const slope = stiff * preloadPerDegreeN(thread, stiffness.value) * arm;
  const strength = boltStrength(joint.propertyClass ?? '8.8', thread);
  const yieldMpa = (strength.ok ? strength.value.yieldMpa : 640) * draw(1.02, 1.2);
  const ownYieldNm = preloadAtYieldShareN(thread, yieldMpa, mu, 1, prevailingNm) * arm + prevailingNm;
  // What gives way does so before the wrench is done: a weaker bolt, a soft thread.
  const yieldNm =
    fault === 'yielding' ? Math.min(ownYieldNm, targetNm * draw(0.6, 0.85)) : Math.max(ownYieldNm, 1.6 * joint.maxNm);
  const above = (nm: number) => nm - prevailingNm;
  const elasticDeg = above(targetNm) / slope;
  const corners: Corner[] = [[0, prevailingNm]];
  const to = (deg: number, nm: number) => {
    const [lastDeg] = corners.at(-1) as Corner;
    corners.push([lastDeg + deg, nm]);
  };
  /** Parts are drawn together: the rise bends up until it is the elastic one. */
  const bend = (deg: number, fromNm: number) => {
    const steps = 12;
    for (let step = 1; step <= steps; step++) to(deg / steps, fromNm + (slope * deg * (step / steps) ** 2) / 2);
    return fromNm + (slope * deg) / 2;
  };
  const rise = (fromNm: number, toNm: number) => to((toNm - fromNm) / slope, toNm);
  let nm = prevailingNm;
  let contactDeg = freeDeg;
  switch (fault) {
    case 'crossed': {
      // The flanks climb over one another: the torque grows over a turn or more, long before the head is down.
      const rampDeg = draw(220, 700);
      to(Math.max(5, freeDeg - rampDeg), nm);
      const rampNm = prevailingNm + targetNm * draw(0.25, 0.6);
      const steps = 14;
      for (let step = 1; step <= steps; step++)
        to(rampDeg / steps, nm + ((rampNm - nm) * step) / steps + (step < steps ? targetNm * draw(-0.02, 0.02) : 0));
      nm = rampNm;
      contactDeg = (corners.at(-1) as Corner)[0];
      break;
    }
    case 'notSeated': {
      to(freeDeg, nm);
      // It rides on an edge, then falls into place.
      const edge = prevailingNm + targetNm * draw(0.3, 0.6);
      to((edge - nm) / (slope * draw(0.45, 0.9)), edge);
      if (draw(0, 1) < 0.7) to(draw(2, 6), edge - targetNm * draw(0.14, 0.25));
      to(elasticDeg * draw(0.35, 0.7), (corners.at(-1) as Corner)[1] + 0.01 * targetNm);
      nm = (corners.at(-1) as Corner)[1];
      break;
    }
    default:
      to(freeDeg, nm);
  }
  const bendDeg =
    fault === 'bottomed' ? draw(0.5, 2) : fault === 'soft' ? elasticDeg * draw(0.5, 0.9) : elasticDeg * draw(0.15, 0.5);
  nm = bend(bendDeg, nm);
  switch (fault) {
    case 'yielding':
      rise(nm, Math.max(nm + 0.1 * targetNm, yieldNm));
      nm = (corners.at(-1) as Corner)[1];
      to(elasticDeg * 3, nm + slope * 3 * elasticDeg * draw(0.02, 0.14));
      break;
    case 'stripping': {
      const gives = Math.max(nm + 0.05 * targetNm, targetNm * draw(0.5, 0.85));
      rise(nm, gives);
      to(elasticDeg * draw(0.1, 0.3), gives * 1.02);
      to(elasticDeg * draw(0.7, 1.4), gives * draw(0.55, 0.85));
      to(elasticDeg * 2, gives * 0.4);
      break;
    }
    default:
      rise(nm, yieldNm);
      to(elasticDeg * 3, yieldNm * 1.05 + slope * 3 * elasticDeg * 0.08);
  }
  const saws =
    fault === 'stickSlip'
      ? { share: draw(0.08, 0.18), everyDeg: Math.max(2, elasticDeg * draw(0.07, 0.13)) }
      : undefined;
  const torqueAtNm = (deg: number): number => {
    const even = along(corners, deg);
    if (!saws || deg < contactDeg) return even;
    // The nut hangs while the handle winds up, then jumps.
    const phase = ((deg - contactDeg) / saws.everyDeg) % 1;
    return even * (1 + saws.share * (phase < 0.8 ? phase / 0.8 - 0.5 : 0.5 - (phase - 0.8) / 0.2));
  };
  return {
    torqueAtNm,
    contactDeg,
    slopeNmPerDeg: slope,
    settles:
      fault === 'soft'
        ? { share: draw(0.07, 0.16), afterMs: draw(80, 200) }
        : { share: draw(0.002, 0.012), afterMs: 150 },
  };
}
