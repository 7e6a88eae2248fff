import type { FactorSource } from '../job/act/settle-basis.ts';
import type { AddedWasher } from '../job/added-washer.ts';
import { type BaselineMiss, baselineMisses } from '../job/baseline-verdict.ts';
import { debtsOf } from '../job/debt.ts';
import type { DebtEnd } from '../job/debt-kind.ts';
import type { FigureSource } from '../job/figure.ts';
import type { JobState, Pull, Unfinished } from '../job/job-state.ts';
import type { LookTarget } from '../job/look.ts';
import { curveWarns, isChecking, type PullCurve } from '../job/pull-curve.ts';
import { hasTurned } from '../job/retorque.ts';
import type { When } from '../job/stamp.ts';
import type { StockPiece } from '../job/stock-used.ts';
import { isStroke } from '../job/strokes.ts';
import { needsApproval, type ThreadRung } from '../job/thread-rung.ts';
import type { MayDo } from '../job/visit-state.ts';
import { indexOf, type Plan } from '../kit/plan.ts';
import { checkRead } from '../kit/step-action.ts';
import type { SubstituteDifference } from '../kit/substitute.ts';
import type { Answer } from '../line/ask.ts';
import { lineOf } from '../line/line.ts';
import type { PullVerdict } from '../tightening/judge-pull.ts';

