import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import { Route } from 'react-router';
import type { Crib, CribWrench } from '#contract/crib.ts';
import type { Loan } from '#core/crib/crib-tool.ts';
import type { Role } from '#core/job/role.ts';
import { demoBottles, demoChecks, demoTemperatures, demoTools } from '#demo/crib.ts';
import { DEMO_PEOPLE, demoWrenches } from '#demo/shop.ts';
import { FITTER, Shop, stage } from '../../test/stage.tsx';
import Compounds from './Compounds.tsx';
import CribShell from './CribShell.tsx';
import Reorder from './Reorder.tsx';
import Tools from './Tools.tsx';
import Wrenches from './Wrenches.tsx';

afterEach(cleanup);

const NOW = Date.now();
const ROUTES = (
  <Route path="/crib" element={<CribShell />}>
    <Route index element={<Wrenches />} />
    <Route path="tools" element={<Tools />} />
    <Route path="compounds" element={<Compounds />} />
    <Route path="reorder" element={<Reorder />} />
  </Route>
);
const WRENCHES = demoWrenches(NOW).map((wrench) => ({ ...wrench, calibrationDueOn: '2099-01-01' }));
const CHECKS = demoChecks(WRENCHES, NOW, 'Mira Vane');
const wrenches = (): CribWrench[] =>
  WRENCHES.map((wrench) => ({ ...wrench, checks: CHECKS.filter((check) => check.wrenchId === wrench.id) }));
const crib = (over: Partial<Crib> = {}): Crib => ({
  wrenches: wrenches(),
  tools: demoTools(),
  bottles: demoBottles(NOW),
  temperatures: demoTemperatures(NOW),
  rechecks: [],
  people: DEMO_PEOPLE.map(({ id, name }) => ({ id, name })),
  ...over,
});
const EMPTY: Partial<Crib> = { wrenches: [], tools: [], bottles: [], temperatures: [] };
const shop = (over: Partial<Crib> = {}) =>
  new Shop().on('GET /crib', { body: crib(over) }).on('GET /jobs', { body: [] });
const as = (role: Role) => ({ ...FITTER, person: { ...FITTER.person, role } });
const open = (at = '', given = shop(), role: Role = 'fitter') => stage(ROUTES, `/crib${at}`, given, as(role));
const loan = (over: Partial<Loan> = {}): Loan => ({
  id: 'l1',
  thing: 'tool',
  thingId: 't',
  thingName: '16 mm socket',
  personId: 'u-hob',
  personName: 'Hob Tally',
  outAtMs: NOW - 3_600_000,
  ...over,
});
/** The list of wrenches has one that is… */
const withWrench = (over: Partial<CribWrench>): Partial<Crib> => ({
  wrenches: wrenches().map((wrench, at) => (at === 0 ? { ...wrench, ...over } : wrench)),
});
const first = () =>
  within(screen.getByRole('region', { name: 'Torque wrenches' })).getAllByRole('listitem')[0] as HTMLElement;

describe('the crib as a whole', () => {
  it('is being read; unreachable it says so once, keeping what it showed', async () => {
    open('', shop().on('GET /crib', 'never'));
    expect(await screen.findByText('Reading the crib.')).toBeVisible();
    cleanup();
    open('', shop().on('GET /crib', 'unreachable'));
    expect(await screen.findByRole('alert')).toHaveTextContent(
      'The server cannot be reached. Nothing was changed; try again. What you see may be old.',
    );
  });
  it('empty, every wall says what it lacks', async () => {
    open('', shop(EMPTY));
    expect(await screen.findByText('No wrench hangs here yet. A lead adds the first.')).toBeVisible();
    cleanup();
    open('/tools', shop(EMPTY));
    expect(await screen.findByText('No tool hangs here yet.')).toBeVisible();
    cleanup();
    open('/compounds', shop(EMPTY));
    expect(await screen.findByText('Nothing stands here yet.')).toBeVisible();
    expect(screen.getByText('Two readings make a curve.')).toBeVisible();
    cleanup();
    open('/reorder', shop(EMPTY).on('GET /crib/reorder', { body: [] }));
    expect(await screen.findByText(/every compound is good and in quantity/)).toBeVisible();
  });
});

