import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { KitDocumentSchema } from '#contract/kit.ts';
import { FRONT_LIFT, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { bar, guard, MIRA, NOON, openKit, plate, tryCommand, WRENCHES, workerOn } from '#demo/try-job.ts';
import { careList } from '../job/care.ts';
import { appendEvents, oneKit, openLog } from '../job/job-log.ts';
import { stationState } from '../job/job-state.ts';
import { besideOf, hasTurned } from '../job/retorque.ts';
import { stationMark } from '../job/station-progress.ts';
import { deviations } from '../record/deviations.ts';
import { recordLines } from '../record/record-lines.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { retorqueChoices, retorqueKit } from './retorque-kit.ts';

const JOB = '11111111-1111-4111-8111-111111111111';
const finished = (worker: CarefulFitter): CarefulFitter => {
  worker.checkIn();
  worker.startAll();
  worker.finishTorque();
  worker.closeOut();
  return worker;
};
function again(worker: CarefulFitter, care?: string): CarefulFitter {
  const { plan, state } = worker.log;
  const groups = retorqueChoices(plan, state, care)
    .filter(({ chosen }) => chosen)
    .map(({ group }) => group);
  const kit = retorqueKit(plan, state, {
    id: 'again-1',
    job: JOB,
    number: '261127-1',
    title: 'Re-torque',
    care,
    groups,
  });
  return new CarefulFitter(openKit(kit), WRENCHES, MIRA, NOON);
}
const pull = (worker: CarefulFitter, station: string, moved: boolean | undefined, over: object = {}) => {
  const target = worker.log.plan.stations.find(({ id }) => id === station)?.spec;
  const torqueNm = target && 'targetNm' in target ? target.targetNm : 10;
  return tryCommand(worker, {
    type: 'pull',
    station: station as never,
    torqueNm,
    wrench: 'w-1',
    source: 'typed',
    ...(moved === undefined ? {} : { moved }),
    ...over,
  });
};
/** Gives a pull and goes on from what came of it. */
const given = (worker: CarefulFitter, station: string, moved: boolean) => {
  const outcome = pull(worker, station, moved);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.refusal));
  worker.log = outcome.log;
  return outcome;
};

describe('what a re-torque is of', () => {
  const worker = finished(guard());
  it('is the joints of which what is due speaks, by default; the others can be chosen', () => {
    const { plan, state } = worker.log;
    const [care] = careList(plan, state);
    const choices = retorqueChoices(plan, state, care?.key);
    expect(choices.filter(({ chosen }) => chosen).flatMap(({ stations }) => stations)).toHaveLength(6);
  });
  it('is nothing that was never tightened', () => {
    const { plan, state } = guard().log;
    expect(retorqueChoices(plan, state)).toEqual([]);
  });
  it('a joint whose locker has set is not chosen by default, and says why', () => {
    const locked = [finished(plate()), finished(bar()), finished(workerOn(FRONT_LIFT))].flatMap(({ log }) =>
      retorqueChoices(log.plan, log.state).filter(({ not }) => not !== undefined),
    );
    expect(locked.length).toBeGreaterThan(0);
    for (const { chosen } of locked) expect(chosen).toBe(false);
  });
  it('makes a kit that its own schema takes, with the pieces as the vehicle’s own', () => {
    for (const one of [worker, finished(workerOn(FRONT_LIFT))]) {
      const kit = again(one).log.setup.kits[0]?.document;
      const read = KitDocumentSchema.safeParse(JSON.parse(JSON.stringify(kit)));
      expect(read.success ? [] : read.error.issues).toEqual([]);
      expect(kit?.items.every(({ source }) => source === 'factory')).toBe(true);
    }
  });
});

