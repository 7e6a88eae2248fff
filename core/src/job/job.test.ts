import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { FRONT_RECOVERY_POINTS, REAR_ANTI_ROLL_BAR, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { demoWrenches } from '#demo/shop.ts';
import { Worker } from '#demo/work-through.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import { toBase } from '../quantity/unit.ts';
import type { TighteningSpec } from '../tightening/kinds.ts';
import type { JobCommand, JobEvent } from './acts.ts';
import { closeBlocks } from './close-block.ts';
import type { CommandEnvelope } from './command-envelope.ts';
import { deviations } from './deviations.ts';
import { fold } from './fold.ts';
import { hardwareLedger, shortages } from './hardware-ledger.ts';
import { appendEvents, type JobLog, oneKit, openLog, takeCommand } from './job-log.ts';
import { jobProgress } from './job-progress.ts';
import { emptyJob, type JobState, stationState } from './job-state.ts';
import { lockerCapacity, lockerClock } from './locker-window.ts';
import { nextStep } from './next-station.ts';
import type { Person } from './role.ts';
import { groupComplete, stationMark } from './station-progress.ts';

const NOON = Date.UTC(2026, 10, 25, 12);
const WRENCHES = demoWrenches(NOON);
const MIRA: Person = { id: 'mira', name: 'Mira', role: 'fitter' };
const TAM: Person = { id: 'tam', name: 'Tam', role: 'fitter' };
const RAFE: Person = { id: 'rafe', name: 'Rafe', role: 'lead' };
const HOB: Person = { id: 'hob', name: 'Hob', role: 'apprentice' };

function open(kit: KitDocument, answers: Record<string, string | number | boolean> = {}): JobLog {
  const vehicle = { modelYear: 2021, drivenWheels: 'four', body: 'dual-cab' };
  const opened = openLog({ ...oneKit(kit), vehicle, answers, shop: {} });
  if (!opened.ok) throw new Error(JSON.stringify(opened.error));
  return opened.value;
}
const plate = (shield = false) => new Worker(open(FRONT_RECOVERY_POINTS, { shield }), WRENCHES, MIRA, NOON);
const guard = () => new Worker(open(TRANSFER_CASE_GUARD), WRENCHES, MIRA, NOON);
const bar = () => new Worker(open(REAR_ANTI_ROLL_BAR, { bush: 'rubber' }), WRENCHES, MIRA, NOON);

let serial = 0;
/** One command at the worker's time, and what came of it. */
function tryCommand(worker: Worker, command: JobCommand, by: Person = MIRA, laterMs = 0) {
  serial += 1;
  const envelope: CommandEnvelope = { id: `t-${serial}`, atMs: worker.nowMs + laterMs, by, command };
  return takeCommand(worker.log, WRENCHES, envelope);
}
function refusal(worker: Worker, command: JobCommand, by?: Person, laterMs?: number) {
  const outcome = tryCommand(worker, command, by, laterMs);
  return outcome.ok ? 'accepted' : outcome.refusal.code;
}
const pullOf = (
  station: string,
  torqueNm: number,
  extra: Partial<Extract<JobCommand, { type: 'pull' }>> = {},
): JobCommand => ({
  type: 'pull',
  station,
  torqueNm,
  wrench: 'w-3',
  source: 'typed',
  ...extra,
});

/** Recovery plate, all started, beaded and snug, first pull of pass one due on its first station. */
function platesSnug(): { worker: Worker; first: string } {
  const worker = plate();
  worker.checkIn();
  worker.startAll();
  for (;;) {
    const next = nextStep(worker.log.plan, worker.log.state, 'plate');
    if (next.kind === 'pull') return { worker, first: next.station };
    worker.step();
  }
}

describe('a whole job', () => {
  it.each([
    ['recovery points', () => plate(true)],
    ['guard', guard],
    ['anti-roll bar', bar],
  ])('%s runs from check-in to a signature without a refusal', (_, make) => {
    const worker = make();
    worker.checkIn();
    worker.startAll();
    worker.finishTorque();
    expect(closeBlocks(worker.log.plan, worker.log.state).every((block) => block.code === 'piecesUnaccounted')).toBe(
      true,
    );
    worker.closeOut('Mira Vane');
    expect(worker.log.state.closed?.signature).toBe('Mira Vane');
    expect(jobProgress(worker.log.plan, worker.log.state).phase).toBe('closed');
    for (const line of hardwareLedger(worker.log.plan, worker.log.state)) expect(line.unaccounted).toBe(0);
    expect(refusal(worker, { type: 'undo' })).toBe('jobClosed');
  });
});

describe('check in', () => {
  it.each([
    [-1, 0],
    [2.5, 0],
    [Number.NaN, 0],
    [3, 4],
    [1e9, 0],
  ])('refuses a count of %d with %d damaged', (found, damaged) => {
    expect(refusal(plate(), { type: 'countLine', item: 'a1', found, damaged })).toBe('countInvalid');
  });
  it('a short line names the stations that wait, and shop stock fills it', () => {
    const worker = plate();
    worker.checkIn();
    worker.give({ type: 'countLine', item: 'a6', found: 3, damaged: 1 });
    expect(shortages(worker.log.plan, worker.log.state)).toMatchObject([{ short: 2, stations: ['s6', 's7'] }]);
    for (const station of ['s2', 's3']) worker.give({ type: 'startByHand', station });
    expect(refusal(worker, { type: 'startByHand', station: 's6' })).toBe('pieceShort');
    worker.give({ type: 'useShopStock', item: 'a6', quantity: 2, reason: 'same class from the rack' });
    expect(refusal(worker, { type: 'startByHand', station: 's6' })).toBe('accepted');
  });
  it('a spare absorbs a shortage: four of five washers stop nothing', () => {
    const worker = plate();
    worker.checkIn();
    worker.give({ type: 'countLine', item: 'a3', found: 4, damaged: 0 });
    expect(shortages(worker.log.plan, worker.log.state)).toEqual([]);
  });
  it('nothing is started from an uncounted bag, and a count never falls below what is fitted', () => {
    const worker = plate();
    expect(refusal(worker, { type: 'startByHand', station: 's2' })).toBe('notCounted');
    worker.checkIn();
    worker.give({ type: 'startByHand', station: 's2' });
    expect(refusal(worker, { type: 'countLine', item: 'a1', found: 0, damaged: 0 })).toBe('countBelowUse');
  });
});

describe('fit loose, snug, locker', () => {
  it('no bolt is snugged before all of its group are started (M15)', () => {
    const worker = plate();
    worker.checkIn();
    worker.give({ type: 'startByHand', station: 's1' });
    worker.give({ type: 'applyCompound', station: 's1', cleaned: true });
    expect(refusal(worker, { type: 'snug', station: 's1', tool: 'hand' })).toBe('groupNotAllStarted');
  });
  it('locker goes on a started, clean thread, once (M40)', () => {
    const worker = plate();
    worker.checkIn();
    expect(refusal(worker, { type: 'applyCompound', station: 's1', cleaned: true })).toBe('notStarted');
    worker.give({ type: 'startByHand', station: 's1' });
    expect(refusal(worker, { type: 'applyCompound', station: 's1', cleaned: false })).toBe('threadNotClean');
    worker.give({ type: 'applyCompound', station: 's1', cleaned: true });
    expect(refusal(worker, { type: 'applyCompound', station: 's1', cleaned: true })).toBe('compoundAlreadyOn');
  });
  it('a bead forgotten stops the snug; a power tool is refused where the sheet forbids it', () => {
    const worker = plate();
    worker.checkIn();
    worker.startAll();
    expect(refusal(worker, { type: 'snug', station: 's1', tool: 'hand' })).toBe('compoundMissing');
    const guarded = guard();
    guarded.checkIn();
    guarded.startAll();
    expect(refusal(guarded, { type: 'snug', station: 'g1', tool: 'power' })).toBe('powerToolForbidden');
    expect(refusal(guarded, { type: 'snug', station: 'g2', tool: 'hand' })).toBe('outOfOrder');
    expect(refusal(guarded, { type: 'snug', station: 'g1', tool: 'hand' })).toBe('accepted');
  });
  it('the locker window closes 15 min after the bead; loosening and a new bead open it again (M38)', () => {
    const { worker, first } = platesSnug();
    const closed = 16 * 60_000;
    expect(refusal(worker, pullOf(first, 55), MIRA, closed)).toBe('lockerWindowClosed');
    worker.nowMs += closed;
    worker.give({ type: 'loosen', station: first, to: 'started', reason: 'locker set' });
    expect(nextStep(worker.log.plan, worker.log.state, 'plate')).toEqual({ kind: 'compound', station: first });
  });
  it('counts the window from the oldest bead and the pulls it still has to see', () => {
    const { worker } = platesSnug();
    const clock = lockerClock(worker.log.plan, worker.log.state, 'plate');
    expect(clock).toMatchObject({ oldest: 's1', pullsLeft: 16, needsS: 320 });
    expect((clock?.closesAtMs ?? 0) - (clock?.openedAtMs ?? 0)).toBe(15 * 60_000);
    // 15 min / ((2 rounds + bead + snug) × 20 s) = 11.25
    expect(lockerCapacity(worker.log.plan, worker.log.state, 'plate')?.stations).toBe(11);
  });
});

describe('torque', () => {
  it('follows the torque order and counts passes', () => {
    const { worker, first } = platesSnug();
    const { plan, state } = worker.log;
    const second = plan.groups[0]?.torqueOrder[1] ?? '';
    expect(first).toBe(plan.groups[0]?.torqueOrder[0]);
    expect(refusal(worker, pullOf(second, 55))).toBe('outOfOrder');
    expect(stationMark(plan, plan.stations.find((s) => s.id === first) as never, state)).toBe('snug');
    worker.finishTorque();
    expect(groupComplete(worker.log.plan, worker.log.state, 'plate')).toBe(true);
    for (const station of plan.stations)
      expect(stationMark(worker.log.plan, station, worker.log.state)).toBe('verified');
  });
  it('wants a wrench in its band and in calibration (M53)', () => {
    const { worker, first } = platesSnug();
    expect(refusal(worker, pullOf(first, 55, { wrench: 'w-1' }))).toBe('wrenchOutOfRange');
    expect(refusal(worker, pullOf(first, 55, { wrench: 'nope' }))).toBe('unknownWrench');
    const old = takeCommand(
      worker.log,
      WRENCHES.map((w) => ({ ...w, calibrationDueOn: '2026-11-20' })),
      { id: 'old', atMs: worker.nowMs, by: MIRA, command: pullOf(first, 55) },
    );
    expect(old).toMatchObject({ ok: false, refusal: { code: 'wrenchOutOfCalibration', dueOn: '2026-11-20' } });
  });
  it('names a unit slip (M01) and asks about a reading outside the band before it is kept', () => {
    const { worker, first } = platesSnug();
    // Half of 81 lbf·ft is 40.5; typed as N·m.
    expect(tryCommand(worker, pullOf(first, 40.5, { entered: { value: 40.5, unit: 'N·m' } }))).toMatchObject({
      ok: false,
      refusal: { code: 'likelyUnitSlip', meant: 'lbf·ft' },
    });
    expect(refusal(worker, pullOf(first, 45))).toBe('outsideBand');
    const kept = tryCommand(worker, pullOf(first, 45, { confirmed: true }));
    expect(kept).toMatchObject({ ok: true, events: [{ type: 'pullRecorded', verdict: 'under' }] });
  });
  it('refuses a pull of 9999 N·m, of nothing and of less', () => {
    const { worker, first } = platesSnug();
    for (const torque of [9999, 0, -5, Number.NaN])
      expect(refusal(worker, pullOf(first, torque))).toBe('implausibleTorque');
  });
  it('an over-pull must be loosened before anything else; a click without movement proves nothing (M29)', () => {
    const { worker, first } = platesSnug();
    worker.give(pullOf(first, 80, { source: 'live', movementDeg: 30 }));
    expect(refusal(worker, pullOf(first, 55))).toBe('mustBeLoosened');
    expect(nextStep(worker.log.plan, worker.log.state, 'plate')).toEqual({ kind: 'loosen', station: first });
    worker.give({ type: 'loosen', station: first, to: 'started', reason: 'overshot' });
    worker.give({ type: 'applyCompound', station: first, cleaned: true });
    worker.give({ type: 'snug', station: first, tool: 'hand' });
    const still = tryCommand(worker, pullOf(first, 55, { source: 'live', movementDeg: 0.5 }));
    expect(still).toMatchObject({ ok: true, events: [{ verdict: 'noMovement' }] });
  });
  it('over an absolute maximum: asked, kept as a fact, never accepted, never overridden, bolts scrapped', () => {
    const worker = plate(true);
    worker.checkIn();
    worker.startAll();
    while (
      nextStep(worker.log.plan, worker.log.state, 'shield').kind !== 'pull' ||
      !groupComplete(worker.log.plan, worker.log.state, 'plate')
    )
      worker.step();
    expect(refusal(worker, pullOf('sh1', 10.5, { wrench: 'w-1' }))).toBe('overMaximum');
    expect(refusal(worker, { type: 'override', refusal: 'overMaximum', station: 'sh1', reason: 'please' }, RAFE)).toBe(
      'notOverridable',
    );
    worker.give(pullOf('sh1', 10.5, { wrench: 'w-1', confirmed: true }));
    expect(closeBlocks(worker.log.plan, worker.log.state)).toMatchObject([{ code: 'stationsOpen' }]);
    worker.give({ type: 'loosen', station: 'sh1', to: 'started', reason: 'over maximum' });
    expect(stationState(worker.log.state, 'sh1').stage).toBe('empty');
    expect(refusal(worker, { type: 'startByHand', station: 'sh1' })).toBe('pieceShort');
    worker.give({ type: 'useShopStock', item: 'b1', quantity: 1, reason: 'new bolt' });
    worker.finishTorque();
    worker.closeOut('Mira Vane');
    expect(hardwareLedger(worker.log.plan, worker.log.state).find((line) => line.item.id === 'b1')).toMatchObject({
      supplied: 5,
      fitted: 4,
      scrapped: 1,
      unaccounted: 0,
    });
  });
  it('a loosened station re-opens its later passes and shows as loosened again', () => {
    const { worker, first } = platesSnug();
    worker.finishTorque();
    worker.give({ type: 'loosen', station: first, to: 'started', reason: 'hose caught under the plate' });
    const station = worker.log.plan.stations.find((entry) => entry.id === first);
    expect(station && stationMark(worker.log.plan, station, worker.log.state)).toBe('reopened');
    expect(closeBlocks(worker.log.plan, worker.log.state)).toContainEqual({
      code: 'stationsOpen',
      group: 'plate',
      stations: [first],
    });
    expect(stationState(worker.log.state, first).pulls.every((pull) => pull.voided)).toBe(true);
    worker.finishTorque();
    expect(groupComplete(worker.log.plan, worker.log.state, 'plate')).toBe(true);
  });
  it('a correction keeps the old value and the reason, and judges anew', () => {
    const { worker, first } = platesSnug();
    worker.give(pullOf(first, 55));
    const pull = stationState(worker.log.state, first).pulls[0];
    if (!pull) throw new Error('no pull');
    expect(refusal(worker, { type: 'correctPull', station: first, pull: pull.id, torqueNm: 50, reason: ' ' })).toBe(
      'reasonMissing',
    );
    expect(
      refusal(worker, { type: 'correctPull', station: first, pull: pull.id, torqueNm: 50, reason: 'misread' }, HOB),
    ).toBe('notPermitted');
    worker.give({ type: 'correctPull', station: first, pull: pull.id, torqueNm: 50, reason: 'misread the scale' });
    expect(stationState(worker.log.state, first).pulls[0]).toMatchObject({
      torqueNm: 50,
      verdict: 'under',
      corrections: [{ from: 55, to: 50, reason: 'misread the scale' }],
    });
  });
  it('undo takes back the last pull, start or count of the same person, and only while nothing stands on it', () => {
    const { worker, first } = platesSnug();
    worker.give(pullOf(first, 55));
    expect(refusal(worker, { type: 'undo' }, TAM)).toBe('nothingToUndo');
    worker.give({ type: 'undo' });
    expect(stationState(worker.log.state, first).pulls[0]).toMatchObject({ withdrawn: { by: MIRA } });
    expect(refusal(worker, { type: 'undo' })).toBe('nothingToUndo');
    const early = plate();
    early.give({ type: 'countLine', item: 'a1', found: 3, damaged: 0 });
    early.give({ type: 'countLine', item: 'a1', found: 4, damaged: 0 });
    early.give({ type: 'undo' });
    expect(early.log.state.lines.a1?.count?.found).toBe(3);
  });
});

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
      'notPermitted',
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
    return new Worker(open(kit), WRENCHES, MIRA, NOON);
  };
  const untilSnug = (worker: Worker) => {
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
    expect(refusal(worker, pullOf('g2', 13, { wrench: 'w-1', seatedAndBackedOff: true }))).toBe('outsideBand');
    worker.give(pullOf('g2', 10, { wrench: 'w-1', seatedAndBackedOff: true }));
    expect(worker.log.plan.stations.find((station) => station.id === 'g2')?.passIndexes).toEqual([0]);
  });
});

