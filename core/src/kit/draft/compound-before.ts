import type { StepAction } from '../step-action.ts';
import type { Drafting } from './drafting.ts';

/** What is done to a joint once its threads are ready. */
const ON_THREADS = new Set<StepAction['type']>(['start', 'snug', 'torque']);

/**
 * What goes on the threads goes on before they are started: a note often names the grease behind the figures, and put
 * on then it would be too late.
 */
export function compoundBefore(drafting: Drafting): void {
  const { kit, assume } = drafting;
  for (let from = 1; from < kit.steps.length; from++) {
    const step = kit.steps[from];
    const compounds = step?.actions.map((action) => (action.type === 'apply' ? action.compound : undefined)) ?? [];
    if (compounds.length === 0 || compounds.includes(undefined)) continue;
    const treated = new Set(kit.stations.flatMap(({ id, compound }) => (compounds.includes(compound) ? [id] : [])));
    const groups = kit.groups.filter(({ stations }) => stations.some((id) => treated.has(id)));
    const to = kit.steps.findIndex(({ actions }) =>
      actions.some(
        (action) => ON_THREADS.has(action.type) && 'group' in action && groups.some(({ id }) => id === action.group),
      ),
    );
    if (to < 0 || to > from) continue;
    moveStep(drafting, from, to);
    const moved = kit.steps[to];
    if (moved) moved.phase = 'prepare';
    for (const { title } of groups) assume(`steps[${to}]`, 'appliedBefore', title);
  }
}

/** Puts a step further ahead, with what was said of the steps. */
function moveStep({ kit, assumed, placed }: Drafting, from: number, to: number): void {
  const [step] = kit.steps.splice(from, 1);
  if (step) kit.steps.splice(to, 0, step);
  const moved = (path: string): string =>
    path.replace(/^steps\[(\d+)\]/, (whole, digits) => {
      const at = Number(digits);
      if (at === from) return `steps[${to}]`;
      return at >= to && at < from ? `steps[${at + 1}]` : whole;
    });
  for (const [fact, path] of placed) placed.set(fact, moved(path));
  for (const entry of assumed) entry.path = moved(entry.path);
}
