import type { RefusalCode } from '#core/job/refusal.ts';
import { inLanguage } from '../say.ts';

/** What was refused, why, and what lifts it. */
export interface RefusalWords {
  title: string;
  why: string;
  lift: string;
}

const NOT_IN_PLAN: RefusalWords = inLanguage({
  title: 'Not in this plan',
  why: 'The plan has changed since.',
  lift: 'Reload the job.',
});
const ANSWER_NOT_POSSIBLE: RefusalWords = inLanguage({
  title: 'Answer not possible',
  why: 'The kit does not allow this answer here.',
  lift: 'Choose one of the answers shown.',
});

/** Every refusal in English. Names in braces are the refusal's own facts, as `refusal-text.ts` writes them. */
export const REFUSALS: Record<RefusalCode, RefusalWords> = inLanguage({
  notPermitted: { title: 'Not for this role', why: 'Signed in as {role}.', lift: 'Switch to somebody who may.' },
  jobClosed: {
    title: 'The job is closed',
    why: 'It has been signed; the record stands.',
    lift: 'Open a new job for further work.',
  },
  commandUnreadable: {
    title: 'It cannot be taken like this',
    why: '{faults}',
    lift: 'Shorten or mend what was typed and enter it again. After an update, reload first.',
  },
  notSignedInThen: {
    title: 'Not shown to be from this person',
    why: 'It bears the name {person}, and nothing on it shows that they gave it: it was not signed with their key on this device.',
    lift: 'That person signs in here and does it again, or it is withdrawn.',
  },
  proofMissing: {
    title: 'Needs your PIN or passkey',
    why: 'Others answer by it, so being signed in is not enough.',
    lift: 'Do it again and give your PIN.',
  },
  signatureNotYours: {
    title: 'Sign with your own name',
    why: 'A job is signed by the one who closes it: {name}.',
    lift: 'Whoever is to sign it takes over on this device first.',
  },
  wrenchNotLive: {
    title: 'This wrench has no line',
    why: '{wrench} cannot have sent a reading.',
    lift: 'Type what it showed.',
  },
  liveUnproven: {
    title: 'Not shown to be from the wrench',
    why: 'Nothing with the reading for {station} shows that a wrench of this shop sent it.',
    lift: 'Pull again with the live wrench, or type what it showed.',
  },
  enteredDisagrees: {
    title: 'Two figures for one pull',
    why: '{entered} was typed, and it came as {torqueNm}.',
    lift: 'Enter it again.',
  },
  implausibleAngle: {
    title: 'No joint turns that far',
    why: '{angleDeg}°, where {limitDeg}° is the most in one pull.',
    lift: 'Enter the angle that was turned after the torque.',
  },
  passNotDue: {
    title: 'Not this pass’s turn',
    why: '{station} waits for an earlier pass: a pull before this one was not taken.',
    lift: 'See what was not taken, then pull again.',
  },
  recordBroken: {
    title: 'The record was altered',
    why: 'From entry {at} on it is not what was recorded. Nothing is added until a lead has looked at it.',
    lift: 'A lead acknowledges the break on the record’s page, with a reason.',
  },
  noBreaks: { title: 'Nothing to acknowledge', why: 'The record is whole.', lift: 'Nothing to do.' },
  unknownStation: {
    title: 'No such station',
    why: 'The plan has no {station}.',
    lift: 'Reload the job; its answers may have changed.',
  },
  unknownItem: {
    title: 'No such line',
    why: 'The packing list has no line {item}.',
    lift: 'Reload the job; its answers may have changed.',
  },
  unknownWrench: { title: 'No such wrench', why: 'The crib does not know it.', lift: 'Pick one from the list.' },
  unknownPull: { title: 'No such pull', why: 'It is not on this station’s record.', lift: 'Reload the job.' },
  pullNotStanding: {
    title: 'That pull no longer counts',
    why: 'It was taken back, or {station} was loosened since. No figure makes it prove something.',
    lift: 'Pull again.',
  },
  liveNotCorrected: {
    title: 'The wrench said it itself',
    why: 'A reading that came from the wrench is not rewritten by hand.',
    lift: 'Loosen {station} and pull again, or raise a problem.',
  },
  byFeelNotHere: {
    title: 'Not by feel',
    why: 'This shop tightens nothing by feel.',
    lift: 'Find the figure in the vehicle maker’s manual, or take the estimate a lead signs for.',
  },
  sourceNotHere: {
    title: 'Not in this shop',
    why: 'It takes no figure {source, select, estimate {that the bench works out} other {of another kit}}.',
    lift: 'Find the figure in the vehicle maker’s manual, or ask the kit’s maker.',
  },
  leadTakesFigure: {
    title: 'A lead decides that',
    why: 'This shop lets a lead alone tighten {source, select, byFeel {by feel} estimate {to an estimate} other {to another kit’s figure}}.',
    lift: 'Ask a lead to take the tablet over, or find the joint’s own figure.',
  },
  notForSafety: {
    title: 'Not on a safety-critical joint',
    why: 'Lives hang on it: not {source, select, byFeel {by feel} estimate {by an estimate} other {with another kit’s figure}}, whoever says so.',
    lift: 'Find the figure on the kit’s sheet or in the vehicle maker’s manual, or ask the maker.',
  },
  unknownProblem: { title: 'Problem already cleared', why: 'Somebody cleared it before.', lift: 'Nothing to do.' },
  unknownQuestion: ANSWER_NOT_POSSIBLE,
  answerNotAllowed: ANSWER_NOT_POSSIBLE,
  countInvalid: {
    title: 'Not a count',
    why: 'A count is a whole number from 0, and no more pieces can be damaged than were found.',
    lift: 'Count again.',
  },
  quantityInvalid: { title: 'Not a quantity', why: 'It must be a whole number of pieces.', lift: 'Enter it again.' },
  countBelowUse: {
    title: 'Fewer than are fitted',
    why: '{inUse} of {item} already stand in stations.',
    lift: 'Count what is in the holes too.',
  },
  stampNotRead: {
    title: 'Stamp not read',
    why: 'Others are alike but for their stamp: {stamps}.',
    lift: 'Read the stamp of {item} and say it.',
  },
  stampOfAnother: {
    title: 'Not this one',
    why: '{read} is stamped on it; {item} carries {is}.',
    lift: 'Count it on its own line, and find the one with {is}.',
  },
  sameCounter: {
    title: 'Counted by you',
    why: '{name} made the first count of {item}.',
    lift: 'Somebody else counts it the second time.',
  },
  carriesNoNumber: { title: 'No number of its own', why: 'The sheet asks for none on {item}.', lift: 'Nothing to do.' },
  serialMissing: { title: 'No number', why: 'Nothing was read off {item}.', lift: 'Read its number and enter it.' },
  serialTaken: {
    title: 'That number is taken',
    why: '{serial} is piece {piece} of {item}.',
    lift: 'No two carry the same: read both again.',
  },
  noSuchPiece: {
    title: 'No such piece',
    why: 'Piece {piece} of {item}; there are {pieces}.',
    lift: 'Count the line again if there are more.',
  },
  fewerApart: { title: 'Fewer are aside', why: '{apart} of {item} are aside.', lift: 'Enter at most that many.' },
  noSuchCompartment: {
    title: 'No such compartment',
    why: 'The shop has no such place in {tray}.',
    lift: 'Pick one on the tray map.',
  },
  keeperMissing: {
    title: 'Nobody has it',
    why: '{key} is handed to somebody by name.',
    lift: 'Say who has it, or where it is put.',
  },
  unknownKey: { title: 'No such key', why: 'This job has no key {key}.', lift: 'Pick it from the list.' },
  orderedAlready: { title: 'Ordered already', why: 'Order {order} is on this line.', lift: 'Nothing to do.' },
  unknownOrder: {
    title: 'No such order',
    why: 'Nothing was ordered as {order} for this line.',
    lift: 'Take it in without an order.',
  },
  substituteWeaker: {
    title: 'Does not hold as much',
    why: 'In the place of {item}: {differences}.',
    lift: 'Take one that holds at least as much, or order the right one.',
  },
  substituteForLead: {
    title: 'A lead decides on this',
    why: 'In the place of {item}: {differences}.',
    lift: 'Ask a lead to take it, or take one that is the same.',
  },
  reasonMissing: { title: 'Say why', why: 'This goes on the record with a reason.', lift: 'Enter a reason.' },
  notCounted: { title: 'Bag not counted', why: '{items} not counted yet.', lift: 'Count it in Check in first.' },
  pieceShort: {
    title: 'No piece left',
    why: '{available} of {item} on the tray.',
    lift: 'Use shop stock, or leave this station until the part is here.',
  },
  alreadyStarted: { title: 'Already started', why: '{station} is in its thread.', lift: 'Go on to the next.' },
  notStarted: {
    title: 'Not started by hand',
    why: '{station} is still empty.',
    lift: 'Start it by hand first: a bolt that will not start is crossed.',
  },
  noCompoundHere: {
    title: 'Nothing goes on this thread',
    why: 'The sheet calls for no compound on {station}.',
    lift: 'Fit it dry.',
  },
  compoundAlreadyOn: { title: 'Already treated', why: '{station} has its bead.', lift: 'Go on to the next.' },
  threadNotClean: {
    title: 'Thread not clean',
    why: 'Locker does not hold on oil, dirt or old locker.',
    lift: 'Clean the thread and say so.',
  },
  compoundMissing: {
    title: 'Compound is missing',
    why: '{station} wants its bead before it is drawn down.',
    lift: 'Put it on.',
  },
  alreadySnug: { title: 'Already snug', why: '{station} is drawn down.', lift: 'Go on to the next.' },
  powerToolForbidden: {
    title: 'No power tool on this kit',
    why: 'The sheet forbids power tools.',
    lift: 'Snug it by hand.',
  },
  driverSeats: {
    title: 'Let the driver off before the head touches',
    why: '{says, select, shop {This shop seats no head with a power tool} other {The kit takes power tools for running down alone}}: how hard it was pressed nobody knows.',
    lift: 'Draw it down by hand.',
  },
  notYoursToBend: {
    title: 'Not yours to let past',
    why: 'House rule, {rule}: {bender, select, nobody {nobody lets it past} lead {a lead alone lets it past} other {on this joint a lead alone lets it past}}.',
    lift: '{bender, select, nobody {Do what it asks.} other {Switch to a lead.}}',
  },
  threadTooSmallForPower: {
    title: 'Too small for a power tool',
    why: 'The thread of {station} measures {threadMm} mm; this shop runs down from {fromMm} mm with a driver.',
    lift: 'Draw it down by hand.',
  },
  groupNotAllStarted: {
    title: 'Start all of them first',
    why: 'Stations {waiting} are not in their threads. The first one drawn down would pull the holes out of line.',
    lift: 'Start them by hand.',
  },
  groupNotAllSnug: {
    title: 'Snug all of them first',
    why: 'Stations {waiting} are not snug.',
    lift: 'Snug them.',
  },
  groupWaitsFor: {
    title: 'Another group comes first',
    why: '{group} waits for {waitsFor}.',
    lift: 'Finish that group.',
  },
  outOfOrder: {
    title: 'Out of order',
    why: '{next} is next; the order keeps the parts from tilting.',
    lift: 'Do {next} first.',
  },
  stationComplete: {
    title: 'Already at torque',
    why: '{station} has had all its passes.',
    lift: 'Loosen it if it must be done again.',
  },
  mustBeLoosened: {
    title: 'Loosen it first',
    why: '{verdict, select, noMovement {The wrench clicked and nothing turned: it may stand anywhere above the target.} other {The last pull went past the band; turning back under load proves nothing.}}',
    lift: 'Loosen {station}, then pull again.',
  },
  noTorqueFigure: {
    title: 'No torque figure here',
    why: 'The sheet gives none for this joint.',
    lift: 'Confirm its stop instead.',
  },
  needsTorque: {
    title: 'This joint wants a torque',
    why: 'Its stop alone is not enough.',
    lift: 'Pull it with a wrench.',
  },
  wrenchOutOfRange: {
    title: 'Wrench out of range',
    why: 'It is good from {minNm} to {maxNm}; this pull wants {targetNm}.',
    lift: 'Take a wrench that covers it.',
  },
  wrenchWithoutAngle: {
    title: 'Wrench without angle',
    why: 'This joint is judged by how its torque rises with the angle, and this wrench measures none.',
    lift: 'Take a live wrench.',
  },
  wrenchOutOfCalibration: {
    title: 'Wrench out of calibration',
    why: 'Due on {dueOn}.',
    lift: 'Take another wrench.',
  },
  wrenchPulledOut: {
    title: 'Wrench due for calibration',
    why: '{pulls} pulls since the last one; 5 000 are the most.',
    lift: 'Take another wrench.',
  },
  wrenchLocked: {
    title: 'Wrench locked',
    why: '{because}. What it shows is not what it pulls.',
    lift: 'Take another wrench; this one comes back with a good calibration.',
  },
  lockerWindowClosed: {
    title: 'Locker has begun to set',
    why: 'Its working window closed at {closedAtMs}. Turning it now breaks the bond and the torque is false.',
    lift: 'Loosen {station}, clean it, and put on a new bead.',
  },
  notAtRideHeight: {
    title: 'Not at ride height',
    why: 'Torqued while hanging, the rubber is wound up for life.',
    lift: 'Load the suspension and say so.',
  },
  practiseFirst: {
    title: 'Practise it first',
    why: 'Lives hang on {station}, and this shop lets an apprentice make its final pull once Drill has shown what a bad one feels like.',
    lift: 'Hand the tablet over, or do the drill. A lead may let it go, with a reason.',
  },
  anotherWanted: {
    title: 'A second pair of eyes',
    why: '{person} tightened {station}; the kit wants the second look by somebody else.',
    lift: 'Hand the tablet over: whoever looks takes over by their initials above.',
  },
  wheelHangs: {
    title: 'The wheel is in the air',
    why: '{station} is pulled to its full torque with the tyre touching the ground: in the air the wheel turns, and does not sit on its centre.',
    lift: 'Snug it in the air, let it down until the tyre touches, and say so.',
  },
  slotNotAligned: {
    title: 'The pin must go through',
    why: 'The slot does not line up yet.',
    lift: 'Go on to the next slot, never back, and not over the ceiling.',
  },
  bearingNotSeated: {
    title: 'Seat the bearing first',
    why: 'Seat it at its torque while turning, back off, then set the final torque.',
    lift: 'Enter what the wrench showed while it was seated: within a tenth of the figure.',
  },
  movementNotSaid: {
    title: 'Did it turn?',
    why: 'A re-torque asks whether {station} has settled: the click alone does not say so.',
    lift: 'Say whether it turned before it clicked.',
  },
  gradientMissing: {
    title: 'The gradient is wanted here',
    why: '{station} is drawn down until its torque stops rising as steeply; nobody reads that off a scale.',
    lift: 'Pull it with a live wrench.',
  },
  implausibleTorque: {
    title: 'That is no torque of this trade',
    why: 'More than 0 and at most {limitNm}.',
    lift: 'Enter it again.',
  },
  likelyUnitSlip: {
    title: 'Did you mean {meant}?',
    why: 'Read as {readAs} it misses the band; as {meant} it fits.',
    lift: 'Enter it in {meant}, or keep it as {readAs} if it really was so.',
  },
  outsideBand: {
    title: '{verdict, select, under {Under the band} other {Over the band}}',
    why: '{maxNm, select, none {At least {minNm} is wanted, and the full angle.} other {Accepted from {minNm} to {maxNm}.}}',
    lift: '{whose, select, none {} other {It is the figure of {whose}: set the wrench anew. }}Enter it again, or keep it if it really was so.',
  },
  jobOpen: {
    title: 'The job is not signed',
    why: 'An addendum stands behind a record; this one is still being written.',
    lift: 'Put it right in the job itself.',
  },
  holeNotClean: {
    title: 'Clean the hole first',
    why: 'Oil, chips or old compound in the hole of {station} keep the locker from setting.',
    lift: 'Brush, degrease and dry the hole, then put it on.',
  },
  staysDry: {
    title: 'This joint stays dry',
    why: '{station} holds by the friction of its faces: {compound} makes them slide.',
    lift: 'Leave it dry. A lead lets it go without what the kit asks for, with a reason.',
  },
  gradeUnknown: {
    title: 'Which strength?',
    why: 'The sheet says {compound} for {station}, and not how strong. Too strong never comes off, too weak comes off by itself.',
    lift: 'A lead names the product.',
  },
  gradeKnown: {
    title: 'The sheet says which',
    why: '{compound} is what the sheet asks for.',
    lift: 'Take that one.',
  },
  unknownCompound: NOT_IN_PLAN,
  unknownBottle: {
    title: 'Not on the shelf',
    why: 'No bottle of this shop is called {bottle}.',
    lift: 'Scan it again, or pick it from the list. A new one is entered in the crib first.',
  },
  bottleNotSaid: {
    title: 'From which bottle?',
    why: 'Its lot goes on the record of {station}. On the shelf: {bottles}.',
    lift: 'Scan or pick it.',
  },
  bottleWrongKind: {
    title: 'The wrong bottle',
    why: '{bottle} is not {wanted}.',
    lift: 'Put it back and take the right one.',
  },
  bottleUnfit: {
    title: 'Not from this bottle',
    why: '{because, select, printed {{bottle} is past its date, {lastDay}.} opened {{bottle} has been open too long, since {lastDay} it is not used.} tooWarm {{bottle} stood too warm in store.} gelled {{bottle} has gelled.} other {{bottle} is empty by count.}}',
    lift: 'Take another one.',
  },
  basisOpen: {
    title: 'The figure is for another thread',
    why: '{station}: the figure counts on {basis, select, dry {a dry thread} oiled {an oiled thread} locker {locker} other {anti-seize}}, and {compound, select, antiSeize {anti-seize} grease {grease} other {locker}} is on it.',
    lift: 'Choose which torque holds, as printed or less for the same load, and sign it.',
  },
  basisAgrees: {
    title: 'Nothing to choose here',
    why: 'The figure of {station} counts on the thread as it is, or it was chosen already.',
    lift: 'Pull it as it is printed.',
  },
  factorMissing: {
    title: 'By what is it less?',
    why: 'For the same load the torque comes from the table of frictions, the product’s own sheet or the rule of the house.',
    lift: 'Choose one, and give its factor.',
  },
  factorImpossible: {
    title: 'No such factor',
    why: '{factor} of the printed torque; {min} to {max} is what a change of thread makes.',
    lift: 'Enter it again.',
  },
  noStages: { title: 'No procedure here', why: '{station} is tightened in one go.', lift: 'Pull it to its torque.' },
  stageDue: {
    title: 'Stage {stage} comes first',
    why: '{station} is tightened in stages, and none is skipped.',
    lift: 'Do stage {stage}.',
  },
  stageDone: {
    title: 'Only the last tightening is left',
    why: 'All stages of {station} before it are done.',
    lift: 'Pull it to its torque.',
  },
  stageReading: {
    title: 'What did the wrench show?',
    why: 'This stage of {station} is a tightening: its torque goes on the record.',
    lift: 'Enter the reading.',
  },
  angleMissing: {
    title: 'How far was it turned?',
    why: '{station} is judged by its angle: {minDeg}° to {maxDeg}° after the torque.',
    lift: 'Enter the degrees turned, beside the torque.',
  },
  angleShort: {
    title: 'Short of its angle',
    why: '{station} is turned {turnedDeg}° so far: {leftDeg}° to go.',
    lift: 'Keep this stroke and turn on, the next adds to it; or enter it again.',
  },
  adapterImpossible: {
    title: 'This adapter leaves no lever',
    why: 'Folded back by as much as the wrench is long, no setting is right.',
    lift: 'Turn the adapter, or enter its measures again.',
  },
  ranDownStiff: {
    title: 'It runs down too hard',
    why: '{station} took {torqueNm} to run down; its thread should ask for at most {limitNm}. What the thread takes, the joint does not get.',
    lift: 'Back it out and look at both threads: crossed, dirty, burred, or not the bolt of the sheet. A lead lifts it, with a reason, for a nut that grips by itself.',
  },
  angleOver: {
    title: 'Turned too far',
    why: '{station} is turned {turnedDeg}°; at most {maxDeg}°.',
    lift: 'Enter it again; or, if it really was so, keep it: the bolt is loosened and replaced.',
  },
  overMaximum: {
    title: 'Over the absolute maximum',
    why: '{torqueNm}; never over {maximumNm}. It cannot be accepted by anybody.',
    lift: '{whose, select, none {} other {It is the figure of {whose}: set the wrench anew. }}Enter it again; or, if it really was so, keep it: the bolt and nut then go to scrap.',
  },
  threadHasSet: {
    title: 'Its locker has set',
    why: 'A pull on {station} that moves it breaks the bond.',
    lift: 'Look at the mark across head and part: unbroken, it proves the joint.',
  },
  markProvesNothing: {
    title: 'A mark proves nothing yet',
    why: '{station} is not at its second look with a locker that has set.',
    lift: 'Pull it to its torque.',
  },
  threadTaken: {
    title: 'A bolt is in it',
    why: '{station} has its bolt in: its thread and its stack are worked on when it is out.',
    lift: 'Loosen it right out first.',
  },
  gentlerFirst: {
    title: 'The gentler way first',
    why: '{nextRung, select, brush {The brush} chaser {The chaser} tap {The tap} insert {The insert} other {Nothing}} comes before {rung, select, brush {the brush} chaser {the chaser} tap {the tap} other {the insert}} on {station}.',
    lift: 'Each is tried after the one before failed.',
  },
  threadNeedsApproval: {
    title: 'Somebody answers for that',
    why: '{rung, select, tap {A tap cuts metal away} other {An insert replaces the thread}}; an apprentice does not decide it.',
    lift: 'A fitter or a lead does it under their own name.',
  },
  threadStillBad: {
    title: 'Its thread does not run',
    why: 'The last thing tried on {station} did not save its thread.',
    lift: 'Go on with the next way, or let a lead take the joint out.',
  },
  washerImpossible: {
    title: 'No washer is like that',
    why: '{insideMm} × {outsideMm} × {thicknessMm} mm.',
    lift: 'Inside, outside and thickness, in mm.',
  },
  washerTooSmall: {
    title: 'It does not go over the bolt',
    why: 'Its hole is {insideMm} mm wide, and the bolt of {station} is {boltMm} mm thick.',
    lift: 'Take one of its size.',
  },
  washerTooSoft: {
    title: 'Too soft for this bolt',
    why: '{hardnessHv} HV gives under the head on {station}, and the preload with it: it wants {neededHv} HV.',
    lift: 'Take a hardened one; the figure is stamped on it or on its box.',
  },
  washerShortens: {
    title: 'Too little thread left',
    why: 'With it only {engagedMm} mm of thread hold on {station}; {neededMm} mm are wanted.',
    lift: 'A thinner one, or a longer bolt of the same class.',
  },
  nothingToLoosen: { title: 'Nothing to loosen', why: '{station} is empty.', lift: 'Nothing to do.' },
  nothingToUndo: {
    title: 'Nothing to take back',
    why: 'Only your own last count, start, pull or step, and only while nothing stands on it.',
    lift: 'Loosen or correct instead.',
  },
  lookNotDue: {
    title: 'Nothing to look at yet',
    why: 'It is not finished, or nothing of this job.',
    lift: 'Look again when it is done.',
  },
  lookOwnWork: {
    title: 'Your own work',
    why: 'A second look is for other eyes.',
    lift: 'Somebody else looks: switch person.',
  },
  lookTooSoon: {
    title: 'Too soon after your own work',
    why: 'One sees one’s own work after a break: {leftMin} min are left.',
    lift: 'Do something else first, or let somebody else look.',
  },
  lookWay: {
    title: 'Not so',
    why: 'By {way} it cannot be told: it carries no torque.',
    lift: 'Look whether it sits and is latched.',
  },
  pullDoesHarm: {
    title: 'Not by another pull',
    why: 'On {station} a pull breaks the locker, turns an angle further, or has no figure.',
    lift: 'Look at the stripe.',
  },
  lookTooLow: {
    title: 'Too low to tell',
    why: 'Pulled to {torqueNm}; {station} is to hold {minNm}.',
    lift: 'Set the wrench to the figure and pull again.',
  },
  unknownCare: { title: 'Nothing of the kind is due', why: '{care}', lift: 'Pick it from the list.' },
  careWaivedAlready: { title: 'Not asked already', why: '{care}', lift: 'Nothing to do.' },
  notOverridable: {
    title: 'Nobody may lift this',
    why: 'It guards the vehicle, not the routine.',
    lift: 'Do what it asks.',
  },
  signatureMissing: { title: 'Sign with your name', why: 'Somebody answers for the work.', lift: 'Enter your name.' },
  closeBlocked: {
    title: 'Not ready to close',
    why: '{blocks, plural, one {# thing is} other {# things are}} still in the way.',
    lift: 'Clear what Close out lists.',
  },
  workContradicts: {
    title: 'Work already done stands against it',
    why: '{stations, plural, =0 {} one {# station was started that would be otherwise or gone. } other {# stations were started that would be otherwise or gone. }}{things, select, none {} other {Off the vehicle, and no step would put it back: {things}. }}{steps, select, none {} other {Done already, and it would be on no record: {steps}}}',
    lift: 'Loosen them out, or put back what is off; then change it.',
  },
  questionsOpen: {
    title: 'It opens another question',
    why: '{questions}',
    lift: 'Answer that first, or choose otherwise.',
  },
  planImpossible: {
    title: 'No plan comes of it',
    why: 'The sheet gives no torque for a station of this vehicle.',
    lift: 'Look at the kit in the library.',
  },
  answeredMeanwhile: {
    title: 'Somebody else answered meanwhile',
    why: '“{question}” is now {answer}.',
    lift: 'Look at the plan as it is, then answer again.',
  },
  unknownPrerequisite: NOT_IN_PLAN,
  unknownBaseline: NOT_IN_PLAN,
  unknownStep: NOT_IN_PLAN,
  unknownDebt: NOT_IN_PLAN,
  unknownConflict: NOT_IN_PLAN,
  unknownFigureTarget: NOT_IN_PLAN,
  choiceUnknown: NOT_IN_PLAN,
  figureLater: {
    title: 'No figure yet',
    why: 'Which of the sheet’s figures it is hangs on what is still to be found or chosen on the line.',
    lift: 'Do that step first.',
  },
  unknownWanted: NOT_IN_PLAN,
  minutesImplausible: {
    title: 'Minutes do not make sense',
    why: 'A step takes more than nothing, and less than a week.',
    lift: 'Give the minutes anew, or leave them out.',
  },
  choiceNotAllowed: NOT_IN_PLAN,
  notShared: NOT_IN_PLAN,
  kitNotIn: NOT_IN_PLAN,
  valueInvalid: {
    title: 'A number is needed',
    why: 'What was entered is no usable number.',
    lift: 'Enter the figure.',
  },
  outsideLimits: {
    title: 'Outside the limits',
    why: '{value}; it must be {min, select, none {at most {max}} other {at least {min}{max, select, none {} other { and at most {max}}}}}.',
    lift: 'Say that it is not met, or measure again.',
  },
  nameMissing: { title: 'A name is needed', why: 'Somebody answers for it.', lift: 'Enter it.' },
  prerequisitesOpen: {
    title: 'Not yet: something must be true first',
    why: '{prerequisites}',
    lift: 'Answer it at the start of the line, or under Receive. A lead may let it be.',
  },
  baselinesMissing: {
    title: 'Measure first',
    why: 'Once it is apart it cannot be measured: {baselines}.',
    lift: 'Enter it under Receive. A lead may let it be.',
  },
  choicesOpen: { title: 'Not chosen yet', why: '{choices}', lift: 'Choose under Receive. A lead may let it be.' },
  conflictOpen: {
    title: 'Two kits are at odds here',
    why: '{conflict}',
    lift: 'A lead chooses under Conflicts.',
  },
  stripOpen: { title: 'Still to be stripped', why: '{steps}', lift: 'Do it first. A lead may let it be.' },
  stepWaitsFor: {
    title: 'Another step comes first',
    why: '{steps}',
    lift: 'Do that first. A lead may let it be.',
  },
  stepDoneAlready: { title: 'Done already', why: 'This step is ticked.', lift: 'Nothing to do.' },
  unknownAct: NOT_IN_PLAN,
  actDoneAlready: { title: 'Done already', why: '{act}.', lift: 'Nothing to do.' },
  doneByStations: {
    title: 'Station by station',
    why: '{act}: it is done when each of its stations is.',
    lift: 'Go on with the stations.',
  },
  actWaitsFor: { title: 'Something comes first', why: '{acts}', lift: 'Do that first. A lead may let it be.' },
  actAsks: { title: 'Not all is said', why: 'Still asked: {asks}.', lift: 'Answer it, then go on.' },
  stepAsks: { title: 'A press does not say it', why: '{acts}', lift: 'Answer what it asks.' },
  answerRefused: {
    title:
      '{min, select, none {{max, select, none {Not that one} other {Outside what may be}}} other {Outside what may be}}',
    why: '{answer}{expected, select, none {} other {; it is {expected}}}{min, select, none {} other {; at least {min}}}{max, select, none {} other {; at most {max}}}.{why, select, none {} other { {why}.}}{trade, select, none {} other { {trade}}}',
    lift: 'Take the right one, or measure again.',
  },
  otherSideOpen: {
    title: 'One side at a time',
    why: 'The structure stays located by the other side: {debt} is open there.',
    lift: 'Close that side first. A lead may let it be.',
  },
  partUnderMissing: { title: 'Nothing under it yet', why: 'It sits on {item}.', lift: 'Fit that first.' },
  keptOnUntil: { title: 'It stays on', why: 'Until this is done: {steps}.', lift: 'Do that first.' },
  clockNotBegun: { title: 'The clock has not begun', why: '{act}.', lift: 'Start it first.' },
  valueDoubtful: {
    title: 'Read it again',
    why: '{value} {unit} is hardly what is on the vehicle.{meant, select, none {} other { Was it {meant} {unit}?}}',
    lift: 'Enter what the instrument shows, or say that it really is so.',
  },
  rideHeightOff: {
    title: 'Not at its ride height',
    why: '{place}: {value, select, none {not measured} other {{value} mm}}, wanted {min, select, none {} other {at least {min} mm}}{max, select, none {} other { at most {max} mm}}.',
    lift: 'Load it until it stands there and measure again, or let a lead lift this.',
  },
  fluidMissing: {
    title: 'Not there to fill in',
    why: '{quantity} {unit} of {name} is on the shopping list and not noted as there, or is past its date.',
    lift: 'Say that it is here, or leave this step until it is.',
  },
  clockRunning: {
    title: 'Not yet',
    why: 'The clock runs until {endsAtMs}.',
    lift: 'Do something else meanwhile. A lead may let it be.',
  },
  clockInvalid: {
    title: 'Not a time it can have begun',
    why: 'It lies ahead, or more than a week back.',
    lift: 'Give the time it really began.',
  },
  compoundNotSet: {
    title: 'The locker has not set',
    why: '{group}: handling strength at {endsAtMs}.',
    lift: 'Do something else meanwhile. A lead may let it be.',
  },
  stillRaised: {
    title: 'The vehicle is still raised',
    why: 'Nobody has let it down: {step}.',
    lift: 'Do that step first.',
  },
  notWaivable: {
    title: 'This is never let go',
    why: '{acts}: a joint has its torque, and what came off is back.',
    lift: 'Do it, park the job, or hand it back unfinished.',
  },
  checkNotMet: { title: 'A check comes first', why: '{check}', lift: 'Meet the check. A lead may let it be.' },
  jobParked: { title: 'The job is put aside', why: 'It was parked.', lift: 'Take it up again first.' },
  notParked: { title: 'The job is in hand', why: 'It is not put aside.', lift: 'Nothing to do.' },
  temperatureInvalid: { title: 'No bay is that warm or cold', why: '{tempC} °C.', lift: 'Read it again.' },
  stillOff: {
    title: 'The old parts are not on',
    why: '{stations, plural, one {# station still holds} other {# stations still hold}} the kit’s hardware.{debts, select, none {} other { Off the vehicle: {debts}.}}',
    lift: 'Take the kit out and put everything back, or hand it back unfinished.',
  },
  debtOpenAlready: { title: 'Open already', why: '{debt} is off already.', lift: 'Nothing to do.' },
  debtNotOpen: { title: 'Not open', why: '{debt} is not off, or is back.', lift: 'Nothing to do.' },
  debtCount: { title: 'The count is wrong', why: '{count} of {debt}; {left} are owed.', lift: 'Count again.' },
  fateContradicts: {
    title: 'It was not to come back',
    why: '{debt}: the plan says {planned, select, scrap {scrap} other {keep for the owner}}.',
    lift: 'A lead may put it back, with a reason.',
  },
  figureMissing: {
    title: 'No torque for it',
    why: '{debt} goes back with the vehicle maker’s figure, and nobody gave it.',
    lift: 'Give the figure and where it stands, or say that it is done by feel.',
  },
  newPieceAsked: {
    title: 'Used once only',
    why: '{debt} must not go back as it came off.',
    lift: 'Say that a new one goes in.',
  },
  figureUnreadable: {
    title: 'No torque can be read from it',
    why: '{printed, select, none {Nothing was entered.} other {“{printed}”}}',
    lift: 'Enter it with its unit: 46 lbf·ft.',
  },
  figureGivenAlready: {
    title: 'The sheet gives a figure',
    why: 'It stands; it is not replaced.',
    lift: 'Nothing to do.',
  },
  kitAlreadyIn: { title: 'The kit is in already', why: 'A kit is fitted once in a visit.', lift: 'Nothing to do.' },
  lastKit: { title: 'The only kit', why: 'A visit has at least one kit.', lift: 'Add another first.' },
});
