import type { ItemId } from '../../kit/ids.ts';
import { indexOf } from '../../kit/plan.ts';
import { stampsToTell } from '../../kit/stamps.ts';
import { piecesFitted } from '../hardware-ledger.ts';
import { lineState } from '../job-state.ts';
import { piecesApart } from '../pieces-apart.ts';
import { EVERYBODY } from '../role.ts';
import { type Ask, act, done, refuse, setLine, stampOf, wholeFromZero } from './act.ts';

/** Sets the count of a line; `damaged` of the found pieces are not fit for use. */
export interface CountLine {
  type: 'countLine';
  item: ItemId;
  found: number;
  damaged: number;
  /** The stamp that was read on the pieces. */
  read?: string;
}

interface Count {
  found: number;
  damaged: number;
  read?: string;
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

const countOf = ({ found, damaged, read }: Count): Count => ({
  found,
  damaged,
  ...(read === undefined ? {} : { read }),
});

/** How many pieces stand in stations where a count would leave fewer than that; undefined where it leaves enough. */
function leavesTooFew({ plan, job }: Ask, item: ItemId, { found, damaged }: Count): number | undefined {
  const line = lineState(job, item);
  const sum = (entries: ReadonlyArray<{ quantity: number }>) =>
    entries.reduce((total, entry) => total + entry.quantity, 0);
  const usable =
    found - damaged + sum(line.shopStock) + sum(line.arrived ?? []) - sum(line.scrapped) - piecesApart(line);
  const planned = indexOf(plan).items.get(item);
  const inUse = planned ? piecesFitted(plan, job, planned) : 0;
  return usable < inUse ? inUse : undefined;
}

export const countLine = act<CountLine, LineCounted | CountUndone>({
  may: EVERYBODY,
  decide(ask, { item, found, damaged, read }) {
    const planned = indexOf(ask.plan).items.get(item);
    if (!planned) return refuse({ code: 'unknownItem', item });
    if (!wholeFromZero(found) || !wholeFromZero(damaged) || damaged > found)
      return refuse({ code: 'countInvalid', found, damaged });
    const inUse = leavesTooFew(ask, item, { found, damaged });
    if (inUse !== undefined) return refuse({ code: 'countBelowUse', item, inUse });
    const { count } = lineState(ask.job, item);
    const stamps = found > 0 ? stampsToTell(planned, ask.plan.items) : [];
    // Once read it stands, while only the number changes.
    const stamp = stamps.length === 0 ? undefined : (read ?? count?.read);
    if (stamps.length > 0 && stamp === undefined) return refuse({ code: 'stampNotRead', item, stamps });
    if (stamp !== undefined && stamp !== planned.mark)
      return refuse({ code: 'stampOfAnother', item, read: stamp, is: planned.mark ?? '' });
    const previous = count && countOf(count);
    return done({
      type: 'lineCounted',
      item,
      found,
      damaged,
      ...(stamp === undefined ? {} : { read: stamp }),
      previous,
    });
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
      const { item, previous } = fact;
      // A new count is compared with nothing that was counted against the old one.
      setLine(draft, item, ({ recount: _, ...line }) => ({ ...line, count: { ...countOf(fact), ...stampOf(fact) } }));
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
