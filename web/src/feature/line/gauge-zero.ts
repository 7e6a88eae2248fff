const CHECKED = 'wrenchman-gauge-zero';
/** A zero holds for a working day (chosen by us). */
const HOLDS_MS = 10 * 3_600_000;

/** The instrument of this tablet read nought when it was closed. */
export const zeroChecked = (): void => sessionStorage.setItem(CHECKED, String(Date.now()));

/** Whether that is so since less than a working day. */
export const zeroWasChecked = (): boolean => {
  const atMs = Number(sessionStorage.getItem(CHECKED));
  return atMs > 0 && Date.now() - atMs < HOLDS_MS;
};
