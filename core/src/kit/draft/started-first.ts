import type { StepAction } from '../step-action.ts';
import { CLOSES, clip, type Drafting } from './drafting.ts';

const does = (types: ReadonlyArray<StepAction['type']>, group: string) => (action: StepAction) =>
  types.includes(action.type) && 'group' in action && action.group === group;

/**
 * A joint is started by hand before it is tightened: where no step of the sheet says so, or only one behind its torque
 * (`hand tight, then 75`), it is started where it is tightened first.
 */
export function startedFirst({ kit: { groups, steps } }: Drafting): void {
  for (const { id } of groups) {
    const tightens = does(['snug', 'torque'], id);
    const first = steps.findIndex(({ actions }) => actions.some(tightens));
    const step = steps[first];
    if (!step) continue;
    const at = step.actions.findIndex(tightens);
    const starts = does(['start'], id);
    const before =
      steps.slice(0, first).some(({ actions }) => actions.some(starts)) || step.actions.slice(0, at).some(starts);
    if (before) continue;
    for (const later of steps.slice(first)) {
      const rest = later.actions.filter((action) => !starts(action));
      if (rest.length < later.actions.length)
        later.actions = rest.length > 0 ? rest : [{ type: 'do', text: clip(later.text, 500) }];
    }
    const place = step.actions.findIndex(tightens);
    step.actions = step.actions.toSpliced(place, 0, { type: 'start', group: id });
  }
}

/**
 * Where a table of figures stands above the steps that call them, everything below it was taken for what comes after the
 * last figure; what stands before a torque is putting together.
 */
export function putTogetherFirst({ kit: { steps } }: Drafting): void {
  const last = steps.findLastIndex(({ actions }) => actions.some(({ type }) => type === 'torque'));
  for (const step of steps.slice(0, Math.max(0, last)))
    if (step.phase === 'refit' && !step.actions.some(({ type }) => CLOSES.has(type) || type === 'clear'))
      step.phase = 'loose';
}
