/** No pull of this trade goes beyond this, N·m: a typed 9999 is a slip of the keyboard (chosen by us). */
export const PLAUSIBLE_NM = 1500;

/** No joint of this trade is turned further in one pull, degrees: two whole turns (chosen by us). */
export const PLAUSIBLE_DEG = 720;
/** What a wrench that counts degrees may have turned in one pull that begins with the run-down, twenty turns (chosen by us). */
export const RUN_DOWN_DEG = 7200;

/** A wrench reads no more than twice its scale, which is more than any is built to bear (chosen by us). */
export const BEYOND_SCALE = 2;

/** What was typed and what it was converted to agree within this share: rounding to a tenth does no more (chosen by us). */
export const CONVERSION_SHARE = 0.005;
