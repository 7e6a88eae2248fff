import { describe, expect, it } from '@jest/globals';
import { bar, guard, MIRA, plate, RAFE, refusal, tryCommand } from '#demo/try-job.ts';
import { closeBlocks } from '../close-blocks.ts';
import { hardwareLedger } from '../hardware-ledger.ts';
import { jobProgress } from '../job-progress.ts';
import { runningClocks } from '../line-clocks.ts';

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
    // What is left is to count what is over, and to try out what was touched.
    for (const { code } of closeBlocks(worker.log.plan, worker.log.state))
      expect(['piecesUnaccounted', 'stepsOpen']).toContain(code);
    worker.closeOut();
    expect(worker.log.state.closed?.signature).toBe(MIRA.name);
    expect(jobProgress(worker.log.plan, worker.log.state).phase).toBe('closed');
    for (const line of hardwareLedger(worker.log.plan, worker.log.state)) expect(line.unaccounted).toBe(0);
    expect(refusal(worker, { type: 'undo' })).toBe('jobClosed');
  });
});

describe('closing', () => {
  it('is refused with everything that is still in the way', () => {
    const outcome = tryCommand(plate(), { type: 'close', signature: MIRA.name });
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
    expect(refusal(worker, { type: 'close', signature: RAFE.name }, RAFE)).toBe('closeBlocked');
    worker.give({ type: 'declareSpare', item: 'a3', quantity: 1 });
    worker.give({ type: 'declareSpare', item: 'a4', quantity: 2 });
    expect(blocks()).toMatchObject([{ item: 'a4', unaccounted: -1 }]);
    worker.give({ type: 'declareSpare', item: 'a4', quantity: 1 });
    expect(refusal(worker, { type: 'close', signature: '' })).toBe('signatureMissing');
    // The locker still cures: the driver is told in writing, or the job waits.
    expect(tryCommand(worker, { type: 'close', signature: MIRA.name })).toMatchObject({
      refusal: { blocks: [{ code: 'clocksRunning' }] },
    });
    const clocks = runningClocks(worker.log.plan, worker.log.state, worker.nowMs);
    const releases = (condition: string) => clocks.map(({ id, endsAtMs }) => ({ clock: id, endsAtMs, condition }));
    const close = (condition: string) => ({
      type: 'close' as const,
      signature: MIRA.name,
      releases: releases(condition),
    });
    expect(refusal(worker, close(' '))).toBe('reasonMissing');
    expect(refusal(worker, close('No towing before tomorrow noon.'))).toBe('accepted');
    worker.nowMs += 48 * 3_600_000;
    expect(refusal(worker, { type: 'close', signature: MIRA.name })).toBe('accepted');
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
