import type { Plan, PlanAction, PlanStep } from '../kit/plan.ts';
import { actIds } from './act-id.ts';
import { lineKind } from './line-kinds.ts';

/** One act on the line: an action of a step, with the id its facts are kept under. */
export interface LineAct {
  id: string;
  step: string;
  action: PlanAction;
  /** Its place among the acts of its step. */
  at: number;
}

/** A step as it stands on the tape. */
export interface LineStep {
  id: string;
  /** The line's own number, from 1; the sheet's stands beside it. */
  number: number;
  step: PlanStep;
  acts: readonly LineAct[];
}

/** A job is one line of work: every step of every kit, in an order that can be worked. */
export interface Line {
  steps: readonly LineStep[];
  stepById: ReadonlyMap<string, LineStep>;
  actById: ReadonlyMap<string, LineAct>;
  /** The acts that bring a joint group on, by group and kind: `plate start`. */
  jointActs: ReadonlyMap<string, readonly LineAct[]>;
}

const lines = new WeakMap<Plan, Line>();

/** Lays a plan out as its line. */
export function lineOf(plan: Plan): Line {
  const known = lines.get(plan);
  if (known) return known;
  const steps = plan.steps.map(
    (step, index): LineStep => ({
      id: step.id,
      number: index + 1,
      step,
      acts: actIds(step).map(({ id, action }, at) => ({ id, step: step.id, action, at })),
    }),
  );
  const acts = steps.flatMap((step) => step.acts);
  const jointActs = new Map<string, LineAct[]>();
  for (const act of acts)
    if (lineKind(act.action).byStations && 'group' in act.action) {
      const key = `${act.action.group} ${act.action.type}`;
      jointActs.set(key, [...(jointActs.get(key) ?? []), act]);
    }
  const line: Line = {
    steps,
    stepById: new Map(steps.map((step) => [step.id, step])),
    actById: new Map(acts.map((act) => [act.id, act])),
    jointActs,
  };
  lines.set(plan, line);
  return line;
}
