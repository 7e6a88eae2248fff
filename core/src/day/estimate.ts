/** What a step took in a job before. */
export interface StepHistory {
  kit: string;
  step: string;
  /** As the sheet said, or as was assumed, minutes. */
  plannedMin?: number;
  tookMin: number;
  fitter?: string;
  vehicle?: string;
}

/** How long a step is expected to take, and how sure that is. */
export interface Estimate {
  /** As likely more as less. */
  minutes: number;
  /** One time in ten it is less. */
  lowMin: number;
  /** One time in ten it is more. */
  highMin: number;
  /** What the sheet states; left out where it states nothing. */
  sheetMin?: number;
  /** Jobs of this shop the expectation leans on. */
  jobs: number;
}

/** What an estimate is asked for. */
export interface Asked {
  kit: string;
  step: string;
  /** The sheet's minutes, or what is assumed where it has none; over 0. */
  baseMin: number;
  stated: boolean;
  fitter?: string;
  vehicle?: string;
}

/** What a kit's own minutes are worth in this shop. */
export interface Claim {
  /** By how much steps of it take longer than its sheet says; 1 is as it says. */
  factor: number;
  low: number;
  high: number;
  /** Steps and jobs it is judged by. */
  steps: number;
  jobs: number;
}

/**
 * Spreads of the logarithm of taken over stated time before anything is known (chosen by us): one job of a step from the
 * next, one step of a sheet from another, a sheet's minutes from the shop's, a fitter and a vehicle from the usual.
 */
const PRIOR = { job: 0.3, step: 0.35, kit: 0.4, fitter: 0.15, vehicle: 0.15 };
/** Jobs the first of these spreads is worth before any were seen. */
const PRIOR_JOBS = 6;
/** Steps with history from which the spread between steps is reckoned at all. */
const FEW_STEPS = 3;
/**
 * Standard deviations to either side between which eight of ten lie.
 *
 * @see Abramowitz and Stegun, Handbook of Mathematical Functions (1964), table 26.5
 */
export const EIGHT_OF_TEN = 1.28155;
/** A time shorter or longer than this share of what is stated is a slip of the clock and no pace. */
const MOST_FACTOR = 20;

const mean = (list: readonly number[]): number => list.reduce((sum, value) => sum + value, 0) / list.length;
const square = (value: number): number => value * value;

interface StepMean {
  step: string;
  count: number;
  mean: number;
}

/** A kit's history, as far as estimates need it. */
interface KitPace {
  /** Variance of one job of a step. */
  job: number;
  /** Variance between steps. */
  step: number;
  steps: ReadonlyMap<string, StepMean>;
  /** The kit's own mean, shrunk to what its sheet says, and its variance. */
  centre: number;
  centreVariance: number;
  fitters: ReadonlyMap<string, { mean: number; variance: number }>;
  vehicles: ReadonlyMap<string, { mean: number; variance: number }>;
  jobs: number;
}

interface Ratio {
  step: string;
  log: number;
  fitter?: string;
  vehicle?: string;
}

/** Means of a trait over what steps leave unexplained, each shrunk to none by how little is known of it. */
function effects(
  rows: readonly Ratio[],
  residual: (row: Ratio) => number,
  trait: (row: Ratio) => string | undefined,
  { job, prior }: { job: number; prior: number },
): Map<string, { mean: number; variance: number }> {
  const by = new Map<string, number[]>();
  for (const row of rows) {
    const name = trait(row);
    if (name === undefined) continue;
    const own = by.get(name);
    if (own) own.push(residual(row));
    else by.set(name, [residual(row)]);
  }
  return new Map(
    [...by].map(([name, list]) => {
      const share = square(prior) / (square(prior) + job / list.length);
      return [name, { mean: share * mean(list), variance: (1 - share) * square(prior) }];
    }),
  );
}

