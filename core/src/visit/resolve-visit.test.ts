import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { type AnyKit, anyVisit, kitOf, visitOf } from '#demo/any-visit.ts';
import { answerSpace, combinations } from '../kit/answer-space.ts';
import { blankKit } from '../kit/blank-kit.ts';
import type { JointGroup, KitDocument, Station } from '../kit/kit-document.ts';
import type { Step } from '../kit/kit-step.ts';
import type { Phase } from '../kit/phase.ts';
import type { Plan } from '../kit/plan.ts';
import { resolve } from '../kit/resolve.ts';
import type { StepAction } from '../kit/step-action.ts';
import { withRefit } from '../refit/with-refit.ts';
import { resolveVisit, type VisitDecisions } from './resolve-visit.ts';
import { scopedKit } from './scoped-kit.ts';
import { kitPrefix, spreadAnswers, type VisitKit } from './visit.ts';

const anyAnswers = fc.record({ year: fc.constantFrom(2010, 2020), shield: fc.boolean() });

const planOf = (kits: readonly VisitKit[], answers: object, decided: VisitDecisions = {}): Plan => {
  const scoped = Object.fromEntries(
    kits.flatMap(({ prefix }) => Object.entries(answers).map(([id, value]) => [prefix + id, value])),
  );
  const resolved = resolveVisit(kits, {}, scoped, {}, decided);
  if (!resolved.ok) throw new Error(JSON.stringify(resolved.error));
  return resolved.value;
};

/** A kit's own plan with its refits, in the visit's ids. */
const alone = (kit: VisitKit, answers: object): Plan => {
  const scoped = Object.fromEntries(Object.entries(answers).map(([id, value]) => [kit.prefix + id, value]));
  const resolved = resolve(scopedKit(kit.document, kit.prefix), {}, scoped, {}, kit.prefix);
  if (!resolved.ok) throw new Error('not resolved');
  const plan = resolved.value;
  return { ...plan, steps: withRefit(plan.steps, new Map(plan.removed.map((thing) => [thing.id, thing]))) };
};

/** Which step of a merged plan does the work of a step of a sheet, by place in the order. */
const placeOf = (plan: Plan): Map<string, number> =>
  new Map(plan.steps.flatMap((step, index) => step.covers.map((id) => [id, index] as const)));

/** A stated order that is given up: both steps stand in a contradiction, and another kit’s order holds there. */
const givenUp = ({ conflicts }: Plan, step: { id: string; kit: string }, earlier: string): boolean =>
  conflicts.some(({ kind, sides, settled, choices }) => {
    const side = sides.find(({ kit }) => kit === step.kit);
    const ruling = settled?.choice ?? choices[0];
    return kind === 'contrary' && ruling !== step.kit && side?.ids.includes(step.id) && side.ids.includes(earlier);
  });

