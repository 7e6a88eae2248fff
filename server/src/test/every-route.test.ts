import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { Device, fitter, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
let mira: Device;
let stranger: Device;
beforeAll(async () => {
  server = await startTestServer();
  mira = await fitter(server);
  stranger = new Device(server);
});
afterAll(() => server.stop());

const UNKNOWN = '8f14e45f-ceea-467f-a3b8-0d1c7a0b5e11';
/** Routes under `/api` that ask who is there, with an id that leads nowhere. */
const ROUTES: Array<[method: string, path: string]> = [
  ['GET', '/api/session'],
  ['PUT', '/api/session/own'],
  ['GET', '/api/jobs?from=0&to=1'],
  ['POST', '/api/jobs'],
  ['GET', `/api/jobs/${UNKNOWN}`],
  ['POST', `/api/jobs/${UNKNOWN}/commands`],
  ['POST', `/api/jobs/${UNKNOWN}/kits`],
  ['PUT', `/api/jobs/${UNKNOWN}/slot`],
  ['PUT', `/api/jobs/${UNKNOWN}/called-off`],
  ['DELETE', `/api/jobs/${UNKNOWN}/called-off`],
  ['POST', `/api/jobs/${UNKNOWN}/photos`],
  ['GET', `/api/jobs/${UNKNOWN}/photos/${UNKNOWN}`],
  ['GET', `/api/jobs/${UNKNOWN}/record`],
  ['GET', `/api/jobs/${UNKNOWN}/record.json`],
  ['GET', `/api/jobs/${UNKNOWN}/record.csv`],
  ['GET', `/api/jobs/${UNKNOWN}/record.pdf`],
  ['GET', `/api/jobs/${UNKNOWN}/card.pdf`],
  ['GET', `/api/jobs/${UNKNOWN}/label.pdf`],
  ['GET', `/api/jobs/${UNKNOWN}/owners-bag.pdf`],
  ['GET', `/api/jobs/${UNKNOWN}/compartments.pdf`],
  ['GET', `/api/jobs/${UNKNOWN}/tray-map.pdf`],
  ['GET', `/api/jobs/${UNKNOWN}/box.pdf`],
  ['GET', `/api/jobs/${UNKNOWN}/tools-out`],
  ['GET', '/api/kits'],
  ['POST', '/api/kits'],
  ['GET', '/api/kits/no-such-kit'],
  ['GET', '/api/kit-library/library'],
  ['POST', '/api/kit-library/pictures'],
  ['GET', `/api/kit-library/pictures/${'0'.repeat(64)}`],
  ['GET', '/api/kit-library/drafts'],
  ['POST', '/api/kit-library/drafts'],
  ['GET', '/api/kit-library/drafts/no-such-kit'],
  ['PUT', '/api/kit-library/drafts/no-such-kit'],
  ['POST', '/api/kit-library/drafts/no-such-kit/release'],
  ['POST', '/api/kit-library/no-such-kit/revise'],
  ['GET', '/api/kit-library/no-such-kit/revisions'],
  ['GET', '/api/kit-library/no-such-kit/reach'],
  ['GET', '/api/kit-library/no-such-kit/revisions/1'],
  ['POST', '/api/kit-library/no-such-kit/revisions/1/withdraw'],
  ['GET', '/api/kit-library/lexicon'],
  ['PUT', '/api/kit-library/lexicon'],
  ['GET', '/api/vehicles'],
  ['POST', '/api/vehicles'],
  ['GET', '/api/vehicles/no-such'],
  ['PUT', '/api/vehicles/no-such'],
  ['GET', '/api/wrenches'],
  ['GET', '/api/crib'],
  ['GET', '/api/crib/reorder'],
  ['GET', '/api/crib/reorder.csv'],
  ['POST', '/api/crib/wrenches'],
  ['PUT', '/api/crib/wrenches/no-such'],
  ['DELETE', '/api/crib/wrenches/no-such'],
  ['POST', '/api/crib/wrenches/no-such/checks'],
  ['POST', '/api/crib/tools'],
  ['PUT', '/api/crib/tools/no-such'],
  ['POST', '/api/crib/bottles'],
  ['POST', '/api/crib/bottles/no-such/changes'],
  ['POST', '/api/crib/loans'],
  ['POST', '/api/crib/loans/no-such/return'],
  ['GET', '/api/shop'],
  ['PUT', '/api/shop'],
  ['POST', '/api/shop/people'],
  ['PUT', '/api/shop/people/no-such'],
  ['POST', '/api/shop/people/no-such/access'],
  ['PUT', '/api/owners'],
  ['GET', '/api/owners/export?name=nobody'],
  ['POST', '/api/owners/erase'],
  ['GET', '/api/programs'],
  ['POST', '/api/programs/keys'],
  ['POST', `/api/programs/keys/${UNKNOWN}/revoke`],
  ['POST', '/api/programs/hooks'],
  ['POST', `/api/programs/hooks/${UNKNOWN}/off`],
  ['POST', '/api/programs/tellings/1/again'],
  ['POST', '/api/archive'],
  ['GET', '/api/archive/no-such'],
  ['GET', '/api/tablets'],
  ['POST', '/api/tablets/codes'],
  ['PUT', '/api/tablets/paired-only'],
  ['PUT', `/api/tablets/${UNKNOWN}`],
  ['POST', `/api/tablets/${UNKNOWN}/out`],
  ['GET', '/api/moving-in'],
  ['POST', '/api/moving-in'],
  ['POST', '/api/moving-in/preview'],
  ['POST', `/api/moving-in/${UNKNOWN}/undo`],
  ['GET', '/api/shelf'],
  ['POST', '/api/shelf'],
  ['PUT', '/api/shelf/no-such'],
  ['DELETE', '/api/shelf/no-such'],
  ['POST', '/api/supplier/promises'],
  ['POST', '/api/supplier/orders'],
  ['POST', '/api/crib/temperatures'],
  ['POST', '/api/crib/tester'],
  ['POST', '/api/crib/rechecks'],
];
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
