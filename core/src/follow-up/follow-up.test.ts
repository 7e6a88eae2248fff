import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { dailyDistance, daysUntil, type OdometerReading } from './daily-distance.ts';
import { dueState, expectedDue } from './expected-due.ts';

const DAY = 86_400_000;
const read = (...pairs: Array<[day: number, km: number]>): OdometerReading[] =>
  pairs.map(([day, km]) => ({ atMs: day * DAY, km }));

describe('how far a vehicle goes in a day', () => {
  it('is total distance by total time, whatever the order of the readings', () => {
    const rate = dailyDistance(read([100, 5200], [0, 1000], [20, 1800]));
    expect(rate).toMatchObject({ kmPerDay: 42, overDays: 100, from: 'history' });
  });
  it('takes the spread of its stretches: none where every one went alike', () => {
    expect(dailyDistance(read([0, 0], [10, 300], [40, 1200])).varianceKm2PerDay).toBeCloseTo(0, 9);
    // Worked by hand: rate 30; ((400 − 300)² / 10 + (500 − 600)² / 20) / (2 − 1) = 1000 + 500.
    expect(dailyDistance(read([0, 0], [10, 400], [30, 900])).varianceKm2PerDay).toBeCloseTo(1500, 6);
  });
  it('is the usual one, widely, where nothing tells it', () => {
    for (const none of [[], read([3, 100]), read([0, 500], [90, 500]), read([0, 10], [0.2, 60])])
      expect(dailyDistance(none)).toMatchObject({ kmPerDay: 40, from: 'usual', overDays: 0 });
  });
  it('begins anew where the odometer went back', () => {
    expect(dailyDistance(read([0, 90_000], [50, 91_000], [60, 200], [70, 600]))).toMatchObject({
      kmPerDay: 1400 / 60,
      overDays: 60,
    });
  });
});

describe('the days until a distance', () => {
  it('are distance by rate, with no range where it is driven evenly', () => {
    const even = dailyDistance(read([0, 0], [10, 500], [20, 1000]));
    const { expected, earliest, latest } = daysUntil(1000, even);
    expect(expected).toBe(20);
    expect(earliest).toBeCloseTo(20, 1);
    expect(latest).toBeCloseTo(20, 1);
  });
  it('hold the expected one, and widen with the distance', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 2, max: 60 }), fc.integer({ min: 1, max: 4000 })), {
          minLength: 1,
          maxLength: 8,
        }),
        fc.integer({ min: 1, max: 20_000 }),
        (stretches, km) => {
          let [day, at] = [0, 0];
          const readings = read([0, 0]);
          for (const [days, gone] of stretches) {
            day += days;
            at += gone;
            readings.push({ atMs: day * DAY, km: at });
          }
          const rate = dailyDistance(readings);
          const near = daysUntil(km, rate);
          const far = daysUntil(2 * km, rate);
          expect(near.earliest).toBeLessThanOrEqual(near.expected + 0.02);
          expect(near.latest).toBeGreaterThanOrEqual(near.expected - 0.02);
          expect(far.expected).toBeGreaterThanOrEqual(near.expected);
          expect(far.earliest).toBeGreaterThanOrEqual(near.earliest - 0.02);
        },
      ),
    );
  });
  it('hold what happens in about four cases of five', () => {
    // Days of their own: a vehicle that goes 0 to 100 km a day, by a generator with a seed.
    let seed = 7;
    const random = () => {
      seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648;
      return seed / 2_147_483_648;
    };
    let inside = 0;
    const TRIALS = 400;
    for (let trial = 0; trial < TRIALS; trial++) {
      const readings = read([0, 0]);
      let [day, km] = [0, 0];
      for (let visit = 0; visit < 6; visit++) {
        const days = 20 + Math.floor(random() * 60);
        for (let on = 0; on < days; on++) km += random() * 100;
        day += days;
        readings.push({ atMs: day * DAY, km });
      }
      const { earliest, latest } = daysUntil(1500, dailyDistance(readings));
      let [gone, took] = [0, 0];
      while (gone < 1500) {
        gone += random() * 100;
        took++;
      }
      if (took >= earliest - 1 && took <= latest + 1) inside++;
    }
    expect(inside / TRIALS).toBeGreaterThan(0.7);
    expect(inside / TRIALS).toBeLessThan(0.96);
  });
  it('are none where it is gone already, and end at ten years', () => {
    expect(daysUntil(-5, dailyDistance([]))).toEqual({ expected: 0, earliest: 0, latest: 0 });
    expect(daysUntil(1e7, dailyDistance([]))).toMatchObject({ expected: 3650, latest: 3650 });
  });
});

describe('when something is due', () => {
  const even = dailyDistance(read([0, 0], [10, 500], [20, 1000]));
  const last = { atMs: 20 * DAY, km: 1000 };
  it('is by what comes first of a date and a distance', () => {
    expect(expectedDue({ atKm: 1500, atMs: 60 * DAY }, last, even)).toMatchObject({
      expectedMs: 30 * DAY,
      by: 'distance',
    });
    expect(expectedDue({ atKm: 9000, atMs: 60 * DAY }, last, even)).toMatchObject({ expectedMs: 60 * DAY, by: 'date' });
    expect(expectedDue({ atMs: 9 * DAY }, undefined, even)).toMatchObject({ expectedMs: 9 * DAY, by: 'date' });
  });
  it('is not told where it comes with an event, or nobody read the odometer', () => {
    expect(expectedDue({}, last, even)).toBeUndefined();
    expect(expectedDue({ atKm: 1500 }, undefined, even)).toBeUndefined();
  });
  it('stands on the list by the day', () => {
    const at = (days: number) =>
      dueState({ expectedMs: days * DAY, earliestMs: 0, latestMs: 0, by: 'date' }, 100 * DAY);
    expect([at(99.9), at(100), at(100.9), at(101), at(106.9), at(107)]).toEqual([
      'overdue',
      'today',
      'today',
      'week',
      'week',
      'later',
    ]);
    expect(dueState(undefined, 0)).toBe('event');
  });
});
