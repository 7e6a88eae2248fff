import type { StationId } from '../../kit/ids.ts';
import type { TorqueUnit } from '../../quantity/unit.ts';
import type { AcceptBand } from '../../tightening/band.ts';
import { judgePull, type PullVerdict } from '../../tightening/judge-pull.ts';
import type { Reading } from '../../tightening/kind/reading.ts';
import { peakTorqueNm } from '../../tightening/kinds.ts';
import { unitSlip } from '../../tightening/unit-slip.ts';
import { wrenchFaults } from '../../wrench/suitable-wrench.ts';
import { finishingChecks } from '../gate/joint-gate.ts';
import { firstStanding } from '../gate/overridden.ts';
import { missingAnswer } from '../gate/reading-gate.ts';
import { type Pull, stationState } from '../job-state.ts';
import { pullBand } from '../next-station.ts';
import { PLAUSIBLE_NM } from '../plausible.ts';
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
  /** Typed readings outside the band are asked about once; this says: it really was so. */
  confirmed?: boolean;
}

export interface PullRecorded extends PullFacts {
  type: 'pullRecorded';
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

export const pull = act<PullCommand, PullRecorded | PullWithdrawn>({
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
    const pass = nextPassIndex(station, state);
    if (pass === undefined) return refuse({ code: 'stationComplete', station: station.id });
    const band = pullBand(plan, station, pass);
    if (!band) return refuse({ code: 'noTorqueFigure', station: station.id });
    if (!(command.torqueNm > 0 && command.torqueNm <= PLAUSIBLE_NM))
      return refuse({ code: 'implausibleTorque', torqueNm: command.torqueNm, limitNm: PLAUSIBLE_NM });
    const wrench = wrenches.find((entry) => entry.id === command.wrench);
    if (!wrench) return refuse({ code: 'unknownWrench', wrench: command.wrench });
    const blocked =
      finishingChecks(ask, job, { station, group, atMs }) ??
      firstStanding(job, station.id, wrenchFaults(wrench, band, atMs));
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
