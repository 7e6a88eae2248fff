import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { createStore } from 'zustand/vanilla';
import type { JobCommand } from '#core/job/acts.ts';
import { EVENT_VERSION } from '#core/job/event-version.ts';
import { stationState } from '#core/job/job-state.ts';
import type { Person } from '#core/job/role.ts';
import { MIRA, NOON } from '#demo/try-job.ts';
import { ShopServer } from '../test/shop-server.ts';
import * as commandCheck from './command-check.ts';
import { jobStore, SEND_AFTER_MS } from './job-store.ts';
import * as outbox from './outbox.ts';
import type { OutboxEntry } from './outbox-entry.ts';

/** A job of its own for each test: the device keeps what it has seen. */
let JOB = '';
const count = (item: string, found = 6): JobCommand => ({ type: 'countLine', item, found, damaged: 0 });

/** A tablet: a store of its own over the device's outbox. Tabs of one device share the outbox, tablets do not. */
function tab(server: ShopServer, { person = MIRA as Person | undefined, keep = outbox.keepCommands } = {}) {
  const session = {
    expired: 0,
    renewed: (): void => undefined,
    unkept: [] as OutboxEntry[],
    rekept: (): void => undefined,
  };
  const store = createStore(
    jobStore({
      link: server,
      outbox: { ...outbox, keepCommands: keep },
      check: async () => commandCheck,
      session: {
        person: () => person,
        device: () => 'device-1',
        sign: async () => undefined,
        expire: () => {
          session.expired += 1;
        },
        onRenewed: (then) => {
          session.renewed = then;
        },
      },
      clock: () => ({ deviceMs: NOON + 60_000, offsetMs: 0 }),
      changed: () => undefined,
      unkept: (entry) => session.unkept.push(entry),
      onRekept: (then) => {
        session.rekept = then;
      },
      elsewhere: () => 0,
    }),
  );
  return { store, session };
}

/** Lets what was started come to its end: what was written goes out a moment later; other timers are left aside. */
async function settled(): Promise<void> {
  for (let turn = 0; turn < 10; turn++) await new Promise((resolve) => setImmediate(resolve));
  await new Promise((resolve) => setTimeout(resolve, SEND_AFTER_MS + 5));
  for (let turn = 0; turn < 40; turn++) {
    await new Promise((resolve) => setImmediate(resolve));
  }
}
/** Waits until the store has tried again by itself: its first wait is a second. */
async function retried(): Promise<void> {
  await new Promise((resolve) => setTimeout(resolve, 1200));
  await settled();
}
const items = (server: ShopServer) => server.log.plan.items.map(({ id }) => id);
const keptIds = async () => (await outbox.outboxOf(JOB)).map(({ id }) => id);

let open: Array<ReturnType<typeof tab>> = [];
async function opened(server: ShopServer, over = {}) {
  const made = tab(server, over);
  open.push(made);
  await made.store.getState().open(JOB);
  await settled();
  return made;
}

let serial = 0;
beforeEach(() => {
  serial += 1;
  JOB = `00000000-0000-4000-8000-${String(serial).padStart(12, '0')}`;
});
afterEach(() => {
  for (const { store } of open) store.getState().close();
  open = [];
});

