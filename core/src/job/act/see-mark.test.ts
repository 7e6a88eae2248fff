import { describe, expect, it } from '@jest/globals';
import { FRONT_RECOVERY_POINTS } from '#demo/kits.ts';
import { pullOf, refusal, untilSnug, workerOn } from '#demo/try-job.ts';
import { indexOf } from '../../kit/plan.ts';
import { deviations } from '../../record/deviations.ts';
import { recordLines } from '../../record/record-lines.ts';
import type { CarefulFitter } from '../../rehearse/careful-fitter.ts';
import { nextStep } from '../next-station.ts';
import { groupComplete, stationMark } from '../station-progress.ts';

const DAY_MS = 86_400_000;

/** The locked plate at full torque, its second look still to come. */
function atSecondLook(): { worker: CarefulFitter; station: string } {
  const kit = structuredClone(FRONT_RECOVERY_POINTS);
  Object.assign(kit.groups[0] as object, { stages: [1], verify: true });
  const worker = untilSnug(workerOn(kit, { shield: false }), 'plate');
  for (;;) {
    const next = nextStep(worker.log.plan, worker.log.state, 'plate');
    if (next.kind !== 'pull') throw new Error('a pull');
    const { passes } = indexOf(worker.log.plan).groups.get('plate') ?? { passes: [] };
    if (passes[next.pass]?.kind === 'verify') return { worker, station: next.station };
    worker.step();
  }
}

describe('the second look at a locked joint', () => {
  it('is a pull while the locker works, and at the mark once it has set', () => {
    const { worker, station } = atSecondLook();
    expect(refusal(worker, { type: 'seeMark', station })).toBe('markProvesNothing');
    expect(refusal(worker, pullOf(station, 55), undefined, DAY_MS)).toBe('threadHasSet');
    expect(refusal(worker, { type: 'seeMark', station }, undefined, DAY_MS)).toBe('accepted');
  });
  it('at the mark completes the joint, is no deviation, and stands on the record', () => {
    const { worker } = atSecondLook();
    worker.nowMs += DAY_MS;
    worker.finishTorque();
    const { plan, state } = worker.log;
    expect(groupComplete(plan, state, 'plate')).toBe(true);
    const [first] = plan.stations;
    expect(first && stationMark(plan, first, state)).toBe('verified');
    expect(recordLines(plan, state)[0]?.joints.every(({ looks }) => looks.length === 1)).toBe(true);
    expect(deviations(plan, state)).toEqual([]);
  });
  it('a joint that is loosened again has no mark', () => {
    const { worker, station } = atSecondLook();
    worker.nowMs += DAY_MS;
    worker.give({ type: 'seeMark', station });
    worker.give({ type: 'loosen', station, to: 'out', reason: 'mark had moved on its neighbour' });
    expect(worker.log.state.stations.get(station)?.marks).toBeUndefined();
  });
  it('is read again once a joint beside it was tightened anew', () => {
    const { worker } = atSecondLook();
    worker.nowMs += DAY_MS;
    const { plan } = worker.log;
    const [one, two] = plan.groups.find(({ id }) => id === 'plate')?.torqueOrder ?? [];
    if (!one || !two) throw new Error('two joints');
    worker.give({ type: 'seeMark', station: one });
    worker.give({ type: 'loosen', station: two, to: 'started', reason: 'washer turned' });
    for (;;) {
      const next = nextStep(worker.log.plan, worker.log.state, 'plate');
      if (next.kind === 'pull' && next.station === two) break;
      if (!worker.step()) throw new Error('nothing left');
    }
    expect(stationMark(plan, plan.stations.find(({ id }) => id === one) as never, worker.log.state)).toBe('verified');
    worker.step();
    expect(stationMark(plan, plan.stations.find(({ id }) => id === one) as never, worker.log.state)).toBe('atTorque');
    worker.finishTorque();
    expect(
      recordLines(plan, worker.log.state)[0]?.joints.find(({ station }) => station.id === one)?.looks,
    ).toHaveLength(2);
  });
});
