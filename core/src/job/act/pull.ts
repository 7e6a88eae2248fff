import type { StationId } from '../../kit/ids.ts';
import { livesHangOnIt } from '../../kit/lives-hang-on-it.ts';
import type { Plan, PlanGroup, PlanStation } from '../../kit/plan.ts';
import { type TorqueUnit, toBase } from '../../quantity/unit.ts';
import type { AcceptBand } from '../../tightening/band.ts';
import { COMPARISON_SLACK, judgePull, type PullVerdict } from '../../tightening/judge-pull.ts';
import type { Reading } from '../../tightening/kind/reading.ts';
import { peakTorqueNm } from '../../tightening/kinds.ts';
import { passFraction } from '../../tightening/pass-plan.ts';
import { unitSlip } from '../../tightening/unit-slip.ts';
import { type Adapter, settingWithAdapterNm, throughAdapter } from '../../wrench/adapter.ts';
import { wrenchFaults } from '../../wrench/suitable-wrench.ts';
import type { Wrench } from '../../wrench/wrench.ts';
import { basisClash } from '../figure-basis.ts';
import { finishingChecks } from '../gate/joint-gate.ts';
import { firstStanding } from '../gate/overridden.ts';
import { missingAnswer } from '../gate/reading-gate.ts';
import { type Pull, type StationState, stationState } from '../job-state.ts';
import { pullBand } from '../next-station.ts';
import { BEYOND_SCALE, CONVERSION_SHARE, PLAUSIBLE_DEG, PLAUSIBLE_NM, RUN_DOWN_DEG } from '../plausible.ts';
import { dueStage } from '../procedure-stage.ts';
import { curveOf } from '../pull-curve.ts';
import { type PullFacts, pullFacts } from '../pull-facts.ts';
import type { Refusal } from '../refusal.ts';
import { hasTurned, pulledBeside } from '../retorque.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { nextPassIndex, spoilingPull, standingPulls } from '../station-progress.ts';
import { turnedBeforeDeg } from '../strokes.ts';
import { whoseFigure } from '../whose-figure.ts';
import { type Ask, act, done, refuse, setStation, stampOf } from './act.ts';
import { findStation } from './find-station.ts';

/** How far it is turned in all is added up from the strokes on record, never said. */
export interface PullCommand extends Omit<Reading, 'turnedDeg'> {
  type: 'pull';
  station: StationId;
  wrench: string;
  source: 'typed' | 'live';
  /** What was typed, before conversion. */
  entered?: { value: number; unit: TorqueUnit };
  /** The pass it was pulled for, as the device knew it; index into the group's passes. */
  pass?: number;
  /** What the server gave out with a live reading, to show that it did. */
  issued?: string;
  /** Torque over angle over time, packed, as the wrench gave it. */
  trace?: string;
  /** Pulled through a crow-foot or other adapter: the reading on the scale is not the torque at the bolt. */
  through?: Adapter;
  /** Typed readings outside the band are asked about once; this says: it really was so. */
  confirmed?: boolean;
}

export interface PullRecorded extends PullFacts {
  type: 'pullRecorded';
}

/**
 * Two devices that did not hear of each other pulled for the same pass. The bolt was pulled twice, and that is on record;
 * it is not the next pass, which is done on purpose.
 */
export interface PullRepeated {
  type: 'pullRepeated';
  station: StationId;
  pass: number;
  torqueNm: number;
  wrench: string;
}

/** Marks that were looked at before a joint beside them was tightened again: they are looked at once more. */
export interface MarksReopened {
  type: 'marksReopened';
  stations: StationId[];
}

/** Joints that were pulled again before the one beside them turned: their load is another now. */
export interface BesideReopened {
  type: 'besideReopened';
  /** The one that turned. */
  station: StationId;
  stations: StationId[];
}

/** Taken back by the one who made it. */
export interface PullWithdrawn {
  type: 'pullWithdrawn';
  station: StationId;
  pull: string;
}

/** How far a bearing's seat may lie off its figure each way: it is turned while it is seated, and never quite still (chosen by us). */
const SEAT_SHARE = 0.1;

