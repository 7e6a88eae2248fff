import { z } from 'zod';
import { LOCKERS } from '#core/compound/compound.ts';
import { SUBSTRATES } from '#core/compound/cure-curve.ts';
import { HEAD_STANDARDS } from '#core/fastener/head-dimension.ts';
import { COAT_MM, type SurfaceCoat } from '#core/fastener/identify.ts';
import { EXPANSION_PER_K, type FitMaterial } from '#core/fit/shrink-fit.ts';
import { CORNER_LINKS, type CornerLink } from '#core/geometry/corner-change.ts';
import { UNITS, type UnitName } from '#core/quantity/unit.ts';
import { MOST_ACTIVITIES } from '#core/schedule/problem.ts';
import { type PartMaterial, YOUNGS_MODULUS } from '#core/tightening/joint-stiffness.ts';
import { FINISHES, type ThreadFinish } from '#core/tightening/thread-finish.ts';
import { TIGHTENING_METHODS, type TighteningMethod } from '#core/tightening/tightening-method.ts';

const keys = <Key extends string>(record: Record<Key, unknown>) => Object.keys(record) as [Key, ...Key[]];

/** A thread by its callout, or by its numbers. */
export const ThreadInput = z.union([
  z.string().min(1),
  z.strictObject({ nominalMm: z.number(), pitchMm: z.number() }),
  z.strictObject({ diameterIn: z.number(), threadsPerInch: z.number() }),
]);

const Finish = z.enum(FINISHES.map((entry) => entry.finish) as [ThreadFinish, ...ThreadFinish[]]);
/** A finish, or a coefficient of friction. */
const Lubrication = z.union([Finish, z.number()]);
const Method = z.enum(TIGHTENING_METHODS as [TighteningMethod, ...TighteningMethod[]]);
const Head = z.enum([...HEAD_STANDARDS] as [(typeof HEAD_STANDARDS)[number], ...(typeof HEAD_STANDARDS)[number][]]);
const Part = z.enum(keys<PartMaterial>(YOUNGS_MODULUS));
const Fit = z.enum(keys<FitMaterial>(EXPANSION_PER_K));
const Rough = z.enum(['fine', 'medium', 'coarse']);
const Unit = z.enum(keys<UnitName>(UNITS));
const Point = z.strictObject({ xMm: z.number(), yMm: z.number() });

/** A point in the vehicle's axes, mm: X forward, Y left, Z up. */
const Place = z.union([
  z.tuple([z.number(), z.number(), z.number()]),
  z.strictObject({ x: z.number(), y: z.number(), z: z.number() }),
]);
export type PlaceInput = z.output<typeof Place>;
/** A tyre by the code on its sidewall, or its diameter in mm. */
const Tyre = z.union([z.string().min(1), z.number()]);
/** All masses of a topic are read and written in this. */
const massUnit = z.enum(['kg', 'lb']).optional();
const Share = z.number();
/** Bounds as shares, or in per cent. */
const Band = z.union([z.tuple([z.number(), z.number()]), z.strictObject({ min: z.number(), max: z.number() })]);

/** Lengths set by themselves, mm. */
const LinkLengths = Object.fromEntries(CORNER_LINKS.map((link) => [link, z.number().optional()])) as Record<
  CornerLink,
  z.ZodOptional<z.ZodNumber>
>;

/** What turns on what. Left out, the head's own face over the medium hole is taken. */
const Face = {
  head: Head.optional(),
  bearingMm: z.number().optional(),
  holeMm: z.number().optional(),
  washer: z.enum(['ISO 7089', 'ISO 7093', 'USS', 'SAE']).optional(),
  halfAngleDeg: z.number().optional(),
  partDiameterMm: z.number().optional(),
};
const FrictionInput = {
  friction: z.number().optional(),
  threadFriction: z.number().optional(),
  headFriction: z.number().optional(),
  finish: Finish.optional(),
};

