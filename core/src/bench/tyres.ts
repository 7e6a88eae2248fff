import {
  type TyreRoom,
  tyreRoomAfter,
  type WheelSet,
  type WheelSetChange,
  wheelSetChange,
} from '../geometry/wheel-offset.ts';
import type { InputFault } from '../quantity/input-fault.ts';
import { ok, type Result } from '../result.ts';
import { type SpeedometerAnswer, speedometer } from '../vehicle/speedometer.ts';
import { type Remark, remarksThat } from './remark.ts';

/** An error of the dial that is left alone. Chosen by us: what a worn tyre makes. */
const DIAL_SHARE = 0.01;

export interface TyresAsk {
  before: WheelSet;
  after: WheelSet;
  kpiDeg: number;
  indicatedKmh: number;
  axleRatio: number;
  room?: TyreRoom;
}

export interface TyresAnswer {
  dial: SpeedometerAnswer;
  change: WheelSetChange;
  room?: TyreRoom;
  remarks: Remark[];
}

/** What other wheels and tyres do to dial, gearing, height, scrub radius and room. */
export function tyresFor(ask: TyresAsk): Result<TyresAnswer, InputFault> {
  const { before, after, indicatedKmh, axleRatio } = ask;
  const dial = speedometer({
    oldDiameterMm: before.tyreDiameterMm,
    newDiameterMm: after.tyreDiameterMm,
    indicatedKmh,
    axleRatio,
  });
  if (!dial.ok) return dial;
  const change = wheelSetChange(before, after, ask.kpiDeg);
  if (!change.ok) return change;
  const room = ask.room && tyreRoomAfter(ask.room, change.value);
  const tightest = room && Math.min(room.bumpMm, room.lockMm, room.innerMm);
  const { errorShare } = dial.value;
  return ok({
    dial: dial.value,
    change: change.value,
    ...(room ? { room } : {}),
    remarks: remarksThat(
      tightest !== undefined && (tightest < 0 ? { code: 'tyreTouches', shortMm: -tightest } : { code: 'tyreClears' }),
      errorShare < -DIAL_SHARE && { code: 'dialReadsLow', errorShare: -errorShare },
      errorShare > DIAL_SHARE && { code: 'dialReadsHigh', errorShare },
      { code: 'codeIsNominal' },
      { code: 'measureAtDroop' },
    ),
  });
}
