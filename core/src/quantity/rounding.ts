/** Rounds to `decimals` places, halves away from zero; the factor undoes binary artefacts such as 1.005 → 1. */
export function roundTo(value: number, decimals: number): number {
  const scale = 10 ** decimals;
  const rounded = Math.round(Math.abs(value) * scale * (1 + Number.EPSILON)) / scale;
  return value < 0 && rounded !== 0 ? -rounded : rounded;
}

/**
 * Decimals that keep about three figures: 0 from 100, 1 from 10, 2 below.
 * Chosen by us: a click wrench is good to ±4 % (ISO 6789-1), so a fourth figure would only pretend.
 */
export function threeFigureDecimals(value: number): number {
  const size = Math.abs(value);
  if (size >= 100) return 0;
  return size >= 10 ? 1 : 2;
}

/**
 * The shortest decimal of `value` that still lies within `[min, max]`.
 *
 * A converted figure must never tell a fitter to leave the accepted band: 5.4 rounded to 5 would be out of a
 * 5.2–5.6 band, so it stays 5.4. Six decimals at most; a band tighter than that gets the unrounded value.
 *
 * @param value - lies within the band, any unit
 * @param min - lower end of the band, same unit
 * @param max - upper end of the band, same unit
 */
export function roundWithin(value: number, min: number, max: number, fromDecimals = 0): number {
  for (let decimals = fromDecimals; decimals <= 6; decimals++) {
    const rounded = roundTo(value, decimals);
    if (rounded >= min && rounded <= max) return rounded;
  }
  return value;
}

/** The lower end of a band shown to a fitter: rounded up, so that what is shown is inside. */
export function roundUp(value: number, decimals: number): number {
  const step = 10 ** -decimals;
  return roundTo(Math.ceil(value / step - 1e-9) * step, decimals);
}

/** The upper end of a band shown to a fitter: rounded down, so that what is shown is inside. */
export function roundDown(value: number, decimals: number): number {
  const step = 10 ** -decimals;
  return roundTo(Math.floor(value / step + 1e-9) * step, decimals);
}
