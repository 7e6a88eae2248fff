import { countedRun } from './counted-run.ts';
import { countIn, itemOf, LEADING, singleOf } from './packing-item.ts';
import { FEW_PIECES, type Line, type PackingLine } from './packing-line.ts';
import { ABBREVIATION, isSpoken } from './sentence.ts';
import type { Span } from './token.ts';

const NUMBER_WORD = '(?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|sixteen|twenty)';

const FASTENERS = '(?:bolts?|heads?|nuts?|screws?|washers?|studs?|clips?|pins?|brackets?|plates?|spacers?|sleeves?)';

/** Said without a comma: `two M12 by 40 bolts class ten nine two flange nuts`. */
const NEXT_SAID = new RegExp(
  `^\\s+(?=${NUMBER_WORD}\\s+m\\s(?:five|six|eight|ten|twelve|fourteen)\\b|${NUMBER_WORD}\\s+(?:(?!${NUMBER_WORD}\\b)[\\p{L}-]+\\s+){0,3}${FASTENERS}\\b)`,
  'iu',
);

export const NAMES_FASTENER = new RegExp(`\\b${FASTENERS}\\b`, 'i');

const REACH_AHEAD = 60;

/** `②`: the number of a piece in a circle, before its name. */
const CIRCLED = /[\u2460-\u2473]/;

const circledLabel = (text: string): string | undefined =>
  CIRCLED.test(text[0] ?? '') ? String((text.codePointAt(0) ?? 0) - 0x245f) : undefined;

/** Splits a written list at its commas, strokes and `and`, not inside brackets. */
function piecesOf(text: string, start: number): Array<Span & { text: string }> {
  const pieces: Array<Span & { text: string }> = [];
  let [depth, from] = [0, 0];
  const close = (to: number) => {
    const raw = text.slice(from, to);
    const lead = raw.length - raw.trimStart().length;
    if (raw.trim() !== '')
      pieces.push({ text: raw.trim(), start: start + from + lead, end: start + from + lead + raw.trim().length });
  };
  for (let at = 0; at < text.length; at++) {
    const sign = text[at] ?? '';
    if (CIRCLED.test(sign)) {
      close(at);
      from = at;
      continue;
    }
    if (sign === '(') depth++;
    if (sign === ')') depth = Math.max(0, depth - 1);
    if (depth > 0) continue;
    const next = text.slice(at, at + 24);
    const joint =
      /^\s+(?:and|plus|&)\s+(?=\d|(?:as many|the same|an?(?! (?:half|quarter|third|eighth)\b)|the|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|(?:thir|four|fif|six|seven|eigh|nine)teen|(?:twen|thir|for|fif|six|seven|eigh|nine)ty)[\s-])/i.exec(
        next,
      ) ??
      // `4 U-bolts 9/16 w/ 8 nuts`
      (NAMES_FASTENER.test(text.slice(from, at))
        ? /^\s+w(?:\/|ith)\s+(?=\d{1,2} (?:\p{L}+ ){0,2}(?:nuts?|washers?|bolts?|screws?)\b)/iu.exec(next)
        : undefined) ??
      /^\s+[/·•|]\s+/.exec(next) ??
      // `4 no. M10 x 30` goes on behind its stop.
      (ABBREVIATION.test(text.slice(Math.max(0, at - 6), at)) ? undefined : /^\.\s+(?=\p{Lu})/u.exec(next)) ??
      /^\s{3,}(?=\(?\d{1,3}\)?\s?[x×]?\s)/.exec(next) ??
      (sign === ' ' && NAMES_FASTENER.test(text.slice(from, at))
        ? NEXT_SAID.exec(text.slice(at, at + REACH_AHEAD))
        : undefined);
    const comma = (sign === ',' && !/^,\d/.test(next)) || sign === ';';
    if (!comma && !joint) continue;
    close(at);
    from = at + (joint ? joint[0].length : 1);
    at = from - 1;
  }
  close(text.length);
  return pieces;
}

