/**
 * A stand-in for a supplier's counter: says when pieces would come and gives an order its number. What it keeps follows
 * from what is asked for, so that the same question has the same answer.
 */

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** Its van comes twice a day, hours UTC, and not on weekends. */
const RUNS_AT = [9, 14];
/** What is asked for this long before a run is on it. */
const PACKED_MS = 1.5 * HOUR_MS;
/** Pieces that are drawn for one kit alone come from its maker, in days. */
const FROM_MAKER_DAYS = 3;

export const SUPPLIER = 'Hollin Fasteners';

/** What is asked for. */
export interface Wanted {
  name: string;
  thread?: string;
  quantity: number;
  /** Made for one kit: nobody keeps it. */
  special: boolean;
}

export interface Promised {
  supplier: string;
  promisedMs: number;
}

/** The van's runs from an instant on, the first first. */
function* runsFrom(nowMs: number): Generator<number> {
  const midnight = Math.floor(nowMs / DAY_MS) * DAY_MS;
  for (let day = 0; day < 30; day += 1) {
    const date = midnight + day * DAY_MS;
    const weekday = new Date(date).getUTCDay();
    if (weekday === 0 || weekday === 6) continue;
    for (const hour of RUNS_AT) if (date + hour * HOUR_MS >= nowMs + PACKED_MS) yield date + hour * HOUR_MS;
  }
}

/** When what is wanted would be here. */
export function promise(wanted: Wanted, nowMs: number): Promised {
  const ready = nowMs + (wanted.special || wanted.thread === undefined ? FROM_MAKER_DAYS * DAY_MS : 0);
  const [run] = runsFrom(ready);
  return { supplier: SUPPLIER, promisedMs: run ?? ready };
}

/** A number for an order: its instant, and its place among those of the minute. */
export const orderNumber = (nowMs: number, serial: number): string =>
  `H-${Math.floor(nowMs / 60_000)
    .toString(36)
    .toUpperCase()}-${serial}`;
