import { countedRun } from './counted-run.ts';
import type { Fact } from './fact.ts';
import { countIn, itemOf, LEADING, nounOf, singleOf } from './packing-item.ts';
import { ABBREVIATION, isSpoken } from './sentence.ts';
import { torqueUnitOf } from './sheet-unit.ts';
import { cellsOf } from './table.ts';
import type { Span } from './token.ts';

/**
 * What a list of the sheet names: pieces of the kit, tools that are wanted, torques for sizes in general; what a page carries
 * around the work; or the heading of a table.
 */
export interface SheetList extends Span {
  of: 'pieces' | 'tools' | 'chart' | 'page' | 'heading';
}

/** One line of a packing list. */
interface PackingLine extends Span {
  /** What the list calls the line: `9`, `c`. */
  label?: string;
  count: number;
  item: string;
}

/** Opens a list of pieces, as a heading or at the head of a sentence. */
const PIECES =
  /\b(?:(?<!\b(?:\d|stays?|left|remains?|bolts?|nuts?|screws?|them|pieces|one|two|three|four|five|six|eight|ten|twelve) )in (?:the|this|each|your) (?:box|bag|carton|kit|pack(?:et|age)?|crate|tin|parcel)|contents?(?: of (?:the )?(?:box|bag|carton|kit|pack\w*|crate))?|contenu|inhalt|contenido|contenuto|packing (?:list|note)|parts? (?:list|supplied|included|furnished|in (?:(?:the|this) )?(?:kit|box|bag|carton|crate))|list of (?:parts|pieces|components|contents)|parts list|hardware(?: list| kit| pack| bag)?|fastener (?:list|pack|kit)|(?:kit|set|box|bag|carton|pack(?:et)?|crate|package|delivery) (?:contains?|contents|list|holds?|includes?|comprises)|(?<=^\W{0,4})what(?:'s| is| you (?:got|get|will find|should have))?|what(?:'s| is)? in the (?:box|bag|carton|kit)|what you (?:got|get|will find|should have)|you (?:will )?(?:get|find|receive|should have)|you should (?:find|receive)|there (?:ought to|should) be(?= (?:two|three|four|six|eight|ten|twelve|\d+)\b)|(?:scope|extent) of (?:delivery|supply)|(?:delivery|supply) (?:scope|extent|contents?)|supplied(?: parts| with)?|included(?: parts)?|parts of (?:the )?kit|legend(?: of the (?:figure|drawing))?|bill of materials?|components|pieces|comes (?:with|as|in)|consists of|is made up of)\b/i;
const PIECES_ALONE =
  /^\s*(?:[A-Z\d]{1,3}[.)]\s+)?(?:parts?|kit|bag|box|carton|contents?|hardware|items?|supplied|you get|pack(?:age|et)?|fasteners?)(?: [A-Z\d]{1,3})?(?:\s*\([^)]*\))?(?: (?:per|each|a|for each|for one) side)?\s*:?\s*$/i;
const PER_SIDE = /\b(?:per|each|a|one) side\s*:?\s*$/i;
const TOOLS =
  /\b(?:what (?:tools )?(?:do|will|shall) (?:i|you|we) need|(?:which|what) (?:tools|spanners|sockets)\b|tools?(?: (?:required|needed|list|you (?:will )?need|to hand|recommended|and materials))?|you (?:will )?need|required tools?|special tools?|equipment needed|have (?:ready|to hand)|spanners to hand|workshop supplies|not supplied|not included)\b/i;
const HEADING_LENGTH = 76;
/** `What is in the bag?`: a heading that asks. */
const ASKS =
  /^\W*(?:Q[.:]\s+)?(?:what|which)\b.*\b(?:box|bag|carton|kit|pack\w*|crate|tin|parcel|get|find|comes?|supplied|included)\b.*\?$/i;
/** Names of tools: what stands below a heading that asks for them, with no count before it. */
const TOOL_NAME =
  /\b(?:sockets?|spanners?|wrench(?:es)?|ratchets?|(?:hex|allen) keys?|screwdrivers?|pliers|hammers?|mallets?|brush(?:es)?|jacks?|axle stands?|stands|drills?|bits?|pullers?|trestles?|tape measure|caliper|knife|saw|file)\b/i;

interface Line extends Span {
  text: string;
}

const linesOf = (text: string): Line[] => {
  const lines: Line[] = [];
  let start = 0;
  for (const line of text.split('\n')) {
    lines.push({ text: line, start, end: start + line.length });
    start += line.length + 1;
  }
  return lines;
};

const isRule = (line: string): boolean => /^[\s|+:=_*-]*$/.test(line) && line.trim() !== '';
/** A step of the work, and no line of a list. */
const isWork = (line: string): boolean =>
  /^\s*(?:step\s|par\.?\s|\d{1,2}[.)]\s|[A-Z][.)]\s|[IVX]+\.\s)/i.test(line) &&
  /\b(?:remove|fit|install|tighten|loosen|lift|raise|disconnect|place|put|bolt|attach|check|clean|drill|unscrew|take|undo|slide|refit|open|wait|demount|dismantle|unscrew|screw|free|draw|cut|mount|bring|lay|set|hang|push|turn|apply|torque|wash|park|jack|support|unplug|mark|measure|hold|raise)\b/i.test(
    line,
  );

/** A bag or another part of the kit that names its line: `Bag A (front):`, `2.1`, `Loose`. */
const BAG =
  /^\s*(?:(?:bag|box|pack(?:et)?|set|carton|loose|group|pos\.?)\s*[A-Z\d]{0,3}(?:\s*\([^)]*\))?\s*[:.–-]?\s{1,}|\d{1,2}\.\d{1,2}\s+|(?:[-•*▪]|\[ ?\])\s+)/i;