describe('what people may do', () => {
  it('an apprentice works but does not sign, correct or lift; the counter counts but does not pull', () => {
    const worker = plate();
    worker.checkIn();
    expect(refusal(worker, { type: 'startByHand', station: 's2' }, HOB)).toBe('accepted');
    expect(refusal(worker, { type: 'close', signature: 'Hob' }, HOB)).toBe('notPermitted');
    const counter: Person = { id: 'ismay', name: 'Ismay', role: 'counter' };
    expect(refusal(worker, { type: 'countLine', item: 'a1', found: 4, damaged: 0 }, counter)).toBe('accepted');
    expect(refusal(worker, { type: 'startByHand', station: 's2' }, counter)).toBe('notPermitted');
  });
  it('scrapping takes no more than the tray holds, and a reason', () => {
    const worker = plate();
    worker.checkIn();
    expect(refusal(worker, { type: 'scrapPiece', item: 'a3', quantity: 6, reason: 'bent' })).toBe('pieceShort');
    expect(refusal(worker, { type: 'scrapPiece', item: 'a3', quantity: 1, reason: '' })).toBe('reasonMissing');
    expect(refusal(worker, { type: 'useShopStock', item: 'a3', quantity: 0, reason: 'rack' })).toBe('quantityInvalid');
    worker.give({ type: 'scrapPiece', item: 'a3', quantity: 1, reason: 'bent' });
    expect(hardwareLedger(worker.log.plan, worker.log.state).find((line) => line.item.id === 'a3')).toMatchObject({
      scrapped: 1,
      onTray: 4,
    });
  });
});

