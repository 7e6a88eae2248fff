import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { calculate } from './calc.ts';
import { CALC_INPUTS, CALC_TOPICS, type CalcTopic } from './calc-input.ts';
import { GOOD } from './fixture/good-input.ts';

const answer = (topic: CalcTopic, over: Record<string, unknown> = {}) => {
  const result = calculate(topic, { ...GOOD[topic], ...over });
  if (!result.ok) throw new Error(JSON.stringify(result.error));
  return result.value as Record<string, unknown>;
};
const refusal = (topic: CalcTopic, input: unknown) => {
  const result = calculate(topic, input);
  return result.ok ? undefined : result.error;
};

describe('every topic', () => {
  it.each(CALC_TOPICS)('%s answers with finite numbers only', (topic) => {
    const text = JSON.stringify(answer(topic), (_, value) =>
      typeof value === 'number' && !Number.isFinite(value) ? 'NOT FINITE' : value,
    );
    expect(text).not.toContain('NOT FINITE');
  });
  it.each(CALC_TOPICS)('%s refuses an unknown field by name', (topic) =>
    expect(refusal(topic, { ...GOOD[topic], torqeNm: 1 })).toMatchObject({ code: 'refused' }),
  );
  it.each(CALC_TOPICS)('%s is documented with all its fields', (topic) => {
    const page = readFileSync('docs/formats/cli.md', 'utf8');
    const section = page.split(`### ${topic}\n`)[1]?.split('\n### ')[0] ?? '';
    const schema = CALC_INPUTS[topic];
    const shapes = 'options' in schema ? schema.options : [schema];
    for (const shape of shapes) for (const field of Object.keys(shape.shape)) expect(section).toContain(`\`${field}\``);
  });
  it('never throws, whatever it is given (property)', () => {
    const junk = fc.oneof(
      fc.double(),
      fc.string(),
      fc.boolean(),
      fc.constant(null),
      fc.array(fc.double(), { maxLength: 3 }),
    );
    fc.assert(
      fc.property(fc.constantFrom(...CALC_TOPICS), fc.nat(), junk, (topic, at, value) => {
        const fields = Object.keys(GOOD[topic]);
        const field = fields[at % fields.length] as string;
        const result = calculate(topic, { ...GOOD[topic], [field]: value });
        if (!result.ok) expect(result.error.reason.length).toBeGreaterThan(3);
      }),
      { numRuns: 400 },
    );
  });
});

describe('conventions', () => {
  it('preload: M10 8.8 at µ 0.12 is 29.6 kN and 48.5 N·m', () => {
    expect(answer('preload').preloadN as number).toBeCloseTo(29_603, -1);
    expect(answer('preload').torqueNm as number).toBeCloseTo(48.46, 1);
  });
  it('preload and torque are inverse, with prevailing torque and a washer too', () => {
    const there = answer('preload', { preloadN: 25_000, prevailingNm: 6, washer: 'ISO 7089' });
    const back = answer('preload', { torqueNm: there.torqueNm, prevailingNm: 6, washer: 'ISO 7089' });
    expect(back.preloadN as number).toBeCloseTo(25_000, 6);
  });
  it('an inch callout and its numbers are the same thread', () => {
    const text = answer('thread', { thread: '3/8-16' });
    expect(answer('thread', { thread: { diameterIn: 0.375, threadsPerInch: 16 } })).toEqual(text);
  });
  it('convert reads a tolerance, a bound, cold, and miles as metres', () => {
    expect(answer('convert', { text: '100 ± 5 Nm', to: 'lbf·ft' })).toMatchObject({
      nominal: expect.closeTo(73.756, 3),
      value: expect.closeTo(70.07, 2),
      max: expect.closeTo(77.44, 2),
    });
    expect(answer('convert', { text: 'max 83 Nm', to: 'N·m' })).toMatchObject({ value: 83, bound: 'atMost' });
    expect(answer('convert', { text: '-40 °C', to: '°F' }).value).toBeCloseTo(-40, 9);
    expect(answer('convert', { text: '2 miles', to: 'm' }).value).toBeCloseTo(3218.688, 6);
    expect(answer('convert', { text: '1000 psi', to: 'bar' }).value).toBeCloseTo(68.948, 3);
  });
  it('convert keeps a range and refuses another dimension', () => {
    expect(answer('convert', { text: '80-100 in-lb' })).toMatchObject({
      value: expect.closeTo(9.04, 2),
      max: expect.closeTo(11.3, 1),
    });
    expect(refusal('convert', { value: 1, from: 'lbf', to: 'N·m' })).toMatchObject({ field: 'to' });
  });
});

