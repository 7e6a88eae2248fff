import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { metricThread } from '../fastener/thread.ts';
import { bandClampPressure } from './band-clamp.ts';
import { bearingPressureMpa } from './bearing-pressure.ts';
import { castleSlot } from './castle-slot.ts';
import { type JointGeometry, jointStiffness } from './joint-stiffness.ts';
import { settlingLoss } from './settling.ts';
import { evenFriction } from './thread-finish.ts';
import { angleForPreloadDeg, preloadPerDegreeN, torqueAngleCurve } from './torque-angle.ts';

const joint: JointGeometry = {
  thread: metricThread(10, 1.5),
  gripMm: 30,
  bearingMm: 14.63,
  holeMm: 11,
  partDiameterMm: 60,
  part: 'steel',
  into: 'nut',
};
const stiff = (over: Partial<JointGeometry> = {}) => {
  const result = jointStiffness({ ...joint, ...over });
  if (!result.ok) throw new Error(JSON.stringify(result.error));
  return result.value;
};

describe('resiliences (VDI 2230-1, section 5.1)', () => {
  it('a sleeve no wider than the head is a plain tube: l / (E A)', () => {
    const { partsMmPerN } = stiff({ partDiameterMm: 14 });
    expect(partsMmPerN).toBeCloseTo(30 / (205_000 * (Math.PI / 4) * (14 ** 2 - 11 ** 2)), 12);
  });
  it('the bolt sums its cylinders', () => {
    // By hand: d3 = 8.160, A3 = 52.3, AN = 78.54 mm².
    const [a, a3] = [78.5398, (Math.PI / 4) * 8.1597 ** 2];
    const byHand = (5 / a + 30 / a3 + 5 / a3 + 4 / a) / 205_000;
    expect(stiff().boltMmPerN).toBeCloseTo(byHand, 10);
  });
  it('wider parts are stiffer until the cone ends inside them; soft parts give more', () => {
    const widths = [16, 20, 25, 30, 40, 60, 120].map((partDiameterMm) => stiff({ partDiameterMm }).partsMmPerN);
    for (let i = 1; i < widths.length; i++) expect(widths[i]).toBeLessThanOrEqual((widths[i - 1] as number) * 1.0001);
    expect(stiff({ part: 'aluminium' }).partsMmPerN / stiff().partsMmPerN).toBeCloseTo(205 / 70, 6);
  });
  it('the bolt gives several times more than the parts it clamps (usual ratio 3 to 10, common practice)', () => {
    const { boltMmPerN, partsMmPerN } = stiff();
    expect(boltMmPerN / partsMmPerN).toBeGreaterThan(2);
    expect(boltMmPerN / partsMmPerN).toBeLessThan(12);
  });
  it('refuses a hole wider than the head and a shank longer than the grip, by name', () => {
    expect(jointStiffness({ ...joint, holeMm: 15 })).toMatchObject({ ok: false, error: { field: 'holeMm' } });
    expect(jointStiffness({ ...joint, shankMm: 31 })).toMatchObject({ ok: false, error: { field: 'shankMm' } });
  });
});

describe('settling (VDI 2230-1, table 5)', () => {
  it('is 3 + 2 · 3 + 2 = 11 µm with nut and one interface at medium roughness', () =>
    expect(settlingLoss(stiff(), 'medium', 1).settlingUm).toBe(11));
  it('costs a short grip more than a long one', () => {
    const loss = (gripMm: number) => settlingLoss(stiff({ gripMm }), 'medium', 1).lossN;
    expect(loss(10)).toBeGreaterThan(loss(30));
    expect(loss(30)).toBeGreaterThan(loss(100));
  });
});

describe('torque and angle', () => {
  const curve = torqueAngleCurve(
    { thread: joint.thread, yieldMpa: 640, friction: evenFriction(0.12), face: { outsideMm: 14.63, holeMm: 11 } },
    stiff(),
    20,
    180,
  );
  it('rises by P/360 over the resilience until the yield point, and less after it', () => {
    const [first, second] = curve.points as [(typeof curve.points)[0], (typeof curve.points)[0]];
    expect((second.preloadN - first.preloadN) / (second.angleDeg - first.angleDeg)).toBeCloseTo(curve.nPerDeg, 6);
    const last = curve.points.slice(-2) as [(typeof curve.points)[0], (typeof curve.points)[0]];
    expect((last[1].preloadN - last[0].preloadN) / 3).toBeLessThan(curve.nPerDeg / 5);
    expect(curve.yieldPoint.preloadN).toBeCloseTo(29_604 / 0.9, -2);
  });
  it('angle and preload are inverse to each other (property)', () => {
    fc.assert(
      fc.property(fc.double({ min: 100, max: 60_000, noNaN: true }), (preload) => {
        const angle = angleForPreloadDeg(preload, joint.thread, stiff());
        expect(angle * preloadPerDegreeN(joint.thread, stiff())).toBeCloseTo(preload, 6);
      }),
    );
  });
});

describe('castle nuts (M45)', () => {
  // The trade's example: start at 35, next slot, never back, never over 45 lbf·ft; a slot each 60°.
  const [start, ceiling] = [35 * 1.3558179, 45 * 1.3558179];
  it('turns on to the next slot below the ceiling', () =>
    expect(castleSlot(6, 40, start, ceiling, 0.5, 1.5)).toMatchObject({
      ok: true,
      value: { kind: 'turnOn', toNextSlotDeg: 20 },
    }));
  it('asks for a shim or another nut above it, never for backing off', () => {
    const advice = castleSlot(6, 20, start, ceiling, 0.5, 1.5);
    expect(advice).toMatchObject({ ok: true, value: { kind: 'shimOrChangeNut' } });
    if (advice.ok && advice.value.kind === 'shimOrChangeNut')
      expect(advice.value.shimMm).toBeCloseTo((20 / 360) * 1.5, 9);
  });
  it('lets the pin in where hole and slot meet', () =>
    expect(castleSlot(6, 0, start, ceiling, 0.5, 1.5)).toEqual({ ok: true, value: { kind: 'pinFits' } }));
});

describe('pressures', () => {
  it('under an M10 head over an 11 mm hole at 30 kN', () =>
    expect(bearingPressureMpa(30_000, 14.63, 11)).toBeCloseTo(30_000 / ((Math.PI / 4) * (14.63 ** 2 - 11 ** 2)), 6));
  it('has no face left when the hole is as wide as the head', () =>
    expect(bearingPressureMpa(1, 11, 11)).toBe(Number.POSITIVE_INFINITY));
  it('of a band clamp is the ring formula: 1 kN on 50 × 10 mm is 4 N/mm²', () =>
    expect(bandClampPressure(1000, 50, 10)).toEqual({ ok: true, value: { lineLoadNPerMm: 40, pressureMpa: 4 } }));
});
