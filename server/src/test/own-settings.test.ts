import { afterAll, beforeAll, expect, it } from '@jest/globals';
import type { Session } from '#contract/session.ts';
import type { ShopSettings } from '#contract/shop.ts';
import { type Device, fitter, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.stop());

const own = { system: 'inch', hand: 'left', textSize: 'large', pedalKey: 'F8' };
const sessionOf = async (device: Device): Promise<Session> =>
  (await device.request('GET', '/api/session')).json() as Promise<Session>;

it('what a person likes goes with them to another tablet, and to nobody else', async () => {
  const mira = await fitter(server);
  expect(await sessionOf(mira)).not.toHaveProperty('own');
  expect((await mira.request('PUT', '/api/session/own', own)).status).toBe(204);
  expect((await sessionOf(mira)).own).toEqual(own);
  const elsewhere = await fitter(server);
  expect((await sessionOf(elsewhere)).own).toEqual(own);
  expect(await sessionOf(await fitter(server, 'u-orrin', '1357'))).not.toHaveProperty('own');
});

it('what cannot be is refused, and what was stays', async () => {
  const mira = await fitter(server);
  for (const wrong of [{ ...own, hand: 'third' }, { ...own, more: 1 }, { system: 'inch' }]) {
    const refused = await mira.request('PUT', '/api/session/own', wrong);
    expect([refused.status, ((await refused.json()) as { code: string }).code]).toEqual([422, 'badRequest']);
  }
  expect((await sessionOf(mira)).own).toEqual(own);
});

it('a sign-in lasts as long as the shop says, from the next one on', async () => {
  const lead = await fitter(server, 'u-orrin', '1357');
  const lasts = async (): Promise<number[]> => {
    const rows: Array<{ ms: string }> = await server.source.query(
      'SELECT expires_at_ms - started_at_ms AS ms FROM session ORDER BY started_at_ms',
    );
    return rows.map(({ ms }) => Number(ms) / 3_600_000);
  };
  expect((await lasts()).at(-1)).toBeCloseTo(14, 3);
  const settings = (await (await lead.request('GET', '/api/shop')).json()) as ShopSettings;
  const put = (sessionHours: number) => {
    const { name, bays, rules } = settings;
    return lead.request('PUT', '/api/shop', { name, bays, rules, sessionHours });
  };
  expect((await put(0)).status).toBe(422);
  expect((await put(25)).status).toBe(422);
  expect((await put(2)).status).toBe(204);
  await fitter(server);
  expect((await lasts()).at(-1)).toBeCloseTo(2, 3);
  const { changes } = (await (await lead.request('GET', '/api/shop')).json()) as ShopSettings;
  expect(changes[0]?.change).toEqual({ what: 'setting', field: 'sessionHours', from: '14', to: '2' });
});
