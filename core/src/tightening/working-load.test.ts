import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { assemblyRange } from '../bench/working-load.ts';
import { boltStrength } from '../fastener/property-class.ts';
import { metricThread, type Thread, unifiedThread } from '../fastener/thread.ts';
import { NEWTON_PER_LBF } from '../quantity/unit.ts';
import { threadEnduranceMpa, type WorkingLoad, type WorkingLoadAnswer, workingLoad } from './working-load.ts';

const strengthOf = (name: string, thread: Thread) => {
  const strength = boltStrength(name, thread);
  if (!strength.ok) throw new Error(name);
  return strength.value;
};
const M10 = metricThread(10, 1.5);
const JOINT: WorkingLoad = {
  thread: M10,
  strength: strengthOf('8.8', M10),
  stiffness: { boltMmPerN: 3e-6, partsMmPerN: 0.6e-6 },
  threadFriction: 0.12,
  prevailingNm: 0,
  ring: { outsideMm: 14.63, holeMm: 11 },
  assemblyN: { minN: 18_000, maxN: 29_000 },
  settlingN: 2000,
  axialMaxN: 6000,
  axialMinN: 0,
  shearN: 0,
  faceFriction: 0.12,
  faces: 1,
  introduction: 0.5,
  assembledC: 20,
  boltC: 20,
  partsC: 20,
  gripMm: 30,
  bolt: 'steel',
  part: 'steel',
};
const at = (over: Partial<WorkingLoad> = {}): WorkingLoadAnswer => {
  const answer = workingLoad({ ...JOINT, ...over });
  if (!answer.ok) throw new Error(JSON.stringify(answer.error));
  return answer.value;
};

describe('a bolted cover at work, Shigley’s Mechanical Engineering Design, example 8-4 (figures from memory)', () => {
  // Six 5/8-11 grade 5 bolts share 36 kip; kb 5.21 and km 8.95 Mlbf/in, preload 14.4 kip, proof load 85 ksi · 0.226 in².
  const thread = unifiedThread(5 / 8, 11);
  const perMega = (mlbfPerInch: number) => 25.4 / (mlbfPerInch * 1e6 * NEWTON_PER_LBF);
  const preloadN = 14_400 * NEWTON_PER_LBF;
  const answer = at({
    thread,
    strength: strengthOf('grade 5', thread),
    stiffness: { boltMmPerN: perMega(5.21), partsMmPerN: perMega(8.95) },
    assemblyN: { minN: preloadN, maxN: preloadN },
    settlingN: 0,
    axialMaxN: 6_000 * NEWTON_PER_LBF,
    introduction: 1,
  });
  it('the joint constant is 0.368', () => expect(answer.loadFactor).toBeCloseTo(0.368, 3));
  it('the load factor to proof is 2.18', () => {
    const proofN = 85_000 * 0.226 * NEWTON_PER_LBF;
    expect((proofN - preloadN) / (answer.boltMostN - preloadN)).toBeCloseTo(2.18, 2);
  });
  it('the parts keep 14.4 − (1 − 0.368)·6 kip', () =>
    expect(answer.residualClampN / NEWTON_PER_LBF / 1000).toBeCloseTo(14.4 - 0.632 * 6, 2));
});

describe('least and most preload', () => {
  const scatter = { low: 1.6, middle: 1.8, high: 2, note: '', minN: 20_000, maxN: 36_000, yieldShareAtMost: 1 };
  it('lies about a torque that was given, and below what the bolt takes where none was (αA 1.8)', () => {
    const tightened = { preloadN: 28_000, assemblyPreloadN: 29_600, scatter };
    expect(assemblyRange(tightened, true)).toEqual({ minN: 20_000, maxN: 36_000 });
    expect(assemblyRange(tightened, false)).toEqual({ minN: 29_600 / 1.8, maxN: 29_600 });
    expect(assemblyRange({ ...tightened, scatter: undefined }, true)).toEqual({ minN: 28_000, maxN: 28_000 });
  });
});

describe('VDI 2230-1, steps R3 to R9', () => {
  it('the thread endures 51 N/mm² at M10 and 46.2 at M16: 0.85 (150/d + 45)', () => {
    expect(threadEnduranceMpa('8.8', 10)).toBeCloseTo(51, 6);
    expect(threadEnduranceMpa('10.9', 16)).toBeCloseTo(46.22, 2);
    expect(threadEnduranceMpa('4.6', 10)).toBeUndefined();
    expect(threadEnduranceMpa('8.8', 5)).toBeUndefined();
  });
  it('what is needed and what is left are one balance: residual − shear = assembly − needed', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 20_000, noNaN: true }),
        fc.double({ min: 0, max: 3000, noNaN: true }),
        fc.double({ min: -40, max: 200, noNaN: true }),
        (axialMaxN, shearN, partsC) => {
          const answer = at({ axialMaxN, shearN, partsC, boltC: 20 });
          expect(answer.residualClampN - answer.shearNeedsN).toBeCloseTo(JOINT.assemblyN.minN - answer.neededN, 6);
        },
      ),
    );
  });
  it('warm aluminium under a steel bolt adds load, by hand: lK (αP − αS) ΔT/(δS + δP)', () => {
    const answer = at({ part: 'aluminium', boltC: 120, partsC: 120 });
    expect(answer.thermalLossN).toBeCloseTo((-30 * (23e-6 - 11.7e-6) * 100) / 3.6e-6, 3);
    expect(answer.boltMostN).toBeGreaterThan(at({ part: 'aluminium' }).boltMostN);
    // Cold takes the same away again.
    expect(at({ part: 'aluminium', boltC: -30, partsC: -30 }).residualClampN).toBeLessThan(at().residualClampN);
  });
  it('a stiffer joint shields the bolt: the alternating stress falls with the load factor', () => {
    const soft = at({ stiffness: { boltMmPerN: 3e-6, partsMmPerN: 3e-6 } });
    expect(soft.alternatingMpa / at().alternatingMpa).toBeCloseTo(0.25 / (0.5 * (0.6 / 3.6)), 9);
    expect(soft.fatigueSafety ?? 0).toBeLessThan(at().fatigueSafety ?? 0);
  });
  it('a push presses the parts together and takes no clamp', () =>
    expect(at({ axialMaxN: 0, axialMinN: -5000 }).residualClampN).toBe(16_000));
  it('forces the wrong way round are refused by name', () =>
    expect(workingLoad({ ...JOINT, axialMinN: 9000 })).toMatchObject({ error: { field: 'axialMinN' } }));
});