describe('closing', () => {
  it('is refused with everything that is still in the way', () => {
    const outcome = tryCommand(plate(), { type: 'close', signature: 'Mira' });
    expect(outcome).toMatchObject({
      ok: false,
      refusal: { code: 'closeBlocked', blocks: [{ code: 'linesUncounted' }, { code: 'stationsOpen' }] },
    });
  });
  it('is refused while a piece is unaccounted for, and no lead may lift that', () => {
    const worker = plate();
    worker.checkIn();
    worker.startAll();
    worker.finishTorque();
    const blocks = () => closeBlocks(worker.log.plan, worker.log.state);
    expect(blocks()).toEqual([
      { code: 'piecesUnaccounted', item: 'a3', unaccounted: 1, onTray: 1 },
      { code: 'piecesUnaccounted', item: 'a4', unaccounted: 1, onTray: 1 },
    ]);
    expect(refusal(worker, { type: 'close', signature: 'Rafe' }, RAFE)).toBe('closeBlocked');
    worker.give({ type: 'declareSpare', item: 'a3', quantity: 1 });
    worker.give({ type: 'declareSpare', item: 'a4', quantity: 2 });
    expect(blocks()).toMatchObject([{ item: 'a4', unaccounted: -1 }]);
    worker.give({ type: 'declareSpare', item: 'a4', quantity: 1 });
    expect(refusal(worker, { type: 'close', signature: '' })).toBe('signatureMissing');
    expect(refusal(worker, { type: 'close', signature: 'Mira Vane' })).toBe('accepted');
  });
  it('a problem keeps it open until it is cleared with how', () => {
    const worker = plate();
    worker.give({ type: 'raiseProblem', station: 's1', text: 'thread feels rough' });
    const problem = Object.keys(worker.log.state.problems)[0] ?? '';
    expect(closeBlocks(worker.log.plan, worker.log.state)).toContainEqual({ code: 'problemOpen', problem });
    expect(refusal(worker, { type: 'clearProblem', problem, how: '' })).toBe('reasonMissing');
    worker.give({ type: 'clearProblem', problem, how: 'chased, runs by hand' });
    expect(refusal(worker, { type: 'clearProblem', problem, how: 'again' })).toBe('unknownProblem');
  });
});

