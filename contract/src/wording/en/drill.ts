import type { Consequence } from '#core/drill/consequence.ts';
import type { DrillMode } from '#core/drill/drill.ts';
import type { FaultKind, FaultRoom } from '#core/drill/fault-kind.ts';
import type { Catch } from '#core/drill/judge-drill.ts';
import type { Hand, HoleLook } from '#core/drill/scene.ts';
import { inLanguage } from '../say.ts';

interface FaultWords {
  name: string;
  /** How it shows. */
  tellTale: string;
  /** What puts it right. */
  remedy: string;
  /** One thing to do next time. */
  next: string;
  /** The rule behind it, and where it is from. */
  rule: string;
  source: string;
}

const COMMON = 'Common practice, no source';

/** What each fault is called, how it shows, and what is done about it. */
export const FAULT_WORDS: Readonly<Record<FaultKind, FaultWords>> = inLanguage({
  short: {
    name: 'Short in the bag',
    tellTale: 'Fewer pieces lie there than the list says.',
    remedy: 'Count it short; nothing that needs the missing piece is started before it is there.',
    next: 'Lay the pieces out in the places they will go to, then count the empty ones.',
    rule: 'A joint is designed for all its bolts. Those that are there carry the load of those that are not.',
    source: COMMON,
  },
  wrongClass: {
    name: 'Weaker class than the list says',
    tellTale: 'The head of one bolt bears a lower class than the others.',
    remedy: 'Put it aside as unfit and get one of the right class.',
    next: 'Read every head, not the first one of the bag.',
    rule: 'The torque is worked out for the class on the list. A weaker bolt yields at it.',
    source: 'ISO 898-1, marks and strengths of the classes',
  },
  wrongLength: {
    name: 'Wrong length',
    tellTale: 'One bolt ends before the others when they stand beside each other.',
    remedy: 'Put it aside and get one of the right length.',
    next: 'Stand all bolts of a line on their heads: the odd one shows at once.',
    rule: 'Too little thread in the nut strips; too much stands on the ground of a blind hole.',
    source: 'ISO 898-2, nuts are made for full engagement',
  },
  damagedThread: {
    name: 'Torn thread',
    tellTale: 'Flanks shine where they were dragged, and a thread is missing.',
    remedy: 'Put it aside as unfit. It is not cut again: a cut thread is a weaker one.',
    next: 'Run every bolt through your fingers before it goes near the vehicle.',
    rule: 'A torn thread eats torque that was meant for the clamp load, and tears the nut with it.',
    source: COMMON,
  },
  wrongSide: {
    name: 'Part of the other side',
    tellTale: 'The stamp says the other hand.',
    remedy: 'Put it aside and ask for the right one.',
    next: 'Left and right are seen from the driver’s seat, looking forward. Read the stamp, not the label on the bag.',
    rule: 'Handed parts fit on both sides and are right on one.',
    source: COMMON,
  },
  swapped: {
    name: 'Piece of another line',
    tellTale: 'One of them is of another size: it belongs to the next bag.',
    remedy: 'Put it with its own, look there for the one that is missing here, and count both anew.',
    next: 'Pour out one bag at a time, and close it before the next.',
    rule: 'Two sizes that look alike go into each other’s holes, and one of the two joints is wrong without a sound.',
    source: COMMON,
  },
  usedBolt: {
    name: 'Bolt that was used before',
    tellTale: 'One bolt has a waist in its shank and an old paint line across the head.',
    remedy: 'Put it aside as unfit and get a new one.',
    next: 'Roll the bolts over a flat plate: a stretched one shows light under its waist.',
    rule: 'A bolt that was stretched past its yield is thinner where it gave, and gives there again.',
    source: 'VDI 2230-1, tightening past the yield point',
  },
  usedNut: {
    name: 'Lock nut that was on before',
    tellTale: 'The ring of one nut is cut through by a thread.',
    remedy: 'Put it aside as unfit and get a new one.',
    next: 'Turn every lock nut on by hand: one that goes past the ring with two fingers is none.',
    rule: 'The ring grips once. What grips is less with every time it is taken off.',
    source: 'ISO 2320, torque that a lock nut keeps from the first to the fifth removal',
  },
  lostDecimal: {
    name: 'Lost decimal point',
    tellTale: 'Ten times what a bolt of this size takes.',
    remedy: 'Ask the maker, and write down who said what. Nothing is pulled to it.',
    next: 'Know by heart what an M6, M8, M10 and M12 take, and stop where a sheet says three times as much.',
    rule: 'A bolt of class 8.8 yields at roughly twice its usual figure: ten times breaks it.',
    source: 'VDI 2230-1, tightening torques of table A1',
  },
  unitSlip: {
    name: 'Figure in the wrong unit',
    tellTale: 'The number fits newton metres, the unit says foot-pounds.',
    remedy: 'Ask the maker. Until then the figure is worth nothing.',
    next: 'Turn every figure into the other unit once and see which of the two a bolt of this size takes.',
    rule: 'One foot-pound is 1.356 N·m: a third too much, which no hand feels.',
    source: 'NIST Special Publication 811, appendix B',
  },
  contradiction: {
    name: 'Sheet that contradicts itself',
    tellTale: 'Text and figure say two torques for one joint.',
    remedy: 'Ask the maker which holds, and note it with the job.',
    next: 'Read the whole step before you set the wrench.',
    rule: 'Where a sheet says two things it says neither.',
    source: COMMON,
  },
  missingFigure: {
    name: 'No figure at all',
    tellTale: 'The sheet tightens the joint and does not say to what.',
    remedy: 'Look for it: the vehicle’s manual, the maker. What is taken stands in the record with its source.',
    next: 'Look through all figures before the first bolt goes in, while there is time to ask.',
    rule: 'A number without a source is no number.',
    source: COMMON,
  },
  forceForTorque: {
    name: 'Weight instead of a torque',
    tellTale: 'The figure is in kilograms. No wrench is set to a weight.',
    remedy: 'Ask the maker. Nothing is pulled to it, and nothing is turned into another unit by guess.',
    next: 'Read the unit before the number.',
    rule: 'A torque is a force at a lever. A force alone says nothing of how far out the hand is.',
    source: 'NIST Special Publication 811, appendix B.9: kilogram-force metre',
  },
  lockerOnLockNut: {
    name: 'Locker on a lock nut',
    tellTale: 'The sheet wants threadlocker on a nut that has a ring of its own.',
    remedy: 'Ask the maker which of the two is meant. Never both.',
    next: 'Look at what locks a joint before you open a bottle: a ring, a wedge, a pin or a locker, and one of them.',
    rule: 'Locker attacks the ring, makes the nut drag more and falsifies the torque; the ring wipes the locker off.',
    source: COMMON,
  },
  wrongCount: {
    name: 'Sheet that counts wrongly',
    tellTale: 'It says fewer than there are holes.',
    remedy: 'Count the holes and the bolts, and ask the maker about the ones between.',
    next: 'Count twice: the holes in the part, the bolts in the bag. The sheet is the third count.',
    rule: 'A joint is laid out for all its bolts. Those that are there carry the load of those that are not.',
    source: COMMON,
  },
  calledByHead: {
    name: 'Bolt called by its head',
    tellTale: 'The size the sheet says is the width of the head.',
    remedy: 'Measure the thread. What counts is its diameter and pitch, and the figure belongs to that.',
    next: 'Say a bolt by its thread, and a socket by its head. Never the one by the other.',
    rule: 'At the same stress a torque goes with the third power of the thread: a size too large is half as much again.',
    source: 'ISO 4014 and ISO 4017, widths across flats',
  },
  seizedStud: {
    name: 'Broken stud in the hole',
    tellTale: 'Something stands in the thread, rusty and cut off.',
    remedy: 'It is drilled out and the thread made good before the part goes up.',
    next: 'Look into every hole with a lamp before the part is lifted.',
    rule: 'What is found under the lifted part costs an hour more than what is found before.',
    source: COMMON,
  },
  poorHole: {
    name: 'Worn hole',
    tellTale: 'The hole is oval and its edge bright.',
    remedy: 'A plate or a sleeve; never a washer over it and on.',
    next: 'Put a bolt of the right size in by hand and see whether it wanders.',
    rule: 'A joint holds by friction under the head. Over an oval hole half of the face is missing.',
    source: 'VDI 2230-1, bearing area under the head',
  },
  undeclaredPart: {
    name: 'Part that is on no sheet',
    tellTale: 'A plate lies between the faces that nobody wrote down.',
    remedy: 'Find out what it is and whether the kit allows it; the bolts may be too short with it.',
    next: 'Compare what is there with the picture before you loosen anything.',
    rule: 'A thicker grip leaves less thread, and a soft plate settles.',
    source: COMMON,
  },
  leftInPlace: {
    name: 'Tape left on the face',
    tellTale: 'A strip of masking tape sticks where the part goes.',
    remedy: 'Off with it, the face wiped. Look for its fellow on the other side.',
    next: 'What you put on for a while, you write down to take off.',
    rule: 'Tape under a head is pressed out in a week, and the clamp load goes with it.',
    source: COMMON,
  },
  greasyThread: {
    name: 'Grease where a locker goes',
    tellTale: 'The thread shines: old grease stands in its flanks.',
    remedy: 'Solvent and a brush, twice, then dry. Only then the bead.',
    next: 'Wipe each thread with a white rag before the bottle is opened.',
    rule: 'A locker holds a clean thread. On grease it hardens beside it and holds nothing.',
    source: COMMON,
  },
  halfDone: {
    name: 'Begun by somebody and left',
    tellTale: 'A bolt stands in it with a line across its head, and there is air under the head.',
    remedy: 'A mark you did not make proves nothing: out, looked at, and done anew in its turn.',
    next: 'Before you go on with somebody else’s work, try every bolt of it with two fingers.',
    rule: 'A line says somebody meant to. What the wrench said stands in the record, or it was not done.',
    source: COMMON,
  },
  leftHandThread: {
    name: 'Left-hand thread',
    tellTale: 'An L is stamped beside it and the flanks climb the other way.',
    remedy: 'Turn it the other way, and write it on the joint.',
    next: 'Look which way the flanks climb before the first turn.',
    rule: 'Turned the usual way it tears at once, or it is loose when it feels tight.',
    source: COMMON,
  },
  washerMissing: {
    name: 'Washer left out',
    tellTale: 'The head sits on the part with nothing between.',
    remedy: 'Out again, the washer under the head, and started anew.',
    next: 'Thread the washer onto the bolt on the bench, before you lie under the vehicle.',
    rule: 'A head alone presses on a narrow ring. The part gives way under it and the load goes.',
    source: 'VDI 2230-1, surface pressure under the head, table A9',
  },
  partReversed: {
    name: 'Part turned round',
    tellTale: 'The arrow on the part points to the rear.',
    remedy: 'Off again and round, before the second bolt is in.',
    next: 'Say aloud which way the mark is to point before you lift the part.',
    rule: 'Many parts fit both ways and work one way.',
    source: COMMON,
  },
  greasyFace: {
    name: 'Grease on a face that grips',
    tellTale: 'The face where the part goes shines.',
    remedy: 'Solvent and a clean rag until the rag stays white, both faces.',
    next: 'Wipe both faces as the last thing before the part goes up.',
    rule: 'A bolted joint holds by the friction of its faces. On grease it slides, and the bolt is sheared.',
    source: 'VDI 2230-1, friction of the faces, table A6',
  },
  neighbourLoose: {
    name: 'Neighbour left loose',
    tellTale: 'There is air under the head beside it: somebody loosened that one for room.',
    remedy: 'Write it down as open, and tighten it to its figure before you leave.',
    next: 'Whatever you loosen for room you write down before you loosen it.',
    rule: 'What was loosened on the way is on no list of what was taken off.',
    source: COMMON,
  },
  gapUneven: {
    name: 'Gap on one side',
    tellTale: 'The part lies on one side and stands off on the other.',
    remedy: 'Look for what is under it. Only when it lies on all its faces is it pulled down.',
    next: 'Measure at the four corners, not at the one you can see.',
    rule: 'A part that is pulled down by its bolts bends, and the bolts with it.',
    source: COMMON,
  },
  hotPart: {
    name: 'Hot part beside it',
    tellTale: 'The air shimmers and the thermometer says what the hand need not find out.',
    remedy: 'Wait, or cover it. A warm joint is also not pulled: its figure is for a cold one.',
    next: 'The back of the hand near it, never on it, before you reach in.',
    rule: 'Bare metal burns within a second from 65 to 70 °C.',
    source: 'ISO 13732-1, burn thresholds',
  },
  onJackAlone: {
    name: 'Vehicle on a jack alone',
    tellTale: 'There is a jack under it and no stand.',
    remedy: 'Stands under the points of the manual, the jack let down a little, shake it, then begin.',
    next: 'Look for two stands and a chock before your head goes under anything.',
    rule: 'A jack lifts. It does not hold.',
    source: 'The jack’s own plate, and the vehicle maker’s manual for its points',
  },
  wrongWrench: {
    name: 'Wrench that does not reach down',
    tellTale: 'Its scale begins above the figure.',
    remedy: 'Take one that has the figure between a fifth and the top of its scale.',
    next: 'Figure first, then the wrench.',
    rule: 'Below its scale a wrench promises nothing, and it clicks all the same.',
    source: 'ISO 6789-1, deviation within the range only',
  },
  crossed: {
    name: 'Crossed thread',
    tellTale: 'It turns stiffly long before the head is down.',
    remedy: 'Out again, thread looked at and chased, a new bolt, started by hand.',
    next: 'Two full turns with the fingers before any tool touches it.',
    rule: 'The torque is used up by the flanks: the wrench clicks and the joint is loose.',
    source: 'Bickford, Introduction to the Design and Behavior of Bolted Joints: torque over turn',
  },
  bottomed: {
    name: 'Bolt on the ground of its hole',
    tellTale: 'It goes hard within a few degrees, with the head not yet down.',
    remedy: 'Out again. Measure the depth; a shorter bolt, or what lies in the hole comes out.',
    next: 'Screw it in without the part and count the turns.',
    rule: 'The bolt presses on the ground and not on the part: nothing is clamped.',
    source: COMMON,
  },
  stripping: {
    name: 'Thread that gives way',
    tellTale: 'It gets easier while you pull.',
    remedy: 'Stop. The thread is made good or a nut put behind it.',
    next: 'When it stops rising you stop pulling.',
    rule: 'A thread that yields holds less with every degree.',
    source: 'Bickford, Introduction to the Design and Behavior of Bolted Joints',
  },
  slippery: {
    name: 'Oil on a thread meant dry',
    tellTale: 'It turns much further than the others before it clicks.',
    remedy: 'Out again, thread and face wiped with solvent, then once more.',
    next: 'Look how far the handle goes: all of a group go about as far.',
    rule: 'The same torque on an oiled thread loads the bolt by a third to twice as much.',
    source: 'VDI 2230-1, friction classes of table A5',
  },
  alreadyTight: {
    name: 'Tight before the wrench came',
    tellTale: 'It clicks and does not move.',
    remedy: 'Back it off and pull it again with the wrench.',
    next: 'Run down with a quarter of the torque at most.',
    rule: 'A click without a move says that it is at least so tight. How tight nobody knows.',
    source: COMMON,
  },
  soft: {
    name: 'Something soft between',
    tellTale: 'It never gets hard, and falls back when you let go.',
    remedy: 'Look between the faces: paint, a seal, a loom. Then once more.',
    next: 'Scrape and wipe both faces before the part goes up.',
    rule: 'What settles under load takes the clamp load with it.',
    source: 'VDI 2230-1, loss by embedding, table 5',
  },
  lockerSet: {
    name: 'Locker that has begun to set',
    tellTale: 'You were away longer than it can be worked.',
    remedy: 'Out again, thread cleaned, new locker.',
    next: 'Bead only what you can pull before the clock runs out.',
    rule: 'A bond that is broken while it sets does not come back.',
    source: 'The working time on the bottle',
  },
});

