import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { ShopSettings } from '#contract/shop.ts';
import { makeOpeningCode } from '../service/shop-service.ts';
import { makeDataSource } from '../store/data-source.ts';
import { Device, fitter, startTestServer, type TestServer } from './harness.ts';

const OPENING = {
  shop: { name: 'Quarry Lane', bays: 3, rules: { timeZone: 'Europe/Berlin', byFeel: false } },
  lead: { name: 'Ada Quarrie', initials: 'aq', secret: '482913' },
};

describe('opening an empty installation', () => {
  let server: TestServer;
  let stranger: Device;
  beforeAll(async () => {
    server = await startTestServer(undefined, { seed: false });
    stranger = new Device(server);
  });
  afterAll(() => server.stop());

  it('takes the code off the console once, and has nothing of a demo in it', async () => {
    expect(await (await stranger.request('GET', '/api/opening')).json()).toEqual({ open: true });
    expect(await (await stranger.request('GET', '/api/session/options')).json()).toEqual({ shop: '', people: [] });
    const code = (await makeOpeningCode(server.source)) ?? '';
    expect(code).toMatch(/^[A-Z2-9]{4}-[A-Z2-9]{4}$/);
    // One that was made before counts no more once another is made.
    const fresh = (await makeOpeningCode(server.source)) ?? '';
    const open = (over: object) => stranger.request('POST', '/api/opening', { ...OPENING, code: fresh, ...over });
    expect((await open({ code })).status).toBe(403);
    expect((await open({ code: 'AAAA-AAAA' })).status).toBe(403);
    expect((await open({ shop: { ...OPENING.shop, rules: { timeZone: 'Atlantis' } } })).status).toBe(422);
    // As it is typed: small, without the dash.
    expect((await open({ code: fresh.replace('-', ' ').toLowerCase() })).status).toBe(201);
    expect((await open({})).status).toBe(409);
    expect(await makeOpeningCode(server.source)).toBeUndefined();
    expect(await (await stranger.request('GET', '/api/opening')).json()).toEqual({ open: false });
    const options = (await (await stranger.request('GET', '/api/session/options')).json()) as { people: object[] };
    expect(options).toMatchObject({
      shop: 'Quarry Lane',
      people: [{ name: 'Ada Quarrie', initials: 'AQ', role: 'lead' }],
    });
    expect(options).not.toHaveProperty('demoPins');
  });

  it('a code older than a day is none', async () => {
    const other = await startTestServer(undefined, { seed: false });
    try {
      const code = await makeOpeningCode(other.source, Date.now() - 25 * 3_600_000);
      const late = await new Device(other).request('POST', '/api/opening', { ...OPENING, code });
      expect(late.status).toBe(403);
    } finally {
      await other.stop();
    }
  });
});

