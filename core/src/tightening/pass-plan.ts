/** One round over a group. `verify` is the second look at full torque: it proves, it does not tighten. */
export type Pass =
  | {
      kind: 'tighten';
      fraction: number;
      /** The sheet prints it: joints that are turned by an angle are pulled to it, too. */
      printed?: true;
    }
  | { kind: 'verify' };

/** Stage fractions in force when neither kit nor shop says otherwise: half, then full. Chosen by the trade brief. */
const DEFAULT_STAGES: readonly number[] = [0.5, 1];

/** From this many stations a second, identical pass is made by default (common practice, no source). */
const VERIFY_FROM = 4;

/** What a kit or a shop may say of the rounds over a group. */
export interface PassRule {
  /** Rising shares of the final torque; the last is 1. */
  stages?: readonly number[];
  verify?: boolean;
  /** A stage nobody printed that comes to less is left out, N·m; left out, none is. */
  leastStageNm?: number;
}

/** What a kit says of them, and whether its sheet does. */
export interface KitPassRule extends PassRule {
  /** The stages are printed, and no habit. */
  printed?: boolean;
}

/** Seconds one pull takes until the pace is known: fit the socket, pull, move on (chosen by us). */
export const ASSUMED_PULL_S = 20;

/**
 * The rounds over a group: the stages in rising order, then a verify pass where one is wanted.
 *
 * Small groups (fewer than four) go straight to full torque unless the kit prints stages.
 *
 * @param stationCount - stations in the group
 * @param kit - what the kit prints; wins
 * Half of 6 N·m is less than any wrench shows: a stage of the shop's own that small is left out, and the first pull is
 * the whole figure. Common practice, no source.
 *
 * @param shop - the shop's habit
 * @param smallestNm - the least figure among the stations, where there is one
 */
export function passPlan(stationCount: number, kit: KitPassRule, shop: PassRule = {}, smallestNm?: number): Pass[] {
  const many = stationCount >= VERIFY_FROM;
  const habit = shop.stages ?? DEFAULT_STAGES;
  const shown = habit.filter((share) => share === 1 || !(smallestNm && share * smallestNm < (shop.leastStageNm ?? 0)));
  const stages = kit.stages ?? (many ? shown : [1]);
  const verify = kit.verify ?? (many && (shop.verify ?? true));
  const passes: Pass[] = stages.map((fraction) => ({
    kind: 'tighten',
    fraction,
    ...(kit.printed ? { printed: true } : {}),
  }));
  return verify ? [...passes, { kind: 'verify' }] : passes;
}

/** The share of the final torque a pass aims at. */
export const passFraction = (pass: Pass): number => (pass.kind === 'verify' ? 1 : pass.fraction);
