import type { TorqueUnit } from '../quantity/unit.ts';
import { torqueUnitOf } from './sheet-unit.ts';
import type { Span } from './token.ts';
import type { InWords } from './written-out.ts';

/** `Unless stated otherwise tighten to: M6 10 Nm, M8 24 Nm`: what holds wherever a step gives no figure. */
const RULE =
  /\b(?:(?:unless|if not|where not) (?:otherwise )?(?:stated|noted|specified|given|said|shown)(?: otherwise)?|(?:standard|general) torques?(?: values?| figures?)?\s*[:=])[^\n]{0,200}/gi;
const PAIR =
  /(?<![\w/])(M ?\d{1,2}|\d{1,2}\/\d{1,2})(?:["”]|(?: (?:bolts?|screws?|nuts?)))?\s{0,3}(?:[:=–-]|to|at)?\s{0,3}(\d{1,3}(?:[.,]\d)?) ?([A-Za-z·.-]+(?:[ ·-][A-Za-z]+)?)?(?=\s*(?:[,;.)/]|and\b|$))/g;
const FEW_PAIRS = 2;
/** A longer one tells, and does nothing, characters. */
const LONGEST_SENTENCE = 400;
/** Something is pulled tight here. */
const TIGHTENS = /\b(?:tighten|torque|secure|do up|pull up|fasten)(?:ed|s|ing)?\b/i;
/** It is left for later, or has a figure of its own. */
const NOT_NOW =
  /\b(?:finger[- ]?tight|hand[- ]?tight|loose(?:ly)?|do not (?:fully )?tighten|don['’]t tighten|not yet|\d+(?:[.,]\d+)? ?(?:n[·. ]?m|ncm|ft|lbs?|lbf|kgf?|in-?lbs?)\b|°|degrees?|turn)/i;
/** A size and what it is: `the four M8 bolts`. */
const SIZED =
  /(?<![\w/])(M ?\d{1,2}|\d{1,2}\/\d{1,2})(?:["”])?(?: [a-z]+)? (?:bolts?|screws?|nuts?|studs?|fixings?|hardware)\b/gi;

const keyOf = (size: string): string => size.replace(/\s/g, '').toUpperCase();

/** The figures of a rule by size; undefined where it has too few, or no unit. */
function figuresOf(rule: string): ReadonlyMap<string, string> | undefined {
  const pairs = [...rule.matchAll(PAIR)];
  let unit: TorqueUnit | undefined;
  const figures = new Map<string, number>();
  for (const [, size = '', figure = '', printed] of pairs) {
    unit = torqueUnitOf(printed ?? '') ?? unit;
    figures.set(keyOf(size), Number(figure.replace(',', '.')));
  }
  if (figures.size < FEW_PAIRS || unit === undefined) return undefined;
  return new Map([...figures].map(([size, figure]) => [size, `${figure} ${unit}`]));
}

interface Rule extends Span {
  /** The figure of each size, with its unit. */
  figures: ReadonlyMap<string, string>;
}

/** Where such rules stand: their figures are of no joint there. */
export const generalRules = (text: string): Rule[] =>
  [...text.matchAll(RULE)].flatMap((match) => {
    const figures = figuresOf(match[0]);
    return figures ? [{ start: match.index, end: match.index + match[0].length, figures }] : [];
  });

/**
 * A rule that gives each size a figure unless a step says another, said at the steps that tighten such a size and give
 * none: `Tighten the M8 bolts` is `Tighten the M8 bolts to 24 N·m`.
 */
export function generalInWords(text: string): InWords[] {
  const [rule] = generalRules(text);
  if (!rule) return [];
  return [...text.matchAll(/[^.;\n]+/g)].flatMap((sentence) => {
    const [words] = sentence;
    const inRule = sentence.index < rule.end && sentence.index + words.length > rule.start;
    if (inRule || words.length > LONGEST_SENTENCE || !TIGHTENS.test(words) || NOT_NOW.test(words)) return [];
    return [...words.matchAll(SIZED)].flatMap((sized): InWords[] => {
      const figure = rule.figures.get(keyOf(sized[1] ?? ''));
      const end = sentence.index + sized.index + sized[0].length;
      return figure === undefined || end >= text.length
        ? []
        : [{ start: end, end: end + 1, words: ` to ${figure}${text[end]}` }];
    });
  });
}
