import type { BoltStrength } from '../fastener/property-class.ts';
import { stressAreaMm2 } from '../fastener/stress-area.ts';
import type { Thread } from '../fastener/thread.ts';
import { boltStress } from './assembly-preload.ts';
import { evenFriction } from './thread-finish.ts';
import { type BearingFace, preloadForTorqueN, torqueShares } from './tightening-torque.ts';

/** What seating a hub stud and tightening the wheel nut do to the stud. */
export interface StudSeat {
  /** Shear stress in the stud while it is screwed to its seat, N/mm²: all of that torque twists it. */
  seatingShearMpa: number;
  /** Equivalent stress of seating over yield: √3 τ / Rp0.2. */
  seatingYieldShare: number;
  /** Preload the wheel nut makes in the stud, N. */
  preloadN: number;
  proofShare: number;
  yieldShare: number;
  /** Torque the nut's thread turns the stud with while it is tightened, N·m: the seat must hold against it. */
  nutTwistsNm: number;
  /** The nut turns the stud on: seated with less than what the nut's thread twists it by, and no locker. */
  turnsOn: boolean;
}

/**
 * A stud seated in a hub against the torque of its wheel nut. Seating twists the stud and stretches nothing, so it is
 * done low; the nut stretches it.
 *
 * @param seatingNm - torque the stud was screwed in with, N·m, from 0
 * @param nutNm - torque of the wheel nut, N·m, above 0
 * @param friction - thread and seat
 * @param seat - the nut's seat: flat, or a cone by its half angle
 * @see torsion of a round bar τ = 16 T / (π d³) at the stress diameter; VDI 2230-1:2015 (R13) for the nut
 */
export function studSeat(
  thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>,
  strength: BoltStrength,
  seatingNm: number,
  nutNm: number,
  friction: number,
  seat: BearingFace,
): StudSeat {
  const diameterMm = Math.sqrt((4 * stressAreaMm2(thread)) / Math.PI);
  const seatingShearMpa = (16 * seatingNm * 1000) / (Math.PI * diameterMm ** 3);
  const mu = evenFriction(friction);
  const preloadN = preloadForTorqueN(nutNm, thread, mu, seat);
  const stress = boltStress(thread, strength, preloadN, friction);
  const shares = torqueShares(preloadN, thread, mu, seat);
  const nutTwistsNm = shares.pitchNm + shares.threadNm;
  return {
    seatingShearMpa,
    seatingYieldShare: (Math.sqrt(3) * seatingShearMpa) / strength.yieldMpa,
    preloadN,
    proofShare: stress.proofShare,
    yieldShare: stress.yieldShare,
    nutTwistsNm,
    turnsOn: nutTwistsNm > seatingNm,
  };
}
