import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { boltStrength } from '../fastener/property-class.ts';
import { standardThreads } from '../fastener/standard-thread.ts';
import { metricThread, parseThread, type Thread, unifiedThread } from '../fastener/thread.ts';
import { assemblyPreloadN, boltStress, preloadAtYieldShareN, torsionFactor } from './assembly-preload.ts';
import { lubricationChange } from './lubrication-change.ts';
import { proposeTorque, rankValueSources, usualFace } from './proposed-torque.ts';
import { evenFriction, FINISHES, finishFriction } from './thread-finish.ts';
import { preloadScatterN, TIGHTENING_METHODS, tighteningFactor } from './tightening-method.ts';
import {
  type BearingFace,
  frictionOfNutFactor,
  nutFactor,
  preloadByNutFactorN,
  preloadForTorqueN,
  torqueByNutFactorNm,
  torqueForPreloadNm,
  torqueShares,
} from './tightening-torque.ts';
import { weakestMember } from './weakest-member.ts';

const strengthOf = (propertyClass: string, thread: Thread) => {
  const strength = boltStrength(propertyClass, thread);
  if (!strength.ok) throw new Error(strength.error.code);
  return strength.value;
};
const faceOf = (thread: Thread): BearingFace => {
  const face = usualFace(thread);
  if (!face) throw new Error(thread.designation);
  return face;
};

/** VDI 2230-1 table A1, coarse thread, hexagon heads: kN and N·m. Entered from memory. */
const TABLE_A1: Array<[number, number, string, number, number, number]> = [
  [6, 1, '8.8', 0.12, 10.2, 10.1],
  [8, 1.25, '8.8', 0.08, 19.5, 18.5],
  [8, 1.25, '8.8', 0.12, 18.6, 24.6],
  [8, 1.25, '8.8', 0.14, 18.1, 27.3],
  [8, 1.25, '8.8', 0.2, 16.5, 34.3],
  [8, 1.25, '10.9', 0.12, 27.3, 36.1],
  [8, 1.25, '12.9', 0.12, 32.0, 42.2],
  [10, 1.5, '8.8', 0.12, 29.6, 48],
  [10, 1.5, '8.8', 0.16, 27.9, 59],
  [10, 1.5, '10.9', 0.12, 43.4, 71],
  [12, 1.75, '8.8', 0.1, 44.1, 73],
  [12, 1.75, '8.8', 0.12, 43.0, 84],
  [12, 1.75, '8.8', 0.14, 41.9, 93],
  [16, 2, '8.8', 0.12, 80.9, 206],
  [20, 2.5, '8.8', 0.12, 130, 415],
];

describe('assembly preload and tightening torque, VDI 2230-1 table A1', () => {
  it.each(TABLE_A1)('M%d × %d %s at µ %d: %d kN, %d N·m', (d, p, propertyClass, mu, kN, torqueNm) => {
    const thread = metricThread(d, p);
    const preloadN = preloadAtYieldShareN(thread, strengthOf(propertyClass, thread).yieldMpa, mu);
    // About one unit of the last figure printed: the table's preloads are cut, not rounded.
    expect(Math.abs(preloadN / 1000 / kN - 1)).toBeLessThan(0.007);
    // Torques are printed to two or three figures.
    expect(
      Math.abs(torqueForPreloadNm(preloadN, thread, evenFriction(mu), faceOf(thread)) / torqueNm - 1),
    ).toBeLessThan(torqueNm < 100 ? 0.012 : 0.007);
  });
});

describe('inch bolts at 75 % of proof', () => {
  it.each([
    // Clamp loads of the usual torque charts, lbf: 0.75 · proof · area.
    [1 / 4, 20, 'grade 5', 2_025],
    [3 / 8, 16, 'grade 5', 4_940],
    [1 / 2, 13, 'grade 8', 12_750],
    [5 / 8, 11, 'grade 5', 14_400],
  ])('%d-%d %s: %d lbf', (d, n, grade, lbf) => {
    const thread = unifiedThread(d, n);
    const preload = assemblyPreloadN(thread, strengthOf(grade, thread), 0.12);
    expect(Math.abs(preload / 4.4482216 / lbf - 1)).toBeLessThan(0.006);
  });
  it('short form: 3/8-16 grade 5 at K 0.2 is about 31 lbf·ft (chart value, common practice)', () => {
    const thread = unifiedThread(3 / 8, 16);
    const torque = torqueByNutFactorNm(
      assemblyPreloadN(thread, strengthOf('grade 5', thread), 0.12),
      thread.nominalMm,
      0.2,
    );
    expect(torque / 1.3558179).toBeCloseTo(31, 0);
  });
});

