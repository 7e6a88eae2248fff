import { describe, expect, it } from '@jest/globals';
import { DEMO_KITS, FRONT_RECOVERY_POINTS, ROCK_SLIDERS, TRACK_BAR_BRACE, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { boltStrength } from '../fastener/property-class.ts';
import { parseThread } from '../fastener/thread.ts';
import { traceJointOf } from '../job/pull-curve.ts';
import { variants } from '../kit/answer-space.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import { indexOf } from '../kit/plan.ts';
import { acceptBand } from '../tightening/kinds.ts';
import { judgeTrace } from '../trace/judge-trace.ts';
import { bagOf } from './bag.ts';
import { consequenceOf } from './consequence.ts';
import { DRILL_FORMAT, DRILL_VERSION, type Drill, type PlacedFault } from './drill.ts';
import { beginDrill, drillCall, drillCommand, faultsOpen, meantLog } from './drill-run.ts';
import { FAULT_KINDS, FAULTS, type FaultKind, kindsOfRoom } from './fault-kind.ts';
import { judgeDrill } from './judge-drill.ts';
import { NOT_STAGED } from './not-staged.ts';
import { drawFaults, kindsFor, missingPieces, placelessFaults, placesOf } from './place-faults.ts';
import { HANDS, handOf, pullAt } from './scene.ts';
import { playDrill, STYLES } from './scripted-learner.ts';
import { stagedKit } from './staged-kit.ts';

const drillOf = (kit: KitDocument, faults: PlacedFault[] = [], seed = 1): Drill => ({
  format: DRILL_FORMAT,
  version: DRILL_VERSION,
  id: 'drill',
  title: 'A drill',
  mode: 'plain',
  seed,
  kit,
  answers: variants(kit)?.[0] ?? {},
  faults,
});
const planOf = (kit: KitDocument) => {
  const log = meantLog(drillOf(kit));
  if (!log.ok) throw new Error(log.error.code);
  return log.value.plan;
};
const first = (kit: KitDocument, kind: FaultKind): PlacedFault => {
  const [place] = placesOf(planOf(kit), kind);
  if (!place) throw new Error(`${kit.id} has no place for ${kind}`);
  return place;
};
const someWhere = (kind: FaultKind): { kit: KitDocument; fault: PlacedFault } => {
  for (const kit of DEMO_KITS) {
    const [fault] = placesOf(planOf(kit), kind);
    if (fault) return { kit, fault };
  }
  throw new Error(`no demo kit has a place for ${kind}`);
};
const HAND = { id: 'l', name: 'Learner', role: 'lead' as const };

describe('faults', () => {
  it('of every kind have a place in some kit, and a kind of every room can be named', () => {
    for (const kind of FAULT_KINDS) expect(someWhere(kind).fault.kind).toBe(kind);
    for (const kind of FAULT_KINDS) expect(kindsOfRoom(FAULTS[kind].room)).toContain(kind);
  });
  it('are drawn the same for a seed, otherwise for another, never two at one joint', () => {
    const plan = planOf(ROCK_SLIDERS);
    const drawn = drawFaults(plan, 4, FAULT_KINDS, 8);
    expect(drawFaults(plan, 4, FAULT_KINDS, 8)).toEqual(drawn);
    expect(
      new Set([1, 2, 3, 4, 5].map((seed) => JSON.stringify(drawFaults(plan, seed, FAULT_KINDS, 8)))).size,
    ).toBeGreaterThan(1);
    expect(new Set(drawn.map(({ target }) => target)).size).toBe(drawn.length);
    expect(placelessFaults(plan, drawn)).toEqual([]);
  });
  it('stand where they can: grease under a locker alone, half-done work in a group of several', () => {
    for (const kit of DEMO_KITS) {
      const plan = planOf(kit);
      for (const { target } of placesOf(plan, 'greasyThread'))
        expect(plan.stations.find(({ id }) => id === target)?.compound).toBeDefined();
      for (const { target } of placesOf(plan, 'halfDone'))
        expect(plan.groups.find(({ stations }) => stations.includes(target))?.stations.length).toBeGreaterThan(1);
    }
    expect(placesOf(planOf(TRANSFER_CASE_GUARD), 'greasyThread')).toEqual([]);
  });
  it('are only those that are wanted, and told where a kit has no place for one', () => {
    const plan = planOf(FRONT_RECOVERY_POINTS);
    expect(drawFaults(plan, 2, ['crossed'], 3).map(({ kind }) => kind)).toEqual(['crossed']);
    expect(drawFaults(plan, 2, ['wrongSide'], 3)).toEqual([]);
    expect(placelessFaults(plan, [{ kind: 'short', target: 'nothing' }])).toEqual([
      { kind: 'short', target: 'nothing' },
    ]);
  });
});

describe('mistakes of the trade', () => {
  const staged = new Set(FAULT_KINDS.flatMap((kind) => FAULTS[kind].mistakes));
  it('are each staged by some fault, or it is said why not', () => {
    const all = Array.from({ length: 65 }, (_, at) => `M${String(at + 1).padStart(2, '0')}`);
    expect([...staged, ...Object.keys(NOT_STAGED)].filter((line) => !all.includes(line))).toEqual([]);
    expect(all.filter((line) => !staged.has(line) && NOT_STAGED[line] === undefined)).toEqual([]);
    expect(Object.keys(NOT_STAGED).filter((line) => staged.has(line))).toEqual([]);
  });
});

describe('the bag', () => {
  it.each(DEMO_KITS.map((kit) => [kit.id, kit] as const))(
    'of %s holds what the list says where nothing is wrong',
    (_, kit) => {
      for (const item of planOf(kit).items)
        expect(bagOf(item, [])).toEqual([expect.objectContaining({ count: item.quantity })]);
    },
  );
  it('is one short of what is needed, and holds one wrong piece among right ones', () => {
    const plan = planOf(ROCK_SLIDERS);
    const short = first(ROCK_SLIDERS, 'short');
    const item = indexOf(plan).items.get(short.target);
    if (!item) throw new Error('no item');
    expect(bagOf(item, [short])).toMatchObject([{ count: item.quantity - missingPieces(item) }]);
    expect(item.quantity - missingPieces(item)).toBeLessThan(item.needed);
    const mixed = someWhere('swapped');
    const mixedPlan = planOf(mixed.kit);
    const own = indexOf(mixedPlan).items.get(mixed.fault.target);
    if (!own) throw new Error('no item');
    const odd = bagOf(own, [mixed.fault], mixedPlan.items).at(-1);
    expect(odd?.count).toBe(1);
    expect([odd?.thread, odd?.lengthMm]).not.toEqual([own.thread, own.lengthMm]);
    expect(mixedPlan.items.some(({ thread, lengthMm }) => thread === odd?.thread && lengthMm === odd?.lengthMm)).toBe(
      true,
    );
    for (const kind of ['wrongLength', 'wrongClass', 'damagedThread'] as const) {
      const fault = first(ROCK_SLIDERS, kind);
      const line = indexOf(plan).items.get(fault.target);
      if (!line) throw new Error('no item');
      const pieces = bagOf(line, [fault]);
      expect(pieces.reduce((sum, { count }) => sum + count, 0)).toBe(line.quantity);
      expect(pieces.at(-1)?.count).toBe(1);
    }
  });
});

describe('the sheet', () => {
  const figureOf = (kit: KitDocument, group: string) =>
    kit.stations.find(({ id }) => id === kit.groups.find((entry) => entry.id === group)?.stations[0])?.specs[0];
  it('has its point lost, its unit slipped, its figure left out or contradicted, and is whole beside', () => {
    const { target } = first(TRACK_BAR_BRACE, 'lostDecimal');
    const right = figureOf(TRACK_BAR_BRACE, target)?.spec;
    if (right?.kind !== 'torque') throw new Error('no plain figure');
    const staged = (kind: FaultKind) => stagedKit(TRACK_BAR_BRACE, [{ kind, target }]);
    expect(figureOf(staged('lostDecimal'), target)?.spec).toMatchObject({ targetNm: 10 * right.targetNm });
    // 1 lbf·ft = 1.355 818 N·m (NIST Special Publication 811, appendix B.8)
    expect(figureOf(staged('unitSlip'), target)).toMatchObject({
      printed: `${right.targetNm} lbf·ft`,
      spec: { targetNm: expect.closeTo(1.355818 * right.targetNm, 2) },
    });
    expect(figureOf(staged('missingFigure'), target)?.spec.kind).toBe('missing');
    const text = (kit: KitDocument) => kit.steps.map((step) => step.text).join('\n');
    expect(text(staged('contradiction'))).not.toBe(text(TRACK_BAR_BRACE));
    expect(stagedKit(TRACK_BAR_BRACE, [])).toEqual(TRACK_BAR_BRACE);
  });
});

describe('what a hand feels', () => {
  const plan = planOf(ROCK_SLIDERS);
  it.each(['crossed', 'bottomed', 'stripping', 'slippery', 'soft', 'alreadyTight'] as const)(
    '%s is told by its curve wherever it can be put',
    (kind) => {
      const told = DEMO_KITS.flatMap((kit) => {
        const own = planOf(kit);
        return placesOf(own, kind)
          .slice(0, 4)
          .map((fault) => {
            const station = indexOf(own).stations.get(fault.target);
            const band = station && acceptBand(station.spec);
            const joint = station && band && traceJointOf(own, station, band);
            const samples = pullAt(own, fault.target, [fault], 3);
            const judged = joint && samples && judgeTrace(samples, joint);
            return judged?.ok === true && judged.value.kind === kind;
          });
      });
      expect(told.length).toBeGreaterThan(0);
      // As often as the judge of curves is right on joints it was not made for.
      expect(told.filter(Boolean).length / told.length).toBeGreaterThanOrEqual(0.9);
    },
  );
  it.each(HANDS.map((hand, at) => [hand, at + 1] as const))('is told whoever pulls: %s', (hand, seed) => {
    expect(handOf(seed)).toBe(hand);
    const kinds = ['crossed', 'bottomed', 'stripping', 'slippery', 'soft'] as const;
    const told = [...kinds, undefined].flatMap((kind) =>
      DEMO_KITS.flatMap((kit) => {
        const own = planOf(kit);
        const places = kind ? placesOf(own, kind) : placesOf(own, 'slippery');
        return places.slice(0, 2).map((fault) => {
          const station = indexOf(own).stations.get(fault.target);
          const band = station && acceptBand(station.spec);
          const joint = station && band && traceJointOf(own, station, band);
          const samples = pullAt(own, fault.target, kind ? [fault] : [], seed);
          const judged = joint && samples && judgeTrace(samples, joint);
          return judged?.ok === true && judged.value.kind === (kind ?? 'good');
        });
      }),
    );
    expect(told.length).toBeGreaterThan(10);
    expect(told.filter(Boolean).length / told.length).toBeGreaterThanOrEqual(0.9);
  });
  it('is the same for a seed', () => {
    const [fault] = placesOf(plan, 'crossed');
    if (!fault) throw new Error('no place');
    expect(pullAt(plan, fault.target, [fault], 5)).toEqual(pullAt(plan, fault.target, [fault], 5));
    expect(pullAt(plan, fault.target, [], 5)).not.toEqual(pullAt(plan, fault.target, [fault], 5));
  });
});

describe('what follows', () => {
  it('a weaker bolt is as much nearer to its yield as its class is weaker', () => {
    const { kit, fault } = someWhere('wrongClass');
    const plan = planOf(kit);
    const item = indexOf(plan).items.get(fault.target);
    const thread = parseThread(item?.thread ?? '');
    if (!thread.ok || !item?.propertyClass) throw new Error('no thread');
    const strengthOf = (name: string) => {
      const strength = boltStrength(name, thread.value.thread);
      return strength.ok ? strength.value.yieldMpa : Number.NaN;
    };
    const weaker = bagOf(item, [fault]).at(-1)?.propertyClass ?? '';
    const consequence = consequenceOf(plan, fault);
    const station = plan.stations.find(({ stack }) =>
      stack.some((piece) => piece.kind === 'hardware' && piece.item === item.id),
    );
    const own = station && consequenceOf(plan, { kind: 'alreadyTight', target: station.id });
    expect(own).toEqual({ code: 'unknownLoad' });
    if (consequence.code !== 'overloaded' || consequence.yieldShare === undefined) throw new Error('no share');
    expect(consequence.loadShare).toBe(1);
    // ISO 898-1:2013, table 3: the yield strengths of the classes are in this ratio.
    expect(consequence.yieldShare * strengthOf(weaker)).toBeGreaterThan(0.2 * strengthOf(item.propertyClass));
  });
  it('foot-pounds for newton metres load a bolt by a third more, a lost point tenfold', () => {
    const plan = planOf(TRACK_BAR_BRACE);
    expect(consequenceOf(plan, first(TRACK_BAR_BRACE, 'unitSlip'))).toMatchObject({
      code: 'overloaded',
      loadShare: 1.36,
    });
    expect(consequenceOf(plan, first(TRACK_BAR_BRACE, 'lostDecimal'))).toMatchObject({
      code: 'overloaded',
      loadShare: 10,
    });
  });
  it('a weight taken for a torque is turned by standard gravity', () => {
    // 1 kgf·m = 9.806 65 N·m (NIST Special Publication 811, appendix B.9)
    expect(consequenceOf(planOf(TRACK_BAR_BRACE), first(TRACK_BAR_BRACE, 'forceForTorque'))).toMatchObject({
      code: 'overloaded',
      loadShare: 9.81,
    });
  });
  it('a bolt called by its head is pulled by the third power of what it is called', () => {
    const { kit, fault } = someWhere('calledByHead');
    const plan = planOf(kit);
    const station = plan.stations.find(({ groupId }) => groupId === fault.target);
    const consequence = consequenceOf(plan, fault);
    if (consequence.code !== 'overloaded' || station?.drive.kind !== 'hex') throw new Error(consequence.code);
    const item = station.stack.flatMap((piece) =>
      piece.kind === 'hardware' ? (indexOf(plan).items.get(piece.item)?.thread ?? []) : [],
    )[0];
    const nominal = Number(/^M(\d+)/.exec(item ?? '')?.[1]);
    expect(consequence.loadShare).toBeCloseTo((station.drive.acrossFlatsMm / nominal) ** 3, 1);
    expect(
      stagedKit(kit, [fault])
        .steps.map(({ text }) => text)
        .join(' '),
    ).toContain(`M${station.drive.acrossFlatsMm} bolts`);
  });
  it('a head without its washer presses harder by the ratio of the two faces', () => {
    const { kit, fault } = someWhere('washerMissing');
    const consequence = consequenceOf(planOf(kit), fault);
    if (consequence.code !== 'pressed') throw new Error(consequence.code);
    // M8: face 11.6 mm and washer 16 mm over a hole of 9 mm (ISO 4014, ISO 7089, ISO 273): 3.3; M12: 16.6, 24, 13.5: 4.2.
    expect(consequence.times).toBeGreaterThan(2.5);
    expect(consequence.times).toBeLessThan(5);
  });
  it('a wrench below its scale may be out by more than a tenth, a vehicle that falls brings kilojoules', () => {
    const wrench = someWhere('wrongWrench');
    const misread = consequenceOf(planOf(wrench.kit), wrench.fault);
    expect(misread.code === 'misread' && misread.share).toBeGreaterThan(0.1);
    const jack = someWhere('onJackAlone');
    // 900 kg × 9.81 m/s² × 0.35 m
    expect(consequenceOf(planOf(jack.kit), jack.fault)).toEqual({ code: 'falls', kilojoule: 3.1 });
  });
  it('a sheet that counts two too few leaves two bolts out', () => {
    const { kit, fault } = someWhere('wrongCount');
    const consequence = consequenceOf(planOf(kit), fault);
    if (consequence.code !== 'fewerBolts') throw new Error(consequence.code);
    expect(consequence.of - consequence.bolts).toBe(2);
    expect(
      stagedKit(kit, [fault])
        .steps.map(({ text }) => text)
        .join(' '),
    ).toContain(`${consequence.bolts} bolts in all`);
  });
  it('a bolt that is missing leaves its load to the others', () => {
    const plan = planOf(ROCK_SLIDERS);
    const bolts = placesOf(plan, 'short').filter(({ target }) => indexOf(plan).items.get(target)?.kind === 'bolt');
    const consequence = consequenceOf(plan, bolts[0] ?? first(ROCK_SLIDERS, 'short'));
    if (consequence.code !== 'fewerBolts') throw new Error(consequence.code);
    expect(consequence.loadEach).toBeCloseTo(consequence.of / consequence.bolts, 2);
  });
  it('a bolt that is marked and not pulled holds nothing, a locker on grease neither', () => {
    const of = (kind: FaultKind) => {
      const { kit, fault } = someWhere(kind);
      return consequenceOf(planOf(kit), fault);
    };
    expect(of('halfDone')).toEqual({ code: 'loadLost', leftShare: 0 });
    expect(of('greasyThread')).toEqual({ code: 'bondBroken' });
  });
  it.each(FAULT_KINDS.map((kind) => [kind] as const))('of %s is said', (kind) => {
    const { kit, fault } = someWhere(kind);
    expect(consequenceOf(planOf(kit), fault).code).toBeTruthy();
  });
});

describe('a verdict', () => {
  const fault = first(TRACK_BAR_BRACE, 'crossed');
  const attemptOf = (calls: ReadonlyArray<{ kind: FaultKind; target: string }>, when: 'before' | 'after') => {
    const drill = drillOf(TRACK_BAR_BRACE, [fault]);
    const { attempt } = playDrill(drill, STYLES.careless, 11);
    const events = attempt.events;
    const at = when === 'before' ? 0 : events.length;
    return judgeDrill({
      ...attempt,
      calls: calls.map((call) => ({
        ...call,
        atMs: attempt.beganMs,
        afterEvents: at,
        right: call.target === fault.target && call.kind === fault.kind,
      })),
    });
  };
  it('tells what was found in time from what was found late and from what was not', () => {
    expect(attemptOf([fault], 'before').faults[0]).toMatchObject({ catch: 'caught', by: 'call' });
    expect(attemptOf([fault], 'after').faults[0]).toMatchObject({ catch: 'late', by: 'call' });
    expect(attemptOf([], 'before').faults[0]).toMatchObject({ catch: 'missed' });
  });
  it('counts a false alarm against it, and no speed for it', () => {
    const wrong = { kind: 'soft' as const, target: fault.target };
    expect(attemptOf([fault, wrong], 'before')).toMatchObject({ score: 0.75, falseAlarms: [{ kind: 'soft' }] });
    expect(attemptOf([fault], 'before').score).toBe(1);
  });
  it('takes a count that leaves the bad pieces out for a find', () => {
    const short = first(ROCK_SLIDERS, 'short');
    const drill = drillOf(ROCK_SLIDERS, [short]);
    const begun = beginDrill(drill);
    if (!begun.ok) throw new Error(begun.error.code);
    const item = begun.value.log.plan.items.find(({ id }) => id === short.target);
    if (!item) throw new Error('no item');
    const taken = drillCommand(begun.value, [], {
      id: 'c1',
      atMs: 1_000,
      by: HAND,
      command: { type: 'countLine', item: item.id, found: item.quantity - missingPieces(item), damaged: 0 },
    });
    expect(taken.refusal).toBeUndefined();
    const verdict = judgeDrill({ ...taken.run, beganMs: 0, endedMs: 60_000 });
    expect(verdict.faults[0]).toMatchObject({ catch: 'caught', by: 'record' });
    expect(verdict).toMatchObject({ closed: false, minutes: 1 });
  });
  it('says of a laid-out order how far it runs the load to one side', () => {
    const plan = planOf(TRACK_BAR_BRACE);
    const group = plan.groups.find(({ stations }) => stations.length > 2) ?? plan.groups[0];
    if (!group) throw new Error('no group');
    const begun = beginDrill(drillOf(TRACK_BAR_BRACE));
    if (!begun.ok) throw new Error(begun.error.code);
    const laidOut = [{ group: group.id, order: [...group.torqueOrder] }];
    const [order] = judgeDrill({ ...begun.value, laidOut, beganMs: 0, endedMs: 0 }).orders;
    expect(order?.own).toBeCloseTo(order?.kit ?? Number.NaN);
    expect(order?.figure).toBeUndefined();
    const station = indexOf(plan).stations.get(group.stations[0] ?? '');
    const target = station && acceptBand(station.spec)?.targetNm;
    const figured = (figureNm: number) =>
      judgeDrill({ ...begun.value, laidOut: [{ group: group.id, order: [], figureNm }], beganMs: 0, endedMs: 0 })
        .orders[0]?.figure;
    expect(figured(target ?? Number.NaN)).toBe('right');
    expect(figured(2 * (target ?? Number.NaN))).toBe('wrong');
  });
});

describe('a slip of the sheet that is named', () => {
  it('is put right under the work already done', () => {
    const fault = first(TRACK_BAR_BRACE, 'lostDecimal');
    const begun = beginDrill(drillOf(TRACK_BAR_BRACE, [fault]));
    if (!begun.ok) throw new Error(begun.error.code);
    const figure = (run: typeof begun.value) =>
      run.log.plan.stations.find(({ groupId }) => groupId === fault.target)?.spec;
    const called = drillCall(begun.value, { ...fault, atMs: 5 });
    expect(called.right).toBe(true);
    expect(faultsOpen(called.run)).toEqual([]);
    const [before, after] = [figure(begun.value), figure(called.run)];
    if (before?.kind !== 'torque' || after?.kind !== 'torque') throw new Error('no figure');
    expect(before.targetNm).toBeCloseTo(10 * after.targetNm);
    // Named twice it is a false alarm.
    expect(drillCall(called.run, { ...fault, atMs: 6 }).right).toBe(false);
  });
});

describe('learners', () => {
  it.each(DEMO_KITS.map((kit) => [kit.id, kit] as const))(
    '%s: a careful one finds all and calls nothing sound wrong, a hasty one less, a careless one least',
    (_, kit) => {
      const plan = planOf(kit);
      const faults = drawFaults(plan, 5, kindsFor(plan), 6);
      const drill = drillOf(kit, faults);
      const careful = playDrill(drill, STYLES.careful, 1);
      expect(careful.verdict.falseAlarms).toEqual([]);
      expect(careful.verdict.faults.map(({ fault, catch: caught }) => [fault.kind, caught])).toEqual(
        drill.faults.map(({ kind }) => [kind, 'caught']),
      );
      expect(careful.verdict).toMatchObject({ closed: true, score: 1 });
      const mean = (style: keyof typeof STYLES) =>
        [1, 2, 3, 4].reduce((sum, seed) => sum + playDrill(drill, STYLES[style], seed).verdict.score, 0) / 4;
      expect(mean('hasty')).toBeLessThan(1);
      expect(mean('careless')).toBeLessThan(mean('hasty'));
    },
  );
  it('a perfect run over a sound job has no false alarm', () => {
    const { verdict } = playDrill(drillOf(FRONT_RECOVERY_POINTS), STYLES.careful, 1);
    expect(verdict).toMatchObject({ falseAlarms: [], faults: [], closed: true, score: 1 });
  });
});
