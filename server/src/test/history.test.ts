import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { BookAnswer, KitBook, WrenchBook } from '#contract/book.ts';
import type { DueItem } from '#contract/due.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { checkRecord } from '../../../verify/record.mjs';
import { seedHistory } from '../demo/history.ts';
import { openSeal } from '../seal/open-seal.ts';
import { type Device, fitter, startTestServer, type TestServer } from './harness.ts';

const DAY = 86_400_000;
let server: TestServer;
let lead: Device;
beforeAll(async () => {
  server = await startTestServer();
  await seedHistory(server.source, Date.now(), openSeal(server.config.sealDir).seal);
  lead = await fitter(server, 'u-orrin', '1357');
});
afterAll(() => server.stop());

describe('the demo’s year and a half', () => {
  it('holds closed jobs over all of it, their odometers rising', async () => {
    const rows = (await server.source.query(
      "SELECT vehicle_id AS vehicle, opened_at_ms AS atMs, odometer_km AS km, closed_at_ms AS closedAtMs FROM job WHERE vehicle_id LIKE 'v-fleet-%' ORDER BY opened_at_ms",
    )) as Array<{ vehicle: string; atMs: string; km: number; closedAtMs: string | null }>;
    expect(rows.length).toBeGreaterThan(70);
    expect(rows.every(({ closedAtMs }) => closedAtMs !== null)).toBe(true);
    expect(Date.now() - Number(rows[0]?.atMs)).toBeGreaterThan(500 * DAY);
    const last = new Map<string, number>();
    for (const { vehicle, km } of rows) {
      expect(km).toBeGreaterThanOrEqual(last.get(vehicle) ?? 0);
      last.set(vehicle, km);
    }
  });
  it('has records that are what was recorded', async () => {
    const ids = (await server.source.query(
      "SELECT id FROM job WHERE vehicle_id LIKE 'v-fleet-%' ORDER BY number LIMIT 6",
    )) as Array<{ id: string }>;
    for (const { id } of ids) {
      const record = await (await lead.request('GET', `/api/jobs/${id}/record.json`)).json();
      expect(checkRecord(record).filter(({ severity }) => severity === 'altered')).toEqual([]);
    }
  });
  it('fills Due: overdue, to come, and settled by a re-torque', async () => {
    const items = (await (await lead.request('GET', '/api/due')).json()) as DueItem[];
    expect(items.length).toBeGreaterThan(20);
    expect(items.some(({ expected }) => expected !== undefined && expected.expectedMs < Date.now())).toBe(true);
    expect(items.some(({ rateFrom }) => rateFrom === 'history')).toBe(true);
  });
  it('fills the Book: every pull of it, and a joint that turned', async () => {
    let behind = 1;
    for (let round = 0; round < 30 && behind > 0; round++)
      behind = ((await (await lead.request('GET', '/api/book?words=14-3')).json()) as BookAnswer).behind;
    const book = (await (await lead.request('GET', `/api/book/kit?kit=${TRANSFER_CASE_GUARD.id}`)).json()) as KitBook;
    expect(book.jobs).toBeGreaterThan(20);
    expect(book.retorques).toBeGreaterThan(3);
    expect(book.troubles.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['problem', 'turnedSince']));
    for (const { pulls, missed } of book.spread) {
      expect(pulls).toBeGreaterThan(20);
      expect(missed).toBe(0);
    }
  });
  it('has a wrench whose drift against its use is told', async () => {
    const books = await Promise.all(
      ['w-1', 'w-2', 'w-3', 'w-4'].map(
        async (id) => (await (await lead.request('GET', `/api/book/wrench?wrench=${id}`)).json()) as WrenchBook,
      ),
    );
    expect(books.some(({ drift }) => drift !== undefined && drift.pullsLeft !== undefined)).toBe(true);
    for (const { points } of books) expect(points.length).toBeGreaterThan(15);
  });
});
