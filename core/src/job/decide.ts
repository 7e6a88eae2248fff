import { indexOf, type Plan, type PlanGroup, type PlanItem, type PlanStation } from '../kit/plan.ts';
import { answerAllowed } from '../kit/resolve.ts';
import { unreachable } from '../result.ts';
import { peakTorqueNm } from '../tightening/accept-band.ts';
import { judgePull, MOVEMENT_DEG } from '../tightening/judge-pull.ts';
import { isByHand } from '../tightening/tightening-spec.ts';
import { unitSlip } from '../tightening/unit-slip.ts';
import { answerAll, type VisitQuestion } from '../visit/visit.ts';
import { wrenchFault } from '../wrench/suitable-wrench.ts';
import type { Wrench } from '../wrench/wrench.ts';
import { closeBlocks } from './close-block.ts';
import { decideVisit, openConflict, undoStep } from './decide-visit.ts';
import { piecesInStations, piecesOnTray } from './hardware-ledger.ts';
import type { CommandEnvelope, JobCommand, PullCommand } from './job-command.ts';
import type { JobEvent, JobFact } from './job-event.ts';
import { type JobState, lineState, stationState } from './job-state.ts';
import { windowClosesAtMs } from './locker-window.ts';
import { compoundSettled, nextPull, pullBand } from './next-station.ts';
import { PLAUSIBLE_NM } from './plausible.ts';
import { CONFIRMABLE, OVERRIDABLE, type Refusal, type RefusalCode } from './refusal.ts';
import { mayDo } from './role.ts';
import { groupComplete, nextPassIndex, spoilingPull, standingPulls } from './station-progress.ts';
import { stepsDone, stripBefore } from './step-progress.ts';

/** What a decision needs beside the job's own state. */
export interface DecideContext {
  plan: Plan;
  /** The visit's questions, each asked once. */
  questions: readonly VisitQuestion[];
  wrenches: readonly Wrench[];
  /** Things of the crib lent for this job and not back, by name. */
  toolsOut?: readonly string[];
}

export type Decision = { ok: true; events: JobEvent[] } | { ok: false; refusal: Refusal };

type Outcome = { facts: JobFact[] } | { refusal: Refusal };

const done = (...facts: JobFact[]): Outcome => ({ facts });
const refuse = (refusal: Refusal): Outcome => ({ refusal });
const blank = (text: string): boolean => text.trim() === '';
const wholeFromZero = (value: number): boolean => Number.isInteger(value) && value >= 0 && value <= 100_000;

/** The station and its group, or a refusal: commands reach us from other devices and other revisions. */
function find(context: DecideContext, id: string): { station: PlanStation; group: PlanGroup } | undefined {
  const { stations, groups } = indexOf(context.plan);
  const station = stations.get(id);
  const group = station && groups.get(station.groupId);
  return station && group && { station, group };
}

const lifted = (job: JobState, station: string, code: RefusalCode): boolean =>
  stationState(job, station).overrides[code] !== undefined;

/** The first refusal that no lead has lifted for this station. */
function firstStanding(
  job: JobState,
  station: string,
  checks: ReadonlyArray<Refusal | undefined>,
): Refusal | undefined {
  return checks.find(
    (check) => check !== undefined && !(OVERRIDABLE.has(check.code) && lifted(job, station, check.code)),
  );
}

const notStartedIn = (job: JobState, group: PlanGroup): string[] =>
  group.stations.filter((id) => stationState(job, id).stage === 'empty');

const notSnugIn = (job: JobState, group: PlanGroup): string[] =>
  group.stations.filter((id) => stationState(job, id).stage !== 'snug');

function waitsFor(context: DecideContext, job: JobState, group: PlanGroup): Refusal | undefined {
  const open = group.after.filter((id) => !groupComplete(context.plan, job, id));
  return open.length > 0 ? { code: 'groupWaitsFor', group: group.id, waitsFor: open } : undefined;
}

function windowClosed(context: DecideContext, job: JobState, station: PlanStation, nowMs: number): Refusal | undefined {
  const closedAtMs = windowClosesAtMs(context.plan, job, station);
  return closedAtMs !== undefined && nowMs > closedAtMs
    ? { code: 'lockerWindowClosed', station: station.id, closedAtMs }
    : undefined;
}

