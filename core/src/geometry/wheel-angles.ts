import { add, dot, minus, times, unit, type Vector } from './vector.ts';

const DEG = 180 / Math.PI;
const UP: Vector = [0, 0, 1];

/** How a left wheel stands: ISO 8855:2011 in the vehicle's axes, signs so that both sides read alike. */
export interface WheelAngles {
  /** Top outwards above 0. */
  camberDeg: number;
  /** Front inwards above 0, of this wheel alone. */
  toeDeg: number;
  /** Upper end of the steering axis to the rear above 0, in side view. */
  casterDeg: number;
  /** Upper end of the steering axis inwards above 0, in front view. */
  kpiDeg: number;
  wheelCentreMm: Vector;
  /** Lowest point of the loaded circle. */
  contactMm: Vector;
  /** The contact outside of where the steering axis meets its height above 0, across the vehicle. */
  scrubRadiusMm: number;
  /** The steering axis ahead of the contact at its height above 0, along the vehicle. */
  mechanicalTrailMm: number;
}

/** Outward direction of the spin axis of a left wheel that stands so. */
export function spinAxis(camberDeg: number, toeDeg: number): Vector {
  const [camber, toe] = [camberDeg / DEG, toeDeg / DEG];
  return [Math.cos(camber) * Math.sin(toe), Math.cos(camber) * Math.cos(toe), -Math.sin(camber)];
}

/** What a wheel stands like, from its steering axis, centre and spin axis (of length 1, outwards). */
export function wheelAngles(
  lower: Vector,
  upper: Vector,
  wheelCentreMm: Vector,
  spin: Vector,
  tyreLoadedRadiusMm: number,
): WheelAngles {
  const axis = minus(upper, lower);
  const down = unit(minus(times(spin, dot(spin, UP)), UP));
  const contactMm = add(wheelCentreMm, times(down, tyreLoadedRadiusMm));
  const meets = add(lower, times(axis, (contactMm[2] - lower[2]) / axis[2]));
  return {
    camberDeg: -Math.asin(spin[2]) * DEG,
    toeDeg: Math.atan2(spin[0], spin[1]) * DEG,
    casterDeg: Math.atan2(-axis[0], axis[2]) * DEG,
    kpiDeg: Math.atan2(-axis[1], axis[2]) * DEG,
    wheelCentreMm,
    contactMm,
    scrubRadiusMm: contactMm[1] - meets[1],
    mechanicalTrailMm: meets[0] - contactMm[0],
  };
}
