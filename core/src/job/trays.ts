import type { Plan, PlanItem } from '../kit/plan.ts';
import { inTheBox } from '../kit/put-on.ts';
import { layOut, type Tray, type TrayPlace, USUAL_TRAYS } from '../kit/tray-layout.ts';
import { lineOf } from '../line/line.ts';
import { type JobState, lineState } from './job-state.ts';

/** What lies in trays: hardware of the box, not parts, not what is squeezed out of a tube. */
const isSmall = (item: PlanItem): boolean => item.kind !== 'part' && item.kind !== 'compound' && inTheBox(item);

/** Hardware in the order the work takes it: by the first station or act that uses it, then as the sheet lists it. */
function inUseOrder(plan: Plan): PlanItem[] {
  const first = new Map<string, number>();
  const used = (item: string, at: number) => first.set(item, Math.min(at, first.get(item) ?? Number.POSITIVE_INFINITY));
  let at = 0;
  for (const { action } of lineOf(plan).actById.values()) {
    at += 1;
    if (action.type === 'fit' || action.type === 'press') used(action.item, at);
    if (action.type === 'start')
      for (const station of plan.stations)
        if (station.groupId === action.group)
          for (const piece of station.stack) if (piece.kind === 'hardware') used(piece.item, at);
  }
  const rank = (item: PlanItem) => first.get(item.id) ?? Number.POSITIVE_INFINITY;
  return plan.items.filter(isSmall).sort((a, b) => (rank(a) === rank(b) ? 0 : rank(a) - rank(b)));
}

/** The shop's trays with what lies in each compartment: laid out by the work, or where a hand put it. */
export function traysOf(plan: Plan, state: JobState): { trays: readonly Tray[]; places: Map<string, TrayPlace> } {
  const trays = plan.rules.trays ?? USUAL_TRAYS;
  const fixed = Object.fromEntries(
    plan.items.flatMap((item) => {
      const { tray } = lineState(state, item.id);
      return tray ? [[item.id, { tray: tray.tray, row: tray.row, column: tray.column }]] : [];
    }),
  );
  return { trays, places: layOut(inUseOrder(plan), trays, fixed) };
}
