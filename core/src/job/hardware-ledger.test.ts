import { describe, expect, it } from '@jest/globals';
import { FRONT_LIFT, REAR_AIR_SPRINGS, TRACK_BAR_BRACE, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { MIRA, NOON, openKit, tryCommand, WRENCHES } from '#demo/try-job.ts';
import type { Item, KitDocument } from '../kit/kit-document.ts';
import { kitFaults } from '../kit/kit-integrity.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { closeBlocks } from './close-blocks.ts';
import { actsOfItem, hardwareLedger, shortages } from './hardware-ledger.ts';
import { phaseProgress } from './job-progress.ts';
import { leftoverHunt } from './leftover-hunt.ts';
import { piecePlaces } from './piece-places.ts';

const PIN: Item = {
  id: 'push',
  line: 'P1',
  bag: 'Bag P',
  kind: 'clip',
  name: 'Push pin',
  quantity: 6,
  source: 'kit',
};
/** The brace with push pins that a step of its own puts in; `more` steps put the rest in. */
function withPins(pin: Partial<Item> = {}, more = 0): KitDocument {
  const kit = structuredClone(TRACK_BAR_BRACE);
  kit.items.push({ ...PIN, ...pin });
  for (let step = 0; step <= more; step += 1)
    kit.steps.push({
      id: `pins-${step}`,
      text: 'Push the pins in',
      phase: 'prove',
      actions: [{ type: 'fit', item: 'push' }],
    });
  expect(kitFaults(kit)).toEqual([]);
  return kit;
}
const workerOn = (kit: KitDocument, answers?: Parameters<typeof openKit>[1]) =>
  new CarefulFitter(openKit(kit, answers), WRENCHES, MIRA, NOON);
const lineOf = (worker: CarefulFitter, item: string) => {
  const line = hardwareLedger(worker.log.plan, worker.log.state).find((entry) => entry.item.id === item);
  if (!line) throw new Error(`no line ${item}`);
  return line;
};

describe('what a step of its own puts on', () => {
  it('is fitted when that step is done, and nothing of it is left to be declared', () => {
    const worker = workerOn(withPins());
    worker.checkIn();
    expect(lineOf(worker, 'push')).toMatchObject({ fitted: 0, onTray: 6 });
    worker.finishLine();
    expect(lineOf(worker, 'push')).toMatchObject({ fitted: 6, onTray: 0, unaccounted: 0 });
    expect(closeBlocks(worker.log.plan, worker.log.state)).not.toContainEqual(
      expect.objectContaining({ item: 'push' }),
    );
  });
  it('goes on step by step where there are several, each its share', () => {
    const worker = workerOn(withPins({ quantity: 7 }, 1));
    worker.checkIn();
    const fitted: number[] = [];
    worker.while(() => {
      const now = lineOf(worker, 'push').fitted;
      if (fitted.at(-1) !== now) fitted.push(now);
      return true;
    });
    fitted.push(lineOf(worker, 'push').fitted);
    expect([...new Set(fitted)]).toEqual([0, 4, 7]);
  });
  it('leaves what the sheet says is left', () => {
    const worker = workerOn(withPins({ leftover: [{ quantity: 2 }] }));
    worker.checkIn();
    worker.finishLine();
    expect(lineOf(worker, 'push')).toMatchObject({ fitted: 4, onTray: 2, item: { expectedSpare: 2, statedSpare: 2 } });
  });
  it('is taken from the tray by the act that is taken back with it', () => {
    const worker = workerOn(withPins());
    worker.checkIn();
    const [act = ''] = actsOfItem(worker.log.plan, 'push');
    worker.while(({ log }) => log.state.visit.acts[act] === undefined);
    expect(lineOf(worker, 'push').fitted).toBe(6);
    worker.give({ type: 'undo' });
    expect(lineOf(worker, 'push')).toMatchObject({ fitted: 0, onTray: 6 });
  });
  it('waits while a piece is short: the act is refused with what is there, and told as short beforehand', () => {
    const worker = workerOn(withPins());
    for (const { id, quantity } of worker.log.plan.items)
      worker.give({ type: 'countLine', item: id, found: id === 'push' ? 5 : quantity, damaged: 0 });
    const acts = actsOfItem(worker.log.plan, 'push');
    expect(shortages(worker.log.plan, worker.log.state)).toMatchObject([{ item: { id: 'push' }, short: 1, acts }]);
    expect(() => worker.finishLine()).toThrow(/pieceShort/);
    worker.give({ type: 'useShopStock', item: 'push', quantity: 1, reason: 'the same from the rack' });
    worker.finishLine();
    expect(lineOf(worker, 'push').unaccounted).toBe(0);
  });
});

describe('a part that its bolts put on', () => {
  it('short, it blocks its stations as a bolt would', () => {
    const worker = workerOn(TRANSFER_CASE_GUARD);
    const part = worker.log.plan.items.find(({ kind }) => kind === 'part');
    if (!part) throw new Error('no part');
    expect(actsOfItem(worker.log.plan, part.id)).toEqual([]);
    for (const { id, quantity } of worker.log.plan.items)
      worker.give({ type: 'countLine', item: id, found: id === part.id ? quantity - 1 : quantity, damaged: 0 });
    const [station = ''] = worker.log.plan.stations.map(({ id }) => id);
    expect(tryCommand(worker, { type: 'startByHand', station })).toMatchObject({
      refusal: { code: 'pieceShort', item: part.id },
    });
    const [short] = shortages(worker.log.plan, worker.log.state);
    expect(short?.stations).toHaveLength(worker.log.plan.stations.length);
  });
});

describe('what is not in the box', () => {
  it('need not be counted before the work, and is there as the sheet says', () => {
    const worker = workerOn(REAR_AIR_SPRINGS, { raised: false });
    const ofVehicle = worker.log.plan.items.filter(({ source }) => source !== 'kit').map(({ id }) => id);
    expect(ofVehicle.length).toBeGreaterThan(0);
    for (const { id, quantity, source } of worker.log.plan.items)
      if (source === 'kit') worker.give({ type: 'countLine', item: id, found: quantity, damaged: 0 });
    const [counted] = phaseProgress(worker.log.plan, worker.log.state);
    expect(counted?.done).toBe(counted?.of);
    worker.finishLine();
    for (const id of ofVehicle) expect(lineOf(worker, id).unaccounted).toBe(0);
  });
  it('counted as it comes off, what is missing is missing', () => {
    const worker = workerOn(REAR_AIR_SPRINGS, { raised: false });
    const [item] = worker.log.plan.items.filter(({ source }) => source === 'factory');
    if (!item) throw new Error('nothing of the vehicle');
    worker.give({ type: 'countLine', item: item.id, found: item.quantity - 1, damaged: 0 });
    expect(shortages(worker.log.plan, worker.log.state)).toMatchObject([{ item: { id: item.id }, short: 1 }]);
  });
});

describe('where pieces are', () => {
  it('each is in one place, and they are followed from the bag to the owner', () => {
    const worker = workerOn(withPins({ leftover: [{ quantity: 2 }] }));
    const places = () => piecePlaces(worker.log.plan, worker.log.state).get('push');
    expect(places()).toEqual([{ where: 'bag', pieces: 6 }]);
    worker.give({ type: 'countLine', item: 'push', found: 6, damaged: 1 });
    expect(places()).toEqual([
      { where: 'tray', pieces: 5 },
      { where: 'quarantine', pieces: 1 },
    ]);
    worker.give({ type: 'scrapPiece', item: 'push', quantity: 1, reason: 'bent' });
    worker.checkIn();
    worker.finishLine();
    const [act = ''] = actsOfItem(worker.log.plan, 'push');
    expect(places()).toEqual([
      { where: 'act', act, pieces: 4 },
      { where: 'quarantine', pieces: 1 },
      { where: 'scrap', pieces: 1 },
    ]);
  });
  it('add up to what was supplied, line by line, through a whole job', () => {
    for (const kit of [FRONT_LIFT, TRANSFER_CASE_GUARD, withPins({ quantity: 7 }, 1)]) {
      const worker = workerOn(kit);
      const check = () => {
        const { plan, state } = worker.log;
        const places = piecePlaces(plan, state);
        for (const line of hardwareLedger(plan, state))
          expect((places.get(line.item.id) ?? []).reduce((sum, { pieces }) => sum + pieces, 0)).toBe(line.supplied);
      };
      check();
      worker.checkIn();
      worker.while(() => {
        check();
        return true;
      });
      worker.closeOut();
      check();
      const owner = [...piecePlaces(worker.log.plan, worker.log.state).values()].flat();
      expect(owner.some(({ where }) => where === 'tray' || where === 'bag')).toBe(false);
    }
  });
});

describe('the hunt for a leftover', () => {
  it('looks first where a bolt was taken out and put back, then where several belong, only in what is put together', () => {
    const worker = workerOn(TRANSFER_CASE_GUARD);
    worker.checkIn();
    worker.startAll();
    const washer = worker.log.plan.items.find(({ kind }) => kind === 'washer');
    const [first, second] = worker.log.plan.stations.map(({ id }) => id);
    worker.give({ type: 'loosen', station: second ?? '', to: 'out', reason: 'looked at its thread' });
    const users = () => leftoverHunt(worker.log.plan, worker.log.state, washer?.id ?? '');
    // What is out is on the tray: it lacks nothing.
    expect(users().map(({ station }) => station.id)).not.toContain(second);
    worker.give({ type: 'startByHand', station: second ?? '' });
    expect(users()[0]?.station.id).toBe(second);
    expect(users()[0]?.evidence).toContainEqual({ what: 'takenOut', times: 1 });
    expect(users().map(({ station }) => station.id)).toContain(first);
  });
  it('of a line that belongs into no station has nowhere to look', () => {
    const worker = workerOn(TRANSFER_CASE_GUARD);
    expect(leftoverHunt(worker.log.plan, worker.log.state, 'no such line')).toEqual([]);
  });
});

it('a count is not lowered under what is on the vehicle by a step of its own', () => {
  const worker = workerOn(withPins());
  worker.checkIn();
  worker.finishLine();
  expect(tryCommand(worker, { type: 'countLine', item: 'push', found: 3, damaged: 0 })).toMatchObject({
    refusal: { code: 'countBelowUse', item: 'push', inUse: 6 },
  });
});

it('conservation: whatever is done, supplied = fitted + on the tray + scrapped + missing, line by line', () => {
  for (const kit of [FRONT_LIFT, TRANSFER_CASE_GUARD, withPins()]) {
    const worker = workerOn(kit);
    worker.checkIn();
    worker.while(() => {
      for (const line of hardwareLedger(worker.log.plan, worker.log.state)) {
        expect(line.fitted + line.onTray + line.scrapped + line.missing).toBe(line.supplied);
        expect(line.onTray).toBeGreaterThanOrEqual(0);
      }
      return true;
    });
  }
});
