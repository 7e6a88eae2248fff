import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { anyActsKit, kitOfActs, ONE_OF_EACH } from '#demo/any-acts.ts';
import { anyVisit } from '#demo/any-visit.ts';
import { DEMO_KITS, FRONT_LIFT } from '#demo/kits.ts';
import { HOB, MIRA, NOON, RAFE, TAM, tryCommand, WRENCHES } from '#demo/try-job.ts';
import { OPENED_NOW } from '../kit/house-rules.ts';
import { KIT_LISTS } from '../kit/kit-document.ts';
import type { Plan, PlanAction } from '../kit/plan.ts';
import { lineOf } from '../line/line.ts';
import { isFastener } from '../refit/reused-joints.ts';
import { comesBack } from '../refit/with-refit.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import type { VisitKit } from '../visit/visit.ts';
import type { Wrench } from '../wrench/wrench.ts';
import type { JobCommand } from './acts.ts';
import { closeBlocks } from './close-blocks.ts';
import { isOwed } from './debt.ts';
import { hardwareLedger } from './hardware-ledger.ts';
import { type JobLog, openLog, takeCommand } from './job-log.ts';
import { clockOfAct, runningClocks } from './line-clocks.ts';
import { nextOnLine } from './line-next.ts';
import { lineProgress } from './line-progress.ts';
import type { Person } from './role.ts';
import { groupComplete } from './station-progress.ts';

function open(kits: VisitKit[], answers: Record<string, string | number | boolean> = {}): JobLog | undefined {
  const opened = openLog({
    kits,
    openedWith: kits.map(({ prefix }) => prefix),
    vehicle: { modelYear: 2021, drivenWheels: 'four', body: 'dual-cab', fitted: [] },
    answers: { shield: true, bush: 'rubber', bought: 'pair', ...answers },
    shop: OPENED_NOW,
  });
  return opened.ok ? opened.value : undefined;
}

/** The lists of a plan whose entries must each be named by some act of the line, with the field that names them. */
const ON_THE_LINE = {
  prerequisites: 'prerequisite',
  baselines: 'baseline',
  choices: 'choice',
  irreversible: 'irreversible',
  temporary: 'temporary',
  neighbours: 'neighbour',
  removed: 'removed',
  disconnects: 'disconnect',
  checks: 'check',
  groups: 'group',
} as const;

/** What the plan lists and no act of the line names. */
function unseen(plan: Plan): string[] {
  const actions: PlanAction[] = lineOf(plan).steps.flatMap(({ acts }) => acts.map(({ action }) => action));
  const shared = new Map(plan.shared.flatMap(({ members }) => members.map(({ id }) => [id, members.map((m) => m.id)])));
  return Object.entries(ON_THE_LINE).flatMap(([list, field]) =>
    plan[list as keyof typeof ON_THE_LINE].flatMap(({ id }) => {
      const ids = new Set(shared.get(id) ?? [id]);
      const named = actions.some((action) => ids.has((action as unknown as Record<string, string>)[field] ?? ''));
      return named ? [] : [`${list} ${id}`];
    }),
  );
}

/** The shop's wrenches, and one for what none of them reaches. */
const ALL_WRENCHES: Wrench[] = WRENCHES.flatMap((wrench) =>
  wrench.id === 'w-3' ? [wrench, { ...wrench, id: 'w-9', label: 'W-9', fullScaleNm: 400, lowestNm: 100 }] : [wrench],
);

/** Works the line to its end; the blocks that are left when nothing is next any more. */
function workedThrough(log: JobLog): { worker: CarefulFitter; blocks: ReturnType<typeof closeBlocks> } {
  const worker = new CarefulFitter(log, ALL_WRENCHES, MIRA, NOON);
  for (let left = 40; left > 0; left -= 1) {
    // One settled may bring another to light.
    const conflict = worker.log.plan.conflicts.find(({ settled }) => settled === undefined);
    if (!conflict) break;
    const [choice = ''] = conflict.choices;
    worker.give({ type: 'settleConflict', conflict: conflict.id, choice, reason: 'so' }, RAFE);
  }
  worker.checkIn();
  worker.finishLine();
  return { worker, blocks: closeBlocks(worker.log.plan, worker.log.state) };
}