/** Anything in a job that did not go as planned, with who, when and why. Read by whoever takes the vehicle over. */
export type Deviation = When &
  (
    | { kind: 'override'; station: string; refusal: string; reason: string }
    | { kind: 'pullMissed'; station: string; pull: Pull }
    | { kind: 'pullWithdrawn'; station: string; pull: Pull }
    /** The torque was right, and its curve says that something else was not. */
    | { kind: 'curve'; station: string; pull: Pull; curve: PullCurve }
    | { kind: 'pullRepeated'; station: string; torqueNm: number; pass: number }
    | { kind: 'pullCorrected'; station: string; from: number; to: number; reason: string }
    | { kind: 'loosened'; station: string; reason: string; spent: string[] }
    /** A thread that was cut or replaced to save it, and what for. */
    | { kind: 'threadMended'; station: string; rung: ThreadRung; runs: boolean; note?: string }
    | ({ kind: 'washerAdded'; station: string; reason: string; noThreadShows?: true } & AddedWasher)
    | { kind: 'lineShort'; item: string; missing: number; damaged: number }
    | { kind: 'shopStock'; item: string; quantity: number; reason: string }
    /** Another piece than the sheet's, from the shelf, and in what it differs. */
    | {
        kind: 'substitute';
        item: string;
        quantity: number;
        piece: StockPiece;
        differences: SubstituteDifference[];
        reason: string;
      }
    /** Not in the box: ordered, and when it was promised; arrived, when it came. */
    | { kind: 'ordered'; item: string; quantity: number; supplier: string; promisedMs: number; arrived: number }
    /** Taken aside for its maker. */
    | { kind: 'apart'; item: string; quantity: number; reason: string }
    /** Two people counted, and found different numbers. */
    | { kind: 'countsDiffer'; item: string; first: number; second: number }
    | { kind: 'scrapped'; item: string; quantity: number; reason: string }
    | { kind: 'answerChanged'; question: string; from?: string | number | boolean; to: string | number | boolean }
    /** Tightened with no figure, and how that was judged. */
    | { kind: 'withoutFigure'; station: string; reason: string }
    | { kind: 'calculation'; station?: string; summary: string; reason: string; link: string }
    /** A figure for what the sheet gives none; absent: done by feel. */
    | { kind: 'figureGiven'; target: string; printed?: string; source: FigureSource; note: string }
    /** Its thread is not the one its figure counts on: both torques, and which was used. */
    | {
        kind: 'basisSettled';
        station: string;
        use: 'asPrinted' | 'sameLoad';
        factorFrom?: FactorSource;
        printedNm: number;
        sameLoadNm: number;
        reason: string;
      }
    /** The sheet did not say how strong; a lead did. */
    | { kind: 'compoundNamed'; compound: string; product: string }
    /** A stage of a procedure that missed its band. */
    | { kind: 'stageMissed'; station: string; stage: number; torqueNm: number; verdict: PullVerdict }
    /** Found after the record was signed. */
    | { kind: 'addendum'; station?: string; text: string; foundBy: string; redone?: string }
    | { kind: 'conflictSettled'; conflict: string; choice: string; printed?: string; reason: string }
    | { kind: 'sharedSplit'; key: string; reason: string }
    | { kind: 'kitDropped'; prefix: string; reason: string }
    | { kind: 'stepOverride'; step: string; refusal: string; reason: string }
    /** Let go by a lead. */
    | { kind: 'stepWaived'; step: string; reason: string }
    | { kind: 'careWaived'; care: string; reason: string }
    /** A second look by the one whose work it is, after a break. */
    | { kind: 'ownLook'; target: LookTarget }
    /** Turned when it was pulled again at its figure: it had settled or worked loose since. */
    | { kind: 'turnedSince'; station: string; torqueNm: number; turnedDeg?: number }
    /** Put into the line by a lead: no sheet has it. */
    | { kind: 'stepAdded'; text: string; problem?: string }
    /** Done in a way that is known to do harm, with why. */
    | { kind: 'wrongWay'; act: string; way: string; reason: string }
    /** Tried and not met; met says whether it was in the end. */
    | { kind: 'notMet'; act: string; said: string; met: boolean }
    /** A clock that still ran when the vehicle went, with what the driver was told. */
    | { kind: 'clockReleased'; group?: string; act?: string; endsAtMs: number; reason: string }
    | { kind: 'parked'; may: MayDo; open: number; reason: string; resumed: boolean }
    | { kind: 'unfinished'; way: Unfinished['kind']; may: MayDo; open: number; reason: string }
    | { kind: 'prerequisiteUnmet'; prerequisite: string; note?: string }
    /** Ended elsewhere than planned. */
    | { kind: 'debtEnded'; name: string; count: number; planned: DebtEnd; end: DebtEnd; note?: string }
    /** Measured again, and not what the kit says. */
    | ({ kind: 'outsideClaim'; baseline: string } & Omit<BaselineMiss, 'measured'>)
    /** By somebody else, with something else, and what they found. */
    | { kind: 'measuredElsewhere'; act: string; place: string; who: string; what: string }
    | { kind: 'problem'; station?: string; text: string; cleared?: string }
    /** A device's clock was off, by how much at its worst; changed: it was set while it was away. */
    | { kind: 'clockOff'; offMs: number; changed: boolean }
    /** Times of one device run backwards: its clock was put back between two entries. */
    | { kind: 'clockBackwards'; byMs: number }
    /** A break of the record's chain that a lead looked at. */
    | { kind: 'breakAcknowledged'; breaks: number[]; reason: string }
  );

