import { request as httpRequest } from 'node:http';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { lintKit } from '#core/kit/lint/lint.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { type Device, fitter, guardToClosed, openGuard, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
let mira: Device;
let lead: Device;
beforeAll(async () => {
  server = await startTestServer();
  mira = await fitter(server);
  lead = await fitter(server, 'u-orrin', '1357');
});
afterAll(() => server.stop());

const json = async (response: Response) => ({ status: response.status, ...((await response.json()) as object) });
const guard = (over: object): KitDocument => ({ ...structuredClone(TRANSFER_CASE_GUARD), ...over }) as KitDocument;

describe('a kit file', () => {
  const post = async (device: Device, kit: object, waive = '') =>
    json(await device.request('POST', `/api/kits${waive ? `?waive=${encodeURIComponent(waive)}` : ''}`, kit));
  it('with errors is not put into use by anybody', async () => {
    const kit = guard({ id: 'strong' });
    for (const station of kit.stations)
      station.specs = [{ spec: { kind: 'torque', targetNm: 900 }, printed: '900 N·m' }];
    for (const device of [mira, lead])
      expect(await post(device, kit, 'because')).toMatchObject({ status: 422, code: 'kitNotReleasable' });
    expect((await mira.request('GET', '/api/kits/strong')).status).toBe(404);
  });
  it('with warnings needs a lead’s reason, as a draft does, and keeps it', async () => {
    const kit = guard({ id: 'doubtful' });
    // No order is printed any more.
    kit.groups = kit.groups.map((group) => ({ ...group, torqueOrder: undefined }));
    expect(lintKit(kit).map(({ severity }) => severity)).toEqual(['warning']);
    expect(await post(mira, kit)).toMatchObject({ code: 'kitNotReleasable' });
    expect(await post(mira, kit, 'the maker says so')).toMatchObject({ code: 'waiverNeedsLead' });
    expect((await post(lead, kit, 'the maker says so')).status).toBe(201);
    const [row] = await server.source.query("SELECT waivers FROM kit WHERE id = 'doubtful'");
    expect(JSON.stringify(row.waivers)).toContain('the maker says so');
  });
  it('has only so many revisions', async () => {
    await server.source.query(
      `INSERT INTO kit (shop_id, id, revision, document, added_at_ms)
        SELECT shop_id, 'many', seq, JSON_SET(document, '$.id', 'many', '$.revision', seq), 1 FROM kit, seq_1_to_500
        WHERE id = 'transfer-case-guard'`,
    );
    expect(await post(mira, guard({ id: 'many', revision: 501 }))).toMatchObject({ code: 'tooManyRevisions' });
    await server.source.query("DELETE FROM kit WHERE id = 'many'");
  });
});

