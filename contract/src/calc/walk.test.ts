import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { SUBSTRATES } from '#core/compound/cure-curve.ts';
import { HEAD_STANDARDS } from '#core/fastener/head-dimension.ts';
import { allThreads, COAT_MM } from '#core/fastener/identify.ts';
import { EXPANSION_PER_K } from '#core/fit/shrink-fit.ts';
import { STRUT } from '#core/geometry/fixture/corners.ts';
import { UNITS } from '#core/quantity/unit.ts';
import { YOUNGS_MODULUS } from '#core/tightening/joint-stiffness.ts';
import { FINISHES } from '#core/tightening/thread-finish.ts';
import { TIGHTENING_METHODS } from '#core/tightening/tightening-method.ts';
import { calculate } from './calc.ts';
import { CALC_INPUTS, CALC_TOPICS, type CalcTopic } from './calc-input.ts';
import { GOOD } from './fixture/good-input.ts';

type Fields = Record<string, fc.Arbitrary<unknown>>;

const number = (min: number, max: number) =>
  fc.oneof(fc.double({ min, max, noNaN: true }), fc.constantFrom(min, max, (min + max) / 2, 0));
const one = <Value>(values: readonly Value[]) => fc.constantFrom(...values);
const keys = (record: object) => one(Object.keys(record));
const list = (of: fc.Arbitrary<unknown>, most = 6) => fc.array(of, { minLength: 1, maxLength: most });

const thread = fc.oneof(
  one(allThreads().map(({ designation }) => designation)),
  one(['M10-6g', '7/16-20 UNF-2A', 'M12 LH', 'M8', '5/8 fine']),
  fc.record({ nominalMm: number(1, 100), pitchMm: number(0.2, 8) }),
);
const propertyClass = one(['4.6', '8.8', '9.8', '10.9', '12.9', 'grade 2', 'grade 5', 'grade 8', 'A2-70', 'F593C']);
const finish = one(FINISHES.map((entry) => entry.finish));
const part = keys(YOUNGS_MODULUS);
const into = fc.oneof(fc.constant('nut'), part);
const face: Fields = {
  head: one(HEAD_STANDARDS),
  bearingMm: number(0, 120),
  holeMm: number(0, 120),
  washer: one(['ISO 7089', 'ISO 7093', 'USS', 'SAE']),
  halfAngleDeg: number(0, 100),
  partDiameterMm: number(0, 200),
};
const friction: Fields = {
  friction: number(0, 1.2),
  threadFriction: number(0, 1.2),
  headFriction: number(0, 1.2),
  finish,
};
const clamped: Fields = {
  gripMm: number(0, 1100),
  shankMm: number(0, 1100),
  part,
  into,
  interfaces: number(0, 30),
  roughness: one(['fine', 'medium', 'coarse']),
};

const massUnit = one(['kg', 'lb']);
const tyreCode = one(['265/65 R17', 'LT285/70R17', '33x12.50R15', '225/45 ZR18', 'a tyre', '999/99 R99']);
const GOOD_POINTS = GOOD.linkage.points as Record<string, number[]>;
const STRUT_POINTS = STRUT as unknown as Record<string, number[]>;

