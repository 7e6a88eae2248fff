import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen, within } from '@testing-library/react';
import { Route } from 'react-router';
import type { ShopSettings as Settings } from '#contract/shop.ts';
import { FITTER, Shop, stage } from '../../test/stage.tsx';
import { readTrays } from './RuleFields.tsx';
import ShopSettings from './ShopSettings.tsx';

afterEach(cleanup);

const SETTINGS: Settings = {
  network: { trustUrls: [] },
  name: 'Harrow Lane',
  bays: 4,
  rules: { timeZone: 'Europe/London', boltUses: 3 },
  people: [
    { id: FITTER.person.id, name: 'Rafe Orrin', initials: 'RO', role: 'lead', skills: [] },
    {
      id: 'p2',
      name: 'Hob Larkmoor',
      initials: 'HL',
      role: 'apprentice',
      mentor: FITTER.person.id,
      skills: ['wheels'],
    },
    { id: 'p3', name: 'Tamsin Quell', initials: 'TQ', role: 'fitter', skills: [], leftAtMs: 1_700_000_000_000 },
  ],
  changes: [
    {
      id: 2,
      atMs: 1_700_000_000_000,
      byName: 'Rafe Orrin',
      change: { what: 'setting', field: 'bays', from: '3', to: '4' },
    },
    { id: 1, atMs: 1_600_000_000_000, byName: 'Rafe Orrin', change: { what: 'opened', name: 'Harrow Lane' } },
  ],
};
const LEAD = { ...FITTER, person: { ...FITTER.person, role: 'lead' as const } };
const shop = () => new Shop().on('GET /shop', { body: SETTINGS }).on('GET /session', { body: LEAD });
const show = (asked = shop(), session: typeof FITTER = LEAD) =>
  stage(<Route path="/shop" element={<ShopSettings />} />, '/shop', asked, session);

describe('the shop', () => {
  it('is a lead’s: others are told to ask one, and nothing is read', async () => {
    const asked = new Shop();
    show(asked, { ...FITTER, person: { ...FITTER.person, role: 'fitter' } });
    expect(await screen.findByText('A lead sets the shop. Ask one.')).toBeVisible();
    expect(asked.asked).toEqual([]);
  });

  it('shows who works here, with whom, and who has left; and what was changed by whom', async () => {
    show();
    expect(await screen.findByText('apprentice · wheels · with Rafe Orrin')).toBeVisible();
    expect(screen.getByRole('heading', { name: 'Have left' })).toBeVisible();
    expect(screen.getByText('Bays: 4, before 3')).toBeVisible();
    expect(screen.getByText('Harrow Lane opened')).toBeVisible();
  });

  it('a new PIN is asked for with the lead’s own, and shown once', async () => {
    const asked = shop().on('POST /shop/people/p2/access', { body: { pin: '8301' } });
    const { user } = show(asked);
    await user.click(await screen.findByRole('button', { name: 'New PIN: Hob Larkmoor' }));
    const sheet = within(await screen.findByRole('dialog', { name: 'New PIN: Hob Larkmoor' }));
    expect(sheet.getByRole('button', { name: 'New PIN' })).toBeDisabled();
    await user.type(sheet.getByLabelText('Your own PIN'), '1357');
    await user.click(sheet.getByRole('button', { name: 'New PIN' }));
    expect(await screen.findByText('8301')).toBeVisible();
    expect(asked.sent('POST').at(-1)?.body).toEqual({ do: 'resetPin', secret: '1357' });
    await user.click(screen.getByRole('button', { name: 'It was passed on' }));
    expect(screen.queryByText('8301')).toBeNull();
  });

  it('a refusal stays in the sheet with its reason', async () => {
    const asked = shop().on('POST /shop/people/p2/access', {
      problem: { code: 'wrongSecret', status: 401, title: 'That is not the PIN' },
    });
    const { user } = show(asked);
    await user.click(await screen.findByRole('button', { name: 'Lock: Hob Larkmoor' }));
    const sheet = within(await screen.findByRole('dialog'));
    await user.type(sheet.getByLabelText('Your own PIN'), '9999');
    await user.click(sheet.getByRole('button', { name: 'Lock' }));
    expect(await sheet.findByRole('alert')).not.toBeEmptyDOMElement();
  });

  it('rules are kept together, and given back as they were', async () => {
    const asked = shop().on('PUT /shop', { body: undefined, status: 204 });
    const { user } = show(asked);
    const keep = await screen.findByRole('button', { name: 'Keep the settings' });
    expect(keep).toBeDisabled();
    const uses = screen.getByLabelText('Times, usual 2');
    await user.clear(uses);
    await user.type(uses, '0{Enter}');
    expect(screen.getByText('From 1 to 99.')).toBeVisible();
    await user.clear(uses);
    await user.type(uses, '1{Enter}');
    await user.click(within(screen.getByRole('region', { name: 'By feel' })).getByRole('button', { name: 'Refused' }));
    await user.click(keep);
    expect(asked.sent('PUT').at(-1)?.body).toEqual({
      name: 'Harrow Lane',
      bays: 4,
      rules: { timeZone: 'Europe/London', boltUses: 1, byFeel: false },
    });
  });
});

describe('trays as they are typed', () => {
  it.each([
    [
      'Red 4 × 6\nBlue box 2x3',
      [
        { name: 'Red', rows: 4, columns: 6 },
        { name: 'Blue box', rows: 2, columns: 3 },
      ],
    ],
    ['', []],
    ['Red', '“Red” is no tray: a name, then rows × columns, like Red 4 × 6.'],
    ['Red 0 × 6', 'Red: up to 12 rows and 16 columns.'],
    ['Red 2 × 2\nRed 3 × 3', 'Two trays are called Red.'],
  ])('%j', (typed, read) => expect(readTrays(typed)).toEqual(read));
});

describe('tablets', () => {
  const section = async (network: Settings['network']) => {
    show(shop().on('GET /shop', { body: { ...SETTINGS, network } }));
    return within(await screen.findByRole('region', { name: 'Tablets' }));
  };
  it('a server on loopback says how to reach it from the network', async () => {
    const tablets = await section({ trustUrls: [] });
    expect(tablets.getByText('HOST=0.0.0.0 npm run shop')).toBeVisible();
    expect(tablets.queryByRole('img')).toBeNull();
  });
  it('on the network it shows a code and the letters to compare, of each address', async () => {
    const fingerprint = 'AB:CD:EF';
    const trustUrls = ['http://192.168.7.20:4601/trust', 'http://10.1.2.3:4601/trust'];
    const { user } = show(shop().on('GET /shop', { body: { ...SETTINGS, network: { fingerprint, trustUrls } } }));
    expect(await screen.findByRole('img', { name: 'Code of http://192.168.7.20:4601/trust' })).toBeVisible();
    expect(screen.getByText('AB CD EF')).toBeVisible();
    await user.selectOptions(screen.getByLabelText('Another name or address of this machine'), '1');
    expect(screen.getByRole('img', { name: 'Code of http://10.1.2.3:4601/trust' })).toBeVisible();
  });
  it('without an address in a network it says so', async () => {
    const tablets = await section({ fingerprint: 'AB:CD', trustUrls: [] });
    expect(tablets.getByText(/no name or address in a network just now/)).toBeVisible();
    expect(tablets.getByText('AB CD')).toBeVisible();
    expect(tablets.queryByRole('img')).toBeNull();
  });
});