describe('a document made to hold the server up', () => {
  /**
   * The longest that everything else waited while something was asked, less what a machine that others use may take: a
   * second, or a third of the time the asking took, whichever is more. Worked out in the server itself, nearly all of it
   * would be waited. Figures are in bench/.
   */
  async function heldUpMs(work: () => Promise<unknown>): Promise<number> {
    const beganMs = performance.now();
    let longest = 0;
    let running = true;
    const watch = (async () => {
      while (running) {
        const startedMs = performance.now();
        await new Promise((settle) => setTimeout(settle, 5));
        longest = Math.max(longest, performance.now() - startedMs);
      }
    })();
    await work();
    running = false;
    await watch;
    return longest - Math.max(1000, (performance.now() - beganMs) / 3);
  }
  const deep = (levels: number): object => (levels === 0 ? { question: 'q', is: true } : { not: deep(levels - 1) });
  const wide = { any: Array.from({ length: 60_000 }, (_, at) => ({ question: 'q', is: at })) };
  const station = TRANSFER_CASE_GUARD.stations[0];
  it.each<[string, object, RegExp]>([
    ['28 deep', { fits: [{ text: 'x', when: deep(28) }] }, /8 deep/],
    ['5000 deep', { fits: [{ text: 'x', when: 'DEEP' }] }, /8 deep/],
    ['60 000 branches', { fits: [{ text: 'x', when: wide }] }, /200 parts/],
    [
      '2 500 stations',
      { stations: Array.from({ length: 2500 }, (_, at) => ({ ...station, id: `s${at}`, label: `${at}` })) },
      /at most 1000/,
    ],
  ])('%s: refused in time, as a file and as a draft', async (_, over, words) => {
    const kit = guard({ id: 'heavy', ...over });
    const text = JSON.stringify(kit).replace(
      '"DEEP"',
      `${'{"not":'.repeat(5000)}{"question":"q","is":true}${'}'.repeat(5000)}`,
    );
    // The server runs in this process: what holds it up holds this up.
    const heldUp = await heldUpMs(async () => {
      expect(JSON.stringify(await json(await mira.request('POST', '/api/kits', text)))).toMatch(words);
      const draft = await mira.request('POST', '/api/kit-library/drafts', `{"document":${text}}`);
      expect(JSON.stringify(await json(draft))).toMatch(words);
    });
    expect(heldUp).toBeLessThan(0);
  });
  it('thousands of wrong entries are all named, beside the server and not in it', async () => {
    const wrong = (count: number) => Array.from({ length: count }, () => ({ wrong: 1 }));
    const kit = guard({ id: 'junk', stations: wrong(1000), items: wrong(2000), steps: wrong(2000) });
    const heldUp = await heldUpMs(async () => {
      const answer = await mira.request('POST', '/api/kit-library/drafts', { document: kit });
      const { status, faults } = (await json(answer)) as { status: number; faults?: Array<{ path: string }> };
      expect(status).toBe(422);
      expect(faults?.length).toBeGreaterThan(5000);
      expect(faults?.[0]?.path).toMatch(/^json\.document\./);
    });
    expect(heldUp).toBeLessThan(0);
  });
  it('a long kit that may be is looked through beside the server, not in it', async () => {
    const many = 900;
    const stations = Array.from({ length: many }, (_, at) => ({ ...station, id: `s${at}`, label: `${at}` }));
    const [group] = TRANSFER_CASE_GUARD.groups;
    const kit = guard({
      id: 'long',
      stations,
      groups: [
        {
          ...group,
          stations: stations.map(({ id }) => id),
          torqueOrder: { pattern: 'asListed' },
          startOrder: undefined,
          snugOrder: undefined,
        },
      ],
      items: TRANSFER_CASE_GUARD.items.map((item) => ({ ...item, quantity: 2000 })),
      cautions: [],
      steps: [],
    });
    const heldUp = await heldUpMs(async () => {
      const answer = await json(await lead.request('POST', '/api/kits?waive=measured', kit));
      expect([201, 422]).toContain(answer.status);
    });
    expect(heldUp).toBeLessThan(0);
  });
  it.each([
    ['a date beyond all dates', { plannedStartMs: 9e15 }],
    ['a date before all shops', { plannedStartMs: 5 }],
    ['half a character', { vehicle: 'v-\ud83d' }],
  ])('%s is refused with its place', async (_, over) => {
    const sound = {
      vehicle: 'v-carrick',
      kits: ['transfer-case-guard'],
      answers: {},
      bay: 3,
      plannedStartMs: Date.now(),
    };
    const answer = await json(await mira.request('POST', '/api/jobs', { ...sound, ...over }));
    expect(answer).toMatchObject({
      status: 422,
      code: 'badRequest',
      faults: [{ path: expect.stringMatching(/^json\./) }],
    });
  });
  it('lists between instants that are none are refused', async () => {
    expect((await mira.request('GET', '/api/jobs?from=0&to=9e15')).status).toBe(422);
  });
});

