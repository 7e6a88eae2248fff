import type { Arranged, ToolComes } from '../arranged-tool.ts';
import { EVERYBODY } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

/** A tool the crib does not have is got for this job: the shop owns it after all, or it is borrowed or rented. */
export interface ArrangeTool {
  type: 'arrangeTool';
  /** As the list of tools names it. */
  tool: string;
  how: ToolComes;
  from?: string;
}

export interface ToolArranged extends Arranged {
  type: 'toolArranged';
  tool: string;
}

export const arrangeTool = act<ArrangeTool, ToolArranged>({
  may: EVERYBODY,
  decide(_, { tool, how, from }) {
    if (blank(tool)) return refuse({ code: 'reasonMissing' });
    // What belongs to others goes back to somebody.
    if (how !== 'owned' && blank(from)) return refuse({ code: 'nameMissing' });
    return done({ type: 'toolArranged', tool, how, ...(from === undefined ? {} : { from }) });
  },
  fold: {
    toolArranged(draft, fact) {
      const { tool, how, from } = fact;
      draft.visit = { ...draft.visit, tools: { ...draft.visit.tools, [tool]: { how, from, ...stampOf(fact) } } };
    },
  },
});
