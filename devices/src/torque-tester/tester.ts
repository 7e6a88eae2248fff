/** Largest deviation the stand-in gives a wrench, as a fraction: some lie outside what ISO 6789 allows. */
const MOST_OFF = 0.055;
/** Repeatability of a hand's pull on the tester, as a fraction. */
const HAND = 0.006;

/** A number from 0 to 1 made of a text: the same text gives the same number on every machine (FNV-1a, then mixed). */
function share(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  // Neighbouring serial numbers must not deviate alike.
  hash = Math.imul(hash ^ (hash >>> 16), 0x85ebca6b);
  hash = Math.imul(hash ^ (hash >>> 13), 0xc2b2ae35);
  return ((hash ^ (hash >>> 16)) >>> 0) / 0xffffffff;
}

/** How far off the wrench with this serial number is, as a fraction of what it shows. Invented for practice. */
export const hiddenDeviation = (serial: string): number => (2 * share(serial) - 1) * MOST_OFF;

/**
 * One pull of a wrench on the stand-in tester: the torque the tester reads, N·m. The wrench clicks where its serial
 * number says, and the hand repeats to half a percent.
 *
 * @param serial - serial number of the wrench
 * @param setNm - what it is set to, N·m
 * @param random - from 0 to 1, for tests
 */
export function testerReading(serial: string, setNm: number, random: () => number = Math.random): number {
  const off = hiddenDeviation(serial) + (2 * random() - 1) * HAND;
  // Deviation is (set − reference)/reference.
  return Math.round((setNm / (1 + off)) * 1000) / 1000;
}
