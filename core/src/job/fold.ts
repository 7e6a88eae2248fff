import type { Draft } from './act/act.ts';
import { ACTS, type JobEvent, type JobFact } from './acts.ts';
import type { JobState } from './job-state.ts';

/** What each fact does, whichever act it comes from. The table holds that a fact goes to its own function. */
const FOLDS = Object.assign({}, ...Object.values(ACTS).map((act) => act.fold)) as {
  [Type in JobFact['type']]: (draft: Draft, event: JobEvent) => void;
};

/** Whether there is such a fact: a newer application may have made one that this one does not know. */
export const isFact = (type: string): type is JobFact['type'] => Object.hasOwn(FOLDS, type);

/**
 * The state after some more events. Pure: no clock, no ids, no plan, and the given state stays as it is.
 * The maps are copied once for all events, so that a long job folds in time proportional to its events.
 */
export function foldAll(state: JobState, events: readonly JobEvent[]): JobState {
  if (events.length === 0) return state;
  const draft: Draft = {
    ...state,
    lines: { ...state.lines },
    stations: new Map(state.stations),
    problems: { ...state.problems },
    undoable: { ...state.undoable },
  };
  for (const event of events) {
    const { commandId, atMs, by } = event;
    const before = draft.undoable[by.id];
    FOLDS[event.type](draft, event);
    const after = draft.undoable[by.id];
    // Only the very last thing a person did is theirs to take back: what they did since stands on it.
    if (after !== undefined && after !== before) draft.undoable[by.id] = { ...after, commandId, atMs };
    else if (after !== undefined && after.commandId !== commandId) draft.undoable[by.id] = undefined;
  }
  return draft;
}

/** The state after one more event. Events of different stations commute. */
export const fold = (state: JobState, event: JobEvent): JobState => foldAll(state, [event]);
