import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { Device, fitter, openGuard, SigningDevice, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
beforeEach(async () => {
  server = await startTestServer();
});
afterEach(() => server.stop());

const guess = (device: Device, pin: string) =>
  device.request('POST', '/api/session', { person: 'u-vane', secret: pin });
const statuses = (responses: Response[]) => responses.map(({ status }) => status);

describe('guessing a PIN', () => {
  it('sixty at once: a handful are looked at, the rest wait', async () => {
    const from = Date.now();
    const all = statuses(
      await Promise.all(Array.from({ length: 55 }, (_, at) => guess(new Device(server), String(1000 + at)))),
    );
    // Three are free and the fourth begins a wait of 1 s that doubles: one more look after 1 s, 3 s, 7 s.
    const looks = 4 + Math.floor(Math.log2(1 + (Date.now() - from) / 1000));
    expect(all.filter((status) => status === 401).length).toBeLessThanOrEqual(looks);
    expect(all.filter((status) => status === 429).length).toBeGreaterThanOrEqual(55 - looks);
    // Even the right one is not looked at from a device nobody knows.
    expect((await guess(new Device(server), '2468')).status).toBe(429);
  });
  it('more devices and more addresses buy no more tries; the wait doubles', async () => {
    const waits: number[] = [];
    for (let at = 0; at < 7; at++) {
      await server.source.query('UPDATE secret_attempt SET until_ms = 0');
      await guess(new Device(server), `9${at}00`);
      const [row] = await server.source.query('SELECT until_ms AS untilMs FROM secret_attempt');
      waits.push(Number(row.untilMs) === 0 ? 0 : Math.round((Number(row.untilMs) - Date.now()) / 1000));
    }
    expect(waits).toEqual([0, 0, 0, 1, 2, 4, 8]);
  });
  it('an unknown device never makes a known one wait, and a known one counts by itself', async () => {
    const known = await fitter(server);
    for (let at = 0; at < 6; at++) await guess(new Device(server), `8${at}00`);
    expect((await guess(known, '2468')).status).toBe(201);
    for (let at = 0; at < 4; at++) expect((await guess(known, '0000')).status).toBe(401);
    const waits = await guess(known, '2468');
    expect(waits.status).toBe(429);
    expect(Number(waits.headers.get('retry-after'))).toBeGreaterThan(0);
  });
  it('the PIN asked for one act is counted too', async () => {
    const device = await fitter(server);
    const ask = () =>
      device.request('POST', '/api/session/leave', { secret: '0000', command: '8f14e45f-ceea-467f-a3b8-0d1c7a0b5e11' });
    const all: number[] = [];
    for (let at = 0; at < 6; at++) all.push((await ask()).status);
    expect(all).toEqual([401, 401, 401, 401, 429, 429]);
  });
});

describe('a longer secret', () => {
  it('is asked for by a lead alone; a shorter one still signs in and is told', async () => {
    const mira = await fitter(server);
    expect((await mira.request('PUT', '/api/session/secret-rule', { digits: 6 })).status).toBe(403);
    const lead = await fitter(server, 'u-orrin', '1357');
    expect((await lead.request('PUT', '/api/session/secret-rule', { digits: 6 })).status).toBe(204);
    expect(await (await guess(mira, '2468')).json()).toMatchObject({ secretTooShort: true });
    const change = (secret: string, next: string) => mira.request('PUT', '/api/session/secret', { secret, next });
    expect((await change('2468', '97531')).status).toBe(422);
    expect((await change('0000', '975310')).status).toBe(401);
    expect((await change('2468', '975310')).status).toBe(204);
    expect((await guess(mira, '2468')).status).toBe(401);
    expect((await (await guess(mira, '975310')).json()) as object).not.toHaveProperty('secretTooShort');
  });
  it('changed, ends the sessions elsewhere, and what other devices sign counts no more', async () => {
    const lost = new SigningDevice(server);
    await lost.signIn('u-vane', '2468');
    const job = await openGuard(lost);
    const queued = await lost.signed(job, { type: 'countLine', item: 'm1', found: 6, damaged: 0 });
    const desk = await fitter(server);
    expect((await desk.request('PUT', '/api/session/secret', { secret: '2468', next: '8642' })).status).toBe(204);
    expect((await lost.request('GET', '/api/session')).status).toBe(401);
    expect((await desk.request('GET', '/api/session')).status).toBe(200);
    await lost.signIn('u-tamsin', '3690');
    const { results } = await lost.sendRaw(job, [queued]);
    expect(results).toMatchObject([{ ok: false, refusal: { code: 'notSignedInThen' } }]);
  });
});
