import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';

/** A wheel with its tyre, and a spacer behind it. */
export interface WheelSet {
  /** Inset (offset) of the wheel: mounting face outside the middle above 0, mm. */
  offsetMm: number;
  tyreWidthMm: number;
  tyreDiameterMm: number;
  spacerMm?: number;
}

export interface WheelSetChange {
  /** The wheel's middle goes out by so much; the track grows by twice that. */
  outMm: number;
  /** The scrub radius grows by as much, less what a larger tyre takes along the steering axis. */
  scrubMm: number;
  /** Room lost towards the strut or arm, and towards the arch; below 0 it is gained, mm. */
  innerLossMm: number;
  outerGainMm: number;
  /** Room lost all round the tyre, mm. */
  radiusMm: number;
}

/** What another wheel, tyre or spacer changes. @param kpiDeg - kingpin inclination: a taller tyre stands farther in along it */
export function wheelSetChange(before: WheelSet, after: WheelSet, kpiDeg = 0): Result<WheelSetChange, InputFault> {
  for (const [name, { offsetMm, tyreWidthMm, tyreDiameterMm, spacerMm = 0 }] of [
    ['before', before],
    ['after', after],
  ] as const) {
    const fault = firstFault(
      outOfRange(`${name}.offsetMm`, offsetMm, -150, 150),
      outOfRange(`${name}.tyreWidthMm`, tyreWidthMm, 100, 500),
      outOfRange(`${name}.tyreDiameterMm`, tyreDiameterMm, 300, 1400),
      outOfRange(`${name}.spacerMm`, spacerMm, 0, 150),
    );
    if (fault) return fail(fault);
  }
  const fault = outOfRange('kpiDeg', kpiDeg, -10, 30);
  if (fault) return fail(fault);
  const outMm = before.offsetMm - after.offsetMm + (after.spacerMm ?? 0) - (before.spacerMm ?? 0);
  const widerMm = (after.tyreWidthMm - before.tyreWidthMm) / 2;
  const radiusMm = (after.tyreDiameterMm - before.tyreDiameterMm) / 2;
  return ok({
    outMm,
    scrubMm: outMm - radiusMm * Math.tan((kpiDeg * Math.PI) / 180),
    innerLossMm: widerMm - outMm,
    outerGainMm: widerMm + outMm,
    radiusMm,
  });
}

/** Where a tyre may touch, as it was measured with the old one, mm. */
export interface TyreRoom {
  /** Over the tyre with the suspension on its bump stop. */
  bumpMm: number;
  /** To the arch or liner, nearest of front and rear at full lock. */
  lockMm: number;
  /** To the strut, arm or frame, nearest at full lock. */
  innerMm: number;
}

/** What is left of it with the new wheel: the radius in bump, radius and outward shift at the arch, width and shift inside. */
export function tyreRoomAfter(room: TyreRoom, change: WheelSetChange): TyreRoom {
  return {
    bumpMm: room.bumpMm - change.radiusMm,
    lockMm: room.lockMm - change.radiusMm - Math.max(0, change.outerGainMm),
    innerMm: room.innerMm - change.innerLossMm,
  };
}