describe('a kit for a visit under way', () => {
  const add = (job: string, answers: object = {}) =>
    mira.request('POST', `/api/jobs/${job}/kits`, {
      id: crypto.randomUUID(),
      kit: 'rear-anti-roll-bar',
      answers,
    });
  const pins = async (job: string) => {
    const [row] = await server.source.query('SELECT kits FROM job WHERE id = ?', [job]);
    return JSON.parse(typeof row.kits === 'string' ? row.kits : JSON.stringify(row.kits)).length;
  };
  it('that is refused pins nothing', async () => {
    const job = await openGuard(mira);
    // Its own question is not answered.
    const answer = await json(await add(job));
    expect(JSON.stringify(answer)).toContain('questionsOpen');
    expect(await pins(job)).toBe(1);
    expect((await mira.job(job)).kits).toHaveLength(1);
  });
  it('a closed job takes none, and no photo', async () => {
    const job = await openGuard(mira);
    const { results } = await mira.send(job, ...guardToClosed.map((command) => mira.input(command)));
    expect(results.filter(({ ok }) => !ok)).toEqual([]);
    expect(JSON.stringify(await json(await add(job, { bush: 'rubber' })))).toContain('jobClosed');
    expect(await pins(job)).toBe(1);
    const photo = await mira.request('POST', `/api/jobs/${job}/photos`, JPEG, { 'Content-Type': 'image/jpeg' });
    expect(await json(photo)).toMatchObject({ status: 409, code: 'jobClosed' });
    expect(await server.source.query('SELECT id FROM photo WHERE job_id = ?', [job])).toEqual([]);
  });
});

const JPEG = Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(64)]);

describe('a photo', () => {
  const post = (job: string, bytes: Buffer, type: string) =>
    mira.request('POST', `/api/jobs/${job}/photos`, bytes, { 'Content-Type': type });
  it('is one by its content, whatever it says it is, and is served as a picture and nothing else', async () => {
    const job = await openGuard(mira);
    const page = Buffer.from('<html><script>alert(1)</script></html>');
    for (const type of ['image/jpeg', 'text/html', 'image/svg+xml'])
      expect((await post(job, page, type)).status).toBe(422);
    expect((await post(job, JPEG, 'image/png')).status).toBe(422);
    const { id } = (await (await post(job, JPEG, 'image/jpeg')).json()) as { id: string };
    const shown = await mira.request('GET', `/api/jobs/${job}/photos/${id}`);
    expect(shown.headers.get('content-type')).toBe('image/jpeg');
    expect(shown.headers.get('x-content-type-options')).toBe('nosniff');
    expect(shown.headers.get('content-disposition')).toBe('inline');
    expect((await mira.job(job)).events.at(-1)?.event).toMatchObject({
      type: 'photoKept',
      photo: id,
      bytes: JPEG.length,
    });
  });
  it('there are only so many of a job', async () => {
    const job = await openGuard(mira);
    await server.source.query(
      "INSERT INTO photo (id, job_id, type, bytes, sha256, taken_by, taken_at_ms) SELECT UUID(), ?, 'image/jpeg', 'x', SHA2('x', 256), 'u-vane', 1 FROM seq_1_to_200",
      [job],
    );
    expect(await json(await post(job, JPEG, 'image/jpeg'))).toMatchObject({ status: 409, code: 'tooManyPhotos' });
  });
});

