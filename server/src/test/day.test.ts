import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import ICAL from 'ical.js';
import type { DayDocument } from '#contract/day.ts';
import { planDay } from '#core/day/day-plan.ts';
import { type Device, fitter, guardToClosed, openGuard, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
beforeEach(async () => {
  server = await startTestServer();
});
afterEach(() => server.stop());

const HOUR = 3_600_000;
const days = (device: Device, fromMs = Date.now() - 12 * HOUR, toMs = Date.now() + 12 * HOUR) =>
  device.request('GET', `/api/days?from=${fromMs}&to=${toMs}`);
const dayOf = async (device: Device): Promise<DayDocument> => (await (await days(device)).json()) as DayDocument;

describe('what a day is planned from', () => {
  it('is every open job with the steps that are left, and who is there to do them', async () => {
    const mira = await fitter(server);
    const id = await openGuard(mira);
    const day = await dayOf(mira);
    const job = day.jobs.find((one) => one.id === id);
    expect(job?.work.steps.length).toBeGreaterThan(0);
    expect(job?.work.steps.every(({ text, leftMin }) => text !== '' && leftMin > 0)).toBe(true);
    // An apprentice helps; who is at the counter has no hand on a vehicle.
    expect(day.people.map(({ name, leads }) => [name, leads])).toEqual(
      expect.arrayContaining([
        ['Mira Vane', true],
        ['Hob Larkmoor', false],
      ]),
    );
    expect(day.people.map(({ name }) => name)).not.toContain('Ismay Fenn');
    const planned = planDay(day, { looks: 5 });
    expect(planned.ok && planned.value.kind).toBe('plan');
  });
  it('moves with the line: what is done is gone from it, what is signed too', async () => {
    const mira = await fitter(server);
    const id = await openGuard(mira);
    const left = async () => (await dayOf(mira)).jobs.find((one) => one.id === id)?.work.steps.length;
    const before = await left();
    await mira.send(id, ...guardToClosed.slice(0, -1).map((command) => mira.input(command)));
    const after = await left();
    const done = (await dayOf(mira)).jobs.find((one) => one.id === id)?.done ?? [];
    expect(done.length).toBeGreaterThan(0);
    for (const { tookMin, expectedMin, text } of done)
      expect(tookMin >= 0 && expectedMin > 0 && text !== '').toBe(true);
    expect(after ?? 0).toBeLessThan(before ?? 0);
    await mira.send(id, ...guardToClosed.slice(-1).map((command) => mira.input(command)));
    expect(await left()).toBeUndefined();
  });
  it('learns from what steps took, by who did them', async () => {
    const mira = await fitter(server);
    const done = await openGuard(mira);
    await mira.send(done, ...guardToClosed.map((command) => mira.input(command)));
    await openGuard(mira);
    // The book is written behind the answer.
    await dayOf(mira);
    let claims = 0;
    for (let tries = 0; tries < 40 && claims === 0; tries++) {
      claims = (await dayOf(mira)).jobs.flatMap(({ work }) => work.claims).length;
      if (claims === 0) await new Promise((settle) => setTimeout(settle, 100));
    }
    expect(claims).toBeGreaterThan(0);
    const rows: Array<{ person_id: string | null }> = await server.source.query(
      'SELECT person_id FROM book_step WHERE job_id = ?',
      [done],
    );
    for (const row of rows) expect(row.person_id).not.toBeNull();
  });
  it('asks for days and not for everything', async () => {
    const mira = await fitter(server);
    expect((await mira.request('GET', '/api/days')).status).toBe(422);
    expect((await mira.request('GET', '/api/days?from=x&to=2')).status).toBe(422);
  });
});

describe('a person’s days as a calendar', () => {
  it('holds each stretch they work on or help at, with bay and times; a foreign reader reads it', async () => {
    const mira = await fitter(server);
    const id = await openGuard(mira);
    await mira.request('PUT', `/api/jobs/${id}/slot`, { bay: 3, plannedStartMs: Date.now(), fitters: ['u-vane'] });
    const url = `/api/days/u-vane/plan.ics?from=${Date.now() - HOUR}&to=${Date.now() + 24 * HOUR}`;
    const answer = await mira.request('GET', url);
    expect(answer.status).toBe(200);
    expect(answer.headers.get('content-type')).toContain('text/calendar');
    const calendar = new ICAL.Component(ICAL.parse(await answer.text()));
    const events = calendar.getAllSubcomponents('vevent').map((entry) => new ICAL.Event(entry));
    const own = events.filter(({ location }) => location === 'Bay 3');
    expect(own.length).toBeGreaterThan(0);
    expect(own[0]?.summary).toMatch(/^14-115 \d+ /);
    for (const { startDate, endDate } of own) expect(endDate.compare(startDate)).toBe(1);
    // The same step keeps its id: a calendar that reads anew moves it.
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length);
  });
  it('is nobody’s for who is not there', async () => {
    const mira = await fitter(server);
    const answer = await mira.request('GET', `/api/days/u-nobody/plan.ics?from=0&to=${Date.now()}`);
    expect(answer.status).toBe(404);
  });
});
