import type { RemarkCode } from '#core/bench/remark.ts';
import type { Caveat } from '#core/compound/compound-choice.ts';
import type { Measured } from '#core/fastener/identify.ts';
import type { StripLoads } from '#core/fastener/thread-engagement.ts';
import type { FitKind } from '#core/fit/shrink-fit.ts';
import type { LoadLimit } from '#core/load/load-check.ts';
import type { PartMaterial } from '#core/tightening/joint-stiffness.ts';
import type { Proposal, ValueOffer } from '#core/tightening/proposed-torque.ts';
import { inLanguage } from '../say.ts';

const CAVEATS: Record<Caveat, string> = inLanguage({
  sheetFirst: 'Where the kit’s sheet names a compound, it goes before this.',
  inactiveNeedsPrimer: 'Plated, stainless and aluminium hardly help it set: primer, or wait longer.',
  noLockerOnLockingNut: 'A locking nut holds by itself: no locker on it.',
  keepOffPlastic: 'Locker crazes some plastics: keep it off, or use another way.',
  tooHotForLocker: 'Above about 150 °C common lockers let go: a locking nut of all metal, a tab or wire.',
  antiSeizeNeedsLessTorque:
    'Anti-seize loads the bolt more at the same torque: see “What a change on the thread does”.',
  galvanicPair: 'Steel in aluminium corrodes together: anti-seize keeps it removable.',
  nylonLimit: 'Too hot for a nylon insert: an all-metal locking nut.',
  stainlessGalls: 'Stainless galls: run it down by hand, slowly, with anti-seize where it is to come off.',
  largeThreadHigh: 'Large thread: use the product’s grade for big gaps.',
  heatToUndo: 'Comes off with heat only.',
});

/** What a load limit is of. */
export const LIMIT_TEXT: Record<LoadLimit, string> = inLanguage({
  gross: 'gross mass',
  payload: 'payload',
  frontAxle: 'front axle',
  rearAxle: 'rear axle',
  combination: 'vehicle and trailer together',
  trailer: 'trailer mass',
  tongue: 'load on the ball',
  trailerGross: 'the trailer’s own gross mass',
  trailerAxle: 'the trailer’s axles',
  carrier: 'carrier rating',
  roof: 'roof load',
  frontTyres: 'front tyres',
  rearTyres: 'rear tyres',
});

