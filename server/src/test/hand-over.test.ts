import { execFileSync, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { fromBufferPromise } from 'yauzl';
import type { DueItem } from '#contract/due.ts';
import type { OwnerLink, OwnerPage } from '#contract/owner-page.ts';
import { rotateKey } from '../seal/shop-key.ts';
import { type Device, fitter, guardToClosed, openGuard, startTestServer, type TestServer } from './harness.ts';

/** The smallest PNG there is. */
const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR4nGNgYGBgAAAABQABh6FO1AAAAABJRU5ErkJggg==',
  'base64',
);
let server: TestServer;
let mira: Device;
let job: string;
const folder = mkdtempSync(join(tmpdir(), 'wm-pack-'));
beforeAll(async () => {
  server = await startTestServer();
  mira = await fitter(server);
  job = await openGuard(mira, { odometerKm: 120_400 });
  await mira.request('POST', `/api/jobs/${job}/photos`, PNG, { 'Content-Type': 'image/png' });
  await mira.send(job, ...guardToClosed.map((command) => mira.input(command)));
});
afterAll(async () => {
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
});

const make = async (days?: number): Promise<OwnerLink> =>
  (await (
    await mira.request('POST', `/api/hand-overs/${job}/links`, days === undefined ? {} : { days })
  ).json()) as OwnerLink;
const tokenOf = ({ url }: OwnerLink): string => url.split('#').at(-1) ?? '';
/** A stranger's phone: no cookie, no session. */
const asStranger = (token: string, path = '', init: RequestInit = {}) =>
  fetch(`${server.url}/api/owner-page${path}`, {
    ...init,
    headers: { authorization: `Bearer ${token}`, origin: server.url },
  });
const codeOf = async (response: Response) => ((await response.json()) as { code: string }).code;
const ofJob = async () =>
  ((await (await mira.request('GET', '/api/due')).json()) as DueItem[]).filter((item) => item.job === job);
const report = (token: string, fields: Record<string, string>, photo?: Buffer) => {
  const form = new FormData();
  for (const [name, value] of Object.entries(fields)) form.set(name, value);
  if (photo) form.set('photo', new Blob([new Uint8Array(photo)], { type: 'image/png' }), 'odometer.png');
  return asStranger(token, '/done', { method: 'POST', body: form });
};

describe('the owner’s page', () => {
  it('opens without signing in, and holds this job and nothing else of the shop', async () => {
    const link = await make();
    const answer = await asStranger(tokenOf(link));
    expect(answer.status).toBe(200);
    expect(answer.headers.get('cache-control')).toBe('no-store');
    expect(answer.headers.get('x-robots-tag')).toBe('noindex');
    const text = await answer.clone().text();
    const page = (await answer.json()) as OwnerPage;
    const { number, vehicle } = await mira.job(job);
    expect(page.sheet).toMatchObject({ number, plate: vehicle.plate });
    expect(page.sheet.groups.flatMap(({ joints }) => joints).every(({ tight }) => tight)).toBe(true);
    expect(page.due.length).toBeGreaterThan(0);
    // Of other vehicles, people's ids and devices there is nothing.
    const others: Array<{ card: { plate: string } }> = await server.source
      .query('SELECT card FROM vehicle WHERE card NOT LIKE ?', [`%${vehicle.plate}%`])
      .catch(() => []);
    for (const { card } of others) expect(text).not.toContain(card.plate);
    expect(text).not.toMatch(/u-vane|deviceId|signingKey/);
    expect((await asStranger(tokenOf(link), '/hand-over.pdf')).headers.get('content-type')).toBe('application/pdf');
  });
  it('is counted, and the shop sees how often', async () => {
    const link = await make();
    await asStranger(tokenOf(link));
    await asStranger(tokenOf(link));
    const links = (await (await mira.request('GET', `/api/hand-overs/${job}/links`)).json()) as OwnerLink[];
    expect(links.find(({ id }) => id === link.id)).toMatchObject({ opened: 2, madeBy: 'Mira Vane' });
  });
  it('no letter of the link may be another, and no other code of the server opens it', async () => {
    const token = tokenOf(await make());
    for (const at of [0, 10, token.indexOf('.') + 3]) {
      const turned = `${token.slice(0, at)}${token[at] === 'A' ? 'B' : 'A'}${token.slice(at + 1)}`;
      const answer = await asStranger(turned);
      expect([at, answer.status, await codeOf(answer)]).toEqual([at, 404, 'linkUnknown']);
    }
    for (const other of ['x', 'x.y', `${token.split('.')[0]}.`, 'e30.e30'])
      expect((await asStranger(other)).status).toBe(404);
    expect((await fetch(`${server.url}/api/owner-page`)).status).toBe(404);
  });
  it('taken back by the shop it opens nothing, not for anybody', async () => {
    const link = await make();
    expect((await mira.request('POST', `/api/hand-overs/${job}/links/${link.id}/revoke`, {})).status).toBe(204);
    for (const path of ['', '/hand-over.pdf']) {
      const answer = await asStranger(tokenOf(link), path);
      expect([answer.status, await codeOf(answer)]).toEqual([410, 'linkRevoked']);
    }
    expect((await report(tokenOf(link), { care: 'x', doneOn: '2026-11-28' })).status).toBe(410);
    // Once is enough.
    expect((await mira.request('POST', `/api/hand-overs/${job}/links/${link.id}/revoke`, {})).status).toBe(404);
  });
  it('past its day it opens nothing', async () => {
    const link = await make(1);
    await server.source.query('UPDATE owner_link SET expires_at_ms = ? WHERE id = ?', [Date.now() - 1, link.id]);
    expect(await codeOf(await asStranger(tokenOf(link)))).toBe('linkExpired');
  });
  it('an apprentice makes none, another shop’s job has none, and days have an end', async () => {
    const apprentice = await fitter(server, 'u-reed', '8642').catch(() => undefined);
    if (apprentice?.id) expect((await apprentice.request('POST', `/api/hand-overs/${job}/links`, {})).status).toBe(403);
    expect(
      (await mira.request('POST', `/api/hand-overs/${'0'.repeat(8)}-0000-4000-8000-000000000000/links`, {})).status,
    ).toBe(404);
    expect((await mira.request('POST', `/api/hand-overs/${job}/links`, { days: 0 })).status).toBe(422);
    expect((await mira.request('POST', `/api/hand-overs/${job}/links`, { days: 5000 })).status).toBe(422);
  });
});

