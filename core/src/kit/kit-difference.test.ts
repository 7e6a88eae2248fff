import { describe, expect, it } from '@jest/globals';
import { kitChangeText } from '#contract/wording/kit-difference-text.ts';
import { DEMO_KITS, FRONT_RECOVERY_POINTS } from '#demo/kits.ts';
import { kitDifference } from './kit-difference.ts';
import type { KitDocument } from './kit-document.ts';

const changed = (change: (kit: KitDocument) => void): string[] => {
  const kit = structuredClone(FRONT_RECOVERY_POINTS);
  change(kit);
  return kitDifference(FRONT_RECOVERY_POINTS, kit).map(kitChangeText);
};

describe('the difference between two revisions', () => {
  it('is empty for equal documents, whatever their revision number', () => {
    for (const kit of DEMO_KITS)
      expect(kitDifference(kit, { ...structuredClone(kit), revision: kit.revision + 1 })).toEqual([]);
  });
  it('tells a torque that a whole group changed once', () => {
    const at = (targetNm: number, printed: string) => {
      const kit = structuredClone(FRONT_RECOVERY_POINTS);
      const [group] = kit.groups;
      for (const station of kit.stations)
        if (group?.stations.includes(station.id)) station.specs = [{ spec: { kind: 'torque', targetNm }, printed }];
      return kit;
    };
    const [group] = FRONT_RECOVERY_POINTS.groups;
    expect(kitDifference(at(62.4, '46 lbf·ft'), at(70.5, '52 lbf·ft')).map(kitChangeText)).toEqual([
      `torque of group ${group?.title} (${group?.stations.length} stations) 46 → 52 lbf·ft`,
    ]);
  });
  it('tells one station by its label', () => {
    expect(
      changed((kit) => {
        const [station] = kit.stations;
        if (station) station.specs = [{ spec: { kind: 'torque', targetNm: 60 }, printed: '60 N·m' }];
      }),
    ).toEqual([expect.stringMatching(/^torque of station \S+ .* → 60 N·m$/)]);
  });
  it('tells what was added, taken out and moved', () => {
    expect(changed((kit) => kit.cautions.push({ id: 'new', text: 'Hot parts' }))).toEqual(['added: Hot parts']);
    expect(changed((kit) => kit.aftercare.splice(0, 1))).toEqual([expect.stringMatching(/^taken out: /)]);
    expect(changed((kit) => kit.items.reverse())).toEqual(['order of the items changed']);
    expect(changed((kit) => Object.assign(kit, { statedMinutes: 90 }))).toEqual([
      expect.stringMatching(/^stated time of the kit .* → 90$/),
    ]);
  });
});
