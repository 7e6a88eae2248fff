import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Crib, CribWrench } from '#contract/crib.ts';
import type { JobKit } from '#contract/job.ts';
import {
  type Device,
  fitter,
  guardPulls,
  guardUpToTorque,
  openGuard,
  startTestServer,
  type TestServer,
} from './harness.ts';

let server: TestServer;
let mira: Device;
let lead: Device;

beforeAll(async () => {
  server = await startTestServer();
  mira = await fitter(server);
  lead = await fitter(server, 'u-orrin', '1357');
});
afterAll(() => server.stop());

const crib = async (): Promise<Crib> => (await mira.request('GET', '/api/crib')).json() as Promise<Crib>;
const wrench = async (id: string): Promise<CribWrench> => {
  const found = (await crib()).wrenches.find((entry) => entry.id === id);
  if (!found) throw new Error(id);
  return found;
};
const check = (device: Device, id: string, references: number[], over: object = {}) =>
  device.request('POST', `/api/crib/wrenches/${id}/checks`, {
    id: randomUUID(),
    kind: 'check',
    readings: references.map((referenceNm) => ({ setNm: 15, referenceNm })),
    ...over,
  });
const calibration = (fullScaleNm: number, off = 0) =>
  [0.2, 0.6, 1].flatMap((share) =>
    Array.from({ length: 5 }, () => ({ setNm: fullScaleNm * share, referenceNm: fullScaleNm * share * (1 + off) })),
  );

describe('a wrench out of limits', () => {
  it('is locked, pulls nothing more, and every station it pulled since its last good check is listed', async () => {
    const job = await openGuard(mira);
    await mira.send(job, ...guardUpToTorque.map((command) => mira.input(command)));
    const pulled = await mira.send(job, ...guardPulls.slice(0, 3).map((command) => mira.input(command)));
    expect(pulled.results.map((result) => result.ok)).toEqual([true, true, true]);

    const answer = await check(mira, 'w-1', [15.1, 15.9, 15.8]);
    expect(answer.status).toBe(201);
    expect(await answer.json()).toMatchObject({ locked: true, check: { within: false, byName: 'Mira Vane' } });
    expect((await wrench('w-1')).locked?.because).toContain('off by');

    const refused = await mira.send(job, mira.input(guardPulls[3] as never));
    expect(refused.results[0]).toMatchObject({ ok: false, refusal: { code: 'wrenchLocked' } });

    const mine = (await crib()).rechecks.filter((entry) => entry.jobId === job);
    expect(mine.map((entry) => entry.stationId).sort()).toEqual(['g1', 'g2', 'g5']);
    expect(mine[0]).toMatchObject({ wrenchId: 'w-1', closed: false, vehicle: expect.stringContaining('Carrick') });
    // The demo's closed job was pulled with it too: its vehicle must be called back.
    expect((await crib()).rechecks.some((entry) => entry.closed)).toBe(true);
  });

  it('leaves the list when a person settles a station, by name and reason', async () => {
    const [first] = (await crib()).rechecks;
    if (!first) throw new Error('nothing listed');
    const settle = await mira.request('POST', '/api/crib/rechecks', {
      wrench: first.wrenchId,
      job: first.jobId,
      station: first.stationId,
      how: 'Pulled again with W-2, did not move.',
      secret: '2468',
    });
    expect(settle.status).toBe(204);
    const left = (await crib()).rechecks;
    expect(left.some((entry) => entry.jobId === first.jobId && entry.stationId === first.stationId)).toBe(false);
  });

  it('is not unlocked by a good check, nor lent; only a good, complete calibration by a lead brings it back', async () => {
    expect(await (await check(mira, 'w-1', [15, 15.1, 14.9])).json()).toMatchObject({ locked: true });
    expect((await wrench('w-1')).locked).toBeDefined();
    const lent = await mira.request('POST', '/api/crib/loans', {
      id: randomUUID(),
      thing: 'wrench',
      thingId: 'w-1',
      personId: 'u-vane',
    });
    expect(lent.status).toBe(409);
    const byFitter = await check(mira, 'w-1', [], { kind: 'calibration', readings: calibration(25) });
    expect(byFitter.status).toBe(403);
    const half = await check(lead, 'w-1', [], { kind: 'calibration', readings: calibration(25).slice(0, 10) });
    expect(half.status).toBe(422);
    expect(await half.json()).toMatchObject({ code: 'calibrationIncomplete' });
    const good = await check(lead, 'w-1', [], {
      kind: 'calibration',
      readings: calibration(25, 0.01),
      certificate: 'C-118',
    });
    expect(await good.json()).toMatchObject({ locked: false, check: { within: true, certificate: 'C-118' } });
    const back = await wrench('w-1');
    expect(back.locked).toBeUndefined();
    expect(Date.parse(back.calibrationDueOn)).toBeGreaterThan(Date.now() + 360 * 86_400_000);
    // What it pulled while it was out stays in doubt.
    expect((await crib()).rechecks.length).toBeGreaterThan(0);
  });

  it('records a check once, however often it is sent', async () => {
    const before = (await wrench('w-2')).checks.length;
    const body = { id: randomUUID(), kind: 'check', readings: [{ setNm: 60, referenceNm: 60.2 }] };
    for (let i = 0; i < 3; i++) await mira.request('POST', '/api/crib/wrenches/w-2/checks', body);
    expect((await wrench('w-2')).checks.length).toBe(before + 1);
  });
});

