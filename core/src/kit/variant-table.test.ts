import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { DEMO_KITS, FRONT_RECOVERY_POINTS, REAR_ANTI_ROLL_BAR } from '#demo/kits.ts';
import { answerSpace, combinationCount } from './answer-space.ts';
import { resolve } from './resolve.ts';
import { variantTable } from './variant-table.ts';

describe('every combination of answers', () => {
  it('has a row each, the first that fits has no change', () => {
    for (const kit of DEMO_KITS) {
      const rows = variantTable(kit) ?? [];
      expect(rows).toHaveLength(combinationCount(answerSpace(kit)));
      expect(rows.find((row) => row.fits)?.changes).toEqual([]);
    }
  });
  it('says what an answer brings and changes', () => {
    const rows = variantTable(FRONT_RECOVERY_POINTS) ?? [];
    const texts = rows.flatMap((row) => row.changes);
    expect(texts.some((text) => text.startsWith('with station') || text.startsWith('without station'))).toBe(true);
    expect((variantTable(REAR_ANTI_ROLL_BAR) ?? []).some((row) => row.changes.some((text) => / at /.test(text)))).toBe(
      true,
    );
  });
  it('agrees with what is resolved for a vehicle with those answers', () => {
    for (const kit of DEMO_KITS) {
      const rows = (variantTable(kit) ?? []).filter((row) => row.fits);
      fc.assert(
        fc.property(fc.constantFrom(...rows), (row) => {
          const plan = resolve(kit, {}, row.answers);
          if (!plan.ok) throw new Error(plan.error.code);
          expect(plan.value.stations).toHaveLength(row.stations);
          expect(plan.value.items).toHaveLength(row.lines);
        }),
        { numRuns: 30 },
      );
    }
  });
});
