import type { Answers } from '#core/kit/condition.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { Finding, FindingCode } from '#core/kit/lint/finding.ts';
import { PATTERN_TEXT } from './plan-text.ts';

/** A finding for a person: what is wrong, the numbers behind it, and what would clear it. */
export interface FindingText {
  title: string;
  why: string;
  clears: string;
}

type Facts = Record<string, never> & Finding['facts'];
type Words = (facts: Facts) => FindingText;

const list = (value: unknown): string => (Array.isArray(value) ? value.join(', ') : String(value ?? ''));
const pattern = (value: unknown): string => PATTERN_TEXT[value as keyof typeof PATTERN_TEXT] ?? String(value);
const WEAKEST: Record<string, string> = { bolt: 'the bolt', nut: 'the nut', tappedThread: 'the tapped thread' };

const strengthWhy = (f: Facts): string =>
  `${f.printed} makes ${f.lowPercent} to ${f.highPercent} % of what ${WEAKEST[String(f.weakest)]} bears (class ${f.propertyClass}), ${f.usualPercent} % with usual friction${
    f.withCompound ? `; ${f.dryPercent} % if the thread were dry` : ''
  }.`;

const WORDS: Record<FindingCode, Words> = {
  overProof: (f) => ({
    title: 'Torque passes the proof load',
    why: strengthWhy(f),
    clears: `Check unit and class. ${f.fullNm} N·m brings this joint to 75 % of proof load.`,
  }),
  mayPassProof: (f) => ({
    title: 'Torque may pass the proof load',
    why: strengthWhy(f),
    clears: `Check what is on the thread. ${f.fullNm} N·m brings this joint to 75 % of proof load.`,
  }),
  littlePreload: (f) => ({
    title: 'Hardly clamps',
    why: strengthWhy(f),
    clears: 'Check the unit. If the part is soft, say so in the stack.',
  }),
  classUnknown: (f) => ({
    title: 'Strength not known',
    why: `${f.line} has no property class, so the torque could not be checked against it.`,
    clears: 'Read the class off the head.',
  }),
  twelveTimes: (f) => ({
    title: 'Twelve times off its neighbours',
    why: `${f.printed} is ${f.ratio} times off ${f.neighboursNm} N·m of the like joints: lbf·in and lbf·ft differ by 12.`,
    clears: 'Read the unit on the sheet again.',
  }),
  offNeighbours: (f) => ({
    title: 'Far from its like neighbours',
    why: `${f.printed} is ${f.ratio} times off ${f.neighboursNm} N·m of joints with the same bolt.`,
    clears: 'Read the value on the sheet again.',
  }),
  pairDisagrees: (f) => ({
    title: 'The two units disagree',
    why: `${f.printed}: the first is ${f.firstNm} N·m, the second ${f.secondNm} N·m.`,
    clears: 'Ask the maker which holds, and print only that.',
  }),
  boltBySocket: (f) => ({
    title: 'A bolt called by its socket',
    why: `${f.widthMm} mm is the width of the head. Its thread may be ${list(f.may) || 'one no standard gives this head'}.`,
    clears: 'Name the thread.',
  }),
  driveNotOfThread: (f) => ({
    title: 'No standard gives this thread that size',
    why: `${f.widthMm} mm across flats on ${f.thread}; usual are ${list(f.usual)} mm. ${list(f.alsoFits) ? `${f.widthMm} mm goes with ${list(f.alsoFits)}.` : ''}`,
    clears: 'Check thread and socket against the piece.',
  }),
  twoDriveSizes: (f) => ({
    title: 'Two sizes for one head',
    why: `The station says ${f.widthMm} mm, the packing list says ${f.lineMm} mm (${f.line}).`,
    clears: 'Make them the same.',
  }),
  short: (f) => ({
    title: `${Number(f.needed) - Number(f.has)} short`,
    why: `${f.has} in the bag, ${f.needed} in the stations.`,
    clears: 'Correct the quantity or the stacks.',
  }),
  leftoverDiffers: (f) => ({
    title: 'Another number is left over',
    why: `The sheet leaves ${f.stated}, the stations leave ${f.left}.`,
    clears: 'Correct the quantity, the stacks or the stated rest.',
  }),
  sidesUneven: (f) => ({
    title: 'Left and right do not match',
    why: `${f.left} left, ${f.right} right.`,
    clears: 'One of each side per pair, or take the side off.',
  }),
  neverUsed: (f) => ({
    title: 'In no station and no step',
    why: `${f.has} in the bag, used nowhere.`,
    clears: 'Put it in a stack, fit it in a step, or say that it is left over.',
  }),
  notRefitted: (f) => ({
    title: 'Does not go back',
    why: `${f.owed} come off, ${f.back} go back.`,
    clears: 'Add the refit, or say that it is kept or scrapped.',
  }),
  refittedTooOften: (f) => ({
    title: 'Goes back more often than it came off',
    why: `${f.owed} owed, ${f.back} refitted.`,
    clears: 'Correct the count of the refit, or what becomes of it.',
  }),
  notReconnected: (f) => ({
    title: 'Left open',
    why: `Disconnected ${f.open === 1 ? 'once' : `${f.open} times`}, reconnected ${f.closed === 0 ? 'never' : `${f.closed} times`}.`,
    clears: 'Add the step that reconnects it.',
  }),
  notRetightened: () => ({
    title: 'Loosened and not tightened again',
    why: 'It is a bolt of the vehicle, and nothing tightens it.',
    clears: 'Add the step, with the vehicle maker’s figure.',
  }),
  notCleared: () => ({
    title: 'Never taken away again',
    why: 'It is put on for the work, and no step clears it.',
    clears: 'Add the step that clears it.',
  }),
  noFigure: (f) => ({
    title: 'No figure',
    why:
      {
        notGiven: 'The sheet gives none.',
        byFeel: 'The sheet says: by feel.',
        otherSheet: 'It stands on another sheet.',
      }[String(f.why)] ?? '',
    clears: 'Ask the maker, or find one with the value finder. It is never filled in by guessing.',
  }),
  unitAmbiguous: (f) => ({
    title: 'No unit',
    why: `“${f.printed}” may be N·m, lbf·ft or lbf·in.`,
    clears: 'Write the unit as the sheet has it.',
  }),
  noWasherHighTorque: (f) => ({
    title: `No washer under a ${f.turned} turned at ${f.torqueNm} N·m`,
    why: `It turns on ${f.onto}.`,
    clears: 'Add a hardened washer to the stack and check the length again, or use a flange head.',
  }),
  noWasherSoft: (f) => ({
    title: `No washer under a ${f.turned} turned on ${f.material === 'slot' ? 'a slot' : f.material}`,
    why: `It turns on ${f.onto} at ${f.torqueNm} N·m.`,
    clears: 'Add a washer to the stack and check the length again.',
  }),
  engagementShort: (f) => ({
    title: 'Too little thread in mesh',
    why: `${f.line} is ${f.lengthMm} mm, ${f.gripMm} mm is clamped, ${f.engagedMm} mm engage; ${f.neededMm} mm are needed in the ${f.into === 'nut' ? 'nut' : 'tapped part'}.`,
    clears: 'A longer bolt, or fewer pieces in the stack.',
  }),
  bottomsOut: (f) => ({
    title: 'The bolt reaches the bottom',
    why: `${f.line} is ${f.lengthMm} mm, ${f.gripMm} mm is clamped, the thread is ${f.depthMm} mm deep: ${f.overMm} mm too long.`,
    clears: 'A shorter bolt, or a washer more.',
  }),
  noThreadShowing: (f) => ({
    title: 'Hardly any thread past the nut',
    why: `${f.pastMm} mm show; two turns are ${f.wantedMm} mm.`,
    clears: 'A longer bolt, or a thinner stack.',
  }),
  lockerWithAntiSeize: (f) => ({
    title: 'Locker and something slippery on one thread',
    why: `${f.compound} does not hold on a greased or coated thread.`,
    clears: 'One or the other.',
  }),
  lockerOnLockingNut: (f) => ({
    title: 'Locker on a locking nut',
    why: `The nut holds by itself; ${f.compound} runs under it and keeps it from being used again.`,
    clears: 'Take one of the two away.',
  }),
  lockerNearPlastic: (f) => ({
    title: 'Locker near plastic',
    why: `${f.compound} cracks many plastics.`,
    clears: 'Keep it off the part, or use another way to hold the joint.',
  }),
  highWhereUndone: (f) => ({
    title: 'High strength where it must come apart',
    why: `${f.compound} on ${f.thread || 'this thread'}: it is undone later, and this strength needs heat.`,
    clears: 'Medium strength, or none.',
  }),
  slipperyFrictionFace: (f) => ({
    title: 'Something slippery on a face that must grip',
    why: `${f.compound} on a friction face.`,
    clears: 'Keep the face dry.',
  }),
  noOrder: (f) => ({
    title: 'No torque order',
    why: `${f.stations} stations and no order; ${pattern(f.best)} strays least (${f.imbalance}).`,
    clears: 'Choose a pattern, or click the order the sheet prints.',
  }),
  betterOrder: (f) => ({
    title: 'A more even order exists',
    why: `This one strays ${f.own}, ${pattern(f.best)} ${f.imbalance}.${f.printed ? ' The printed order wins on the floor.' : ''}`,
    clears: `Choose ${pattern(f.best)}, unless the sheet prints this order.`,
  }),
  specGap: () => ({
    title: 'No value for some vehicles',
    why: 'With these answers no specification applies.',
    clears: 'Add a specification for them, or widen a condition.',
  }),
  specOverlap: (f) => ({
    title: 'Two values for some vehicles',
    why: `With these answers ${list(f.values)} apply; the first would be used.`,
    clears: 'Narrow one of the conditions.',
  }),
  neverApplies: (f) => ({
    title: `A ${f.what} that is never there`,
    why: 'No combination of answers makes its condition hold.',
    clears: 'Correct the condition.',
  }),
  questionUnused: () => ({
    title: 'A question that changes nothing',
    why: 'No condition asks about it.',
    clears: 'Use it, or take it out.',
  }),
  tooManyCombinations: (f) => ({
    title: 'Too many combinations to go through',
    why: `${f.count}; up to ${f.most} are checked one by one. Each station's own conditions were.`,
    clears: 'Fewer questions, or nothing: this only informs.',
  }),
  stepsInCircle: () => ({
    title: 'Steps that wait for each other',
    why: 'None of them can be the first.',
    clears: 'Take one of the dependencies out.',
  }),
  stepUnreachable: (f) => ({
    title: 'Waits for a step that is never there with it',
    why: `It waits for “${f.waitsFor}”, whose condition excludes this one's.`,
    clears: 'Correct the dependency or a condition.',
  }),
  torqueBeforeStart: (f) => ({
    title: 'Torque before every bolt is started',
    why: `${f.group} is torqued here, and not started by hand before.`,
    clears: 'Move the step, or add the start.',
  }),
  partBeforeSupport: (f) => ({
    title: 'Fitted before the part under it',
    why: `${f.part} sits on ${f.under}, which is not fitted yet.`,
    clears: 'Change the order of the steps.',
  }),
  groupNotInSteps: () => ({
    title: 'No step torques this group',
    why: 'Other groups are torqued in steps.',
    clears: 'Add it to a step.',
  }),
  boltCannotPass: (f) => ({
    title: 'The bolt does not go through',
    why: `${f.holeMm} mm in ${f.where} for ${f.thread}. ${Math.abs(Number(f.holeMm) - Number(f.tapDrillMm)) < 0.35 ? 'That is its tap drill.' : ''}`,
    clears: `At least ${f.fineMm} mm, or say that the hole is tapped.`,
  }),
  holeTight: (f) => ({
    title: 'A tight hole',
    why: `${f.holeMm} mm in ${f.where} for ${f.thread}; the fine fit is ${f.fineMm} mm.`,
    clears: 'Check the drill.',
  }),
  tapDrillWrong: (f) => ({
    title: 'Not the tap drill of this thread',
    why: `${f.drillMm} mm for ${f.thread}; it wants ${f.rightMm} mm.`,
    clears: 'Correct the drill.',
  }),
  stretchBoltNotMarked: (f) => ({
    title: 'Turned by angle, and not marked for one use',
    why: `Station ${f.station} stretches it to yield.`,
    clears: 'Mark the line as used once.',
  }),
  oneUseReused: (f) => ({
    title: 'Made for one use, used again',
    why:
      f.kind === 'nylon'
        ? 'A nylon ring grips less each time.'
        : 'It comes from the vehicle, and was bent or stretched when it went in.',
    clears: 'Supply a new one.',
  }),
  noVerify: (f) => ({
    title: 'Safety hangs on it, and it is pulled only once',
    why: `Stations ${list(f.stations)} have no verify pass.`,
    clears: 'Add the verify pass.',
  }),
  bushNotAtRideHeight: (f) => ({
    title: 'A bonded bush that would be tightened hanging',
    why: `Stations ${list(f.stations)}: the rubber would be twisted at rest.`,
    clears: 'Torque the group at ride height.',
  }),
  torquedWhileLifted: (f) => ({
    title: 'Torqued at ride height while it is on the lift',
    why: `${f.group} is torqued here, and the vehicle was lifted and not lowered.`,
    clears: 'Lower it first.',
  }),
  windowTooShort: (f) => ({
    title: 'The locker sets before the group is at torque',
    why: `${f.bolts} bolts, ${f.rounds} rounds: ${f.needsMin} min against a window of ${f.windowMin} min.`,
    clears: `Bead at most ${f.atOnce} at once, or use one that works longer.`,
  }),
  forceForTorque: (f) => ({
    title: 'A force where a torque is meant',
    why: `“${f.printed}” is in ${f.unit}: a force or mass, not a torque.`,
    clears: 'Ask the maker for the unit.',
  }),
  outOfEnvelope: (f) => ({
    title: `A ${f.what} outside anything usual`,
    why: `${f.value} ${f.unit}${f.thread ? ` on ${f.thread}` : ''}; nothing of this trade passes ${f.most} ${f.unit}.`,
    clears: 'Look for a lost decimal point or another unit.',
  }),
  noAlignment: (f) => ({
    title: 'Changes the geometry, and no alignment follows',
    why: `Stations ${list(f.stations)}.`,
    clears: 'Add the alignment to the aftercare.',
  }),
  noWheelTorque: () => ({
    title: 'The wheels come off, and nothing torques them',
    why: 'No station is tagged as a wheel, and no neighbour has the figure.',
    clears: 'Add the wheel nuts with the vehicle maker’s figure.',
  }),
  noWheelRetorque: () => ({
    title: 'The wheels come off, and no re-torque follows',
    why: 'Wheel nuts settle in the first 40 km (25 miles) or so.',
    clears: 'Add it to the aftercare.',
  }),
  sizesVoteForAnother: (f) => ({
    title: 'The sizes are of another thread',
    why: `${list(f.clues)} fit ${list(f.elect)}, not ${f.thread}.`,
    clears: 'Check the thread against the piece.',
  }),
};

/** A finding in words. */
export const findingText = (finding: Finding): FindingText => WORDS[finding.code](finding.facts as Facts);

/** The answers that show a finding: `model year 2015, shield: yes`. */
export function answersText(kit: Pick<KitDocument, 'questions'>, answers: Answers): string {
  return Object.entries(answers)
    .map(([id, value]) => {
      const question = kit.questions.find((entry) => entry.id === id);
      const name = (question?.text ?? id).replace(/\?$/, '');
      if (typeof value === 'boolean') return `${name}: ${value ? 'yes' : 'no'}`;
      const label = question?.choices?.find((choice) => choice.value === value)?.label ?? String(value);
      return `${name}: ${label}`;
    })
    .join(', ');
}

/** Where it is: `Station 1, Lower bolt and 3 more`. */
export const placeText = ({ place, also }: Pick<Finding, 'place' | 'also'>): string =>
  also && also.length > 0 ? `${place} and ${also.length} more` : place;
