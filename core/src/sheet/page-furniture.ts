import type { Span } from './token.ts';

/** What readers of a page wrote below it, to the end of the page. */
const READERS =
  /^\W*(?:comments?|replies|reader(?:s['’]?)? comments?|reviews|discussion|responses)\b\s*(?:\(?\d{0,4}\)?)?\s*:?\s*$/i;
/** A line that leads to other pages, or asks for leave. */
const LEADS_AWAY =
  /^\W*(?:you (?:may|might) also like|related (?:articles|posts|products|guides)|see also|people also|customers also|others also|more from|share this|newsletter|advert(?:isement)?|sponsored|accept (?:all )?cookies|(?:we use|this (?:site|page) uses) cookies|log ?in\b|sign (?:in|up)\b|add to (?:cart|basket)|in stock\b|back to top|print this page|previous (?:page|article)|next (?:page|article))/i;
/** `Home > Garage > Articles`: where the page stands. */
const CRUMBS = /^\s*(?:home|start)\s*(?:>|»|\/|›)\s*\S/i;

/** Where a page carries something else than the work: menus, offers, and what readers wrote below it. */
export function pageFurniture(text: string): Span[] {
  const found: Span[] = [];
  const lines = text.split('\n');
  // A sheet of paper has neither; one line that sounds like it is no page.
  const isPage = lines.filter((line) => LEADS_AWAY.test(line) || CRUMBS.test(line) || READERS.test(line)).length >= 2;
  if (!isPage) return [];
  let start = 0;
  for (const line of lines) {
    const end = start + line.length;
    if (READERS.test(line)) {
      found.push({ start, end: text.length });
      break;
    }
    if (LEADS_AWAY.test(line) || CRUMBS.test(line)) found.push({ start, end });
    start = end + 1;
  }
  return found;
}