/** `bag of fixings (4 no. M10 x 30, 4 no. M10 nut)`: what a bag holds, piece by piece. */
function unpacked(piece: Span & { text: string }): Array<Span & { text: string }> {
  const held = /\(([^()]*[,;][^()]*)\)\s*$/.exec(piece.text);
  if (!held) return [piece];
  const inside = piecesOf(held[1] ?? '', piece.start + held.index + 1);
  // `8 off M10 washers (4 flat, 4 spring)`: the bracket says which they are.
  const outer = itemOf(piece.text.slice(0, held.index));
  const kinds = inside.map(({ text }) => itemOf(text));
  if (outer && outer.count > 1 && kinds.reduce((sum, kind) => sum + (kind?.count ?? Number.NaN), 0) === outer.count)
    return inside.map((kind) => ({ ...kind, text: `${kind.text} ${outer.item}` }));
  return inside.length >= 2 && inside.every(({ text }) => itemOf(text) !== undefined) ? inside : [piece];
}

/** `Castle nut, 3/4-16, 1.`: the count after the last comma, of each item in turn. */
const COUNT_BEHIND =
  /([^.;]*?(?:\d\.\d[^.;]*?)*?),\s*(\d{1,3}|one|two|three|four|five|six|eight|ten|twelve)(?: of them)?(?:\s*\([^)]*\))?(?=[.,;](?:\s|$)|\s*$)/gi;

