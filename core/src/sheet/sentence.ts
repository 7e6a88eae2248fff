import type { Span } from './token.ts';

/** A full stop that ends an abbreviation of the trade and not a sentence. */
export const ABBREVIATION =
  /\b(?:ea|pcs|pc|ft|lb|lbs|in|approx|max|min|no|fig|qty|incl|dia|oz|hrs?|mins?|e\.g|i\.e|nos|nr|par|sec|pos|ref|resp|art|mod|m\.y|p\.n|n)$/i;

/** A unit that ends its sentence: an order begins behind it. `86 lb.ft. Torque all …` */
const ORDER_NEXT =
  /^\.\)?\s+(?:Torque|Tighten|Install|Then|Do|Don['’]t|Use|Repeat|Re-?check|Re-?torque|Remove|Note|Apply|Fit|Lower|Raise|Put|Check|If|This|These|Now|Make|Mark|Hold|Start|Wait|Leave|Never|Always|Clean|Move|Go|All|Both|Same|Other|Next|Finally|With|Slide|Place|Attach|Connect|Bolt|Re-?install|Set|Plug|Snug)\b/;
const UNIT_BEFORE = /\d ?(?:(?:ft|lbs?|in)[. -]*)+$/i;

/** Whether a full stop ends a sentence, and no abbreviation within one. */
export const isStop = (text: string, at: number): boolean => {
  const before = text.slice(Math.max(0, at - 16), at);
  return !ABBREVIATION.test(before.slice(-8)) || (UNIT_BEFORE.test(before) && ORDER_NEXT.test(text.slice(at, at + 16)));
};

/** Longest look at either side of a fact, characters. */
const REACH = 220;
/** What ends a sentence: a stop before a capital, a digit or a bracket; an empty line; a bullet or a numbered line. */
const SENTENCE_END =
  /[.!?;](?=["')]*\s+["'([]*[\p{Lu}\d])|\n\s*\n|\n(?=\s*(?:[-•*▪–>]\s|\[ ?\]|\(?(?:\d{1,3}|[A-Za-z]|[ivxIVX]{1,4})[.):]\s))/gu;

/** The text last looked at, and whether it is spoken: without stops, each line a breath of its own, or a line of a chat. */
let last: { text: string; spoken: boolean } | undefined;
/** Whether a text is spoken or a chat: each line a breath of its own. */
export function isSpoken(text: string): boolean {
  if (last?.text !== text) {
    const lines = text.split('\n').filter((line) => /\p{L}/u.test(line));
    const low = lines.filter((line) => /^\s*\p{Ll}/u.test(line)).length;
    const stops = text.match(/[.;](?=\s|$)/g)?.length ?? 0;
    const said = lines.filter((line) =>
      /^\s*(?:\[?\d{1,2}[:.]\d{2}(?::\d\d)?\]?\s|<?\p{L}[\p{L} .]{1,14}>?:\s)/u.test(line),
    ).length;
    // A line of several sentences is no breath: typed up from a tape, it is prose again.
    const inner = text.match(/[.!?](?=[ \t]+\p{Lu})/gu)?.length ?? 0;
    const chat = lines.length > 4 && said > 0.6 * lines.length && inner < lines.length;
    last = { text, spoken: chat || (lines.length > 2 && low > 0.6 * lines.length && stops < lines.length) };
  }
  return last.spoken;
}

/** The sentence a place stands in: where it begins and ends in the text. */
export function sentenceAt(text: string, { start, end }: Span): Span {
  if (isSpoken(text)) {
    const close = text.indexOf('\n', end);
    return { start: text.lastIndexOf('\n', start - 1) + 1, end: close < 0 ? text.length : close };
  }
  const from = Math.max(0, start - REACH);
  // With the sign it begins with: a stop right before it is seen by the capital behind it.
  const head = text.slice(from, start + 1);
  let begin = from;
  for (const match of head.matchAll(SENTENCE_END)) {
    const at = from + match.index;
    if (match[0] === '.' && !isStop(text, at)) continue;
    begin = at + match[0].length;
  }
  const tail = text.slice(end, end + REACH);
  let close = Math.min(text.length, end + REACH);
  for (const match of tail.matchAll(SENTENCE_END)) {
    const at = end + match.index;
    if (match[0] === '.' && !isStop(text, at)) continue;
    close = at + match[0].length;
    break;
  }
  return { start: begin, end: close };
}

/** The words before and behind a place in its sentence, lower case, a broken line as a space. */
export function around(text: string, span: Span): { before: string; after: string } {
  const sentence = sentenceAt(text, span);
  // A scanner's figures inside a word are letters: `n0t`, `bo1ts`.
  const flat = (part: string): string => {
    const plain = part.replace(/\s+/g, ' ').toLowerCase();
    return /[a-z][01][a-z]/.test(plain)
      ? plain.replace(/(?<=\p{L})0(?=\p{L})/gu, 'o').replace(/(?<=\p{L})1(?=\p{L})/gu, 'l')
      : plain;
  };
  return { before: flat(text.slice(sentence.start, span.start)), after: flat(text.slice(span.end, sentence.end)) };
}