const compoundMissing = (job: JobState, station: PlanStation): Refusal | undefined =>
  compoundSettled(station, job)
    ? undefined
    : { code: 'compoundMissing', station: station.id, compound: station.compound ?? '' };

function startByHand(context: DecideContext, job: JobState, id: string): Outcome {
  const found = find(context, id);
  if (!found) return refuse({ code: 'unknownStation', station: id });
  const { station, group } = found;
  if (stationState(job, id).stage !== 'empty') return refuse({ code: 'alreadyStarted', station: id });
  const conflict = openConflict(context, [id]);
  if (conflict !== undefined) return refuse({ code: 'conflictOpen', conflict });
  const strip = stripBefore(context.plan, group.id);
  if (strip.length > 0) {
    const finished = stepsDone(context.plan, job);
    const open = strip.filter((step) => !finished.has(step.id)).map((step) => step.id);
    const blocked = firstStanding(job, id, [
      open.length > 0 ? { code: 'stripOpen', station: id, steps: open } : undefined,
    ]);
    if (blocked) return refuse(blocked);
  }
  const { items } = indexOf(context.plan);
  const hardware = station.stack.flatMap((piece) => (piece.kind === 'hardware' ? (items.get(piece.item) ?? []) : []));
  const uncounted = hardware.filter((item) => lineState(job, item.id).count === undefined);
  if (uncounted.length > 0)
    return refuse({ code: 'notCounted', items: [...new Set(uncounted.map((item) => item.id))] });
  for (const item of new Set<PlanItem>(hardware)) {
    const available = piecesOnTray(context.plan, job, item);
    if (available < hardware.filter((piece) => piece === item).length)
      return refuse({ code: 'pieceShort', item: item.id, available });
  }
  return done({ type: 'stationStarted', station: id });
}

function applyCompound(context: DecideContext, job: JobState, id: string, cleaned: boolean): Outcome {
  const found = find(context, id);
  if (!found) return refuse({ code: 'unknownStation', station: id });
  const state = stationState(job, id);
  const { station } = found;
  if (station.compound === undefined) return refuse({ code: 'noCompoundHere', station: id });
  // Only on a bolt known to start: the clock runs from the bead.
  if (state.stage === 'empty') return refuse({ code: 'notStarted', station: id });
  if (state.bead) return refuse({ code: 'compoundAlreadyOn', station: id });
  if (state.stage === 'snug') return refuse({ code: 'alreadySnug', station: id });
  if (!cleaned) return refuse({ code: 'threadNotClean', station: id });
  return done({ type: 'compoundApplied', station: id, compound: station.compound, cleaned });
}

function snug(
  context: DecideContext,
  job: JobState,
  command: Extract<JobCommand, { type: 'snug' }>,
  nowMs: number,
): Outcome {
  const found = find(context, command.station);
  if (!found) return refuse({ code: 'unknownStation', station: command.station });
  const { station, group } = found;
  const state = stationState(job, station.id);
  if (state.stage === 'empty') return refuse({ code: 'notStarted', station: station.id });
  if (state.stage === 'snug') return refuse({ code: 'alreadySnug', station: station.id });
  const waiting = notStartedIn(job, group);
  const next = group.snugOrder.find((id) => stationState(job, id).stage === 'started');
  const standing = firstStanding(job, station.id, [
    waiting.length > 0 ? { code: 'groupNotAllStarted', group: group.id, waiting } : undefined,
    waitsFor(context, job, group),
    compoundMissing(job, station),
    command.tool === 'power' && indexOf(context.plan).kits.get(station.kit)?.powerTools === 'never'
      ? { code: 'powerToolForbidden', station: station.id }
      : undefined,
    next !== undefined && next !== station.id ? { code: 'outOfOrder', station: station.id, next } : undefined,
    windowClosed(context, job, station, nowMs),
  ]);
  return standing ? refuse(standing) : done({ type: 'stationSnugged', station: station.id, tool: command.tool });
}

