import type { Plan, PlanItem, PlanStation } from '../kit/plan.ts';
import { inTheBox, piecesPutOn } from '../kit/put-on.ts';
import { actIds } from '../line/act-id.ts';
import { shimsFor } from '../line/kind/adjusting.ts';
import { lineOf } from '../line/line.ts';
import { type JobState, lineState, stationState } from './job-state.ts';
import { keyIsBack } from './key-held.ts';
import { lineProgress } from './line-progress.ts';
import { piecesApart } from './pieces-apart.ts';
import { groupComplete } from './station-progress.ts';

/** One line's balance: supplied = fitted + spare + scrapped + apart + missing, or something is unaccounted for. */
export interface LedgerLine {
  item: PlanItem;
  counted: boolean;
  /** The larger of the sheet's quantity and the count, and what the shop added. */
  supplied: number;
  /** On the sheet and not in the bag. */
  missing: number;
  /** Counted beyond the sheet. */
  over: number;
  /** Standing in stations, put on by a step of its own, or a part whose group is done. */
  fitted: number;
  scrapped: number;
  /** Taken aside for their maker. */
  apart: number;
  /** Counted on the tray at the end; 0 until declared. */
  spare: number;
  /** Free to be used now: supplied − missing − scrapped − apart − fitted. What the tray should hold. */
  onTray: number;
  /** supplied − fitted − spare − scrapped − apart − missing; 0 when the line adds up. */
  unaccounted: number;
}

const sum = (entries: ReadonlyArray<{ quantity: number }>): number =>
  entries.reduce((total, entry) => total + entry.quantity, 0);

/** Pieces of each line that stand in stations, and shims under parts. */
export function piecesInStations(plan: Plan, state: JobState): Map<string, number> {
  const inUse = new Map<string, number>();
  for (const station of plan.stations) {
    if (stationState(state, station.id).stage === 'empty') continue;
    for (const piece of station.stack) {
      if (piece.kind === 'hardware') inUse.set(piece.item, (inUse.get(piece.item) ?? 0) + 1);
    }
  }
  for (const [item, count] of shimsPutIn(plan, state)) inUse.set(item, (inUse.get(item) ?? 0) + count);
  return inUse;
}

/** Shims that were put in, by line: what the gaps called for when they were last measured. */
function shimsPutIn(plan: Plan, state: JobState): Map<string, number> {
  const used = new Map<string, number>();
  for (const step of plan.steps)
    for (const { id, action } of actIds(step)) {
      if (action.type !== 'shim') continue;
      const tried = state.visit.acts[id]?.tries.at(-1);
      const choice = tried && tried.failed.length === 0 ? shimsFor(plan, action, tried.answers) : undefined;
      if (choice?.ok)
        action.shims.forEach((item, kind) => {
          used.set(item, (used.get(item) ?? 0) + (choice.used[kind] ?? 0));
        });
    }
  return used;
}

/** Pieces of a line that are on by acts of their own, or by their group's being done where no act puts them on. */
function putOnNow(plan: Plan, state: JobState, item: PlanItem): number {
  if (item.putOn === 0) return 0;
  const acts = actsOfItem(plan, item.id);
  if (acts.length > 0) {
    const done = lineProgress(plan, state).acts;
    return piecesPutOn(item.putOn, acts.filter((id) => done.has(id)).length, acts.length);
  }
  return item.fittedWith !== undefined && groupComplete(plan, state, item.fittedWith) ? item.putOn : 0;
}

/** Acts by the item they put on, once per plan. */
const puttingOn = new WeakMap<Plan, Map<string, string[]>>();

/** The acts of the line that put an item on. */
export function actsOfItem(plan: Plan, item: string): readonly string[] {
  let byItem = puttingOn.get(plan);
  if (!byItem) {
    byItem = new Map();
    for (const { id, action } of lineOf(plan).actById.values())
      if (action.type === 'fit' || action.type === 'press')
        byItem.set(action.item, [...(byItem.get(action.item) ?? []), id]);
    puttingOn.set(plan, byItem);
  }
  return byItem.get(item) ?? [];
}