describe('a command given', () => {
  it('shows at once, is kept, sent, confirmed and let go', async () => {
    const server = new ShopServer();
    const { store } = await opened(server);
    const [item = ''] = items(server);
    expect(store.getState().give(count(item))).toBe(true);
    // Shown as done only once it is written on this device.
    expect(store.getState().log?.state.lines[item]).toBeUndefined();
    await settled();
    expect(store.getState().log?.state.lines[item]?.count?.found).toBe(6);
    expect(store.getState()).toMatchObject({ pending: [], refusedLater: [], confirmedSeq: 1, link: 'live' });
    expect(await keptIds()).toEqual([]);
    expect(server.events).toHaveLength(1);
  });
  it('that no server could read is refused here, says where, and jams nothing', async () => {
    const server = new ShopServer();
    const { store } = await opened(server);
    const [item = ''] = items(server);
    expect(store.getState().give({ type: 'raiseProblem', text: 'x'.repeat(501) })).toBe(false);
    expect(store.getState().refused?.refusal).toMatchObject({ code: 'commandUnreadable', faults: [{ path: 'text' }] });
    expect(store.getState().give({ type: 'raiseProblem', text: 'half \ud83d' })).toBe(false);
    expect(store.getState().give(count(item))).toBe(true);
    await settled();
    expect(server.sent.flat()).toHaveLength(1);
    expect(store.getState().pending).toEqual([]);
  });
  it('by nobody, or on no job, is not taken', async () => {
    const server = new ShopServer();
    const { store } = await opened(server, { person: undefined });
    expect(store.getState().give(count('a'))).toBe(false);
    const shut = tab(server);
    expect(shut.store.getState().give(count('a'))).toBe(false);
  });
  it('that the plan refuses is shown with what it was', async () => {
    const server = new ShopServer();
    const { store } = await opened(server);
    expect(store.getState().give({ type: 'startByHand', station: 'g1' })).toBe(false);
    expect(store.getState().refused).toMatchObject({
      refusal: { code: 'notCounted' },
      command: { type: 'startByHand' },
    });
    store.getState().dismissRefusal();
    expect(store.getState().refused).toBeUndefined();
  });
});

describe('the server is told', () => {
  it('that this device has the job, and when it has left it, with what waits', async () => {
    const server = new ShopServer();
    const { store } = await opened(server);
    expect(server.told.at(-1)).toEqual({ waiting: 0, away: false });
    store.getState().close();
    expect(server.told.at(-1)).toEqual({ waiting: 0, away: true });
    const away = new ShopServer();
    const { store: other } = await opened(away);
    const [item = ''] = items(away);
    away.mood = { problem: 'storeUnavailable', status: 503 };
    other.getState().give(count(item));
    await settled();
    away.mood = 'well';
    other.getState().close();
    expect(away.told.at(-1)).toEqual({ waiting: 1, away: true });
  });
});

describe('a device whose store is full', () => {
  it('shows nothing as done, says so, and sends it once it could be written', async () => {
    const server = new ShopServer();
    const full = { now: true };
    const { store, session } = await opened(server, {
      keep: async (entries: readonly OutboxEntry[]) => {
        if (full.now) throw new DOMException('full', 'QuotaExceededError');
        await outbox.keepCommands(entries);
      },
    });
    const [first = '', second = ''] = items(server);
    expect(store.getState().give(count(first))).toBe(true);
    await settled();
    expect(store.getState().log?.state.lines[first]).toBeUndefined();
    expect(store.getState().pending).toEqual([]);
    expect(server.sent).toEqual([]);
    expect(session.unkept.map(({ envelope }) => envelope.command)).toEqual([count(first)]);
    // What is given next is decided upon what is there, not upon what was lost.
    full.now = false;
    store.getState().give(count(second));
    await settled();
    expect(server.events).toHaveLength(1);
    await outbox.keepCommands(session.unkept);
    session.rekept();
    await settled();
    expect(server.events).toHaveLength(2);
    expect(server.events[1]?.event.commandId).toBe(session.unkept[0]?.id);
    expect(store.getState()).toMatchObject({ pending: [], refusedLater: [] });
  });
  it('gives a refused command again as a new one, and lets the old one go', async () => {
    const server = new ShopServer();
    const { store } = await opened(server);
    const [item = ''] = items(server);
    server.cannotRead = () => true;
    store.getState().give(count(item));
    await settled();
    const [refused] = store.getState().refusedLater;
    expect(refused).toBeDefined();
    server.cannotRead = () => false;
    store.getState().giveAgain(refused?.id ?? '');
    await settled();
    expect(store.getState()).toMatchObject({ refusedLater: [], pending: [] });
    expect(server.events[0]?.event.commandId).not.toBe(refused?.id);
    expect(await keptIds()).toEqual([]);
  });
  it('proof that is not given gives nothing; given, it goes with the command', async () => {
    const server = new ShopServer();
    const { store } = await opened(server);
    const [item = ''] = items(server);
    const wrong = async () => Promise.reject(new Error('wrong PIN'));
    await expect(store.getState().giveProven(count(item), wrong)).rejects.toThrow('wrong PIN');
    expect(store.getState().pending).toEqual([]);
    const proved: string[] = [];
    const kept = await store.getState().giveProven(count(item), async (text, id) => {
      proved.push(text, id);
      return { kind: 'leave', leave: 'given' };
    });
    await settled();
    expect(kept).toBe(true);
    expect(JSON.parse(proved[0] ?? '')).toMatchObject({ id: proved[1], job: JOB, by: MIRA.id, command: count(item) });
    expect(server.events[0]?.event.commandId).toBe(proved[1]);
  });
});