describe('every kit stands on the floor', () => {
  it.each(DEMO_KITS.map((kit) => [kit.id, kit] as const))('%s: nothing it lists is unseen', (_, kit) => {
    const log = open([{ document: kit, prefix: '' }]);
    expect(log && unseen(log.plan)).toEqual([]);
  });
  it('the demo kits use every kind of act at least once', () => {
    const used = new Set(
      DEMO_KITS.flatMap(({ steps }) => steps.flatMap(({ actions }) => actions.map(({ type }) => type))),
    );
    expect(Object.keys(ONE_OF_EACH).filter((type) => !used.has(type as never))).toEqual([]);
  });
  it.each(DEMO_KITS.map((kit) => [kit.id, kit] as const))(
    '%s: is worked from its first step to the signature',
    (_, kit) => {
      const log = open([{ document: kit, prefix: '' }]);
      if (!log) throw new Error('does not resolve');
      const { worker } = workedThrough(log);
      worker.closeOut();
      expect(worker.log.state.closed?.signature).toBe(MIRA.name);
    },
  );
  it('lists every kind of entry that a kit has, or says why not', () => {
    // What is no work on the floor: asked at intake, counted at check-in, read as text, or done by stations.
    const elsewhere = ['questions', 'items', 'compounds', 'stations', 'cautions', 'aftercare', 'tools', 'steps'];
    expect([...Object.keys(ON_THE_LINE), ...elsewhere].sort()).toEqual([...KIT_LISTS].sort());
  });
  it('of any kit with any acts: nothing is unseen, and the next act leads on until the job can close (property)', () => {
    fc.assert(
      fc.property(anyActsKit, (kit) => {
        const log = open([{ document: kit, prefix: '' }]);
        if (!log) throw new Error('does not resolve');
        expect(unseen(log.plan)).toEqual([]);
        const { worker, blocks } = workedThrough(log);
        expect(blocks.filter(({ code }) => code !== 'piecesUnaccounted')).toEqual([]);
        const { plan, state } = worker.log;
        expect(lineProgress(plan, state).steps.size).toBe(plan.steps.length);
        expect(nextOnLine(plan, state, MIRA.id, worker.nowMs)).toBeUndefined();
      }),
      { numRuns: 90, seed: 12, endOnFailure: true },
    );
  });
  it('of any kits together: the line leads to the close (property)', () => {
    fc.assert(
      fc.property(anyVisit, (kits) => {
        const log = open(kits);
        if (!log) return;
        const { worker, blocks } = workedThrough(log);
        expect(blocks.filter(({ code }) => code !== 'piecesUnaccounted')).toEqual([]);
        expect(runningClocks(worker.log.plan, worker.log.state, worker.nowMs)).toEqual([]);
        expect(untold(worker.log)).toEqual([]);
      }),
      { numRuns: 60, seed: 12, endOnFailure: true },
    );
  });
});

/** Fasteners that went back in with a figure and have no pull behind it. */
function untold({ plan, state }: JobLog): string[] {
  return plan.removed.flatMap((thing) => {
    const figure = state.visit.figures[thing.id]?.figure ?? thing.refitSpec;
    if (!figure || !comesBack(thing.fate) || !isFastener(thing)) return [];
    const members = plan.shared.find(({ members: all }) => all.some(({ id }) => id === thing.id))?.members ?? [thing];
    const joints = plan.groups.filter(({ again }) => members.some(({ id }) => id === again?.thing));
    const pulled = joints
      .flatMap(({ stations }) => stations)
      .filter((id) => state.stations.get(id)?.pulls.some(({ verdict, wrench }) => verdict === 'accepted' && wrench));
    return pulled.length >= thing.count ? [] : [`${thing.name}: ${pulled.length} of ${thing.count}`];
  });
}

