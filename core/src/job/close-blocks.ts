import type { Plan } from '../kit/plan.ts';
import { inTheBox } from '../kit/put-on.ts';
import { lineOf } from '../line/line.ts';
import { lineKind } from '../line/line-kinds.ts';
import type { CloseBlock } from './close-block.ts';
import { debtsOf, isOwed } from './debt.ts';
import { hardwareLedger } from './hardware-ledger.ts';
import { type JobState, lineState, stationState } from './job-state.ts';
import { keysOut } from './keys.ts';
import { lineProgress } from './line-progress.ts';
import { looksDue } from './second-look.ts';
import { serialsOpen } from './serials.ts';
import { stationComplete } from './station-progress.ts';

/** Steps with an act that is open and is told by no station: what stations lack stands with their group. */
export function openSteps(plan: Plan, state: JobState): string[] {
  const { steps: finished, acts } = lineProgress(plan, state);
  return lineOf(plan).steps.flatMap((step) =>
    finished.has(step.id) || step.acts.every((act) => acts.has(act.id) || lineKind(act.action).byStations)
      ? []
      : [step.id],
  );
}

/** All that blocks closing, in the order of the work. Empty when the job may be signed. */
export function closeBlocks(plan: Plan, state: JobState, toolsOut: readonly string[] = []): CloseBlock[] {
  const blocks: CloseBlock[] = [];
  const uncounted = plan.items
    .filter((item) => inTheBox(item) && state.lines[item.id]?.count === undefined)
    .map((item) => item.id);
  if (uncounted.length > 0) blocks.push({ code: 'linesUncounted', items: uncounted });
  const disagree = plan.items.filter(({ id }) => lineState(state, id).recount?.agrees === false).map(({ id }) => id);
  if (disagree.length > 0) blocks.push({ code: 'countsDisagree', items: disagree });
  const unread = plan.items.filter((item) => serialsOpen(plan, state, item) > 0).map(({ id }) => id);
  if (unread.length > 0) blocks.push({ code: 'serialsMissing', items: unread });
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
  const keys = keysOut(plan, state);
  if (keys.length > 0) blocks.push({ code: 'keysOut', keys });
  const owed = debtsOf(plan, state)
    .filter(isOwed)
    .map((debt) => debt.id);
  if (owed.length > 0) blocks.push({ code: 'debtsOpen', debts: owed });
  const steps = openSteps(plan, state);
  if (steps.length > 0) blocks.push({ code: 'stepsOpen', steps });
  const unsettled = plan.conflicts.filter(({ settled }) => settled === undefined).map(({ id }) => id);
  if (unsettled.length > 0) blocks.push({ code: 'conflictsUnsettled', conflicts: unsettled });
  const looks = looksDue(plan, state);
  if (looks.length > 0) blocks.push({ code: 'secondLookDue', targets: looks });
  for (const [problem, { cleared }] of Object.entries(state.problems)) {
    if (!cleared) blocks.push({ code: 'problemOpen', problem });
  }
  if (toolsOut.length > 0) blocks.push({ code: 'toolsOut', tools: [...toolsOut] });
  return blocks;
}
