import type { Span } from './token.ts';
import type { Ordered } from './written-out.ts';

const sameOrder = (text: string): Ordered => ({ text, inSheet: (span) => span });

/** Fewest lines side by side that make two columns. */
const LEAST_LINES = 8;

/** The column of a gutter between two columns of prose; undefined where there is none. */
function gutterOf(written: readonly string[]): number | undefined {
  // A rule between the columns is a gutter too.
  const lines = written.map((line) => (/^[^|]*\|[^|]*$/.test(line) ? line.replace('|', ' ') : line));
  const long = lines.filter((line) => line.length > 44 && !line.includes('|') && !/\.{4}/.test(line));
  if (long.length < LEAST_LINES) return undefined;
  const width = Math.max(...long.map((line) => line.length));
  let best: { column: number; rows: number } | undefined;
  for (let column = Math.floor(width * 0.3); column < width * 0.7; column++) {
    const rows = long.filter(
      (line) =>
        line.length > column + 8 &&
        line[column] === ' ' &&
        line[column - 1] === ' ' &&
        /\S/.test(line[column + 1] ?? ''),
    );
    if (rows.length > (best?.rows ?? 0)) best = { column: column + 1, rows: rows.length };
  }
  if (!best || best.rows < LEAST_LINES || best.rows < 0.6 * long.length) return undefined;
  const { column } = best;
  const parted = long.filter((line) => /\s{2}$/.test(line.slice(0, column)) && /^\S/.test(line.slice(column)));
  // A table's cells are short and begin anew in each row; the lines of prose go on in the next.
  const goesOn = (side: (line: string) => string) =>
    parted.filter((line) => /^[\s]*\p{Ll}/u.test(side(line))).length / parted.length;
  const words = (side: (line: string) => string) =>
    parted.reduce((sum, line) => sum + (side(line).match(/\p{L}{2,}/gu)?.length ?? 0), 0) / parted.length;
  const left = (line: string) => line.slice(0, column);
  const right = (line: string) => line.slice(column);
  const cells = parted.filter((line) => /\S {3,}\S/.test(left(line)) || /\S {3,}\S/.test(right(line))).length;
  const prose = goesOn(left) > 0.12 && goesOn(right) > 0.12 && words(left) >= 2.5 && words(right) >= 2.5;
  return prose && cells < 0.4 * parted.length ? column : undefined;
}

/** No page is wider, characters. */
const WIDEST_PAGE = 300;
/** Fewest numbered steps in each of two columns. */
const FEW_NUMBERS = 3;

/** The column where numbered steps go on beside the ones before them: 1 to 5 at the left, 6 to 10 at the right. */
function numberedGutter(lines: readonly string[]): number | undefined {
  const running = (numbers: readonly number[]): boolean =>
    numbers.length >= FEW_NUMBERS && numbers.every((value, at) => value === (numbers[0] ?? 0) + at);
  const lefts = lines.flatMap((line) => /^\s{0,4}(\d{1,2})[.)]?\s+\p{Lu}/u.exec(line)?.[1] ?? []).map(Number);
  const rights = lines.flatMap((line) => {
    if (line.length > WIDEST_PAGE) return [];
    const match = /(?:\S.*?\s{2,}|^\s{12,})(\d{1,2})[.)]?\s+\p{Lu}\p{Ll}/u.exec(line);
    return match
      ? [{ number: Number(match[1]), column: match.index + match[0].search(/\d{1,2}[.)]?\s+\p{Lu}\p{Ll}$/u) }]
      : [];
  });
  const columns = rights.map(({ column }) => column);
  const column = Math.min(...columns);
  const numbers = rights.map(({ number }) => number);
  const goesOn = numbers[0] === (lefts.at(-1) ?? 0) + 1;
  return running(lefts) && running(numbers) && goesOn && Math.max(...columns) - column <= 2 ? column : undefined;
}

