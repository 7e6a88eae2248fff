import type { Caveat } from '../compound/compound-choice.ts';
import type { Measured } from '../fastener/identify.ts';
import type { StripLoads } from '../fastener/thread-engagement.ts';
import type { FitMaterial } from '../fit/shrink-fit.ts';
import type { LoadLimit } from '../load/load-check.ts';
import type { PartMaterial } from '../tightening/joint-stiffness.ts';

/** Nothing more to say. */
type Nothing = unknown;

/** Everything that is remarked on an answer, with what it says it of: figures in the unit that ends their name. */
export interface RemarkFacts extends Record<Caveat, Nothing> {
  // Adapter
  noMarkInRange: Nothing;
  uncorrectedTorque: { gotNm: number };
  gotOutside: { gotNm: number; fromNm: number; toNm: number };
  straightExtension: Nothing;
  handOnGrip: Nothing;
  // Adjustable link
  tooLittleInMesh: { shortByMm: number; longestMm: number };
  endsDiffer: { unequalByMm: number };
  meshEnough: Nothing;
  alignAfterwards: Nothing;
  // Turning by angle
  yieldsInTurn: { yieldDeg: number };
  extensionWinds: { twistDeg: number };
  settlingTakes: { lossShare: number };
  // Bead
  locksHydraulically: { mostMl: number };
  intoTheHole: Nothing;
  onTheBolt: Nothing;
  skinContact: Nothing;
  // Bush
  sheetSilent: Nothing;
  noMineralGrease: Nothing;
  bushAtRideHeight: Nothing;
  // Compound
  degreaseFirst: Nothing;
  neverBoth: Nothing;
  // Band clamp
  overClampMost: Nothing;
  underClampMost: Nothing;
  hosesSettle: Nothing;
  // Units
  inchOrFoot: Nothing;
  forceNotTorque: Nothing;
  // Cure
  timesOfSheet: Nothing;
  timesOfModel: Nothing;
  tooColdToSet: Nothing;
  primerHelps: Nothing;
  // Drill
  drillUnderBolt: { drillMm: number; thread: string };
  drillOverThread: { drillMm: number; heightShare: number };
  drillTight: { drillMm: number };
  drillUsable: { drillMm: number; heightShare: number };
  pilotFirst: Nothing;
  chaserNotTap: Nothing;
  // Thread in mesh
  engagementShort: { missingMm: number; weakest: StripLoads['weakest']; stripsN: number };
  engagementEnough: Nothing;
  fullThreadsOnly: Nothing;
  // Another finish
  loadMoreThanMeant: { moreShare: number; meantNm: number };
  loadLessThanMeant: { lessShare: number; meantNm: number };
  yieldsWhenSlippery: Nothing;
  sheetCountsOnCompound: Nothing;
  // Fit of bore and pin
  fitCheckParts: Nothing;
  fitRetaining: Nothing;
  fitAsItIs: Nothing;
  fitPress: Nothing;
  fitHeatOrChill: Nothing;
  hotterThanAllowed: { boreC: number; limitC: number; bore: FitMaterial };
  secondsFromOven: Nothing;
  // Unknown thread
  pipeThread: { pipes: readonly string[] };
  cluesAgainst: { clues: ReadonlyArray<keyof Measured> };
  severalFit: Nothing;
  nothingAgainst: Nothing;
  socketIsNoThread: Nothing;
  // Bolts that unload one another
  roundHelped: { beforeShare: number; afterShare: number };
  roundDidLittle: { beforeShare: number; afterShare: number };
  boltLeftLoose: { lowestShare: number };
  // Sizes of a thread
  widthNotOfThread: { acrossFlatsMm: number; thread: string; usualMm: readonly number[]; alsoFits: readonly string[] };
  drillBelowThread: { drillMm: number; thread: string; neededMm: number };
  tapDrillWrong: { drillMm: number; thread: string; rightMm: number };
  toolsOfThread: Nothing;
  leftHandThread: Nothing;
  // Castle nut
  slotOverCeiling: { thereNm: number; shimMm: number };
  turnToSlot: { thereNm: number };
  castleCaution: Nothing;
  // Hub stud
  nutBottoms: { byMm: number };
  studTooShort: { atLeastMm: number };
  nutTooShort: { lacksMm: number };
  studLongEnough: Nothing;
  studCaution: Nothing;
  // Preload
  boltBreaks: { carriesN: number; breaksN: number };
  boltYields: { yieldShare: number };
  nearProof: { proofShare: number };
  finishMayYield: Nothing;
  scatterMayYield: { mostN: number };
  littleUsed: Nothing;
  headSinks: { pressedMpa: number; limitMpa: number; part: PartMaterial };
  // A joint at work
  partsComeApart: { missingN: number };
  partsSlip: { keepsN: number; needsN: number };
  yieldsAtWork: { yieldShare: number };
  fatigueNear: { swingsMpa: number; enduresMpa: number };
  holdsAtWork: Nothing;
  heatTakesLoad: { takenN: number };
  heatAddsLoad: { addedN: number };
  enduranceUnknown: Nothing;
  forceInTheMiddle: Nothing;
  // A joint without a figure
  safetyCriticalNoValue: Nothing;
  notFromSheet: Nothing;
  nothingMayBeUsed: Nothing;
  cutForBearing: Nothing;
  cutForTappedThread: Nothing;
  sheetAndManualDiffer: { sheetNm: number; manualNm: number };
  // Wheels and what moves them
  bumpSteers: { per10MmDeg: number };
  bumpSteersLittle: Nothing;
  toeMoved: { toeDeg: number };
  rackDecides: Nothing;
  aimOutOfReach: { missingDeg: number };
  startsAway: Nothing;
  bothSidesAlike: Nothing;
  headTurnsWithNut: Nothing;
  axleShifts: { shiftMm: number };
  barSteep: { afterDeg: number };
  barFine: Nothing;
  jointSteep: { jointDeg: number };
  runsUneven: { unevenShare: number };
  runsEven: Nothing;
  slipOpens: { byMm: number };
  dialReadsLow: { errorShare: number };
  dialReadsHigh: { errorShare: number };
  codeIsNominal: Nothing;
  tyreTouches: { shortMm: number };
  tyreClears: Nothing;
  nameIsNotRise: { namedOverMm: number };
  riseWantsAlignment: Nothing;
  lineShort: { shortMm: number };
  lineReaches: Nothing;
  damperDrawnOut: { leftMm: number };
  damperShutsFirst: { shortMm: number };
  damperHasRoom: Nothing;
  measureAtDroop: Nothing;
  // Loads
  ballTooLight: { leastKg: number };
  ballTooHeavy: { mostKg: number };
  ballWithin: Nothing;
  moveForward: { allMm: number };
  moveBack: { allMm: number };
  pastCoupling: Nothing;
  overRatings: { limits: readonly LoadLimit[] };
  nearestLimit: { limit: LoadLimit; usedShare: number };
  trailerStops: { limit: LoadLimit; trailerKg: number };
  ratingsMissing: Nothing;
  ratingsDoNotRise: Nothing;
  carrierRatingUnknown: Nothing;
  weighbridgeDecides: Nothing;
  // Wheel nut
  wheelTorqueSource: Nothing;
  studYields: Nothing;
  studYieldsOiled: Nothing;
  seatingUnknown: Nothing;
  seatingTooMuch: { seatingShare: number };
  studMayTurnOn: { twistNm: number };
  wheelRetorque: Nothing;
}
export type RemarkCode = keyof RemarkFacts;

