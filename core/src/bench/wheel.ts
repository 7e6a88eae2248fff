import type { BoltStrength } from '../fastener/property-class.ts';
import type { Thread } from '../fastener/thread.ts';
import { type StudSeat, studSeat } from '../tightening/stud-seat.ts';
import { finishFriction, type ThreadFinish } from '../tightening/thread-finish.ts';
import type { BearingFace } from '../tightening/tightening-torque.ts';
import { type Remark, remarksThat } from './remark.ts';

/** Seating twists a stud too far over this share of yield. Chosen by us. */
const SEATING_MOST = 0.6;

/**
 * A hub stud's seat against its wheel nut.
 *
 * @param seatingNm - torque the stud was seated with, N·m; left out when it is not known, and then nothing is said of it
 */
export function wheelNut(
  thread: Thread,
  strength: BoltStrength,
  face: BearingFace,
  nutNm: number,
  seatingNm: number | undefined,
  finish: ThreadFinish,
): StudSeat & { remarks: Remark[] } {
  const { usual, low } = finishFriction(finish);
  const at = (mu: number) => studSeat(thread, strength, seatingNm ?? 0, nutNm, mu, face);
  const now = at(usual);
  const yields = now.yieldShare > 1;
  const seated = seatingNm !== undefined;
  const tooMuch = seated && now.seatingYieldShare > SEATING_MOST;
  return {
    ...now,
    remarks: remarksThat(
      yields && { code: 'studYields' },
      !yields && at(low).yieldShare > 1 && { code: 'studYieldsOiled' },
      { code: 'wheelTorqueSource' },
      !seated && { code: 'seatingUnknown' },
      tooMuch && { code: 'seatingTooMuch', seatingShare: now.seatingYieldShare },
      seated && !tooMuch && now.turnsOn && { code: 'studMayTurnOn', twistNm: now.nutTwistsNm },
      { code: 'wheelRetorque' },
    ),
  };
}