describe('the exact form is the screw of statics', () => {
  // Shigley's Mechanical Engineering Design, raising a load with an angular thread:
  // T = F dm/2 · (l + π f dm sec α) / (π dm − f l sec α), with the half angle α in the axial section.
  const shigleyNm = (preloadN: number, dm: number, lead: number, f: number) => {
    const sec = 1 / Math.cos(Math.PI / 6);
    return ((preloadN * dm) / 2000) * ((lead + Math.PI * f * dm * sec) / (Math.PI * dm - f * lead * sec));
  };
  it.each([
    [10, 1.5, 0.12],
    [10, 1, 0.2],
    [20, 2.5, 0.08],
    [36, 4, 0.15],
  ])('M%d × %d at µ %d within 1 ‰ of the power screw', (d, p, mu) => {
    const thread = metricThread(d, p);
    const dm = d - 0.6495 * p;
    const { pitchNm, threadNm } = torqueShares(10_000, thread, { thread: mu, bearing: 0 }, faceOf(thread), 0, 'exact');
    expect((pitchNm + threadNm) / shigleyNm(10_000, dm, p, mu)).toBeCloseTo(1, 3);
    expect(pitchNm).toBeCloseTo((10_000 * p) / (2000 * Math.PI), 9);
  });
});

describe('a nut factor and the friction it stands for', () => {
  const m10 = metricThread(10, 1.5);
  it.each([0.12, 0.16, 0.2, 0.3])('K %d there and back by the long form', (factor) => {
    const even = frictionOfNutFactor(factor, m10, faceOf(m10));
    expect(nutFactor(m10, even ?? evenFriction(0), faceOf(m10))).toBeCloseTo(factor, 12);
    const known = frictionOfNutFactor(factor, m10, faceOf(m10), 0.08);
    expect(nutFactor(m10, known ?? evenFriction(0), faceOf(m10))).toBeCloseTo(factor, 12);
    expect(known?.thread).toBe(0.08);
  });
  it('less than the pitch alone takes is no friction at all', () =>
    expect(frictionOfNutFactor(0.02, m10, faceOf(m10))).toBeUndefined());
});

describe('a prevailing torque in the shank', () => {
  it('loads the bolt to the same equivalent stress with less preload, and nothing is left when it alone yields', () => {
    const thread = metricThread(8, 1.25);
    const strength = strengthOf('8.8', thread);
    for (const dragNm of [0, 3, 8]) {
      const preloadN = preloadAtYieldShareN(thread, strength.yieldMpa, 0.12, 0.9, dragNm);
      expect(boltStress(thread, strength, preloadN, 0.12, dragNm).yieldShare).toBeCloseTo(0.9, 9);
    }
    expect(preloadAtYieldShareN(thread, strength.yieldMpa, 0.12, 0.9, 60)).toBe(0);
  });
  it('by hand: 6 N·m on M8 (d0 6.827) is 72.0 N/mm² of shear, τ = 12 M/(π d0³)', () => {
    const thread = metricThread(8, 1.25);
    const { equivalentMpa } = boltStress(thread, strengthOf('8.8', thread), 0, 0.12, 6);
    expect(equivalentMpa / Math.sqrt(3)).toBeCloseTo((12 * 6000) / (Math.PI * 6.827 ** 3), 1);
  });
});

