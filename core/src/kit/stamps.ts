import { type LookAlike, lookAlikes, type Seen } from './look-alike.ts';

/**
 * The stamps that tell a piece from those it may be taken for, its own among them: what has to be read off it. Empty
 * where nothing alike carries another stamp, so that nobody is asked in vain.
 */
export function stampsToTell<P extends Seen>(piece: P, others: readonly P[]): string[] {
  if (piece.mark === undefined) return [];
  const marks = lookAlikes(piece, others).flatMap(({ piece: other }: LookAlike<P>) =>
    other.mark !== undefined && other.mark !== piece.mark ? [other.mark] : [],
  );
  return marks.length === 0 ? [] : [...new Set([piece.mark, ...marks])].sort((a, b) => a.localeCompare(b));
}
