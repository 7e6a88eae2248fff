import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { randomFrom } from '../quantity/random.ts';
import { type Asked, estimator, type StepHistory } from './estimate.ts';

const asked: Asked = { kit: 'k', step: 's1', baseMin: 20, stated: true };
const rows = (factors: readonly number[], over: Partial<StepHistory> = {}): StepHistory[] =>
  factors.map((factor) => ({ kit: 'k', step: 's1', plannedMin: 20, tookMin: 20 * factor, ...over }));

/** Two normal numbers from two that are even (Box and Muller, 1958). */
const normalFrom = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(random() || 1e-9)) * Math.cos(2 * Math.PI * random());

describe('estimates of steps', () => {
  it('are the sheet’s own minutes before anything was timed, with room both ways', () => {
    const found = estimator([]).estimate(asked);
    expect(found).toMatchObject({ minutes: 20, sheetMin: 20, jobs: 0 });
    expect(found.lowMin).toBeLessThan(14);
    expect(found.highMin).toBeGreaterThan(30);
    expect(estimator([]).claim('k')).toBeUndefined();
    expect(estimator([]).estimate({ ...asked, stated: false })).not.toHaveProperty('sheetMin');
  });
  it('lean on one job a little and on thirty nearly wholly', () => {
    const afterJobs = (count: number) =>
      estimator(rows(Array.from({ length: count }, () => 2))).estimate(asked).minutes;
    expect(afterJobs(1)).toBeGreaterThan(22);
    expect(afterJobs(1)).toBeLessThan(36);
    expect(afterJobs(30)).toBeCloseTo(40, -0.5);
    expect(afterJobs(30)).toBeGreaterThan(afterJobs(3));
  });
  it('carry what other steps of the kit took over to one that was never timed', () => {
    const others = [2, 3, 4, 5].flatMap((at) => rows([1.5, 1.5, 1.5], { step: `s${at}` }));
    const found = estimator(others).estimate(asked);
    expect(found.jobs).toBe(0);
    expect(found.minutes).toBeGreaterThan(26);
    expect(found.minutes).toBeLessThan(30.5);
  });
  it('move with who works and on what, by as much as that is known', () => {
    const history = [
      ...rows(
        Array.from({ length: 12 }, () => 1),
        { fitter: 'mira', vehicle: 'low' },
      ),
      ...rows(
        Array.from({ length: 12 }, () => 1.5),
        { fitter: 'rafe', vehicle: 'high' },
      ),
    ];
    const by = (fitter: string, vehicle: string) => estimator(history).estimate({ ...asked, fitter, vehicle }).minutes;
    expect(by('mira', 'low')).toBeLessThan(estimator(history).estimate(asked).minutes);
    expect(by('rafe', 'high')).toBeGreaterThan(by('rafe', 'low'));
    expect(by('nobody', 'nothing')).toBe(estimator(history).estimate(asked).minutes);
  });
  it('leave out what is no pace: a clock that stood, a night', () => {
    expect(estimator(rows([500, 1e-4])).estimate(asked)).toEqual(estimator([]).estimate(asked));
    expect(estimator([{ kit: 'k', step: 's1', tookMin: 9 }]).claim('k')).toBeUndefined();
  });
  it('shrink a step as the weights of its variances say, worked by hand', () => {
    // Three steps, two jobs each, no spread within: the within variance is the prior's share, 6 × 0.09 / 9 = 0.06.
    // Means ln 1, ln 2, ln 4: weighted mean ln 2, Q = 2/0.06 × 2 × ln²2, DerSimonian and Laird's tau² = (Q − 2) / (100 − 100/3).
    const history = [1, 2, 4].flatMap((factor, at) => rows([factor, factor], { step: `s${at + 1}` }));
    const square = Math.log(2) ** 2;
    const tau = ((2 / 0.06) * 2 * square - 2) / (100 - 100 / 3);
    const share = tau / (tau + 0.06 / 2);
    const precision = 3 / (tau + 0.03);
    const centre = (precision * Math.log(2)) / (precision + 1 / 0.16);
    const { minutes } = estimator(history).estimate(asked);
    expect(minutes).toBeCloseTo(20 * Math.exp((1 - share) * centre), 9);
  });
  it('hold eight of ten jobs in their interval: a simulated shop of 400 steps, held out', () => {
    const random = randomFrom(11);
    let [inside, all] = [0, 0];
    for (let kit = 0; kit < 40; kit++) {
      const bias = 0.25 * normalFrom(random);
      const steps = Array.from({ length: 10 }, () => bias + 0.3 * normalFrom(random));
      const took = (step: number) => 20 * Math.exp((steps[step] as number) + 0.28 * normalFrom(random));
      const history = steps.flatMap((_, step) =>
        Array.from(
          { length: 1 + (kit % 8) },
          (): StepHistory => ({ kit: 'k', step: `s${step}`, plannedMin: 20, tookMin: took(step) }),
        ),
      );
      const known = estimator(history);
      steps.forEach((_, step) => {
        const { lowMin, highMin } = known.estimate({ ...asked, step: `s${step}` });
        for (let again = 0; again < 5; again++) {
          const minutes = took(step);
          all++;
          if (minutes >= lowMin && minutes <= highMin) inside++;
        }
      });
    }
    expect(inside / all).toBeGreaterThan(0.76);
    expect(inside / all).toBeLessThan(0.86);
  });
  it('lie between what is stated and what was seen, and the interval around them (property)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.2, max: 5, noNaN: true }), { minLength: 1, maxLength: 20 }),
        (factors) => {
          const { minutes, lowMin, highMin } = estimator(rows(factors)).estimate(asked);
          const mean = 20 * Math.exp(factors.reduce((sum, factor) => sum + Math.log(factor), 0) / factors.length);
          expect(minutes).toBeGreaterThanOrEqual(Math.min(20, mean) - 1e-9);
          expect(minutes).toBeLessThanOrEqual(Math.max(20, mean) + 1e-9);
          expect(lowMin).toBeLessThan(minutes);
          expect(highMin).toBeGreaterThan(minutes);
        },
      ),
    );
  });
});

describe('a kit’s own claim', () => {
  it('is judged over time: a sheet that says half of what it takes is found out, with an interval', () => {
    const history = [1, 2, 3, 4, 5].flatMap((at) => rows([1.9, 2, 2.1, 2], { step: `s${at}` }));
    const claim = estimator(history).claim('k');
    expect(claim).toMatchObject({ steps: 5, jobs: 4 });
    expect(claim?.factor).toBeGreaterThan(1.7);
    expect(claim?.low).toBeGreaterThan(1);
    expect(claim?.high).toBeLessThan(2.4);
  });
});