describe('laws of the long form', () => {
  const friction = fc.double({ min: 0, max: 0.5, noNaN: true });
  const load = fc.double({ min: 100, max: 300_000, noNaN: true });
  const threads = standardThreads()
    .map(({ system, nominalMm, pitchMm }) => ({ system, nominalMm, pitchMm }))
    .filter((thread) => usualFace(thread) !== undefined);
  const anyThread = fc.constantFrom(...threads);

  it('as friction goes to 0 only the pitch is left: M → F · P/2π (exact form), 0.16 P by VDI', () => {
    fc.assert(
      fc.property(anyThread, load, (thread, preload) => {
        const face = usualFace(thread) as BearingFace;
        const none = evenFriction(0);
        expect(torqueForPreloadNm(preload, thread, none, face, 0, 'exact')).toBeCloseTo(
          (preload * thread.pitchMm) / (2 * Math.PI * 1000),
          9,
        );
        expect(torqueForPreloadNm(preload, thread, none, face)).toBeCloseTo(
          (0.16 * preload * thread.pitchMm) / 1000,
          9,
        );
        expect(torsionFactor({ ...thread, pitchMm: thread.pitchMm * 1e-9 }, 0)).toBeCloseTo(1, 6);
      }),
    );
  });
  it('more friction, more torque; and there and back is the same preload', () => {
    fc.assert(
      fc.property(
        anyThread,
        load,
        friction,
        friction,
        fc.double({ min: 0, max: 30, noNaN: true }),
        (thread, preload, a, b, prevailing) => {
          const face = usualFace(thread) as BearingFace;
          const torque = (mu: number) => torqueForPreloadNm(preload, thread, evenFriction(mu), face, prevailing);
          expect(torque(Math.max(a, b))).toBeGreaterThanOrEqual(torque(Math.min(a, b)));
          expect(preloadForTorqueN(torque(a), thread, evenFriction(a), face, prevailing) / preload).toBeCloseTo(1, 9);
          const shares = torqueShares(preload, thread, evenFriction(a), face, prevailing);
          expect(shares.pitchNm + shares.threadNm + shares.bearingNm + prevailing).toBeCloseTo(shares.totalNm, 9);
          expect(shares.totalNm).toBeCloseTo(torque(a), 6);
        },
      ),
    );
  });
  it('does not care about units: twice the size at the same preload is twice the torque', () => {
    fc.assert(
      fc.property(
        anyThread,
        load,
        friction,
        fc.double({ min: 0.1, max: 30, noNaN: true }),
        (thread, preload, mu, scale) => {
          const face = usualFace(thread) as BearingFace;
          const scaled = { ...thread, nominalMm: thread.nominalMm * scale, pitchMm: thread.pitchMm * scale };
          const bigFace = { outsideMm: face.outsideMm * scale, holeMm: face.holeMm * scale };
          const ratio =
            torqueForPreloadNm(preload, scaled, evenFriction(mu), bigFace) /
            torqueForPreloadNm(preload, thread, evenFriction(mu), face);
          expect(ratio / scale).toBeCloseTo(1, 9);
          expect(nutFactor(scaled, evenFriction(mu), bigFace)).toBeCloseTo(
            nutFactor(thread, evenFriction(mu), face),
            9,
          );
        },
      ),
    );
  });
  it('the nut factor of the long form gives the long form’s preload', () => {
    const thread = metricThread(10, 1.5);
    const k = nutFactor(thread, evenFriction(0.12), faceOf(thread));
    expect(k).toBeCloseTo(0.164, 3);
    expect(preloadByNutFactorN(48, 10, k)).toBeCloseTo(
      preloadForTorqueN(48, thread, evenFriction(0.12), faceOf(thread)),
      6,
    );
  });
  it('a 60° wheel nut seat takes twice the head friction of a flat face', () => {
    const thread = metricThread(12, 1.5);
    const flat = torqueShares(50_000, thread, evenFriction(0.12), { outsideMm: 20, holeMm: 14 });
    const cone = torqueShares(50_000, thread, evenFriction(0.12), { outsideMm: 20, holeMm: 14, halfAngleDeg: 30 });
    expect(cone.bearingNm / flat.bearingNm).toBeCloseTo(2, 9);
  });
});

describe('scatter of the method, VDI 2230-1 table A8', () => {
  it.each(TIGHTENING_METHODS)('%s: the ends stand in the ratio αA about their mean', (method) => {
    const { low, middle, high } = tighteningFactor(method);
    expect(low).toBeLessThanOrEqual(middle);
    expect(middle).toBeLessThanOrEqual(high);
    const { minN, maxN } = preloadScatterN(30_000, middle);
    expect(maxN / minN).toBeCloseTo(middle, 9);
    expect((maxN + minN) / 2).toBeCloseTo(30_000, 6);
  });
});

