import type { ItemId } from '../../kit/ids.ts';
import { indexOf } from '../../kit/plan.ts';
import type { ApartEnd } from '../apart-end.ts';
import { piecesOnTray } from '../hardware-ledger.ts';
import { lineState } from '../job-state.ts';
import { piecesApart } from '../pieces-apart.ts';
import { ANSWERABLE, EVERYBODY } from '../role.ts';
import { act, blank, done, refuse, setLine, stampOf, wholeFromOne } from './act.ts';

/** Pieces that are not to be used: taken aside for their maker, with a photo where there is one. */
export interface SetApart {
  type: 'setApart';
  item: ItemId;
  quantity: number;
  reason: string;
  photo?: string;
}

export interface PieceSetApart {
  type: 'pieceSetApart';
  item: ItemId;
  quantity: number;
  reason: string;
  photo?: string;
}

/** What becomes of pieces that were taken aside. */
export interface EndApart {
  type: 'endApart';
  item: ItemId;
  quantity: number;
  to: ApartEnd;
  reason: string;
}

export interface PieceApartEnded {
  type: 'pieceApartEnded';
  item: ItemId;
  quantity: number;
  to: ApartEnd;
  reason: string;
}

export const setApart = act<SetApart, PieceSetApart>({
  may: EVERYBODY,
  decide({ plan, job }, { item: id, quantity, reason, photo }) {
    const item = indexOf(plan).items.get(id);
    if (!item) return refuse({ code: 'unknownItem', item: id });
    if (!wholeFromOne(quantity)) return refuse({ code: 'quantityInvalid', quantity });
    if (blank(reason)) return refuse({ code: 'reasonMissing' });
    const available = piecesOnTray(plan, job, item);
    if (quantity > available) return refuse({ code: 'pieceShort', item: id, available });
    return done({ type: 'pieceSetApart', item: id, quantity, reason, ...(photo === undefined ? {} : { photo }) });
  },
  fold: {
    pieceSetApart(draft, fact) {
      const { quantity, reason, photo } = fact;
      const entry = { quantity, reason, ...(photo === undefined ? {} : { photo }), ...stampOf(fact) };
      setLine(draft, fact.item, (line) => ({ ...line, apart: [...(line.apart ?? []), entry] }));
    },
  },
});

export const endApart = act<EndApart, PieceApartEnded>({
  // Whether a piece that was doubted goes on the vehicle after all is answered for.
  may: ANSWERABLE,
  decide({ plan, job }, { item, quantity, to, reason }) {
    if (!indexOf(plan).items.has(item)) return refuse({ code: 'unknownItem', item });
    if (!wholeFromOne(quantity)) return refuse({ code: 'quantityInvalid', quantity });
    if (blank(reason)) return refuse({ code: 'reasonMissing' });
    const apart = piecesApart(lineState(job, item));
    if (quantity > apart) return refuse({ code: 'fewerApart', item, apart });
    return done({ type: 'pieceApartEnded', item, quantity, to, reason });
  },
  fold: {
    pieceApartEnded(draft, fact) {
      const { quantity, to, reason } = fact;
      setLine(draft, fact.item, (line) => ({
        ...line,
        apartEnded: [...(line.apartEnded ?? []), { quantity, to, reason, ...stampOf(fact) }],
        // What is thrown away is scrap like any other.
        scrapped: to === 'scrap' ? [...line.scrapped, { quantity, reason, ...stampOf(fact) }] : line.scrapped,
      }));
    },
  },
});
