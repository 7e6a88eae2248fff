import type { Span } from './token.ts';

/**
 * What a list of the sheet names: pieces of the kit, tools that are wanted, torques for sizes in general; what a page carries
 * around the work; or the heading of a table.
 */
export interface SheetList extends Span {
  of: 'pieces' | 'tools' | 'chart' | 'page' | 'heading';
}

/** One line of a packing list. */
export interface PackingLine extends Span {
  /** What the list calls the line: `9`, `c`. */
  label?: string;
  count: number;
  item: string;
}

export interface Line extends Span {
  text: string;
}

export const linesOf = (text: string): Line[] => {
  const lines: Line[] = [];
  let start = 0;
  for (const line of text.split('\n')) {
    lines.push({ text: line, start, end: start + line.length });
    start += line.length + 1;
  }
  return lines;
};

export const FEW_PIECES = 3;

export const FEW_ROWS = 3;
