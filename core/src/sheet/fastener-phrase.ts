import type { DriveSize } from '../fastener/drive.ts';
import { readPropertyClass } from '../fastener/property-class.ts';
import { seriesOfPitch, standardPitchMm } from '../fastener/standard-thread.ts';
import { metricThread, parseThread, type Thread, unifiedThread } from '../fastener/thread.ts';
import { dimensionOf, MM_PER_INCH, toBase, type UnitName } from '../quantity/unit.ts';
import type { FactValue } from './fact.ts';
import { ACTIONS, ADJECTIVES, DRIVE_TOOLS, HARDWARE, NUMBER_WORDS, TIME_MINUTES } from './lexicon.ts';
import { quantityAt, quantityOf } from './quantity-phrase.ts';
import { misreadNumber, type Token } from './token.ts';

export interface Phrase {
  value: FactValue;
  /** Of a count: it stands behind what it counts. */
  behind?: true;
  next: number;
  suspect: boolean;
}

const CROSS = new Set(['x', '×', '*']);
const touching = (a: Token | undefined, b: Token | undefined): boolean =>
  a !== undefined && b !== undefined && a.end === b.start;

/** A length after a thread: `x 55`, `× 30 mm`, `x 1-1/4"`. */
function lengthAt(tokens: readonly Token[], at: number, inch: boolean): { lengthMm: number; next: number } | undefined {
  const number = tokens[at + 1];
  if (!CROSS.has(tokens[at]?.lower ?? '') || number?.kind !== 'number' || number.value === undefined) return undefined;
  const unit = tokens[at + 2];
  const isInch = unit?.text === '"' || unit?.text === '″' || unit?.lower === 'in' || (inch && unit?.lower !== 'mm');
  const takes = unit?.text === '"' || unit?.text === '″' || unit?.lower === 'in' || unit?.lower === 'mm';
  return { lengthMm: number.value * (isInch ? MM_PER_INCH : 1), next: at + (takes ? 3 : 2) };
}

/** Whether a letter stands inside a part's or a document's number, or names a size in a drawing. */
function inCode(tokens: readonly Token[], at: number): boolean {
  const [token, before, further] = [tokens[at], tokens[at - 1], tokens[at - 2]];
  if (before === undefined || before.kind === 'break' || !touching(before, token))
    return before?.text === '=' && /^[A-Z]$/.test(further?.text ?? '');
  return (
    before.text === '-' ||
    before.text === '_' ||
    (before.text === '/' && touching(further, before) && further?.kind === 'word') ||
    before.kind !== 'mark'
  );
}

/** Fractions of an inch in words. */
const INCH_WORDS: Record<string, string> = {
  quarter: '1/4',
  'five-sixteenths': '5/16',
  'three-eighths': '3/8',
  'seven-sixteenths': '7/16',
  half: '1/2',
  'nine-sixteenths': '9/16',
  'five-eighths': '5/8',
  'three-quarter': '3/4',
  'three-quarters': '3/4',
};

const INCH_OPENERS = new Set(Object.keys(INCH_WORDS).map((word) => word.split('-')[0] ?? word));

/** A size in words with its series: `three-eighths coarse by one and a quarter`, `half-inch fine`, `half UNF`. */
function spokenInchAt(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
  const first = tokens[at];
  if (first?.kind !== 'word' || !INCH_OPENERS.has(first.lower)) return undefined;
  const dashed =
    tokens[at + 1]?.text === '-'
      ? `${first.lower}-${tokens[at + 2]?.lower}`
      : `${first.lower}-${tokens[at + 1]?.lower}`;
  const two = INCH_WORDS[dashed] !== undefined;
  const size = two ? INCH_WORDS[dashed] : INCH_WORDS[first.lower];
  if (size === undefined) return undefined;
  let next = at + (two ? (tokens[at + 1]?.text === '-' ? 3 : 2) : 1);
  if (tokens[next]?.text === '-') next++;
  if (tokens[next]?.lower === 'inch' || tokens[next]?.lower === 'in') next++;
  const series = tokens[next]?.lower ?? '';
  if (!['coarse', 'fine', 'unc', 'unf'].includes(series)) return undefined;
  const [top, bottom] = size.split('/').map(Number);
  const inches = (top ?? 0) / (bottom ?? 1);
  const pitch = standardPitchMm(
    'unified',
    inches * MM_PER_INCH,
    series === 'fine' || series === 'unf' ? 'fine' : 'coarse',
  );
  if (pitch === undefined) return undefined;
  next++;
  const value: FactValue = {
    kind: 'thread',
    designation: unifiedThread(inches, Math.round(MM_PER_INCH / pitch)).designation,
  };
  const length = spokenLength(tokens, next, source);
  return length
    ? { value: { ...value, lengthMm: length.lengthMm }, next: length.next, suspect: false }
    : { value, next, suspect: false };
}

