/** How a joint is tightened, as far as it decides the scatter of its preload. */
export type TighteningMethod = 'byFeel' | 'impact' | 'click' | 'digital' | 'torqueAngle' | 'yieldControlled';

/**
 * Tightening factor αA = largest over smallest preload, by method: low and high end.
 * @see VDI 2230-1:2015, table A8 (entered from memory); by feel is not in the table: common practice, no source
 */
const FACTOR: Record<TighteningMethod, { low: number; high: number; note: string }> = {
  byFeel: { low: 2, high: 4, note: 'not in VDI 2230; common practice' },
  impact: { low: 2.5, high: 4, note: 'impact wrench set by trial' },
  click: { low: 1.6, high: 2, note: 'torque wrench, friction estimated' },
  digital: { low: 1.4, high: 1.6, note: 'indicating wrench, friction known from trials' },
  torqueAngle: { low: 1.2, high: 1.4, note: 'turned past yield by angle' },
  yieldControlled: { low: 1.2, high: 1.4, note: 'stopped at yield by gradient' },
};

export const TIGHTENING_METHODS = Object.keys(FACTOR) as TighteningMethod[];

/** αA of a method, the middle of its range, with the range. */
export const tighteningFactor = (
  method: TighteningMethod,
): { low: number; high: number; middle: number; note: string } => {
  const { low, high, note } = FACTOR[method];
  return { low, high, middle: (low + high) / 2, note };
};

/**
 * Smallest and largest preload about a mean for a tightening factor: Fmax/Fmin = αA, (Fmax + Fmin)/2 = mean.
 * @param meanN - mean preload, N
 * @param factor - αA, from 1
 */
export const preloadScatterN = (meanN: number, factor: number): { minN: number; maxN: number } => ({
  minN: (2 * meanN) / (1 + factor),
  maxN: (2 * meanN * factor) / (1 + factor),
});
