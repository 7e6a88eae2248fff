import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { DEMO_KITS, FRONT_RECOVERY_POINTS, REAR_ANTI_ROLL_BAR } from '#demo/kits.ts';
import { acceptBand } from '../tightening/kinds.ts';
import { type Condition, evaluate } from './condition.ts';
import type { KitDocument } from './kit-document.ts';
import { kitFaults } from './kit-integrity.ts';
import { fitVerdicts, resolve } from './resolve.ts';

const TUSSOCK = { modelYear: 2021, drivenWheels: 'four', body: 'dual-cab' };

function planOf(kit: KitDocument, vehicle: object, answers: Record<string, string | number | boolean>) {
  const resolved = resolve(kit, vehicle, answers);
  if (!resolved.ok) throw new Error(JSON.stringify(resolved.error));
  return resolved.value;
}

describe('what version 4 says of single joints and parts', () => {
  const kitWith = (change: (kit: KitDocument) => void) => {
    const kit = structuredClone(FRONT_RECOVERY_POINTS);
    change(kit);
    expect(kitFaults(kit)).toEqual([]);
    return kit;
  };
  const planOf = (kit: KitDocument, shield: boolean) => {
    const resolved = resolve(kit, { modelYear: 2021, drivenWheels: 'four', body: 'dual-cab' }, { shield });
    if (!resolved.ok) throw new Error(JSON.stringify(resolved.error));
    return resolved.value;
  };
  const station = (plan: ReturnType<typeof planOf>, id: string) => plan.stations.find((entry) => entry.id === id);

  it('a compound for some variants leaves its joints dry on the others', () => {
    const kit = kitWith(({ compounds }) =>
      Object.assign(compounds[0] as object, { when: { question: 'shield', is: true } }),
    );
    const locked = kit.stations.find(({ compound }) => compound !== undefined)?.id ?? '';
    expect(station(planOf(kit, true), locked)?.compound).toBe(kit.compounds[0]?.id);
    const dry = planOf(kit, false);
    expect(station(dry, locked)?.compound).toBeUndefined();
    expect(dry.compounds.map(({ id }) => id)).not.toContain(kit.compounds[0]?.id);
  });
  it('a question that only a quantity or a compound asks about is asked', () => {
    const kit = kitWith((draft) => {
      draft.questions.push({ id: 'winch', text: 'Is there a winch?', kind: 'yesNo' });
      Object.assign(draft.items[0] as object, {
        quantities: [{ quantity: 40, when: { question: 'winch', is: true } }],
      });
    });
    const open = resolve(kit, { modelYear: 2021, drivenWheels: 'four', body: 'dual-cab' }, { shield: true });
    expect(open).toMatchObject({ ok: false, error: { code: 'answersMissing', questions: [{ id: 'winch' }] } });
  });
  it('a figure of the sheet comes into the plan with its kit, and one that is not there is a fault', () => {
    const picture = 'a'.repeat(64);
    const step = {
      id: 'one',
      text: 'Look',
      phase: 'strip' as const,
      actions: [{ type: 'do' as const, text: 'x', figure: 'f1' }],
    };
    const kit = kitWith((draft) => {
      draft.figures = [{ id: 'f1', name: 'Figure 1', picture }];
      draft.steps.push(step);
    });
    expect(planOf(kit, true).figures).toEqual([{ id: 'f1', name: 'Figure 1', picture }]);
    const lost = { ...kit, figures: [] };
    expect(kitFaults(lost)).toMatchObject([{ path: 'steps[0].actions[0].figure', code: 'unknownReference' }]);
    const twice = { ...kit, figures: [...(kit.figures ?? []), ...(kit.figures ?? [])] };
    expect(kitFaults(twice)).toMatchObject([{ path: 'figures', code: 'duplicateId' }]);
  });
  it('a station may take part in the last rounds only, and a sheet may ask for full torque twice', () => {
    const kit = kitWith(({ groups, stations }) => {
      Object.assign(groups[0] as object, { stages: [0.5, 1, 1], verify: true });
      Object.assign(stations[0] as object, { rounds: 2 });
      Object.assign(stations[1] as object, { rounds: 1 });
    });
    const plan = planOf(kit, true);
    expect(['s1', 's2', 's3'].map((id) => station(plan, id)?.passIndexes)).toEqual([
      [1, 2, 3],
      [2, 3],
      [0, 1, 2, 3],
    ]);
  });
});

