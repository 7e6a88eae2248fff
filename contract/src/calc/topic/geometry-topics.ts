import { bumpSteer } from '#core/geometry/bump-steer.ts';
import { designCorner } from '#core/geometry/corner.ts';
import { changedCorner } from '#core/geometry/corner-change.ts';
import { cornerSweep } from '#core/geometry/corner-sweep.ts';
import type { GeometryFault } from '#core/geometry/geometry-fault.ts';
import { type HardPoints, pointsFault, stanceFault } from '#core/geometry/hard-points.ts';
import { propShaftAngles } from '#core/geometry/prop-shaft.ts';
import { axleAt } from '#core/geometry/solid-axle.ts';
import { trackBarShift } from '#core/geometry/track-bar.ts';
import { trailingArmSweep } from '#core/geometry/trailing-arm.ts';
import type { Vector } from '#core/geometry/vector.ts';
import { outOfRange } from '#core/quantity/input-fault.ts';
import type { Result } from '#core/result.ts';
import { speedometer as speedometerOf } from '#core/vehicle/speedometer.ts';
import { readTyreSize, type TyreSize } from '#core/vehicle/tyre-size.ts';
import { geometryFaultText } from '../../wording/geometry-fault-text.ts';
import type { CalcInput, PlaceInput } from '../calc-input.ts';
import { CalcRefusal, must, need, refuse } from '../joint-input.ts';

const DEFAULT_TRAVELS = Array.from({ length: 25 }, (_, at) => (at - 12) * 10);
const MM_PER_IN = 25.4;
const MOST_TRAVEL_MM = 500;

const vector = (place: PlaceInput): Vector => (Array.isArray(place) ? (place as Vector) : [place.x, place.y, place.z]);

/** A core result of the geometry, or a refusal in its words. */
function stands<T>(result: Result<T, GeometryFault>): T {
  if (result.ok) return result.value;
  throw new CalcRefusal(geometryFaultText(result.error));
}

/** The points a kind of corner wants; one that is missing, or is of the other kind, is refused by its name. */
function readPoints({ type, points }: CalcInput<'linkage'>): HardPoints {
  const wanted = <Name extends keyof typeof points>(name: Name): Vector => {
    const place = points[name];
    return place === undefined
      ? refuse(`points.${name}`, 'is missing: give [x, y, z] in mm, such as [0, 720, 255]')
      : vector(place);
  };
  const foreign = (
    type === 'strut'
      ? ['upperArmFront', 'upperArmRear', 'upperBallJoint']
      : ['strutTop', 'strutLower', 'clampBoltLower', 'clampBoltUpper']
  ) as Array<keyof typeof points>;
  const other = foreign.find((name) => points[name] !== undefined);
  if (other) refuse(`points.${other}`, `is no point of a ${type === 'strut' ? 'strut' : 'double wishbone'}`);
  const common = {
    lowerArmFront: vector(points.lowerArmFront),
    lowerArmRear: vector(points.lowerArmRear),
    lowerBallJoint: vector(points.lowerBallJoint),
    tieRodInner: vector(points.tieRodInner),
    tieRodOuter: vector(points.tieRodOuter),
    wheelCentre: vector(points.wheelCentre),
  };
  if (type === 'doubleWishbone')
    return {
      type,
      points: {
        ...common,
        upperArmFront: wanted('upperArmFront'),
        upperArmRear: wanted('upperArmRear'),
        upperBallJoint: wanted('upperBallJoint'),
      },
    };
  const { clampBoltLower, clampBoltUpper } = points;
  return {
    type,
    points: {
      ...common,
      strutTop: wanted('strutTop'),
      strutLower: wanted('strutLower'),
      ...(clampBoltLower ? { clampBoltLower: vector(clampBoltLower) } : {}),
      ...(clampBoltUpper ? { clampBoltUpper: vector(clampBoltUpper) } : {}),
    },
  };
}