describe('what an owner reports', () => {
  it('stands beside what is due with its photo, and settles nothing by itself', async () => {
    const link = await make();
    const care = (await ofJob())[0]?.care ?? '';
    expect(
      (await report(tokenOf(link), { care, doneOn: '2026-11-28', odometerKm: '120950', note: 'At the village' }, PNG))
        .status,
    ).toBe(204);
    const [item] = await ofJob();
    expect(item?.settled).toBeUndefined();
    expect(item?.expected).toBeDefined();
    expect(item?.reported).toMatchObject({ doneOn: '2026-11-28', odometerKm: 120_950, note: 'At the village' });
    const photo = await mira.request('GET', `/api/jobs/${job}/photos/${item?.reported?.photo}`);
    expect([photo.status, photo.headers.get('content-type')]).toEqual([200, 'image/png']);
    const page = (await (await asStranger(tokenOf(link))).json()) as OwnerPage;
    expect(page.due.find((entry) => entry.care === care)?.reported).toMatchObject({ doneOn: '2026-11-28' });
    // The shop's word is the last, and takes what was reported with it.
    await mira.request('POST', '/api/due/settled', { job, care, how: 'elsewhere', odometerKm: 120_950 });
    expect((await ofJob()).find((entry) => entry.care === care)).not.toHaveProperty('reported');
    await mira.request('POST', '/api/due/settled', { job, care, how: 'open' });
  });
  it('is refused where it is of nothing that is due, has no day, or brings no picture', async () => {
    const token = tokenOf(await make());
    const care = (await ofJob())[0]?.care ?? '';
    expect(await codeOf(await report(token, { care: 'no-such', doneOn: '2026-11-28' }))).toBe('unknownDue');
    expect((await report(token, { care, doneOn: 'yesterday' })).status).toBe(422);
    expect((await report(token, { care, doneOn: '2026-11-28', odometerKm: '-4' })).status).toBe(422);
    expect((await report(token, { care, doneOn: '2026-11-28' }, Buffer.from('<svg/>'))).status).toBe(422);
  });
  it('a stranger who asks again and again has to wait', async () => {
    const token = tokenOf(await make());
    const care = (await ofJob())[0]?.care ?? '';
    const answers: number[] = [];
    for (let at = 0; at < 8; at++) answers.push((await report(token, { care, doneOn: '2026-11-28' })).status);
    expect(answers).toContain(429);
  });
});

