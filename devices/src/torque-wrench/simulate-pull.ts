import { gradientShare } from '#core/tightening/torque-gradient.ts';
import { type JointModel, rotationAtDeg, torqueAtNm } from './joint-model.ts';

/** How the hand pulls. */
export interface Hand {
  speedDegPerS: number;
  /** Degrees the hand goes on after the click before it stops. */
  overshootDeg: number;
}

export interface PullTask {
  targetNm: number;
  /** Degrees to turn after the target, for torque-angle. */
  angleDeg?: number;
  /** Pull on until the gradient has fallen to this share of its steepest. */
  untilShare?: number;
  /** Let go here whatever the gradient says, N·m. */
  ceilingNm?: number;
  /** Torque the joint holds already, N·m. */
  standingNm: number;
}

export interface PullFrame {
  atMs: number;
  torqueNm: number;
  /** Degrees the handle has moved. */
  angleDeg: number;
}

export interface PullTrace {
  frames: PullFrame[];
  /** Index of the frame at which the wrench clicked. */
  clickFrame: number;
  peakNm: number;
  /** Degrees turned after the click. */
  afterClickDeg: number;
  /** Degrees the nut turned in all. */
  movementDeg: number;
  /** The gradient at the end as a share of its steepest, where the pull was made by it. */
  gradientShare?: number;
}

export const FRAME_MS = 20;
/** The handle winds up by this much before a nut that already holds torque begins to turn, degrees. */
const WIND_UP_DEG = 9;
/** A pull that never gets there ends after this many frames (one minute). */
const MOST_FRAMES = 3000;

/**
 * One pull at 50 frames a second. The handle first winds up to the torque the joint already holds; only beyond it
 * does the nut turn, so a joint that stands at the target clicks without moving.
 */
export function simulatePull(joint: JointModel, task: PullTask, hand: Hand): PullTrace {
  const standsAtDeg = rotationAtDeg(joint, task.standingNm);
  const windUp = task.standingNm > joint.prevailingNm ? WIND_UP_DEG : 0;
  const stepDeg = (hand.speedDegPerS * FRAME_MS) / 1000;
  const frames: PullFrame[] = [];
  let clickFrame = -1;
  let clickAtDeg = 0;
  let handleDeg = 0;
  for (let index = 0; index < MOST_FRAMES; index++) {
    const nutDeg = Math.max(0, handleDeg - windUp);
    const torqueNm =
      handleDeg < windUp
        ? (task.standingNm * handleDeg) / windUp
        : Math.max(torqueAtNm(joint, standsAtDeg + nutDeg), nutDeg === 0 ? task.standingNm : 0);
    frames.push({ atMs: index * FRAME_MS, torqueNm, angleDeg: handleDeg });
    if (clickFrame < 0 && torqueNm >= task.targetNm && signalled(frames, task, torqueNm)) {
      clickFrame = index;
      clickAtDeg = handleDeg;
    }
    const stopsAfter = (task.angleDeg ?? 0) + hand.overshootDeg;
    if (clickFrame >= 0 && handleDeg - clickAtDeg >= stopsAfter - 1e-9) break;
    // The last step lands on the stop, as a hand that feels the click does.
    handleDeg =
      clickFrame >= 0
        ? Math.min(handleDeg + stepDeg, clickAtDeg + stopsAfter)
        : handleDeg + Math.min(stepDeg, finerNear(joint, task, standsAtDeg + nutDeg, stepDeg));
  }
  const last = frames.at(-1) ?? { torqueNm: 0, angleDeg: 0 };
  return {
    frames,
    clickFrame,
    peakNm: Math.max(...frames.map((frame) => frame.torqueNm)),
    afterClickDeg: clickFrame >= 0 ? last.angleDeg - clickAtDeg : 0,
    movementDeg: Math.max(0, last.angleDeg - windUp),
    gradientShare: task.untilShare === undefined ? undefined : gradientShare(frames, task.targetNm),
  };
}

/** Whether the wrench lets go at its torque, or has yet to see the gradient fall. */
function signalled(frames: readonly PullFrame[], task: PullTask, torqueNm: number): boolean {
  if (task.untilShare === undefined) return true;
  if (task.ceilingNm !== undefined && torqueNm >= task.ceilingNm) return true;
  const share = gradientShare(frames, task.targetNm);
  return share !== undefined && share <= task.untilShare;
}

/** A frame of a careful hand goes past the click by no more than this share of it, however stiff the joint. */
const PAST_CLICK = 0.008;

/** A hand slows as the torque nears the click, so that one frame does not jump over it. */
function finerNear(joint: JointModel, task: PullTask, rotationDeg: number, stepDeg: number): number {
  const leftDeg = rotationAtDeg(joint, task.targetNm) - rotationDeg;
  const finest = Math.min(stepDeg / 6, (PAST_CLICK * task.targetNm) / joint.rateNmPerDeg);
  return leftDeg > 3 * stepDeg || leftDeg <= 0 ? stepDeg : Math.max(finest, leftDeg / 3);
}
