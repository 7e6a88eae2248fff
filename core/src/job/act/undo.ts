import type { Undoable } from '../job-state.ts';
import { EVERYBODY } from '../role.ts';
import { type Ask, act, type Outcome, refuse } from './act.ts';

/** Takes back this person's last act, where it is one that is taken back and nothing stands on it. */
export interface Undo {
  type: 'undo';
}

/** The way back of each act that has one. */
export type WaysBack<Fact> = { [Name in Undoable['act']]: { undo?(ask: Ask, last: Undoable): Outcome<Fact> } };

/** @param acts - the acts that can be taken back; their own `undo` decides */
export const undoAct = <Fact>(acts: WaysBack<Fact>) =>
  act<Undo, never, Fact>({
    may: EVERYBODY,
    decide(ask) {
      const last = ask.job.undoable[ask.by.id];
      const way = last && acts[last.act].undo;
      return (last && way?.(ask, last)) ?? refuse({ code: 'nothingToUndo' });
    },
    fold: {},
  });
