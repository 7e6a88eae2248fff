import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { act, cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { Route } from 'react-router';
import { TopBar } from '../../app/TopBar.tsx';
import { useSession } from '../../shop/session.ts';
import { useSettings } from '../../shop/settings.ts';
import { FITTER, Shop, stage } from '../../test/stage.tsx';
import SignIn from './SignIn.tsx';

afterEach(() => {
  cleanup();
  useSettings.setState({ system: 'metric', theme: 'day', pedalKey: '', scaled: false });
});

const PEOPLE = [
  { id: 'u-vane', name: 'Mira Vane', initials: 'MV', role: 'fitter' },
  { id: 'u-orrin', name: 'Rafe Orrin', initials: 'RO', role: 'lead' },
];
const options = (over: object = {}) => ({ body: { shop: 'Harrow Lane', people: PEOPLE, ...over } });
const shop = (over: object = {}) => new Shop().on('GET /session/options', options(over));
const refused = (code: string, over: object = {}) =>
  ({ problem: { code, status: 401, title: code, ...over } }) as never;

describe('signing in', () => {
  const open = (given = shop()) => stage(<Route path="/" element={<SignIn />} />, '/', given, null);
  const choose = async (given = shop()) => {
    const staged = open(given);
    await staged.user.click(await screen.findByRole('button', { name: /Mira Vane/ }));
    return staged;
  };
  it('asks who works here; without a shop says so; a PIN of a real shop is never shown', async () => {
    open(shop().on('GET /session/options', 'never'));
    expect(await screen.findByText('Asking the server who works here.')).toBeVisible();
    cleanup();
    open(shop({ shop: '', people: [] }));
    // Fetched when it is needed, once in the life of an installation.
    expect(await screen.findByText('Code from the console', {}, { timeout: 20_000 })).toBeVisible();
    expect(screen.queryByText('Who is working?')).toBeNull();
    cleanup();
    open();
    expect(await screen.findByRole('button', { name: /Rafe Orrin/ })).toBeVisible();
    expect(screen.queryByText(/PIN/)).toBeNull();
    cleanup();
    open(shop({ demoPins: { 'u-vane': '2468', 'u-orrin': '1357' } }));
    expect(await screen.findByText('PIN 2468')).toBeVisible();
    expect(screen.getByText(/A real shop’s never are/)).toBeVisible();
  });
  it('by touch and by keyboard into the same field, the last digit taken back', async () => {
    const { user, shop: asked } = await choose(shop().on('POST /session', { body: FITTER, status: 201 }));
    for (const digit of ['2', '4', '7']) await user.click(screen.getByRole('button', { name: digit }));
    await user.click(screen.getByRole('button', { name: 'Delete the last digit' }));
    screen.getByLabelText('PIN for Mira Vane').focus();
    await user.keyboard('68{Enter}');
    await waitFor(() => expect(useSession.getState().status).toBe('signedIn'));
    expect(asked.sent('POST')[0]?.body).toMatchObject({ person: 'u-vane', secret: '2468' });
  });
  it('fewer than four digits are not sent', async () => {
    const { user, shop: asked } = await choose();
    await user.keyboard('12{Enter}');
    expect(screen.getByRole('alert')).toHaveTextContent('at least four digits');
    expect(asked.sent('POST')).toEqual([]);
  });
  it.each([
    ['wrongSecret', {}, 'Wrong PIN.'],
    ['tooManyAttempts', { retryAfterS: 30 }, 'Try again in 30 s'],
    ['tooManyAttempts', {}, 'Try again in 60 s'],
    ['internal', { title: 'Broken' }, 'Broken'],
  ])('%s %j: said, and the field is empty for the next try', async (code, over, words) => {
    const { user } = await choose(shop().on('POST /session', refused(code, over)));
    await user.keyboard('0000{Enter}');
    await waitFor(() => expect(screen.getByRole('alert')).toHaveTextContent(words));
    expect(screen.getByLabelText('PIN for Mira Vane')).toHaveValue('');
    expect(useSession.getState().status).toBe('signedOut');
  });
  it('without the server says so in the one sentence', async () => {
    const { user } = await choose(shop().on('POST /session', 'unreachable'));
    await user.keyboard('2468{Enter}');
    await waitFor(() => expect(screen.getByRole('alert')).toHaveTextContent('The server cannot be reached'));
  });
  it('the wrong name is left again', async () => {
    const { user } = await choose();
    await user.click(screen.getByRole('button', { name: 'Somebody else' }));
    expect(screen.getByRole('button', { name: /Rafe Orrin/ })).toBeVisible();
  });
});

describe('passing the tablet on', () => {
  const bar = (given = shop()) => stage(<Route path="/" element={<TopBar />} />, '/', given);
  const menu = async (given = shop()) => {
    const staged = bar(given);
    await staged.user.click(await screen.findByRole('button', { name: /Switch person or settings/ }));
    return staged;
  };
  it('takes a PIN, not a sign-out', async () => {
    const { user } = await menu(shop().on('POST /session', { body: { ...FITTER, person: PEOPLE[1] }, status: 201 }));
    const sheet = await screen.findByRole('dialog', { name: 'Who takes over?' });
    await user.click(await within(sheet).findByRole('button', { name: /Rafe Orrin/ }));
    await user.keyboard('1357{Enter}');
    await waitFor(() => expect(useSession.getState().session?.person.name).toBe('Rafe Orrin'));
    expect(screen.queryByRole('dialog')).toBeNull();
  });
  it('a session that ran out asks again by itself; somebody else may take over, and what was done stays the first one’s', async () => {
    const { user } = bar();
    await screen.findByRole('button', { name: /Switch person/ });
    act(() => useSession.getState().expire());
    const sheet = await screen.findByRole('dialog', { name: 'Session ended' });
    expect(sheet).toHaveTextContent('What you did meanwhile is kept here and will be sent.');
    expect(await within(sheet).findByLabelText('PIN for Mira Vane')).toBeVisible();
    await user.click(within(sheet).getByRole('button', { name: 'Somebody else' }));
    expect(await within(sheet).findByRole('button', { name: /Rafe Orrin/ })).toBeVisible();
    await user.keyboard('{Escape}');
    expect(useSession.getState().status).toBe('expired');
  });
  it('the choices of this device are kept, and change nothing of the shop', async () => {
    const { user, shop: asked } = await menu();
    await user.click(await screen.findByRole('button', { name: 'Settings' }));
    const sheet = await screen.findByRole('dialog', { name: 'Settings' });
    await user.click(within(sheet).getByRole('button', { name: 'lbf·ft' }));
    await user.click(within(sheet).getByRole('button', { name: 'Night bay' }));
    within(sheet).getByLabelText('Foot pedal').focus();
    fireEvent.keyDown(within(sheet).getByLabelText('Foot pedal'), { key: 'F8', code: 'F8' });
    expect(useSettings.getState()).toMatchObject({ system: 'inch', theme: 'night', pedalKey: 'F8' });
    await user.keyboard('{Backspace}');
    expect(useSettings.getState().pedalKey).toBe('');
    expect(JSON.parse(localStorage.getItem('wrenchman.settings') ?? '{}')).toMatchObject({ state: { system: 'inch' } });
    expect(asked.asked.filter(({ method }) => method !== 'GET')).toEqual([]);
  });
});
