import { expect, it } from '@jest/globals';
import { FRONT_RECOVERY_POINTS, TRACK_BAR_BRACE, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { MIRA, NOON, RAFE, TAM, WRENCHES } from '#demo/try-job.ts';
import type { Item, KitDocument } from '../kit/kit-document.ts';
import { lineOf } from '../line/line.ts';
import { kitPrefix, type VisitKit } from '../visit/visit.ts';
import type { JobCommand } from './acts.ts';
import { hardwareLedger } from './hardware-ledger.ts';
import { type JobLog, openLog, takeCommand } from './job-log.ts';
import { piecePlaces } from './piece-places.ts';

/** Moves in all, and in one job. */
const MOVES = 100_000;
const OF_ONE_JOB = 400;

/** The same numbers each time (Park and Miller, 1988). */
let seed = 20_261_128;
const below = (most: number): number => {
  seed = (seed * 48_271) % 2_147_483_647;
  return seed % most;
};
const oneOf = <T>(list: readonly T[]): T => list[below(list.length)] as T;

/** The brace with pins that two steps put in, of which fewer are there on some vehicles. */
function withPins(): KitDocument {
  const kit = structuredClone(TRACK_BAR_BRACE);
  const pin: Item = {
    id: 'push',
    line: 'P1',
    bag: 'P',
    kind: 'clip',
    name: 'Push pin',
    quantity: 7,
    quantities: [{ quantity: 5, when: { question: 'drivenWheels', is: 'four' } }],
    source: 'kit',
  };
  kit.items.push(pin);
  for (const step of ['a', 'b'])
    kit.steps.unshift({
      id: `pins-${step}`,
      text: 'Pins in',
      phase: 'prepare',
      actions: [{ type: 'fit', item: 'push' }],
    });
  return kit;
}

function visit(documents: readonly KitDocument[]): JobLog {
  const kits: VisitKit[] = [];
  for (const document of documents) kits.push({ document, prefix: kitPrefix(kits, document.id) });
  const opened = openLog({
    kits,
    openedWith: kits.map(({ prefix }) => prefix),
    vehicle: { fitted: [], drivenWheels: 'four', modelYear: 2021, body: 'dual-cab' },
    answers: Object.fromEntries(kits.map(({ prefix }) => [`${prefix}shield`, true])),
    shop: {},
  });
  if (!opened.ok) throw new Error(opened.error.code);
  return opened.value;
}

/** Any move of a piece, sensible or not. */
function anyMove({ plan }: JobLog): JobCommand {
  const item = oneOf(plan.items).id;
  const station = oneOf(plan.stations).id;
  const few = below(8) - 1;
  switch (below(16)) {
    case 0:
    case 1:
      return { type: 'countLine', item, found: few, damaged: below(3) };
    case 2:
      return { type: 'countLine', item, found: oneOf(plan.items).quantity, damaged: 0 };
    case 3:
      return { type: 'useShopStock', item, quantity: few, reason: 'rack' };
    case 4:
      return { type: 'scrapPiece', item, quantity: few, reason: 'bent' };
    case 5:
      return { type: 'declareSpare', item, quantity: few };
    case 6:
    case 7:
      return { type: 'startByHand', station };
    case 8:
      return { type: 'loosen', station, to: oneOf(['started', 'out'] as const), reason: 'looked' };
    case 9: {
      const fits = [...lineOf(plan).actById.values()].filter(({ action }) => action.type === 'fit');
      return { type: 'doAct', act: (fits.length > 0 ? oneOf(fits) : oneOf([...lineOf(plan).actById.values()])).id };
    }
    case 11:
      return { type: 'setApart', item, quantity: few, reason: 'burr' };
    case 12:
      return { type: 'endApart', item, quantity: few, to: oneOf(['tray', 'scrap'] as const), reason: 'looked at' };
    case 13:
      return { type: 'takeArrival', item, quantity: few };
    case 14:
      return { type: 'recountLine', item, found: few, damaged: 0 };
    case 10:
      return { type: 'snug', station, tool: 'hand' };
    default:
      return { type: 'undo' };
  }
}

it('no piece is ever in two places or in none, over a hundred thousand moves by three hands on several kits', () => {
  const begun = [
    visit([withPins()]),
    visit([TRANSFER_CASE_GUARD, withPins()]),
    visit([FRONT_RECOVERY_POINTS, TRANSFER_CASE_GUARD]),
  ];
  let taken = 0;
  let log = oneOf(begun);
  for (let move = 0; move < MOVES; move += 1) {
    if (move % OF_ONE_JOB === 0) {
      log = oneOf(begun);
      // Half of the jobs begin with all that is in the box.
      if (below(2) === 0)
        for (const { id, quantity } of log.plan.items)
          log = takeCommand(log, WRENCHES, {
            id: `in-${move}-${id}`,
            atMs: NOON,
            by: MIRA,
            command: { type: 'countLine', item: id, found: quantity, damaged: 0 },
          }).log;
    }
    const before = log;
    const envelope = { id: `m-${move}`, atMs: NOON + move * 1000, by: oneOf([MIRA, TAM, RAFE]), command: anyMove(log) };
    ({ log } = takeCommand(log, WRENCHES, envelope));
    if (log.state === before.state) continue;
    taken += 1;
    const places = piecePlaces(log.plan, log.state);
    for (const line of hardwareLedger(log.plan, log.state)) {
      const { supplied, fitted, onTray, scrapped, missing, apart } = line;
      const inPlaces = (places.get(line.item.id) ?? []).reduce((sum, { pieces }) => sum + pieces, 0);
      if (fitted + onTray + scrapped + apart + missing !== supplied || apart < 0 || onTray < 0 || inPlaces !== supplied)
        throw new Error(`${envelope.command.type} breaks ${line.item.id}: ${JSON.stringify({ ...line, inPlaces })}`);
    }
  }
  // Enough of them were real moves for the law to mean something.
  expect(taken).toBeGreaterThan(MOVES / 5);
});
