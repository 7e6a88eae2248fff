import { describe, expect, it } from '@jest/globals';
import { kitOfActs, ONE_OF_EACH } from '#demo/any-acts.ts';
import { MIRA, NOON, RAFE, tryCommand, WRENCHES } from '#demo/try-job.ts';
import { openLog } from '../job/job-log.ts';
import { nextOnLine } from '../job/line-next.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import type { PrintedSpec } from '../kit/printed-spec.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { stepReferred } from './cross-reference.ts';
import { resolveVisit } from './resolve-visit.ts';
import { kitPrefix, type VisitKit } from './visit.ts';

const JOINTS = [ONE_OF_EACH.start, ONE_OF_EACH.snug, ONE_OF_EACH.torque];
function kitNamed(id: string, title: string, change: (kit: KitDocument) => void = () => undefined): KitDocument {
  const kit = {
    ...kitOfActs(JOINTS),
    id,
    title,
    questions: [],
    removed: [],
    prerequisites: [],
    checks: [],
    baselines: [],
  };
  kit.steps = kit.steps.filter(({ when }) => when === undefined);
  change(kit);
  return kit;
}
const together = (...documents: KitDocument[]): VisitKit[] => {
  const kits: VisitKit[] = [];
  for (const document of documents) kits.push({ document, prefix: kitPrefix(kits, document.id) });
  return kits;
};
const planOf = (...documents: KitDocument[]) => {
  const resolved = resolveVisit(together(...documents), {}, {});
  if (!resolved.ok) throw new Error(JSON.stringify(resolved.error));
  return resolved.value;
};
const see = (kit: string, place?: string): PrintedSpec => ({
  spec: { kind: 'missing', why: 'otherSheet', see: { kit, ...(place ? { place } : {}) } },
  printed: 'see the arm’s sheet',
});
const arm = kitNamed('arm', 'Front arm', (kit) => {
  kit.stations[0] = { ...kit.stations[0], name: 'Lower ball joint', side: 'left' } as never;
  kit.stations[1] = {
    ...kit.stations[1],
    name: 'Lower ball joint',
    side: 'right',
    specs: [{ spec: { kind: 'torque', targetNm: 68 }, printed: '50 lbf·ft' }],
  } as never;
});
const spring = (spec: PrintedSpec, side?: 'left' | 'right') =>
  kitNamed('spring', 'Coil spring', (kit) => {
    kit.stations[0] = { ...kit.stations[0], name: 'Ball joint', side, specs: [spec] } as never;
  });
const first = (plan: ReturnType<typeof planOf>) => plan.stations.find(({ name }) => name === 'Ball joint');

describe('see the other kit’s sheet', () => {
  it('is that kit’s figure where it is in the visit, by id or title, of the joint on the same side', () => {
    for (const name of ['arm', 'front  ARM']) {
      const left = planOf(arm, spring(see(name, 'lower ball joint'), 'left'));
      expect(first(left)).toMatchObject({
        printed: '40 N·m',
        spec: { kind: 'torque', targetNm: 40 },
        figureFrom: { kit: 'arm', station: 's1' },
      });
      // It takes part in its group's rounds like any other.
      expect(first(left)?.passIndexes.length).toBeGreaterThan(0);
    }
    expect(first(planOf(arm, spring(see('arm', 'lower ball joint'), 'right')))?.printed).toBe('50 lbf·ft');
  });
  it('is an open question where it is not, where two answer to the name, or where none does', () => {
    expect(first(planOf(spring(see('arm', 'lower ball joint'))))?.spec.kind).toBe('missing');
    const other = kitNamed('other', 'Another kit');
    expect(first(planOf(other, spring(see('arm', 'lower ball joint'))))?.spec.kind).toBe('missing');
    // Both sides have one, with two figures, and this joint has no side.
    expect(first(planOf(arm, spring(see('arm', 'lower ball joint'))))?.spec.kind).toBe('missing');
    expect(first(planOf(arm, spring(see('arm', 'track bar'))))?.spec.kind).toBe('missing');
  });
  it('a step that goes on in it is named by its number there, else by its words', () => {
    const plan = planOf(
      kitNamed('arm', 'Front arm', (kit) => {
        kit.steps.forEach((step, index) => {
          step.number = String(index + 1);
        });
      }),
      kitNamed('spring', 'Coil spring'),
    );
    expect(stepReferred(plan, 'Front arm', 'step 2')?.text).toBe('snug');
    expect(stepReferred(plan, 'arm', 'torque')?.number).toBe('3');
    expect(stepReferred(plan, 'arm', 'step 9')).toBeUndefined();
    expect(stepReferred(plan, 'hitch', 'step 1')).toBeUndefined();
  });
});

