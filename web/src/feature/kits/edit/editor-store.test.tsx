import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import type { KitDraft } from '#contract/kit-draft.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { Shop } from '../../../test/stage.tsx';
import { freshId, put, useEditor } from './editor-store.ts';
import { addStations, mirrorStations, moveStations, widenFor } from './map/map-stations.ts';

const DRAFT = '/kit-library/drafts/transfer-case-guard';
const draft = (over: Partial<KitDraft> = {}): KitDraft => ({
  document: structuredClone(TRANSFER_CASE_GUARD),
  version: 3,
  changedAtMs: 1000,
  changedBy: 'Mira Vane',
  ...over,
});
const KEY = 'kit-draft transfer-case-guard';
const kept = () =>
  JSON.parse(localStorage.getItem(KEY) ?? 'null') as { kit: { title: string }; version: number } | null;
const editor = () => useEditor.getState();
const title = () => editor().kit?.title;
const rename = (to: string) =>
  editor().change((kit) => {
    kit.title = to;
  });
let shop: Shop;

beforeEach(async () => {
  localStorage.clear();
  shop = new Shop().on(`GET ${DRAFT}`, { body: draft() });
  globalThis.fetch = shop.fetch as typeof fetch;
  await editor().open('transfer-case-guard');
});
afterEach(() => useEditor.temporal.getState().clear());

const saves = (version = 4) =>
  shop.on(`PUT ${DRAFT}`, ({ body }) => ({
    body: draft({ ...(body as object), version, changedBy: 'Mira Vane', changedAtMs: 2000 }),
  }));

describe('a kit being written', () => {
  it('is opened saved, with who changed it', () =>
    expect(editor()).toMatchObject({ save: 'saved', version: 3, changedBy: 'Mira Vane', restored: false }));
  it('a change is kept on the device before it is anywhere else', () => {
    rename('Guard, heavy');
    expect(editor().save).toBe('unsaved');
    expect(kept()).toMatchObject({ kit: { title: 'Guard, heavy' }, version: 3 });
  });
  it('a change that changes nothing is none', () => {
    editor().change((kit) => {
      kit.title = String(kit.title);
    });
    expect(editor().save).toBe('saved');
    expect(kept()).toBeNull();
  });
  it('saved, it has the new version and leaves no copy behind', async () => {
    saves();
    rename('Guard, heavy');
    await editor().store();
    expect(shop.sent('PUT')[0]?.body).toMatchObject({ version: 3, document: { title: 'Guard, heavy' } });
    expect(editor()).toMatchObject({ save: 'saved', version: 4 });
    expect(kept()).toBeNull();
  });
  it('typed on while it was being saved: not saved yet, and the copy is of the newest', async () => {
    let answer: () => void = () => undefined;
    const gate = new Promise<void>((settle) => {
      answer = settle;
    });
    shop.on(`PUT ${DRAFT}`, ({ body }) => gate.then(() => ({ body: draft({ ...(body as object), version: 4 }) })));
    rename('one');
    const saving = editor().store();
    expect(editor().save).toBe('saving');
    rename('two');
    answer();
    await saving;
    expect(editor()).toMatchObject({ save: 'unsaved', version: 4 });
    expect(kept()).toMatchObject({ kit: { title: 'two' }, version: 4 });
  });
  it('the server away: nothing is lost, and it says so', async () => {
    shop.on(`PUT ${DRAFT}`, 'unreachable');
    rename('Guard, heavy');
    await editor().store();
    expect(editor().save).toBe('offline');
    expect(editor().failure).toContain('The server cannot be reached');
    expect(title()).toBe('Guard, heavy');
    expect(kept()).not.toBeNull();
    saves();
    await editor().store();
    expect(editor()).toMatchObject({ save: 'saved', failure: undefined });
  });
  it('refused: the reason is kept, and so is the work', async () => {
    shop.on(`PUT ${DRAFT}`, { problem: { code: 'kitFaulty', status: 422, title: 'No kit', detail: 'title: empty' } });
    rename('');
    await editor().store();
    expect(editor()).toMatchObject({ save: 'offline', failure: 'No kit. title: empty' });
    expect(title()).toBe('');
  });
  it('reloaded before it was saved: the copy is taken up and said to be', async () => {
    rename('Guard, heavy');
    await editor().open('transfer-case-guard');
    expect(editor()).toMatchObject({ restored: true, save: 'unsaved', version: 3 });
    expect(title()).toBe('Guard, heavy');
  });
  it('a copy half written is thrown away, not the draft', async () => {
    localStorage.setItem(KEY, '{"kit": {"ti');
    await editor().open('transfer-case-guard');
    expect(title()).toBe(TRANSFER_CASE_GUARD.title);
    expect(localStorage.getItem(KEY)).toBeNull();
  });
  it('a copy that is what the server has is no unsaved work', async () => {
    localStorage.setItem(KEY, JSON.stringify({ kit: TRANSFER_CASE_GUARD, version: 3 }));
    await editor().open('transfer-case-guard');
    expect(editor()).toMatchObject({ restored: false, save: 'saved' });
  });
  it('a device without room keeps working', () => {
    const setItem = Storage.prototype.setItem;
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    try {
      rename('Guard, heavy');
      expect(title()).toBe('Guard, heavy');
    } finally {
      Storage.prototype.setItem = setItem;
    }
  });
  it('that cannot be read says why', async () => {
    shop.on(`GET ${DRAFT}`, { problem: { code: 'unknownDraft', status: 404, title: 'No such draft' } });
    await editor().open('transfer-case-guard');
    expect(editor()).toMatchObject({ kit: undefined, failure: 'No such draft' });
    rename('nothing to change');
    expect(editor().kit).toBeUndefined();
    await editor().store();
    expect(shop.sent('PUT')).toEqual([]);
  });
});