function ledgerLine(plan: Plan, state: JobState, item: PlanItem, inStations: number): LedgerLine {
  const line = lineState(state, item.id);
  // What is on the vehicle or on the shop's shelf is there as the sheet says, until somebody counts otherwise.
  const found = line.count?.found ?? (inTheBox(item) ? 0 : item.quantity);
  const counted = line.count !== undefined || !inTheBox(item);
  const supplied = Math.max(item.quantity, found) + sum(line.shopStock) + sum(line.arrived ?? []);
  const missing = counted ? Math.max(0, item.quantity - found) : 0;
  const usable = supplied - missing - (line.count?.damaged ?? 0);
  const fitted = inStations + Math.max(0, Math.min(putOnNow(plan, state, item), usable - inStations));
  const scrapped = (line.count?.damaged ?? 0) + sum(line.scrapped);
  const apart = piecesApart(line);
  const onTray = supplied - missing - scrapped - apart - fitted;
  // A key that was handed over is with whom it belongs: it is not counted on the tray as well.
  const key = item.form === 'key' ? state.visit.keys?.[item.id] : undefined;
  const spare = line.spare?.quantity ?? (key && keyIsBack(key) ? onTray : 0);
  return {
    item,
    counted,
    supplied,
    missing,
    over: Math.max(0, found - item.quantity),
    fitted,
    scrapped,
    apart,
    spare,
    onTray,
    unaccounted: onTray - spare,
  };
}

/** The ledger of all pieces. Compounds are used up, not fitted, and stand outside it. */
export function hardwareLedger(plan: Plan, state: JobState): LedgerLine[] {
  const inStations = piecesInStations(plan, state);
  return plan.items
    .filter((item) => item.kind !== 'compound')
    .map((item) => ledgerLine(plan, state, item, inStations.get(item.id) ?? 0));
}

/** Pieces of a line that are on the vehicle: in stations, and put on by steps of their own. */
export function piecesFitted(plan: Plan, state: JobState, item: PlanItem): number {
  return ledgerLine(plan, state, item, piecesInStations(plan, state).get(item.id) ?? 0).fitted;
}

/** Pieces of a line that may still be taken from the tray. */
export function piecesOnTray(plan: Plan, state: JobState, item: PlanItem): number {
  return ledgerLine(plan, state, item, piecesInStations(plan, state).get(item.id) ?? 0).onTray;
}

/** Which lines are short of what the work needs, and what waits for them. */
export interface Shortage {
  item: PlanItem;
  /** Pieces that the work needs beyond what is there. */
  short: number;
  /** Stations, in the plan's order, that will be left without. */
  stations: string[];
  /** Acts, in the line's order, that will be left without. */
  acts: string[];
}

/** Stations of the group a part is bolted on with, where no act of the line puts it on. */
export const stationsOfPart = (plan: Plan, item: PlanItem): readonly PlanStation[] =>
  item.putOn > 0 && item.fittedWith !== undefined && actsOfItem(plan, item.id).length === 0
    ? plan.stations.filter(({ groupId }) => groupId === item.fittedWith)
    : [];

/** Shortages known from the count: what does not stop the job is not one. */
export function shortages(plan: Plan, state: JobState): Shortage[] {
  return hardwareLedger(plan, state).flatMap((line) => {
    if (!line.counted) return [];
    const usable = line.supplied - line.missing - line.scrapped - line.apart;
    const short = line.item.needed - usable;
    if (short <= 0) return [];
    const empty = (station: PlanStation) => stationState(state, station.id).stage === 'empty';
    const users = plan.stations.filter(({ stack }) =>
      stack.some((piece) => piece.kind === 'hardware' && piece.item === line.item.id),
    );
    const { acts: done } = lineProgress(plan, state);
    const acts = actsOfItem(plan, line.item.id).filter((id) => !done.has(id));
    return [
      {
        item: line.item,
        short,
        stations: [
          ...users.filter(empty).slice(-short),
          // Without the part none of its bolts can go in.
          ...stationsOfPart(plan, line.item).filter(empty),
        ].map(({ id }) => id),
        acts: acts.slice(-short),
      },
    ];
  });
}
