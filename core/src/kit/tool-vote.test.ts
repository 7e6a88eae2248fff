import { describe, expect, it } from '@jest/globals';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { openKit } from '#demo/try-job.ts';
import { toolsAgainst } from './tool-vote.ts';

const planOf = (change: (kit: typeof TRANSFER_CASE_GUARD) => void) => {
  const kit = structuredClone(TRANSFER_CASE_GUARD);
  change(kit);
  return openKit(kit).plan;
};
const against = (plan: ReturnType<typeof planOf>, id = 'm1') => {
  const item = plan.items.find((entry) => entry.id === id);
  return item ? toolsAgainst(plan, item) : [];
};

describe('what the tools say against a thread', () => {
  it('nothing, where a standard gives the thread that key (ISO 4014: M8 is 13 mm)', () => {
    expect(against(planOf(() => undefined))).toEqual([]);
  });

  it('a 16 mm key on an M8 speaks for M10, once, however many stations say it', () => {
    const plan = planOf((kit) => {
      for (const station of kit.stations) station.drive = { kind: 'hex', acrossFlatsMm: 16 };
      for (const item of kit.items) delete item.acrossFlatsMm;
    });
    const found = against(plan);
    expect(found).toHaveLength(1);
    expect(found[0]).toMatchObject({
      code: 'widthNotOfThread',
      acrossFlatsMm: 16,
      usualMm: expect.arrayContaining([13]),
    });
    expect(found[0]?.code === 'widthNotOfThread' && found[0].alsoFits.some((name) => name.startsWith('M10'))).toBe(
      true,
    );
  });

  it('a hole smaller than the bolt is told; a washer has no thread to be doubted', () => {
    const plan = planOf((kit) => {
      for (const station of kit.stations) station.drillMm = 7;
    });
    expect(against(plan)).toContainEqual(expect.objectContaining({ code: 'drillBelowThread', drillMm: 7 }));
    expect(against(plan, 'm2')).toEqual([]);
  });
});
