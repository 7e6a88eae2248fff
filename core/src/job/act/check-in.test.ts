import { describe, expect, it } from '@jest/globals';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { HOB, ISA, MIRA, RAFE, TAM, tryCommand, workerOn } from '#demo/try-job.ts';
import type { Item, KitDocument } from '../../kit/kit-document.ts';
import type { CarefulFitter } from '../../rehearse/careful-fitter.ts';
import type { JobCommand } from '../acts.ts';
import { closeBlocks } from '../close-blocks.ts';
import { hardwareLedger, shortages } from '../hardware-ledger.ts';
import { jobProgress } from '../job-progress.ts';
import { keysOf } from '../keys.ts';
import { piecePlaces } from '../piece-places.ts';
import { serialsOpen } from '../serials.ts';

/** The guard with a handed pair, a numbered part and a key. */
function kit(): KitDocument {
  const document = structuredClone(TRANSFER_CASE_GUARD);
  const part = (over: Partial<Item>): Item => ({
    id: 'x',
    line: 'X1',
    bag: 'X',
    kind: 'part',
    name: 'Saddle',
    quantity: 1,
    source: 'kit',
    fittedWith: document.groups[0]?.id,
    ...over,
  });
  document.items.push(
    part({ id: 'left', line: 'X1', name: 'Saddle, left', side: 'left', mark: 'GL' }),
    part({ id: 'right', line: 'X2', name: 'Saddle, right', side: 'right', mark: 'GR' }),
    part({ id: 'pump', line: 'X3', name: 'Pump', quantity: 2, serial: true }),
    part({ id: 'key', line: 'X4', name: 'Lock key', form: 'key', fittedWith: undefined }),
  );
  return document;
}
const open = () => workerOn(kit());
const code = (worker: CarefulFitter, command: JobCommand, by = MIRA) => {
  const outcome = tryCommand(worker, command, by);
  return outcome.ok ? 'accepted' : outcome.refusal.code;
};
const codes = (worker: CarefulFitter) => closeBlocks(worker.log.plan, worker.log.state).map((block) => block.code);
const give = (worker: CarefulFitter, command: JobCommand, by = MIRA) => {
  const outcome = tryCommand(worker, command, by);
  if (!outcome.ok) throw new Error(outcome.refusal.code);
  worker.log = outcome.log;
};
const ledgerOf = (worker: CarefulFitter, item: string) => {
  const line = hardwareLedger(worker.log.plan, worker.log.state).find((entry) => entry.item.id === item);
  if (!line) throw new Error(item);
  return line;
};
const first = (worker: CarefulFitter) =>
  worker.log.plan.items.find(({ kind }) => kind === 'bolt') ?? worker.log.plan.items[0];

describe('a handed part', () => {
  it('is not counted until its stamp is read, and not on the other side’s line', () => {
    const worker = open();
    expect(code(worker, { type: 'countLine', item: 'left', found: 1, damaged: 0 })).toBe('stampNotRead');
    expect(code(worker, { type: 'countLine', item: 'left', found: 1, damaged: 0, read: 'GR' })).toBe('stampOfAnother');
    expect(code(worker, { type: 'countLine', item: 'left', found: 1, damaged: 0, read: 'GL' })).toBe('accepted');
    // That none is there needs no stamp.
    expect(code(worker, { type: 'countLine', item: 'left', found: 0, damaged: 0 })).toBe('accepted');
    give(worker, { type: 'countLine', item: 'left', found: 1, damaged: 0, read: 'GL' });
    // Once read it stands, while the number is changed.
    expect(code(worker, { type: 'countLine', item: 'left', found: 1, damaged: 1 })).toBe('accepted');
    // Nothing else asks for it.
    expect(code(worker, { type: 'countLine', item: 'key', found: 1, damaged: 0 })).toBe('accepted');
  });
});

describe('a second count', () => {
  it('is somebody else’s; where it differs the line is counted anew before the job closes', () => {
    const worker = open();
    const item = first(worker)?.id ?? '';
    give(worker, { type: 'countLine', item, found: 4, damaged: 0 });
    expect(code(worker, { type: 'recountLine', item, found: 4, damaged: 0 })).toBe('sameCounter');
    expect(code(worker, { type: 'recountLine', item, found: 3, damaged: 4 }, TAM)).toBe('countInvalid');
    give(worker, { type: 'recountLine', item, found: 3, damaged: 0 }, TAM);
    expect(codes(worker)).toContain('countsDisagree');
    give(worker, { type: 'countLine', item, found: 4, damaged: 0 }, TAM);
    expect(codes(worker)).not.toContain('countsDisagree');
    give(worker, { type: 'recountLine', item, found: 4, damaged: 0 }, RAFE);
    expect(codes(worker)).not.toContain('countsDisagree');
    expect(worker.log.state.lines[item]?.recount).toMatchObject({ agrees: true });
  });
});