/** The fields of every topic of `npm run wm -- calc`. Unknown fields are refused, so that a misspelt one is noticed. */
export const CALC_INPUTS = {
  thread: z.strictObject({ thread: ThreadInput }),
  head: z.strictObject({ thread: ThreadInput, standard: Head.optional() }),
  preload: z.strictObject({
    thread: ThreadInput,
    propertyClass: z.string(),
    ...Face,
    ...FrictionInput,
    torqueNm: z.number().optional(),
    preloadN: z.number().optional(),
    nutFactor: z.number().optional(),
    prevailingNm: z.number().optional(),
    yieldShare: z.number().optional(),
    proofShare: z.number().optional(),
    form: z.enum(['vdi', 'exact']).optional(),
    method: Method.optional(),
    gripMm: z.number().optional(),
    shankMm: z.number().optional(),
    part: Part.optional(),
    into: z.union([z.literal('nut'), Part]).optional(),
    interfaces: z.number().optional(),
    roughness: Rough.optional(),
  }),
  load: z.strictObject({
    thread: ThreadInput,
    propertyClass: z.string(),
    ...Face,
    ...FrictionInput,
    torqueNm: z.number().optional(),
    preloadN: z.number().optional(),
    prevailingNm: z.number().optional(),
    method: Method.optional(),
    gripMm: z.number(),
    shankMm: z.number().optional(),
    part: Part.optional(),
    into: z.union([z.literal('nut'), Part]).optional(),
    interfaces: z.number().optional(),
    roughness: Rough.optional(),
    axialMaxN: z.number(),
    axialMinN: z.number().optional(),
    shearN: z.number().optional(),
    faceFriction: z.number().optional(),
    faces: z.number().int().optional(),
    introduction: z.number().optional(),
    assembledC: z.number().optional(),
    boltC: z.number().optional(),
    partsC: z.number().optional(),
  }),
  lubricate: z.strictObject({
    thread: ThreadInput,
    propertyClass: z.string(),
    ...Face,
    torqueNm: z.number(),
    from: Lubrication,
    to: z.union([Lubrication, z.array(Lubrication)]).optional(),
    prevailingNm: z.number().optional(),
  }),
  engagement: z.strictObject({
    thread: ThreadInput,
    propertyClass: z.string().optional(),
    boltTensileMpa: z.number().optional(),
    material: z.enum(['steel', 'castIron', 'aluminium', 'magnesium']).optional(),
    tappedTensileMpa: z.number().optional(),
    shearRatio: z.number().optional(),
    boltShearRatio: z.number().optional(),
    tappedShearRatio: z.number().optional(),
    engagementMm: z.number().optional(),
  }),
  stud: z.strictObject({
    thread: ThreadInput,
    studMm: z.number(),
    wheelMm: z.number(),
    spacerMm: z.number().optional(),
    blindDepthMm: z.number().optional(),
    nutMm: z.number().optional(),
    neededMm: z.number().optional(),
  }),
  adapter: z.strictObject({
    torqueNm: z.number().optional(),
    setNm: z.number().optional(),
    minNm: z.number().optional(),
    maxNm: z.number().optional(),
    divisionNm: z.number().optional(),
    wrenchLengthMm: z.number().optional(),
    offsetMm: z.number().optional(),
    angleDeg: z.number().optional(),
    secondWrench: z.boolean().optional(),
    pipeOnHandle: z.boolean().optional(),
    extensionMm: z.number().optional(),
    extensionBarMm: z.number().optional(),
  }),
  band: z.strictObject({
    fullScaleNm: z.number(),
    lowestNm: z.number().optional(),
    targetNm: z.number(),
    minNm: z.number().optional(),
    maxNm: z.number().optional(),
    divisionNm: z.number().optional(),
  }),
  calibration: z.strictObject({
    fullScaleNm: z.number(),
    kind: z.enum(['click', 'digital', 'beam']).optional(),
    points: z
      .array(z.strictObject({ setNm: z.number(), referenceNm: z.array(z.number()).min(1) }))
      .min(1)
      .optional(),
    history: z.array(z.number()).optional(),
  }),
  volume: z.strictObject({
    thread: ThreadInput,
    engagementMm: z.number(),
    blindEndMm: z.number().optional(),
    count: z.number().int().min(1).max(10_000).optional(),
  }),
  cure: z.strictObject({
    product: z.enum([...LOCKERS, 'retaining', 'sealant']).optional(),
    times: z.strictObject({ workingWindowMin: z.number(), fixtureMin: z.number(), fullCureH: z.number() }).optional(),
    temperatureC: z.number(),
    substrate: z.enum(SUBSTRATES as [(typeof SUBSTRATES)[number], ...(typeof SUBSTRATES)[number][]]),
    gapMm: z.number().optional(),
    primer: z.boolean().optional(),
    afterMin: z.number().min(0).optional(),
  }),
  elastic: z.strictObject({
    boltStiffnessNPerMm: z.number(),
    complianceMmPerN: z.array(z.array(z.number())).optional(),
    circle: z.strictObject({ bolts: z.number().int().min(1).max(512), diameterMm: z.number() }).optional(),
    positions: z.array(Point).optional(),
    c0MmPerN: z.number().optional(),
    lambdaMm: z.number().optional(),
    pulls: z.array(z.strictObject({ bolt: z.number().int(), toN: z.number() })).optional(),
    order: z.array(z.number().int()).optional(),
    stages: z.array(z.number()).optional(),
    targetN: z.number().optional(),
    evenness: z.number().optional(),
  }),
  identify: z.strictObject({
    majorMm: z.number().optional(),
    pitchMm: z.number().optional(),
    acrossFlatsMm: z.number().optional(),
    holeMm: z.number().optional(),
    minorMm: z.number().optional(),
    coat: z.enum(keys<SurfaceCoat>(COAT_MM)).optional(),
    wornMm: z.number().optional(),
  }),
  drill: z.strictObject({
    thread: ThreadInput.optional(),
    purpose: z.enum(['tap', 'clearance', 'insert']).optional(),
    fit: z.enum(['fine', 'medium', 'coarse']).optional(),
    diameterMm: z.number().optional(),
    series: z.enum(['metric', 'fraction', 'number', 'letter']).optional(),
  }),
  shrink: z.strictObject({
    diameterMm: z.number(),
    interferenceMm: z.number().optional(),
    boreMm: z.number().optional(),
    pinMm: z.number().optional(),
    slipMm: z.number(),
    roomC: z.number().optional(),
    bore: Fit,
    pin: Fit,
    pinC: z.number().optional(),
    wallMm: z.number().optional(),
    pinWallMm: z.number().optional(),
  }),
  linkage: z.strictObject({
    type: z.enum(['doubleWishbone', 'strut']),
    points: z.strictObject({
      lowerArmFront: Place,
      lowerArmRear: Place,
      lowerBallJoint: Place,
      upperArmFront: Place.optional(),
      upperArmRear: Place.optional(),
      upperBallJoint: Place.optional(),
      strutTop: Place.optional(),
      strutLower: Place.optional(),
      clampBoltLower: Place.optional(),
      clampBoltUpper: Place.optional(),
      tieRodInner: Place,
      tieRodOuter: Place,
      wheelCentre: Place,
    }),
    staticCamberDeg: z.number(),
    staticToeDeg: z.number(),
    tyreLoadedRadiusMm: z.number(),
    travelsMm: z.array(z.number()).min(1).max(2000).optional(),
    change: z
      .strictObject({
        tieRodOuterUpMm: z.number().optional(),
        upperArmShorterMm: z.number().optional(),
        clampBoltMm: z.number().optional(),
        linkLengthsMm: z.strictObject(LinkLengths).optional(),
      })
      .optional(),
    linkLengthsMm: z.strictObject(LinkLengths).optional(),
  }),
  trailingArm: z.strictObject({
    innerPivot: Place,
    outerPivot: Place,
    wheelCentre: Place,
    staticCamberDeg: z.number(),
    staticToeDeg: z.number(),
    travelsMm: z.array(z.number()).min(1).max(2000).optional(),
  }),
  solidAxle: z.strictObject({
    links: z
      .array(z.strictObject({ name: z.string().min(1), body: Place, axle: Place, lengthMm: z.number().optional() }))
      .max(8),
    leftWheel: Place,
    rightWheel: Place,
    travels: z
      .array(z.strictObject({ leftMm: z.number(), rightMm: z.number() }))
      .min(1)
      .max(500),
  }),
  trackBar: z.strictObject({ barLengthMm: z.number(), heightDifferenceMm: z.number(), liftMm: z.number() }),
  propShaft: z.strictObject({
    horizontalMm: z.number(),
    heightDifferenceMm: z.number(),
    liftMm: z.number(),
    outputDownDeg: z.number(),
    pinionUpDeg: z.number(),
  }),
  tyre: z.strictObject({ code: z.string().min(1) }),
  speedometer: z.strictObject({
    oldTyre: Tyre,
    newTyre: Tyre,
    indicatedKmh: z.number(),
    axleRatio: z.number(),
  }),
  tongue: z.strictObject({ trailerKg: z.number(), tongueKg: z.number(), band: Band.optional(), unit: massUnit }),
  cargo: z.strictObject({
    unladenKg: z.number(),
    unladenAheadMm: z.number(),
    couplerToAxleMm: z.number(),
    cargo: z
      .array(z.strictObject({ kg: z.number(), aheadMm: z.number(), name: z.string().optional() }))
      .max(500)
      .optional(),
    targetShare: Share.optional(),
    unit: massUnit,
  }),
  axles: z.strictObject({
    frontKg: z.number(),
    rearKg: z.number(),
    wheelbaseMm: z.number(),
    hitchBehindMm: z.number(),
    tongueKg: z.number(),
    ratings: z
      .strictObject({
        frontAxleKg: z.number().optional(),
        rearAxleKg: z.number().optional(),
        grossKg: z.number().optional(),
      })
      .optional(),
    unit: massUnit,
  }),
  chain: z.strictObject({
    components: z
      .array(z.strictObject({ name: z.string(), trailerKg: z.number().optional(), tongueKg: z.number().optional() }))
      .min(1)
      .max(100),
    unit: massUnit,
  }),
  combination: z.strictObject({
    kerbKg: z.number(),
    kerbFrontShare: Share,
    occupantsKg: z.number().optional(),
    occupantsFrontShare: Share.optional(),
    cargoKg: z.number().optional(),
    cargoFrontShare: Share.optional(),
    loadFrontShare: Share.optional(),
    hitchHardwareKg: z.number().optional(),
    onRoofKg: z.number().optional(),
    wheelbaseMm: z.number(),
    hitchBehindMm: z.number(),
    trailerKg: z.number(),
    tongueShare: Share,
    ratings: z.strictObject({
      grossKg: z.number().optional(),
      frontAxleKg: z.number().optional(),
      rearAxleKg: z.number().optional(),
      combinationKg: z.number().optional(),
      trailerKg: z.number().optional(),
      tongueKg: z.number().optional(),
      trailerGrossKg: z.number().optional(),
      trailerAxleKg: z.number().optional(),
      roofKg: z.number().optional(),
      frontTyresKg: z.number().optional(),
      rearTyresKg: z.number().optional(),
    }),
    unit: massUnit,
  }),
  schedule: z.strictObject({
    activities: z
      .array(
        z.strictObject({
          id: z.string().min(1),
          minutes: z.number(),
          uses: z.record(z.string(), z.number()).optional(),
        }),
      )
      .max(MOST_ACTIVITIES),
    lags: z
      .array(
        z.strictObject({
          from: z.string(),
          to: z.string(),
          minMinutes: z.number().optional(),
          maxMinutes: z.number().optional(),
        }),
      )
      .max(20_000)
      .optional(),
    resources: z
      .array(
        z.strictObject({
          id: z.string().min(1),
          capacity: z.number(),
          windows: z
            .array(z.union([z.tuple([z.number(), z.number()]), z.strictObject({ from: z.number(), to: z.number() })]))
            .max(1000)
            .optional(),
        }),
      )
      .max(200)
      .optional(),
    seconds: z.number().optional(),
    seed: z.number().int().optional(),
  }),
  convert: z.union([
    z.strictObject({ value: z.number(), from: Unit, to: Unit }),
    z.strictObject({ text: z.string(), to: Unit }),
  ]),
} as const;

export type CalcTopic = keyof typeof CALC_INPUTS;
export type CalcInput<Topic extends CalcTopic> = z.output<(typeof CALC_INPUTS)[Topic]>;
export const CALC_TOPICS = Object.keys(CALC_INPUTS) as CalcTopic[];
