import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Crib } from '#contract/crib.ts';
import type { MovedIn, RowVerdict, TakenIn } from '#contract/moving-in/brought.ts';
import type { ShopSettings } from '#contract/shop.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import { Device, fitter, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
let lead: Device;
let mira: Device;
beforeAll(async () => {
  server = await startTestServer();
  lead = await fitter(server, 'u-orrin', '1357');
  mira = await fitter(server);
});
afterAll(() => server.stop());

const json = async <Answer>(response: Promise<Response>): Promise<Answer> => (await response).json() as Promise<Answer>;
const preview = (book: string, rows: object[], more: object = {}) =>
  json<RowVerdict[]>(lead.request('POST', '/api/moving-in/preview', { book, file: 'list.csv', rows, ...more }));
const take = (book: string, rows: object[], more: object = {}) =>
  lead.request('POST', '/api/moving-in', { book, file: 'list.csv', rows, ...more });
const undo = (id: string) => lead.request('POST', `/api/moving-in/${id}/undo`, {});
const vehicle = (plate: string, over: object = {}) => ({
  plate,
  make: 'Tolvan',
  model: 'Carrick 3.0',
  owner: 'Ines Harrow',
  ...over,
});
const plates = async () => (await json<Vehicle[]>(lead.request('GET', '/api/vehicles'))).map(({ plate }) => plate);

describe('vehicles', () => {
  it('tells new from known by plate or VIN, and names what cannot be', async () => {
    const [known = ''] = await plates();
    const verdicts = await preview('vehicles', [
      vehicle('ZZ 1'),
      vehicle(known.toLowerCase().replace(' ', '-')),
      vehicle('zz1'),
      vehicle('ZZ 2', { modelYear: 1700, owner: ' ' }),
    ]);
    expect(verdicts.map(({ verdict }) => verdict)).toEqual(['new', 'there', 'fault', 'fault']);
    expect(verdicts[2]).toEqual({
      verdict: 'fault',
      faults: [{ field: 'plate', reason: 'stands in the table twice', twin: 0 }],
    });
    expect(verdicts[3]).toMatchObject({ faults: [{ field: 'owner' }, { field: 'modelYear' }] });
  });

  it('one faulty line keeps every line out', async () => {
    const before = await plates();
    const refused = await take('vehicles', [vehicle('ZZ 1'), vehicle('ZZ 2', { modelYear: 1700 })]);
    expect(refused.status).toBe(422);
    expect(await refused.json()).toMatchObject({
      code: 'rowsFaulty',
      verdicts: [{ verdict: 'new' }, { verdict: 'fault' }],
    });
    expect(await plates()).toEqual(before);
  });

  it('comes in, stands in the log, and goes out again; what was there stays', async () => {
    const before = await plates();
    const taken = await json<TakenIn>(take('vehicles', [vehicle('ZZ 1'), vehicle('ZZ 2'), vehicle(before[0] ?? '')]));
    expect(taken).toMatchObject({ taken: 2, there: 1 });
    expect(await plates()).toEqual(expect.arrayContaining(['ZZ 1', 'ZZ 2']));
    const [newest] = (await json<ShopSettings>(lead.request('GET', '/api/shop'))).changes;
    expect(newest?.change).toEqual({ what: 'movedIn', book: 'vehicles', file: 'list.csv', rows: 2, did: 'taken' });
    expect((await undo(taken.id)).status).toBe(200);
    expect((await plates()).sort()).toEqual(before.sort());
    expect((await undo(taken.id)).status).toBe(404);
    const [listed] = await json<MovedIn[]>(lead.request('GET', '/api/moving-in'));
    expect(listed).toMatchObject({ id: taken.id, rows: 2, undoneBy: 'Rafe Orrin' });
  });

  it('stays where one of them was saved again since, and names it', async () => {
    const taken = await json<TakenIn>(take('vehicles', [vehicle('ZZ 5'), vehicle('ZZ 6')]));
    const all = await json<Vehicle[]>(lead.request('GET', '/api/vehicles'));
    const used = all.find(({ plate }) => plate === 'ZZ 6') as Vehicle;
    await lead.request('PUT', `/api/vehicles/${used.id}`, { vehicle: { ...used, note: 'came in' }, version: 1 });
    const refused = await undo(taken.id);
    expect(refused.status).toBe(409);
    expect(await refused.json()).toMatchObject({ code: 'inUseSince', detail: 'ZZ 6.' });
    expect(await plates()).toEqual(expect.arrayContaining(['ZZ 5', 'ZZ 6']));
  });
});