/** `by one and a quarter`, `, 3 in. long` */
function spokenLength(
  tokens: readonly Token[],
  at: number,
  source: string,
): { lengthMm: number; next: number } | undefined {
  const by = tokens[at]?.lower === 'by';
  if (!by && tokens[at]?.text !== ',') return undefined;
  const printed = quantityAt(tokens, at + 1, source);
  if (
    printed?.unit !== undefined &&
    dimensionOf(printed.unit) === 'length' &&
    (by || tokens[printed.next]?.lower === 'long' || tokens[printed.next + 1]?.lower === 'long')
  )
    return { lengthMm: toBase(printed.max, printed.unit), next: printed.next };
  if (!by) return undefined;
  const whole = NUMBER_WORDS[tokens[at + 1]?.lower ?? ''];
  if (whole === undefined)
    return printed && printed.unit === undefined
      ? { lengthMm: printed.max * MM_PER_INCH, next: printed.next }
      : undefined;
  const share = ['and', 'a'].every((word, index) => tokens[at + 2 + index]?.lower === word)
    ? { quarter: 0.25, half: 0.5 }[tokens[at + 4]?.lower ?? '']
    : undefined;
  return { lengthMm: (whole + (share ?? 0)) * MM_PER_INCH, next: at + (share === undefined ? 2 : 5) };
}

/** Dictated: `m ten by thirty five`, `m eight`. */
function spokenMetricAt(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
  if (tokens[at]?.text !== 'm' || tokens[at + 1]?.kind !== 'word') return undefined;
  const plural = NUMBER_WORDS[(tokens[at + 1]?.lower ?? '').replace(/(?<=t|en|x|lve)s$/, '')];
  const size =
    quantityAt(tokens, at + 1, source) ??
    (plural === undefined ? undefined : { min: plural, max: plural, next: at + 2, suspect: false, unit: undefined });
  const nominal = size?.unit === undefined ? size?.max : undefined;
  const pitch = nominal === undefined ? undefined : standardPitchMm('metric', nominal, 'coarse');
  if (size === undefined || nominal === undefined || pitch === undefined) return undefined;
  const value: FactValue = {
    kind: 'thread',
    designation: metricThread(nominal, pitch).designation,
    pitchAssumed: true,
  };
  const long = tokens[size.next]?.lower === 'by' ? quantityAt(tokens, size.next + 1, source) : undefined;
  return long && (long.unit === undefined || long.unit === 'mm')
    ? { value: { ...value, lengthMm: long.max }, next: long.next, suspect: false }
    : { value, next: size.next, suspect: false };
}

/** `#8 x 1/2`, `No. 8 x 5/8"`: a screw by its number, with a length and no thread said. */
function numberedScrewAt(tokens: readonly Token[], at: number): Phrase | undefined {
  const hash = tokens[at]?.text === '#';
  const no = tokens[at]?.lower === 'no';
  if (!hash && !no) return undefined;
  const number = at + (no && tokens[at + 1]?.text === '.' ? 2 : 1);
  const size = tokens[number];
  if (size?.kind !== 'number' || size.value === undefined || !Number.isInteger(size.value) || size.value > 14)
    return undefined;
  const length = lengthAt(tokens, number + 1, true);
  return length && length.lengthMm < 120
    ? {
        value: { kind: 'thread', designation: `#${size.value}`, lengthMm: length.lengthMm },
        next: length.next,
        suspect: false,
      }
    : undefined;
}