export function linkage(input: CalcInput<'linkage'>) {
  const hung = readPoints(input);
  const { travelsMm = DEFAULT_TRAVELS, change, linkLengthsMm } = input;
  const fault = pointsFault(hung) ?? stanceFault(input);
  if (fault) throw new CalcRefusal(geometryFaultText(fault));
  for (const [at, travelMm] of travelsMm.entries()) {
    const far = outOfRange(`travelsMm[${at}]`, travelMm, -MOST_TRAVEL_MM, MOST_TRAVEL_MM);
    if (far) throw new CalcRefusal(geometryFaultText(far));
  }
  const design = designCorner(hung, input);
  const lengths = { ...linkLengthsMm, ...change?.linkLengthsMm };
  const shown = (corner: typeof design) => {
    const travels = stands(cornerSweep(corner, travelsMm));
    return { travels, bumpSteer: bumpSteer(travels) };
  };
  const changes = change !== undefined || linkLengthsMm !== undefined;
  if (!changes) return { type: input.type, ...shown(design) };
  const after = stands(changedCorner(design, hung, { ...change, linkLengthsMm: lengths }));
  return { type: input.type, ...shown(after), design: shown(design) };
}

export function trailingArm(input: CalcInput<'trailingArm'>) {
  const { travelsMm = DEFAULT_TRAVELS, staticCamberDeg, staticToeDeg } = input;
  const [innerPivot, outerPivot, wheelCentre] = [input.innerPivot, input.outerPivot, input.wheelCentre].map(vector) as [
    Vector,
    Vector,
    Vector,
  ];
  const arm = { innerPivot, outerPivot, wheelCentre, staticCamberDeg, staticToeDeg };
  const travels = stands(trailingArmSweep(arm, travelsMm));
  return { travels, bumpSteer: bumpSteer(travels) };
}

export function solidAxle({ links, leftWheel, rightWheel, travels }: CalcInput<'solidAxle'>) {
  const axle = {
    links: links.map(({ body, axle: end, ...link }) => ({ ...link, body: vector(body), axle: vector(end) })),
    leftWheel: vector(leftWheel),
    rightWheel: vector(rightWheel),
  };
  for (const [at, { leftMm, rightMm }] of travels.entries()) {
    need(`travels[${at}].leftMm`, leftMm, -MOST_TRAVEL_MM, MOST_TRAVEL_MM);
    need(`travels[${at}].rightMm`, rightMm, -MOST_TRAVEL_MM, MOST_TRAVEL_MM);
  }
  return {
    travels: travels.map(({ leftMm, rightMm }) => {
      const { travelMm: _, ...at } = stands(axleAt(axle, { left: leftMm, right: rightMm }));
      return { travelLeftMm: leftMm, travelRightMm: rightMm, ...at };
    }),
  };
}

export const trackBar = (input: CalcInput<'trackBar'>) => {
  const answer = must(trackBarShift(input));
  return {
    ...answer,
    towards: answer.shiftMm > 1e-9 ? 'frameEnd' : answer.shiftMm < -1e-9 ? 'axleEnd' : 'nowhere',
  };
};

export const propShaft = (input: CalcInput<'propShaft'>) => must(propShaftAngles(input));

/** A tyre's size, by its code or its diameter. */
function readTyre(field: string, code: string): TyreSize {
  const size = readTyreSize(code);
  if (!size) return refuse(field, 'is no tyre size: give such as "265/65 R17", "LT285/70R17" or "33x12.50R15"');
  need(field, size.diameterMm, 300, 1400);
  return size;
}

export function tyre({ code }: CalcInput<'tyre'>) {
  const { diameterMm, sectionMm, aspect, rimIn } = readTyre('code', code);
  return {
    diameterMm,
    widthMm: sectionMm,
    sidewallMm: (diameterMm - rimIn * MM_PER_IN) / 2,
    circumferenceMm: Math.PI * diameterMm,
    aspect,
    rimIn,
    /** By its code: a new tyre on its rim may be off by one to three per cent. */
    nominal: true,
    nominalDiameterIn: diameterMm / MM_PER_IN,
  };
}

const diameter = (field: string, given: string | number): number =>
  typeof given === 'number' ? need(field, given, 300, 1400) : readTyre(field, given).diameterMm;

export function speedometer({ oldTyre, newTyre, indicatedKmh, axleRatio }: CalcInput<'speedometer'>) {
  const sizes = { oldDiameterMm: diameter('oldTyre', oldTyre), newDiameterMm: diameter('newTyre', newTyre) };
  return { ...sizes, ...must(speedometerOf({ ...sizes, indicatedKmh, axleRatio })) };
}