describe('who is answered', () => {
  /** A request with headers that `fetch` would not let through. */
  const raw = (headers: Record<string, string>, path = '/api/session/options', method = 'GET') =>
    new Promise<number>((settle, reject) => {
      const { hostname, port } = new URL(server.url);
      const sent = httpRequest({ hostname, port, path, method, headers }, (response) => {
        response.resume();
        settle(response.statusCode ?? 0);
      });
      sent.on('error', reject);
      sent.end();
    });
  it('a name that somebody pointed here is not', async () => {
    expect(await raw({ host: 'shop.attacker.example' })).toBe(421);
    expect(await raw({ host: 'localhost:1' })).toBe(200);
    expect(await raw({ host: '127.0.0.1' })).toBe(200);
    expect(await raw({ host: '[::1]:4600' })).toBe(200);
  });
  it('nor is a page of another site, of a file, or of nowhere', async () => {
    const { cookie } = mira;
    for (const origin of ['null', 'http://elsewhere.example', 'file://', 'not a url'])
      expect(await raw({ cookie, origin }, '/api/session', 'DELETE')).toBe(403);
    expect((await mira.request('GET', '/api/session')).status).toBe(200);
  });
  it('a stream ends with the session it was opened in', async () => {
    const other = await fitter(server, 'u-tamsin', '3690');
    const job = await openGuard(other);
    const stream = await fetch(`${server.url}/api/jobs/${job}/events?from=0`, { headers: { cookie: other.cookie } });
    expect(stream.status).toBe(200);
    const ended = stream.text();
    await other.request('DELETE', '/api/session');
    await ended;
    expect((await other.request('GET', `/api/jobs/${job}/events?from=0`)).status).toBe(401);
  });
  it('a recheck is settled for the shop’s own wrench, job and station, with a PIN', async () => {
    const settle = async (over: object) =>
      json(
        await mira.request('POST', '/api/crib/rechecks', {
          wrench: 'w-1',
          job: '8f14e45f-ceea-467f-a3b8-0d1c7a0b5e11',
          station: 'g1',
          how: 'pulled again',
          secret: '2468',
          ...over,
        }),
      );
    expect(await settle({ secret: '0000' })).toMatchObject({ code: 'wrongSecret' });
    expect(await settle({ wrench: 'w-ghost' })).toMatchObject({ code: 'unknownWrench' });
    expect(await settle({})).toMatchObject({ code: 'unknownJob' });
    const job = await openGuard(mira);
    expect(await settle({ job, station: 'ghost' })).toMatchObject({ code: 'unknownJob' });
  });
});

describe('a disk that is full', () => {
  it('refuses what cannot be stored, in a sentence, and takes the same once there is room', async () => {
    const job = await openGuard(mira);
    const commands = [mira.input({ type: 'countLine', item: 'm1', found: 6, damaged: 0 })];
    const send = () => mira.request('POST', `/api/jobs/${job}/commands`, { commands });
    // What the database itself answers then: its error 1021.
    await server.source.query(
      "CREATE TRIGGER full_disk BEFORE INSERT ON job_event FOR EACH ROW SIGNAL SQLSTATE 'HY000' SET MYSQL_ERRNO = 1021",
    );
    try {
      expect(await json(await send())).toMatchObject({ status: 507, code: 'storeFull' });
    } finally {
      await server.source.query('DROP TRIGGER full_disk');
    }
    expect(await json(await send())).toMatchObject({ status: 200, seq: 1, results: [{ ok: true, repeated: false }] });
    expect((await mira.job(job)).integrity.breaks).toEqual([]);
  });
});

describe('a job that cannot be worked out any more', () => {
  it('never takes its vehicle’s page with it', async () => {
    const kit = guard({ id: 'to-break' });
    expect((await lead.request('POST', '/api/kits?waive=test', kit)).status).toBe(201);
    const opened = await mira.request('POST', '/api/jobs', {
      vehicle: 'v-carrick',
      kits: ['to-break'],
      answers: {},
      bay: 1,
      plannedStartMs: Date.now(),
    });
    const { id } = (await opened.json()) as { id: string };
    await server.source.query(
      "UPDATE kit SET document = JSON_SET(document, '$.questions', JSON_ARRAY(JSON_OBJECT('id', 'new', 'text', 'New?', 'answers', JSON_ARRAY('a', 'b'), 'kind', 'choice'))) WHERE id = 'to-break'",
    );
    await server.source.query("UPDATE kit SET document = JSON_REMOVE(document, '$.groups') WHERE id = 'to-break'");
    const page = await mira.request('GET', '/api/vehicles/v-carrick');
    expect(page.status).toBe(200);
    const { visits } = (await page.json()) as { visits: Array<{ id: string; unreadable?: true }> };
    expect(visits.find((visit) => visit.id === id)).toMatchObject({ unreadable: true });
    expect(visits.some((visit) => !visit.unreadable)).toBe(true);
  });
});