/** `M10`, `M10x1.5`, `M10 × 1.5 × 55`, `M10-1.25 × 30 mm`, `M8x25`. */
function metricAt(tokens: readonly Token[], at: number): Phrase | undefined {
  const [m, size] = [tokens[at], tokens[at + 1]];
  if (m?.text.toUpperCase() !== 'M' || !size) return undefined;
  const tail = tokens[at + 2];
  // `M1O`: a digit and a letter that touch.
  const split =
    size.kind === 'number' && tail?.kind === 'word' && touching(size, tail)
      ? misreadNumber(size.text + tail.text)
      : undefined;
  const misread = size.kind === 'word' ? misreadNumber(size.text) : split;
  const nominal = misread ?? (size.kind === 'number' ? size.value : undefined);
  const gap = size.start - m.end;
  // `FL-E13-M5`, `C = M8`: letters of a number or of a drawing.
  if (inCode(tokens, at)) return undefined;
  if (nominal === undefined || gap > 1 || nominal < 2 || nominal > 64) return undefined;
  const coarse = standardPitchMm('metric', nominal, 'coarse');
  if (coarse === undefined) return undefined;
  let [pitch, next] = [coarse, at + (split === undefined ? 2 : 3)];
  const joint = tokens[next];
  const number = tokens[next + 1];
  if (
    joint &&
    number?.kind === 'number' &&
    number.value !== undefined &&
    (CROSS.has(joint.lower) || (joint.text === '-' && touching(joint, number)))
  ) {
    if (seriesOfPitch('metric', nominal, number.value) !== 'other') {
      pitch = number.value;
      next += 2;
      if (tokens[next]?.lower === 'mm' && CROSS.has(tokens[next + 1]?.lower ?? '')) next += 1;
    }
  }
  // `M12 P1.5`, `M12 fine`
  const stated = next > at + (split === undefined ? 2 : 3);
  const p = tokens[next];
  const afterP = tokens[next + 1];
  const pitched = p?.text === 'P' && afterP?.kind === 'number' && touching(p, afterP) ? afterP.value : undefined;
  let printed = stated;
  if (!stated && pitched !== undefined && seriesOfPitch('metric', nominal, pitched) !== 'other') {
    pitch = pitched;
    next += 2;
    printed = true;
  } else if (!stated && p?.lower === 'fine') {
    pitch = standardPitchMm('metric', nominal, 'fine') ?? pitch;
    next += 1;
    printed = true;
  } else if (!stated && p?.lower === 'coarse') {
    next += 1;
    printed = true;
  }
  // `M8-0316` is a number of the sheet's, `M10-8.8` a bolt and its class.
  const dash = tokens[next];
  const behind = tokens[next + 1];
  if (
    dash?.text === '-' &&
    touching(tokens[next - 1], dash) &&
    touching(dash, behind) &&
    !/^(?:\d{1,2}\.9|\d{1,2}\.8|\d\.6|A\d?|A)$/.test(behind?.text ?? '')
  )
    return undefined;
  const length = lengthAt(tokens, next, false);
  const value: FactValue = {
    kind: 'thread',
    designation: metricThread(nominal, pitch).designation,
    ...(printed ? {} : { pitchAssumed: true as const }),
  };
  if (length && length.lengthMm >= 4)
    return { value: { ...value, lengthMm: length.lengthMm }, next: length.next, suspect: misread !== undefined };
  return { value, next, suspect: misread !== undefined };
}

/** `3/8-16`, `3/8"-16 UNC`, `#10-32`, `5/8 coarse`, with a length. */
function unifiedAt(tokens: readonly Token[], at: number): Phrase | undefined {
  const hash = tokens[at]?.text === '#';
  const size = tokens[hash ? at + 1 : at];
  if (size?.kind !== 'number' || size.value === undefined) return undefined;
  // `10-32 x 1/2"`: the number of a machine screw and its threads.
  const screw =
    !hash &&
    /^(?:[0-9]|1[02])$/.test(size.text) &&
    tokens[at + 1]?.text === '-' &&
    touching(size, tokens[at + 1]) &&
    /^(?:24|28|32|36|40|44|48|56|64|72|80)$/.test(tokens[at + 2]?.text ?? '') &&
    touching(tokens[at + 1], tokens[at + 2]);
  if (screw && (touching(tokens[at - 1], size) || tokens[at - 1]?.text === '-' || tokens[at + 3]?.text === '-'))
    return undefined;
  if (!hash && !screw && !size.text.includes('/')) return undefined;
  // `Form 3/4-16-B` is a number of the sheet's.
  const tail = tokens[at + 3];
  if (!hash && tail?.text === '-' && touching(tokens[at + 2], tail) && touching(tail, tokens[at + 4])) return undefined;
  let next = (hash ? at + 1 : at) + 1;
  if (
    tokens[next]?.text === '"' ||
    tokens[next]?.text === '″' ||
    (tokens[next]?.lower === 'in' && tokens[next + 1]?.text === '-')
  )
    next++;
  const dash = tokens[next];
  const perInch = tokens[next + 1];
  let thread: Thread | undefined;
  if (
    dash?.text === '-' &&
    perInch?.kind === 'number' &&
    perInch.value !== undefined &&
    Number.isInteger(perInch.value)
  ) {
    const text = hash || screw ? `#${size.text}-${perInch.value}` : `${size.text}-${perInch.value}`;
    const read = parseThread(text);
    if (read.ok && seriesOfPitch('unified', read.value.thread.nominalMm, read.value.thread.pitchMm) !== 'other')
      thread = read.value.thread;
    next += 2;
  } else {
    const series = tokens[next]?.lower;
    if (series === 'coarse' || series === 'fine' || series === 'unc' || series === 'unf') {
      const pitch = standardPitchMm(
        'unified',
        size.value * MM_PER_INCH,
        series === 'fine' || series === 'unf' ? 'fine' : 'coarse',
      );
      if (pitch !== undefined) thread = unifiedThread(size.value, Math.round(MM_PER_INCH / pitch));
      next += 1;
    }
  }
  if (!thread) return undefined;
  const word = tokens[next]?.lower;
  if (word === 'unc' || word === 'unf' || word === 'tpi') next++;
  const length = lengthAt(tokens, next, true);
  const value: FactValue = { kind: 'thread', designation: thread.designation };
  return length
    ? { value: { ...value, lengthMm: length.lengthMm }, next: length.next, suspect: false }
    : { value, next, suspect: false };
}