describe('conditions in three values', () => {
  const leaf: Condition = { question: 'year', atLeast: 2016 };
  it('waits for what can still settle it, and not for what cannot', () => {
    expect(evaluate({ all: [leaf, { question: 'plain', is: true }] }, { year: 2010 })).toMatchObject({
      truth: 'false',
      waitsFor: [],
    });
    expect(evaluate({ any: [leaf, { question: 'plain', is: true }] }, { plain: true })).toMatchObject({
      truth: 'true',
      waitsFor: [],
    });
    expect(evaluate({ all: [leaf, { question: 'plain', is: true }] }, { year: 2020 })).toMatchObject({
      truth: 'unknown',
      waitsFor: ['plain'],
    });
  });
  it('a negation turns a known truth and keeps an unknown one', () => {
    const anyAnswers = fc.record({ year: fc.integer({ min: 2000, max: 2030 }) }, { requiredKeys: [] });
    fc.assert(
      fc.property(anyAnswers, (answers) => {
        const [plain, negated] = [evaluate(leaf, answers).truth, evaluate({ not: leaf }, answers).truth];
        expect(negated).toBe(plain === 'unknown' ? 'unknown' : plain === 'true' ? 'false' : 'true');
      }),
    );
  });
  it('an answer once settled never unsettles by answering more', () => {
    const both: Condition = {
      any: [leaf, { all: [{ question: 'a', is: 'x' }, { not: { question: 'b', is: true } }] }],
    };
    fc.assert(
      fc.property(
        fc.record({ year: fc.integer({ min: 2000, max: 2030 }), a: fc.constantFrom('x', 'y'), b: fc.boolean() }),
        fc.subarray(['year', 'a', 'b']),
        (all, given) => {
          const some = Object.fromEntries(Object.entries(all).filter(([key]) => given.includes(key)));
          const early = evaluate(both, some).truth;
          if (early !== 'unknown') expect(evaluate(both, all).truth).toBe(early);
        },
      ),
    );
  });
});

