import { afterAll, beforeAll, expect, it } from '@jest/globals';
import type { OwnersChange } from '#contract/owner.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import type { OwnersData } from '../service/owner-service.ts';
import { type Device, fitter, guardToClosed, openGuard, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
let lead: Device;
let mira: Device;
beforeAll(async () => {
  server = await startTestServer();
  lead = await fitter(server, 'u-orrin', '1357');
  mira = await fitter(server);
});
afterAll(() => server.stop());

const vehicles = async (): Promise<Vehicle[]> =>
  (await mira.request('GET', '/api/vehicles')).json() as Promise<Vehicle[]>;
const ownerOf = async (id: string) => (await vehicles()).find((vehicle) => vehicle.id === id)?.owner;

it('vehicles get one owner, all or none, and it is taken back', async () => {
  const [first, second] = await vehicles();
  const ids = [first?.id ?? '', second?.id ?? ''];
  const put = (list: OwnersChange['vehicles']) => mira.request('PUT', '/api/owners', { vehicles: list });
  const none = await put([
    { id: ids[0] ?? '', owner: 'Ines Harrow' },
    { id: 'no-such', owner: 'Ines Harrow' },
  ]);
  expect([none.status, await ownerOf(ids[0] ?? '')]).toEqual([404, first?.owner]);
  const merged = await put(ids.map((id) => ({ id, owner: 'Ines Harrow', contact: '555 0142' })));
  const before = (await merged.json()) as OwnersChange;
  expect(await Promise.all(ids.map(ownerOf))).toEqual(['Ines Harrow', 'Ines Harrow']);
  expect((await put(before.vehicles)).status).toBe(200);
  expect(await Promise.all(ids.map(ownerOf))).toEqual([first?.owner, second?.owner]);
  const hob = await fitter(server, 'u-hob', '1122');
  expect((await hob.request('PUT', '/api/owners', before)).status).toBe(403);
});

it('an owner is given all that is held of them, by a lead', async () => {
  const path = `/api/owners/export?name=${encodeURIComponent('upper  SALLOW rivers survey')}`;
  expect((await mira.request('GET', path)).status).toBe(403);
  const data = (await (await lead.request('GET', path)).json()) as OwnersData;
  expect(data).toMatchObject({ format: 'wrenchman-owner', owner: 'Upper Sallow Rivers Survey' });
  expect(data.vehicles.length).toBeGreaterThan(1);
  expect((await lead.request('GET', '/api/owners/export?name=nobody')).status).toBe(404);
});

it('an owner is forgotten in every vehicle and record, and what was torqued stays', async () => {
  const job = await openGuard(mira);
  await mira.send(job, ...guardToClosed.map((command) => mira.input(command)));
  const name = 'Upper Sallow Rivers Survey';
  expect((await lead.request('POST', '/api/owners/erase', { name, secret: '0000' })).status).toBe(401);
  const erased = await lead.request('POST', '/api/owners/erase', { name, secret: '1357' });
  expect(((await erased.json()) as { vehicles: number }).vehicles).toBeGreaterThan(1);
  expect(JSON.stringify(await vehicles())).not.toContain(name);
  const record = await (await mira.request('GET', `/api/jobs/${job}/record.json`)).text();
  expect(record).not.toContain(name);
  expect(record).toContain('"pull');
  expect((await lead.request('POST', '/api/owners/erase', { name, secret: '1357' })).status).toBe(404);
});
