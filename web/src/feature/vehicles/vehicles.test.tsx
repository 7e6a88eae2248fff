import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import { Route } from 'react-router';
import type { VehicleHistory } from '#contract/vehicle.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import { DEMO_VEHICLES } from '#demo/shop.ts';
import { Shop, stage } from '../../test/stage.tsx';
import Owners from './Owners.tsx';
import VehicleList from './VehicleList.tsx';
import VehicleScreen from './VehicleScreen.tsx';

afterEach(cleanup);

const ROUTES = (
  <>
    <Route path="/vehicles" element={<VehicleList />} />
    <Route path="/vehicles/:vehicleId" element={<VehicleScreen />} />
  </>
);
const [CARRICK] = DEMO_VEHICLES as [Vehicle];
const shop = (vehicles: Vehicle[] = DEMO_VEHICLES) => new Shop().on('GET /vehicles', { body: vehicles });
const list = (given = shop()) => stage(ROUTES, '/vehicles', given);
const history = (over: Partial<VehicleHistory> = {}): VehicleHistory => ({
  vehicle: CARRICK,
  version: 3,
  visits: [],
  ...over,
});
const one = (answer: Parameters<Shop['on']>[1] = { body: history() }) =>
  stage(ROUTES, `/vehicles/${CARRICK.id}`, shop().on(`GET /vehicles/${CARRICK.id}`, answer));

describe('the vehicles of the shop', () => {
  it('are being read, then are none, then are listed', async () => {
    list(shop().on('GET /vehicles', 'never'));
    expect(await screen.findByText('Reading the vehicles.')).toBeVisible();
    cleanup();
    list(shop([]));
    expect(await screen.findByText('No vehicle yet. Enter the first one.')).toBeVisible();
    cleanup();
    list();
    expect(await screen.findAllByRole('listitem')).toHaveLength(DEMO_VEHICLES.length);
  });
  it('offline say so, and not that there are none', async () => {
    list(shop().on('GET /vehicles', 'unreachable'));
    expect(await screen.findByRole('alert')).toHaveTextContent('The server cannot be reached');
    expect(screen.queryByText(/No vehicle yet/)).toBeNull();
  });
  it('are found by what is typed, and a scanner’s end of line opens the first', async () => {
    const { user, here } = list();
    await screen.findAllByRole('listitem');
    await user.type(screen.getByRole('searchbox'), CARRICK.plate);
    expect(screen.getAllByRole('listitem')).toHaveLength(1);
    await user.keyboard('{Enter}');
    await waitFor(() => expect(here()).toBe(`/vehicles/${CARRICK.id}`));
  });
  it('nothing found is said with what was typed', async () => {
    const { user } = list();
    await screen.findAllByRole('listitem');
    await user.type(screen.getByRole('searchbox'), 'ZZ 999');
    expect(screen.getByText('No vehicle of the shop matches “ZZ 999”.')).toBeVisible();
  });
  it('one without plate, year and VIN still has a line', async () => {
    list(shop([{ id: 'v', make: 'Aldren', model: 'Tussock', plate: '', owner: 'Ines Calder' } as Vehicle]));
    const line = await screen.findByRole('link', { name: /Aldren Tussock/ });
    expect(line).toHaveTextContent('no plate');
    expect(line).toHaveTextContent('year not known');
  });
});

describe('one vehicle', () => {
  it('that is not there leads back, that cannot be read can be tried again', async () => {
    one({ problem: { code: 'unknownVehicle', status: 404 } });
    expect(await screen.findByText('No such vehicle')).toBeVisible();
    expect(screen.getByRole('link', { name: 'To the vehicles' })).toBeVisible();
    cleanup();
    const { user, shop: asked } = one('unreachable');
    expect(await screen.findByText('Not reachable')).toBeVisible();
    asked.on(`GET /vehicles/${CARRICK.id}`, { body: history() });
    await user.click(screen.getByRole('button', { name: 'Try again' }));
    expect(await screen.findByRole('heading', { name: /Carrick|Tussock|Aldren/ })).toBeVisible();
  });
  it('that was never here says so', async () => {
    one();
    expect(await screen.findByText('This vehicle has not been here yet.')).toBeVisible();
    expect(screen.getByText(/No joint of a past visit has a place/)).toBeVisible();
  });
  it('shows its visits, their joints and what came off, when asked', async () => {
    const visit: VehicleHistory['visits'][number] = {
      id: 'job',
      number: '261101-2',
      startedMs: Date.UTC(2026, 10, 1),
      kits: ['Rock sliders', 'Track bar brace'],
      joints: [
        {
          station: 's1',
          label: '1',
          name: 'Left front',
          group: 'Left',
          printed: '80 N·m',
          torqueNm: 80.4,
          wrench: 'W-3',
          by: 'Mira Vane',
          done: true,
          spot: { along: 0.3, across: 0.2 },
        },
        { station: 's2', label: '2', name: 'Left rear', group: 'Left', printed: '80 N·m', done: false },
      ],
      debts: [
        { name: 'Side step', count: 2, ended: 2, ends: ['refitted'], opened: true },
        { name: 'Clip', count: 4, ended: 1, ends: ['refitted'], opened: true },
      ],
    } as never;
    const { user } = one({ body: history({ visits: [visit] }) });
    expect(await screen.findByRole('heading', { name: 'Rock sliders + Track bar brace' })).toBeVisible();
    expect(screen.getByText(/Open, 1 of 2 joints done/)).toBeVisible();
    expect(screen.getByText(/1 joints drawn, seen from above/)).toBeVisible();
    expect(screen.queryByRole('table')).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Joints' }));
    const table = screen.getByRole('table');
    expect(within(table).getByText('80.4')).toBeVisible();
    expect(within(table).getByText('open')).toBeVisible();
    expect(screen.getByText(/Clip: 3 not accounted for/)).toBeVisible();
    expect(screen.getByRole('link', { name: 'Record' })).toHaveAttribute('href', '/jobs/job/record');
  });
});

