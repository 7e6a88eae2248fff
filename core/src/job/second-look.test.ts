import { beforeAll, describe, expect, it } from '@jest/globals';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { bar, HOB, MIRA, NOON, plate, RAFE, refusal, TAM, tryCommand, WRENCHES } from '#demo/try-job.ts';
import type { HouseRules } from '../kit/house-rules.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import type { PlanStation } from '../kit/plan.ts';
import { deviations } from '../record/deviations.ts';
import { lookLines } from '../record/look-lines.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import type { LookAgain } from './act/look-again.ts';
import { closeBlocks } from './close-blocks.ts';
import { oneKit, openLog, takeCommand } from './job-log.ts';
import { lookKey } from './look.ts';
import { BREAK_MS, lookable, lookBand, looksDue, standingLook } from './second-look.ts';

/** The guard with every bolt at torque, in a shop with rules of its own. */
function torqued(rules: Partial<HouseRules>, kit: KitDocument = TRANSFER_CASE_GUARD): CarefulFitter {
  const opened = openLog({
    ...oneKit(kit),
    vehicle: { modelYear: 2021, drivenWheels: 'four', body: 'dual-cab' },
    answers: {},
    shop: rules,
  });
  if (!opened.ok) throw new Error(opened.error.code);
  const worker = new CarefulFitter(opened.value, WRENCHES, MIRA, NOON);
  worker.checkIn();
  worker.startAll();
  worker.finishTorque();
  return worker;
}
const stripe = (station: string, holds = true): LookAgain => ({
  type: 'lookAgain',
  target: { station },
  way: 'stripe',
  holds,
});
const pullTo = (torqueNm: number, holds = true): LookAgain => ({
  type: 'lookAgain',
  target: { station: 'g1' },
  way: 'pull',
  holds,
  torqueNm,
  wrench: 'w-1',
});
/** What the guard's bolts are to hold. */
const bandOf = (worker: CarefulFitter) => {
  const station = worker.log.plan.stations.find(({ id }) => id === 'g1');
  const band = station && lookBand(worker.log.plan, worker.log.state, station, worker.nowMs);
  if (!band) throw new Error('no band');
  return band;
};
const due = ({ log: { plan, state } }: CarefulFitter) => looksDue(plan, state).map(lookKey);

describe('what is asked', () => {
  it('nothing, where lives hang on it, or everything, as the shop has it', () => {
    expect(due(torqued({}))).toEqual([]);
    expect(due(torqued({ secondLook: 'critical' }))).toEqual([]);
    const all = torqued({ secondLook: 'all' });
    expect(due(all)).toHaveLength(all.log.plan.stations.length);
    const [first, ...rest] = TRANSFER_CASE_GUARD.stations;
    if (!first) throw new Error('no station');
    const critical = { ...TRANSFER_CASE_GUARD, stations: [{ ...first, tags: ['safetyCritical' as const] }, ...rest] };
    expect(due(torqued({ secondLook: 'critical' }, critical))).toEqual([`station:${first.id}`]);
  });
  it('keeps the job open until everything asked for holds', () => {
    const worker = torqued({ secondLook: 'all' });
    const blocks = () => closeBlocks(worker.log.plan, worker.log.state).find(({ code }) => code === 'secondLookDue');
    expect(blocks()).toMatchObject({ targets: lookable(worker.log.plan, worker.log.state) });
    for (const { id } of worker.log.plan.stations) worker.give(stripe(id), TAM);
    expect(blocks()).toBeUndefined();
  });
  it('nothing is looked at before it is finished', () => {
    const worker = torqued({});
    worker.give({ type: 'loosen', station: 'g1', to: 'started', reason: 'washer' });
    expect(refusal(worker, stripe('g1'), TAM)).toBe('lookNotDue');
    expect(refusal(worker, stripe('ghost'), TAM)).toBe('lookNotDue');
  });
});

describe('who looks', () => {
  it('not the one whose work it is, nor one who answers for nothing', () => {
    const worker = torqued({});
    expect(refusal(worker, stripe('g1'), MIRA)).toBe('lookOwnWork');
    expect(refusal(worker, stripe('g1'), HOB)).toBe('notPermitted');
    for (const by of [TAM, RAFE]) expect(refusal(worker, stripe('g1'), by)).toBe('accepted');
  });
  it('where the shop lets it, the same after a break, and the record says so', () => {
    const worker = torqued({ secondLookBy: 'afterBreak' });
    expect(tryCommand(worker, stripe('g1'), MIRA)).toMatchObject({ refusal: { code: 'lookTooSoon' } });
    worker.nowMs += BREAK_MS;
    worker.give(stripe('g1'), MIRA);
    expect(deviations(worker.log.plan, worker.log.state)).toContainEqual(
      expect.objectContaining({ kind: 'ownLook', target: { station: 'g1' } }),
    );
    worker.give(stripe('g2'), TAM);
    expect(deviations(worker.log.plan, worker.log.state).filter(({ kind }) => kind === 'ownLook')).toHaveLength(1);
  });
});

