import type { ItemId } from '../../kit/ids.ts';
import { indexOf } from '../../kit/plan.ts';
import { piecesFitted } from '../hardware-ledger.ts';
import { lineState } from '../job-state.ts';
import { EVERYBODY } from '../role.ts';
import { type Ask, act, done, refuse, setLine, stampOf, wholeFromZero } from './act.ts';

/** Sets the count of a line; `damaged` of the found pieces are not fit for use. */
export interface CountLine {
  type: 'countLine';
  item: ItemId;
  found: number;
  damaged: number;
}

interface Count {
  found: number;
  damaged: number;
}

export interface LineCounted extends Count {
  type: 'lineCounted';
  item: ItemId;
  previous?: Count;
}

export interface CountUndone {
  type: 'countUndone';
  item: ItemId;
  previous?: Count;
}

/** How many pieces stand in stations where a count would leave fewer than that; undefined where it leaves enough. */
function leavesTooFew({ plan, job }: Ask, item: ItemId, { found, damaged }: Count): number | undefined {
  const line = lineState(job, item);
  const sum = (entries: ReadonlyArray<{ quantity: number }>) =>
    entries.reduce((total, entry) => total + entry.quantity, 0);
  const usable = found - damaged + sum(line.shopStock) - sum(line.scrapped);
  const planned = indexOf(plan).items.get(item);
  const inUse = planned ? piecesFitted(plan, job, planned) : 0;
  return usable < inUse ? inUse : undefined;
}

export const countLine = act<CountLine, LineCounted | CountUndone>({
  may: EVERYBODY,
  decide(ask, { item, found, damaged }) {
    if (!indexOf(ask.plan).items.has(item)) return refuse({ code: 'unknownItem', item });
    if (!wholeFromZero(found) || !wholeFromZero(damaged) || damaged > found)
      return refuse({ code: 'countInvalid', found, damaged });
    const inUse = leavesTooFew(ask, item, { found, damaged });
    if (inUse !== undefined) return refuse({ code: 'countBelowUse', item, inUse });
    const { count } = lineState(ask.job, item);
    const previous = count && { found: count.found, damaged: count.damaged };
    return done({ type: 'lineCounted', item, found, damaged, previous });
  },
  undo(ask, last) {
    if (last.act !== 'countLine') return refuse({ code: 'nothingToUndo' });
    const { item, previous } = last;
    const inUse = leavesTooFew(ask, item, previous ?? { found: 0, damaged: 0 });
    if (inUse !== undefined) return refuse({ code: 'countBelowUse', item, inUse });
    return done({ type: 'countUndone', item, previous });
  },
  fold: {
    lineCounted(draft, fact) {
      const { item, found, damaged, previous } = fact;
      setLine(draft, item, (line) => ({ ...line, count: { found, damaged, ...stampOf(fact) } }));
      draft.undoable[fact.by.id] = { act: 'countLine', item, previous };
    },
    countUndone(draft, fact) {
      const { previous } = fact;
      setLine(draft, fact.item, ({ count: _, ...line }) =>
        previous ? { ...line, count: { ...previous, ...stampOf(fact) } } : line,
      );
      draft.undoable[fact.by.id] = undefined;
    },
  },
});
