import Papa from 'papaparse';
import { fail, ok, type Result } from '#core/result.ts';
import { say } from '../wording/say.ts';
import { LARGEST_FILE, MOST_LINES } from './brought.ts';

/** A file brought along, as a table: its headings, and its lines with the number each has in the file. */
export interface TableFile {
  headings: string[];
  lines: Array<{ line: number; cells: string[] }>;
}

type Fault = { code: 'fileFaulty'; reason: string };
const faulty = (reason: string) => fail({ code: 'fileFaulty' as const, reason });

/** A value of a JSON document as a cell. */
const cellOf = (value: unknown): string =>
  value === null || value === undefined
    ? ''
    : Array.isArray(value)
      ? value.map(cellOf).join(', ')
      : typeof value === 'object'
        ? JSON.stringify(value)
        : String(value);

/** Parts of a record under the path that leads to them. */
function flat(record: object, under = ''): Array<[string, string]> {
  return Object.entries(record).flatMap(([name, value]) =>
    typeof value === 'object' && value !== null && !Array.isArray(value)
      ? flat(value, `${under}${name}.`)
      : [[`${under}${name}`, cellOf(value)] as [string, string]],
  );
}

function fromJson(text: string): Result<TableFile, Fault> {
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch (error) {
    return faulty(say('This is no JSON: {which}.', { which: error instanceof Error ? error.message : String(error) }));
  }
  // A list, or a document with one list in it.
  const lists = Array.isArray(document)
    ? [document]
    : Object.values((document ?? {}) as object).filter((value): value is unknown[] => Array.isArray(value));
  const [list] = lists;
  if (lists.length !== 1 || !list) return faulty(say('The file must hold one list of records.'));
  const odd = list.findIndex((entry) => typeof entry !== 'object' || entry === null || Array.isArray(entry));
  if (odd !== -1) return faulty(say('Entry {odd} of the list is no record.', { odd: odd + 1 }));
  const records = list.map((entry) => new Map(flat(entry as object)));
  const headings = [...new Set(records.flatMap((record) => [...record.keys()]))];
  return ok({
    headings,
    lines: records.map((record, at) => ({ line: at + 1, cells: headings.map((heading) => record.get(heading) ?? '') })),
  });
}

function fromCsv(text: string): Result<TableFile, Fault> {
  const all = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    ...(text.includes('\t') ? { delimiter: '\t' } : {}),
  }).data.map((cells, at) => ({ line: at + 1, cells }));
  // Empty rows are passed over, and counted: a line has the number a spreadsheet shows.
  const [first, ...lines] = all.filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  const headings = first?.cells ?? [];
  const twice = headings.find((heading, at) => heading.trim() !== '' && headings.indexOf(heading) !== at);
  if (twice !== undefined) return faulty(say('Two columns are called “{twice}”.', { twice }));
  return ok({ headings, lines });
}

/** A CSV or pasted table with a heading row, or JSON with one list of records. */
export function readTableFile(text: string): Result<TableFile, Fault> {
  if (text.length > LARGEST_FILE) return faulty(say('The file is larger than 1.5 MB: bring it in parts.'));
  if (text.trim() === '') return faulty(say('The file is empty.'));
  const read = /^\uFEFF?\s*[[{]/.test(text) ? fromJson(text.replace(/^\uFEFF/, '')) : fromCsv(text);
  if (!read.ok) return read;
  if (read.value.lines.length === 0) return faulty(say('There is nothing under the headings.'));
  if (read.value.lines.length > MOST_LINES)
    return faulty(
      say('{count} lines; at most {mostLines} are taken at once.', {
        count: read.value.lines.length,
        mostLines: MOST_LINES,
      }),
    );
  return read;
}
