import { type Carrier, type CarrierAnswer, carrierLoad } from '../load/carrier.ts';
import { type Combination, type CombinationAnswer, combination } from '../load/combination.ts';
import { type LoadCheck, mostUtilised } from '../load/load-check.ts';
import { type ShareBand, type TongueAnswer, tongueShare } from '../load/tongue.ts';
import {
  type CargoMove,
  cargoMove,
  type TrailerCargoAnswer,
  type TrailerLoad,
  trailerCargo,
} from '../load/trailer-cargo.ts';
import type { InputFault } from '../quantity/input-fault.ts';
import { ok, type Result } from '../result.ts';
import { type Remark, remarksThat } from './remark.ts';

/** A move that is not worth unstrapping for, mm. Chosen by us. */
const MOVE_MM = 20;

/** Over its rating, or how near the nearest is. */
const kept = (checks: readonly LoadCheck[]): Remark | undefined => {
  const over = checks.filter(({ ok: fine }) => !fine);
  if (over.length > 0) return { code: 'overRatings', limits: over.map(({ limit }) => limit) };
  const nearest = mostUtilised(checks);
  return nearest && { code: 'nearestLimit', limit: nearest.limit, usedShare: nearest.actualKg / nearest.ratingKg };
};

export interface TrailerAnswer extends TrailerCargoAnswer {
  band: TongueAnswer;
  move: CargoMove;
  remarks: Remark[];
}

/** A loaded trailer on its ball, and where the cargo must go for a share. */
export function trailerOnBall(
  load: TrailerLoad,
  targetShare: number,
  band: ShareBand,
): Result<TrailerAnswer, InputFault> {
  const cargo = trailerCargo(load);
  if (!cargo.ok) return cargo;
  const { totalKg, tongueKg } = cargo.value;
  const share = tongueShare(totalKg, tongueKg, band);
  if (!share.ok) return share;
  const move = cargoMove(load, targetShare);
  if (!move.ok) return move;
  // Straps are not set to less than a millimetre.
  const allMm = Math.round(move.value.allMm);
  const foremost = Math.max(...load.cargo.filter(({ kg }) => kg > 0).map(({ aheadMm }) => aheadMm));
  const { verdict, tongueKg: forBand } = share.value;
  return ok({
    ...cargo.value,
    band: share.value,
    move: move.value,
    remarks: remarksThat(
      verdict === 'tooLight' && { code: 'ballTooLight', leastKg: forBand.min },
      verdict === 'tooHeavy' && { code: 'ballTooHeavy', mostKg: forBand.max },
      verdict === 'within' && { code: 'ballWithin' },
      foremost + allMm > load.couplerToAxleMm
        ? { code: 'pastCoupling' }
        : allMm > MOVE_MM
          ? { code: 'moveForward', allMm }
          : allMm < -MOVE_MM && { code: 'moveBack', allMm: -allMm },
      { code: 'weighbridgeDecides' },
    ),
  });
}

/** A vehicle with its trailer against every rating that was given. */
export function towingDay(day: Combination): Result<CombinationAnswer & { remarks: Remark[] }, InputFault> {
  const answer = combination(day);
  if (!answer.ok) return answer;
  const { checks, maxTrailerKg, maxTrailerLimitedBy } = answer.value;
  return ok({
    ...answer.value,
    remarks: remarksThat(
      kept(checks),
      maxTrailerKg !== undefined &&
        maxTrailerLimitedBy !== undefined && {
          code: 'trailerStops',
          limit: maxTrailerLimitedBy,
          trailerKg: maxTrailerKg,
        },
      { code: 'ratingsMissing' },
      { code: 'ratingsDoNotRise' },
      { code: 'weighbridgeDecides' },
    ),
  });
}

/** A box or rack on the ball. */
export function carrierOnBall(carrier: Carrier): Result<CarrierAnswer & { remarks: Remark[] }, InputFault> {
  const answer = carrierLoad(carrier);
  if (!answer.ok) return answer;
  return ok({
    ...answer.value,
    remarks: remarksThat(
      kept(answer.value.checks),
      carrier.ratings.carrierKg === undefined && { code: 'carrierRatingUnknown' },
      { code: 'ratingsDoNotRise' },
      { code: 'weighbridgeDecides' },
    ),
  });
}
