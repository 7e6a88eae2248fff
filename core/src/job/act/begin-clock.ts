import { lineOf } from '../../line/line.ts';
import { lineKind } from '../../line/line-kinds.ts';
import { lineProgress, waitsOfAct } from '../line-progress.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { act, done, refuse, stampOf } from './act.ts';

/** Starts the clock of an act that waits: now, or since a time that is known, such as when the engine last ran. */
export interface BeginClock {
  type: 'beginClock';
  act: string;
  sinceMs?: number;
}

export interface ClockBegun {
  type: 'clockBegun';
  act: string;
  sinceMs: number;
}

/** Nobody remembers to the minute what was longer ago, ms (chosen by us). */
const LONGEST_AGO_MS = 7 * 24 * 3_600_000;

export const beginClock = act<BeginClock, ClockBegun>({
  may: ON_THE_FLOOR,
  decide({ plan, job, atMs }, { act: id, sinceMs = atMs }) {
    const lineAct = lineOf(plan).actById.get(id);
    if (!lineAct || !lineKind(lineAct.action).clock) return refuse({ code: 'unknownAct', act: id });
    if (lineProgress(plan, job).acts.has(id)) return refuse({ code: 'actDoneAlready', act: id });
    if (!(sinceMs <= atMs && sinceMs >= atMs - LONGEST_AGO_MS)) return refuse({ code: 'clockInvalid', act: id });
    // What cooled before the job began is known without anything of the line being done.
    const waits = lineAct.action.type === 'coolDown' ? undefined : waitsOfAct(plan, job, lineAct);
    return waits ? refuse(waits) : done({ type: 'clockBegun', act: id, sinceMs });
  },
  fold: {
    clockBegun(draft, fact) {
      const before = draft.visit.acts[fact.act] ?? { tries: [] };
      const begun = { sinceMs: fact.sinceMs, ...stampOf(fact) };
      draft.visit = { ...draft.visit, acts: { ...draft.visit.acts, [fact.act]: { ...before, begun } } };
    },
  },
});
