import { dimensionOf, type TorqueUnit, toBase } from '../quantity/unit.ts';
import type { Fact, TorqueValue } from './fact.ts';
import type { Phrase } from './fastener-phrase.ts';
import { quantityAt, saidHundreds, unitAt } from './quantity-phrase.ts';
import { isSpoken } from './sentence.ts';
import { onlyUnit, unitOfAll } from './sheet-unit.ts';
import type { Token } from './token.ts';
import { angleAt } from './torque-phrase.ts';

/** A value or range whose unit stands elsewhere. */
export const tabled = (min: number, max: number, unit: TorqueUnit): TorqueValue => ({
  min,
  max,
  unit,
  minNm: toBase(min, unit),
  maxNm: toBase(max, unit),
});

/** What a bare figure may be off each way, in its own unit: `46±4`, `50 +/- 10 %`; undefined where it does not say. */
export function spreadAt(text: string, at: number): number | undefined {
  const [, figure, off, percent] =
    /^(\d+(?:[.,]\d+)?)\s*(?:±|\+\/?-)\s*(\d+(?:[.,]\d+)?)( ?%)?/.exec(text.slice(at, at + 24)) ?? [];
  if (figure === undefined || off === undefined) return undefined;
  const [value, by] = [figure, off].map((digits) => Number(digits.replace(',', '.'))) as [number, number];
  return percent ? (value * by) / 100 : by;
}

/** What a bare figure may be off up and down: `35 -0/+5`. */
export function unevenSpreadAt(text: string, at: number): { plus: number; less: number } | undefined {
  const signs = /^\d+(?:[.,]\d+)?\s*([-+]) ?(\d+(?:[.,]\d+)?)\s*\/\s*([-+]) ?(\d+(?:[.,]\d+)?)/.exec(
    text.slice(at, at + 28),
  );
  const [, one, first = '', other, second = ''] = signs ?? [];
  if (one === undefined || one === other) return undefined;
  const [a, b] = [first, second].map((digits) => Number(digits.replace(',', '.'))) as [number, number];
  return one === '+' ? { plus: a, less: b } : { plus: b, less: a };
}

/** Least figure that is taken for a torque where only an angle behind it says so. */
const LEAST_SPOKEN = 4;

/** The unit that ends a line, for its figures that have none: `120 + 45°   120 + 90° N·m`. */
function unitBehind(tokens: readonly Token[], at: number, text: string): TorqueUnit | undefined {
  const line = text.indexOf('\n', tokens[at]?.start ?? text.length);
  for (let next = at; (tokens[next]?.start ?? Number.POSITIVE_INFINITY) < (line < 0 ? text.length : line); next++) {
    const unit = unitAt(tokens, next, text, false)?.unit;
    if (unit !== undefined && dimensionOf(unit) === 'torque') return unit as TorqueUnit;
  }
  return undefined;
}

