/** A final pull of a station, as much of it as its spread asks for. */
export interface FinalPull {
  station: string;
  torqueNm: number;
  targetNm: number;
  minNm: number;
  maxNm?: number;
  accepted: boolean;
}

/** How the final pulls of one station lie in their band. */
export interface StationSpread {
  station: string;
  pulls: number;
  meanNm: number;
  sdNm: number;
  minNm: number;
  maxNm?: number;
  targetNm: number;
  /** Outside the band. */
  missed: number;
  /** Pulls in each of equal parts of the scale from lowNm to highNm. */
  bins: number[];
  lowNm: number;
  highNm: number;
}

/** Parts of a scale: finer than a click wrench repeats (chosen by us). */
const BINS = 24;
/** Free at each end of the scale, as a share of what it shows, and never less than so much of the target (chosen by us). */
const MARGIN_SHARE = 0.1;
const LEAST_MARGIN = 0.02;

/**
 * The spread of pulls by station, in the order of their names. Mean and sample standard deviation as in ISO 3534-1:2006,
 * 1.15 and 1.17; by Welford's recurrence, so that many pulls close together lose no figures.
 *
 * @param pulls - torques in N·m
 */
export function stationSpreads(pulls: readonly FinalPull[]): StationSpread[] {
  const by = new Map<string, FinalPull[]>();
  for (const pull of pulls) {
    const own = by.get(pull.station);
    if (own) own.push(pull);
    else by.set(pull.station, [pull]);
  }
  return [...by]
    .map(([station, own]) => spreadOf(station, own))
    .sort((a, b) => a.station.localeCompare(b.station, 'en', { numeric: true }));
}

function spreadOf(station: string, pulls: readonly FinalPull[]): StationSpread {
  let [count, meanNm, squares, missed, target] = [0, 0, 0, 0, 0];
  let [low, high, minNm] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY];
  let maxNm: number | undefined;
  for (const pull of pulls) {
    count += 1;
    const step = pull.torqueNm - meanNm;
    meanNm += step / count;
    squares += step * (pull.torqueNm - meanNm);
    target += pull.targetNm;
    missed += pull.accepted ? 0 : 1;
    low = Math.min(low, pull.torqueNm);
    high = Math.max(high, pull.torqueNm);
    minNm = Math.min(minNm, pull.minNm);
    if (pull.maxNm !== undefined) maxNm = Math.max(maxNm ?? pull.maxNm, pull.maxNm);
  }
  const targetNm = target / count;
  const [from, to] = [Math.min(minNm, low), Math.max(maxNm ?? targetNm, high)];
  const margin = Math.max(LEAST_MARGIN * targetNm, (to - from) * MARGIN_SHARE);
  const [lowNm, highNm] = [from - margin, to + margin];
  const bins = new Array<number>(BINS).fill(0);
  for (const { torqueNm } of pulls) {
    const at = Math.min(BINS - 1, Math.floor(((torqueNm - lowNm) / (highNm - lowNm)) * BINS));
    bins[at] = (bins[at] ?? 0) + 1;
  }
  return {
    station,
    pulls: count,
    meanNm,
    sdNm: count > 1 ? Math.sqrt(squares / (count - 1)) : 0,
    minNm,
    ...(maxNm === undefined ? {} : { maxNm }),
    targetNm,
    missed,
    bins,
    lowNm,
    highNm,
  };
}