describe('what a change of finish does (M41)', () => {
  const thread = metricThread(10, 1.5);
  const joint = { thread, strength: strengthOf('8.8', thread), face: faceOf(thread) };
  it('keeps the meant finish as it is, loads a slippery one more, at less torque for the same load', () => {
    const rows = lubricationChange(
      joint,
      49,
      'dry',
      FINISHES.map(({ finish }) => finish),
    );
    const row = (finish: string) => rows.find((entry) => entry.finish === finish);
    expect(row('dry')).toMatchObject({ preloadRatio: 1 });
    expect(row('dry')?.atEqualPreloadNm).toBeCloseTo(49, 9);
    for (const entry of rows) {
      const slipperier = finishFriction(entry.finish).usual < finishFriction('dry').usual;
      expect(entry.preloadRatio > 1).toBe(slipperier);
      expect(entry.atEqualPreloadNm < 49).toBe(slipperier);
      expect(entry.atEqualTorqueN.low).toBeLessThan(entry.atEqualTorqueN.high);
    }
  });
  it('49 lbf·ft on a dry M10 8.8 is near its proof load, 110 more than twice (M06, trade fact, no source)', () => {
    const proofShare = (lbfFt: number) =>
      boltStress(
        thread,
        joint.strength,
        preloadForTorqueN(lbfFt * 1.3558179, thread, evenFriction(0.14), joint.face),
        0.14,
      ).proofShare;
    expect(proofShare(49)).toBeGreaterThan(0.9);
    expect(proofShare(49)).toBeLessThan(1.2);
    expect(proofShare(110)).toBeGreaterThan(2);
  });
});

describe('a value proposed for a joint without a figure', () => {
  const parsed = parseThread('M10');
  if (!parsed.ok) throw new Error();
  const input = { thread: parsed.value.thread, propertyClass: '8.8', finish: 'dry', part: 'steel' } as const;
  it('is marked as not from the sheet and stays under proof', () => {
    const proposal = proposeTorque({ ...input, tag: 'ordinary' });
    expect(proposal).toMatchObject({ ok: true, value: { notFromSheet: true, limitedBy: 'bolt' } });
    if (proposal.ok) expect(proposal.value.preloadN).toBeLessThan(58 * 580);
  });
  it.each(['steering', 'brake', 'suspension', 'tow', 'restraint', 'wheel'] as const)(
    'is never made for a %s joint',
    (tag) => expect(proposeTorque({ ...input, tag })).toEqual({ ok: false, error: { code: 'safetyCritical', tag } }),
  );
  it('is cut for soft parts and short threads', () => {
    const soft = proposeTorque({ ...input, propertyClass: '12.9', part: 'magnesium', tag: 'ordinary' });
    expect(soft.ok && soft.value.limitedBy).toBe('bearing');
    const short = proposeTorque({ ...input, tag: 'ordinary', tapped: { tensileMpa: 200, engagementMm: 5 } });
    expect(short.ok && short.value.limitedBy).toBe('tappedThread');
  });
  it('ranks the sheet first, the vehicle maker first for reused hardware, and by feel last', () => {
    const base = { tag: 'ordinary', kitSheetNm: 40, vehicleMakerNm: 52, estimateNm: 48, strictShop: false } as const;
    const order = (hardware: 'kit' | 'factory') => rankValueSources({ ...base, hardware }).map((offer) => offer.source);
    expect(order('kit')).toEqual(['kitSheet', 'vehicleMaker', 'otherKitSheet', 'estimate', 'byFeel']);
    expect(order('factory').slice(0, 2)).toEqual(['vehicleMaker', 'kitSheet']);
    const critical = rankValueSources({ ...base, hardware: 'kit', tag: 'brake' });
    expect(critical.filter((offer) => offer.allowed).map((offer) => offer.source)).toEqual([
      'kitSheet',
      'vehicleMaker',
    ]);
    const strict = rankValueSources({ hardware: 'kit', tag: 'ordinary', strictShop: true });
    expect(strict.some((offer) => offer.allowed)).toBe(false);
  });
});

describe('the weakest member', () => {
  const thread = metricThread(10, 1.5);
  it('is the nut when a class too low is put on, else the bolt', () => {
    expect(weakestMember(thread, strengthOf('10.9', thread), { kind: 'nut', nutClass: '5' })).toMatchObject({
      value: { weakest: 'nut' },
    });
    expect(weakestMember(thread, strengthOf('8.8', thread), { kind: 'nut', nutClass: '8' })).toMatchObject({
      value: { weakest: 'bolt' },
    });
  });
  it('is the tapped thread when the engagement is short', () =>
    expect(
      weakestMember(thread, strengthOf('8.8', thread), { kind: 'tapped', tensileMpa: 290, engagementMm: 6 }),
    ).toMatchObject({
      value: { weakest: 'tappedThread' },
    }));
});
