import { openLog } from '#core/job/job-log.ts';
import { emptyJob } from '#core/job/job-state.ts';
import { clockOfAct } from '#core/job/line-clocks.ts';
import { asksNow } from '#core/job/line-known.ts';
import { jointNext, nextOnLine } from '#core/job/line-next.ts';
import { lineProgress, waitsOfAct } from '#core/job/line-progress.ts';
import { askedBefore } from '#core/kit/asked.ts';
import { OPENED_NOW } from '#core/kit/house-rules.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { Answers } from '#core/line/ask.ts';
import type { LineAct } from '#core/line/line.ts';
import { lineOf } from '#core/line/line.ts';
import { lineKind } from '#core/line/line-kinds.ts';
import { CarefulFitter } from '#core/rehearse/careful-fitter.ts';
import { rightAnswers } from '#core/rehearse/right-answers.ts';
import { resolveVisit } from '#core/visit/resolve-visit.ts';
import { demoWrenches } from '#demo/shop.ts';
import { milliseconds } from './milliseconds.ts';
import { largeVisit } from './visit.ts';

const NOW_MS = Date.UTC(2026, 10, 25, 8);
const FITTER = { id: 'p', name: 'P', role: 'fitter' } as const;

/** The line of a visit of `count` large kits laid out, what is done of it, and what is next, ms. */
export function measureLine(count: number, stations: number, questions: number): number {
  const { kits, answers } = largeVisit(count, stations, questions);
  const resolved = resolveVisit(kits, {}, answers);
  if (!resolved.ok) throw new Error(resolved.error.code);
  return milliseconds(() => {
    // A copy, so that nothing laid out before is remembered.
    const plan = { ...resolved.value };
    const job = { ...emptyJob() };
    if (lineOf(plan).steps.length === 0) throw new Error('no line');
    lineProgress(plan, job);
    nextOnLine(plan, job, FITTER.id, NOW_MS);
  });
}

/** Presses or entries an act costs whoever does it right: its questions one by one, or the one big action. */
function pressesOf(worker: CarefulFitter, act: LineAct): number {
  const { plan, state } = worker.log;
  const kind = lineKind(act.action);
  if (kind.byStations || (kind.clock?.(act.action).minutes !== undefined && !clockOfAct(plan, state, act))) return 1;
  const right = rightAnswers(plan, state, act);
  let given: Answers = {};
  let presses = 0;
  for (;;) {
    const ask = asksNow(plan, state, act, given).find(({ key }) => given[key] === undefined);
    if (!ask) return Math.max(1, presses);
    const answer = right[ask.key];
    if (answer === undefined) throw new Error(`No right answer to ${ask.key} of ${act.id}`);
    given = { ...given, [ask.key]: answer };
    presses += ask.kind === 'pieces' ? ask.order.length : 1;
  }
}

/** One vehicle's answers to what is asked before a kit is opened: yes, the first choice, the least number. */
const answersFor = (kit: KitDocument) =>
  Object.fromEntries(
    askedBefore(kit).map((question) => {
      if (question.kind === 'choice') return [question.id, question.choices?.[0]?.value ?? ''];
      return [question.id, question.kind === 'number' ? (question.min ?? 0) : true];
    }),
  );

/**
 * A kit worked from strip to the last proof by someone who makes no mistake: acts, presses and entries, and refusals.
 * A refusal is needless here by definition: the first thing open in the sheet's own order was not allowed, and nothing
 * was wrong. What waits for a clock is no refusal.
 */
export function countPresses(kit: KitDocument) {
  const opened = openLog({
    kits: [{ document: kit, prefix: '' }],
    openedWith: [''],
    vehicle: { modelYear: 2021, drivenWheels: 'four', body: 'dual-cab', fitted: [] },
    answers: answersFor(kit),
    shop: OPENED_NOW,
  });
  if (!opened.ok) throw new Error(`${kit.id}: ${opened.error.code}`);
  const wrenches = demoWrenches(NOW_MS).flatMap((wrench) =>
    wrench.id === 'w-3' ? [wrench, { ...wrench, id: 'w-9', label: 'W-9', fullScaleNm: 400, lowestNm: 100 }] : [wrench],
  );
  const worker = new CarefulFitter(opened.value, wrenches, FITTER, NOW_MS);
  worker.checkIn();
  let [acts, presses] = [0, 0];
  const refused = new Set<string>();
  worker.while(({ log: { plan, state }, nowMs }) => {
    const next = nextOnLine(plan, state, FITTER.id, nowMs);
    if (!next) return true;
    const { steps, acts: done } = lineProgress(plan, state);
    const first = lineOf(plan)
      .steps.find(({ id }) => !steps.has(id))
      ?.acts.find(({ id }) => !done.has(id));
    if (first && first.id !== next.act.id && waitsOfAct(plan, state, first)) refused.add(first.id);
    const step = lineKind(next.act.action).byStations ? jointNext(plan, state, next.act) : undefined;
    if (step?.kind !== 'done') {
      acts += 1;
      presses += pressesOf(worker, next.act);
    }
    return true;
  });
  return { acts, presses, refused: refused.size };
}
