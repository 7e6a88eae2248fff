import Papa from 'papaparse';
import type { ShelfLine } from '#core/crib/shelf.ts';
import { leftOnShelf } from '#core/crib/shelf.ts';
import { fail, ok, type Result } from '#core/result.ts';
import { type CellFault, type CellRefused, type PackingColumn, readCell, readTable } from './packing-csv.ts';
import { type DrawerInput, DrawerInputSchema, MOST_DRAWERS } from './shelf.ts';

/** Columns of a shelf as a table: the drawer, what lies in it, and a fastener's as in a packing list. */
const OWN = ['bin', 'counted', 'lowAt'] as const;
const FASTENER = [
  'kind',
  'form',
  'name',
  'thread',
  'lengthMm',
  'head',
  'acrossFlatsMm',
  'propertyClass',
  'finish',
  'insideMm',
  'outsideMm',
  'thicknessMm',
] as const satisfies readonly PackingColumn[];
export const SHELF_COLUMNS: readonly string[] = ['bin', ...FASTENER, 'counted', 'lowAt'];

const isOwn = (column: string): column is (typeof OWN)[number] => (OWN as readonly string[]).includes(column);

/** Spreadsheets call them so. */
const CALLED: Record<string, string> = {
  drawer: 'bin',
  qty: 'counted',
  quantity: 'counted',
  count: 'counted',
  low: 'lowAt',
  'order at': 'lowAt',
  length: 'lengthMm',
  class: 'propertyClass',
  grade: 'propertyClass',
  description: 'name',
  type: 'kind',
};

function columnOf(heading: string): string | undefined {
  const plain = heading.trim().toLowerCase();
  return CALLED[plain] ?? SHELF_COLUMNS.find((column) => column.toLowerCase() === plain.replace(/[ _-]|\(mm\)/g, ''));
}

const refused = (reason: string) => fail({ code: 'cellRefused' as const, reason });

function readOwn(column: (typeof OWN)[number], text: string): Result<string | number | undefined, CellRefused> {
  if (column === 'bin') return text.trim() === '' ? refused('must not be empty') : ok(text.trim());
  if (text.trim() === '') return column === 'lowAt' ? ok(undefined) : refused('must not be empty');
  const value = Number(text);
  return Number.isInteger(value) && value >= 0
    ? ok(value)
    : refused(`must be a whole number from 0, was “${text.slice(0, 20)}”`);
}

/**
 * Drawers from a CSV or pasted table with a heading row.
 *
 * @returns the drawers, or every cell that was refused, with its place; nothing is taken then
 */
export function readShelfCsv(text: string): Result<DrawerInput[], { code: 'tableFaulty'; cells: CellFault[] }> {
  const faulty = (cells: CellFault[]) => fail({ code: 'tableFaulty' as const, cells });
  const [headings = [], ...rows] = readTable(text);
  const columns = headings.map(columnOf);
  const lacking = ['bin', 'kind', 'name', 'counted'].filter((column) => !columns.includes(column));
  if (lacking.length > 0)
    return faulty([
      {
        row: 1,
        column: '',
        reason: `The first row must name the columns; missing: ${lacking.join(', ')}. Known: ${SHELF_COLUMNS.join(', ')}.`,
      },
    ]);
  if (rows.length === 0) return faulty([{ row: 1, column: '', reason: 'There is no row under the headings.' }]);
  if (rows.length > MOST_DRAWERS)
    return faulty([{ row: 0, column: '', reason: `${rows.length} rows; at most ${MOST_DRAWERS} are taken.` }]);
  const faults: CellFault[] = [];
  const drawers = rows.flatMap((row, index) => {
    const drawer: Record<string, string | number> = {};
    columns.forEach((column, at) => {
      if (!column) return;
      const cell = row[at] ?? '';
      const read = isOwn(column) ? readOwn(column, cell) : readCell(column as PackingColumn, cell);
      if (!read.ok) faults.push({ row: index + 2, column: headings[at] ?? column, reason: read.error.reason });
      else if (read.value !== undefined) drawer[column] = read.value;
    });
    const whole = DrawerInputSchema.safeParse(drawer);
    if (whole.success) return [whole.data];
    if (faults.every(({ row: at }) => at !== index + 2))
      for (const { path, message } of whole.error.issues)
        faults.push({ row: index + 2, column: String(path[0] ?? ''), reason: message });
    return [];
  });
  return faults.length > 0 ? faulty(faults) : ok(drawers);
}

/** The shelf as CSV, with what should lie in each drawer now. */
export const writeShelfCsv = (lines: readonly ShelfLine[]): string =>
  Papa.unparse(
    {
      fields: [...SHELF_COLUMNS],
      data: lines.map((line) =>
        SHELF_COLUMNS.map((column) => {
          const value = column === 'counted' ? leftOnShelf(line) : line[column as keyof ShelfLine];
          return value === undefined ? '' : String(value);
        }),
      ),
    },
    { escapeFormulae: true, newline: '\r\n' },
  );