/** A thread callout. A bare size in millimetres is never one: see {@link driveAt}. */
export const threadAt = (tokens: readonly Token[], at: number): Phrase | undefined =>
  metricAt(tokens, at) ?? unifiedAt(tokens, at) ?? numberedScrewAt(tokens, at);

/** A thread callout, those in words too. */
export const anyThreadAt = (tokens: readonly Token[], at: number, source: string): Phrase | undefined =>
  threadAt(tokens, at) ?? spokenInchAt(tokens, at, source) ?? spokenMetricAt(tokens, at, source);

/** `class 10.9`, `grade 8`, `Gr. 5`, `property class 8.8`. */
export function propertyClassAt(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
  const word = tokens[at]?.lower;
  if (word !== 'class' && word !== 'grade' && word !== 'gr') return undefined;
  const number = at + (tokens[at + 1]?.text === '.' ? 2 : 1);
  const token = tokens[number];
  if (token?.kind !== 'number') return undefined;
  const text = word === 'class' ? source.slice(token.start, token.end) : `grade ${token.text}`;
  const known =
    readPropertyClass(text) ?? (word === 'class' && /^(?:5|6|8|9|10|12)$/.test(token.text) ? token.text : undefined);
  return known === undefined
    ? undefined
    : { value: { kind: 'propertyClass', propertyClass: known }, next: number + 1, suspect: false };
}

/** The noun a size belongs to, past adjectives; at most four words away. */
function nounAfter(tokens: readonly Token[], at: number): { word: string; next: number } | undefined {
  for (let next = at; next < at + 5; next++) {
    const token = tokens[next];
    if (token === undefined || token.kind === 'break') return undefined;
    if (HARDWARE.has(token.lower) && !(ADJECTIVES.has(token.lower) && HARDWARE.has(tokens[next + 1]?.lower ?? '')))
      return { word: token.lower, next: next + 1 };
    if (DRIVE_TOOLS.has(token.lower)) return { word: token.lower, next: next + 1 };
    // One word the lexicon does not have may stand right before the noun: `18 mm caliper bolts`.
    const mayStand =
      token.kind === 'word' &&
      token.text === token.lower &&
      !ACTIONS.has(token.lower) &&
      HARDWARE.has(tokens[next + 1]?.lower ?? '');
    if (!ADJECTIVES.has(token.lower) && token.text !== '-' && !mayStand) return undefined;
  }
  return undefined;
}

/** Past the further sizes of a list, `10/13/16 mm sockets`, `a 13mm and a 15mm spanner`, to its noun. */
function nounOfList(
  tokens: readonly Token[],
  at: number,
  source: string,
  /** Whether every size has a unit of its own: `25 mm, 20 nuts` is no list of sizes. */
  withUnits: boolean,
): { word: string; next: number; unit?: UnitName } | undefined {
  let next = at;
  let unit: UnitName | undefined;
  for (let sizes = 0; sizes < 5; sizes++) {
    let joined = false;
    while (['/', ',', 'and', 'or', '&'].includes(tokens[next]?.lower ?? '')) {
      next++;
      joined = true;
    }
    if (!joined) return undefined;
    if (tokens[next]?.lower === 'a' || tokens[next]?.lower === 'an') next++;
    const size = quantityAt(tokens, next, source);
    if (!size || (size.unit !== undefined && dimensionOf(size.unit) !== 'length')) return undefined;
    if (withUnits && size.unit === undefined) return undefined;
    unit ??= size.unit;
    next = size.next;
    const noun = nounAfter(tokens, next);
    if (noun) return { ...noun, unit };
  }
  return undefined;
}

