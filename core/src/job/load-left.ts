import { indexOf, type Plan, type PlanGroup, type PlanStation } from '../kit/plan.ts';
import {
  type ElasticGroup,
  type Pull as ElasticPull,
  elasticSequence,
  fadingCompliance,
} from '../tightening/elastic-interaction.ts';
import { type EvenPlan, fewestPulls } from '../tightening/even-plan.ts';
import { acceptBand } from '../tightening/kinds.ts';
import { distanceMm, type Point } from '../tightening/load-imbalance.ts';
import { type JobState, type Pull, stationState } from './job-state.ts';
import { slopeOfStack, stackJoint } from './stack-joint.ts';
import { standingPulls } from './station-progress.ts';

/** What each bolt of a group still holds by a model of its plate. */
export interface LoadLeft {
  /** In the group's listed order: station, its share of the load it was pulled to, and who took most of what is gone. */
  bolts: Array<{ station: string; share: number; takenBy?: string }>;
  /** Stations below what is enough, the lowest first. */
  again: string[];
  /** Stations whose check pull moved by more than their neighbours can have taken: something between settles. */
  settles: string[];
  /** How much the plate gives against a bolt, and whether check pulls that moved said so. */
  gives: number;
  measured: boolean;
}

/** Fewer bolts share no plate worth a model. */
const LEAST_BOLTS = 4;
/** Of more bolts than this not every way is tried: it would hold up the screen. */
const MOST_TRIED = 32;
/** A bolt that holds less than this share is pulled again (chosen by us). */
const ENOUGH = 0.9;
/** How evenly a group is wanted, (most − least) ÷ target (chosen by us: a click wrench scatters by more). */
const EVEN = 0.1;
/** The plate's give at a bolt against the bolt's own, where nothing was measured: a stiff plate on metal (chosen by us). */
const USUAL_GIVE = 0.4;
/** Over this many bolt spacings the give fades to a third (chosen by us). */
const REACH_SPACINGS = 0.8;
/** What a check pull is believed to tell of the give: from rigid to a thick gasket. */
const GIVES = Array.from({ length: 31 }, (_, step) => step / 10);
/** A loss that goes beyond what neighbours took by this share is settling (chosen by us). */
const SETTLES = 0.08;
/** Fewer check pulls say nothing of a plate (chosen by us). */
const LEAST_CHECKS = 3;
/** A nut that moved less than this did not move, degrees. */
const STILL_DEG = 1;

const positionOf = ({ xMm, yMm }: PlanStation): Point => ({ xMm, yMm });

/** The nearest neighbour of each, in the middle over all. */
function spacingMm(points: readonly Point[]): number {
  const nearest = points.map((point) =>
    Math.min(...points.filter((other) => other !== point).map((other) => distanceMm(point, other))),
  );
  return nearest.reduce((sum, mm) => sum + mm, 0) / nearest.length;
}

const elasticGroup = (points: readonly Point[], gives: number): ElasticGroup => {
  const k = 300_000;
  return {
    boltStiffnessNPerMm: k,
    complianceMmPerN: fadingCompliance(points, gives / k, REACH_SPACINGS * spacingMm(points)),
  };
};

/** Only shares are of interest: the target is as much. */
const TARGET_N = 1000;

/** Stations of one kind on one plate: an elastic group; undefined where they are not. */
function plateOf(plan: Plan, group: PlanGroup): { stations: PlanStation[]; points: Point[] } | undefined {
  const { stations: byId } = indexOf(plan);
  const stations = group.stations.flatMap((id) => byId.get(id) ?? []);
  const points = stations.map(positionOf);
  const apart = new Set(points.map(({ xMm, yMm }) => `${xMm} ${yMm}`)).size === points.length;
  const plain = stations.every(({ spec }) => {
    const band = acceptBand(spec);
    return band !== undefined && !band.angle && !band.gradient;
  });
  return stations.length >= LEAST_BOLTS && apart && plain ? { stations, points } : undefined;
}

/** A pull of a bolt, as a share of the bolt's own target. */
interface MadePull {
  bolt: number;
  pull: Pull;
  share: number;
}

/**
 * Load each station's target makes, against the largest of the group: F goes with T/d, so that small and large bolts of one
 * plate are told apart.
 */
function weights(plan: Plan, stations: readonly PlanStation[]): number[] {
  const loads = stations.map(
    (station) => (acceptBand(station.spec)?.targetNm ?? 0) / (stackJoint(plan, station)?.thread.nominalMm ?? 10),
  );
  const most = Math.max(...loads);
  return loads.map((load) => load / most);
}

/** Pulls that stand, in the order they were made. */
function pullsMade(job: JobState, stations: readonly PlanStation[]): MadePull[] {
  return stations
    .flatMap((station, bolt) => {
      const targetNm = acceptBand(station.spec)?.targetNm ?? 0;
      return standingPulls(stationState(job, station.id))
        .filter(({ verdict }) => verdict === 'accepted' || verdict === 'noMovement')
        .map((pull) => ({ bolt, pull, share: pull.torqueNm / targetNm }));
    })
    .filter(({ share }) => share > 0.01)
    .sort((a, b) => a.pull.atMs - b.pull.atMs);
}

