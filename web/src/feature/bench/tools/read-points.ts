import { CalcRefusal, refuse } from '#contract/calc/joint-input.ts';
import { geometryFaultText } from '#contract/wording/geometry-fault-text.ts';
import { say } from '#contract/wording/say.ts';
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
  doubleWishbone: say(
    'lowerArmFront 160 330 290\nlowerArmRear -190 320 280\nlowerBallJoint 8 720 255\nupperArmFront 110 430 560\nupperArmRear -130 440 550\nupperBallJoint -14 690 575\ntieRodInner -120 350 315\ntieRodOuter -132 712 300\nwheelCentre 0 800 380',
  ),
  strut: say(
    'lowerArmFront 40 350 205\nlowerArmRear -280 360 210\nlowerBallJoint 0 700 180\nstrutTop -35 575 840\nstrutLower -8 655 390\nclampBoltLower -5 668 330\nclampBoltUpper -5 660 388\ntieRodInner -130 340 260\ntieRodOuter -140 670 250\nwheelCentre 0 745 310',
  ),
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
      refuse(
        'points',
        say('line {at}: “{name}” is no point of this corner; it has {value}', {
          at: at + 1,
          name,
          value: [...must, ...may].join(', '),
        }),
      );
    const values = figures.map(Number);
    if (values.length !== 3 || !values.every(Number.isFinite))
      refuse(
        'points',
        say('line {at}: {known} wants three figures in mm, such as {known} 0 720 255', { at: at + 1, known }),
      );
    given[known as string] = values as unknown as Vector;
  }
  const missing = must.find((name) => !given[name]);
  if (missing) refuse('points', say('{missing} is missing: a line such as {missing} 0 720 255', { missing }));
  return { type, points: given } as unknown as HardPoints;
}

/** A result of the geometry, or the tool's refusal: at the field that is at fault where the tool has one. */
export function stands<T>(result: Result<T, GeometryFault>, fieldOf: (field: string) => string): T {
  if (result.ok) return result.value;
  const { field, reason } = geometryFaultText(result.error);
  const own = fieldOf(field);
  throw new CalcRefusal({ field: own, reason: own === field ? reason : `${field.replace('points.', '')} ${reason}` });
}