/** Up to six words before a place, of the same line. */
function wordsBefore(tokens: readonly Token[], at: number): string[] {
  const words: string[] = [];
  for (let back = at - 1; back >= 0 && back >= at - 6 && tokens[back]?.kind !== 'break'; back--)
    words.push(tokens[back]?.lower ?? '');
  return words;
}

const HOLE_WORDS: Record<string, 'drill' | 'hole' | 'clearance'> = {
  drill: 'drill',
  bit: 'drill',
  hole: 'hole',
  holes: 'hole',
  bore: 'hole',
  clearance: 'clearance',
  gap: 'clearance',
};

/** A size in mm or inches with the word that says what it is: socket, bolt head, drill, hole, square drive. */
export function sizedAt(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
  const [letter] = [tokens[at]];
  // 12-point 16
  if (
    letter?.text === '12' &&
    tokens[at + 1]?.text === '-' &&
    tokens[at + 2]?.lower === 'point' &&
    tokens[at + 3]?.kind === 'number'
  ) {
    const after = quantityOf(tokens, at + 3, source, 'length');
    const width = after ? toBase(after.max, after.unit) : tokens[at + 3]?.value;
    if (width !== undefined)
      return {
        value: { kind: 'drive', drive: { kind: 'twelvePoint', acrossFlatsMm: width }, describes: 'tool' },
        next: after?.next ?? at + 4,
        suspect: false,
      };
  }
  const bare = quantityAt(tokens, at, source);
  // The first sizes of a list take the unit of its last.
  const listed =
    bare && bare.unit === undefined && bare.min === bare.max ? nounOfList(tokens, bare.next, source, false) : undefined;
  const phrase =
    bare && listed?.unit !== undefined && DRIVE_TOOLS.has(listed.word)
      ? { ...bare, unit: listed.unit }
      : quantityOf(tokens, at, source, 'length');
  if (!phrase || phrase.min !== phrase.max) return undefined;
  const inch = phrase.unit === 'in';
  const mm = toBase(phrase.max, phrase.unit);
  const { next, suspect } = phrase;
  const following = tokens[next]?.lower ?? '';
  const hyphen = tokens[next]?.text === '-' ? (tokens[next + 1]?.lower ?? '') : following;
  const wrench = ['ratchet', 'torque', 'impact', 'breaker'].includes(following) && tokens[next + 1]?.lower !== 'to';
  if (inch && (hyphen === 'drive' || wrench))
    return { value: { kind: 'squareDrive', size: `${tokens[at]?.text} in` }, next: wrench ? next : next + 1, suspect };
  const role = HOLE_WORDS[hyphen === 'of' ? (tokens[next + 1]?.lower ?? '') : hyphen];
  if (role !== undefined) return { value: { kind: 'hole', diameterMm: mm, role }, next: next + 1, suspect };
  const before = wordsBefore(tokens, at);
  const noun = nounAfter(tokens, next) ?? listed ?? nounOfList(tokens, next, source, true);
  if (!noun && before.some((word) => word === 'drill' || word === 'ream'))
    return { value: { kind: 'hole', diameterMm: mm, role: 'drill' }, next, suspect };
  if (!noun && before.some((word) => word === 'clearance' || word === 'gap'))
    return { value: { kind: 'hole', diameterMm: mm, role: 'clearance' }, next, suspect };
  if (noun && mm >= 1.5 && mm <= 75) {
    const tool = DRIVE_TOOLS.has(noun.word);
    const single = HARDWARE.get(noun.word);
    // Only what is turned has a drive size; a 10 mm plate is thick, a 40 mm hose is wide.
    if (
      tool ||
      single === 'bolt' ||
      single === 'nut' ||
      single === 'screw' ||
      single === 'capscrew' ||
      single === 'locknut' ||
      single === 'stud' ||
      single === 'fastener'
    ) {
      const between = tokens.slice(next, noun.next).map((token) => token.lower);
      const key =
        between.includes('key') || between.includes('keys') || between.includes('allen') || between[0] === 'hex';
      const drive: DriveSize =
        key && tool
          ? { kind: 'hexKey', acrossFlatsMm: mm }
          : inch
            ? { kind: 'hex', acrossFlatsMm: mm, inch: true }
            : { kind: 'hex', acrossFlatsMm: mm };
      // The noun itself is left for the count before it.
      return { value: { kind: 'drive', drive, describes: tool ? 'tool' : 'fastener' }, next, suspect };
    }
  }
  return undefined;
}

