import { describe, expect, it } from '@jest/globals';
import { bar, HOB, MIRA, platesSnug, pullOf, RAFE, refusal } from '#demo/try-job.ts';
import type { CarefulFitter } from '../../rehearse/careful-fitter.ts';
import { stationState } from '../job-state.ts';
import { spoilingPull } from '../station-progress.ts';

const lastPull = (worker: CarefulFitter, station: string) => {
  const pull = stationState(worker.log.state, station).pulls.at(-1);
  if (!pull) throw new Error('no pull yet');
  return pull;
};
const correct = (worker: CarefulFitter, station: string, torqueNm: number, pinFits?: boolean) => ({
  type: 'correctPull' as const,
  station,
  pull: lastPull(worker, station).id,
  torqueNm,
  reason: 'misread the scale',
  ...(pinFits === undefined ? {} : { pinFits }),
});

describe('a correction', () => {
  it('never turns a click without movement into an accepted pull, by whatever figure', () => {
    const { worker, first } = platesSnug();
    worker.give(pullOf(first, 55, { source: 'live', movementDeg: 0.5 }));
    expect(lastPull(worker, first).verdict).toBe('noMovement');
    expect(refusal(worker, correct(worker, first, 55))).toBe('liveNotCorrected');
    expect(spoilingPull(stationState(worker.log.state, first))?.verdict).toBe('noMovement');
  });
  it('leaves alone what the wrench itself sent, good or bad', () => {
    const { worker, first } = platesSnug();
    worker.give(pullOf(first, 55, { source: 'live', movementDeg: 20 }));
    expect(refusal(worker, correct(worker, first, 54), RAFE)).toBe('liveNotCorrected');
  });
  it('does not bring back a pull that was taken back or loosened since', () => {
    const { worker, first } = platesSnug();
    worker.give(pullOf(first, 55));
    worker.give({ type: 'undo' });
    expect(refusal(worker, correct(worker, first, 54))).toBe('pullNotStanding');
    worker.give(pullOf(first, 55));
    worker.give({ type: 'loosen', station: first, to: 'started', reason: 'part moved' });
    expect(refusal(worker, correct(worker, first, 54))).toBe('pullNotStanding');
  });
  it('is judged like the pull: the figure decides, both ways', () => {
    const { worker, first } = platesSnug();
    worker.give(pullOf(first, 55));
    worker.give(correct(worker, first, 40));
    expect(lastPull(worker, first)).toMatchObject({ torqueNm: 40, verdict: 'under' });
    worker.give(correct(worker, first, 55.5));
    expect(lastPull(worker, first)).toMatchObject({
      torqueNm: 55.5,
      verdict: 'accepted',
      corrections: [
        { from: 55, to: 40 },
        { from: 40, to: 55.5 },
      ],
    });
  });
  it('wants the pin where the joint asks for it', () => {
    const worker = bar();
    worker.checkIn();
    worker.startAll();
    let slot = worker.log.plan.stations.find(({ spec }) => spec.kind === 'slot');
    for (; slot && stationState(worker.log.state, slot.id).pulls.length === 0; ) {
      const state = stationState(worker.log.state, slot.id);
      const due = refusal(worker, pullOf(slot.id, 44, { confirmed: true, pinFits: true })) === 'accepted';
      if (state.stage === 'snug' && due) {
        worker.give(pullOf(slot.id, 30, { confirmed: true }));
        break;
      }
      if (!worker.step()) slot = undefined;
    }
    if (slot?.spec.kind !== 'slot') throw new Error('no slotted nut in the anti-roll bar');
    expect(lastPull(worker, slot.id).verdict).toBe('under');
    const inside = (slot.spec.startNm + slot.spec.ceilingNm) / 2;
    expect(refusal(worker, correct(worker, slot.id, inside))).toBe('slotNotAligned');
    worker.give(correct(worker, slot.id, inside, true));
    expect(lastPull(worker, slot.id)).toMatchObject({ verdict: 'accepted', pinFits: true });
  });
  it.each([
    [{ reason: ' ' }, 'reasonMissing'],
    [{ torqueNm: 0 }, 'implausibleTorque'],
    [{ torqueNm: 9999 }, 'implausibleTorque'],
    [{ pull: 'nobody’s' }, 'unknownPull'],
    [{ station: 'nowhere' }, 'unknownStation'],
  ])('with %j is %s', (over, code) => {
    const { worker, first } = platesSnug();
    worker.give(pullOf(first, 55));
    expect(refusal(worker, { ...correct(worker, first, 54), ...over }, MIRA)).toBe(code);
  });
  it('is not for an apprentice', () => {
    const { worker, first } = platesSnug();
    worker.give(pullOf(first, 55));
    expect(refusal(worker, correct(worker, first, 54), HOB)).toBe('notPermitted');
  });
});