/** Share of the target's load that a nut gains per degree, by the stack's stiffness; undefined where it does not say. */
function gainPerDeg(plan: Plan, station: PlanStation): number | undefined {
  const slope = slopeOfStack(plan, station);
  const targetNm = acceptBand(station.spec)?.targetNm;
  return slope !== undefined && targetNm ? slope / targetNm : undefined;
}

/** How much a bolt had lost when it was pulled again, by how far its nut moved: what a live wrench measured. */
function measuredLosses(
  plan: Plan,
  stations: readonly PlanStation[],
  made: readonly MadePull[],
): Array<{ at: number; lost: number }> {
  return made.flatMap(({ bolt, pull, share }, at) => {
    const before = made.slice(0, at).findLast((other) => other.bolt === bolt);
    const again = before !== undefined && Math.abs(before.share - share) < 0.05;
    const perDeg = again ? gainPerDeg(plan, stations[bolt] as PlanStation) : undefined;
    if (perDeg === undefined || pull.movementDeg === undefined) return [];
    return [{ at, lost: pull.movementDeg < STILL_DEG ? 0 : pull.movementDeg * perDeg }];
  });
}

const asPulls = (made: readonly MadePull[], weight: readonly number[]): ElasticPull[] =>
  made.map(({ bolt, share }) => ({ bolt, toN: share * (weight[bolt] as number) * TARGET_N }));

/** The give that explains best how far check pulls moved; undefined where none was measured. */
function measuredGive(
  points: readonly Point[],
  made: readonly MadePull[],
  losses: ReturnType<typeof measuredLosses>,
  weight: readonly number[],
): { gives: number; beyond: number[] } | undefined {
  if (losses.length < LEAST_CHECKS) return undefined;
  let best: { gives: number; off: number; beyond: number[] } | undefined;
  for (const gives of GIVES) {
    const run = elasticSequence(elasticGroup(points, gives), asPulls(made, weight));
    if (!run.ok) return undefined;
    const beyond = losses.map(({ at, lost }) => {
      const { bolt, share } = made[at] as MadePull;
      const held = (run.value[at - 1]?.[bolt] ?? 0) / TARGET_N / (weight[bolt] as number);
      return lost - Math.max(0, share - held);
    });
    const off = beyond.reduce((sum, share) => sum + share * share, 0);
    if (!best || off < best.off - 1e-9) best = { gives, off, beyond };
  }
  return best;
}

/**
 * What each bolt of a group on one plate still holds, after the pulls that were made: tightening one takes load from those
 * beside it. How much the plate gives is taken from how far check pulls moved, where a live wrench measured it.
 *
 * @returns undefined where there is no plate to speak of, or nothing was pulled yet
 */
export function loadLeft(plan: Plan, job: JobState, group: PlanGroup): LoadLeft | undefined {
  const plate = plateOf(plan, group);
  const made = plate ? pullsMade(job, plate.stations) : [];
  if (!plate || made.length === 0) return undefined;
  const { stations, points } = plate;
  const weight = weights(plan, stations);
  const losses = measuredLosses(plan, stations, made);
  const measured = measuredGive(points, made, losses, weight);
  const gives = measured?.gives ?? USUAL_GIVE;
  const settles = losses.flatMap(({ at }, place) =>
    (measured?.beyond[place] ?? 0) > SETTLES ? [stations[(made[at] as MadePull).bolt]?.id ?? ''] : [],
  );
  const run = elasticSequence(elasticGroup(points, gives), asPulls(made, weight));
  if (!run.ok) return undefined;
  const last = run.value.at(-1) as Float64Array;
  const bolts = stations.map(({ id }, bolt) => {
    const own = made.findLastIndex((pull) => pull.bolt === bolt);
    if (own < 0) return { station: id, share: 0 };
    const aim = (made[own] as MadePull).share * (weight[bolt] as number);
    let most = 0;
    let takenBy: string | undefined;
    for (let at = own + 1; at < made.length; at++) {
      const took = ((run.value[at - 1]?.[bolt] ?? 0) - (run.value[at]?.[bolt] ?? 0)) / TARGET_N;
      if (took > most + 1e-6) [most, takenBy] = [took, stations[(made[at] as MadePull).bolt]?.id];
    }
    return { station: id, share: (last[bolt] as number) / TARGET_N / aim, ...(takenBy ? { takenBy } : {}) };
  });
  const pulled = new Set(made.map(({ bolt }) => stations[bolt]?.id));
  const again = bolts
    .filter(({ station, share }) => pulled.has(station) && share < ENOUGH)
    .sort((a, b) => a.share - b.share)
    .map(({ station }) => station);
  return { bolts, again, settles: [...new Set(settles)], gives, measured: measured !== undefined };
}

/** The way with the fewest pulls to an even group, and the sheet's own beside it, on a plate that gives so much. */
export function evenWays(plan: Plan, group: PlanGroup, gives: number): { best?: EvenPlan; own?: EvenPlan } | undefined {
  const plate = plateOf(plan, group);
  if (!plate || plate.stations.length > MOST_TRIED) return undefined;
  const order = group.torqueOrder.map((id) => group.stations.indexOf(id));
  const found = fewestPulls(elasticGroup(plate.points, gives), plate.points, EVEN, order);
  return found.ok ? { best: found.value.best, own: found.value.printed } : undefined;
}
