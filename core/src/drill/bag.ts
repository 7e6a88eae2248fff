import type { PlanItem } from '../kit/plan.ts';
import type { PlacedFault } from './drill.ts';
import { missingPieces, swappedWith, weakerClass } from './place-faults.ts';

/** Some alike pieces of a packing line as they lie before the learner. */
export interface BagPieces {
  count: number;
  thread?: string;
  lengthMm?: number;
  propertyClass?: string;
  side?: 'left' | 'right';
  /** The flanks are torn. */
  torn?: true;
  /** It was stretched before: a neck in the shank, an old paint line on the head. */
  stretched?: true;
  /** Its ring is cut: it has been on before. */
  cutRing?: true;
}

/** A wrong bolt is shorter by a fifth, to whole 5 mm, and by 5 mm at least (chosen by us: told against the glass, not at a glance). */
export const shorterMm = (lengthMm: number): number => lengthMm - Math.max(5, Math.round(lengthMm / 25) * 5);

/** What came of a packing line, with the faults of the drill that are still in it. */
export function bagOf(
  item: PlanItem,
  faults: readonly PlacedFault[],
  /** All lines of the list: one of their pieces may lie here. */
  items: readonly PlanItem[] = [],
): BagPieces[] {
  const kind = faults.find(({ target }) => target === item.id)?.kind;
  const right: BagPieces = {
    count: item.quantity,
    ...(item.lengthMm === undefined ? {} : { lengthMm: item.lengthMm }),
    ...(item.propertyClass === undefined ? {} : { propertyClass: item.propertyClass }),
    ...(item.side === undefined ? {} : { side: item.side }),
  };
  const one = (wrong: Partial<BagPieces>): BagPieces[] =>
    [
      { ...right, count: item.quantity - 1 },
      { ...right, ...wrong, count: 1 },
    ].filter(({ count }) => count > 0);
  switch (kind) {
    case 'short':
      return [{ ...right, count: item.quantity - missingPieces(item) }];
    case 'damagedThread':
      return one({ torn: true });
    case 'swapped': {
      const other = swappedWith(items, item);
      return one({ thread: other?.thread, lengthMm: other?.lengthMm, propertyClass: other?.propertyClass });
    }
    case 'usedBolt':
      return one({ stretched: true });
    case 'usedNut':
      return one({ cutRing: true });
    case 'wrongLength':
      return one({ lengthMm: shorterMm(item.lengthMm ?? 0) });
    case 'wrongClass':
      return one({ propertyClass: weakerClass(item) });
    case 'wrongSide':
      return [{ ...right, side: item.side === 'left' ? 'right' : 'left' }];
    default:
      return [right];
  }
}
