import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { ShopSettings } from '#contract/shop.ts';
import type { Tablets } from '#contract/tablet.ts';
import { Device, fitter, openGuard, SigningDevice, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
let lead: Device;
beforeAll(async () => {
  server = await startTestServer();
  lead = await fitter(server, 'u-orrin', '1357');
});
afterAll(() => server.stop());

const list = async (): Promise<Tablets> => (await lead.request('GET', '/api/tablets')).json() as Promise<Tablets>;
const codeFor = async (name: string): Promise<string> =>
  ((await (await lead.request('POST', '/api/tablets/codes', { name })).json()) as { code: string }).code;
const pair = (device: Device, code: string) => device.request('POST', '/api/session/pairing', { code });
/** As from another machine, through a proxy. */
const AWAY = { 'x-forwarded-for': '10.0.0.7' };
const signInAway = (device: Device) =>
  device.request('POST', '/api/session', { person: 'u-vane', secret: '2468' }, AWAY);

describe('letting a tablet in', () => {
  it('gives it its name with a code that counts once', async () => {
    const code = await codeFor('Bay 2');
    const tablet = new Device(server);
    expect((await pair(tablet, 'AAAA-AAAA')).status).toBe(403);
    const paired = await pair(tablet, code.toLowerCase().replace('-', ' '));
    expect([paired.status, await paired.json()]).toEqual([201, { name: 'Bay 2' }]);
    expect((await pair(new Device(server), code)).status).toBe(403);
    await tablet.signIn('u-vane', '2468');
    expect((await list()).tablets).toContainEqual(
      expect.objectContaining({ id: tablet.id, name: 'Bay 2', last: 'Mira Vane', pairedAtMs: expect.any(Number) }),
    );
  });
  it('names one that is known already, and keeps it the same device', async () => {
    const known = await fitter(server);
    await pair(known, await codeFor('Mira’s own'));
    const { id } = known;
    await known.signIn('u-vane', '2468');
    expect(known.id).toBe(id);
    expect((await list()).tablets.find((tablet) => tablet.id === id)?.name).toBe('Mira’s own');
    await lead.request('PUT', `/api/tablets/${id}`, { name: 'Counter' });
    const { changes } = (await (await lead.request('GET', '/api/shop')).json()) as ShopSettings;
    expect(changes[0]?.change).toEqual({ what: 'tablet', name: 'Counter', did: 'named', from: 'Mira’s own' });
  });
});

describe('putting a tablet out', () => {
  it('signs out whoever is on it at once, and what it signs counts no more', async () => {
    const tablet = new SigningDevice(server);
    await tablet.signIn('u-vane', '2468');
    const job = await openGuard(tablet);
    const count = () => tablet.signed(job, { type: 'countLine', item: 'm1', found: 6, damaged: 0 });
    const late = await count();
    const wrong = await lead.request('POST', `/api/tablets/${tablet.id}/out`, { secret: '0000' });
    expect(wrong.status).toBe(401);
    const out = await lead.request('POST', `/api/tablets/${tablet.id}/out`, { secret: '1357' });
    expect(out.status).toBe(200);
    expect((await tablet.request('GET', '/api/session')).status).toBe(401);
    // Signed while it was out of reach: even by another's session it is not taken.
    const other = await fitter(server);
    const answer = await other.sendRaw(job, [late]);
    expect(answer.results).toMatchObject([{ ok: false }]);
    const { id } = tablet;
    await tablet.signIn('u-vane', '2468');
    expect(tablet.id).not.toBe(id);
    expect((await lead.request('POST', `/api/tablets/${id}/out`, { secret: '1357' })).status).toBe(404);
  });
  it('not the one the lead is on', async () => {
    const { own } = await list();
    expect((await lead.request('POST', `/api/tablets/${own}/out`, { secret: '1357' })).status).toBe(409);
  });
});

describe('only tablets a lead has let in', () => {
  it('a PIN opens nothing on another; the server’s own machine and paired ones go on', async () => {
    const stranger = new Device(server);
    expect((await signInAway(stranger)).status).toBe(201);
    expect((await lead.request('PUT', '/api/tablets/paired-only', { on: true })).status).toBe(204);
    const refused = await signInAway(new Device(server));
    expect([refused.status, await refused.json()]).toEqual([403, expect.objectContaining({ code: 'deviceNotPaired' })]);
    // A name of its own for the server does not make a far one near.
    const named = await new Device(server).request(
      'POST',
      '/api/session',
      { person: 'u-vane', secret: '2468' },
      { ...AWAY, host: 'localhost' },
    );
    expect(named.status).toBe(403);
    const paired = new Device(server);
    await pair(paired, await codeFor('Bay 3'));
    expect((await signInAway(paired)).status).toBe(201);
    expect((await new Device(server).signIn('u-vane', '2468')).status).toBe(201);
    // Who switched it on is not shut out by it.
    const { own, tablets, pairedOnly } = await list();
    expect([pairedOnly, tablets.find(({ id }) => id === own)?.pairedAtMs]).toEqual([true, expect.any(Number)]);
    await lead.request('PUT', '/api/tablets/paired-only', { on: false });
  });
});

it('is a lead’s', async () => {
  const mira = await fitter(server);
  expect((await mira.request('GET', '/api/tablets')).status).toBe(403);
  expect((await mira.request('POST', '/api/tablets/codes', { name: 'Mine' })).status).toBe(403);
});