/** Every field of every topic over its whole range and a little beyond; those that must be there first. */
const TOPICS: { [Topic in CalcTopic]: { must: Fields; may?: Fields } } = {
  thread: { must: { thread } },
  head: { must: { thread }, may: { standard: one(HEAD_STANDARDS) } },
  preload: {
    must: { thread, propertyClass },
    may: {
      ...face,
      ...friction,
      ...clamped,
      torqueNm: number(0, 21_000),
      preloadN: number(0, 6e6),
      nutFactor: number(0, 1.2),
      prevailingNm: number(0, 600),
      yieldShare: number(0, 1.3),
      proofShare: number(0, 1.3),
      form: one(['vdi', 'exact']),
      method: one(TIGHTENING_METHODS),
    },
  },
  load: {
    must: { thread, propertyClass, gripMm: number(0, 1100), axialMaxN: number(-1e6, 1e6) },
    may: {
      ...face,
      ...friction,
      ...clamped,
      torqueNm: number(0, 2000),
      preloadN: number(0, 1e6),
      prevailingNm: number(0, 100),
      method: one(TIGHTENING_METHODS),
      axialMinN: number(-1e6, 1e6),
      shearN: number(0, 1e6),
      faceFriction: number(0, 1.2),
      faces: fc.integer({ min: 0, max: 30 }),
      introduction: number(0, 1.2),
      assembledC: number(-80, 80),
      boltC: number(-80, 800),
      partsC: number(-80, 800),
    },
  },
  lubricate: {
    must: {
      thread,
      propertyClass,
      torqueNm: number(0, 21_000),
      from: fc.oneof(finish, number(0, 1.2)),
    },
    may: { ...face, prevailingNm: number(0, 600), to: fc.oneof(finish, number(0, 1.2), list(finish)) },
  },
  engagement: {
    must: { thread },
    may: {
      propertyClass,
      boltTensileMpa: number(0, 2600),
      material: one(['steel', 'castIron', 'aluminium', 'magnesium']),
      tappedTensileMpa: number(0, 2600),
      shearRatio: number(0.2, 1.6),
      boltShearRatio: number(0.2, 1.6),
      tappedShearRatio: number(0.2, 1.6),
      engagementMm: number(0, 520),
    },
  },
  stud: {
    must: { thread, studMm: number(0, 310), wheelMm: number(0, 210) },
    may: {
      spacerMm: number(0, 210),
      blindDepthMm: number(0, 110),
      nutMm: number(0, 110),
      neededMm: number(0, 110),
    },
  },
  adapter: {
    must: {},
    may: {
      torqueNm: number(0, 5100),
      setNm: number(0, 5100),
      minNm: number(0, 5100),
      maxNm: number(0, 5100),
      divisionNm: number(0, 110),
      wrenchLengthMm: number(0, 3100),
      offsetMm: number(0, 1100),
      angleDeg: number(-190, 190),
      secondWrench: fc.boolean(),
      pipeOnHandle: fc.boolean(),
      extensionMm: number(0, 2100),
      extensionBarMm: number(0, 70),
    },
  },
  band: {
    must: { fullScaleNm: number(0, 5100), targetNm: number(0, 21_000) },
    may: {
      lowestNm: number(0, 5100),
      minNm: number(0, 21_000),
      maxNm: number(0, 21_000),
      divisionNm: number(0, 110),
    },
  },
  calibration: {
    must: { fullScaleNm: number(0, 5100) },
    may: {
      kind: one(['click', 'digital', 'beam']),
      points: list(fc.record({ setNm: number(0, 5100), referenceNm: list(number(0, 10_100)) })),
      history: list(number(-0.6, 0.6), 12),
    },
  },
  volume: {
    must: { thread, engagementMm: number(0, 520) },
    may: { blindEndMm: number(0, 210), count: fc.integer({ min: 0, max: 10_001 }) },
  },
  cure: {
    must: { temperatureC: number(-30, 70), substrate: one(SUBSTRATES) },
    may: {
      product: one(['threadlockerLow', 'threadlockerMedium', 'threadlockerHigh', 'retaining', 'sealant']),
      times: fc.record({
        workingWindowMin: number(0, 700),
        fixtureMin: number(0, 3000),
        fullCureH: number(0, 500),
      }),
      gapMm: number(0, 0.6),
      primer: fc.boolean(),
      afterMin: number(0, 1e6),
    },
  },
  elastic: {
    must: { boltStiffnessNPerMm: number(0, 1e10) },
    may: {
      circle: fc.record({ bolts: fc.integer({ min: 1, max: 12 }), diameterMm: number(0, 11_000) }),
      positions: list(fc.record({ xMm: number(-1e3, 1e3), yMm: number(-1e3, 1e3) })),
      complianceMmPerN: list(list(number(0, 1e-4), 3), 3),
      c0MmPerN: number(0, 1e-4),
      lambdaMm: number(0, 1e5),
      pulls: list(fc.record({ bolt: fc.integer({ min: -1, max: 12 }), toN: number(0, 1e7) })),
      order: list(fc.integer({ min: 0, max: 11 })),
      stages: list(number(0, 1.2), 3),
      targetN: number(0, 1e7),
      evenness: number(0, 1),
    },
  },
  identify: {
    must: {},
    may: {
      majorMm: number(0, 90),
      pitchMm: number(0, 9),
      acrossFlatsMm: number(0, 90),
      holeMm: number(0, 90),
      minorMm: number(0, 90),
      coat: keys(COAT_MM),
      wornMm: number(0, 1.2),
    },
  },
  drill: {
    must: {},
    may: {
      thread,
      purpose: one(['tap', 'clearance', 'insert']),
      fit: one(['fine', 'medium', 'coarse']),
      diameterMm: number(0, 70),
      series: one(['metric', 'fraction', 'number', 'letter']),
    },
  },
  shrink: {
    must: {
      diameterMm: number(0, 1100),
      slipMm: number(0, 1.1),
      bore: keys(EXPANSION_PER_K),
      pin: keys(EXPANSION_PER_K),
    },
    may: {
      interferenceMm: number(-1.1, 1.1),
      boreMm: number(0, 1100),
      pinMm: number(0, 1100),
      roomC: number(-30, 60),
      pinC: number(-210, 60),
      wallMm: number(0, 210),
      pinWallMm: number(0, 510),
    },
  },
  linkage: {
    must: {
      type: one(['doubleWishbone', 'strut']),
      points: fc
        .tuple(one(['wishbones', 'strut'] as const), number(-60, 60), one(Object.keys(GOOD_POINTS)))
        .map(([kind, by, name]) => {
          const points: Record<string, number[]> = kind === 'strut' ? { ...STRUT_POINTS } : { ...GOOD_POINTS };
          const [x = 0, y = 0, z = 0] = points[name] ?? [0, 0, 0];
          return name in points ? { ...points, [name]: [x + by, y - by, z + by / 2] } : points;
        }),
      staticCamberDeg: number(-16, 16),
      staticToeDeg: number(-11, 11),
      tyreLoadedRadiusMm: number(100, 1000),
    },
    may: {
      travelsMm: list(number(-520, 520)),
      change: fc.record(
        {
          tieRodOuterUpMm: number(-210, 210),
          upperArmShorterMm: number(-300, 300),
          clampBoltMm: number(-60, 60),
          linkLengthsMm: fc.record({ tieRod: number(300, 420), lowerArmFront: number(350, 500) }, { requiredKeys: [] }),
        },
        { requiredKeys: [] },
      ),
      linkLengthsMm: fc.record({ tieRod: number(0, 3100), upperArmRear: number(0, 3100) }, { requiredKeys: [] }),
    },
  },
  trailingArm: {
    must: {
      innerPivot: fc.tuple(number(200, 500), number(0, 400), number(200, 400)),
      outerPivot: fc.tuple(number(200, 500), number(500, 900), number(200, 400)),
      wheelCentre: fc.constantFrom([0, 750, 320], [-100, 700, 300]),
      staticCamberDeg: number(-16, 16),
      staticToeDeg: number(-11, 11),
    },
    may: { travelsMm: list(number(-400, 400)) },
  },
  solidAxle: {
    must: {
      links: fc.constantFrom(GOOD.solidAxle.links, (GOOD.solidAxle.links as unknown[]).slice(0, 2)),
      leftWheel: fc.tuple(number(-50, 50), number(600, 900), number(300, 400)),
      rightWheel: fc.tuple(number(-50, 50), number(-900, -600), number(300, 400)),
      travels: list(fc.record({ leftMm: number(-150, 520), rightMm: number(-150, 150) }), 2),
    },
  },
  trackBar: {
    must: { barLengthMm: number(0, 2600), heightDifferenceMm: number(-900, 900), liftMm: number(-450, 650) },
  },
  propShaft: {
    must: {
      horizontalMm: number(0, 4100),
      heightDifferenceMm: number(-1100, 1100),
      liftMm: number(-450, 650),
      outputDownDeg: number(-35, 35),
      pinionUpDeg: number(-35, 50),
    },
  },
  tyre: { must: { code: tyreCode } },
  speedometer: {
    must: {
      oldTyre: fc.oneof(tyreCode, number(200, 1500)),
      newTyre: fc.oneof(tyreCode, number(200, 1500)),
      indicatedKmh: number(0, 410),
      axleRatio: number(0, 13),
    },
  },
  tongue: {
    must: { trailerKg: number(0, 110_000), tongueKg: number(-5000, 110_000) },
    may: {
      band: fc.oneof(fc.tuple(number(0, 60), number(0, 60)), fc.record({ min: number(0, 0.6), max: number(0, 0.6) })),
      unit: massUnit,
    },
  },
  cargo: {
    must: { unladenKg: number(0, 110_000), unladenAheadMm: number(-6000, 21_000), couplerToAxleMm: number(0, 21_000) },
    may: {
      cargo: list(fc.record({ kg: number(0, 110_000), aheadMm: number(-11_000, 21_000) })),
      targetShare: number(0, 0.6),
      unit: massUnit,
    },
  },
  axles: {
    must: {
      frontKg: number(0, 110_000),
      rearKg: number(0, 110_000),
      wheelbaseMm: number(0, 11_000),
      hitchBehindMm: number(0, 6000),
      tongueKg: number(-1000, 110_000),
    },
    may: {
      ratings: fc.record(
        { frontAxleKg: number(0, 110_000), rearAxleKg: number(0, 110_000), grossKg: number(0, 110_000) },
        { requiredKeys: [] },
      ),
      unit: massUnit,
    },
  },
  chain: {
    must: {
      components: list(
        fc.record(
          { name: one(['receiver', 'mount', 'ball']), trailerKg: number(0, 110_000), tongueKg: number(0, 110_000) },
          { requiredKeys: ['name'] },
        ),
      ),
    },
    may: { unit: massUnit },
  },
  combination: {
    must: {
      kerbKg: number(0, 110_000),
      kerbFrontShare: number(0, 1.1),
      wheelbaseMm: number(0, 11_000),
      hitchBehindMm: number(0, 6000),
      trailerKg: number(0, 110_000),
      tongueShare: number(-0.6, 0.6),
      ratings: fc.record(
        {
          grossKg: number(0, 110_000),
          rearAxleKg: number(0, 110_000),
          combinationKg: number(0, 110_000),
          tongueKg: number(0, 110_000),
        },
        { requiredKeys: [] },
      ),
    },
    may: {
      occupantsKg: number(0, 1000),
      occupantsFrontShare: number(-1, 2),
      cargoKg: number(0, 5000),
      cargoFrontShare: number(-1, 2),
      loadFrontShare: number(-1, 2),
      hitchHardwareKg: number(0, 2100),
      onRoofKg: number(0, 500),
      unit: massUnit,
    },
  },
  schedule: {
    must: {
      activities: fc.constantFrom(GOOD.schedule.activities, [{ id: 'a', minutes: 4 }], [{ id: 'a', minutes: -1 }]),
    },
    may: {
      lags: list(
        fc.record(
          {
            from: one(['bead', 'pull', 'a']),
            to: one(['pull', 'other']),
            minMinutes: number(0, 60),
            maxMinutes: number(0, 60),
          },
          { requiredKeys: ['from', 'to'] },
        ),
        2,
      ),
      resources: fc.constantFrom(GOOD.schedule.resources, [{ id: 'fitter', capacity: 0 }]),
      seconds: number(0.01, 0.02),
      seed: fc.integer({ min: 0, max: 9 }),
    },
  },
  convert: {
    must: { to: keys(UNITS) },
    may: {
      value: number(-1e13, 1e13),
      from: keys(UNITS),
      text: one(['90 ft-lb', '100 ± 5 Nm', 'max 83 Nm', '-20 °C', '2.4 bar', '1/4 turn', '12 miles', '5 thou']),
    },
  },
};

