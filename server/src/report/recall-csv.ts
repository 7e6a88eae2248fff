import { stringify } from 'csv-stringify/sync';
import type { RecallHit } from '#contract/recall.ts';
import { type ClockRules, shopDay } from '#contract/wording/shop-time.ts';

/** Vehicles called back as RFC 4180 CSV, with a byte-order mark for spreadsheets and formulas escaped. */
export const recallCsv = (hits: readonly RecallHit[], { timeZone }: ClockRules): string =>
  stringify(
    [
      ['plate', 'vehicle', 'owner', 'contact', 'job', 'opened', 'signed', 'what'],
      ...hits.map(({ vehicle, number, openedAtMs, closedAtMs, what }) => [
        vehicle.plate,
        `${vehicle.make} ${vehicle.model}`,
        vehicle.owner,
        vehicle.contact ?? '',
        number,
        shopDay(openedAtMs, { timeZone }),
        closedAtMs === undefined ? '' : shopDay(closedAtMs, { timeZone }),
        what,
      ]),
    ],
    { bom: true, record_delimiter: '\r\n', escape_formulas: true },
  );