describe('what the owner wants', () => {
  it('is not asked by an apprentice, on the line as at the counter', () => {
    const log = open([{ document: kitOfActs([ONE_OF_EACH.choose]), prefix: '' }]);
    const act = log && [...lineOf(log.plan).actById.values()].find(({ action }) => action.type === 'choose');
    const [choice] = log?.plan.choices ?? [];
    if (!log || !act || !choice) throw new Error('no choice on the line');
    const worker = new CarefulFitter(log, WRENCHES, MIRA, NOON);
    worker.checkIn();
    for (let left = 40; left > 0 && nextOnLine(log.plan, worker.log.state, MIRA.id, NOON)?.act.id !== act.id; left--)
      worker.onLine();
    const command: JobCommand = {
      type: 'doAct',
      act: act.id,
      answers: { option: choice.options[0]?.value ?? '', chosenBy: 'the owner' },
    };
    const byHob = tryCommand(worker, command, HOB);
    expect(!byHob.ok && byHob.refusal).toEqual({ code: 'notPermitted', role: 'apprentice', command: 'makeChoice' });
    expect(tryCommand(worker, command, MIRA).ok).toBe(true);
  });
});

/** Whatever hands give, in any order of presses, wrong answers and waivers among them. */
describe('a job cannot be signed with anything undone (property)', () => {
  const kit = kitOfActs(Object.values(ONE_OF_EACH));
  const ids = (log: JobLog) => ({
    acts: [...lineOf(log.plan).actById.keys()],
    steps: log.plan.steps.map(({ id }) => id),
    stations: log.plan.stations.map(({ id }) => id),
  });
  const answers = fc.dictionary(
    fc.constantFrom(
      'at left',
      'at right',
      'verdict',
      'chocks',
      'heldUpBy',
      'stands',
      'mark',
      'drill',
      'helper',
      'photo',
    ),
    fc.oneof(
      fc.boolean(),
      fc.integer({ min: -5, max: 500 }),
      fc.constantFrom('met', 'notMet', 'front', 'stands', 'L', 'x'),
    ),
  );
  const anyPress = (log: JobLog): fc.Arbitrary<{ command: JobCommand; by: Person }> => {
    const { acts, steps, stations } = ids(log);
    const act = fc.constantFrom(...acts);
    const step = fc.constantFrom(...steps);
    const station = fc.constantFrom(...stations);
    return fc.record({
      by: fc.constantFrom(MIRA, RAFE, TAM),
      command: fc.oneof(
        fc.record({ type: fc.constant('doAct' as const), act, answers }),
        fc.record({ type: fc.constant('doStep' as const), step, helper: fc.constant('Tam') }),
        fc.record({ type: fc.constant('startByHand' as const), station }),
        fc.record({ type: fc.constant('snug' as const), station, tool: fc.constant('hand' as const) }),
        fc.record({ type: fc.constant('waiveStep' as const), step, reason: fc.constant('so') }),
        fc.record({ type: fc.constant('beginClock' as const), act }),
        fc.record({ type: fc.constant('takeStep' as const), step }),
        fc.record({
          type: fc.constant('loosen' as const),
          station,
          to: fc.constantFrom('started' as const, 'out' as const),
          reason: fc.constant('again'),
        }),
        fc.constant<JobCommand>({ type: 'undo' }),
      ),
    });
  };
  it('a signature is taken only where every step is done or let go by a lead, and every debt has ended', () => {
    const start = open([{ document: kit, prefix: '' }]);
    if (!start) throw new Error('does not resolve');
    let signed = 0;
    fc.assert(
      fc.property(fc.array(anyPress(start), { maxLength: 60 }), fc.nat(120), (presses, from) => {
        const worker = new CarefulFitter(start, WRENCHES, MIRA, NOON);
        worker.checkIn();
        for (let count = 0; count < from; count += 1) worker.onLine();
        const sign = () => {
          const { plan, state } = worker.log;
          const releases = runningClocks(plan, state, worker.nowMs).map(({ id, endsAtMs }) => ({
            clock: id,
            endsAtMs,
            condition: 'told',
          }));
          return tryCommand(worker, { type: 'close', signature: MIRA.name, releases });
        };
        presses.forEach(({ command, by }, index) => {
          worker.nowMs += 5000;
          const taken = takeCommand(worker.log, WRENCHES, { id: `w-${index}`, atMs: worker.nowMs, by, command });
          worker.log = taken.log;
          if (!sign().ok) return;
          signed += 1;
          const { plan, state } = worker.log;
          const { steps, debts } = lineProgress(plan, state);
          expect(plan.steps.filter(({ id }) => !steps.has(id))).toEqual([]);
          expect([...debts.values()].filter((debt) => isOwed(debt))).toEqual([]);
          for (const group of plan.groups) expect(groupComplete(plan, state, group.id)).toBe(true);
        });
        // And from wherever the presses led, the line still leads to the signature.
        worker.finishLine();
        for (const line of hardwareLedger(worker.log.plan, worker.log.state))
          if (line.onTray > 0) worker.give({ type: 'declareSpare', item: line.item.id, quantity: line.onTray });
        const end = sign();
        if (!end.ok) throw new Error(JSON.stringify(end.refusal));
        signed += 1;
      }),
      { numRuns: 60, seed: 12 },
    );
    expect(signed).toBeGreaterThan(50);
  });
});

