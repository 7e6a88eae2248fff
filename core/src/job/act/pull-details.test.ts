import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bar, guard, platesSnug, pullOf, RAFE, refusal, tryCommand } from '#demo/try-job.ts';
import { indexOf } from '../../kit/plan.ts';
import type { CarefulFitter } from '../../rehearse/careful-fitter.ts';
import { settingWithAdapterNm } from '../../wrench/adapter.ts';
import { foretoldFinalNm } from '../final-torque.ts';
import { stationState } from '../job-state.ts';
import { slotForecast, slotOutOfReach } from '../next-slot.ts';
import { nextStep, pullBand } from '../next-station.ts';
import { runDownLimitNm } from '../run-down.ts';
import { standingPulls } from '../station-progress.ts';

/** Works the anti-roll bar until this station is next to be pulled. */
function barUpTo(station: string): CarefulFitter {
  const worker = bar();
  worker.checkIn();
  worker.startAll();
  for (;;) {
    const groups = worker.log.plan.groups.map((group) => nextStep(worker.log.plan, worker.log.state, group.id));
    if (groups.some((next) => next.kind === 'pull' && next.station === station)) return worker;
    if (!worker.step()) throw new Error(`never came to ${station}`);
  }
}
/** 74 lbf·ft and 90°, ±5°, loaded on its wheels. */
function turned(): CarefulFitter {
  const worker = barUpTo('l1');
  worker.give({ type: 'setLoadState', state: 'rideHeight', measuredMm: 412 });
  return worker;
}
const refused = (worker: CarefulFitter, command: Parameters<typeof tryCommand>[1]) => {
  const outcome = tryCommand(worker, command);
  return 'refusal' in outcome ? outcome.refusal : undefined;
};
const angles = (worker: CarefulFitter) =>
  standingPulls(stationState(worker.log.state, 'l1')).map(({ angleDeg, turnedDeg, verdict }) => [
    angleDeg,
    turnedDeg,
    verdict,
  ]);

describe('an angle turned in several strokes', () => {
  it('adds up: 55° and 35° are 90°', () => {
    const worker = turned();
    expect(refused(worker, pullOf('l1', 100, { angleDeg: 55 }))).toEqual({
      code: 'angleShort',
      station: 'l1',
      turnedDeg: 55,
      leftDeg: 35,
    });
    worker.give(pullOf('l1', 100, { angleDeg: 55, confirmed: true }));
    worker.give(pullOf('l1', 120, { angleDeg: 35 }));
    expect(angles(worker)).toEqual([
      [55, undefined, 'under'],
      [35, 90, 'accepted'],
    ]);
  });
  it('any strokes that end inside the window are accepted, and only then (property)', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 5, max: 40 }), { minLength: 1, maxLength: 5 }), (strokes) => {
        const worker = turned();
        let sum = 0;
        for (const angleDeg of strokes) {
          if (sum >= 85) break;
          worker.give(pullOf('l1', 100, { angleDeg, confirmed: true }));
          sum += angleDeg;
        }
        const last = standingPulls(stationState(worker.log.state, 'l1')).at(-1);
        expect(last?.verdict).toBe(sum < 85 ? 'under' : sum <= 95 ? 'accepted' : 'over');
      }),
      { numRuns: 25 },
    );
  });
  it('too far in all is too far, and one that nobody measured is asked for', () => {
    const worker = turned();
    worker.give(pullOf('l1', 100, { angleDeg: 80, confirmed: true }));
    expect(refused(worker, pullOf('l1', 100))).toMatchObject({ code: 'angleMissing' });
    expect(refused(worker, pullOf('l1', 100, { angleDeg: 20 }))).toMatchObject({ code: 'angleOver', turnedDeg: 100 });
  });
  it('a stroke below the threshold torque begins anew', () => {
    const worker = turned();
    worker.give(pullOf('l1', 100, { angleDeg: 55, confirmed: true }));
    worker.give(pullOf('l1', 30, { angleDeg: 10, confirmed: true }));
    expect(refused(worker, pullOf('l1', 100, { angleDeg: 35 }))).toMatchObject({ code: 'angleShort', turnedDeg: 35 });
  });
});

describe('the wrench for an angle', () => {
  it('must reach the torque the angle ends at, which the bolt’s own strength foretells', () => {
    const { plan } = turned().log;
    const station = indexOf(plan).stations.get('l1');
    if (!station) throw new Error('no l1');
    const finalNm = foretoldFinalNm(plan, station);
    const band = pullBand(plan, station, 0);
    // An M12 of class 10.9 yields at about 110 to 160 N·m by the usual tables (VDI 2230-1:2015, table A1, from memory).
    expect(finalNm).toBeGreaterThan(110);
    expect(finalNm).toBeLessThan(180);
    expect(band?.peakNm).toBe(band?.absoluteMaximumNm ?? finalNm);
  });
});

describe('whose figure it is', () => {
  it('a reading that meets another joint’s figure says so', () => {
    const worker = barUpTo('n1');
    const { plan } = worker.log;
    const other = plan.stations.find(({ spec, printed }) => spec.kind === 'torque' && printed !== '');
    const spec = other?.spec;
    if (!other || spec?.kind !== 'torque') throw new Error('no plain torque');
    expect(refused(worker, pullOf('n1', spec.targetNm))).toMatchObject({ whose: { printed: other.printed } });
  });
  it('what meets nobody’s says nothing', () => {
    const worker = barUpTo('n1');
    expect(refused(worker, pullOf('n1', 3.3))).toMatchObject({ code: 'outsideBand', whose: undefined });
  });
});

