import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { parse } from 'csv-parse/sync';
import WebSocket from 'ws';
import type { JobCard, StoredEvent } from '#contract/job.ts';
import { RecordFileSchema } from '#contract/record.ts';
import { FRONT_RECOVERY_POINTS } from '#demo/kits.ts';
import { RECORD_COLUMNS } from '../report/record-csv.ts';
import { replay } from '../report/replay.ts';
import {
  Device,
  fitter,
  guardPulls,
  guardUpToTorque,
  openGuard,
  SigningDevice,
  startTestServer,
  type TestServer,
} from './harness.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.stop());

const code = async (response: Response) => ((await response.json()) as { code: string }).code;

describe('signing in', () => {
  it('shows who works here, and PINs in the demo only', async () => {
    const options = (await (await fetch(`${server.url}/api/session/options`)).json()) as {
      people: unknown[];
      demoPins: Record<string, string>;
    };
    expect(options.people).toHaveLength(5);
    expect(options.demoPins['u-vane']).toBe('2468');
  });
  it('needs a session for everything else', async () => {
    for (const path of ['/api/jobs?from=0&to=1', '/api/kits', '/api/vehicles', '/api/session']) {
      const response = await fetch(`${server.url}${path}`);
      expect(response.status).toBe(401);
      expect(response.headers.get('content-type')).toContain('application/problem+json');
    }
  });
  it('sets a cookie that scripts cannot read, and rotates it at the next sign-in', async () => {
    const device = new Device(server);
    const first = await device.signIn('u-vane', '2468');
    expect(first.status).toBe(201);
    expect(first.headers.get('set-cookie')).toMatch(/HttpOnly/);
    expect(first.headers.get('set-cookie')).toMatch(/SameSite=Lax/);
    const old = device.cookie;
    await device.signIn('u-orrin', '1357');
    expect(device.cookie).not.toBe(old);
    const replayed = await fetch(`${server.url}/api/session`, { headers: { cookie: old } });
    expect(replayed.status).toBe(401);
    expect(await (await device.request('GET', '/api/session')).json()).toMatchObject({
      person: { name: 'Rafe Orrin', role: 'lead' },
    });
  });
  it('makes a person wait after some wrong PINs, and says for how long', async () => {
    const device = new Device(server);
    for (let attempt = 0; attempt < 4; attempt++)
      expect(await code(await device.signIn('u-hob', '0000'))).toBe('wrongSecret');
    const locked = await device.signIn('u-hob', '1122');
    expect(locked.status).toBe(429);
    expect(Number(locked.headers.get('retry-after'))).toBeGreaterThan(0);
  });
  it('does not tell a wrong person from a wrong PIN', async () => {
    expect(await code(await new Device(server).signIn('nobody', '1234'))).toBe('wrongSecret');
  });
  it('signs out', async () => {
    const device = await fitter(server);
    expect((await device.request('DELETE', '/api/session')).status).toBe(204);
    expect((await device.request('GET', '/api/session')).status).toBe(401);
  });
});

