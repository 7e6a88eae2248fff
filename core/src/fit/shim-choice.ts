/** Shims of one thickness and how many there are. */
export interface ShimStock {
  /** Above 0, mm. */
  thicknessMm: number;
  count: number;
}

/** What is measured and wanted at the points a part sits on. */
export interface ShimWanted {
  /** Gap at each point, mm, two to four of them. */
  gapsMm: readonly number[];
  /** A spacer that goes in at every point beside the shims, mm. */
  spacerMm?: number;
  /** How far the gaps may lie apart before the part is not shimmed but looked at, mm. */
  spreadMm?: number;
  /** How much of a gap may stay open, mm. */
  openMm: number;
}

/** What goes in at one point, by the place of the shims in the stock. */
export interface ShimStack {
  pieces: number[];
  stackMm: number;
  /** What of the gap stays open, mm. */
  openMm: number;
}

export type ShimChoice =
  | { ok: true; points: ShimStack[]; used: number[]; left: number[] }
  /** The part sits askew: shims would hide that. */
  | { ok: false; fault: 'tilt'; apartMm: number }
  /** The spacer is thicker than a gap. */
  | { ok: false; fault: 'spacerTooThick'; point: number }
  /** No shims of the bag fill it near enough; as near as they come. */
  | { ok: false; fault: 'short'; point: number; openMm: number };

/** Feeler gauges show hundredths; shims are stacked no higher than this (common practice, no source). */
const TIDY = 1000;
const MOST_PIECES = 5;
const tidy = (mm: number): number => Math.round(mm * TIDY) / TIDY || 0;

/** All stacks that go into a gap without forcing it, nearest first, of few pieces before many. */
function stacksFor(gapMm: number, stock: readonly ShimStock[]): ShimStack[] {
  const found: ShimStack[] = [];
  const build = (from: number, pieces: number[], stackMm: number): void => {
    found.push({ pieces, stackMm: tidy(stackMm), openMm: tidy(gapMm - stackMm) });
    if (pieces.length === MOST_PIECES) return;
    for (let at = from; at < stock.length; at += 1) {
      const { thicknessMm, count } = stock[at] as ShimStock;
      const higher = stackMm + thicknessMm;
      if (tidy(higher) <= tidy(gapMm) && pieces.filter((piece) => piece === at).length < count)
        build(at, [...pieces, at], higher);
    }
  };
  build(0, [], 0);
  return found.sort((a, b) => a.openMm - b.openMm || a.pieces.length - b.pieces.length);
}

/**
 * Chooses shims for gaps that were measured at two to four points: at each point the stack that leaves least open without
 * forcing the gap, from one bag, so that all points together leave least. No shim at all is a choice like another.
 *
 * @param stock - thicknesses of the bag with their counts
 * @returns what goes in where and what is left over; or why it is not shimmed
 */
export function chooseShims(wanted: ShimWanted, stock: readonly ShimStock[]): ShimChoice {
  const { gapsMm, spacerMm = 0, spreadMm, openMm } = wanted;
  const apartMm = tidy(Math.max(...gapsMm) - Math.min(...gapsMm));
  if (spreadMm !== undefined && apartMm > spreadMm) return { ok: false, fault: 'tilt', apartMm };
  const needed = gapsMm.map((gap) => tidy(gap - spacerMm));
  const forced = needed.findIndex((gap) => gap < 0);
  if (forced >= 0) return { ok: false, fault: 'spacerTooThick', point: forced };
  const stacks = needed.map((gap) => stacksFor(gap, stock));
  let best: { points: ShimStack[]; open: number; pieces: number } | undefined;
  let nearest: { point: number; openMm: number } = { point: 0, openMm: Number.POSITIVE_INFINITY };
  const place = (point: number, left: readonly number[], points: ShimStack[], open: number, pieces: number): void => {
    if (best && (open > best.open || (open === best.open && pieces >= best.pieces))) return;
    if (point === needed.length) {
      best = { points, open, pieces };
      return;
    }
    for (const stack of stacks[point] ?? []) {
      const after = [...left];
      for (const piece of stack.pieces) after[piece] = (after[piece] ?? 0) - 1;
      if (after.some((count) => count < 0)) continue;
      if (stack.openMm > openMm) {
        // The nearest that the bag allows here is too far: nothing further down the list is nearer.
        if (point > nearest.point || stack.openMm < nearest.openMm) nearest = { point, openMm: stack.openMm };
        return;
      }
      place(point + 1, after, [...points, stack], tidy(open + stack.openMm), pieces + stack.pieces.length);
    }
  };
  place(
    0,
    stock.map(({ count }) => count),
    [],
    0,
    0,
  );
  if (!best) return { ok: false, fault: 'short', ...nearest };
  const used = stock.map(
    (_, kind) => (best?.points ?? []).flatMap(({ pieces }) => pieces).filter((one) => one === kind).length,
  );
  return { ok: true, points: best.points, used, left: stock.map(({ count }, kind) => count - (used[kind] ?? 0)) };
}
