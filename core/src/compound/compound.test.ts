import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { standardThreads } from '../fastener/standard-thread.ts';
import { metricThread } from '../fastener/thread.ts';
import { beadVolume } from './bead-volume.ts';
import {
  antiSeizeBase,
  bushLubricant,
  chooseCompound,
  type ThreadDuty,
  treatmentConflicts,
  undoAdvice,
} from './compound-choice.ts';
import { cureTimes, slowdown, strengthShare, USUAL_TIMES } from './cure-curve.ts';
import { shelfVerdict } from './shelf-life.ts';

const volume = (thread: Parameters<typeof beadVolume>[0], length: number, blind?: number) => {
  const bead = beadVolume(thread, length, blind);
  if (!bead.ok) throw new Error(JSON.stringify(bead.error));
  return bead.value;
};

describe('bead volume from the thread’s geometry', () => {
  it('never says more drops than the most a blind hole takes, and less than a drop where that is so', () => {
    const blind = beadVolume(metricThread(36, 4), 40, 1);
    if (!blind.ok) throw new Error(blind.error.code);
    expect(blind.value.drops * 0.05).toBeLessThanOrEqual(blind.value.mostMl ?? 0);
    fc.assert(
      fc.property(
        fc.constantFrom(3, 6, 10, 16, 24, 36),
        fc.double({ min: 1, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (nominal, mesh, end) => {
          const pitch = { 3: 0.5, 6: 1, 10: 1.5, 16: 2, 24: 3, 36: 4 }[nominal] ?? 1;
          const bead = beadVolume(metricThread(nominal, pitch), mesh, end);
          if (!bead.ok) throw new Error(bead.error.code);
          expect(bead.value.drops * 0.05).toBeLessThanOrEqual((bead.value.mostMl ?? 0) + 1e-9);
        },
      ),
    );
    const small = beadVolume(metricThread(3, 0.5), 3, 0);
    expect(small.ok && small.value.drops).toBe(0);
  });
  it('is one or two drops for an M10 over a nut (common practice, no source)', () => {
    const { drops, gapMl } = volume(metricThread(10, 1.5), 8.4);
    expect(drops).toBeGreaterThanOrEqual(1);
    expect(drops).toBeLessThanOrEqual(3);
    expect(gapMl).toBeGreaterThan(0.01);
  });
  it('equals a numerical integration of the two profiles', () => {
    // M10 × 1.5 at the middle of 6g and 6H: integrate π/4·(D² − d²) over one pitch in small steps.
    const [p, root3] = [1.5, Math.sqrt(3)];
    const profile = (major: number, pitch: number, minor: number) => (z: number) => {
      // Pitch line at z = 0 rising to the crest at p/4.
      const triangle = p / 4 - Math.abs(((z + p / 4 + 10 * p) % p) - p / 2);
      return Math.min(major, Math.max(minor, pitch + 2 * root3 * triangle));
    };
    const external = profile(
      (9.968 + 9.732) / 2,
      (8.994 + 8.862) / 2,
      8.3762 - (root3 / 2) * (p / 12) - (9.02572 - 8.928),
    );
    const opened = (9.026 + 9.206) / 2 - 9.02572;
    const internal = profile(10 + opened, (9.026 + 9.206) / 2, (8.376 + 8.676) / 2);
    const steps = 20_000;
    let area = 0;
    for (let i = 0; i < steps; i++) {
      const z = ((i + 0.5) / steps) * p;
      area += (Math.PI / 4) * (internal(z) ** 2 - external(z) ** 2);
    }
    expect(volume(metricThread(10, 1.5), 10).gapMl / ((area / steps) * 10e-3)).toBeCloseTo(1, 2);
  });
  it('grows with length and is positive for every listed thread (property)', () => {
    for (const thread of standardThreads()) {
      fc.assert(
        fc.property(fc.double({ min: 1, max: 40, noNaN: true }), (length) => {
          expect(volume(thread, length).gapMl).toBeGreaterThan(0);
          expect(volume(thread, length * 2).gapMl).toBeCloseTo(2 * volume(thread, length).gapMl, 9);
        }),
        { numRuns: 5 },
      );
    }
  });
  it('is held back in a blind hole that would lock hydraulically', () => {
    expect(volume(metricThread(10, 1.5), 15, 0.1).tooMuch).toBe(true);
    expect(volume(metricThread(10, 1.5), 15, 20).tooMuch).toBe(false);
  });
});

describe('cure', () => {
  const base = { temperatureC: 22, substrate: 'steel' } as const;
  it('stands as the sheet says at 22 °C on plain steel', () => {
    const times = cureTimes(USUAL_TIMES.threadlockerMedium, base);
    expect(times).toMatchObject({ ok: true, value: { fixtureMin: 20, fullCureH: 24, slowdown: 1, tooCold: false } });
  });
  it('is slower when colder, on inactive metal and over wide gaps, faster with primer; the window never grows', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -20, max: 50, noNaN: true }),
        fc.double({ min: 0.05, max: 0.45, noNaN: true }),
        (t, gap) => {
          const at = (over: Partial<Parameters<typeof slowdown>[0]>) =>
            slowdown({ temperatureC: t, substrate: 'steel', gapMm: gap, ...over });
          expect(at({ temperatureC: t + 5 })).toBeLessThan(at({}));
          expect(at({ substrate: 'stainless' })).toBeGreaterThan(at({ substrate: 'zincPlated' }));
          expect(at({ substrate: 'zincPlated' })).toBeGreaterThan(at({}));
          expect(at({ gapMm: gap + 0.04 })).toBeGreaterThan(at({}));
          expect(at({ primer: true, substrate: 'stainless' })).toBeLessThan(at({ substrate: 'stainless' }));
          const times = cureTimes(USUAL_TIMES.threadlockerMedium, {
            temperatureC: t,
            substrate: 'stainless',
            gapMm: gap,
          });
          if (times.ok) expect(times.value.workingWindowMin).toBeLessThanOrEqual(12);
        },
      ),
    );
  });
  it('strength passes a tenth at fixture and 95 % at full cure, and only rises', () => {
    const times = USUAL_TIMES.threadlockerMedium;
    expect(strengthShare(0, times)).toBe(0);
    expect(strengthShare(20, times)).toBeCloseTo(0.1, 9);
    expect(strengthShare(24 * 60, times)).toBeCloseTo(0.95, 9);
    for (let minutes = 1; minutes < 3000; minutes += 17)
      expect(strengthShare(minutes + 17, times)).toBeGreaterThan(strengthShare(minutes, times));
  });
  it('refuses an oven', () =>
    expect(cureTimes(USUAL_TIMES.sealant, { ...base, temperatureC: 200 })).toMatchObject({
      ok: false,
      error: { field: 'temperatureC' },
    }));
});