describe('numbers of their own', () => {
  it('are read piece by piece, no two the same, and hold the close', () => {
    const worker = open();
    const pump = worker.log.plan.items.find(({ id }) => id === 'pump');
    if (!pump) throw new Error('pump');
    const serials = () => serialsOpen(worker.log.plan, worker.log.state, pump);
    give(worker, { type: 'countLine', item: 'pump', found: 2, damaged: 0 });
    expect(serials()).toBe(2);
    expect(codes(worker)).toContain('serialsMissing');
    expect(code(worker, { type: 'noteSerial', item: 'pump', piece: 3, serial: 'P-1' })).toBe('noSuchPiece');
    expect(code(worker, { type: 'noteSerial', item: 'pump', piece: 1, serial: ' ' })).toBe('serialMissing');
    give(worker, { type: 'noteSerial', item: 'pump', piece: 1, serial: ' P-1 ' });
    expect(code(worker, { type: 'noteSerial', item: 'pump', piece: 2, serial: 'P-1' })).toBe('serialTaken');
    give(worker, { type: 'noteSerial', item: 'pump', piece: 2, serial: 'P-2' });
    expect(serials()).toBe(0);
    expect(codes(worker)).not.toContain('serialsMissing');
    // Misread: said again, it replaces the first.
    give(worker, { type: 'noteSerial', item: 'pump', piece: 2, serial: 'P-20' });
    expect(worker.log.state.lines.pump?.serials?.map(({ serial }) => serial)).toEqual(['P-1', 'P-20']);
  });
});

describe('pieces that are taken aside', () => {
  it('are off the tray until somebody who answers for it decides', () => {
    const worker = open();
    worker.checkIn();
    const item = first(worker)?.id ?? '';
    const before = ledgerOf(worker, item);
    give(worker, { type: 'setApart', item, quantity: 1, reason: 'burr on the thread', photo: 'p1' }, HOB);
    expect(ledgerOf(worker, item)).toMatchObject({ apart: 1, onTray: before.onTray - 1 });
    expect(piecePlaces(worker.log.plan, worker.log.state).get(item)).toContainEqual({ where: 'quarantine', pieces: 1 });
    expect(shortages(worker.log.plan, worker.log.state).map((short) => short.item.id)).toEqual(
      before.item.needed > before.onTray - 1 ? [item] : [],
    );
    expect(code(worker, { type: 'endApart', item, quantity: 1, to: 'tray', reason: 'dressed' }, HOB)).toBe(
      'notPermitted',
    );
    expect(code(worker, { type: 'endApart', item, quantity: 2, to: 'tray', reason: 'dressed' })).toBe('fewerApart');
    give(worker, { type: 'endApart', item, quantity: 1, to: 'tray', reason: 'dressed' });
    expect(ledgerOf(worker, item)).toEqual(before);
    give(worker, { type: 'setApart', item, quantity: 1, reason: 'bent' });
    give(worker, { type: 'endApart', item, quantity: 1, to: 'scrap', reason: 'bent' });
    expect(ledgerOf(worker, item)).toMatchObject({ apart: 0, scrapped: 1 });
  });
});