describe('the server answers a sending with', () => {
  it.each([
    ['nothing: no route', 'unreachable' as const],
    ['the database away', { problem: 'storeUnavailable', status: 503 }],
    ['its own mistake', { problem: 'internal', status: 500 }],
    ['too many attempts', { problem: 'tooManyAttempts', status: 429 }],
    ['a conflict nobody foresaw', { problem: 'draftChanged', status: 409 }],
    ['a refusal of the origin', { problem: 'crossOrigin', status: 403 }],
  ])('%s: what was given waits, is tried again, and goes through once', async (_, mood) => {
    const server = new ShopServer();
    const { store } = await opened(server);
    const [first = '', second = ''] = items(server);
    server.mood = mood;
    store.getState().give(count(first));
    await settled();
    store.getState().give(count(second));
    await settled();
    expect(store.getState()).toMatchObject({ link: 'offline', failure: undefined, refusedLater: [] });
    expect(store.getState().pending).toHaveLength(2);
    expect(await keptIds()).toHaveLength(2);
    server.mood = 'well';
    await retried();
    expect(store.getState()).toMatchObject({ pending: [], link: 'live' });
    expect(server.events.map(({ event }) => event.type)).toEqual(['lineCounted', 'lineCounted']);
    expect(await keptIds()).toEqual([]);
  });
  it('401: the session has run out, the queue stays, and goes on after signing in again', async () => {
    const server = new ShopServer();
    const { store, session } = await opened(server);
    const [item = ''] = items(server);
    server.mood = { problem: 'notSignedIn', status: 401 };
    store.getState().give(count(item));
    await settled();
    expect(session.expired).toBe(1);
    expect(store.getState().pending).toHaveLength(1);
    expect(store.getState().failure).toBeUndefined();
    server.mood = 'well';
    session.renewed();
    await settled();
    expect(store.getState().pending).toEqual([]);
    expect(server.events).toHaveLength(1);
  });
  it('404: the job is unknown, and what waits for it is kept', async () => {
    const server = new ShopServer();
    const { store } = await opened(server);
    const [item = ''] = items(server);
    server.mood = { problem: 'unknownJob', status: 404 };
    store.getState().give(count(item));
    await settled();
    expect(store.getState().failure).toBe('unknownJob');
    expect(await keptIds()).toHaveLength(1);
  });
  it('422 for one it cannot read: that one is set aside with its reason, the rest goes through in order', async () => {
    const server = new ShopServer();
    const { store } = await opened(server);
    const [first = '', second = '', third = ''] = items(server);
    server.cannotRead = ({ envelope }) => envelope.command.type === 'countLine' && envelope.command.item === second;
    server.mood = 'unreachable';
    for (const item of [first, second, third]) store.getState().give(count(item));
    await settled();
    server.mood = 'well';
    await retried();
    expect(store.getState()).toMatchObject({ pending: [], failure: undefined });
    expect(store.getState().refusedLater).toMatchObject([
      { envelope: { command: { item: second } }, refused: { code: 'commandUnreadable' } },
    ]);
    expect(server.events.map(({ event }) => 'item' in event && event.item)).toEqual([first, third]);
    expect(await keptIds()).toHaveLength(1);
    // Put away by a person, and only then gone.
    store.getState().putAway(store.getState().refusedLater[0]?.id ?? '');
    await settled();
    expect(await keptIds()).toEqual([]);
  });
  it('413: fewer at a time', async () => {
    const server = new ShopServer();
    const { store } = await opened(server);
    server.mood = 'unreachable';
    for (const item of items(server)) store.getState().give(count(item, 4));
    await settled();
    server.mood = 'well';
    server.most = 1;
    await retried();
    expect(store.getState()).toMatchObject({ pending: [], refusedLater: [] });
    expect(server.events).toHaveLength(items(server).length);
  });
  it('a refusal of its own: kept, shown, and again after reopening', async () => {
    const server = new ShopServer();
    const { store } = await opened(server);
    const [item = ''] = items(server);
    server.mood = 'unreachable';
    store.getState().give(count(item));
    store.getState().give({ type: 'close', signature: '' });
    await settled();
    // Meanwhile somebody closed the job: here it cannot be known.
    server.arrive({
      seq: 1,
      hash: 'h',
      event: { type: 'jobClosed', signature: 'Rafe', commandId: 'far', atMs: NOON, by: MIRA },
    });
    server.mood = 'well';
    await retried();
    expect(store.getState().refusedLater).toMatchObject([{ refused: { code: 'jobClosed' } }]);
    store.getState().close();
    const again = await opened(server);
    expect(again.store.getState().refusedLater).toMatchObject([{ refused: { code: 'jobClosed' } }]);
    expect(again.store.getState().pending).toEqual([]);
  });
  it('nothing about what it was sent: asked again later, not in a circle', async () => {
    const server = new ShopServer();
    const { store } = await opened(server);
    const [item = ''] = items(server);
    const send = server.send.bind(server);
    server.send = async (_, entries) => {
      server.sent.push(entries.map(({ id }) => id));
      return { results: [], events: [], seq: 0 };
    };
    store.getState().give(count(item));
    await settled();
    expect(server.sent).toHaveLength(1);
    expect(store.getState().pending).toHaveLength(1);
    server.send = send;
    await retried();
    expect(store.getState().pending).toEqual([]);
  });
  it('an answer that is lost on the way: sent again, stored once', async () => {
    const server = new ShopServer();
    const { store } = await opened(server);
    const [item = ''] = items(server);
    server.lines = [];
    server.mood = 'lostAnswer';
    store.getState().give(count(item));
    await settled();
    server.mood = 'well';
    await retried();
    expect(server.events).toHaveLength(1);
    expect(store.getState()).toMatchObject({ pending: [], confirmedSeq: 1 });
  });
});