/** What may be null, and means that no standard lists it, no mark lies in the band, or nothing drifts. */
const MAY_BE_NULL = new Set([
  'limits',
  'toleranceClass',
  'fine',
  'medium',
  'coarse',
  'nutProofN',
  'setting',
  'checksUntilOut',
]);
/** Lengths that say how far one size lies from another, and places; all other lengths are 0 or more. */
const SIGNED = new Set([
  'majorOffMm',
  'pitchOffMm',
  'differenceMm',
  'interferenceMm',
  'xMm',
  'yMm',
  'travelMm',
  'travelLeftMm',
  'travelRightMm',
  'leftMm',
  'rearwardMm',
  'halfTrackMm',
  'wheelCentreMm',
  'contactMm',
  'scrubRadiusMm',
  'mechanicalTrailMm',
  'halfTrackCentreMm',
  'halfTrackContactMm',
  'shiftMm',
  'recentreByMm',
  'lengthChangeMm',
  'heightMm',
  'moveMm',
]);

const RUNS = 800;

/** What is wrong with an answer, by where it stands. */
function faultsOf(value: unknown, name: string, path: string): string[] {
  if (value === null) return MAY_BE_NULL.has(name) ? [] : [`${path} is null`];
  if (typeof value === 'number') {
    if (!Number.isFinite(value)) return [`${path} is ${value}`];
    return value < 0 && /Mm$/.test(name) && !SIGNED.has(name) ? [`${path} is ${value}`] : [];
  }
  if (typeof value === 'string') return /NaN|undefined|Infinity/.test(value) ? [`${path} says ${value}`] : [];
  if (Array.isArray(value)) return value.flatMap((entry, index) => faultsOf(entry, name, `${path}[${index}]`));
  if (typeof value !== 'object') return [];
  return Object.entries(value).flatMap(([key, entry]) => faultsOf(entry, key, `${path}.${key}`));
}

