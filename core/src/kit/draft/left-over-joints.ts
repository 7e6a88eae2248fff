import { CLOSES, clip, type Drafting } from './drafting.ts';

/**
 * A joint that no step of the sheet tightens is tightened all the same, in a step of its own behind the others: `D` of a
 * table whose steps call A, B and C. Nothing that has a figure is left out of the work.
 */
export function leftOverJoints({ kit, freshId }: Drafting): void {
  const tightened = new Set(
    kit.steps.flatMap(({ actions }) => actions.flatMap((action) => (action.type === 'torque' ? [action.group] : []))),
  );
  for (const group of kit.groups.filter(({ id }) => !tightened.has(id))) {
    const last = kit.steps.findLastIndex(({ actions }) => actions.some(({ type }) => type === 'torque'));
    const closes = kit.steps.findIndex(({ actions }) => actions.some(({ type }) => CLOSES.has(type)));
    const at = last >= 0 ? last + 1 : closes < 0 ? kit.steps.length : closes;
    const printed = kit.stations.find(({ id }) => id === group.stations[0])?.specs[0]?.printed;
    kit.steps.splice(at, 0, {
      id: freshId(`step ${group.title}`),
      text: clip(printed ? `${group.title}: ${printed}` : group.title, 2000),
      phase: 'torque',
      actions: [{ type: 'torque', group: group.id }],
      ...(group.when ? { when: group.when } : {}),
    });
  }
}
