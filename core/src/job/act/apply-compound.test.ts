import { describe, expect, it } from '@jest/globals';
import { FRONT_LIFT } from '#demo/kits.ts';
import { RAFE as LEAD, openKit, WRENCHES } from '#demo/try-job.ts';
import { variants } from '../../kit/answer-space.ts';
import { CarefulFitter } from '../../rehearse/careful-fitter.ts';
import { ANY_WRENCH } from '../../rehearse/rehearsal.ts';
import { takeCommand } from '../job-log.ts';
import { stationState } from '../job-state.ts';

describe('a bead that goes on before its bolt is started', () => {
  const worker = new CarefulFitter(
    openKit(FRONT_LIFT, variants(FRONT_LIFT)?.[0] as Record<string, string | number | boolean>),
    ANY_WRENCH,
    LEAD,
    1_000_000,
    {
      looksUpFigures: true,
    },
  );
  const beaded = () =>
    worker.log.plan.stations.find(({ id }) => {
      const { stage, bead } = stationState(worker.log.state, id);
      return stage === 'empty' && bead !== undefined;
    });
  worker.checkIn();
  worker.while(() => beaded() === undefined);
  const station = beaded()?.id ?? '';
  const again = (afterMin: number) =>
    takeCommand(
      worker.log,
      WRENCHES,
      {
        id: `again-${afterMin}`,
        atMs: worker.nowMs + afterMin * 60_000,
        by: LEAD,
        command: { type: 'applyCompound', station, cleaned: true },
      },
      {},
    );
  it('is on while it can be worked', () =>
    expect(again(1)).toMatchObject({ ok: false, refusal: { code: 'compoundAlreadyOn' } }));
  it('is put on anew once it has set, and its clock begins again', () => {
    const anew = again(600);
    expect(anew).toMatchObject({ ok: true, events: [{ type: 'compoundApplied', station }] });
    expect(stationState(anew.log.state, station).bead?.atMs).toBe(worker.nowMs + 600 * 60_000);
  });
});
