import type { DriveSize } from '../fastener/drive.ts';
import { readPropertyClass } from '../fastener/property-class.ts';
import { seriesOfPitch, standardPitchMm } from '../fastener/standard-thread.ts';
import { metricThread, parseThread, type Thread, unifiedThread } from '../fastener/thread.ts';
import { dimensionOf, MM_PER_INCH, toBase, type UnitName } from '../quantity/unit.ts';
import type { FactValue } from './fact.ts';
import { ACTIONS, ADJECTIVES, DRIVE_TOOLS, HARDWARE } from './lexicon.ts';
import { quantityAt, quantityOf } from './quantity-phrase.ts';
import { misreadNumber, type Token } from './token.ts';

export interface Phrase {
  value: FactValue;
  /** Of a count: it stands behind what it counts. */
  behind?: true;
  next: number;
  suspect: boolean;
  /** Of a torque: its unit stands nowhere on the sheet. */
  noUnit?: true;
}

export const CROSS = new Set(['x', '×', '*']);
export const touching = (a: Token | undefined, b: Token | undefined): boolean =>
  a !== undefined && b !== undefined && a.end === b.start;

/** `by 40 degrees`, `by 2 turns`: how far a bolt is turned, and not how long it is. */
const TURNED = /^(?:°|deg\w*|turns?|flats?|notch\w*|clicks?|%|percent)$/;

/** A length after a thread: `x 55`, `× 30 mm`, `x 1-1/4"`, and as it is said: `by 40`. */
function lengthAt(tokens: readonly Token[], at: number, inch: boolean): { lengthMm: number; next: number } | undefined {
  const number = tokens[at + 1];
  if (number?.kind !== 'number' || number.value === undefined) return undefined;
  const unit = tokens[at + 2];
  const said = tokens[at]?.lower === 'by' && !TURNED.test(unit?.lower ?? '');
  if (!said && !CROSS.has(tokens[at]?.lower ?? '')) return undefined;
  const isInch = unit?.text === '"' || unit?.text === '″' || (inch && unit?.lower !== 'mm');
  // `M10 x 60 in stead of 40`: no metric bolt is long in inches.
  const takes = unit?.text === '"' || unit?.text === '″' || (inch && unit?.lower === 'in') || unit?.lower === 'mm';
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

/** Shortest and longest bolt whose length is told behind a dash, mm. */
const DASHED_LENGTH = { least: 8, most: 400 };

/** `M10x1.5-55`: behind a pitch a whole number is the length; `-6g` is a fit, `-0316` a number of the sheet's. */
function dashedLength(tokens: readonly Token[], at: number): number | undefined {
  const [dash, length, behind] = [tokens[at], tokens[at + 1], tokens[at + 2]];
  if (dash?.text !== '-' || !touching(tokens[at - 1], dash) || !touching(dash, length)) return undefined;
  if (!/^[1-9]\d{0,2}$/.test(length?.text ?? '') || (touching(length, behind) && /^[\p{L}-]/u.test(behind?.text ?? '')))
    return undefined;
  const mm = Number(length?.text);
  return mm >= DASHED_LENGTH.least && mm <= DASHED_LENGTH.most ? mm : undefined;
}

/** `M10`, `M10x1.5`, `M10 × 1.5 × 55`, `M10-1.25 × 30 mm`, `M8x25`. */
/** No bolt is shorter than this, as a share of its diameter. Common practice, no source. */
const SHORTEST = 0.7;

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
  const lengthBehindDash = stated ? dashedLength(tokens, next) : undefined;
  if (lengthBehindDash !== undefined)
    return {
      value: { kind: 'thread', designation: metricThread(nominal, pitch).designation, lengthMm: lengthBehindDash },
      next: next + 2,
      suspect: misread !== undefined,
    };
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
  // `flange nut M10 ×6`: shorter than it is thick, it is a count.
  if (length && length.lengthMm >= 4 && (length.lengthMm >= SHORTEST * nominal || tokens[next]?.lower === 'by'))
    return { value: { ...value, lengthMm: length.lengthMm }, next: length.next, suspect: misread !== undefined };
  return { value, next, suspect: misread !== undefined };
}

/** Sizes of bolts that are written in millimetres without an `M`, mm. */
const BARE_SIZES = { least: 5, most: 24 };

/** `10mm x 1.25`, `12mm-1.75 x 40mm`: a size without its `M`, known by a pitch that belongs to it. */
function millimetresAt(tokens: readonly Token[], at: number): Phrase | undefined {
  const [size, mm, joint, pitch] = [tokens[at], tokens[at + 1], tokens[at + 2], tokens[at + 3]];
  if (size?.kind !== 'number' || size.value === undefined || mm?.lower !== 'mm' || pitch?.kind !== 'number')
    return undefined;
  if (!joint || !(CROSS.has(joint.lower) || joint.text === '-') || touching(tokens[at - 1], size)) return undefined;
  if (!Number.isInteger(size.value) || size.value < BARE_SIZES.least || size.value > BARE_SIZES.most) return undefined;
  // A pitch is written with its decimals: `10 mm x 2` may be anything.
  const isPitch = /^[0-3][.,]\d{1,2}$/.test(pitch.text) && pitch.value !== undefined;
  if (!isPitch || seriesOfPitch('metric', size.value, pitch.value as number) === 'other') return undefined;
  const next = at + (tokens[at + 4]?.lower === 'mm' ? 5 : 4);
  const length = lengthAt(tokens, next, false);
  const longEnough = length !== undefined && length.lengthMm >= SHORTEST * size.value;
  return {
    value: {
      kind: 'thread',
      designation: metricThread(size.value, pitch.value as number).designation,
      ...(longEnough ? { lengthMm: length.lengthMm } : {}),
    },
    next: longEnough ? length.next : next,
    suspect: false,
  };
}