/** All deviations of a job, in the order they happened. */
export function deviations(plan: Plan, state: JobState): Deviation[] {
  const found: Deviation[] = [];
  const { groups, stations } = indexOf(plan);
  const groupOf = (station: string) => groups.get(stations.get(station)?.groupId ?? '');
  const recheck = new Set<string>(plan.groups.flatMap(({ recheck, stations }) => (recheck ? stations : [])));
  for (const [station, entry] of state.stations) {
    const standing = Object.entries(entry.overrides).map(([refusal, override]) => ({ refusal, ...override }));
    for (const { rung, runs, note, atMs, by } of entry.mending ?? [])
      if (needsApproval(rung)) found.push({ kind: 'threadMended', station, rung, runs, note, atMs, by });
    for (const { commandId: _, ...washer } of entry.washers ?? [])
      found.push({ kind: 'washerAdded', station, ...washer });
    for (const override of [...entry.earlierOverrides, ...standing])
      found.push({ kind: 'override', station, ...override });
    if (entry.stopConfirmed?.reason !== undefined) {
      const { reason, atMs, by } = entry.stopConfirmed;
      found.push({ kind: 'withoutFigure', station, reason, atMs, by });
    }
    for (const { reason, spent, atMs, by } of entry.loosenings)
      found.push({ kind: 'loosened', station, reason, spent, atMs, by });
    for (const { pass, torqueNm, atMs, by } of entry.repeats ?? [])
      found.push({ kind: 'pullRepeated', station, pass, torqueNm, atMs, by });
    for (const { stage, torqueNm, verdict, atMs, by } of entry.stages ?? [])
      if (torqueNm !== undefined && verdict !== undefined && verdict !== 'accepted')
        found.push({ kind: 'stageMissed', station, stage, torqueNm, verdict, atMs, by });
    for (const pull of entry.pulls) {
      if (recheck.has(station) && !pull.withdrawn && hasTurned(pull)) {
        const { torqueNm, movementDeg: turnedDeg, atMs, by } = pull;
        found.push({ kind: 'turnedSince', station, torqueNm, turnedDeg, atMs, by });
      }
      if (pull.verdict !== 'accepted' && !isStroke(pull, entry.pulls))
        found.push({ kind: 'pullMissed', station, pull, atMs: pull.atMs, by: pull.by });
      const { curve } = pull;
      if (curveWarns(curve, isChecking(groupOf(station), pull.pass)))
        found.push({ kind: 'curve', station, pull, curve, atMs: pull.atMs, by: pull.by });
      if (pull.withdrawn) found.push({ kind: 'pullWithdrawn', station, pull, ...pull.withdrawn });
      for (const { from, to, reason, atMs, by } of pull.corrections)
        found.push({ kind: 'pullCorrected', station, from, to, reason, atMs, by });
    }
  }
  for (const item of plan.items) {
    const line = state.lines[item.id];
    if (!line) continue;
    const missing = Math.max(0, item.quantity - (line.count?.found ?? item.quantity));
    if (line.count && (missing > 0 || line.count.damaged > 0)) {
      found.push({
        kind: 'lineShort',
        item: item.id,
        missing,
        damaged: line.count.damaged,
        atMs: line.count.atMs,
        by: line.count.by,
      });
    }
    for (const { quantity, reason, piece, atMs, by } of line.shopStock)
      found.push(
        piece && piece.differences.length > 0
          ? { kind: 'substitute', item: item.id, quantity, ...piece, reason, atMs, by }
          : { kind: 'shopStock', item: item.id, quantity, reason, atMs, by },
      );
    for (const { order, quantity, supplier, promisedMs, atMs, by } of line.ordered ?? []) {
      const arrived = (line.arrived ?? [])
        .filter((entry) => entry.order === order)
        .reduce((sum, entry) => sum + entry.quantity, 0);
      found.push({ kind: 'ordered', item: item.id, quantity, supplier, promisedMs, arrived, atMs, by });
    }
    for (const { quantity, reason, atMs, by } of line.apart ?? [])
      found.push({ kind: 'apart', item: item.id, quantity, reason, atMs, by });
    if (line.count && line.recount?.agrees === false)
      found.push({
        kind: 'countsDiffer',
        item: item.id,
        first: line.count.found,
        second: line.recount.found,
        atMs: line.recount.atMs,
        by: line.recount.by,
      });
    for (const { quantity, reason, atMs, by } of line.scrapped)
      found.push({ kind: 'scrapped', item: item.id, quantity, reason, atMs, by });
  }
  for (const { question, from, to, atMs, by } of state.answerChanges)
    found.push({ kind: 'answerChanged', question, from, to, atMs, by });
  for (const { station, summary, reason, link, atMs, by } of state.calculations)
    found.push({ kind: 'calculation', station, summary, reason, link, atMs, by });
  for (const { station, text, cleared, act, atMs, by } of Object.values(state.problems)) {
    // A check that was not met is told as that.
    if (act !== undefined) continue;
    found.push({ kind: 'problem', station, text, cleared: cleared?.how, atMs, by });
  }
  for (const { breaks, reason, atMs, by } of state.visit.acknowledged)
    found.push({ kind: 'breakAcknowledged', breaks, reason, atMs, by });
  found.push(...visitDeviations(plan, state));
  return found.sort((a, b) => a.atMs - b.atMs || a.kind.localeCompare(b.kind));
}

