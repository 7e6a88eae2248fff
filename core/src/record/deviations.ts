import { debtsOf } from '../job/debt.ts';
import type { DebtEnd } from '../job/debt-kind.ts';
import type { FigureSource } from '../job/figure.ts';
import type { JobState, Pull } from '../job/job-state.ts';
import type { When } from '../job/stamp.ts';
import type { Plan } from '../kit/plan.ts';

/** Anything in a job that did not go as planned, with who, when and why. Read by whoever takes the vehicle over. */
export type Deviation = When &
  (
    | { kind: 'override'; station: string; refusal: string; reason: string }
    | { kind: 'pullMissed'; station: string; pull: Pull }
    | { kind: 'pullWithdrawn'; station: string; pull: Pull }
    | { kind: 'pullRepeated'; station: string; torqueNm: number; pass: number }
    | { kind: 'pullCorrected'; station: string; from: number; to: number; reason: string }
    | { kind: 'loosened'; station: string; reason: string; spent: string[] }
    | { kind: 'lineShort'; item: string; missing: number; damaged: number }
    | { kind: 'shopStock'; item: string; quantity: number; reason: string }
    | { kind: 'scrapped'; item: string; quantity: number; reason: string }
    | { kind: 'answerChanged'; question: string; from?: string | number | boolean; to: string | number | boolean }
    /** Tightened with no figure, and how that was judged. */
    | { kind: 'withoutFigure'; station: string; reason: string }
    | { kind: 'calculation'; station?: string; summary: string; reason: string; link: string }
    /** A figure for what the sheet gives none; absent: done by feel. */
    | { kind: 'figureGiven'; target: string; printed?: string; source: FigureSource; note: string }
    | { kind: 'conflictSettled'; conflict: string; choice: string; printed?: string; reason: string }
    | { kind: 'sharedSplit'; key: string; reason: string }
    | { kind: 'kitDropped'; prefix: string; reason: string }
    | { kind: 'stepOverride'; step: string; refusal: string; reason: string }
    | { kind: 'prerequisiteUnmet'; prerequisite: string; note?: string }
    /** Ended elsewhere than planned. */
    | { kind: 'debtEnded'; name: string; count: number; planned: DebtEnd; end: DebtEnd; note?: string }
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
  for (const [station, entry] of state.stations) {
    const standing = Object.entries(entry.overrides).map(([refusal, override]) => ({ refusal, ...override }));
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
    for (const pull of entry.pulls) {
      if (pull.verdict !== 'accepted') found.push({ kind: 'pullMissed', station, pull, atMs: pull.atMs, by: pull.by });
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
    for (const { quantity, reason, atMs, by } of line.shopStock)
      found.push({ kind: 'shopStock', item: item.id, quantity, reason, atMs, by });
    for (const { quantity, reason, atMs, by } of line.scrapped)
      found.push({ kind: 'scrapped', item: item.id, quantity, reason, atMs, by });
  }
  for (const { question, from, to, atMs, by } of state.answerChanges)
    found.push({ kind: 'answerChanged', question, from, to, atMs, by });
  for (const { station, summary, reason, link, atMs, by } of state.calculations)
    found.push({ kind: 'calculation', station, summary, reason, link, atMs, by });
  for (const { station, text, cleared, atMs, by } of Object.values(state.problems)) {
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