describe('changing a vehicle', () => {
  const edit = async () => {
    const staged = one();
    await staged.user.click(await screen.findByRole('button', { name: 'Change' }));
    await screen.findByRole('dialog');
    return staged;
  };
  const field = (label: string) => screen.getByLabelText(label);
  it('a year that cannot be is refused where it stands, and nothing is sent', async () => {
    const { user, shop: asked } = await edit();
    await user.clear(field('Model year'));
    await user.type(field('Model year'), '1066');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(field('Model year')).toHaveAttribute('id', 'v-modelYear');
    expect(asked.sent('PUT')).toEqual([]);
  });
  it('a doubtful VIN is told and kept', async () => {
    const { user, shop: asked } = await edit();
    asked.on(`PUT /vehicles/${CARRICK.id}`, { body: { vehicle: CARRICK, version: 4 } });
    await user.clear(field('VIN'));
    await user.type(field('VIN'), 'SHORT1');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(asked.sent('PUT')).toHaveLength(1));
    expect(asked.sent('PUT')[0]?.body).toMatchObject({ vehicle: { vin: 'SHORT1' }, version: 3 });
  });
  it('saved by somebody else meanwhile: told, and what was typed stays', async () => {
    const { user, shop: asked } = await edit();
    asked.on(`PUT /vehicles/${CARRICK.id}`, { problem: { code: 'vehicleChanged', status: 409 } });
    await user.clear(field('Owner'));
    await user.type(field('Owner'), 'Somebody Else');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('Someone else saved this vehicle meanwhile');
    expect(field('Owner')).toHaveValue('Somebody Else');
  });
  it('offline: one sentence, and the fields are as they were', async () => {
    const { user, shop: asked } = await edit();
    asked.on(`PUT /vehicles/${CARRICK.id}`, 'unreachable');
    await user.type(field('Owner'), ' senior');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('The server cannot be reached. Nothing was changed');
    expect(field('Owner')).toHaveValue(`${CARRICK.owner} senior`);
    expect(screen.getByRole('button', { name: 'Save' })).toBeEnabled();
  });
  it('a new one without a name is told what is missing only after it was tried', async () => {
    const {
      user,
      here,
      shop: asked,
    } = list(shop().on('POST /vehicles', { body: { vehicle: { ...CARRICK, id: 'v-new' }, version: 1 }, status: 201 }));
    await user.click(await screen.findByRole('button', { name: 'New vehicle' }));
    await screen.findByRole('dialog');
    const before = screen.getByRole('dialog').textContent;
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(screen.getByRole('dialog').textContent).not.toBe(before);
    expect(asked.sent('POST')).toEqual([]);
    await user.type(field('Make'), 'Aldren');
    await user.type(field('Model'), 'Tussock');
    await user.type(field('Plate'), 'US 9');
    await user.type(field('Owner'), 'Ines Calder');
    asked.on('GET /vehicles/v-new', 'never');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(here()).toBe('/vehicles/v-new'));
  });
});

describe('the owners', () => {
  const ROUTE = <Route path="/vehicles/owners" element={<Owners />} />;
  it('are listed with their vehicles, and what they may be told stands below, in the shop’s name', async () => {
    const mine = { ...CARRICK, id: 'v-2', plate: 'OW 2', owner: 'Ines Harrow', contact: '555 0142' };
    stage(ROUTE, '/vehicles/owners', shop([mine]));
    const all = within(await screen.findByRole('region', { name: 'All owners' }));
    expect(await all.findByText('Ines Harrow')).toBeVisible();
    expect(all.getByRole('link', { name: /OW 2/ })).toBeVisible();
    // A fitter gives nothing out and erases nothing.
    expect(all.queryByRole('button', { name: /Forget/ })).toBeNull();
    const told = within(screen.getByRole('region', { name: 'What owners are told' }));
    expect(told.getByText(/^Harrow Lane.* holds your name/)).toBeVisible();
    expect(told.getByText(/The law of the place/)).toBeVisible();
    expect(told.getByRole('button', { name: 'Save as a text' })).toBeVisible();
  });
  it('of a shop without vehicles are none', async () => {
    stage(ROUTE, '/vehicles/owners', shop([]));
    expect(await screen.findByText('No vehicle has an owner yet.')).toBeVisible();
  });
});
