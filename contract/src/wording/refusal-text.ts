import { OVERRIDABLE, OVERRIDABLE_STEPS, type Refusal } from '#core/job/refusal.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import { visitRefusalText } from './visit-refusal-text.ts';

/** A refusal for a person: what was refused, why, and what lifts it. */
export interface RefusalText {
  title: string;
  why: string;
  lift: string;
  /** A lead may lift it here, with a reason. */
  leadMayLift: boolean;
}

/** The words that need a plan to name things by: `Station 7`, `A3 Washer 12`. */
interface Names {
  station(id: string): string;
  stations(ids: readonly string[]): string;
  item(id: string): string;
  group(id: string): string;
}

const namesIn = (plan: Plan): Names => {
  const { stations, items, groups } = indexOf(plan);
  const label = (id: string) => stations.get(id)?.label ?? id;
  return {
    station: (id) => `Station ${label(id)}`,
    stations: (ids) => {
      const shown = ids.slice(0, 6).map(label).join(', ');
      return ids.length > 6 ? `${shown} and ${ids.length - 6} more` : shown;
    },
    item: (id) => {
      const item = items.get(id);
      return item ? `${item.line} ${item.name}` : id;
    },
    group: (id) => groups.get(id)?.title ?? id,
  };
};

const torque = (nm: number, unit: TorqueUnit): string => `${showTorqueIn(nm, unit).number} ${unit}`;
const clock = (atMs: number): string =>
  new Date(atMs).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