describe('answers', () => {
  it('may change before work starts, and the plan follows', () => {
    const worker = plate(false);
    worker.give({ type: 'changeAnswer', question: 'shield', value: true });
    expect(worker.log.plan.stations).toHaveLength(12);
    expect(worker.log.state.answerChanges).toMatchObject([{ question: 'shield', from: false, to: true }]);
  });
  it('may change with bolts in, as long as those stay what they were', () => {
    const worker = plate(false);
    worker.checkIn();
    worker.give({ type: 'startByHand', station: 's1' });
    worker.give({ type: 'changeAnswer', question: 'shield', value: true });
    worker.checkIn();
    worker.give({ type: 'startByHand', station: 'sh1' });
    expect(refusal(worker, { type: 'changeAnswer', question: 'shield', value: false })).toBe('workContradicts');
    worker.give({ type: 'loosen', station: 'sh1', to: 'out', reason: 'no shield after all' });
    worker.give({ type: 'changeAnswer', question: 'shield', value: false });
    expect(worker.log.plan.stations).toHaveLength(8);
  });
  it('given by two people at once are not lost unseen', () => {
    const worker = plate(false);
    worker.give({ type: 'changeAnswer', question: 'shield', value: true, seen: false });
    expect(refusal(worker, { type: 'changeAnswer', question: 'modelYear', value: 2023, seen: 2019 })).toBe('accepted');
    expect(refusal(worker, { type: 'changeAnswer', question: 'shield', value: false, seen: false })).toBe(
      'answeredMeanwhile',
    );
    expect(refusal(worker, { type: 'changeAnswer', question: 'shield', value: false, seen: true })).toBe('accepted');
  });
});

