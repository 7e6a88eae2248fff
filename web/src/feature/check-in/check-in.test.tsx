import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { act, cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { Route } from 'react-router';
import type { Item, KitDocument } from '#core/kit/kit-document.ts';
import type { CarefulFitter } from '#core/rehearse/careful-fitter.ts';
import { demoShelf } from '#demo/crib.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { TAM, tryCommand, workerOn } from '#demo/try-job.ts';
import { stageJob } from '../../test/job-stage.tsx';
import { Shop } from '../../test/stage.tsx';
import CheckIn from './CheckIn.tsx';

afterEach(cleanup);

/** The guard with a handed pair, a part with its number, a key and a box of fifty. */
function kit(): KitDocument {
  const document = structuredClone(TRANSFER_CASE_GUARD);
  const part = (over: Partial<Item>): Item => ({
    id: 'x',
    line: 'X1',
    bag: 'Loose parts',
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
    part({ id: 'pump', line: 'X3', name: 'Pump', serial: true }),
    part({ id: 'key', line: 'X4', name: 'Lock key', form: 'key', fittedWith: undefined }),
    part({
      id: 'pins',
      line: 'X5',
      kind: 'clip',
      form: 'pushIn',
      name: 'Push-in fastener',
      quantity: 50,
      fittedWith: undefined,
      codes: [
        { code: '40018823', pieces: 1 },
        { code: 'BOX-50', pieces: 50 },
      ],
    }),
  );
  return document;
}
const shelf = () => demoShelf().map((line) => ({ ...line, countedAtMs: 0, taken: 0 }));
const show = (
  worker: CarefulFitter,
  { role = 'fitter' as 'fitter' | 'lead', shop = new Shop(), screenAt = 'check-in' } = {},
) =>
  stageJob(<Route path="check-in" element={<CheckIn />} />, screenAt, worker.log, {
    role,
    shop: shop.answers('GET /shelf') ? shop : shop.on('GET /shelf', { body: shelf() }),
  });
const counted = (over: Record<string, number> = {}) => {
  const worker = workerOn(kit());
  for (const item of worker.log.plan.items)
    worker.give({
      type: 'countLine',
      item: item.id,
      found: over[item.id] ?? item.quantity,
      damaged: 0,
      read: item.mark,
    });
  return worker;
};
const press = (name: RegExp | string) => screen.getByRole('button', { name });
const line = (number: string) => screen.getByRole('button', { name: new RegExp(`^${number}: `) });

describe('a handed part at check-in', () => {
  it('asks for its stamp before it counts; the other one’s is refused', async () => {
    const { user, given, log } = show(workerOn(kit()));
    await screen.findByText(/0 of/);
    await user.click(line('X1'));
    expect(given).toEqual([]);
    const sheet = within(await screen.findByRole('dialog', { name: /What is stamped on it/ }));
    await user.click(sheet.getByRole('button', { name: /^GR/ }));
    expect(await screen.findByRole('alert')).toHaveTextContent('GR is stamped on it; X1 Saddle, left carries GL');
    expect(log().state.lines.left?.count).toBeUndefined();
    await user.click(press('Seen'));
    await user.click(line('X1'));
    await user.click(within(await screen.findByRole('dialog')).getByRole('button', { name: /^GL/ }));
    expect(log().state.lines.left?.count).toMatchObject({ found: 1, read: 'GL' });
  });
});

describe('a number of its own', () => {
  it('is asked on its line, and kept', async () => {
    const { user, log } = show(counted());
    await user.click(await screen.findByRole('button', { name: /X3 Pump/ }));
    const field = within(screen.getByRole('region', { name: 'Numbers of their own' })).getByLabelText(
      'As it is stamped',
    );
    await user.type(field, 'P 4711{Enter}');
    expect(log().state.lines.pump?.serials).toMatchObject([{ piece: 1, serial: 'P 4711' }]);
  });
});

describe('the second count', () => {
  it('does not show the first, is somebody else’s, and says where they differ', async () => {
    const worker = workerOn(kit());
    const [first] = worker.log.plan.items;
    if (!first) throw new Error('no line');
    const outcome = tryCommand(worker, { type: 'countLine', item: first.id, found: 6, damaged: 0 }, TAM);
    if (!outcome.ok) throw new Error(outcome.refusal.code);
    worker.log = outcome.log;
    const { user, given } = show(worker);
    await user.click(
      await screen.findByRole('button', { name: new RegExp(`${first.line} ${first.name.slice(0, 6)}`) }),
    );
    await user.click(press('Count again, without looking'));
    const sheet = within(await screen.findByRole('dialog', { name: /Second count/ }));
    expect(sheet.queryByText('6')).toBeNull();
    await user.type(sheet.getByLabelText('Pieces'), '5');
    await user.click(sheet.getByRole('button', { name: 'That many' }));
    expect(given.at(-1)).toEqual({ type: 'recountLine', item: first.id, found: 5, damaged: 0 });
    expect(await screen.findByText(/Tam counted 6, Mira.* 5\. Count the line again\./)).toBeVisible();
  });
});

describe('pieces that are doubted', () => {
  it('are taken aside with a reason, and decided on', async () => {
    const { user, given, log } = show(counted());
    const bolt = log().plan.items.find(({ kind }) => kind === 'bolt');
    await user.click(
      await screen.findByRole('button', { name: new RegExp(`${bolt?.line} ${bolt?.name.slice(0, 6)}`) }),
    );
    await user.click(press('Take one aside'));
    await user.click(await screen.findByRole('button', { name: 'Damaged thread' }));
    await user.click(press('Take it aside'));
    expect(given.at(-1)).toMatchObject({ type: 'setApart', item: bolt?.id, quantity: 1, reason: 'Damaged thread' });
    const aside = within(screen.getByRole('region', { name: 'Taken aside' }));
    expect(aside.getByText('1 taken aside')).toBeVisible();
    // One short now, and the record for the maker says why.
    expect(screen.getByRole('heading', { name: /1 short:/ })).toBeVisible();
    await user.click(aside.getByRole('button', { name: 'Good after all' }));
    await user.click(await screen.findByRole('button', { name: 'Thread chased, nut runs on' }));
    await user.click(press('Back on the tray'));
    expect(screen.queryByText('1 taken aside')).toBeNull();
    expect(screen.queryByRole('heading', { name: /short:/ })).toBeNull();
  });
});

describe('a scanner that types', () => {
  /** A burst of keys as a scanner sends them. */
  const scan = (code: string) =>
    act(() => {
      for (const key of code) fireEvent.keyDown(document.body, { key });
      fireEvent.keyDown(document.body, { key: 'Enter' });
    });
  it('counts what its code stands for, one piece or a box, and does none of the keys’ own work', async () => {
    const { log, given } = show(workerOn(kit()));
    await screen.findByText(/0 of/);
    scan('40018823');
    expect(log().state.lines.pins?.count?.found).toBe(1);
    scan('BOX-50');
    await waitFor(() => expect(log().state.lines.pins?.count?.found).toBe(51));
    expect(screen.getByText(/50 more, 51 in all/)).toBeVisible();
    expect(given).toHaveLength(2);
    scan('99999999');
    expect(screen.getByText('Nothing on the list carries 99999999.')).toBeVisible();
    expect(given).toHaveLength(2);
    // A label of ours goes to its line.
    scan('http://shop.test/jobs/1/check-in?line=pump');
    expect(screen.getByRole('heading', { name: /Line X3 · Pump/ })).toBeVisible();
  });
});

describe('pieces that are short', () => {
  const short = () => {
    const worker = workerOn(kit());
    const bolt = worker.log.plan.items.find(({ kind }) => kind === 'bolt');
    return { worker: counted({ [bolt?.id ?? '']: 4 }), bolt };
  };
  it('are offered from the drawers: the same at once, another for a lead, a weaker one not at all', async () => {
    const { worker, bolt } = short();
    const { kind, name, thread, lengthMm = 0, head, propertyClass, finish } = bolt as Item;
    const like = { kind, name, thread, head, propertyClass, finish, countedAtMs: 0, taken: 0 };
    const shop = new Shop().on('GET /shelf', {
      body: [
        { ...like, id: 's1', bin: 'A1', lengthMm: lengthMm + 5, counted: 9 },
        { ...like, id: 's2', bin: 'A2', lengthMm: lengthMm - 5, counted: 9 },
        { ...like, id: 's3', bin: 'A3', lengthMm, counted: 1 },
        { ...like, id: 's4', bin: 'A4', lengthMm, counted: 3, taken: 3 },
      ],
    });
    const { user, given } = show(worker, { shop });
    expect(await screen.findByText(/Drawer A3/)).toBeVisible();
    expect(screen.getByText(/30 mm in place of 25 mm, may bottom/)).toBeVisible();
    expect(screen.getByText('It differs: a lead takes it on.')).toBeVisible();
    expect(screen.queryByText(/Drawer A2|Drawer A4/)).toBeNull();
    await user.click(press('Take 1'));
    expect(given.at(-1)).toMatchObject({
      type: 'useShopStock',
      item: bolt?.id,
      quantity: 1,
      piece: { id: 's3', bin: 'A3' },
    });
    expect(screen.getByRole('heading', { name: /1 short:/ })).toBeVisible();
  });
  it('a lead takes one that differs, with a reason', async () => {
    const { worker, bolt } = short();
    const { kind, name, thread, lengthMm = 0, head, propertyClass, finish } = bolt as Item;
    const longer = { kind, name, thread, head, propertyClass, finish, id: 's1', bin: 'A1', lengthMm: lengthMm + 5 };
    const shop = new Shop().on('GET /shelf', { body: [{ ...longer, counted: 9, countedAtMs: 0, taken: 0 }] });
    const { user, given } = show(worker, { shop, role: 'lead' });
    await user.click(await screen.findByRole('button', { name: 'Take 2, as the lead' }));
    await user.click(await screen.findByRole('button', { name: 'Longer, hole is open behind' }));
    await user.click(press('Take it'));
    expect(given.at(-1)).toMatchObject({ type: 'useShopStock', quantity: 2, reason: 'Longer, hole is open behind' });
    expect(screen.queryByRole('heading', { name: /short:/ })).toBeNull();
  });
  it('are ordered at the time the supplier promises, and close the shortage when they come', async () => {
    const { worker, bolt } = short();
    const promisedMs = Date.UTC(2030, 0, 2, 9);
    const shop = new Shop()
      .on('POST /supplier/promises', { body: { supplier: 'Hollin Fasteners', promisedMs } })
      .on('POST /supplier/orders', { body: { supplier: 'Hollin Fasteners', promisedMs, order: 'H-1' }, status: 201 });
    const { user, given } = show(worker, { shop });
    await user.click(await screen.findByRole('button', { name: 'Order 2' }));
    expect(await screen.findByText(/promises 2 for 09:00 on 2030-01-02/)).toBeVisible();
    await user.click(screen.getAllByRole('button', { name: 'Order 2' }).at(-1) as HTMLElement);
    expect(await screen.findByText(/2 ordered, H-1/)).toBeVisible();
    expect(given.at(-1)).toMatchObject({ type: 'orderPieces', item: bolt?.id, order: 'H-1', quantity: 2, promisedMs });
    // Ordered is not here.
    expect(screen.getByRole('heading', { name: /2 short:/ })).toBeVisible();
    await user.click(press('They are here'));
    expect(screen.queryByRole('heading', { name: /short:/ })).toBeNull();
  });
  it('says so where the drawers or the supplier cannot be asked, and the old way stays open', async () => {
    const shop = new Shop().on('GET /shelf', 'unreachable').on('POST /supplier/promises', 'unreachable');
    const { user } = show(short().worker, { shop });
    expect(await screen.findByText(/drawers cannot be looked into now/, {}, { timeout: 8000 })).toBeVisible();
    await user.click(press('Order 2'));
    expect(await screen.findByRole('alert')).not.toBeEmptyDOMElement();
    expect(press('Use shop stock')).toBeEnabled();
  });
});

describe('keys', () => {
  it('of the kit are nobody’s until they are handed on; others are named', async () => {
    const { user, given } = show(counted());
    const keys = within(await screen.findByRole('region', { name: 'Keys, bits and codes' }));
    expect(keys.getByText('nobody has it yet')).toBeVisible();
    await user.click(keys.getByRole('button', { name: 'Hand on Lock key' }));
    const sheet = within(await screen.findByRole('dialog', { name: 'Hand on: Lock key' }));
    expect(sheet.getByRole('button', { name: 'Hand it over' })).toBeDisabled();
    await user.click(sheet.getByRole('button', { name: 'The owner' }));
    await user.type(sheet.getByLabelText('Handed to'), 'Ines Harrow');
    await user.click(sheet.getByRole('button', { name: 'Hand it over' }));
    expect(given.at(-1)).toMatchObject({ type: 'handKey', key: 'key', to: { who: 'owner', name: 'Ines Harrow' } });
    expect(await keys.findByText('with the owner, Ines Harrow')).toBeVisible();
    await user.click(keys.getByRole('button', { name: 'Name a key, bit or code' }));
    const fresh = within(await screen.findByRole('dialog', { name: 'A key, bit or code' }));
    await user.type(fresh.getByLabelText('What it is'), 'Wheel lock bit');
    await user.selectOptions(fresh.getByLabelText('Kind'), 'lockBit');
    await user.type(fresh.getByLabelText('Who has it'), 'Tam');
    await user.click(fresh.getByRole('button', { name: 'Hand it over' }));
    expect(await keys.findByText('Wheel lock bit')).toBeVisible();
  });
});

describe('the tray map', () => {
  it('shows what lies where; picked up and put down it stays there', async () => {
    const { user, given } = show(counted());
    await user.click(await screen.findByRole('button', { name: /^Tray map/ }));
    const map = within(await screen.findByRole('dialog', { name: 'Where it lies' }));
    const first = map.getByRole('button', { name: /^A1: / });
    expect(first).not.toHaveAccessibleName('A1: empty');
    await user.click(first);
    expect(map.getByText(/in the hand/)).toBeVisible();
    await user.click(map.getByRole('button', { name: 'D6: empty' }));
    expect(given.at(-1)).toMatchObject({ type: 'putInTray', tray: 'Tray', row: 3, column: 5 });
    expect(map.getByRole('button', { name: /^A1: / })).toHaveAccessibleName('A1: empty');
    expect(map.getByRole('button', { name: /^D6: / })).not.toHaveAccessibleName('D6: empty');
  });
});
