/** No pull of this trade goes beyond this, N·m: a typed 9999 is a slip of the keyboard (chosen by us). */
export const PLAUSIBLE_NM = 1500;
