import { dimensionOf, type TorqueUnit, toBase } from '../quantity/unit.ts';
import type { Aftercare } from './aftercare-phrase.ts';
import { bareFigures, spreadAt, tabled, turnWithoutUnit, unevenSpreadAt } from './bare-figure.ts';
import { countAt, pronounCountAt, shareAt, trailingCountAt } from './count-phrase.ts';
import { drives } from './drive-phrase.ts';
import type { Fact, FactValue, TorqueValue } from './fact.ts';
import { type Phrase, sizedAt } from './fastener-phrase.ts';
import { NO_UNIT } from './give-roles.ts';
import { HARDWARE, NUMBER_WORDS } from './lexicon.ts';
import { printedOrders } from './order-phrase.ts';
import type { SheetList } from './packing-line.ts';
import { placeIn } from './place-in.ts';
import { quantityAt, quantityOf } from './quantity-phrase.ts';
import { fieldCounts, turnBelow } from './record-lines.ts';
import { type ShopLexicon, shopWords } from './shop-lexicon.ts';
import { anyThreadAt } from './spoken-thread.ts';
import type { SheetStep } from './step-split.ts';
import { PROPERTY_CLASS, type Sensed } from './table.ts';
import { misreadNumber, type Span, type Token, tokenize } from './token.ts';
import { angleAt, limitAt, pairAgrees, torqueAt } from './torque-phrase.ts';
import { WORD_MATCHERS } from './word-phrase.ts';

/** What a row counts that has a torque. */
const TIGHTENED_NOUN = /^(?:bolt|nut|screw|stud|capscrew|setscrew|locknut|clamp|head|eye|plug|band|knob)$/;

