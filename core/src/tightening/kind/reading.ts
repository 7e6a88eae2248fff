/** What one pull gave: read from the wrench, typed, or said by the person who made it. */
export interface Reading {
  /** Torque at the end of the pull, N·m. */
  torqueNm: number;
  /** Degrees after the threshold, for torque-angle. */
  angleDeg?: number;
  /** Degrees turned during the whole pull; only a live wrench knows. */
  movementDeg?: number;
  /** Torque-over-angle gradient at the end as a share of its steepest, 0 to 1; only a wrench with angle knows. */
  gradientShare?: number;
  /** For a castle nut: the pin goes through. */
  pinFits?: boolean;
  /** For a bearing: seated while turning and backed off first. */
  seatedAndBackedOff?: boolean;
}

/** What a kind asks of a reading beside its torque. */
export type Asked = 'angle' | 'gradient' | 'pinFits' | 'seatedAndBackedOff';
