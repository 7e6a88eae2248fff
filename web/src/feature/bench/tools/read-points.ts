import { CalcRefusal, refuse } from '#contract/calc/joint-input.ts';
import { geometryFaultText } from '#contract/wording/geometry-fault-text.ts';
import type { GeometryFault } from '#core/geometry/geometry-fault.ts';
import type { HardPoints } from '#core/geometry/hard-points.ts';
import type { Vector } from '#core/geometry/vector.ts';
import type { Result } from '#core/result.ts';

const COMMON = ['lowerArmFront', 'lowerArmRear', 'lowerBallJoint', 'tieRodInner', 'tieRodOuter', 'wheelCentre'];
const POINTS: Record<HardPoints['type'], { must: readonly string[]; may: readonly string[] }> = {
  doubleWishbone: { must: [...COMMON, 'upperArmFront', 'upperArmRear', 'upperBallJoint'], may: [] },
  strut: { must: [...COMMON, 'strutTop', 'strutLower'], may: ['clampBoltLower', 'clampBoltUpper'] },
};

/** An invented corner of each kind, to start from. */
export const EXAMPLE_POINTS: Record<HardPoints['type'], string> = {
  doubleWishbone: `lowerArmFront 160 330 290
lowerArmRear -190 320 280
lowerBallJoint 8 720 255
upperArmFront 110 430 560
upperArmRear -130 440 550
upperBallJoint -14 690 575
tieRodInner -120 350 315
tieRodOuter -132 712 300
wheelCentre 0 800 380`,
  strut: `lowerArmFront 40 350 205
lowerArmRear -280 360 210
lowerBallJoint 0 700 180
strutTop -35 575 840
strutLower -8 655 390
clampBoltLower -5 668 330
clampBoltUpper -5 660 388
tieRodInner -130 340 260
tieRodOuter -140 670 250
wheelCentre 0 745 310`,
};

/** Hard points as they were written, a name and three figures a line. */
export function readPoints(type: HardPoints['type'], text: string): HardPoints {
  const { must, may } = POINTS[type];
  const given: Record<string, Vector> = {};
  for (const [at, line] of text.split(/[\n;]+/).entries()) {
    const [name, ...figures] = line.trim().split(/[\s,]+/);
    if (!name) continue;
    const known = [...must, ...may].find((one) => one.toLowerCase() === name.toLowerCase());
    if (!known)
      refuse('points', `line ${at + 1}: “${name}” is no point of this corner; it has ${[...must, ...may].join(', ')}`);
    const values = figures.map(Number);
    if (values.length !== 3 || !values.every(Number.isFinite))
      refuse('points', `line ${at + 1}: ${known} wants three figures in mm, such as ${known} 0 720 255`);
    given[known as string] = values as unknown as Vector;
  }
  const missing = must.find((name) => !given[name]);
  if (missing) refuse('points', `${missing} is missing: a line such as ${missing} 0 720 255`);
  return { type, points: given } as unknown as HardPoints;
}

/** A result of the geometry, or the tool's refusal: at the field that is at fault where the tool has one. */
export function stands<T>(result: Result<T, GeometryFault>, fieldOf: (field: string) => string): T {
  if (result.ok) return result.value;
  const { field, reason } = geometryFaultText(result.error);
  const own = fieldOf(field);
  throw new CalcRefusal({ field: own, reason: own === field ? reason : `${field.replace('points.', '')} ${reason}` });
}