/** Units in a sheet's text: a bare figure has one only where there is but one. */
const METRIC_UNIT = /\bd?a?N ?[·.∙•*-]? ?m\b|newton/i;
const INCH_UNIT = /\b(?:ft|in|foot|inch)[ .·-]*(?:lbs?|pounds?|#)|\b(?:lbs?|pounds?)f?[ .·-]*(?:ft|in|foot|inch)/i;

/** What stands right before a figure that is said without its unit. */
interface Cue {
  /** The line up to the figure. */
  before: RegExp;
  /** Least figure; a smaller one counts, or is a size. */
  least: number;
  /** Only of a number in words; `spoken`: and of a talk. */
  figure?: 'inWords' | 'spoken';
  /** Words it may go on with in its clause; else it ends there. */
  goesOn?: RegExp;
  /** What must stand right behind it. */
  behind?: RegExp;
  /**
   * The unit may stand anywhere in the sheet; `none`: it stands nowhere, and is assumed; else that of a torque said shortly
   * before is carried over.
   */
  unit?: 'ofAll' | 'only' | 'none';
}

const CUES: readonly Cue[] = [
  // `Centre bolt. [40]` of a sheet that says its unit once for all
  {
    before: /(?<=\S )[[(]$/,
    least: 1,
    unit: 'ofAll',
    goesOn: /^[\])]$/,
    behind: /^(?:[-–.]{1,3}\d{1,3})?\][.;]?\s*(?:\n|$)|^(?:[-–.]{1,3}\d{1,3}|, [^()\n]{3,60})\)[.;]?\s*(?:\n|$)/,
  },
  { before: /(?<=\S )\($/, least: 100, unit: 'ofAll', goesOn: /^\)$/, behind: /^\)[.;]?\s*(?:\n|$)/ },
  // `5/8s got 150 ft-lbs and the 1/2s got 75`
  { before: /(?:\bM\d{1,2}|\d\/\d{1,2}["”]?)'?s (?:got|gets?|takes?|wants?|at|to) $/i, least: 10, unit: 'only' },
  // `and they get a hundred and ten`, far behind the figure that has its unit
  { before: /\b(?:they|those|these) (?:get|gets|want|take) $/i, least: 10, figure: 'spoken', unit: 'only' },
  // `these are fifty-two`, `then it's ninety-five`
  {
    before: /\b(?:(?:these|those|they) (?:are|get|want|go to)|(?:they|these)'re|(?:it|that)(?:'s| is| gets)) $/i,
    least: LEAST_SPOKEN,
  },
  // `- Anti-roll link: 47.` among others that have their unit
  {
    before:
      /^[ \t]*[-*•] [^:\d\n]{0,30}\b(?:bolts?|nuts?|screws?|studs?|links?|arms?|clamps?|brackets?)\b[^:\d\n]{0,16}: $/i,
    least: LEAST_SPOKEN,
  },
  // `20 Nm the feet, 12 Nm the roller, 4 the end caps`: before what it is for, as those that have their unit
  {
    before: /\d ?(?:n[·. ]?m|ft[-. ]?lbs?|lbs?[-. ]?ft|in[-. ]?lbs?) (?:for |on )?the [^.;:\n]{3,80}, (?:and )?$/i,
    least: 1,
    behind: /^ (?:for |on )?the \p{L}{3}/u,
    goesOn: /^(?:the|for|on)$/,
  },
  // In digits it may be turned back before, unless the sheet says its unit.
  { before: /\bthen (?:(?:up |on )?to )?$/i, least: LEAST_SPOKEN, figure: 'inWords' },
  { before: /\bthen $/i, least: LEAST_SPOKEN, unit: 'ofAll' },
  // `torque 45, locker blue`
  { before: /\b(?:torqued?|tq) (?:is |to |of |= ?|: ?)?$/i, least: LEAST_SPOKEN, unit: 'only' },
  // `FASTENERS ITEM 4 (M12 x 30, 6 OFF) TO 90 +10/-0`
  {
    before: /\b(?:fasteners?|screws?|bolts?|nuts?|studs?)\b[^.;\n]{0,16}(?:\([^)\n]*\) )?to $/i,
    least: LEAST_SPOKEN,
    unit: 'ofAll',
  },
  // `our M8s get twenty three`
  { before: /\b(?:gets?|wants?|takes?) $/i, least: 10, figure: 'spoken' },
  // `wheels one hundred and twenty crosswise`
  {
    before: /\bwheels? $/i,
    least: 60,
    figure: 'spoken',
    unit: 'only',
    goesOn: /^(?:crosswise|cross|star|in|dry|each|all)$/,
  },
  // `bleed nipple eleven`, `wheels on one twenty` of a memo: right behind what is tightened
  {
    before:
      /\b(?:nipples?|plugs?|nuts?|bolts?|screws?|calipers?|wheels? (?:back )?on|banjos?|clamps?)(?: (?:is|are|at|to))? $/i,
    least: LEAST_SPOKEN,
    figure: 'spoken',
    goesOn: /^(?:in|on|and|each|then|all)$/,
  },
  // `three wheel nuts, a hundred and twenty, dry`
  { before: /\b(?:bolts?|nuts?|screws?|studs?), $/i, least: 12, figure: 'inWords', unit: 'only' },
  // `four little ones, M8, twenty four`: behind the size, as it is said
  { before: /\bM\d{1,2}s?, $/, least: 10, figure: 'inWords', unit: 'only' },
  { before: /\bM[3-6], $/, least: LEAST_SPOKEN, figure: 'inWords', unit: 'only' },
  // `then let it down and go to 75` of a sheet that says its unit once for all
  {
    before: /\b(?:go(?:es)? to|(?:tighten|torque|pull|bring|set)(?:ed|s)?(?: [\w-]+){0,4}? (?:to|at|with)) $/i,
    least: LEAST_SPOKEN,
    unit: 'ofAll',
  },
  {
    before:
      /\b(?:ones|uppers?|lowers?|fronts?|rears?|inners?|outers?|bolts?|nuts?|screws?|studs?|they|it) (?:only )?(?:gets?|wants?|takes?|needs?) (?:only )?$/i,
    least: LEAST_SPOKEN,
    unit: 'ofAll',
    goesOn: /^(?:with|on|and|each|all|too)$/,
  },
  // `The track bar bolt takes 125`
  {
    before: /\b(?:bolts?|nuts?|screws?|studs?) (?:only )?(?:gets?|wants?|takes?) (?:only )?$/i,
    least: 15,
    unit: 'only',
    goesOn: /^(?:on|with|because|and|each|too|as)$/,
  },
  // `a bolt in the open hole only, 75 as before`
  { before: /[,:] $/, least: 15, unit: 'only', goesOn: /^as$/, behind: /^ as (?:before|above|for the)\b/i },
  { before: /\bonly (?:wants?|takes?|gets?|needs?) $/i, least: LEAST_SPOKEN, unit: 'ofAll' },
  // `four M10 x 35, two per bush, 50, with a smear of grease`
  { before: /\bM\d{1,2}\b[^.;]{0,24}, $/, least: LEAST_SPOKEN, unit: 'ofAll' },
  // `Tighten: frame 52, tube 84.`
  {
    before:
      /\b(?:tighten|torque|pull|settings?)\w*\b[^.;\n]{0,60}\b(?!(?:step|item|page|no|pos|class|grade|size|bag|fig|part|line|point|of|m|stage|pass|hex|key|socket|in|and|by|x) $)\p{Ll}{3,} $/iu,
    least: LEAST_SPOKEN,
    unit: 'ofAll',
  },
  // `top M10 → 45` of a note that has no unit at all: a metric thread's is assumed to be in newton metres
  { before: /\bM\d{1,2}\b[^\d\n]{0,10}?(?:→|->|=>|=|: )\s*$/, least: LEAST_SPOKEN, unit: 'none', goesOn: /./ },
  // `on the socket screws, 30, 8 mm hex`; a small one counts them
  { before: /\b(?:bolts?|nuts?|screws?|studs?|clamps?)(?: each)?, $/i, least: 12, unit: 'ofAll' },
];
/** How far before a figure what asks for it may begin, characters: a sheet may be one line. */
const CUE_REACH = 200;
/** The line up to a place; where it is cut, a sign stands at its head that no line begins with. */
function lineBefore(text: string, at: number): string {
  const near = text.slice(Math.max(0, at - CUE_REACH), at);
  const begins = near.lastIndexOf('\n');
  return begins >= 0 ? near.slice(begins + 1) : at > CUE_REACH ? `…${near}` : near;
}
/** How far behind the last torque a figure is taken for another, characters. */
const CARRIED_REACH = 200;
/** More is a year or a distance. */
const MOST_BARE = 900;
/** Inch grades and metric classes are figures too. */
const CLASS = /^\d{1,2}\.[689]$/;