/** What an answer gives to mind, by its code; the words are the reader's. */
export type Remark = { [Code in RemarkCode]: { code: Code } & RemarkFacts[Code] }[RemarkCode];

/** `bad`: do not go on so. `mind`: know it. `good`: asked and found right. */
export type Tone = 'bad' | 'mind' | 'good';

const BAD = [
  'noMarkInRange',
  'gotOutside',
  'tooLittleInMesh',
  'locksHydraulically',
  'degreaseFirst',
  'overClampMost',
  'tooColdToSet',
  'drillUnderBolt',
  'drillOverThread',
  'engagementShort',
  'loadMoreThanMeant',
  'yieldsWhenSlippery',
  'fitCheckParts',
  'hotterThanAllowed',
  'cluesAgainst',
  'boltLeftLoose',
  'widthNotOfThread',
  'drillBelowThread',
  'tapDrillWrong',
  'slotOverCeiling',
  'nutBottoms',
  'studTooShort',
  'nutTooShort',
  'boltBreaks',
  'boltYields',
  'nearProof',
  'headSinks',
  'partsComeApart',
  'partsSlip',
  'yieldsAtWork',
  'fatigueNear',
  'safetyCriticalNoValue',
  'nothingMayBeUsed',
  'studYields',
  'studYieldsOiled',
  'seatingTooMuch',
  'aimOutOfReach',
  'startsAway',
  'barSteep',
  'jointSteep',
  'tyreTouches',
  'lineShort',
  'damperDrawnOut',
  'damperShutsFirst',
  'ballTooLight',
  'ballTooHeavy',
  'pastCoupling',
  'overRatings',
] as const satisfies readonly RemarkCode[];
const GOOD = [
  'meshEnough',
  'underClampMost',
  'drillUsable',
  'engagementEnough',
  'fitAsItIs',
  'fitPress',
  'fitHeatOrChill',
  'nothingAgainst',
  'roundHelped',
  'toolsOfThread',
  'turnToSlot',
  'studLongEnough',
  'holdsAtWork',
  'bumpSteersLittle',
  'barFine',
  'runsEven',
  'tyreClears',
  'lineReaches',
  'damperHasRoom',
  'ballWithin',
  'nearestLimit',
] as const satisfies readonly RemarkCode[];

/** How a remark weighs; what is neither bad nor good is to be minded. */
export function remarkTone({ code }: Pick<Remark, 'code'>): Tone {
  if ((BAD as readonly RemarkCode[]).includes(code)) return 'bad';
  return (GOOD as readonly RemarkCode[]).includes(code) ? 'good' : 'mind';
}

/** The remarks that hold, in the order given. */
export const remarksThat = (...remarks: Array<Remark | false | undefined>): Remark[] =>
  remarks.filter((remark): remark is Remark => remark !== false && remark !== undefined);
