/**
 * How a joint is to be tightened, in every kind the trade prints. Torques in N·m, angles in degrees.
 * `toleranceFraction` is the accepted deviation each way; left out, {@link DEFAULT_TOLERANCE} applies.
 */
export type TighteningSpec =
  | { kind: 'torque'; targetNm: number; toleranceFraction?: number }
  /** The sheet prints a window: 80–100 lbf·in. */
  | { kind: 'range'; minNm: number; maxNm: number }
  /** Recommended value with a limit never to be passed: 3 N·m, never over 4. */
  | { kind: 'targetWithMaximum'; targetNm: number; maximumNm: number; toleranceFraction?: number }
  /** Torque to the threshold, then turn by an angle: 74 lbf·ft + 90°. The bolt is used once. */
  | { kind: 'torqueAngle'; thresholdNm: number; angleDeg: number; angleToleranceDeg: number; maximumNm?: number }
  /** Castle nut: to the start torque, on to the next slot, never back, never over the ceiling. */
  | { kind: 'slot'; startNm: number; ceilingNm: number; slots: number }
  /** Wheel bearing: seat while turning, back off, then the final window. */
  | { kind: 'bearing'; seatNm: number; backOffDeg: number; finalMinNm: number; finalMaxNm: number }
  /** Until the flanges or the stop touch; no figure. */
  | { kind: 'contact'; stop: string }
  /** Parts in firm contact, not more; no figure. */
  | { kind: 'snug' }
  /** The sheet gives no figure: not at all, `by feel`, or on another sheet. Never filled in by guessing. */
  | { kind: 'missing'; why: 'notGiven' | 'byFeel' | 'otherSheet'; note?: string };

/** Kinds that a person says are done, with no pull: to a stop, or with no figure at all. */
export const isByHand = (spec: TighteningSpec): boolean => spec.kind === 'contact' || spec.kind === 'missing';

/**
 * Accepted deviation where the sheet prints a bare value, as a fraction of it.
 * Chosen by us: ISO 6789-1 allows a click wrench ±4 %, so ±5 % passes a pull made with care and no other.
 */
export const DEFAULT_TOLERANCE = 0.05;

/**
 * Kinds that a second, identical pull can prove. A turned angle, a slotted nut, a bearing and a stop cannot be
 * pulled again without changing them.
 */
export const canBeVerified = (spec: TighteningSpec): boolean =>
  spec.kind === 'torque' || spec.kind === 'range' || spec.kind === 'targetWithMaximum';
