import { describe, expect, it } from '@jest/globals';
import { HOB, MIRA, plate, platesSnug, pullOf, RAFE, refusal, WRENCHES } from '#demo/try-job.ts';
import { hardwareLedger } from './hardware-ledger.ts';
import { takeCommand } from './job-log.ts';
import type { Person } from './role.ts';

describe('what people may do', () => {
  it('an apprentice works but does not sign, correct or lift; the counter counts but does not pull', () => {
    const worker = plate();
    worker.checkIn();
    expect(refusal(worker, { type: 'startByHand', station: 's2' }, HOB)).toBe('accepted');
    expect(refusal(worker, { type: 'close', signature: 'Hob' }, HOB)).toBe('notPermitted');
    const counter: Person = { id: 'ismay', name: 'Ismay', role: 'counter' };
    expect(refusal(worker, { type: 'countLine', item: 'a1', found: 4, damaged: 0 }, counter)).toBe('accepted');
    expect(refusal(worker, { type: 'startByHand', station: 's2' }, counter)).toBe('notPermitted');
  });
  it('scrapping takes no more than the tray holds, and a reason', () => {
    const worker = plate();
    worker.checkIn();
    expect(refusal(worker, { type: 'scrapPiece', item: 'a3', quantity: 6, reason: 'bent' })).toBe('pieceShort');
    expect(refusal(worker, { type: 'scrapPiece', item: 'a3', quantity: 1, reason: '' })).toBe('reasonMissing');
    expect(refusal(worker, { type: 'useShopStock', item: 'a3', quantity: 0, reason: 'rack' })).toBe('quantityInvalid');
    worker.give({ type: 'scrapPiece', item: 'a3', quantity: 1, reason: 'bent' });
    expect(hardwareLedger(worker.log.plan, worker.log.state).find((line) => line.item.id === 'a3')).toMatchObject({
      scrapped: 1,
      onTray: 4,
    });
  });
});

describe('a record that was altered', () => {
  it('is worked on once a lead has looked at it, by a tablet too that still has it from before; not past another break', () => {
    const worker = plate();
    worker.checkIn();
    const given = { atMs: worker.nowMs };
    const take = (log: typeof worker.log, id: string, command: Parameters<typeof refusal>[1], breaks: number[]) =>
      takeCommand(
        log,
        WRENCHES,
        { ...given, id, by: command.type === 'acknowledgeBreak' ? RAFE : MIRA, command },
        { breaks },
      );
    const start = { type: 'startByHand', station: 's2' } as const;
    expect(take(worker.log, 'a', start, [2])).toMatchObject({ ok: false, refusal: { code: 'recordBroken', at: 2 } });
    const { log } = take(worker.log, 'b', { type: 'acknowledgeBreak', reason: 'Eight were counted.' }, [2]);
    expect(take(log, 'c', start, [2])).toMatchObject({ ok: true });
    expect(take(log, 'd', start, [2, 7])).toMatchObject({ ok: false, refusal: { code: 'recordBroken', at: 7 } });
  });
});

describe('how far a bolt was turned', () => {
  it('typed, two turns are the most; a wrench that counts may have run it down first', () => {
    const { worker, first } = platesSnug();
    const turned = (source: 'live' | 'typed', movementDeg: number) =>
      refusal(worker, pullOf(first, 55, { source, movementDeg }));
    expect(turned('typed', 721)).toBe('implausibleAngle');
    expect(turned('live', 821)).not.toBe('implausibleAngle');
    expect(turned('live', 7201)).toBe('implausibleAngle');
  });
});
