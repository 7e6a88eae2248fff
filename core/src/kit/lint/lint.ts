import { answerSpace, variants } from '../answer-space.ts';
import { sidesAsConditions } from '../bought-sides.ts';
import type { KitDocument } from '../kit-document.ts';
import type { Finding, Severity } from './finding.ts';
import { bushes, compounds, driveSizes, figureBases, holes, oneUse, votes, washers } from './hardware-rules.ts';
import { lengths } from './length-rules.ts';
import { measuredLimits, oddQuantities, refitsScrapped, strayThreads, thousandsCommas } from './measure-rules.ts';
import { names } from './name-rules.ts';
import { orders } from './order-rules.ts';
import { counts, reversals } from './quantity-rules.ts';
import { stationJoint } from './station-joint.ts';
import { followUps, gateOrder, stepGraph } from './step-rules.ts';
import {
  envelope,
  figures,
  lockerTime,
  namelessThreads,
  slips,
  torqueAgainstStrength,
  verifyPasses,
  wideRanges,
} from './torque-rules.ts';
import { everyVariant } from './variant-rules.ts';

const RANK: Record<Severity, number> = { error: 0, warning: 1, note: 2 };

/** The same fault with the same numbers at several stations is told once. */
function merged(found: readonly Finding[]): Finding[] {
  const byFact = new Map<string, Finding>();
  for (const entry of found) {
    const key = entry.path.startsWith('stations[')
      ? JSON.stringify([entry.code, entry.facts])
      : entry.code + entry.path;
    const first = byFact.get(key);
    byFact.set(
      key,
      first && entry.path.startsWith('stations[')
        ? { ...first, also: [...(first.also ?? []), entry.place] }
        : (first ?? entry),
    );
  }
  return [...byFact.values()];
}

/**
 * Checks a kit against physics and against itself: the rules of docs/formats/lint.md.
 *
 * @param kit - a document whose references hold together (`kitFaults` finds nothing); others are checked as far as they go
 * @returns errors first, then warnings and notes, each in the order of the document's rules
 */
export function lintKit(document: KitDocument): Finding[] {
  const kit = sidesAsConditions(document);
  const joints = kit.stations.map((_, index) => stationJoint(kit, index));
  const axes = answerSpace(kit);
  // With too many combinations the steps are walked for a vehicle that answers nothing.
  const combos = variants(kit) ?? [{}];
  const found = [
    ...torqueAgainstStrength(joints),
    ...slips(joints),
    ...driveSizes(kit, joints),
    ...counts(kit, axes),
    ...reversals(kit, axes),
    ...figures(joints),
    ...washers(joints),
    ...lengths(joints),
    ...wideRanges(joints),
    ...compounds(kit, joints),
    ...figureBases(joints),
    ...orders(kit),
    ...everyVariant(kit, axes),
    ...stepGraph(kit, combos),
    ...gateOrder(kit),
    ...holes(joints),
    ...oneUse(kit, joints),
    ...verifyPasses(kit, joints),
    ...bushes(kit, joints),
    ...lockerTime(kit, joints),
    ...envelope(kit, joints),
    ...namelessThreads(joints),
    ...followUps(kit),
    ...votes(joints),
    ...measuredLimits(kit),
    ...refitsScrapped(kit),
    ...thousandsCommas(kit),
    ...oddQuantities(kit),
    ...strayThreads(kit),
    ...names(kit),
  ];
  return merged(found)
    .map((entry, index) => ({ entry, index }))
    .sort((a, b) => RANK[a.entry.severity] - RANK[b.entry.severity] || a.entry.rule - b.entry.rule || a.index - b.index)
    .map(({ entry }) => entry);
}
