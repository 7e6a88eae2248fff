import type { Fastener, SubstituteDifference } from '../kit/substitute.ts';

/** A piece of the shop's shelf, as it was when it was taken. */
export type StockPiece = Fastener & {
  /** The shelf's id. */
  id: string;
  /** The drawer it lies in. */
  bin: string;
};

/** What was taken from the shelf in a piece's stead. */
export interface StockUsed {
  piece: StockPiece;
  differences: SubstituteDifference[];
}
