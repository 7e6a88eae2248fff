import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen, within } from '@testing-library/react';
import { Route } from 'react-router';
import type { Outside } from '#contract/outside.ts';
import type { ShopSettings as Settings } from '#contract/shop.ts';
import type { Tablets } from '#contract/tablet.ts';
import { FITTER, Shop, stage } from '../../test/stage.tsx';
import Programs from './programs/Programs.tsx';
import { readStages, readTrays } from './RuleFields.tsx';
import ShopSettings from './ShopSettings.tsx';
import ShopShell from './ShopShell.tsx';
import TabletList from './tablets/Tablets.tsx';

afterEach(cleanup);

const SETTINGS: Settings = {
  network: { trustUrls: [] },
  name: 'Harrow Lane',
  bays: 4,
  sessionHours: 14,
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
const TABLETS: Tablets = {
  own: 't1',
  pairedOnly: false,
  tablets: [
    { id: 't1', name: 'Desk', madeAtMs: 1, seenAtMs: 1_700_000_000_000, pairedAtMs: 1, last: 'Rafe Orrin' },
    { id: 't2', name: 'Bay 2', madeAtMs: 1, seenAtMs: 1_700_000_000_000, last: 'Hob Larkmoor' },
    { id: 't3', name: 'Lost one', madeAtMs: 1, seenAtMs: 1, revokedAtMs: 1_700_000_000_000 },
  ],
};
const LEAD = { ...FITTER, person: { ...FITTER.person, role: 'lead' as const } };
const shop = () =>
  new Shop()
    .on('GET /shop', { body: SETTINGS })
    .on('GET /session', { body: LEAD })
    .on('GET /tablets', { body: TABLETS });
const show = (asked = shop(), session: typeof FITTER = LEAD, path = '/shop') =>
  stage(
    <Route path="/shop" element={<ShopShell />}>
      <Route index element={<ShopSettings />} />
      <Route path="tablets" element={<TabletList />} />
      <Route path="programs" element={<Programs />} />
    </Route>,
    path,
    asked,
    session,
  );

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
    const hours = screen.getByLabelText('Hours, usual 14');
    await user.clear(hours);
    await user.type(hours, '30{Enter}');
    expect(screen.getByText('From 1 to 24.')).toBeVisible();
    await user.clear(hours);
    await user.type(hours, '10{Enter}');
    const stages = screen.getByLabelText(/^Rising shares/);
    await user.type(stages, '30 %, 60 %, 100 %{Enter}');
    await user.type(screen.getByLabelText(/^With a gasket/), '0.3, 0.6, 1{Enter}');
    await user.type(screen.getByLabelText('Wheels'), '60{Enter}');
    const exhaust = screen.getByLabelText('Exhaust');
    await user.type(exhaust, '0.5{Enter}');
    expect(screen.getByText('From 1 to 20000.')).toBeVisible();
    await user.clear(exhaust);
    await user.type(exhaust, '{Enter}');
    const power = screen.getByLabelText(/^mm, usual 6/);
    await user.type(power, '8{Enter}');
    await user.click(screen.getByRole('button', { name: 'A lead alone' }));
    await user.click(screen.getByRole('button', { name: 'Sent out' }));
    await user.type(screen.getByLabelText('km, or nothing'), '80{Enter}');
    await user.click(keep);
    expect(asked.sent('PUT').at(-1)?.body).toEqual({
      name: 'Harrow Lane',
      bays: 4,
      sessionHours: 10,
      rules: {
        timeZone: 'Europe/London',
        boltUses: 1,
        byFeel: false,
        stages: [0.3, 0.6, 1],
        gasketStages: [0.3, 0.6, 1],
        againAfterKm: { wheels: 60 },
        powerFromMm: 8,
        figuresBy: 'lead',
        aligner: 'sentOut',
        untilAlignedKm: 80,
      },
    });
  });
});

