import type { ItemId } from '../../kit/ids.ts';
import { indexOf } from '../../kit/plan.ts';
import { lineState } from '../job-state.ts';
import { EVERYBODY } from '../role.ts';
import { act, done, refuse, setLine, stampOf, wholeFromZero } from './act.ts';

/** A second count of a line, by somebody else, who was not shown the first. */
export interface RecountLine {
  type: 'recountLine';
  item: ItemId;
  found: number;
  damaged: number;
}

export interface LineRecounted {
  type: 'lineRecounted';
  item: ItemId;
  found: number;
  damaged: number;
  agrees: boolean;
}

export const recountLine = act<RecountLine, LineRecounted>({
  may: EVERYBODY,
  decide({ plan, job, by }, { item, found, damaged }) {
    if (!indexOf(plan).items.has(item)) return refuse({ code: 'unknownItem', item });
    const { count } = lineState(job, item);
    if (!count) return refuse({ code: 'notCounted', items: [item] });
    if (count.by.id === by.id) return refuse({ code: 'sameCounter', item, name: by.name });
    if (!wholeFromZero(found) || !wholeFromZero(damaged) || damaged > found)
      return refuse({ code: 'countInvalid', found, damaged });
    const agrees = count.found === found && count.damaged === damaged;
    return done({ type: 'lineRecounted', item, found, damaged, agrees });
  },
  fold: {
    lineRecounted(draft, fact) {
      const { found, damaged, agrees } = fact;
      setLine(draft, fact.item, (line) => ({ ...line, recount: { found, damaged, agrees, ...stampOf(fact) } }));
    },
  },
});