/** One catalogue for what a drill says on its screens. */
export const DRILL = inLanguage({
  title: 'Drill',
  intro: 'Jobs to fail on before it can hurt. Nothing of them stands in a list, a chart or a record of the shop.',
  begin: 'Begin',
  again: 'Do it again',
  end: 'End the drill',
  wrong: 'Something is wrong here',
  which: 'What is wrong?',
  where: 'Where?',
  notNow: 'Nothing, go on',
  right: 'Right.',
  falseAlarm: 'Nothing of this kind is wrong there.',
  bag: 'What lies before you',
  hole: 'What you see at the joint',
  hand: 'What the hand feels',
  sheet: 'What the sheet says',
  away: 'You were called away for {minutes} minutes.',
  nothing: 'Nothing to see for this step.',
  noDrills: 'No drill is on the shelf. A lead makes one from any released kit.',
  noAttempts: 'You have done no drill yet.',
  mine: 'What you spot',
  due: 'Wants practice',
  mastered: 'mastered',
  open: 'not yet',
  neverMet: '{kinds, plural, one {One kind was never met} other {# kinds were never met}}',
  forYou: 'Drill for you',
  forYouWhy: 'Made from a released kit, with what you need most.',
  export: 'Take your drills with you',
  delete: 'Delete all your drills',
  deleteSure: 'All your attempts go, with what they say of you. Nobody can bring them back.',
  mentor: 'Who spots what',
  assign: 'Ask to do it',
  signOff: 'Sign it off',
  certificate: 'Certificate',
  replay: 'A job goes by',
  replayWhy: 'As it was done, with nobody’s name in it. Nothing can be changed.',
  watch: 'Watch it go by',
} as const);

