import { TORQUE_UNIT } from './counted-run.ts';
import { HEADING_LENGTH, headingOf, isRule, isWork } from './packing-heading.ts';
import { itemOf, LEADING, WORD_COUNT } from './packing-item.ts';
import { FEW_PIECES, FEW_ROWS, type Line, type PackingLine } from './packing-line.ts';
import { countedCells, writtenItems } from './packing-written.ts';
import { cellsOf } from './table.ts';

/** A bag or another part of the kit that names its line: `Bag A (front):`, `2.1`, `Loose`. */
export const BAG =
  /^\s*(?:(?:bag|box|pack(?:et)?|set|carton|loose|group|pos\.?)\s*[A-Z\d]{0,3}(?:\s*\([^)]*\))?\s*[:.–-]?\s{1,}|\d{1,2}\.\d{1,2}\s+|(?:[-•*▪]|\[ ?\])\s+)/i;

/** `BAG A` in a cell of its own. */
const BAG_ALONE = /^(?:bag|box|pack(?:et)?|set|carton)\s*[A-Z\d]{0,3}\s*[:.]?$/i;

/** `M10 x 1.5 x 30, 8.8`: a size and nothing more names its bolt. */
const SIZE_ALONE = /^(?:M\d{1,2} ?[x×] ?\d|(?:#\d{1,2}|\d{1,2}\/\d{1,2})-\d{2} ?[x×] ?\d)/i;

/** How a line shows that it counts: `2 off`, `4 pcs`; `x4` in a column of its own; a number behind a dash. */
const COUNTS_ITSELF = [
  /^\s*\d{1,3} ?[x×]\s+(?=\p{Lu}|M\d)(?!.*\d ?(?:n[·. ]?m|ft|lb)\b)/iu,
  /\S\s{2,}\d{1,3} ?(?:off|pcs?\.?|pieces|ea\.?)(?=\s|$)/i,
  /^\s*\(?[A-Z]\)\s+\S.*\S\s*(?:\.\s?){3,}\s*\d{1,3}\s*$/,
  /^\s*\((?:[A-Z]|\d{1,2})\) \S.*?\s{2,}\d{1,3}(?:\+\d{1,2})?(?:\s{2,}\((?:[A-Z]|\d{1,2})\) \S.*?\s{2,}\d{1,3}(?:\+\d{1,2})?)*\s*$/,
  /\p{L}.*(?:\s{2,}|\|\s*)[x×] ?\d{1,3}[\s|]*$/u,
  /^\s*(?:[-•*]\s+)?(?:\p{L}{3}|[A-Z]?\d).*\S\s+[-–=]\s+\d{1,2}\s*$/u,
];

/** No washer is ever torqued: figures that stand behind one are counts. A fact of the trade, no source. */
const WASHER = /\bwashers?\b/i;

/** A row is no paragraph: longer lines are not looked at, characters. */
const LONGEST_ROW = 200;

/** How many lines from here on are a list that needs no heading: each counts in the same way. */
export function countedLines(lines: readonly Line[], from: number): number {
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
    rows.some(({ text }) => BEGINS_WORK.test(text) || TORQUE_UNIT.test(text))
  );
};

/** A row whose first word works; `Bolt M8` is one. */
const BEGINS_WORK =
  /^\s*\d{1,2}\s+(?:remove|fit|install|tighten|position|place|put|attach|check|clean|loosen|lift|raise|drill|square|torque|undo|slide|mount|take|disconnect)\b/i;

/** The rows of a list below its heading; a line that goes on with the one before is joined to it. */
export function rowsBelow(
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
export function rowItem(line: string): true | undefined {
  const bare = line.replace(BAG, '');
  if (
    writtenItems(bare, 0).length > 0 ||
    countedCells({ text: line, start: 0, end: line.length }).length > 0 ||
    itemOf(bare) ||
    letteredCounted(bare, 0).length > 0
  )
    return true;
  const cells = cellsOf(bare, 0);
  const columns = cells.length > 1 && cells.some((cell) => CELL_COUNT.test(cell.text)) && /\p{L}{3}/u.test(bare);
  return columns || (bare.length < HEADING_LENGTH && LAST_NUMBER.test(bare)) ? true : undefined;
}

/** `Hex bolt M12 x 40, class 10.9 8`: the last number of a row, which is no length. */
const LAST_NUMBER = /^\s*(\p{L}(?:[^.\n]|\.\d)*)(?<![\s×x*/-])\s+(\d{1,3})\s*$/u;

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

export function countColumn(heading: string): CountColumn | undefined {
  const cells = cellsOf(heading, 0);
  const at = cells.findIndex((cell) =>
    /^(?:qty|quantity|pcs|pieces|off|no\.? off|number|count|how many|amount|nos|stk|stck|stück|anz|anzahl|menge)\b\.?$/i.test(
      cell.text,
    ),
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
  /\s*\(([A-Z]|\d{1,2}(?=\)[^\n]*\s{2,}(?:\(\d{1,2}\)|\d)))\) (\S.*?)\s{1,}(\d{1,3}(?:\+\d{1,2})?)(?: ?(?:pcs?\.?|off|pieces|x))?(?=\s{2,}\((?:[A-Z]|\d{1,2})\) |\s*$)/gm;

/** What a pattern finds in a line that is made of nothing else, each with its place; nothing in any other. */
function fillsLine(
  line: string,
  lineStart: number,
  pattern: RegExp,
): Array<{ match: RegExpExecArray; start: number; end: number }> {
  const found = [...line.matchAll(pattern)];
  if (
    found
      .map(([piece]) => piece)
      .join('')
      .trim() !== line.trim()
  )
    return [];
  return found.map((match) => {
    const [whole] = match;
    const start = lineStart + match.index + whole.length - whole.trimStart().length;
    return { match, start, end: start + whole.trim().length };
  });
}

/** The pieces of a line that is all such cells; none of any other. */
export const letteredCells = (line: string, lineStart: number): PackingLine[] =>
  fillsLine(line, lineStart, LETTERED_CELL).map(({ match: [, letter = '', item = '', count = ''], start, end }) => ({
    start,
    end,
    count: cellCount(count),
    item: item.replace(/[\s.…]+$/, ''),
    label: letter.toLowerCase(),
  }));

/** `(A) 4x bolt M10x35   (B) 4x nut (C) 1x frame`: each with its letter, its count before it. */
const LETTERED_COUNTED = /\s*\(?([A-Z])\) ?(\d{1,3}) ?[x×] ?(\S.*?)(?=\s+\(?[A-Z]\) ?\d{1,3} ?[x×]|\s*$)/gm;

/** The pieces of a line that is all such pieces; none of any other. */
const letteredCounted = (line: string, lineStart: number): PackingLine[] =>
  fillsLine(line, lineStart, LETTERED_COUNTED).map(({ match: [, letter = '', count, item = ''], start, end }) => ({
    start,
    end,
    count: Number(count),
    item: item.trim(),
    label: letter.toLowerCase(),
  }));

/** A row that ends with `qty 2`, after dots or none. */
const QUANTITY_ENDS = /^(.*?\p{L}.*?)[\s.…·_-]*\b(?:qty|quantity)[.:]?\s?(\d{1,3})\s*$/iu;

/** `1 off`, `78 Nm`: the row says its count, or more than what it is. */
const COUNTED_INSIDE = /\d ?(?:off|pcs|n[·.]?m|ft|lb)\b/i;

/** A lettered row that ends with its count in brackets: `D  1/2-13 x 1-1/2 hex bolt, grade 8 (4)`. */
const BRACKET_ENDS =
  /^(?:\s*(?:[-•*▪|]\s+)?\(?(?:[A-Za-z]\d?|\d{1,2})[).:]?\s+)([^()\n]*?\p{L}[^()\n]*?)\s*\(\s?(\d{1,3})(?: ?(?:x|off|pcs?\.?|ea\.?))?\s?\)\s*$/iu;

/** `C - hex bolt, four`: its letter before a dash, as in a legend. */
const LETTER_DASH = /^(\s*[A-Z]\d?) [-–—=](?= )/;

/** `D  M10 x 1.5 x 30`: the letter of a row, in a column of its own. */
const ROW_LETTER = /^\s*\(?([A-Z]\d?)[).:]?\s{2,}(?=\S)/;

/** `A  4 bolts`, `A Ten M8 by 25 screws`: a letter that names the row, and no article. */
const COUNTED_NEXT = new RegExp(String.raw`^A\s+(?:\d|(?:${WORD_COUNT})\b)`, 'i');

/** The counts of rows that stand under each other: a column is a count or a label by all it holds. */
export function readRows(written: readonly Line[], text: string, column?: CountColumn): PackingLine[] {
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
      const [, written = '', count] = LAST_NUMBER.exec(text) ?? [];
      const [, letter] = ROW_LETTER.exec(text) ?? [];
      const item = letter === undefined ? written.trim() : written.replace(ROW_LETTER, '').trim();
      const lead = text.length - text.trimStart().length;
      return [
        {
          start: start + lead,
          end: start + text.trimEnd().length,
          count: Number(count),
          item,
          ...(letter === undefined ? {} : { label: letter.toLowerCase() }),
        },
      ];
    });
  return rows.flatMap((row, at) => {
    const lettered = letteredCells(row.text, row.start);
    if (lettered.length > 0) return lettered;
    const beside = countedCells(row);
    if (beside.length > 0) return beside;
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
    const words = cells.filter(
      (cell, index) =>
        (/\p{L}{2}/u.test(cell.text) || SIZE_ALONE.test(cell.text)) &&
        !CELL_COUNT.test(cell.text) &&
        // Its bag names the row and is no word of it.
        !(index === 0 && cells.length > 2 && BAG_ALONE.test(cell.text)),
    );
    // Several counted items side by side are no columns.
    const several =
      cells.filter((cell) => LEADING.test(cell.text) && !/\d ?(?:n[·.]?m|ft|lb|kgf)\b/i.test(cell.text)).length > 1;
    if (cells.length > 1 && numbers.length > 0 && words.length > 0 && !several) {
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
    const isArticle = /^a\s/i.test(label) && !COUNTED_NEXT.test(row.text.slice(bag));
    const from = bag + (isArticle ? 0 : label.length);
    const items = writtenItems(text.slice(row.start + from, row.end), row.start + from);
    return items.map((item) => (items.length === 1 ? { ...item, ...labelled } : item));
  });
}