describe('through an adapter', () => {
  const crowFoot = { wrenchLengthMm: 400, offsetMm: 50, angleDeg: 0 };
  it('the torque at the bolt is judged, and what was typed is the setting', () => {
    const { worker, first } = platesSnug();
    const band = pullBand(worker.log.plan, indexOf(worker.log.plan).stations.get(first) as never, 0);
    const targetNm = band?.targetNm ?? 0;
    const set = settingWithAdapterNm(targetNm, crowFoot);
    const setting = set.ok ? set.value : 0;
    // T · L / (L + E): 8/9 of the target straight on.
    expect(setting).toBeCloseTo((targetNm * 400) / 450, 9);
    const entered = { value: setting, unit: 'N·m' as const };
    expect(refused(worker, pullOf(first, targetNm, { entered }))).toMatchObject({ code: 'enteredDisagrees' });
    worker.give(pullOf(first, targetNm, { entered, through: crowFoot }));
    expect(standingPulls(stationState(worker.log.state, first)).at(-1)).toMatchObject({
      verdict: 'accepted',
      through: crowFoot,
    });
  });
  it('one that leaves no lever is refused', () => {
    const { worker, first } = platesSnug();
    const through = { wrenchLengthMm: 400, offsetMm: 400, angleDeg: 180 };
    expect(refused(worker, pullOf(first, 20, { through }))).toEqual({ code: 'adapterImpossible' });
  });
});

describe('running down', () => {
  it('more than its share of the figure is refused, with what it may take', () => {
    const worker = guard();
    worker.checkIn();
    worker.startAll();
    const { plan, state } = worker.log;
    const next = plan.groups.map(({ id }) => nextStep(plan, state, id)).find(({ kind }) => kind === 'snug');
    const station = next && 'station' in next ? plan.stations.find(({ id }) => id === next.station) : undefined;
    if (!station) throw new Error('nothing to snug');
    const limitNm = runDownLimitNm(plan, station) ?? 0;
    expect(limitNm).toBeGreaterThan(0);
    const command = { type: 'snug', station: station.id, tool: 'hand' } as const;
    expect(refused(worker, { ...command, runDownNm: limitNm + 1 })).toMatchObject({ code: 'ranDownStiff', limitNm });
    expect(refused(worker, { ...command, runDownNm: -1 })).toMatchObject({ code: 'implausibleTorque' });
    worker.give({ ...command, runDownNm: limitNm });
    expect(stationState(worker.log.state, station.id).snugged).toMatchObject({ runDownNm: limitNm });
  });
  it('a lead lets a stiff one go, with a reason', () => {
    const worker = guard();
    worker.checkIn();
    worker.startAll();
    const { plan, state } = worker.log;
    const next = plan.groups.map(({ id }) => nextStep(plan, state, id)).find(({ kind }) => kind === 'snug');
    if (!next || !('station' in next)) throw new Error('nothing to snug');
    worker.give(
      { type: 'override', refusal: 'ranDownStiff', station: next.station, reason: 'all-metal locking nut' },
      RAFE,
    );
    expect(refusal(worker, { type: 'snug', station: next.station, tool: 'hand', runDownNm: 400 })).toBe('accepted');
  });
});

describe('a castle nut’s next slot', () => {
  it('rises by the stiffness of its stack, and its reach ends at the ceiling', () => {
    const { plan } = barUpTo('n1').log;
    const station = indexOf(plan).stations.get('n1');
    if (station?.spec.kind !== 'slot') throw new Error('no castle nut');
    const forecast = slotForecast(plan, station, station.spec.startNm);
    if (!forecast) throw new Error('not foretold');
    expect(forecast.stepDeg).toBe(60);
    expect(station.spec.startNm + forecast.reachDeg * forecast.nmPerDeg).toBeCloseTo(station.spec.ceilingNm, 6);
    expect(slotForecast(plan, station, station.spec.ceilingNm + 5)?.reachDeg).toBe(0);
  });
  it('a slope measured on the nut itself goes before its stack', () => {
    const { plan } = barUpTo('n1').log;
    const station = indexOf(plan).stations.get('n1');
    if (station?.spec.kind !== 'slot') throw new Error('no castle nut');
    expect(slotForecast(plan, station, 47, 23.5)).toMatchObject({ nmPerDeg: 2, measured: true });
    expect(slotForecast(plan, station, 47, 1)?.measured).toBe(false);
    expect(slotOutOfReach(plan, station, station.spec.ceilingNm - 1, 23.5)).toBe(true);
    expect(slotOutOfReach(plan, station, 47, 23.5)).toBe(false);
  });
  it('is not foretold where the stack does not say', () => {
    const { plan } = barUpTo('n1').log;
    const station = indexOf(plan).stations.get('n1');
    if (!station) throw new Error('no castle nut');
    expect(slotForecast(plan, { ...station, stack: [] }, 47)).toBeUndefined();
  });
});
