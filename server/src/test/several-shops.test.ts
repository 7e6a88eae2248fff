import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { OfferedKit, OtherShops } from '#contract/other-shops.ts';
import type { Session, SignInOptions } from '#contract/session.ts';
import { ARCHIVED } from '../archive/table-plan.ts';
import { Device, fitter, guardUpToTorque, openGuard, outcomes, startTestServer, type TestServer } from './harness.ts';
import { ROUTES, UNKNOWN } from './routes.ts';

let server: TestServer;
/** A lead of the first shop, who opens the second and leads both. */
let rafe: Device;
let mira: Device;
/** Leads the second shop alone. */
let ottilie: Device;
let first = '';
let second = '';
let job = '';
const PIN = '1357';

const json = async <T>(response: Response): Promise<T> => {
  if (!response.ok) throw new Error(`${response.status} ${await response.text()}`);
  return (await response.json()) as T;
};
const goTo = (device: Device, shop: string) => device.request('PUT', '/api/session/shop', { shop });
const others = async (device: Device) => json<OtherShops>(await device.request('GET', '/api/other-shops'));
const consent = (device: Device, sharesKits: boolean, wrenchPool: boolean) =>
  device.request('PUT', '/api/other-shops/consent', { sharesKits, wrenchPool });

beforeAll(async () => {
  server = await startTestServer();
  mira = await fitter(server);
  rafe = await fitter(server, 'u-orrin', PIN);
  first = (await json<Session>(await rafe.request('GET', '/api/session'))).shop.id;
  job = await openGuard(mira);
  await mira.send(job, ...guardUpToTorque.slice(0, 5).map((command) => mira.input(command)));
  const body = { name: 'Mill Lane', bays: 2, secret: PIN };
  ({ id: second } = await json<{ id: string }>(await rafe.request('POST', '/api/other-shops', body)));
  expect((await goTo(rafe, second)).status).toBe(200);
  const taken = await rafe.request('POST', '/api/shop/people', { name: 'Ottilie Brand', initials: 'OB', role: 'lead' });
  const { id, pin } = await json<{ id: string; pin: string }>(taken);
  ottilie = new Device(server);
  expect((await ottilie.signIn(id, pin)).status).toBe(201);
});
afterAll(() => server.stop());

