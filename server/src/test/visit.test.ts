import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { DeviceCommand } from '#contract/acts.ts';
import type { CommandBatchAnswer, JobCard, JobDocument } from '#contract/job.ts';
import { type RecordFile, RecordFileSchema } from '#contract/record.ts';
import type { StoredVehicle, VehicleHistory } from '#contract/vehicle.ts';
import { openLog } from '#core/job/job-log.ts';
import { nextOnLine } from '#core/job/line-next.ts';
import { CarefulFitter } from '#core/rehearse/careful-fitter.ts';
import { rightAnswers } from '#core/rehearse/right-answers.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import { replay } from '../report/replay.ts';
import { type Device, fitter, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
let mira: Device;
let rafe: Device;

beforeAll(async () => {
  server = await startTestServer();
  mira = await fitter(server);
  rafe = await fitter(server, 'u-orrin', '1357');
});
afterAll(() => server.stop());

const LEFT = { kit: 'rear-air-springs', side: 'left' };
const CONFLICT = 'sameJoint station@track bar axle bolt';
const body = async <T>(response: Promise<Response>): Promise<T> => (await (await response).json()) as T;
const code = async (response: Promise<Response>): Promise<string> => (await body<{ code: string }>(response)).code;

async function openVisit(kits: string[], over: object = {}): Promise<string> {
  const answer = await mira.request('POST', '/api/jobs', {
    vehicle: 'v-gorse',
    kits,
    answers: {},
    bay: 2,
    plannedStartMs: Date.now(),
    ...over,
  });
  const opened = (await answer.json()) as { id?: string };
  if (!opened.id) throw new Error(JSON.stringify(opened));
  return opened.id;
}
const one = async (device: Device, job: string, command: DeviceCommand) => {
  const [result] = (await device.send(job, device.input(command))).results;
  return result?.ok ? 'accepted' : result?.refusal.code;
};

describe('where, when and by whom', () => {
  const HOUR = 3_600_000;
  const slotOf = async (job: string) =>
    body<{ bay: number; plannedStartMs: number; slot?: object; events: unknown[] }>(
      mira.request('GET', `/api/jobs/${job}`),
    );
  it('is said at intake, and moved later with nothing lost that was done', async () => {
    const start = Date.now();
    const slot = { place: 'yard', fitters: ['u-vane'], promisedMs: start + 5 * HOUR };
    const job = await openVisit(['track-bar-brace'], { plannedStartMs: start, ...slot });
    expect(await slotOf(job)).toMatchObject({ bay: 2, plannedStartMs: start, slot });
    expect(await one(mira, job, { type: 'raiseProblem', text: 'rust' })).toBe('accepted');
    const moved = { bay: 3, plannedStartMs: start + 24 * HOUR, fitters: ['u-orrin'] };
    expect((await mira.request('PUT', `/api/jobs/${job}/slot`, moved)).status).toBe(204);
    const after = await slotOf(job);
    expect(after).toMatchObject({ bay: 3, plannedStartMs: start + 24 * HOUR, slot: { fitters: ['u-orrin'] } });
    expect(after.slot).not.toHaveProperty('promisedMs');
    expect(after.events).toHaveLength(1);
    // It is a plan and no part of the record: the seal still holds.
    expect(await body(mira.request('GET', `/api/jobs/${job}/record`))).toMatchObject({ breaks: [], sealed: true });
  });
  it('a revised sheet finds its open jobs, and no other shop’s kit is found by a part of its name', async () => {
    const job = await openVisit(['track-bar-brace']);
    const reach = (kit: string) =>
      body<{ open: Array<{ job: string; revision: number }>; fitted: unknown[] }>(
        mira.request('GET', `/api/kit-library/${kit}/reach`),
      );
    const found = await reach('track-bar-brace');
    expect(found.open.find((use) => use.job === job)).toMatchObject({ revision: 1, vehicle: { id: 'v-gorse' } });
    expect((await reach('transfer-case-guard')).fitted).toHaveLength(1);
    expect(await reach('track-bar')).toEqual({ open: [], fitted: [] });
  });
  it('is refused where the shop has no such bay or person, and where it is promised before it begins', async () => {
    const job = await openVisit(['track-bar-brace']);
    const start = Date.now();
    const put = (over: object) =>
      code(mira.request('PUT', `/api/jobs/${job}/slot`, { bay: 1, plannedStartMs: start, ...over }));
    expect(await put({ bay: 90 })).toBe('bayUnknown');
    expect(await put({ fitters: ['u-nobody'] })).toBe('personUnknown');
    expect(await put({ promisedMs: start - HOUR })).toBe('promisedTooEarly');
    expect(await put({ place: 'moon' })).toBe('badRequest');
    expect(await code(mira.request('PUT', `/api/jobs/${randomUUID()}/slot`, { bay: 1, plannedStartMs: start }))).toBe(
      'unknownJob',
    );
    const early = { vehicle: 'v-gorse', kits: ['track-bar-brace'], answers: {}, bay: 2 };
    expect(
      await code(mira.request('POST', '/api/jobs', { ...early, plannedStartMs: start, promisedMs: start - HOUR })),
    ).toBe('promisedTooEarly');
  });
});

describe('a vehicle that does not come', () => {
  const HOUR = 3_600_000;
  const at = (job: string) => `/api/jobs/${job}/called-off`;
  const read = async (job: string) =>
    body<{ slot?: object; calledOff?: { as: string; by: string; note?: string } }>(
      mira.request('GET', `/api/jobs/${job}`),
    );
  const listed = async (job: string, fromMs: number) =>
    (await body<JobCard[]>(mira.request('GET', `/api/jobs?from=${fromMs}&to=${fromMs + 24 * HOUR}`))).find(
      ({ id }) => id === job,
    );
  it('is called off with who said so, gone from other days, and put back as it was', async () => {
    const start = Date.now() + HOUR;
    const job = await openVisit(['track-bar-brace'], { plannedStartMs: start, fitters: ['u-vane'] });
    expect((await mira.request('PUT', at(job), { as: 'noShow', note: 'nobody at the phone' })).status).toBe(204);
    expect(await read(job)).toMatchObject({
      slot: { fitters: ['u-vane'] },
      calledOff: { as: 'noShow', note: 'nobody at the phone', by: 'Mira Vane' },
    });
    expect(await listed(job, start - HOUR)).toMatchObject({
      calledOff: { as: 'noShow' },
      slot: { fitters: ['u-vane'] },
    });
    expect(await listed(job, start + 48 * HOUR)).toBeUndefined();
    expect((await mira.request('DELETE', at(job))).status).toBe(204);
    expect(await read(job)).not.toHaveProperty('calledOff');
    expect(await read(job)).toMatchObject({ slot: { fitters: ['u-vane'] } });
  });
  it('is put back by another time, and by whoever works on it', async () => {
    const job = await openVisit(['track-bar-brace']);
    await mira.request('PUT', at(job), { as: 'cancelled' });
    const moved = { bay: 1, plannedStartMs: Date.now() + 24 * HOUR };
    expect((await mira.request('PUT', `/api/jobs/${job}/slot`, moved)).status).toBe(204);
    expect(await read(job)).not.toHaveProperty('calledOff');
    await mira.request('PUT', at(job), { as: 'cancelled' });
    // Counting is no work on the vehicle; the first act of the line is.
    const { kits } = await body<JobDocument>(mira.request('GET', `/api/jobs/${job}`));
    const [item] = kits[0]?.document.items ?? [];
    expect(await one(mira, job, { type: 'countLine', item: item?.id ?? '', found: 1, damaged: 0 })).toBe('accepted');
    expect(await read(job)).toHaveProperty('calledOff');
    const { plan, state } = replay(await body<JobDocument>(mira.request('GET', `/api/jobs/${job}`)));
    const act = nextOnLine(plan, state, 'u-vane', Date.now())?.act;
    if (!act) throw new Error('nothing is next');
    const answers = rightAnswers(plan, state, act);
    expect(await one(mira, job, { type: 'doAct', act: act.id, answers })).toBe('accepted');
    expect(await read(job)).not.toHaveProperty('calledOff');
    expect(await code(mira.request('PUT', at(job), { as: 'noShow' }))).toBe('workBegun');
  });
  it('is refused without a reason that is one, for a job that is not there, and to an apprentice', async () => {
    const job = await openVisit(['track-bar-brace']);
    expect(await code(mira.request('PUT', at(job), { as: 'rained' }))).toBe('badRequest');
    expect(await code(mira.request('PUT', at(randomUUID()), { as: 'noShow' }))).toBe('unknownJob');
    expect(await code(mira.request('DELETE', at(randomUUID())))).toBe('unknownJob');
  });
});

describe('a visit of several kits', () => {
  it('is opened, settled by a lead, and read back as a file that says the same', async () => {
    const job = await openVisit(['rear-air-springs', 'track-bar-brace']);
    const settle: DeviceCommand = {
      type: 'settleConflict',
      conflict: CONFLICT,
      choice: 'track-bar-brace',
      reason: 'longer',
    };
    expect(await one(mira, job, settle)).toBe('notPermitted');
    expect(await one(rafe, job, settle)).toBe('accepted');
    const file = await body<unknown>(mira.request('GET', `/api/jobs/${job}/record.json`));
    const record = RecordFileSchema.parse(file);
    expect(record.kits.map(({ prefix }) => prefix)).toEqual(['', 'track-bar-brace/']);
    expect(record.openedWith).toEqual(['', 'track-bar-brace/']);
    expect(record.events[0]?.event).toMatchObject({ type: 'conflictSettled', conflict: CONFLICT });
  });
  it('refuses a figure that is not what its words say', async () => {
    const job = await openVisit(['rear-air-springs']);
    const figure = { spec: { kind: 'torque' as const, targetNm: 20 }, printed: '95 N·m' };
    const command = { type: 'giveFigure', target: 'dbolt', source: 'vehicleMaker', note: 'p. 31', figure };
    expect(await one(mira, job, command as DeviceCommand)).toBe('commandUnreadable');
    expect(
      await one(mira, job, {
        ...command,
        figure: { ...figure, spec: { kind: 'torque', targetNm: 95 } },
      } as DeviceCommand),
    ).toBe('accepted');
  });
  it('takes the same kit twice, once for each side, and seals it so', async () => {
    const opened = await mira.request('POST', '/api/jobs', {
      vehicle: 'v-gorse',
      kits: [LEFT, { ...LEFT, side: 'right' }],
      answers: {},
      bay: 2,
      plannedStartMs: Date.now(),
    });
    expect(opened.status).toBe(201);
    const { id } = (await opened.json()) as { id: string };
    const { kits, integrity } = await mira.job(id);
    expect(kits.map(({ prefix, side, document }) => [prefix, side, document.title])).toEqual([
      ['', 'left', 'Rear air springs, left'],
      ['rear-air-springs@right/', 'right', 'Rear air springs, right'],
    ]);
    expect(integrity).toMatchObject({ breaks: [], sealed: true });
    const record = (await (await mira.request('GET', `/api/jobs/${id}/record.json`)).json()) as RecordFile;
    // To the letter as it is stored, with its side beside it.
    expect(record.kits.map(({ document, side }) => [document.id, side])).toEqual([
      ['rear-air-springs', 'left'],
      ['rear-air-springs', 'right'],
    ]);
  });
  it.each([
    [{ kits: ['rear-air-springs', 'rear-air-springs'] }, 'kitTwice'],
    [{ kits: [LEFT, LEFT] }, 'kitTwice'],
    [{ kits: [LEFT, 'rear-air-springs'] }, 'kitTwice'],
    [{ kits: ['rear-air-springs', 'nope'] }, 'unknownKit'],
    [{ kits: [] }, 'badRequest'],
    [{ vehicle: 'v-merle', kits: ['rock-sliders'] }, 'kitDoesNotFit'],
  ])('%j is %s', async (over, expected) =>
    expect(
      await code(
        mira.request('POST', '/api/jobs', {
          vehicle: 'v-gorse',
          answers: {},
          bay: 2,
          plannedStartMs: Date.now(),
          ...over,
        }),
      ),
    ).toBe(expected),
  );
  it('takes a kit in under way, and lets it go again', async () => {
    const job = await openVisit(['rear-air-springs']);
    const added = await body<CommandBatchAnswer>(
      mira.request('POST', `/api/jobs/${job}/kits`, { id: randomUUID(), kit: 'track-bar-brace', answers: {} }),
    );
    expect(added.results[0]).toMatchObject({ ok: true });
    expect((await mira.job(job)).kits.map(({ prefix }) => prefix)).toEqual(['', 'track-bar-brace/']);
    const twice = await body<CommandBatchAnswer>(
      mira.request('POST', `/api/jobs/${job}/kits`, { id: randomUUID(), kit: 'track-bar-brace', answers: {} }),
    );
    expect(twice.results[0]).toMatchObject({ ok: false, refusal: { code: 'kitAlreadyIn' } });
    expect(await one(mira, job, { type: 'dropKit', prefix: 'track-bar-brace/', reason: 'plate missing' })).toBe(
      'accepted',
    );
    // A kit that comes again is another entry in the record.
    const again = await body<CommandBatchAnswer>(
      mira.request('POST', `/api/jobs/${job}/kits`, { id: randomUUID(), kit: 'track-bar-brace', answers: {} }),
    );
    expect(again.results[0]).toMatchObject({ ok: true });
    expect(again.events[0]?.event).toMatchObject({ type: 'kitAdded', prefix: 'track-bar-brace.2/' });
    expect(
      await code(mira.request('POST', `/api/jobs/${job}/kits`, { id: randomUUID(), kit: 'nope', answers: {} })),
    ).toBe('unknownKit');
  });
  it('prints a card and a label', async () => {
    const job = await openVisit(['rear-air-springs', 'track-bar-brace']);
    for (const file of ['card.pdf', 'label.pdf']) {
      const pdf = Buffer.from(await (await mira.request('GET', `/api/jobs/${job}/${file}`)).arrayBuffer());
      expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
      expect(pdf.length).toBeGreaterThan(5000);
    }
  });
  it('keeps a photo of a measurement, and takes nothing else for one', async () => {
    const job = await openVisit(['rear-air-springs']);
    const png = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    );
    const send = (type: string, data: Buffer) =>
      fetch(`${server.url}/api/jobs/${job}/photos`, {
        method: 'POST',
        headers: { 'Content-Type': type, origin: server.url, cookie: mira.cookie },
        body: new Uint8Array(data),
      });
    expect((await send('text/html', png)).status).toBe(422);
    expect((await send('image/png', Buffer.alloc(0))).status).toBe(422);
    const { id } = (await (await send('image/png', png)).json()) as { id: string };
    const back = await mira.request('GET', `/api/jobs/${job}/photos/${id}`);
    expect(back.headers.get('content-type')).toBe('image/png');
    expect(Buffer.from(await back.arrayBuffer())).toEqual(png);
  });
  it('tells of a kit revision withdrawn while it is open, and opens no more with it', async () => {
    const job = await openVisit(['rock-sliders']);
    const path = '/api/kit-library/rock-sliders/revisions/1/withdraw';
    expect(await code(mira.request('POST', path, { because: 'wrong bolt' }))).toBe('notPermitted');
    expect((await rafe.request('POST', path, { because: ' ' })).status).toBe(422);
    expect((await rafe.request('POST', path, { because: 'wrong bolt' })).status).toBe(200);
    expect((await mira.job(job)).kits[0]?.withdrawn).toMatchObject({ because: 'wrong bolt' });
    expect(
      await code(
        mira.request('POST', '/api/jobs', {
          vehicle: 'v-gorse',
          kits: ['rock-sliders'],
          answers: {},
          bay: 2,
          plannedStartMs: Date.now(),
        }),
      ),
    ).toBe('unknownKit');
    // The job goes on.
    expect(await one(mira, job, { type: 'addDebt', name: 'tray', kind: 'removed', count: 1, end: 'refit' })).toBe(
      'accepted',
    );
  });
  it('answered by two at once: the second is told, and nothing is lost', async () => {
    const job = await openVisit(['rear-air-springs']);
    const change = (value: boolean): DeviceCommand => ({
      type: 'changeAnswer',
      question: 'raised',
      value,
      seen: false,
    });
    const tam = await fitter(server, 'u-tamsin', '3690');
    expect(await one(mira, job, { ...change(false), seen: null } as DeviceCommand)).toBe('accepted');
    const [first, second] = await Promise.all([one(mira, job, change(true)), one(tam, job, change(true))]);
    expect([first, second]).toEqual(['accepted', 'accepted']);
    expect(await one(tam, job, { ...change(false) })).toBe('answeredMeanwhile');
  });
});

