import type { CellFault } from '../packing-csv.ts';
import { say } from '../wording/say.ts';
import type { TableBook } from './book.ts';
import { type Brought, ROW_SCHEMAS } from './brought.ts';
import type { Cells, Column } from './column/column.ts';
import { TABLES } from './column/tables.ts';
import type { TableFile } from './table-file.ts';

/** Which field each column of a file goes to; left out where it goes nowhere. */
export type Mapping = Array<string | undefined>;

const plain = (text: string): string => text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '');

/** The field a heading most likely means: by its own name, its label, or another name of it. */
const fieldOf = (columns: readonly Column[], heading: string): string | undefined => {
  const wanted = plain(heading);
  if (wanted === '') return undefined;
  return columns.find(({ field, label, also = [] }) =>
    [field, field.replace(/^.*\./, ''), label, ...also].some((name) => plain(name) === wanted),
  )?.field;
};

/** Fields by heading, each field at most once: the first column of a name has it. */
export function likelyMapping(book: TableBook, headings: readonly string[]): Mapping {
  const taken = new Set<string>();
  return headings.map((heading) => {
    const field = fieldOf(TABLES[book].columns, heading);
    if (field === undefined || taken.has(field)) return undefined;
    taken.add(field);
    return field;
  });
}

/** Columns that must be in the table and that nothing is mapped to. */
export const unmapped = (book: TableBook, mapping: Mapping): Column[] =>
  TABLES[book].columns.filter(({ field, needed }) => needed && !mapping.includes(field));

function place(record: Cells, path: string, value: unknown): void {
  const [first = '', ...rest] = path.split('.');
  if (rest.length === 0) record[first] = value;
  else {
    const part = (record[first] ?? {}) as Cells;
    record[first] = part;
    place(part, rest.join('.'), value);
  }
}

/** Where a fault of a finished row lies, as its column is called; calculated parts lead back to what they came from. */
const MADE_FROM: Record<string, string> = {
  fullScaleNm: 'fullScale',
  lowestNm: 'lowest',
  divisionNm: 'division',
  odometerKm: 'odometer',
  'calibration.on': 'calibratedOn',
  'calibration.readings': 'readings',
};

/** What a file calls the column that a field, or what was made of it, came from. */
export function headingOf(book: TableBook, { headings }: TableFile, mapping: Mapping, field: string): string {
  const from = MADE_FROM[field] ?? field;
  const { label } = TABLES[book].columns.find((column) => column.field === from) ?? {};
  return headings[mapping.indexOf(from)] ?? label ?? from;
}

/** A row that was read, or what of it was not, by column. */
export interface RowRead {
  line: number;
  row?: object;
  faults: CellFault[];
}

/**
 * Reads the lines of a table by the mapping.
 *
 * @returns every line, each either read or with all its faults, named by the file's own headings
 */
export function readRows(book: TableBook, table: TableFile, mapping: Mapping): RowRead[] {
  const { columns, finish } = TABLES[book];
  return table.lines.map(({ line, cells }) => {
    const record: Cells = {};
    const faults: CellFault[] = [];
    const fault = (field: string, reason: string) =>
      faults.push({ row: line, column: headingOf(book, table, mapping, field), reason });
    for (const column of columns) {
      const at = mapping.indexOf(column.field);
      const cell = at === -1 ? '' : (cells[at] ?? '').trim();
      // A quote before what a spreadsheet would run says that it is text: ours are written so.
      const quoted = /^'[=+\-@]/.test(cell);
      const text = quoted ? cell.slice(1) : cell;
      if (text === '') {
        if (column.needed) fault(column.field, say('must not be empty'));
        continue;
      }
      // What a spreadsheet would run is never taken for text.
      if (/^[=@]/.test(text) && !quoted)
        fault(column.field, say('starts with “{text}”: formulas are not taken', { text: text[0] }));
      else {
        const read = column.read(text);
        if (read.ok) place(record, column.field, read.value);
        else fault(column.field, read.error.reason);
      }
    }
    if (faults.length > 0) return { line, faults };
    const checked = ROW_SCHEMAS[book].safeParse(finish(record));
    if (checked.success) return { line, row: checked.data, faults };
    for (const { path, message } of checked.error.issues) {
      const name = path.map(String).join('.');
      const from = MADE_FROM[name] ?? name;
      fault(
        from,
        from === 'readings'
          ? say('a certificate comes with its readings: leave both columns out, or bring both')
          : message,
      );
    }
    return { line, faults };
  });
}

/** The rows of a book as they are sent. */
export const brought = (book: TableBook, file: string, rows: readonly object[]): Brought =>
  ({ book, file, rows }) as unknown as Brought;
