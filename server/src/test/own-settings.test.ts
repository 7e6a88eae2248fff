import { afterAll, beforeAll, expect, it } from '@jest/globals';
import type { Session } from '#contract/session.ts';
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