describe('people and settings', () => {
  let server: TestServer;
  let lead: Device;
  let mira: Device;
  beforeAll(async () => {
    server = await startTestServer();
    lead = await fitter(server, 'u-orrin', '1357');
    mira = await fitter(server);
  });
  afterAll(() => server.stop());
  const settings = async () => (await (await lead.request('GET', '/api/shop')).json()) as ShopSettings;
  const access = (id: string, what: string, secret = '1357') =>
    lead.request('POST', `/api/shop/people/${id}/access`, { do: what, secret });
  const signIn = (person: string, secret: string) =>
    new Device(server).request('POST', '/api/session', { person, secret });

  it('are for leads alone', async () => {
    for (const [method, path] of [
      ['GET', '/api/shop'],
      ['PUT', '/api/shop'],
      ['POST', '/api/shop/people'],
      ['POST', '/api/shop/people/u-vane/access'],
    ] as const)
      expect((await mira.request(method, path, method === 'GET' ? undefined : {})).status).toBe(403);
  });

  it('somebody is taken in with a PIN told once, and signs in with it', async () => {
    const input = { name: 'Wren Calder', initials: 'wc', role: 'apprentice', mentor: 'u-vane', skills: ['wheels'] };
    const added = await lead.request('POST', '/api/shop/people', input);
    expect(added.status).toBe(201);
    const { id, pin } = (await added.json()) as { id: string; pin: string };
    expect(pin).toMatch(/^\d{4,}$/);
    expect((await signIn(id, pin)).status).toBe(201);
    expect((await settings()).people.find((person) => person.id === id)).toMatchObject({
      initials: 'WC',
      mentor: 'u-vane',
      skills: ['wheels'],
    });
    const twice = await lead.request('POST', '/api/shop/people', { ...input, name: 'Will Cray' });
    expect(await twice.json()).toMatchObject({ code: 'initialsTaken', detail: 'WC is Wren Calder.' });
    const nobody = await lead.request('POST', '/api/shop/people', { ...input, initials: 'XX', mentor: 'ghost' });
    expect(await nobody.json()).toMatchObject({ code: 'mentorUnknown' });
  });

  it('who leaves is signed out at once and signs in nowhere; what they did stays, and they come back with a new PIN', async () => {
    const tamsin = await fitter(server, 'u-tamsin', '3690');
    expect((await access('u-tamsin', 'leave', '0000')).status).toBeGreaterThanOrEqual(400);
    expect((await tamsin.request('GET', '/api/session')).status).toBe(200);
    expect((await access('u-tamsin', 'leave')).status).toBe(200);
    expect((await tamsin.request('GET', '/api/session')).status).toBe(401);
    expect((await signIn('u-tamsin', '3690')).status).toBe(401);
    const options = (await (await mira.request('GET', '/api/session/options')).json()) as {
      people: Array<{ id: string }>;
    };
    expect(options.people.some(({ id }) => id === 'u-tamsin')).toBe(false);
    expect((await settings()).people.find(({ id }) => id === 'u-tamsin')?.leftAtMs).toBeGreaterThan(0);
    const { pin } = (await (await access('u-tamsin', 'return')).json()) as { pin: string };
    expect((await signIn('u-tamsin', '3690')).status).toBe(401);
    expect((await signIn('u-tamsin', pin)).status).toBe(201);
  });

  it('who is locked is out until unlocked, with the PIN they had', async () => {
    await access('u-hob', 'lock');
    expect((await signIn('u-hob', '1122')).status).toBe(401);
    await access('u-hob', 'unlock');
    expect((await signIn('u-hob', '1122')).status).toBe(201);
  });

  it('the shop keeps a lead: the last one neither leaves, nor is locked, nor becomes something else', async () => {
    expect(await (await access('u-orrin', 'leave')).json()).toMatchObject({ code: 'notYourself' });
    const demoted = await lead.request('PUT', '/api/shop/people/u-orrin', {
      name: 'Rafe Orrin',
      initials: 'RO',
      role: 'fitter',
    });
    expect(await demoted.json()).toMatchObject({ code: 'lastLead' });
    expect(
      (await lead.request('PUT', '/api/shop/people/ghost', { name: 'X', initials: 'X', role: 'lead' })).status,
    ).toBe(404);
  });

  it('each change stands in a log that cannot be changed, with from and to; rules count for jobs opened after', async () => {
    const before = await settings();
    const rules = { ...before.rules, byFeel: false, boltUses: 3, trays: [{ name: 'Red', rows: 3, columns: 5 }] };
    expect((await lead.request('PUT', '/api/shop', { name: before.name, bays: 6, rules })).status).toBe(204);
    const after = await settings();
    expect(after).toMatchObject({ bays: 6, rules });
    const [newest] = after.changes;
    expect(newest?.byName).toBe('Rafe Orrin');
    const changed = after.changes.filter(({ id }) => id > (before.changes[0]?.id ?? 0)).map(({ change }) => change);
    expect(changed).toContainEqual({ what: 'setting', field: 'bays', from: String(before.bays), to: '6' });
    expect(changed.some((change) => change.what === 'setting' && change.field === 'trays')).toBe(true);
    // Saved again with nothing changed, nothing is logged.
    await lead.request('PUT', '/api/shop', { name: before.name, bays: 6, rules });
    expect((await settings()).changes.length).toBe(after.changes.length);
    // The running server itself may only add to it.
    const application = await makeDataSource(server.config.database).initialize();
    await expect(application.query("UPDATE shop_change SET by_name = 'x'")).rejects.toThrow(/denied/i);
    await application.destroy();
    const wrong = await lead.request('PUT', '/api/shop', { name: before.name, bays: 0, rules });
    expect(wrong.status).toBe(422);
  });
});
