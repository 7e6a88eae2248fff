import { describe, expect, it } from '@jest/globals';
import { readSheet } from '../../sheet/read-sheet.ts';
import { kitFaults } from '../kit-integrity.ts';
import { correctDraft } from './correct-draft.ts';
import { draftKit } from './draft-kit.ts';
import type { Assumption, Draft } from './drafting.ts';

const SHEET = `In the kit: two brackets, four M10 x 35 bolts.
1. Remove the splash guard.
2. Bolts of the brackets, four M10 x 35, 45 Nm. Use threadlocker.
3. Tighten the tray clamps to 12 Nm in a star pattern.
4. Lug nuts 110 Nm crosswise.`;

const drafted = (text = SHEET): Draft => {
  const reading = readSheet(text);
  return draftKit(reading, reading.facts, { id: 'd', title: 'D', maker: 'Lowmoor Fabrication' });
};
const find = (draft: Draft, code: Assumption['code'], about: RegExp): Assumption => {
  const found = draft.assumed.find((entry) => entry.code === code && about.test(entry.about));
  if (!found) throw new Error(`${code} ${about} is not among ${draft.assumed.map((e) => `${e.code} ${e.about}`)}`);
  return found;
};
const group = ({ kit }: Draft, title: RegExp) => {
  const at = kit.groups.findIndex((entry) => title.test(entry.title));
  const ids = kit.groups[at]?.stations ?? [];
  return { own: kit.groups[at], stations: ids.map((id) => kit.stations.find((station) => station.id === id)) };
};

describe('correcting what a draft assumed', () => {
  it('gives a joint as many stations as there are, with labels of their own, in their row', () => {
    const before = drafted();
    const after = correctDraft(before, find(before, 'countAssumed', /lug/i), { says: 'stations', count: 5 });
    const { own, stations } = group(after, /lug/i);
    expect(own?.stations).toHaveLength(5);
    expect(new Set(after.kit.stations.map(({ label }) => label)).size).toBe(after.kit.stations.length);
    expect(own?.map.widthMm).toBe(340);
    expect(own?.torqueOrder).toEqual({ pattern: 'cross' });
    const nut = after.kit.items.find(({ name }) => /lug/i.test(name));
    expect(nut?.quantity).toBe(5);
    expect(stations.every((station) => station?.stack.some((piece) => piece.kind === 'hardware'))).toBe(true);
    expect(after.assumed).not.toContainEqual(expect.objectContaining({ code: 'countAssumed', about: own?.title }));
    expect(kitFaults(after.kit)).toEqual([]);
    // The one given is as it was.
    expect(group(before, /lug/i).own?.stations).toHaveLength(1);
  });
  it('takes stations away again, from the end', () => {
    const first = drafted();
    const claim = find(first, 'countAssumed', /lug/i);
    const five = correctDraft(first, claim, { says: 'stations', count: 5 });
    const two = correctDraft({ ...five, assumed: [claim] }, claim, { says: 'stations', count: 2 });
    expect(group(two, /lug/i).own?.stations).toEqual(group(five, /lug/i).own?.stations.slice(0, 2));
    expect(two.kit.stations).toHaveLength(five.kit.stations.length - 3);
    expect(kitFaults(two.kit)).toEqual([]);
  });
  it('gives every station of a joint its drive', () => {
    const before = drafted();
    const after = correctDraft(before, find(before, 'driveFromThread', /M10|bracket/i), {
      says: 'drive',
      drive: { kind: 'hex', acrossFlatsMm: 16 },
    });
    expect(group(after, /M10|bracket/i).stations.map((station) => station?.drive)).toEqual(
      Array(4).fill({ kind: 'hex', acrossFlatsMm: 16 }),
    );
  });
  it('settles a locker and its strength at once, and keeps no locker of unknown strength', () => {
    const before = drafted();
    const claim = find(before, 'strengthAssumed', /./);
    const after = correctDraft(before, claim, { says: 'compound', compound: 'threadlockerHigh' });
    const used = new Set(group(after, /M10|bracket/i).stations.map((station) => station?.compound));
    expect([...used].map((id) => after.kit.compounds.find((compound) => compound.id === id)?.kind)).toEqual([
      'threadlockerHigh',
    ]);
    expect(after.assumed.some(({ code }) => code === 'strengthAssumed')).toBe(false);
    const dry = correctDraft(before, claim, { says: 'compound', compound: 'none' });
    expect(group(dry, /M10|bracket/i).stations.every((station) => station?.compound === undefined)).toBe(true);
  });
  it('sets where a removed thing ends, and lets what is right stand', () => {
    const before = drafted();
    const claim = find(before, 'fateUnknown', /splash/i);
    expect(correctDraft(before, claim, { says: 'fate', fate: 'scrap' }).kit.removed[0]?.fate).toBe('scrap');
    const right = correctDraft(before, claim, { says: 'right' });
    expect(right.kit).toBe(before.kit);
    expect(right.assumed).toHaveLength(before.assumed.length - 1);
  });
  it('refuses what does not answer the assumption, and what is not there', () => {
    const before = drafted();
    const claim = find(before, 'fateUnknown', /splash/i);
    expect(() => correctDraft(before, claim, { says: 'stations', count: 3 })).toThrow(/takes no correction/);
    expect(() => correctDraft(before, { ...claim, path: 'removed[9]' }, { says: 'fate', fate: 'keep' })).toThrow(
      /removed\[9\]/,
    );
  });
  it('keeps a draft faultless whatever is answered to all of it', () => {
    for (const count of [1, 3, 8, 24]) {
      let draft = drafted();
      for (const entry of draft.assumed) {
        if (!draft.assumed.includes(entry)) continue;
        draft = correctDraft(
          draft,
          entry,
          entry.code === 'countAssumed' ? { says: 'stations', count } : { says: 'right' },
        );
      }
      expect(draft.assumed).toEqual([]);
      expect(kitFaults(draft.kit)).toEqual([]);
    }
  });
});