/** Integer of a token, in digits or in words. */
function countOf(token: Token | undefined): number | undefined {
  if (
    token?.kind === 'number' &&
    token.value !== undefined &&
    Number.isInteger(token.value) &&
    !token.text.includes('/')
  )
    return token.value;
  return token?.kind === 'word' ? NUMBER_WORDS[token.lower] : undefined;
}

/** A number behind one of these is a name. */
const NUMBERED_THINGS = new Set([
  'step',
  'fig',
  'figure',
  'class',
  'grade',
  'page',
  'no',
  'item',
  'hole',
  'position',
  'phase',
  'part',
  'section',
  'diagram',
]);
const SIZE_UNITS = new Set([
  'mm',
  'millimetre',
  'millimetres',
  'millimeter',
  'millimeters',
  'in',
  'inch',
  'inches',
  '"',
  '″',
]);

/** Points and lobes a head has, by the numbers that stand before them. */
const POINTS = new Set(['12', 'twelve', '6', 'six', '4', 'four', '8', 'eight']);

/** Where `twelve-point`, `12 pt.`, `six-lobe` end, which tell a head's form; undefined where none begins. */
function pointsEnd(tokens: readonly Token[], at: number): number | undefined {
  const first = tokens[at];
  if (first === undefined || !POINTS.has(first.lower)) return undefined;
  const next = at + (tokens[at + 1]?.text === '-' || tokens[at + 1]?.text === '‑' ? 2 : 1);
  if (!['point', 'points', 'pt', 'lobe', 'lobed', 'sided'].includes(tokens[next]?.lower ?? '')) return undefined;
  return tokens[next + 1]?.text === '.' && tokens[next]?.lower === 'pt' ? next + 2 : next + 1;
}

/**
 * A count with the noun it counts: `four bolts`, `(14) 7 mm bolts`, `4 x M8 washers`, `a pair of brackets`. Sizes and
 * threads between the number and the noun are stepped over.
 *
 * @param step - steps over a thread or size at a place, giving the index after it
 */