/** A bearing's seat that nobody measured, or not at its figure: ticked it proves nothing. */
function seatOff({ id, spec }: PlanStation, { seatNm }: Reading): Refusal | undefined {
  if (spec.kind !== 'bearing') return undefined;
  const met = seatNm !== undefined && Math.abs(seatNm - spec.seatNm) <= SEAT_SHARE * spec.seatNm + COMPARISON_SLACK;
  return met ? undefined : { code: 'bearingNotSeated', station: id };
}

/** Who tightened a joint whose second look is for somebody else, where that is the same person; undefined otherwise. */
export function ownWork(group: PlanGroup, state: StationState, pass: number, person: string): string | undefined {
  if (group.verifyBy !== 'another' || group.passes[pass]?.kind !== 'verify') return undefined;
  return standingPulls(state).find(({ by, verdict }) => verdict === 'accepted' && by.id === person)?.by.name;
}

/** The final pull of a joint lives hang on, by an apprentice who has yet to practise it, where the house asks for that. */
function yetToPractise(
  { plan, by, unpractised = [] }: Ask,
  station: PlanStation,
  { passes }: PlanGroup,
  pass: number,
): Refusal | undefined {
  const asked = plan.rules.apprenticePulls === 'practised' && by.role === 'apprentice' && unpractised.includes(by.id);
  const planned = passes[pass];
  const final = planned !== undefined && passFraction(planned) === 1;
  return asked && final && livesHangOnIt(station) ? { code: 'practiseFirst', station: station.id } : undefined;
}

/** The torque is right and the angle is not: named as what it is, not as another unit. */
function angleDoubt(
  { id }: PlanStation,
  { torqueNm, angleDeg, turnedDeg = angleDeg }: Reading,
  { angle, minNm, maxNm }: AcceptBand,
  verdict: PullVerdict,
): Refusal | undefined {
  if (!angle || torqueNm < minNm - COMPARISON_SLACK || torqueNm > maxNm + COMPARISON_SLACK) return undefined;
  if (turnedDeg === undefined) return { code: 'angleMissing', station: id, minDeg: angle.minDeg, maxDeg: angle.maxDeg };
  return verdict === 'under'
    ? { code: 'angleShort', station: id, turnedDeg, leftDeg: angle.targetDeg - turnedDeg }
    : { code: 'angleOver', station: id, turnedDeg, maxDeg: angle.maxDeg };
}

/** What to ask about a typed reading that missed its band, before it goes on record. */
function typedDoubt(
  plan: Plan,
  station: PlanStation,
  command: PullCommand & Reading,
  band: AcceptBand,
  verdict: PullVerdict,
): Refusal | undefined {
  if (verdict === 'accepted' || verdict === 'noMovement' || command.source !== 'typed' || command.confirmed)
    return undefined;
  const { minNm, maxNm } = band;
  const angle = angleDoubt(station, command, band, verdict);
  if (angle) return angle;
  const whose = whoseFigure(plan, station, command.torqueNm);
  const slip = command.entered && unitSlip(command.entered.value, command.entered.unit, minNm, maxNm);
  if (slip) return { code: 'likelyUnitSlip', ...slip };
  if (verdict === 'overMaximum')
    return { code: 'overMaximum', torqueNm: command.torqueNm, maximumNm: band.absoluteMaximumNm ?? maxNm, whose };
  return {
    code: 'outsideBand',
    verdict: verdict === 'under' ? 'under' : 'over',
    minNm,
    maxNm: Number.isFinite(maxNm) ? maxNm : undefined,
    whose,
  };
}