function paceOf(rows: readonly Ratio[]): KitPace {
  const by = new Map<string, number[]>();
  for (const { step, log } of rows) {
    const own = by.get(step);
    if (own) own.push(log);
    else by.set(step, [log]);
  }
  const means = [...by].map(([step, logs]): StepMean => ({ step, count: logs.length, mean: mean(logs) }));
  // Within steps: what was seen, beside what is known before anything was.
  const within = [...by.values()].reduce(
    (sum, logs) => sum + logs.reduce((all, log) => all + square(log - mean(logs)), 0),
    0,
  );
  const free = rows.length - means.length;
  const job = (PRIOR_JOBS * square(PRIOR.job) + within) / (PRIOR_JOBS + free);
  // Between steps: DerSimonian and Laird's moment estimate.
  const weights = means.map(({ count }) => count / job);
  const weight = weights.reduce((sum, value) => sum + value, 0);
  const pooled = weight > 0 ? means.reduce((sum, one, at) => sum + one.mean * (weights[at] as number), 0) / weight : 0;
  const q = means.reduce((sum, one, at) => sum + (weights[at] as number) * square(one.mean - pooled), 0);
  const scale = weight - weights.reduce((sum, value) => sum + square(value), 0) / weight;
  const step =
    means.length >= FEW_STEPS && scale > 0 ? Math.max(0, (q - (means.length - 1)) / scale) : square(PRIOR.step);
  // The kit's own mean, between its sheet's word and its steps.
  const precision = means.reduce((sum, { count }) => sum + 1 / (step + job / count), 0);
  const lean = means.reduce((sum, one) => sum + one.mean / (step + job / one.count), 0);
  const centreVariance = 1 / (1 / square(PRIOR.kit) + precision);
  const centre = lean * centreVariance;
  const steps = new Map(means.map((one) => [one.step, one]));
  const pace = { job, step, steps, centre, centreVariance };
  const residual = (row: Ratio) => row.log - stepMean(pace, row.step).mean;
  return {
    ...pace,
    fitters: effects(rows, residual, ({ fitter }) => fitter, { job, prior: PRIOR.fitter }),
    vehicles: effects(rows, residual, ({ vehicle }) => vehicle, { job, prior: PRIOR.vehicle }),
    jobs: Math.max(0, ...means.map(({ count }) => count)),
  };
}

/** A step's mean between the kit's and its own, by how often it was seen. */
function stepMean(
  { steps, step, job, centre, centreVariance }: Pick<KitPace, 'steps' | 'step' | 'job' | 'centre' | 'centreVariance'>,
  name: string,
): { mean: number; variance: number; count: number } {
  const own = steps.get(name);
  if (!own) return { mean: centre, variance: step + centreVariance, count: 0 };
  const share = step / (step + job / own.count);
  return {
    mean: share * own.mean + (1 - share) * centre,
    variance: (1 - share) * step + square(1 - share) * centreVariance,
    count: own.count,
  };
}

/** How long steps take in a shop, from what its sheets say and from what they took. */
export interface Estimator {
  estimate(asked: Asked): Estimate;
  /** What a kit's own minutes are worth; undefined before any of its steps was timed. */
  claim(kit: string): Claim | undefined;
}

/**
 * Expectations from a shop's history: empirical Bayes on the logarithm of taken over stated time. A step's mean lies
 * between the kit's and its own, the kit's between its sheet's word and its steps, by how much each is known; the fitter
 * and the vehicle move it by what they were seen to, shrunk likewise. Intervals hold eight of ten.
 *
 * @see Casella, An Introduction to Empirical Bayes Data Analysis, The American Statistician 39 (1985) 83–87
 * @see DerSimonian and Laird, Meta-analysis in clinical trials, Controlled Clinical Trials 7 (1986) 177–188: the spread between steps
 */
export function estimator(history: readonly StepHistory[]): Estimator {
  const rows = new Map<string, Ratio[]>();
  for (const { kit, step, plannedMin, tookMin, fitter, vehicle } of history) {
    const factor = plannedMin !== undefined && plannedMin > 0 ? tookMin / plannedMin : 0;
    if (!(factor > 1 / MOST_FACTOR && factor < MOST_FACTOR)) continue;
    const own = rows.get(kit) ?? [];
    own.push({
      step,
      log: Math.log(factor),
      ...(fitter === undefined ? {} : { fitter }),
      ...(vehicle === undefined ? {} : { vehicle }),
    });
    rows.set(kit, own);
  }
  const paces = new Map<string, KitPace>();
  const paceFor = (kit: string): KitPace => {
    const known = paces.get(kit);
    if (known) return known;
    const made = paceOf(rows.get(kit) ?? []);
    paces.set(kit, made);
    return made;
  };
  return {
    estimate({ kit, step, baseMin, stated, fitter, vehicle }) {
      const pace = paceFor(kit);
      const own = stepMean(pace, step);
      const by = fitter === undefined ? undefined : pace.fitters.get(fitter);
      const on = vehicle === undefined ? undefined : pace.vehicles.get(vehicle);
      const centre = own.mean + (by?.mean ?? 0) + (on?.mean ?? 0);
      const spread = Math.sqrt(own.variance + pace.job + (by?.variance ?? 0) + (on?.variance ?? 0));
      return {
        minutes: baseMin * Math.exp(centre),
        lowMin: baseMin * Math.exp(centre - EIGHT_OF_TEN * spread),
        highMin: baseMin * Math.exp(centre + EIGHT_OF_TEN * spread),
        ...(stated ? { sheetMin: baseMin } : {}),
        jobs: own.count,
      };
    },
    claim(kit) {
      const pace = paceFor(kit);
      if (pace.steps.size === 0) return undefined;
      const spread = Math.sqrt(pace.centreVariance);
      return {
        factor: Math.exp(pace.centre),
        low: Math.exp(pace.centre - EIGHT_OF_TEN * spread),
        high: Math.exp(pace.centre + EIGHT_OF_TEN * spread),
        steps: pace.steps.size,
        jobs: pace.jobs,
      };
    },
  };
}
