/**
 * A bolted joint as a wrench feels it: torque over nut rotation. Free run, run-down, snug, elastic rise, yield.
 * Invented for practice and tests, shaped after the torque–angle curve of Bickford, Introduction to the Design and
 * Behavior of Bolted Joints; the figures are not measurements of any joint.
 */
export interface JointModel {
  /** Torque of the free-running nut, N·m. */
  prevailingNm: number;
  /** Degrees of nut rotation over which the parts are drawn together. */
  alignDeg: number;
  /** Rise in the elastic range, N·m per degree. */
  rateNmPerDeg: number;
  /** Torque at which the bolt begins to yield, N·m. */
  yieldNm: number;
}

/** Past yield the curve keeps rising at this share of the elastic rate. */
const AFTER_YIELD = 0.18;

/**
 * A joint of common stiffness for a thread: elastic rise and yield grow with the cube of the diameter, as torque
 * does (T = K · F · d, F with d²). Scaled so that an M10 rises 1.1 N·m per degree and yields near 85 N·m.
 */
export function jointFor(nominalMm: number): JointModel {
  const scale = (nominalMm / 10) ** 3;
  return { prevailingNm: 0.4 * scale, alignDeg: 14, rateNmPerDeg: 1.1 * scale, yieldNm: 85 * scale };
}

/** Torque at a nut rotation counted from the first contact of the parts, N·m. */
export function torqueAtNm(joint: JointModel, rotationDeg: number): number {
  const { prevailingNm, alignDeg, rateNmPerDeg, yieldNm } = joint;
  if (rotationDeg <= 0) return prevailingNm;
  // The alignment zone is a parabola that meets the elastic line with its slope.
  if (rotationDeg < alignDeg) return prevailingNm + (rateNmPerDeg * rotationDeg ** 2) / (2 * alignDeg);
  const elastic = prevailingNm + rateNmPerDeg * (rotationDeg - alignDeg / 2);
  return elastic <= yieldNm ? elastic : yieldNm + (elastic - yieldNm) * AFTER_YIELD;
}

/** Nut rotation that gives a torque, degrees; the inverse of {@link torqueAtNm} above the prevailing torque. */
export function rotationAtDeg(joint: JointModel, torqueNm: number): number {
  const { prevailingNm, alignDeg, rateNmPerDeg, yieldNm } = joint;
  if (torqueNm <= prevailingNm) return 0;
  const atAlign = torqueAtNm(joint, alignDeg);
  if (torqueNm < atAlign) return Math.sqrt(((torqueNm - prevailingNm) * 2 * alignDeg) / rateNmPerDeg);
  const elastic = torqueNm <= yieldNm ? torqueNm : yieldNm + (torqueNm - yieldNm) / AFTER_YIELD;
  return alignDeg / 2 + (elastic - prevailingNm) / rateNmPerDeg;
}
