/** A check of a wrench, by how much it had been used when it was made. */
export interface UsePoint {
  atMs: number;
  /** Pulls on record before it. */
  pulls: number;
  /** Mean and worst deviation, as fractions. */
  mean: number;
  worst: number;
  calibration: boolean;
}

/** How the reading of a wrench moves with use. */
export interface WrenchDrift {
  /** Change of the deviation in a thousand pulls, as a fraction, and between what bounds it lies. */
  perThousand: number;
  low: number;
  high: number;
  /** Deviation at the last check as the drift has it. */
  now: number;
  /** The first of the checks it is told from: those since the last calibration. */
  from: number;
  /** Pulls until it leaves what is allowed, going on so; left out where use is not seen to move it. */
  pullsLeft?: number;
}

/** Checks from which a drift is told. Chosen by us: below it Sen's bounds say nothing. */
export const CHECKS_FOR_DRIFT = 5;
/** Two-sided 95 %, standard normal. */
const Z_95 = 1.959964;
const THOUSAND = 1000;

/**
 * Drift against use: the median of the slopes between all pairs of checks since the last calibration, which sets the
 * wrench anew. One bad check does not bend it, as it would a least-squares line.
 *
 * @param points - in order of time
 * @param permissible - what the deviation may be, as a fraction
 * @returns undefined with fewer than {@link CHECKS_FOR_DRIFT} checks, or where it was not used between them
 * @see P. K. Sen, Estimates of the regression coefficient based on Kendall's tau, JASA 63 (1968) 1379–1389
 */
export function wrenchDrift(points: readonly UsePoint[], permissible: number): WrenchDrift | undefined {
  const from = Math.max(
    0,
    points.findLastIndex(({ calibration }) => calibration),
  );
  const own = points.slice(from);
  const n = own.length;
  if (n < CHECKS_FOR_DRIFT) return undefined;
  const slopes = own
    .flatMap((a, i) =>
      own.slice(i + 1).flatMap((b) => (b.pulls > a.pulls ? [(b.mean - a.mean) / (b.pulls - a.pulls)] : [])),
    )
    .sort((a, b) => a - b);
  if (slopes.length < CHECKS_FOR_DRIFT) return undefined;
  const slope = median(slopes);
  // Kendall's S under no trend has variance n(n-1)(2n+5)/18; its bound cuts the sorted slopes at both ends.
  const cut = Math.max(0, Math.floor((slopes.length - Z_95 * Math.sqrt((n * (n - 1) * (2 * n + 5)) / 18)) / 2));
  const low = slopes[cut] as number;
  const high = slopes[slopes.length - 1 - cut] as number;
  const last = own.at(-1) as UsePoint;
  const now = median(own.map(({ mean, pulls }) => mean - slope * pulls).sort((a, b) => a - b)) + slope * last.pulls;
  const moves = low > 0 || high < 0;
  const room = (slope > 0 ? permissible : -permissible) - now;
  return {
    perThousand: slope * THOUSAND,
    low: low * THOUSAND,
    high: high * THOUSAND,
    now,
    from,
    ...(moves ? { pullsLeft: Math.max(0, Math.floor(room / slope + 1e-9)) } : {}),
  };
}

/** Middle of sorted values, not none. */
function median(sorted: readonly number[]): number {
  const half = sorted.length / 2;
  const high = sorted[Math.floor(half)] as number;
  return Number.isInteger(half) ? ((sorted[half - 1] as number) + high) / 2 : high;
}
