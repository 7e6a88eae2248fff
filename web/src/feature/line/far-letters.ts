/** Distance from which lettering is read, over its height. Common practice, no source. */
const DISTANCE_TO_HEIGHT = 200;
/** Height of a capital over the size of its letters, of the house's figures. */
const CAPITAL_SHARE = 0.7;

/**
 * Size of letters that are read from a distance, CSS pixels.
 *
 * @param distanceM - from the eye to the screen, m
 * @param pxPerMm - CSS pixels to the millimetre on this screen
 */
export const farLettersPx = (distanceM: number, pxPerMm: number): number =>
  ((distanceM * 1000) / DISTANCE_TO_HEIGHT / CAPITAL_SHARE) * pxPerMm;
