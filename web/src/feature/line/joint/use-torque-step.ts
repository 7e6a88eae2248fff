import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { parseThread } from '#core/fastener/thread.ts';
import { type JobState, stationState } from '#core/job/job-state.ts';
import { jointNext } from '#core/job/line-next.ts';
import { threadHasSet } from '#core/job/locker-window.ts';
import { type NextStep, pullBand } from '#core/job/next-station.ts';
import { standingPulls } from '#core/job/station-progress.ts';
import type { PlanGroup, PlanStation } from '#core/kit/plan.ts';
import type { LineAct } from '#core/line/line.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import { toBase } from '#core/quantity/unit.ts';
import type { AcceptBand } from '#core/tightening/band.ts';
import { asksOf } from '#core/tightening/kinds.ts';
import { rankWrenches, type WrenchChoice } from '#core/wrench/suitable-wrench.ts';
import { type Reading, useLiveWrench } from '../../../job/live-wrench.ts';
import { type OpenJob, useOpenJob } from '../../../job/use-open-job.ts';
import { serverNowMs } from '../../../shop/clock.ts';
import { useSettings } from '../../../shop/settings.ts';

/** Size the stand-in's joint is modelled on when a stack names no thread, mm. */
const ASSUMED_THREAD_MM = 10;
/** How much further a castle nut is taken towards its next slot in one go, N·m (chosen by us). */
const SLOT_STEP_NM = 3;

export interface TorqueStep extends OpenJob {
  group: PlanGroup;
  stations: readonly PlanStation[];
  step: NextStep;
  station?: PlanStation;
  band?: AcceptBand;
  /** The shop's wrenches for this pull, best first. */
  wrenches: WrenchChoice[];
  wrench?: WrenchChoice;
  chooseWrench: (id: string) => void;
  /** A castle-nut reading that waits for the word on its pin. */
  held?: Reading;
  pinFits: () => void;
  nextSlot: () => void;
  seated: boolean;
  setSeated: (seated: boolean) => void;
  /** Records a reading typed in `unit`. */
  type: (value: number, unit: TorqueUnit, angleDeg?: number) => boolean;
  /** Its locker has set: the second look is at the mark. */
  atMark: boolean;
  /** The one big action; undefined while there is none. */
  act?: () => void;
}

/** Torque the joint holds from its last standing pull, N·m. */
const standingNm = (state: JobState, station: string): number =>
  standingPulls(stationState(state, station)).at(-1)?.torqueNm ?? 0;

/**
 * Everything a joint act shows and does, from the same functions that decide on the server.
 *
 * @param act - starting, beading, snugging or torquing the stations of a group
 */
