import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import { Route } from 'react-router';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import { FRONT_RECOVERY_POINTS, REAR_AIR_SPRINGS, TRACK_BAR_BRACE, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { DEMO_VEHICLES } from '#demo/shop.ts';
import { Shop, stage } from '../../test/stage.tsx';
import { useHalfVisit } from './half-visit.ts';
import NewJob from './NewJob.tsx';

afterEach(() => {
  cleanup();
  useHalfVisit.getState().begin(undefined);
});

const JOB = '11111111-1111-4111-8111-111111111111';
const KITS = [TRANSFER_CASE_GUARD, FRONT_RECOVERY_POINTS, REAR_AIR_SPRINGS, TRACK_BAR_BRACE];
const vehicle = (id: string): Vehicle => {
  const found = DEMO_VEHICLES.find((entry) => entry.id === id);
  if (!found) throw new Error(id);
  return found;
};
const CARRICK = vehicle('v-carrick');
const TUSSOCK = vehicle('v-tussock');
const GORSE = vehicle('v-gorse');
const shop = (vehicles: Vehicle[] = DEMO_VEHICLES, kits: KitDocument[] = KITS) =>
  new Shop()
    .on('GET /vehicles', { body: vehicles })
    .on('GET /kits', { body: kits })
    .on('GET /kits/*/minutes', { body: [] })
    .on('POST /jobs', { body: { id: JOB }, status: 201 });
const receive = (given = shop(), at = '/receive') => stage(<Route path="/receive" element={<NewJob />} />, at, given);
const pick = async (user: ReturnType<typeof receive>['user'], name: RegExp) =>
  user.click(await screen.findByRole('button', { name }));
const openButton = () => screen.getByRole('button', { name: /Open the job/ });

describe('receiving a vehicle', () => {
  it('reads first; without a vehicle says where to enter one', async () => {
    receive(shop().on('GET /vehicles', 'never'));
    expect(await screen.findByText('Reading vehicles and kits.')).toBeVisible();
    cleanup();
    receive(shop([]));
    expect(await screen.findByText(/No vehicle is known to this shop yet/)).toBeVisible();
    expect(openButton()).toBeDisabled();
  });
  it('offline says so and opens nothing', async () => {
    receive(shop().on('GET /kits', 'unreachable'));
    expect(await screen.findByRole('alert')).toHaveTextContent('The server cannot be reached');
    expect(openButton()).toBeDisabled();
  });
  it('says of each kit whether it fits, and why it does not', async () => {
    const { user } = receive();
    await pick(user, new RegExp(TUSSOCK.plate));
    const guard = screen.getByRole('button', { name: new RegExp(TRANSFER_CASE_GUARD.title) });
    expect(guard.textContent).toMatch(/Fits|Does not fit: .+|Not known: .+/);
    const words = KITS.map(({ title }) => screen.getByRole('button', { name: new RegExp(title) }).textContent ?? '');
    expect(words.every((text) => /Fits|Does not fit|Not known/.test(text))).toBe(true);
  });
  it('a kit that does not fit makes no plan', async () => {
    const two = { ...CARRICK, drivenWheels: 'front' };
    const { user } = receive(shop([two]));
    await pick(user, new RegExp(CARRICK.plate));
    await pick(user, new RegExp(TRANSFER_CASE_GUARD.title));
    expect(screen.getByText(/does not fit: not for Front/)).toBeVisible();
    // What the vehicle is, and never what the kit is for.
    expect(screen.queryByText(/it is for/)).toBeNull();
    expect(openButton()).toBeDisabled();
  });
  it('one kit without questions is opened at its check-in', async () => {
    const { user, here, shop: asked } = receive();
    await pick(user, new RegExp(CARRICK.plate));
    await pick(user, new RegExp(TRANSFER_CASE_GUARD.title));
    await user.click(openButton());
    await waitFor(() => expect(here()).toBe(`/jobs/${JOB}/check-in`));
    expect(asked.sent('POST')[0]?.body).toMatchObject({ vehicle: 'v-carrick', kits: [TRANSFER_CASE_GUARD.id], bay: 1 });
  });
  it('the server’s refusal stands at the top, and everything chosen stays', async () => {
    const { user, here } = receive(
      shop().on('POST /jobs', { problem: { code: 'bayUnknown', status: 422, title: 'There is no such bay' } }),
    );
    await pick(user, new RegExp(CARRICK.plate));
    await pick(user, new RegExp(TRANSFER_CASE_GUARD.title));
    await user.click(openButton());
    expect(await screen.findByRole('alert')).toHaveTextContent('There is no such bay');
    expect(here()).toBe('/receive');
    expect(screen.getByRole('button', { name: new RegExp(TRANSFER_CASE_GUARD.title), pressed: true })).toBeVisible();
  });
  it('questions come one at a time, and what they still decide is said', async () => {
    const { user } = receive();
    await pick(user, new RegExp(TUSSOCK.plate));
    await pick(user, new RegExp(FRONT_RECOVERY_POINTS.title));
    const question = await screen.findByRole('group', { name: /splash shield/ });
    expect(openButton()).toBeDisabled();
    await user.click(within(question).getByRole('button', { name: 'No' }));
    await waitFor(() => expect(openButton()).toBeEnabled());
  });
  it('several kits begin where something is settled, not at the count', async () => {
    const { user, here, shop: asked } = receive();
    await pick(user, new RegExp(GORSE.plate));
    await pick(user, new RegExp(REAR_AIR_SPRINGS.title));
    await pick(user, new RegExp(TRACK_BAR_BRACE.title));
    for (let most = 8; most > 0 && openButton().hasAttribute('disabled'); most--) {
      const open = screen.getAllByRole('group').at(-1) as HTMLElement;
      await user.click(within(open).getAllByRole('button').at(-1) as HTMLElement);
    }
    await user.click(openButton());
    await waitFor(() => expect(here()).toBe(`/jobs/${JOB}/receive`));
    expect(asked.sent('POST')[0]?.body).toMatchObject({ kits: [REAR_AIR_SPRINGS.id, TRACK_BAR_BRACE.id] });
  });
  it('a kit that comes or goes costs no answer, and what two kits ask is asked once', async () => {
    const { user } = receive();
    await pick(user, new RegExp(TUSSOCK.plate));
    await pick(user, new RegExp(FRONT_RECOVERY_POINTS.title));
    const question = await screen.findByRole('group', { name: /splash shield/ });
    await user.click(within(question).getByRole('button', { name: 'No' }));
    await waitFor(() => expect(openButton()).toBeEnabled());
    // Put before it, taken out again, and it itself taken out and back: its answer stands.
    await pick(user, new RegExp(TRANSFER_CASE_GUARD.title));
    await pick(user, new RegExp(TRANSFER_CASE_GUARD.title));
    await pick(user, new RegExp(FRONT_RECOVERY_POINTS.title));
    await pick(user, new RegExp(TRANSFER_CASE_GUARD.title));
    await pick(user, new RegExp(FRONT_RECOVERY_POINTS.title));
    const again = screen.getByRole('group', { name: /splash shield/ });
    expect(within(again).getByRole('button', { name: 'No' })).toHaveAttribute('aria-pressed', 'true');
  });
  it('a kit is found by its title or maker; a chosen one stays in sight', async () => {
    const { user } = receive();
    await pick(user, new RegExp(TUSSOCK.plate));
    await pick(user, new RegExp(FRONT_RECOVERY_POINTS.title));
    await user.type(screen.getByRole('searchbox', { name: /Title/ }), 'GUARD');
    const shown = KITS.map(({ title }) => screen.queryByRole('button', { name: new RegExp(title) }) !== null);
    expect(shown).toEqual([true, true, false, false]);
  });
  it('a kit bought by the piece may go on each side, and how the vehicle is held up goes with the job', async () => {
    const piece = { ...TRANSFER_CASE_GUARD, scope: 'singlePart' as const };
    const { user, shop: asked } = receive(shop(DEMO_VEHICLES, [piece, FRONT_RECOVERY_POINTS]));
    await pick(user, new RegExp(CARRICK.plate));
    await pick(user, new RegExp(piece.title));
    const stations = () => Number(screen.getByText('stations').previousElementSibling?.textContent);
    const alone = stations();
    await user.click(screen.getByRole('checkbox', { name: /one on each side/ }));
    expect(stations()).toBe(2 * alone);
    const held = within(screen.getByRole('group', { name: 'Held up on' }));
    await user.click(held.getByRole('button', { name: 'Stands' }));
    expect(held.getByRole('button', { name: 'Stands' })).toHaveAttribute('aria-pressed', 'true');
    await user.click(openButton());
    await waitFor(() => expect(asked.sent('POST')).toHaveLength(1));
    expect(asked.sent('POST')[0]?.body).toMatchObject({
      kits: [
        { kit: piece.id, side: 'left' },
        { kit: piece.id, side: 'right' },
      ],
      heldUpBy: 'stands',
    });
  });
  it('an odometer that runs backwards is doubted and may be kept; one that cannot be may not', async () => {
    const { user } = receive(shop([{ ...CARRICK, odometerKm: 80_000, odometerUnit: 'km' }]));
    await pick(user, new RegExp(CARRICK.plate));
    await pick(user, new RegExp(TRANSFER_CASE_GUARD.title));
    const odometer = screen.getByLabelText(/Odometer/);
    await user.clear(odometer);
    await user.type(odometer, '100');
    expect(openButton()).toBeDisabled();
    await user.click(screen.getByRole('checkbox'));
    expect(openButton()).toBeEnabled();
    await user.clear(odometer);
    await user.type(odometer, 'many');
    expect(screen.getByText('The odometer must be a number from 0.')).toBeVisible();
    expect(openButton()).toBeDisabled();
  });
  it('a scanner quicker than the list still chooses its vehicle', async () => {
    let arrive: () => void = () => undefined;
    const late = new Promise<void>((resolve) => {
      arrive = resolve;
    });
    const { user } = receive(shop().on('GET /vehicles', () => late.then(() => ({ body: DEMO_VEHICLES }))));
    await user.type(await screen.findByRole('searchbox', { name: /Plate/ }), `${CARRICK.plate}{Enter}`);
    expect(screen.queryByRole('button', { name: new RegExp(CARRICK.plate) })).toBeNull();
    arrive();
    expect(await screen.findByRole('button', { name: new RegExp(CARRICK.plate), pressed: true })).toBeVisible();
  });
  it('the vehicle of the address is chosen', async () => {
    receive(shop(), '/receive?vehicle=v-carrick');
    expect(await screen.findByRole('button', { name: new RegExp(CARRICK.plate), pressed: true })).toBeVisible();
  });
  it('a plate nobody has is said', async () => {
    const { user } = receive();
    await screen.findByRole('button', { name: new RegExp(CARRICK.plate) });
    await user.type(screen.getByRole('searchbox', { name: /Plate/ }), 'ZZ 999');
    expect(screen.getByText('No vehicle matches “ZZ 999”.')).toBeVisible();
  });
  it('keeps a half-made visit over a reload, for the one who made it, and begins afresh when told', async () => {
    const first = receive();
    await pick(first.user, new RegExp(TUSSOCK.plate));
    await pick(first.user, new RegExp(TRANSFER_CASE_GUARD.title));
    cleanup();
    const { user } = receive();
    const chosen = () => screen.getByRole('button', { name: new RegExp(TUSSOCK.plate) });
    await screen.findByRole('button', { name: new RegExp(TUSSOCK.plate) });
    expect(chosen()).toHaveAttribute('aria-pressed', 'true');
    await user.click(screen.getByRole('button', { name: 'Start afresh' }));
    expect(chosen()).toHaveAttribute('aria-pressed', 'false');
    expect(screen.queryByRole('button', { name: 'Start afresh' })).toBeNull();
    await pick(user, new RegExp(TUSSOCK.plate));
    cleanup();
    useHalfVisit.setState({ person: 'somebody else' });
    receive();
    await screen.findByRole('button', { name: new RegExp(TUSSOCK.plate) });
    expect(chosen()).toHaveAttribute('aria-pressed', 'false');
  });
  it('begins with the vehicle an address names', async () => {
    receive(shop(), `/receive?vehicle=${CARRICK.id}`);
    expect(await screen.findByRole('button', { name: new RegExp(CARRICK.plate) })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
  });
  it('a plate nobody knows leads to a new vehicle with it filled in, and on with that one', async () => {
    const added = { ...CARRICK, id: 'v-new', plate: 'QX 77 NEW', model: 'Heather' };
    const given = shop();
    let known = DEMO_VEHICLES;
    given
      .on('GET /vehicles', () => ({ body: known }))
      .on('POST /vehicles', () => {
        known = [...known, added];
        return { body: { vehicle: added, version: 1 }, status: 201 };
      });
    const { user } = receive(given);
    await user.type(await screen.findByLabelText('Plate, owner, VIN'), 'qx 77 new{Enter}');
    const form = within(await screen.findByRole('dialog', { name: 'New vehicle' }));
    expect(form.getByLabelText('Plate')).toHaveValue('QX 77 NEW');
    for (const [label, text] of [
      ['Owner', 'Una Farrow'],
      ['Make', 'Aldren'],
      ['Model', 'Heather'],
    ] as const)
      await user.type(form.getByLabelText(label), text);
    await user.click(form.getByRole('button', { name: 'Save' }));
    expect(await screen.findByRole('button', { name: /QX 77 NEW/ })).toHaveAttribute('aria-pressed', 'true');
    expect(screen.queryByRole('dialog')).toBeNull();
  });
});
