import { stringify } from 'csv-stringify/sync';
import type { DueItem } from '#contract/due.ts';
import { SETTLED_TEXT } from '#contract/wording/due-text.ts';
import { type ClockRules, shopDay } from '#contract/wording/shop-time.ts';

/** What is due as RFC 4180 CSV, with a byte-order mark for spreadsheets and formulas escaped; days are the shop's. */
export function dueCsv(items: readonly DueItem[], rules: ClockRules): string {
  const day = (atMs: number | undefined) => (atMs === undefined ? '' : shopDay(atMs, { timeZone: rules.timeZone }));
  return stringify(
    [
      [
        'expected',
        'earliest',
        'latest',
        'plate',
        'vehicle',
        'owner',
        'contact',
        'what',
        'at_km',
        'job',
        'signed',
        'settled',
      ],
      ...items.map((item) => [
        day(item.expected?.expectedMs),
        day(item.expected?.earliestMs),
        day(item.expected?.latestMs),
        item.vehicle.plate,
        `${item.vehicle.make} ${item.vehicle.model}`,
        item.vehicle.owner,
        item.vehicle.contact ?? '',
        item.text,
        item.atKm === undefined ? '' : Math.round(item.atKm),
        item.number,
        day(item.closedAtMs),
        item.settled ? `${SETTLED_TEXT[item.settled.how]} ${day(item.settled.atMs)}` : '',
      ]),
    ],
    { bom: true, record_delimiter: '\r\n', escape_formulas: true },
  );
}