describe('the crib', () => {
  const wrench = (label: string, over: object = {}) => ({
    label,
    kind: 'click',
    squareDrive: '1/2 in',
    fullScaleNm: 200,
    lowestNm: 40,
    scaleUnit: 'N·m',
    intervalMonths: 12,
    calibrationDueOn: '2027-04-03',
    live: false,
    ...over,
  });
  /** Five readings at 20, 60 and 100 % of full scale, off by so much. */
  const readings = (off: number) =>
    [40, 120, 200].flatMap((setNm) => Array.from({ length: 5 }, () => ({ setNm, referenceNm: setNm * (1 + off) })));

  it('a wrench comes with its calibration; one out of limits comes in locked', async () => {
    const rows = [
      wrench('MV-1', { calibration: { on: '2026-04-03', certificate: 'HV-2214', readings: readings(0.01) } }),
      wrench('MV-2', { calibration: { on: '2026-04-03', readings: readings(0.09) } }),
      wrench('MV-3'),
    ];
    const verdicts = await preview('wrenches', rows);
    expect(verdicts.map(({ verdict }) => verdict)).toEqual(['new', 'new', 'new']);
    expect(verdicts[1]).toMatchObject({ remark: expect.stringContaining('comes in locked') });
    const taken = await json<TakenIn>(take('wrenches', rows));
    const { wrenches } = await json<Crib>(lead.request('GET', '/api/crib'));
    const [good, bad] = ['MV-1', 'MV-2'].map((label) => wrenches.find((entry) => entry.label === label));
    expect(good).toMatchObject({ checks: [{ kind: 'calibration', certificate: 'HV-2214', within: true }] });
    expect(good?.locked).toBeUndefined();
    expect(bad?.locked?.because).toContain('calibration was off by');
    // A check since is use.
    await lead.request('POST', `/api/crib/wrenches/${good?.id}/checks`, {
      id: '6c0a8f86-14a4-4f0c-9e1c-0f2ab7c4a901',
      kind: 'check',
      readings: [{ setNm: 120, referenceNm: 120 }],
    });
    expect(await (await undo(taken.id)).json()).toMatchObject({ code: 'inUseSince', detail: 'MV-1.' });
  });
  it('half a calibration, a range upside down, and a label that hangs there', async () => {
    const verdicts = await preview('wrenches', [
      wrench('MV-8', { calibration: { on: '2026-04-03', readings: readings(0).slice(0, 6) } }),
      wrench('MV-9', { lowestNm: 220 }),
      wrench('mv 1'),
    ]);
    expect(verdicts).toMatchObject([
      { verdict: 'fault', faults: [{ field: 'calibration.readings' }] },
      { verdict: 'fault', faults: [{ field: 'lowestNm' }] },
      { verdict: 'there', what: 'MV-1' },
    ]);
  });
  it.each([
    ['tools', { kind: 'socket', name: '27 mm deep socket', drive: { kind: 'hex', acrossFlatsMm: 27 } }],
    [
      'compounds',
      {
        name: 'Medium locker',
        kind: 'threadlockerMedium',
        lot: 'MV-7',
        sizeMl: 50,
        expiresOn: '2027-09-30',
        storeMaxC: 28,
      },
    ],
  ])('%s: as many as there are, and no more the second time', async (book, row) => {
    const taken = await json<TakenIn>(take(book, [row, row]));
    expect(taken).toMatchObject({ taken: 2, there: 0 });
    expect((await preview(book, [row, row, row])).map(({ verdict }) => verdict)).toEqual(['there', 'there', 'new']);
    expect(await json<TakenIn>(take(book, [row, row]))).toMatchObject({ id: '', taken: 0, there: 2 });
    expect((await undo(taken.id)).status).toBe(200);
  });
  it('fasteners, drawer by drawer', async () => {
    const drawer = { bin: 'MV1', kind: 'bolt', name: 'Flange bolt', thread: 'M10 x 1.5', counted: 40 };
    const taken = await json<TakenIn>(take('fasteners', [drawer]));
    expect(await preview('fasteners', [drawer, drawer])).toMatchObject([{ verdict: 'there' }, { verdict: 'fault' }]);
    expect((await undo(taken.id)).status).toBe(200);
  });
});

