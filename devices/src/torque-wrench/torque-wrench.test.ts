import { afterEach, describe, expect, it, jest } from '@jest/globals';
import fc from 'fast-check';
import type { FromWrench } from '#contract/wrench-stream.ts';
import { jointFor, rotationAtDeg, torqueAtNm } from './joint-model.ts';
import { simulatePull } from './simulate-pull.ts';
import { WrenchStandIn } from './stand-in.ts';

const m10 = jointFor(10);

describe('joint model', () => {
  it('rises without a jump and never falls', () => {
    let before = torqueAtNm(m10, -10);
    for (let deg = -10; deg < 200; deg += 0.5) {
      const torque = torqueAtNm(m10, deg);
      expect(torque).toBeGreaterThanOrEqual(before - 1e-9);
      expect(torque - before).toBeLessThan(1);
      before = torque;
    }
  });
  it('turns back: rotation of a torque gives the torque', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 110, noNaN: true }), (torque) => {
        expect(torqueAtNm(m10, rotationAtDeg(m10, torque))).toBeCloseTo(torque, 6);
      }),
    );
  });
  it('rises slower past yield', () => {
    const at = rotationAtDeg(m10, m10.yieldNm);
    expect(torqueAtNm(m10, at + 10) - m10.yieldNm).toBeLessThan(0.3 * 10 * m10.rateNmPerDeg);
  });
});

describe('a pull', () => {
  it('clicks at the target and a steady hand stays within 2 %', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 6, max: 16 }),
        fc.double({ min: 0.1, max: 0.8, noNaN: true }),
        fc.integer({ min: 10, max: 90 }),
        (d, share, speed) => {
          const joint = jointFor(d);
          const targetNm = joint.yieldNm * share;
          const trace = simulatePull(joint, { targetNm, standingNm: 0 }, { speedDegPerS: speed, overshootDeg: 0 });
          expect(trace.peakNm).toBeGreaterThanOrEqual(targetNm);
          expect(trace.peakNm).toBeLessThan(targetNm * 1.02 + joint.rateNmPerDeg * 0.4);
          expect(trace.clickFrame).toBeGreaterThan(0);
        },
      ),
    );
  });
  it('on a joint that already stands at the target clicks without moving', () => {
    const trace = simulatePull(m10, { targetNm: 50, standingNm: 51 }, { speedDegPerS: 40, overshootDeg: 0 });
    expect(trace.movementDeg).toBeLessThan(2);
    const fresh = simulatePull(m10, { targetNm: 50, standingNm: 25 }, { speedDegPerS: 40, overshootDeg: 0 });
    expect(fresh.movementDeg).toBeGreaterThan(10);
  });
  it('an over-shooting hand goes past', () => {
    const trace = simulatePull(m10, { targetNm: 50, standingNm: 0 }, { speedDegPerS: 60, overshootDeg: 12 });
    expect(trace.peakNm).toBeGreaterThan(60);
  });
  it('turns the angle after the threshold', () => {
    const trace = simulatePull(
      jointFor(12),
      { targetNm: 45, angleDeg: 90, standingNm: 0 },
      { speedDegPerS: 60, overshootDeg: 0 },
    );
    expect(trace.afterClickDeg).toBeCloseTo(90, 6);
  });
});

describe('stand-in on the wire', () => {
  afterEach(() => {
    jest.useRealTimers();
  });
  it('arms, streams 50 frames a second, clicks once, and ends with peak and angle', () => {
    jest.useFakeTimers();
    const said: FromWrench[] = [];
    const wrench = new WrenchStandIn((message) => said.push(message));
    wrench.receive(JSON.stringify({ type: 'arm', station: 's1', targetNm: 55, standingNm: 0, nominalMm: 12 }));
    wrench.receive(JSON.stringify({ type: 'pull', speedDegPerS: 45, overshootDeg: 0 }));
    jest.advanceTimersByTime(500);
    expect(said.filter((message) => message.type === 'frame')).toHaveLength(25);
    jest.advanceTimersByTime(20_000);
    expect(said.filter((message) => message.type === 'click')).toHaveLength(1);
    expect(said.at(-1)).toMatchObject({ type: 'end', station: 's1', peakNm: expect.closeTo(55, -0.5) });
  });
  it('answers nonsense with a fault', () => {
    const said: FromWrench[] = [];
    const wrench = new WrenchStandIn((message) => said.push(message));
    wrench.receive('{');
    wrench.receive(JSON.stringify({ type: 'arm', station: 's', targetNm: -4, standingNm: 0, nominalMm: 8 }));
    wrench.receive(JSON.stringify({ type: 'pull', speedDegPerS: 45, overshootDeg: 0 }));
    expect(said.filter((message) => message.type === 'fault')).toHaveLength(3);
  });
});

describe('a pull until the gradient falls', () => {
  const m12 = jointFor(12);
  const hand = { speedDegPerS: 40, overshootDeg: 0 };
  it('goes on past the torque it watches from, lets go at yield, and says how far the gradient fell', () => {
    const trace = simulatePull(m12, { targetNm: 60, untilShare: 0.5, ceilingNm: 190, standingNm: 20 }, hand);
    expect(trace.gradientShare).toBeLessThanOrEqual(0.5);
    expect(trace.peakNm).toBeGreaterThan(m12.yieldNm);
    // Seen within a window of the yield point: not much further.
    expect(trace.peakNm).toBeLessThan(m12.yieldNm * 1.05);
  });
  it('lets go at its ceiling where the bolt does not yield before it', () => {
    const trace = simulatePull(m12, { targetNm: 60, untilShare: 0.5, ceilingNm: 100, standingNm: 20 }, hand);
    expect(trace.peakNm).toBeGreaterThanOrEqual(100);
    expect(trace.peakNm).toBeLessThan(104);
    expect(trace.gradientShare).toBeGreaterThan(0.9);
  });
});

describe('a joint as the kit describes it', () => {
  const steep = { prevailingNm: 0.5, alignDeg: 3, rateNmPerDeg: 9, yieldNm: 200 };
  it('is not overrun by a quick hand, however stiff it is', () => {
    for (const speedDegPerS of [15, 45, 150])
      for (const standingNm of [0, 30, 60]) {
        const { peakNm, clickFrame } = simulatePull(
          steep,
          { targetNm: 70, standingNm },
          { speedDegPerS, overshootDeg: 0 },
        );
        expect(clickFrame).toBeGreaterThanOrEqual(0);
        expect(peakNm).toBeLessThan(70 * 1.02);
      }
  });
});