describe('the wall', () => {
  const input = {
    label: 'W-9',
    kind: 'click',
    squareDrive: '3/8 in',
    fullScaleNm: 60,
    scaleUnit: 'N·m',
    intervalMonths: 12,
    calibrationDueOn: '2027-11-01',
    live: false,
  };
  it('takes a new wrench by a lead, once a label', async () => {
    expect((await mira.request('POST', '/api/crib/wrenches', input)).status).toBe(403);
    const made = await lead.request('POST', '/api/crib/wrenches', input);
    expect(made.status).toBe(201);
    const again = await lead.request('POST', '/api/crib/wrenches', input);
    expect(await again.json()).toMatchObject({ code: 'labelTaken', status: 409 });
    const { id } = (await made.json()) as { id: string };
    const changed = await lead.request('PUT', `/api/crib/wrenches/${id}`, { ...input, fullScaleNm: 80, lengthMm: 300 });
    expect(changed.status).toBe(200);
    expect(await wrench(id)).toMatchObject({ fullScaleNm: 80, lengthMm: 300 });
    expect((await lead.request('DELETE', `/api/crib/wrenches/${id}`)).status).toBe(200);
    expect((await crib()).wrenches.some((entry) => entry.id === id)).toBe(false);
  });
  it('names what is wrong with an input', async () => {
    const bad = await lead.request('POST', '/api/crib/wrenches', {
      ...input,
      label: 'W-10',
      fullScaleNm: -5,
      squareDrive: '5/8 in',
    });
    expect(bad.status).toBe(422);
    const { faults } = (await bad.json()) as { faults: Array<{ path: string }> };
    expect(faults.map((fault) => fault.path).sort()).toEqual(['json.fullScaleNm', 'json.squareDrive']);
    const reversed = await lead.request('POST', '/api/crib/wrenches', { ...input, label: 'W-10', lowestNm: 70 });
    expect(await reversed.json()).toMatchObject({ code: 'rangeReversed' });
  });
  it('reads a wrench on the tester', async () => {
    const read = await mira.request('POST', '/api/crib/tester', { wrench: 'w-3', setNm: 126 });
    const { referenceNm } = (await read.json()) as { referenceNm: number };
    expect(Math.abs(126 / referenceNm - 1)).toBeLessThan(0.04);
  });
});

describe('loans', () => {
  it('a thing is out once, keeps its job open until it is back, and can be missing', async () => {
    const job = await openGuard(mira);
    const [tool] = (await crib()).tools;
    if (!tool) throw new Error('no tool');
    const loan = { id: randomUUID(), thing: 'tool', thingId: tool.id, personId: 'u-vane', jobId: job };
    expect((await mira.request('POST', '/api/crib/loans', loan)).status).toBe(201);
    // The same request again is the same loan; another one is refused.
    expect((await mira.request('POST', '/api/crib/loans', loan)).status).toBe(201);
    const twice = await lead.request('POST', '/api/crib/loans', { ...loan, id: randomUUID(), personId: 'u-orrin' });
    expect(await twice.json()).toMatchObject({ code: 'alreadyOut', detail: tool.name });

    expect(await (await mira.request('GET', `/api/jobs/${job}/tools-out`)).json()).toEqual([
      `${tool.name} (Mira Vane)`,
    ]);
    const closed = await mira.send(job, mira.input({ type: 'close', signature: 'Mira Vane' }));
    const blocks = (closed.results[0] as { refusal: { blocks: Array<{ code: string }> } }).refusal.blocks;
    expect(blocks.map((block) => block.code)).toContain('toolsOut');

    await mira.request('POST', `/api/crib/loans/${loan.id}/return`, { missing: 'Not on the cart, not in the bay.' });
    expect((await crib()).tools.find((entry) => entry.id === tool.id)?.missing).toMatchObject({ by: 'Mira Vane' });
    const list = (await (await mira.request('GET', '/api/crib/reorder')).json()) as Array<{
      name: string;
      because: string;
    }>;
    expect(list).toContainEqual({ what: 'tool', name: tool.name, because: 'missing' });

    await mira.request('POST', `/api/crib/loans/${loan.id}/return`, {});
    const found = (await crib()).tools.find((entry) => entry.id === tool.id);
    expect(found?.missing).toBeUndefined();
    expect(found?.loan).toBeUndefined();
    expect(await (await mira.request('GET', `/api/jobs/${job}/tools-out`)).json()).toEqual([]);
  });
});

