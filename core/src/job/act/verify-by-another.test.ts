import { describe, expect, it } from '@jest/globals';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { MIRA, NOON, openKit, RAFE, refusal, TAM, WRENCHES } from '#demo/try-job.ts';
import type { JointGroup, KitDocument } from '../../kit/kit-document.ts';
import { kitFaults } from '../../kit/kit-integrity.ts';
import { CarefulFitter } from '../../rehearse/careful-fitter.ts';
import { stationState } from '../job-state.ts';
import { pullBand } from '../next-station.ts';
import { stationComplete } from '../station-progress.ts';

const kitWith = (change: Partial<JointGroup>): KitDocument => {
  const kit = structuredClone(TRANSFER_CASE_GUARD);
  Object.assign(kit.groups[0] as JointGroup, change);
  return kit;
};
const opened = (change: Partial<JointGroup>) => new CarefulFitter(openKit(kitWith(change)), WRENCHES, MIRA, NOON);
const [first, second] = TRANSFER_CASE_GUARD.groups[0]?.stations ?? [];

describe('a second look at some stations alone', () => {
  it('gives the others no verify pass, and one where the shop has none by itself', () => {
    const { plan } = opened({ stages: [1], verify: undefined, verifyOnly: [first as string] }).log;
    const passes = (id: string) => plan.stations.find((station) => station.id === id)?.passIndexes;
    expect(plan.groups[0]?.passes.map(({ kind }) => kind)).toEqual(['tighten', 'verify']);
    expect(passes(first as string)).toEqual([0, 1]);
    expect(passes(second as string)).toEqual([0]);
  });
  it('names stations of its own group', () => {
    const faults = kitFaults(kitWith({ verifyOnly: ['ghost'] }));
    expect(faults).toContainEqual(expect.objectContaining({ path: 'groups[0].verifyOnly' }));
  });
});

describe('a second look by somebody else', () => {
  const atVerify = () => {
    const worker = opened({ stages: [1], verify: true, verifyBy: 'another' });
    worker.checkIn();
    worker.while(({ log: { plan, state } }) =>
      plan.stations.some(({ id, passIndexes }) => {
        const pulled = stationState(state, id).pulls.length;
        return pulled < 1 && passIndexes.length > 0;
      }),
    );
    const { plan } = worker.log;
    const station = plan.stations.find(({ id }) => id === plan.groups[0]?.torqueOrder[0]);
    if (!station) throw new Error('no station');
    const torqueNm = pullBand(plan, station, 1)?.targetNm ?? 0;
    return {
      worker,
      station,
      pull: { type: 'pull', station: station.id, torqueNm, wrench: 'w-1', source: 'typed' } as const,
    };
  };
  it('is refused to who tightened, and taken from another', () => {
    const { worker, station, pull } = atVerify();
    expect(refusal(worker, pull)).toBe('anotherWanted');
    worker.give(pull, TAM);
    expect(stationComplete(station, stationState(worker.log.state, station.id))).toBe(true);
  });
  it('a lead lets it be, with a reason', () => {
    const { worker, station, pull } = atVerify();
    worker.give({ type: 'override', refusal: 'anotherWanted', station: station.id, reason: 'alone today' }, RAFE);
    expect(refusal(worker, pull)).toBe('accepted');
  });
});
