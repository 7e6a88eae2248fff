import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import type { DueItem } from '#contract/due.ts';
import type { MessageDraft, OwnerMessage } from '#contract/owner-message.ts';
import { OutboxStandIn, UNDERWAY_MS } from '#devices/outbox/outbox.ts';
import { MessagePost } from '../outside/message-post.ts';
import { OwnerMessageRepository } from '../store/owner-message-repository.ts';
import { type Device, fitter, guardToClosed, openGuard, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
let mira: Device;
let job: string;
let care: string;
/** The post is looked after by hand, at a time of the test's own. */
let nowMs: number;
let outbox: OutboxStandIn;
let post: MessagePost;
beforeEach(async () => {
  server = await startTestServer(undefined, { tell: false });
  mira = await fitter(server);
  job = await openGuard(mira, { odometerKm: 120_400 });
  await mira.send(job, ...guardToClosed.map((command) => mira.input(command)));
  const items = (await (await mira.request('GET', '/api/due')).json()) as DueItem[];
  care = items.find((item) => item.job === job)?.care ?? '';
  // Noon of the day after: never in the quiet hours, whenever the tests run.
  nowMs = Date.now() + 86_400_000;
  outbox = new OutboxStandIn(() => nowMs);
  post = new MessagePost(
    new OwnerMessageRepository(server.source),
    outbox,
    { error: () => undefined } as never,
    () => nowMs,
  );
});
afterEach(() => server.stop());

const send = (to: string, text = 'Wheel nuts are due.') =>
  mira.request('POST', '/api/messages', { job, care, to, text });
const listed = async () => (await (await mira.request('GET', '/api/messages')).json()) as OwnerMessage[];
const draft = async () =>
  (await (await mira.request('GET', `/api/messages/draft?job=${job}&care=${care}`)).json()) as MessageDraft;
const codeOf = async (response: Response) => ((await response.json()) as { code: string }).code;

describe('a message to an owner', () => {
  it('is proposed with what, why and how long, and says how to have no more', async () => {
    const { text } = await draft();
    expect(text).toContain('Harrow Lane Fitting Shop');
    expect(text).toContain('14-115');
    expect(text).toContain('guard bolts');
    expect(text).toMatch(/settle/);
    expect(text).toMatch(/about \d+ min/);
    expect(text).toContain('STOP');
  });
  it('is sent once, delivered, and never a second time for the same thing', async () => {
    expect((await send('0711 12 34 56')).status).toBe(204);
    expect((await draft()).not).toBe('sentBefore');
    expect(await codeOf(await send('0711 12 34 56'))).toBe('messageNotSent');
    await post.look();
    expect((await listed())[0]).toMatchObject({ state: 'sent', tries: 1, to: '0711123456', channel: 'sms' });
    nowMs += UNDERWAY_MS + 3000;
    await post.look();
    await post.look();
    expect((await listed())[0]).toMatchObject({ state: 'delivered' });
    expect(outbox.delivered()).toHaveLength(1);
  });
  it('a busy line is tried again later, a number that does not exist is given up and may be sent anew', async () => {
    await send('0711 12 34 59');
    await post.look();
    expect((await listed())[0]).toMatchObject({ state: 'waiting', tries: 1, fault: 'busy' });
    await post.look();
    expect((await listed())[0]).toMatchObject({ tries: 1 });
    nowMs += 60_000;
    await post.look();
    expect((await listed())[0]).toMatchObject({ state: 'sent', tries: 2 });
  });
  it('a number that does not exist is given up, and the right one may be tried then', async () => {
    await send('0711 12 34 00');
    await post.look();
    expect((await listed())[0]).toMatchObject({ state: 'failed', fault: 'no such number' });
    expect((await draft()).not).not.toBe('sentBefore');
    expect((await send('0711 12 34 01')).status).toBe(204);
    expect(await listed()).toHaveLength(1);
  });
  it('made at night it waits for the morning', async () => {
    await send('0711 12 34 56');
    const [message] = await listed();
    const wait = (message?.nextAtMs ?? 0) - (message?.madeAtMs ?? 0);
    const shop = (await server.source.query('SELECT house_rules FROM shop')) as unknown[];
    expect(shop.length).toBeGreaterThan(0);
    expect(wait).toBeGreaterThanOrEqual(0);
    expect(wait).toBeLessThanOrEqual(12 * 3_600_000);
  });
  it('is taken back while it waits, and not after it went', async () => {
    await send('0711 12 34 56');
    const [message] = await listed();
    expect((await mira.request('POST', `/api/messages/${message?.id}/stop`, {})).status).toBe(204);
    await post.look();
    expect(outbox.delivered()).toEqual([]);
    expect((await listed())[0]).toMatchObject({ state: 'stopped' });
    expect((await send('0711 12 34 56')).status).toBe(204);
    await post.look();
    expect((await mira.request('POST', `/api/messages/${message?.id}/stop`, {})).status).toBe(404);
  });
  it('an answer is kept with who took it; STOP ends all messages to that address until the owner wants them again', async () => {
    await send('0711 12 34 56');
    await post.look();
    const [message] = await listed();
    await mira.request('POST', `/api/messages/${message?.id}/reply`, { reply: 'Stop, please.' });
    expect((await listed())[0]?.reply).toMatchObject({ text: 'Stop, please.', by: 'Mira Vane' });
    await mira.request('POST', '/api/due/settled', { job, care, how: 'here' });
    await mira.request('POST', '/api/due/settled', { job, care, how: 'open' });
    await server.source.query('DELETE FROM owner_message');
    expect(await codeOf(await send('0711-12 34 56'))).toBe('messageNotSent');
    await mira.request('PUT', '/api/messages/refusals', { address: '0711123456', wants: true });
    expect((await send('0711 12 34 56')).status).toBe(204);
  });
  it('goes to nobody without an address, and is about nothing that is not due', async () => {
    expect(await codeOf(await send('the yard'))).toBe('messageNotSent');
    expect(
      (await mira.request('POST', '/api/messages', { job, care: 'no-such', to: '0711 123456', text: 'x' })).status,
    ).toBe(404);
    expect((await mira.request('POST', '/api/messages', { job, care, to: '0711 123456', text: '' })).status).toBe(422);
  });
  it('two servers that look at once send it once', async () => {
    await send('0711 12 34 56');
    const other = new MessagePost(
      new OwnerMessageRepository(server.source),
      outbox,
      { error: () => undefined } as never,
      () => nowMs,
    );
    await Promise.all([post.look(), other.look()]);
    nowMs += UNDERWAY_MS;
    expect(outbox.delivered()).toHaveLength(1);
    expect((await listed())[0]).toMatchObject({ tries: 1 });
  });
});