/** The checks before a joint may be finished, by a pull or by reaching its stop. */
function finishingChecks(
  context: DecideContext,
  job: JobState,
  station: PlanStation,
  group: PlanGroup,
  nowMs: number,
): Refusal | undefined {
  const waiting = notStartedIn(job, group);
  const unsnugged = notSnugIn(job, group);
  const turn = nextPull(context.plan, job, group);
  const pass = nextPassIndex(station, stationState(job, station.id));
  const verifying = pass !== undefined && group.passes[pass]?.kind === 'verify';
  const state = job.load?.state;
  return firstStanding(job, station.id, [
    waiting.length > 0 ? { code: 'groupNotAllStarted', group: group.id, waiting } : undefined,
    waitsFor(context, job, group),
    compoundMissing(job, station),
    unsnugged.length > 0 ? { code: 'groupNotAllSnug', group: group.id, waiting: unsnugged } : undefined,
    turn && turn.station.id !== station.id
      ? { code: 'outOfOrder', station: station.id, next: turn.station.id }
      : undefined,
    group.atRideHeight && state !== 'rideHeight' && state !== 'onWheels'
      ? { code: 'notAtRideHeight', station: station.id, state: state ?? 'notStated' }
      : undefined,
    // A verify pull moves nothing, so a set thread is not broken by it.
    verifying ? undefined : windowClosed(context, job, station, nowMs),
  ]);
}

function pull(context: DecideContext, job: JobState, command: PullCommand, nowMs: number): Outcome {
  const found = find(context, command.station);
  if (!found) return refuse({ code: 'unknownStation', station: command.station });
  const { station, group } = found;
  const state = stationState(job, station.id);
  if (state.stage === 'empty') return refuse({ code: 'notStarted', station: station.id });
  if (peakTorqueNm(station.spec) === undefined) return refuse({ code: 'noTorqueFigure', station: station.id });
  const spoiled = spoilingPull(state);
  if (spoiled) return refuse({ code: 'mustBeLoosened', station: station.id, verdict: spoiled.verdict });
  const pass = nextPassIndex(station, state);
  if (pass === undefined) return refuse({ code: 'stationComplete', station: station.id });
  const band = pullBand(context.plan, station, pass);
  if (!band) return refuse({ code: 'noTorqueFigure', station: station.id });

  if (!(command.torqueNm > 0 && command.torqueNm <= PLAUSIBLE_NM)) {
    return refuse({ code: 'implausibleTorque', torqueNm: command.torqueNm, limitNm: PLAUSIBLE_NM });
  }
  const wrench = context.wrenches.find((entry) => entry.id === command.wrench);
  if (!wrench) return refuse({ code: 'unknownWrench', wrench: command.wrench });
  const blocked = finishingChecks(context, job, station, group, nowMs);
  if (blocked) return refuse(blocked);
  const fault = wrenchFault(
    wrench,
    Math.max(band.targetNm, station.spec.kind === 'bearing' ? station.spec.finalMinNm : 0),
    nowMs,
  );
  const standingFault = firstStanding(job, station.id, [fault]);
  if (standingFault) return refuse(standingFault);
  if (station.spec.kind === 'bearing' && !command.seatedAndBackedOff)
    return refuse({ code: 'bearingNotSeated', station: station.id });

  const verifying = group.passes[pass]?.kind === 'verify';
  const judged = judgePull(band, command.torqueNm, command.angleDeg);
  // Overshoot in the verify pass is found, not made: the joint already stood above.
  const still =
    command.source === 'live' && !verifying && command.movementDeg !== undefined && command.movementDeg < MOVEMENT_DEG;
  const verdict = judged === 'accepted' && still ? 'noMovement' : judged;
  if (command.source === 'typed' && !command.confirmed) {
    const doubt = typedDoubt(command, band.minNm, band.maxNm, band.absoluteMaximumNm, verdict);
    if (doubt) return refuse(doubt);
  }
  if (station.spec.kind === 'slot' && verdict === 'accepted' && !command.pinFits)
    return refuse({ code: 'slotNotAligned', station: station.id });

  const { type: _, confirmed: _c, wrench: _w, ...reading } = command;
  return done({
    type: 'pullRecorded',
    ...reading,
    pass,
    wrench: { id: wrench.id, label: wrench.label, calibrationDueOn: wrench.calibrationDueOn },
    verdict,
    targetNm: band.targetNm,
    minNm: band.minNm,
    maxNm: Number.isFinite(band.maxNm) ? band.maxNm : undefined,
  });
}

