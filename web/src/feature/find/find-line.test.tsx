import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen, waitFor } from '@testing-library/react';
import { Route } from 'react-router';
import { FindButton } from '../../app/FindButton.tsx';
import { FITTER, Shop, stage } from '../../test/stage.tsx';

afterEach(cleanup);

const VEHICLE = { id: 'v1', plate: 'TG 14 KLO', make: 'Sallow', model: 'Carrick', owner: 'Upper Rivers Board' };
const KIT = { id: 'guard', title: 'Transfer case guard', maker: 'Harrow Plate', revision: 3 };
const shop = () =>
  new Shop()
    .on('GET /jobs', { body: [] })
    .on('GET /vehicles', { body: [VEHICLE] })
    .on('GET /kit-library/library', { body: [KIT] })
    .on('GET /crib', { body: { wrenches: [], tools: [], bottles: [], temperatures: [], rechecks: [], people: [] } });
const find = (asked = shop()) => stage(<Route path="*" element={<FindButton />} />, '/', asked, FITTER);

describe('find', () => {
  it('opens on a slash, and Enter goes to the first that answers, as a scanner types it', async () => {
    const { user, here } = find();
    await user.keyboard('/');
    const line = await screen.findByRole('combobox');
    await user.type(line, 'tg14klo');
    expect(await screen.findByText('TG 14 KLO, Sallow Carrick')).toBeVisible();
    await user.keyboard('{Enter}');
    await waitFor(() => expect(here()).toBe('/vehicles/v1'));
    await waitFor(() => expect(screen.queryByRole('combobox')).toBeNull());
  });
  it('a bench tool answers with its values', async () => {
    const { user, here } = find();
    await user.click(screen.getByRole('button', { name: 'Find in the shop' }));
    await user.type(await screen.findByRole('combobox'), 'm12 10.9');
    await user.click(await screen.findByText('Torque and preload'));
    await waitFor(() => expect(here()).toMatch(/^\/bench\/torque\?.*thread=M12/));
  });
  it('says when nothing answers', async () => {
    const { user } = find();
    await user.keyboard('/');
    await user.type(await screen.findByRole('combobox'), 'zzzz');
    expect(await screen.findByText('Nothing in the shop answers to that.')).toBeVisible();
  });
  it('says what could not be read, and finds in the rest', async () => {
    const { user } = find(shop().on('GET /vehicles', { problem: { code: 'storeUnavailable', status: 503 } }));
    await user.keyboard('/');
    await user.type(await screen.findByRole('combobox'), 'guard');
    expect(await screen.findByText('Transfer case guard')).toBeVisible();
    expect(await screen.findByRole('alert')).toBeVisible();
  });
});
