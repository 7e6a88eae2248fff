import { cellsOf, NOW, OLD } from './table.ts';
import type { Span } from './token.ts';

/** `lots 1-40`, `rev. B and earlier`; `from lot 41`, `rev. C and later`: by what was made when. */
const LOTS_BEFORE =
  /^(?:to|till) .{1,20}$|^(?:lots?|serials?|issue|rev\.?|edition) (?:\d+ ?[-–] ?\d+|[A-Z\d]{1,4} and (?:before|earlier))$/i;
const LOTS_SINCE =
  /^(?:from|since|after)\b.{1,20}$|^(?:lots?|serials?|issue|rev\.?|edition) [A-Z\d]{1,4} (?:on|and (?:up|later|after))$/i;
const isOld = (title: string): boolean => OLD.test(title) || LOTS_BEFORE.test(title);
const isNow = (title: string): boolean => NOW.test(title) || LOTS_SINCE.test(title);

/**
 * What stands in a column of old values whose cells carry their own sizes and units: `M10  50 Nm` under `up to lot 40`
 * beside `M12  87 Nm` under `from lot 41`. A row that leaves one of the two empty holds for both.
 */
export function oldColumns(text: string): Span[] {
  const spans: Span[] = [];
  let offset = 0;
  let columns: { old: number; now: number } | undefined;
  for (const line of text.split('\n')) {
    const start = offset;
    offset += line.length + 1;
    const cells = cellsOf(line, start);
    const old = cells.findIndex((cell) => isOld(cell.text));
    const now = cells[old + 1];
    if (old >= 0 && now && isNow(now.text)) {
      columns = { old: cells[old]?.from ?? 0, now: now.from };
      continue;
    }
    if (columns === undefined) continue;
    if (cells.length < 2) {
      columns = undefined;
      continue;
    }
    const { old: from, now: to } = columns;
    const inOld = cells.filter((cell) => cell.from >= from - 1 && cell.to < to);
    const inNow = cells.some((cell) => cell.from >= to - 1 && /\d/.test(cell.text));
    const [first, last] = [inOld[0], inOld.at(-1)];
    if (first && last && inNow) spans.push({ start: first.start, end: last.start + last.text.length });
  }
  return spans;
}
