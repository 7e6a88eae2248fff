import type { StationId } from '../../kit/ids.ts';
import { type TorqueUnit, toBase } from '../../quantity/unit.ts';
import type { AcceptBand } from '../../tightening/band.ts';
import { judgePull, type PullVerdict } from '../../tightening/judge-pull.ts';
import type { Reading } from '../../tightening/kind/reading.ts';
import { peakTorqueNm } from '../../tightening/kinds.ts';
import { unitSlip } from '../../tightening/unit-slip.ts';
import { wrenchFaults } from '../../wrench/suitable-wrench.ts';
import type { Wrench } from '../../wrench/wrench.ts';
import { finishingChecks } from '../gate/joint-gate.ts';
import { firstStanding } from '../gate/overridden.ts';
import { missingAnswer } from '../gate/reading-gate.ts';
import { type Pull, stationState } from '../job-state.ts';
import { pullBand } from '../next-station.ts';
import { BEYOND_SCALE, CONVERSION_SHARE, PLAUSIBLE_DEG, PLAUSIBLE_NM } from '../plausible.ts';
import { type PullFacts, pullFacts } from '../pull-facts.ts';
import type { Refusal } from '../refusal.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { nextPassIndex, spoilingPull, standingPulls } from '../station-progress.ts';
import { act, done, refuse, setStation, stampOf } from './act.ts';
import { findStation } from './find-station.ts';

export interface PullCommand extends Reading {
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

/** Taken back by the one who made it. */
export interface PullWithdrawn {
  type: 'pullWithdrawn';
  station: StationId;
  pull: string;
}

/** What to ask about a typed reading that missed its band, before it goes on record. */
function typedDoubt(command: PullCommand, band: AcceptBand, verdict: PullVerdict): Refusal | undefined {
  if (verdict === 'accepted' || command.source !== 'typed' || command.confirmed) return undefined;
  const { minNm, maxNm } = band;
  const slip = command.entered && unitSlip(command.entered.value, command.entered.unit, minNm, maxNm);
  if (slip) return { code: 'likelyUnitSlip', ...slip };
  if (verdict === 'overMaximum')
    return { code: 'overMaximum', torqueNm: command.torqueNm, maximumNm: band.absoluteMaximumNm ?? maxNm };
  return {
    code: 'outsideBand',
    verdict: verdict === 'under' ? 'under' : 'over',
    minNm,
    maxNm: Number.isFinite(maxNm) ? maxNm : undefined,
  };
}

/** What cannot be so, whatever the joint: numbers beyond the trade, a conversion that is none, a line that is not there. */
function implausible(command: PullCommand, wrench: Wrench): Refusal | undefined {
  const { torqueNm, angleDeg, movementDeg, entered, source } = command;
  const limitNm = Math.min(PLAUSIBLE_NM, wrench.fullScaleNm * BEYOND_SCALE);
  if (!(torqueNm > 0 && torqueNm <= PLAUSIBLE_NM) || (source === 'live' && torqueNm > limitNm))
    return { code: 'implausibleTorque', torqueNm, limitNm: source === 'live' ? limitNm : PLAUSIBLE_NM };
  const turned = [angleDeg, movementDeg].find((angle) => angle !== undefined && !(Math.abs(angle) <= PLAUSIBLE_DEG));
  if (turned !== undefined) return { code: 'implausibleAngle', angleDeg: turned, limitDeg: PLAUSIBLE_DEG };
  const typedNm = entered && toBase(entered.value, entered.unit);
  if (typedNm !== undefined && !(Math.abs(typedNm - torqueNm) <= CONVERSION_SHARE * Math.abs(torqueNm)))
    return { code: 'enteredDisagrees', entered: `${entered?.value} ${entered?.unit}`, torqueNm };
  return source === 'live' && !wrench.live ? { code: 'wrenchNotLive', wrench: wrench.label } : undefined;
}

export const pull = act<PullCommand, PullRecorded | PullWithdrawn | PullRepeated>({
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
      const verdict = judgePull(repeatBand, command, { source: command.source, verifying: true });
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
    const band = pullBand(plan, station, pass);
    if (!band) return refuse({ code: 'noTorqueFigure', station: station.id });
    // What has been pulled already cannot be held back by an order or a wrench: it is judged as it is.
    const blocked =
      repeated === undefined
        ? (finishingChecks(ask, job, { station, group, atMs }) ??
          firstStanding(job, station.id, wrenchFaults(wrench, band, atMs)))
        : undefined;
    if (blocked) return refuse(blocked);
    const verifying = group.passes[pass]?.kind === 'verify';
    const verdict = judgePull(band, command, { source: command.source, verifying });
    const asked = missingAnswer(station, command, verdict) ?? typedDoubt(command, band, verdict);
    if (asked) return refuse(asked);
    const { id, label, calibrationDueOn } = wrench;
    return done({
      type: 'pullRecorded',
      ...pullFacts({
        ...command,
        pass,
        wrench: { id, label, calibrationDueOn },
        verdict,
        targetNm: band.targetNm,
        minNm: band.minNm,
        maxNm: Number.isFinite(band.maxNm) ? band.maxNm : undefined,
      }),
    });
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