/** Every remark of the bench in English. Names in braces are the remark's own facts, with their units in words. */
export const REMARKS: Record<RemarkCode, string> = inLanguage({
  ...CAVEATS,
  bumpSteers:
    'Steers by itself {per10MmDeg} a wheel in 10 mm of bump: raise or lower the outer end until rod and arms swing about one line, or take the kit’s correction.',
  bumpSteersLittle: 'Hardly steers by itself over a bump.',
  toeMoved: 'Toe stands at {toeDeg} a wheel after the change: it is set anew on the rack before the road.',
  rackDecides: 'Rigid links and points as given: bushes give, points are read with a tape. The alignment rack decides.',
  aimOutOfReach: 'The aim lies {missingDeg} beyond what this eccentric reaches: nothing is gained by turning on.',
  startsAway: 'The lobe stands on the side that leads away from the aim: it goes through neutral first.',
  bothSidesAlike: 'Both sides to the same mark first, then each to its own reading.',
  headTurnsWithNut: 'Hold the head while the nut is pulled, and read again after: the lobe turns with the nut.',
  axleShifts:
    'The axle moves {shiftMm} to the side the bar hangs from: a longer bar, or its bracket moved, brings it back.',
  barSteep:
    'At {afterDeg} the bar steers the axle sideways over every bump: lower its frame end or raise its axle end.',
  barFine: 'The bar stays near level, and the axle near the middle.',
  jointSteep: 'A joint at {jointDeg} wears and shakes: turn the pinion, drop the gearbox, or another shaft.',
  runsUneven: 'The pinion swings by {unevenShare} about even running: bring both joint angles together.',
  runsEven: 'Both joints work alike: it runs evenly.',
  slipOpens: 'The slip joint opens by {byMm}: see that enough spline stays in mesh at full droop.',
  dialReadsLow:
    'The dial reads {errorShare} too little: faster than it says. Local law on speedometers applies; have it set.',
  dialReadsHigh: 'The dial reads {errorShare} too much.',
  codeIsNominal: 'Sizes of the code: a tyre as made may be off by a hundredth or two. Measure where it is tight.',
  tyreTouches: 'It touches: {shortMm} are missing where it is tightest.',
  tyreClears: 'It clears everywhere that was measured.',
  nameIsNotRise: 'The name says {namedOverMm} more than comes out at the wheel.',
  riseWantsAlignment: 'Ride height moved: alignment, headlamps and driver-assist sensors are due.',
  lineShort: 'Short by {shortMm} at full droop: a longer line or a lower bracket before the wheel hangs on it.',
  lineReaches: 'It reaches at full droop with the slack asked for.',
  damperDrawnOut:
    'Only {leftMm} of droop are left: the wheel hangs on its damper over a kerb. Longer dampers, or less lift.',
  damperShutsFirst: 'The damper shuts {shortMm} of wheel travel before the bump stop: metal on metal.',
  damperHasRoom: 'The damper has room both ways, and the bump stop comes first.',
  measureAtDroop: 'Look at it with the wheel hanging and at full lock both ways before it goes on the road.',
  ballTooLight: 'Too light on the ball: it wanders. {leastKg} at least.',
  ballTooHeavy: 'Too heavy on the ball: {mostKg} at most.',
  ballWithin: 'The load on the ball is inside the band.',
  moveForward: 'Move the cargo {allMm} forward, all of it together.',
  moveBack: 'Move the cargo {allMm} back, all of it together.',
  pastCoupling: 'The cargo would have to go past the coupling: load less, or otherwise.',
  overRatings: 'Over its rating: {limits}. Take load off before it moves.',
  nearestLimit: 'Inside every rating that was given; nearest is {limit}, {usedShare} used.',
  trailerStops: 'With everything else as it is, a trailer stops at {trailerKg}, by {limit}.',
  ratingsMissing: 'Ratings that were not given were not checked.',
  ratingsDoNotRise: 'Springs, tyres and bars do not raise what the vehicle’s plate says.',
  carrierRatingUnknown:
    'A ball’s rating is for a trailer: what the receiver’s maker says of carriers without wheels goes first.',
  weighbridgeDecides:
    'Worked from what was entered: plate, manual and local law decide, and a licensed weighbridge weighs.',
  noMarkInRange: 'No mark of this scale lies inside the accepted range: another wrench.',
  uncorrectedTorque: 'Left uncorrected, the fastener would get {gotNm}.',
  gotOutside: 'The fastener got {gotNm}, outside {fromNm} to {toNm}: do it again at the right setting.',
  straightExtension:
    'A straight extension needs no correction of the torque; its twist counts while an angle is turned. Long ones are a known compromise: support the head.',
  handOnGrip: 'Hand on the middle of the grip; the formula holds for that length only.',
  tooLittleInMesh: 'Too little thread stays in mesh: {shortByMm} missing at the shorter end. Longest: {longestMm}.',
  endsDiffer: 'The ends differ by {unequalByMm}: set equal thread showing at both ends first.',
  meshEnough: 'Enough stays in mesh at both ends, and equally.',
  alignAfterwards:
    'A changed length is alignment work: raise it, and match the old arm so that the vehicle can be driven there.',
  yieldsInTurn: 'The bolt yields after {yieldDeg}: it is used once and then scrap. Past yield the curve is schematic.',
  extensionWinds: 'The extension winds up about {twistDeg}: read the angle at the fastener, not at the handle.',
  settlingTakes: 'Settling may take {lossShare} of the load: once round again, and a re-torque.',
  locksHydraulically: 'More than {mostMl} locks a bolt hydraulically in this hole: put it on the lower turns only.',
  intoTheHole: 'Into the hole’s thread, so that air and compound can rise past the bolt.',
  onTheBolt: 'On the bolt where the nut will stand, once it is known to start by hand.',
  skinContact: 'Skin contact: gloves, and read the safety sheet.',
  sheetSilent: 'The sheet is silent; a person decides, and the record says so.',
  noMineralGrease: 'Never mineral grease or oil on rubber: it swells and goes soft.',
  bushAtRideHeight: 'Final torque at ride height: clamped while hanging, a bonded bush is wound up for life.',
  degreaseFirst: 'Clean and degrease first: locker does not hold over oil, grease or old compound.',
  neverBoth: 'Both on one thread is never right.',
  overClampMost: 'Over the most this clamp may have: the hose is cut, the band strips.',
  underClampMost: 'Under the most allowed.',
  hosesSettle:
    'Hoses settle: once round again when warm. The band sits past the bead, on the hose, screws where they can be reached.',
  inchOrFoot:
    'lbf·in read as lbf·ft is twelve times too much. A figure twelve times off its neighbours is such a slip.',
  forceNotTorque: 'This is a force, not a torque: lbf and lbf·ft are often mixed up on sheets.',
  timesOfSheet: 'Starts from the product’s sheet as entered; how it changes with cold and metal is a model.',
  timesOfModel: 'From a model of usual products, not from a product: read the product’s sheet.',
  tooColdToSet: 'Under 5 °C it hardly sets at all: warm the parts first.',
  primerHelps: 'This metal does not help it set: a primer makes it about as quick as steel.',
  drillUnderBolt: 'A drill of {drillMm} passes no {thread} bolt: it is smaller than the bolt.',
  drillOverThread: '{drillMm} leaves {heightShare} of thread: over the largest the nut thread allows.',
  drillTight: '{drillMm} is tight: the tap works hard and may break.',
  drillUsable: '{drillMm} leaves {heightShare} of thread: usable.',
  pilotFirst: 'Pilot first, from the marked centre. Chips off, bare metal sealed, eyes covered.',
  chaserNotTap:
    'To clean a thread use a chaser, which follows it. A tap cuts: leave it as the last step before an insert.',
  engagementShort: 'Too short by {missingMm}: {weakest} gives first, at {stripsN}.',
  engagementEnough: 'Long enough: the bolt breaks first, and that can be seen and replaced.',
  fullThreadsOnly: 'Full threads only; add the lead-in of bolt and hole, about one pitch each.',
  loadMoreThanMeant:
    'At the printed torque the bolt carries {moreShare} more than was meant. A lead picks: the torque as printed, or {meantNm} for the load that was meant.',
  loadLessThanMeant:
    'At the printed torque the bolt carries {lessShare} less than was meant. A lead picks: the torque as printed, or {meantNm} for the load that was meant.',
  yieldsWhenSlippery: 'On its slipperiest day the bolt yields at the printed torque.',
  sheetCountsOnCompound: 'Where the sheet names the compound, its torque already counts on it: leave it as printed.',
  fitCheckParts: 'These sizes do not belong together: measure again, or it is the wrong part.',
  fitRetaining: 'Too loose to stay: retaining compound.',
  fitAsItIs: 'Goes together as it is.',
  fitPress: 'Press it, square, with support.',
  fitHeatOrChill: 'Warm the bore or chill the pin, and be quick.',
  hotterThanAllowed: '{boreC} is more than {bore} should see (about {limitC}): chill the pin too, or press it.',
  secondsFromOven:
    'Seconds count from oven or cold to the stop; once they touch it grips at once. Hot and cold parts burn: gloves, dry hands, no solvent near.',
  cluesAgainst:
    'No thread has all of this: {clues} speak against the best. Measure again, or the tool named is for another thread.',
  pipeThread:
    'It may be a pipe thread, {pipes}: of a fitting, a sensor or a plug, and no bolt’s. It seals on its taper or on a washer. Never run a bolt or a bolt’s nut on it; a taper shows by measuring at both ends.',
  severalFit: 'More than one thread fits. Lay a pitch gauge on it, or run a known nut on by hand.',
  nothingAgainst: 'Nothing measured speaks against it.',
  socketIsNoThread: 'The size of a socket is not a thread: heads of several standards share it.',
  roundHelped: 'The last round took the spread from {beforeShare} to {afterShare}.',
  roundDidLittle: 'The last round took the spread from {beforeShare} to {afterShare}.',
  boltLeftLoose: 'One bolt is left with {lowestShare} of its load although every pull clicked.',
  widthNotOfThread:
    'No standard gives a {acrossFlatsMm} head to {thread} (usual: {usualMm}).{alsoFits, select, none {} other { That socket is usual for {alsoFits}.}}',
  drillBelowThread: 'A {drillMm} hole passes no {thread} bolt; it needs {neededMm}.',
  tapDrillWrong: '{drillMm} is no tap drill for {thread}: {rightMm}.',
  leftHandThread:
    'Left-hand: it is tightened to the left, and a right-hand nut does not go on. Set the wrench to left-hand; many click to the right only.',
  toolsOfThread: 'The tools named belong to this thread.',
  slotOverCeiling:
    'The next slot would take {thereNm}, over the ceiling. A shim of about {shimMm} under the nut, or another nut; then tighten anew. Never back.',
  turnToSlot: 'Turn on to the next slot: about {thereNm} there, under the ceiling.',
  castleCaution:
    'Steering and suspension joints: the vehicle maker’s manual and the kit’s sheet come first. A new pin every time. On a taper the stiffness is lower than computed here.',
  nutBottoms:
    'The closed nut meets the stud {byMm} before its seat: the wheel is not clamped. An open nut or a shorter stud.',
  studTooShort:
    'Not enough thread: the stud must be at least {atLeastMm} long. A spacer of x needs a stud at least x longer.',
  nutTooShort: 'The nut’s own thread is {lacksMm} short of what is asked for, however long the stud: a longer nut.',
  studLongEnough: 'Enough thread in mesh.',
  studCaution:
    'Wheels and studs are safety-critical: the vehicle maker’s manual and the spacer’s sheet come first, and local law on spacers.',
  boltBreaks: 'The bolt breaks: it would carry {carriesN} and parts at {breaksN}.',
  boltYields: 'The bolt yields: {yieldShare} of yield while the torque is on.',
  nearProof: 'Near or over proof: {proofShare}.',
  finishMayYield: 'On its slipperiest day this finish takes the bolt past yield.',
  scatterMayYield:
    'Tightened so, the load scatters about this: at its most, {mostN}, the bolt would yield. A better wrench, or a torque from the slippery end of the friction, keeps it below.',
  littleUsed:
    'Little of the bolt is used; a joint that must not slip may want more. Look again at the figure and its unit.',
  headSinks:
    'The head presses with {pressedMpa}, and {part} bears about {limitMpa}: a hard washer or a flange, or it sinks in and the load goes.',
  partsComeApart:
    'The parts come off one another: {missingN} of clamp are missing at the worst. More preload, a larger bolt, or less load.',
  partsSlip: 'The parts slip: {keepsN} of clamp are left and {needsN} are needed to hold by friction.',
  yieldsAtWork: 'At work the bolt is at {yieldShare} of yield: it stretches and the clamp is gone.',
  fatigueNear:
    'It breaks in time: the stress swings by {swingsMpa} each way, and the thread endures about {enduresMpa}. A longer, more slender bolt or stiffer parts shield it.',
  holdsAtWork: 'Holds at work: clamp is left, the bolt does not yield, nothing breaks in time.',
  heatTakesLoad: 'The change of temperature takes {takenN} of the load.',
  heatAddsLoad: 'The change of temperature adds {addedN} to the load.',
  enduranceUnknown: 'What this bolt endures in time is not worked out: the formula is for 8.8 to 12.9 from M6.',
  forceInTheMiddle:
    'For one bolt and a force along it through the middle of what it clamps. A force beside it prises, and loads it far more: that is an engineer’s.',
  safetyCriticalNoValue:
    'A safety-critical joint: no value is proposed. Only the kit’s sheet or the vehicle maker’s manual.',
  notFromSheet: 'Not from the sheet: worked out from size and class. A lead decides, by name, and the record says so.',
  nothingMayBeUsed: 'Nothing may be used yet: find the sheet or the manual. The joint stays open.',
  cutForBearing: 'Cut back: the part under the head bears no more.',
  cutForTappedThread: 'Cut back: the tapped thread stands no more.',
  sheetAndManualDiffer: 'Sheet and manual differ: {sheetNm} against {manualNm}. A lead picks one, by name.',
  wheelTorqueSource:
    'The vehicle maker’s manual gives the wheel torque, the kit’s sheet the seating torque; neither is proposed here. Dry and clean unless they say otherwise.',
  studYields: 'The stud yields under this nut torque.',
  studYieldsOiled: 'On a slippery thread this torque takes the stud past yield: never oil a wheel stud.',
  seatingUnknown: 'Seating torque not given: it belongs to that kit and thread, and is taken from no other job.',
  seatingTooMuch: 'Seating twists the stud to {seatingShare} of yield: too much, it is seated low.',
  studMayTurnOn:
    'The nut’s thread twists the stud with {twistNm}, more than it was seated with: without locker it may turn on or come out with the nut.',
  wheelRetorque: 'Star, two stages, on the ground; torque again after the first 40 km (25 miles).',
});

