import { sidesAsConditions } from '../kit/bought-sides.ts';
import { type Answers, evaluate } from '../kit/condition.ts';
import type { VehicleFacts } from '../kit/vehicle-facts.ts';
import { kitAnswers, type VisitKit } from './visit.ts';

/** How much of a list is settled while questions are still open. */
export interface SoFar {
  in: number;
  out: number;
  /** Waits for an answer. */
  open: number;
}

/** What the answers given so far have settled: the plan as it builds. */
export function planSoFar(
  kits: readonly VisitKit[],
  vehicle: VehicleFacts,
  answers: Answers,
): Record<'items' | 'stations' | 'steps', SoFar> {
  const count = (list: 'items' | 'stations' | 'steps'): SoFar => {
    const found: SoFar = { in: 0, out: 0, open: 0 };
    for (const kit of kits) {
      const known = kitAnswers(kit, vehicle, answers);
      for (const { when } of sidesAsConditions(kit.document)[list]) {
        const { truth } = evaluate(when, known);
        if (truth === 'true') found.in += 1;
        else if (truth === 'false') found.out += 1;
        else found.open += 1;
      }
    }
    return found;
  };
  return { items: count('items'), stations: count('stations'), steps: count('steps') };
}
