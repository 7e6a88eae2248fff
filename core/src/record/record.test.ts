import { describe, expect, it } from '@jest/globals';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { bar, guard, MIRA, pullOf, RAFE, tryCommand, untilSnug } from '#demo/try-job.ts';
import { stationState } from '../job/job-state.ts';
import { nextStep } from '../job/next-station.ts';
import type { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { deviations } from './deviations.ts';
import { type JointLine, recordLines } from './record-lines.ts';

const GROUP = TRANSFER_CASE_GUARD.groups[0]?.id ?? '';
const snug = () => untilSnug(guard(), GROUP);
const lines = ({ log }: CarefulFitter) => recordLines(log.plan, log.state);
const joint = (worker: CarefulFitter, id: string): JointLine => {
  const found = lines(worker)
    .flatMap(({ joints }) => joints)
    .find(({ station }) => station.id === id);
  if (!found) throw new Error(id);
  return found;
};
const kinds = ({ log }: CarefulFitter) => deviations(log.plan, log.state).map(({ kind }) => kind);
const of = <K extends string>({ log }: CarefulFitter, kind: K) =>
  deviations(log.plan, log.state).filter((d) => d.kind === kind);
const pullAt = (worker: CarefulFitter, torqueNm: number, extra = {}) => {
  const next = nextStep(worker.log.plan, worker.log.state, GROUP);
  if (next.kind !== 'pull') throw new Error(next.kind);
  worker.give(pullOf(next.station, torqueNm, { wrench: 'w-1', ...extra }));
  return next.station;
};
const lastPull = (worker: CarefulFitter, id: string) => {
  const pull = stationState(worker.log.state, id).pulls.at(-1);
  if (!pull) throw new Error('no pull');
  return pull;
};

describe('the lines of a record', () => {
  it('have every joint of the plan once, in the order its group is torqued', () => {
    const worker = bar();
    const { groups, stations } = worker.log.plan;
    expect(lines(worker).map(({ group }) => group.id)).toEqual(groups.map(({ id }) => id));
    expect(lines(worker).flatMap(({ joints }) => joints.map(({ station }) => station.id))).toEqual(
      groups.flatMap(({ torqueOrder }) => torqueOrder),
    );
    expect(lines(worker).flatMap(({ joints }) => joints)).toHaveLength(stations.length);
  });
  it('of a job not begun are empty, and say what the joint is told by', () => {
    for (const { joints } of lines(guard()))
      for (const line of joints) {
        expect(line).toMatchObject({ mark: 'empty', pulls: [], treated: undefined, stop: undefined });
        expect(line.fastener).toBeDefined();
      }
  });
  it('keep every pull with its pass, and say which still proves something', () => {
    const worker = snug();
    const station = pullAt(worker, 10.2);
    expect(joint(worker, station).pulls).toMatchObject([{ stands: 'stands', pull: { torqueNm: 10.2 } }]);
    expect(joint(worker, station).pulls[0]?.pass).toBe(worker.log.plan.groups[0]?.passes[0]);
    worker.give({ type: 'loosen', station, to: 'started', reason: 'washer upside down' });
    expect(joint(worker, station).pulls[0]?.stands).toBe('loosenedSince');
  });
  it('a pull taken back stays in the record as one', () => {
    const worker = snug();
    const station = pullAt(worker, 10.2);
    worker.give({ type: 'undo' });
    expect(joint(worker, station).pulls).toMatchObject([{ stands: 'takenBack' }]);
  });
  it('a station that left the plan with an answer leaves the record too', () => {
    const plan = guard().log.plan;
    const gone = { ...plan, stations: plan.stations.slice(1) };
    const ids = recordLines(gone, guard().log.state).flatMap(({ joints }) => joints.map(({ station }) => station.id));
    expect(ids).not.toContain(plan.stations[0]?.id);
    expect(ids).toHaveLength(plan.stations.length - 1);
  });
});

describe('what departed from the plan', () => {
  it('of a job done as planned is nothing', () => {
    const worker = guard();
    worker.checkIn();
    worker.startAll();
    worker.finishTorque();
    worker.closeOut();
    expect(deviations(worker.log.plan, worker.log.state)).toEqual([]);
  });
  it('a pull past its band, taken back or corrected', () => {
    const worker = snug();
    const first = pullAt(worker, 10.2);
    const pull = lastPull(worker, first);
    worker.give({ type: 'correctPull', station: first, pull: pull.id, torqueNm: 10.6, reason: 'misread' });
    expect(of(worker, 'pullCorrected')).toMatchObject([{ from: 10.2, to: 10.6, reason: 'misread', station: first }]);
    pullAt(worker, 14, { confirmed: true });
    expect(kinds(worker)).toContain('pullMissed');
    worker.give({ type: 'undo' });
    expect(kinds(worker)).toContain('pullWithdrawn');
  });
  it('a joint loosened again, with what it spent', () => {
    const worker = snug();
    const station = pullAt(worker, 10.2);
    worker.give({ type: 'loosen', station, to: 'started', reason: 'washer upside down' });
    expect(of(worker, 'loosened')).toMatchObject([{ station, reason: 'washer upside down' }]);
  });
  it('a rule a lead lifted is under the lead’s name', () => {
    const worker = guard();
    worker.checkIn();
    worker.give({ type: 'startByHand', station: 'g1' });
    worker.give({ type: 'override', refusal: 'groupNotAllStarted', station: 'g1', reason: 'bracket in the way' }, RAFE);
    worker.give({ type: 'snug', station: 'g1', tool: 'hand' });
    expect(of(worker, 'override')).toMatchObject([{ refusal: 'groupNotAllStarted', by: { name: RAFE.name } }]);
  });
  it('pieces short, from stock and scrapped, each with its count', () => {
    const worker = guard();
    const [item] = worker.log.plan.items;
    if (!item) throw new Error('an item');
    worker.give({ type: 'countLine', item: item.id, found: item.quantity - 2, damaged: 1 });
    expect(of(worker, 'lineShort')).toMatchObject([{ item: item.id, missing: 2, damaged: 1 }]);
    worker.give({ type: 'useShopStock', item: item.id, quantity: 3, reason: 'from the rack' });
    worker.give({ type: 'scrapPiece', item: item.id, quantity: 1, reason: 'bent' });
    expect(kinds(worker)).toEqual(['lineShort', 'shopStock', 'scrapped']);
  });
  it('more than the sheet says is no deviation of the record', () => {
    const worker = guard();
    const [item] = worker.log.plan.items;
    worker.give({ type: 'countLine', item: item?.id ?? '', found: (item?.quantity ?? 0) + 1, damaged: 0 });
    expect(kinds(worker)).toEqual([]);
  });
  it('a problem, and how it was cleared', () => {
    const worker = guard();
    worker.give({ type: 'raiseProblem', station: 'g1', text: 'Will not start' });
    expect(of(worker, 'problem')).toMatchObject([{ text: 'Will not start', cleared: undefined }]);
    const [id] = Object.keys(worker.log.state.problems);
    worker.give({ type: 'clearProblem', problem: id ?? '', how: 'Thread chased' });
    expect(of(worker, 'problem')).toMatchObject([{ cleared: 'Thread chased' }]);
  });
  it('a calculation put to use, by a lead', () => {
    const worker = guard();
    const use = {
      type: 'useCalculation' as const,
      tool: 'torque',
      summary: 'M10: 49 N·m',
      link: '/bench/torque',
      reason: 'silent',
    };
    expect(tryCommand(worker, use, MIRA)).toMatchObject({ ok: false, refusal: { code: 'notPermitted' } });
    worker.give(use, RAFE);
    expect(of(worker, 'calculation')).toMatchObject([{ summary: 'M10: 49 N·m', reason: 'silent' }]);
  });
  it('are told in the order they happened', () => {
    const worker = guard();
    worker.give({ type: 'raiseProblem', text: 'first' });
    const [item] = worker.log.plan.items;
    worker.give({ type: 'countLine', item: item?.id ?? '', found: 0, damaged: 0 });
    worker.give({ type: 'raiseProblem', text: 'third' });
    expect(kinds(worker)).toEqual(['problem', 'lineShort', 'problem']);
  });
});