const NUMBER_WORD = '(?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|sixteen|twenty)';
const FASTENERS = '(?:bolts?|heads?|nuts?|screws?|washers?|studs?|clips?|pins?|brackets?|plates?|spacers?|sleeves?)';
/** Said without a comma: `two M12 by 40 bolts class ten nine two flange nuts`. */
const NEXT_SAID = new RegExp(
  `^\\s+(?=${NUMBER_WORD}\\s+m\\s(?:five|six|eight|ten|twelve|fourteen)\\b|${NUMBER_WORD}\\s+(?:(?!${NUMBER_WORD}\\b)[\\p{L}-]+\\s+){0,3}${FASTENERS}\\b)`,
  'iu',
);
const NAMES_FASTENER = new RegExp(`\\b${FASTENERS}\\b`, 'i');

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
  return inside.length >= 2 && inside.every(({ text }) => itemOf(text) !== undefined) ? inside : [piece];
}

/** `Castle nut, 3/4-16, 1.`: the count after the last comma, of each item in turn. */
const COUNT_BEHIND =
  /([^.;]*?(?:\d\.\d[^.;]*?)*?),\s*(\d{1,3}|one|two|three|four|five|six|eight|ten|twelve)(?: of them)?(?:\s*\([^)]*\))?(?=[.,;](?:\s|$)|\s*$)/gi;