describe('another pull', () => {
  let worker: CarefulFitter;
  beforeAll(() => {
    worker = torqued({ secondLook: 'all' });
  });
  it('is made at the figure: below its band a bolt that does not move says nothing', () => {
    const { targetNm, minNm } = bandOf(worker);
    expect(tryCommand(worker, pullTo(minNm - 0.5), TAM)).toMatchObject({ refusal: { code: 'lookTooLow' } });
    expect(refusal(worker, pullTo(targetNm), TAM)).toBe('accepted');
    expect(refusal(worker, { ...pullTo(targetNm), wrench: 'ghost' }, TAM)).toBe('unknownWrench');
    expect(refusal(worker, { ...pullTo(targetNm), torqueNm: undefined }, TAM)).toBe('implausibleTorque');
    expect(refusal(worker, { ...pullTo(targetNm), entered: { value: 99, unit: 'N·m' } }, TAM)).toBe('enteredDisagrees');
  });
  it('with a wrench out of calibration is refused as any pull is', () => {
    const { targetNm } = bandOf(worker);
    const stale = WRENCHES.map((one) => ({ ...one, calibrationDueOn: '2020-01-01' }));
    const envelope = { id: 'stale', atMs: worker.nowMs, by: TAM, command: pullTo(targetNm) };
    expect(takeCommand(worker.log, stale, envelope)).toMatchObject({ refusal: { code: 'wrenchOutOfCalibration' } });
    expect(takeCommand(worker.log, WRENCHES, envelope).ok).toBe(true);
  });
  it.each([
    ['that moved', (targetNm: number) => pullTo(targetNm, false), /it moved at/],
    ['over the band', (_: number, maxNm: number) => pullTo(maxNm + 2), /over its band/],
    ['with a broken stripe', () => stripe('g1', false), /stripe is broken/],
  ])('%s opens a finding that keeps the job open, and the look is asked anew', (_, make, text) => {
    const fresh = torqued({ secondLook: 'all' });
    const { targetNm, maxNm } = bandOf(fresh);
    fresh.give(make(targetNm, maxNm), TAM);
    const [problem, entry] = Object.entries(fresh.log.state.problems)[0] ?? [];
    expect(entry).toMatchObject({ station: 'g1', text: expect.stringMatching(text) });
    expect(closeBlocks(fresh.log.plan, fresh.log.state)).toContainEqual({ code: 'problemOpen', problem });
    expect(due(fresh)).toContain('station:g1');
    // What disagreed is not taken back, it is cleared with how.
    expect(refusal(fresh, { type: 'undo' }, TAM)).toBe('nothingToUndo');
    fresh.give({ type: 'clearProblem', problem: problem ?? '', how: 'Retorqued' });
    expect(due(fresh)).toContain('station:g1');
    fresh.give(stripe('g1'), TAM);
    expect(due(fresh)).not.toContain('station:g1');
  });
  it.each([
    ['an angle is turned', bar, 0, ({ spec }: PlanStation) => spec.kind === 'torqueAngle'],
    ['a locker has set', plate, 24 * 3_600_000, ({ compound }: PlanStation) => compound !== undefined],
  ] as const)('does harm where %s: there the stripe tells', (_, make, laterMs, is) => {
    const other = make();
    other.checkIn();
    other.finishTorque();
    other.nowMs += laterMs;
    const { plan, state } = other.log;
    const harmed = plan.stations.find(is);
    if (!harmed) throw new Error('none such');
    expect(lookBand(plan, state, harmed, other.nowMs)).toBeUndefined();
    expect(refusal(other, { ...pullTo(50), target: { station: harmed.id } }, TAM)).toBe('pullDoesHarm');
    expect(refusal(other, stripe(harmed.id), TAM)).toBe('accepted');
  });
});

describe('a look that held', () => {
  it('is taken back by the one who said it, and falls when the joint is worked on again', () => {
    const worker = torqued({ secondLook: 'all' });
    worker.give(stripe('g1'), TAM);
    expect(standingLook(worker.log.state, worker.log.plan, { station: 'g1' })).toMatchObject({ way: 'stripe' });
    worker.give({ type: 'undo' }, TAM);
    expect(due(worker)).toContain('station:g1');
    worker.give(stripe('g1'), TAM);
    worker.nowMs += 60_000;
    worker.give({ type: 'loosen', station: 'g1', to: 'started', reason: 'washer' });
    worker.finishTorque();
    expect(due(worker)).toContain('station:g1');
    expect(lookLines(worker.log.plan, worker.log.state).map(({ stands }) => stands)).toEqual([false]);
  });
});

describe('what was opened and is closed again', () => {
  it('is looked at with eyes and fingers, by somebody else', () => {
    const worker = torqued({ secondLook: 'all' });
    worker.give({ type: 'addDebt', name: 'Fog lamp plug', kind: 'disconnect', count: 1, end: 'cleared' });
    const id = Object.keys(worker.log.state.visit.debts).at(-1) ?? '';
    const seen = (holds: boolean): LookAgain => ({ type: 'lookAgain', target: { debt: id }, way: 'seen', holds });
    expect(refusal(worker, seen(true), TAM)).toBe('lookNotDue');
    worker.give({ type: 'closeDebt', debt: id, count: 1, end: 'cleared' });
    expect(due(worker)).toContain(`debt:${id}`);
    expect(refusal(worker, { ...seen(true), way: 'stripe' }, TAM)).toBe('lookWay');
    expect(refusal(worker, { ...seen(true), way: 'pull' }, TAM)).toBe('lookWay');
    expect(refusal(worker, seen(true), MIRA)).toBe('lookOwnWork');
    worker.give({ ...seen(false), note: 'Tab broken' }, TAM);
    expect(Object.values(worker.log.state.problems)[0]?.text).toBe('Second look: not as it should be. Tab broken');
    worker.give(seen(true), TAM);
    expect(due(worker)).not.toContain(`debt:${id}`);
  });
});