describe('a second shop of one owner', () => {
  it('begins empty, with its own people, and its lead knows of no other', async () => {
    for (const path of ['/api/kits', '/api/vehicles', '/api/wrenches', '/api/jobs?from=0&to=9999999999999'])
      expect(await json<unknown[]>(await ottilie.request('GET', path))).toEqual([]);
    const { shops, leads, candidates } = await others(ottilie);
    expect(shops).toEqual([{ id: second, name: 'Mill Lane', here: true }]);
    expect(leads.map(({ name, shop }) => [name, shop])).toEqual([['Rafe Orrin', expect.stringMatching(/./)]]);
    expect(candidates).toEqual([]);
  });

  it('is asked for at a device that nobody has signed in on, and is the device’s own from then on', async () => {
    const device = new Device(server);
    const options = async (query = '') =>
      json<SignInOptions>(await device.request('GET', `/api/session/options${query}`));
    const asked = await options();
    expect([asked.shop, asked.people, asked.shops?.map(({ name }) => name)]).toEqual(['', [], expect.anything()]);
    expect(asked.shops).toHaveLength(2);
    const there = await options(`?shop=${second}`);
    // Its own lead, and the one who leads both.
    expect(there.people.map(({ name, role }) => `${name}, ${role}`).sort()).toEqual([
      'Ottilie Brand, lead',
      'Rafe Orrin, lead',
    ]);
    await device.request('POST', '/api/session', { person: 'u-orrin', secret: PIN, shop: second });
    expect((await json<Session>(await device.request('GET', '/api/session'))).shop.name).toBe('Mill Lane');
    expect((await options()).shopId).toBe(second);
    // Left out, it is the device's shop.
    const again = await json<Session>(await device.request('POST', '/api/session', { person: 'u-orrin', secret: PIN }));
    expect([again.shop.id, again.shops?.length]).toEqual([second, 2]);
    // Somebody of the first shop alone does not work in the second, whatever they ask for.
    const mine = await json<Session>(
      await device.request('POST', '/api/session', { person: 'u-vane', secret: '2468', shop: second }),
    );
    expect([mine.shop.id, mine.shops]).toEqual([first, undefined]);
    expect((await goTo(device, second)).status).toBe(403);
  });

  it('is led by whom its lead lets in, of shops they lead too, until they are let go', async () => {
    await goTo(rafe, second);
    expect((await others(rafe)).candidates).toEqual([]);
    const inFirst = await fitter(server, 'u-orrin', PIN);
    const people = { name: 'Ansel Thorne', initials: 'AT', role: 'lead' };
    const { id, pin } = await json<{ id: string; pin: string }>(
      await inFirst.request('POST', '/api/shop/people', people),
    );
    const ansel = new Device(server);
    await ansel.signIn(id, pin);
    expect((await goTo(ansel, second)).status).toBe(403);
    expect((await others(rafe)).candidates.map(({ name }) => name)).toEqual(['Ansel Thorne']);
    // Nobody else's to let in: she leads no other shop.
    const secret = { person: id, secret: PIN };
    expect((await rafe.request('POST', '/api/other-shops/leads', { ...secret, secret: '0000' })).status).toBe(401);
    expect((await rafe.request('POST', '/api/other-shops/leads', secret)).status).toBe(201);
    expect((await goTo(ansel, second)).status).toBe(200);
    expect((await ansel.request('GET', '/api/shop')).status).toBe(200);
    expect((await rafe.request('DELETE', `/api/other-shops/leads/${id}`)).status).toBe(200);
    expect((await ansel.request('GET', '/api/shop')).status).toBe(401);
    await ansel.signIn(id, pin);
    expect((await goTo(ansel, second)).status).toBe(403);
    expect((await rafe.request('DELETE', '/api/other-shops/leads/u-orrin')).status).toBe(409);
    const log = JSON.stringify(await json(await rafe.request('GET', '/api/shop')));
    expect(log).toContain('"did":"letIn"');
    expect(log).toContain('"did":"putOut"');
  });

  it('is never left without a lead by what is done in another', async () => {
    const asked = { name: 'Fen Gate', bays: 1, secret: PIN };
    const { id: third } = await json<{ id: string }>(await rafe.request('POST', '/api/other-shops', asked));
    const inFirst = await fitter(server, 'u-orrin', PIN);
    const people = { name: 'Corin Vale', initials: 'CV', role: 'lead' };
    const { id, pin } = await json<{ id: string; pin: string }>(
      await inFirst.request('POST', '/api/shop/people', people),
    );
    const corin = new Device(server);
    await corin.signIn(id, pin);
    const lock = () => corin.request('POST', '/api/shop/people/u-orrin/access', { do: 'lock', secret: pin });
    const refused = await lock();
    expect([refused.status, await refused.text()]).toEqual([409, expect.stringContaining('alone leads Fen Gate')]);
    await goTo(rafe, third);
    expect((await rafe.request('POST', '/api/other-shops/leads', { person: id, secret: PIN })).status).toBe(201);
    await server.source.query('DELETE FROM also_lead WHERE shop_id = ?', [third]);
    await server.source.query('DELETE FROM shop_change WHERE shop_id = ?', [third]);
    await server.source.query('UPDATE session SET shop_id = NULL WHERE shop_id = ?', [third]);
    await server.source.query('DELETE FROM shop WHERE id = ?', [third]);
    await rafe.signIn('u-orrin', PIN);
  });

  it('shares kits by the consent of whoever has them, with what the sheet shows', async () => {
    const offered = async () => json<OfferedKit[]>(await ottilie.request('GET', '/api/other-shops/kits'));
    expect(await offered()).toEqual([]);
    const take = () =>
      ottilie.request('POST', '/api/other-shops/kits', {
        shop: first,
        kit: 'transfer-case-guard',
        because: 'as there',
      });
    expect((await take()).status).toBe(404);
    await goTo(rafe, first);
    expect((await consent(rafe, true, false)).status).toBe(204);
    const [guard] = (await offered()).filter(({ id }) => id === 'transfer-case-guard');
    expect(guard).toMatchObject({ shop: { id: first }, title: expect.any(String) });
    expect(guard?.here).toBeUndefined();
    expect(await json(await take())).toMatchObject({ id: 'transfer-case-guard', added: true });
    expect((await offered()).find(({ id }) => id === 'transfer-case-guard')?.here).toBe(guard?.revision);
    const kept = async (device: Device) => json<object>(await device.request('GET', '/api/kits/transfer-case-guard'));
    expect(await kept(ottilie)).toEqual(await kept(mira));
    expect((await consent(rafe, false, false)).status).toBe(204);
    expect(await offered()).toEqual([]);
    // What was taken stays.
    expect((await ottilie.request('GET', '/api/kits/transfer-case-guard')).status).toBe(200);
    await server.source.query('DELETE FROM kit WHERE shop_id = ?', [second]);
  });

  it('pulls with wrenches of the pool, called by their shop, where both are in it; what they did stays doubtful', async () => {
    const labels = async (device: Device) =>
      (await json<Array<{ label: string }>>(await device.request('GET', '/api/wrenches'))).map(({ label }) => label);
    expect(await labels(ottilie)).toEqual([]);
    await goTo(rafe, first);
    await consent(rafe, false, true);
    expect(await labels(ottilie)).toEqual([]);
    await consent(ottilie, false, true);
    const theirs = await labels(ottilie);
    expect(theirs.length).toBeGreaterThan(0);
    expect(theirs.every((label) => label.includes(','))).toBe(true);
    expect((await labels(mira)).every((label) => !label.includes(','))).toBe(true);
    // Used, not kept, here: it is calibrated and changed where it hangs.
    expect((await ottilie.request('DELETE', '/api/crib/wrenches/w-1')).status).toBe(404);
    interface CribRead {
      wrenches: Array<{ id: string; of?: { pooled: boolean } }>;
      rechecks: Array<{ wrenchId: string }>;
    }
    const crib = async () => json<CribRead>(await ottilie.request('GET', '/api/crib'));
    expect((await crib()).wrenches.find(({ id }) => id === 'w-1')?.of?.pooled).toBe(true);
    await consent(ottilie, false, false);
    expect(await labels(ottilie)).toEqual([]);
    expect((await crib()).wrenches).toEqual([]);
    await consent(rafe, false, false);
  });
});

