import type { GeometryFaultCode } from '#core/geometry/geometry-fault.ts';
import { inLanguage } from '../say.ts';

/** What is wrong with a suspension's points or links. */
export const GEOMETRY_FAULTS: Record<GeometryFaultCode, string> = inLanguage({
  metresForMillimetres: 'all lie within {spanMm} of one another: metres were given for millimetres',
  mirroredSide: 'lies at Y {yMm}: give the left wheel, with Y to the left above 0',
  pointsCoincide: 'lies where {with} is: they must be apart',
  pointsInLine: 'lies in line with {with}: the arm has no width there',
  upsideDown: 'is not above {with}: Z points up',
  ballInboard: 'is nearer the middle than {with}: the ball joint is the outer end',
  wantsOther:
    'belongs to {wants, select, strut {a strut} clampBolts {a strut with clampBoltLower and clampBoltUpper given} other {two arms}}',
  armImpossible: 'the {link} cannot be made: its two lengths meet nowhere over its pivots',
  linkCannotReach: 'the {link} cannot reach: too long or too short for where the rest puts its ends',
  travelOutOfReach: 'the wheel does not come to {travelMm} mm: the links are stretched out before',
  linksTooFew: 'an axle wants three or four links and a track bar, and has {has}',
});

export const LINK_WORDS: Record<'lowerArm' | 'upperArm' | 'strut' | 'tieRod', string> = inLanguage({
  lowerArm: 'lower arm',
  upperArm: 'upper arm',
  strut: 'strut',
  tieRod: 'tie rod',
});