describe('stages as they are typed', () => {
  it.each<[string, unknown]>([
    ['', []],
    ['0.5, 1', [0.5, 1]],
    ['0,5; 1', [0.5, 1]],
    ['30 %, 60 %, 100 %', [0.3, 0.6, 1]],
    ['50 100', [0.5, 1]],
    ['1', [1]],
    ['1, 0.5', expect.stringContaining('Rising')],
    ['0.5', expect.stringContaining('Rising')],
    ['0, 1', expect.stringContaining('Rising')],
    ['half, 1', expect.stringContaining('Rising')],
    ['0.1, 0.2, 0.3, 0.4, 0.5, 1', expect.stringContaining('Rising')],
  ])('%j', (typed, read) => expect(readStages(typed)).toEqual(read));
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
    show(shop().on('GET /shop', { body: { ...SETTINGS, network } }), LEAD, '/shop/tablets');
    return within(await screen.findByRole('region', { name: 'Trust' }));
  };
  it('a server on loopback says how to reach it from the network', async () => {
    const tablets = await section({ trustUrls: [] });
    expect(tablets.getByText('HOST=0.0.0.0 npm run shop')).toBeVisible();
    expect(tablets.queryByRole('img')).toBeNull();
  });
  it('on the network it shows a code and the letters to compare, of each address', async () => {
    const fingerprint = 'AB:CD:EF';
    const trustUrls = ['http://192.168.7.20:4601/trust', 'http://10.1.2.3:4601/trust'];
    const asked = shop().on('GET /shop', { body: { ...SETTINGS, network: { fingerprint, trustUrls } } });
    const { user } = show(asked, LEAD, '/shop/tablets');
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
  it('lists who is known, lets one in by a code, and puts one out with the lead’s PIN', async () => {
    const asked = shop()
      .on('POST /tablets/codes', { body: { code: 'K7QM-2XWD', untilMs: 1_700_000_000_000 }, status: 201 })
      .on('POST /tablets/t2/out', { body: { id: 't2' } });
    const { user } = show(asked, LEAD, '/shop/tablets');
    expect(await screen.findByText('Desk · this one')).toBeVisible();
    expect(screen.getByRole('button', { name: 'Put out Desk' })).toBeDisabled();
    expect(screen.getByText('Put out: 1')).toBeVisible();
    await user.type(screen.getByLabelText('Its name'), 'Counter');
    await user.click(screen.getByRole('button', { name: 'Make its code' }));
    expect(await screen.findByText('K7QM-2XWD')).toBeVisible();
    expect(screen.getByRole('img', { name: /\/pair#K7QM-2XWD$/ })).toBeVisible();
    expect(asked.sent('POST').at(-1)?.body).toEqual({ name: 'Counter' });
    await user.click(screen.getByRole('button', { name: 'Put out Bay 2' }));
    const sheet = within(await screen.findByRole('dialog', { name: 'Put out Bay 2' }));
    await user.type(sheet.getByLabelText('Your own PIN'), '1357');
    await user.click(sheet.getByRole('button', { name: 'Put it out' }));
    expect(asked.sent('POST').at(-1)?.body).toEqual({ secret: '1357' });
  });
});

describe('programs', () => {
  const OUTSIDE: Outside = {
    keys: [{ id: 'k1', name: 'Till', scopes: ['visits:write'], madeAtMs: 1_700_000_000_000, madeBy: 'Rafe Orrin' }],
    hooks: [
      {
        id: 'h1',
        url: 'https://till.example/told',
        events: ['visit.closed'],
        madeAtMs: 1,
        madeBy: 'Rafe Orrin',
        tellings: [
          { id: 9, event: 'visit.closed', madeAtMs: 1_700_000_000_000, tries: 10, answer: 'HTTP 500', givenUp: true },
        ],
      },
    ],
  };
  const asked = () => shop().on('GET /programs', { body: OUTSIDE });
  it('says what a key may do, and what did not arrive, which a lead sends again', async () => {
    const server = asked().on('POST /programs/tellings/9/again', { body: undefined, status: 204 });
    const { user } = show(server, LEAD, '/shop/programs');
    expect(await screen.findByText('open visits')).toBeVisible();
    expect(screen.getByText('1 of the last 1 did not arrive yet')).toBeVisible();
    expect(screen.getByText('given up after 10 tries, HTTP 500')).toBeVisible();
    await user.click(screen.getByRole('button', { name: 'Tell it now' }));
    expect(server.sent('POST')).toHaveLength(1);
  });
  it('a key is shown once; a wrong PIN keeps the form with its reason', async () => {
    const wrong = { problem: { code: 'wrongSecret' as const, status: 401, title: 'That is not the PIN' } };
    const server = asked().on('POST /programs/keys', wrong);
    const { user } = show(server, LEAD, '/shop/programs');
    await user.click(await screen.findByRole('button', { name: 'Make a key' }));
    const sheet = within(await screen.findByRole('dialog'));
    await user.type(sheet.getByLabelText('What has it'), 'Web shop');
    await user.type(sheet.getByLabelText('Your own PIN'), '9999');
    await user.click(sheet.getByRole('button', { name: 'Make the key' }));
    expect(await sheet.findByRole('alert')).toBeVisible();
    server.on('POST /programs/keys', { body: { id: 'k2', key: 'wrk_secret' }, status: 201 });
    await user.click(sheet.getByRole('button', { name: 'Make the key' }));
    expect(await screen.findByText('wrk_secret')).toBeVisible();
    await user.click(screen.getByRole('button', { name: 'It was passed on' }));
    expect(screen.queryByText('wrk_secret')).toBeNull();
  });
});