describe('two people on one kit', () => {
  const theirs = () =>
    draft({ version: 7, changedBy: 'Tam', document: { ...TRANSFER_CASE_GUARD, title: 'Tam’s guard' } });
  const conflict = async () => {
    shop.on(`PUT ${DRAFT}`, { problem: { code: 'draftChanged', status: 409, draft: theirs() } as never });
    rename('Mira’s guard');
    await editor().store();
  };
  it('the second is shown the first’s, and keeps hers', async () => {
    await conflict();
    expect(editor().save).toBe('conflict');
    expect(editor().theirs?.document.title).toBe('Tam’s guard');
    expect(title()).toBe('Mira’s guard');
    rename('Mira’s guard, longer');
    expect(editor().save).toBe('conflict');
  });
  it('hers over theirs is saved from their version', async () => {
    await conflict();
    saves(8);
    await editor().settle('mine');
    expect(shop.sent('PUT').at(-1)?.body).toMatchObject({ version: 7, document: { title: 'Mira’s guard' } });
    expect(editor()).toMatchObject({ save: 'saved', version: 8, theirs: undefined });
  });
  it('theirs instead of hers leaves no copy that would come back', async () => {
    await conflict();
    await editor().settle('theirs');
    expect(title()).toBe('Tam’s guard');
    expect(editor()).toMatchObject({ save: 'saved', version: 7 });
    expect(kept()).toBeNull();
  });
  it('without a conflict there is nothing to settle', async () => {
    await editor().settle('mine');
    expect(shop.sent('PUT')).toEqual([]);
  });
});

describe('undo', () => {
  const past = () => useEditor.temporal.getState();
  it('takes back one change at a time, and brings it again', () => {
    rename('one');
    rename('two');
    past().undo();
    expect(title()).toBe('one');
    past().undo();
    expect(title()).toBe(TRANSFER_CASE_GUARD.title);
    past().redo();
    expect(title()).toBe('one');
  });
  it('does not reach into the kit that was open before, and saving is no step of it', async () => {
    saves();
    rename('one');
    await editor().store();
    past().undo();
    expect(title()).toBe(TRANSFER_CASE_GUARD.title);
    rename('again');
    localStorage.clear();
    await editor().open('transfer-case-guard');
    expect(past().pastStates).toEqual([]);
  });
});