describe('resolving the demo kits', () => {
  it('asks only what can still change the plan', () => {
    expect(resolve(FRONT_RECOVERY_POINTS, TUSSOCK, {})).toMatchObject({
      ok: false,
      error: { code: 'answersMissing', questions: [{ id: 'shield' }] },
    });
  });
  it('a shield means four more bolts', () => {
    const without = planOf(FRONT_RECOVERY_POINTS, TUSSOCK, { shield: false });
    const withShield = planOf(FRONT_RECOVERY_POINTS, TUSSOCK, { shield: true });
    expect(withShield.stations.length - without.stations.length).toBe(4);
    expect(without.items.some((item) => item.id === 'b1')).toBe(false);
    expect(without.trace.find((entry) => entry.id === 'b1')).toMatchObject({
      included: false,
      because: [{ question: 'shield', answer: false }],
    });
  });
  it('a model year changes a torque, and the plan says why (M10)', () => {
    const older = planOf(REAR_ANTI_ROLL_BAR, TUSSOCK, { bush: 'rubber' });
    const newer = planOf(REAR_ANTI_ROLL_BAR, { ...TUSSOCK, modelYear: 2022 }, { bush: 'rubber' });
    expect(older.stations.find((station) => station.id === 'b1')).toMatchObject({
      printed: '52 lbf·ft',
      specBecause: [{ question: 'modelYear', comparison: 'atMost', value: 2021, answer: 2021 }],
    });
    expect(newer.stations.find((station) => station.id === 'b1')).toMatchObject({ printed: '40 lbf·ft' });
  });
  it('counts spares: five washers, four holes, one to hand over', () => {
    const plan = planOf(FRONT_RECOVERY_POINTS, TUSSOCK, { shield: false });
    expect(plan.items.find((item) => item.id === 'a3')).toMatchObject({ needed: 4, expectedSpare: 1 });
  });
  it('keeps three lists: started from the corners, torqued from the middle', () => {
    const plate = planOf(FRONT_RECOVERY_POINTS, TUSSOCK, { shield: false }).groups[0];
    expect(plate?.startOrder.slice(0, 2)).toEqual(['s1', 's4']);
    expect(plate?.torqueOrder.slice(0, 4).sort()).toEqual(['s2', 's3', 's6', 's7']);
    expect(plate?.passes).toHaveLength(3);
  });
  it('says fits, does not fit, or not known', () => {
    expect(fitVerdicts(FRONT_RECOVERY_POINTS, TUSSOCK, {})[0]?.truth).toBe('true');
    expect(fitVerdicts(FRONT_RECOVERY_POINTS, { ...TUSSOCK, body: 'hatch' }, {})[0]?.truth).toBe('false');
    expect(fitVerdicts(FRONT_RECOVERY_POINTS, { modelYear: 2021 }, {})[0]?.truth).toBe('unknown');
  });
  it('refuses an impossible year', () => {
    expect(resolve(REAR_ANTI_ROLL_BAR, { ...TUSSOCK, modelYear: 1066 }, { bush: 'rubber' })).toMatchObject({
      ok: false,
      error: { code: 'answerOutOfRange', question: 'modelYear' },
    });
  });
  it('is the same for the same inputs', () => {
    for (const kit of DEMO_KITS) {
      const answers = { shield: true, bush: 'polyurethane' };
      expect(JSON.stringify(resolve(kit, TUSSOCK, answers))).toBe(
        JSON.stringify(resolve(structuredClone(kit), { ...TUSSOCK }, answers)),
      );
    }
  });
});

describe('the deviation a bare figure is given', () => {
  const specsOf = (rules: object) => {
    const resolved = resolve(FRONT_RECOVERY_POINTS, TUSSOCK, { shield: false }, rules);
    if (!resolved.ok) throw new Error(JSON.stringify(resolved.error));
    return resolved.value.stations.map(({ spec }) => spec);
  };
  it('is the house’s where the sheet prints none, and the sheet’s own where it does', () => {
    const printed = specsOf({});
    const bare = printed.filter((spec) => spec.kind === 'torque' && spec.toleranceFraction === undefined);
    expect(bare.length).toBeGreaterThan(0);
    for (const [at, spec] of specsOf({ bareTolerance: 0.1 }).entries()) {
      const before = printed[at];
      const isBare = before?.kind === 'torque' && before.toleranceFraction === undefined;
      expect(spec).toEqual(isBare ? { ...before, toleranceFraction: 0.1 } : before);
    }
  });
  it('widens the band a pull is taken in, and nothing else', () => {
    const band = (rules: object) => {
      const [spec] = specsOf(rules);
      return spec && acceptBand(spec);
    };
    const [usual, wide] = [band({}), band({ bareTolerance: 0.1 })];
    expect(wide?.targetNm).toBe(usual?.targetNm);
    expect((wide?.maxNm ?? 0) / (wide?.targetNm ?? 1)).toBeCloseTo(1.1, 9);
    expect((usual?.maxNm ?? 0) / (usual?.targetNm ?? 1)).toBeCloseTo(1.05, 9);
  });
});