/** What to ask about a typed reading that missed its band, before it goes on record. */
function typedDoubt(
  command: PullCommand,
  minNm: number,
  maxNm: number,
  absoluteMaximumNm: number | undefined,
  verdict: string,
): Refusal | undefined {
  if (verdict === 'accepted') return undefined;
  const slip = command.entered && unitSlip(command.entered.value, command.entered.unit, minNm, maxNm);
  if (slip) return { code: 'likelyUnitSlip', ...slip };
  if (verdict === 'overMaximum')
    return { code: 'overMaximum', torqueNm: command.torqueNm, maximumNm: absoluteMaximumNm ?? maxNm };
  return {
    code: 'outsideBand',
    verdict: verdict === 'under' ? 'under' : 'over',
    minNm,
    maxNm: Number.isFinite(maxNm) ? maxNm : undefined,
  };
}

/**
 * Pieces that must not be used again after a loosening: stretch bolts that were tightened, and every bolt and nut
 * of a station that went over its absolute maximum.
 */
function spentPieces(context: DecideContext, job: JobState, station: PlanStation): string[] {
  const state = stationState(job, station.id);
  const pulls = standingPulls(state);
  const overdone = pulls.some((entry) => entry.verdict === 'overMaximum');
  const { items } = indexOf(context.plan);
  return station.stack.flatMap((piece) => {
    const item = piece.kind === 'hardware' ? items.get(piece.item) : undefined;
    if (!item) return [];
    const stretched = item.singleUse === true && pulls.length > 0;
    const strained = overdone && (item.kind === 'bolt' || item.kind === 'nut');
    return stretched || strained ? [item.id] : [];
  });
}

function loosen(context: DecideContext, job: JobState, command: Extract<JobCommand, { type: 'loosen' }>): Outcome {
  const found = find(context, command.station);
  if (!found) return refuse({ code: 'unknownStation', station: command.station });
  if (stationState(job, command.station).stage === 'empty')
    return refuse({ code: 'nothingToLoosen', station: command.station });
  if (blank(command.reason)) return refuse({ code: 'reasonMissing' });
  const spent = spentPieces(context, job, found.station);
  // A spent bolt cannot stay in the hole.
  const to = spent.length > 0 ? 'out' : command.to;
  return done({ type: 'stationLoosened', station: command.station, to, reason: command.reason, spent });
}

function countLine(
  context: DecideContext,
  job: JobState,
  command: Extract<JobCommand, { type: 'countLine' }>,
): Outcome {
  const { item, found, damaged } = command;
  if (!indexOf(context.plan).items.has(item)) return refuse({ code: 'unknownItem', item });
  if (!wholeFromZero(found) || !wholeFromZero(damaged) || damaged > found)
    return refuse({ code: 'countInvalid', found, damaged });
  const line = lineState(job, item);
  const extra =
    line.shopStock.reduce((sum, entry) => sum + entry.quantity, 0) -
    line.scrapped.reduce((sum, entry) => sum + entry.quantity, 0);
  const inUse = piecesInStations(context.plan, job).get(item) ?? 0;
  if (found - damaged + extra < inUse) return refuse({ code: 'countBelowUse', item, inUse });
  const previous = line.count && { found: line.count.found, damaged: line.count.damaged };
  return done({ type: 'lineCounted', item, found, damaged, previous });
}

function undo(context: DecideContext, job: JobState, person: string): Outcome {
  const last = job.undoable[person];
  switch (last?.kind) {
    case undefined:
      return refuse({ code: 'nothingToUndo' });
    case 'count': {
      const { found, damaged } = last.previous ?? { found: 0, damaged: 0 };
      const inUse = piecesInStations(context.plan, job).get(last.item) ?? 0;
      if (found - damaged < inUse) return refuse({ code: 'countBelowUse', item: last.item, inUse });
      return done({ type: 'countUndone', item: last.item, previous: last.previous });
    }
    case 'start': {
      const state = stationState(job, last.station);
      if (state.stage !== 'started' || state.bead) return refuse({ code: 'nothingToUndo' });
      return done({ type: 'startUndone', station: last.station });
    }
    case 'step':
      return undoStep(context, job, last.step);
    case 'pull': {
      const standing = standingPulls(stationState(job, last.station)).at(-1);
      if (standing?.id !== last.pull) return refuse({ code: 'nothingToUndo' });
      return done({ type: 'pullWithdrawn', station: last.station, pull: last.pull });
    }
  }
}

