import { describe, expect, it } from '@jest/globals';
import { FRONT_RECOVERY_POINTS } from '#demo/kits.ts';
import { MIRA, NOON, plate, RAFE, refusal, WRENCHES } from '#demo/try-job.ts';
import { oneKit, openLog } from '../job/job-log.ts';
import { compoundClocks } from '../job/line-clocks.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { type HouseRules, houseRules, OPENED_NOW, USUAL_RULES } from './house-rules.ts';

/** The recovery plate in a shop with rules of its own. */
function under(rules: Partial<HouseRules>): CarefulFitter {
  const opened = openLog({
    ...oneKit(FRONT_RECOVERY_POINTS),
    vehicle: { modelYear: 2021, drivenWheels: 'four', body: 'dual-cab' },
    answers: { shield: false },
    shop: rules,
  });
  if (!opened.ok) throw new Error(opened.error.code);
  return new CarefulFitter(opened.value, WRENCHES, MIRA, NOON);
}

describe('house rules', () => {
  it('are one record: what a shop never set is as usual, and what is no rule falls away', () => {
    expect(houseRules()).toEqual(USUAL_RULES);
    expect(houseRules({ byFeel: false })).toEqual({ ...USUAL_RULES, byFeel: false });
    expect(houseRules({ name: 'Cinder Bay Fitting' } as Partial<HouseRules>)).toEqual(USUAL_RULES);
  });
  it('stand in the plan a job was opened with', () => {
    expect(plate().log.plan.rules).toEqual({ ...USUAL_RULES, ...OPENED_NOW });
    expect(under({ boltUses: 1 }).log.plan.rules.boltUses).toBe(1);
  });
  it('a strict shop lets a locked joint drive at full cure, another at handling strength', () => {
    const gates = (rules: Partial<HouseRules>) => {
      const worker = under(rules);
      worker.checkIn();
      worker.while(({ log }) => compoundClocks(log.plan, log.state).length === 0);
      return compoundClocks(worker.log.plan, worker.log.state).map(({ kind, gates: shut }) => [kind, ...shut]);
    };
    expect(gates({})).toEqual([
      ['fixture', 'wheelsOn', 'drive'],
      ['cure', 'tow'],
    ]);
    expect(gates({ driveAfter: 'fullCure' })).toEqual([
      ['fixture', 'wheelsOn'],
      ['cure', 'drive', 'tow'],
    ]);
  });
  it('a shop that tightens nothing by feel wants the figure', () => {
    const worker = under({ byFeel: false });
    const missing = worker.log.plan.stations.find(({ spec }) => spec.kind === 'missing');
    const target = missing?.id ?? worker.log.plan.removed[0]?.id ?? '';
    const give = { type: 'giveFigure' as const, target, source: 'byFeel' as const, note: 'no manual' };
    expect(refusal(worker, give, RAFE)).toBe(target === '' ? 'unknownFigureTarget' : 'byFeelNotHere');
  });
});
