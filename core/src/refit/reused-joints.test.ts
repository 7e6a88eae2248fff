import { describe, expect, it } from '@jest/globals';
import { FRONT_BALL_JOINTS, FRONT_LIFT, REAR_AIR_SPRINGS } from '#demo/kits.ts';
import { MIRA, openKit, RAFE, tryCommand, workerOn } from '#demo/try-job.ts';
import { closeBlocks } from '../job/close-blocks.ts';
import { oneKit, openLog } from '../job/job-log.ts';
import { stationState } from '../job/job-state.ts';
import { nextOnLine } from '../job/line-next.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import type { Plan, PlanStep } from '../kit/plan.ts';
import type { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { withReusedJoints } from './reused-joints.ts';

const jointsOf = (plan: Plan, thing: string) => plan.groups.filter(({ again }) => again?.thing === thing);
const untilAct = (worker: CarefulFitter, type: string, id: string) => {
  const next = () => nextOnLine(worker.log.plan, worker.log.state, MIRA.id, worker.nowMs)?.act;
  worker.while(() => {
    const action = next()?.action;
    return !(action?.type === type && Object.values(action).includes(id));
  });
  return next()?.id ?? '';
};
const AXLE = { bought: 'pair' };
const VEHICLE = { modelYear: 2021, drivenWheels: 'four', body: 'dual-cab' };

describe('fasteners of the vehicle that go back in', () => {
  it('are joints with stations, one for each piece, to the figure the sheet prints', () => {
    const { plan } = openKit(FRONT_BALL_JOINTS, AXLE);
    const [caliper] = jointsOf(plan, 'caliper-bolts-left');
    expect(caliper?.stations).toHaveLength(2);
    const first = plan.stations.find(({ id }) => id === caliper?.stations[0]);
    expect(first).toMatchObject({ name: 'Caliper bolts, left, 1 of 2', printed: '85 lbf·ft', side: 'left', stack: [] });
    const labels = plan.stations.map(({ label }) => label);
    expect(new Set(labels).size).toBe(labels.length);
  });

  it('of two wheels are two rings, drawn on crosswise in the air and pulled in stages on the ground', () => {
    const five: KitDocument = structuredClone(REAR_AIR_SPRINGS);
    for (const thing of five.removed) if (thing.id === 'nuts') thing.count = 10;
    const { plan } = openKit(five, { raised: false });
    const rings = jointsOf(plan, 'nuts');
    expect(rings.map(({ title, stations }) => [title, stations.length])).toEqual([
      ['rear wheel nuts, left', 5],
      ['rear wheel nuts, right', 5],
    ]);
    const [ring] = rings;
    // Five nuts: every second one, so that the wheel is drawn on evenly (common practice, no source).
    expect(ring?.torqueOrder.map((id) => id.split('.').at(-1))).toEqual(['1', '3', '5', '2', '4']);
    expect(ring?.snugOrder).toEqual(ring?.torqueOrder);
    expect(ring?.passes).toEqual([
      { kind: 'tighten', fraction: 0.5 },
      { kind: 'tighten', fraction: 1 },
      { kind: 'verify' },
    ]);
    const place = (type: string, group = '') =>
      plan.steps.findIndex(({ actions }) =>
        actions.some(
          (action) => action.type === type && (group === '' || ('group' in action && action.group === group)),
        ),
      );
    const lowered = plan.steps.findLastIndex(({ actions }) => actions.some(({ type }) => type === 'lower'));
    expect(place('snug', ring?.id)).toBeLessThan(lowered);
    expect(place('torque', ring?.id)).toBe(lowered);
  });

  it('wait for their own end to be let down, not for the other', () => {
    const told = openLog({ ...oneKit(REAR_AIR_SPRINGS), vehicle: VEHICLE, answers: { raised: false }, shop: {} });
    if (!told.ok) throw new Error(told.error.code);
    const { plan } = told.value;
    const at = plan.steps.findLastIndex(({ actions }) => actions.some(({ type }) => type === 'lower'));
    const rear = plan.steps[at] as PlanStep;
    const nose: PlanStep = { ...rear, id: 'nose', actions: [{ type: 'lower', end: 'front' }] };
    const steps = [...plan.steps.slice(0, at), nose, ...plan.steps.slice(at)];
    const made = withReusedJoints({ ...plan, steps, rules: { ...plan.rules, proof: 'measured' } }, {});
    const [ring] = jointsOf(made, 'nuts');
    const torqued = made.steps.find(({ actions }) =>
      actions.some((action) => action.type === 'torque' && action.group === ring?.id),
    );
    expect(torqued?.id).toBe(rear.id);
  });

  it('are started by hand as they are put back, and taken back with it', () => {
    const worker = workerOn(FRONT_BALL_JOINTS, AXLE);
    worker.checkIn();
    const act = untilAct(worker, 'refit', 'caliper-bolts-left');
    const stages = () =>
      jointsOf(worker.log.plan, 'caliper-bolts-left').flatMap(({ stations }) =>
        stations.map((id) => stationState(worker.log.state, id).stage),
      );
    expect(stages()).toEqual(['empty', 'empty']);
    worker.give({ type: 'doAct', act });
    expect(stages()).toEqual(['started', 'started']);
    worker.give({ type: 'undo' });
    expect(stages()).toEqual(['empty', 'empty']);
    worker.give({ type: 'doAct', act });
    const [station = ''] = jointsOf(worker.log.plan, 'caliper-bolts-left')[0]?.snugOrder ?? [];
    worker.give({ type: 'snug', station, tool: 'hand' });
    // One of them is run down: a press takes back that, and not what it stands on.
    worker.give({ type: 'undo' });
    expect(stages()).toEqual(['started', 'started']);
    expect(tryCommand(worker, { type: 'undo' })).toMatchObject({ ok: false });
  });

  it('keep the job open until each is pulled', () => {
    const worker = workerOn(FRONT_BALL_JOINTS, AXLE);
    worker.checkIn();
    untilAct(worker, 'refit', 'caliper-bolts-right');
    const group = jointsOf(worker.log.plan, 'caliper-bolts-right')[0]?.id;
    expect(closeBlocks(worker.log.plan, worker.log.state)).toContainEqual(
      expect.objectContaining({ code: 'stationsOpen', group }),
    );
    worker.while(() => true);
    expect(closeBlocks(worker.log.plan, worker.log.state).map(({ code }) => code)).not.toContain('stationsOpen');
  });

  it('without a figure wait for one, and are joints once it is given; by feel they are none', () => {
    const worker = workerOn(REAR_AIR_SPRINGS, { raised: false });
    worker.checkIn();
    expect(jointsOf(worker.log.plan, 'dbolt')).toEqual([]);
    const figure = { spec: { kind: 'torque' as const, targetNm: 78 }, printed: '78 N·m' };
    worker.give({ type: 'giveFigure', target: 'dbolt', source: 'vehicleMaker', note: 'manual, p. 31', figure }, RAFE);
    expect(jointsOf(worker.log.plan, 'dbolt')[0]?.stations).toHaveLength(2);
    worker.give({ type: 'giveFigure', target: 'dbolt', source: 'byFeel', note: 'Hand tight' }, RAFE);
    expect(jointsOf(worker.log.plan, 'dbolt')).toEqual([]);
  });

  it('that the sheet tightens itself are not tightened twice', () => {
    expect(FRONT_LIFT.stations.some(({ tags }) => tags?.includes('wheel'))).toBe(true);
    expect(jointsOf(openKit(FRONT_LIFT).plan, 'nuts')).toEqual([]);
    const placed: KitDocument = structuredClone(FRONT_BALL_JOINTS);
    for (const station of placed.stations.slice(0, 1)) station.place = 'caliper bracket';
    for (const thing of placed.removed) if (thing.id === 'caliper-bolts-left') thing.place = 'caliper bracket';
    expect(jointsOf(openKit(placed, AXLE).plan, 'caliper-bolts-left')).toEqual([]);
  });

  it('loosened for access are pulled too', () => {
    const { plan } = openKit(FRONT_LIFT);
    expect(jointsOf(plan, 'exhaust').map(({ title, stations }) => [title, stations.length])).toEqual([
      ['exhaust bracket bolt', 1],
    ]);
  });

  it('of a job opened before stay told', () => {
    const before = openLog({ ...oneKit(FRONT_BALL_JOINTS), vehicle: {}, answers: AXLE, shop: {} });
    if (!before.ok) throw new Error(before.error.code);
    expect(before.value.plan.groups.filter(({ again }) => again)).toEqual([]);
    expect(openKit(FRONT_BALL_JOINTS, AXLE).plan.groups.filter(({ again }) => again)).toHaveLength(4);
  });
});
