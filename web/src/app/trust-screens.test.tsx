import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { act, cleanup, screen, waitFor, within } from '@testing-library/react';
import { Route } from 'react-router';
import { EraseOwner } from '../feature/vehicles/EraseOwner.tsx';
import { useBacklog } from '../job/backlog.ts';
import type { OutboxEntry } from '../job/outbox-entry.ts';
import { noteUnkept, useUnkept } from '../job/unkept.ts';
import { useSession } from '../shop/session.ts';
import { useStorage } from '../shop/storage-watch.ts';
import { FITTER, Shop, stage } from '../test/stage.tsx';
import { DeviceAlarm } from './DeviceAlarm.tsx';
import { SecretSettings } from './SecretSettings.tsx';
import { WaitingBadge } from './WaitingBadge.tsx';

const LEAD = { ...FITTER, person: { id: 'u-orrin', name: 'Rafe Orrin', initials: 'RO', role: 'lead' as const } };
afterEach(() => {
  cleanup();
  useBacklog.setState({ entries: [], storeFails: false });
  useStorage.setState({ low: false, left: undefined });
});

const entry = (id: string, over: Partial<OutboxEntry> = {}, by = FITTER.person): OutboxEntry => ({
  id,
  jobId: '11111111-1111-4111-8111-111111111111',
  order: 1,
  envelope: { id, atMs: Date.UTC(2026, 10, 27, 9), by, command: { type: 'snug', station: 'g1', tool: 'hand' } },
  ...over,
});
const show = (element: React.ReactNode, shop = new Shop(), session = FITTER) =>
  stage(<Route path="/" element={element} />, '/', shop, session);

describe('what waits on this device', () => {
  it('is quiet while there is nothing', () => {
    show(<WaitingBadge />);
    expect(screen.queryByRole('button')).toBeNull();
  });
  it('is counted, and listed with who did it, why it was not taken, and whom it waits for', async () => {
    const refused = { code: 'alreadySnug' as const, station: 'g1' };
    const entries = [entry('a'), entry('b', { refused }), entry('c', {}, LEAD.person)];
    const { user } = show(<WaitingBadge />);
    act(() => useBacklog.setState({ entries }));
    await user.click(screen.getByRole('button', { name: /2 waiting on this device to be sent, 1 not taken/ }));
    const sheet = await screen.findByRole('dialog', { name: 'Waiting on this device' });
    const lines = within(sheet).getAllByRole('listitem');
    expect(lines[0]).toHaveTextContent('Snugged, station g1, Mira Vane, 27 Nov');
    expect(lines[1]).toHaveTextContent('Not taken: Already snug');
    expect(lines[2]).toHaveTextContent('Waits until Rafe Orrin signs in on this device');
    await user.click(within(sheet).getByRole('button', { name: 'Put away' }));
    // The device's own store is asked what is left of it.
    await waitFor(() => expect(useBacklog.getState().entries).toEqual([]));
    expect(await within(sheet).findByText('Everything has been sent.')).toBeVisible();
  });
});

describe('a device that threatens what it keeps', () => {
  it('says that there is little room, or that its store does not answer', () => {
    show(<DeviceAlarm />);
    expect(screen.queryByRole('alert')).toBeNull();
    act(() => useStorage.setState({ low: true, left: 12_300_000 }));
    expect(screen.getByRole('alert')).toHaveTextContent('12 MB left');
    act(() => useBacklog.setState({ storeFails: true }));
    expect(screen.getByRole('alert')).toHaveTextContent('work on another device');
  });
});

describe('what could not be kept', () => {
  it('is an alarm over every screen that says what and whose; tried again it is kept as it was given', async () => {
    const { user } = show(<DeviceAlarm />);
    act(() => noteUnkept(entry('lost')));
    const alarm = await screen.findByText(/store is full or fails: Snugged, station g1 \(Mira Vane, A job\)/);
    expect(alarm).toHaveTextContent('None of it is on record');
    await user.click(screen.getByRole('button', { name: 'Try again' }));
    await waitFor(() => expect(useUnkept.getState().entries).toEqual([]));
    expect(useBacklog.getState().entries.map(({ id }) => id)).toEqual(['lost']);
    expect(screen.queryByRole('alert')).toBeNull();
    act(() => noteUnkept(entry('gone')));
    await user.click(await screen.findByRole('button', { name: 'I know it is lost' }));
    expect(screen.queryByRole('alert')).toBeNull();
  });
});

