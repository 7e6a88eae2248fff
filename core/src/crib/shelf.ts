import type { StockPiece } from '../job/stock-used.ts';

/** A drawer of fasteners the shop keeps of its own. */
export interface ShelfLine extends StockPiece {
  /** As it was last counted, and when. */
  counted: number;
  countedAtMs: number;
  /** Taken by jobs since then. */
  taken: number;
  /** At so few it goes on the order list. */
  lowAt?: number;
}

/** What should lie in the drawer. Less than nothing means it was miscounted, and reads as nothing. */
export const leftOnShelf = ({ counted, taken }: Pick<ShelfLine, 'counted' | 'taken'>): number =>
  Math.max(0, counted - taken);

/** The piece as a job takes it, without what the shelf alone knows. */
export function stockPieceOf(line: ShelfLine): StockPiece {
  const { counted: _, countedAtMs: _at, taken: _taken, lowAt: _low, ...piece } = line;
  return piece;
}
