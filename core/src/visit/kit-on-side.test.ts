import { describe, expect, it } from '@jest/globals';
import { REAR_AIR_SPRINGS, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { NOON, RAFE, WRENCHES } from '#demo/try-job.ts';
import { openLog } from '../job/job-log.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import { kitFaults } from '../kit/kit-integrity.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { fitsEachSide, kitOnSide } from './kit-on-side.ts';
import { kitPrefix, spreadAnswers, type VisitKit } from './visit.ts';

/** The same kit on both sides of the vehicle. */
function bothSides(kit: KitDocument): VisitKit[] {
  const kits: VisitKit[] = [];
  for (const side of ['left', 'right'] as const) {
    const document = kitOnSide(kit, side);
    kits.push({ document, prefix: kitPrefix(kits, document.id) });
  }
  return kits;
}
const open = (kits: VisitKit[]) => {
  const opened = openLog({
    kits,
    openedWith: kits.map(({ prefix }) => prefix),
    vehicle: { modelYear: 2021, drivenWheels: 'four', body: 'dual-cab', fitted: [] },
    answers: spreadAnswers(kits, {}),
    shop: {},
  });
  if (!opened.ok) throw new Error(JSON.stringify(opened.error));
  return opened.value;
};

describe('the same kit twice, once on each side', () => {
  it('is a whole kit on its side, with a name of its own', () => {
    for (const kit of [REAR_AIR_SPRINGS, TRANSFER_CASE_GUARD])
      for (const side of ['left', 'right'] as const) {
        const half = kitOnSide(kit, side);
        expect(kitFaults(half)).toEqual([]);
        expect(half.id).not.toBe(kit.id);
        expect(half.stations.every((station) => station.side !== undefined)).toBe(true);
      }
  });
  it('is two works: no joint and no part of one is taken for the other’s', () => {
    const kit = structuredClone(TRANSFER_CASE_GUARD);
    Object.assign(kit.groups[0] as object, { spot: { along: 0.5, across: 0.4 } });
    const kits = bothSides(kit);
    const { plan } = open(kits);
    const alone = open([{ document: TRANSFER_CASE_GUARD, prefix: '' }]).plan;
    expect(plan.stations).toHaveLength(2 * alone.stations.length);
    expect(plan.shared.filter(({ what }) => what === 'station')).toEqual([]);
    expect(new Set(plan.kits.map(({ id }) => id)).size).toBe(2);
    expect(plan.title).toBe(`${TRANSFER_CASE_GUARD.title}, left + ${TRANSFER_CASE_GUARD.title}, right`);
    // Each side’s groups stand on their own side of the vehicle.
    for (const group of plan.groups) {
      if (group.spot) expect(Math.sign(group.spot.across)).toBe(group.kit.endsWith('@left') ? -1 : 1);
    }
  });
  it('is worked to its end', () => {
    const worker = new CarefulFitter(open(bothSides(TRANSFER_CASE_GUARD)), WRENCHES, RAFE, NOON);
    worker.checkIn();
    worker.while(() => true);
    worker.closeOut();
    expect(worker.log.state.closed).toBeDefined();
  });
  it('is offered for what is bought by the piece', () => {
    expect(fitsEachSide({ scope: 'singlePart' })).toBe(true);
    expect(fitsEachSide({ scope: 'pair' })).toBe(false);
    expect(fitsEachSide({})).toBe(false);
  });
});
