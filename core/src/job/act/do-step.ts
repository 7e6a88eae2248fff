import type { StepId, ThingId } from '../../kit/ids.ts';
import { type Answers, usualAnswers } from '../../line/ask.ts';
import { lineOf } from '../../line/line.ts';
import { lineKind } from '../../line/line-kinds.ts';
import type { Chocks } from '../chocks.ts';
import { asksNow } from '../line-known.ts';
import { lineProgress } from '../line-progress.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { type Ask, act, done, type Outcome, refuse, stampOf } from './act.ts';
import type { ActsReopened } from './after-check.ts';
import { changeDebts } from './change-debts.ts';
import { type ActDone, decideAct, type FollowsFromAct } from './do-act.ts';

/** Goes through all of a step that a press can say. `helper`: who helps, where a step needs two. */
export interface DoStep {
  type: 'doStep';
  step: StepId;
  helper?: string;
}

/** Jobs begun before every act had its own fact ticked whole steps. `covers`: steps of other kits done with it. */
export interface StepDone {
  type: 'stepDone';
  step: StepId;
  covers: StepId[];
  helper?: string;
  chocks?: Chocks;
}

export interface StepUndone {
  type: 'stepUndone';
  step: StepId;
  covers: StepId[];
  /** Debts it had ended. */
  reopened: ThingId[];
  /** Debts it had opened. */
  closedAgain: ThingId[];
}

const without = <T>(record: Record<string, T>, ids: readonly string[]): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([id]) => !ids.includes(id)));

/** The acts of a step that are open, one after another, each decided on what the one before left. */
function pressThrough(
  ask: Ask,
  step: string,
  helper: string | undefined,
): Outcome<ActDone | ActsReopened | FollowsFromAct> {
  const found = lineOf(ask.plan).stepById.get(step);
  if (!found) return refuse({ code: 'unknownStep', step });
  if (lineProgress(ask.plan, ask.job).steps.has(step)) return refuse({ code: 'stepDoneAlready', step });
  const open = found.acts.filter(({ id }) => !lineProgress(ask.plan, ask.job).acts.has(id));
  const byStations = open.filter(({ action }) => lineKind(action).byStations);
  if (byStations.length === open.length)
    return refuse({ code: 'stepAsks', step, acts: byStations.map(({ id }) => id) });
  const facts: Array<ActDone | ActsReopened | FollowsFromAct> = [];
  let { job } = ask;
  for (const lineAct of open) {
    if (lineKind(lineAct.action).byStations) break;
    const said: Answers = helper === undefined ? {} : { helper };
    const answers = { ...said, ...usualAnswers(asksNow(ask.plan, job, lineAct, said)) };
    const outcome = decideAct({ ...ask, job }, lineAct.id, answers);
    if ('refusal' in outcome) {
      // What a press can say is done; what must be said otherwise is left to be said.
      return facts.length > 0 && outcome.refusal.code === 'actAsks' ? done(...facts) : outcome;
    }
    facts.push(...outcome.facts);
    job = ask.after(facts);
  }
  return done(...facts);
}

export const doStep = act<DoStep, StepDone | StepUndone, ActDone | ActsReopened | FollowsFromAct>({
  may: ON_THE_FLOOR,
  decide: (ask, { step, helper }) => pressThrough(ask, step, helper?.trim() === '' ? undefined : helper),
  fold: {
    stepDone(draft, fact) {
      const ticked = { helper: fact.helper, chocks: fact.chocks, ...stampOf(fact) };
      const steps = Object.fromEntries([fact.step, ...fact.covers].map((id) => [id, ticked]));
      draft.visit = { ...draft.visit, steps: { ...draft.visit.steps, ...steps } };
      draft.undoable[fact.by.id] = { act: 'doStep', step: fact.step };
    },
    stepUndone(draft, fact) {
      draft.visit = { ...draft.visit, steps: without(draft.visit.steps, [fact.step, ...fact.covers]) };
      changeDebts(draft, fact.closedAgain, ({ opened: _, ...debt }) => debt);
      changeDebts(draft, fact.reopened, (debt) => ({ ...debt, ends: debt.ends.slice(0, -1) }));
      draft.undoable[fact.by.id] = undefined;
    },
  },
});