describe('a visit of several kits (property)', () => {
  it('is the same plan every time', () =>
    fc.assert(
      fc.property(anyVisit, anyAnswers, (kits, answers) =>
        expect(planOf(kits, answers)).toEqual(planOf(structuredClone(kits), answers)),
      ),
    ));

  it('of one kit is that kit, with its refits', () =>
    fc.assert(
      fc.property(anyVisit, anyAnswers, ([first], answers) => {
        const kit = first as VisitKit;
        const { steps: _, ...plan } = planOf([kit], answers);
        const { steps: _s, ...own } = alone(kit, answers);
        expect(plan).toEqual(own);
      }),
    ));

  it('loses no station: each is worked, or stands behind the one joint that is', () =>
    fc.assert(
      fc.property(anyVisit, anyAnswers, (kits, answers) => {
        const plan = planOf(kits, answers);
        const worked = new Set(plan.stations.map((station) => station.id));
        for (const { members, keeps, what } of plan.shared)
          if (what === 'station') {
            expect(worked.has(keeps ?? '')).toBe(true);
            for (const { id } of members) worked.add(id);
          }
        for (const kit of kits)
          for (const station of alone(kit, answers).stations) expect(worked.has(station.id)).toBe(true);
        const inGroups = plan.groups.flatMap((group) => group.stations).sort();
        expect(inGroups).toEqual(plan.stations.map((station) => station.id).sort());
      }),
    ));

  it('loses no step, and never orders one before what it waits for', () =>
    fc.assert(
      fc.property(anyVisit, anyAnswers, (kits, answers) => {
        const plan = planOf(kits, answers);
        const place = placeOf(plan);
        for (const kit of kits) {
          const own = alone(kit, answers);
          // A fate a kit disagrees on may add or drop refits; nothing is settled here.
          for (const step of own.steps) {
            expect(place.has(step.id)).toBe(true);
            const worked = plan.steps.find((entry) => entry.id === step.id);
            // An opening that another kit made already waited for what that kit wanted before it.
            if (!worked) continue;
            for (const earlier of step.after)
              if (!worked.covers.includes(earlier) && !givenUp(plan, step, earlier))
                expect(place.get(earlier)).toBeLessThan(place.get(step.id) as number);
          }
        }
        plan.steps.forEach((step, index) => {
          for (const earlier of step.after) expect(place.get(earlier)).toBeLessThan(index);
        });
      }),
      { numRuns: 120 },
    ));

  it('opens a shared thing once before all work on it and closes it once after', () =>
    fc.assert(
      fc.property(anyVisit, anyAnswers, (kits, answers) => {
        const plan = planOf(kits, answers);
        for (const { what, members } of plan.shared) {
          if (what !== 'removed') continue;
          const ids = new Set(members.map(({ id }) => id));
          const at = (type: 'remove' | 'refit') =>
            plan.steps.flatMap((step, index) =>
              step.actions.some((action) => action.type === type && ids.has(action.removed)) ? [index] : [],
            );
          expect(at('remove')).toHaveLength(1);
          expect(at('refit').length).toBeLessThanOrEqual(1);
          for (const close of at('refit')) expect(at('remove')[0]).toBeLessThan(close);
        }
      }),
      { numRuns: 120 },
    ));

  it('puts back everything that must come back, to the last piece', () =>
    fc.assert(
      fc.property(anyVisit, anyAnswers, (kits, answers) => {
        const plan = planOf(kits, answers);
        const stands = new Map(
          plan.shared.flatMap(({ what, key, members }) =>
            what === 'removed' ? members.map(({ id }) => [id, key] as const) : [],
          ),
        );
        const key = (id: string) => stands.get(id) ?? id;
        const back = new Set(
          plan.steps.flatMap((step) =>
            step.actions.flatMap((action) => (action.type === 'refit' ? [key(action.removed)] : [])),
          ),
        );
        for (const thing of plan.removed)
          if (thing.fate === 'refit' || thing.fate === 'transfer') expect(back.has(key(thing.id))).toBe(true);
      }),
    ));

  it('does every step with the vehicle standing as it must, and ends on its wheels', () =>
    fc.assert(
      fc.property(anyVisit, anyAnswers, (kits, answers) => {
        const plan = planOf(kits, answers);
        let up = false;
        const lifts = new Set(
          kits
            .filter(({ document }) => document.steps[0]?.actions[0]?.type === 'lift')
            .map(({ document }) => document.id),
        );
        for (const step of plan.steps) {
          if (lifts.has(step.kit) && step.phase === 'loose') expect(up).toBe(true);
          for (const action of step.actions) {
            if (action.type === 'lift') up = true;
            if (action.type === 'lower') up = false;
          }
        }
        expect(up).toBe(false);
      }),
    ));

  it('resolves for every combination of answers', () =>
    fc.assert(
      fc.property(anyVisit, (kits) => {
        const [first] = kits as [VisitKit];
        const axes = answerSpace(first.document);
        for (const answers of combinations(axes)) {
          const resolved = resolveVisit(kits, { modelYear: 2015 }, spreadAnswers(kits, { shield: true, ...answers }));
          expect(resolved.ok).toBe(true);
        }
      }),
      { numRuns: 40 },
    ));

  it('only grows with another kit, as long as nothing is settled (monotone)', () =>
    fc.assert(
      fc.property(anyVisit, anyAnswers, (kits, answers) => {
        const without = planOf(kits.slice(0, -1).length > 0 ? kits.slice(0, -1) : kits, answers);
        const withAll = planOf(kits, answers);
        expect(withAll.stations.length).toBeGreaterThanOrEqual(
          without.stations.length - withAll.shared.filter(({ what }) => what === 'station').length,
        );
        const found = new Set(withAll.conflicts.map(({ id }) => id));
        const keysOf = (id: string) => id.replace('contrary ', '').split(' / ');
        for (const { id, kind } of without.conflicts) {
          if (kind === 'order') continue;
          // A third kit may draw more things into the same circle.
          const within = withAll.conflicts.some(
            (other) => other.kind === 'contrary' && keysOf(id).every((key) => keysOf(other.id).includes(key)),
          );
          expect(kind === 'contrary' ? within : found.has(id)).toBe(true);
        }
      }),
    ));

  it('settling every conflict leaves none open and still loses no work', () =>
    fc.assert(
      fc.property(anyVisit, anyAnswers, fc.nat(3), (kits, answers, pick) => {
        const open = planOf(kits, answers).conflicts;
        const settled = Object.fromEntries(
          open.map(({ id, choices }) => [id, { choice: choices[pick % choices.length] as string }]),
        );
        let plan = planOf(kits, answers, { settled });
        // What is chosen for one may bring two sheets to close things in contrary order: that is asked then.
        for (const { id, choices, kind } of plan.conflicts)
          if (kind === 'contrary') settled[id] ??= { choice: choices[pick % choices.length] as string };
        plan = planOf(kits, answers, { settled });
        for (const conflict of plan.conflicts) if (conflict.kind !== 'order') expect(conflict.settled).toBeDefined();
        const joints = plan.stations.map((station) => station.place).filter((place) => place !== undefined);
        expect(new Set(joints).size).toBe(joints.length);
      }),
    ));
});

