import { PHASES } from '../kit/phase.ts';
import type { PlanStep } from '../kit/plan.ts';
import { counted, type Graph } from './step-graph.ts';

export type Standing = 'raised' | 'lowered' | 'either';

/** How the vehicle must stand for each step: by its own needs, else as its kit last put it. */
export function standings(steps: readonly PlanStep[], kits: readonly string[]): Map<string, Standing> {
  const found = new Map<string, Standing>();
  for (const kit of kits) {
    let own: Standing = 'either';
    for (const step of steps) {
      if (step.kit !== kit) continue;
      const needsUp = step.needs.includes('lift') || step.needs.includes('stands') || step.needs.includes('wheelsOff');
      found.set(step.id, step.needs.includes('rideHeight') ? 'lowered' : needsUp ? 'raised' : own);
      for (const action of step.actions) {
        if (action.type === 'lift') own = 'raised';
        if (action.type === 'lower') own = 'lowered';
      }
      // A step that lifts is itself done on whatever the vehicle stands on.
      if (step.actions.some((action) => action.type === 'lift' || action.type === 'lower'))
        found.set(step.id, 'either');
    }
  }
  return found;
}

/** What a step leaves the vehicle standing on; undefined when it does not move it. */
export const movesTo = (step: PlanStep): 'raised' | 'lowered' | undefined => {
  const move = step.actions.findLast((action) => action.type === 'lift' || action.type === 'lower');
  return move && (move.type === 'lift' ? 'raised' : 'lowered');
};

/**
 * A legal order that keeps phases together, moves the vehicle seldom, and else follows the kits in turn.
 * @throws where the steps wait for each other in a circle
 */
export function legalOrder(
  steps: readonly PlanStep[],
  before: Graph,
  kits: readonly string[],
  standing: ReadonlyMap<string, Standing>,
): PlanStep[] {
  const byId = new Map(steps.map((step, index) => [step.id, { step, index }]));
  const kitPlace = new Map(kits.map((kit, index) => [kit, index]));
  const { waiting, followers } = counted(before);
  let now: Standing = 'lowered';
  /** Kits between their own lift and their own lower: they are not put down for another while they have work. */
  const up = new Set<string>();
  const order: PlanStep[] = [];
  const ready: string[] = [];
  const free = (id: string) => {
    if (byId.has(id)) ready.push(id);
    // A joint closing takes no time of its own.
    else for (const next of followers.get(id) ?? []) release(next);
  };
  const release = (id: string) => {
    const left = (waiting.get(id) ?? 0) - 1;
    waiting.set(id, left);
    if (left === 0) free(id);
  };
  for (const [id, left] of [...waiting]) if (left === 0) free(id);
  const cost = (id: string): number[] => {
    const { step, index } = byId.get(id) as { step: PlanStep; index: number };
    const stand = standing.get(id) ?? 'either';
    const move = movesTo(step);
    const moves = (stand !== 'either' && stand !== now) || (move !== undefined && move !== now);
    const lowers = now === 'raised' && (stand === 'lowered' || move === 'lowered');
    const interrupts = lowers && (up.size > 1 || (up.size === 1 && !up.has(step.kit)));
    return [interrupts ? 1 : 0, PHASES.indexOf(step.phase), moves ? 1 : 0, kitPlace.get(step.kit) ?? 0, index];
  };
  while (ready.length > 0) {
    let best = 0;
    let bestCost = cost(ready[0] as string);
    for (let place = 1; place < ready.length; place += 1) {
      const other = cost(ready[place] as string);
      const differs = other.findIndex((value, at) => value !== bestCost[at]);
      if (differs >= 0 && (other[differs] as number) < (bestCost[differs] as number)) {
        best = place;
        bestCost = other;
      }
    }
    const [id] = ready.splice(best, 1) as [string];
    const { step } = byId.get(id) as { step: PlanStep };
    order.push(step);
    const stand = standing.get(id) ?? 'either';
    if (stand !== 'either') now = stand;
    const move = movesTo(step);
    now = move ?? now;
    if (move === 'raised') up.add(step.kit);
    if (move === 'lowered') up.delete(step.kit);
    for (const next of followers.get(id) ?? []) release(next);
  }
  if (order.length < steps.length) throw new Error('Steps of a kit wait for each other in a circle');
  return order;
}
