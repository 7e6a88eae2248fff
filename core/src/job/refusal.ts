import type { CompoundKind } from '../compound/compound.ts';
import type { BottleFault } from '../compound/shelf-bottle.ts';
import type { AnswerValue } from '../kit/condition.ts';
import type { BendableRule, Bender } from '../kit/house-rules.ts';
import type { FigureBasis } from '../kit/printed-spec.ts';
import type { SubstituteDifference } from '../kit/substitute.ts';
import type { RefusedAnswer } from '../line/ask.ts';
import type { TorqueUnit } from '../quantity/unit.ts';
import type { WrenchFault } from '../wrench/suitable-wrench.ts';
import type { ActName } from './act/act-name.ts';
import type { WasherFault } from './added-washer.ts';
import type { CloseBlock } from './close-block.ts';
import type { FigureSource } from './figure.ts';
import type { LookWay } from './look.ts';
import type { Role } from './role.ts';
import type { ThreadRung } from './thread-rung.ts';
import type { WhoseFigure } from './whose-figure.ts';

/** Why a command was not carried out, with the facts. Sentences are made where a person reads them. */
export type Refusal =
  | { code: 'notPermitted'; role: Role; command: ActName }
  | { code: 'jobClosed' }
  /** What is added behind a record needs a record that is signed. */
  | { code: 'jobOpen' }
  /** The command itself is not one this application knows, or a text in it is too long. */
  | { code: 'commandUnreadable'; faults: Array<{ path: string; message: string }> }
  /** Nothing shows that the person named on the command gave it: no key of theirs, and not their session. */
  | { code: 'notSignedInThen'; person: string }
  /** It needs the person's PIN or passkey for itself. */
  | { code: 'proofMissing' }
  /** A job is signed by the one who closes it, by their own name. */
  | { code: 'signatureNotYours'; name: string }
  | { code: 'unknownStation'; station: string }
  | { code: 'unknownItem'; item: string }
  | { code: 'unknownWrench'; wrench: string }
  | { code: 'unknownPull'; pull: string }
  /** It has no line: nothing it pulled can have come from itself. */
  | { code: 'wrenchNotLive'; wrench: string }
  /** Nothing shows that a wrench of the shop sent this reading. */
  | { code: 'liveUnproven'; station: string }
  /** What was typed is not what it was turned into. */
  | { code: 'enteredDisagrees'; entered: string; torqueNm: number }
  | { code: 'implausibleAngle'; angleDeg: number; limitDeg: number }
  /** The device pulled for a pass whose turn has not come: an earlier pull of its own was not taken. */
  | { code: 'passNotDue'; station: string }
  /** The record was altered behind the application's back: a lead looks at it first. */
  | { code: 'recordBroken'; at: number }
  | { code: 'noBreaks' }
  /** Withdrawn, or made before the station was loosened again. */
  | { code: 'pullNotStanding'; station: string; pull: string }
  /** A reading that the wrench itself sent is not rewritten by hand. */
  | { code: 'liveNotCorrected'; station: string; pull: string }
  /** This shop tightens nothing by feel. */
  | { code: 'byFeelNotHere'; target: string }
  /** This shop takes no figure from there. */
  | { code: 'sourceNotHere'; target: string; source: FigureSource }
  /** Less than the joint's own figure is for a lead to take, in this shop. */
  | { code: 'leadTakesFigure'; target: string; source: FigureSource }
  /** A safety-critical joint is tightened to its own figure, and to no other. */
  | { code: 'notForSafety'; target: string; source: FigureSource }
  | { code: 'unknownProblem'; problem: string }
  | { code: 'unknownQuestion'; question: string }
  | { code: 'answerNotAllowed'; question: string }
  /** What was done on the vehicle already would not be in the new plan, or would be there otherwise. */
  | { code: 'workContradicts'; stations: string[]; things: string[]; steps: string[] }
  /** The change opens questions that are not answered. */
  | { code: 'questionsOpen'; questions: string[] }
  | { code: 'planImpossible'; reason: string }
  /** Somebody else answered since this person looked. */
  | { code: 'answeredMeanwhile'; question: string; answer: AnswerValue }
  | { code: 'countInvalid'; found: number; damaged: number }
  | { code: 'quantityInvalid'; quantity: number }
  | { code: 'countBelowUse'; item: string; inUse: number }
  /** Others are alike but for their stamp: it is read, not assumed. */
  | { code: 'stampNotRead'; item: string; stamps: string[] }
  | { code: 'stampOfAnother'; item: string; read: string; is: string }
  /** A second count by the one who made the first proves nothing. */
  | { code: 'sameCounter'; item: string; name: string }
  | { code: 'carriesNoNumber'; item: string }
  | { code: 'serialMissing'; item: string }
  | { code: 'serialTaken'; item: string; serial: string; piece: number }
  | { code: 'noSuchPiece'; item: string; piece: number; pieces: number }
  | { code: 'fewerApart'; item: string; apart: number }
  | { code: 'noSuchCompartment'; tray: string }
  | { code: 'keeperMissing'; key: string }
  | { code: 'unknownKey'; key: string }
  | { code: 'orderedAlready'; order: string }
  | { code: 'unknownOrder'; order: string }
  | { code: 'substituteWeaker'; item: string; differences: SubstituteDifference[] }
  | { code: 'substituteForLead'; item: string; differences: SubstituteDifference[] }
  | { code: 'reasonMissing' }
  | { code: 'notCounted'; items: string[] }
  | { code: 'pieceShort'; item: string; available: number }
  | { code: 'alreadyStarted'; station: string }
  | { code: 'notStarted'; station: string }
  /** A bolt is in it: its thread is not worked on, nor its stack changed. */
  | { code: 'threadTaken'; station: string }
  /** A harder way of saving a thread before the gentler one was tried. */
  | { code: 'gentlerFirst'; station: string; rung: ThreadRung; nextRung?: ThreadRung }
  | { code: 'threadNeedsApproval'; rung: ThreadRung }
  | { code: 'threadStillBad'; station: string }
  | { code: 'washerImpossible'; insideMm: number; outsideMm: number; thicknessMm: number }
  | ({ station: string } & WasherFault)
  /** Its locker has set: the second look is at the mark. */
  | { code: 'threadHasSet'; station: string }
  /** Not set yet, or not at full torque: a mark says nothing. */
  | { code: 'markProvesNothing'; station: string }
  | { code: 'noCompoundHere'; station: string }
  | { code: 'compoundAlreadyOn'; station: string }
  | { code: 'threadNotClean'; station: string }
  | { code: 'holeNotClean'; station: string }
  /** It holds by the friction of its faces. */
  | { code: 'staysDry'; station: string; compound: string }
  /** The sheet says `threadlocker` and not how strong. */
  | { code: 'gradeUnknown'; station: string; compound: string }
  | { code: 'gradeKnown'; compound: string }
  | { code: 'unknownCompound'; compound: string }
  | { code: 'unknownBottle'; bottle: string }
  | { code: 'bottleNotSaid'; station: string; bottles: string[] }
  | { code: 'bottleWrongKind'; bottle: string; wanted: string }
  | { code: 'bottleUnfit'; bottle: string; because: BottleFault; lastDay: string }
  /** The compound is not what the figure counts on, and nobody has said which torque holds. */
  | { code: 'basisOpen'; station: string; basis: FigureBasis; compound: CompoundKind }
  | { code: 'basisAgrees'; station: string }
  | { code: 'factorMissing' }
  | { code: 'factorImpossible'; factor: number; min: number; max: number }
  | { code: 'noStages'; station: string }
  /** `stage` from 1. */
  | { code: 'stageDue'; station: string; stage: number }
  | { code: 'stageDone'; station: string }
  | { code: 'stageReading'; station: string }
  | { code: 'compoundMissing'; station: string; compound: string }
  | { code: 'alreadySnug'; station: string }
  | { code: 'powerToolForbidden'; station: string }
  | { code: 'driverSeats'; station: string; says: 'kit' | 'shop' }
  | { code: 'notYoursToBend'; rule: BendableRule; bender: Bender }
  /** Its thread is smaller than what this shop runs down with a driver. */
  | { code: 'threadTooSmallForPower'; station: string; threadMm: number; fromMm: number }
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
  /** It stands, and not where the sheet wants it; left out, nobody measured there. */
  | { code: 'rideHeightOff'; station: string; place: string; value?: number; min?: number; max?: number }
  /** A wheel is pulled to its full torque with its tyre touching the ground. */
  | { code: 'wheelHangs'; station: string }
  /** The final pull of a safety-critical joint by an apprentice who has yet to practise it, where the house asks for it. */
  | { code: 'practiseFirst'; station: string }
  /** The second look is by somebody else than who tightened. */
  | { code: 'anotherWanted'; station: string; person: string }
  /** At a re-torque the question is whether it turned. */
  | { code: 'movementNotSaid'; station: string }
  | { code: 'slotNotAligned'; station: string }
  | { code: 'bearingNotSeated'; station: string }
  /** The joint is drawn down until its gradient has fallen: only a wrench that measures angle can say so. */
  | { code: 'gradientMissing'; station: string }
  | { code: 'implausibleTorque'; torqueNm: number; limitNm: number }
  /** The number fits in another unit; say so again to keep it. */
  | { code: 'likelyUnitSlip'; readAs: TorqueUnit; meant: TorqueUnit }
  /** `whose`: it meets the figure of another joint, or of this one on another vehicle. */
  | { code: 'outsideBand'; verdict: 'under' | 'over'; minNm: number; maxNm?: number; whose?: WhoseFigure }
  /** Nobody entered how far it was turned. */
  | { code: 'angleMissing'; station: string; minDeg: number; maxDeg: number }
  /** Not turned far enough yet; said again it is kept as a stroke, and the next adds to it. */
  | { code: 'angleShort'; station: string; turnedDeg: number; leftDeg: number }
  /** Folded back by as much as the wrench is long: no setting is right. */
  | { code: 'adapterImpossible' }
  /** Run down by more than its thread should ask: crossed, dirty, or the wrong one. */
  | { code: 'ranDownStiff'; station: string; torqueNm: number; limitNm: number }
  | { code: 'angleOver'; station: string; turnedDeg: number; maxDeg: number }
  | { code: 'overMaximum'; torqueNm: number; maximumNm: number; whose?: WhoseFigure }
  | { code: 'nothingToLoosen'; station: string }
  | { code: 'nothingToUndo' }
  | { code: 'unknownPrerequisite'; prerequisite: string }
  | { code: 'unknownBaseline'; baseline: string; place: string }
  | { code: 'unknownStep'; step: string }
  | { code: 'unknownDebt'; debt: string }
  | { code: 'unknownConflict'; conflict: string }
  | { code: 'unknownFigureTarget'; target: string }
  | { code: 'choiceUnknown'; choice: string }
  /** Which of the sheet's figures it is hangs on what is not found or chosen yet. */
  | { code: 'figureLater'; station: string }
  | { code: 'minutesImplausible' }
  | { code: 'unknownWanted'; wanted: string }
  /** What is filled in is not noted as there, or is past its date. */
  | { code: 'fluidMissing'; act: string; wanted: string; name: string; quantity: number; unit: string; expired?: true }
  | { code: 'choiceNotAllowed'; conflict: string; choice: string }
  | { code: 'valueInvalid'; value: number }
  | { code: 'outsideLimits'; value: number; min?: number; max?: number }
  | { code: 'nameMissing' }
  | { code: 'prerequisitesOpen'; prerequisites: string[] }
  | { code: 'baselinesMissing'; baselines: string[] }
  | { code: 'choicesOpen'; choices: string[] }
  | { code: 'conflictOpen'; conflict: string }
  | { code: 'stripOpen'; station: string; steps: string[] }
  | { code: 'stepWaitsFor'; step: string; steps: string[] }
  | { code: 'stepDoneAlready'; step: string }
  | { code: 'unknownAct'; act: string }
  | { code: 'actDoneAlready'; act: string }
  /** Its stations do it, one by one. */
  | { code: 'doneByStations'; act: string }
  /** Something of its own step comes before it. */
  | { code: 'actWaitsFor'; act: string; acts: string[] }
  /** More must be said than a press says. */
  | { code: 'actAsks'; act: string; asks: string[] }
  | { code: 'stepAsks'; step: string; acts: string[] }
  /** What was said is never taken: the wrong part, the wrong tool, a figure outside what may be. */
  | ({ code: 'answerRefused'; act: string } & RefusedAnswer)
  /** Hardly what is on the vehicle; say so again to keep it. */
  | { code: 'valueDoubtful'; act: string; key: string; value: number; unit: string; meant?: number }
  | { code: 'otherSideOpen'; act: string; debt: string; side: 'left' | 'right' }
  | { code: 'partUnderMissing'; act: string; item: string }
  | { code: 'keptOnUntil'; act: string; steps: string[] }
  | { code: 'clockNotBegun'; act: string }
  | { code: 'clockRunning'; act: string; endsAtMs: number }
  | { code: 'clockInvalid'; act: string }
  /** What is on the threads has not set enough for the vehicle to stand on. */
  | { code: 'compoundNotSet'; step: string; group: string; endsAtMs: number }
  /** The line raised the vehicle, and nobody has let it down. */
  | { code: 'stillRaised'; step: string }
  | { code: 'notWaivable'; step: string; acts: string[] }
  | { code: 'checkNotMet'; station: string; check: string }
  | { code: 'jobParked' }
  | { code: 'notParked' }
  | { code: 'temperatureInvalid'; tempC: number }
  | { code: 'stillOff'; debts: string[]; stations: string[] }
  | { code: 'debtOpenAlready'; debt: string }
  | { code: 'debtNotOpen'; debt: string }
  | { code: 'debtCount'; debt: string; count: number; left: number }
  | { code: 'fateContradicts'; debt: string; planned: string; end: string }
  | { code: 'figureMissing'; debt: string }
  | { code: 'newPieceAsked'; debt: string }
  | { code: 'figureUnreadable'; printed: string }
  | { code: 'figureGivenAlready'; target: string }
  | { code: 'notShared'; key: string }
  | { code: 'kitAlreadyIn'; kit: string }
  | { code: 'kitNotIn'; prefix: string }
  | { code: 'lastKit' }
  /** Not done yet, or nothing of this job. */
  | { code: 'lookNotDue'; station?: string; debt?: string }
  | { code: 'lookOwnWork'; station?: string; debt?: string }
  | { code: 'lookTooSoon'; station?: string; debt?: string; leftMin: number }
  | { code: 'lookWay'; way: LookWay }
  | { code: 'pullDoesHarm'; station: string }
  | { code: 'lookTooLow'; station: string; torqueNm: number; minNm: number }
  | { code: 'unknownCare'; care: string }
  | { code: 'careWaivedAlready'; care: string }
  | { code: 'notOverridable'; refusal: string }
  | { code: 'signatureMissing' }
  | { code: 'closeBlocked'; blocks: CloseBlock[] };

export type RefusalCode = Refusal['code'];

/** Refusals the same person may answer by saying it again: the number was really so. */
export const CONFIRMABLE: ReadonlySet<RefusalCode> = new Set<RefusalCode>([
  'likelyUnitSlip',
  'outsideBand',
  'angleShort',
  'angleOver',
  'overMaximum',
]);
