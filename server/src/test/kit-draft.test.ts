import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { DataSource } from 'typeorm';
import type { DraftCard, KitCard, KitDraft, RevisionCard } from '#contract/kit-draft.ts';
import { readKit } from '#contract/read-kit.ts';
import { blankKit } from '#core/kit/blank-kit.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { findingKey } from '#core/kit/lint/finding.ts';
import { lintKit } from '#core/kit/lint/lint.ts';
import { FRONT_LIFT, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { type Device, fitter, openGuard, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
let mira: Device;
let lead: Device;
let apprentice: Device;

beforeAll(async () => {
  server = await startTestServer();
  mira = await fitter(server);
  lead = await fitter(server, 'u-orrin', '1357');
  apprentice = await fitter(server, 'u-hob', '1122');
});
afterAll(() => server.stop());

const BASE = '/api/kit-library';
const json = async <T>(response: Promise<Response>): Promise<T & { code?: string }> =>
  (await response).json() as Promise<T & { code?: string }>;
const revise = (device: Device, id = TRANSFER_CASE_GUARD.id) =>
  json<KitDraft>(device.request('POST', `${BASE}/${id}/revise`));
const save = (device: Device, draft: KitDraft, document: KitDocument, version = draft.version) =>
  json<KitDraft & { draft?: KitDraft }>(device.request('PUT', `${BASE}/drafts/${document.id}`, { document, version }));
const release = (
  device: Device,
  id: string,
  version: number,
  waivers: object[] = [],
  note = 'As printed in the new sheet',
) =>
  json<{ revision?: number; faults?: object[] }>(
    device.request('POST', `${BASE}/drafts/${id}/release`, { version, note, waivers }),
  );
const discard = (id = TRANSFER_CASE_GUARD.id) => mira.request('DELETE', `${BASE}/drafts/${id}`);

describe('writing a kit', () => {
  it('a revision is drafted, saved, released, and jobs opened before keep theirs', async () => {
    const job = await openGuard(mira);
    const draft = await revise(mira);
    expect(draft).toMatchObject({
      version: 1,
      changedBy: 'Mira Vane',
      document: { revision: TRANSFER_CASE_GUARD.revision + 1 },
    });
    const document = { ...draft.document, statedMinutes: 50 };
    const saved = await save(mira, draft, document);
    expect(saved.version).toBe(2);
    const warnings = lintKit(document).filter((finding) => finding.severity === 'warning');
    const waivers = warnings.map((finding) => ({ key: findingKey(finding), reason: 'Checked with the maker' }));
    expect(await release(lead, document.id, 2, waivers)).toMatchObject({
      id: document.id,
      revision: document.revision,
    });

    const revisions = await json<RevisionCard[]>(mira.request('GET', `${BASE}/${document.id}/revisions`));
    expect(revisions[0]).toMatchObject({
      revision: document.revision,
      note: 'As printed in the new sheet',
      releasedBy: 'Rafe Orrin',
    });
    expect(revisions.map((entry) => entry.revision)).toContain(TRANSFER_CASE_GUARD.revision);
    expect((await mira.job(job)).kits[0]?.document.revision).toBe(TRANSFER_CASE_GUARD.revision);
    expect((await json<KitDocument>(mira.request('GET', `/api/kits/${document.id}`))).statedMinutes).toBe(50);
    const file = await (await mira.request('GET', `${BASE}/${document.id}/revisions/${document.revision}/file`)).text();
    expect(readKit(file)).toEqual({ ok: true, value: document });
    // The draft is gone with its release.
    expect((await json<object>(mira.request('GET', `${BASE}/drafts/${document.id}`))).code).toBe('unknownDraft');
  });

  it('two people: the second save is told, with what the first one saved, and nothing is lost', async () => {
    const draft = await revise(mira);
    expect(await save(lead, draft, { ...draft.document, maker: 'Lowmoor Fabrication, new works' })).toMatchObject({
      version: 2,
    });
    const late = await save(mira, draft, { ...draft.document, title: 'Guard' });
    expect(late).toMatchObject({
      code: 'draftChanged',
      draft: { version: 2, changedBy: 'Rafe Orrin', document: { maker: 'Lowmoor Fabrication, new works' } },
    });
    // Having seen it, she may save over it.
    expect(await save(mira, draft, { ...draft.document, title: 'Guard' }, 2)).toMatchObject({ version: 3 });
    await discard();
  });

  it('at the same moment: one of two saves wins, the other is told', async () => {
    const draft = await revise(mira);
    const both = await Promise.all([
      save(mira, draft, { ...draft.document, title: 'A' }),
      save(lead, draft, { ...draft.document, title: 'B' }),
    ]);
    expect(both.map((answer) => answer.code ?? 'saved').sort()).toEqual(['draftChanged', 'saved']);
    await discard();
  });

  it('errors block a release; a warning needs a reason and a lead', async () => {
    const draft = await revise(mira);
    const broken = structuredClone(draft.document);
    for (const station of broken.stations)
      station.specs = [{ spec: { kind: 'torque', targetNm: 90 }, printed: '90 N·m' }];
    await save(mira, draft, broken);
    expect(await release(lead, broken.id, 2)).toMatchObject({
      code: 'kitNotReleasable',
      faults: expect.arrayContaining([expect.objectContaining({ path: 'stations[0].specs[0]' })]),
    });
    const loose = structuredClone(draft.document);
    (loose.groups[0] as { torqueOrder?: object }).torqueOrder = undefined;
    await save(mira, draft, loose, 2);
    const warnings = lintKit(loose).filter((finding) => finding.severity === 'warning');
    expect(warnings.length).toBeGreaterThan(0);
    expect((await release(lead, loose.id, 3)).code).toBe('kitNotReleasable');
    const waivers = warnings.map((finding) => ({ key: findingKey(finding), reason: 'The sheet prints none' }));
    expect((await release(mira, loose.id, 3, waivers)).code).toBe('waiverNeedsLead');
    expect((await release(lead, loose.id, 2, waivers)).code).toBe('draftChanged');
    expect(await release(lead, loose.id, 3, waivers)).toMatchObject({ revision: loose.revision });
    const [newest] = await json<RevisionCard[]>(mira.request('GET', `${BASE}/${loose.id}/revisions`));
    expect(newest?.waivers).toContainEqual({
      key: waivers[0]?.key,
      reason: 'The sheet prints none',
      by: 'Rafe Orrin',
    });
  });

  it('what a dry run does not bring to its end is neither released nor imported, and says where it stands', async () => {
    const draft = await revise(mira, FRONT_LIFT.id);
    // The guard's own bolts are never tightened: what holds it meanwhile stays on.
    const without = {
      ...draft.document,
      steps: draft.document.steps.filter(({ actions }) =>
        actions.every((action) => action.type !== 'torque' || action.group !== 'guard'),
      ),
    };
    expect(without.steps.length).toBeLessThan(draft.document.steps.length);
    expect(lintKit(without).filter(({ severity }) => severity === 'error')).toEqual([]);
    await save(mira, draft, without);
    const everything = [{ key: '*', reason: 'Tried' }];
    const refused = await release(lead, without.id, 2, everything);
    expect(refused).toMatchObject({ code: 'kitNotReleasable', faults: [{ path: 'steps' }] });
    expect(JSON.stringify(refused.faults)).toContain('Dead end at ');
    const file = JSON.stringify({ ...without, revision: 40 });
    expect(await json<object>(lead.request('POST', '/api/kits?waive=Tried', file))).toMatchObject({
      code: 'kitNotReleasable',
      faults: refused.faults,
    });
    await discard(FRONT_LIFT.id);
  });

  it('a draft with broken references is kept, and not released', async () => {
    const document = {
      ...blankKit('half-done', 'Half done', 'Pennant Works'),
      groups: [
        {
          id: 'g',
          title: 'G',
          map: { title: 'G', note: '', widthMm: 100, heightMm: 100, shapes: [] },
          stations: ['nowhere'],
        },
      ],
    };
    const made = await json<KitDraft>(mira.request('POST', `${BASE}/drafts`, { document, sheet: 'Torque to 40 Nm.' }));
    expect(made).toMatchObject({ version: 1, sheet: 'Torque to 40 Nm.', document: { revision: 1 } });
    expect((await json<object>(mira.request('POST', `${BASE}/drafts`, { document }))).code).toBe('draftExists');
    expect(await release(lead, 'half-done', 1)).toMatchObject({
      code: 'kitFaulty',
      faults: expect.arrayContaining([{ path: 'groups[0].stations[0]', message: expect.stringContaining('nowhere') }]),
    });
    expect((await json<DraftCard[]>(mira.request('GET', `${BASE}/drafts`))).map((card) => card.id)).toContain(
      'half-done',
    );
    await discard('half-done');
  });

  it('refuses what is no kit, an apprentice, and what is not there', async () => {
    expect((await json<object>(mira.request('POST', `${BASE}/drafts`, { document: { format: 'other' } }))).code).toBe(
      'badRequest',
    );
    expect((await json<object>(mira.request('POST', `${BASE}/drafts`, '{'))).code).toBe('badRequest');
    expect((await revise(apprentice)).code).toBe('notPermitted');
    expect((await revise(mira, 'no-such-kit')).code).toBe('unknownKit');
    expect((await discard('no-such-kit')).status).toBe(404);
    expect((await mira.request('GET', `${BASE}/${TRANSFER_CASE_GUARD.id}/revisions/99`)).status).toBe(404);
  });

  it('keeps the words the shop has for its compounds', async () => {
    const words = [
      { words: 'Green drop', compound: 'retaining' },
      { words: 'green drop', compound: 'threadlockerMedium' },
    ];
    expect(await json(mira.request('PUT', `${BASE}/lexicon`, words))).toEqual([words[1]]);
    expect(await json(lead.request('GET', `${BASE}/lexicon`))).toEqual([words[1]]);
    expect((await json<object>(mira.request('PUT', `${BASE}/lexicon`, [{ words: '', compound: 'oil' }]))).code).toBe(
      'badRequest',
    );
    expect((await json<object>(apprentice.request('PUT', `${BASE}/lexicon`, words))).code).toBe('notPermitted');
  });

  it('lists the library with what the lint says of each', async () => {
    const library = await json<KitCard[]>(mira.request('GET', `${BASE}/library`));
    expect(library.length).toBeGreaterThanOrEqual(3);
    for (const card of library) expect(card.errors).toBe(0);
  });
});

describe('a page or figure of a sheet', () => {
  const PNG = Buffer.concat([Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]), Buffer.alloc(80, 3)]);
  const post = (device: Device, bytes: Buffer, type: string) =>
    device.request('POST', `${BASE}/pictures`, bytes, { 'Content-Type': type });

  it('is kept under the hash of its bytes, once, and never changes', async () => {
    const first = await json<{ sha256: string }>(post(mira, PNG, 'image/png'));
    const again = await json<{ sha256: string }>(post(lead, PNG, 'image/png'));
    expect(first.sha256).toMatch(/^[0-9a-f]{64}$/);
    expect(again).toEqual(first);
    expect(await server.source.query('SELECT added_by FROM kit_picture')).toEqual([{ added_by: 'u-vane' }]);
    // Anybody who works from a kit sees its pictures.
    const shown = await apprentice.request('GET', `${BASE}/pictures/${first.sha256}`);
    expect(shown.headers.get('content-type')).toBe('image/png');
    expect(shown.headers.get('cache-control')).toContain('immutable');
    expect(Buffer.from(await shown.arrayBuffer())).toEqual(PNG);
    // The running server may add pictures and read them, and do nothing else to them.
    const application = await new DataSource({ type: 'mariadb', ...server.config.database }).initialize();
    try {
      for (const statement of ["UPDATE kit_picture SET type = ''", 'DELETE FROM kit_picture'])
        await expect(application.query(statement)).rejects.toThrow(/denied/);
    } finally {
      await application.destroy();
    }
  });
  it('is one by its content, comes from who writes kits, and is not found under another hash', async () => {
    expect((await post(mira, Buffer.from('<html></html>'), 'image/png')).status).toBe(422);
    expect((await post(mira, PNG, 'image/jpeg')).status).toBe(422);
    expect((await post(apprentice, PNG, 'image/png')).status).toBe(403);
    expect((await mira.request('GET', `${BASE}/pictures/${'0'.repeat(64)}`)).status).toBe(404);
    expect((await mira.request('GET', `${BASE}/pictures/nope`)).status).toBe(422);
  });
});
