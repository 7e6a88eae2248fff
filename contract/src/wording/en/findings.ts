import type { FindingCode } from '#core/kit/lint/finding.ts';
import { inLanguage } from '../say.ts';

/** What is wrong, the numbers behind it, and what would clear it. */
export interface FindingWords {
  title: string;
  why: string;
  clears: string;
}

const STRENGTH =
  '{printed} makes {lowPercent} to {highPercent} % of what {weakest, select, bolt {the bolt} nut {the nut} other {the tapped thread}} bears (class {propertyClass}), {usualPercent} % with usual friction{withCompound, select, yes {; {dryPercent} % if the thread were dry} other {}}.';

/** Every finding of the lint in English. Names in braces are the finding's own facts, as `finding-text.ts` writes them. */
export const FINDINGS: Record<FindingCode, FindingWords> = inLanguage({
  overProof: {
    title: 'Torque passes the proof load',
    why: STRENGTH,
    clears: 'Check unit and class. {fullNm} N·m brings this joint to 75 % of proof load.',
  },
  mayPassProof: {
    title: 'Torque may pass the proof load',
    why: STRENGTH,
    clears: 'Check what is on the thread. {fullNm} N·m brings this joint to 75 % of proof load.',
  },
  littlePreload: {
    title: 'Hardly clamps',
    why: STRENGTH,
    clears: 'Check the unit. If the part is soft, say so in the stack.',
  },
  classUnknown: {
    title: 'Strength not known',
    why: '{line} has no property class, so the torque could not be checked against it.',
    clears: 'Read the class off the head.',
  },
  twelveTimes: {
    title: 'Twelve times off its neighbours',
    why: '{printed} is {ratio} times off {neighboursNm} N·m of the like joints: lbf·in and lbf·ft differ by 12.',
    clears: 'Read the unit on the sheet again.',
  },
  offNeighbours: {
    title: 'Far from its like neighbours',
    why: '{printed} is {ratio} times off {neighboursNm} N·m of joints with the same bolt.',
    clears: 'Read the value on the sheet again.',
  },
  pairDisagrees: {
    title: 'The two units disagree',
    why: '{printed}: the first is {firstNm} N·m, the second {secondNm} N·m.',
    clears: 'Ask the maker which holds, and print only that.',
  },
  boltBySocket: {
    title: 'A bolt called by its socket',
    why: '{widthMm} mm is the width of the head. Its thread may be {may, select, none {one no standard gives this head} other {{may}}}.',
    clears: 'Name the thread.',
  },
  driveNotOfThread: {
    title: 'No standard gives this thread that size',
    why: '{widthMm} mm across flats on {thread}; usual are {usual} mm.{alsoFits, select, none {} other { {widthMm} mm goes with {alsoFits}.}}',
    clears: 'Check thread and socket against the piece.',
  },
  twoDriveSizes: {
    title: 'Two sizes for one head',
    why: 'The station says {widthMm} mm, the packing list says {lineMm} mm ({line}).',
    clears: 'Make them the same.',
  },
  short: {
    title: '{missing} short',
    why: '{has} in the bag, {needed} in the stations.',
    clears: 'Correct the quantity or the stacks.',
  },
  leftoverDiffers: {
    title: 'Another number is left over',
    why: 'The sheet leaves {stated}, the stations leave {left}.',
    clears: 'Correct the quantity, the stacks or the stated rest.',
  },
  sidesUneven: {
    title: 'Left and right do not match',
    why: '{left} left, {right} right.',
    clears: 'One of each side per pair, or take the side off.',
  },
  neverUsed: {
    title: 'In no station and no step',
    why: '{has} in the bag, used nowhere.',
    clears: 'Put it in a stack, fit it in a step, or say that it is left over.',
  },
  notRefitted: {
    title: 'Does not go back',
    why: '{owed} come off, {back} go back.',
    clears: 'Add the refit, or say that it is kept or scrapped.',
  },
  refittedTooOften: {
    title: 'Goes back more often than it came off',
    why: '{owed} owed, {back} refitted.',
    clears: 'Correct the count of the refit, or what becomes of it.',
  },
  notReconnected: {
    title: 'Left open',
    why: 'Disconnected {open, plural, one {once} other {# times}}, reconnected {closed, plural, =0 {never} one {once} other {# times}}.',
    clears: 'Add the step that reconnects it.',
  },
  notRetightened: {
    title: 'Loosened and not tightened again',
    why: 'It is a bolt of the vehicle, and nothing tightens it.',
    clears: 'Add the step, with the vehicle maker’s figure.',
  },
  notCleared: {
    title: 'Never taken away again',
    why: 'It is put on for the work, and no step clears it.',
    clears: 'Add the step that clears it.',
  },
  noFigure: {
    title: 'No figure',
    why: '{why, select, byFeel {The sheet says: by feel.} otherSheet {It stands on another sheet.} other {The sheet gives none.}}',
    clears: 'Ask the maker, or find one with the value finder. It is never filled in by guessing.',
  },
  unitAmbiguous: {
    title: 'No unit',
    why: '“{printed}” may be N·m, lbf·ft or lbf·in.',
    clears: 'Write the unit as the sheet has it.',
  },
  noWasherHighTorque: {
    title: 'No washer under a {turned} turned at {torqueNm} N·m',
    why: 'It turns on {onto}.',
    clears: 'Add a hardened washer to the stack and check the length again, or use a flange head.',
  },
  noWasherSoft: {
    title: 'No washer under a {turned} turned on {material, select, slot {a slot} other {{material}}}',
    why: 'It turns on {onto} at {torqueNm} N·m.',
    clears: 'Add a washer to the stack and check the length again.',
  },
  engagementShort: {
    title: 'Too little thread in mesh',
    why: '{line} is {lengthMm} mm, {gripMm} mm is clamped, {engagedMm} mm engage; {neededMm} mm are needed in the {into, select, nut {nut} other {tapped part}}.',
    clears: 'A longer bolt, or fewer pieces in the stack.',
  },
  bottomsOut: {
    title: 'The bolt reaches the bottom',
    why: '{line} is {lengthMm} mm, {gripMm} mm is clamped, the thread is {depthMm} mm deep: {overMm} mm too long.',
    clears: 'A shorter bolt, or a washer more.',
  },
  noThreadShowing: {
    title: 'Hardly any thread past the nut',
    why: '{pastMm} mm show; two turns are {wantedMm} mm.',
    clears: 'A longer bolt, or a thinner stack.',
  },
  lockerWithAntiSeize: {
    title: 'Locker and something slippery on one thread',
    why: '{compound} does not hold on a greased or coated thread.',
    clears: 'One or the other.',
  },
  lockerOnLockingNut: {
    title: 'Locker on a locking nut',
    why: 'The nut holds by itself; {compound} runs under it and keeps it from being used again.',
    clears: 'Take one of the two away.',
  },
  lockerNearPlastic: {
    title: 'Locker near plastic',
    why: '{compound} cracks many plastics.',
    clears: 'Keep it off the part, or use another way to hold the joint.',
  },
  figureForOtherThread: {
    title: 'The figure is for another thread',
    why: '{printed} is for {basis, select, dry {a dry thread} oiled {an oiled thread} locker {a thread with locker} other {a thread with anti-seize}}, and the kit makes it {compound, select, none {dry} other {one with {compound}}}: the same torque draws it otherwise.',
    clears: 'Say which is right, or give the figure for the thread as it is made.',
  },
  highWhereUndone: {
    title: 'High strength where it must come apart',
    why: '{compound} on {thread, select, none {this thread} other {{thread}}}: it is undone later, and this strength needs heat.',
    clears: 'Medium strength, or none.',
  },
  slipperyFrictionFace: {
    title: 'Something slippery on a face that must grip',
    why: '{compound} on a friction face.',
    clears: 'Keep the face dry.',
  },
  noOrder: {
    title: 'No torque order',
    why: '{stations} stations and no order; {best} strays least ({imbalance}).',
    clears: 'Choose a pattern, or click the order the sheet prints.',
  },
  betterOrder: {
    title: 'A more even order exists',
    why: 'This one strays {own}, {best} {imbalance}.{printed, select, yes { The printed order wins on the floor.} other {}}',
    clears: 'Choose {best}, unless the sheet prints this order.',
  },
  specGap: {
    title: 'No value for some vehicles',
    why: 'With these answers no specification applies.',
    clears: 'Add a specification for them, or widen a condition.',
  },
  specOverlap: {
    title: 'Two values for some vehicles',
    why: 'With these answers {values} apply; the first would be used.',
    clears: 'Narrow one of the conditions.',
  },
  neverApplies: {
    title: 'A {what} that is never there',
    why: 'No combination of answers makes its condition hold.',
    clears: 'Correct the condition.',
  },
  foundTooLate: {
    title: 'It is known too late',
    why: 'This step hangs on “{question}”, which is asked at {askedAt}: after it on the sheet. It comes into the line when the work has gone past it.',
    clears: 'Ask at an earlier step, or put this step behind it.',
  },
  questionUnused: {
    title: 'A question that changes nothing',
    why: 'No condition asks about it.',
    clears: 'Use it, or take it out.',
  },
  tooManyCombinations: {
    title: 'Too many combinations to go through',
    why: '{count}; up to {most} are checked one by one. Each station’s own conditions were.',
    clears: 'Fewer questions, or nothing: this only informs.',
  },
  stepsInCircle: {
    title: 'Steps that wait for each other',
    why: 'None of them can be the first.',
    clears: 'Take one of the dependencies out.',
  },
  stepUnreachable: {
    title: 'Waits for a step that is never there with it',
    why: 'It waits for “{waitsFor}”, whose condition excludes this one’s.',
    clears: 'Correct the dependency or a condition.',
  },
  torqueBeforeStart: {
    title: 'Torque before every bolt is started',
    why: '{group} is torqued here, and not started by hand before.',
    clears: 'Move the step, or add the start.',
  },
  gateAgainstSteps: {
    title: 'Waits for what the steps write later',
    why: '{waitsFor} must come first, and the steps have it after.',
    clears: 'Move the step, or take the wait away.',
  },
  partBeforeSupport: {
    title: 'Fitted before the part under it',
    why: '{part} sits on {under}, which is not fitted yet.',
    clears: 'Change the order of the steps.',
  },
  groupNotInSteps: {
    title: 'No step torques this group',
    why: 'Other groups are torqued in steps.',
    clears: 'Add it to a step.',
  },
  boltCannotPass: {
    title: 'The bolt does not go through',
    why: '{holeMm} mm in {where} for {thread}. {isTapDrill, select, yes {That is its tap drill.} other {}}',
    clears: 'At least {fineMm} mm, or say that the hole is tapped.',
  },
  holeTight: {
    title: 'A tight hole',
    why: '{holeMm} mm in {where} for {thread}; the fine fit is {fineMm} mm.',
    clears: 'Check the drill.',
  },
  tapDrillWrong: {
    title: 'Not the tap drill of this thread',
    why: '{drillMm} mm for {thread}; it wants {rightMm} mm.',
    clears: 'Correct the drill.',
  },
  stretchBoltNotMarked: {
    title: 'Turned by angle, and not marked for one use',
    why: 'Station {station} stretches it to yield.',
    clears: 'Mark the line as used once.',
  },
  oneUseReused: {
    title: 'Made for one use, used again',
    why: '{kind, select, nylon {A nylon ring grips less each time.} other {It comes from the vehicle, and was bent or stretched when it went in.}}',
    clears: 'Supply a new one.',
  },
  noVerify: {
    title: 'Safety hangs on it, and it is pulled only once',
    why: 'Stations {stations} have no verify pass.',
    clears: 'Add the verify pass.',
  },
  bushNotAtRideHeight: {
    title: 'A bonded bush that would be tightened hanging',
    why: 'Stations {stations}: the rubber would be twisted at rest.',
    clears: 'Torque the group at ride height.',
  },
  torquedWhileLifted: {
    title: 'Torqued at ride height while it is on the lift',
    why: '{group} is torqued here, and the vehicle was lifted and not lowered.',
    clears: 'Lower it first.',
  },
  windowTooShort: {
    title: 'The locker sets before the group is at torque',
    why: '{bolts} bolts, {rounds} rounds: {needsMin} min against a window of {windowMin} min.',
    clears: 'Bead at most {atOnce} at once, or use one that works longer.',
  },
  forceForTorque: {
    title: 'A force where a torque is meant',
    why: '“{printed}” is in {unit}: a force or mass, not a torque.',
    clears: 'Ask the maker for the unit.',
  },
  wideRange: {
    title: 'A range that says nothing',
    why: '{printed} spans {ratio} to 1: two figures, or what a wrench covers.',
    clears: 'Read on the sheet which of them is meant.',
  },
  slipperyWheel: {
    title: 'Something slippery on what holds a wheel',
    why: '{compound} on wheel nuts or bolts: their figure is for clean, dry threads, and with it the stud is pulled further than meant (common practice, no source).',
    clears: 'Leave them dry, unless the wheel’s maker asks for it.',
  },
  threadNotNamed: {
    title: 'A large torque on a thread nobody names',
    why: '{printed} ({torqueNm} N·m), and neither bolt nor nut says its thread: nothing can be checked against it.',
    clears: 'The thread and the class of what is tightened.',
  },
  outOfEnvelope: {
    title: 'A {what} outside anything usual',
    why: '{value} {unit}{thread, select, none {} other { on {thread}}}; nothing of this trade passes {most} {unit}.',
    clears: 'Look for a lost decimal point or another unit.',
  },
  noAlignment: {
    title: 'Changes the geometry, and no alignment follows',
    why: 'Stations {stations}.',
    clears: 'Add the alignment to the aftercare.',
  },
  noWheelTorque: {
    title: 'The wheels come off, and nothing torques them',
    why: 'No station is tagged as a wheel, and no neighbour has the figure.',
    clears: 'Add the wheel nuts with the vehicle maker’s figure.',
  },
  noWheelRetorque: {
    title: 'The wheels come off, and no re-torque follows',
    why: 'Wheel nuts settle in the first 40 km (25 miles) or so.',
    clears: 'Add it to the aftercare.',
  },
  checkWithoutLimits: {
    title: 'Measured, and judged by nothing',
    why: 'It is read in {unit}, with no limit, target, spread or side to hold it against.',
    clears: 'Give the limits of the sheet; take the unit away where it is only looked at.',
  },
  limitInWords: {
    title: 'A limit that stands in the words alone',
    why: 'The words say {min, select, none {} other {at least {min} {unit}}}{max, select, none {} other { at most {max} {unit}}}. The floor asks for the reading all the same.',
    clears: 'Make it a check with its limits, so that places, instrument and what a miss leads to can be said.',
  },
  sidesInWords: {
    title: 'Each side in words, one reading in the check',
    why: 'The words name {places}.',
    clears: 'Add the places, so that each is measured by itself.',
  },
  refitsScrapped: {
    title: 'Puts back what does not go back',
    why: '{thing}: its end is {fate, select, scrap {the scrap} other {with the owner}}.',
    clears: 'Change what becomes of it, or take the refit out.',
  },
  thousandsComma: {
    title: 'A comma that two readers read a thousand times apart',
    why: '“{printed}” is thousands to one and thousandths to another.',
    clears: 'Write the figure without the comma, or with a point where it is a decimal.',
  },
  quantityOdd: {
    title: 'A quantity like a part number',
    why: '{quantity} of one line are hardly in a bag.',
    clears: 'Look at the packing list again.',
  },
  threadOfOtherSystem: {
    title: 'One thread of another system',
    why: '{thread}, where all others of the kit are {others}.',
    clears: 'Read the thread off the piece; an M may have been lost or made up.',
  },
  notNamedYet: {
    title: 'Not named yet',
    why: '“{name}” is what it was called when it was added; a fitter would read it so.',
    clears: 'Call it what the sheet calls it, or take it away.',
  },
  sizesVoteForAnother: {
    title: 'The sizes are of another thread',
    why: '{clues} fit {elect}, not {thread}.',
    clears: 'Check the thread against the piece.',
  },
});
