import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen, within } from '@testing-library/react';
import { Route } from 'react-router';
import type { DueItem } from '#contract/due.ts';
import { Shop, stage } from '../../test/stage.tsx';
import Due from './Due.tsx';

afterEach(cleanup);

const DAY = 86_400_000;
const item = (over: Partial<DueItem> = {}, days?: number): DueItem => ({
  job: '8f14e45f-ceea-467f-a3b8-0d1c7a0b5e11',
  number: '261129-1',
  care: 'wheels',
  text: 'Wheel nuts again.',
  vehicle: {
    id: 'v-1',
    make: 'Tolvan',
    model: 'Carrick 3.0',
    plate: '14-115',
    owner: 'Ines Harrow',
    contact: '555 0142',
  },
  closedAtMs: Date.now() - 9 * DAY,
  ...(days === undefined
    ? {}
    : {
        atKm: 61_300,
        lastKm: 61_240,
        kmPerDay: 38,
        rateFrom: 'history' as const,
        expected: {
          expectedMs: Date.now() + days * DAY,
          earliestMs: Date.now() + (days - 1) * DAY,
          latestMs: Date.now() + (days + 3) * DAY,
          by: 'distance' as const,
        },
      }),
  ...over,
});
const due = (items: DueItem[], shop = new Shop()) =>
  stage(<Route path="/due" element={<Due />} />, '/due', shop.on('GET /due', { body: items }));

describe('what is due', () => {
  it('is being worked out, then nothing, with what would stand here', async () => {
    stage(<Route path="/due" element={<Due />} />, '/due', new Shop().on('GET /due', 'never'));
    expect(await screen.findByText('Working it out.')).toBeVisible();
    cleanup();
    due([]);
    expect(await screen.findByText(/Nobody is to come back for anything/)).toBeVisible();
  });
  it('stands under its day, the overdue first, with what the day was taken from', async () => {
    due([item({}, -2), item({ care: 'b' }, 3), item({ care: 'c', event: true })]);
    const overdue = within(await screen.findByRole('region', { name: 'Overdue' }));
    expect(overdue.getByText(/At 61,300 km, last read 61,240 km; at 38 km a day, from its own visits/)).toBeVisible();
    expect(overdue.getByText(/555 0142/)).toBeVisible();
    expect(screen.getAllByRole('region').map((region) => region.getAttribute('aria-label'))).toEqual([
      'Overdue',
      'In the next seven days',
      'Without a date',
    ]);
    expect(screen.getByText(/When it happens: no date can be told/)).toBeVisible();
  });
  it('is found by its owner, and says where nothing answers', async () => {
    const { user } = due([
      item({}, 1),
      item({ job: 'b', vehicle: { ...item().vehicle, plate: 'HL 1', owner: 'Wren Calder' } }, 1),
    ]);
    await screen.findAllByRole('listitem');
    await user.type(screen.getByRole('searchbox'), 'calder');
    expect(screen.getAllByRole('listitem')).toHaveLength(1);
    await user.type(screen.getByRole('searchbox'), 'x');
    expect(screen.getByText('Nothing due answers to that.')).toBeVisible();
  });
  it('stands by whose it is, who has to come first at the top, and says of itself that it is overdue', async () => {
    const of = (owner: string, plate: string) => ({ ...item().vehicle, owner, plate });
    const { user } = due([
      item({ job: 'a', vehicle: of('Wren Calder', 'HL 1') }, 2),
      item({ job: 'b', vehicle: of('Ines Harrow', 'HL 2') }, -3),
      item({ job: 'c', vehicle: of('Wren Calder', 'HL 3') }, 40),
      item({ job: 'd', vehicle: of('Wren Calder', 'HL 4'), settled: { how: 'here', atMs: 1, by: 'R', note: '' } }),
    ]);
    await screen.findAllByRole('listitem');
    await user.click(screen.getByRole('button', { name: 'By owner' }));
    expect(screen.getByRole('button', { name: 'By owner' })).toHaveAttribute('aria-pressed', 'true');
    const owners = screen.getAllByRole('region');
    expect(owners.map((region) => region.getAttribute('aria-label'))).toEqual([
      'Ines Harrow, 555 0142',
      'Wren Calder, 555 0142',
    ]);
    expect(within(owners[0] as HTMLElement).getByText('overdue')).toBeVisible();
    const calder = within(owners[1] as HTMLElement);
    expect(calder.getAllByRole('listitem')).toHaveLength(2);
    expect(calder.queryByText('overdue')).toBeNull();
    await user.click(screen.getByRole('button', { name: 'By day' }));
    expect(screen.getByRole('region', { name: 'Overdue' })).toBeVisible();
  });
  it('is settled with the odometer then, and taken back', async () => {
    const shop = new Shop().on('POST /due/settled', { body: undefined, status: 204 });
    const { user } = due([item({}, 0.01)], shop);
    await user.click(await screen.findByRole('button', { name: 'What became of it' }));
    const dialog = within(await screen.findByRole('dialog'));
    await user.type(dialog.getByLabelText('Odometer then, km'), 'far');
    expect(dialog.getByRole('alert')).toHaveTextContent('A number of kilometres');
    expect(dialog.getByRole('button', { name: 'Keep it' })).toBeDisabled();
    await user.clear(dialog.getByLabelText('Odometer then, km'));
    await user.type(dialog.getByLabelText('Odometer then, km'), '61.310');
    await user.click(dialog.getByRole('button', { name: 'Done elsewhere' }));
    await user.click(dialog.getByRole('button', { name: 'Keep it' }));
    expect(await screen.findByText(/is settled/)).toBeVisible();
    // A point between thousands is none of a fraction.
    expect(shop.sent('POST').at(-1)?.body).toMatchObject({ how: 'elsewhere', odometerKm: 61_310 });
    await user.click(screen.getByRole('button', { name: 'Take it back' }));
    expect(screen.queryByText(/is settled/)).toBeNull();
  });
  it('is read and told in miles where the dial shows miles, and kept in kilometres', async () => {
    const shop = new Shop().on('POST /due/settled', { body: undefined, status: 204 });
    const { user } = due([item({ vehicle: { ...item().vehicle, odometerUnit: 'mi' } }, 0.01)], shop);
    expect(await screen.findByText(/At 38,090 mi, last read 38,053 mi/)).toBeVisible();
    await user.click(await screen.findByRole('button', { name: 'What became of it' }));
    const dialog = within(await screen.findByRole('dialog'));
    await user.type(dialog.getByLabelText('Odometer then, mi'), '38,100');
    await user.click(dialog.getByRole('button', { name: 'Keep it' }));
    expect(await screen.findByText(/is settled/)).toBeVisible();
    // 38,100 international miles of 1.609344 km (NIST SP 811, appendix B.8).
    expect(shop.sent('POST').at(-1)?.body).toMatchObject({ odometerKm: expect.closeTo(61_316.006, 2) });
  });
  it('that cannot be read or kept says so', async () => {
    stage(<Route path="/due" element={<Due />} />, '/due', new Shop().on('GET /due', 'unreachable'));
    expect(await screen.findByRole('alert')).toHaveTextContent('The server cannot be reached');
    cleanup();
    const shop = new Shop().on('POST /due/settled', { problem: { code: 'unknownDue', status: 404 } });
    const { user } = due([item({}, 0.01)], shop);
    await user.click(await screen.findByRole('button', { name: 'What became of it' }));
    await user.click(within(await screen.findByRole('dialog')).getByRole('button', { name: 'Keep it' }));
    expect(await within(screen.getByRole('dialog')).findByRole('alert')).toBeVisible();
  });
});
