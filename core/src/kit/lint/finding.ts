import type { Answers } from '../condition.ts';
import type { FindingFacts } from './finding-facts.ts';

/**
 * What the lint may say. The number before the dot is the rule it belongs to, as docs/formats/lint.md lists them.
 * Errors block a release; a lead may waive a warning by name and reason; notes only inform.
 */
export const FINDING_CODES = {
  overProof: { rule: 1, severity: 'error' },
  mayPassProof: { rule: 1, severity: 'warning' },
  littlePreload: { rule: 1, severity: 'warning' },
  classUnknown: { rule: 1, severity: 'note' },
  twelveTimes: { rule: 2, severity: 'error' },
  offNeighbours: { rule: 2, severity: 'warning' },
  pairDisagrees: { rule: 2, severity: 'error' },
  boltBySocket: { rule: 3, severity: 'error' },
  driveNotOfThread: { rule: 3, severity: 'warning' },
  twoDriveSizes: { rule: 3, severity: 'error' },
  short: { rule: 4, severity: 'error' },
  leftoverDiffers: { rule: 4, severity: 'warning' },
  sidesUneven: { rule: 4, severity: 'warning' },
  neverUsed: { rule: 4, severity: 'note' },
  notRefitted: { rule: 5, severity: 'error' },
  refittedTooOften: { rule: 5, severity: 'error' },
  notReconnected: { rule: 5, severity: 'error' },
  notRetightened: { rule: 5, severity: 'error' },
  notCleared: { rule: 5, severity: 'warning' },
  noFigure: { rule: 6, severity: 'warning' },
  unitAmbiguous: { rule: 6, severity: 'error' },
  noWasherHighTorque: { rule: 7, severity: 'warning' },
  noWasherSoft: { rule: 7, severity: 'warning' },
  engagementShort: { rule: 8, severity: 'error' },
  bottomsOut: { rule: 8, severity: 'error' },
  noThreadShowing: { rule: 8, severity: 'warning' },
  lockerWithAntiSeize: { rule: 9, severity: 'error' },
  lockerOnLockingNut: { rule: 9, severity: 'error' },
  lockerNearPlastic: { rule: 9, severity: 'warning' },
  highWhereUndone: { rule: 9, severity: 'warning' },
  slipperyFrictionFace: { rule: 9, severity: 'error' },
  slipperyWheel: { rule: 9, severity: 'warning' },
  figureForOtherThread: { rule: 9, severity: 'warning' },
  noOrder: { rule: 10, severity: 'warning' },
  betterOrder: { rule: 10, severity: 'note' },
  specGap: { rule: 11, severity: 'error' },
  specOverlap: { rule: 11, severity: 'warning' },
  neverApplies: { rule: 11, severity: 'error' },
  questionUnused: { rule: 11, severity: 'note' },
  foundTooLate: { rule: 12, severity: 'warning' },
  tooManyCombinations: { rule: 11, severity: 'note' },
  stepsInCircle: { rule: 12, severity: 'error' },
  stepUnreachable: { rule: 12, severity: 'error' },
  torqueBeforeStart: { rule: 12, severity: 'error' },
  partBeforeSupport: { rule: 12, severity: 'error' },
  gateAgainstSteps: { rule: 12, severity: 'error' },
  groupNotInSteps: { rule: 12, severity: 'warning' },
  boltCannotPass: { rule: 13, severity: 'error' },
  holeTight: { rule: 13, severity: 'warning' },
  tapDrillWrong: { rule: 13, severity: 'warning' },
  stretchBoltNotMarked: { rule: 14, severity: 'warning' },
  oneUseReused: { rule: 14, severity: 'warning' },
  noVerify: { rule: 15, severity: 'warning' },
  bushNotAtRideHeight: { rule: 16, severity: 'warning' },
  torquedWhileLifted: { rule: 16, severity: 'error' },
  windowTooShort: { rule: 17, severity: 'warning' },
  forceForTorque: { rule: 18, severity: 'error' },
  outOfEnvelope: { rule: 18, severity: 'error' },
  threadNotNamed: { rule: 18, severity: 'warning' },
  wideRange: { rule: 18, severity: 'warning' },
  noAlignment: { rule: 19, severity: 'warning' },
  noWheelTorque: { rule: 19, severity: 'warning' },
  noWheelRetorque: { rule: 19, severity: 'warning' },
  sizesVoteForAnother: { rule: 20, severity: 'error' },
  checkWithoutLimits: { rule: 21, severity: 'warning' },
  limitInWords: { rule: 21, severity: 'note' },
  sidesInWords: { rule: 21, severity: 'warning' },
  refitsScrapped: { rule: 5, severity: 'error' },
  thousandsComma: { rule: 6, severity: 'error' },
  quantityOdd: { rule: 4, severity: 'warning' },
  threadOfOtherSystem: { rule: 3, severity: 'warning' },
  notNamedYet: { rule: 22, severity: 'error' },
} as const satisfies Record<FindingCode, { rule: number; severity: Severity }>;

export type Severity = 'error' | 'warning' | 'note';
export type FindingCode = keyof FindingFacts;

interface Found {
  rule: number;
  severity: Severity;
  /** Path into the document, as the reader's faults have it. */
  path: string;
  /** What a person calls the place: `Station 3, Lower bolt`. */
  place: string;
  /** Other places where the same was found, with the same numbers. */
  also?: readonly string[];
  /** The answers that show it, where only some variants do. */
  answers?: Answers;
}

/** A finding of one code: its numbers are that code's. */
export type FindingOf<Code extends FindingCode> = Found & { code: Code; facts: FindingFacts[Code] };

/** One thing the lint found: where, and the numbers behind it. Words are made where a person reads them. */
export type Finding = { [Code in FindingCode]: FindingOf<Code> }[FindingCode];

/** A finding's own name within its kit: the same finding after another edit has the same. Waivers hang on it. */
export const findingKey = ({ code, path }: Pick<Finding, 'code' | 'path'>): string => `${code} ${path}`;

/** The facts may be left out where the code has none. */
type FactsOf<Code extends FindingCode> =
  FindingFacts[Code] extends Readonly<Record<string, never>>
    ? [facts?: FindingFacts[Code], answers?: Answers]
    : [facts: FindingFacts[Code], answers?: Answers];

/** Makes a finding; its rule and severity follow from its code. */
export function finding<Code extends FindingCode>(
  code: Code,
  path: string,
  place: string,
  ...[facts = {} as FindingFacts[Code], answers]: FactsOf<Code>
): Finding {
  return {
    code,
    ...FINDING_CODES[code],
    path,
    place,
    facts,
    ...(answers ? { answers } : {}),
  } as FindingOf<Code> as Finding;
}
