import type { TorqueUnit } from '../quantity/unit.ts';
import type { WrenchFault } from '../wrench/suitable-wrench.ts';
import type { CloseBlock } from './close-block.ts';
import type { JobCommand } from './job-command.ts';
import type { Role } from './role.ts';

/** Why a command was not carried out, with the facts. Sentences are made where a person reads them. */
export type Refusal =
  | { code: 'notPermitted'; role: Role; command: JobCommand['type'] }
  | { code: 'jobClosed' }
  /** The device's clock runs ahead of the server's by more than it may. */
  | { code: 'clockAhead'; byMs: number }
  /** The person named on the command was not signed in on this device then. */
  | { code: 'notSignedInThen'; person: string }
  | { code: 'unknownStation'; station: string }
  | { code: 'unknownItem'; item: string }
  | { code: 'unknownWrench'; wrench: string }
  | { code: 'unknownPull'; pull: string }
  | { code: 'unknownProblem'; problem: string }
  | { code: 'unknownQuestion'; question: string }
  | { code: 'answerNotAllowed'; question: string }
  | { code: 'workContradicts'; stations: string[] }
  | { code: 'countInvalid'; found: number; damaged: number }
  | { code: 'quantityInvalid'; quantity: number }
  | { code: 'countBelowUse'; item: string; inUse: number }
  | { code: 'reasonMissing' }
  | { code: 'notCounted'; items: string[] }
  | { code: 'pieceShort'; item: string; available: number }
  | { code: 'alreadyStarted'; station: string }
  | { code: 'notStarted'; station: string }
  | { code: 'noCompoundHere'; station: string }
  | { code: 'compoundAlreadyOn'; station: string }
  | { code: 'threadNotClean'; station: string }
  | { code: 'compoundMissing'; station: string; compound: string }
  | { code: 'alreadySnug'; station: string }
  | { code: 'powerToolForbidden'; station: string }
  | { code: 'groupNotAllStarted'; group: string; waiting: string[] }
  | { code: 'groupNotAllSnug'; group: string; waiting: string[] }
  | { code: 'groupWaitsFor'; group: string; waitsFor: string[] }
  | { code: 'outOfOrder'; station: string; next: string }
  | { code: 'stationComplete'; station: string }
  | { code: 'mustBeLoosened'; station: string; verdict: 'over' | 'overMaximum' | 'noMovement' }
  | { code: 'noTorqueFigure'; station: string }
  | { code: 'needsTorque'; station: string }
  | WrenchFault
  | { code: 'lockerWindowClosed'; station: string; closedAtMs: number }
  | { code: 'notAtRideHeight'; station: string; state: string }
  | { code: 'slotNotAligned'; station: string }
  | { code: 'bearingNotSeated'; station: string }
  | { code: 'implausibleTorque'; torqueNm: number; limitNm: number }
  /** The number fits in another unit; say so again to keep it. */
  | { code: 'likelyUnitSlip'; readAs: TorqueUnit; meant: TorqueUnit }
  | { code: 'outsideBand'; verdict: 'under' | 'over'; minNm: number; maxNm?: number }
  | { code: 'overMaximum'; torqueNm: number; maximumNm: number }
  | { code: 'nothingToLoosen'; station: string }
  | { code: 'nothingToUndo' }
  | { code: 'notOverridable'; refusal: string }
  | { code: 'signatureMissing' }
  | { code: 'closeBlocked'; blocks: CloseBlock[] };

export type RefusalCode = Refusal['code'];

/**
 * Refusals a lead may lift for one station, with a reason. Never: a torque over an absolute maximum, a wrench
 * that cannot show the torque, a piece unaccounted for.
 */
export const OVERRIDABLE: ReadonlySet<RefusalCode> = new Set<RefusalCode>([
  'outOfOrder',
  'groupNotAllStarted',
  'groupNotAllSnug',
  'groupWaitsFor',
  'compoundMissing',
  'powerToolForbidden',
  'wrenchOutOfCalibration',
  'wrenchPulledOut',
  'lockerWindowClosed',
  'notAtRideHeight',
]);

/** Refusals the same person may answer by saying it again: the number was really so. */
export const CONFIRMABLE: ReadonlySet<RefusalCode> = new Set<RefusalCode>([
  'likelyUnitSlip',
  'outsideBand',
  'overMaximum',
]);