describe('the edges', () => {
  it('refuses writes from another site, form posts and oversized bodies', async () => {
    const device = await fitter(server);
    expect(await code(await device.request('POST', '/api/jobs', {}, { origin: 'http://elsewhere.example' }))).toBe(
      'crossOrigin',
    );
    const form = await fetch(`${server.url}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'text/plain', origin: 'http://elsewhere.example' },
      body: 'x',
    });
    expect(form.status).toBe(403);
    // A connection of its own: the server answers before it has read such a body, and then closes.
    const huge = await new Promise<number | undefined>((settle, reject) => {
      const sent = request(
        `${server.url}/api/kits`,
        {
          method: 'POST',
          agent: false,
          headers: {
            cookie: device.cookie,
            origin: server.url,
            'content-type': 'application/json',
            'content-length': 3_000_000,
          },
        },
        (response) => settle(response.statusCode),
      );
      sent.on('error', reject);
      sent.write('x'.repeat(1000));
    });
    expect(huge).toBe(413);
  });
  it('answers bad input with the place and the reason', async () => {
    const device = await fitter(server);
    const response = await device.request('POST', '/api/jobs', {
      vehicle: 'v-merle',
      kits: ['x'],
      answers: {},
      bay: 'two',
      plannedStartMs: Date.now(),
    });
    expect(response.status).toBe(422);
    expect(await response.json()).toMatchObject({ code: 'badRequest', faults: [{ path: 'json.bay' }] });
    expect((await device.request('POST', '/api/jobs', '{')).status).toBe(422);
    expect((await device.request('GET', '/api/jobs/not-an-id')).status).toBe(422);
    expect(await code(await device.request('GET', '/api/nothing'))).toBe('notFound');
    expect(await code(await device.request('GET', '/api/jobs/8f14e45f-ceea-467f-a3b8-0d1c7a0b5e11'))).toBe(
      'unknownJob',
    );
  });
  it('sends no stack and sets the usual headers', async () => {
    const response = await fetch(`${server.url}/api/jobs`, { headers: { cookie: 'wrenchman_session=nonsense' } });
    expect(await response.text()).not.toMatch(/ at .*\.ts/);
    expect(response.headers.get('x-content-type-options')).toBe('nosniff');
    expect(response.headers.get('content-security-policy')).toContain("default-src 'self'");
    expect(response.headers.get('x-request-id')).toBeTruthy();
  });
  it('sends a short head with the pieces of a page, and the whole with what goes by a policy of its own', async () => {
    const at = async (path: string) => (await fetch(`${server.url}${path}`)).headers;
    const piece = await at('/assets/job-0a1b.js');
    expect(piece.get('x-content-type-options')).toBe('nosniff');
    expect(piece.get('cross-origin-resource-policy')).toBe('same-origin');
    expect(piece.get('content-security-policy')).toBeNull();
    for (const path of ['/', '/jobs/any/line', '/assets/plan.worker-0a1b.js'])
      expect((await at(path)).get('content-security-policy')).toContain("default-src 'self'");
  });
  it('is alive and ready', async () => {
    expect(await (await fetch(`${server.url}/healthz`)).json()).toEqual({ alive: true });
    expect(await (await fetch(`${server.url}/readyz`)).json()).toEqual({ ready: true });
  });
});

describe('kits', () => {
  it('imports a kit once, refuses a changed file under the same revision', async () => {
    const device = await fitter(server);
    const kit = { ...FRONT_RECOVERY_POINTS, id: 'copy-of-points' };
    const first = await device.request('POST', '/api/kits', JSON.stringify(kit));
    expect(first.status).toBe(201);
    expect(await (await device.request('POST', '/api/kits', JSON.stringify(kit))).json()).toMatchObject({
      added: false,
    });
    expect(await code(await device.request('POST', '/api/kits', JSON.stringify({ ...kit, title: 'Changed' })))).toBe(
      'kitRevisionExists',
    );
    expect(await (await device.request('GET', '/api/kits/copy-of-points')).json()).toEqual(kit);
  });
  it('names every fault of a malformed kit with its path', async () => {
    const device = await fitter(server);
    const kit = structuredClone(FRONT_RECOVERY_POINTS) as unknown as {
      stations: Array<{ specs: Array<Record<string, unknown>> }>;
      items: Array<{ quantity: unknown }>;
    };
    (kit.items[2] as { quantity: unknown }).quantity = 'five';
    ((kit.stations[0] as { specs: Array<Record<string, unknown>> }).specs[0] as Record<string, unknown>).spec = {
      kind: 'torque',
      targetNm: 9999,
    };
    const answer = (await (await device.request('POST', '/api/kits', JSON.stringify(kit))).json()) as {
      code: string;
      faults: Array<{ path: string }>;
    };
    expect(answer.code).toBe('kitFaulty');
    expect(answer.faults.map((fault) => fault.path)).toEqual([
      'items[2].quantity',
      'stations[0].specs[0].spec.targetNm',
    ]);
    expect(await (await device.request('POST', '/api/kits', '{ not json')).json()).toMatchObject({
      code: 'kitFaulty',
      faults: [{ path: '' }],
    });
  });
  it('is not for apprentices', async () => {
    await server.source.query("DELETE FROM secret_attempt WHERE user_id = 'u-hob'");
    const device = await fitter(server, 'u-hob', '1122');
    expect(await code(await device.request('POST', '/api/kits', '{}'))).toBe('notPermitted');
    expect(
      await code(
        await device.request('POST', '/api/jobs', {
          vehicle: 'v-carrick',
          kits: ['transfer-case-guard'],
          answers: {},
          bay: 1,
          plannedStartMs: Date.now(),
        }),
      ),
    ).toBe('notPermitted');
  });
});

describe('opening a job', () => {
  it.each([
    [{ vehicle: 'nope', kits: ['transfer-case-guard'] }, 'unknownVehicle'],
    [{ vehicle: 'v-carrick', kits: ['nope'] }, 'unknownKit'],
    [{ vehicle: 'v-merle', kits: ['transfer-case-guard'] }, 'kitDoesNotFit'],
    [{ vehicle: 'v-tussock', kits: ['front-recovery-points'] }, 'answersMissing'],
    [{ vehicle: 'v-carrick', kits: ['transfer-case-guard'], bay: 9 }, 'bayUnknown'],
    [{ vehicle: 'v-tussock', kits: ['front-recovery-points'], answers: { shield: 'maybe' } }, 'answerOutOfRange'],
  ])('%j: %s', async (over, expected) => {
    const device = await fitter(server);
    const response = await device.request('POST', '/api/jobs', {
      answers: {},
      bay: 1,
      plannedStartMs: Date.now(),
      ...over,
    });
    expect(await code(response)).toBe(expected);
  });
  it('gives numbers that do not collide when two open at once', async () => {
    const device = await fitter(server);
    const ids = await Promise.all([1, 2, 3, 4, 5].map(() => openGuard(device)));
    const numbers = await Promise.all(ids.map(async (id) => (await device.job(id)).number));
    expect(new Set(numbers).size).toBe(5);
  });
});

describe('commands', () => {
  it('records a job, keeps its list entry in step, and chains the events', async () => {
    const device = await fitter(server);
    const id = await openGuard(device);
    const answer = await device.send(id, ...guardUpToTorque.map((command) => device.input(command)));
    expect(answer.results.every((result) => result.ok)).toBe(true);
    expect(answer.seq).toBe(16);
    const cards = (await (await device.request('GET', `/api/jobs?from=0&to=${Date.now() + 1e9}`)).json()) as JobCard[];
    expect(cards.find((card) => card.id === id)?.progress).toMatchObject({ phase: 'torque' });
    const job = await device.job(id);
    expect(job.integrity).toEqual({ breaks: [], open: [], sealed: true });
  });
  it('a request sent twice changes nothing', async () => {
    const device = await fitter(server);
    const id = await openGuard(device);
    const input = device.input({ type: 'countLine', item: 'm1', found: 6, damaged: 0 });
    const [first, second] = await Promise.all([device.send(id, input), device.send(id, input)]);
    expect([first, second].map((answer) => (answer.results[0] as { repeated: boolean }).repeated).sort()).toEqual([
      false,
      true,
    ]);
    expect((await device.job(id)).events).toHaveLength(1);
  });
  it('answers a stale command with its refusal and keeps the rest of the batch', async () => {
    const device = await fitter(server);
    const id = await openGuard(device);
    await device.send(id, ...guardUpToTorque.map((command) => device.input(command)));
    const [g2, g5] = guardPulls as [never, never];
    const answer = await device.send(
      id,
      device.input(g5),
      device.input({ type: 'startByHand', station: 'gone' }),
      device.input(g2),
    );
    expect(answer.results).toMatchObject([
      { ok: false, refusal: { code: 'outOfOrder', next: 'g2' } },
      { ok: false, refusal: { code: 'unknownStation' } },
      { ok: true },
    ]);
  });
  it('judges by the wrenches of the shop', async () => {
    const device = await fitter(server);
    const id = await openGuard(device);
    await device.send(id, ...guardUpToTorque.map((command) => device.input(command)));
    const pull = (wrench: string, torqueNm = 10.2) =>
      device.input({ type: 'pull', station: 'g2', torqueNm, wrench, source: 'typed' });
    const answer = await device.send(id, pull('w-3'), pull('w-1', 9999), pull('w-1'));
    expect(answer.results).toMatchObject([
      { refusal: { code: 'wrenchOutOfRange' } },
      { refusal: { code: 'implausibleTorque' } },
      { ok: true },
    ]);
  });
  it('takes a queued command of somebody who was signed in on that tablet then, and of nobody else', async () => {
    const tablet = new SigningDevice(server);
    await tablet.signIn('u-vane', '2468');
    const id = await openGuard(tablet);
    const queued = await tablet.signed(id, { type: 'countLine', item: 'm1', found: 6, damaged: 0 });
    await tablet.signIn('u-tamsin', '3690');
    const own = await tablet.signed(id, { type: 'countLine', item: 'm2', found: 8, damaged: 0 });
    const forged = tablet.input({ type: 'countLine', item: 'm3', found: 6, damaged: 0 }, { by: 'u-vane' });
    const answer = await tablet.sendRaw(id, [queued, own, forged]);
    expect(answer.results).toMatchObject([
      { ok: true },
      { ok: true },
      { ok: false, refusal: { code: 'notSignedInThen' } },
    ]);
    expect(answer.events.map((stored) => stored.event.by.name)).toEqual(['Mira Vane', 'Tamsin Quell']);
  });
  it('takes nothing for later than it came in, however far ahead a device’s clock runs', async () => {
    const device = await fitter(server);
    const id = await openGuard(device);
    const ahead = Date.now() + 3_600_000;
    const input = device.input({ type: 'countLine', item: 'm1', found: 6, damaged: 0 }, { atMs: ahead });
    const { events } = await device.send(id, { ...input, clock: { deviceMs: ahead, offsetMs: 0 } });
    expect(events[0]?.event.atMs).toBeLessThanOrEqual(Date.now());
    expect(events[0]?.event.clock).toMatchObject({ deviceMs: ahead, receivedMs: events[0]?.event.atMs });
  });
  it('two fitters on two tablets side by side lose nothing', async () => {
    const [left, right] = [await fitter(server), await fitter(server, 'u-tamsin', '3690')];
    const id = await openGuard(left);
    await left.send(id, ...guardUpToTorque.slice(0, 4).map((command) => left.input(command)));
    const start = (device: Device, station: string) => device.send(id, device.input({ type: 'startByHand', station }));
    await Promise.all([
      start(left, 'g1'),
      start(right, 'g2'),
      start(left, 'g3'),
      start(right, 'g4'),
      start(left, 'g5'),
      start(right, 'g6'),
    ]);
    const job = await left.job(id);
    expect(job.events.map((stored) => stored.seq)).toEqual([...Array(10).keys()].map((index) => index + 1));
    expect(job.integrity).toEqual({ breaks: [], open: [], sealed: true });
  });
  it('keeps other shops out', async () => {
    await server.source.query("INSERT INTO shop (id, name, bays) VALUES ('other', 'Other Shop', 1)");
    await server.source.query("UPDATE user SET shop_id = 'other' WHERE id = 'u-ismay'");
    const mine = await fitter(server);
    const id = await openGuard(mine);
    const stranger = await fitter(server, 'u-ismay', '7788');
    for (const path of ['', '/record', '/record.pdf', '/record.csv', '/record.json', '/events']) {
      expect((await stranger.request('GET', `/api/jobs/${id}${path}`)).status).toBe(404);
    }
    const response = await stranger.request('POST', `/api/jobs/${id}/commands`, {
      commands: [stranger.input({ type: 'undo' })],
    });
    expect(await code(response)).toBe('unknownJob');
    expect(await (await stranger.request('GET', '/api/kits')).json()).toEqual([]);
    await server.source.query("UPDATE user SET shop_id = 'harrow-lane' WHERE id = 'u-ismay'");
    await server.source.query("DELETE FROM device WHERE shop_id = 'other'");
    await server.source.query("DELETE FROM shop WHERE id = 'other'");
  });
});

describe('the event stream', () => {
  /** Reads events from the stream until `count` have come. */
  async function listen(
    device: Device,
    id: string,
    from: number,
    count: number,
    meanwhile: () => Promise<unknown>,
  ): Promise<StoredEvent[]> {
    const abort = new AbortController();
    const response = await fetch(`${server.url}/api/jobs/${id}/events?from=${from}`, {
      headers: { cookie: device.cookie },
      signal: abort.signal,
    });
    const seen: StoredEvent[] = [];
    const work = meanwhile();
    let text = '';
    for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
      text += new TextDecoder().decode(chunk);
      const parts = text.split('\n\n');
      text = parts.pop() ?? '';
      for (const part of parts) {
        const data = /^data: (\{.*)$/m.exec(part)?.[1];
        if (data) seen.push(JSON.parse(data) as StoredEvent);
      }
      if (seen.length >= count) break;
    }
    abort.abort();
    await work;
    return seen;
  }
  it('gives what was, then what comes, from any number on and without gaps', async () => {
    const device = await fitter(server);
    const id = await openGuard(device);
    await device.send(id, ...guardUpToTorque.slice(0, 4).map((command) => device.input(command)));
    const seen = await listen(device, id, 2, 8, async () => {
      for (const command of guardUpToTorque.slice(4, 10)) await device.send(id, device.input(command));
    });
    expect(seen.map((stored) => stored.seq)).toEqual([3, 4, 5, 6, 7, 8, 9, 10]);
  });
});

describe('the record', () => {
  const finish = async (device: Device, id: string) => {
    const all = [
      ...guardUpToTorque,
      ...guardPulls,
      ...guardPulls,
      { type: 'declareSpare', item: 'm2', quantity: 2 } as const,
      { type: 'close', signature: 'Mira Vane' } as const,
    ];
    return device.send(id, ...all.map((command) => device.input(command)));
  };
  it('comes as JSON that works out to the same state, as CSV a reader can read, as PDF that says what was done', async () => {
    const device = await fitter(server);
    const id = await openGuard(device);
    const answer = await finish(device, id);
    expect(answer.results.filter((result) => !result.ok)).toEqual([]);

    const json = RecordFileSchema.parse(await (await device.request('GET', `/api/jobs/${id}/record.json`)).json());
    expect(replay(json as never).state.closed?.signature).toBe('Mira Vane');

    const csv = await (await device.request('GET', `/api/jobs/${id}/record.csv`)).text();
    const all = parse(csv, { bom: true, columns: true }) as Array<Record<string, string>>;
    const rows = all.filter(({ kind }) => kind === 'pull');
    expect(rows).toHaveLength(12);
    expect(Object.keys(rows[0] ?? {})).toEqual([...RECORD_COLUMNS]);
    expect(rows[0]).toMatchObject({ printed: '80–100 lbf·in', torque_nm: '10.2', fitter: 'Mira Vane', stands: 'yes' });

    const pdf = Buffer.from(await (await device.request('GET', `/api/jobs/${id}/record.pdf`)).arrayBuffer());
    const file = join(mkdtempSync(join(tmpdir(), 'wm-')), 'record.pdf');
    writeFileSync(file, pdf);
    const text = execFileSync('pdftotext', ['-layout', file, '-']).toString().normalize('NFKC');
    for (const wanted of [
      'TORQUE RECORD',
      'Harrow Lane Fitting Shop',
      '80–100 lbf·in',
      'Mira Vane',
      'W-1',
      'an aid, not an approval',
      'CLOSED',
    ])
      expect(text).toContain(wanted);
    expect(execFileSync('pdffonts', [file]).toString()).toMatch(/AtkinsonHyperlegible.*yes/);
  });
  it('of an unfinished job says so', async () => {
    const device = await fitter(server);
    const id = await openGuard(device);
    const response = await device.request('GET', `/api/jobs/${id}/record.pdf`);
    expect(response.status).toBe(200);
    expect(response.headers.get('content-disposition')).toMatch(/record-\d{6}-\d+\.pdf/);
  });
});

describe('the wrench stream', () => {
  const open = (path: string, cookie: string) =>
    new WebSocket(`${server.url.replace('http', 'ws')}${path}`, { headers: { cookie } });
  it('clicks at the target and ends with what was reached', async () => {
    const device = await fitter(server);
    const socket = open('/api/devices/wrenches/w-3/stream', device.cookie);
    const messages: Array<Record<string, unknown>> = [];
    const ended = new Promise<void>((settle, reject) => {
      socket.on('error', reject);
      socket.on('message', (data) => {
        const message = JSON.parse(String(data)) as Record<string, unknown>;
        messages.push(message);
        if (message.type === 'ready')
          socket.send(JSON.stringify({ type: 'arm', station: 's2', targetNm: 55, standingNm: 0, nominalMm: 12 }));
        if (message.type === 'armed') socket.send(JSON.stringify({ type: 'pull', speedDegPerS: 120, overshootDeg: 0 }));
        if (message.type === 'end') settle();
      });
    });
    await ended;
    socket.close();
    expect(messages.filter((message) => message.type === 'click')).toHaveLength(1);
    expect(messages.at(-1)).toMatchObject({ type: 'end', station: 's2', peakNm: expect.closeTo(55.5, 0) });
  });
  it('is only for signed-in people, and only for live wrenches', async () => {
    const device = await fitter(server);
    for (const [path, cookie] of [
      ['/api/devices/wrenches/w-3/stream', ''],
      ['/api/devices/wrenches/w-1/stream', device.cookie],
    ] as const) {
      const status = await new Promise<number | undefined>((settle) => {
        const socket = open(path, cookie);
        socket.on('unexpected-response', (_, response) => settle(response.statusCode));
        socket.on('open', () => settle(101));
        socket.on('error', () => undefined);
      });
      expect([401, 404]).toContain(status);
    }
  });
});
