import type { Span } from './token.ts';

/** A full stop that ends an abbreviation of the trade and not a sentence. */
export const ABBREVIATION =
  /\b(?:ea|pcs|pc|ft|lb|lbs|in|approx|max|min|no|fig|qty|incl|dia|oz|hrs?|mins?|e\.g|i\.e|nos|nr|par|sec|pos|ref|resp|art|mod|m\.y|p\.n|n)$/i;

/** Longest look at either side of a fact, characters. */
const REACH = 220;
/** What ends a sentence: a stop before a capital, a digit or a bracket; an empty line; a bullet or a numbered line. */
const SENTENCE_END =
  /[.!?;](?=["')]*\s+["'([]*[\p{Lu}\d])|\n\s*\n|\n(?=\s*(?:[-•*▪–>]\s|\[ ?\]|\(?(?:\d{1,3}|[A-Za-z]|[ivxIVX]{1,4})[.):]\s))/gu;

/** The sentence a place stands in: where it begins and ends in the text. */
export function sentenceAt(text: string, { start, end }: Span): Span {
  const from = Math.max(0, start - REACH);
  const head = text.slice(from, start);
  let begin = from;
  for (const match of head.matchAll(SENTENCE_END)) {
    const at = from + match.index;
    if (match[0] === '.' && ABBREVIATION.test(text.slice(Math.max(0, at - 8), at))) continue;
    begin = at + match[0].length;
  }
  const tail = text.slice(end, end + REACH);
  let close = Math.min(text.length, end + REACH);
  for (const match of tail.matchAll(SENTENCE_END)) {
    const at = end + match.index;
    if (match[0] === '.' && ABBREVIATION.test(text.slice(Math.max(0, at - 8), at))) continue;
    close = at + match[0].length;
    break;
  }
  return { start: begin, end: close };
}

/** The words before and behind a place in its sentence, lower case, a broken line as a space. */
export function around(text: string, span: Span): { before: string; after: string } {
  const sentence = sentenceAt(text, span);
  const flat = (part: string): string => part.replace(/\s+/g, ' ').toLowerCase();
  return { before: flat(text.slice(sentence.start, span.start)), after: flat(text.slice(span.end, sentence.end)) };
}