/** The files of a pack, unpacked into a folder of their own by a program that is not ours. */
async function unpacked(bytes: Buffer, name: string): Promise<string> {
  const to = join(folder, name);
  const zip = await fromBufferPromise(bytes, { lazyEntries: true, autoClose: false });
  for await (const entry of zip.eachEntry()) {
    const parts: Buffer[] = [];
    for await (const part of await zip.openReadStreamPromise(entry)) parts.push(part as Buffer);
    mkdirSync(dirname(join(to, entry.fileName)), { recursive: true });
    writeFileSync(join(to, entry.fileName), Buffer.concat(parts));
  }
  return to;
}
const pack = async (): Promise<Buffer> =>
  Buffer.from(await (await mira.request('GET', `/api/hand-overs/${job}/pack.zip`)).arrayBuffer());
const verify = (...words: string[]) => {
  const { status, stdout } = spawnSync(process.execPath, ['verify/verify.mjs', ...words], { encoding: 'utf8' });
  return { status, said: stdout };
};
const publicKey = async () =>
  ((await (await mira.request('GET', `/api/jobs/${job}/record`)).json()) as { publicKey: string }).publicKey;

describe('the pack, checked by the program of its own folder', () => {
  it('is whole as it was handed over: PDF, record and photo', async () => {
    const at = await unpacked(await pack(), 'whole');
    const { status, said } = verify(at, '--key', await publicKey());
    expect([status, said]).toEqual([0, expect.stringContaining(': whole')]);
    const files = execFileSync('find', ['.', '-type', 'f'], { cwd: at, encoding: 'utf8' });
    for (const name of ['hand-over.pdf', 'in-short.pdf', 'record.json', 'record.csv', 'manifest.json', 'photos/'])
      expect(files).toContain(name);
  });
  const edited = (
    text: string,
    edit: (record: { events: Array<{ seq: number; event: { torqueNm?: number } }> }) => void,
  ) => {
    const record = JSON.parse(text);
    edit(record);
    return JSON.stringify(record);
  };
  it.each<[string, (text: string) => string, RegExp]>([
    ['one byte', (text) => text.replace('"found": 8', '"found": 7'), /record\.json was altered[\s\S]*entry \d+/],
    ['a row cut out', (text) => edited(text, ({ events }) => void events.splice(3, 1)), /an entry there is missing/],
    [
      'two rows swapped',
      (text) => edited(text, ({ events }) => void events.splice(3, 2, events[4] as never, events[3] as never)),
      /entry 4/,
    ],
    ['its tail cut off', (text) => edited(text, ({ events }) => void events.splice(-2)), /an entry there is missing/],
    [
      'a torque edited',
      (text) =>
        edited(text, ({ events }) => {
          for (const { event } of events) if (event.torqueNm !== undefined) event.torqueNm += 1;
        }),
      /The record was altered: entry/,
    ],
  ])('%s of the record is named', async (_, alter, says) => {
    const bytes = await pack();
    const at = await unpacked(bytes, 'altered');
    const file = join(at, 'record.json');
    const text = execFileSync('cat', [file], { encoding: 'utf8', maxBuffer: 64e6 });
    const changed = alter(text);
    expect(changed).not.toBe(text);
    writeFileSync(file, changed);
    const { status, said } = verify(at, '--key', await publicKey());
    expect(status).toBe(1);
    expect(said).toMatch(says);
    rmSync(at, { recursive: true });
  });
  it('a file exchanged, one left out, one put in, and a manifest signed by somebody else are named', async () => {
    const at = await unpacked(await pack(), 'files');
    writeFileSync(join(at, 'hand-over.pdf'), 'another');
    rmSync(join(at, 'in-short.pdf'));
    writeFileSync(join(at, 'more.txt'), 'more');
    const { said } = verify(at, '--key', await publicKey());
    expect(said).toContain('hand-over.pdf was altered');
    expect(said).toContain('in-short.pdf is missing');
    expect(said).toContain('more.txt is not of this pack');
    expect(verify(at, '--key', 'AAAA').said).toContain('another key than the shop’s');
  });
  it('holds after the shop has changed its key, for whoever knows the old one', async () => {
    const old = await publicKey();
    await server.stop();
    const { from, to } = rotateKey(server.config.sealDir, Date.now());
    expect(from).toBe(old);
    server = await startTestServer(server.config, { seed: false });
    mira = mira.before(server);
    expect(await publicKey()).toBe(to);
    const at = await unpacked(await pack(), 'rotated');
    expect(verify(at, '--key', old).said).toContain(': whole');
    expect(verify(at, '--key', to).status).toBe(1);
    // What was closed before stays the shop's own.
    expect((await mira.job(job)).integrity).toMatchObject({ breaks: [] });
  });
});
