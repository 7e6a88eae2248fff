import type { LimitKind } from '../kit-document.ts';

/** A sentence that holds the owner to something: a figure with its unit beside a word of limiting. Common practice, no source. */
const LIMITS =
  /\b(?:max(?:imum)?\.?|not? (?:more|over|above|exceed)|never (?:over|above|more|exceed)|up to|rated (?:for|at|to)|limit(?:ed)?|at least|min(?:imum)?\.?|do not exceed|may (?:bear|carry|hold|tow|weigh))\b/i;

const KINDS: ReadonlyArray<readonly [RegExp, LimitKind]> = [
  [/\d ?(?:km\/h|mph)\b/i, 'speed'],
  [
    /\b(?:tow(?:ing|ed)?|trailer|drawbar|tongue|tow ?ball)\b.*\d ?(?:kg|t|lbs?|tonnes?)\b|\d ?(?:kg|t|lbs?)\b.*\b(?:tow|trailer|tongue)/i,
    'towing',
  ],
  [/\b(?:pressure|inflat\w*|psi|bar|kpa)\b.*\d|\d ?(?:psi|bar|kpa)\b/i, 'inflation'],
  [
    /\b(?:load|weight|capacity|bear|carry|carrier|step|rack|shelf|basket|roof|strap|bridle|recover\w*)\b.*\d ?(?:kg|t|lbs?|tonnes?|pounds)\b|\d ?(?:kg|lbs?|pounds)\b.*\b(?:load|rack|shelf|basket|roof|step|bridle|strap|pull|recover\w*)\b/i,
    'load',
  ],
  [/\btyres?\b.*\d{3}\/\d{2}|\btires?\b.*(?:\d{3}\/\d{2}|\d{2}x\d)/i, 'tyre'],
];

/** What of the vehicle's use a sentence limits; undefined for one that limits nothing. */
export const limitIn = (text: string): LimitKind | undefined =>
  LIMITS.test(text) ? KINDS.find(([words]) => words.test(text))?.[1] : undefined;