describe('bottles', () => {
  it('one that has gelled is off the shelf, and is known on the floor as that', async () => {
    const input = {
      name: 'Test locker',
      kind: 'threadlockerHigh',
      lot: 'G-1',
      sizeMl: 10,
      expiresOn: '2099-01-01',
      storeMaxC: 30,
    };
    const { id } = (await (await mira.request('POST', '/api/crib/bottles', input)).json()) as { id: string };
    const change = { type: 'gelled', on: '2026-11-27' };
    expect((await mira.request('POST', `/api/crib/bottles/${id}/changes`, change)).status).toBe(200);
    const answer = await mira.request('POST', '/api/jobs', {
      vehicle: 'v-tussock',
      kits: ['front-recovery-points'],
      answers: { shield: true },
      bay: 4,
      plannedStartMs: Date.now(),
    });
    const { id: job } = (await answer.json()) as { id: string };
    expect((await mira.job(job)).bottles?.find((bottle) => bottle.id === id)).toMatchObject({
      lot: 'G-1',
      fault: 'gelled',
    });
    expect((await crib()).bottles.find((bottle) => bottle.id === id)).toMatchObject({ emptiedOn: '2026-11-27' });
  });
  it('count down by the beads of the jobs, once each', async () => {
    const before = (await crib()).bottles.find((bottle) => bottle.lot === 'M-2406');
    const answer = await mira.request('POST', '/api/jobs', {
      vehicle: 'v-tussock',
      kits: ['front-recovery-points'],
      answers: { shield: true },
      bay: 4,
      plannedStartMs: Date.now(),
    });
    const { id: job } = (await answer.json()) as { id: string };
    const [{ document: kit }] = (await mira.job(job)).kits as [JobKit];
    const station = kit.stations.find((entry) => entry.compound === 'locker');
    if (!station) throw new Error('no locked station');
    const counts = kit.items.map((item) =>
      mira.input({ type: 'countLine', item: item.id, found: item.quantity, damaged: 0, read: item.mark }),
    );
    await mira.send(job, ...counts);
    const beads = await mira.send(
      job,
      mira.input({ type: 'startByHand', station: station.id }),
      mira.input({ type: 'applyCompound', station: station.id, cleaned: true, bottle: before?.id }),
    );
    expect(beads.results.map((result) => result.ok)).toEqual([true, true]);
    const used = async () =>
      ((await crib()).bottles.find((bottle) => bottle.lot === 'M-2406')?.usedMl ?? 0) - (before?.usedMl ?? 0);
    const once = await used();
    expect(once).toBeGreaterThan(0.02);
    expect(once).toBeLessThan(0.5);
    expect(await used()).toBe(once);
  });
  it('are opened, corrected by what is seen, and emptied, with a name beside it', async () => {
    const made = await mira.request('POST', '/api/crib/bottles', {
      name: 'Flange sealant',
      kind: 'sealant',
      lot: 'F-1',
      sizeMl: 80,
      expiresOn: '2028-01-31',
      storeMaxC: 28,
    });
    const { id } = (await made.json()) as { id: string };
    await mira.request('POST', `/api/crib/bottles/${id}/changes`, { type: 'opened', on: '2026-11-25' });
    await mira.request('POST', `/api/crib/bottles/${id}/changes`, { type: 'seen', leftMl: 12, reason: 'Weighed.' });
    const bottle = (await crib()).bottles.find((entry) => entry.id === id);
    expect(bottle).toMatchObject({ openedOn: '2026-11-25', adjustedMl: -68 });
    const list = (await (await mira.request('GET', '/api/crib/reorder.csv')).text()).split('\r\n');
    expect(list[0]).toBe('what,name,because,figure');
    expect(list).toContain('compound,Flange sealant,mL left,12');
    const notes = await server.source.query('SELECT COUNT(*) AS n FROM bottle_note WHERE bottle_id = ?', [id]);
    expect(Number(notes[0].n)).toBe(2);
  });
  it('an apprentice borrows, but does not keep the stock', async () => {
    const hob = await fitter(server, 'u-hob', '1122');
    expect((await hob.request('POST', '/api/crib/temperatures', { temperatureC: 18 })).status).toBe(403);
    expect((await mira.request('POST', '/api/crib/temperatures', { temperatureC: 18 })).status).toBe(204);
  });
});

describe('a figure of the bench', () => {
  it('goes on a job’s record by a lead only', async () => {
    const job = await openGuard(mira);
    const command = {
      type: 'useCalculation',
      tool: 'value',
      summary: 'M8, worked out: 22 N·m',
      link: '/bench/value?thread=M8',
      reason: 'Sheet lost.',
    } as const;
    const byFitter = await mira.send(job, mira.input(command));
    expect(byFitter.results[0]).toMatchObject({ ok: false, refusal: { code: 'notPermitted' } });
    const byLead = await lead.send(job, lead.input(command));
    expect(byLead.results[0]).toMatchObject({ ok: true });
    expect((await mira.job(job)).events.at(-1)?.event).toMatchObject({
      type: 'calculationUsed',
      by: { name: 'Rafe Orrin' },
    });
    const elsewhere = await lead.send(job, lead.input({ ...command, link: 'https://elsewhere.example/' }));
    expect(elsewhere.results[0]).toMatchObject({
      ok: false,
      refusal: { code: 'commandUnreadable', faults: [{ path: 'command.link' }] },
    });
  });
});
