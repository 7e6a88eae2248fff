import Papa from 'papaparse';
import type { Discrepancy } from '#core/job/discrepancies.ts';
import type { Plan } from '#core/kit/plan.ts';

const COLUMNS = [
  'kit',
  'maker',
  'revision',
  'bag',
  'line',
  'name',
  'on the sheet',
  'found',
  'missing',
  'over',
  'damaged',
  'why',
];

/** What a box held otherwise than its sheet says, for its maker: RFC 4180, a byte-order mark for spreadsheets, formulas escaped. */
export const discrepancyCsv = (plan: Plan, list: readonly Discrepancy[]): string =>
  `\uFEFF${Papa.unparse(
    {
      fields: COLUMNS,
      data: list.map(({ item, found, missing, over, damaged, reasons }) => {
        const kit = plan.kits.find(({ id }) => id === item.kit);
        return [
          kit?.title ?? item.kit,
          kit?.maker ?? '',
          kit?.revision ?? '',
          item.bag,
          item.line,
          item.name,
          item.quantity,
          found,
          missing,
          over,
          damaged,
          reasons.join('; '),
        ];
      }),
    },
    { newline: '\r\n', escapeFormulae: true },
  )}\r\n`;