describe('pulling it', () => {
  it('begins with every joint snug: nothing is started, counted or fitted', () => {
    const worker = again(finished(guard()));
    const { plan, state } = worker.log;
    for (const station of plan.stations) {
      expect(stationState(state, station.id).stage).toBe('snug');
      // Nothing says that it is tight before somebody has pulled it.
      expect(stationMark(plan, station, state)).toBe('snug');
      expect(station.passIndexes).toEqual([0]);
    }
    expect(plan.steps.flatMap(({ actions }) => actions.map(({ type }) => type))).not.toContain('start');
    // Opened again from the same setup it is the same: a stored job replays.
    const opened = openLog({
      ...oneKit(worker.log.setup.kits[0]?.document as never),
      vehicle: worker.log.setup.vehicle,
      answers: {},
      shop: worker.log.setup.shop,
    });
    expect(opened.ok && [...opened.value.state.stations.keys()]).toEqual([...state.stations.keys()]);
  });
  it('a click alone is not taken: whether it turned must be said', () => {
    const worker = again(finished(guard()));
    const outcome = pull(worker, worker.log.plan.groups[0]?.torqueOrder[0] ?? '', undefined);
    expect(outcome.ok ? undefined : outcome.refusal).toMatchObject({ code: 'movementNotSaid' });
  });
  it('one that held is verified, and all of them make the job whole', () => {
    const worker = again(finished(guard()));
    for (const { id } of worker.log.plan.stations) given(worker, id, false);
    for (const station of worker.log.plan.stations)
      expect(stationMark(worker.log.plan, station, worker.log.state)).toBe('verified');
    expect(deviations(worker.log.plan, worker.log.state)).toEqual([]);
  });
  it('one that turned is a deviation, and those beside it that were pulled before are pulled once more', () => {
    const worker = again(finished(guard()));
    const { plan } = worker.log;
    const [first, second] = plan.groups[0]?.torqueOrder ?? [];
    const group = plan.groups[0];
    const station = plan.stations.find(({ id }) => id === second);
    if (!first || !second || !group || !station) throw new Error('two stations');
    given(worker, first, false);
    const beside = besideOf(plan, group, station).includes(first);
    const outcome = given(worker, second, true);
    expect(outcome.events.some(({ type }) => type === 'besideReopened')).toBe(beside);
    expect(deviations(worker.log.plan, worker.log.state)).toMatchObject([{ kind: 'turnedSince', station: second }]);
    const line = recordLines(worker.log.plan, worker.log.state)
      .flatMap(({ joints }) => joints)
      .find((joint) => joint.station.id === first);
    expect(line?.pulls.map(({ stands }) => stands)).toEqual([beside ? 'besideTurned' : 'stands']);
    // And the record replays to the same.
    const opened = openLog(worker.log.setup);
    if (!opened.ok) throw new Error('opens');
    expect(appendEvents(opened.value, outcome.events).state.stations.get(second as never)?.pulls).toHaveLength(1);
  });
  it('whatever turns in whatever order, it ends when each was pulled after its neighbours turned', () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: 6, maxLength: 6 }), (turns) => {
        const worker = again(finished(guard()));
        const left = new Map(worker.log.plan.stations.map(({ id }, at) => [id as string, turns[at] ?? false]));
        for (let round = 0; round < 40; round++) {
          const next = worker.log.plan.stations.find(
            (station) => stationMark(worker.log.plan, station, worker.log.state) !== 'verified',
          );
          if (!next) return true;
          given(worker, next.id, left.get(next.id) ?? false);
          // What was drawn on once holds.
          left.set(next.id, false);
        }
        return false;
      }),
      { numRuns: 12 },
    );
  });
  it('what a wrench measured counts before what is said', () => {
    expect([
      hasTurned({ movementDeg: 0.5 }),
      hasTurned({ movementDeg: 9 }),
      hasTurned({ moved: true }),
      hasTurned({}),
    ]).toEqual([false, true, true, false]);
  });
});

it('beside a corner bolt are its nearest, and not the one across', () => {
  const { plan } = openKit(TRANSFER_CASE_GUARD);
  const [group] = plan.groups;
  const corner = plan.stations.find(({ id }) => id === 'g1');
  if (!group || !corner) throw new Error('a corner');
  const beside = besideOf(plan, group, corner);
  const mm = (id: string) => {
    const other = plan.stations.find((station) => station.id === id);
    return Math.hypot((other?.xMm ?? 0) - corner.xMm, (other?.yMm ?? 0) - corner.yMm);
  };
  const far = group.stations.filter((id) => id !== corner.id && !beside.includes(id));
  expect(Math.max(...beside.map(mm))).toBeLessThan(Math.min(...far.map(mm)));
});