/** What cannot be so, whatever the joint: numbers beyond the trade, a conversion that is none, a line that is not there. */
function implausible(command: PullCommand, wrench: Wrench): Refusal | undefined {
  const { torqueNm, angleDeg, movementDeg, entered, source, through } = command;
  const limitNm = Math.min(PLAUSIBLE_NM, wrench.fullScaleNm * BEYOND_SCALE);
  if (!(torqueNm > 0 && torqueNm <= PLAUSIBLE_NM) || (source === 'live' && torqueNm > limitNm))
    return { code: 'implausibleTorque', torqueNm, limitNm: source === 'live' ? limitNm : PLAUSIBLE_NM };
  // Typed, it is a slip; a wrench that counts may have run the bolt down first.
  const limitDeg = source === 'live' ? RUN_DOWN_DEG : PLAUSIBLE_DEG;
  const turned = [angleDeg, movementDeg].find((angle) => angle !== undefined && !(Math.abs(angle) <= limitDeg));
  if (turned !== undefined) return { code: 'implausibleAngle', angleDeg: turned, limitDeg };
  const share = through ? settingWithAdapterNm(1, through) : undefined;
  if (share && !share.ok) return { code: 'adapterImpossible' };
  const typedNm = entered && toBase(entered.value, entered.unit) / (share?.value ?? 1);
  if (typedNm !== undefined && !(Math.abs(typedNm - torqueNm) <= CONVERSION_SHARE * Math.abs(torqueNm)))
    return { code: 'enteredDisagrees', entered: `${entered?.value} ${entered?.unit}`, torqueNm };
  return source === 'live' && !wrench.live ? { code: 'wrenchNotLive', wrench: wrench.label } : undefined;
}

