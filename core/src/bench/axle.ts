import { type PropShaft, type PropShaftChange, propShaftAngles } from '../geometry/prop-shaft.ts';
import { type TrackBar, type TrackBarShift, trackBarShift } from '../geometry/track-bar.ts';
import type { InputFault } from '../quantity/input-fault.ts';
import { ok, type Result } from '../result.ts';
import { type Remark, remarksThat } from './remark.ts';

/** A shift across that is left alone, mm. Chosen by us: what two tapes differ by. */
const SHIFT_MM = 3;
/** A bar steeper than this steers the axle over bumps, °. Common practice, no source. */
const STEEP_BAR_DEG = 12;
/** A joint that runs at more than this wears fast, °. Common practice, no source; the shaft maker's figure goes first. */
const STEEP_JOINT_DEG = 7;
/** Uneven running that is felt: a single joint at about 5.5°. Chosen by us. */
const UNEVEN_SHARE = 0.01;
/** A slip joint that opens by less keeps its mesh, mm. Chosen by us. */
const OPENS_MM = 5;

/** What a lift does to an axle on its track bar. */
export function trackBarFor(bar: TrackBar): Result<TrackBarShift & { remarks: Remark[] }, InputFault> {
  const answer = trackBarShift(bar);
  if (!answer.ok) return answer;
  const { shiftMm, afterDeg } = answer.value;
  const shifts = Math.abs(shiftMm) > SHIFT_MM;
  const steep = Math.abs(afterDeg) > STEEP_BAR_DEG;
  return ok({
    ...answer.value,
    remarks: remarksThat(
      steep && { code: 'barSteep', afterDeg: Math.abs(afterDeg) },
      shifts && { code: 'axleShifts', shiftMm: Math.abs(shiftMm) },
      !shifts && !steep && { code: 'barFine' },
      { code: 'riseWantsAlignment' },
    ),
  });
}

/** What a lift does to a prop shaft. */
export function propShaftFor(shaft: PropShaft): Result<PropShaftChange & { remarks: Remark[] }, InputFault> {
  const answer = propShaftAngles(shaft);
  if (!answer.ok) return answer;
  const { after, lengthChangeMm } = answer.value;
  const jointDeg = Math.max(after.outputJointDeg, after.pinionJointDeg);
  return ok({
    ...answer.value,
    remarks: remarksThat(
      jointDeg > STEEP_JOINT_DEG && { code: 'jointSteep', jointDeg },
      after.unevenShare > UNEVEN_SHARE ? { code: 'runsUneven', unevenShare: after.unevenShare } : { code: 'runsEven' },
      lengthChangeMm > OPENS_MM && { code: 'slipOpens', byMm: lengthChangeMm },
    ),
  });
}
