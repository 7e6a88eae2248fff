import { describe, expect, it } from '@jest/globals';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { bar, MIRA, NOON, openKit, pullOf, RAFE, refusal, WRENCHES } from '#demo/try-job.ts';
import { deviations } from '../../record/deviations.ts';
import { CarefulFitter } from '../../rehearse/careful-fitter.ts';
import type { TighteningSpec } from '../../tightening/kinds.ts';
import { hardwareLedger } from '../hardware-ledger.ts';
import { takeCommand } from '../job-log.ts';
import { stationState } from '../job-state.ts';
import { nextStep } from '../next-station.ts';
import { groupComplete } from '../station-progress.ts';

describe('the kinds of the anti-roll bar', () => {
  const upTo = (station: string) => {
    const worker = bar();
    worker.checkIn();
    worker.startAll();
    for (;;) {
      const groups = worker.log.plan.groups.map((group) => nextStep(worker.log.plan, worker.log.state, group.id));
      if (groups.some((next) => next.kind === 'pull' && next.station === station)) return worker;
      if (!worker.step()) throw new Error(`never came to ${station}`);
    }
  };
  it('castle nut: the pin must fit, on to the next slot, never over the ceiling (M45)', () => {
    const worker = upTo('n1');
    expect(refusal(worker, pullOf('n1', 50))).toBe('slotNotAligned');
    expect(refusal(worker, pullOf('n1', 62, { pinFits: true }))).toBe('overMaximum');
    expect(refusal(worker, pullOf('n1', 56, { pinFits: true }))).toBe('accepted');
  });
  it('a group waits for the one before it', () => {
    const worker = bar();
    worker.checkIn();
    worker.startAll();
    expect(refusal(worker, { type: 'snug', station: 'b1', tool: 'hand' })).toBe('groupWaitsFor');
  });
  it('at ride height only, unless a lead says so with a reason (M33)', () => {
    const worker = upTo('l1');
    const command = pullOf('l1', 95, { angleDeg: 90 });
    expect(refusal(worker, command)).toBe('notAtRideHeight');
    expect(refusal(worker, { type: 'override', refusal: 'notAtRideHeight', station: 'l1', reason: 'jig' }, MIRA)).toBe(
      'notYoursToBend',
    );
    worker.give(
      { type: 'override', refusal: 'notAtRideHeight', station: 'l1', reason: 'loaded on the jig, 412 mm' },
      RAFE,
    );
    expect(refusal(worker, command)).toBe('accepted');
  });
  it('a stretch bolt once turned is spent when it comes out (M44)', () => {
    const worker = upTo('l1');
    worker.give({ type: 'setLoadState', state: 'rideHeight', measuredMm: 412 });
    worker.give(pullOf('l1', 95, { angleDeg: 91 }));
    worker.give({ type: 'loosen', station: 'l1', to: 'started', reason: 'bush sat skew' });
    expect(refusal(worker, { type: 'startByHand', station: 'l1' })).toBe('pieceShort');
    expect(hardwareLedger(worker.log.plan, worker.log.state).find((line) => line.item.id === 'r4')).toMatchObject({
      scrapped: 1,
      onTray: 0,
    });
  });
});

