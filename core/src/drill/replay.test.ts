import { describe, expect, it } from '@jest/globals';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { openKit } from '#demo/try-job.ts';
import { appendEvents } from '../job/job-log.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { ANY_WRENCH, LEAD } from '../rehearse/rehearsal.ts';
import { gapBefore, withoutNames } from './replay.ts';

const worked = () => {
  const fitter = new CarefulFitter(
    openKit(TRANSFER_CASE_GUARD),
    ANY_WRENCH,
    { ...LEAD, name: 'Mira Vane' },
    1_000_000,
    {
      looksUpFigures: true,
      secondLook: { id: 'two', name: 'Rafe Orrin', role: 'lead' },
    },
  );
  fitter.checkIn();
  fitter.closeOut();
  return fitter;
};

describe('a job that is watched', () => {
  const { events, log } = worked();
  const hidden = withoutNames(events, ['Upper Sallow Rivers Survey']);
  it('names nobody', () => {
    expect(JSON.stringify(events)).toContain('Mira Vane');
    expect(JSON.stringify(hidden)).not.toMatch(/Mira|Rafe|Sallow/);
    expect(hidden[0]?.by.name).toBe('Fitter 1');
  });
  it('is otherwise the job as it was done', () => {
    const replayed = appendEvents(openKit(TRANSFER_CASE_GUARD), hidden);
    const torques = (state: typeof log.state) =>
      [...state.stations.values()].flatMap(({ pulls }) => pulls.map(({ torqueNm }) => torqueNm));
    expect(torques(replayed.state)).toEqual(torques(log.state));
    expect(replayed.state.closed?.signature).toBe('Fitter 1');
  });
  it('goes as fast as it is asked to, and never stands still for long', () => {
    expect(gapBefore(events, 0, 1)).toBe(0);
    const own = (events[1]?.atMs ?? 0) - (events[0]?.atMs ?? 0);
    expect(gapBefore(events, 1, 100)).toBeCloseTo(own / 100);
    for (const [at] of events.entries()) expect(gapBefore(events, at, 0.01)).toBeLessThanOrEqual(4_000);
    expect(gapBefore(events, events.length, 1)).toBe(0);
  });
});