const shape = (over: Partial<AnyKit> = {}): AnyKit => ({
  things: [],
  joints: [],
  own: 1,
  lift: false,
  shuffle: 0,
  ...over,
});

describe('two kits on one vehicle', () => {
  const wheels = { name: 1, fate: 0, refit: false };
  const shield = { name: 2, fate: 0, refit: false };

  it('the wheels come off once and go on once, after both', () => {
    const plan = planOf(
      visitOf([shape({ things: [wheels, shield], lift: true }), shape({ things: [wheels], lift: true })]),
      {
        year: 2020,
        shield: false,
      },
    );
    expect(plan.steps.map((step) => [step.kit, ...step.actions.map((action) => action.type)].join(' '))).toEqual([
      'k0 lift',
      'k0 remove',
      'k0 remove',
      'k0 start',
      'k1 start',
      'k0 snug torque',
      'k1 snug torque',
      'k0 refit',
      'k1 refit',
      'k0 lower',
      'k1 do',
    ]);
    expect(plan.shared.map(({ name }) => name)).toEqual(['rear wheels', 'Road test']);
  });

  it('one joint with two figures waits for a choice, and is then tightened once', () => {
    const kits = visitOf([
      shape({ joints: [{ place: 0, torqueNm: 52, when: 0 }] }),
      shape({ joints: [{ place: 0, torqueNm: 40, when: 0 }] }),
    ]);
    const answers = { year: 2020, shield: false };
    const open = planOf(kits, answers);
    expect(open.conflicts).toMatchObject([
      { kind: 'sameJoint', place: 'rear damper lower bolt', differs: ['figure'], choices: ['k0', 'k1'] },
    ]);
    expect(open.conflicts[0]?.sides.map(({ printed }) => printed)).toEqual(['52 N·m', '40 N·m']);
    const id = open.conflicts[0]?.id as string;
    const plan = planOf(kits, answers, { settled: { [id]: { choice: 'k1' } } });
    expect(
      plan.stations.filter((station) => station.place !== undefined).map(({ id: one, printed }) => [one, printed]),
    ).toEqual([['k1/s0', '40 N·m']]);
    // The other kit's bolt is a spare now, and says so.
    expect(plan.items.find((item) => item.id === 'b0')).toMatchObject({ needed: 0, expectedSpare: 1 });
    const figure = { spec: { kind: 'torque' as const, targetNm: 45 }, printed: '45 N·m' };
    const third = planOf(kits, answers, { settled: { [id]: { choice: 'k0', figure } } });
    expect(third.stations.find((station) => station.place)).toMatchObject({ id: 's0', printed: '45 N·m' });
  });

  it('one joint tightened alike by both is taken as one without asking', () => {
    const joint = { place: 0, torqueNm: 52, when: 0 };
    const plan = planOf(visitOf([shape({ joints: [joint] }), shape({ joints: [joint] })]), {
      year: 2020,
      shield: false,
    });
    expect(plan.conflicts).toEqual([]);
    expect(plan.stations.filter((station) => station.place)).toHaveLength(1);
  });

  it('what one keeps and the other puts back is a conflict, and the choice decides the refit', () => {
    const kits = visitOf([shape({ things: [{ ...shield, fate: 2 }] }), shape({ things: [shield] })]);
    const answers = { year: 2020, shield: false };
    const open = planOf(kits, answers);
    expect(open.conflicts).toMatchObject([{ kind: 'fates', place: 'splash shield' }]);
    const id = open.conflicts[0]?.id as string;
    const refits = (plan: Plan) =>
      plan.steps.filter((step) => step.actions.some((action) => action.type === 'refit')).length;
    expect(refits(planOf(kits, answers, { settled: { [id]: { choice: 'k0' } } }))).toBe(0);
    expect(refits(planOf(kits, answers, { settled: { [id]: { choice: 'k1' } } }))).toBe(1);
  });

  it('contrary closing orders are asked about, they alone, and whose order is chosen holds', () => {
    const things = [wheels, shield].map((thing) => ({ ...thing, refit: true }));
    const third = shape({ things: [{ name: 3, fate: 0, refit: true }], own: 2 });
    const kits = visitOf([shape({ things, shuffle: 0 }), shape({ things, shuffle: 1 }), third]);
    const answers = { year: 2020, shield: false };
    const plan = planOf(kits, answers);
    expect(plan.conflicts.map(({ kind, place, choices }) => [kind, place, choices])).toEqual([
      ['contrary', 'rear wheels and splash shield', ['k0', 'k1']],
    ]);
    expect(plan.conflicts[0]?.sides.map(({ name }) => name)).toEqual([
      'rear wheels, then splash shield',
      'splash shield, then rear wheels',
    ]);
    // Closed once each, in the order of whoever rules; the third kit is none of it, and is worked among the others.
    const closed = (decided: VisitDecisions) => {
      const { removed, steps } = planOf(kits, answers, decided);
      const names = new Map(removed.map(({ id, name }) => [id, name]));
      return steps.flatMap(({ actions }) =>
        actions.flatMap((action) => (action.type === 'refit' ? (names.get(action.removed) ?? []) : [])),
      );
    };
    const [conflict] = plan.conflicts;
    const [first, last] = ['rear wheels', 'splash shield'];
    const without = (names: string[]) => names.filter((name) => name === first || name === last);
    expect(without(closed({}))).toEqual([first, last]);
    expect(without(closed({ settled: { [conflict?.id ?? '']: { choice: 'k1' } } }))).toEqual([last, first]);
    const starts = plan.steps
      .filter(({ actions }) => actions.some(({ type }) => type === 'start'))
      .map(({ kit }) => kit);
    expect(starts).toEqual(['k0', 'k1', 'k2']);
  });

  it('a person may say that two things of one name are two', () => {
    const kits = visitOf([shape({ things: [shield] }), shape({ things: [shield] })]);
    const answers = { year: 2020, shield: false };
    const shared = planOf(kits, answers).shared.find(({ what }) => what === 'removed');
    const removals = (plan: Plan) =>
      plan.steps.filter((step) => step.actions.some((action) => action.type === 'remove')).length;
    expect(removals(planOf(kits, answers))).toBe(1);
    expect(removals(planOf(kits, answers, { split: [shared?.key as string] }))).toBe(2);
  });

  it('what one puts on and the other was told is not there is a conflict', () => {
    const [one, other] = visitOf([shape(), shape()]) as [VisitKit, VisitKit];
    const kits: VisitKit[] = [
      { ...one, document: { ...one.document, adds: ['Air springs'] } },
      {
        ...other,
        document: {
          ...other.document,
          questions: [
            ...other.document.questions,
            { id: 'air', text: 'Are air springs on it?', kind: 'yesNo', fitted: 'air springs' },
          ],
          stations: other.document.stations.map((station) => ({ ...station, when: { question: 'air', is: false } })),
        },
      },
    ];
    const answers = { year: 2020, shield: false, air: false };
    const open = planOf(kits, answers);
    expect(open.conflicts).toMatchObject([{ kind: 'overtaken', place: 'Air springs', choices: ['asIs', 'answerYes'] }]);
    const id = open.conflicts[0]?.id as string;
    const later = planOf(kits, answers, { settled: { [id]: { choice: 'asIs' } } });
    expect(later.steps[0]?.kit).toBe('k1');
    const yes = planOf(kits, answers, { settled: { [id]: { choice: 'answerYes', question: 'k1/air' } } });
    expect(yes.stations.every((station) => station.kit === 'k0')).toBe(true);
    expect(yes.conflicts[0]?.settled?.choice).toBe('answerYes');
  });

  it('both asking for the year are asked once', () => {
    const kits = visitOf([
      shape({ joints: [{ place: 0, torqueNm: 52, when: 2 }] }),
      shape({ joints: [{ place: 1, torqueNm: 40, when: 2 }] }),
    ]);
    expect(spreadAnswers(kits, { year: 2020 })).toEqual({ year: 2020, 'k1/year': 2020 });
    expect(resolveVisit(kits, {}, { year: 2020 }).ok).toBe(false);
    expect(resolveVisit(kits, {}, spreadAnswers(kits, { year: 2020 })).ok).toBe(true);
    expect(kitOf(shape(), 'x').questions).toHaveLength(2);
  });
});

