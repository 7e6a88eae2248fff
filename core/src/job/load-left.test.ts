import { describe, expect, it } from '@jest/globals';
import { bar, platesSnug, pullOf } from '#demo/try-job.ts';
import type { PlanGroup } from '../kit/plan.ts';
import { evenWays, loadLeft } from './load-left.ts';
import { pullBand } from './next-station.ts';

/** The plate of the recovery points, every pass pulled; how far each check pull moves is said. */
function plate(movedDeg: (check: number) => number, checks = 99) {
  const { worker } = platesSnug();
  const { plan } = worker.log;
  const group = plan.groups[0] as PlanGroup;
  for (const [pass, { kind }] of group.passes.entries())
    for (const [turn, id] of group.torqueOrder.entries()) {
      const station = plan.stations.find((entry) => entry.id === id);
      const band = station?.passIndexes.includes(pass) ? pullBand(plan, station, pass) : undefined;
      if (!band) continue;
      const movementDeg = kind === 'verify' ? movedDeg(turn) : 30;
      if (kind === 'verify' && turn >= checks) continue;
      // Small and large bolts of one plate: each with the wrench that reaches it.
      const wrench = band.targetNm < 60 ? 'w-2' : 'w-3';
      worker.give(pullOf(id, band.targetNm, { source: 'live', movementDeg, pass, wrench }));
    }
  return { plan, group, state: worker.log.state };
}

describe('load left in the bolts of a plate', () => {
  it('is nothing to speak of before anything is pulled, and for joints that share no plate', () => {
    const { worker } = platesSnug();
    const { plan, state } = worker.log;
    expect(loadLeft(plan, state, plan.groups[0] as PlanGroup)).toBeUndefined();
    const other = bar().log;
    // Two links, drawn to an angle.
    const links = other.plan.groups.find(({ id }) => id === 'links') as PlanGroup;
    expect(loadLeft(other.plan, other.state, links)).toBeUndefined();
    expect(evenWays(other.plan, links, 0.5)).toBeUndefined();
  });
  it('is whole where no check pull moved: the plate is stiff', () => {
    const { plan, group, state } = plate(() => 0);
    const left = loadLeft(plan, state, group);
    expect(left).toMatchObject({ measured: true, gives: 0, again: [] });
    for (const { share } of left?.bolts ?? []) expect(share).toBeCloseTo(1, 6);
  });
  it('is less the further the check pulls moved, and says who took it', () => {
    const gives = [1, 3, 6].map((deg) => {
      const { plan, group, state } = plate(() => deg);
      return loadLeft(plan, state, group)?.gives ?? Number.NaN;
    });
    expect(gives[0]).toBeLessThan(gives[1] ?? 0);
    expect(gives[1]).toBeLessThanOrEqual(gives[2] ?? 0);
  });
  it('says of joints not yet checked what they lost, the lowest first, and who took it', () => {
    const { plan, group, state } = plate(() => 4, 3);
    const left = loadLeft(plan, state, group);
    const shares = new Map(left?.bolts.map(({ station, share }) => [station, share]));
    const again = (left?.again ?? []).map((id) => shares.get(id) ?? 0);
    expect(again.length).toBeGreaterThan(0);
    expect(again).toEqual([...again].sort((a, b) => a - b));
    for (const share of again) expect(share).toBeLessThan(0.9);
    for (const { station, takenBy } of left?.bolts ?? [])
      if (left?.again.includes(station)) expect(group.stations).toContain(takenBy);
    // The last that was checked holds all it was pulled to: nothing came after it.
    expect(shares.get(group.torqueOrder[2] ?? '')).toBeCloseTo(1, 9);
  });
  it('calls it settling where a check moved by more than neighbours can take', () => {
    const { plan, group, state } = plate(() => 25);
    expect(loadLeft(plan, state, group)?.settles.length).toBeGreaterThan(4);
    const still = plate(() => 1);
    expect(loadLeft(still.plan, still.state, still.group)?.settles).toEqual([]);
  });
  it('comes with the fewest pulls, and the sheet’s own order beside them', () => {
    const { plan, group } = plate(() => 0);
    const ways = evenWays(plan, group, 0.6);
    expect(ways?.own?.order.map((bolt) => group.stations[bolt])).toEqual(group.torqueOrder);
    expect(ways?.best?.pulls).toBeLessThanOrEqual(ways?.own?.pulls ?? 0);
  });
});