describe('people', () => {
  it('get a PIN each, told once, and a mentor of the same table; whoever signed in stays', async () => {
    const rows = [
      { name: 'Wren Calder', initials: 'wc', role: 'fitter' },
      { name: 'Pip Sedge', initials: 'ps', role: 'apprentice', mentor: 'WC' },
    ];
    const taken = await json<TakenIn>(take('people', rows));
    expect(taken.pins?.map(({ initials }) => initials)).toEqual(['WC', 'PS']);
    const { people } = await json<ShopSettings>(lead.request('GET', '/api/shop'));
    const wren = people.find(({ initials }) => initials === 'WC');
    expect(people.find(({ initials }) => initials === 'PS')).toMatchObject({ mentor: wren?.id });
    // An instant or an id may hold the same four digits by chance.
    const listed = JSON.stringify(await json(lead.request('GET', '/api/moving-in')), (key, value: unknown) =>
      /AtMs$|^atMs$|^id$/.test(key) ? undefined : value,
    );
    expect(listed).not.toContain(taken.pins?.[0]?.pin);
    const other = new Device(server);
    await other.signIn(wren?.id ?? '', taken.pins?.[0]?.pin ?? '');
    expect(await (await undo(taken.id)).json()).toMatchObject({ code: 'inUseSince', detail: 'Wren Calder.' });
  });
  it('initials of somebody else, and a mentor who is nowhere', async () => {
    expect(
      await preview('people', [
        { name: 'Other Person', initials: 'wc', role: 'fitter' },
        { name: 'Nell Ash', initials: 'na', role: 'apprentice', mentor: 'XX' },
        { name: 'Wren Calder', initials: 'WC', role: 'fitter' },
      ]),
    ).toMatchObject([
      { verdict: 'fault', faults: [{ field: 'initials', reason: 'WC is Wren Calder' }] },
      { verdict: 'fault', faults: [{ field: 'mentor' }] },
      { verdict: 'fault', faults: [{ field: 'initials', reason: 'stands in the table twice', twin: 0 }] },
    ]);
  });
});

describe('kits', () => {
  it('come as at a release, several at once or none, and the last import goes first', async () => {
    const [kit] = await json<KitDocument[]>(lead.request('GET', '/api/kits'));
    const waive = { waive: 'As the sheet has it' };
    const fresh = (id: string) => ({ ...kit, id, revision: 1 });
    const half = await take('kits', [fresh('brought-one'), { ...fresh('brought-two'), groups: 'none' }], waive);
    expect(half.status).toBe(422);
    expect(((await half.json()) as { verdicts: RowVerdict[] }).verdicts[1]).toMatchObject({ verdict: 'fault' });
    const first = await json<TakenIn>(take('kits', [fresh('brought-one'), fresh('brought-two')], waive));
    expect(first.taken).toBe(2);
    expect(await preview('kits', [fresh('brought-one'), kit ?? {}], waive)).toMatchObject([
      { verdict: 'there' },
      { verdict: 'there' },
    ]);
    const second = await json<TakenIn>(take('kits', [fresh('brought-three')], waive));
    expect(await (await undo(first.id)).json()).toMatchObject({ code: 'notTheLast' });
    expect((await undo(second.id)).status).toBe(200);
    expect((await undo(first.id)).status).toBe(200);
    expect((await lead.request('GET', '/api/kits/brought-one')).status).toBe(404);
  });
});

it('is a lead’s', async () => {
  expect((await mira.request('GET', '/api/moving-in')).status).toBe(403);
  const refused = await mira.request('POST', '/api/moving-in', {
    book: 'vehicles',
    file: 'x',
    rows: [vehicle('ZZ 9')],
  });
  expect(refused.status).toBe(403);
  expect((await take('boats', [{}])).status).toBe(422);
});