describe('stations on the map', () => {
  const kit = () => structuredClone(TRANSFER_CASE_GUARD);
  const group = TRANSFER_CASE_GUARD.groups[0]?.id ?? '';
  it('are moved to a hundredth of a millimetre; one that is gone is left out', () => {
    const draftKit = kit();
    const id = draftKit.stations[0]?.id ?? '';
    moveStations(draftKit, [
      { id, xMm: 10.12345, yMm: -3.999 },
      { id: 'gone', xMm: 0, yMm: 0 },
    ]);
    expect(draftKit.stations[0]).toMatchObject({ xMm: 10.12, yMm: -4 });
  });
  it('new ones continue the labels, stand in their group, and have no figure that nobody gave', () => {
    const draftKit = kit();
    const before = draftKit.stations.length;
    addStations(draftKit, group, [
      { xMm: 1, yMm: 2 },
      { xMm: 3, yMm: 4 },
    ]);
    const made = draftKit.stations.slice(before);
    expect(new Set(draftKit.stations.map(({ id }) => id)).size).toBe(before + 2);
    expect(new Set(draftKit.stations.map(({ label }) => label)).size).toBe(before + 2);
    expect(draftKit.groups[0]?.stations.slice(-2)).toEqual(made.map(({ id }) => id));
    expect(made[0]?.specs[0]?.spec).toEqual({ kind: 'missing', why: 'notGiven' });
  });
  it('like a sample, they are copies: changing one leaves the other', () => {
    const draftKit = kit();
    const [sample] = draftKit.stations;
    addStations(draftKit, group, [{ xMm: 1, yMm: 2 }], sample);
    const made = draftKit.stations.at(-1);
    expect(made?.stack).toEqual(sample?.stack);
    made?.stack.pop();
    expect(made?.stack).not.toEqual(sample?.stack);
  });
  it('mirrored, they lie as far on the other side, under the other side’s name', () => {
    const draftKit = kit();
    const [sample] = draftKit.stations;
    if (!sample) throw new Error('a station');
    const left = { ...sample, name: 'Left front', side: 'left' as const, xMm: -40 };
    mirrorStations(draftKit, group, [left], 10);
    expect(draftKit.stations.at(-1)).toMatchObject({ name: 'right front', side: 'right', xMm: 60, yMm: sample.yMm });
  });
  it('the sheet grows for holes and never shrinks', () => {
    const draftKit = kit();
    const map = draftKit.groups[0]?.map;
    const [wide, high] = [map?.widthMm ?? 0, map?.heightMm ?? 0];
    widenFor(draftKit, group, [{ xMm: wide + 100.2, yMm: 1 }]);
    expect(map).toMatchObject({ widthMm: Math.ceil(wide + 140.2), heightMm: high });
    widenFor(draftKit, 'gone', [{ xMm: 9999, yMm: 1 }]);
    expect(map?.widthMm).toBe(Math.ceil(wide + 140.2));
  });
});

describe('small tools of the editor', () => {
  it('a fresh id is the wish, or the wish with a number', () => {
    expect(freshId([], 's1')).toBe('s1');
    expect(freshId([{ id: 's1' }, { id: 's1-2' }], 's1')).toBe('s1-3');
  });
  it('a field is set, or taken away; a target that is gone is left alone', () => {
    const target: { a?: number } = {};
    put(target, 'a', 4);
    expect(target).toEqual({ a: 4 });
    put(target, 'a', undefined);
    expect('a' in target).toBe(false);
    expect(() => put(undefined as { a?: number } | undefined, 'a', 1)).not.toThrow();
  });
});
