import type { ItemId } from '../../kit/ids.ts';
import { indexOf } from '../../kit/plan.ts';
import { lineState } from '../job-state.ts';
import { COUNTER_TOO, EVERYBODY } from '../role.ts';
import { act, blank, done, refuse, setLine, stampOf, wholeFromOne } from './act.ts';

/** Pieces that were ordered, by the supplier's own number, and when they were promised. */
export interface OrderPieces {
  type: 'orderPieces';
  item: ItemId;
  order: string;
  quantity: number;
  supplier: string;
  promisedMs: number;
}

export interface PiecesOrdered extends Omit<OrderPieces, 'type'> {
  type: 'piecesOrdered';
}

/** Pieces that came after the box was counted. */
export interface TakeArrival {
  type: 'takeArrival';
  item: ItemId;
  quantity: number;
  /** The order they came on. */
  order?: string;
}

export interface PiecesArrived extends Omit<TakeArrival, 'type'> {
  type: 'piecesArrived';
}

export const orderPieces = act<OrderPieces, PiecesOrdered>({
  may: COUNTER_TOO,
  decide({ plan, job }, { item, order, quantity, supplier, promisedMs }) {
    if (!indexOf(plan).items.has(item)) return refuse({ code: 'unknownItem', item });
    if (!wholeFromOne(quantity)) return refuse({ code: 'quantityInvalid', quantity });
    if (blank(supplier)) return refuse({ code: 'nameMissing' });
    if (lineState(job, item).ordered?.some((entry) => entry.order === order))
      return refuse({ code: 'orderedAlready', order });
    return done({ type: 'piecesOrdered', item, order, quantity, supplier, promisedMs });
  },
  fold: {
    piecesOrdered(draft, fact) {
      const { order, quantity, supplier, promisedMs } = fact;
      const entry = { order, quantity, supplier, promisedMs, ...stampOf(fact) };
      setLine(draft, fact.item, (line) => ({ ...line, ordered: [...(line.ordered ?? []), entry] }));
    },
  },
});

export const takeArrival = act<TakeArrival, PiecesArrived>({
  may: EVERYBODY,
  decide({ plan, job }, { item, quantity, order }) {
    if (!indexOf(plan).items.has(item)) return refuse({ code: 'unknownItem', item });
    if (!wholeFromOne(quantity)) return refuse({ code: 'quantityInvalid', quantity });
    const { count, ordered = [] } = lineState(job, item);
    // Before the box is counted they are pieces of the count.
    if (!count) return refuse({ code: 'notCounted', items: [item] });
    if (order !== undefined && !ordered.some((entry) => entry.order === order))
      return refuse({ code: 'unknownOrder', order });
    return done({ type: 'piecesArrived', item, quantity, ...(order === undefined ? {} : { order }) });
  },
  fold: {
    piecesArrived(draft, fact) {
      const { quantity, order } = fact;
      const entry = { quantity, ...(order === undefined ? {} : { order }), ...stampOf(fact) };
      setLine(draft, fact.item, (line) => ({ ...line, arrived: [...(line.arrived ?? []), entry] }));
    },
  },
});