/** A size, a class or a finish alone: it says more of the piece before it. */
const OF_THE_SAME =
  /^(?:M\d{1,2}(?: ?[x×] ?[\d.]+)*|#?\d{1,2}(?:\/\d{1,2})?-\d{2}(?: ?[x×] ?[\d./-]+)?|\d{1,2}\.\d|(?:cl(?:ass)?|gr(?:ade)?)\b.{0,8}|A[24]-\d{2}|(?:zinc|black|stainless|plated|galvani[sz]ed|yellow)\b.{0,20})\.?$/i;

/**
 * The items of a list that is written out in a line or over several.
 *
 * @param headed - a heading says that all of it is pieces: what bears no number is there once
 */
export function writtenItems(text: string, start: number, headed = false): PackingLine[] {
  const behind = [...text.matchAll(COUNT_BEHIND)].filter(
    // `shim pack (0.5, 1, 2 mm)`: a comma within brackets parts no pieces.
    ([, item = '']) => /\p{L}{3}/u.test(item) && !/^\s*\d(?!\/\d)/.test(item) && !/\([^)]*$/.test(item),
  );
  if (behind.length > 1 || (behind.length === 1 && !LEADING.test(text.trim())))
    return behind.flatMap((match) => {
      const item = (match[1] ?? '').replace(/^[\s,.;]*(?:(?:and|with|plus)\s+)?/i, '').replace(/\s+/g, ' ');
      const count = countIn(match[2] ?? '');
      const lead = match[0].length - match[0].replace(/^[\s,.;]+/, '').length;
      return count === undefined || !/\p{L}{2}/u.test(item)
        ? []
        : [{ start: start + match.index + lead, end: start + match.index + match[0].length, count, item }];
    });
  let last = 0;
  // `A) the bar, B) two plates, C) 6 nuts`: each with its letter.
  const lettered = (text.match(LETTER_BEFORE) ?? []).length >= FEW_LETTERED;
  const pieces = piecesOf(text, start)
    .flatMap(unpacked)
    .filter(({ text: piece }) => !ONLY_SIDES.test(piece))
    .map((written) => {
      const letter = lettered ? LETTER_HEADS.exec(written.text) : null;
      const piece = letter
        ? { ...written, text: written.text.slice(letter[0].length), letter: letter[1]?.toLowerCase() }
        : { ...written, letter: undefined };
      const asMany = AS_MANY.exec(piece.text)?.[1];
      const item =
        asMany !== undefined && last > 0 ? { count: last, item: asMany } : itemOf(piece.text.replace(CIRCLED, ''));
      last = item?.count ?? last;
      return { piece, item };
    });
  // `6 hex bolts, M10 x 1.25 x 45, 10.9`: one thing, its size and class behind commas.
  const [first, ...rest] = pieces;
  const lastPiece = rest.at(-1)?.piece;
  if (
    first?.item &&
    lastPiece &&
    rest.every(({ piece, item }) => item === undefined && OF_THE_SAME.test(piece.text.trim()))
  )
    return [
      {
        start: first.piece.start,
        end: lastPiece.end,
        count: first.item.count,
        item: [first.item.item, ...rest.map(({ piece }) => piece.text.trim())].join(', '),
      },
    ];
  // `Lower ball studs, 10 mm hex (2)`: a row that counts once, at its end, is of one thing.
  const whole = itemOf(text);
  if (
    whole &&
    rest.length > 0 &&
    lastPiece &&
    first?.item === undefined &&
    pieces.filter(({ item }) => item !== undefined).length === 1 &&
    /^\s*\p{L}[^(]*\(\d{1,3}(?: (?:of )?each)?\)\s*$/u.test(text)
  )
    return [{ start: (first as (typeof pieces)[number]).piece.start, end: lastPiece.end, ...whole }];
  const counted = pieces.filter(({ item }) => item !== undefined).length;
  return pieces.flatMap(({ piece, item }) => {
    const once =
      headed && counted > 0 ? onceIn(piece.text) : counted >= AMONG_COUNTED ? singleOf(piece.text) : undefined;
    const named = item ?? once;
    const label = piece.letter ?? circledLabel(piece.text);
    return named ? [{ start: piece.start, end: piece.end, ...named, ...(label === undefined ? {} : { label }) }] : [];
  });
}

const LETTER_BEFORE = /(?<=^|,|;|\band)\s*\(?[A-Z]\)\s+(?=\S)/g;
const LETTER_HEADS = /^\s*(?:and )?\(?([A-Z])\)\s+/;
const FEW_LETTERED = 3;

/** What a piece is like, behind a comma. */
const FINISH =
  /^(?:zinc|yellow|black|silver|blue|clear|stainless|plated|galvani[sz]ed|passivated|painted|coated|powder|anodi[sz]ed|chromed?|polished|raw|bare|heavy|long|short|assembled|complete|pre-?(?:assembled|drilled|applied|fitted)|both|each)\b/i;

/** One thing without a number, behind a heading: `recovery point left and right` are two. */
function onceIn(text: string): { count: number; item: string } | undefined {
  const item = text.replace(/[.,;]+$/, '').replace(/^(?:and|plus) /i, '');
  if (
    !/^\p{L}[\p{L}\d /-]{1,40}$/u.test(item) ||
    /^(?:see|as|all|for|not|if)\b|\b(?:for|of) (?:all|each|every|them|it)\b|\d ?x?$/i.test(item) ||
    FINISH.test(item)
  )
    return undefined;
  return { count: /\bleft (?:and|&|\/|\+) right$/i.test(item) ? 2 : 1, item: item.replace(/^(?:the|an?) /i, '') };
}

/** `2 feet, 1 left 1 right`: says of the piece before it which sides it is for. */
const ONLY_SIDES =
  /^(?:and )?(?:1|one) (?:left|right|lh|rh)(?:(?:,? (?:and )?| ?\/ ?)(?:1|one) (?:left|right|lh|rh))?\.?$/i;

/** `Eight bolts and as many nuts`: counted by what stands before it. */
const AS_MANY = /^(?:and )?(?:as many|the same number of) (\p{L}.+)/iu;

/** How many counted pieces make one without a number a piece of its own: `Frame, two side plates, eight bolts`. */
const AMONG_COUNTED = 2;

/** Where a sentence ends that begins at a place: at a stop that is no abbreviation's, or at an empty line. */
export function sentenceEnd(text: string, from: number): number {
  if (isSpoken(text)) {
    const end = text.indexOf('\n', from);
    return end < 0 ? text.length : end;
  }
  for (const match of text
    .slice(from, from + 3000)
    .matchAll(/\.(?=\s+[A-Z]|\s*\n|\s*$)|\n\s*\n|(?<![,/]\s*)\n(?=\s*\p{Lu}\p{Ll}{2})/gu)) {
    const at = from + match.index;
    if (
      match[0] === '.' &&
      ABBREVIATION.test(text.slice(Math.max(0, at - 6), at)) &&
      !/^\.\s*\n/.test(text.slice(at, at + 3))
    )
      continue;
    return at;
  }
  return Math.min(text.length, from + 3000);
}

/** A heading and its list in strokes: `Carton: arm / bracket / 5 pcs M10 bolts`. */
export const STROKES =
  /^\W{0,4}(?:\d{1,2}\/\s*)?(?:\p{L}[\p{L} ]{2,30}:\s+|(?:parts|contents?|hardware|kit|carton|box|bag)\s{2,})(?=[^:\n]* [/|] [^:\n]* [/|] )/iu;

/** The items between strokes: what bears no number is there once. */
export const strokedItems = (text: string, start: number): PackingLine[] =>
  piecesOf(text, start).flatMap((piece) => {
    const bare = piece.text.replace(/[.,;]+$/, '');
    const item = itemOf(bare) ?? (/^\p{L}[\p{L} -]{1,40}$/u.test(bare) ? { count: 1, item: bare } : undefined);
    return item ? [{ start: piece.start, end: piece.end, ...item }] : [];
  });

/** Longest list written in one sentence, characters. */
const LONGEST_RUN = 700;

/** `① bracket 4x   ② T-slot nut M8 8x`: pieces with their numbers in circles, each counted behind. */
export function circledRun({ text, start }: Line): PackingLine[] {
  if (text.length > LONGEST_RUN || !CIRCLED.test(text.trimStart()[0] ?? '')) return [];
  const items = piecesOf(text, start).flatMap((piece) => {
    const label = circledLabel(piece.text);
    const [, item, count] = /^.\s*(\S.*?)\s+(\d{1,3}) ?[x×]$/u.exec(piece.text) ?? [];
    return item === undefined || label === undefined
      ? []
      : [{ start: piece.start, end: piece.end, count: Number(count), item, label }];
  });
  return items.length >= FEW_PIECES ? items : [];
}

/** `1 crossbar   2 side arms   4 spacer plates`: pieces counted beside one another, with nothing else in their line. */
export function countedCells({ text, start }: Line): PackingLine[] {
  if (text.length > LONGEST_RUN) return [];
  const cells = [...text.matchAll(/\S(?:(?! {2}|\t).)*/g)];
  const items = cells.flatMap((cell) => {
    const plain = cell[0].trim();
    // `Cooler core (1)`, counted behind.
    const [, named, many] = /^(\S.{2,50}?) \((\d{1,3})(?: ?(?:x|off|pcs))?\)$/.exec(plain) ?? [];
    const [, count = many, item = named] = /^(\d{1,2}) ?(?:x )?(\p{L}[\p{L} -]{2,40})$/u.exec(plain) ?? [];
    return count === undefined || item === undefined
      ? []
      : [{ start: start + cell.index, end: start + cell.index + cell[0].trimEnd().length, count: Number(count), item }];
  });
  return items.length >= FEW_PIECES && items.length === cells.length ? items : [];
}

/** The list that a sentence beginning in a line counts out without a heading. */
export function runIn(lines: readonly Line[], at: number, text: string): (Span & { items: PackingLine[] }) | undefined {
  const line = lines[at] as Line;
  if (!/\d|\b(?:two|four|six|eight)\b/i.test(line.text) || !/[,;]/.test(line.text)) return undefined;
  for (const head of line.text.matchAll(/(?:^|[.:!?]\s+)(?=\S)/g)) {
    const start = line.start + head.index + head[0].length;
    const most = Math.min(sentenceEnd(text, start), start + LONGEST_RUN);
    const next = text.slice(start, most).search(/\n\s*(?:[-•*▪]|\(?\d{1,2}[.):])\s/);
    const end = next < 0 ? most : start + next;
    const run = countedRun(text.slice(start, end), piecesOf);
    const items = run && writtenItems(text.slice(start + run.start, end), start + run.start);
    if (items && items.length >= FEW_PIECES) return { start, end, items };
  }
  return undefined;
}
