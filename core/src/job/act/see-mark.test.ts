import { describe, expect, it } from '@jest/globals';
import { FRONT_RECOVERY_POINTS } from '#demo/kits.ts';
import { pullOf, refusal, untilSnug, workerOn } from '#demo/try-job.ts';
import type { Worker } from '#demo/work-through.ts';
import { indexOf } from '../../kit/plan.ts';
import { deviations } from '../../record/deviations.ts';
import { recordLines } from '../../record/record-lines.ts';
import { nextStep } from '../next-station.ts';
import { groupComplete, stationMark } from '../station-progress.ts';

const DAY_MS = 86_400_000;

/** The locked plate at full torque, its second look still to come. */
function atSecondLook(): { worker: Worker; station: string } {
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
});