describe('what one shop has is out of the other’s reach', () => {
  /** Everything of the first shop, as it is stored. */
  async function everything(): Promise<string> {
    const tables = await Promise.all(
      ARCHIVED.map(async ({ name, where }) => {
        const rows: object[] = await server.source.query(`SELECT * FROM \`${name}\` WHERE ${where}`, [first]);
        return rows.map((row) => JSON.stringify(row)).sort();
      }),
    );
    return JSON.stringify(tables);
  }
  const one = async (statement: string): Promise<string> => {
    const [row] = await server.source.query(statement, [first]);
    return String(row?.id ?? UNKNOWN);
  };
  let words: string[] = [];
  let standing: string | undefined;
  /** Ids of the first shop's in place of those that lead nowhere. */
  let theirs: (path: string) => string = (path) => path;
  const bodies = new Map<string, object>();

  beforeAll(async () => {
    const lead = await fitter(server, 'u-orrin', PIN);
    await goTo(lead, first);
    const png = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    );
    const photo = randomUUID();
    const sent = await mira.request('POST', `/api/jobs/${job}/photos?id=${photo}`, png, {
      'Content-Type': 'image/png',
    });
    expect(sent.status).toBe(201);
    expect((await lead.request('POST', '/api/kit-library/transfer-case-guard/revise')).status).toBeLessThan(300);
    const key = { name: 'Till', scopes: ['readVisits'], secret: PIN };
    await lead.request('POST', '/api/programs/keys', key);
    const [vehicle, draft, ...ids] = await Promise.all([
      json<{ vehicle: { plate: string } }>(await mira.request('GET', '/api/vehicles/v-carrick')),
      one('SELECT id FROM kit_draft WHERE shop_id = ? LIMIT 1'),
      one('SELECT id FROM tool WHERE shop_id = ? LIMIT 1'),
      one('SELECT id FROM bottle WHERE shop_id = ? LIMIT 1'),
      one('SELECT id FROM loan WHERE shop_id = ? LIMIT 1'),
      one('SELECT id FROM api_key WHERE shop_id = ? LIMIT 1'),
      one('SELECT id FROM device WHERE shop_id = ? LIMIT 1'),
      one('SELECT id FROM shelf WHERE shop_id = ? LIMIT 1'),
    ]);
    const [tool, bottle, loan, apiKey, tablet, drawer] = ids;
    words = ['Carrick', vehicle.vehicle.plate, 'Mira Vane', job, 'transfer-case-guard', 'Tamsin Quell'];
    const swaps: Array<[RegExp, string]> = [
      [new RegExp(`photos/${UNKNOWN}`), `photos/${photo}`],
      [new RegExp(`jobs/${UNKNOWN}`), `jobs/${job}`],
      [/drafts\/no-such-kit/, `drafts/${draft}`],
      [/no-such-kit/, 'transfer-case-guard'],
      [/vehicles\/no-such/, 'vehicles/v-carrick'],
      [/wrenches\/no-such/, 'wrenches/w-1'],
      [/tools\/no-such/, `tools/${tool}`],
      [/bottles\/no-such/, `bottles/${bottle}`],
      [/loans\/no-such/, `loans/${loan}`],
      [/people\/no-such/, 'people/u-vane'],
      [/shelf\/no-such/, `shelf/${drawer}`],
      [new RegExp(`keys/${UNKNOWN}`), `keys/${apiKey}`],
      [new RegExp(`tablets/${UNKNOWN}`), `tablets/${tablet}`],
    ];
    theirs = (path) => swaps.reduce((text, [from, to]) => text.replace(from, to), path);
    const secret = ottilieSecret();
    const command = { id: randomUUID(), atMs: Date.now(), by: ottilie.person };
    const wrench = { label: 'W-1', kind: 'click', squareDrive: '1/2 in', fullScaleNm: 200, scaleUnit: 'N·m' };
    for (const [route, body] of [
      [
        'POST /api/jobs',
        { vehicle: 'v-carrick', kits: ['transfer-case-guard'], answers: {}, bay: 1, plannedStartMs: 1 },
      ],
      ['POST /commands', { commands: [{ ...command, command: { type: 'raiseProblem', text: 'not ours' } }] }],
      ['POST /kits', { id: randomUUID(), kit: 'transfer-case-guard', answers: {} }],
      ['PUT /slot', { bay: 1, plannedStartMs: 1 }],
      ['PUT /called-off', { because: 'noShow' }],
      ['PUT /device', { waiting: 0, away: false }],
      ['PUT /api/vehicles', { vehicle: vehicle.vehicle, version: 1 }],
      ['POST /api/vehicles', vehicle.vehicle],
      ['POST /erase', { secret }],
      ['PUT /wrenches', { ...wrench, intervalMonths: 12, calibrationDueOn: '2030-01-01', live: false }],
      ['POST /checks', { id: randomUUID(), kind: 'check', readings: [{ setNm: 100, referenceNm: 100 }] }],
      ['POST /access', { do: 'resetPin', secret }],
      ['PUT /people', { name: 'Not Ours', initials: 'NO', role: 'fitter' }],
      ['PUT /tablets', { name: 'Not ours' }],
      ['POST /withdraw', { because: 'not ours' }],
      ['PUT /api/session/shop', { shop: first }],
      ['POST /api/other-shops/kits', { shop: first, kit: 'transfer-case-guard' }],
      ['POST /api/other-shops/leads', { person: 'u-vane', secret }],
      ['POST /api/crib/loans', { thing: 'wrench', thingId: 'w-1', person: ottilie.person }],
    ] as Array<[string, object]>)
      bodies.set(route, body);
  });
  const ottilieSecret = (): string => (ottilie as unknown as { secret: string }).secret;
  const bodyFor = (method: string, path: string): object => {
    const key = [...bodies.keys()].find((route) => {
      const [verb, part = ''] = route.split(' ');
      return verb === method && (part.startsWith('/api/') ? path.startsWith(part) : path.includes(part));
    });
    return bodies.get(key ?? '') ?? {};
  };

  // Its own settings and its own archive are the second shop's to change and fetch.
  const own = /secret-rule|\/api\/archive|paired-only|\/api\/shop$|consent|session\/own|session$/;
  it.each(ROUTES.filter(([, path]) => !own.test(path)))('%s %s', async (method, pattern) => {
    // As the route before left it.
    standing ??= await everything();
    const path = theirs(pattern);
    const body = method === 'GET' || method === 'DELETE' ? undefined : bodyFor(method, path);
    const response = await ottilie.request(method, path, body);
    expect(response.status).toBeLessThan(500);
    // An id of the other shop's answers as one of nobody's does.
    if (path !== pattern && response.status < 300) {
      const nowhere = await ottilie.request(method, pattern, body);
      expect([path, nowhere.status]).toEqual([path, response.status]);
    }
    const text = await response.text();
    // What she said herself may come back.
    const said = `${path} ${JSON.stringify(body)}`;
    for (const word of words.filter((one) => !said.includes(one))) expect(text).not.toContain(word);
    const after = await everything();
    expect(after).toBe(standing);
  });

  it('nor does a command of the second shop’s name anybody of the first', async () => {
    const answer = await ottilie.request('POST', `/api/jobs/${job}/commands`, {
      commands: [mira.input({ type: 'raiseProblem', text: 'in her name' })],
    });
    expect(answer.status).toBe(404);
    expect(outcomes(await mira.send(job, mira.input({ type: 'raiseProblem', text: 'her own' })))).toEqual(['taken']);
  });
});
