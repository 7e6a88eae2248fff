import type { Step } from '../kit-step.ts';
import type { Assumption, Drafting } from './drafting.ts';

/** What is said of a step that found another place. */
export interface SaidOfStep {
  step: Step;
  code: Assumption['code'];
  about: string;
}

/**
 * Puts the steps of a draft in another order, and what was said of them goes along: the paths are written anew once,
 * however many steps were moved.
 *
 * @param change - moves steps within `kit.steps`, may put new ones in or give one's actions to another, and returns what
 *   is to be said of them
 * @param into - the step that took over what another did
 */
export function rearrangeSteps(
  drafting: Drafting,
  change: (steps: Step[]) => readonly SaidOfStep[],
  into: ReadonlyMap<Step, Step> = new Map(),
): void {
  const { kit, assumed, placed, assume } = drafting;
  const before = [...kit.steps];
  const said = change(kit.steps);
  const now = new Map(kit.steps.map((step, at) => [step, at]));
  const moved = (path: string): string =>
    path.replace(/^steps\[(\d+)\]/, (whole, digits) => {
      const step = before[Number(digits)];
      const at = step && (now.get(step) ?? now.get(into.get(step) ?? step));
      return at === undefined ? whole : `steps[${at}]`;
    });
  for (const [fact, path] of placed) placed.set(fact, moved(path));
  for (const entry of assumed) entry.path = moved(entry.path);
  for (const { step, code, about } of said) assume(`steps[${now.get(step)}]`, code, about);
}
