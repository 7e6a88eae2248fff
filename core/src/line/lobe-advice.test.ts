import { describe, expect, it } from '@jest/globals';
import { FRONT_LIFT } from '#demo/kits.ts';
import { MIRA, NOON, WRENCHES } from '#demo/try-job.ts';
import { oneKit, openLog } from '../job/job-log.ts';
import { nextOnLine } from '../job/line-next.ts';
import { OPENED_NOW } from '../kit/house-rules.ts';
import { deviations } from '../record/deviations.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import type { Answers } from './ask.ts';
import { checkKey } from './judge-check.ts';
import { lineOf } from './line.ts';
import { lobeAdvice, lobeKey } from './lobe-advice.ts';

const VEHICLE = { modelYear: 2022, drivenWheels: 'four', body: 'dual-cab', fitted: [] };
const opened = openLog({ ...oneKit(FRONT_LIFT), vehicle: VEHICLE, answers: { rearTravel: false }, shop: OPENED_NOW });
if (!opened.ok) throw new Error(JSON.stringify(opened.error));
const { plan } = opened.value;
const act = [...lineOf(plan).actById.values()].find(({ action }) => action.type === 'align');
if (act?.action.type !== 'align') throw new Error('no alignment');
const { action } = act;
const said = (left: number, right: number, lobe = 0): Answers => ({
  [lobeKey('front left')]: lobe,
  [lobeKey('front right')]: lobe,
  [checkKey('front left')]: left,
  [checkKey('front right')]: right,
});

describe('a lobe turned to its aim', () => {
  it('goes outwards where the top is to go out, each wheel by its own reading', () => {
    const [left, right] = lobeAdvice(plan, action, said(-1.4, -0.9));
    // The middle of −1.5 to 1: −0.25.
    expect(left).toMatchObject({ side: 'left', aimDeg: -0.25, answer: { towards: 'outwards', top: 'out' } });
    expect(left?.answer.angleDeg).toBeGreaterThan(right?.answer.angleDeg ?? 90);
  });
  it('has nothing to say of a wheel that was not read, nor where no eccentric is stated', () => {
    expect(lobeAdvice(plan, action, { [lobeKey('front left')]: 0 })).toEqual([]);
    const { authorityDeg: _, ...plain } = action;
    expect(lobeAdvice(plan, plain, said(-1, -1))).toEqual([]);
    expect(lobeAdvice({ checks: [] }, action, said(-1, -1))).toEqual([]);
  });
});

describe('an alignment on the line', () => {
  const worker = new CarefulFitter(opened.value, WRENCHES, MIRA, NOON);
  const tries = () => worker.log.state.visit.acts[act.id]?.tries ?? [];
  const doAct = (answers: Answers) => worker.give({ type: 'doAct', act: act.id, answers } as never);
  it('is read again until it is met; a reading on the way is no finding and no departure', () => {
    worker.checkIn();
    worker.while(({ log }) => {
      const next = nextOnLine(log.plan, log.state, MIRA.id, NOON);
      return next?.act.id !== act.id;
    });
    doAct(said(-1.9, -0.6));
    // The left one is out of its limits, and both are too far apart.
    expect(tries().at(-1)?.failed).toEqual([checkKey('front left'), checkKey('front right')]);
    expect(Object.values(worker.log.state.problems)).toEqual([]);
    doAct(said(-0.3, -0.2, 30));
    expect(tries().at(-1)?.failed).toEqual([]);
    expect(deviations(worker.log.plan, worker.log.state).filter(({ kind }) => kind === 'notMet')).toEqual([]);
  });
});