describe('wheels that two kits take off', () => {
  const OF: Pick<KitDocument, 'items' | 'stations' | 'groups' | 'removed'> = {
    items: [
      { id: 'b', line: '1', bag: 'A', kind: 'bolt', name: 'bolt', quantity: 1, source: 'kit' },
      { id: 'n', line: '2', bag: 'A', kind: 'nut', name: 'wheel nut', quantity: 1, source: 'factory' },
    ],
    stations: [joint('s', 'bracket', 'b', 40), { ...joint('w', 'wheel nuts', 'n', 97), tags: ['wheel'] }],
    groups: [joints('g', 's'), joints('wg', 'w')],
    removed: [{ id: 'wh', name: 'front wheels', count: 2, fate: 'refit' }],
  };
  function joint(id: string, name: string, item: string, targetNm: number): Station {
    return {
      id,
      label: id,
      name,
      xMm: 0,
      yMm: 0,
      stack: [{ kind: 'hardware', item }],
      specs: [{ printed: `${targetNm} N·m`, spec: { kind: 'torque', targetNm } }],
      drive: { kind: 'hex', acrossFlatsMm: 19 },
    };
  }
  function joints(id: string, ...stations: string[]): JointGroup {
    return { id, title: id, map: { title: '', note: '', widthMm: 100, heightMm: 100, shapes: [] }, stations };
  }
  const step = (id: string, phase: Phase, ...actions: StepAction[]): Step => ({ id, text: id, phase, actions });
  const fitted = (id: string): Step[] => [
    step(`${id}1`, 'strip', { type: 'lift' }),
    step(`${id}2`, 'strip', { type: 'remove', removed: 'wh' }),
    step(`${id}3`, 'loose', { type: 'start', group: 'g' }),
    step(`${id}4`, 'torque', { type: 'torque', group: 'g' }),
  ];
  /** Writes everything out, the nuts last, on the wheels. */
  const writesAll: KitDocument = {
    ...blankKit('all', 'All', 'Pennant Works'),
    ...OF,
    steps: [
      ...fitted('a'),
      step('a5', 'refit', { type: 'refit', removed: 'wh' }),
      step('a6', 'refit', { type: 'start', group: 'wg' }, { type: 'snug', group: 'wg' }),
      step('a7', 'refit', { type: 'lower' }),
      step('a8', 'refit', { type: 'torque', group: 'wg' }),
    ],
  };
  /** Says no more than “refit in reverse”. */
  const saysReverse: KitDocument = {
    ...blankKit('reverse', 'Reverse', 'Pennant Works'),
    ...OF,
    stations: OF.stations.slice(0, 1),
    groups: OF.groups.slice(0, 1),
    steps: fitted('b'),
  };

  it.each([
    ['the one that says all first', [writesAll, saysReverse]],
    ['the other first', [saysReverse, writesAll]],
  ])('go on before their nuts, which are torqued on the wheels; up and down once: %s', (_, documents) => {
    const kits: VisitKit[] = [];
    for (const document of documents) kits.push({ document, prefix: kitPrefix(kits, document.id) });
    const plan = planOf(kits, {});
    const acts = plan.steps.flatMap(({ actions }) =>
      actions.map((action) => `${action.type} ${'group' in action ? action.group?.split('/').at(-1) : ''}`.trim()),
    );
    const at = (act: string) => acts.indexOf(act);
    for (const once of ['lift', 'remove', 'refit', 'lower']) expect(acts.filter((act) => act === once)).toHaveLength(1);
    expect(at('refit')).toBeGreaterThan(acts.lastIndexOf('torque g'));
    expect(at('refit')).toBeLessThan(at('start wg'));
    expect(at('start wg')).toBeLessThan(at('lower'));
    expect(at('lower')).toBeLessThan(at('torque wg'));
    expect(plan.conflicts).toEqual([]);
  });
});
