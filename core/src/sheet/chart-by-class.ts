import type { TorqueUnit } from '../quantity/unit.ts';
import { type Line, linesOf } from './packing-line.ts';
import { torqueUnitOf, unitOfAll } from './sheet-unit.ts';
import type { Span } from './token.ts';
import type { InWords } from './written-out.ts';

/** `GRADE 5`, `Gr. 8`, `10.9`: the class of bolt a column is for. */
const CLASS = /\b(?:gr(?:ade|\.)? ?([258])|(?:class ?)?(8\.8|9\.8|10\.9|12\.9))(?![\d.])/gi;
/** What else stands in the heading of such a chart. */
const HEAD_WORDS =
  /\b(?:size|thread|bolt|screw|stud|nut|fasteners?|dia(?:meter)?|class|torques?|values?|nominal)\b|[|:=_+*().,/-]|\s/gi;
/** A size a row begins with, or a name and its size: `3/8`, `M10`, `U-BOLT 9/16`. */
const ROW =
  /^[\s|]*(?:(\p{L}[\p{L} -]{2,24}?)\s+)?(M ?\d{1,2}|#\d{1,2}|\d{1,2}\/\d{1,2}|\d[ -]\d\/\d)(?:["”]|-\d{2}(?=\s))?(?=[\s|])/iu;
const FIGURE = /(?<![\d./])\d{1,3}(?:\.\d)?(?![\d/])/g;
/** How far above its columns the title of a chart may stand, with the unit of all of it. */
const TITLE_ABOVE = 3;
/** A longer line is a paragraph, characters. */
const LONGEST_LINE = 120;
/** Where a step sends its reader to the chart. */
const POINTED =
  /(?:\bfinal(?:ly)? )?\b(?:as )?(?:to|per|see|in|from|by|according to) (?:the )?(?:(?:values?|figures?|specs?) (?:in|of|on|from|per) (?:the )?)?(?:attached |following |above |below )?(?:torque )?(?:chart|table)(?: (?:below|above|overleaf|at the (?:foot|end|back)))?/gi;
/** Where a step begins. */
const STEP_BEGINS = /^\s*(?:\(?\d{1,3}[.):]|\(?[a-z][.):]|[-•*▪]\s|step\b)/i;
const MOST_LINES_OF_STEP = 8;
/** Everything on the vehicle, and no joint by its name. */
const EVERYTHING =
  /\b(?:all|every|each) (?:of the )?(?:\p{L}+ ){0,2}(?:hardware|fasteners?|bolts?|nuts?|screws?|connections?)\b/iu;

/** `H. Torque per chart`: nothing is named, and everything meant. */
const NOTHING_NAMED =
  /^\s*(?:\(?\w{1,3}[.):]\s+)?(?:now |then |finally )?(?:torque|tighten)(?: (?:it all|all|everything|them(?: all)?))?\s*$/i;

/** `Bolts in this kit are Grade 8`: the class of all of a kit's bolts, where its sheet says one. */
const OF_KIT =
  /\b(?:bolts|hardware|fasteners|screws)\b[^.;,\n]{0,40}\b(?:are|is) (?:all )?((?:gr(?:ade|\.)? ?[258]|(?:class ?)?(?:8\.8|9\.8|10\.9|12\.9))(?!\d|\.\d))/i;
const classOfKit = (lines: readonly Line[]): string[] => [
  ...new Set(lines.flatMap(({ text }) => classesIn(OF_KIT.exec(text)?.[1] ?? '').map(({ of }) => of))),
];

interface Row {
  size: string;
  name?: string;
  /** The figure under each class of bolt. */
  figures: ReadonlyMap<string, number>;
  /** The only figure of its row. */
  only?: number;
}

interface Chart extends Span {
  unit: TorqueUnit;
  rows: Row[];
}

const classesIn = (line: string) =>
  [...line.matchAll(CLASS)].map((match) => ({
    of: match[1] ? `grade ${match[1]}` : (match[2] ?? ''),
    middle: match.index + match[0].length / 2,
  }));

const keyOf = (size: string): string => size.replace(/\s/g, '').toUpperCase();

/** One row below the columns of a chart; undefined where the chart has ended. */
function rowOf(line: string, columns: ReturnType<typeof classesIn>): Row | undefined {
  const [lead = '', name, size] = (line.length <= LONGEST_LINE && ROW.exec(line)) || [];
  if (size === undefined) return undefined;
  const numbers = [...line.slice(lead.length).matchAll(FIGURE)].map((match) => ({
    value: Number(match[0]),
    middle: lead.length + match.index + match[0].length / 2,
  }));
  if (numbers.length === 0) return undefined;
  const under = (middle: number) =>
    columns.reduce((best, column) =>
      Math.abs(column.middle - middle) < Math.abs(best.middle - middle) ? column : best,
    );
  const figures = new Map(
    numbers.map(({ value, middle }, at) => [
      (numbers.length === columns.length ? columns[at] : under(middle))?.of ?? '',
      value,
    ]),
  );
  const [first, second] = numbers;
  return {
    size: keyOf(size),
    figures,
    ...(name ? { name: name.trim().toLowerCase() } : {}),
    ...(first && !second ? { only: first.value } : {}),
  };
}

/** The chart whose columns a line heads: torques by size, a column for each class of bolt. */
function chartAt(lines: readonly Line[], at: number): Chart | undefined {
  const line = lines[at];
  if (!line || line.text.length > LONGEST_LINE) return undefined;
  const columns = classesIn(line.text);
  if (new Set(columns.map(({ of }) => of)).size < 2) return undefined;
  const rest = line.text.replace(CLASS, ' ').replace(HEAD_WORDS, '');
  let unit = torqueUnitOf(rest);
  if (rest !== '' && unit === undefined) return undefined;
  let { start, end } = line;
  for (let up = 1; up <= TITLE_ABOVE; up++) {
    const above = lines[at - up];
    if (!above || above.text.length > LONGEST_LINE) break;
    const title = above.text.trim();
    if (!/\b(?:torques?|chart|table)\b/i.test(title) || /[.:;]$|^\d+[.)]/.test(title)) continue;
    const [, bracketed, behind] = /[([]([^()[\]]{2,12})[)\]]|(?:\bin|[,:]) ?([\p{L}·. -]{2,12})$/u.exec(title) ?? [];
    unit ??= torqueUnitOf(bracketed ?? behind ?? '');
    start = above.start;
    break;
  }
  // `All values ft-lb.` below its rows, or anywhere.
  unit ??= unitOfAll(lines.map(({ text }) => text).join('\n'));
  if (unit === undefined) return undefined;
  const rows: Row[] = [];
  for (const below of lines.slice(at + 1)) {
    if (/^[\s|+:=_-]*$/.test(below.text) && (rows.length === 0 || below.text.trim() !== '')) continue;
    const row = rowOf(below.text, columns);
    if (!row) break;
    rows.push(row);
    end = below.end;
  }
  return rows.length > 0 ? { start, end, unit, rows } : undefined;
}

