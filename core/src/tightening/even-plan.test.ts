import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { circlePositions, elasticSequence, fadingCompliance, passPulls, unevenness } from './elastic-interaction.ts';
import { fewestPulls } from './even-plan.ts';

const K = 300_000;
const flange = (n: number, gives: number) => {
  const positions = circlePositions(n, 100);
  return {
    positions,
    group: {
      boltStiffnessNPerMm: K,
      complianceMmPerN: fadingCompliance(positions, gives / K, (0.8 * 2 * Math.PI * 100) / n, 100),
    },
  };
};

describe('the way with the fewest pulls', () => {
  it('is once round on a rigid face: nothing takes load from anything', () => {
    const { group, positions } = flange(8, 0);
    const found = fewestPulls(group, positions, 0.02);
    expect(found).toMatchObject({ ok: true, value: { best: { stages: [1], extra: [], pulls: 8 } } });
  });
  it('takes more rounds the more the flange gives, and a thick gasket may need more than four', () => {
    const pulls = [0, 0.5, 1.5].map((gives) => {
      const { group, positions } = flange(8, gives);
      const found = fewestPulls(group, positions, 0.05);
      return found.ok ? (found.value.best?.pulls ?? Number.POSITIVE_INFINITY) : Number.NaN;
    });
    expect(pulls[0]).toBeLessThan(pulls[1] ?? 0);
    expect(pulls[1]).toBeLessThanOrEqual(pulls[2] ?? 0);
  });
  it('tells the printed order beside it and leaves it as it is', () => {
    const { group, positions } = flange(8, 0.8);
    const printed = [0, 1, 2, 3, 4, 5, 6, 7];
    const found = fewestPulls(group, positions, 0.08, printed);
    if (!found.ok || !found.value.best || !found.value.printed) throw new Error('no way');
    expect(found.value.printed.order).toEqual(printed);
    expect(found.value.printed.pattern).toBe('printed');
    expect(found.value.best.pulls).toBeLessThanOrEqual(found.value.printed.pulls);
  });
  it('leaves what it says, gone through pull by pull', () =>
    fc.assert(
      fc.property(fc.integer({ min: 4, max: 12 }), fc.double({ min: 0, max: 1.2, noNaN: true }), (n, gives) => {
        const { group, positions } = flange(n, gives);
        const found = fewestPulls(group, positions, 0.1);
        if (!found.ok || !found.value.best) return;
        const { order, stages, extra, pulls, left, unevenness: spread } = found.value.best;
        const made = [
          ...passPulls(
            stages.map((share) => ({ share, order })),
            500,
          ),
          ...extra.map((bolt) => ({ bolt, toN: 500 })),
        ];
        const run = elasticSequence(group, made);
        if (!run.ok) throw new Error('refused');
        const forces = run.value.at(-1) as Float64Array;
        expect(made).toHaveLength(pulls);
        expect(unevenness(forces, 500)).toBeCloseTo(spread, 9);
        expect(spread).toBeLessThanOrEqual(0.1);
        for (const [bolt, share] of left.entries()) expect((forces[bolt] as number) / 500).toBeCloseTo(share, 9);
      }),
      { numRuns: 25 },
    ));
  it.each([
    ['evenness of nothing', 0, 8, 'wanted'],
    ['a single bolt', 0.1, 1, 'bolts'],
    ['more bolts than a flange has', 0.1, 65, 'bolts'],
  ])('%s is refused by its name', (_, wanted, n, field) => {
    const { group, positions } = flange(n, 0.5);
    expect(fewestPulls(group, positions, wanted)).toMatchObject({ ok: false, error: { field } });
  });
});
