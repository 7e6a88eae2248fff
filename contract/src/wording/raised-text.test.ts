import { describe, expect, it } from '@jest/globals';
import type { HouseRules } from '#core/kit/house-rules.ts';
import { resolveVisit } from '#core/visit/resolve-visit.ts';
import { REAR_AIR_SPRINGS, ROCK_SLIDERS } from '#demo/kits.ts';
import { alignmentText, raisedText } from './raised-text.ts';

function planOf(shop: Partial<HouseRules>, document = REAR_AIR_SPRINGS) {
  const vehicle = { modelYear: 2022, drivenWheels: 'four', body: 'dual-cab', fitted: [] } as const;
  const plan = resolveVisit([{ document, prefix: '' }], vehicle, {}, shop);
  if (!plan.ok) throw new Error(plan.error.code);
  return plan.value;
}

describe('what is to be come back for, in words', () => {
  it('says after how far, in the reader’s units first', () => {
    expect(raisedText({ what: 'wheels', because: [], afterKm: 40 })).toMatch(/No sheet says so\. Due after 40 km/);
    expect(raisedText({ what: 'wheels', because: [], afterKm: 40 }, 'inch')).toMatch(/Due after 24\.9 mi/);
    expect(raisedText({ what: 'lampAim', because: [] })).not.toContain('Due');
  });
  it('says who aligns and how far until then, where there is something to align and the shop has said so', () => {
    const moved = { ...REAR_AIR_SPRINGS, aftercare: [] };
    expect(alignmentText(planOf({}, moved))).toBeUndefined();
    expect(alignmentText(planOf({ aligner: 'sentOut', untilAlignedKm: 80 }, moved))).toBe(
      'It is sent out to be aligned. Until it is aligned it may be driven at most 80 km (49.7 mi).',
    );
    expect(alignmentText(planOf({ aligner: 'ownRack' }, moved))).toBe('It is aligned on the shop’s own rack.');
    expect(alignmentText(planOf({ aligner: 'ownRack' }, { ...ROCK_SLIDERS, aftercare: [] }))).toBeUndefined();
  });
});