/** What departed from the plan of the visit as a whole. */
function visitDeviations(plan: Plan, state: JobState): Deviation[] {
  const { visit } = state;
  return [
    ...Object.entries(visit.figures).map(([target, { source, note, figure, atMs, by }]) => ({
      kind: 'figureGiven' as const,
      target,
      source,
      note,
      printed: figure?.printed,
      atMs,
      by,
    })),
    ...Object.entries(visit.bases ?? {}).map(([station, { commandId: _, factor: __, ...settled }]) => ({
      kind: 'basisSettled' as const,
      station,
      ...settled,
    })),
    ...Object.entries(visit.compounds ?? {}).map(([compound, { product, atMs, by }]) => ({
      kind: 'compoundNamed' as const,
      compound,
      product,
      atMs,
      by,
    })),
    ...(visit.addenda ?? []).map(({ commandId: _, ...addendum }) => ({ kind: 'addendum' as const, ...addendum })),
    ...Object.entries(visit.settled).map(([conflict, { settlement, reason, atMs, by }]) => ({
      kind: 'conflictSettled' as const,
      conflict,
      choice: settlement.choice,
      printed: settlement.figure?.printed,
      reason,
      atMs,
      by,
    })),
    ...Object.entries(visit.split).map(([key, split]) => ({ kind: 'sharedSplit' as const, key, ...split })),
    ...visit.droppedKits.map((dropped) => ({ kind: 'kitDropped' as const, ...dropped })),
    ...Object.entries(visit.stepOverrides).flatMap(([step, overrides]) =>
      Object.entries(overrides).map(([refusal, override]) => ({
        kind: 'stepOverride' as const,
        step,
        refusal,
        ...override,
      })),
    ),
    ...lineDeviations(plan, state),
    ...(plan.rules.proof === 'measured'
      ? plan.baselines.flatMap((baseline) =>
          baselineMisses(baseline, visit.measurements[baseline.id]).map(({ measured: { atMs, by }, ...miss }) => ({
            kind: 'outsideClaim' as const,
            baseline: baseline.id,
            ...miss,
            atMs,
            by,
          })),
        )
      : []),
    ...Object.entries(visit.prerequisites).flatMap(([prerequisite, { met, note, atMs, by }]) =>
      met ? [] : [{ kind: 'prerequisiteUnmet' as const, prerequisite, note, atMs, by }],
    ),
    ...debtsOf(plan, state).flatMap((debt) =>
      debt.ends
        .filter(({ end }) => end !== debt.end)
        .map(({ count, end, note, atMs, by }) => ({
          kind: 'debtEnded' as const,
          name: debt.name,
          count,
          planned: debt.end,
          end,
          note,
          atMs,
          by,
        })),
    ),
  ];
}

