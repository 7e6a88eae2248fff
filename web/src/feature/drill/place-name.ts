import { indexOf, type Plan } from '#core/kit/plan.ts';

/** What a target of a drill is called on the plan: a station, a joint group or a packing line; its id where it is none. */
export function placeName(plan: Plan, target: string): string {
  const { stations, groups, items } = indexOf(plan);
  return stations.get(target)?.name ?? groups.get(target)?.title ?? items.get(target)?.name ?? target;
}
