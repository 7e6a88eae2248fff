import type { ItemId } from '../../kit/ids.ts';
import { indexOf } from '../../kit/plan.ts';
import { lineState } from '../job-state.ts';
import { EVERYBODY } from '../role.ts';
import { act, blank, done, refuse, setLine, stampOf } from './act.ts';

/** The number a piece carries, as it was read off it. Said again, it replaces what was said before. */
export interface NoteSerial {
  type: 'noteSerial';
  item: ItemId;
  /** Which of the pieces, from 1. */
  piece: number;
  serial: string;
}

export interface SerialNoted {
  type: 'serialNoted';
  item: ItemId;
  piece: number;
  serial: string;
}

export const noteSerial = act<NoteSerial, SerialNoted>({
  may: EVERYBODY,
  decide({ plan, job }, { item: id, piece, serial }) {
    const item = indexOf(plan).items.get(id);
    if (!item) return refuse({ code: 'unknownItem', item: id });
    if (!item.serial) return refuse({ code: 'carriesNoNumber', item: id });
    if (blank(serial)) return refuse({ code: 'serialMissing', item: id });
    const pieces = Math.max(item.quantity, lineState(job, id).count?.found ?? 0);
    if (!Number.isInteger(piece) || piece < 1 || piece > pieces)
      return refuse({ code: 'noSuchPiece', item: id, piece, pieces });
    const text = serial.trim();
    const taken = lineState(job, id).serials?.find((entry) => entry.serial === text && entry.piece !== piece);
    if (taken) return refuse({ code: 'serialTaken', item: id, serial: text, piece: taken.piece });
    return done({ type: 'serialNoted', item: id, piece, serial: text });
  },
  fold: {
    serialNoted(draft, fact) {
      const { piece, serial } = fact;
      setLine(draft, fact.item, (line) => ({
        ...line,
        serials: [
          ...(line.serials ?? []).filter((entry) => entry.piece !== piece),
          { piece, serial, ...stampOf(fact) },
        ].sort((a, b) => a.piece - b.piece),
      }));
    },
  },
});
