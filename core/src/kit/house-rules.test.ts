import { describe, expect, it } from '@jest/globals';
import { FRONT_RECOVERY_POINTS, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { MIRA, NOON, plate, RAFE, refusal, WRENCHES } from '#demo/try-job.ts';
import type { FigureSource } from '../job/figure.ts';
import { ruleBehind } from '../job/gate/bending.ts';
import { sourceRefused } from '../job/gate/figure-source.ts';
import { oneKit, openLog } from '../job/job-log.ts';
import { compoundClocks } from '../job/line-clocks.ts';
import type { Role } from '../job/role.ts';
import { isTooSmallForPower, threadMm } from '../job/run-down.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { type HouseRules, houseRules, OPENED_NOW, USUAL_RULES } from './house-rules.ts';
import { resolve } from './resolve.ts';

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

  it('a figure that is not the joint’s own is taken as the shop has it, and the joint’s own by everybody', () => {
    const strict = houseRules({ estimates: false, otherKits: false });
    const led = houseRules({ figuresBy: 'lead' });
    const code = (rules: HouseRules, role: Role, source: FigureSource) =>
      sourceRefused(rules, { role }, 'g1', source)?.code ?? 'taken';
    for (const source of ['kitSheet', 'vehicleMaker'] as const)
      for (const rules of [strict, led]) expect(code(rules, 'fitter', source)).toBe('taken');
    expect(code(strict, 'lead', 'estimate')).toBe('sourceNotHere');
    expect(code(strict, 'lead', 'otherKit')).toBe('sourceNotHere');
    expect(code(strict, 'fitter', 'byFeel')).toBe('taken');
    for (const source of ['byFeel', 'estimate', 'otherKit'] as const) {
      expect(code(led, 'fitter', source)).toBe('leadTakesFigure');
      expect(code(led, 'lead', source)).toBe('taken');
      expect(code(houseRules(), 'fitter', source)).toBe('taken');
    }
  });
  it('a thread smaller than the shop’s is run down by hand, with 5/16 in as M8; a lead may lift it', () => {
    const power = (powerFromMm?: number) => {
      const { plan } = under(powerFromMm === undefined ? {} : { powerFromMm }).log;
      const station = plan.stations.find((one) => threadMm(plan, one) !== undefined);
      if (!station) throw new Error('no thread');
      return { small: isTooSmallForPower(plan, station), mm: threadMm(plan, station) ?? 0 };
    };
    const { mm } = power();
    expect(mm).toBeGreaterThanOrEqual(6);
    expect(power().small).toBe(false);
    expect(power(mm + 1).small).toBe(true);
    // 7.94 mm are as good as 8.
    expect(power(mm + 0.06).small).toBe(false);
    expect(power(0).small).toBe(false);
    const worker = under({ powerFromMm: 40 });
    worker.checkIn();
    worker.startAll();
    const station = worker.log.plan.groups[0]?.snugOrder[0] ?? '';
    worker.give({ type: 'applyCompound', station, cleaned: true });
    expect(refusal(worker, { type: 'snug', station, tool: 'power' })).toBe('threadTooSmallForPower');
    expect(refusal(worker, { type: 'snug', station, tool: 'hand' })).toBe('accepted');
    expect(ruleBehind('threadTooSmallForPower', 'station')).toBe('power');
  });
  it('a group with a gasket in it goes up in the shop’s stages for gaskets, unless its kit prints its own', () => {
    const rounds = (layer: string, stages?: readonly number[]) => {
      const kit = structuredClone(TRANSFER_CASE_GUARD);
      for (const station of kit.stations)
        station.stack = station.stack.map((piece) => (piece.kind === 'clamped' ? { ...piece, name: layer } : piece));
      kit.groups = kit.groups.map((group) => ({ ...group, stages: stages ? [...stages] : undefined }));
      const plan = resolve(kit, { drivenWheels: 'four' }, {}, { gasketStages: [0.3, 0.6, 1], stages: [0.5, 1] });
      if (!plan.ok) throw new Error(plan.error.code);
      return plan.value.groups[0]?.passes.flatMap((pass) => (pass.kind === 'tighten' ? [pass.fraction] : []));
    };
    expect(rounds('Paper gasket')).toEqual([0.3, 0.6, 1]);
    expect(rounds('Cover with O-ring')).toEqual([0.3, 0.6, 1]);
    expect(rounds('Guard')).toEqual([0.5, 1]);
    expect(rounds('Paper gasket', [1])).toEqual([1]);
  });
});
