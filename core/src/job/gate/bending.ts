import type { BendableRule, Bender, HouseRules } from '../../kit/house-rules.ts';
import type { RefusalCode } from '../refusal.ts';
import { ANSWERABLE, type Role } from '../role.ts';

/** Refusals that are lifted for one station, each with the rule it stands for. */
const AT_STATION = {
  outOfOrder: 'order',
  groupNotAllStarted: 'order',
  groupNotAllSnug: 'order',
  groupWaitsFor: 'order',
  compoundMissing: 'compound',
  lockerWindowClosed: 'compound',
  threadHasSet: 'compound',
  threadNotClean: 'residue',
  powerToolForbidden: 'power',
  threadTooSmallForPower: 'power',
  driverSeats: 'power',
  ranDownStiff: 'power',
  wrenchOutOfCalibration: 'wrench',
  wrenchPulledOut: 'wrench',
  notAtRideHeight: 'height',
  rideHeightOff: 'height',
  wheelHangs: 'height',
  anotherWanted: 'steps',
  practiseFirst: 'steps',
  stripOpen: 'steps',
  stepWaitsFor: 'steps',
  actWaitsFor: 'steps',
  checkNotMet: 'steps',
} as const satisfies Partial<Record<RefusalCode, BendableRule>>;

/** Refusals that are lifted for one step. */
const AT_STEP = {
  compoundNotSet: 'compound',
  clockRunning: 'compound',
  stepWaitsFor: 'steps',
  prerequisitesOpen: 'steps',
  baselinesMissing: 'steps',
  choicesOpen: 'steps',
  otherSideOpen: 'steps',
} as const satisfies Partial<Record<RefusalCode, BendableRule>>;

/**
 * The rule a refusal stands for, for one station or one step; undefined where nobody lifts it: a torque over an absolute
 * maximum, a wrench that cannot show the torque, an answer that does harm, a conflict not settled.
 */
export function ruleBehind(refusal: string, at: 'station' | 'step'): BendableRule | undefined {
  const rules: Partial<Record<string, BendableRule>> = at === 'station' ? AT_STATION : AT_STEP;
  return Object.hasOwn(rules, refusal) ? rules[refusal] : undefined;
}

/** Old locker is cleaned off, unless the shop says who may leave it; the rest is a lead's to lift. */
const USUALLY: Partial<Record<BendableRule, Bender>> = { residue: 'nobody' };

/** Who may bend a rule in this shop. */
export const benderOf = (rules: Pick<HouseRules, 'bentBy'>, rule: BendableRule): Bender =>
  rules.bentBy?.[rule] ?? USUALLY[rule] ?? 'lead';

/** Whether a person of this role may bend a rule here; on a joint that lives hang on at most a lead does. */
export function mayBend(
  rules: Pick<HouseRules, 'bentBy'>,
  rule: BendableRule,
  role: Role,
  { livesHangOnIt = false } = {},
): boolean {
  const bender = benderOf(rules, rule);
  if (bender === 'nobody') return false;
  return bender === 'lead' || livesHangOnIt ? role === 'lead' : ANSWERABLE.includes(role);
}
