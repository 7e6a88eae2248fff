import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { addresses } from '../http/address.ts';
import { type AppParts, makeApp } from '../http/app.ts';
import { Device, fitter, startTestServer, type TestServer } from './harness.ts';
import { ROUTES } from './routes.ts';

let server: TestServer;
let mira: Device;
let stranger: Device;
beforeAll(async () => {
  server = await startTestServer();
  mira = await fitter(server);
  stranger = new Device(server);
});
afterAll(() => server.stop());

const WRITES = ROUTES.filter(([method]) => method === 'POST' || method === 'PUT');
/** Bodies that no route takes. */
const NONSENSE: Array<[string, unknown]> = [
  ['nothing', undefined],
  ['half a document', '{"a":'],
  ['null', 'null'],
  ['a list', [1]],
  ['other fields', { __proto__: null, constructor: 'x', toString: 1 }],
  ['a deep document', JSON.parse(`${'['.repeat(200)}${']'.repeat(200)}`)],
];
const isProblem = async (response: Response): Promise<{ code: string }> => {
  expect(response.headers.get('content-type')).toContain('application/problem+json');
  return (await response.json()) as { code: string };
};

/** Routes that are for everybody, for other programs with a key, or about whoever asks alone. */
const APART = [
  'GET /api/openapi.json',
  'GET /api/opening',
  'POST /api/opening',
  'GET /api/session/options',
  'POST /api/session',
  'DELETE /api/session',
  'POST /api/session/hand-over',
  'POST /api/session/pairing',
  'PUT /api/session/secret',
  'POST /api/session/leave',
  'POST /api/session/passkeys/options',
  'POST /api/session/passkey/options',
  'POST /api/session/passkey',
  'GET /api/outside/v1/kits',
  'GET /api/outside/v1/visits',
  'GET /api/outside/v1/visits/:id',
  'GET /api/outside/v1/due',
  'GET /api/outside/v1/due.ics',
  'POST /api/outside/v1/visits',
  'GET /api/owner-page',
  'GET /api/owner-page/hand-over.pdf',
  'POST /api/owner-page/done',
];

it('there is no route but those that are tried here, and those apart', () => {
  const nothing: unknown = new Proxy(() => nothing, { get: () => nothing });
  const known = { webDist: 'web', hosts: [], figures: undefined, addresses: addresses(false) };
  const parts = new Proxy(known as object, {
    get: (from, name) => (name in from ? Reflect.get(from, name) : nothing),
  }) as AppParts;
  const there = makeApp(parts).routes.filter(({ method, path }) => method !== 'ALL' && path.startsWith('/api/'));
  const tried = ROUTES.map(([method, path]) => `${method} ${path.replace(/\?.*/, '')}`);
  const untried = there
    .map(({ method, path }) => `${method} ${path}`)
    .filter((route) => {
      const pattern = new RegExp(`^${route.replace(/:[^/]+/g, '[^/]+')}$`);
      return !APART.includes(route) && !tried.some((one) => pattern.test(one));
    });
  expect(untried).toEqual([]);
});

describe.each(ROUTES)('%s %s', (method, path) => {
  it('is for signed-in people only', async () => {
    const response = await stranger.request(method, path, method === 'GET' ? undefined : {});
    expect(response.status).toBe(401);
    expect(await isProblem(response)).toMatchObject({ code: 'notSignedIn' });
  });
  it('with nothing at its id answers with a problem or with what there is, never with a fault of its own', async () => {
    const response = await mira.request(method, path, method === 'GET' ? undefined : {});
    expect(response.status).toBeLessThan(500);
    if (response.status >= 400) await isProblem(response);
  });
});

describe.each(WRITES)('%s %s', (method, path) => {
  it.each(NONSENSE)('refuses %s, and says so', async (_, body) => {
    const response = await mira.request(method, path, body);
    expect(response.status).toBeGreaterThanOrEqual(400);
    expect(response.status).toBeLessThan(500);
    await isProblem(response);
  });
});

describe('a write from another site', () => {
  it.each(WRITES)('%s %s is refused before it is read', async (method, path) => {
    const response = await mira.request(method, path, {}, { origin: 'http://elsewhere.example' });
    expect(response.status).toBe(403);
    expect(await isProblem(response)).toMatchObject({ code: 'crossOrigin' });
  });
});