describe('the own PIN', () => {
  const fill = async (user: ReturnType<typeof show>['user'], now: string, next: string, again = next) => {
    await user.type(screen.getByLabelText('Now'), now);
    await user.type(screen.getByLabelText('New'), next);
    await user.type(screen.getByLabelText('New, once more'), again);
    await user.click(screen.getByRole('button', { name: 'Change the PIN' }));
  };
  it('is not changed by a slip, or to one that is too short', async () => {
    const { user, shop } = show(<SecretSettings />, new Shop(), {
      ...FITTER,
      shop: { ...FITTER.shop, secretDigits: 6 },
      secretTooShort: true,
    });
    expect(screen.getByText(/asks for at least 6 characters: choose a longer one/)).toBeVisible();
    await fill(user, '2468', '975310', '975311');
    expect(screen.getByText('The two new PINs differ.')).toBeVisible();
    await user.clear(screen.getByLabelText('New'));
    await user.clear(screen.getByLabelText('New, once more'));
    await user.clear(screen.getByLabelText('Now'));
    await fill(user, '2468', '97531');
    expect(screen.getByText('The shop asks for at least 6 characters.')).toBeVisible();
    expect(shop.sent('PUT')).toEqual([]);
  });
  it('is changed with the old one, and this device signs in with the new one', async () => {
    const shop = new Shop()
      .on('PUT /session/secret', { problem: { code: 'wrongSecret', status: 401 } })
      .on('POST /session', { body: FITTER, status: 201 });
    const { user } = show(<SecretSettings />, shop);
    await fill(user, '0000', '975310');
    expect(await screen.findByText('Wrong PIN.')).toBeVisible();
    shop.on('PUT /session/secret', { body: undefined, status: 204 });
    await user.click(screen.getByRole('button', { name: 'Change the PIN' }));
    expect(await screen.findByText(/Changed\. On other devices you sign in anew/)).toBeVisible();
    expect(shop.sent('POST')[0]?.body).toMatchObject({ person: 'u-vane', secret: '975310' });
  });
  it('how long they are is for leads', async () => {
    show(<SecretSettings />);
    expect(screen.queryByText('PINs of the shop, at least')).toBeNull();
    cleanup();
    const longer = { ...LEAD, shop: { ...LEAD.shop, secretDigits: 6 } };
    const shop = new Shop()
      .on('PUT /session/secret-rule', { body: undefined, status: 204 })
      .on('GET /session', { body: longer });
    const { user } = show(<SecretSettings />, shop, LEAD);
    await user.click(screen.getByRole('button', { name: '6 long' }));
    await waitFor(() => expect(useSession.getState().session?.shop.secretDigits).toBe(6));
    expect(screen.getByRole('button', { name: '6 long' })).toHaveAttribute('aria-pressed', 'true');
    expect(shop.sent('PUT')[0]?.body).toEqual({ digits: 6 });
  });
});

describe('erasing an owner’s data', () => {
  it('is for leads, takes the PIN, and says what goes and what stays', async () => {
    let erased = 0;
    const button = <EraseOwner vehicle="v-1" onErased={() => (erased += 1)} />;
    show(button);
    expect(screen.queryByRole('button')).toBeNull();
    cleanup();
    const shop = new Shop().on('POST /vehicles/v-1/erase', { problem: { code: 'wrongSecret', status: 401 } });
    const { user } = show(button, shop, LEAD);
    await user.click(screen.getByRole('button', { name: 'Erase the owner’s data' }));
    const sheet = await screen.findByRole('dialog');
    expect(sheet).toHaveTextContent('What was torqued stays');
    await user.type(within(sheet).getByLabelText('PIN of Rafe Orrin'), '0000{Enter}');
    expect(await within(sheet).findByText('Wrong PIN.')).toBeVisible();
    expect(erased).toBe(0);
    shop.on('POST /vehicles/v-1/erase', { body: undefined, status: 204 });
    await user.type(within(sheet).getByLabelText('PIN of Rafe Orrin'), '1357{Enter}');
    await waitFor(() => expect(erased).toBe(1));
  });
});
