import { pitchDiameterMm, type Thread } from '../fastener/thread.ts';

/** Friction in the thread and under the turned head or nut, dimensionless. */
export interface Friction {
  thread: number;
  bearing: number;
}

/** The annulus that turns on the part: outside diameter of the face and diameter of the hole under it, mm. */
export interface BearingFace {
  outsideMm: number;
  holeMm: number;
  /** Half of the cone angle; 90 for a flat face, 45 under a countersunk head, 30 for a 60° wheel nut seat. */
  halfAngleDeg?: number;
}

/**
 * How the pitch and the thread friction enter: VDI 2230 rounds the exact 1/(2π) and 1/(2 cos 30°).
 * `vdi` is the application's convention; `exact` is offered for comparison.
 */
export type TorqueForm = 'vdi' | 'exact';

const COEFFICIENTS: Record<TorqueForm, { pitch: number; thread: number }> = {
  vdi: { pitch: 0.16, thread: 0.58 },
  exact: { pitch: 1 / (2 * Math.PI), thread: 0.5 / Math.cos(Math.PI / 6) },
};

/**
 * Mean diameter of head friction DKm = (dW + dh)/2, mm; on a cone divided by the sine of the half angle, because the
 * normal force on the seat is that much larger than the preload.
 * @see VDI 2230-1:2015, equation (R13) and table A13 for flat faces; the cone by resolution of forces
 */
export const frictionDiameterMm = ({ outsideMm, holeMm, halfAngleDeg = 90 }: BearingFace): number =>
  (outsideMm + holeMm) / 2 / Math.sin((halfAngleDeg * Math.PI) / 180);

/** Where a tightening torque goes, N·m. Only `pitchNm` makes preload. */
export interface TorqueShares {
  pitchNm: number;
  threadNm: number;
  bearingNm: number;
  prevailingNm: number;
  totalNm: number;
}

/**
 * Tightening torque, long form: M = F · (0.16 P + 0.58 d2 μG + DKm/2 · μK) + MP.
 *
 * @param preloadN - preload F, N, from 0
 * @param thread - diameter and pitch, mm
 * @param friction - μG in the thread, μK under the head, each from 0
 * @param face - bearing face of what is turned, mm
 * @param prevailingNm - torque of a locking nut or patch before the head seats, N·m
 * @see VDI 2230-1:2015, equation (R13)
 */
export function torqueShares(
  preloadN: number,
  thread: Pick<Thread, 'nominalMm' | 'pitchMm'>,
  friction: Friction,
  face: BearingFace,
  prevailingNm = 0,
  form: TorqueForm = 'vdi',
): TorqueShares {
  const { pitch, thread: perThread } = COEFFICIENTS[form];
  const pitchNm = (preloadN * pitch * thread.pitchMm) / 1000;
  const threadNm = (preloadN * perThread * pitchDiameterMm(thread.nominalMm, thread.pitchMm) * friction.thread) / 1000;
  const bearingNm = (preloadN * (frictionDiameterMm(face) / 2) * friction.bearing) / 1000;
  return { pitchNm, threadNm, bearingNm, prevailingNm, totalNm: pitchNm + threadNm + bearingNm + prevailingNm };
}

/** Torque for a preload, N·m; the sum of {@link torqueShares}. */
export function torqueForPreloadNm(
  preloadN: number,
  thread: Pick<Thread, 'nominalMm' | 'pitchMm'>,
  friction: Friction,
  face: BearingFace,
  prevailingNm = 0,
  form: TorqueForm = 'vdi',
): number {
  return preloadN * torquePerNewton(thread, friction, face, form) + prevailingNm;
}

/** Torque that one newton of preload needs, N·m/N. */
export function torquePerNewton(
  thread: Pick<Thread, 'nominalMm' | 'pitchMm'>,
  friction: Friction,
  face: BearingFace,
  form: TorqueForm = 'vdi',
): number {
  const { pitch, thread: perThread } = COEFFICIENTS[form];
  const armMm =
    pitch * thread.pitchMm +
    perThread * pitchDiameterMm(thread.nominalMm, thread.pitchMm) * friction.thread +
    (frictionDiameterMm(face) / 2) * friction.bearing;
  return armMm / 1000;
}

/** Preload a torque makes, N: the long form solved for F. A torque below the prevailing one makes none. */
export const preloadForTorqueN = (
  torqueNm: number,
  thread: Pick<Thread, 'nominalMm' | 'pitchMm'>,
  friction: Friction,
  face: BearingFace,
  prevailingNm = 0,
  form: TorqueForm = 'vdi',
): number => Math.max(0, torqueNm - prevailingNm) / torquePerNewton(thread, friction, face, form);

/**
 * Nut factor K of the short form T = K · F · d that gives the same torque as the long form.
 * @see Bickford, Introduction to the Design and Behavior of Bolted Joints, short-form torque equation
 */
export const nutFactor = (
  thread: Pick<Thread, 'nominalMm' | 'pitchMm'>,
  friction: Friction,
  face: BearingFace,
): number => (torquePerNewton(thread, friction, face) * 1000) / thread.nominalMm;

/**
 * Preload by the short form F = T / (K · d), N.
 * @param torqueNm - N·m
 * @param diameterMm - nominal diameter, mm
 * @param factor - nut factor K, above 0
 */
export const preloadByNutFactorN = (torqueNm: number, diameterMm: number, factor: number): number =>
  (torqueNm * 1000) / (factor * diameterMm);

/** Torque by the short form T = K · F · d, N·m. */
export const torqueByNutFactorNm = (preloadN: number, diameterMm: number, factor: number): number =>
  (factor * preloadN * diameterMm) / 1000;
