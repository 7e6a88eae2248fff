/** One reading of the store's thermometer. */
export interface StoreReading {
  atMs: number;
  temperatureC: number;
}

/** A bottle or tube on the shelf. Dates are ISO days. */
export interface Shelf {
  expiresOn: string;
  openedOn?: string;
  /** Months it keeps once opened; left out when its sheet does not say. */
  openMonths?: number;
  /** Warmest the sheet allows in store, °C. */
  storeMaxC: number;
  temperatures: readonly StoreReading[];
}

export interface ShelfVerdict {
  /** The day it is no longer used: the printed one or, when opened, the earlier of both. */
  lastDay: string;
  usable: boolean;
  daysLeft: number;
  because: 'printed' | 'opened' | 'tooWarm';
  /** Hours it has stood above the store limit, from the readings. */
  warmH: number;
}

/** Hours above the store limit after which a bottle is not trusted. Chosen by us. */
const WARM_LIMIT_H = 72;
const DAY_MS = 86_400_000;

/** Whether a compound may still be used on a day, and why not. */
export function shelfVerdict(shelf: Shelf, today: string): ShelfVerdict {
  let [lastDay, because]: [string, ShelfVerdict['because']] = [shelf.expiresOn, 'printed'];
  if (shelf.openedOn !== undefined && shelf.openMonths !== undefined) {
    const opened = new Date(`${shelf.openedOn}T00:00:00Z`);
    opened.setUTCMonth(opened.getUTCMonth() + shelf.openMonths);
    const open = opened.toISOString().slice(0, 10);
    if (open < lastDay) [lastDay, because] = [open, 'opened'];
  }
  const readings = [...shelf.temperatures].sort((a, b) => a.atMs - b.atMs);
  // A reading holds until the next one; two days at most, so that a forgotten log does not condemn a bottle.
  const warmMs = readings.slice(0, -1).reduce((sum, reading, index) => {
    const untilNext = (readings[index + 1] as StoreReading).atMs - reading.atMs;
    return sum + (reading.temperatureC > shelf.storeMaxC ? Math.min(untilNext, 2 * DAY_MS) : 0);
  }, 0);
  const warmH = warmMs / 3_600_000;
  const daysLeft = Math.round((Date.parse(lastDay) - Date.parse(today)) / DAY_MS);
  if (warmH > WARM_LIMIT_H) return { lastDay, usable: false, daysLeft, because: 'tooWarm', warmH };
  return { lastDay, usable: daysLeft >= 0, daysLeft, because, warmH };
}