function correctPull(
  context: DecideContext,
  job: JobState,
  command: Extract<JobCommand, { type: 'correctPull' }>,
): Outcome {
  const found = find(context, command.station);
  if (!found) return refuse({ code: 'unknownStation', station: command.station });
  const record = stationState(job, command.station).pulls.find((entry) => entry.id === command.pull);
  if (!record) return refuse({ code: 'unknownPull', pull: command.pull });
  if (blank(command.reason)) return refuse({ code: 'reasonMissing' });
  if (!(command.torqueNm > 0 && command.torqueNm <= PLAUSIBLE_NM)) {
    return refuse({ code: 'implausibleTorque', torqueNm: command.torqueNm, limitNm: PLAUSIBLE_NM });
  }
  const band = pullBand(context.plan, found.station, record.pass);
  if (!band) return refuse({ code: 'noTorqueFigure', station: command.station });
  const verdict = judgePull(band, command.torqueNm, record.angleDeg);
  return done({
    type: 'pullCorrected',
    station: command.station,
    pull: command.pull,
    from: record.torqueNm,
    to: command.torqueNm,
    verdict,
    reason: command.reason,
  });
}

function changeAnswer(
  context: DecideContext,
  job: JobState,
  command: Extract<JobCommand, { type: 'changeAnswer' }>,
): Outcome {
  const asked = context.questions.find(({ members }) => members.some(({ id }) => id === command.question));
  if (!asked) return refuse({ code: 'unknownQuestion', question: command.question });
  if (!answerAllowed(asked.question, command.value)) return refuse({ code: 'answerNotAllowed', question: asked.id });
  const known = asked.members.map(({ id }) => job.answers[id]).find((answer) => answer !== undefined);
  if (command.seen !== undefined && known !== undefined && command.seen !== known && known !== command.value)
    return refuse({ code: 'answeredMeanwhile', question: asked.question.text, answer: known });
  const answers = Object.entries(answerAll(asked, command.value));
  return done(
    ...answers.map(([question, to]) => ({ type: 'answerChanged' as const, question, from: job.answers[question], to })),
  );
}