describe('the wrenches', () => {
  it.each<[string, Partial<CribWrench>, RegExp]>([
    ['good', {}, /good to 2099-01-01/],
    ['due by its date', { calibrationDueOn: '2020-01-01' }, /out of calibration/],
    ['due by its pulls', { pullsSinceCalibration: 5001 }, /due by pulls/],
    ['locked', { locked: { atMs: NOW, because: 'off by 8 %' }, calibrationDueOn: '2020-01-01' }, /locked/],
    ['lent', { loan: loan({ thing: 'wrench' }) }, /out: Hob Tally/],
  ])('one that is %s says so in the list', async (_, over, words) => {
    open('', shop(withWrench(over)));
    await screen.findByRole('region', { name: 'Torque wrenches' });
    expect(first()).toHaveTextContent(words);
  });
  it('a locked one says why, and no word of its date hides that', async () => {
    open('', shop(withWrench({ locked: { atMs: NOW, because: 'off by 8 %' } })));
    expect(await screen.findByRole('alert')).toHaveTextContent('off by 8 %. No pull is taken from it until');
  });
  it('only a lead adds or calibrates one; an apprentice checks', async () => {
    open('', shop(), 'apprentice');
    expect(await screen.findByRole('button', { name: 'Check-pull' })).toBeVisible();
    expect(screen.queryByRole('button', { name: 'Add a wrench' })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Calibrate' })).toBeNull();
    cleanup();
    open('', shop(), 'lead');
    expect(await screen.findByRole('button', { name: 'Add a wrench' })).toBeVisible();
    expect(screen.getByRole('button', { name: 'Calibrate' })).toBeVisible();
  });
  it('the one in the address is picked; one that is gone gives way to the first', async () => {
    const second = WRENCHES[1];
    if (!second) throw new Error('two wrenches');
    open(`?wrench=${second.id}`);
    expect(await screen.findByRole('button', { name: new RegExp(second.label), pressed: true })).toBeVisible();
    cleanup();
    open('?wrench=gone');
    await screen.findByRole('region', { name: 'Torque wrenches' });
    expect(within(first()).getByRole('button')).toHaveAttribute('aria-pressed', 'true');
  });
  it('stations in doubt are settled by name and reason', async () => {
    const recheck = {
      wrenchId: WRENCHES[0]?.id ?? '',
      jobId: '11111111-1111-4111-8111-111111111111',
      jobNumber: '261101-2',
      vehicle: 'Tussock',
      closed: true,
      stationId: 'g1',
      station: '1',
      pulledAtMs: NOW,
      torqueNm: 47,
    };
    const { user, shop: asked } = open('', shop({ rechecks: [recheck] }).on('POST /crib/rechecks', { body: {} }));
    const section = await screen.findByRole('region', { name: 'To be pulled again' });
    expect(section).toHaveTextContent('handed over: call it back');
    expect(within(section).getByRole('link', { name: 'To the job' })).toHaveAttribute(
      'href',
      `/jobs/${recheck.jobId}/record`,
    );
    await user.click(within(section).getByRole('button', { name: 'Settled' }));
    await user.click(await screen.findByRole('button', { name: 'Vehicle called back' }));
    const keep = screen.queryByRole('button', { name: 'Keep it' });
    if (keep) await user.click(keep);
    await user.type(await screen.findByLabelText(/^PIN of/), '2468{Enter}');
    await waitFor(() =>
      expect(asked.sent('POST')[0]?.body).toMatchObject({
        station: 'g1',
        how: 'Vehicle called back',
        secret: '2468',
      }),
    );
  });
});

describe('sockets and tools', () => {
  it('are found by size or name; nothing found is said', async () => {
    const { user } = open('/tools');
    const all = (await screen.findAllByRole('listitem')).length;
    await user.type(screen.getByRole('searchbox'), '16');
    expect(screen.getAllByRole('listitem').length).toBeLessThan(all);
    await user.type(screen.getByRole('searchbox'), 'zzz');
    expect(screen.getByText('Nothing here answers to that.')).toBeVisible();
  });
  it('an empty peg says who has it; only what is out can be shown', async () => {
    const tools = demoTools().map((tool, at) => (at === 0 ? { ...tool, loan: loan() } : tool));
    const { user } = open('/tools', shop({ tools }));
    await user.click(await screen.findByRole('button', { name: '1 out' }));
    expect(screen.getAllByRole('listitem')).toHaveLength(1);
    expect(screen.getByText(/Hob Tally/)).toBeVisible();
  });
  it('is lent to a person for a job; out already, the reason is said and the sheet stays', async () => {
    const { user, shop: asked } = open(
      '/tools',
      shop().on('POST /crib/loans', { problem: { code: 'alreadyOut', status: 409, title: 'It is out already' } }),
    );
    const [peg] = await screen.findAllByRole('listitem');
    await user.click(within(peg as HTMLElement).getAllByRole('button')[0] as HTMLElement);
    const sheet = await screen.findByRole('dialog');
    await user.selectOptions(within(sheet).getByLabelText('To'), 'u-orrin');
    await user.click(within(sheet).getByRole('button', { name: 'Lend it' }));
    await waitFor(() => expect(screen.getByText('It is out already')).toBeInTheDocument());
    expect(screen.getByRole('dialog')).toBeVisible();
    expect(asked.sent('POST')[0]?.body).toMatchObject({ personId: 'u-orrin', thing: 'tool' });
    asked.on('POST /crib/loans', { body: { id: 'l' }, status: 201 });
    await user.click(within(sheet).getByRole('button', { name: 'Lend it' }));
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    // The same loan sent twice is one loan.
    const [one, two] = asked.sent('POST').map(({ body }) => (body as { id: string }).id);
    expect(one).toBe(two);
  });
  it('a missing one is reported with where it was looked for', async () => {
    const tools = demoTools().map((tool, at) => (at === 0 ? { ...tool, loan: loan() } : tool));
    const { user, shop: asked } = open('/tools', shop({ tools }).on('POST /crib/loans/l1/return', { body: {} }));
    await user.click(await screen.findByRole('button', { name: '1 out' }));
    await user.click(
      within(screen.getAllByRole('listitem')[0] as HTMLElement).getAllByRole('button')[0] as HTMLElement,
    );
    await user.click(await screen.findByRole('button', { name: 'It is missing' }));
    expect(screen.getByRole('button', { name: 'Report it missing' })).toBeDisabled();
    await user.type(screen.getByLabelText('Where was it looked for?'), 'Engine bay, floor');
    await user.click(screen.getByRole('button', { name: 'Report it missing' }));
    await waitFor(() => expect(asked.sent('POST')[0]?.body).toEqual({ missing: 'Engine bay, floor' }));
  });
  it('a click wrench comes back only with its spring at the lowest mark', async () => {
    const click = WRENCHES.find((wrench) => wrench.kind === 'click');
    if (!click) throw new Error('a click wrench');
    const lent = {
      wrenches: wrenches().map((wrench) =>
        wrench.id === click.id ? { ...wrench, loan: loan({ thing: 'wrench', thingName: click.label }) } : wrench,
      ),
    };
    const { user } = open(`?wrench=${click.id}`, shop(lent));
    await user.click(await screen.findByRole('button', { name: /back/i }));
    expect(await screen.findByRole('button', { name: 'It is back' })).toBeDisabled();
    await user.click(screen.getByRole('checkbox'));
    expect(screen.getByRole('button', { name: 'It is back' })).toBeEnabled();
  });
});

describe('compounds', () => {
  it('stand with what is left and what is against them', async () => {
    const [bottle] = demoBottles(NOW);
    if (!bottle) throw new Error('a bottle');
    const old = { ...bottle, id: 'old', name: 'Old locker', expiresOn: '2020-01-01' };
    open('/compounds', shop({ bottles: [bottle, old, { ...bottle, id: 'gone', emptiedOn: '2026-01-01' }] }));
    expect(await screen.findAllByRole('listitem')).toHaveLength(2);
    expect(screen.getByText(/past its date/)).toBeVisible();
  });
  it('the thermometer takes a reading that can be, and no other', async () => {
    const { user, shop: asked } = open('/compounds', shop().on('POST /crib/temperatures', { body: {}, status: 201 }));
    const field = await screen.findByLabelText('Temperature now, °C');
    await user.type(field, '400');
    expect(screen.getByRole('button', { name: 'Log it' })).toBeDisabled();
    await user.clear(field);
    await user.type(field, '18,5');
    await user.click(screen.getByRole('button', { name: 'Log it' }));
    await waitFor(() => expect(asked.sent('POST')[0]?.body).toEqual({ temperatureC: 18.5 }));
    await waitFor(() => expect(field).toHaveValue(''));
  });
  it('a reading that did not arrive stays in its field', async () => {
    const { user } = open('/compounds', shop().on('POST /crib/temperatures', 'unreachable'));
    const field = await screen.findByLabelText('Temperature now, °C');
    await user.type(field, '18');
    await user.click(screen.getByRole('button', { name: 'Log it' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('The server cannot be reached');
    expect(field).toHaveValue('18');
    await user.click(screen.getByRole('button', { name: 'Seen' }));
    expect(screen.queryByRole('alert')).toBeNull();
  });
  it('an apprentice reads the shelf and does not keep it', async () => {
    open('/compounds', shop(), 'apprentice');
    await screen.findAllByRole('listitem');
    expect(screen.queryByRole('button', { name: 'Log it' })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Put one on the shelf' })).toBeNull();
  });
});

describe('what to order', () => {
  const REASONS = [
    ['empty', undefined, 'none left'],
    ['low', 3.04, '3.0 mL left'],
    ['expired', undefined, 'past its date'],
    ['expiring', 12, '12 days left'],
    ['tooWarm', undefined, 'stored too warm'],
    ['missing', undefined, 'missing'],
    ['calibration', 0, 'calibration due'],
    ['calibration', 9, 'calibration in 9 days'],
  ] as const;
  it('is said with its reason, whatever that is', async () => {
    const lines = REASONS.map(([because, figure], at) => ({ what: 'compound', name: `Thing ${at}`, because, figure }));
    open('/reorder', shop().on('GET /crib/reorder', { body: lines }));
    await screen.findByText('Thing 0');
    for (const [, , words] of REASONS) expect(screen.getByText(words)).toBeVisible();
    expect(screen.getByRole('link', { name: /CSV/ })).toHaveAttribute('href', '/api/crib/reorder.csv');
  });
  it('is being worked out; unreachable, it does not claim that nothing is needed', async () => {
    open('/reorder', shop().on('GET /crib/reorder', 'never'));
    expect(await screen.findByText('Working it out.')).toBeVisible();
    cleanup();
    open('/reorder', shop().on('GET /crib/reorder', 'unreachable'));
    expect(await screen.findByText(/The server cannot be reached/)).toBeVisible();
    expect(screen.queryByText(/^Nothing:/)).toBeNull();
  });
});