/** What gives first in a bolted thread. */
export const MEMBER_TEXT: Record<StripLoads['weakest'], string> = inLanguage({
  bolt: 'the bolt',
  boltThread: 'the bolt’s thread',
  tappedThread: 'the tapped thread',
});

/** What a part is made of. */
export const PART_TEXT: Record<PartMaterial, string> = inLanguage({
  steel: 'mild steel',
  stainless: 'stainless steel',
  castIron: 'cast iron',
  aluminium: 'aluminium',
  magnesium: 'magnesium',
});

/** What a thread can be told by. */
export const CLUE_TEXT: Record<keyof Measured, string> = inLanguage({
  majorMm: 'diameter',
  pitchMm: 'pitch',
  acrossFlatsMm: 'socket',
  holeMm: 'hole',
  minorMm: 'inside',
});

export const FIT_TEXT: Record<FitKind, string> = inLanguage({
  loose: 'Loose',
  slide: 'Slides',
  push: 'Push fit',
  press: 'Press fit',
  shrink: 'Shrink fit',
});

/** Where the value of a joint may come from. */
export const VALUE_SOURCE_TEXT: Record<ValueOffer['source'], string> = inLanguage({
  kitSheet: 'The kit’s sheet',
  vehicleMaker: 'The vehicle maker’s manual',
  otherKitSheet: 'Another kit’s sheet',
  estimate: 'Worked out from size and class',
  byFeel: 'By feel',
});
export const VALUE_BECAUSE_TEXT: Record<ValueOffer['because'], string> = inLanguage({
  first: 'goes first for this hardware',
  reusedHardware: 'for hardware of the vehicle that is used again',
  kitHardware: 'for hardware of the kit',
  sameJointOnly: 'only for the same joint of the same vehicle: a value belongs to the joint, not to the size',
  safetyCritical: 'not for a safety-critical joint',
  markedEstimate: 'always marked as not from the sheet',
  noBasis: 'no thread or class to work from',
  shopRefuses: 'this shop does not allow it',
  lastResort: 'honest, with a name and a reason, shown at hand-over',
});
export const LIMITED_BY_TEXT: Record<Proposal['limitedBy'], string> = inLanguage({
  bolt: 'the bolt',
  tappedThread: 'the tapped thread',
  bearing: 'the part under the head',
});