function outcome(context: DecideContext, job: JobState, { id, atMs, by, command }: CommandEnvelope): Outcome {
  const { items } = indexOf(context.plan);
  switch (command.type) {
    case 'changeAnswer':
      return changeAnswer(context, job, command);
    case 'countLine':
      return countLine(context, job, command);
    case 'useShopStock':
    case 'scrapPiece': {
      const item = items.get(command.item);
      if (!item) return refuse({ code: 'unknownItem', item: command.item });
      if (!wholeFromZero(command.quantity) || command.quantity === 0)
        return refuse({ code: 'quantityInvalid', quantity: command.quantity });
      if (blank(command.reason)) return refuse({ code: 'reasonMissing' });
      if (command.type === 'useShopStock') {
        return done({ type: 'shopStockUsed', item: command.item, quantity: command.quantity, reason: command.reason });
      }
      const available = piecesOnTray(context.plan, job, item);
      if (command.quantity > available) return refuse({ code: 'pieceShort', item: command.item, available });
      return done({ type: 'pieceScrapped', item: command.item, quantity: command.quantity, reason: command.reason });
    }
    case 'declareSpare':
      if (!items.has(command.item)) return refuse({ code: 'unknownItem', item: command.item });
      if (!wholeFromZero(command.quantity)) return refuse({ code: 'quantityInvalid', quantity: command.quantity });
      return done({ type: 'spareDeclared', item: command.item, quantity: command.quantity });
    case 'startByHand':
      return startByHand(context, job, command.station);
    case 'applyCompound':
      return applyCompound(context, job, command.station, command.cleaned);
    case 'snug':
      return snug(context, job, command, atMs);
    case 'pull':
      return pull(context, job, command, atMs);
    case 'confirmStop': {
      const found = find(context, command.station);
      if (!found) return refuse({ code: 'unknownStation', station: command.station });
      if (!isByHand(found.station.spec)) return refuse({ code: 'needsTorque', station: command.station });
      const { kind } = found.station.spec;
      if (kind === 'missing' && blank(command.reason ?? '')) return refuse({ code: 'reasonMissing' });
      if (stationState(job, command.station).stopConfirmed)
        return refuse({ code: 'stationComplete', station: command.station });
      const blocked = finishingChecks(context, job, found.station, found.group, atMs);
      if (blocked) return refuse(blocked);
      const reason = kind === 'missing' ? { reason: command.reason } : {};
      return done({ type: 'stopConfirmed', station: command.station, ...reason });
    }
    case 'loosen':
      return loosen(context, job, command);
    case 'setLoadState':
      return done({ type: 'loadStateSet', state: command.state, measuredMm: command.measuredMm });
    case 'correctPull':
      return correctPull(context, job, command);
    case 'raiseProblem':
      if (blank(command.text)) return refuse({ code: 'reasonMissing' });
      if (command.station !== undefined && !find(context, command.station))
        return refuse({ code: 'unknownStation', station: command.station });
      return done({ type: 'problemRaised', problem: id, station: command.station, text: command.text });
    case 'clearProblem': {
      const problem = job.problems[command.problem];
      if (!problem || problem.cleared) return refuse({ code: 'unknownProblem', problem: command.problem });
      if (blank(command.how)) return refuse({ code: 'reasonMissing' });
      return done({ type: 'problemCleared', problem: command.problem, how: command.how });
    }
    case 'useCalculation': {
      const { station, tool, summary, link, reason } = command;
      if (station !== undefined && !find(context, station)) return refuse({ code: 'unknownStation', station });
      if (blank(reason)) return refuse({ code: 'reasonMissing' });
      return done({ type: 'calculationUsed', station, tool, summary, link, reason });
    }
    case 'override': {
      if (!find(context, command.station)) return refuse({ code: 'unknownStation', station: command.station });
      if (!OVERRIDABLE.has(command.refusal as RefusalCode))
        return refuse({ code: 'notOverridable', refusal: command.refusal });
      if (blank(command.reason)) return refuse({ code: 'reasonMissing' });
      return done({
        type: 'overrideGranted',
        refusal: command.refusal,
        station: command.station,
        reason: command.reason,
      });
    }
    case 'undo':
      return undo(context, job, by.id);
    case 'answerPrerequisite':
    case 'measure':
    case 'makeChoice':
    case 'doStep':
    case 'openDebt':
    case 'addDebt':
    case 'closeDebt':
    case 'arrangeRefit':
    case 'giveFigure':
    case 'settleConflict':
    case 'splitShared':
    case 'addKit':
    case 'dropKit':
    case 'overrideStep':
      return decideVisit(context, job, { id, by }, command);
    case 'close': {
      if (blank(command.signature)) return refuse({ code: 'signatureMissing' });
      const blocks = closeBlocks(context.plan, job, context.toolsOut);
      if (blocks.length > 0) return refuse({ code: 'closeBlocked', blocks });
      return done({ type: 'jobClosed', signature: command.signature, note: command.note });
    }
    default:
      return unreachable(command);
  }
}

/**
 * Decides a command against a job: either the facts that now hold, or why not.
 *
 * Pure. The time is the command's own, so that the tablet, the server and a replay decide alike; whether that
 * time can be believed is for the caller to check.
 */
export function decide(context: DecideContext, job: JobState, envelope: CommandEnvelope): Decision {
  const { id, atMs, by, command } = envelope;
  if (!mayDo(by.role, command.type))
    return { ok: false, refusal: { code: 'notPermitted', role: by.role, command: command.type } };
  if (job.closed) return { ok: false, refusal: { code: 'jobClosed' } };
  const result = outcome(context, job, envelope);
  if ('refusal' in result) return { ok: false, refusal: result.refusal };
  return { ok: true, events: result.facts.map((fact) => ({ ...fact, commandId: id, atMs, by })) };
}

/** Whether the same person may give the command again with `confirmed`. */
export const mayConfirm = (refusal: Refusal): boolean => CONFIRMABLE.has(refusal.code);
