import type { Span } from './token.ts';
import type { InWords } from './written-out.ts';

/** `(L)  low strength threadlocker, one drop`: a sign in brackets, and what it stands for. */
const EXPLAINED = /^\s*([([]\p{Lu}[\p{Lu}\d]?[)\]])\s*(?:[-–:=]\s*|\s)(\p{L}[^\n]{2,80})$/u;
/** What a thread is given, or is not; a sign of a piece stays the letter of its piece. */
const TREATMENT =
  /\b(?:thread ?-?lock\w*|locker|locking (?:fluid|compound)|grease\w*|anti-?seize|copper paste|lubric\w*|dry|oil(?:ed)?|sealant|sealer)\b/i;
/** Fewer than this are no legend. */
const FEW_SIGNS = 2;

export interface SignsExplained {
  /** Where a sign is used, in the words of its legend. */
  places: InWords[];
  /** The legend's own lines. */
  legend: Span[];
}

/**
 * Signs for what goes on the threads, explained once and used behind the joints: `six M6 screws (M), 9.5 Nm`. A legend is
 * one only where its lines stand below one another and a sign of it is used.
 */
export function signsExplained(text: string): SignsExplained {
  const found: Array<{ sign: string; words: string; span: Span; row: number }> = [];
  let start = 0;
  for (const [row, line] of text.split('\n').entries()) {
    const [, sign, words] = (line.length < 120 && EXPLAINED.exec(line)) || [];
    if (sign !== undefined && words !== undefined && TREATMENT.test(words))
      found.push({ sign, words, span: { start, end: start + line.length }, row });
    start += line.length + 1;
  }
  const run = found.filter(
    ({ row }, at) => found[at - 1]?.row === row - 1 || found[at + 1]?.row === row + 1 || found.length === 1,
  );
  const signs = new Map(run.map(({ sign, words }) => [sign, (words.split(/[,;.]/)[0] ?? words).trim()]));
  if (run.length < FEW_SIGNS || signs.size < run.length) return { places: [], legend: [] };
  const legend = run.map(({ span }) => span);
  const places: InWords[] = [];
  for (const [sign, words] of signs)
    for (let at = text.indexOf(sign); at >= 0; at = text.indexOf(sign, at + 1))
      if (!legend.some((span) => at >= span.start && at < span.end))
        places.push({ start: at, end: at + sign.length, words: `(${words})` });
  return { places: places.sort((a, b) => a.start - b.start), legend: places.length > 0 ? legend : [] };
}