/** Tokens of `U.N.F.` */
const POINTED_SERIES = 6;
/** `U.N.F.`, `U.N.C.`: a series with its points; undefined where none stands. */
function pointedSeries(tokens: readonly Token[], at: number): 'unf' | 'unc' | undefined {
  const signs = tokens
    .slice(at, at + POINTED_SERIES)
    .map(({ lower }) => lower)
    .join('');
  return signs === 'u.n.f.' ? 'unf' : signs === 'u.n.c.' ? 'unc' : undefined;
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
  if (!hash && !screw && !/[/¼½¾⅛⅜⅝⅞]/.test(size.text)) return undefined;
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
    // `3/8 in. U.N.F.`
    const past = ['in', 'inch', '"'].includes(tokens[next]?.lower ?? '')
      ? next + (tokens[next + 1]?.text === '.' ? 2 : 1)
      : next;
    const pointed = pointedSeries(tokens, past);
    if (pointed !== undefined || /^un[cf]$/.test(tokens[past]?.lower ?? '')) next = past;
    const series = pointed ?? tokens[next]?.lower;
    if (series === 'coarse' || series === 'fine' || series === 'unc' || series === 'unf') {
      const pitch = standardPitchMm(
        'unified',
        size.value * MM_PER_INCH,
        series === 'fine' || series === 'unf' ? 'fine' : 'coarse',
      );
      if (pitch !== undefined) thread = unifiedThread(size.value, Math.round(MM_PER_INCH / pitch));
      next += pointed === undefined ? 1 : POINTED_SERIES;
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
  metricAt(tokens, at) ?? millimetresAt(tokens, at) ?? unifiedAt(tokens, at) ?? numberedScrewAt(tokens, at);

/** How far behind its `M` a class may stand: `M10 x 1.5 x 55 mm 10.9`. */
const CLASS_BEHIND_SIZE = 8;
/** `M10x1.5-55 10.9`: right behind a size, and before no unit. */
function isBareClass(tokens: readonly Token[], at: number): boolean {
  const [before, own, behind] = [tokens[at - 1], tokens[at], tokens[at + 1]];
  if (!/^(?:8\.8|10\.9|12\.9)$/.test(own?.text ?? '') || touching(before, own)) return false;
  if (before?.kind !== 'number' && before?.lower !== 'mm') return false;
  if (
    behind?.kind === 'number' ||
    (touching(own, behind) && /^[\p{L}/-]/u.test(behind?.text ?? '')) ||
    /^(?:n|nm|mm|kg|kgm|kgf|ft|lb|in|bar|l|ml|deg|°|x|×)$/.test(behind?.lower ?? '')
  )
    return false;
  return tokens
    .slice(Math.max(0, at - CLASS_BEHIND_SIZE), at)
    .some(({ text, kind }) => kind === 'word' && /^M$/i.test(text));
}

/** Classes as they are said: `ten nine`. */
const SAID_CLASSES: Record<string, string> = {
  'eight eight': '8.8',
  'ten nine': '10.9',
  'twelve nine': '12.9',
};

/** `class 10.9`, `cl.10`, `grade 8`, `Gr. 5`, `property class 8.8`; said behind a length, `fifty long ten nine`. */
export function propertyClassAt(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
  const said = SAID_CLASSES[`${tokens[at]?.lower} ${tokens[at + 1]?.lower}`];
  if (said !== undefined && ['long', 'class', 'grade'].includes(tokens[at - 1]?.lower ?? ''))
    return { value: { kind: 'propertyClass', propertyClass: said }, next: at + 2, suspect: false };
  if (isBareClass(tokens, at))
    return { value: { kind: 'propertyClass', propertyClass: tokens[at]?.text ?? '' }, next: at + 1, suspect: false };
  const word = tokens[at]?.lower === 'cl' ? 'class' : tokens[at]?.lower;
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
  // `(4) 1/2" bolts` beside `1/2-13`: what they are called by, and no head.
  // So is `1/2" bolts` beside `1/2" x 1-1/2"`, or above a row of a chart.
  const called =
    inch &&
    new RegExp(
      `(?<![\\d/])${tokens[at]?.text.replace('.', '\\.') ?? ''}(?:-\\d{2}\\b|["”″]? ?[x×] ?\\d|["”″]?[ \\t]{2,}\\d)`,
      'm',
    ).test(source);
  // What stands behind a cross is a length.
  if (inch && /^[x×]$/.test(tokens[at - 1]?.lower ?? '') && noun && !DRIVE_TOOLS.has(noun.word)) return undefined;
  if (called && noun && !DRIVE_TOOLS.has(noun.word)) return undefined;
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
