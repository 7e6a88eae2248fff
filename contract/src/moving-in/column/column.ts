import { type CellReader, words } from '../cell.ts';

/** One thing a book's table may say of a row. */
export interface Column {
  /** Where it goes; a point leads into a part: `ratings.grossKg`. */
  field: string;
  label: string;
  /** Other headings it is known by. */
  also?: readonly string[];
  needed?: true;
  read: CellReader;
  /** How it is written. */
  example: string;
}

/** A column of plain text. */
export const text = (field: string, label: string, example: string, longest = 120, also: string[] = []): Column => ({
  field,
  label,
  also,
  read: words(longest),
  example,
});
/** The same column, without which no row is whole. */
export const needed = (column: Column): Column => ({ ...column, needed: true });

export type Cells = Record<string, unknown>;

/** The value a path of fields leads to: `ratings.grossKg`. */
export const partAt = (record: Cells, path: string): unknown =>
  path.split('.').reduce<unknown>((part, name) => (part as Cells | undefined)?.[name], record);

/** How one book's rows are read. */
export interface BookTable {
  /** In the order a table is written. */
  columns: readonly Column[];
  /** What the cells of a row mean together: usual values, and parts that two columns make. */
  finish: (cells: Cells) => Cells;
}