export const MODE_WORDS: Readonly<Record<DrillMode, { name: string; what: string }>> = inLanguage({
  guided: { name: 'Guided', what: 'What you see and feel is said in words.' },
  plain: { name: 'Plain', what: 'The pieces, the sheet’s own words and the curve. No more.' },
  blank: { name: 'Blank', what: 'You lay out order, figure, compound and wrench yourself, then work it plain.' },
});

export const ROOM_WORDS: Readonly<Record<FaultRoom, string>> = inLanguage({
  bag: 'in the bag',
  sheet: 'on the sheet',
  hole: 'at the joint',
  pull: 'in the hand',
  clock: 'on the clock',
});

export const CATCH_WORDS: Readonly<Record<Catch, string>> = inLanguage({
  caught: 'found',
  late: 'found too late',
  missed: 'not found',
});

export const HOLE_WORDS: Readonly<Record<HoleLook, string>> = inLanguage({
  sound: 'A clean hole, a clean face.',
  seized: 'Something rusty stands in the thread.',
  oval: 'The hole is longer than it is wide, its edge bright.',
  partBetween: 'A plate lies between the faces.',
  taped: 'A strip of tape sticks on the face.',
  greasy: 'The thread shines with grease.',
  halfDone: 'A marked bolt stands in it, with air under its head.',
  leftHand: 'An L is stamped beside it; the flanks climb the other way.',
  noWasher: 'The head sits on the part; its fellow has a washer.',
  reversed: 'The part’s arrow points to the rear of the vehicle.',
  greasyFace: 'The face shines with grease.',
  neighbourLoose: 'There is air under the head beside it.',
  gap: 'The part stands off on one side.',
  hot: 'A hot pipe runs beside it.',
  onJack: 'The vehicle stands on a jack and on nothing else.',
  coarseWrench: 'The wrench that lies ready begins above the figure.',
});

