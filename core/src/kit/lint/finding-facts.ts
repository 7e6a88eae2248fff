import type { MissingSpec } from '../../tightening/kind/missing.ts';
import type { Pattern } from '../../tightening/pattern.ts';
import type { ThreadFinish } from '../../tightening/thread-finish.ts';
import type { Members } from '../../tightening/weakest-member.ts';
import type { Fate } from '../kit-step.ts';
import type { ItemKind } from '../piece-kind.ts';
import type { FigureBasis } from '../printed-spec.ts';

/** Nothing more to say than where it is. */
type Nothing = Readonly<Record<string, never>>;

/** A torque against what the joint bears, shares of the weakest member's proof load in percent. */
interface Strength {
  printed: string;
  lowPercent: number;
  usualPercent: number;
  highPercent: number;
  dryPercent: number;
  finish: ThreadFinish;
  withCompound: boolean;
  weakest: Members['weakest'];
  propertyClass: string;
  /** Torque that brings the joint to 75 % of proof load, N·m. */
  fullNm: number;
}
interface Neighbours {
  printed: string;
  targetNm: number;
  neighboursNm: number;
  ratio: number;
}
interface Refits {
  owed: number;
  back: number;
  fate: Fate;
}
interface Turned {
  turned: string;
  onto: string;
  torqueNm: number;
  material: string;
}
interface Lengths {
  line: string;
  lengthMm: number;
  gripMm: number;
  engagedMm: number;
}
interface OnThread {
  compound: string;
}
interface Hole {
  holeMm: number;
  where: string;
  thread: string;
  fineMm: number;
  tapDrillMm: number;
}

/** The numbers behind each finding. A code without its facts does not compile. */
export interface FindingFacts {
  overProof: Strength;
  mayPassProof: Strength;
  littlePreload: Strength;
  classUnknown: { line: string };
  twelveTimes: Neighbours;
  offNeighbours: Neighbours;
  pairDisagrees: { printed: string; firstNm: number; secondNm: number };
  boltBySocket: { widthMm: number; may: readonly string[] };
  driveNotOfThread: { thread: string; widthMm: number; usual: readonly string[]; alsoFits: readonly string[] };
  twoDriveSizes: { widthMm: number; lineMm: number; line: string };
  short: { has: number; needed: number };
  leftoverDiffers: { stated: number; left: number };
  sidesUneven: { left: number; right: number };
  neverUsed: { has: number };
  notRefitted: Refits;
  refittedTooOften: Refits;
  notReconnected: { open: number; closed: number };
  notRetightened: Nothing;
  notCleared: Nothing;
  noFigure: { why: MissingSpec['why']; printed: string };
  unitAmbiguous: { printed: string };
  noWasherHighTorque: Turned;
  noWasherSoft: Turned;
  engagementShort: Lengths & { neededMm: number; into: 'nut' | 'tapped' };
  bottomsOut: Lengths & { depthMm: number; overMm: number };
  noThreadShowing: Lengths & { pastMm: number; wantedMm: number };
  lockerWithAntiSeize: OnThread;
  lockerOnLockingNut: OnThread;
  lockerNearPlastic: OnThread;
  /** The figure is for one thread, and another is on the joint. */
  figureForOtherThread: { printed: string; basis: FigureBasis; compound: string };
  highWhereUndone: OnThread & { thread: string };
  slipperyFrictionFace: OnThread;
  slipperyWheel: OnThread;
  noOrder: { stations: number; best: Pattern; imbalance: number };
  betterOrder: { own: number; best: Pattern; imbalance: number; printed: boolean };
  specGap: Nothing;
  specOverlap: { values: readonly string[] };
  neverApplies: { what: string };
  questionUnused: Nothing;
  foundTooLate: { question: string; askedAt: string };
  tooManyCombinations: { count: number; most: number };
  stepsInCircle: Nothing;
  stepUnreachable: { waitsFor: string };
  torqueBeforeStart: { group: string };
  gateAgainstSteps: { waitsFor: string };
  partBeforeSupport: { part: string; under: string };
  groupNotInSteps: Nothing;
  boltCannotPass: Hole;
  holeTight: Hole;
  tapDrillWrong: { drillMm: number; rightMm: number; thread: string };
  stretchBoltNotMarked: { station: string };
  oneUseReused: { kind: ItemKind | 'nylon' };
  noVerify: { stations: readonly string[] };
  bushNotAtRideHeight: { stations: readonly string[] };
  torquedWhileLifted: { group: string };
  windowTooShort: { bolts: number; rounds: number; needsMin: number; windowMin: number; atOnce: number };
  forceForTorque: { printed: string; unit: string };
  threadNotNamed: { printed: string; torqueNm: number };
  wideRange: { printed: string; ratio: number };
  outOfEnvelope: { what: string; value: number; unit: string; most: number; least?: number; thread?: string };
  noAlignment: { stations: readonly string[] };
  noWheelTorque: Nothing;
  noWheelRetorque: Nothing;
  checkWithoutLimits: { unit: string };
  limitInWords: { min?: number; max?: number; unit: string };
  sidesInWords: { places: readonly string[] };
  refitsScrapped: { thing: string; fate: Fate };
  thousandsComma: { printed: string };
  quantityOdd: { quantity: number };
  threadOfOtherSystem: { thread: string; others: 'metric' | 'inch' };
  notNamedYet: { name: string };
  sizesVoteForAnother: { thread: string; clues: readonly string[]; elect: readonly string[] };
}
