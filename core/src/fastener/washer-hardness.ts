/** Hardnesses plain washers are sold in, Vickers. @see ISO 7089:2000 (entered from memory) */
export const WASHER_HV = [100, 200, 300] as const;
export type WasherHv = (typeof WASHER_HV)[number];

/** Tensile strengths up to which a washer is the bolt's match, N/mm²: class 8.8 and grade 5, class 10.9 and grade 8. */
const MATCHES: ReadonlyArray<{ toMpa: number; hv: WasherHv }> = [
  { toMpa: 600, hv: 100 },
  { toMpa: 830, hv: 200 },
  { toMpa: 1040, hv: 300 },
];

/**
 * Least hardness of a plain washer under a bolt: a softer one gives under the head, and the preload with it.
 *
 * @param tensileMpa - the bolt's tensile strength, N/mm²
 * @returns HV; undefined above class 10.9, where the washer is the bolt maker's own
 * @see ISO 7089:2000, table of combinations with bolt classes (entered from memory)
 */
export const washerHardnessHv = (tensileMpa: number): WasherHv | undefined =>
  MATCHES.find(({ toMpa }) => tensileMpa <= toMpa)?.hv;
