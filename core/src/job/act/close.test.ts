import { describe, expect, it } from '@jest/globals';
import { bar, guard, MIRA, plate, RAFE, refusal, tryCommand } from '#demo/try-job.ts';
import { closeBlocks } from '../close-block.ts';
import { hardwareLedger } from '../hardware-ledger.ts';
import { jobProgress } from '../job-progress.ts';

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