/**
 * Reads figures that are said without their unit, `No, sorry, these are fifty-two.`: in that of the torque said before
 * it, or of the whole sheet, and doubted.
 */
export function bareFigures(text: string) {
  const all = unitOfAll(text);
  const only = all ?? onlyUnit(text);
  const nowhere = all === undefined && !METRIC_UNIT.test(text) && !INCH_UNIT.test(text) && !/\bkgf?\b/i.test(text);
  return (tokens: readonly Token[], at: number, facts: readonly Fact[]): Phrase | undefined => {
    const token = tokens[at];
    if (!token || (token.kind !== 'number' && token.kind !== 'word')) return undefined;
    const line = lineBefore(text, token.start);
    const inWords = token.kind === 'word';
    const cue = CUES.find(
      ({ before, behind, figure, unit }) =>
        (behind === undefined || behind.test(text.slice(token.end, token.end + 24))) &&
        (figure === undefined || (inWords && (figure === 'inWords' || isSpoken(text)))) &&
        (unit !== 'ofAll' || all !== undefined) &&
        (unit !== 'only' || only !== undefined) &&
        (unit !== 'none' || nowhere) &&
        before.test(line),
    );
    if (!cue) return undefined;
    const hundreds = inWords ? saidHundreds(tokens, at) : undefined;
    const figure = hundreds
      ? { min: hundreds.value, max: hundreds.value, unit: undefined, next: hundreds.next }
      : quantityAt(tokens, at, text);
    if (!figure || figure.unit !== undefined || figure.min < cue.least || figure.max > MOST_BARE) return undefined;
    const most = rangeBehind(tokens, figure.next, figure.min);
    // `90 +10/-0`, `46 ± 4`
    const uneven = unevenSpreadAt(text, token.start);
    const even = uneven ? undefined : spreadAt(text, token.start);
    const off = uneven ?? (even === undefined ? undefined : { plus: even, less: even });
    const next = most ? figure.next + 2 : off ? pastSpread(tokens, figure.next, text) : figure.next;
    const behind = tokens[next];
    const end = tokens[next - 1]?.end ?? 0;
    if (CLASS.test(text.slice(token.start, end))) return undefined;
    const ends =
      behind === undefined ||
      behind.kind === 'break' ||
      /^[.,;()]$/.test(behind.text) ||
      text.slice(end, behind.start).includes('\n');
    if (!ends && !cue.goesOn?.test(behind.lower)) return undefined;
    // `TQ 30, 60, 85 ft-lb`: stages whose unit stands behind the last.
    if (behind?.text === ',' && /^(?:,\s*\d{1,3})+\s?(?:n ?[·.]?m|ft|lb|in|kg)/i.test(text.slice(end, end + 32)))
      return undefined;
    const last = facts.findLast((fact) => fact.value.kind === 'torque');
    const carried =
      last?.value.kind === 'torque' && token.start - last.end <= CARRIED_REACH ? last.value.unit : undefined;
    const unit =
      carried ?? (cue.unit === 'ofAll' ? all : cue.unit === 'only' ? only : cue.unit === 'none' ? 'N·m' : undefined);
    if (unit === undefined) return undefined;
    const [min, max] = [figure.min - (off?.less ?? 0), most ?? figure.max + (off?.plus ?? 0)];
    return {
      value: { kind: 'torque', ...tabled(min, max, unit) },
      next,
      suspect: true,
      ...(cue.unit === 'none' ? { noUnit: true } : {}),
    };
  };
}

