import { unreachable } from '../result.ts';
import type { Stamp } from './job-state.ts';
import type { VisitFact } from './visit-event.ts';
import { type DebtState, debtState, type VisitState } from './visit-state.ts';

const changeDebts = (
  visit: VisitState,
  ids: readonly string[],
  change: (debt: DebtState) => DebtState,
): VisitState => ({
  ...visit,
  debts: { ...visit.debts, ...Object.fromEntries(ids.map((id) => [id, change(debtState(visit, id))])) },
});

const without = <T>(record: Record<string, T>, ids: readonly string[]): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([id]) => !ids.includes(id)));

/** The visit after one more fact. */
export function foldVisit(visit: VisitState, fact: VisitFact, stamp: Stamp): VisitState {
  switch (fact.type) {
    case 'prerequisiteAnswered': {
      const { prerequisite, met, value, note } = fact;
      return {
        ...visit,
        prerequisites: { ...visit.prerequisites, [prerequisite]: { met, value, note, ...stamp } },
      };
    }
    case 'measured': {
      const { baseline, place, when, value, photo } = fact;
      const places = visit.measurements[baseline] ?? {};
      return {
        ...visit,
        measurements: {
          ...visit.measurements,
          [baseline]: { ...places, [place]: { ...places[place], [when]: { value, photo, ...stamp } } },
        },
      };
    }
    case 'choiceMade': {
      const { choice, option, chosenBy } = fact;
      return { ...visit, choices: { ...visit.choices, [choice]: { option, chosenBy, ...stamp } } };
    }
    case 'stepDone': {
      const done = { helper: fact.helper, chocks: fact.chocks, ...stamp };
      return {
        ...visit,
        steps: { ...visit.steps, ...Object.fromEntries([fact.step, ...fact.covers].map((id) => [id, done])) },
      };
    }
    case 'stepUndone': {
      const steps = without(visit.steps, [fact.step, ...fact.covers]);
      const shut = changeDebts({ ...visit, steps }, fact.closedAgain, ({ opened: _, ...debt }) => debt);
      return changeDebts(shut, fact.reopened, (debt) => ({ ...debt, ends: debt.ends.slice(0, -1) }));
    }
    case 'debtOpened':
      return changeDebts(visit, fact.debts, (debt) => ({ ...debt, opened: stamp }));
    case 'debtAdded': {
      const { type: _, debt: id, ...added } = fact;
      return changeDebts(visit, [id], (debt) => ({ ...debt, added, opened: stamp }));
    }
    case 'debtClosed': {
      const { count, end, note, newPieces } = fact;
      return changeDebts(visit, fact.debts, (debt) => ({
        ...debt,
        ends: [...debt.ends, { count, end, note, newPieces, ...stamp }],
      }));
    }
    case 'refitArranged':
      return { ...visit, refitOrder: fact.order };
    case 'figureGiven': {
      const { source, note, figure } = fact;
      return { ...visit, figures: { ...visit.figures, [fact.target]: { source, note, figure, ...stamp } } };
    }
    case 'conflictSettled': {
      const { settlement, reason } = fact;
      return { ...visit, settled: { ...visit.settled, [fact.conflict]: { settlement, reason, ...stamp } } };
    }
    case 'sharedSplit':
      return { ...visit, split: { ...visit.split, [fact.key]: { reason: fact.reason, ...stamp } } };
    case 'kitAdded':
      return { ...visit, kits: [...visit.kits, fact.prefix] };
    case 'kitDropped':
      return {
        ...visit,
        kits: visit.kits.filter((prefix) => prefix !== fact.prefix),
        droppedKits: [...visit.droppedKits, { prefix: fact.prefix, reason: fact.reason, ...stamp }],
      };
    case 'stepOverrideGranted': {
      const granted = { ...visit.stepOverrides[fact.step], [fact.refusal]: { reason: fact.reason, ...stamp } };
      return { ...visit, stepOverrides: { ...visit.stepOverrides, [fact.step]: granted } };
    }
    default:
      return unreachable(fact);
  }
}
