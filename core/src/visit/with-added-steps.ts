import type { Plan, PlanStep } from '../kit/plan.ts';

/** A step that a lead put into the line, before another. */
export interface AddedStep {
  id: string;
  text: string;
  before: string;
  minutes?: number;
}

/**
 * The plan with the steps that leads put into its line. Each is done before the step it was put before, and after what
 * that one waits for; where that step has left the plan since, it comes last.
 */
export function withAddedSteps(plan: Plan, added: readonly AddedStep[]): Plan {
  if (added.length === 0) return plan;
  const firstKit = plan.kits[0]?.id ?? '';
  return { ...plan, steps: added.reduce((steps, one) => withOne(steps, one, firstKit), plan.steps) };
}

function withOne(steps: readonly PlanStep[], { id, text, before, minutes }: AddedStep, firstKit: string): PlanStep[] {
  // A step may be done with another kit's by now.
  const place = steps.findIndex((step) => step.id === before || step.covers.includes(before));
  const next = steps[place];
  const step: PlanStep = {
    id,
    kit: next?.kit ?? firstKit,
    because: [],
    text,
    phase: next?.phase ?? steps.at(-1)?.phase ?? 'prove',
    side: next?.side,
    actions: [{ type: 'do', text }],
    ...(minutes === undefined ? {} : { minutes }),
    needs: [],
    after: next?.after ?? [],
    covers: [id],
    made: 'added',
  };
  if (!next) return [...steps, step];
  const held = { ...next, after: [...next.after, id] };
  return [...steps.slice(0, place), step, held, ...steps.slice(place + 1)];
}