/** The upper end of a bare range, `25-28`: more than its lower end, and not by far. */
function rangeBehind(tokens: readonly Token[], at: number, min: number): number | undefined {
  const to = tokens[at + 1]?.value;
  const parted = /^[-–]$/.test(tokens[at]?.text ?? '') && tokens[at + 1]?.kind === 'number';
  return parted && to !== undefined && to > min && to < 2 * min ? to : undefined;
}

/** The index behind the signs and figures that say what a figure may be off. */
function pastSpread(tokens: readonly Token[], from: number, text: string): number {
  let next = from;
  while (
    (tokens[next]?.kind === 'number' || /^[-+±/%]$/.test(tokens[next]?.text ?? '')) &&
    !text.slice(tokens[next - 1]?.end, tokens[next]?.start).includes('\n')
  )
    next++;
  return next;
}

/** `23 + quarter turn` of a chat: in its line's unit, or in the only one of the sheet, and doubted. */
export function turnWithoutUnit(
  tokens: readonly Token[],
  at: number,
  text: string,
  facts: readonly Fact[],
): Phrase | undefined {
  const token = tokens[at];
  // `160 rears plus a quarter turn`: which ones may stand between.
  const placed = /^(?:fronts?|rears?|uppers?|lowers?|inners?|outers?|tops?|bottoms?)$/.test(tokens[at + 1]?.lower ?? '')
    ? 1
    : 0;
  const sign = at + 1 + placed;
  const plus = tokens[sign]?.text === '+' || tokens[sign]?.lower === 'plus';
  if (token?.kind !== 'number' || token.value === undefined || token.value < LEAST_SPOKEN || !plus) return undefined;
  const angle = angleAt(tokens, sign, text);
  if (!angle) return undefined;
  const last = facts.findLast((fact) => fact.value.kind === 'torque')?.value;
  const only = last?.kind === 'torque' && !(METRIC_UNIT.test(text) && INCH_UNIT.test(text)) ? last.unit : undefined;
  const unit = unitBehind(tokens, angle.next, text) ?? only;
  if (unit === undefined) return undefined;
  const value = { kind: 'torque' as const, ...tabled(token.value, token.value, unit), angleDeg: angle.angleDeg };
  return { value, next: angle.next, suspect: true };
}
