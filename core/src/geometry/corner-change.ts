import { type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';
import { armTriangle, type Corner, type SwingArm } from './corner.ts';
import type { HardPoints } from './hard-points.ts';
import { distance, turned, turnedDirection, type Vector } from './vector.ts';

/** Links whose length may be set by itself. */
export const CORNER_LINKS = ['lowerArmFront', 'lowerArmRear', 'upperArmFront', 'upperArmRear', 'tieRod'] as const;
export type CornerLink = (typeof CORNER_LINKS)[number];

/** What a kit changes on one corner. */
export interface CornerChange {
  /** The tie rod's outer end sits so much higher on the knuckle; the rod is set anew so that the design's toe stays. */
  tieRodOuterUpMm?: number;
  /** The upper arm is shorter, square to its pivots and in its own plane; the tie rod stays as it is. */
  upperArmShorterMm?: number;
  /** An eccentric upper clamp bolt puts the knuckle's hole so far outwards: it turns about the lower bolt, which runs along X. The tie rod stays. */
  clampBoltMm?: number;
  /** Lengths that are set by themselves, mm; they come last. */
  linkLengthsMm?: Partial<Record<CornerLink, number>>;
}

/** What a change cannot be made with. */
export type ChangeFault =
  | InputFault
  | { code: 'wantsOther'; field: string; wants: 'doubleWishbone' | 'strut' | 'clampBolts' };

const LONGEST_MM = 3000;

const withArm = (arm: SwingArm, front: number | undefined, rear: number | undefined): SwingArm => ({
  ...arm,
  frontLengthMm: front ?? arm.frontLengthMm,
  rearLengthMm: rear ?? arm.rearLengthMm,
});

/** A corner as it is after a kit was fitted. The body's points stay; what is unchanged keeps its length. */
export function changedCorner(
  corner: Corner,
  hung: HardPoints,
  { tieRodOuterUpMm, upperArmShorterMm, clampBoltMm, linkLengthsMm = {} }: CornerChange,
): Result<Corner, ChangeFault> {
  let after = corner;
  if (tieRodOuterUpMm !== undefined) {
    const fault = outOfRange('tieRodOuterUpMm', tieRodOuterUpMm, -200, 200);
    if (fault) return fail(fault);
    const [x, y, z] = after.knuckle.tieRodOuter;
    const tieRodOuter: Vector = [x, y, z + tieRodOuterUpMm];
    after = {
      ...after,
      knuckle: { ...after.knuckle, tieRodOuter },
      tieRodMm: distance(after.tieRodInner, tieRodOuter),
      design: { ...after.design, tieRodOuter },
    };
  }
  if (upperArmShorterMm !== undefined) {
    if (after.upperMount.kind !== 'arm')
      return fail({ code: 'wantsOther', field: 'upperArmShorterMm', wants: 'doubleWishbone' });
    const { arm } = after.upperMount;
    const triangle = armTriangle(arm);
    const most = (triangle?.radiusMm ?? 0) * 0.9;
    const fault = outOfRange('upperArmShorterMm', upperArmShorterMm, -most, most);
    if (fault || !triangle) return fail(fault ?? { code: 'notANumber', field: 'upperArmShorterMm' });
    const radiusMm = triangle.radiusMm - upperArmShorterMm;
    const shorter = withArm(
      arm,
      Math.hypot(triangle.alongMm, radiusMm),
      Math.hypot(triangle.baseMm - triangle.alongMm, radiusMm),
    );
    after = { ...after, upperMount: { kind: 'arm', arm: shorter } };
  }
  if (clampBoltMm !== undefined) {
    if (hung.type !== 'strut') return fail({ code: 'wantsOther', field: 'clampBoltMm', wants: 'strut' });
    const { clampBoltLower: on, clampBoltUpper: upper } = hung.points;
    if (!on || !upper) return fail({ code: 'wantsOther', field: 'clampBoltMm', wants: 'clampBolts' });
    const apartMm = Math.hypot(upper[1] - on[1], upper[2] - on[2]);
    const fault = outOfRange('clampBoltMm', clampBoltMm, -apartMm / 2, apartMm / 2);
    if (fault) return fail(fault);
    // About X from Y to Z is right-handed, so what lies above the bolt goes outwards against it.
    const angle = -2 * Math.asin(clampBoltMm / (2 * apartMm)) * Math.sign(upper[2] - on[2]);
    const X: Vector = [1, 0, 0];
    const { knuckle } = after;
    after = {
      ...after,
      knuckle: {
        ...knuckle,
        lower: turned(knuckle.lower, on, X, angle),
        tieRodOuter: turned(knuckle.tieRodOuter, on, X, angle),
        wheelCentre: turned(knuckle.wheelCentre, on, X, angle),
        spin: turnedDirection(knuckle.spin, X, angle),
      },
    };
  }
  return withLengths(after, linkLengthsMm);
}

function withLengths(corner: Corner, lengths: Partial<Record<CornerLink, number>>): Result<Corner, ChangeFault> {
  for (const link of CORNER_LINKS) {
    const mm = lengths[link];
    const fault = mm === undefined ? undefined : outOfRange(`linkLengthsMm.${link}`, mm, 10, LONGEST_MM);
    if (fault) return fail(fault);
  }
  const { lowerArmFront, lowerArmRear, upperArmFront, upperArmRear, tieRod } = lengths;
  const upper = upperArmFront ?? upperArmRear;
  if (upper !== undefined && corner.upperMount.kind !== 'arm')
    return fail({
      code: 'wantsOther',
      field: `linkLengthsMm.${upperArmFront === undefined ? 'upperArmRear' : 'upperArmFront'}`,
      wants: 'doubleWishbone',
    });
  return ok({
    ...corner,
    lowerArm: withArm(corner.lowerArm, lowerArmFront, lowerArmRear),
    upperMount:
      corner.upperMount.kind === 'arm'
        ? { kind: 'arm', arm: withArm(corner.upperMount.arm, upperArmFront, upperArmRear) }
        : corner.upperMount,
    tieRodMm: tieRod ?? corner.tieRodMm,
  });
}
