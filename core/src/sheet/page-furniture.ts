import type { Span } from './token.ts';

/** What readers of a page wrote below it, to the end of the page. */
const READERS =
  /^\W*(?:comments?|replies|reader(?:s['’]?)? comments?|reviews|discussion|responses)\b\s*(?:\(?\d{0,4}\)?)?\s*:?\s*$/i;
/** A line that leads to other pages, or asks for leave. */
const LEADS_AWAY =
  /^\W*(?:you (?:may|might) also like|related (?:articles|posts|products|guides)|see also|people also|customers also|others also|more from|share this|newsletter|advert(?:isement)?|sponsored|accept (?:all )?cookies|(?:we use|this (?:site|page) uses) cookies|log ?in\b|sign (?:in|up)\b|add to (?:cart|basket)|in stock\b|back to top|print this page|previous (?:page|article)|next (?:page|article))/i;
/** `Home > Garage > Articles`: where the page stands. */
const CRUMBS = /^\s*(?:home|start)\s*(?:>|»|\/|›)\s*\S/i;

/** A page's number by itself, far in or between strokes. */
const PAGE_NUMBER =
  /^(?: {12,}\d{1,3}|\s*[-–—] ?\d{1,3} ?[-–—]|\s*(?:page|p\.|sheet) ?\d{1,3}(?: ?(?:of|\/) ?\d{1,3})?)\s*$/i;
/** Who printed it, at the foot of each page. */
const FOOT = /\b(?:ltd|limited|inc|gmbh|llc|plc|www|tel|phone|fax|e-?mail|©|copyright|all rights)\b/i;

/** Lines at the head or the foot of every page: numbers, and what comes again word for word and says who printed it. */
function repeatedLines(lines: readonly string[]): ReadonlySet<string> {
  const times = new Map<string, number>();
  for (const line of lines) if (FOOT.test(line)) times.set(line.trim(), (times.get(line.trim()) ?? 0) + 1);
  return new Set([...times].flatMap(([line, count]) => (count > 1 ? [line] : [])));
}

/** Where a page carries something else than the work: menus, offers, and what readers wrote below it. */
export function pageFurniture(text: string): Span[] {
  const found: Span[] = [];
  const lines = text.split('\n');
  // A sheet of paper has neither; one line that sounds like it is no page.
  const isPage = lines.filter((line) => LEADS_AWAY.test(line) || CRUMBS.test(line) || READERS.test(line)).length >= 2;
  const repeated = repeatedLines(lines);
  let start = 0;
  for (const line of lines) {
    const end = start + line.length;
    if (PAGE_NUMBER.test(line) || repeated.has(line.trim())) found.push({ start, end });
    if (!isPage) {
      start = end + 1;
      continue;
    }
    if (READERS.test(line)) {
      found.push({ start, end: text.length });
      break;
    }
    if (LEADS_AWAY.test(line) || CRUMBS.test(line)) found.push({ start, end });
    start = end + 1;
  }
  return found;
}