export type ConsequenceCode = Consequence['code'];
/** What would have come of it; `share` in per cent. */
export const CONSEQUENCE_WORDS: Readonly<Record<ConsequenceCode, string>> = inLanguage({
  fewerBolts: '{bolts} of {of} bolts would carry it: each {load} % of its load.',
  overloaded:
    'The bolt would hold {load} % of its load{yield, select, none {} other {, at {yield} % of what it yields at}}.',
  leftOut: '{joints, plural, one {One joint} other {# joints}} would stand without it.',
  loadLost: '{left} % of the clamp load would be left.',
  threadShort: '{mm} mm less thread would hold{diameters, select, none {} other {, {diameters} of its diameter}}.',
  unknownLoad: 'Nobody would know what the joint holds.',
  wrongPlace: 'The part would stand on the wrong side.',
  bondBroken: 'The bond would hold nothing.',
  weaker: 'It would carry {left} % of what a new one does.',
  lockGone: 'Nothing would keep the nut from turning once the load settles.',
  pressed: 'The part would be pressed {times} times as hard.',
  wrongTurn: 'Turned the usual way it would tear, or come off by itself.',
  burns: 'At {celsius} °C skin burns at a touch.',
  falls: 'What comes down brings {kilojoule} kJ with it.',
  misread: 'The figure could be out by {share} % and the wrench would click all the same.',
  gripLost: '{left} % of the grip of its faces would be left.',
  tilted: 'The part would be pulled askew by {mm} mm.',
});

/** How long a drill takes, beside one attempt. */
export const PACE_WORDS = inLanguage({
  own: '{times, plural, one {You took {minutes} min the other time.} other {{minutes} min is the middle of your # other times.}}',
  others: '{people} others here take about {minutes} min.',
  noPoints: 'Speed counts for nothing.',
});

/** Whose hand pulls in a drill. */
export const HAND_WORDS: Readonly<Record<Hand, string>> = inLanguage({
  even: 'An even hand pulls.',
  quick: 'A quick hand pulls.',
  heavy: 'A heavy hand pulls: it goes a little past the click.',
  unsteady: 'An unsteady hand pulls: the curve shakes, the joint does not.',
});
