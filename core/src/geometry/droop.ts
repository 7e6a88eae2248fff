import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';

/** A hose or wire from the body to the knuckle or axle. */
export interface DroopLine {
  /** Between its two fixings, across and along together, and up: the body end above, standing. */
  acrossMm: number;
  heightMm: number;
  /** The wheel falls so much from standing before the damper ends. */
  droopMm: number;
  /** The body end rises so much over the other with the kit. */
  liftMm: number;
  /** Of the hose or wire itself between the fixings. */
  lineMm: number;
  /** Wanted to be left over. */
  slackMm: number;
}

export interface DroopLineAnswer {
  /** Straight from fixing to fixing at full droop, before and after. */
  beforeMm: number;
  afterMm: number;
  /** Left over, or short of the slack below 0. */
  slackAfterMm: number;
  /** The line must be so much longer, or its bracket so much lower. */
  shortByMm: number;
}

/** Whether a hose or wire reaches at full droop: the straight line between its ends, and the slack on top. */
export function droopLine(line: DroopLine): Result<DroopLineAnswer, InputFault> {
  const fault = firstFault(
    outOfRange('acrossMm', line.acrossMm, 0, 1000),
    outOfRange('heightMm', line.heightMm, -500, 1000),
    outOfRange('droopMm', line.droopMm, 0, 500),
    outOfRange('liftMm', line.liftMm, -300, 500),
    outOfRange('lineMm', line.lineMm, 50, 3000),
    outOfRange('slackMm', line.slackMm, 0, 200),
  );
  if (fault) return fail(fault);
  const straight = (lift: number) => Math.hypot(line.acrossMm, line.heightMm + line.droopMm + lift);
  const afterMm = straight(line.liftMm);
  const slackAfterMm = line.lineMm - afterMm;
  return ok({ beforeMm: straight(0), afterMm, slackAfterMm, shortByMm: Math.max(0, line.slackMm - slackAfterMm) });
}

/** A damper between its two ends of travel. */
export interface DamperTravel {
  extendedMm: number;
  compressedMm: number;
  /** Eye to eye, standing, before. */
  standingMm: number;
  /** Damper travel per wheel travel. */
  motionRatio: number;
  /** At the wheel. */
  liftMm: number;
  /** Wheel travel from standing to the bump stop, before; it grows by the lift. */
  bumpStopMm: number;
}

export interface DamperTravelAnswer {
  standingAfterMm: number;
  /** Wheel travel left before the damper is drawn out or pushed shut. */
  droopLeftMm: number;
  bumpLeftMm: number;
  /** Wheel travel to the bump stop. */
  toStopMm: number;
  /** The damper shuts before the bump stop is reached: metal on metal. */
  bottomsFirst: boolean;
  /** Standing it hangs drawn out, or nearly: less than this is left. */
  topsOut: boolean;
}

/** Droop that must be left so that a wheel does not hang on its damper over a kerb, mm; common practice, no source. */
const LEAST_DROOP_MM = 25;

/** What a lift leaves of a damper's travel, and whether the bump stop still comes first. */
export function damperTravel(damper: DamperTravel): Result<DamperTravelAnswer, InputFault> {
  const { extendedMm, compressedMm, standingMm, motionRatio, liftMm, bumpStopMm } = damper;
  const fault =
    firstFault(
      outOfRange('extendedMm', extendedMm, 100, 1500),
      outOfRange('motionRatio', motionRatio, 0.2, 1.5),
      outOfRange('liftMm', liftMm, -300, 500),
      outOfRange('bumpStopMm', bumpStopMm, 0, 400),
    ) ??
    firstFault(
      outOfRange('compressedMm', compressedMm, 50, extendedMm - 10),
      outOfRange('standingMm', standingMm, compressedMm, extendedMm),
    );
  if (fault) return fail(fault);
  const standingAfterMm = standingMm + liftMm * motionRatio;
  const droopLeftMm = (extendedMm - standingAfterMm) / motionRatio;
  const bumpLeftMm = (standingAfterMm - compressedMm) / motionRatio;
  const toStopMm = bumpStopMm + liftMm;
  return ok({
    standingAfterMm,
    droopLeftMm,
    bumpLeftMm,
    toStopMm,
    bottomsFirst: bumpLeftMm < toStopMm,
    topsOut: droopLeftMm < LEAST_DROOP_MM,
  });
}
