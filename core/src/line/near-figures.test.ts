import { describe, expect, it } from '@jest/globals';
import { STRUT_LIFT_40 } from '#demo/kits.ts';
import type { Check } from '../kit/kit-preparation.ts';
import { scopedKit } from '../visit/scoped-kit.ts';
import { FRONT_CAMBER as front, REAR_CAMBER as rear } from './fixture/camber-checks.ts';
import { nearFigures } from './near-figures.ts';

const year = { question: 'modelYear', atMost: 2015 } as const;

/** What is near the front camber, in a kit with such checks of which some apply. */
const near = (others: readonly Check[], applying: readonly string[] = [], asked: Check = front, prefix = '') => {
  const document = { ...STRUT_LIFT_40, checks: [front, ...others] };
  const kit = scopedKit(document, prefix);
  const checks = kit.checks
    .filter(({ id }) => id.endsWith('front') || applying.some((one) => id.endsWith(one)))
    .map((check) => ({ ...check, kit: '', because: [] }));
  const own = prefix === '' ? asked : { ...asked, id: kit.checks[0]?.id ?? '' };
  return nearFigures([{ document, prefix }], { checks }, own).map(({ check, elsewhere }) => ({
    id: check.id,
    elsewhere,
  }));
};

describe('figures that could be taken for the one that is asked', () => {
  it('are those of another axle whose range touches', () => {
    expect(near([rear], ['rear'])).toEqual([{ id: 'rear', elsewhere: true }]);
    expect(near([{ ...rear, target: -1.5 }], ['rear'])).toEqual([{ id: 'rear', elsewhere: true }]);
    expect(near([{ ...rear, target: -1.51 }], ['rear'])).toEqual([]);
  });
  it('are those of another year, of the same wheels', () =>
    expect(near([{ ...front, id: 'early', target: -0.8, when: year }])).toEqual([{ id: 'early', elsewhere: false }]));
  it('are not what is equal, nor the same wheels read once more', () => {
    expect(near([{ ...rear, target: -0.5 }], ['rear'])).toEqual([]);
    expect(near([{ ...front, id: 'after', tolerance: 0.6 }], ['after'])).toEqual([]);
  });
  it('are not of another quantity or unit, nor two gaps of one kit', () => {
    expect(near([{ ...rear, quantity: 'toe' }], ['rear'])).toEqual([]);
    expect(near([{ ...rear, unit: 'mm' }], ['rear'])).toEqual([]);
    const gap: Check = { ...front, quantity: 'gap', unit: 'mm' };
    expect(near([{ ...rear, quantity: 'gap', unit: 'mm' }], ['rear'], gap)).toEqual([]);
  });
  it('have both ends: a floor alone is no figure to confuse', () =>
    expect(near([{ ...rear, target: undefined, min: -1 }], ['rear'])).toEqual([]));
  it('are found by their names in a visit of several kits', () =>
    expect(near([rear], ['rear'], front, 'left')).toEqual([{ id: expect.stringContaining('rear'), elsewhere: true }]));
});
