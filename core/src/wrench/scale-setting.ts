/** What to set on a scale, and what it stands for. */
export interface ScaleSetting {
  settingNm: number;
  /** Setting minus target, N·m. */
  roundingNm: number;
}

/**
 * The scale mark nearest a target that still lies inside the accepted band.
 *
 * @param targetNm - N·m
 * @param divisionNm - value of one division of the scale, N·m, above 0
 * @param band - accepted range, N·m
 * @returns undefined when no mark lies in the band: this wrench cannot be set for it
 */
export function scaleSetting(
  targetNm: number,
  divisionNm: number,
  band: { minNm: number; maxNm: number },
): ScaleSetting | undefined {
  const slack = 1e-9 * Math.max(1, targetNm);
  const nearest = Math.round(targetNm / divisionNm);
  // Nearest mark first, then one to each side.
  for (const marks of [nearest, nearest - 1, nearest + 1]) {
    const settingNm = marks * divisionNm;
    if (marks > 0 && settingNm >= band.minNm - slack && settingNm <= band.maxNm + slack)
      return { settingNm, roundingNm: settingNm - targetNm };
  }
  return undefined;
}