/** A size, a class or a finish alone: it says more of the piece before it. */
const OF_THE_SAME =
  /^(?:M\d{1,2}(?: ?[x×] ?[\d.]+)*|#?\d{1,2}(?:\/\d{1,2})?-\d{2}(?: ?[x×] ?[\d./-]+)?|\d{1,2}\.\d|(?:cl(?:ass)?|gr(?:ade)?)\b.{0,8}|A[24]-\d{2}|(?:zinc|black|stainless|plated|galvani[sz]ed|yellow)\b.{0,20})\.?$/i;
/** The items of a list that is written out in a line or over several. */
function writtenItems(text: string, start: number): PackingLine[] {
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
  const pieces = piecesOf(text, start)
    .flatMap(unpacked)
    .filter(({ text: piece }) => !ONLY_SIDES.test(piece))
    .map((piece) => {
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
  const counted = pieces.filter(({ item }) => item !== undefined).length;
  return pieces.flatMap(({ piece, item }) => {
    const named = item ?? (counted >= AMONG_COUNTED ? singleOf(piece.text) : undefined);
    const label = circledLabel(piece.text);
    return named ? [{ start: piece.start, end: piece.end, ...named, ...(label === undefined ? {} : { label }) }] : [];
  });
}

/** `2 feet, 1 left 1 right`: says of the piece before it which sides it is for. */
const ONLY_SIDES =
  /^(?:and )?(?:1|one) (?:left|right|lh|rh)(?:(?:,? (?:and )?| ?\/ ?)(?:1|one) (?:left|right|lh|rh))?\.?$/i;
/** `Eight bolts and as many nuts`: counted by what stands before it. */
const AS_MANY = /^(?:and )?(?:as many|the same number of) (\p{L}.+)/iu;
/** How many counted pieces make one without a number a piece of its own: `Frame, two side plates, eight bolts`. */
const AMONG_COUNTED = 2;

/** Where a sentence ends that begins at a place: at a stop that is no abbreviation's, or at an empty line. */
function sentenceEnd(text: string, from: number): number {
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

/** What a sentence says before the list it opens. */
const OPENS_WRITTEN =
  /(?:^\W{0,3}(?:parts?|contents?|hardware|components)[*\])>]{1,2}\s+|\b(?:find|get|gets|got(?! the\b)|you have|you've got|should have|ought to have|holds?|comes (?:with|as)|consists of|is made up of|contains?|includes?|comprises|receive|supplied(?: are)?|(?:there )?(?:is|are|(?:ought to|should) be))\s+|:\s+)(?=(?:the|an?|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|n\.)\s|\(?\d|\p{L}[\p{L}-]*(?: [\p{L}-]+){0,4} ?\(?(?:[x×]\s?)?\d|\p{L}[\p{L} -]{2,24},\s+(?:an?|one|two|three|four|six|eight|\d+)\s)/iu;

/** An answer that begins to count at once. */
const ANSWERS =
  /^\s*(?:A[.:]\s+)?(?=(?:the|an?|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)\s|\(?\d)/i;
const FEW_PIECES = 3;
/** A heading and its list in strokes: `Carton: arm / bracket / 5 pcs M10 bolts`. */
const STROKES =
  /^\W{0,4}(?:\d{1,2}\/\s*)?(?:\p{L}[\p{L} ]{2,30}:\s+|(?:parts|contents?|hardware|kit|carton|box|bag)\s{2,})(?=[^:\n]* [/|] [^:\n]* [/|] )/iu;

/** The items between strokes: what bears no number is there once. */
const strokedItems = (text: string, start: number): PackingLine[] =>
  piecesOf(text, start).flatMap((piece) => {
    const bare = piece.text.replace(/[.,;]+$/, '');
    const item = itemOf(bare) ?? (/^\p{L}[\p{L} -]{1,40}$/u.test(bare) ? { count: 1, item: bare } : undefined);
    return item ? [{ start: piece.start, end: piece.end, ...item }] : [];
  });

/** Finds the lists of a sheet, and what its packing lists hold. Linear in the length of the text. */
export function packingLists(text: string): { lists: SheetList[]; lines: PackingLine[]; labels: ReadonlySet<string> } {
  const lines = linesOf(text);
  const lists: SheetList[] = [];
  const found: PackingLine[] = [];
  let at = 0;
  while (at < lines.length) {
    const line = lines[at] as Line;
    const bag =
      /^\s*(?:bag|box|pack(?:et)?) (?:[A-Z]\d?|\d{1,2})\b/i.test(line.text) && rowItem(line.text) !== undefined;
    const heading = bag ? 'pieces' : (headingOf(line.text) ?? headingInside(line.text));
    const styled = heading === undefined ? countedLines(lines, at) : 0;
    if (styled > 0) {
      const rows = lines.slice(at, at + styled).map((entry) => ({ ...entry }));
      lists.push({ start: line.start, end: (rows.at(-1) as Line).end, of: 'pieces' });
      found.push(...readRows(rows, text));
      at += styled;
      continue;
    }
    const opened = heading === undefined ? null : OPENS_WRITTEN.exec(line.text);
    if (heading !== undefined && opened && opened.index < 90) {
      const from = line.start + opened.index + opened[0].length;
      let end = sentenceEnd(text, from);
      // `… and eight washers. Plus four bolts for the tabs.`
      while (
        /^\.[ \t]+(?:plus|also|and|then there|in the (?:bag|box|other) (?:i counted|there are|are|you))\b/i.test(
          text.slice(end, end + 16),
        )
      )
        end = sentenceEnd(text, end + 1);
      const items = writtenItems(text.slice(from, end), from);
      if (items.length >= 2) {
        lists.push({ start: line.start, end, of: heading });
        if (heading === 'pieces') found.push(...items);
        while (at < lines.length && (lines[at] as Line).start < end) at++;
        continue;
      }
    }
    // `What you get. One cooler, two stays, …`, `Bolt legend: (P) M10x70 4 pcs   (Q) …`: in the line of its heading.
    const head = /^[^.:\n]{4,40}[.:][ \t]+(?=\S)/.exec(line.text)?.[0];
    const inLine =
      head !== undefined &&
      heading === 'pieces' &&
      // Between strokes each is a piece, counted or not.
      !STROKES.test(line.text) &&
      headingOf(head.trim().replace(/\.$/, ':')) === 'pieces';
    if (head !== undefined && inLine) {
      const from = line.start + head.length;
      const cells = letteredCells(line.text.slice(head.length), from);
      const end = cells.length > 0 ? line.end : sentenceEnd(text, from);
      const items = cells.length > 0 ? cells : writtenItems(text.slice(from, end), from);
      if (items.length >= (cells.length > 0 ? 2 : FEW_PIECES)) {
        lists.push({ start: line.start, end, of: 'pieces' });
        found.push(...items);
        while (at < lines.length && (lines[at] as Line).start < end) at++;
        continue;
      }
    }
    // `What is in the box? One damper, two brackets, …`
    const asked = /^[^?\n]{8,60}\?[ \t]+/.exec(line.text);
    const answerBehind =
      heading === 'pieces' && asked && ASKS.test(asked[0].trimEnd()) && ANSWERS.test(line.text.slice(asked[0].length));
    // `Carton: arm / hub bracket / 5 pcs M10 bolts`
    const strokes = heading === 'pieces' ? STROKES.exec(line.text) : null;
    if ((answerBehind && asked) || strokes) {
      const from = line.start + (strokes?.[0].length ?? asked?.[0].length ?? 0);
      const end = strokes ? line.end : sentenceEnd(text, from);
      const items = strokes ? strokedItems(text.slice(from, end), from) : writtenItems(text.slice(from, end), from);
      if (items.length >= FEW_PIECES) {
        lists.push({ start: line.start, end, of: 'pieces' });
        found.push(...items);
        while (at < lines.length && (lines[at] as Line).start < end) at++;
        continue;
      }
    }
    // `Q. What's in the box?` and below it `A. One bar, four bolts, …`.
    const answer = heading === 'pieces' && ASKS.test(line.text) ? ANSWERS.exec(lines[at + 1]?.text ?? '') : null;
    if (answer) {
      const from = (lines[at + 1] as Line).start + answer[0].length;
      const end = sentenceEnd(text, from);
      const items = writtenItems(text.slice(from, end), from);
      if (items.length >= FEW_PIECES) {
        lists.push({ start: line.start, end, of: 'pieces' });
        found.push(...items);
        while (at < lines.length && (lines[at] as Line).start < end) at++;
        continue;
      }
    }
    // What is said in one breath has its list there, and no rows below.
    const spoken = isSpoken(text) && line.text.length > HEADING_LENGTH;
    const block =
      heading === undefined || spoken ? undefined : rowsBelow(lines, bag ? at - 1 : at, nextNumber(line.text));
    if (heading !== undefined && block && block.rows.length > 0) {
      // `You need`: tools, or the pieces of the kit where its rows count hardware.
      const of = heading === 'tools' && countsHardware(block.rows) ? 'pieces' : heading;
      lists.push({ start: line.start, end: (lines[block.end - 1] as Line).end, of });
      if (of === 'pieces') {
        const rows = readRows(block.rows, text, countColumn(line.text) ?? countColumn(block.titles ?? ''));
        // `Items per side`: a vehicle has two.
        found.push(...(PER_SIDE.test(line.text) ? rows.map((row) => ({ ...row, count: 2 * row.count })) : rows));
      }
      at = block.end;
      continue;
    }
    const below = lines[at + 1];
    if (heading === 'tools' && below && TOOL_NAME.test(below.text) && !isWork(below.text)) {
      // On to the empty line, or to where something is done or listed.
      let last = at + 1;
      for (let next = last + 1; next < lines.length; next++) {
        const more = lines[next] as Line;
        if (more.text.trim() === '' || isWork(more.text) || headingOf(more.text) !== undefined) break;
        if (!BAG.test(more.text) && !TOOL_NAME.test(more.text)) break;
        last = next;
      }
      lists.push({ start: line.start, end: (lines[last] as Line).end, of: 'tools' });
      at = last + 1;
      continue;
    }
    const run = heading === 'tools' ? undefined : runIn(lines, at, text);
    if (run) {
      lists.push({ start: run.start, end: run.end, of: 'pieces' });
      found.push(...run.items);
      while (at < lines.length - 1 && (lines[at] as Line).end < run.end) at++;
    }
    at++;
  }
  const labels = new Set(found.flatMap(({ label }) => (label === undefined ? [] : [label])));
  return { lists, lines: found, labels };
}

/** Longest list written in one sentence, characters. */
const LONGEST_RUN = 700;
/** The list that a sentence beginning in a line counts out without a heading. */
function runIn(lines: readonly Line[], at: number, text: string): (Span & { items: PackingLine[] }) | undefined {
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

/** How a line shows that it counts: `2 off`, `4 pcs`; `x4` in a column of its own; a number behind a dash. */
const COUNTS_ITSELF = [
  /^\s*\d{1,3} ?[x×]\s+(?=\p{Lu}|M\d)(?!.*\d ?(?:n[·. ]?m|ft|lb)\b)/iu,
  /\S\s{2,}\d{1,3} ?(?:off|pcs?\.?|pieces|ea\.?)(?=\s|$)/i,
  /^\s*\(?[A-Z]\)\s+\S.*\S\s*(?:\.\s?){3,}\s*\d{1,3}\s*$/,
  /^\s*\([A-Z]\) \S.*?\s{2,}\d{1,3}(?:\+\d{1,2})?(?:\s{2,}\([A-Z]\) \S.*?\s{2,}\d{1,3}(?:\+\d{1,2})?)*\s*$/,
  /\p{L}.*(?:\s{2,}|\|\s*)[x×] ?\d{1,3}[\s|]*$/u,
  /^\s*(?:[-•*]\s+)?(?:\p{L}{3}|[A-Z]?\d).*\S\s+[-–=]\s+\d{1,2}\s*$/u,
];
/** No washer is ever torqued: figures that stand behind one are counts. A fact of the trade, no source. */
const WASHER = /\bwashers?\b/i;

/** A row is no paragraph: longer lines are not looked at, characters. */
const LONGEST_ROW = 200;
/** How many lines from here on are a list that needs no heading: each counts in the same way. */
function countedLines(lines: readonly Line[], from: number): number {
  return Math.max(
    ...COUNTS_ITSELF.map((counts, style) => {
      let at = from;
      while ((lines[at]?.text.length ?? 0) <= LONGEST_ROW && counts.test(lines[at]?.text ?? '')) at++;
      const rows = lines.slice(from, at);
      const sure = (style >= 1 && style <= 3) || rows.some(({ text }) => WASHER.test(text));
      return rows.length >= FEW_PIECES && sure ? rows.length : 0;
    }),
  );
}

/** Whether the rows of a list count washers, or several kinds of bolts and nuts: nobody lists those among tools. */
const countsHardware = (rows: readonly Line[]): boolean => {
  const hardware = rows.filter(
    ({ text }) => itemOf(text.replace(BAG, '')) !== undefined && NAMES_FASTENER.test(text) && !TOOL_NAME.test(text),
  );
  return hardware.length >= 2;
};

/** A later sentence of a line may open the list: `It is quickly told. You should have one ladder, …`. */
function headingInside(line: string): SheetList['of'] | undefined {
  const opened = OPENS_WRITTEN.exec(line);
  const stop = opened ? line.slice(0, opened.index).search(/[.!?] [^.!?]*$/) : -1;
  return stop < 0 ? undefined : headingOf(line.slice(stop + 2));
}

/** Whether a line opens a list, and of what. */
function headingOf(line: string): SheetList['of'] | undefined {
  const plain = line.trim();
  const asks = /\bcheck (?:that )?the (?:box|bag|kit|carton)\b/i.test(line);
  if (plain === '' || isRule(line) || (isWork(line) && !asks)) return undefined;
  const short = plain.length <= HEADING_LENGTH;
  const head = plain.slice(0, 60);
  if (
    TOOLS.test(head) &&
    (short || /:/.test(head)) &&
    !/\bqty\b/i.test(plain) &&
    /^\W*(?:\d+\s+)?(?:what|which|not (?:supplied|included|in the)|tools?|you (?:will )?need|required|special|equipment|have|spanners|workshop)/i.test(
      head,
    )
  )
    return 'tools';
  if (/^(?:parts|contents?|hardware|kit|carton|box|bag)\s{2,}\S[^:\n]* [/|] [^:\n]* [/|] /i.test(plain))
    return 'pieces';
  // `*PARTS* Plate x1 / Collar x4`
  if (/^[*[(<]{1,2}(?:parts?|contents?|hardware|components)[*\])>]{1,2}\s/i.test(plain)) return 'pieces';
  // `1/ PARTS: hose 1 / banjo bolt 2 / …`
  if (/^\d{1,2}\/ ?(?:parts|contents?|hardware|kit)\s*:[^:\n]* [/|] [^:\n]* [/|] /i.test(plain)) return 'pieces';
  if (PIECES_ALONE.test(plain) || /^(?:kit|bag|box|carton|contents?|supplied|parts|hardware|you get)\s*:/i.test(plain))
    return 'pieces';
  const cells = cellsOf(line, 0);
  const counts = cells.some((cell) =>
    /^(?:qty|quantity|pcs|pieces|off|no\.? off|number|count|how many|amount|nos|pack|per kit|per pack)\b\.?$/i.test(
      cell.text,
    ),
  );
  if (cells.length > 1 && counts) return isJointTable(cells) ? undefined : 'pieces';
  if (
    PIECES.test(head) &&
    (short ||
      /:/.test(head) ||
      /\b(?:in the|you (?:will )?(?:find|get)|should (?:have|be|find)|ought to be|contains?|holds?|comes (?:as|with)|consists of)\b/i.test(
        head,
      ))
  )
    // `Parts supplied by the owner are not …`: a sentence about them is no list.
    return (/\?$/.test(plain) ? !ASKS.test(plain) : /[.!]$/.test(plain) && !/,|:/.test(plain)) ? undefined : 'pieces';
  return undefined;
}

/** `No | Joint | Fastener | Off | Nm`: a table of what is tightened, and no list of pieces. */
const isJointTable = (cells: ReadonlyArray<{ text: string }>): boolean =>
  cells.some(({ text }) => /^(?:joints?|connections?|where|locations?|fixing points?|between)\b/i.test(text)) &&
  cells.some(({ text }) => torqueUnitOf(text) !== undefined || /^(?:tightening )?torques?\b/i.test(text));

/** The head of the step behind a numbered heading, where the heading is numbered. */
function nextNumber(heading: string): RegExp | undefined {
  const [, lead = '', number, mark] = /^([ \t]*)(\d{1,2})([.)])\s/.exec(heading) ?? [];
  if (number !== undefined) return new RegExp(`^${lead}${Number(number) + 1}\\${mark}\\s`);
  // `1   CONTENTS OF CARTON`, and then `2   SPECIAL TOOLS`.
  const [, before = '', bare] = /^([ \t]*)(\d{1,2})\s+(?=\p{Lu}{2})/u.exec(heading) ?? [];
  return bare === undefined ? undefined : new RegExp(`^${before}${Number(bare) + 1}\\s+\\p{Lu}{2}`, 'u');
}

/** A row that has its count at its end is complete. */
const COUNT_ENDS = /(?:\.{2,}|…|\t|\s{2,}|\s\.)\s*\d{1,3}\s*$/;

/** `TIGHTENING (N·m)   Dunmoor 20   Dunmoor 30`: the head of a table of torques. */
const FIGURES_BEGIN =
  /^[^\d]{0,24}\b(?:tighten(?:ing)?|torques?)\b[^\n\d]{0,24}[([] ?(?:n[·. ]?m|ft|lbs?|lbf|in|kgf?)\b/i;

const BULLET = /^\s*[-•*▪]\s/;
/** `1 Position the feet …`, `2 Uprights to feet, 24 Nm`: numbers that run on from one before what is done are steps. */
const areSteps = (rows: readonly Line[]): boolean => {
  const numbers = rows.map(({ text }) => Number(/^\s*(\d{1,2})\s+\p{Lu}/u.exec(text)?.[1] ?? Number.NaN));
  return (
    rows.length >= FEW_ROWS &&
    numbers.every((number, at) => number === at + 1) &&
    rows.some(({ text }) => BEGINS_WORK.test(text) || WITH_TORQUE.test(text))
  );
};
/** A row whose first word works; `Bolt M8` is one. */
const BEGINS_WORK =
  /^\s*\d{1,2}\s+(?:remove|fit|install|tighten|position|place|put|attach|check|clean|loosen|lift|raise|drill|square|torque|undo|slide|mount|take|disconnect)\b/i;
const WITH_TORQUE = /\d\s?(?:n[·. ]?m|ft[- ]?lbs?|lb[- ]?ft|in[- ]?lbs?|kgf?[.· ]?m)\b/i;
/** The rows of a list below its heading; a line that goes on with the one before is joined to it. */
function rowsBelow(
  lines: readonly Line[],
  heading: number,
  next?: RegExp,
): { rows: Line[]; end: number; titles?: string } {
  const rows: Line[] = [];
  let headed: string | undefined;
  let end = heading + 1;
  let blanks = 0;
  for (let at = heading + 1; at < lines.length; at++) {
    const line = lines[at] as Line;
    const plain = line.text.trim();
    if (plain === '') {
      blanks++;
      if (rows.length > 0 && blanks > 1) break;
      continue;
    }
    if (isRule(line.text)) {
      if (rows.length > 0 && blanks > 0) break;
      continue;
    }
    // The steps go on that the list was one of: `2. Delivery content:`, its lines, `3. Demount the bumper.`
    if (next?.test(line.text)) break;
    // Another list begins.
    const begins = /:/.test(plain.slice(0, 24)) && !BAG.test(line.text) ? headingOf(line.text) : undefined;
    if (begins !== undefined && (at > heading + 1 || begins !== headingOf(lines[heading]?.text ?? ''))) break;
    // The name of the next part stands out from the rows: `joints:`.
    if (rows.length > 0 && /^\p{Ll}[\p{Ll} ]{2,24}:$/u.test(line.text) && /^\s/.test(rows.at(-1)?.text ?? '')) break;
    // A table of figures follows the list.
    if (rows.length > 0 && FIGURES_BEGIN.test(plain)) break;
    const cells = cellsOf(line.text, 0);
    const titles = rows.length === 0 && cells.length > 1 && cells.every((cell) => !/\d/.test(cell.text));
    const before = rows.at(-1);
    // An item written over two lines ends with a comma, or its second line stands in from the first.
    const goesOn =
      before !== undefined &&
      blanks === 0 &&
      // A row of cells of its own, whatever letter it begins with.
      !(cells.length > 3 && cells.some((cell) => CELL_COUNT.test(cell.text))) &&
      !BAG.test(line.text) &&
      !COUNT_ENDS.test(before.text) &&
      (/[,/]\s*$/.test(before.text) ||
        (/^\s*(?:[a-z(]|and\b)/.test(line.text) && !/^\s*\(\w{1,2}\)\s/.test(line.text) && !LEADING.test(plain)));
    if (goesOn && before) {
      before.end = line.end;
      before.text = `${before.text}\n${line.text}`;
      end = at + 1;
      continue;
    }
    const item = rowItem(line.text);
    if (isWork(line.text) || (blanks > 0 && !isRow(line.text) && !titles)) break;
    if (titles) {
      headed = line.text;
      continue;
    }
    if (item === undefined) {
      if (before && blanks === 0 && /^\s{2,}/.test(line.text) && plain.length < 80) {
        end = at + 1;
        continue;
      }
      // One of a bulleted list that says no count: the list goes on behind it.
      if (before && blanks === 0 && BULLET.test(line.text) && BULLET.test(before.text) && plain.length < 80) {
        end = at + 1;
        continue;
      }
      // A line or two may stand between the heading and its list.
      if (rows.length > 0 || blanks > 0 || at - heading > 2) break;
      continue;
    }
    // A sentence behind the list is no row of it.
    if (rows.length > 0 && /^(?:the|these|those|look|check|note|all|if|please|you|your|have)\b.*[.]$/i.test(plain))
      break;
    blanks = 0;
    rows.push({ ...line });
    end = at + 1;
  }
  if (areSteps(rows)) return { rows: [], end: heading + 1 };
  return { rows, end, ...(headed === undefined ? {} : { titles: headed }) };
}

const CELL_COUNT =
  /^\(?(?:[x×] ?)?(\d{1,3}(?: ?\+ ?\d{1,2})?)\)?(?:\s*(?:x|×|pcs?\.?|pieces?|off|ea(?:ch)?\.?|nos?\.?|pr|pairs?))?\.?$/i;

/** The count of a cell, of both sides where it is given for each: `3+3`; NaN where it holds none. */
const cellCount = (cell: string): number =>
  (CELL_COUNT.exec(cell)?.[1] ?? 'none').split('+').reduce((sum, part) => sum + Number(part), 0);

/** After an empty line only what looks like a row goes on with the list, and no sentence does. */
const isRow = (line: string): boolean =>
  !/[a-z)]\.\s+\p{Lu}|[.!?]\s*$/u.test(line) &&
  (BAG.test(line) || /^\s*(?:[-•*▪]\s+)?\(?\d{1,3}\b/.test(line) || cellsOf(line, 0).length > 1);

/** Whether a line of a list holds a count at all. */
function rowItem(line: string): true | undefined {
  const bare = line.replace(BAG, '');
  if (writtenItems(bare, 0).length > 0 || itemOf(bare) || letteredCounted(bare, 0).length > 0) return true;
  const cells = cellsOf(bare, 0);
  const columns = cells.length > 1 && cells.some((cell) => CELL_COUNT.test(cell.text)) && /\p{L}{3}/u.test(bare);
  return columns || (bare.length < HEADING_LENGTH && LAST_NUMBER.test(bare)) ? true : undefined;
}

/** `Hex bolt M12 x 40, class 10.9 8`: the last number of a row, which is no length. */
const LAST_NUMBER = /^\s*(\p{L}(?:[^.\n]|\.\d)*)(?<![\s×x*/-])\s+(\d{1,3})\s*$/u;
const FEW_ROWS = 3;

/** Rows that all end with a number and begin with none are counted by it. */
const countedAtEnd = (rows: readonly Line[]): boolean =>
  rows.length >= FEW_ROWS && rows.every(({ text }) => LAST_NUMBER.test(text));

/** The column of a table that counts, and how many columns it has. */
interface CountColumn {
  at: number;
  of: number;
  /** Where its heading stands in its line. */
  from: number;
  to: number;
  /** Columns that say where, with what, or how tight, and not what it is. */
  beside: ReadonlySet<number>;
}
function countColumn(heading: string): CountColumn | undefined {
  const cells = cellsOf(heading, 0);
  const at = cells.findIndex((cell) =>
    /^(?:qty|quantity|pcs|pieces|off|no\.? off|number|count|how many|amount|nos)\b\.?$/i.test(cell.text),
  );
  const beside = new Set(
    cells.flatMap((cell, index) =>
      /^(?:where|used?|for|notes?|remarks?|location|tools?|torque|compound|position on|n·?m|lb|ft)\b/i.test(cell.text)
        ? [index]
        : [],
    ),
  );
  return at < 0 || cells.length < 3
    ? undefined
    : { at, of: cells.length, from: cells[at]?.from ?? 0, to: cells[at]?.to ?? 0, beside };
}

/** The count of a row: in the column of its heading, or right below it where a row leaves cells out. */
function countUnder({ at: column, of, from, to, beside }: CountColumn, row: Line): PackingLine | undefined {
  const line = row.text.split('\n')[0] ?? '';
  const cells = cellsOf(line, row.start);
  const whole = cells.length === of;
  const below = cells.findIndex((cell) => Math.min(cell.to, to) - Math.max(cell.from, from) > 0);
  const at = whole ? column : below;
  const count = cellCount(cells[at]?.text ?? '');
  const words = cells
    .filter((cell, index) => index !== at && !(whole && beside.has(index)) && /\p{L}{2}/u.test(cell.text))
    .slice(0, 3);
  const lead = line.length - line.trimStart().length;
  return (whole || (at >= 0 && cells.length > 2)) && count > 0 && count <= 500 && words.length > 0
    ? {
        start: row.start + lead,
        end: row.start + line.trimEnd().length,
        count,
        item: words.map((cell) => cell.text).join(', '),
      }
    : undefined;
}

/** `2x  step      8x  bolt`: several counted pieces side by side. */
const COUNTED_CELL = /(?<=^|\s)(\d{1,3}) ?[x×]\s+(\p{L}[^\n]*?)(?=\s{2,}|\s+\d{1,3} ?[x×]\s|\s*$)/gmu;

/** `(A) adapter plate   2   (B) shim 0.5   4`: lettered pieces with their counts, side by side. */
const LETTERED_CELL =
  /\s*\(([A-Z])\) (\S.*?)\s{1,}(\d{1,3}(?:\+\d{1,2})?)(?: ?(?:pcs?\.?|off|pieces|x))?(?=\s{2,}\([A-Z]\) |\s*$)/gm;

/** The pieces of a line that is all such cells; none of any other. */
function letteredCells(line: string, lineStart: number): PackingLine[] {
  const cells = [...line.matchAll(LETTERED_CELL)];
  if (
    cells
      .map(([cell]) => cell)
      .join('')
      .trim() !== line.trim()
  )
    return [];
  return cells.map((match) => {
    const [whole, letter = '', item = '', count = ''] = match;
    const start = lineStart + match.index + whole.length - whole.trimStart().length;
    const end = start + whole.trim().length;
    return { start, end, count: cellCount(count), item: item.replace(/[\s.…]+$/, ''), label: letter.toLowerCase() };
  });
}

/** `(A) 4x bolt M10x35   (B) 4x nut (C) 1x frame`: each with its letter, its count before it. */
const LETTERED_COUNTED = /\s*\(?([A-Z])\) ?(\d{1,3}) ?[x×] ?(\S.*?)(?=\s+\(?[A-Z]\) ?\d{1,3} ?[x×]|\s*$)/gm;
/** The pieces of a line that is all such pieces; none of any other. */
function letteredCounted(line: string, lineStart: number): PackingLine[] {
  const pieces = [...line.matchAll(LETTERED_COUNTED)];
  if (
    pieces
      .map(([piece]) => piece)
      .join('')
      .trim() !== line.trim()
  )
    return [];
  return pieces.map((match) => {
    const [whole, letter = '', count, item = ''] = match;
    const start = lineStart + match.index + whole.length - whole.trimStart().length;
    const end = start + whole.trim().length;
    return { start, end, count: Number(count), item: item.trim(), label: letter.toLowerCase() };
  });
}

/** A row that ends with `qty 2`, after dots or none. */
const QUANTITY_ENDS = /^(.*?\p{L}.*?)[\s.…·_-]*\b(?:qty|quantity)[.:]?\s?(\d{1,3})\s*$/iu;
/** `1 off`, `78 Nm`: the row says its count, or more than what it is. */
const COUNTED_INSIDE = /\d ?(?:off|pcs|n[·.]?m|ft|lb)\b/i;
/** A lettered row that ends with its count in brackets: `D  1/2-13 x 1-1/2 hex bolt, grade 8 (4)`. */
const BRACKET_ENDS =
  /^(?:\s*(?:[-•*▪|]\s+)?\(?(?:[A-Za-z]\d?|\d{1,2})[).:]?\s+)([^()\n]*?\p{L}[^()\n]*?)\s*\(\s?(\d{1,3})(?: ?(?:x|off|pcs?\.?|ea\.?))?\s?\)\s*$/iu;

/** `C - hex bolt, four`: its letter before a dash, as in a legend. */
const LETTER_DASH = /^(\s*[A-Z]\d?) [-–—=](?= )/;

/** The counts of rows that stand under each other: a column is a count or a label by all it holds. */
function readRows(written: readonly Line[], text: string, column?: CountColumn): PackingLine[] {
  const dashed = written.filter((row) => LETTER_DASH.test(row.text)).length >= FEW_ROWS;
  const rows = dashed ? written.map((row) => ({ ...row, text: row.text.replace(LETTER_DASH, '$1) ') })) : written;
  const parted = rows.map((row) =>
    cellsOf(row.text.split('\n')[0] ?? '', row.start).filter((cell) => cell.text !== ''),
  );
  const firsts = parted.map((cells) => Number(/^\(?(\d{1,3})[).]?$/.exec(cells[0]?.text ?? '')?.[1] ?? Number.NaN));
  const running =
    firsts.length > 2 &&
    firsts.every((value, at) => Number.isFinite(value) && (at === 0 || value > (firsts[at - 1] ?? 0)));
  const leads = rows.map((row) => Number(/^\s*\((\d{1,3})\)\s/.exec(row.text)?.[1] ?? Number.NaN));
  const bracketed = leads.length > 2 && leads.every((value, at) => value === (leads[0] ?? 0) + at);
  if (countedAtEnd(rows))
    return rows.flatMap(({ text, start }) => {
      const [, item = '', count] = LAST_NUMBER.exec(text) ?? [];
      const lead = text.length - text.trimStart().length;
      return [{ start: start + lead, end: start + text.trimEnd().length, count: Number(count), item: item.trim() }];
    });
  return rows.flatMap((row, at) => {
    const lettered = letteredCells(row.text, row.start);
    if (lettered.length > 0) return lettered;
    const counted = letteredCounted(row.text, row.start);
    if (counted.length > 0) return counted;
    const crossed = [...row.text.matchAll(COUNTED_CELL)];
    if (crossed.length > 1)
      return crossed.flatMap((match) => {
        const item = (match[2] ?? '').trim().replace(/[,;]$/, '');
        const start = row.start + match.index;
        return [{ start, end: start + match[0].trimEnd().length, count: Number(match[1]), item }];
      });
    const cells = bracketed
      ? (parted[at] ?? []).map((cell, index) =>
          index === 0 ? { ...cell, text: cell.text.replace(/^\(\d{1,3}\)\s*/, '') } : cell,
        )
      : (parted[at] ?? []);
    const name = running
      ? String(firsts[at])
      : bracketed
        ? String(leads[at])
        : /^\s*(?:[-•*▪|]\s+)?\(?([A-Za-z]\d{0,2})(?:[).:]|(?=\s{1,}\d|\s{2,}|\s*\|))/
            .exec(row.text)?.[1]
            ?.toLowerCase();
    const labelled = name === undefined ? {} : { label: name };
    const titled = column && countUnder(column, row);
    if (titled) return [{ ...titled, item: titled.item.replace(/^\(?\w{1,2}[.)]\s+/, ''), ...labelled }];
    const first = row.text.split('\n')[0] ?? '';
    const lead = first.length - first.trimStart().length;
    // `Spacer, 22 mm thick ........ qty 2`: the row is one thing, whatever its name is made of.
    const [, whole, quantity] =
      QUANTITY_ENDS.exec(first) ??
      // `(2) U-bolts w/ flange nuts (4)`: where the rows are not numbered so, the first counts.
      (COUNTED_INSIDE.test(first) || (!bracketed && /^\s*\(\d{1,3}\)\s/.test(first))
        ? null
        : BRACKET_ENDS.exec(first)) ??
      [];
    if (whole !== undefined) {
      const item = whole.replace(/^\s*\(?\w{1,2}\)\s+/, '').trim();
      const end = row.start + first.trimEnd().length;
      return [{ start: row.start + lead, end, count: Number(quantity), item, ...labelled }];
    }
    const numbers = cells.filter((cell) => CELL_COUNT.test(cell.text));
    const words = cells.filter((cell) => /\p{L}{2}/u.test(cell.text) && !CELL_COUNT.test(cell.text));
    // Several counted items side by side are no columns.
    const beside =
      cells.filter((cell) => LEADING.test(cell.text) && !/\d ?(?:n[·.]?m|ft|lb|kgf)\b/i.test(cell.text)).length > 1;
    if (cells.length > 1 && numbers.length > 0 && words.length > 0 && !beside) {
      const named = running && numbers[0] === cells[0];
      if (!(named && numbers.length === 1)) {
        // The count stands at the end, or before the words; a size in its own column does not count.
        const last = numbers.at(-1);
        const chosen = named || last === cells.at(-1) ? last : numbers[0];
        const count = cellCount(chosen?.text ?? '');
        const pair = /\bpairs?\b|\bpr\b/i.test(chosen?.text ?? '');
        const whole = words.map((cell) => cell.text).join(', ');
        // Its letter names the row and is no word of it.
        const item = name === undefined ? whole : whole.replace(/^\(?[A-Za-z\d]{1,2}[).]\s+/, '');
        if (count > 0 && count <= 500)
          return [
            {
              start: row.start + lead,
              end: row.start + first.trimEnd().length,
              count: pair ? 2 * count : count,
              item,
              ...labelled,
            },
          ];
      }
    }
    // A letter, a number or a bag that names the line, before what is counted.
    const bag = BAG.exec(row.text)?.[0].length ?? lead;
    const label =
      (running
        ? /^\(?\d{1,3}[).]?\s+/
        : /^(?!M\d{1,2}\s)(?:\(?[A-Za-z]\d{0,2}[).:]?|\d{1,3}[.)])\s+(?=\S)(?!pair)/iu
      ).exec(row.text.slice(bag))?.[0] ?? '';
    const isArticle = /^a\s/i.test(label) && !/^A\s+\d/.test(row.text.slice(bag));
    const from = bag + (isArticle ? 0 : label.length);
    const items = writtenItems(text.slice(row.start + from, row.end), row.start + from);
    return items.map((item) => (items.length === 1 ? { ...item, ...labelled } : item));
  });
}

/** The counts of the packing lists as facts. */
export const packingFacts = (text: string, lines: readonly PackingLine[], stepAt: (at: number) => number): Fact[] =>
  lines.map(({ start, end, count, item, label }) => ({
    start,
    end,
    printed: text.slice(start, end).replace(/\s+/g, ' '),
    confidence: 1,
    // The label of a row stands before its step.
    step: stepAt(Math.max(start, end - 1)),
    value: {
      kind: 'count',
      count,
      noun: nounOf(item),
      item: item.replace(/\s+/g, ' ').slice(0, 120),
      ...(label === undefined ? {} : { label }),
    },
  }));
