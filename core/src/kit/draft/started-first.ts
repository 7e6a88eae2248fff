import type { Step } from '../kit-step.ts';
import type { StepAction } from '../step-action.ts';
import { CLOSES, clip, type Drafting } from './drafting.ts';

const TIGHTENS: ReadonlySet<StepAction['type']> = new Set(['snug', 'torque']);

/** Where each joint is started or tightened, by the index of its steps. */
function stepsOf(steps: readonly Step[], does: (action: StepAction) => boolean): ReadonlyMap<string, number[]> {
  const found = new Map<string, number[]>();
  steps.forEach(({ actions }, at) => {
    for (const action of actions) {
      if (!does(action) || !('group' in action) || action.group === undefined) continue;
      const there = found.get(action.group);
      if (there === undefined) found.set(action.group, [at]);
      else if (there.at(-1) !== at) there.push(at);
    }
  });
  return found;
}

/**
 * A joint is started by hand before it is tightened: where no step of the sheet says so, or only one behind its torque
 * (`hand tight, then 75`), it is started where it is tightened first.
 */
export function startedFirst({ kit: { groups, steps } }: Drafting): void {
  const tightened = stepsOf(steps, ({ type }) => TIGHTENS.has(type));
  const started = stepsOf(steps, ({ type }) => type === 'start');
  for (const { id } of groups) {
    const [first] = tightened.get(id) ?? [];
    const step = first === undefined ? undefined : steps[first];
    if (first === undefined || !step) continue;
    const tightens = (action: StepAction): boolean =>
      TIGHTENS.has(action.type) && 'group' in action && action.group === id;
    const starts = (action: StepAction): boolean => action.type === 'start' && action.group === id;
    const at = step.actions.findIndex(tightens);
    const starting = started.get(id) ?? [];
    if (starting.some((one) => one < first) || step.actions.slice(0, at).some(starts)) continue;
    for (const one of starting) {
      const later = steps[one] as Step;
      const rest = later.actions.filter((action) => !starts(action));
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
