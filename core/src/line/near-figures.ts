import type { KitDocument } from '../kit/kit-document.ts';
import type { Check } from '../kit/kit-preparation.ts';
import type { Plan } from '../kit/plan.ts';
import { scopedKit } from '../visit/scoped-kit.ts';
import { limitsOf } from './judge-check.ts';

/** A figure of a sheet that could be taken for the one that is asked, and is another axle's, year's or build's. */
export interface NearFigure {
  check: Check;
  /** In which its condition can be said. */
  kit: KitDocument;
  /** It is of this vehicle, at other places. */
  elsewhere: boolean;
}

/** Read at every wheel, so that one end's figure stands beside the other's; two gaps of a kit have nothing in common. */
const AT_WHEELS: ReadonlySet<Check['quantity']> = new Set(['rideHeight', 'camber', 'caster', 'toe']);
/** Of one place, read once more: before and after. */
const sharesPlace = (a: Check, b: Check): boolean =>
  a.places === undefined || b.places === undefined || a.places.some((place) => b.places?.includes(place));

/** Range of a check as middle and half its width; nothing where it is open at an end. */
function rangeOf(check: Check): { middle: number; half: number } | undefined {
  const { min, max } = limitsOf(check);
  return min === undefined || max === undefined ? undefined : { middle: (min + max) / 2, half: (max - min) / 2 };
}

/**
 * Figures of the visit's sheets for the same quantity whose range touches that of a check, but is not the same: a rear
 * camber of -1 ± 0.5° beside a front one of -0.5 ± 0.5°. What is equal does no harm, what lies far off is not mistaken.
 * Checks that say no quantity, or leave an end open, have none.
 */
export function nearFigures(
  kits: ReadonlyArray<{ prefix: string; document: KitDocument }>,
  plan: Pick<Plan, 'checks'>,
  asked: Check,
): NearFigure[] {
  const own = rangeOf(asked);
  if (asked.quantity === undefined || own === undefined) return [];
  const applying = new Set(plan.checks.map(({ id }) => id));
  return kits.flatMap(({ prefix, document }) => {
    const kit = scopedKit(document, prefix);
    return kit.checks.flatMap((check): NearFigure[] => {
      if (check.id === asked.id || check.quantity !== asked.quantity || check.unit !== asked.unit) return [];
      const elsewhere = applying.has(check.id);
      if (elsewhere && (!AT_WHEELS.has(asked.quantity) || sharesPlace(check, asked))) return [];
      const range = rangeOf(check);
      if (range === undefined) return [];
      const apart = Math.abs(range.middle - own.middle);
      const same = apart < 1e-9 && Math.abs(range.half - own.half) < 1e-9;
      if (same || apart > range.half + own.half + 1e-9) return [];
      return [{ check, kit, elsewhere }];
    });
  });
}
