/** How the legs of a castle nut's pin lie: one bent over the bolt's end, or both round the nut. */
export const PIN_WAYS = ['overEnd', 'roundNut'] as const;
export type PinWay = (typeof PIN_WAYS)[number];

/** What one pull gave: read from the wrench, typed, or said by the person who made it. */
export interface Reading {
  /** Torque at the end of the pull, N·m. */
  torqueNm: number;
  /** Degrees after the threshold, for torque-angle. */
  angleDeg?: number;
  /** Degrees after the threshold over all strokes of this pull, where it took more than one. */
  turnedDeg?: number;
  /** Degrees turned during the whole pull; only a live wrench knows. */
  movementDeg?: number;
  /** Whether it turned before it came to its torque, as a person says who pulls with a wrench that cannot tell. */
  moved?: boolean;
  /** Torque-over-angle gradient at the end as a share of its steepest, 0 to 1; only a wrench with angle knows. */
  gradientShare?: number;
  /** For a castle nut: the pin goes through. */
  pinFits?: boolean;
  /** How that pin was bent. */
  pinWay?: PinWay;
  /** For a bearing: seated while turning and backed off first. */
  seatedAndBackedOff?: boolean;
  /** What the wrench showed while it was seated, N·m. */
  seatNm?: number;
}

/** What a kind asks of a reading beside its torque. */
export type Asked = 'angle' | 'gradient' | 'pinFits' | 'seatedAndBackedOff';