export function countAt(
  tokens: readonly Token[],
  at: number,
  step: (at: number) => number | undefined,
  isReference: (label: number) => boolean = () => false,
): Phrase | undefined {
  let count: number | undefined;
  let next = at;
  const first = tokens[at];
  if (!first) return undefined;
  if (first.text === '(' && tokens[at + 2]?.text === ')') {
    count = countOf(tokens[at + 1]);
    // `bolt (9)` names a line of the list, and `(16) Wheel nut` is a step's number.
    if (count !== undefined && isReference(count) && tokens[at - 1]?.kind === 'word') return undefined;
    if (tokens[at - 1] === undefined || tokens[at - 1]?.kind === 'break' || /^[.;]$/.test(tokens[at - 1]?.text ?? '')) {
      if (tokens[at + 3]?.kind === 'word' && /^\p{Lu}/u.test(tokens[at + 3]?.text ?? '') && isReference(count ?? -1))
        return undefined;
    }
    next = at + 3;
  } else if ((first.lower === 'a' || first.lower === 'one') && tokens[at + 1]?.lower === 'pair') {
    count = 2;
    next = at + 2;
  } else if (first.lower === 'pair' || first.lower === 'pairs') {
    return undefined;
  } else {
    count = countOf(first);
    // `a bolt` counts nothing that matters; `10 mm`, `M8`, `2.5` do not either.
    if (first.lower === 'a') return undefined;
    if (
      count !== undefined &&
      touching(first, tokens[at + 1]) &&
      tokens[at + 1]?.kind === 'word' &&
      !CROSS.has(tokens[at + 1]?.lower ?? '')
    )
      return undefined;
    next = at + 1;
  }
  if (count === undefined || count < 1 || count > 200) return undefined;
  // `twelve-point bolts` says how the head is driven, not how many there are.
  if (pointsEnd(tokens, at) !== undefined) return undefined;
  // `A1` is the name of a line.
  if (tokens[at - 1]?.kind === 'word' && touching(tokens[at - 1], first)) return undefined;
  // `#10 screws` is a size, the last of `5-3-6` a place in an order.
  if (tokens[at - 1]?.text === '#' || (tokens[at - 1]?.text === '-' && touching(tokens[at - 1], first)))
    return undefined;
  if (tokens[at + 1]?.text === '-' && touching(first, tokens[at + 1]) && tokens[at + 2]?.kind === 'number')
    return undefined;
  // `10 mm bolts` counts nothing, nor does the number of a step, a figure, a class.
  const label = tokens[at - (tokens[at - 1]?.text === '.' ? 2 : 1)]?.lower ?? '';
  if (SIZE_UNITS.has(tokens[next]?.lower ?? '') || NUMBERED_THINGS.has(label)) return undefined;
  const bracketed = first.text === '(';
  let unknown = 0;
  let sized = false;
  if (CROSS.has(tokens[next]?.lower ?? '') || ['ea', 'each', 'pc', 'pcs'].includes(tokens[next]?.lower ?? '')) next++;
  // `4 ea. bolts`, `2 pcs. nuts`
  if (tokens[next]?.text === '.' && tokens[next - 1]?.kind === 'word' && next > at + 1) next++;
  // `2 x M10 x 35`: the thread is all that is said of them.
  if (CROSS.has(tokens[next - 1]?.lower ?? '') && threadAt(tokens, next)) {
    const over = step(next);
    const end = over === undefined ? undefined : tokens[over];
    const apart = end !== undefined && end.start - (tokens[(over ?? 1) - 1]?.end ?? 0) >= 2;
    if (over !== undefined && (end === undefined || apart || end.kind === 'break' || /^[,.;)|]$/.test(end.text)))
      return { value: { kind: 'count', count, noun: 'bolt' }, next: over, suspect: false };
  }
  for (let words = 0; words < 6; words++) {
    const token = tokens[next];
    if (!token || token.kind === 'break') return undefined;
    const points = pointsEnd(tokens, next);
    if (points !== undefined) {
      next = points;
      continue;
    }
    const over = step(next);
    if (over !== undefined) {
      next = over;
      sized = true;
      continue;
    }
    // `the three 10 mm and two 13 mm bolts`: the first size shares the noun of the second.
    if (sized && (token.lower === 'and' || token.text === ',') && countOf(tokens[next + 1]) !== undefined) {
      next += 2;
      sized = false;
      continue;
    }
    const noun = HARDWARE.get(token.lower);
    // `hose clamps`, `bracket bolts`: the last of two nouns is what is counted.
    if (
      noun !== undefined &&
      !(HARDWARE.has(tokens[next + 1]?.lower ?? '') || (ADJECTIVES.has(token.lower) && step(next + 1) !== undefined))
    )
      // `three shims maximum` is a limit, `one leg of the pin` a part of one.
      return ['maximum', 'max', 'most'].includes(tokens[next + 1]?.lower ?? '') || tokens[at + 1]?.lower === 'leg'
        ? undefined
        : { value: { kind: 'count', count, noun }, next: next + 1, suspect: false };
    const known =
      noun !== undefined ||
      ADJECTIVES.has(token.lower) ||
      (token.kind === 'number' && ['class', 'grade'].includes(tokens[next - 1]?.lower ?? '')) ||
      /^[A-Z]\d?$/.test(token.text);
    if (!known) {
      // Two words the lexicon does not have may stand before the noun: `20 cone nuts`, `two star T30 screws`.
      const mayStand =
        (token.kind === 'word' || token.text === '-') &&
        (!ACTIONS.has(token.lower) || (tokens[next - 1]?.text === '-' && touching(tokens[next - 1], token))) &&
        !BETWEEN.has(token.lower) &&
        TIME_MINUTES[token.lower] === undefined &&
        (bracketed ||
          token.text === token.lower ||
          /^\p{Lu}{1,3}$/u.test(token.text) ||
          /^\p{Lu}-?$/u.test(token.text));
      if (token.text !== '-') unknown++;
      if (!mayStand || unknown > 2) return undefined;
    }
    next++;
  }
  return undefined;
}

/** Words that end the noun a number counts. */
const BETWEEN = new Set(
  'at from into by until till than that which when if as is are was be not no turns turn times people persons hands hand threads thread passes stages steps side sides per a an its it them they where before after between over under up down back off away again now long wide deep thick apart more less or'.split(
    ' ',
  ),
);

/** What a share of the pieces goes to: `three each side`, `four a side`, `two to a latch`, `six per slide`. */
const SHARED = new Set(
  'side end slide step latch arm bracket wheel corner leg foot mount rail hanger post plate hinge strut flange bar'.split(
    ' ',
  ),
);

