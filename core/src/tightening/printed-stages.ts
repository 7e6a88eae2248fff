import { parsePrinted } from '../quantity/parse-printed.ts';

/** Most stages a group goes through. */
const MOST_STAGES = 5;

/**
 * Stages as a sheet prints them: shares of the torque (`50 %, 100 %`), or torques of each round (`20 N·m, 40 N·m, 54 N·m`).
 * They rise to the full torque; full may come twice where the sheet asks for a second round.
 *
 * @param text - with commas or semicolons between
 * @param targetNm - the group's final torque, N·m; left out where its joints differ, and only shares can be read
 * @returns rising shares, the last 1; undefined where they cannot be read or do not rise to the full torque
 */
export function readStages(text: string, targetNm: number | undefined): number[] | undefined {
  const stages = text.split(/[,;]/).map((part) => {
    const share = /^\s*(\d+(?:\.\d+)?)\s*%?\s*$/.exec(part)?.[1];
    if (share !== undefined) return Number(share) / 100;
    const torque = parsePrinted(part.trim(), 'torque');
    return torque.ok && targetNm !== undefined ? torque.value.maxBase / targetNm : Number.NaN;
  });
  // A printed torque is rounded: what is within half a percent of the full torque is the full torque.
  const rounded = stages.map((share) => (Math.abs(share - 1) < 0.005 ? 1 : share));
  const rises = rounded.every(
    (share, place) => share > 0 && share <= 1 && (share > (rounded[place - 1] ?? 0) || rounded[place - 1] === 1),
  );
  return rises && rounded.length <= MOST_STAGES && rounded.at(-1) === 1 ? rounded : undefined;
}