describe('which compound (brief, section 4)', () => {
  const duty: ThreadDuty = {
    diameterMm: 10,
    mustComeApart: false,
    hotC: 60,
    vibration: 'low',
    mustNeverLoosen: false,
    nut: 'plain',
    metals: 'steel',
  };
  it.each([
    [{ vibration: 'high' }, 'threadlockerMedium'],
    [{ vibration: 'high', diameterMm: 5 }, 'threadlockerLow'],
    [{ mustNeverLoosen: true, diameterMm: 5 }, 'threadlockerHigh'],
    [{ mustNeverLoosen: true }, 'threadlockerHigh'],
    [{ mustNeverLoosen: true, mustComeApart: true }, 'threadlockerMedium'],
    [{ metals: 'stainless', mustComeApart: true }, 'antiSeize'],
    [{ oxygenOrExhaustSensor: true, hotC: 700, metals: 'stainless' }, 'antiSeize'],
    [{ nut: 'nylonInsert', vibration: 'high' }, 'none'],
    [{}, 'none'],
  ] as Array<[Partial<ThreadDuty>, string]>)('%j: %s', (over, choice) =>
    expect(chooseCompound({ ...duty, ...over }).choice).toBe(choice),
  );
  it('says primer on inactive metal and less torque with anti-seize', () => {
    expect(chooseCompound({ ...duty, vibration: 'high', metals: 'galvanised' }).caveats).toContain(
      'inactiveNeedsPrimer',
    );
    expect(chooseCompound({ ...duty, metals: 'stainless', mustComeApart: true }).caveats).toContain(
      'antiSeizeNeedsLessTorque',
    );
  });
  it('picks the anti-seize by metal and heat', () => {
    expect(antiSeizeBase('stainless', 900)).toBe('nickel');
    expect(antiSeizeBase('aluminiumWithSteel', 150)).toBe('zinc');
    expect(antiSeizeBase('steel', 1200)).toBe('nickel');
    expect(antiSeizeBase('steel', 1500)).toBeUndefined();
  });
  it('refuses what must not meet (M40, M42, M43)', () => {
    expect(treatmentConflicts({ compounds: ['threadlockerMedium', 'antiSeize'] })).toEqual(['lockerWithAntiSeize']);
    expect(treatmentConflicts({ compounds: ['threadlockerMedium'], lockingNut: true })).toEqual(['lockerOnLockingNut']);
    expect(treatmentConflicts({ compounds: ['threadlockerHigh'], uncleaned: true })).toEqual(['lockerOverGrease']);
    expect(treatmentConflicts({ compounds: ['threadlockerLow'], lockingNut: true })).toEqual(['lockerOnLockingNut']);
    expect(treatmentConflicts({ compounds: ['grease'], dryFace: true })).toEqual(['greaseOnDryFace']);
    expect(treatmentConflicts({ compounds: ['threadlockerMedium'] })).toEqual([]);
  });
  it('gives heat for high strength only, and silicone for a sliding bush only', () => {
    expect(undoAdvice('threadlockerLow')?.breakawayRatio).toBeLessThan(
      undoAdvice('threadlockerMedium')?.breakawayRatio ?? 0,
    );
    expect(undoAdvice('threadlockerMedium')?.heatC).toBeUndefined();
    expect(undoAdvice('threadlockerHigh')?.heatC).toBe(250);
    expect(bushLubricant('polyurethane', 'slides').lubricant).toBe('silicone');
    expect(bushLubricant('polyurethane', 'slides', 'dry').lubricant).toBe('none');
    expect(bushLubricant('rubber', 'bonded').lubricant).toBe('none');
  });
});

describe('shelf', () => {
  const shelf = { expiresOn: '2027-06-30', storeMaxC: 28, temperatures: [] };
  it('counts from the day it was opened where that is earlier', () => {
    expect(shelfVerdict({ ...shelf, openedOn: '2026-01-10', openMonths: 12 }, '2026-11-25')).toMatchObject({
      lastDay: '2027-01-10',
      usable: true,
      daysLeft: 46,
    });
    expect(shelfVerdict(shelf, '2027-07-01')).toMatchObject({ usable: false, because: 'printed' });
  });
  it('does not trust what stood warm for days', () => {
    const day = 86_400_000;
    const temperatures = [0, 1, 2, 3, 4].map((n) => ({ atMs: n * day, temperatureC: 35 }));
    expect(shelfVerdict({ ...shelf, temperatures }, '2026-11-25')).toMatchObject({
      usable: false,
      because: 'tooWarm',
      warmH: 96,
    });
  });
});