/** `7/16" bolts`: pieces that are called by a size in inches. */
const INCH_OF_PIECES = /^(\d{1,2}\/\d{1,2})["”″] (?:bolts|screws|nuts|hardware|fasteners)\b/i;
const INCH_REACH = 24;

/** A number that may take the unit of a later one: `M12 90, M10 40 and M8 20 ft-lb`. */
interface Waiting {
  value: number;
  span: Span;
  about?: string;
}

const SEPARATORS = new Set([':', '=', '-', '–', 'to', 'at', 'is', 'bolt', 'bolts', 'nut', 'nuts', '..', '.']);

/** Confidence of a figure whose unit is said elsewhere in the sheet, and not in a heading over it. */
const CARRIED = 0.7;

/** `four little ones, M8`: the size behind says that they are bolts. */
const ONES_SIZED = /^\w+ (?:\w+ )?ones?(?: each)?, M\d/;

/** What is known of a sheet before it is read token by token. */
export interface SheetLayout {
  text: string;
  steps: readonly SheetStep[];
  /** The list a place stands in. */
  listed(place: number): SheetList | undefined;
  /** Labels the packing lists give their lines. */
  labels: ReadonlySet<string>;
  due: ReadonlyArray<Span & { value: Aftercare }>;
  /** What the tables' headings say of their cells. */
  senses: ReadonlyMap<number, Sensed>;
}

/**
 * Reads a sheet from token to token: small phrases are tried at each in a fixed order, and what is read is not read
 * twice. Linear in the length of the text.
 */
export function readTokens({ text, steps, listed, labels, due, senses }: SheetLayout, lexicon: ShopLexicon): Fact[] {
  const shopWordAt = shopWords(lexicon);
  const inStep = placeIn(steps);
  // A line's end inside a sentence parts nothing.
  const tokens = tokenize(text).filter((token) => token.kind !== 'break' || inStep(token.start) === undefined);
  const dueAt = placeIn(due);
  // What the words around a size or a number say outright, and is read there and not token by token.
  const outright = new Map([...drives(text), ...printedOrders(text)].map((fact) => [fact.start, fact]));
  const facts: Fact[] = [];
  let step = 0;
  let waiting: Waiting[] = [];
  /** Thread or noun a torque most likely belongs to, in this step. */
  let about: string | undefined;
  /** It has its torque: a piece named behind it is another. */
  let figured = false;
  /** Piece last named in this line, for a count behind it. */
  let named: string | undefined;
  /** Piece last named in this step. */
  let lastPiece: string | undefined;
  /** And in the one before, which `all six` may stand for. */
  let pieceBefore: string | undefined;
  let at = 0;
  const add = (value: FactValue, span: Span, confidence: number, belongs?: string) => {
    if (value.kind === 'torque') figured = true;
    facts.push({ value, ...span, printed: text.slice(span.start, span.end), confidence, about: belongs, step });
  };
  // `Skid to crossmember, M8 (9)`: a size right before a number names the bolt.
  const justSized = (place: number): boolean => {
    const last = facts.at(-1);
    return (
      (last?.value.kind === 'thread' || last?.value.kind === 'drive') &&
      // `M5x12, qty 6`
      (/^[ \t]?$/.test(text.slice(last.end, place)) ||
        (/^, $/.test(text.slice(last.end, place)) && /^(?:qty|\p{L}+ off)\b/iu.test(text.slice(place, place + 10))))
    );
  };
  const torqueInRow = (place: number): boolean => {
    const [from, to] = [text.lastIndexOf('\n', place - 1) + 1, text.indexOf('\n', place)];
    return [...senses].some(
      ([start, { sense }]) => typeof sense === 'object' && start >= from && (to < 0 || start < to),
    );
  };
  const spanOf = (from: number, next: number): Span => ({
    start: tokens[from]?.start ?? 0,
    end: tokens[next - 1]?.end ?? 0,
  });
  const fields = fieldCounts(text);
  const figureWithoutUnit = bareFigures(text);
  const referenced = refersByNumber(text);
  // `bolt (9)` names a line of a packing list that is numbered.
  const isReference = (label: number): boolean => referenced || labels.has(String(label));
  const overSized = (index: number): number | undefined => {
    const told = outright.get(tokens[index]?.start ?? -1);
    if (told) {
      let next = index;
      while (next < tokens.length && (tokens[next] as Token).start < told.end) next++;
      return next;
    }
    const phrase = anyThreadAt(tokens, index, text) ?? sizedAt(tokens, index, text);
    // `(4) 5/8" washers`: a size of no kind stands between too.
    return (
      phrase?.next ?? (tokens[index]?.kind === 'number' ? quantityOf(tokens, index, text, 'length')?.next : undefined)
    );
  };

  while (at < tokens.length) {
    const token = tokens[at] as Token;
    while (step + 1 < steps.length && token.start >= (steps[step + 1]?.start ?? Number.POSITIVE_INFINITY)) {
      step++;
      waiting = [];
      about = undefined;
      figured = false;
      pieceBefore = lastPiece ?? pieceBefore;
      lastPiece = undefined;
    }
    if (token.kind === 'break') {
      named = undefined;
      at++;
      continue;
    }
    // A due date's figures are no waits and no lengths.
    const later = token.kind === 'number' || NUMBER_WORDS[token.lower] !== undefined ? dueAt(token.start) : undefined;
    if (later) {
      while (at < tokens.length && (tokens[at] as Token).start < later.end) at++;
      continue;
    }
    // `7/16" bolts to 70 lbf·ft`: a size without a pitch.
    const inch =
      token.kind === 'number' ? INCH_OF_PIECES.exec(text.slice(token.start, token.start + INCH_REACH))?.[1] : undefined;
    if (inch !== undefined && sizedAt(tokens, at, text) === undefined) {
      about = `${inch}"`;
      figured = false;
    }
    // `bracket bolts (4)`: the last noun said is the one counted behind it.
    const piece = HARDWARE.get(token.lower);
    if (piece !== undefined) {
      // `M12 bolts to 65 ft-lbs, carriage bolts to 75`: these are others.
      if (figured && /^(?:bolt|nut|screw|stud|clamp)$/.test(piece)) about = undefined;
      named = piece;
      lastPiece = piece;
    }
    const told = outright.get(token.start);
    if (told) {
      let next = at;
      while (next < tokens.length && (tokens[next] as Token).start < told.end) next++;
      add(told.value, { start: told.start, end: told.end }, 1);
      at = next;
      continue;
    }
    const own = lexicon.length > 0 ? shopWordAt(tokens, at) : undefined;
    if (own) {
      add(own.value, spanOf(at, own.next), 1);
      at = own.next;
      continue;
    }
    const thread = anyThreadAt(tokens, at, text);
    if (thread && thread.value.kind === 'thread') {
      add(thread.value, spanOf(at, thread.next), thread.suspect ? 0.6 : 1);
      about = thread.value.designation;
      figured = false;
      at = thread.next;
      // A bare number right behind may wait for a unit further on.
      let next = at;
      while (SEPARATORS.has(tokens[next]?.lower ?? '')) next++;
      const bare = quantityAt(tokens, next, text);
      if (
        bare &&
        bare.unit === undefined &&
        bare.min === bare.max &&
        tokens[next]?.kind === 'number' &&
        !PROPERTY_CLASS.test(tokens[next]?.text ?? '') &&
        // What its column says counts, or names a line, is no torque.
        typeof senses.get(tokens[next]?.start ?? -1)?.sense !== 'string' &&
        torqueAt(tokens, next, text) === undefined &&
        !['off', 'pcs', 'pc', 'x', 'ea'].includes(tokens[next + 1]?.lower ?? '') &&
        thread.value.lengthMm === undefined
      )
        waiting.push({ value: bare.min, span: spanOf(next, next + 1), about });
      continue;
    }
    const counted = fields.get(token.start);
    if (counted !== undefined && token.value !== undefined) {
      const side = counted.perSide ? { perSide: true as const } : {};
      add({ kind: 'count', count: token.value, noun: counted.piece, ...side }, spanOf(at, at + 1), 1);
      at++;
      continue;
    }
    // `M10 10.9   55 Nm`: the class behind a size is no figure of its column.
    const ofSize =
      PROPERTY_CLASS.test(token.text) &&
      /\bM\d{1,2}(?: ?[x×] ?[\d.,]+)*\s+$/.test(text.slice(Math.max(0, token.start - 24), token.start));
    const sensed = ofSize ? undefined : senses.get(token.start);
    const sense = sensed?.sense;
    if (sense !== undefined) {
      const cell = quantityAt(tokens, at, text);
      const next = rangeEnd(tokens, at);
      if (
        (sense === 'count' || sense === 'countPerSide') &&
        !listed(token.start) &&
        token.value !== undefined &&
        Number.isInteger(token.value) &&
        (named !== undefined || torqueInRow(token.start))
      ) {
        // A row that has a torque counts what it tightens, whatever language it is called in.
        const each = sense === 'countPerSide' ? { perSide: true as const } : {};
        // `3+3`: both sides, each for itself.
        const [plus, other] = [tokens[at + 1], tokens[at + 2]];
        const both = plus?.text === '+' && other?.kind === 'number' && other.value !== undefined;
        // `2x4`: so many places with so many each.
        const times = /^[x×]$/i.test(plus?.text ?? '') && other?.kind === 'number' && other.value !== undefined;
        const count = both ? token.value + (other.value ?? 0) : times ? token.value * (other.value ?? 1) : token.value;
        const end = both || times ? at + 3 : next;
        // `Cradle to side plates | M10x25 | 6`: what is tightened there is counted, and no plates.
        const noun = named !== undefined && torqueInRow(token.start) && !TIGHTENED_NOUN.test(named) ? undefined : named;
        add({ kind: 'count', count, noun: noun ?? 'piece', ...each }, spanOf(at, end), named ? 1 : 0.8);
        at = end;
        continue;
      }
      // The length of the thread its row names.
      if (sense === 'length') {
        const sized = facts.findLast((fact) => fact.value.kind === 'thread');
        if (
          sized?.value.kind === 'thread' &&
          sized.value.lengthMm === undefined &&
          token.value &&
          !text.slice(sized.end, token.start).includes('\n')
        )
          sized.value = { ...sized.value, lengthMm: token.value };
        at = next;
        continue;
      }
      if (sense === 'label') {
        at = next;
        continue;
      }
      if (sense === 'drive' && token.value !== undefined && token.value >= 4 && token.value <= 60) {
        const end = tokens[at + 1]?.lower === 'mm' ? at + 2 : at + 1;
        const keyed = /^ ?\(?(?:(?:hex|allen) )?key\b/i.test(text.slice(spanOf(at, end).end));
        const kind = keyed ? 'hexKey' : 'hex';
        add({ kind: 'drive', drive: { kind, acrossFlatsMm: token.value }, describes: 'tool' }, spanOf(at, end), 0.9);
        at = end;
        continue;
      }
      // A scanner's `l3O` in a column of torques.
      const run = /^[lIO\d][lIOoS\d]{1,3}(?!\w)/.exec(text.slice(token.start, token.start + 6))?.[0] ?? '';
      const misread = misreadNumber(run);
      if (typeof sense === 'object' && misread !== undefined) {
        let end = at;
        while (end < tokens.length && (tokens[end] as Token).start < token.start + run.length) end++;
        add({ kind: 'torque', ...tabled(misread, misread, sense.torque) }, spanOf(at, end), 0.5, about);
        at = end;
        continue;
      }
      // The unit at the end of a row is every figure's.
      if (
        typeof sense === 'object' &&
        cell !== undefined &&
        (cell.unit === undefined || sensed?.model !== undefined || sensed?.band !== undefined)
      ) {
        if (sensed?.band) {
          add({ kind: 'torque', ...banded(sensed.band, sense.torque) }, spanOf(at, at + 1), 0.85, about);
          waiting = [];
          at += 1;
          continue;
        }
        const spread = spreadAt(text, token.start);
        const uneven = unevenSpreadAt(text, token.start);
        const value = uneven
          ? tabled((token.value ?? 0) - uneven.less, (token.value ?? 0) + uneven.plus, sense.torque)
          : spread
            ? tabled((token.value ?? 0) - spread, (token.value ?? 0) + spread, sense.torque)
            : tabled(token.value ?? 0, tokens[next - 1]?.value ?? token.value ?? 0, sense.torque);
        const { second: other } = sensed ?? {};
        const number = other && tokens.find((entry) => entry.start === other.start)?.value;
        if (other && number !== undefined) {
          const agrees = pairAgrees({ value: value.max, unit: value.unit }, { value: number, unit: other.unit });
          const pair = { min: number, max: number, unit: other.unit, agrees };
          const behind = tokens.findIndex((entry) => entry.start === other.start) + 1;
          // In a row of its own it is read when its turn comes.
          const end = text.slice(token.start, other.start).includes('\n') ? next : behind;
          add({ kind: 'torque', ...value, pair }, spanOf(at, end), agrees ? 0.85 : 0.5, about);
          if (sensed?.model !== undefined) (facts.at(-1) as Fact).model = sensed.model;
          waiting = [];
          at = end;
          continue;
        }
        const before = facts.at(-1);
        // The same value in the next column's unit.
        // A third column says it once more, in a third unit.
        const third =
          before?.value.kind === 'torque' &&
          before.value.pair !== undefined &&
          ![before.value.unit, before.value.pair.unit].includes(value.unit) &&
          senses.has(before.start) &&
          !text.slice(before.end, token.start).includes('\n') &&
          pairAgrees({ value: before.value.max, unit: before.value.unit }, { value: value.max, unit: value.unit });
        if (third) {
          at = next;
          continue;
        }
        const second =
          before?.value.kind === 'torque' &&
          before.value.pair === undefined &&
          before.value.unit !== value.unit &&
          senses.has(before.start) &&
          !text.slice(before.end, token.start).includes('\n');
        if (second && before.value.kind === 'torque') {
          const agrees = pairAgrees(
            { value: before.value.max, unit: before.value.unit },
            { value: value.max, unit: value.unit },
          );
          before.value = { ...before.value, pair: { min: value.min, max: value.max, unit: value.unit, agrees } };
          if (!agrees) before.confidence = 0.5;
          waiting = [];
          at = next;
          continue;
        }
        // What the row says of it further on: `140 + 90 deg`, `85 not above 95`.
        const angle = angleAt(tokens, next, text);
        const limit = limitAt(tokens, angle?.next ?? next, text, value.unit);
        const whole = {
          ...value,
          ...(angle ? { angleDeg: angle.angleDeg } : {}),
          ...(limit ? { limitNm: limit.limitNm } : {}),
        };
        const end = limit?.next ?? angle?.next ?? next;
        add({ kind: 'torque', ...whole }, spanOf(at, end), 0.85, about);
        if (sensed?.model !== undefined) (facts.at(-1) as Fact).model = sensed.model;
        waiting = [];
        at = end;
        continue;
      }
    }
    const torque = torqueAt(tokens, at, text);
    // Nothing is tightened to nought.
    if (torque && torque.value.max > 0) {
      const belongs = about;
      for (const { value, span, about: whose } of waiting) {
        const { unit } = torque.value;
        add(carried(value, unit), span, 0.85, whose);
      }
      waiting = [];
      const doubt = torque.suspect ? 0.6 : torque.value.pair?.agrees === false ? 0.5 : 1;
      const span = spanOf(at, torque.next);
      const angleDeg = torque.value.angleDeg ?? turnBelow(text, span.end);
      add({ kind: 'torque', ...torque.value, ...(angleDeg === undefined ? {} : { angleDeg }) }, span, doubt, belongs);
      at = torque.next;
      continue;
    }
    const carriedOn = figureWithoutUnit(tokens, at, facts);
    if (carriedOn) {
      add(carriedOn.value, spanOf(at, carriedOn.next), carriedOn.noUnit ? NO_UNIT : CARRIED, about);
      at = carriedOn.next;
      continue;
    }
    const spokenTurn = turnWithoutUnit(tokens, at, text, facts);
    if (spokenTurn) {
      add(spokenTurn.value, spanOf(at, spokenTurn.next), CARRIED, about);
      at = spokenTurn.next;
      continue;
    }
    const inList = listed(token.start) !== undefined;
    // `socket screws, 30, 8 mm hex`: no count behind a comma where it is a figure.
    if (token.text === ',' && !inList && figureWithoutUnit(tokens, at + 1, facts)) {
      at++;
      continue;
    }
    // The number of a step counts nothing, and a cell's sense is known.
    const numbered = (token.kind === 'number' || token.text === '(') && inStep(token.start) === undefined;
    const celled = senses.has(token.start) || senses.has(tokens[at + 1]?.start ?? -1);
    const count =
      inList || numbered || celled
        ? undefined
        : (shareAt(tokens, at, sizedJustBefore(facts, token, text) ? 'bolt' : lastPiece) ??
          pronounCountAt(
            tokens,
            at,
            lastPiece ??
              (about === undefined && !ONES_SIZED.test(text.slice(token.start, token.start + 40))
                ? token.lower === 'all' || tokens[at - 1]?.lower === 'other'
                  ? pieceBefore
                  : undefined
                : 'bolt'),
            overSized,
          ) ??
          countAt(tokens, at, overSized, isReference) ??
          (named !== undefined || justSized(token.start)
            ? trailingCountAt(tokens, at, named ?? 'bolt', isReference)
            : undefined));
    if (count && count.value.kind === 'count') {
      const behind = count.behind === true;
      const span = spanOf(at, at + (token.text === '(' ? 3 : 1));
      const before = facts.at(-1);
      // `four (4) bolts`, `four bolts (4)`: said twice.
      const twice =
        before?.value.kind === 'count' &&
        before.value.count === count.value.count &&
        before.value.noun === count.value.noun &&
        before.step === step &&
        (behind || token.start - before.start < 12);
      if (behind) {
        if (!twice) add(count.value, spanOf(at, count.next), 1);
        named = undefined;
        at = count.next;
        continue;
      }
      if (twice) {
        at += token.text === '(' ? 3 : 1;
        continue;
      }
      add(count.value, { start: span.start, end: tokens[count.next - 1]?.end ?? span.end }, 1);
      about ??= count.value.noun;
      // What stands between number and noun is read for itself.
      at += token.text === '(' ? 3 : 1;
      if (tokens[at]?.lower === 'pair') at += 1;
      continue;
    }
    const sized = sizedAt(tokens, at, text);
    if (sized) {
      add(sized.value, spanOf(at, sized.next), sized.suspect ? 0.6 : 1);
      at = sized.next;
      continue;
    }
    let word: Phrase | undefined;
    for (const matcher of WORD_MATCHERS) {
      word = matcher(tokens, at, text);
      if (word) break;
    }
    if (word) {
      const assumed = word.suspect ? 0.7 : 1;
      // `1 bag (screws as above)` of a list tightens nothing; `same figure on the other side` is of the same joint.
      const ofSides = /^ (?:on|for|at) (?:the )?(?:other|opposite|both|each|left|right)\b/i.test(
        text.slice(spanOf(at, word.next).end, spanOf(at, word.next).end + 20),
      );
      if (word.value.kind === 'sameAsAbove' && (inList || ofSides)) {
        at = word.next;
        continue;
      }
      if (word.value.kind === 'sameAsAbove') {
        // `As above, but only 50 Nm`: the other figure holds.
        const other = /^,? but\b[^.;\n]{0,20}$/.test(
          text.slice(spanOf(at, word.next).end, spanOf(at, word.next).end + 5).split('\n')[0] ?? '',
        );
        const above = other ? undefined : facts.findLast((fact) => fact.value.kind === 'torque');
        add(above ? above.value : word.value, spanOf(at, word.next), 0.7, about);
      } else add(word.value, spanOf(at, word.next), assumed);
      at = word.next;
      continue;
    }
    const other = otherQuantity(tokens, at, text);
    if (other) {
      add(other.value, spanOf(at, other.next), other.suspect ? 0.6 : 0.9);
      at = other.next;
      continue;
    }
    at++;
  }
  return facts;
}

/** `Bracket to knuckle M12 x 30, 2 per side`: a size with its length is a bolt's, and is what is counted behind it. */
function sizedJustBefore(facts: readonly Fact[], token: Token, text: string): boolean {
  const last = facts.at(-1);
  return (
    last?.value.kind === 'thread' &&
    last.value.lengthMm !== undefined &&
    /^[ ,(]{1,3}$/.test(text.slice(last.end, token.start))
  );
}

/** A figure given by its ends and what is wanted between them. */
function banded(
  { min, nominal, max }: { min?: number; nominal?: number; max?: number },
  unit: TorqueUnit,
): TorqueValue {
  if (min !== undefined && max !== undefined)
    return { ...tabled(min, max, unit), ...(nominal === undefined ? {} : { nominal }) };
  const wanted = nominal ?? min ?? max ?? 0;
  return { ...tabled(wanted, wanted, unit), ...(max === undefined ? {} : { limitNm: toBase(max, unit) }) };
}

/** `four screws (3)`: a piece that was counted, and another number behind it. */
const COUNTED_AND_NUMBERED = new RegExp(
  String.raw`\b(${Object.keys(NUMBER_WORDS).join('|')}|\d{1,2}) (?:[\w-]+ ){0,2}(?:bolts?|nuts?|screws?|washers?|studs?|pins?|clips?|brackets?) \((\d{1,2})\)`,
  'gi',
);
/** Whether the numbers in brackets behind the sheet's pieces name them: two that are no count are enough. */
function refersByNumber(text: string): boolean {
  const others = [...text.matchAll(COUNTED_AND_NUMBERED)].filter(
    ([, counted = '', number]) => (NUMBER_WORDS[counted.toLowerCase()] ?? Number(counted)) !== Number(number),
  );
  return others.length > 1;
}

const carried = (value: number, unit: TorqueUnit): FactValue => ({ kind: 'torque', ...tabled(value, value, unit) });

/** Index after `45` or `45-50`. */
const rangeEnd = (tokens: readonly Token[], at: number): number =>
  /^(?:[-–…÷]|to)$/.test(tokens[at + 1]?.text ?? '') && tokens[at + 2]?.kind === 'number' ? at + 3 : at + 1;

const TORQUE_WORDS = new Set(['torque', 'tighten', 'torqued', 'tightened', 'torques']);

/** A length that no noun claimed, or a force where the sentence speaks of torque. */
function otherQuantity(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
  if (tokens[at]?.kind !== 'number') return undefined;
  const phrase = quantityAt(tokens, at, source);
  if (phrase?.unit === undefined) return undefined;
  const dimension = dimensionOf(phrase.unit);
  if (dimension === 'force' || dimension === 'mass') {
    const before = tokens.slice(Math.max(0, at - 8), at).map((token) => token.lower);
    if (before.some((word) => TORQUE_WORDS.has(word)))
      return {
        value: { kind: 'forceForTorque', value: phrase.max, unit: phrase.unit },
        next: phrase.next,
        suspect: true,
      };
    return undefined;
  }
  const length = quantityOf(tokens, at, source, 'length');
  return (
    length && {
      value: { kind: 'length', lengthMm: toBase(length.max, length.unit) },
      next: length.next,
      suspect: length.suspect,
    }
  );
}