describe('pieces that come later', () => {
  it('are ordered under the supplier’s number and close the shortage when they are here', () => {
    const worker = open();
    worker.checkIn();
    const item = first(worker);
    if (!item) throw new Error('no bolt');
    give(worker, { type: 'countLine', item: item.id, found: 1, damaged: 0 });
    const short = shortages(worker.log.plan, worker.log.state).find((entry) => entry.item.id === item.id);
    expect(short?.short).toBe(item.needed - 1);
    const order = {
      type: 'orderPieces',
      item: item.id,
      order: 'H-1',
      quantity: item.needed - 1,
      supplier: 'Hollin',
    } as const;
    expect(code(worker, { ...order, promisedMs: 5 }, HOB)).toBe('notPermitted');
    give(worker, { ...order, promisedMs: 5 }, ISA);
    expect(code(worker, { ...order, promisedMs: 6 }, ISA)).toBe('orderedAlready');
    // Ordered is not here.
    expect(shortages(worker.log.plan, worker.log.state).some((entry) => entry.item.id === item.id)).toBe(true);
    expect(code(worker, { type: 'takeArrival', item: item.id, quantity: 1, order: 'H-2' })).toBe('unknownOrder');
    give(worker, { type: 'takeArrival', item: item.id, quantity: item.needed - 1, order: 'H-1' }, HOB);
    expect(shortages(worker.log.plan, worker.log.state).some((entry) => entry.item.id === item.id)).toBe(false);
    // A count that would leave fewer than are on the vehicle is refused, the arrived ones counted in.
    expect(ledgerOf(worker, item.id).supplied).toBe(item.quantity + item.needed - 1);
  });

  it('wake a job that was put aside for them', () => {
    const worker = open();
    worker.checkIn();
    const item = first(worker);
    if (!item) throw new Error('no bolt');
    give(worker, { type: 'countLine', item: item.id, found: item.needed - 1, damaged: 0 });
    give(worker, { type: 'orderPieces', item: item.id, order: 'H-1', quantity: 1, supplier: 'Hollin', promisedMs: 77 });
    give(worker, { type: 'park', reason: 'A bolt is short', may: 'stand' });
    const progress = () => jobProgress(worker.log.plan, worker.log.state, worker.nowMs);
    expect(progress().shortLines).toMatchObject([{ short: 1, promisedMs: 77 }]);
    expect(progress().partsHere).toBeUndefined();
    worker.nowMs += 60_000;
    give(worker, { type: 'takeArrival', item: item.id, quantity: 1, order: 'H-1' });
    expect(progress()).toMatchObject({ shortLines: [], partsHere: true });
    give(worker, { type: 'resume' });
    expect(progress().partsHere).toBeUndefined();
  });

  it('a substitute is judged where it is taken: weaker refused, different for a lead, and kept on the record', () => {
    const worker = open();
    worker.checkIn();
    const item = first(worker);
    if (!item) throw new Error('no bolt');
    const { id: _, line: __, bag: ___, quantity: ____, ...facts } = item;
    const piece = (over: object) => ({
      type: 'useShopStock' as const,
      item: item.id,
      quantity: 1,
      reason: 'lost one',
      piece: {
        id: 's1',
        bin: 'B2',
        kind: facts.kind,
        name: facts.name,
        thread: facts.thread,
        lengthMm: facts.lengthMm,
        head: facts.head,
        propertyClass: facts.propertyClass,
        finish: facts.finish,
        ...over,
      },
    });
    expect(code(worker, piece({ lengthMm: 5 }), RAFE)).toBe('substituteWeaker');
    expect(code(worker, piece({ lengthMm: (facts.lengthMm ?? 0) + 5 }))).toBe('substituteForLead');
    give(worker, piece({ lengthMm: (facts.lengthMm ?? 0) + 5 }), RAFE);
    expect(worker.log.state.lines[item.id]?.shopStock[0]?.piece?.differences).toMatchObject([
      { trait: 'length', how: 'other' },
    ]);
    expect(code(worker, piece({}))).toBe('accepted');
  });
});

describe('keys', () => {
  it('those of the kit and those somebody names are handed on by name, and hold the close until they are back', () => {
    const worker = open();
    const names = () => keysOf(worker.log.plan, worker.log.state).map(({ name, hands }) => [name, hands.at(-1)?.name]);
    expect(names()).toEqual([['Lock key', undefined]]);
    expect(codes(worker)).toContain('keysOut');
    give(worker, {
      type: 'handKey',
      key: 'key',
      name: 'Lock key',
      kind: 'lockKey',
      to: { who: 'person', name: 'Mira' },
    });
    give(worker, { type: 'handKey', name: 'Wheel lock bit', kind: 'lockBit', to: { who: 'person', name: 'Tam' } });
    expect(names()).toEqual([
      ['Lock key', 'Mira'],
      ['Wheel lock bit', 'Tam'],
    ]);
    expect(codes(worker)).toContain('keysOut');
    give(worker, {
      type: 'handKey',
      key: 'key',
      name: 'Lock key',
      kind: 'lockKey',
      to: { who: 'owner', name: 'Ines' },
    });
    const bit = keysOf(worker.log.plan, worker.log.state)[1]?.id ?? '';
    give(worker, {
      type: 'handKey',
      key: bit,
      name: 'Wheel lock bit',
      kind: 'lockBit',
      to: { who: 'vehicle', name: 'glove box' },
    });
    expect(codes(worker)).not.toContain('keysOut');
    // The key of the kit is with the owner: nobody counts it on the tray as well.
    worker.checkIn();
    expect(ledgerOf(worker, 'key')).toMatchObject({ spare: 1, unaccounted: 0 });
    // Who had it is kept, hand by hand.
    expect(keysOf(worker.log.plan, worker.log.state)[0]?.hands.map(({ name }) => name)).toEqual(['Mira', 'Ines']);
  });
});
