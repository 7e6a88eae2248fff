import type { PlanAction, PlanStep } from '../kit/plan.ts';

const REFIT = 'refit:';

/** What undoes an action, and what that undoes again; undefined for actions that change nothing to be put back. */
function reverseAction(action: PlanAction): PlanAction | undefined {
  switch (action.type) {
    case 'remove':
      return { type: 'refit', removed: action.removed };
    case 'refit':
      return { type: 'remove', removed: action.removed };
    case 'swingAside':
      return { type: 'swingBack', removed: action.removed };
    case 'swingBack':
      return { type: 'swingAside', removed: action.removed };
    case 'disconnect':
      return { type: 'reconnect', disconnect: action.disconnect };
    case 'reconnect':
      return { type: 'disconnect', disconnect: action.disconnect };
    case 'loosen':
      return { type: 'retighten', neighbour: action.neighbour };
    case 'retighten':
      return { type: 'loosen', neighbour: action.neighbour };
    case 'lift':
      return { ...action, type: 'lower' };
    case 'lower':
      return { ...action, type: 'lift' };
    // Only a person knows what undoes words; the line asks.
    case 'do':
      return { type: 'undo', text: action.text };
    case 'undo':
      return { type: 'do', text: action.text };
    default:
      return undefined;
  }
}

/** Id of the step that reverses another; of a reversed one it is the first again. */
const reverseId = (id: string): string => (id.startsWith(REFIT) ? id.slice(REFIT.length) : `${REFIT}${id}`);

/**
 * The steps that undo some steps: last first, each with its actions reversed and in reverse, waiting for the reverse of
 * whatever waited for it. Reversing twice gives the steps again.
 *
 * @param steps - in the order they are done; actions without a reverse must have been taken out
 */
export function reverseSteps(steps: readonly PlanStep[]): PlanStep[] {
  const waiting = new Map<string, string[]>();
  for (const step of steps)
    for (const earlier of step.after) waiting.set(earlier, [...(waiting.get(earlier) ?? []), reverseId(step.id)]);
  return [...steps].reverse().map((step) => {
    const { made, undoes: _, ...rest } = step;
    const id = reverseId(step.id);
    return {
      ...rest,
      id,
      covers: [id],
      actions: [...step.actions].reverse().flatMap((action) => reverseAction(action) ?? []),
      after: waiting.get(step.id) ?? [],
      ...(made === 'refit' ? {} : { made: 'refit' as const, undoes: step.id }),
    };
  });
}
