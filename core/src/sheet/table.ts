import { unitFromSpelling } from '../quantity/parse-printed.ts';
import { dimensionOf, type TorqueUnit } from '../quantity/unit.ts';

/** What a column says of the bare numbers in it: a torque in a unit, a count, or only a label. */
export type ColumnSense = { torque: TorqueUnit } | 'count' | 'label';

interface Cell {
  text: string;
  /** Place of the cell's first character in the sheet. */
  start: number;
}

/** Cells are parted by a bar, a tab, or two spaces and more. */
function cellsOf(line: string, offset: number): Cell[] {
  const cells: Cell[] = [];
  for (const match of line.matchAll(/(?:[^|\t ]|[ ](?=[^ |\t]))+/g)) {
    const lead = match[0].length - match[0].trimStart().length;
    const text = match[0].trim();
    if (text !== '') cells.push({ text, start: offset + match.index + lead });
  }
  return cells;
}

/** `Torque (Nm)`, `ft-lb`, `Torque, in lbs`: the unit a heading gives to its column. */
function torqueUnitOf(heading: string): TorqueUnit | undefined {
  const bare = heading
    .replace(/\b(final|tightening|torque|spec|specification|value|setting)\b/gi, ' ')
    .replace(/[()[\],:]/g, ' ')
    .trim();
  const unit = unitFromSpelling(bare);
  return unit !== undefined && dimensionOf(unit) === 'torque' ? (unit as TorqueUnit) : undefined;
}

function senseOf(heading: string): ColumnSense | undefined {
  if (/\d/.test(heading)) return undefined;
  const torque = torqueUnitOf(heading);
  if (torque !== undefined) return { torque };
  if (/^(qty|quantity|count|pcs|pieces)\b/i.test(heading)) return 'count';
  if (/^(item|line|no|nr|ref|pos|position|#|step)\.?$/i.test(heading)) return 'label';
  return undefined;
}

const PLAIN_NUMBER = /^\d+(?:[.,]\d+)?(?:\s*[-–]\s*\d+(?:[.,]\d+)?)?$/;

/**
 * What the headings of the sheet's tables say of the bare numbers below them, by the place of each number.
 * A table is a heading with a torque unit or a quantity in it, and the rows with as many cells that follow.
 */
export function columnSenses(text: string): ReadonlyMap<number, ColumnSense> {
  const senses = new Map<number, ColumnSense>();
  let heading: Array<ColumnSense | undefined> | undefined;
  let offset = 0;
  for (const line of text.split('\n')) {
    const cells = cellsOf(line, offset);
    offset += line.length + 1;
    // A rule between heading and rows: `---|---`.
    if (cells.length > 0 && cells.every((cell) => /^[-=:+]+$/.test(cell.text))) continue;
    const found = cells.map((cell) => senseOf(cell.text));
    if (cells.length > 1 && found.some((sense) => sense !== undefined && sense !== 'label')) {
      heading = found;
      continue;
    }
    if (heading === undefined || cells.length !== heading.length) {
      heading = undefined;
      continue;
    }
    cells.forEach((cell, column) => {
      const sense = heading?.[column];
      if (sense !== undefined && PLAIN_NUMBER.test(cell.text)) senses.set(cell.start, sense);
    });
  }
  return senses;
}