/** A counted piece at the left and another beside it: `2   Lift block, 2.5" tapered          8   9/16" high nut`. */
const COUNTED_PAIR =
  /^\s{0,6}(\d{1,3}|\(\d{1,3}\)) {1,6}(?=\S)(?:(?! {3}).)+ {3,}(?=(?:\d{1,3}|\(\d{1,3}\)) {1,6}["\p{L}\d#(])/u;
/** The same with nothing left at its left. */
const COUNTED_RIGHT = /^ {20,}(?=(?:\d{1,3}|\(\d{1,3}\)) {1,6}["p{L}\d#(])/;
/** Fewest lines of two counted pieces beside each other. */
const FEW_PAIRS = 2;

/**
 * Two lists of pieces beside each other, each perhaps with a heading of its own: where they stand, by line, and the column
 * where the right one begins.
 */
function pairedLists(lines: readonly string[]): Map<number, number> {
  const columns = new Map<number, number>();
  for (let row = 0; row < lines.length; row++) {
    const column = columnBeside(lines[row]);
    if (column === undefined) continue;
    let end = row + 1;
    let pairs = 1;
    for (; end < lines.length; end++) {
      const line = lines[end] ?? '';
      const at = columnBeside(line) ?? COUNTED_RIGHT.exec(line)?.[0].length;
      if (at === column) pairs += columnBeside(line) === undefined ? 0 : 1;
      else if (line.trim() === '' || line.length > column || !/^\s{0,6}\(?\d{1,3}\)? /.test(line)) break;
    }
    const block = lines.slice(row, end);
    const numbers = block.map((line) => Number(/\d{1,3}/.exec(line.slice(0, column))?.[0] ?? Number.NaN));
    const numbered = numbers.every((number, at) => number === (numbers[0] ?? 0) + at);
    if (pairs < FEW_PAIRS || numbered || block.some((line) => isRow(line.slice(column)))) continue;
    for (let at = row; at < end; at++) columns.set(at, column);
    // `BAG 1                    BAG 2`
    const above = lines[row - 1] ?? '';
    if (/ {2}$/.test(above.slice(0, column)) && /^\S/.test(above.slice(column))) columns.set(row - 1, column);
    row = end - 1;
  }
  return columns;
}

/** Cells of the same row, and no piece of another list: `2 off     40 Nm each nut`. */
const isRow = (right: string): boolean => /^\(?\d{1,3}\)? +(?:(?:off|pcs?|x)\b|.*\S {3,}\S)/i.test(right);

const columnBeside = (line = ''): number | undefined =>
  line.length <= WIDEST_PAGE ? COUNTED_PAIR.exec(line)?.[0].length : undefined;

/**
 * Puts a page of two columns in reading order: the left column from top to bottom, then the right; a line over the
 * whole width parts what is above it from what is below.
 */
export function readingOrder(text: string): Ordered {
  const lines = text.split('\n');
  const gutter = numberedGutter(lines) ?? gutterOf(lines);
  const paired = gutter === undefined ? pairedLists(lines) : new Map<number, number>();
  if (gutter === undefined && paired.size === 0) return sameOrder(text);
  const pieces: Span[] = [];
  let left: Span[] = [];
  let right: Span[] = [];
  const flush = () => {
    pieces.push(...left, ...right);
    [left, right] = [[], []];
  };
  let start = 0;
  for (const [row, line] of lines.entries()) {
    const end = start + line.length;
    const column = gutter ?? paired.get(row);
    const parted =
      column !== undefined &&
      (line.length <= column
        ? line.length < column - 1 || line.trim() === ''
        : /\s{2}$|^\s*$|\|\s?$/.test(line.slice(0, column)));
    if (column === undefined || !parted) {
      flush();
      pieces.push({ start, end });
    } else {
      left.push({ start, end: Math.min(end, start + column) });
      right.push({ start: Math.min(end, start + column), end });
    }
    start = end + 1;
  }
  flush();
  const places: number[] = [];
  let ordered = '';
  for (const piece of pieces) {
    const own = text
      .slice(piece.start, piece.end)
      .replace(/\|\s*$/, '')
      .trimEnd();
    for (let at = 0; at < own.length; at++) places.push(piece.start + at);
    places.push(piece.start + own.length);
    ordered += `${own}\n`;
  }
  return {
    text: ordered,
    inSheet({ start: from, end }) {
      const [first, last] = [places[from] ?? 0, places[Math.max(from, end - 1)] ?? 0];
      // A span that goes on in the next column is shown where it begins.
      return last >= first ? { start: first, end: last + 1 } : { start: first, end: first + 1 };
    },
  };
}