describe('joints without a figure, and bearings', () => {
  /** The guard with the specification of its first two stations exchanged. */
  const guardWith = (first: TighteningSpec, second: TighteningSpec) => {
    const kit = structuredClone(TRANSFER_CASE_GUARD);
    const [one, two] = kit.stations;
    Object.assign(one?.specs[0] as object, { spec: first, printed: 'as described' });
    Object.assign(two?.specs[0] as object, { spec: second, printed: 'as described' });
    return new CarefulFitter(openKit(kit), WRENCHES, MIRA, NOON);
  };
  const untilSnug = (worker: CarefulFitter) => {
    worker.checkIn();
    worker.startAll();
    while (nextStep(worker.log.plan, worker.log.state, 'guard').kind === 'snug') worker.step();
    return worker;
  };
  it('a snug-only joint is done when it is snug, a stop when somebody says it is reached', () => {
    const worker = untilSnug(guardWith({ kind: 'snug' }, { kind: 'contact', stop: 'the flanges touch' }));
    expect(nextStep(worker.log.plan, worker.log.state, 'guard')).toEqual({ kind: 'confirmStop', station: 'g2' });
    expect(refusal(worker, pullOf('g2', 10, { wrench: 'w-1' }))).toBe('noTorqueFigure');
    expect(refusal(worker, { type: 'confirmStop', station: 'g5' })).toBe('needsTorque');
    worker.give({ type: 'confirmStop', station: 'g2' });
    expect(refusal(worker, { type: 'confirmStop', station: 'g2' })).toBe('stationComplete');
    worker.finishTorque();
    const [first] = worker.log.plan.stations;
    expect(first?.passIndexes).toEqual([]);
    expect(groupComplete(worker.log.plan, worker.log.state, 'guard')).toBe(true);
  });
  it('a joint without any figure wants a reason, which stays among the deviations', () => {
    const worker = untilSnug(guardWith({ kind: 'snug' }, { kind: 'missing', why: 'byFeel' }));
    expect(nextStep(worker.log.plan, worker.log.state, 'guard')).toEqual({ kind: 'confirmStop', station: 'g2' });
    expect(refusal(worker, { type: 'confirmStop', station: 'g2' })).toBe('reasonMissing');
    worker.give({ type: 'confirmStop', station: 'g2', reason: 'As its like neighbour' });
    worker.finishTorque();
    expect(groupComplete(worker.log.plan, worker.log.state, 'guard')).toBe(true);
    expect(deviations(worker.log.plan, worker.log.state)).toContainEqual(
      expect.objectContaining({ kind: 'withoutFigure', station: 'g2', reason: 'As its like neighbour' }),
    );
  });
  it('a bearing wants to be seated and backed off, and then its window, once', () => {
    const bearing: TighteningSpec = { kind: 'bearing', seatNm: 20, backOffDeg: 90, finalMinNm: 8, finalMaxNm: 12 };
    const worker = untilSnug(guardWith({ kind: 'snug' }, bearing));
    expect(refusal(worker, pullOf('g2', 10, { wrench: 'w-1' }))).toBe('bearingNotSeated');
    const seated = { wrench: 'w-1', seatedAndBackedOff: true, seatNm: 20.5 };
    // Ticked without a reading, or far off its figure, it is not seated.
    expect(refusal(worker, pullOf('g2', 10, { ...seated, seatNm: undefined }))).toBe('bearingNotSeated');
    expect(refusal(worker, pullOf('g2', 10, { ...seated, seatNm: 28 }))).toBe('bearingNotSeated');
    expect(refusal(worker, pullOf('g2', 13, seated))).toBe('outsideBand');
    worker.give(pullOf('g2', 10, seated));
    expect(worker.log.plan.stations.find((station) => station.id === 'g2')?.passIndexes).toEqual([0]);
  });
  it('until it yields: by a wrench with angle alone, judged by the gradient, the bolt spent when it comes out', () => {
    const yields: TighteningSpec = { kind: 'yieldControlled', thresholdNm: 8, maximumNm: 14 };
    const worker = untilSnug(guardWith({ kind: 'snug' }, yields));
    const able = WRENCHES.find((wrench) => wrench.live);
    const live = { wrench: able?.id ?? '', source: 'live' as const, movementDeg: 30 };
    expect(refusal(worker, pullOf('g2', 12, { wrench: 'w-1' }))).toBe('wrenchWithoutAngle');
    const shop = WRENCHES.map((wrench) => (wrench === able ? { ...wrench, lowestNm: 5 } : wrench));
    const give = (gradientShare: number | undefined, torqueNm = 12) =>
      takeCommand(worker.log, shop, {
        id: `y-${gradientShare}-${torqueNm}`,
        atMs: worker.nowMs,
        by: MIRA,
        command: pullOf('g2', torqueNm, { ...live, gradientShare }),
      });
    expect(give(undefined)).toMatchObject({ ok: false, refusal: { code: 'gradientMissing' } });
    const rising = give(0.9);
    expect(rising).toMatchObject({ ok: true, events: [{ verdict: 'under', gradientShare: 0.9 }] });
    const yielded = give(0.45);
    if (!yielded.ok) throw new Error(yielded.refusal.code);
    expect(yielded.events).toMatchObject([{ verdict: 'accepted', gradientShare: 0.45, targetNm: 8, maxNm: 14 }]);
    worker.log = yielded.log;
    expect(stationState(worker.log.state, 'g2').pulls[0]).toMatchObject({ gradientShare: 0.45 });
    worker.give({ type: 'loosen', station: 'g2', to: 'started', reason: 'guard sat skew' });
    expect(stationState(worker.log.state, 'g2')).toMatchObject({ stage: 'empty' });
    const spent = stationState(worker.log.state, 'g2').loosenings[0]?.spent ?? [];
    expect(spent.length).toBeGreaterThan(0);
  });
});
