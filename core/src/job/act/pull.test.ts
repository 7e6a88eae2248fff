import { describe, expect, it } from '@jest/globals';
import { FRONT_RECOVERY_POINTS } from '#demo/kits.ts';
import {
  HOB,
  MIRA,
  plate,
  platesSnug,
  pullOf,
  RAFE,
  refusal,
  TAM,
  tryCommand,
  untilSnug,
  WRENCHES,
  workerOn,
} from '#demo/try-job.ts';
import { indexOf } from '../../kit/plan.ts';
import { closeBlocks } from '../close-blocks.ts';
import { EVENT_VERSION } from '../event-version.ts';
import { fold } from '../fold.ts';
import { hardwareLedger } from '../hardware-ledger.ts';
import { takeCommand } from '../job-log.ts';
import { stationState } from '../job-state.ts';
import { nextStep, pullBand } from '../next-station.ts';
import { groupComplete, stationMark } from '../station-progress.ts';
import type { Stamped } from './act.ts';
import type { PullRecorded } from './pull.ts';

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
    worker.closeOut();
    expect(hardwareLedger(worker.log.plan, worker.log.state).find((line) => line.item.id === 'b1')).toMatchObject({
      supplied: 5,
      fitted: 4,
      scrapped: 1,
      unaccounted: 0,
    });
  });
  it('records the facts of a pull and nothing else that came with the command', () => {
    const { worker, first } = platesSnug();
    const command = { ...pullOf(first, 55, { confirmed: true }), note: 'stray', commandId: 'forged', atMs: 1 };
    const taken = tryCommand(worker, command);
    if (!taken.ok) throw new Error(taken.refusal.code);
    const said = JSON.parse(JSON.stringify(taken.events[0]));
    expect(Object.keys(said)).not.toEqual(expect.arrayContaining(['note']));
    expect(Object.keys(said)).not.toEqual(expect.arrayContaining(['confirmed']));
    expect(said.commandId).not.toBe('forged');
    expect(said.atMs).toBe(worker.nowMs);
  });
  it('keeps every fact of a recorded pull in the station', () => {
    const { worker, first } = platesSnug();
    const fact: Stamped<PullRecorded> = {
      type: 'pullRecorded',
      station: first,
      pass: 0,
      torqueNm: 55,
      angleDeg: 31,
      movementDeg: 12,
      gradientShare: 0.5,
      pinFits: true,
      seatedAndBackedOff: true,
      wrench: { id: 'w-3', label: 'Wrench', calibrationDueOn: '2027-01-01' },
      source: 'typed',
      entered: { value: 40.6, unit: 'lbf·ft' },
      verdict: 'accepted',
      targetNm: 55,
      minNm: 53,
      maxNm: 57,
      commandId: 'c-9',
      atMs: worker.nowMs,
      by: MIRA,
    };
    const { type: _type, ...facts } = fact;
    const state = fold(worker.log.state, { ...fact, version: EVENT_VERSION });
    expect(stationState(state, first).pulls.at(-1)).toEqual({ ...facts, id: 'c-9', corrections: [] });
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

describe('a second round at full torque', () => {
  it('is inside the locker’s window too, which a plain second look need not be', () => {
    const kit = structuredClone(FRONT_RECOVERY_POINTS);
    Object.assign(kit.groups[0] as object, { stages: [1, 1], verify: true });
    const worker = untilSnug(workerOn(kit, { shield: false }), 'plate');
    const round = () => nextStep(worker.log.plan, worker.log.state, 'plate');
    const passOf = () => {
      const next = round();
      return next.kind === 'pull' ? next.pass : undefined;
    };
    while (passOf() === 0) worker.step();
    const next = round();
    if (next.kind !== 'pull') throw new Error('a pull');
    const station = indexOf(worker.log.plan).stations.get(next.station);
    const band = station && pullBand(worker.log.plan, station, next.pass);
    const pull = pullOf(next.station, band?.targetNm ?? 0, { pass: next.pass });
    expect(refusal(worker, pull, undefined, 24 * 3_600_000)).toBe('lockerWindowClosed');
    while (passOf() === 1) worker.step();
    const look = round();
    if (look.kind !== 'pull') throw new Error('a second look');
    expect(
      refusal(worker, pullOf(look.station, band?.targetNm ?? 0, { pass: look.pass }), undefined, 24 * 3_600_000),
    ).not.toBe('lockerWindowClosed');
  });
});
