import type { BoltStrength } from '../fastener/property-class.ts';
import type { Thread } from '../fastener/thread.ts';
import { boltStress } from './assembly-preload.ts';
import { evenFriction, type FrictionSource, frictionRange, type ThreadFinish } from './thread-finish.ts';
import { type BearingFace, preloadForTorqueN, torqueForPreloadNm } from './tightening-torque.ts';

/** One finish beside the one the torque was meant for. */
export interface FinishOutcome<Source extends FrictionSource = ThreadFinish> {
  finish: Source;
  /** Coefficients the outcome is worked out with, thread and head alike. */
  friction: { low: number; usual: number; high: number };
  /** Preload the printed torque makes on this finish: usual, and at the ends of its friction range, N. */
  atEqualTorqueN: { low: number; usual: number; high: number };
  /** Torque that makes the preload the printed one makes on the finish it was meant for, N·m. */
  atEqualPreloadNm: number;
  /** Preload at equal torque over the intended one. */
  preloadRatio: number;
  /** Highest preload over proof load, and equivalent stress over yield, at equal torque. */
  worstProofShare: number;
  worstYieldShare: number;
}

/**
 * What a change of finish does to a joint, at equal torque and at equal preload, side by side. It changes nothing by
 * itself: which of the two is used is a person's choice.
 *
 * @param torqueNm - the torque as it stands, N·m, above 0
 * @param meantFor - finish or coefficient the torque was made for
 * @param finishes - finishes or coefficients to compare
 * @see VDI 2230-1:2015, equation (R13), with the friction of `thread-finish.ts`
 */
export function lubricationChange<Source extends FrictionSource>(
  joint: {
    thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>;
    strength: BoltStrength;
    face: BearingFace;
    prevailingNm?: number;
  },
  torqueNm: number,
  meantFor: FrictionSource,
  finishes: readonly Source[],
): FinishOutcome<Source>[] {
  const { thread, strength, face, prevailingNm = 0 } = joint;
  const preload = (mu: number) => preloadForTorqueN(torqueNm, thread, evenFriction(mu), face, prevailingNm);
  const intendedN = preload(frictionRange(meantFor).usual);
  return finishes.map((finish) => {
    const friction = frictionRange(finish);
    const { low, usual, high } = friction;
    // The slippery end of the range makes the most preload.
    const atEqualTorqueN = { low: preload(high), usual: preload(usual), high: preload(low) };
    const worst = boltStress(thread, strength, atEqualTorqueN.high, low, prevailingNm);
    return {
      finish,
      friction,
      atEqualTorqueN,
      atEqualPreloadNm: torqueForPreloadNm(intendedN, thread, evenFriction(usual), face, prevailingNm),
      preloadRatio: intendedN > 0 ? atEqualTorqueN.usual / intendedN : 1,
      worstProofShare: worst.proofShare,
      worstYieldShare: worst.yieldShare,
    };
  });
}
