import { lineAt } from './place-in.ts';

/** How a letter shows that it answers another: who wrote when, a letterhead, a greeting. */
const ANSWERED =
  /^(?:on .{3,80} wrote|.{0,60}\bwrote|.{0,40}original message|-{2,} ?(?:forwarded|your (?:mail|message))).{0,40}:?\s*-*$|^(?:from|to|subject|sent|re|aw|cc) ?: |\b(?:kind |best )?regards\b|^(?:hi|hello|dear)\b[^.\n]{0,30},?$/im;

/** Whether a sheet is a letter that quotes the one it answers. */
export const quotesLetter = (text: string): boolean => /^>.*\n>/m.test(text) && ANSWERED.test(text);
/** Whether a letter is answered point by point: `> And the bumper?`, and below what is said to it. */
export const quotesQuestions = (text: string): boolean => (text.match(/^>.*\?\s*(?:.{0,60})$/gm)?.length ?? 0) >= 2;
/** Whether a place stands in a quoted line. */
export const isQuoted = (text: string, at: number): boolean => /^\s*>/.test(lineAt(text, at));

const QUOTE_MARKS = /^(?:[ \t]*>)+/gm;
const QUOTED_STEP = /^[ \t>]*>[ \t]*\d{1,2}[.)]\s/gm;
/** How many numbered steps make what is quoted a sheet. */
const SHEET_STEPS = 3;
/** In a letter's own words: a figure of its own, or doubt of what it quotes. */
const SPEAKS_OF_IT =
  /\d ?(?:n[·. ]?m|ft|lb|in[-· ]?lb|kgf|kp)\b|\b(?:not|no|never|wrong|old|instead|correct(?:ed|ion)?|change[ds]?|ignore|but|out of date|superseded|misprint)\b|n't\b/i;

/**
 * A sheet that was passed on inside a letter, with its quotation marks blanked: numbered steps stand in the quotation,
 * and the letter's own words neither give a figure nor speak against it. Any other text is given back as it is. Every
 * character keeps its place.
 */
export function passedOn(text: string): string {
  const steps = text.match(QUOTED_STEP)?.length ?? 0;
  if (steps < SHEET_STEPS) return text;
  const own = text
    .split('\n')
    .filter((line) => !/^[ \t]*>/.test(line))
    .join('\n');
  return SPEAKS_OF_IT.test(own) ? text : text.replace(QUOTE_MARKS, (marks) => ' '.repeat(marks.length));
}