/** Where charts of torques by size and class stand: no joints of the kit, but what its steps may send a reader to. */
export const classCharts = (text: string): Chart[] => {
  const lines = linesOf(text);
  return lines.flatMap((_, at) => chartAt(lines, at) ?? []);
};

/** Where words name a size: `3/8" bolts`, `the M10s`; none within another. */
const sizePattern = (size: string): RegExp =>
  new RegExp(
    String.raw`(?<![\d/.])${size.replace(/^M/, String.raw`\bM ?`).replace('/', String.raw`\/`)}(?![\d/])`,
    'gi',
  );

const named = (size: string, words: string): boolean => sizePattern(size).test(words);

/** The words of the step up to a place. */
function stepUpTo(lines: readonly Line[], place: number): string {
  let row = lines.findIndex(({ end }) => end >= place);
  const words = [lines[row]?.text.slice(0, place - (lines[row]?.start ?? 0)) ?? ''];
  for (let up = 0; up < MOST_LINES_OF_STEP; up++, row--) {
    const line = lines[row];
    const above = lines[row - 1];
    if (!line || STEP_BEGINS.test(line.text) || !above || above.text.trim() === '') break;
    words.unshift(above.text);
  }
  return words.join(' ');
}

/**
 * What stands in a chart, said at the step that sends its reader there: `Torque per chart` at 3/8 in bolts of Grade 5 is
 * `Torque to 28 lbf·ft`. The class is the step's own word, or that of the list; where neither says it and the row has
 * several, the words stay as they are.
 */
export function chartInWords(text: string): InWords[] {
  const lines = linesOf(text);
  return classCharts(text).flatMap(({ start, end, unit, rows }) => {
    const outside = (place: number): boolean => place < start || place > end;
    const others = lines.filter((line) => outside(line.start));
    const ofKit = classOfKit(others);
    const figureOf = (row: Row, words: string): number | undefined => {
      const said = [...new Set(classesIn(words).map(({ of }) => of))];
      const listed = [
        ...new Set(
          others
            .filter((line) => line.text.length <= LONGEST_LINE * 2 && named(row.size, line.text))
            .flatMap((line) => classesNear(row.size, line.text)),
        ),
      ];
      const [only, more] = said.length === 1 ? said : listed.length > 0 ? listed : ofKit;
      return row.only ?? (only !== undefined && more === undefined ? row.figures.get(only) : undefined);
    };
    return [...text.matchAll(POINTED)].flatMap((match): InWords[] => {
      const place = { start: match.index, end: match.index + match[0].length };
      if (!outside(place.start)) return [];
      const words = stepUpTo(lines, place.start);
      const called = rows.filter(({ name }) => name !== undefined && words.toLowerCase().includes(name));
      const sized = rows.filter((row) => row.name === undefined && named(row.size, words));
      const all =
        EVERYTHING.test(words) || NOTHING_NAMED.test(words)
          ? rows.filter((row) => figureOf(row, '') !== undefined)
          : [];
      const meant = [called, sized, all].find((some) => some.length > 0) ?? [];
      const figures = meant.map((row) => ({ row, figure: figureOf(row, words) }));
      if (figures.length === 0 || figures.some(({ figure }) => figure === undefined)) return [];
      const before = /^final/i.test(match[0]) ? '' : 'to ';
      const said = figures.map(({ row, figure }) =>
        figures.length === 1 ? `${before}${figure} ${unit}` : `${sizeInWords(row.size)} to ${figure} ${unit}`,
      );
      return [{ ...place, words: said.join(', ') }];
    });
  });
}

/** A size as a sentence has it: `1/2" bolts`. */
const sizeInWords = (size: string): string => (/^[M#]/.test(size) ? size : `${size}" bolts`);

/** The classes a line gives to a size: what stands behind it, up to the next size of the line. */
function classesNear(size: string, line: string): string[] {
  return [...line.matchAll(sizePattern(size))].flatMap((match) => {
    const behind = line.slice(match.index + match[0].length);
    const next = behind.search(/ {3,}\d/);
    return classesIn(next < 0 ? behind : behind.slice(0, next)).map(({ of }) => of);
  });
}
