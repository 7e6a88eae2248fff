import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { lusolve } from 'mathjs';
import {
  circlePositions,
  type ElasticGroup,
  elasticSequence,
  fadingCompliance,
  interactionMatrix,
  oneRoundTargetsN,
  passPulls,
  pullsForEvenness,
  unevenness,
} from './elastic-interaction.ts';

const TARGET_N = 30_000;
const flange = (n: number, c0 = 4e-6, lambda = 40, radius = 60): ElasticGroup => ({
  boltStiffnessNPerMm: 300_000,
  complianceMmPerN: fadingCompliance(circlePositions(n, radius), c0, lambda, radius),
});
const star = (n: number) => [...Array(n).keys()].sort((a, b) => ((a * 3) % n) - ((b * 3) % n));
const history = (group: ElasticGroup, pulls: Parameters<typeof elasticSequence>[1]) => {
  const run = elasticSequence(group, pulls);
  if (!run.ok) throw new Error(JSON.stringify(run.error));
  return run.value;
};

describe('preload left after each pull', () => {
  it('agrees with solving (I/k + C) F = x directly, by another library (mathjs LU), for any order', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 9 }),
        fc.array(fc.tuple(fc.nat(8), fc.double({ min: 5000, max: 40_000, noNaN: true })), {
          minLength: 2,
          maxLength: 20,
        }),
        (n, raw) => {
          const group = flange(n, 1e-6);
          const pulls = raw.map(([bolt, toN]) => ({ bolt: bolt % n, toN }));
          const found = history(group, pulls);
          // Replay with stretches: each pull sets the stretch of its bolt, all others keep theirs.
          const a = group.complianceMmPerN.map((row, i) => row.map((c, j) => c + (i === j ? 1 / 300_000 : 0)));
          const stretch = new Map<number, number>();
          for (const [index, { bolt, toN }] of pulls.entries()) {
            // A wrench set lower than what the bolt carries clicks and moves nothing.
            if (index > 0 && (found[index - 1]?.[bolt] as number) >= toN) {
              expect(found[index]).toEqual(found[index - 1]);
              continue;
            }
            const others = [...stretch.keys()].filter((other) => other !== bolt);
            const free =
              others.length === 0
                ? []
                : (
                    lusolve(
                      others.map((i) => others.map((j) => a[i]?.[j] as number)),
                      others.map((i) => (stretch.get(i) as number) - (a[i]?.[bolt] as number) * toN),
                    ) as number[][]
                  ).map(([force]) => force as number);
            if (free.some((force) => force < 0)) return; // went loose: the direct solution holds no further
            stretch.set(
              bolt,
              others.reduce(
                (sum, j, k) => sum + (a[bolt]?.[j] as number) * (free[k] as number),
                (a[bolt]?.[bolt] as number) * toN,
              ),
            );
            others.forEach((other, k) => {
              // To 5 parts in a million: a bolt that is nearly let go is the small difference of large forces.
              expect((found[index]?.[other] as number) / (free[k] as number)).toBeCloseTo(1, 5);
            });
            expect(found[index]?.[bolt]).toBeCloseTo(toN, 6);
          }
        },
      ),
      { numRuns: 60, seed: 1_530_015_632 },
    );
  });
  it('also agrees with the end state solved from its stretches (mathjs LU)', () => {
    const group = flange(8);
    const end = history(group, passPulls([{ share: 1, order: star(8) }], TARGET_N)).at(-1) as Float64Array;
    const a = group.complianceMmPerN.map((row, i) => row.map((c, j) => c + (i === j ? 1 / 300_000 : 0)));
    const stretch = a.map((row) => row.reduce((sum, entry, j) => sum + entry * (end[j] as number), 0));
    (lusolve(a, stretch) as number[][]).forEach(([force], bolt) => {
      expect((force as number) / (end[bolt] as number)).toBeCloseTo(1, 9);
    });
  });
  it('on a rigid flange nothing is lost', () => {
    const end = history(flange(6, 0), passPulls([{ share: 1, order: star(6) }], TARGET_N)).at(-1);
    expect([...(end ?? [])].every((force) => Math.abs(force - TARGET_N) < 1e-6)).toBe(true);
  });
  it('loose bolts carry nothing, and a tightened neighbour only ever loses', () => {
    const run = history(flange(6), passPulls([{ share: 1, order: [0, 1, 2, 3, 4, 5] }], TARGET_N));
    expect([...(run[0] ?? [])].slice(1)).toEqual([0, 0, 0, 0, 0]);
    for (let pull = 1; pull < run.length; pull++) expect(run[pull]?.[0]).toBeLessThan(run[pull - 1]?.[0] as number);
  });
  it('once round again makes it more even, every time', () => {
    for (const n of [4, 5, 6, 8, 12]) {
      const run = history(
        flange(n),
        passPulls(
          Array.from({ length: 4 }, () => ({ share: 1, order: star(n) })),
          TARGET_N,
        ),
      );
      const after = [1, 2, 3, 4].map((round) => unevenness(run[round * n - 1] as Float64Array, TARGET_N));
      for (let round = 1; round < 4; round++)
        expect(after[round]).toBeLessThanOrEqual((after[round - 1] as number) + 1e-9);
    }
  });
  it('never goes below zero, even on a flange of rubber', () => {
    const soft = flange(8, 2e-4, 120);
    const run = history(
      soft,
      passPulls(
        [
          { share: 1, order: star(8) },
          { share: 1, order: star(8) },
        ],
        TARGET_N,
      ),
    );
    for (const forces of run) expect(Math.min(...forces)).toBeGreaterThanOrEqual(0);
  });
});

