import '@testing-library/jest-dom/jest-globals';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { act, cleanup, render, renderHook, screen, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import type { ProblemCode } from '#contract/problem.ts';
import { FITTER, Shop } from '../test/stage.tsx';
import { api, call, ProblemError, UnreachableError } from './api.ts';
import { failureText, isFailure, UNREACHABLE } from './failure-text.ts';
import { useChange, useOwnMinutes, useVehicles } from './queries.ts';
import ShopData from './ShopData.tsx';
import { useSession } from './session.ts';
import { shopData } from './shop-data.ts';

let shop: Shop;
beforeEach(() => {
  localStorage.clear();
  shopData.clear();
  shop = new Shop();
  globalThis.fetch = shop.fetch as typeof fetch;
  useSession.setState({ status: 'signedIn', session: FITTER });
});
afterEach(cleanup);
const wrapper = ({ children }: { children: ReactNode }) => <ShopData>{children}</ShopData>;
const problem = (code: ProblemCode, status: number, over: object = {}) => ({
  problem: { code, status, title: code, ...over },
});
const session = () => useSession.getState();

describe('asking the shop', () => {
  const ask = () => call(api.vehicles.$get());
  it('gives the body, or nothing where there is none', async () => {
    shop.on('GET /vehicles', { body: [1, 2] });
    expect(await ask()).toEqual([1, 2]);
    shop.on('GET /vehicles', { body: undefined, status: 204 });
    expect(await ask()).toBeUndefined();
  });
  it('a problem is thrown as one; a server that is away, or answers with something else, as unreachable', async () => {
    shop.on('GET /vehicles', problem('notPermitted', 403));
    await expect(ask()).rejects.toBeInstanceOf(ProblemError);
    for (const answer of ['unreachable', problem('storeUnavailable', 503)] as const) {
      shop.on('GET /vehicles', answer);
      await expect(ask()).rejects.toBeInstanceOf(UnreachableError);
    }
    globalThis.fetch = (async () => ({
      ok: false,
      status: 502,
      headers: new Headers(),
      json: () => Promise.reject(new SyntaxError('<html>')),
    })) as never;
    await expect(ask()).rejects.toThrow('HTTP 502');
  });
});

describe('what a person reads of a failure', () => {
  const of = (over: object) =>
    failureText(new ProblemError({ type: '', status: 422, code: 'badRequest', title: 'Bad', ...over } as never));
  it('is one sentence for the line, and the server’s own for the rest', () => {
    expect(failureText(new UnreachableError('x'))).toBe(UNREACHABLE);
    expect(of({})).toBe('Bad');
    expect(of({ detail: 'why' })).toBe('Bad. why');
    expect(
      of({
        faults: [
          { path: 'json.bay', message: 'must be a number' },
          { path: 'x', message: 'y' },
        ],
      }),
    ).toBe('Bad. json.bay must be a number; x y');
  });
  it('a defect of ours is never called a lost connection', () => {
    const defect = new TypeError('x is undefined');
    expect(isFailure(defect)).toBe(false);
    expect(() => failureText(defect)).toThrow(defect);
  });
});

describe('reading through the cache', () => {
  it('data, then an error beside the data that was there', async () => {
    shop.on('GET /vehicles', { body: [] });
    const { result } = renderHook(() => useVehicles(), { wrapper });
    await waitFor(() => expect(result.current.data).toEqual([]));
    shop.on('GET /vehicles', problem('internal', 500, { title: 'Broken' }));
    await act(() => result.current.reload());
    await waitFor(() => expect(result.current.failure).toBe('Broken'));
    expect(result.current).toMatchObject({ data: [], problem: 'internal' });
  });
  it('a session that ran out is shown by itself, not as a failure', async () => {
    shop.on('GET /vehicles', problem('notSignedIn', 401));
    const { result } = renderHook(() => useVehicles(), { wrapper });
    await waitFor(() => expect(session().status).toBe('expired'));
    expect(result.current.failure).toBeUndefined();
  });
  it('a lost line is tried once more before it is said', async () => {
    shop.on('GET /vehicles', 'unreachable');
    const { result } = renderHook(() => useVehicles(), { wrapper });
    await waitFor(() => expect(result.current.failure).toBe(UNREACHABLE), { timeout: 5000 });
    expect(shop.sent('GET')).toHaveLength(2);
  });
  it('minutes of several kits: what is known is given, what is not is left out', async () => {
    shop.on('GET /kits/a/minutes', { body: [50, 60] }).on('GET /kits/b/minutes', problem('internal', 500));
    const { result } = renderHook(() => useOwnMinutes(['a', 'b']), { wrapper });
    await waitFor(() => expect(result.current).toEqual({ minutes: { a: [50, 60] }, failure: 'internal' }));
  });
});

/** Something that reads and changes the same. */
function Changer() {
  const { data } = useVehicles();
  const change = useChange('vehicles');
  return (
    <>
      <p data-testid="seen">{data?.length ?? 'none'}</p>
      <p data-testid="failure">{change.failure ?? 'fine'}</p>
      <button type="button" onClick={() => void change.act(() => call(api.vehicles.$post({ json: {} as never })))}>
        do
      </button>
      <button type="button" onClick={change.clearFailure}>
        seen
      </button>
    </>
  );
}

describe('changing something', () => {
  const press = (name: string) => act(async () => screen.getByRole('button', { name }).click());
  it('reads anew what it changed', async () => {
    shop.on('GET /vehicles', { body: [] }).on('POST /vehicles', { body: {}, status: 201 });
    render(<Changer />, { wrapper });
    await waitFor(() => expect(screen.getByTestId('seen')).toHaveTextContent('0'));
    shop.on('GET /vehicles', { body: [{}] });
    await press('do');
    await waitFor(() => expect(screen.getByTestId('seen')).toHaveTextContent('1'));
  });
  it('refused, it says so until it is seen, and reads nothing anew', async () => {
    shop.on('GET /vehicles', { body: [] }).on('POST /vehicles', problem('vehicleFaulty', 422, { title: 'Not so' }));
    render(<Changer />, { wrapper });
    await waitFor(() => expect(screen.getByTestId('seen')).toHaveTextContent('0'));
    const asked = shop.sent('GET').length;
    await press('do');
    await waitFor(() => expect(screen.getByTestId('failure')).toHaveTextContent('Not so'));
    expect(shop.sent('GET')).toHaveLength(asked);
    await press('seen');
    await waitFor(() => expect(screen.getByTestId('failure')).toHaveTextContent('fine'));
  });
  it('with a session that ran out asks to sign in again', async () => {
    shop.on('GET /vehicles', { body: [] }).on('POST /vehicles', problem('notSignedIn', 401));
    render(<Changer />, { wrapper });
    await press('do');
    await waitFor(() => expect(session().status).toBe('expired'));
  });
});

describe('the session on this device', () => {
  it('is what the server says; without the network, who worked here last', async () => {
    shop.on('GET /session', { body: FITTER });
    await session().load();
    expect(session().status).toBe('signedIn');
    useSession.setState({ status: 'unknown', session: undefined });
    shop.on('GET /session', 'unreachable');
    await session().load();
    expect(session()).toMatchObject({ status: 'signedIn', session: { person: { id: 'u-vane' } } });
  });
  it('without the network and without a last one, nobody is signed in; nor when the server says so', async () => {
    for (const answer of ['unreachable', problem('notSignedIn', 401)] as const) {
      localStorage.clear();
      shop.on('GET /session', answer);
      await session().load();
      expect(session().status).toBe('signedOut');
    }
  });
  it('a last session that cannot be read is none', async () => {
    localStorage.setItem('wrenchman.session', '{"person":');
    shop.on('GET /session', 'unreachable');
    await session().load();
    expect(session().status).toBe('signedOut');
  });
  it('signing in sends who and the PIN; a wrong PIN changes nothing', async () => {
    useSession.setState({ status: 'signedOut', session: undefined });
    shop.on('POST /session', problem('wrongSecret', 401));
    await expect(session().signIn('u-vane', '0000')).rejects.toBeInstanceOf(ProblemError);
    expect(session().status).toBe('signedOut');
    shop.on('POST /session', { body: FITTER, status: 201 });
    await session().signIn('u-vane', '2468');
    expect(shop.sent('POST').at(-1)?.body).toEqual({ person: 'u-vane', secret: '2468' });
    expect(session().status).toBe('signedIn');
  });
  it('signed out, nobody is taken for the last one', async () => {
    localStorage.setItem('wrenchman.session', JSON.stringify(FITTER));
    shop.on('DELETE /session', { body: undefined, status: 204 });
    await session().signOut();
    shop.on('GET /session', 'unreachable');
    await session().load();
    expect(session().status).toBe('signedOut');
  });
  it('only a session that was there runs out', () => {
    session().expire();
    expect(session().status).toBe('expired');
    useSession.setState({ status: 'signedOut' });
    session().expire();
    expect(session().status).toBe('signedOut');
  });
});
