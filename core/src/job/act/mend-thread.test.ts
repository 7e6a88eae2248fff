import { describe, expect, it } from '@jest/globals';
import { HOB, plate, refusal } from '#demo/try-job.ts';
import { deviations } from '../../record/deviations.ts';
import { stationState } from '../job-state.ts';
import { nextRung, THREAD_RUNGS, type ThreadRung } from '../thread-rung.ts';
import type { MendThread } from './mend-thread.ts';

const mend = (rung: ThreadRung, runs: boolean, note?: string): MendThread => ({
  type: 'mendThread',
  station: 's1',
  rung,
  runs,
  note,
});

describe('a damaged thread', () => {
  it('is saved by the gentlest way that does it: brush, chaser, tap, insert', () => {
    const worker = plate();
    worker.checkIn();
    expect(refusal(worker, mend('chaser', true))).toBe('gentlerFirst');
    worker.give(mend('brush', false));
    expect(refusal(worker, { type: 'startByHand', station: 's1' })).toBe('threadStillBad');
    expect(refusal(worker, mend('brush', true))).toBe('gentlerFirst');
    expect(refusal(worker, mend('tap', true, 'M10 x 1.5'))).toBe('gentlerFirst');
    worker.give(mend('chaser', false));
    expect(refusal(worker, mend('tap', true))).toBe('reasonMissing');
    expect(refusal(worker, mend('tap', true, 'M10 x 1.5'), HOB)).toBe('threadNeedsApproval');
    worker.give(mend('tap', false, 'M10 x 1.5'));
    worker.give(mend('insert', true, 'wire insert, 15 mm'));
    expect(refusal(worker, { type: 'startByHand', station: 's1' })).toBe('accepted');
    expect(deviations(worker.log.plan, worker.log.state).map((one) => [one.kind, 'rung' in one && one.rung])).toEqual([
      ['threadMended', 'tap'],
      ['threadMended', 'insert'],
    ]);
  });
  it('one that runs again begins anew when it is damaged again, and what is in the hole is not worked on', () => {
    const worker = plate();
    worker.checkIn();
    worker.give(mend('brush', true));
    worker.give({ type: 'startByHand', station: 's1' });
    expect(refusal(worker, mend('brush', true))).toBe('threadTaken');
    worker.give({ type: 'loosen', station: 's1', to: 'out', reason: 'cross-threaded' });
    expect(refusal(worker, mend('brush', false))).toBe('accepted');
    expect(stationState(worker.log.state, 's1').mending).toHaveLength(1);
  });
  it('past the insert nothing is left', () => {
    const failed = THREAD_RUNGS.map((rung) => ({ rung, runs: false }));
    expect(THREAD_RUNGS.map((_, tried) => nextRung(failed.slice(0, tried)))).toEqual([...THREAD_RUNGS]);
    expect(nextRung(failed)).toBeUndefined();
    expect(nextRung([{ rung: 'insert', runs: true }])).toBe('brush');
  });
});
