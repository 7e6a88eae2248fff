import type { Span } from './token.ts';

/** A text laid out anew, and where each of its characters stands in the one it was made of. */
export interface Ordered {
  text: string;
  /** A span of the new text in the old one. */
  inSheet(span: Span): Span;
}

/** A text in which signs are written out. */
export interface WrittenOut extends Ordered {
  /** Whether a span holds words that stand for something printed otherwise. */
  holdsWords(span: Span): boolean;
  /** A span as it stood before anything was written out: places in it are counted as in the sheet. */
  asPrinted(span: Span): string;
}

/** Words that stand for what is printed at a place: a sign that a legend explains, a chart that is pointed to. */
export interface InWords extends Span {
  words: string;
}

/** One laying-out after another: spans of the last are found in the first. */
export const afterwards = (first: Ordered, then: WrittenOut): WrittenOut => ({
  ...then,
  inSheet: (span) => first.inSheet(then.inSheet(span)),
});

/**
 * A text in which some places are written out; whatever is read of the words put there is shown where the sign stands.
 *
 * @param places - in their order, none over another
 */
export function writtenOut(text: string, places: readonly InWords[]): WrittenOut {
  // Where each character begins and ends in the text it was made of.
  const from: number[] = [];
  const to: number[] = [];
  const put: Span[] = [];
  let out = '';
  let at = 0;
  const copy = (end: number) => {
    for (let place = at; place < end; place++) {
      from.push(place);
      to.push(place + 1);
    }
    out += text.slice(at, end);
  };
  for (const { start, end, words } of places) {
    copy(start);
    for (let count = 0; count < words.length; count++) {
      from.push(start);
      to.push(end);
    }
    put.push({ start: out.length, end: out.length + words.length });
    out += words;
    at = end;
  }
  copy(text.length);
  const inSheet = ({ start, end }: Span): Span => ({
    start: from[start] ?? text.length,
    end: end <= start ? (from[start] ?? text.length) : (to[end - 1] ?? text.length),
  });
  return {
    text: out,
    inSheet,
    holdsWords: (span) => put.some(({ start, end }) => start < span.end && end > span.start),
    asPrinted(span) {
      const { start, end } = inSheet(span);
      return text.slice(start, end);
    },
  };
}
