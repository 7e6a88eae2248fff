import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { anyActsKit } from '#demo/any-acts.ts';
import { anyVisit } from '#demo/any-visit.ts';
import { DEMO_KITS } from '#demo/kits.ts';
import { MIRA, NOON, RAFE, WRENCHES } from '#demo/try-job.ts';
import { Worker } from '#demo/work-through.ts';
import { KIT_LISTS } from '../kit/kit-document.ts';
import type { Plan, PlanAction } from '../kit/plan.ts';
import { lineOf } from '../line/line.ts';
import type { VisitKit } from '../visit/visit.ts';
import { closeBlocks } from './close-blocks.ts';
import { type JobLog, openLog } from './job-log.ts';
import { runningClocks } from './line-clocks.ts';
import { nextOnLine } from './line-next.ts';
import { lineProgress } from './line-progress.ts';

function open(kits: VisitKit[], answers: Record<string, string | number | boolean> = {}): JobLog | undefined {
  const opened = openLog({
    kits,
    openedWith: kits.map(({ prefix }) => prefix),
    vehicle: { modelYear: 2021, drivenWheels: 'four', body: 'dual-cab', fitted: [] },
    answers: { shield: true, bush: 'rubber', ...answers },
    shop: {},
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

/** Works the line to its end; the blocks that are left when nothing is next any more. */
function workedThrough(log: JobLog): { worker: Worker; blocks: ReturnType<typeof closeBlocks> } {
  const worker = new Worker(log, WRENCHES, MIRA, NOON);
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
      { numRuns: 150, seed: 12, endOnFailure: true },
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
      }),
      { numRuns: 60, seed: 12, endOnFailure: true },
    );
  });
});
