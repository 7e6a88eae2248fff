import { normalShareBelow } from '../quantity/normal.ts';
import { fail, ok, type Result } from '../result.ts';

/** What was read on a scale, g. */
export interface Weighed {
  /** The empty bowl. */
  tareG: number;
  /** The bowl with the counted sample in it. */
  sampleG: number;
  /** Pieces in the sample. */
  samplePieces: number;
  /** The bowl with all of them. */
  allG: number;
  /** Smallest step the scale shows. */
  divisionG: number;
}

/** Pieces by weight, and how sure that is. */
export interface WeightCount {
  pieces: number;
  /** One piece weighs, g. */
  pieceG: number;
  /** How surely it is this number and neither one more nor one less, 0 to 1. */
  sure: number;
}

export type WeightFault =
  /** A reading that cannot be, by its name. */
  | { code: 'readingImpossible'; field: keyof Weighed }
  /** The pieces differ too much, or the scale shows too little: a larger sample is wanted, or a count by hand. */
  | { code: 'cannotTell'; pieces: number; sure: number; wantedSample?: number };

/** Bolts of one bag differ by so much in weight, share of a piece, one standard deviation (chosen by us: plating, length, burrs). */
const PIECE_SPREAD = 0.012;
/** A count is taken when it is right 199 times in 200. */
const SURE_ENOUGH = 0.995;
/** Pieces in one bowl at most. */
const MOST = 5_000;

/**
 * The spread of a count by weight, pieces: of a mean piece known from a sample, of the pieces themselves, and of three
 * readings rounded to the scale's step (a step is evenly uncertain, GUM (JCGM 100:2008), 4.3.7: its twelfth root).
 */
function countSpread(pieces: number, { samplePieces, divisionG }: Weighed, pieceG: number): number {
  const rounding = divisionG / Math.sqrt(12);
  const sampleMean = PIECE_SPREAD ** 2 / samplePieces + (2 * rounding ** 2) / (samplePieces * pieceG) ** 2;
  const all = pieces * PIECE_SPREAD ** 2 + (2 * rounding ** 2) / pieceG ** 2;
  return Math.sqrt(pieces ** 2 * sampleMean + all);
}

/** How surely a spread leaves the count between half a piece less and half a piece more. */
const sureOf = (off: number, spread: number): number =>
  normalShareBelow((0.5 - off) / spread) - normalShareBelow((-0.5 - off) / spread);

/**
 * Counts pieces of one kind by weight.
 *
 * @returns the number, or why it cannot be told from one more or one less, with the sample that would tell
 */
export function countByWeight(weighed: Weighed): Result<WeightCount, WeightFault> {
  const { tareG, sampleG, samplePieces, allG, divisionG } = weighed;
  const impossible = (field: keyof Weighed) => fail<WeightFault>({ code: 'readingImpossible', field });
  if (!Number.isFinite(tareG) || tareG < 0) return impossible('tareG');
  if (!Number.isInteger(samplePieces) || samplePieces < 1 || samplePieces > MOST) return impossible('samplePieces');
  if (!Number.isFinite(divisionG) || divisionG <= 0) return impossible('divisionG');
  if (!Number.isFinite(sampleG) || sampleG <= tareG) return impossible('sampleG');
  const pieceG = (sampleG - tareG) / samplePieces;
  if (!Number.isFinite(allG) || allG < tareG || (allG - tareG) / pieceG > MOST) return impossible('allG');
  const exact = (allG - tareG) / pieceG;
  const pieces = Math.round(exact);
  const sure = sureOf(exact - pieces, countSpread(pieces, weighed, pieceG));
  if (sure >= SURE_ENOUGH) return ok({ pieces, pieceG, sure });
  // The least sample, of whole pieces, that would tell this number apart.
  for (let sample = samplePieces + 1; sample <= pieces; sample += 1)
    if (sureOf(0, countSpread(pieces, { ...weighed, samplePieces: sample }, pieceG)) >= SURE_ENOUGH)
      return fail({ code: 'cannotTell', pieces, sure, wantedSample: sample });
  return fail({ code: 'cannotTell', pieces, sure });
}