describe('wrench topics', () => {
  it('one reading at one point is no calibration: within needs 20, 60 and 100 %, five each (ISO 6789-1)', () => {
    expect(answer('calibration')).toMatchObject({ complete: false, missing: [0.2, 1], within: false });
    const five = (setNm: number) => ({ setNm, referenceNm: [1, 0.99, 1.01, 1, 1].map((share) => share * setNm) });
    expect(answer('calibration', { points: [five(40), five(120), five(200)] })).toMatchObject({
      complete: true,
      within: true,
    });
    expect(answer('calibration', { points: [five(40), five(120), five(200), five(220)] })).toMatchObject({
      complete: true,
      within: false,
    });
  });
  it('a setting never lies above full scale, though the joint would accept it', () => {
    // Marks of 7 N·m: 203 is nearest to 200, and the wrench ends at 200.
    expect(answer('band', { targetNm: 200, divisionNm: 7 }).setting).toMatchObject({ settingNm: 196 });
    expect(answer('band', { targetNm: 300, divisionNm: 1 }).setting).toBeNull();
  });
  it('the crow-foot there and back, with the accepted band on the wrench in the same answer', () => {
    const there = answer('adapter', { minNm: 95, maxNm: 105 });
    expect(there.settingNm).toBeCloseTo(100 * (400 / 450), 9);
    expect(there.acceptedOnWrench).toEqual({
      minNm: expect.closeTo(95 * (400 / 450), 9),
      maxNm: expect.closeTo(105 * (400 / 450), 9),
    });
    const back = answer('adapter', { torqueNm: undefined, setNm: 100, minNm: 95, maxNm: 105 });
    expect(back.torqueNm).toBeCloseTo(100 * (450 / 400), 9);
    expect(back.remarks).toContainEqual(expect.objectContaining({ code: 'gotOutside', tone: 'bad' }));
  });
});

describe('preload and lubricate', () => {
  it('a washer and a narrow part change the pressed ring, stainless and socket heads the stiffness', () => {
    const on = answer('preload', { washer: 'ISO 7089', part: 'aluminium' });
    expect(on.pressureMpa as number).toBeCloseTo(191, 0);
    expect(answer('preload', { partDiameterMm: 14 }).pressedRing).toEqual({ outsideMm: 14, holeMm: 11 });
    const stiff = (over: Record<string, unknown>) =>
      (answer('preload', { gripMm: 30, ...over }) as { stiffness: { boltMmPerN: number } }).stiffness.boltMmPerN;
    expect(stiff({ propertyClass: 'A2-70' })).toBeGreaterThan(stiff({}));
    expect(stiff({ head: 'ISO 4762' })).toBeLessThan(stiff({}));
  });
  it('in a tapped hole one face less settles (VDI 2230-1 table 5: 3 µm of a medium face)', () => {
    const um = (into: string) =>
      (answer('preload', { gripMm: 30, into }) as { settling: { settlingUm: number } }).settling.settlingUm;
    expect(um('nut') - um('aluminium')).toBe(3);
  });
  it('lubricate takes coefficients and says which it used', () => {
    const { outcomes } = answer('lubricate', { from: 0.16, to: 0.1 }) as { outcomes: Array<Record<string, unknown>> };
    expect(outcomes[0]).toMatchObject({ finish: 0.1, friction: { low: 0.1, usual: 0.1, high: 0.1 } });
    const named = answer('lubricate', { from: 'dry', to: 'antiSeize' }) as { outcomes: Array<Record<string, unknown>> };
    expect(outcomes[0]?.preloadRatio).toBeCloseTo(named.outcomes[0]?.preloadRatio as number, 9);
  });
});