describe('vehicles', () => {
  const gorse = () => body<VehicleHistory>(mira.request('GET', '/api/vehicles/v-gorse'));

  it('have a history of visits with their joints', async () => {
    const { vehicle, visits } = await gorse();
    expect(vehicle.plate).toBe('14-231');
    const demo = visits.find(({ kits }) => kits.length === 3);
    // Twelve wheel nuts among them.
    expect(demo?.joints.length).toBe(28);
    expect(demo?.joints[0]?.spot?.along).toBeGreaterThan(0.5);
  });
  it('are saved over the version that was read, and no other', async () => {
    const { vehicle, version } = await gorse();
    const save = (changed: Partial<Vehicle>, from = version) =>
      mira.request('PUT', '/api/vehicles/v-gorse', { vehicle: { ...vehicle, ...changed }, version: from });
    expect(await code(save({ modelYear: 1802 }))).toBe('vehicleFaulty');
    // A wrong check digit is kept: the plate decides.
    const saved = await body<StoredVehicle>(save({ vin: '111111112L1111111' }));
    expect(saved).toMatchObject({ version: version + 1, vehicle: { vin: '111111112L1111111' } });
    expect(await code(save({ plate: 'X' }))).toBe('vehicleChanged');
  });
  it('may be entered anew, but not by an apprentice and not without a name', async () => {
    const input = { id: 'new', make: 'Sarn', model: 'Merle 2.0', plate: 'HL 2', owner: 'Harrow Lane Fitting Shop' };
    const made = await body<StoredVehicle>(mira.request('POST', '/api/vehicles', input));
    expect(made.vehicle.id).not.toBe('new');
    expect(await code(mira.request('POST', '/api/vehicles', { ...input, make: ' ' }))).toBe('vehicleFaulty');
    const hob = await fitter(server, 'u-hob', '1122');
    expect(await code(hob.request('POST', '/api/vehicles', input))).toBe('notPermitted');
    expect(await code(mira.request('GET', '/api/vehicles/nope'))).toBe('unknownVehicle');
  });
  it('carry what a finished job put on, and the odometer of its visit', async () => {
    const before = (await body<VehicleHistory>(mira.request('GET', '/api/vehicles/v-carrick'))).vehicle;
    const opened = await body<{ id: string }>(
      mira.request('POST', '/api/jobs', {
        vehicle: 'v-carrick',
        kits: ['transfer-case-guard'],
        answers: {},
        bay: 2,
        plannedStartMs: Date.now(),
        odometerKm: (before.odometerKm ?? 0) + 40,
      }),
    );
    // The same hands that work the demo work it here, and what they gave is sent.
    const { kits, vehicle, openedWith, answers, shop, wrenches } = await mira.job(opened.id);
    const log = openLog({ kits, vehicle, openedWith, answers, shop });
    if (!log.ok) throw new Error(log.error.code);
    const commands: DeviceCommand[] = [];
    class Recorder extends CarefulFitter {
      override give(command: DeviceCommand): void {
        super.give(command);
        commands.push(command);
      }
    }
    const hands = new Recorder(log.value, wrenches, { id: 'u-vane', name: 'Mira Vane', role: 'fitter' }, Date.now());
    hands.checkIn();
    hands.startAll();
    hands.finishTorque();
    hands.closeOut();
    const { results } = await mira.send(opened.id, ...commands.map((command) => mira.input(command)));
    expect(results.every(({ ok }) => ok)).toBe(true);
    const after = (await body<VehicleHistory>(mira.request('GET', '/api/vehicles/v-carrick'))).vehicle;
    expect(after.odometerKm).toBe((before.odometerKm ?? 0) + 40);
    expect(after.fitted?.map(({ word }) => word)).toContain('Transfer-case guard');
    expect(before.fitted?.map(({ word }) => word)).not.toContain('Transfer-case guard');
  });
});
