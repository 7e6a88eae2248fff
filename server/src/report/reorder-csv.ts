import { stringify } from 'csv-stringify/sync';
import type { ReorderLine } from '#core/crib/bottle.ts';

const BECAUSE: Record<ReorderLine['because'], string> = {
  empty: 'none left',
  low: 'mL left',
  expired: 'expired',
  expiring: 'days left',
  tooWarm: 'stored too warm',
  missing: 'missing',
  calibration: 'calibration, days left',
};

/** The reorder list as RFC 4180 CSV, with a byte-order mark for spreadsheets and formulas escaped. */
export const reorderCsv = (lines: readonly ReorderLine[]): string =>
  stringify(
    [
      ['what', 'name', 'because', 'figure'],
      ...lines.map(({ what, name, because, figure }) => [
        what,
        name,
        what === 'fastener' && because === 'low' ? 'left' : BECAUSE[because],
        figure === undefined ? '' : Math.round(figure * 10) / 10,
      ]),
    ],
    { bom: true, record_delimiter: '\r\n', escape_formulas: true },
  );