/** What departed on the line: steps let go, wrong ways, what was not met, clocks let go, a job put aside or handed back. */
function lineDeviations(plan: Plan, { visit, closed, problems }: JobState): Deviation[] {
  const units = new Map(
    [...lineOf(plan).actById.values()].map(({ id, action }) => [
      id,
      checkRead(action) !== undefined
        ? (plan.checks.find((check) => check.id === checkRead(action))?.unit ?? '')
        : action.type === 'shim'
          ? 'mm'
          : '',
    ]),
  );
  // Turned until it was met: readings on the way are no departure.
  const aligned = new Set(
    [...lineOf(plan).actById.values()].flatMap(({ id, action }) => (action.type === 'align' ? [id] : [])),
  );
  const acts = Object.entries(visit.acts).flatMap(([act, { tries }]) =>
    tries.flatMap(({ answers, failed, wrong, atMs, by }, index): Deviation[] => [
      ...(failed.length > 0 && !(aligned.has(act) && tries.slice(index + 1).some((later) => later.failed.length === 0))
        ? [
            {
              kind: 'notMet' as const,
              act,
              said: failed.map((key) => saidText(key, answers[key], units.get(act) ?? '')).join(', '),
              met: tries.slice(index + 1).some((later) => later.failed.length === 0),
              atMs,
              by,
            },
          ]
        : []),
      ...Object.entries(answers).flatMap(([key, answer]): Deviation[] =>
        /^(?:at |value$)/.test(key) && Array.isArray(answer) && answer.length === 2
          ? [
              {
                kind: 'measuredElsewhere',
                act,
                place: key.replace(/^(?:at |value$)/, ''),
                who: answer[0] ?? '',
                what: answer[1] ?? '',
                atMs,
                by,
              },
            ]
          : [],
      ),
      ...wrong.map((key) => ({
        kind: 'wrongWay' as const,
        act,
        way: String(answers[key]),
        reason: String(answers.methodReason ?? ''),
        atMs,
        by,
      })),
    ]),
  );
  const added = visit.addedSteps.map(({ text, problem, atMs, by }) => {
    const answers = problem === undefined ? undefined : problems[problem]?.text;
    return { kind: 'stepAdded' as const, text, atMs, by, ...(answers === undefined ? {} : { problem: answers }) };
  });
  const waived = Object.entries(visit.waived).map(([step, { reason, atMs, by }]) => ({
    kind: 'stepWaived' as const,
    step,
    reason,
    atMs,
    by,
  }));
  const care = Object.entries(visit.careWaived ?? {}).map(([key, { reason, atMs, by }]) => ({
    kind: 'careWaived' as const,
    care: key,
    reason,
    atMs,
    by,
  }));
  const ownLooks = Object.values(visit.looks ?? {}).flatMap((looks) =>
    looks.flatMap(({ own, target, atMs, by }) => (own ? [{ kind: 'ownLook' as const, target, atMs, by }] : [])),
  );
  const parked = visit.parkings.map(({ reason, may, open, resumedAtMs, atMs, by }) => ({
    kind: 'parked' as const,
    may,
    open: open.length,
    reason,
    resumed: resumedAtMs !== undefined,
    atMs,
    by,
  }));
  if (!closed) return [...acts, ...added, ...waived, ...care, ...ownLooks, ...parked];
  const { releases = [], unfinished, atMs, by } = closed;
  return [
    ...acts,
    ...added,
    ...waived,
    ...parked,
    ...releases.map(({ clock, endsAtMs, condition }) => ({
      kind: 'clockReleased' as const,
      ...(/^(?:fixture|cure):/.test(clock) ? { group: clock.replace(/^\w+:/, '') } : { act: clock }),
      endsAtMs,
      reason: condition,
      atMs,
      by,
    })),
    ...(unfinished
      ? [
          {
            kind: 'unfinished' as const,
            way: unfinished.kind,
            may: unfinished.may,
            open: unfinished.open.length,
            reason: unfinished.reason,
            atMs,
            by,
          },
        ]
      : []),
  ];
}

/** An answer as it stands on the record: the place it was read at, and what was read. */
const saidText = (key: string, answer: Answer | undefined, unit: string): string =>
  [
    key.replace(/^(?:at |value$)/, ''),
    Array.isArray(answer) ? answer.join(' ') : String(answer),
    typeof answer === 'number' ? unit : '',
  ]
    .filter(Boolean)
    .join(' ');