/** Random commands, sensible and not, as any number of hands might give them. */
const anyCommand = (log: JobLog): fc.Arbitrary<JobCommand> => {
  const station = fc.constantFrom(...log.plan.stations.map((s) => s.id));
  const item = fc.constantFrom(...log.plan.items.map((i) => i.id));
  const wrench = fc.constantFrom('w-1', 'w-2', 'w-3', 'w-5');
  const few = fc.integer({ min: -1, max: 6 });
  return fc.oneof(
    fc.record({ type: fc.constant('countLine' as const), item, found: few, damaged: fc.integer({ min: 0, max: 2 }) }),
    fc.record({ type: fc.constant('useShopStock' as const), item, quantity: few, reason: fc.constant('rack') }),
    fc.record({ type: fc.constant('scrapPiece' as const), item, quantity: few, reason: fc.constant('bent') }),
    fc.record({ type: fc.constant('declareSpare' as const), item, quantity: few }),
    fc.record({ type: fc.constant('startByHand' as const), station }),
    fc.record({ type: fc.constant('applyCompound' as const), station, cleaned: fc.boolean() }),
    fc.record({ type: fc.constant('snug' as const), station, tool: fc.constant('hand' as const) }),
    fc.record({
      type: fc.constant('pull' as const),
      station,
      wrench,
      torqueNm: fc.double({ min: 0, max: 200, noNaN: true }),
      source: fc.constantFrom('typed' as const, 'live' as const),
      movementDeg: fc.constantFrom(0, 30),
    }),
    fc.record({
      type: fc.constant('loosen' as const),
      station,
      to: fc.constantFrom('started' as const, 'out' as const),
      reason: fc.constant('check'),
    }),
    fc.constant({ type: 'undo' as const }),
  );
};