/** A count of a piece named before: `M12 bolts, four a side`; the noun is the last piece the step named. */
export function shareAt(tokens: readonly Token[], at: number, piece: string | undefined): Phrase | undefined {
  const count = countOf(tokens[at]);
  if (count === undefined || count < 1 || count > 60 || tokens[at]?.lower === 'a') return undefined;
  const before = tokens[at - 1];
  if (before?.text === '#' || (before?.kind !== 'mark' && touching(before, tokens[at]))) return undefined;
  let next = at + 1;
  let word = tokens[next]?.lower ?? '';
  const opener = word;
  if (['each', 'a', 'per', 'every'].includes(word)) next++;
  else if (
    ['to', 'on', 'at', 'in', 'for'].includes(word) &&
    ['a', 'each', 'every', 'one'].includes(tokens[next + 1]?.lower ?? '')
  )
    next += 2;
  else if (
    word === 'of' &&
    tokens[next + 1]?.lower === 'the' &&
    ['left', 'right'].includes(tokens[next + 2]?.lower ?? '')
  ) {
    return {
      value: { kind: 'count', count, noun: piece ?? 'piece' },
      next: next + 3,
      suspect: piece === undefined,
      behind: true,
    };
  } else return undefined;
  word = (tokens[next]?.lower ?? '').replace(/s$/, '');
  if (opener === 'each' && !SHARED.has(word)) return undefined;
  return SHARED.has(word)
    ? {
        value: { kind: 'count', count, noun: piece ?? 'piece' },
        next: next + 1,
        suspect: piece === undefined,
        behind: true,
      }
    : undefined;
}

/**
 * A count that stands behind what it counts, as packing lists have it: `M8 washers (8)`, `bolts x 6`, `nut, qty 4`,
 * `M10 nut - 4` at the end of a line.
 *
 * @param noun - the piece last named in this line
 */
export function trailingCountAt(
  tokens: readonly Token[],
  at: number,
  noun: string,
  isReference: (label: number) => boolean = () => false,
): Phrase | undefined {
  const first = tokens[at];
  const ends = (index: number): boolean => {
    const token = tokens[index];
    return token === undefined || token.kind === 'break' || [',', ';', '.', ')', 'and'].includes(token.lower);
  };
  const found = (number: Token | undefined, next: number): Phrase | undefined => {
    const count = number?.kind === 'number' ? countOf(number) : undefined;
    return count !== undefined && count >= 1 && count <= 200
      ? { value: { kind: 'count', count, noun }, next, suspect: false, behind: true }
      : undefined;
  };
  if (first?.text === '(' && tokens[at + 2]?.text === ')')
    return isReference(countOf(tokens[at + 1]) ?? -1) ? undefined : found(tokens[at + 1], at + 3);
  // `split pin, 3.2 x 30` is a size.
  if (first !== undefined && CROSS.has(first.lower) && ends(at + 2))
    return tokens[at - 1]?.kind === 'number' ? undefined : found(tokens[at + 1], at + 2);
  // `clips 8 pcs.`, `bolt (10) 4 pcs.`
  if (first?.kind === 'number' && ['pcs', 'pc', 'pieces', 'off'].includes(tokens[at + 1]?.lower ?? ''))
    return found(first, at + 2);
  // `hinge screws, three`
  const spoken = first?.text === ',' || first?.text === ':' ? tokens[at + 1] : undefined;
  if (
    spoken?.kind === 'word' &&
    spoken.lower !== 'a' &&
    spoken.lower !== 'one' &&
    NUMBER_WORDS[spoken.lower] !== undefined &&
    ends(at + 2) &&
    tokens[at - 1]?.kind === 'word'
  )
    return {
      value: { kind: 'count', count: NUMBER_WORDS[spoken.lower] ?? 0, noun },
      next: at + 2,
      suspect: false,
      behind: true,
    };
  if (first !== undefined && ['qty', 'quantity', 'pcs', 'no'].includes(first.lower)) {
    const number = at + (['.', ':'].includes(tokens[at + 1]?.text ?? '') ? 2 : 1);
    return ends(number + 1) ? found(tokens[number], number + 1) : undefined;
  }
  // The last column of a list.
  const wide = first !== undefined && first.start - (tokens[at - 1]?.end ?? first.start) >= 2;
  if (wide && first?.kind === 'number' && (tokens[at + 1] === undefined || tokens[at + 1]?.kind === 'break'))
    return found(first, at + 1);
  const last = tokens[at + 2];
  if (
    first !== undefined &&
    /^[-–:|=]$/.test(first.text) &&
    !(tokens[at - 1]?.kind === 'number' && touching(tokens[at - 1], first)) &&
    (last === undefined || last.kind === 'break')
  )
    return found(tokens[at + 1], at + 2);
  return undefined;
}