describe('another version of the application', () => {
  const entry = (id: string, order: number, command: unknown): OutboxEntry => ({
    id,
    jobId: JOB,
    order,
    envelope: { id, atMs: NOON, by: MIRA, command: command as JobCommand },
  });
  it('left in the queue what this one cannot read: set aside visibly, never dropped, and the rest is sent', async () => {
    const server = new ShopServer();
    const [item = ''] = items(server);
    await outbox.keepCommands([
      entry('00000000-0000-4000-8000-000000000001', 1, { type: 'alignWheel', corner: 'fl' }),
      entry('00000000-0000-4000-8000-000000000002', 2, count(item)),
      entry('00000000-0000-4000-8000-000000000003', 3, { type: 'countLine', item, found: 2 }),
    ]);
    const { store } = await opened(server);
    expect(store.getState().refusedLater.map(({ id, refused }) => [id.at(-1), refused?.code])).toEqual([
      ['1', 'commandUnreadable'],
      ['3', 'commandUnreadable'],
    ]);
    expect(server.events.map(({ event }) => event.commandId.at(-1))).toEqual(['2']);
    expect((await keptIds()).map((id) => id.at(-1))).toEqual(['1', '3']);
  });
  it('records a fact this one does not know: says so, keeps what waits, loses nothing', async () => {
    const server = new ShopServer();
    const { store } = await opened(server);
    server.arrive = (...stored) => {
      for (const line of server.lines) for (const one of stored) line.onEvent(one);
    };
    server.arrive({
      seq: 1,
      hash: 'h',
      event: { type: 'wheelAligned', commandId: 'c', atMs: NOON, by: MIRA } as never,
    });
    expect(store.getState().failure).toBe('outdated');
    expect(store.getState().confirmedSeq).toBe(0);
  });
  it('records facts in a newer shape: says so before it shows anything', async () => {
    const server = new ShopServer();
    server.events.push({
      seq: 1,
      hash: 'h',
      event: {
        type: 'stationStarted',
        station: 'g1',
        version: EVENT_VERSION + 1,
        commandId: 'c',
        atMs: NOON,
        by: MIRA,
      },
    });
    const { store } = await opened(server);
    expect(store.getState()).toMatchObject({ failure: 'outdated', log: undefined });
  });
});

