import type { Thread } from '../fastener/thread.ts';
import type { InputFault } from '../quantity/input-fault.ts';
import { ok, type Result } from '../result.ts';
import { bandClampPressure } from '../tightening/band-clamp.ts';
import { evenFriction, finishFriction, type ThreadFinish } from '../tightening/thread-finish.ts';
import { type BearingFace, preloadForTorqueN } from '../tightening/tightening-torque.ts';
import { type Remark, remarksThat } from './remark.ts';

/** A band clamp round a hose. */
export interface BandClamp {
  thread: Thread;
  face: BearingFace;
  finish: ThreadFinish;
  hoseMm: number;
  bandMm: number;
  /** Never over, N·m. */
  mostNm: number;
}

/** What a torque on the clamp's screw presses with: bolt force N, pressure N/mm². */
export function clampAt(
  clamp: BandClamp,
  torqueNm: number,
): Result<{ boltN: number; pressureMpa: number; remarks: Remark[] }, InputFault> {
  const boltN = preloadForTorqueN(torqueNm, clamp.thread, evenFriction(finishFriction(clamp.finish).usual), clamp.face);
  const pressed = bandClampPressure(boltN, clamp.hoseMm, clamp.bandMm);
  if (!pressed.ok) return pressed;
  return ok({
    boltN,
    pressureMpa: pressed.value.pressureMpa,
    remarks: remarksThat(
      { code: torqueNm > clamp.mostNm ? 'overClampMost' : 'underClampMost' },
      { code: 'hosesSettle' },
    ),
  });
}
