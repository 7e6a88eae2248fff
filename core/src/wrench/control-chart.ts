/** Why a point of a control chart speaks of a change and not of chance. */
export type ChartSignal = 'beyondLimits' | 'eightOneSide' | 'sixTrending';

export interface ControlChart {
  centre: number;
  lower: number;
  upper: number;
  /** Standard deviation estimated from moving ranges. */
  sigma: number;
  /** Signals by index of the point they fall on. */
  signals: Array<{ index: number; signal: ChartSignal }>;
  /** Change per check by least squares: the drift. */
  slopePerCheck: number;
}

/** Points from which limits mean something. Chosen by us; fewer give a centre line only. */
export const POINTS_FOR_LIMITS = 6;

/**
 * Individuals chart: centre = mean, limits = mean ± 2.66 · mean moving range (3 σ with d2 = 1.128 for pairs), and
 * the run rules eight on one side and six rising or falling.
 *
 * @param values - deviations in order of time
 * @returns limits are the centre itself until {@link POINTS_FOR_LIMITS} values are there
 * @see ISO 7870-2:2013, individuals charts; NIST/SEMATECH e-Handbook of Statistical Methods, section 6.3.2.2
 */
export function controlChart(values: readonly number[]): ControlChart {
  const n = values.length;
  const centre = n === 0 ? 0 : values.reduce((sum, value) => sum + value, 0) / n;
  const ranges = values.slice(1).map((value, index) => Math.abs(value - (values[index] as number)));
  const meanRange = ranges.length === 0 ? 0 : ranges.reduce((sum, value) => sum + value, 0) / ranges.length;
  const known = n >= POINTS_FOR_LIMITS;
  const reach = known ? 2.66 * meanRange : 0;
  const signals: ControlChart['signals'] = [];
  values.forEach((value, index) => {
    if (known && (value > centre + reach + 1e-12 || value < centre - reach - 1e-12))
      signals.push({ index, signal: 'beyondLimits' });
    const eight = values.slice(Math.max(0, index - 7), index + 1);
    if (known && eight.length === 8 && (eight.every((v) => v > centre) || eight.every((v) => v < centre)))
      signals.push({ index, signal: 'eightOneSide' });
    const six = values.slice(Math.max(0, index - 5), index + 1);
    const steps = six.slice(1).map((v, i) => v - (six[i] as number));
    if (known && six.length === 6 && (steps.every((s) => s > 0) || steps.every((s) => s < 0)))
      signals.push({ index, signal: 'sixTrending' });
  });
  const middle = (n - 1) / 2;
  const spread = values.reduce((sum, _, index) => sum + (index - middle) ** 2, 0);
  const slopePerCheck =
    spread === 0 ? 0 : values.reduce((sum, value, index) => sum + (index - middle) * (value - centre), 0) / spread;
  return { centre, lower: centre - reach, upper: centre + reach, sigma: meanRange / 1.128, signals, slopePerCheck };
}

/** Checks until the drift, going on as it has, passes the permissible deviation; undefined while it does not drift. */
export function checksUntilOut(values: readonly number[], permissible: number): number | undefined {
  if (values.length < POINTS_FOR_LIMITS) return undefined;
  const { centre, slopePerCheck } = controlChart(values);
  const fitted = centre + slopePerCheck * ((values.length - 1) / 2);
  if (Math.abs(slopePerCheck) < permissible / 200) return undefined;
  const room = (slopePerCheck > 0 ? permissible : -permissible) - fitted;
  return Math.max(0, Math.floor(room / slopePerCheck));
}
