import type { ReactNode } from 'react';
import type { Remark } from '#core/bench/remark.ts';
import type { Field } from './bench-field.ts';
import type { BenchReader } from './bench-reader.ts';
import type { ShownFigure } from './show-figure.ts';

export interface Figure {
  label: string;
  shown: ShownFigure;
}

/** What a tool says for the values it was given. */
export interface Answer {
  main: Figure;
  figures: Figure[];
  remarks: Remark[];
  drawing: ReactNode;
  chart?: ReactNode;
  /** Rows shown beneath: a table of alternatives, candidates, outcomes. */
  table?: { head: string[]; rows: Array<{ key: string; cells: string[]; strong?: boolean }> };
  /** One line that says it all, for a job's record. */
  summary: string;
  /** A torque worked out here may be taken as one that is not from the sheet. */
  refusedForJob?: string;
}

/** Where a figure comes from: what is used, and the publication. */
export interface Source {
  what: string;
  where: string;
}

export interface BenchTool {
  id: string;
  title: string;
  says: string;
  /** What to type to get here. */
  example: string;
  /** Words that find it. */
  words: readonly string[];
  /** The drawing lies along the sheet and wants its whole width. */
  wide?: true;
  /** Fields that typed numbers go to, in order. */
  takes: readonly string[];
  fields: readonly Field[];
  answer(read: BenchReader): Answer;
  sources: readonly Source[];
}
