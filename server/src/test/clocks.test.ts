import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { parse } from 'csv-parse/sync';
import type { DeviceCommand } from '#contract/acts.ts';
import { clockDeviations } from '#core/record/clock-deviations.ts';
import { guardUpToTorque, openGuard, SigningDevice, startTestServer, type TestServer } from './harness.ts';

const DAY_MS = 86_400_000;
let server: TestServer;
let tablet: SigningDevice;
beforeAll(async () => {
  server = await startTestServer();
  // Run out two days ago.
  const ranOut = new Date(Date.now() - 2 * DAY_MS).toISOString().slice(0, 10);
  await server.source.query("UPDATE wrench SET calibration_due_on = ? WHERE id = 'w-1'", [ranOut]);
  await server.source.query("UPDATE wrench SET full_scale_nm = 40, lowest_nm = 4 WHERE id = 'w-2'");
  tablet = new SigningDevice(server);
  await tablet.signIn('u-vane', '2468');
});
afterAll(() => server.stop());

const PULL: DeviceCommand = { type: 'pull', station: 'g2', torqueNm: 10.2, wrench: 'w-1', source: 'typed', pass: 0 };
const toTorque = async () => {
  const job = await openGuard(tablet);
  await tablet.send(job, ...guardUpToTorque.map((command) => tablet.input(command)));
  return job;
};

describe('a tablet whose clock is set', () => {
  it('back ten days does not bring a wrench back into calibration: no one could have pulled before signing in', async () => {
    const job = await toTorque();
    const back = Date.now() - 10 * DAY_MS;
    // Both ways: a clock that was set back, and one that also lies about what it lacks.
    for (const clock of [
      { deviceMs: back, offsetMs: 10 * DAY_MS },
      { deviceMs: back, offsetMs: 0 },
    ]) {
      const { results } = await tablet.sendRaw(job, [await tablet.signed(job, PULL, { clock })]);
      expect(results).toMatchObject([{ ok: false, refusal: { code: 'wrenchOutOfCalibration' } }]);
    }
  });
  it('is on the record: when it came in, what its clock showed, what that lacked; and the files say so', async () => {
    const job = await openGuard(tablet);
    const count = (item: string, clock: { deviceMs: number; offsetMs: number }) =>
      tablet.signed(job, { type: 'countLine', item, found: 6, damaged: 0 }, { clock });
    const hour = 3_600_000;
    await tablet.sendRaw(job, [await count('m1', { deviceMs: Date.now() - hour, offsetMs: hour })], {
      sentMs: Date.now() - hour,
    });
    const before = Date.now();
    await tablet.sendRaw(job, [await count('m3', { deviceMs: before - 3 * hour, offsetMs: hour })], {
      sentMs: before - 3 * hour,
    });
    const { events } = await tablet.job(job);
    expect(events[0]?.event).toMatchObject({ device: tablet.id, clock: { offsetMs: hour } });
    const [first, second] = events.map(({ event }) => event);
    expect(first?.clock?.offsetAtReceiptMs).toBeGreaterThan(hour - 5000);
    // The second says it was two hours ago, when the tablet had just been heard: it cannot have been before the sign-in.
    expect(second?.atMs).toBeGreaterThanOrEqual((first?.atMs ?? 0) - 60_000);
    const kinds = clockDeviations(events.map(({ event }) => event)).map(({ kind }) => kind);
    expect(kinds).toEqual(['clockOff', 'clockBackwards']);
    const pdf = await (await tablet.request('GET', `/api/jobs/${job}/record.pdf`)).arrayBuffer();
    expect(Buffer.from(pdf).subarray(0, 5).toString()).toBe('%PDF-');
  });
  it('every pull’s line in the CSV has its times and its device', async () => {
    const job = await toTorque();
    const pull = { ...PULL, wrench: 'w-2', torqueNm: 10.3 } as DeviceCommand;
    await tablet.sendRaw(job, [await tablet.signed(job, pull)], { sentMs: Date.now() });
    const csv = await (await tablet.request('GET', `/api/jobs/${job}/record.csv`)).text();
    const all = parse(csv, { bom: true, columns: true }) as Array<Record<string, string>>;
    const rows = all.filter(({ kind }) => kind === 'pull');
    expect(rows).toHaveLength(1);
    for (const row of rows) expect(row).toMatchObject({ device: tablet.id, record: 'whole' });
    for (const row of rows) expect(Date.parse(row.received_utc ?? '')).toBeGreaterThan(Date.now() - 60_000);
  });
});
