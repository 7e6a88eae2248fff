import type { Plan, PlanItem } from '../kit/plan.ts';
import { piecesPutOn } from '../kit/put-on.ts';
import { actsOfItem, hardwareLedger, type LedgerLine } from './hardware-ledger.ts';
import { type JobState, lineState, stationState } from './job-state.ts';
import { lineProgress } from './line-progress.ts';

/** Where pieces of a line are. Each is in exactly one place. */
export type PiecePlace =
  /** Not counted yet, or of the vehicle and still on it. */
  | { where: 'bag'; pieces: number }
  | { where: 'tray'; pieces: number }
  | { where: 'station'; station: string; pieces: number }
  | { where: 'act'; act: string; pieces: number }
  /** On the vehicle with its group. */
  | { where: 'group'; group: string; pieces: number }
  /** Damaged when it was counted, or taken aside later: kept apart. */
  | { where: 'quarantine'; pieces: number }
  | { where: 'scrap'; pieces: number }
  /** Counted on the tray at the end: goes with the owner. */
  | { where: 'ownersBag'; pieces: number }
  /** On the sheet, and not in the box. */
  | { where: 'missing'; pieces: number };

/** Pieces that stand in stations, station by station. */
function inStations(plan: Plan, state: JobState, item: PlanItem): PiecePlace[] {
  return plan.stations.flatMap(({ id, stack }): PiecePlace[] => {
    const pieces = stack.filter((piece) => piece.kind === 'hardware' && piece.item === item.id).length;
    return pieces > 0 && stationState(state, id).stage !== 'empty' ? [{ where: 'station', station: id, pieces }] : [];
  });
}

/** Pieces that acts put on, act by act; of a part without one, by its group. */
function putOnPlaces(plan: Plan, state: JobState, item: PlanItem, pieces: number): PiecePlace[] {
  if (pieces <= 0) return [];
  const acts = actsOfItem(plan, item.id);
  if (acts.length === 0) return [{ where: 'group', group: item.fittedWith ?? '', pieces }];
  const { acts: finished } = lineProgress(plan, state);
  const done = acts.filter((id) => finished.has(id));
  return done.flatMap((act, index): PiecePlace[] => {
    const share = piecesPutOn(item.putOn, index + 1, acts.length) - piecesPutOn(item.putOn, index, acts.length);
    return share > 0 ? [{ where: 'act', act, pieces: share }] : [];
  });
}

/** Where every piece of a ledger line is; together they are all that was supplied. */
export function placesOfLine(plan: Plan, state: JobState, line: LedgerLine): PiecePlace[] {
  const { item, supplied, missing, fitted } = line;
  const { count, scrapped } = lineState(state, item.id);
  if (!line.counted) return supplied > 0 ? [{ where: 'bag', pieces: supplied }] : [];
  const standing = inStations(plan, state, item);
  const stand = standing.reduce((sum, { pieces }) => sum + pieces, 0);
  const damaged = count?.damaged ?? 0;
  const thrown = scrapped.reduce((sum, { quantity }) => sum + quantity, 0);
  const spare = Math.min(line.spare, Math.max(0, line.onTray));
  const on = [...standing, ...putOnPlaces(plan, state, item, fitted - stand)];
  const shimmed = fitted - on.reduce((sum, { pieces }) => sum + pieces, 0);
  const tray = line.onTray - spare;
  const places: PiecePlace[] = [
    ...on,
    // What gaps called for is under the parts, wherever on the line that was.
    ...(shimmed > 0 ? [{ where: 'act' as const, act: '', pieces: shimmed }] : []),
    { where: count === undefined && item.source === 'factory' ? 'bag' : 'tray', pieces: tray },
    { where: 'ownersBag', pieces: spare },
    { where: 'quarantine', pieces: damaged + line.apart },
    { where: 'scrap', pieces: thrown },
    { where: 'missing', pieces: missing },
  ];
  return places.filter(({ pieces }) => pieces > 0);
}

/** Where every piece of the job is, by line. */
export const piecePlaces = (plan: Plan, state: JobState): Map<string, PiecePlace[]> =>
  new Map(hardwareLedger(plan, state).map((line) => [line.item.id, placesOfLine(plan, state, line)]));