describe('what two kits put back with two figures', () => {
  const putsBack = (id: string, printed: string, targetNm: number, side?: 'left' | 'right') => ({
    ...kitOfActs([ONE_OF_EACH.remove, ...JOINTS, ONE_OF_EACH.refit]),
    id,
    title: id,
    questions: [],
    prerequisites: [],
    checks: [],
    baselines: [],
    removed: [
      {
        id: 'r1',
        name: 'Caliper bolt',
        count: 2,
        fate: 'refit' as const,
        kind: 'bolt' as const,
        ...(side ? { side } : {}),
        specs: [{ spec: { kind: 'torque' as const, targetNm }, printed }],
      },
    ],
  });
  const strip = (kit: KitDocument): KitDocument => ({ ...kit, steps: kit.steps.filter(({ when }) => !when) });
  const visit = () => {
    const kits = together(
      strip(putsBack('hub', '85 lbf·ft', 115.2, 'left')),
      strip(putsBack('hose', '108 N·m', 108, 'left')),
    );
    const opened = openLog({
      kits,
      openedWith: kits.map(({ prefix }) => prefix),
      vehicle: {},
      answers: {},
      shop: {},
    });
    if (!opened.ok) throw new Error(JSON.stringify(opened.error));
    return opened.value;
  };
  it('is asked about by name and side; it comes off meanwhile, and goes back by what the lead chose', () => {
    const worker = new CarefulFitter(visit(), WRENCHES, MIRA, NOON);
    const [conflict] = worker.log.plan.conflicts;
    expect(conflict).toMatchObject({
      kind: 'refitFigure',
      place: 'Caliper bolt, left',
      differs: ['figure'],
      sides: [{ printed: '85 lbf·ft' }, { printed: '108 N·m' }],
      choices: ['hub', 'hose'],
    });
    worker.checkIn();
    for (let left = 60; left > 0 && nextOnLine(worker.log.plan, worker.log.state, MIRA.id, worker.nowMs); left--)
      worker.onLine();
    expect(Object.values(worker.log.state.visit.debts).some(({ opened }) => opened !== undefined)).toBe(true);
    const settle = {
      type: 'settleConflict' as const,
      conflict: conflict?.id ?? '',
      choice: 'hose',
      reason: 'newer sheet',
    };
    expect(tryCommand(worker, settle, RAFE)).toMatchObject({ ok: true });
    worker.give(settle, RAFE);
    expect(worker.log.plan.removed.map(({ refitSpec }) => refitSpec?.printed)).toEqual(['108 N·m', '108 N·m']);
    worker.finishLine();
    worker.closeOut();
    expect(worker.log.state.closed).toBeDefined();
  });
  it('two that a wrench could not tell apart are one, and another side is another bolt', () => {
    const near = planOf(strip(putsBack('hub', '85 lbf·ft', 115.2)), strip(putsBack('hose', '115 N·m', 115)));
    expect(near.conflicts).toEqual([]);
    const sides = planOf(
      strip(putsBack('hub', '85 lbf·ft', 115.2, 'left')),
      strip(putsBack('hose', '108 N·m', 108, 'right')),
    );
    expect(sides.conflicts).toEqual([]);
  });
});
