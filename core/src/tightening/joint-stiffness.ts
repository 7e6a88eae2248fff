import type { BoltStrength } from '../fastener/property-class.ts';
import { minorDiameterMm, type Thread } from '../fastener/thread.ts';
import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';

/** Young's modulus, N/mm². @see VDI 2230-1:2015, table A9 (entered from memory) */
export const YOUNGS_MODULUS = {
  steel: 205_000,
  stainless: 200_000,
  castIron: 110_000,
  aluminium: 70_000,
  magnesium: 44_000,
} as const;
export type PartMaterial = keyof typeof YOUNGS_MODULUS;

/** What a bolt of a class is made of: austenitic stainless gives a little more than steel. */
export const boltMaterial = ({ standard }: Pick<BoltStrength, 'standard'>): 'steel' | 'stainless' =>
  standard === 'ISO 3506-1' || standard === 'ASTM F593' ? 'stainless' : 'steel';

/** A bolted joint as springs: what is clamped and what clamps it, mm. */
export interface JointGeometry {
  thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>;
  /** Clamped length lK. */
  gripMm: number;
  /** Unthreaded shank inside the grip; the rest of the grip is thread. */
  shankMm?: number;
  /** Smallest bearing diameter dW under head or nut. */
  bearingMm: number;
  holeMm: number;
  /** Outside diameter of the clamped parts around the bolt, DA. */
  partDiameterMm: number;
  part: PartMaterial;
  bolt?: 'steel' | 'stainless';
  /** A nut on the other side, or a thread tapped into the last part. */
  into: 'nut' | PartMaterial;
  /** Hexagon heads give more than socket heads. */
  head?: 'hexagon' | 'socket';
}

/** Resiliences, mm/N: how much longer the bolt and how much shorter the parts become per newton. */
export interface Stiffness {
  boltMmPerN: number;
  partsMmPerN: number;
}

const area = (diameterMm: number) => (Math.PI / 4) * diameterMm * diameterMm;

/**
 * Resilience of the bolt: head 0.5 d (socket 0.4 d), shank, free thread, engaged thread 0.5 d on the root section,
 * nut 0.4 d or tapped thread 0.33 d.
 * @see VDI 2230-1:2015, section 5.1.1
 */
function boltResilience(joint: JointGeometry): number {
  const { thread, gripMm, shankMm = 0, into, head = 'hexagon' } = joint;
  const modulus = YOUNGS_MODULUS[joint.bolt ?? 'steel'];
  const d = thread.nominalMm;
  const rootMm = minorDiameterMm(d, thread.pitchMm) - ((Math.sqrt(3) / 2) * thread.pitchMm) / 6;
  const [shankArea, rootArea] = [area(d), area(rootMm)];
  const nutModulus = into === 'nut' ? modulus : YOUNGS_MODULUS[into];
  return (
    ((head === 'hexagon' ? 0.5 : 0.4) * d) / (modulus * shankArea) +
    shankMm / (modulus * shankArea) +
    (gripMm - shankMm) / (modulus * rootArea) +
    (0.5 * d) / (modulus * rootArea) +
    ((into === 'nut' ? 0.4 : 0.33) * d) / (nutModulus * shankArea)
  );
}

/**
 * Resilience of the clamped parts: the pressure spreads in a cone from the bearing face until it meets the other
 * face or the edge of the part; a part no wider than the head is a sleeve.
 * @see VDI 2230-1:2015, section 5.1.2, equations (41) to (53)
 */
function partsResilience(joint: JointGeometry): number {
  const { gripMm: length, bearingMm: dW, holeMm: dh, partDiameterMm: outside, part, into } = joint;
  const modulus = YOUNGS_MODULUS[part];
  if (outside <= dW) return (4 * length) / (modulus * Math.PI * (outside ** 2 - dh ** 2));
  const through = into === 'nut';
  const w = through ? 1 : 2;
  const beta = length / dW;
  const y = outside / dW;
  const tan = Math.max(
    0.1,
    through
      ? 0.362 + 0.032 * Math.log(beta / 2) + 0.153 * Math.log(y)
      : 0.348 + 0.013 * Math.log(beta) + 0.193 * Math.log(y),
  );
  const coneEnd = dW + w * length * tan;
  if (outside >= coneEnd) {
    return (
      (2 * Math.log(((dW + dh) * (coneEnd - dh)) / ((dW - dh) * (coneEnd + dh)))) / (w * modulus * Math.PI * dh * tan)
    );
  }
  const cone = (2 / (w * dh * tan)) * Math.log(((dW + dh) * (outside - dh)) / ((dW - dh) * (outside + dh)));
  const sleeve = (4 / (outside ** 2 - dh ** 2)) * (length - (outside - dW) / (w * tan));
  return (cone + sleeve) / (modulus * Math.PI);
}

/**
 * Resiliences of a joint.
 *
 * @returns mm/N each, or the first input that cannot be: a hole not smaller than the bearing face, a shank longer
 *   than the grip, a length that is not positive
 * @see VDI 2230-1:2015, section 5.1
 */
export function jointStiffness(joint: JointGeometry): Result<Stiffness, InputFault> {
  const fault = firstFault(
    outOfRange('gripMm', joint.gripMm, 0.5, 1000),
    outOfRange('shankMm', joint.shankMm ?? 0, 0, joint.gripMm),
    outOfRange('holeMm', joint.holeMm, joint.thread.nominalMm * 0.9, joint.bearingMm * 0.995),
    outOfRange('partDiameterMm', joint.partDiameterMm, joint.holeMm * 1.05, 2000),
  );
  if (fault) return fail(fault);
  return ok({ boltMmPerN: boltResilience(joint), partsMmPerN: partsResilience(joint) });
}
