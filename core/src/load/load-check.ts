/** What a limit is of. */
export const LOAD_LIMITS = [
  'gross',
  'payload',
  'frontAxle',
  'rearAxle',
  'combination',
  'trailer',
  'tongue',
  'trailerGross',
  'trailerAxle',
  'carrier',
  'roof',
  'frontTyres',
  'rearTyres',
] as const;
export type LoadLimit = (typeof LOAD_LIMITS)[number];

/** A load against its rating; a rating that is just reached is kept. */
export interface LoadCheck {
  limit: LoadLimit;
  actualKg: number;
  ratingKg: number;
  marginKg: number;
  ok: boolean;
}

/** Less than this is rounding, kg. */
const ROUNDING_KG = 1e-9;

export const loadCheck = (limit: LoadLimit, actualKg: number, ratingKg: number): LoadCheck => ({
  limit,
  actualKg,
  ratingKg,
  marginKg: ratingKg - actualKg,
  ok: actualKg <= ratingKg + ROUNDING_KG,
});

/** Of several checks the one with the highest share of its rating; the first of equals. */
export const mostUtilised = (checks: readonly LoadCheck[]): LoadCheck | undefined =>
  checks.reduce<LoadCheck | undefined>(
    (most, check) => (!most || check.actualKg / check.ratingKg > most.actualKg / most.ratingKg + 1e-12 ? check : most),
    undefined,
  );
