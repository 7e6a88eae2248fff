import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';
import { type AxleLoads, addedTo, type Stance, stanceFault } from './axle-loads.ts';
import { type LoadCheck, loadCheck } from './load-check.ts';
import { MOST_KG } from './tongue.ts';

/** A box or rack that hangs on the ball or receiver and has no wheel of its own. */
export interface Carrier extends Stance {
  carrierKg: number;
  loadKg: number;
  /** Its middle behind the ball. */
  behindBallMm: number;
  axles: AxleLoads;
  ratings: {
    /** The ball's load rating, which is for a trailer's, straight down. */
    tongueKg?: number;
    /** What the receiver's maker allows without a trailer; often far less. */
    carrierKg?: number;
    rearAxleKg?: number;
  };
  /** Distance behind the ball the ratings are stated for; 0 where nothing is said. */
  ratedBehindMm?: number;
}

export interface CarrierAnswer extends AxleLoads {
  massKg: number;
  /** What the ball feels as if straight down, by the lever over the distance the rating is for. */
  momentNm: number;
  checks: LoadCheck[];
}

const GRAVITY = 9.80665;
const MM_PER_M = 1000;

/**
 * A carrier that is not a trailer: its whole mass counts against the ball's and the carrier's rating, and by the longer
 * lever it lifts the front axle more than a trailer's load there would.
 */
export function carrierLoad(carrier: Carrier): Result<CarrierAnswer, InputFault> {
  const { carrierKg, loadKg, behindBallMm, axles, ratings, wheelbaseMm, hitchBehindMm, ratedBehindMm = 0 } = carrier;
  const fault =
    firstFault(
      outOfRange('carrierKg', carrierKg, 0, 2000),
      outOfRange('loadKg', loadKg, 0, 2000),
      outOfRange('behindBallMm', behindBallMm, 0, 2000),
      outOfRange('ratedBehindMm', ratedBehindMm, 0, 2000),
      outOfRange('frontKg', axles.frontKg, 1, MOST_KG),
      outOfRange('rearKg', axles.rearKg, 1, MOST_KG),
      ...Object.entries(ratings).map(([name, kg]) => outOfRange(`ratings.${name}`, kg, 1, MOST_KG)),
    ) ?? stanceFault(carrier);
  if (fault) return fail(fault);
  const massKg = carrierKg + loadKg;
  const after = addedTo(axles, massKg, -(hitchBehindMm + behindBallMm), wheelbaseMm);
  return ok({
    ...after,
    massKg,
    momentNm: (massKg * GRAVITY * Math.max(0, behindBallMm - ratedBehindMm)) / MM_PER_M,
    checks: [
      ...(ratings.tongueKg === undefined ? [] : [loadCheck('tongue', massKg, ratings.tongueKg)]),
      ...(ratings.carrierKg === undefined ? [] : [loadCheck('carrier', massKg, ratings.carrierKg)]),
      ...(ratings.rearAxleKg === undefined ? [] : [loadCheck('rearAxle', after.rearKg, ratings.rearAxleKg)]),
    ],
  });
}
