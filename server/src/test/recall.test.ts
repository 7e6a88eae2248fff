import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { OwnerMessage } from '#contract/owner-message.ts';
import type { RecallBy, RecallHit, RecallTold } from '#contract/recall.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { type Device, fitter, guardToClosed, openGuard, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
let mira: Device;
let lead: Device;
let job: string;
let open: string;
beforeAll(async () => {
  server = await startTestServer(undefined, { tell: false });
  mira = await fitter(server);
  lead = await fitter(server, 'u-orrin', '1357');
  job = await openGuard(mira);
  await mira.send(job, ...guardToClosed.map((command) => mira.input(command)));
  open = await openGuard(mira);
});
afterAll(() => server.stop());

const query = (by: RecallBy) => new URLSearchParams(Object.entries(by).map(([k, v]) => [k, String(v)])).toString();
const hits = async (by: RecallBy) =>
  (await (await mira.request('GET', `/api/recalls?${query(by)}`)).json()) as RecallHit[];
const KIT = TRANSFER_CASE_GUARD.id;
const REVISION = TRANSFER_CASE_GUARD.revision;

describe('vehicles that are called back', () => {
  it('by a kit: those it was fitted to and those it is being fitted to, each told apart', async () => {
    const found = await hits({ by: 'kit', kit: KIT });
    const mine = found.filter((hit) => hit.job === job || hit.job === open);
    expect(mine.map(({ closedAtMs }) => closedAtMs !== undefined).sort()).toEqual([false, true]);
    expect(mine[0]?.what).toContain(`revision ${REVISION}`);
    expect(mine[0]?.vehicle.plate).toBe('14-115');
  });
  it('by one revision, and by none that was never fitted', async () => {
    expect((await hits({ by: 'kit', kit: KIT, revision: REVISION })).some((hit) => hit.job === job)).toBe(true);
    expect(await hits({ by: 'kit', kit: KIT, revision: 999 })).toEqual([]);
    expect(await hits({ by: 'kit', kit: 'no-such-kit' })).toEqual([]);
  });
  it('by a class of bolts, with its thread however it is written', async () => {
    const bolt = TRANSFER_CASE_GUARD.items.find(({ propertyClass, kind }) => propertyClass && kind === 'bolt');
    const propertyClass = bolt?.propertyClass ?? '';
    expect((await hits({ by: 'class', propertyClass })).some((hit) => hit.job === job)).toBe(true);
    for (const thread of [
      bolt?.thread ?? '',
      (bolt?.thread ?? '').replace(' x ', '×'),
      (bolt?.thread ?? '').replace(' x ', ' × '),
    ])
      expect([thread, (await hits({ by: 'class', propertyClass, thread })).some((hit) => hit.job === job)]).toEqual([
        thread,
        true,
      ]);
    expect((await hits({ by: 'class', propertyClass, thread: 'M30' })).filter((hit) => hit.job === job)).toEqual([]);
    expect((await hits({ by: 'class', propertyClass: '14.9' })).filter((hit) => hit.job === job)).toEqual([]);
  });
  it('by a wrench in the time it was out, with how often it pulled', async () => {
    const [pull] = (await mira.job(job)).events.flatMap(({ event }) => (event.type === 'pullRecorded' ? [event] : []));
    const wrench = pull?.wrench.id ?? '';
    const day = 86_400_000;
    const found = await hits({ by: 'wrench', wrench, from: Date.now() - day, to: Date.now() + day });
    expect(found.find((hit) => hit.job === job)?.what).toMatch(/^\d+ pulls$/);
    expect(await hits({ by: 'wrench', wrench, from: 0, to: 1 })).toEqual([]);
    expect((await hits({ by: 'wrench', wrench: 'w-none', from: 0, to: Date.now() + day })).length).toBe(0);
  });
  it('by a lot that nobody used: none', async () => {
    expect(await hits({ by: 'lot', lot: 'no-such-lot' })).toEqual([]);
  });
  it('as a table, and only by what is a reason', async () => {
    const csv = await (await mira.request('GET', `/api/recalls/vehicles.csv?${query({ by: 'kit', kit: KIT })}`)).text();
    expect(csv.split('\r\n')[0]).toContain('plate,vehicle,owner');
    expect(csv).toContain('14-115');
    expect((await mira.request('GET', '/api/recalls?by=colour')).status).toBe(422);
    expect((await mira.request('GET', '/api/recalls?by=kit')).status).toBe(422);
  });
  it('their owners are told once for each vehicle, and who cannot be is named', async () => {
    const by: RecallBy = { by: 'kit', kit: KIT };
    const tell = async () =>
      (await (
        await lead.request('POST', '/api/recalls/messages', { by, text: 'Please call us.' })
      ).json()) as RecallTold;
    expect((await mira.request('POST', '/api/recalls/messages', { by, text: 'x' })).status).toBe(403);
    const first = await tell();
    expect(first.noAddress.some((name) => name.startsWith('14-115'))).toBe(true);
    const [{ card, version }] = (await server.source.query(
      "SELECT card, version FROM vehicle WHERE id = 'v-carrick'",
    )) as [{ card: string | object; version: number }];
    const stored = typeof card === 'string' ? JSON.parse(card) : card;
    await server.source.query("UPDATE vehicle SET card = ?, version = ? WHERE id = 'v-carrick'", [
      JSON.stringify({ ...stored, contact: '0711 12 34 56' }),
      version + 1,
    ]);
    expect((await tell()).sent).toBe(first.sent + 1);
    expect(await tell()).toMatchObject({ sent: 0 });
    const sent = (await (await lead.request('GET', '/api/messages')).json()) as OwnerMessage[];
    expect(sent.filter(({ care }) => care.startsWith('recall:')).length).toBeGreaterThan(0);
  });
});
