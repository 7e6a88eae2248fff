import { describe, expect, it } from '@jest/globals';
import { plate, refusal } from '#demo/try-job.ts';
import { WASHER_HV, washerHardnessHv } from '../fastener/washer-hardness.ts';
import { indexOf } from '../kit/plan.ts';
import { deviations } from '../record/deviations.ts';
import type { AddWasher } from './act/add-washer.ts';
import { stackAfter } from './added-washer.ts';
import { stationState } from './job-state.ts';

/** On the plate’s first station: M10 x 1.5 × 35, class 10.9, a nut of class 10. */
const washer = (over: Partial<AddWasher> = {}): AddWasher => ({
  type: 'addWasher',
  station: 's1',
  under: 'head',
  insideMm: 10.5,
  outsideMm: 20,
  thicknessMm: 2,
  hardnessHv: 300,
  reason: 'slot wider than the head',
  ...over,
});

describe('a washer that no sheet asks for', () => {
  it('is of the bolt’s size and hardness', () => {
    const worker = plate();
    expect(refusal(worker, washer({ insideMm: 8.4 }))).toBe('washerTooSmall');
    expect(refusal(worker, washer({ hardnessHv: 200 }))).toBe('washerTooSoft');
    expect(refusal(worker, washer())).toBe('accepted');
    // ISO 7089:2000 pairs 200 HV with classes up to 8.8 and 300 HV with 10.9 (from memory).
    expect([500, 830, 1040, 1220].map(washerHardnessHv)).toEqual([100, 200, 300, undefined]);
    expect(WASHER_HV).toContain(washerHardnessHv(800));
  });
  it('leaves the nut its whole thread: 35 mm reach past 16.5 mm of stack and a 10 mm flange nut by 8.5 mm', () => {
    const worker = plate();
    const station = indexOf(worker.log.plan).stations.get('s1');
    if (!station) throw new Error('s1');
    const thick = (thicknessMm: number) => stackAfter(worker.log.plan, station, [washer({ thicknessMm })]);
    // Two turns of a 1.5 mm pitch are 3 mm; a flange nut M10 is 10 mm high (ISO 4161).
    expect(thick(5.4)).toEqual({});
    expect(thick(5.6)).toEqual({ noThreadShows: true });
    expect(thick(8.6).short).toMatchObject({ neededMm: 10 });
    expect(refusal(worker, washer({ thicknessMm: 8.6 }))).toBe('washerShortens');
  });
  it('counts with those already there, stands on the record, and stays when the bolt comes out again', () => {
    const worker = plate();
    worker.checkIn();
    worker.give(washer({ thicknessMm: 3 }));
    worker.give(washer({ thicknessMm: 4, under: 'nut' }));
    expect(refusal(worker, washer({ thicknessMm: 3 }))).toBe('washerShortens');
    expect(deviations(worker.log.plan, worker.log.state)).toMatchObject([
      { kind: 'washerAdded', thicknessMm: 3 },
      { kind: 'washerAdded', thicknessMm: 4, noThreadShows: true, reason: 'slot wider than the head' },
    ]);
    worker.give({ type: 'startByHand', station: 's1' });
    expect(refusal(worker, washer())).toBe('threadTaken');
    worker.give({ type: 'loosen', station: 's1', to: 'out', reason: 'longer bolt found' });
    expect(stationState(worker.log.state, 's1').washers).toHaveLength(2);
  });
});
