import { describe, expect, it } from '@jest/globals';
import { plate, RAFE, refusal } from '#demo/try-job.ts';
import { hardwareLedger, shortages } from '../hardware-ledger.ts';

describe('check in', () => {
  it.each([
    [-1, 0],
    [2.5, 0],
    [Number.NaN, 0],
    [3, 4],
    [1e9, 0],
  ])('refuses a count of %d with %d damaged', (found, damaged) => {
    expect(refusal(plate(), { type: 'countLine', item: 'a1', found, damaged })).toBe('countInvalid');
  });
  it('a short line names the stations that wait, and shop stock fills it', () => {
    const worker = plate();
    worker.checkIn();
    worker.give({ type: 'countLine', item: 'a6', found: 3, damaged: 1 });
    expect(shortages(worker.log.plan, worker.log.state)).toMatchObject([{ short: 2, stations: ['s6', 's7'] }]);
    for (const station of ['s2', 's3']) worker.give({ type: 'startByHand', station });
    expect(refusal(worker, { type: 'startByHand', station: 's6' })).toBe('pieceShort');
    worker.give({ type: 'useShopStock', item: 'a6', quantity: 2, reason: 'same class from the rack' });
    expect(refusal(worker, { type: 'startByHand', station: 's6' })).toBe('accepted');
  });
  it('a spare absorbs a shortage: four of five washers stop nothing', () => {
    const worker = plate();
    worker.checkIn();
    worker.give({ type: 'countLine', item: 'a3', found: 4, damaged: 0 });
    expect(shortages(worker.log.plan, worker.log.state)).toEqual([]);
  });
  it('nothing is started from an uncounted bag, and a count never falls below what is fitted', () => {
    const worker = plate();
    expect(refusal(worker, { type: 'startByHand', station: 's2' })).toBe('notCounted');
    worker.checkIn();
    worker.give({ type: 'startByHand', station: 's2' });
    expect(refusal(worker, { type: 'countLine', item: 'a1', found: 0, damaged: 0 })).toBe('countBelowUse');
  });
  it('taken back is guarded like one given: what went to scrap since counts', () => {
    const worker = plate();
    worker.give({ type: 'countLine', item: 'a1', found: 3, damaged: 0 });
    worker.give({ type: 'countLine', item: 'a1', found: 5, damaged: 0 });
    worker.give({ type: 'scrapPiece', item: 'a1', quantity: 5, reason: 'bent in the box' }, RAFE);
    expect(refusal(worker, { type: 'undo' })).toBe('countBelowUse');
    const line = hardwareLedger(worker.log.plan, worker.log.state).find((entry) => entry.item.id === 'a1');
    expect(line?.onTray).toBeGreaterThanOrEqual(0);
  });
});
