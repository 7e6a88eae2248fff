import { showInchFraction } from '../quantity/display.ts';
import { roundTo } from '../quantity/rounding.ts';
import { MM_PER_INCH } from '../quantity/unit.ts';

export type DrillSeries = 'metric' | 'fraction' | 'number' | 'letter';

export interface Drill {
  series: DrillSeries;
  /** What is stamped on it: `8.5 mm`, `5/16 in`, `#7`, `F`. */
  name: string;
  diameterMm: number;
}

/** Wire gauge drills 1 to 60, thousandths of an inch × 10. @see ASME B94.11M (entered from memory) */
const NUMBER = [
  2280, 2210, 2130, 2090, 2055, 2040, 2010, 1990, 1960, 1935, 1910, 1890, 1850, 1820, 1800, 1770, 1730, 1695, 1660,
  1610, 1590, 1570, 1540, 1520, 1495, 1470, 1440, 1405, 1360, 1285, 1200, 1160, 1130, 1110, 1100, 1065, 1040, 1015, 995,
  980, 960, 935, 890, 860, 820, 810, 785, 760, 730, 700, 670, 635, 595, 550, 520, 465, 430, 420, 410, 400,
];
/** Letter drills A to Z, thousandths of an inch. @see ASME B94.11M (entered from memory) */
const LETTER = [
  234, 238, 242, 246, 250, 257, 261, 266, 272, 277, 281, 290, 295, 302, 316, 323, 332, 339, 348, 358, 368, 377, 386,
  397, 404, 413,
];

const metric = (): Drill[] => {
  const sizes: number[] = [];
  // Shop sets: tenths to 14 mm, halves to 40 (common practice, no source).
  for (let tenths = 10; tenths <= 140; tenths++) sizes.push(tenths / 10);
  for (let halves = 29; halves <= 80; halves++) sizes.push(halves / 2);
  return sizes.map((diameterMm) => ({ series: 'metric', name: `${diameterMm} mm`, diameterMm }));
};

/** Every drill of the four series, smallest first. */
export const DRILLS: readonly Drill[] = [
  ...metric(),
  ...Array.from({ length: 96 }, (_, index): Drill => {
    const diameterMm = ((index + 1) / 64) * MM_PER_INCH;
    return { series: 'fraction', name: `${showInchFraction(diameterMm)} in`, diameterMm };
  }),
  ...NUMBER.map(
    (size, index): Drill => ({ series: 'number', name: `#${index + 1}`, diameterMm: (size / 10_000) * MM_PER_INCH }),
  ),
  ...LETTER.map(
    (size, index): Drill => ({
      series: 'letter',
      name: String.fromCharCode(65 + index),
      diameterMm: (size / 1000) * MM_PER_INCH,
    }),
  ),
].sort((a, b) => a.diameterMm - b.diameterMm);

/** The drill nearest a diameter, with how much larger (+) or smaller (−) it is, mm. */
export function nearestDrill(diameterMm: number, series?: DrillSeries): { drill: Drill; differenceMm: number } {
  const choice = DRILLS.filter((drill) => series === undefined || drill.series === series).reduce((best, drill) =>
    Math.abs(drill.diameterMm - diameterMm) < Math.abs(best.diameterMm - diameterMm) - 1e-9 ? drill : best,
  );
  return { drill: choice, differenceMm: roundTo(choice.diameterMm - diameterMm, 6) };
}

/** The smallest drill not below a diameter; undefined above the largest of the series. */
export const drillAtLeast = (diameterMm: number, series: DrillSeries): Drill | undefined =>
  DRILLS.find((drill) => drill.series === series && drill.diameterMm >= diameterMm - 1e-9);
