import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { ReorderLine } from '#core/crib/bottle.ts';
import type { ShelfLine } from '#core/crib/shelf.ts';
import { leftOnShelf, stockPieceOf } from '#core/crib/shelf.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { type Device, fitter, openGuard, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
let mira: Device;
let hob: Device;
beforeAll(async () => {
  server = await startTestServer();
  mira = await fitter(server);
  hob = await fitter(server, 'u-hob', '1122');
});
afterAll(() => server.stop());

const shelf = async (): Promise<ShelfLine[]> =>
  (await mira.request('GET', '/api/shelf')).json() as Promise<ShelfLine[]>;
const drawer = async (bin: string): Promise<ShelfLine> => {
  const found = (await shelf()).find((line) => line.bin === bin);
  if (!found) throw new Error(bin);
  return found;
};
const reorder = async (): Promise<ReorderLine[]> =>
  (await mira.request('GET', '/api/crib/reorder')).json() as Promise<ReorderLine[]>;
const BOLT = {
  kind: 'bolt',
  name: 'Bolt M8 × 25',
  thread: 'M8 x 1.25',
  lengthMm: 25,
  bin: 'Z1',
  counted: 20,
  lowAt: 3,
};

describe('drawers of fasteners', () => {
  it('are put up together or not at all, by those who keep stock', async () => {
    const before = (await shelf()).length;
    const bad = await mira.request('POST', '/api/shelf', { drawers: [BOLT, { ...BOLT, bin: 'Z2', counted: -1 }] });
    expect(bad.status).toBe(422);
    expect(JSON.stringify(await bad.json())).toContain('counted');
    expect((await shelf()).length).toBe(before);
    expect(
      (await mira.request('POST', '/api/shelf', { drawers: [BOLT, { ...BOLT, bin: 'Z2', name: 'Z' }] })).status,
    ).toBe(201);
    expect((await shelf()).length).toBe(before + 2);
    expect((await hob.request('POST', '/api/shelf', { drawers: [BOLT] })).status).toBe(403);
  });

  it('what a job takes is told by its record; a new count begins anew', async () => {
    const job = await openGuard(mira);
    const bolt = TRANSFER_CASE_GUARD.items.find((item) => item.kind === 'bolt');
    if (!bolt) throw new Error('no bolt');
    const { kind, name, thread, lengthMm, head, propertyClass, finish } = bolt;
    const like = { kind, name, thread, lengthMm, head, propertyClass, finish };
    await mira.request('POST', '/api/shelf', {
      drawers: [
        { ...like, bin: 'Y1', counted: 9 },
        { ...like, lengthMm: (lengthMm ?? 0) - 5, bin: 'Y2', counted: 9 },
      ],
    });
    const take = async (bin: string, quantity: number) => {
      const piece = stockPieceOf(await drawer(bin));
      const sent = await mira.send(
        job,
        mira.input({ type: 'useShopStock', item: bolt.id, quantity, reason: 'one was short', piece }),
      );
      return sent.results[0];
    };
    expect(await take('Y2', 1)).toMatchObject({ ok: false, refusal: { code: 'substituteWeaker' } });
    expect(await take('Y1', 2)).toMatchObject({ ok: true });
    expect((await drawer('Y2')).taken).toBe(0);
    expect(leftOnShelf(await drawer('Y1'))).toBe(7);
    // Counted anew: what was taken before is in the count.
    const { id, taken: _t, countedAtMs: _c, ...card } = await drawer('Y1');
    await mira.request('PUT', `/api/shelf/${id}`, { ...card, counted: 5 });
    expect(await drawer('Y1')).toMatchObject({ counted: 5, taken: 0 });
    // Said again with nothing counted, the count and what was taken stay.
    await take('Y1', 1);
    await mira.request('PUT', `/api/shelf/${id}`, { ...card, counted: 4, name: 'Guard bolt' });
    expect(await drawer('Y1')).toMatchObject({ name: 'Guard bolt', counted: 5, taken: 1 });
  });

  it('changed and counted by hand; nearly empty it is on the order list; taken down it is gone', async () => {
    const line = await drawer('Z2');
    const { id, taken: _t, countedAtMs: _c, ...card } = line;
    expect((await mira.request('PUT', `/api/shelf/${id}`, { ...card, counted: 2, lowAt: 3 })).status).toBe(200);
    expect(leftOnShelf(await drawer('Z2'))).toBe(2);
    expect(await reorder()).toContainEqual({ what: 'fastener', name: 'Z, drawer Z2', because: 'low', figure: 2 });
    expect((await mira.request('PUT', '/api/shelf/none', { ...card })).status).toBe(404);
    expect((await mira.request('DELETE', `/api/shelf/${id}`)).status).toBe(200);
    expect((await shelf()).some((entry) => entry.id === id)).toBe(false);
    expect((await mira.request('DELETE', `/api/shelf/${id}`)).status).toBe(404);
  });
});

describe('the supplier', () => {
  it('promises, and gives an order its number', async () => {
    const wanted = { name: 'Flange bolt', thread: 'M10 x 1.5', quantity: 4, special: false };
    const promised = (await (await mira.request('POST', '/api/supplier/promises', wanted)).json()) as {
      promisedMs: number;
    };
    expect(promised.promisedMs).toBeGreaterThan(Date.now());
    const ordered = await mira.request('POST', '/api/supplier/orders', wanted);
    expect(ordered.status).toBe(201);
    expect(await ordered.json()).toMatchObject({ supplier: expect.any(String), order: expect.stringMatching(/^H-/) });
    expect((await mira.request('POST', '/api/supplier/orders', { ...wanted, quantity: 0 })).status).toBe(422);
  });
});
