import type { PlanAction, PlanStep } from '../kit/plan.ts';
import { JOINT_ACTIONS } from '../kit/step-action.ts';

/** What an action is done to, as far as its id goes. */
function objectOf(action: PlanAction): string {
  const fields = action as unknown as Record<string, unknown>;
  for (const field of [
    'removed',
    'disconnect',
    'neighbour',
    'temporary',
    'baseline',
    'check',
    'irreversible',
    'choice',
    'question',
    'prerequisite',
    'compound',
    'group',
    'item',
    'station',
  ]) {
    const id = fields[field];
    if (typeof id === 'string') return id;
  }
  return '';
}

const isJoint = ({ type }: PlanAction): boolean => (JOINT_ACTIONS as readonly string[]).includes(type);

const known = new WeakMap<PlanStep, Array<{ id: string; action: PlanAction }>>();

/** A step's actions with the ids their facts are kept under: what is done to what, so that an id outlives a reordering. */
export function actIds(step: PlanStep): Array<{ id: string; action: PlanAction }> {
  const made = known.get(step);
  if (made) return made;
  const times = new Map<string, number>();
  // A step that says nothing more than its words is done by a press.
  const bare = step.actions.length === 0;
  // Where only stations are worked and it takes two, who helps is asked first.
  const helped = (step.people ?? 1) > 1 && step.actions.every(isJoint);
  const actions: PlanAction[] = bare || helped ? [{ type: 'do', text: step.text }, ...step.actions] : step.actions;
  const ids = actions.map((action) => {
    const plain = `${step.id}:${action.type}:${objectOf(action)}`;
    const time = (times.get(plain) ?? 0) + 1;
    times.set(plain, time);
    return { id: time === 1 ? plain : `${plain}:${time}`, action };
  });
  known.set(step, ids);
  return ids;
}