export function useTorqueStep(act: LineAct): TorqueStep | undefined {
  const job = useOpenJob();
  const { plan, index, state, document, give } = job;
  const { pullSpeedDegPerS, overshootDeg } = useSettings();
  const [chosenWrench, chooseWrench] = useState<string>();
  const [held, setHeld] = useState<Reading>();
  /** On the way to the next slot: the wrench is armed above what the nut holds. */
  const [turningOn, setTurningOn] = useState(false);
  const [seated, setSeated] = useState(false);
  const { connect, disconnect, arm, pull } = useLiveWrench.getState();
  const liveStatus = useLiveWrench((live) => live.status);
  const ends = useLiveWrench((live) => live.ends);
  /** What the wrench was last armed for: the pass of a pull is the one it was begun for, whatever is heard meanwhile. */
  const armedFor = useRef<{ station: string; pass: number }>(undefined);

  const step = useMemo<NextStep>(() => jointNext(plan, state, act), [plan, state, act]);
  const station = 'station' in step ? index.stations.get(step.station) : undefined;
  const own = 'group' in act.action ? act.action.group : undefined;
  const group = index.groups.get(station?.groupId ?? own ?? '');
  const band = useMemo(
    () => (station && step.kind === 'pull' ? pullBand(plan, station, step.pass) : undefined),
    [plan, station, step],
  );
  // Ranked once per target: the clock moving on must not reshuffle the list under a finger.
  const wrenches = useMemo(
    () => (band ? rankWrenches(document.wrenches, band, serverNowMs()) : []),
    [band, document.wrenches],
  );
  const wrench =
    wrenches.find((choice) => choice.wrench.id === chosenWrench && choice.faults.length === 0) ??
    wrenches.find((choice) => choice.faults.length === 0) ??
    wrenches[0];
  const usable = wrench?.faults.length === 0 ? wrench.wrench : undefined;
  const liveId = usable?.live ? usable.id : undefined;

  const record = useCallback(
    (reading: Reading, extra: { pinFits?: boolean } = {}) => {
      if (!liveId) return;
      give({
        type: 'pull',
        station: reading.station,
        // As it was read: rounding is for the eye, and must not carry a pull over its limit.
        torqueNm: reading.torqueNm,
        angleDeg: reading.angleDeg,
        movementDeg: reading.movementDeg,
        gradientShare: reading.gradientShare,
        wrench: liveId,
        source: 'live',
        pass: armedFor.current?.station === reading.station ? armedFor.current.pass : undefined,
        issued: reading.issued,
        seatedAndBackedOff: seated || undefined,
        ...extra,
      });
      setSeated(false);
    },
    [give, liveId, seated],
  );

  const asksPin = station !== undefined && asksOf(station.spec).includes('pinFits');
  const onReading = useCallback(
    (reading: Reading) => {
      // A castle nut is only done when its pin goes through.
      if (asksPin) {
        // Turned on to the next slot, the nut has moved by both pulls: a few degrees alone would look like none.
        setHeld((before) => ({ ...reading, movementDeg: reading.movementDeg + (before?.movementDeg ?? 0) }));
        setTurningOn(false);
      } else record(reading);
    },
    [record, asksPin],
  );

  // The reading handler changes with every station; the line to the wrench stays.
  const newest = useRef(onReading);
  useEffect(() => {
    newest.current = onReading;
  }, [onReading]);
  useEffect(() => {
    if (!liveId) {
      disconnect();
      return undefined;
    }
    connect(liveId, (reading) => newest.current(reading));
    return disconnect;
  }, [liveId, connect, disconnect]);

  const stationId = station?.id;
  // Looked at with each entry: the window closes while nobody presses anything, and the next press finds it closed.
  const atMark =
    station !== undefined &&
    step.kind === 'pull' &&
    group?.passes[step.pass]?.kind === 'verify' &&
    threadHasSet(plan, state, station, serverNowMs());
  const nominalMm = useMemo(() => {
    const threads = (station?.stack ?? []).flatMap((piece) => {
      const read = piece.kind === 'hardware' ? parseThread(index.items.get(piece.item)?.thread ?? '') : undefined;
      return read?.ok ? [read.value.thread.nominalMm] : [];
    });
    return threads[0] ?? ASSUMED_THREAD_MM;
  }, [station, index]);
  const standing = stationId === undefined ? 0 : standingNm(state, stationId);
  const heldNow = held !== undefined;
  // biome-ignore lint/correctness/useExhaustiveDependencies: another station drops what was held
  useEffect(() => {
    setHeld(undefined);
    setTurningOn(false);
  }, [stationId]);
  const pass = step.kind === 'pull' ? step.pass : undefined;
  const targetNm = band?.targetNm;
  const turnDeg = band?.angle?.targetDeg;
  const untilShare = band?.gradient?.maxShare;
  const ceilingNm = band?.gradient && band.absoluteMaximumNm;
  // Plain numbers as triggers: a confirmation from the server renews every object of the job, and arming again
  // would stop a pull under way. `ends` counts pulls, so that one that was refused can be made again.
  // biome-ignore lint/correctness/useExhaustiveDependencies: `ends` is the trigger
  useEffect(() => {
    if (!liveId || targetNm === undefined || stationId === undefined || heldNow || atMark) return;
    if (pass !== undefined) armedFor.current = { station: stationId, pass };
    arm({ station: stationId, targetNm, angleDeg: turnDeg, untilShare, ceilingNm, standingNm: standing, nominalMm });
  }, [
    atMark,
    liveId,
    targetNm,
    turnDeg,
    untilShare,
    ceilingNm,
    stationId,
    pass,
    standing,
    nominalMm,
    ends,
    heldNow,
    arm,
  ]);

  if (!group) return undefined;
  const stations = index.orders.get(group.id)?.listed ?? [];

  const pullNow = () => pull(pullSpeedDegPerS, overshootDeg);
  const big = (): (() => void) | undefined => {
    if (stationId === undefined) return undefined;
    switch (step.kind) {
      case 'start':
        return () => give({ type: 'startByHand', station: stationId });
      case 'compound':
        return () => give({ type: 'applyCompound', station: stationId, cleaned: true });
      case 'snug':
        return () => give({ type: 'snug', station: stationId, tool: 'hand' });
      case 'confirmStop':
        // Without any figure the fitter says how it was judged.
        return station?.spec.kind === 'missing' ? undefined : () => give({ type: 'confirmStop', station: stationId });
      case 'pull':
        if (atMark) return () => give({ type: 'seeMark', station: stationId });
        if (held && !turningOn) return () => pinFits();
        return liveId && liveStatus === 'armed' ? pullNow : undefined;
      default:
        return undefined;
    }
  };
  const pinFits = () => {
    if (held) record(held, { pinFits: true });
    setHeld(undefined);
  };
  const nextSlot = () => {
    if (!held || !station || !band) return;
    const further = Math.min(band.absoluteMaximumNm ?? band.maxNm, held.torqueNm + SLOT_STEP_NM);
    arm({ station: station.id, targetNm: further, standingNm: held.torqueNm, nominalMm });
    setTurningOn(true);
  };

  return {
    ...job,
    group,
    stations,
    step,
    station,
    band,
    wrenches,
    wrench,
    chooseWrench,
    atMark,
    held: turningOn ? undefined : held,
    pinFits,
    nextSlot,
    seated,
    setSeated,
    type: (value, unit, angleDeg) => {
      if (!wrench || stationId === undefined) return false;
      const accepted = give({
        type: 'pull',
        station: stationId,
        torqueNm: toBase(value, unit),
        angleDeg,
        wrench: wrench.wrench.id,
        source: 'typed',
        pass,
        entered: { value, unit },
        pinFits: asksPin || undefined,
        seatedAndBackedOff: seated || undefined,
      });
      if (accepted) setSeated(false);
      return accepted;
    },
    act: big(),
  };
}
