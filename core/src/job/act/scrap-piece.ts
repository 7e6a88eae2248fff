import type { ItemId } from '../../kit/ids.ts';
import { indexOf } from '../../kit/plan.ts';
import { piecesOnTray } from '../hardware-ledger.ts';
import { ANSWERABLE } from '../role.ts';
import { act, blank, done, refuse, setLine, stampOf, wholeFromOne } from './act.ts';

export interface ScrapPiece {
  type: 'scrapPiece';
  item: ItemId;
  quantity: number;
  reason: string;
}

export interface PieceScrapped {
  type: 'pieceScrapped';
  item: ItemId;
  quantity: number;
  reason: string;
}

export const scrapPiece = act<ScrapPiece, PieceScrapped>({
  may: ANSWERABLE,
  decide({ plan, job }, { item: id, quantity, reason }) {
    const item = indexOf(plan).items.get(id);
    if (!item) return refuse({ code: 'unknownItem', item: id });
    if (!wholeFromOne(quantity)) return refuse({ code: 'quantityInvalid', quantity });
    if (blank(reason)) return refuse({ code: 'reasonMissing' });
    const available = piecesOnTray(plan, job, item);
    if (quantity > available) return refuse({ code: 'pieceShort', item: id, available });
    return done({ type: 'pieceScrapped', item: id, quantity, reason });
  },
  fold: {
    pieceScrapped(draft, fact) {
      const { item, quantity, reason } = fact;
      setLine(draft, item, (line) => ({
        ...line,
        scrapped: [...line.scrapped, { quantity, reason, ...stampOf(fact) }],
      }));
    },
  },
});