describe('a wait that keeps the vehicle from towing, and nothing of the shop’s work', () => {
  const kit = kitOfActs([{ type: 'wait', minutes: 1440, gates: ['tow'] }]);
  const worker = () => {
    const log = open([{ document: kit, prefix: '' }]);
    if (!log) throw new Error('a job');
    const at = new CarefulFitter(log, ALL_WRENCHES, MIRA, NOON);
    at.checkIn();
    return at;
  };
  it('is begun and passed, not sat out', () => {
    const at = worker();
    at.finishLine();
    expect(at.nowMs - NOON).toBeLessThan(3_600_000);
    expect(closeBlocks(at.log.plan, at.log.state).filter(({ code }) => code === 'stepsOpen')).toEqual([]);
  });
  it('runs on until the day is over; signing before wants the driver told', () => {
    const at = worker();
    at.finishLine();
    const running = (atMs: number) =>
      runningClocks(at.log.plan, at.log.state, atMs).flatMap(({ kind, gates }) => (kind === 'wait' ? [gates] : []));
    expect(running(at.nowMs)).toEqual([['tow']]);
    expect(running(at.nowMs + 25 * 3_600_000)).toEqual([]);
    expect(tryCommand(at, { type: 'close', signature: 'Mira' }, MIRA).ok).toBe(false);
    at.closeOut();
    expect(at.log.state.closed).toBeDefined();
  });
});

describe('a plain wait', () => {
  it('counts from the last thing it comes after, and from nothing before that is done', () => {
    const log = open([{ document: FRONT_LIFT, prefix: '' }]);
    if (!log) throw new Error('the long kit');
    const worker = new CarefulFitter(log, WRENCHES, RAFE, NOON);
    worker.checkIn();
    const early: string[] = [];
    let begun = 0;
    worker.while(({ log: { plan, state } }) => {
      const { acts } = lineProgress(plan, state);
      const { steps, stepById } = lineOf(plan);
      for (const { step, acts: own } of steps)
        for (const act of own)
          if (act.action.type === 'wait' && clockOfAct(plan, state, act) && !state.visit.acts[act.id]?.begun) {
            const before = [
              ...step.after.flatMap((id) => stepById.get(id)?.acts ?? []),
              ...own.filter(({ at }) => at < act.at),
            ];
            begun += 1;
            early.push(...before.filter(({ id }) => !acts.has(id)).map(({ id }) => `${act.id} before ${id}`));
          }
      return true;
    });
    expect(early).toEqual([]);
    expect(begun).toBeGreaterThan(0);
  });
});
