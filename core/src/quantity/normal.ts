/**
 * Share of a normal distribution below `z` standard deviations.
 * @see Abramowitz and Stegun, Handbook of Mathematical Functions, 7.1.26: within 1.5e-7
 */
export function normalShareBelow(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const tail =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) *
    Math.exp(-x * x);
  return z >= 0 ? 1 - tail / 2 : tail / 2;
}

/** Density of a normal distribution at `off` from its middle, with the spread `sigma`, per unit. */
export const normalDensity = (off: number, sigma: number): number =>
  Math.exp(-0.5 * (off / sigma) ** 2) / (sigma * Math.sqrt(2 * Math.PI));

/**
 * Density of a reading where the true size is anywhere in a band alike, and the reading scatters about it.
 *
 * @param reading - what was read
 * @param lowest - least true size, in the reading's unit
 * @param highest - largest true size
 * @param sigma - spread of reading, one standard deviation, above 0
 */
export function readingDensity(reading: number, lowest: number, highest: number, sigma: number): number {
  const breadth = highest - lowest;
  if (!(breadth > sigma / 1000)) return normalDensity(reading - (lowest + highest) / 2, sigma);
  return (normalShareBelow((reading - lowest) / sigma) - normalShareBelow((reading - highest) / sigma)) / breadth;
}
