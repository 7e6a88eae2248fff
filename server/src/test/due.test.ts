import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import ICAL from 'ical.js';
import type { DueItem } from '#contract/due.ts';
import { dueWhenText } from '#contract/wording/due-text.ts';
import { type Device, fitter, guardToClosed, openGuard, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
beforeEach(async () => {
  server = await startTestServer();
});
afterEach(() => server.stop());

const DAY = 86_400_000;

/** A guard opened with an odometer, worked and signed. */
async function signedGuard(device: Device, odometerKm: number | undefined): Promise<string> {
  const id = await openGuard(device, odometerKm === undefined ? {} : { odometerKm });
  await device.send(id, ...guardToClosed.map((command) => device.input(command)));
  return id;
}
const listed = async (device: Device): Promise<DueItem[]> =>
  (await (await device.request('GET', '/api/due')).json()) as DueItem[];
const ofJob = async (device: Device, job: string) => (await listed(device)).find((entry) => entry.job === job);
const settle = (device: Device, body: object) => device.request('POST', '/api/due/settled', body);

describe('what owners are to come back for', () => {
  it('is nothing before a job is signed', async () => {
    const mira = await fitter(server);
    // The demo's own signed visit is of before.
    const before = (await listed(mira)).length;
    await openGuard(mira);
    expect(await listed(mira)).toHaveLength(before);
  });
  it('stands by the day it is likely to be, from the vehicle’s own visits', async () => {
    const mira = await fitter(server);
    // 2,000 km in 50 days: 40 a day; the last read today.
    const first = await signedGuard(mira, 118_400);
    await server.source.query('UPDATE job SET odometer_km = NULL WHERE id <> ?', [first]);
    await server.source.query('UPDATE job SET opened_at_ms = opened_at_ms - ? WHERE id = ?', [50 * DAY, first]);
    const job = await signedGuard(mira, 120_400);
    const item = await ofJob(mira, job);
    expect(item).toMatchObject({ atKm: 120_900, lastKm: 120_400, rateFrom: 'history', vehicle: { plate: '14-115' } });
    expect(item?.kmPerDay).toBeCloseTo(40, 1);
    const days = ((item?.expected?.expectedMs ?? 0) - Date.now()) / DAY;
    expect(days).toBeGreaterThan(12);
    expect(days).toBeLessThan(13);
    expect(item?.expected?.earliestMs).toBeLessThan(item?.expected?.expectedMs ?? 0);
    expect(item?.expected?.latestMs).toBeGreaterThan(item?.expected?.expectedMs ?? 0);
  });
  it('is settled with a name, taken back, and only what is asked can be', async () => {
    const mira = await fitter(server);
    const job = await signedGuard(mira, 120_400);
    const item = await ofJob(mira, job);
    const done = { job, care: item?.care, how: 'here', odometerKm: 120_910, note: 'None had moved' };
    expect((await settle(mira, done)).status).toBe(204);
    expect(await ofJob(mira, job)).toMatchObject({
      settled: { how: 'here', by: 'Mira Vane', note: 'None had moved', odometerKm: 120_910 },
    });
    expect(await ofJob(mira, job)).not.toHaveProperty('expected');
    expect((await settle(mira, { job, care: item?.care, how: 'open' })).status).toBe(204);
    expect(await ofJob(mira, job)).not.toHaveProperty('settled');
    // What is taken back tells nothing of how far the vehicle goes either.
    expect(await ofJob(mira, job)).toMatchObject({ lastKm: 120_400, rateFrom: 'usual' });
    expect((await settle(mira, { ...done, care: 'no-such' })).status).toBe(404);
    expect((await settle(mira, { ...done, odometerKm: -1 })).status).toBe(422);
    expect((await settle(mira, { ...done, how: 'perhaps' })).status).toBe(422);
  });
  it('is a calendar that reads back with the same days, and a table', async () => {
    const mira = await fitter(server);
    const job = await signedGuard(mira, 120_400);
    const item = await ofJob(mira, job);
    const calendar = await mira.request('GET', '/api/due/due.ics');
    expect(calendar.headers.get('content-type')).toContain('text/calendar');
    const text = await calendar.text();
    // RFC 5545, 3.1: lines end with CRLF and are no longer than 75 octets.
    expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
    const events = new ICAL.Component(ICAL.parse(text))
      .getAllSubcomponents('vevent')
      .map((event) => new ICAL.Event(event));
    const read = events.find(({ uid }) => uid.startsWith(job)) as ICAL.Event;
    expect(read.summary).toBe(`14-115: ${item?.text}`);
    expect(read.startDate.isDate).toBe(true);
    expect(read.startDate.toString()).toBe(new Date(item?.expected?.expectedMs ?? 0).toISOString().slice(0, 10));
    const table = await (await mira.request('GET', '/api/due/due.csv')).text();
    expect(table).toMatch(/14-115.*120900/);
  });
  it('without an odometer has no day, and says so', async () => {
    const mira = await fitter(server);
    await server.source.query('UPDATE job SET odometer_km = NULL');
    const job = await signedGuard(mira, undefined);
    await server.source.query('UPDATE job SET odometer_km = NULL');
    const item = await ofJob(mira, job);
    expect(item).not.toHaveProperty('expected');
    expect(item).not.toHaveProperty('atKm');
    expect(item).toMatchObject({ afterKm: 500 });
    expect(item && dueWhenText(item, String)).toMatch(/After 500 km: nobody read the odometer/);
  });
});
