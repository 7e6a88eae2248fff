import Papa from 'papaparse';
import { showInchFraction } from '#core/quantity/display.ts';
import { fromBase, type TorqueUnit } from '#core/quantity/unit.ts';
import type { TableBook } from './book.ts';
import { ROW_SCHEMAS, type WrenchRow } from './brought.ts';
import { type Cells, partAt } from './column/column.ts';
import { TABLES } from './column/tables.ts';

/** A number as a table has it: enough figures to read back as the same, and no more than a person wants. */
const figure = (value: number): string => String(Number(value.toPrecision(12)));

const torqueText = (nm: number, unit: TorqueUnit): string => `${figure(fromBase(nm, unit))} ${unit}`;

/** Cells that are not a field's own value: what a column reads, written back. */
const TEXTS: Partial<Record<TableBook, (row: Cells) => Cells>> = {
  vehicles: ({ odometerKm, odometerUnit }) =>
    odometerKm === undefined
      ? {}
      : {
          odometer:
            odometerUnit === 'mi'
              ? `${Math.round(fromBase(odometerKm as number, 'mi'))} mi`
              : `${Math.round(odometerKm as number)} km`,
        },
  wrenches: (row) => {
    const { fullScaleNm, lowestNm, divisionNm, scaleUnit, calibration } = row as unknown as WrenchRow;
    const sets = new Map<number, number[]>();
    for (const { setNm, referenceNm } of calibration?.readings ?? [])
      sets.set(setNm, [...(sets.get(setNm) ?? []), referenceNm]);
    return {
      fullScale: torqueText(fullScaleNm, scaleUnit),
      ...(lowestNm === undefined ? {} : { lowest: torqueText(lowestNm, scaleUnit) }),
      ...(divisionNm === undefined ? {} : { division: torqueText(divisionNm, scaleUnit) }),
      ...(calibration
        ? {
            calibratedOn: calibration.on,
            certificate: calibration.certificate,
            readings: [...sets].map(([set, read]) => `${figure(set)}: ${read.map(figure).join(' ')}`).join('; '),
          }
        : {}),
    };
  },
  tools: ({ drive }) => {
    const gripped = drive as { kind: string; size?: string; acrossFlatsMm?: number; inch?: true } | undefined;
    if (!gripped || gripped.kind === 'hand') return { drive: '' };
    if (gripped.kind === 'sixLobe') return { drive: gripped.size };
    const { acrossFlatsMm = 0, inch, kind } = gripped;
    const size = inch ? `${showInchFraction(acrossFlatsMm)} in` : `${figure(acrossFlatsMm)} mm`;
    return { drive: kind === 'hexKey' ? `${size} hex key` : kind === 'twelvePoint' ? `12-point ${size}` : size };
  },
};

const cellText = (value: unknown): string =>
  value === undefined || value === null
    ? ''
    : typeof value === 'boolean'
      ? value
        ? 'yes'
        : 'no'
      : typeof value === 'number'
        ? figure(value)
        : Array.isArray(value)
          ? value.join(', ')
          : String(value);

/** A book as CSV, by the columns it is read by; cells that a spreadsheet would run are quoted so that it does not. */
export function writeRows(book: TableBook, rows: readonly object[]): string {
  const { columns } = TABLES[book];
  const data = rows.map((row) => {
    const texts = TEXTS[book]?.(row as Cells) ?? {};
    return columns.map(({ field }) => cellText(field in texts ? texts[field] : partAt(row as Cells, field)));
  });
  return Papa.unparse({ fields: columns.map(({ label }) => label), data }, { escapeFormulae: true, newline: '\r\n' });
}

/** What of a stored card its book's table holds; the rest of it is in the archive's own rows. */
export const rowOf = (book: TableBook, card: object): object => {
  const known = new Set(Object.keys(ROW_SCHEMAS[book].shape));
  return Object.fromEntries(Object.entries(card).filter(([field, value]) => known.has(field) && value !== null));
};
