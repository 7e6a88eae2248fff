import type { StationId } from '../../kit/ids.ts';
import { type TorqueUnit, toBase } from '../../quantity/unit.ts';
import { around } from '../../tightening/band.ts';
import { judgePull, type PullVerdict } from '../../tightening/judge-pull.ts';
import { unitSlip } from '../../tightening/unit-slip.ts';
import { wrenchFaults } from '../../wrench/suitable-wrench.ts';
import { finishingChecks } from '../gate/joint-gate.ts';
import { firstStanding } from '../gate/overridden.ts';
import { stationState } from '../job-state.ts';
import { CONVERSION_SHARE, PLAUSIBLE_NM } from '../plausible.ts';
import { dueStage } from '../procedure-stage.ts';
import type { Refusal } from '../refusal.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { type Ask, act, done, refuse, setStation, stampOf } from './act.ts';
import { findStation } from './find-station.ts';

/** One stage of a procedure before its last tightening: a pull with what the wrench showed, or what was done by hand. */
export interface DoStage {
  type: 'doStage';
  station: StationId;
  /** Which, from 0: nobody does one that another did meanwhile. */
  stage: number;
  torqueNm?: number;
  wrench?: string;
  entered?: { value: number; unit: TorqueUnit };
  /** A reading outside its band is asked about once; this says: it really was so. */
  confirmed?: boolean;
}

export interface StageDone {
  type: 'stageDone';
  station: StationId;
  stage: number;
  torqueNm?: number;
  /** By its label. */
  wrench?: string;
  entered?: { value: number; unit: TorqueUnit };
  /** Of a tightening. One that went over begins the procedure anew. */
  verdict?: PullVerdict;
}

/** What speaks against a tightening of a stage; undefined where it may stand. */
function stagePull(
  { wrenches, job, atMs }: Ask,
  { station, torqueNm, wrench: id, entered, confirmed }: DoStage,
  targetNm: number,
  toleranceFraction: number | undefined,
): { refusal: Refusal } | { verdict: PullVerdict; wrench: string } {
  if (torqueNm === undefined) return { refusal: { code: 'stageReading', station } };
  if (!(torqueNm > 0 && torqueNm <= PLAUSIBLE_NM))
    return { refusal: { code: 'implausibleTorque', torqueNm, limitNm: PLAUSIBLE_NM } };
  const wrench = wrenches.find((entry) => entry.id === id);
  if (!wrench) return { refusal: { code: 'unknownWrench', wrench: id ?? '' } };
  const typedNm = entered && toBase(entered.value, entered.unit);
  if (typedNm !== undefined && !(Math.abs(typedNm - torqueNm) <= CONVERSION_SHARE * torqueNm))
    return { refusal: { code: 'enteredDisagrees', entered: `${entered?.value} ${entered?.unit}`, torqueNm } };
  const fault = firstStanding(job, station, wrenchFaults(wrench, { targetNm }, atMs));
  if (fault) return { refusal: fault };
  const band = around(targetNm, toleranceFraction);
  const verdict = judgePull(band, { torqueNm });
  const slip = entered && unitSlip(entered.value, entered.unit, band.minNm, band.maxNm);
  if (verdict !== 'accepted' && !confirmed && slip) return { refusal: { code: 'likelyUnitSlip', ...slip } };
  if (verdict !== 'accepted' && !confirmed)
    return {
      refusal: {
        code: 'outsideBand',
        verdict: verdict === 'under' ? 'under' : 'over',
        minNm: band.minNm,
        maxNm: band.maxNm,
      },
    };
  return { verdict, wrench: wrench.label };
}

export const doStage = act<DoStage, StageDone>({
  may: ON_THE_FLOOR,
  decide(ask, command) {
    const { plan, job, atMs } = ask;
    const { station: id, stage, entered } = command;
    const found = findStation(plan, id);
    if (!found) return refuse({ code: 'unknownStation', station: id });
    if (found.station.spec.kind !== 'procedure') return refuse({ code: 'noStages', station: id });
    if (stationState(job, id).stage === 'empty') return refuse({ code: 'notStarted', station: id });
    const due = dueStage(found.station, stationState(job, id));
    if (due === undefined) return refuse({ code: 'stageDone', station: id });
    if (due !== stage) return refuse({ code: 'stageDue', station: id, stage: due + 1 });
    const blocked = finishingChecks(ask, job, { ...found, atMs });
    if (blocked) return refuse(blocked);
    const what = found.station.spec.stages[stage];
    if (what?.do !== 'tighten') return done({ type: 'stageDone', station: id, stage });
    const pulled = stagePull(ask, command, what.torqueNm, what.toleranceFraction);
    if ('refusal' in pulled) return refuse(pulled.refusal);
    return done({ type: 'stageDone', station: id, stage, torqueNm: command.torqueNm, entered, ...pulled });
  },
  fold: {
    stageDone(draft, fact) {
      const { stage, torqueNm, wrench, entered, verdict } = fact;
      const entry = { stage, torqueNm, wrench, entered, verdict, ...stampOf(fact) };
      setStation(draft, fact.station, (station) => ({ ...station, stages: [...(station.stages ?? []), entry] }));
    },
  },
});