function words(refusal: Refusal, name: Names, unit: TorqueUnit): Omit<RefusalText, 'leadMayLift'> | undefined {
  switch (refusal.code) {
    case 'notPermitted':
      return { title: 'Not for this role', why: `Signed in as ${refusal.role}.`, lift: 'Switch to somebody who may.' };
    case 'jobClosed':
      return {
        title: 'The job is closed',
        why: 'It has been signed; the record stands.',
        lift: 'Open a new job for further work.',
      };
    case 'clockAhead':
      return {
        title: 'This device’s clock is ahead',
        why: `By ${Math.round(refusal.byMs / 60_000)} min, so its times cannot be trusted.`,
        lift: 'Set the clock, then do it again.',
      };
    case 'notSignedInThen':
      return {
        title: 'Not signed in at that time',
        why: 'The person on the command was not signed in on this device then.',
        lift: 'Sign in as that person and enter it again.',
      };
    case 'unknownStation':
      return {
        title: 'No such station',
        why: `The plan has no station ${refusal.station}.`,
        lift: 'Reload the job; its answers may have changed.',
      };
    case 'unknownItem':
      return {
        title: 'No such line',
        why: `The packing list has no line ${refusal.item}.`,
        lift: 'Reload the job; its answers may have changed.',
      };
    case 'unknownWrench':
      return { title: 'No such wrench', why: 'The crib does not know it.', lift: 'Pick one from the list.' };
    case 'unknownPull':
      return { title: 'No such pull', why: 'It is not on this station’s record.', lift: 'Reload the job.' };
    case 'unknownProblem':
      return { title: 'Problem already cleared', why: 'Somebody cleared it before.', lift: 'Nothing to do.' };
    case 'unknownQuestion':
    case 'answerNotAllowed':
      return {
        title: 'Answer not possible',
        why: 'The kit does not allow this answer here.',
        lift: 'Choose one of the answers shown.',
      };
    case 'countInvalid':
      return {
        title: 'Not a count',
        why: 'A count is a whole number from 0, and no more pieces can be damaged than were found.',
        lift: 'Count again.',
      };
    case 'quantityInvalid':
      return { title: 'Not a quantity', why: 'It must be a whole number of pieces.', lift: 'Enter it again.' };
    case 'countBelowUse':
      return {
        title: 'Fewer than are fitted',
        why: `${refusal.inUse} of ${name.item(refusal.item)} already stand in stations.`,
        lift: 'Count what is in the holes too.',
      };
    case 'reasonMissing':
      return { title: 'Say why', why: 'This goes on the record with a reason.', lift: 'Enter a reason.' };
    case 'notCounted':
      return {
        title: 'Bag not counted',
        why: `${refusal.items.map(name.item).join(', ')} not counted yet.`,
        lift: 'Count it in Check in first.',
      };
    case 'pieceShort':
      return {
        title: 'No piece left',
        why: `${refusal.available} of ${name.item(refusal.item)} on the tray.`,
        lift: 'Use shop stock, or leave this station until the part is here.',
      };
    case 'alreadyStarted':
      return {
        title: 'Already started',
        why: `${name.station(refusal.station)} is in its thread.`,
        lift: 'Go on to the next.',
      };
    case 'notStarted':
      return {
        title: 'Not started by hand',
        why: `${name.station(refusal.station)} is still empty.`,
        lift: 'Start it by hand first: a bolt that will not start is crossed.',
      };
    case 'noCompoundHere':
      return {
        title: 'Nothing goes on this thread',
        why: `The sheet calls for no compound on ${name.station(refusal.station)}.`,
        lift: 'Fit it dry.',
      };
    case 'compoundAlreadyOn':
      return {
        title: 'Already treated',
        why: `${name.station(refusal.station)} has its bead.`,
        lift: 'Go on to the next.',
      };
    case 'threadNotClean':
      return {
        title: 'Thread not clean',
        why: 'Locker does not hold on oil, dirt or old locker.',
        lift: 'Clean the thread and say so.',
      };
    case 'compoundMissing':
      return {
        title: 'Compound is missing',
        why: `${name.station(refusal.station)} wants its bead before it is drawn down.`,
        lift: 'Put it on.',
      };
    case 'alreadySnug':
      return {
        title: 'Already snug',
        why: `${name.station(refusal.station)} is drawn down.`,
        lift: 'Go on to the next.',
      };
    case 'powerToolForbidden':
      return { title: 'No power tool on this kit', why: 'The sheet forbids power tools.', lift: 'Snug it by hand.' };
    case 'groupNotAllStarted':
      return {
        title: 'Start all of them first',
        why: `Stations ${name.stations(refusal.waiting)} are not in their threads. The first one drawn down would pull the holes out of line.`,
        lift: 'Start them by hand.',
      };
    case 'groupNotAllSnug':
      return {
        title: 'Snug all of them first',
        why: `Stations ${name.stations(refusal.waiting)} are not snug.`,
        lift: 'Snug them.',
      };
    case 'groupWaitsFor':
      return {
        title: 'Another group comes first',
        why: `${name.group(refusal.group)} waits for ${refusal.waitsFor.map(name.group).join(', ')}.`,
        lift: 'Finish that group.',
      };
    case 'outOfOrder':
      return {
        title: 'Out of order',
        why: `${name.station(refusal.next)} is next; the order keeps the parts from tilting.`,
        lift: `Do ${name.station(refusal.next)} first.`,
      };
    case 'stationComplete':
      return {
        title: 'Already at torque',
        why: `${name.station(refusal.station)} has had all its passes.`,
        lift: 'Loosen it if it must be done again.',
      };
    case 'mustBeLoosened':
      return {
        title: 'Loosen it first',
        why:
          refusal.verdict === 'noMovement'
            ? 'The wrench clicked and nothing turned: it may stand anywhere above the target.'
            : 'The last pull went past the band; turning back under load proves nothing.',
        lift: `Loosen ${name.station(refusal.station)}, then pull again.`,
      };
    case 'noTorqueFigure':
      return {
        title: 'No torque figure here',
        why: 'The sheet gives none for this joint.',
        lift: 'Confirm its stop instead.',
      };
    case 'needsTorque':
      return {
        title: 'This joint wants a torque',
        why: 'Its stop alone is not enough.',
        lift: 'Pull it with a wrench.',
      };
    case 'wrenchOutOfRange':
      return {
        title: 'Wrench out of range',
        why: `It is good from ${torque(refusal.minNm, unit)} to ${torque(refusal.maxNm, unit)}; this pull wants ${torque(refusal.targetNm, unit)}.`,
        lift: 'Take a wrench that covers it.',
      };
    case 'wrenchOutOfCalibration':
      return { title: 'Wrench out of calibration', why: `Due on ${refusal.dueOn}.`, lift: 'Take another wrench.' };
    case 'wrenchPulledOut':
      return {
        title: 'Wrench due for calibration',
        why: `${refusal.pulls} pulls since the last one; 5 000 are the most.`,
        lift: 'Take another wrench.',
      };
    case 'wrenchLocked':
      return {
        title: 'Wrench locked',
        why: `${refusal.because}. What it shows is not what it pulls.`,
        lift: 'Take another wrench; this one comes back with a good calibration.',
      };
    case 'lockerWindowClosed':
      return {
        title: 'Locker has begun to set',
        why: `Its working window closed at ${clock(refusal.closedAtMs)}. Turning it now breaks the bond and the torque is false.`,
        lift: `Loosen ${name.station(refusal.station)}, clean it, and put on a new bead.`,
      };
    case 'notAtRideHeight':
      return {
        title: 'Not at ride height',
        why: 'Torqued while hanging, the rubber is wound up for life.',
        lift: 'Load the suspension and say so.',
      };
    case 'slotNotAligned':
      return {
        title: 'The pin must go through',
        why: 'The slot does not line up yet.',
        lift: 'Go on to the next slot, never back, and not over the ceiling.',
      };
    case 'bearingNotSeated':
      return {
        title: 'Seat the bearing first',
        why: 'Seat it while turning, back off, then set the final torque.',
        lift: 'Tick it once done.',
      };
    case 'implausibleTorque':
      return {
        title: 'That is no torque of this trade',
        why: `More than 0 and at most ${torque(refusal.limitNm, unit)}.`,
        lift: 'Enter it again.',
      };
    case 'likelyUnitSlip':
      return {
        title: `Did you mean ${refusal.meant}?`,
        why: `Read as ${refusal.readAs} it misses the band; as ${refusal.meant} it fits.`,
        lift: `Enter it in ${refusal.meant}, or keep it as ${refusal.readAs} if it really was so.`,
      };
    case 'outsideBand':
      return {
        title: refusal.verdict === 'under' ? 'Under the band' : 'Over the band',
        why:
          refusal.maxNm === undefined
            ? `At least ${torque(refusal.minNm, unit)} is wanted, and the full angle.`
            : `Accepted from ${torque(refusal.minNm, unit)} to ${torque(refusal.maxNm, unit)}.`,
        lift: 'Enter it again, or keep it if it really was so.',
      };
    case 'overMaximum':
      return {
        title: 'Over the absolute maximum',
        why: `${torque(refusal.torqueNm, unit)}; never over ${torque(refusal.maximumNm, unit)}. It cannot be accepted by anybody.`,
        lift: 'Enter it again; or, if it really was so, keep it: the bolt and nut then go to scrap.',
      };
    case 'nothingToLoosen':
      return { title: 'Nothing to loosen', why: `${name.station(refusal.station)} is empty.`, lift: 'Nothing to do.' };
    case 'nothingToUndo':
      return {
        title: 'Nothing to take back',
        why: 'Only your own last count, start, pull or step, and only while nothing stands on it.',
        lift: 'Loosen or correct instead.',
      };
    case 'notOverridable':
      return {
        title: 'Nobody may lift this',
        why: 'It guards the vehicle, not the routine.',
        lift: 'Do what it asks.',
      };
    case 'signatureMissing':
      return { title: 'Sign with your name', why: 'Somebody answers for the work.', lift: 'Enter your name.' };
    case 'closeBlocked':
      return {
        title: 'Not ready to close',
        why: `${refusal.blocks.length} ${refusal.blocks.length === 1 ? 'thing is' : 'things are'} still in the way.`,
        lift: 'Clear what Close out lists.',
      };
    default:
      return undefined;
  }
}

/** Puts a refusal into words, naming stations and lines as the plan does, torques in `unit`. */
export function refusalText(refusal: Refusal, plan: Plan, unit: TorqueUnit = 'N·m'): RefusalText {
  const text = words(refusal, namesIn(plan), unit) ?? visitRefusalText(refusal, plan);
  if (!text) throw new Error(`No words for the refusal ${refusal.code}`);
  return { ...text, leadMayLift: OVERRIDABLE.has(refusal.code) || OVERRIDABLE_STEPS.has(refusal.code) };
}
