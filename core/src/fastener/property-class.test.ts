import { describe, expect, it } from '@jest/globals';
import { NEWTON_PER_LBF } from '../quantity/unit.ts';
import { nutClassFor, nutProofLoadN } from './nut-class.ts';
import { boltLoadsN, boltStrength, classesFor, readPropertyClass } from './property-class.ts';
import { metricThread, type Thread, unifiedThread } from './thread.ts';

const loads = (propertyClass: string, thread: Thread) => {
  const strength = boltStrength(propertyClass, thread);
  if (!strength.ok) throw new Error(strength.error.code);
  return boltLoadsN(strength.value, thread);
};

describe('proof loads, ISO 898-1:2013 table 5, N (three figures, rounded up in places)', () => {
  it.each([
    [8, 1.25, '8.8', 21_200],
    [10, 1.5, '8.8', 33_700],
    [10, 1.5, '10.9', 48_100],
    [10, 1.5, '12.9', 56_300],
    [12, 1.75, '8.8', 48_900],
    [16, 2, '8.8', 91_000],
    [20, 2.5, '8.8', 147_000],
    [20, 2.5, '10.9', 203_000],
    [6, 1, '4.6', 4_520],
    [6, 1, '12.9', 19_500],
  ])('M%d × %d, %s', (d, p, propertyClass, proofN) => {
    const ratio = loads(propertyClass, metricThread(d, p)).proofN / proofN;
    expect(Math.abs(ratio - 1)).toBeLessThan(0.004);
  });
});

describe('smallest breaking loads, ISO 898-1:2013 table 4, N', () => {
  it.each([
    [8, 1.25, '8.8', 29_200],
    [10, 1.5, '8.8', 46_400],
    [12, 1.75, '10.9', 87_700],
    [16, 2, '8.8', 125_000],
    [20, 2.5, '8.8', 203_000],
  ])('M%d × %d, %s', (d, p, propertyClass, breakN) =>
    expect(Math.abs(loads(propertyClass, metricThread(d, p)).breakN / breakN - 1)).toBeLessThan(0.005),
  );
});

describe('proof loads, SAE J429 table, lbf', () => {
  it.each([
    [1 / 4, 20, 'grade 5', 2_700],
    [3 / 8, 16, 'grade 5', 6_600],
    [3 / 8, 16, 'grade 8', 9_300],
    [1 / 2, 13, 'grade 5', 12_100],
    [1 / 2, 13, 'grade 8', 17_000],
    [5 / 8, 11, 'grade 2', 12_400],
    [1, 8, 'grade 8', 72_700],
  ])('%d-%d, %s', (d, n, grade, lbf) =>
    expect(Math.abs(loads(grade, unifiedThread(d, n)).proofN / NEWTON_PER_LBF / lbf - 1)).toBeLessThan(0.01),
  );
});

describe('nut proof loads, ISO 898-2, N', () => {
  it.each([
    [8, 1.25, '8', 31_800],
    [10, 1.5, '8', 50_500],
    [10, 1.5, '10', 60_300],
    [12, 1.75, '8', 74_200],
    [6, 1, '8', 17_200],
  ] as const)('M%d × %d, class %s', (d, p, nutClass, proofN) =>
    expect(Math.abs((nutProofLoadN(nutClass, metricThread(d, p)) ?? 0) / proofN - 1)).toBeLessThan(0.004),
  );
  it.each([
    // ISO 898-6 / ISO 898-2:2012, fine pitch (loads and stresses both from memory, compared with each other).
    [8, 1, '8', 37_400],
    [10, 1, '8', 61_600],
    [12, 1.5, '8', 84_100],
    [16, 1.5, '10', 185_400],
    [20, 1.5, '8', 280_200],
  ] as const)('fine M%d × %d, class %s', (d, p, nutClass, proofN) =>
    expect(Math.abs((nutProofLoadN(nutClass, metricThread(d, p)) ?? 0) / proofN - 1)).toBeLessThan(0.004),
  );
  it('has none for a fine pitch below M8 or of class 9, which the standard does not list', () => {
    expect(nutProofLoadN('8', metricThread(6, 0.75))).toBeUndefined();
    expect(nutProofLoadN('9', metricThread(10, 1.25))).toBeUndefined();
  });
  it('pairs the nut with the bolt', () => {
    expect(['8.8', '10.9', '12.9'].map(nutClassFor)).toEqual(['8', '10', '12']);
    expect(nutProofLoadN('8', unifiedThread(3 / 8, 16))).toBeUndefined();
  });
});

describe('a class exists only in the sizes of its standard', () => {
  it.each([
    ['9.8', metricThread(20, 2.5), 'tooLarge'],
    ['grade 5', metricThread(10, 1.5), 'inchOnly'],
    ['8.8', unifiedThread(3 / 8, 16), 'metricOnly'],
    ['grade 8', unifiedThread(0.19, 24, '#10'), 'tooSmall'],
  ])('%s on that thread', (propertyClass, thread, reason) => {
    const outcome = boltStrength(propertyClass, thread);
    expect(outcome.ok ? undefined : outcome.error).toMatchObject({ code: 'classNotForSize', reason });
  });
  it('8.8 is stronger above M16 (660 N/mm²)', () => {
    const yieldOf = (d: number) => {
      const strength = boltStrength('8.8', metricThread(d, 2));
      return strength.ok ? strength.value.yieldMpa : undefined;
    };
    expect([yieldOf(16), yieldOf(18)]).toEqual([640, 660]);
  });
  it('reads the ways a class is written and refuses the rest', () => {
    expect(['Grade 5', 'gr 8', 'A2 70', 'class 10.9'].map(readPropertyClass)).toEqual([
      'grade 5',
      'grade 8',
      'A2-70',
      '10.9',
    ]);
    expect(readPropertyClass('11.3')).toBeUndefined();
    expect(classesFor(unifiedThread(3 / 8, 16))).toEqual(['grade 2', 'grade 5', 'grade 8', 'F593C', 'F593G']);
    expect(['F593c', 'ASTM F593-H', 'f593 d'].map(readPropertyClass)).toEqual(['F593C', 'F593H', 'F593D']);
  });
  it('inch stainless by head mark: 100 ksi to 5/8, 85 ksi above (ASTM F593 table 2, from memory)', () => {
    const tensileOf = (mark: string, inch: number) => {
      const strength = boltStrength(mark, unifiedThread(inch, 11));
      return strength.ok ? strength.value.tensileMpa / 6.894757 : strength.error.code;
    };
    expect(tensileOf('F593C', 5 / 8)).toBeCloseTo(100, 4);
    expect(tensileOf('F593D', 3 / 4)).toBeCloseTo(85, 4);
    expect(tensileOf('F593C', 3 / 4)).toBe('classNotForSize');
  });
});
