import { describe, expect, it } from '@jest/globals';
import { REAR_AIR_SPRINGS, ROCK_SLIDERS } from '#demo/kits.ts';
import type { HouseRules } from '../kit/house-rules.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import { raisedAftercare } from './raised-aftercare.ts';
import { resolveVisit } from './resolve-visit.ts';

const raised = (document: KitDocument) => {
  const plan = resolveVisit(
    [{ document, prefix: '' }],
    { modelYear: 2022, drivenWheels: 'four', body: 'dual-cab', fitted: [] },
    {},
  );
  if (!plan.ok) throw new Error(plan.error.code);
  return raisedAftercare(plan.value).map(({ what }) => what);
};

describe('what must be come back for (common practice, no source)', () => {
  it('is left to the sheet where the sheet asks for it', () => expect(raised(REAR_AIR_SPRINGS)).toEqual([]));
  it('is raised where wheels were off or heights moved and no sheet says so', () =>
    expect(raised({ ...REAR_AIR_SPRINGS, aftercare: [] })).toEqual(['alignment', 'lampAim', 'wheels']));
  it('is nothing where nothing of the kind was touched', () =>
    expect(raised({ ...ROCK_SLIDERS, aftercare: [] })).toEqual([]));
  it('parts tagged as geometry call for an alignment', () => {
    const stations = ROCK_SLIDERS.stations.map((station) => ({ ...station, tags: ['changesGeometry' as const] }));
    expect(raised({ ...ROCK_SLIDERS, stations, aftercare: [] })).toEqual(['alignment']);
  });
  it('the shop says how far, and what else settles; a sheet’s own word stands before it', () => {
    const care = (rules: Partial<HouseRules>, document: KitDocument) => {
      const vehicle = { modelYear: 2022, drivenWheels: 'four', body: 'dual-cab', fitted: [] } as const;
      const plan = resolveVisit([{ document, prefix: '' }], vehicle, {}, rules);
      if (!plan.ok) throw new Error(plan.error.code);
      return raisedAftercare(plan.value).map(({ what, afterKm }) => [what, afterKm]);
    };
    const bare = { ...REAR_AIR_SPRINGS, aftercare: [] };
    expect(care({ againAfterKm: { wheels: 100 } }, bare)).toContainEqual(['wheels', 100]);
    expect(care({}, bare)).toContainEqual(['wheels', 40]);
    const [group, ...groups] = ROCK_SLIDERS.groups;
    if (!group) throw new Error('no group');
    const clamps = { ...ROCK_SLIDERS, aftercare: [], groups: [{ ...group, title: 'Exhaust clamp' }, ...groups] };
    expect(care({}, clamps)).toEqual([]);
    expect(care({ againAfterKm: { exhaust: 500, clamps: 300 } }, clamps)).toEqual([
      ['exhaust', 500],
      ['clamps', 300],
    ]);
    const sheet = [{ id: 'a', text: 'Exhaust clamps again when cold', afterKm: 80 }];
    expect(care({ againAfterKm: { exhaust: 500, clamps: 300 } }, { ...clamps, aftercare: sheet })).toEqual([]);
  });
});