export const pull = act<PullCommand, PullRecorded | PullWithdrawn | PullRepeated | MarksReopened | BesideReopened>({
  may: ON_THE_FLOOR,
  decide(ask, command) {
    const { plan, job, wrenches, atMs } = ask;
    const found = findStation(plan, command.station);
    if (!found) return refuse({ code: 'unknownStation', station: command.station });
    const { station, group } = found;
    const state = stationState(job, station.id);
    if (state.stage === 'empty') return refuse({ code: 'notStarted', station: station.id });
    if (peakTorqueNm(station.spec) === undefined) return refuse({ code: 'noTorqueFigure', station: station.id });
    const spoiled = spoilingPull(state);
    if (spoiled) return refuse({ code: 'mustBeLoosened', station: station.id, verdict: spoiled.verdict });
    const wrench = wrenches.find((entry) => entry.id === command.wrench);
    if (!wrench) return refuse({ code: 'unknownWrench', wrench: command.wrench });
    const impossible = implausible(command, wrench);
    if (impossible) return refuse(impossible);
    const due = nextPassIndex(station, state);
    const repeated = command.pass !== undefined && command.pass !== due ? command.pass : undefined;
    if (repeated !== undefined) {
      const first = standingPulls(state).find((entry) => entry.pass === repeated && entry.verdict === 'accepted');
      const repeatBand = first && pullBand(plan, station, repeated);
      if (!repeatBand) return refuse({ code: 'passNotDue', station: station.id });
      const verdict = judgePull(repeatBand, command, { verifying: true });
      // Too much is too much, whoever pulled before: that goes on below, and spoils the joint.
      if (verdict !== 'over' && verdict !== 'overMaximum')
        return done({
          type: 'pullRepeated',
          station: station.id,
          pass: repeated,
          torqueNm: command.torqueNm,
          wrench: wrench.label,
        });
    }
    const pass = repeated ?? due;
    if (pass === undefined) return refuse({ code: 'stationComplete', station: station.id });
    const stage = dueStage(station, state);
    if (stage !== undefined) return refuse({ code: 'stageDue', station: station.id, stage: stage + 1 });
    const clash = station.aimed === undefined ? basisClash(plan, station) : undefined;
    if (clash) return refuse({ code: 'basisOpen', station: station.id, basis: clash.basis, compound: clash.compound });
    const own = ownWork(group, state, pass, ask.by.id);
    if (own && !stationState(job, station.id).overrides.anotherWanted)
      return refuse({ code: 'anotherWanted', station: station.id, person: own });
    const untried =
      repeated === undefined ? firstStanding(job, station.id, [yetToPractise(ask, station, group, pass)]) : undefined;
    if (untried) return refuse(untried);
    const band = pullBand(plan, station, pass);
    if (!band) return refuse({ code: 'noTorqueFigure', station: station.id });
    // What has been pulled already cannot be held back by an order or a wrench: it is judged as it is.
    const blocked =
      repeated === undefined
        ? (finishingChecks(ask, job, { station, group, atMs }) ??
          firstStanding(job, station.id, wrenchFaults(wrench, throughAdapter(band, command.through), atMs)))
        : undefined;
    if (blocked) return refuse(blocked);
    const verifying = group.passes[pass]?.kind === 'verify';
    const before = turnedBeforeDeg(state, pass, band);
    const reading: PullCommand & Reading =
      before > 0 && command.angleDeg !== undefined ? { ...command, turnedDeg: before + command.angleDeg } : command;
    const verdict = judgePull(band, reading, { verifying });
    const asked =
      missingAnswer(station, group.passes[pass], command, verdict) ??
      seatOff(station, command) ??
      typedDoubt(plan, station, reading, band, verdict);
    if (asked) return refuse(asked);
    const unsaid = command.moved === undefined && command.movementDeg === undefined;
    if (group.recheck && unsaid) return refuse({ code: 'movementNotSaid', station: station.id });
    const { id, label, calibrationDueOn } = wrench;
    const trace = command.source === 'live' ? command.trace : undefined;
    const beside = verifying
      ? []
      : group.stations.filter((other) => stationState(job, other).marks?.some(({ stale }) => !stale));
    const reopened = beside.length > 0 ? [{ type: 'marksReopened' as const, stations: beside }] : [];
    const recorded: PullRecorded = {
      type: 'pullRecorded',
      ...pullFacts({
        ...reading,
        pass,
        wrench: { id, label, calibrationDueOn },
        trace,
        curve: trace === undefined ? undefined : curveOf(plan, station, band, trace),
        verdict,
        targetNm: band.targetNm,
        minNm: band.minNm,
        maxNm: Number.isFinite(band.maxNm) ? band.maxNm : undefined,
      }),
    };
    const turned = group.recheck && verdict === 'accepted' && hasTurned(command);
    const again = turned ? pulledBeside(plan, job, group, station) : [];
    return done<PullRecorded | MarksReopened | BesideReopened>(
      recorded,
      ...reopened,
      ...(again.length > 0 ? [{ type: 'besideReopened' as const, station: station.id, stations: again }] : []),
    );
  },
  undo({ job }, last) {
    if (last.act !== 'pull') return refuse({ code: 'nothingToUndo' });
    const standing = standingPulls(stationState(job, last.station)).at(-1);
    if (standing?.id !== last.pull) return refuse({ code: 'nothingToUndo' });
    return done({ type: 'pullWithdrawn', station: last.station, pull: last.pull });
  },
  fold: {
    pullRecorded(draft, fact) {
      const { commandId, atMs, by } = fact;
      // Not spread: this is the event a long job has most of, and a spread of so many fields is slow.
      const made: Pull = Object.assign(pullFacts(fact), { id: commandId, commandId, atMs, by, corrections: [] });
      setStation(draft, fact.station, (station) => ({ ...station, pulls: [...station.pulls, made] }));
      draft.undoable[fact.by.id] = { act: 'pull', station: fact.station, pull: fact.commandId };
    },
    marksReopened(draft, fact) {
      for (const id of fact.stations)
        setStation(draft, id, (station) => ({
          ...station,
          marks: station.marks?.map((mark) => ({ ...mark, stale: true as const })),
        }));
    },
    besideReopened(draft, fact) {
      for (const id of fact.stations)
        setStation(draft, id, (station) => ({
          ...station,
          pulls: station.pulls.map((entry) =>
            entry.beside === undefined ? { ...entry, beside: fact.station } : entry,
          ),
        }));
    },
    pullRepeated(draft, fact) {
      const { pass, torqueNm, wrench } = fact;
      const made = { pass, torqueNm, wrench, ...stampOf(fact) };
      setStation(draft, fact.station, (station) => ({ ...station, repeats: [...(station.repeats ?? []), made] }));
    },
    pullWithdrawn(draft, fact) {
      const withdrawn = stampOf(fact);
      setStation(draft, fact.station, (station) => ({
        ...station,
        pulls: station.pulls.map((entry) => (entry.id === fact.pull ? { ...entry, withdrawn } : entry)),
      }));
      draft.undoable[fact.by.id] = undefined;
    },
  },
});
