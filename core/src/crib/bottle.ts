import type { CompoundKind } from '../compound/compound.ts';
import { type ShelfVerdict, type StoreReading, shelfVerdict } from '../compound/shelf-life.ts';

/** A bottle, tube or can of compound on the shelf. Dates are ISO days. */
export interface Bottle {
  id: string;
  name: string;
  kind: CompoundKind;
  lot: string;
  sizeMl: number;
  expiresOn: string;
  openedOn?: string;
  /** Months it keeps once opened. */
  openMonths?: number;
  storeMaxC: number;
  receivedAtMs: number;
  /** Used on threads, by the jobs' own events, mL. */
  usedMl: number;
  /** Corrections by hand: what a person saw in the bottle, against what was counted. */
  adjustedMl: number;
  emptiedOn?: string;
  /** It had set or gelled in the bottle: put away for good. */
  gelledOn?: string;
}

/** What is left by count, mL, never below 0. */
export const leftMl = (bottle: Pick<Bottle, 'sizeMl' | 'usedMl' | 'adjustedMl'>): number =>
  Math.max(0, bottle.sizeMl - bottle.usedMl + bottle.adjustedMl);

/** Whether a bottle may be used on a day, by its dates and the store's thermometer since it came. */
export const bottleVerdict = (bottle: Bottle, readings: readonly StoreReading[], today: string): ShelfVerdict =>
  shelfVerdict({ ...bottle, temperatures: readings.filter(({ atMs }) => atMs >= bottle.receivedAtMs) }, today);

/**
 * The bottle a bead is taken from: of the right kind, open before closed, then the one that goes off first.
 * @returns undefined when there is none of the kind with anything left
 */
export function bottleFor(bottles: readonly Bottle[], kind: CompoundKind): Bottle | undefined {
  return bottles
    .filter((bottle) => bottle.kind === kind && bottle.emptiedOn === undefined && leftMl(bottle) > 0)
    .sort(
      (a, b) =>
        Number(b.openedOn !== undefined) - Number(a.openedOn !== undefined) ||
        a.expiresOn.localeCompare(b.expiresOn) ||
        a.id.localeCompare(b.id),
    )[0];
}

/** Share of a bottle at which it is reordered, and days before it goes off. Chosen by us. */
export const REORDER_SHARE = 0.2;
const REORDER_DAYS = 30;

export interface ReorderLine {
  what: 'compound' | 'tool' | 'wrench' | 'fastener';
  name: string;
  because: 'empty' | 'low' | 'expired' | 'expiring' | 'tooWarm' | 'missing' | 'calibration';
  /** The figure behind it: mL or pieces left, days left. */
  figure?: number;
}

/**
 * What to order: kinds of compound of which nothing good is left in quantity, tools missing, wrenches to be sent for
 * calibration. One line a thing, most pressing first.
 */
export function reorderList(
  bottles: readonly Bottle[],
  readings: readonly StoreReading[],
  tools: ReadonlyArray<{ name: string; missing?: unknown }>,
  wrenches: ReadonlyArray<{ label: string; due: boolean; daysLeft: number }>,
  today: string,
  drawers: ReadonlyArray<{ name: string; left: number }> = [],
): ReorderLine[] {
  const lines: ReorderLine[] = [];
  const names = [...new Set(bottles.map((bottle) => bottle.name))].sort((a, b) => a.localeCompare(b, 'en'));
  for (const name of names) {
    const stock = bottles
      .filter((bottle) => bottle.name === name && bottle.emptiedOn === undefined)
      .map((bottle) => ({ bottle, verdict: bottleVerdict(bottle, readings, today), left: leftMl(bottle) }));
    const good = stock.filter(({ verdict, left }) => verdict.usable && left > 0);
    const total = good.reduce((sum, { left }) => sum + left, 0);
    const size = Math.max(0, ...bottles.filter((bottle) => bottle.name === name).map((bottle) => bottle.sizeMl));
    if (good.length === 0) {
      const spoilt = stock.find(({ verdict }) => !verdict.usable);
      lines.push({
        what: 'compound',
        name,
        because: spoilt === undefined ? 'empty' : spoilt.verdict.because === 'tooWarm' ? 'tooWarm' : 'expired',
      });
      continue;
    }
    const lasts = Math.max(...good.map(({ verdict }) => verdict.daysLeft));
    if (total < REORDER_SHARE * size) lines.push({ what: 'compound', name, because: 'low', figure: total });
    else if (lasts <= REORDER_DAYS) lines.push({ what: 'compound', name, because: 'expiring', figure: lasts });
  }
  for (const tool of tools) if (tool.missing) lines.push({ what: 'tool', name: tool.name, because: 'missing' });
  for (const { name, left } of drawers)
    lines.push({ what: 'fastener', name, because: left === 0 ? 'empty' : 'low', figure: left });
  for (const wrench of wrenches) {
    if (wrench.due || wrench.daysLeft <= REORDER_DAYS)
      lines.push({ what: 'wrench', name: wrench.label, because: 'calibration', figure: wrench.daysLeft });
  }
  return lines;
}
