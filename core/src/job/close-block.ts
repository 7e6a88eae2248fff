import type { Plan } from '../kit/plan.ts';
import { debtsOf, isOwed } from './debt.ts';
import { hardwareLedger } from './hardware-ledger.ts';
import { type JobState, stationState } from './job-state.ts';
import { stationComplete } from './station-progress.ts';
import { openRefits } from './step-progress.ts';

/** Something that still keeps a job from being closed, with where to go to clear it. */
export type CloseBlock =
  | { code: 'linesUncounted'; items: string[] }
  | { code: 'stationsOpen'; group: string; stations: string[] }
  | { code: 'piecesUnaccounted'; item: string; unaccounted: number; onTray: number }
  | { code: 'problemOpen'; problem: string }
  /** Taken off, opened or put on, and not ended where it must. */
  | { code: 'debtsOpen'; debts: string[] }
  /** Words of the strip whose undoing nobody has ticked. */
  | { code: 'refitOpen'; steps: string[] }
  | { code: 'conflictsUnsettled'; conflicts: string[] }
  /** Lent for this job and not back: it may lie in the vehicle. */
  | { code: 'toolsOut'; tools: string[] };

/** All that blocks closing, in the order of the work. Empty when the job may be signed. */
export function closeBlocks(plan: Plan, state: JobState, toolsOut: readonly string[] = []): CloseBlock[] {
  const blocks: CloseBlock[] = [];
  const uncounted = plan.items.filter((item) => state.lines[item.id]?.count === undefined).map((item) => item.id);
  if (uncounted.length > 0) blocks.push({ code: 'linesUncounted', items: uncounted });
  for (const group of plan.groups) {
    const open = plan.stations
      .filter((station) => station.groupId === group.id && !stationComplete(station, stationState(state, station.id)))
      .map((station) => station.id);
    if (open.length > 0) blocks.push({ code: 'stationsOpen', group: group.id, stations: open });
  }
  // Pieces waiting for open stations are not lost yet; the tray is counted when the work is done.
  if (!blocks.some((block) => block.code === 'stationsOpen')) {
    for (const line of hardwareLedger(plan, state)) {
      if (line.counted && line.unaccounted !== 0) {
        blocks.push({
          code: 'piecesUnaccounted',
          item: line.item.id,
          unaccounted: line.unaccounted,
          onTray: line.onTray,
        });
      }
    }
  }
  const owed = debtsOf(plan, state)
    .filter(isOwed)
    .map((debt) => debt.id);
  if (owed.length > 0) blocks.push({ code: 'debtsOpen', debts: owed });
  const refit = openRefits(plan, state);
  if (refit.length > 0) blocks.push({ code: 'refitOpen', steps: refit });
  const unsettled = plan.conflicts.filter(({ settled }) => settled === undefined).map(({ id }) => id);
  if (unsettled.length > 0) blocks.push({ code: 'conflictsUnsettled', conflicts: unsettled });
  for (const [problem, { cleared }] of Object.entries(state.problems)) {
    if (!cleared) blocks.push({ code: 'problemOpen', problem });
  }
  if (toolsOut.length > 0) blocks.push({ code: 'toolsOut', tools: [...toolsOut] });
  return blocks;
}
