import type { CompoundKind } from '../compound/compound.ts';
import type { DriveSize } from '../fastener/drive.ts';
import { indexOf, type Plan, type PlanGroup } from '../kit/plan.ts';

/** One thing to do so that the kit comes off again, or what it covers can be reached. */
export type OffAgain =
  | { what: 'takeOff'; removed: string }
  | { what: 'disconnect'; disconnect: string }
  | {
      what: 'undo';
      group: string;
      stations: number;
      /** Sizes it is turned with, each once. */
      drives: DriveSize[];
      /** What holds its threads. */
      compounds: CompoundKind[];
      /** Names of the pieces that are used once: their like goes in new. */
      usedOnce: string[];
    };

function undo(plan: Plan, group: PlanGroup): OffAgain {
  const { stations, items, compounds } = indexOf(plan);
  const joints = group.torqueOrder.flatMap((id) => stations.get(id) ?? []);
  const drives = new Map(joints.map(({ drive }) => [JSON.stringify(drive), drive]));
  const kinds = new Set(joints.flatMap(({ compound }) => (compound && compounds.get(compound)?.kind) || []));
  const pieces = new Set(joints.flatMap(({ stack }) => stack.flatMap((p) => (p.kind === 'hardware' ? [p.item] : []))));
  const usedOnce = [...pieces].flatMap((id) => {
    const item = items.get(id);
    // A nut that locks by its own grips less each time. Common practice, no source.
    return item && (item.singleUse || item.locking !== undefined) ? [item.name] : [];
  });
  return {
    what: 'undo',
    group: group.id,
    stations: joints.length,
    drives: [...drives.values()],
    compounds: [...kinds],
    usedOnce,
  };
}

/**
 * How what was fitted comes off again: what was done last is undone first, each thing once. What was only cleaned,
 * measured or checked undoes itself.
 */
export function comesOffAgain(plan: Plan): OffAgain[] {
  const found = new Map<string, OffAgain>();
  const keep = (key: string, entry: () => OffAgain) => {
    if (!found.has(key)) found.set(key, entry());
  };
  const groups = new Map(plan.groups.map((group) => [group.id as string, group]));
  for (const { actions } of [...plan.steps].reverse())
    for (const action of [...actions].reverse()) {
      if (action.type === 'refit' || action.type === 'moveOver')
        keep(`takeOff ${action.removed}`, () => ({ what: 'takeOff', removed: action.removed }));
      if (action.type === 'reconnect')
        keep(`disconnect ${action.disconnect}`, () => ({ what: 'disconnect', disconnect: action.disconnect }));
      const group = action.type === 'torque' ? groups.get(action.group) : undefined;
      // The vehicle's own joints go with the thing they hold.
      if (group && !group.again) keep(`undo ${group.id}`, () => undo(plan, group));
    }
  return [...found.values()];
}
