import { type Cell, cellsOf, isModelName, PLACE, RULE, senseOf } from './table.ts';

/** A figure with its own unit and nothing else in its cell: `95 Nm`, `20-25 ft-lb`. */
const FIGURE_CELL =
  /^[<≤~]?\d{1,3}(?:[.,]\d+)?(?: ?[-–] ?\d{1,3}(?:[.,]\d+)?)? ?(?:n[·. ]?m|ncm|ft[-. ·]?lbs?|lbs?[-. ·]?ft|lbf[-. ·]?ft|in[-. ·]?lbs?|kgf?[-. ·]?m)\.?$/i;

const FEW_COLUMNS = 2;
const FEW_ROWS = 2;

/** A title that stands over cells: the column of a heading that a cell lies under, or the one with its number. */
function titleOver(titles: readonly Cell[], cell: Cell, index: number, cells: readonly Cell[]): Cell | undefined {
  if (titles.length === cells.length) return titles[index];
  return titles.find(({ from, to }) => Math.min(to, cell.to) - Math.max(from, cell.from) > 0);
}

/**
 * Figures of a table with a column for each vehicle or version, `| short | long |` over `Cross bar to rails | 95 Nm |
 * 110 Nm`: which of them each is of, by its place. Columns of places (`front`, `rear`) are all of one vehicle.
 */
export function modelColumns(text: string): ReadonlyMap<number, string> {
  const found = new Map<number, string>();
  const lines = text.split('\n');
  const starts: number[] = [];
  let offset = 0;
  for (const line of lines) {
    starts.push(offset);
    offset += line.length + 1;
  }
  lines.forEach((line, row) => {
    if (!/[|\t]| {2}/.test(line.trim()) || line.length > 300) return;
    const titles = cellsOf(line, starts[row] ?? 0);
    const models = titles.filter(
      ({ text: name }, at) =>
        (at > 0 || titles.length < 3) && isModelName(name) && !PLACE.test(name) && !/^[<≤~]?\d/.test(name),
    );
    if (models.length < FEW_COLUMNS || models.some(({ text: name }) => typeof senseOf(name) === 'object')) return;
    const figures = new Map<number, string>();
    let rows = 0;
    for (let at = row + 1; at < lines.length; at++) {
      const below = lines[at] ?? '';
      if (RULE.test(below)) continue;
      const cells = cellsOf(below, starts[at] ?? 0);
      const own = cells.flatMap((cell, index) => {
        const title = FIGURE_CELL.test(cell.text) ? titleOver(titles, cell, index, cells) : undefined;
        return title && models.includes(title) ? [[cell.start, title.text] as const] : [];
      });
      if (own.length === 0) break;
      rows++;
      for (const [place, model] of own) figures.set(place, model);
    }
    if (rows >= FEW_ROWS && new Set(figures.values()).size >= FEW_COLUMNS)
      for (const [place, model] of figures) found.set(place, model);
  });
  return found;
}