describe('lint', () => {
  it('finds no fault in the demo kits', () => {
    for (const kit of DEMO_KITS) expect(kitFaults(kit)).toEqual([]);
  });
  const faultsOf = (change: (kit: KitDocument) => void) => {
    const kit = structuredClone(FRONT_RECOVERY_POINTS);
    change(kit);
    return kitFaults(kit).map((fault) => `${fault.path} ${fault.code}`);
  };
  const first = <T>(list: T[]): T => list[0] as T;
  it.each<[string, (kit: KitDocument) => void]>([
    ['items[1].id duplicateId', (kit) => Object.assign(kit.items[1] as object, { id: 'a1' })],
    [
      'stations[0].stack[0].item unknownItem',
      (kit) => Object.assign(first(kit.stations).stack[0] as object, { item: 'nope' }),
    ],
    ['stations[0].compound unknownCompound', (kit) => Object.assign(first(kit.stations), { compound: 'nope' })],
    [
      'stations[0].specs[0].printed printedDisagrees',
      (kit) => Object.assign(first(first(kit.stations).specs), { printed: '46 lbf·in' }),
    ],
    [
      'stations[0].specs[0].spec bandEmpty',
      (kit) => Object.assign(first(first(kit.stations).specs), { spec: { kind: 'range', minNm: 5, maxNm: 3 } }),
    ],
    ['items[0].thread threadUnreadable', (kit) => Object.assign(first(kit.items), { thread: '18 mm' })],
    ['items[0].quantity quantityBelowNeed', (kit) => Object.assign(first(kit.items), { quantity: 3 })],
    [
      'groups[0].startOrder.list orderIncomplete',
      (kit) => Object.assign(first(kit.groups), { startOrder: { list: ['s1', 's1'] } }),
    ],
    ['groups[0].stages stagesNotRising', (kit) => Object.assign(first(kit.groups), { stages: [0.7, 0.3, 1] })],
    [
      'groups[0].after groupsInCircle',
      (kit) => Object.assign(first(kit.groups), { after: [{ group: 'shield', holds: 'snug' }] }),
    ],
    [
      'items[8].when unknownQuestion',
      (kit) => Object.assign(kit.items[8] as object, { when: { question: 'nope', is: true } }),
    ],
    ['groups[0].stations[0] unknownStation', (kit) => Object.assign(first(kit.groups), { stations: ['zz'] })],
    ['stations[0].id stationInNoGroup', (kit) => Object.assign(first(kit.groups), { stations: ['s2'] })],
    ['stations[8].id stationInTwoGroups', (kit) => first(kit.groups).stations.push('sh1')],
    ['items empty', (kit) => Object.assign(kit, { items: [] })],
    ['groups[0].stations groupEmpty', (kit) => Object.assign(first(kit.groups), { stations: [] })],
    ['items[0].sitsOn unknownReference', (kit) => Object.assign(first(kit.items), { sitsOn: 'nope' })],
    [
      'temporary[0].goneBefore unknownGroup',
      (kit) => kit.temporary.push({ id: 't', name: 'Tape', goneBefore: { group: 'nope' } }),
    ],
    [
      'steps[0].actions[0].removed unknownReference',
      (kit) =>
        kit.steps.push({ id: 'one', text: 'Off', phase: 'strip', actions: [{ type: 'remove', removed: 'nope' }] }),
    ],
    [
      'steps[0].after stepsInCircle',
      (kit) => {
        kit.steps.push({ id: 'one', text: 'One', phase: 'strip', actions: [], after: ['two'] });
        kit.steps.push({ id: 'two', text: 'Two', phase: 'strip', actions: [], after: ['one'] });
      },
    ],
    [
      'checks[0].when unknownQuestion',
      (kit) => kit.checks.push({ id: 'c', text: 'Gap', when: { question: 'nope', is: true } }),
    ],
    ['questions[1].choices choicesMissing', (kit) => Object.assign(kit.questions[1] as object, { choices: [] })],
  ])('%s', (expected, change) => expect(faultsOf(change)).toContain(expected));
});