describe('laws', () => {
  it('whatever is commanded, no line ever holds more than was supplied, and the ledger always adds up', () => {
    const log = open(FRONT_RECOVERY_POINTS, { shield: true });
    const counted = new Worker(log, WRENCHES, MIRA, NOON);
    counted.checkIn();
    fc.assert(
      fc.property(fc.array(anyCommand(log), { maxLength: 60 }), (commands) => {
        let current = counted.log;
        commands.forEach((command, index) => {
          current = takeCommand(current, WRENCHES, {
            id: `r-${index}`,
            atMs: NOON + index * 1000,
            by: MIRA,
            command,
          }).log;
          for (const line of hardwareLedger(current.plan, current.state)) {
            expect(line.supplied).toBe(line.fitted + line.spare + line.scrapped + line.missing + line.unaccounted);
            expect(line.onTray).toBeGreaterThanOrEqual(0);
          }
        });
      }),
      { numRuns: 150 },
    );
  });

  it('events of two fitters on different stations give the same state in any interleaving', () => {
    const done = plate(true);
    done.checkIn();
    const base = done.log;
    done.startAll();
    done.finishTorque();
    const work = done.events.filter(
      (event): event is JobEvent & { station: string } => 'station' in event && event.type !== 'problemRaised',
    );
    const mine = new Set(['s1', 's4', 's6', 'sh1', 'sh3']);
    const streams = [
      work.filter((event) => mine.has(event.station)).map((event) => ({ ...event, by: MIRA })),
      work.filter((event) => !mine.has(event.station)).map((event) => ({ ...event, by: TAM })),
    ] as const;
    const inOrder = [...streams[0], ...streams[1]].reduce(fold, base.state);
    fc.assert(
      fc.property(fc.infiniteStream(fc.boolean()), (coin) => {
        const [left, right] = [[...streams[0]], [...streams[1]]];
        let state = base.state;
        for (const first of coin) {
          const event = (first && left.length > 0) || right.length === 0 ? left.shift() : right.shift();
          if (!event) break;
          state = fold(state, event);
        }
        expect(state).toEqual(inOrder);
      }),
    );
  });

  it('commands of two fitters on different stations give the same state in any interleaving', () => {
    const base = guard();
    base.checkIn();
    const lanes = [
      ['g1', 'g3', 'g5'].map((station): [Person, JobCommand] => [MIRA, { type: 'startByHand', station }]),
      [
        ...['g2', 'g4', 'g6'].map((station): [Person, JobCommand] => [TAM, { type: 'startByHand', station }]),
        [TAM, { type: 'raiseProblem', station: 'g2', text: 'tight' }] as [Person, JobCommand],
      ],
    ] as const;
    const run = (coins: boolean[]) => {
      const [left, right] = [[...lanes[0]], [...lanes[1]]];
      let { log } = base;
      const turns = [...coins, ...Array.from({ length: 8 }, () => true)];
      for (const coin of turns) {
        const next = (coin && left.length > 0) || right.length === 0 ? left.shift() : right.shift();
        if (!next) break;
        const [by, command] = next;
        const id = 'station' in command ? `${command.type}-${command.station}` : command.type;
        log = takeCommand(log, WRENCHES, { id, atMs: NOON, by, command }).log;
      }
      return log.state;
    };
    const expected = run([]);
    fc.assert(fc.property(fc.array(fc.boolean(), { maxLength: 8 }), (coins) => expect(run(coins)).toEqual(expected)));
  });

  it('a repeated command id changes nothing', () => {
    const log = open(TRANSFER_CASE_GUARD);
    fc.assert(
      fc.property(fc.array(anyCommand(log), { maxLength: 25 }), (commands) => {
        let once = log;
        let twice = log;
        commands.forEach((command, index) => {
          const envelope = { id: `c-${index}`, atMs: NOON + index, by: MIRA, command };
          once = takeCommand(once, WRENCHES, envelope).log;
          twice = takeCommand(takeCommand(twice, WRENCHES, envelope).log, WRENCHES, envelope).log;
        });
        expect(twice.state).toEqual(once.state);
      }),
    );
  });

  it('replaying the events gives the state the commands gave', () => {
    const worker = bar();
    worker.checkIn();
    worker.startAll();
    worker.finishTorque();
    worker.closeOut('Mira Vane');
    const replayed = appendEvents(
      open(REAR_ANTI_ROLL_BAR, { bush: 'rubber' }),
      JSON.parse(JSON.stringify(worker.events)),
    );
    const plain = (state: JobState) => JSON.parse(JSON.stringify({ ...state, stations: [...state.stations] }));
    expect(plain(replayed.state)).toEqual(plain(worker.log.state));
  });
});

it('an empty job folds to itself', () => expect([].reduce(fold, emptyJob())).toEqual(emptyJob()));
it('torque in the demo is what the sheet prints', () => {
  expect(FRONT_RECOVERY_POINTS.stations[1]?.specs[0]?.spec).toMatchObject({
    targetNm: expect.closeTo(toBase(81, 'lbf·ft'), 2),
  });
});