describe('how the bolts act on one another', () => {
  it('the matrix is what one more newton at a bolt does to all, by solving directly (mathjs LU)', () => {
    const group = flange(6);
    const matrix = interactionMatrix(group);
    if (!matrix.ok) throw new Error(matrix.error.code);
    const a = group.complianceMmPerN.map((row, i) => row.map((c, j) => c + (i === j ? 1 / 300_000 : 0)));
    for (let j = 0; j < 6; j++) {
      // One bolt is stretched by a unit more, the others keep theirs.
      const gained = (
        lusolve(
          a,
          a.map((_, i) => (i === j ? 1 : 0)),
        ) as number[][]
      ).map(([force]) => force as number);
      gained.forEach((force, i) => {
        expect(matrix.value[i]?.[j]).toBeCloseTo(force / (gained[j] as number), 9);
      });
    }
    expect(matrix.value[1]?.[0]).toBeLessThan(0);
  });
  it('a lower second pull loosens nothing', () => {
    const [first, second] = history(flange(4), [
      { bolt: 0, toN: 20_000 },
      { bolt: 0, toN: 5_000 },
    ]);
    expect(second).toEqual(first);
  });
});

describe('how many pulls', () => {
  it('finds rounds and a no longer greedy way, and the greedy way really is even', () => {
    const found = pullsForEvenness(flange(8), star(8), TARGET_N, 0.02);
    if (!found.ok) throw new Error();
    expect(found.value.rounds).toBeGreaterThan(1);
    expect(found.value.greedyPulls).toBeLessThanOrEqual(found.value.roundPulls as number);
  });
  it('one round is enough when each bolt is given its neighbours’ theft in advance', () => {
    const [group, order] = [flange(8), star(8)];
    const targets = oneRoundTargetsN(group, order, TARGET_N);
    if (!targets.ok) throw new Error();
    const end = history(
      group,
      order.map((bolt, index) => ({ bolt, toN: targets.value[index] as number })),
    ).at(-1) as Float64Array;
    for (const force of end) expect(force / TARGET_N).toBeCloseTo(1, 9);
    expect(targets.value[0]).toBeGreaterThan(TARGET_N);
    expect(targets.value.at(-1)).toBeCloseTo(TARGET_N, 6);
  });
});

describe('what cannot be', () => {
  it('names a matrix that is not symmetric', () =>
    expect(
      elasticSequence(
        {
          boltStiffnessNPerMm: 1e5,
          complianceMmPerN: [
            [1e-6, 5e-7],
            [0, 1e-6],
          ],
        },
        [],
      ),
    ).toMatchObject({
      ok: false,
      error: { field: 'compliance[0][1]', reason: 'not symmetric' },
    }));
  it('names a bolt that is not there', () =>
    expect(elasticSequence(flange(4), [{ bolt: 4, toN: 1 }])).toMatchObject({ error: { field: 'pulls[0].bolt' } }));
});
