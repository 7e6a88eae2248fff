import Papa from 'papaparse';
import type { Item } from '#core/kit/kit-document.ts';
import { ALL_FORMS, HEAD_SHAPES, ITEM_KINDS } from '#core/kit/piece-kind.ts';
import { fail, ok, type Result } from '#core/result.ts';

/** Columns of a packing list as a table, in the order they are written. */
export const PACKING_COLUMNS = [
  'line',
  'bag',
  'kind',
  'name',
  'quantity',
  'source',
  'form',
  'thread',
  'lengthMm',
  'head',
  'acrossFlatsMm',
  'propertyClass',
  'finish',
  'insideMm',
  'outsideMm',
  'thicknessMm',
  'side',
  'mark',
  'facing',
  'tellTale',
] as const;
export type PackingColumn = (typeof PACKING_COLUMNS)[number];

const NUMBERS = new Set<PackingColumn>([
  'quantity',
  'lengthMm',
  'acrossFlatsMm',
  'insideMm',
  'outsideMm',
  'thicknessMm',
]);
export const COLUMN_CHOICES: Partial<Record<PackingColumn, readonly string[]>> = {
  kind: ITEM_KINDS,
  form: ALL_FORMS,
  source: ['kit', 'factory', 'shop'],
  head: HEAD_SHAPES,
  side: ['left', 'right'],
};
const REQUIRED = new Set<PackingColumn>(['line', 'bag', 'kind', 'name', 'quantity', 'source']);

/** One cell that was not taken: which row and column, and why. */
export interface CellFault {
  row: number;
  column: string;
  reason: string;
}

/** Largest table that is opened, characters; most rows that are taken. */
const LARGEST_TABLE = 2 * 1024 * 1024;
const MOST_ROWS = 1000;

export interface CellRefused {
  code: 'cellRefused';
  reason: string;
}
const refused = (reason: string) => fail({ code: 'cellRefused' as const, reason });

/**
 * A cell's text as the item's value. Numbers take a decimal comma; an empty cell clears what may be empty.
 * @returns the value, undefined for an empty cell, or why it was refused
 */
export function readCell(column: PackingColumn, typed: string): Result<string | number | undefined, CellRefused> {
  const text = typed.trim();
  if (text === '') return REQUIRED.has(column) ? refused('must not be empty') : ok(undefined);
  // What a spreadsheet would run is never taken for text.
  if (/^[=@]|^[+-](?!\d)/.test(text)) return refused(`starts with “${text[0]}”: formulas are not taken`);
  if (text.length > 300) return refused('is longer than 300 characters');
  const choices = COLUMN_CHOICES[column];
  if (choices) {
    const choice = choices.find((entry) => entry.toLowerCase() === text.toLowerCase());
    return choice === undefined ? refused(`must be one of ${choices.join(', ')}`) : ok(choice);
  }
  if (!NUMBERS.has(column)) return ok(text);
  const value = Number(text.replace(',', '.').replace(/\s*mm$/i, ''));
  if (!Number.isFinite(value) || value <= 0) return refused(`must be a number above 0, was “${text.slice(0, 20)}”`);
  if (column === 'quantity' && !Number.isInteger(value)) return refused('must be a whole number');
  return ok(value);
}

/** What a cell shows. */
export const cellText = (item: Item, column: PackingColumn): string => {
  const value = item[column];
  return value === undefined ? '' : String(value);
};

/** The packing list as CSV; cells that a spreadsheet would run are quoted so that it does not. */
export const writePackingCsv = (items: readonly Item[]): string =>
  Papa.unparse(
    {
      fields: [...PACKING_COLUMNS],
      data: items.map((item) => PACKING_COLUMNS.map((column) => cellText(item, column))),
    },
    { escapeFormulae: true, newline: '\r\n' },
  );

/** A table as pasted or read: rows of cells. */
export const readTable = (text: string): string[][] =>
  Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    ...(text.includes('\t') ? { delimiter: '\t' } : {}),
  }).data;

/** Names a spreadsheet may give the columns. */
const HEADINGS: Record<string, PackingColumn> = {
  qty: 'quantity',
  count: 'quantity',
  description: 'name',
  item: 'line',
  length: 'lengthMm',
  class: 'propertyClass',
  grade: 'propertyClass',
  thickness: 'thicknessMm',
  'across flats': 'acrossFlatsMm',
  type: 'kind',
};

const columnOf = (heading: string): PackingColumn | undefined => {
  const plain = heading.trim().toLowerCase();
  return (
    HEADINGS[plain] ?? PACKING_COLUMNS.find((column) => column.toLowerCase() === plain.replace(/[ _-]|\(mm\)/g, ''))
  );
};

/**
 * Items from a CSV or pasted table with a heading row. What the heading leaves out gets a plain value.
 *
 * @param taken - ids already in use
 * @returns the items, or every cell that was refused, with its place; nothing is taken then
 */
export function readPackingCsv(
  text: string,
  taken: ReadonlySet<string> = new Set(),
): Result<Item[], { code: 'tableFaulty'; cells: CellFault[] }> {
  if (text.length > LARGEST_TABLE)
    return fail({ code: 'tableFaulty', cells: [{ row: 0, column: '', reason: 'The table is larger than 2 MB.' }] });
  const [headings = [], ...rows] = readTable(text);
  const columns = headings.map(columnOf);
  if (!columns.includes('name') || !columns.includes('quantity'))
    return fail({
      code: 'tableFaulty',
      cells: [
        {
          row: 1,
          column: '',
          reason: `The first row must name the columns; “name” and “quantity” are needed. Known: ${PACKING_COLUMNS.join(', ')}.`,
        },
      ],
    });
  if (rows.length > MOST_ROWS)
    return fail({
      code: 'tableFaulty',
      cells: [{ row: 0, column: '', reason: `${rows.length} rows; at most ${MOST_ROWS} are taken.` }],
    });
  const faults: CellFault[] = [];
  const ids = new Set(taken);
  const items = rows.map((row, index): Item => {
    const item: Item = {
      id: '',
      line: String(index + 1),
      bag: 'Bag A',
      kind: 'part',
      name: '',
      quantity: 1,
      source: 'kit',
    };
    columns.forEach((column, at) => {
      if (!column) return;
      const read = readCell(column, row[at] ?? '');
      if (!read.ok) faults.push({ row: index + 2, column: headings[at] ?? column, reason: read.error.reason });
      else if (read.value !== undefined) Object.assign(item, { [column]: read.value });
    });
    let id = item.line.replace(/[^A-Za-z0-9._-]+/g, '-').replace(/^[^A-Za-z0-9]+/, '') || `i${index + 1}`;
    for (let serial = 2; ids.has(id); serial++) id = `${id.replace(/-\d+$/, '')}-${serial}`;
    ids.add(id);
    return { ...item, id };
  });
  return faults.length > 0 ? fail({ code: 'tableFaulty', cells: faults }) : ok(items);
}