describe('two tabs of one device', () => {
  it('both send what both hold, and it is stored once and shown by both', async () => {
    const server = new ShopServer();
    const one = await opened(server);
    const [first = '', second = ''] = items(server);
    server.mood = 'unreachable';
    one.store.getState().give(count(first));
    one.store.getState().give(count(second));
    await settled();
    server.mood = 'well';
    const two = await opened(server);
    await retried();
    for (const { store } of [one, two])
      expect(store.getState()).toMatchObject({ pending: [], confirmedSeq: 2, refusedLater: [] });
    expect(server.events).toHaveLength(2);
    expect(await keptIds()).toEqual([]);
  });
});

describe('the line of events', () => {
  it('brings what others do, each once, and a gap is read anew', async () => {
    const server = new ShopServer();
    const { store } = await opened(server);
    const started = (seq: number, item: string) => ({
      seq,
      hash: 'h',
      event: {
        type: 'lineCounted' as const,
        item,
        found: 6,
        damaged: 0,
        commandId: `far-${seq}`,
        atMs: NOON,
        by: MIRA,
      },
    });
    const [first = '', second = '', third = ''] = items(server);
    server.arrive(started(1, first));
    server.lines[0]?.onEvent(started(1, first));
    expect(store.getState().confirmedSeq).toBe(1);
    // The second is lost on the line; the third shows the gap.
    server.events.push(started(2, second));
    server.log = { ...server.log };
    server.arrive(started(3, third));
    await settled();
    expect(store.getState().confirmedSeq).toBe(3);
    expect(Object.keys(store.getState().confirmed?.state.lines ?? {})).toEqual([first, second, third]);
  });
  it('lost for good is opened again later, and the screen says offline meanwhile', async () => {
    const server = new ShopServer();
    const { store } = await opened(server);
    server.lines[0]?.onLost(true);
    expect(store.getState().link).toBe('offline');
    await retried();
    expect(store.getState().link).toBe('live');
  });
});

describe('opening', () => {
  it('an address that is no job’s says so without asking', async () => {
    const server = new ShopServer();
    const made = await opened(server);
    server.mood = 'unreachable';
    await made.store.getState().open('rubbish');
    expect(made.store.getState()).toMatchObject({ failure: 'unknownJob', log: undefined });
  });
  it('without the server shows the job as it was last seen, and goes on working', async () => {
    const server = new ShopServer();
    const before = await opened(server);
    before.store.getState().close();
    server.mood = 'unreachable';
    const { store } = await opened(server);
    expect(store.getState()).toMatchObject({ link: 'offline', failure: undefined });
    const [item = ''] = items(server);
    expect(store.getState().give(count(item))).toBe(true);
    expect(stationState(store.getState().log?.state ?? server.log.state, 'g1').stage).toBe('empty');
  });
  it('without the server and never seen before says that it cannot be reached', async () => {
    const server = new ShopServer();
    server.mood = 'unreachable';
    const made = tab(server);
    open.push(made);
    await made.store.getState().open('00000000-0000-4000-9000-000000000001');
    await settled();
    expect(made.store.getState()).toMatchObject({ failure: 'unreachable', log: undefined });
  });
  it('a job whose kit no longer resolves says so', async () => {
    const server = new ShopServer();
    const document = server.document.bind(server);
    server.document = async (id) => {
      const whole = await document(id);
      const kit = structuredClone(whole.kits[0]);
      if (kit) for (const station of kit.document.stations) station.specs = [];
      return { ...whole, kits: kit ? [kit] : [] };
    };
    const made = tab(server);
    open.push(made);
    await made.store.getState().open('00000000-0000-4000-9000-000000000002');
    await settled();
    expect(made.store.getState().failure).toBe('broken');
  });
});
