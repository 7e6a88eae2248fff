import type { Plan } from '../kit/plan.ts';
import { hardwareLedger } from './hardware-ledger.ts';
import { type JobState, stationState } from './job-state.ts';
import { stationComplete } from './station-progress.ts';

/** Something that still keeps a job from being closed, with where to go to clear it. */
export type CloseBlock =
  | { code: 'linesUncounted'; items: string[] }
  | { code: 'stationsOpen'; group: string; stations: string[] }
  | { code: 'piecesUnaccounted'; item: string; unaccounted: number; onTray: number }
  | { code: 'problemOpen'; problem: string }
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
  for (const [problem, { cleared }] of Object.entries(state.problems)) {
    if (!cleared) blocks.push({ code: 'problemOpen', problem });
  }
  if (toolsOut.length > 0) blocks.push({ code: 'toolsOut', tools: [...toolsOut] });
  return blocks;
}