describe('what cannot be is refused by field and reason', () => {
  it.each([
    ['preload', { ...GOOD.preload, finish: 'dry' }, 'friction'],
    ['preload', { ...GOOD.preload, threadFriction: 0.1, headFriction: 0.1 }, 'friction'],
    ['preload', { ...GOOD.preload, yieldShare: 0.9, proofShare: 0.75 }, 'proofShare'],
    ['preload', { ...GOOD.preload, torqueNm: 4, prevailingNm: 6 }, 'torqueNm'],
    ['preload', { ...GOOD.preload, head: 'ISO 10642', washer: 'ISO 7089' }, 'washer'],
    ['preload', { ...GOOD.preload, nutFactor: 0.2, headFriction: 0.1 }, 'headFriction'],
    ['preload', { ...GOOD.preload, nutFactor: 0.02 }, 'nutFactor'],
    ['preload', { ...GOOD.preload, prevailingNm: 300 }, 'prevailingNm'],
    ['preload', { ...GOOD.preload, partDiameterMm: 10 }, 'partDiameterMm'],
    ['lubricate', { ...GOOD.lubricate, prevailingNm: 60 }, 'torqueNm'],
    ['lubricate', { ...GOOD.lubricate, to: [0.1, 3] }, 'to'],
    ['engagement', { ...GOOD.engagement, boltTensileMpa: 800 }, 'boltTensileMpa'],
    ['engagement', { ...GOOD.engagement, shearRatio: 0.6, tappedShearRatio: 0.7 }, 'shearRatio'],
    ['shrink', { ...GOOD.shrink, interferenceMm: undefined, boreMm: 60, pinMm: 60.03 }, 'boreMm'],
    ['shrink', { ...GOOD.shrink, boreMm: 50, pinMm: 50.1 }, 'interferenceMm'],
    ['cure', { ...GOOD.cure, times: { workingWindowMin: 5, fixtureMin: 120, fullCureH: 2 } }, 'fixtureMin'],
    ['drill', { ...GOOD.drill, diameterMm: 8 }, 'diameterMm'],
    ['drill', {}, 'thread'],
    ['elastic', { ...GOOD.elastic, order: [0, 3, 1, 4, 2, 2] }, 'order[5]'],
    ['elastic', { ...GOOD.elastic, positions: [{ xMm: 0, yMm: 0 }] }, 'positions'],
    ['elastic', { ...GOOD.elastic, pulls: [{ bolt: 0, toN: 100 }] }, 'order'],
    ['stud', { ...GOOD.stud, nutMm: 12, blindDepthMm: 20 }, 'nutMm'],
    ['thread', { thread: '1/4-20 UNF' }, 'thread'],
    ['convert', { value: -300, from: '°C', to: '°F' }, 'value'],
    ['convert', { value: 1e300, from: 'mi', to: 'thou' }, 'value'],
    ['convert', { text: '-300 °C', to: '°F' }, 'text'],
    ['adapter', { ...GOOD.adapter, setNm: 90 }, 'setNm'],
    ['adapter', { wrenchLengthMm: 400, offsetMm: 50 }, 'torqueNm'],
    ['adapter', { ...GOOD.adapter, minNm: 110, maxNm: 120 }, 'torqueNm'],
    ['band', { ...GOOD.band, minNm: 70, maxNm: 80 }, 'targetNm'],
    ['calibration', { fullScaleNm: 200, history: [0.01, 3] }, 'history[1]'],
    ['thread', { thread: { nominalMm: 10, pitchMm: 0 } }, 'pitchMm'],
    ['thread', { thread: '16 mm bolt' }, 'thread'],
    ['preload', { ...GOOD.preload, friction: -0.1 }, 'friction'],
    ['preload', { ...GOOD.preload, propertyClass: 'grade 5' }, 'propertyClass'],
    ['preload', { ...GOOD.preload, thread: 'M20', propertyClass: '9.8' }, 'propertyClass'],
    ['preload', { ...GOOD.preload, holeMm: 20 }, 'holeMm'],
    ['preload', { ...GOOD.preload, torqueNm: 1e9 }, 'torqueNm'],
    ['preload', { ...GOOD.preload, torqueNm: 10, preloadN: 10 }, 'preloadN'],
    ['preload', { ...GOOD.preload, nutFactor: 0 }, 'nutFactor'],
    ['adapter', { ...GOOD.adapter, secondWrench: true }, 'secondWrench'],
    ['adapter', { torqueNm: 10, offsetMm: 40 }, 'wrenchLengthMm'],
    ['engagement', { thread: 'M10', propertyClass: '8.8' }, 'tappedTensileMpa'],
    ['cure', { ...GOOD.cure, temperatureC: 300 }, 'temperatureC'],
    ['drill', { diameterMm: 0 }, 'diameterMm'],
    ['elastic', { boltStiffnessNPerMm: 1e5, complianceMmPerN: [[1e-6, 1e-7]], targetN: 1 }, 'compliance[0]'],
    ['calibration', { fullScaleNm: 100, points: [{ setNm: 60, referenceNm: [0] }] }, 'points[0].referenceNm[0]'],
    ['preload', 5, 'input'],
  ] as Array<[CalcTopic, unknown, string]>)('%s %j: %s', (topic, input, field) =>
    expect(refusal(topic, input)).toMatchObject({ field }),
  );
});
