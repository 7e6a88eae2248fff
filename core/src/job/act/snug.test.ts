import { describe, expect, it } from '@jest/globals';
import { guard, MIRA, plate, platesSnug, pullOf, refusal } from '#demo/try-job.ts';
import { lockerCapacity, lockerClock } from '../locker-window.ts';
import { nextStep } from '../next-station.ts';

describe('fit loose, snug, locker', () => {
  it('no bolt is snugged before all of its group are started (M15)', () => {
    const worker = plate();
    worker.checkIn();
    worker.give({ type: 'startByHand', station: 's1' });
    worker.give({ type: 'applyCompound', station: 's1', cleaned: true });
    expect(refusal(worker, { type: 'snug', station: 's1', tool: 'hand' })).toBe('groupNotAllStarted');
  });
  it('locker goes on a started, clean thread, once (M40)', () => {
    const worker = plate();
    worker.checkIn();
    expect(refusal(worker, { type: 'applyCompound', station: 's1', cleaned: true })).toBe('notStarted');
    worker.give({ type: 'startByHand', station: 's1' });
    expect(refusal(worker, { type: 'applyCompound', station: 's1', cleaned: false })).toBe('threadNotClean');
    worker.give({ type: 'applyCompound', station: 's1', cleaned: true });
    expect(refusal(worker, { type: 'applyCompound', station: 's1', cleaned: true })).toBe('compoundAlreadyOn');
  });
  it('a bead forgotten stops the snug; a power tool is refused where the sheet forbids it', () => {
    const worker = plate();
    worker.checkIn();
    worker.startAll();
    expect(refusal(worker, { type: 'snug', station: 's1', tool: 'hand' })).toBe('compoundMissing');
    const guarded = guard();
    guarded.checkIn();
    guarded.startAll();
    expect(refusal(guarded, { type: 'snug', station: 'g1', tool: 'power' })).toBe('powerToolForbidden');
    expect(refusal(guarded, { type: 'snug', station: 'g2', tool: 'hand' })).toBe('outOfOrder');
    expect(refusal(guarded, { type: 'snug', station: 'g1', tool: 'hand' })).toBe('accepted');
  });
  it('the locker window closes 15 min after the bead; loosening and a new bead open it again (M38)', () => {
    const { worker, first } = platesSnug();
    const closed = 16 * 60_000;
    expect(refusal(worker, pullOf(first, 55), MIRA, closed)).toBe('lockerWindowClosed');
    worker.nowMs += closed;
    worker.give({ type: 'loosen', station: first, to: 'started', reason: 'locker set' });
    expect(nextStep(worker.log.plan, worker.log.state, 'plate')).toEqual({ kind: 'compound', station: first });
  });
  it('counts the window from the oldest bead and the pulls it still has to see', () => {
    const { worker } = platesSnug();
    const clock = lockerClock(worker.log.plan, worker.log.state, 'plate');
    expect(clock).toMatchObject({ oldest: 's1', pullsLeft: 16, needsS: 320 });
    expect((clock?.closesAtMs ?? 0) - (clock?.openedAtMs ?? 0)).toBe(15 * 60_000);
    // 15 min / ((2 rounds + bead + snug) × 20 s) = 11.25
    expect(lockerCapacity(worker.log.plan, worker.log.state, 'plate')?.stations).toBe(11);
  });
});