describe('a walk over the whole range of every topic', () => {
  it.each(CALC_TOPICS)('%s answers with sound figures or says which field is wrong, never otherwise', (topic) => {
    const { must, may = {} } = TOPICS[topic];
    // Anywhere, and one to three fields away from an input that is known to be answered.
    const fields = { ...must, ...may };
    const anywhere = fc.record(fields, { requiredKeys: Object.keys(must) });
    const near = fc
      .subarray(Object.keys(fields), { minLength: 1, maxLength: Math.min(3, Object.keys(fields).length) })
      .chain((moved) => fc.record(Object.fromEntries(moved.map((field) => [field, fields[field]])) as Fields))
      .map((moved) => ({ ...GOOD[topic], ...moved }));
    const input = fc.oneof(anywhere, { arbitrary: near, weight: 3 });
    let answered = 0;
    fc.assert(
      fc.property(input, (given) => {
        const result = calculate(topic, given);
        if (!result.ok) {
          expect(result.error.field).not.toBe('');
          expect(result.error.reason.length).toBeGreaterThan(5);
          expect(result.error.reason).not.toMatch(/undefined|NaN|\[object|Invalid/);
          return;
        }
        answered++;
        expect(faultsOf(result.value, topic, topic)).toEqual([]);
      }),
      { numRuns: RUNS, seed: 2230 },
    );
    // Enough of them answered, or the walk says nothing of the figures.
    expect(answered / RUNS).toBeGreaterThan(0.05);
  });
  it.each(CALC_TOPICS)('%s is walked over all its fields', (topic) => {
    const { must, may = {} } = TOPICS[topic];
    const schema = CALC_INPUTS[topic];
    const shapes = 'options' in schema ? schema.options : [schema];
    const fields = new Set(shapes.flatMap((shape) => Object.keys(shape.shape)));
    expect(Object.keys({ ...must, ...may }).sort()).toEqual([...fields].sort());
  });
});

type Counting = [field: string, value: unknown, beside?: object];

/** The bearing face and the friction, which several topics take. */
const FACE_COUNTS: Counting[] = [
  ['head', 'ISO 4762'],
  ['bearingMm', 20],
  ['holeMm', 11.5],
  ['washer', 'ISO 7093'],
  ['halfAngleDeg', 45],
  ['partDiameterMm', 14],
];
const FRICTION_COUNTS: Counting[] = [
  ['friction', 0.2],
  ['threadFriction', 0.2],
  ['headFriction', 0.2],
  ['finish', 'dry'],
];

/** For every field that may be left out: what stands beside it, and a value that must change the answer. */
const COUNTS: Partial<Record<CalcTopic, { base: object; fields: Counting[] }>> = {
  head: { base: { thread: 'M10' }, fields: [['standard', 'ISO 4762']] },
  preload: {
    base: { thread: 'M10', propertyClass: '8.8' },
    fields: [
      ...FRICTION_COUNTS,
      ...FACE_COUNTS,
      ['torqueNm', 30],
      ['preloadN', 15_000],
      ['nutFactor', 0.2],
      ['prevailingNm', 5],
      ['yieldShare', 0.7],
      ['proofShare', 0.7],
      ['form', 'exact'],
      ['method', 'click'],
      ['part', 'aluminium'],
      ['gripMm', 30],
      ['shankMm', 10, { gripMm: 30 }],
      ['into', 'aluminium', { gripMm: 30 }],
      ['interfaces', 4, { gripMm: 30 }],
      ['roughness', 'coarse', { gripMm: 30 }],
    ],
  },
  load: {
    base: { thread: 'M10', propertyClass: '8.8', gripMm: 30, axialMaxN: 6000 },
    fields: [
      ...FRICTION_COUNTS,
      ...FACE_COUNTS,
      ['torqueNm', 30],
      ['preloadN', 15_000],
      ['prevailingNm', 5],
      ['method', 'byFeel'],
      ['shankMm', 10],
      ['part', 'aluminium'],
      ['into', 'aluminium'],
      ['interfaces', 4],
      ['roughness', 'coarse'],
      ['axialMinN', -3000],
      ['shearN', 500],
      ['faceFriction', 0.3, { shearN: 500 }],
      ['faces', 2, { shearN: 500 }],
      ['introduction', 0.9],
      ['assembledC', 5, { boltC: 90 }],
      ['boltC', 90],
      ['partsC', 90],
    ],
  },
  lubricate: {
    base: { thread: 'M10', propertyClass: '8.8', torqueNm: 40, from: 'dry' },
    fields: [['to', 'waxed'], ['prevailingNm', 5], ...FACE_COUNTS],
  },
  engagement: {
    base: { thread: 'M10', propertyClass: '8.8', material: 'aluminium' },
    fields: [
      ['tappedTensileMpa', 200],
      ['shearRatio', 0.7],
      ['boltShearRatio', 0.7],
      ['tappedShearRatio', 0.7],
      ['engagementMm', 10],
    ],
  },
  stud: {
    base: { thread: 'M12 x 1.5', studMm: 44, wheelMm: 18 },
    fields: [
      ['spacerMm', 10],
      ['blindDepthMm', 20],
      ['nutMm', 15],
      ['neededMm', 20],
    ],
  },
  adapter: {
    base: { torqueNm: 60, wrenchLengthMm: 400, offsetMm: 50 },
    fields: [
      ['minNm', 58],
      ['maxNm', 62],
      ['divisionNm', 1],
      ['angleDeg', 45],
      ['secondWrench', true],
      ['pipeOnHandle', true],
      ['extensionMm', 200],
      ['extensionBarMm', 10, { extensionMm: 200 }],
    ],
  },
  band: {
    base: { fullScaleNm: 200, targetNm: 60 },
    fields: [
      ['lowestNm', 10],
      ['minNm', 58],
      ['maxNm', 62],
      ['divisionNm', 7],
    ],
  },
  calibration: {
    base: { fullScaleNm: 200, points: [{ setNm: 40, referenceNm: [40] }] },
    fields: [
      ['kind', 'beam'],
      ['history', [0.01]],
    ],
  },
  volume: {
    base: { thread: 'M10', engagementMm: 12 },
    fields: [
      ['blindEndMm', 3],
      ['count', 4],
    ],
  },
  cure: {
    base: { temperatureC: 12, substrate: 'zincPlated' },
    fields: [
      ['product', 'retaining'],
      ['times', { workingWindowMin: 3, fixtureMin: 9, fullCureH: 12 }],
      ['gapMm', 0.2],
      ['primer', true],
      ['afterMin', 60],
    ],
  },
  elastic: {
    base: {
      boltStiffnessNPerMm: 3e5,
      circle: { bolts: 6, diameterMm: 120 },
      c0MmPerN: 4e-6,
      lambdaMm: 40,
      targetN: 3e4,
    },
    fields: [
      ['order', [0, 3, 1, 4, 2, 5]],
      ['stages', [0.5, 1]],
      ['evenness', 0.05],
      ['pulls', [{ bolt: 0, toN: 100 }]],
    ],
  },
  identify: {
    base: { majorMm: 9.85 },
    fields: [
      ['pitchMm', 1.5],
      ['acrossFlatsMm', 16],
      ['holeMm', 11],
      ['minorMm', 8.5],
      ['coat', 'hotDip'],
      ['wornMm', 0.3],
    ],
  },
  drill: {
    base: { thread: 'M10' },
    fields: [
      ['purpose', 'clearance'],
      ['fit', 'coarse', { purpose: 'clearance' }],
      ['series', 'letter'],
      ['diameterMm', 9],
    ],
  },
  linkage: {
    base: { ...GOOD.linkage },
    fields: [
      ['travelsMm', [10]],
      ['change', { upperArmShorterMm: 3 }],
      ['linkLengthsMm', { tieRod: 362 }],
    ],
  },
  tongue: {
    base: { trailerKg: 2000, tongueKg: 180 },
    fields: [
      ['band', [5, 9]],
      ['unit', 'lb'],
    ],
  },
  cargo: {
    base: { unladenKg: 600, unladenAheadMm: 120, couplerToAxleMm: 3200 },
    fields: [
      ['cargo', [{ kg: 100, aheadMm: 300 }]],
      ['targetShare', 0.12, { cargo: [{ kg: 100, aheadMm: 300 }] }],
      ['unit', 'lb'],
    ],
  },
  axles: {
    base: { frontKg: 1100, rearKg: 1300, wheelbaseMm: 3000, hitchBehindMm: 1200, tongueKg: 150 },
    fields: [
      ['ratings', { grossKg: 2700 }],
      ['unit', 'lb'],
    ],
  },
  combination: {
    base: {
      kerbKg: 2100,
      kerbFrontShare: 0.55,
      wheelbaseMm: 2900,
      hitchBehindMm: 1150,
      trailerKg: 1800,
      tongueShare: 0.08,
      ratings: { grossKg: 2900 },
    },
    fields: [
      ['occupantsKg', 150, { loadFrontShare: 0.5 }],
      ['occupantsFrontShare', 0.4, { occupantsKg: 150, loadFrontShare: 0.5 }],
      ['cargoKg', 100, { loadFrontShare: 0.5 }],
      ['cargoFrontShare', 0.1, { cargoKg: 100, loadFrontShare: 0.5 }],
      ['hitchHardwareKg', 25],
      ['onRoofKg', 60, { cargoKg: 100, loadFrontShare: 0.5, ratings: { roofKg: 75 } }],
      ['unit', 'lb'],
    ],
  },
  shrink: {
    base: { diameterMm: 50, interferenceMm: 0.03, slipMm: 0.05, bore: 'steel', pin: 'bronze' },
    fields: [
      ['roomC', 5],
      ['pinC', -100],
      ['wallMm', 10],
      ['pinWallMm', 4, { wallMm: 10, pinC: -100 }],
      ['boreMm', 52.5],
      ['pinMm', 52.5],
    ],
  },
};

describe('no field falls away in silence', () => {
  for (const [topic, { base, fields }] of Object.entries(COUNTS))
    it.each(fields)(`${topic}: %s counts`, (field, value, beside = {}) => {
      const without = calculate(topic as CalcTopic, { ...base, ...beside });
      const withIt = calculate(topic as CalcTopic, { ...base, ...beside, [field]: value });
      expect(without.ok).toBe(true);
      expect(withIt).not.toEqual(without);
    });
});
