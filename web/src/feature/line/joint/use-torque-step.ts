import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { ToWrench } from '#contract/wrench-stream.ts';
import { parseThread } from '#core/fastener/thread.ts';
import { type BasisClash, basisClash } from '#core/job/figure-basis.ts';
import { type JobState, stationState } from '#core/job/job-state.ts';
import { jointNext } from '#core/job/line-next.ts';
import { threadHasSet } from '#core/job/locker-window.ts';
import { slotOutOfReach } from '#core/job/next-slot.ts';
import { type NextStep, pullBand } from '#core/job/next-station.ts';
import { stageBand, stageOf } from '#core/job/procedure-stage.ts';
import { traceJointOf } from '#core/job/pull-curve.ts';
import { standingPulls } from '#core/job/station-progress.ts';
import { turnedBeforeDeg } from '#core/job/strokes.ts';
import type { Plan, PlanGroup, PlanStation } from '#core/kit/plan.ts';
import type { LineAct } from '#core/line/line.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import { toBase } from '#core/quantity/unit.ts';
import type { AcceptBand } from '#core/tightening/band.ts';
import type { PinWay } from '#core/tightening/kind/reading.ts';
import { asksOf } from '#core/tightening/kinds.ts';
import { passFraction } from '#core/tightening/pass-plan.ts';
import { type Adapter, settingWithAdapterNm, throughAdapter } from '#core/wrench/adapter.ts';
import { type ClickSetting, clickSetting } from '#core/wrench/click-setting.ts';
import { rankWrenches, type WrenchChoice } from '#core/wrench/suitable-wrench.ts';
import { useInDrill } from '../../../job/in-drill.ts';
import { useJobStore } from '../../../job/job-store.ts';
import { type Reading, useLiveWrench } from '../../../job/live-wrench.ts';
import { type OpenJob, useOpenJob } from '../../../job/use-open-job.ts';
import { serverNowMs } from '../../../shop/clock.ts';
import { useSettings } from '../../../shop/settings.ts';
import { type BeadInHand, useBead } from './use-bead.ts';
import { standsAt, useWrenchSetting } from './wrench-setting.ts';

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
  /** The bottle in hand, and what must be settled before a bead goes on. */
  bead: BeadInHand;
  /** The station in hand is not started yet, and the bead on it has begun to set. */
  beadHasSet: boolean;
  /** Its thread is not what the figure counts on, and nobody has said which torque holds. */
  clash?: BasisClash;
  /** What a click wrench is set to for this pull; left out for any other wrench. */
  setting?: ClickSetting;
  /** Whether whoever holds it said that it stands there. */
  isSet: boolean;
  /** Degrees turned towards the angle by the strokes before. */
  turnedDeg: number;
  /** What stands between wrench and bolt. */
  through?: Adapter;
  takeAdapter: (through: Adapter | undefined) => void;
  /** A castle-nut reading that waits for the word on its pin. */
  held?: Held;
  pinFits: (way: PinWay) => void;
  /** The pin is through, and how it was bent is still to be said. */
  pinThrough: boolean;
  nextSlot: () => void;
  /** Its ceiling is nearer than any slot it could be turned to. */
  slotTooFar: boolean;
  /** What the wrench showed while a bearing was seated, N·m. */
  seatNm?: number;
  setSeat: (seatNm: number | undefined) => void;
  /** Records a reading typed in `unit`. */
  type: (
    value: number,
    unit: TorqueUnit,
    said?: { angleDeg?: number; movementDeg?: number; moved?: boolean },
  ) => boolean;
  /** Its locker has set: the second look is at the mark. */
  atMark: boolean;
  /** The one big action; undefined while there is none. */
  act?: () => void;
}

/** A reading of a castle nut, from the wrench or typed, before anybody looked at its pin. */
export type Held = { torqueNm: number } & ({ read: Reading } | { typed: { value: number; unit: TorqueUnit } });

/** How far a live wrench turned the nut that is held; undefined for a typed reading. */
export const turnedBy = (held: Held): number | undefined => ('read' in held ? held.read.movementDeg : undefined);

/** Torque the joint holds from its last standing pull, N·m. */
const standingNm = (state: JobState, station: string): number =>
  standingPulls(stationState(state, station)).at(-1)?.torqueNm ?? 0;

/** What the stand-in is told of a joint, so that it feels like this one. */
function feltJoint(plan: Plan, station: PlanStation, band: AcceptBand): Extract<ToWrench, { type: 'arm' }>['joint'] {
  const joint = traceJointOf(plan, station, band);
  if (!joint || joint.gripMm === undefined || joint.frictionMin === undefined || joint.frictionMax === undefined)
    return undefined;
  const { thread, propertyClass, gripMm, minNm, maxNm, frictionMin, frictionMax } = joint;
  return {
    system: thread.system,
    pitchMm: thread.pitchMm,
    propertyClass,
    gripMm,
    minNm,
    maxNm,
    frictionMin,
    frictionMax,
  };
}

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
  const [held, setHeld] = useState<Held>();
  const [pinThrough, setPinThrough] = useState(false);
  /** On the way to the next slot: the wrench is armed above what the nut holds. */
  const [turningOn, setTurningOn] = useState(false);
  const [seatNm, setSeat] = useState<number>();
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
    () =>
      station && step.kind === 'pull'
        ? pullBand(plan, station, step.pass)
        : station && step.kind === 'stage'
          ? stageBand(station, step.stage)
          : undefined,
    [plan, station, step],
  );
  // Ranked once per target: the clock moving on must not reshuffle the list under a finger.
  const adapter = useWrenchSetting((settings) => settings.adapter);
  // An adapter is put on for the joints of one group, and taken off after them.
  const through = useMemo(() => {
    if (adapter === undefined || adapter.group !== group?.id) return undefined;
    const { group: _, ...lever } = adapter;
    return lever;
  }, [adapter, group?.id]);
  const wrenches = useMemo(
    () => (band ? rankWrenches(document.wrenches, throughAdapter(band, through), serverNowMs()) : []),
    [band, document.wrenches, through],
  );
  const wrench =
    wrenches.find((choice) => choice.wrench.id === chosenWrench && choice.faults.length === 0) ??
    wrenches.find((choice) => choice.faults.length === 0) ??
    wrenches[0];
  const refused = useJobStore((store) => store.refused?.refusal);
  // A bead that went on before its bolt was started, and has begun to set meanwhile: it comes off, and a new one on.
  const beadHasSet =
    station !== undefined &&
    step.kind === 'start' &&
    stationState(state, station.id).bead !== undefined &&
    // What was refused knows better: a drill's clock runs ahead of this one.
    (threadHasSet(plan, state, station, serverNowMs()) ||
      (refused?.code === 'lockerWindowClosed' && refused.station === station.id));
  const bead = useBead(job, step.kind === 'compound' || beadHasSet ? station : undefined);
  const clash = station && step.kind === 'pull' && station.aimed === undefined ? basisClash(plan, station) : undefined;
  const usable = wrench?.faults.length === 0 && !clash ? wrench.wrench : undefined;
  // Behind an adapter a wrench that speaks says its own torque, not the bolt's: what it showed is typed.
  const liveId = usable?.live && !through ? usable.id : undefined;
  // A learner who reads the sheet sets the wrench by it.
  const sheetOnly = useInDrill((drill) => drill.sheetOnly);
  const setting = useMemo(
    () => (usable && band && liveId === undefined && !sheetOnly ? clickSetting(usable, band, through) : undefined),
    [usable, band, liveId, through, sheetOnly],
  );
  const confirmed = useWrenchSetting();
  const isSet = usable !== undefined && setting !== undefined && standsAt(confirmed, usable.id, setting.settingNm);

  const record = useCallback(
    (reading: Reading, extra: { pinFits?: boolean; pinWay?: PinWay } = {}) => {
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
        trace: reading.trace,
        ...(seatNm === undefined ? {} : { seatedAndBackedOff: true, seatNm }),
        ...extra,
      });
      setSeat(undefined);
      useWrenchSetting.getState().pulledWith(liveId);
    },
    [give, liveId, seatNm],
  );

  const inHand = step.kind === 'pull' ? group?.passes[step.pass] : undefined;
  const asksPin = station !== undefined && asksOf(station.spec, inHand && passFraction(inHand)).includes('pinFits');
  const onReading = useCallback(
    (reading: Reading) => {
      // A castle nut is only done when its pin goes through.
      if (asksPin) {
        // Turned on to the next slot, the nut has moved by both pulls: a few degrees alone would look like none.
        setHeld((before) => {
          const moved = before && 'read' in before ? before.read.movementDeg : 0;
          return { torqueNm: reading.torqueNm, read: { ...reading, movementDeg: reading.movementDeg + moved } };
        });
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
    setPinThrough(false);
    setTurningOn(false);
  }, [stationId]);
  const pass = step.kind === 'pull' ? step.pass : undefined;
  const targetNm = band?.targetNm;
  const turned =
    band && station && pass !== undefined ? turnedBeforeDeg(stationState(state, station.id), pass, band) : 0;
  const turnDeg = band?.angle && band.angle.targetDeg - turned;
  const untilShare = band?.gradient?.maxShare;
  const ceilingNm = band?.gradient && band.absoluteMaximumNm;
  /** The joint as the stand-in is to feel it. */
  const felt = useRef<ReturnType<typeof feltJoint>>(undefined);
  felt.current = band && station && step.kind === 'pull' ? feltJoint(plan, station, band) : undefined;
  // Plain numbers as triggers: a confirmation from the server renews every object of the job, and arming again
  // would stop a pull under way. `ends` counts pulls, so that one that was refused can be made again.
  // biome-ignore lint/correctness/useExhaustiveDependencies: `ends` is the trigger
  useEffect(() => {
    if (!liveId || targetNm === undefined || stationId === undefined || heldNow || atMark) return;
    if (pass !== undefined) armedFor.current = { station: stationId, pass };
    arm({
      station: stationId,
      targetNm,
      angleDeg: turnDeg,
      untilShare,
      ceilingNm,
      standingNm: standing,
      nominalMm,
      joint: felt.current,
    });
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

  const pullNow = () => pull({ speedDegPerS: pullSpeedDegPerS, overshootDeg });
  const big = (): (() => void) | undefined => {
    if (stationId === undefined) return undefined;
    const beadOn = () =>
      bead.refusal ? undefined : () => give({ type: 'applyCompound', station: stationId, cleaned: true, ...bead.said });
    switch (step.kind) {
      case 'start':
        if (!beadHasSet) return () => give({ type: 'startByHand', station: stationId });
        return beadOn();
      case 'compound':
        return beadOn();
      case 'stage':
        return stageOf(station, step.stage)?.do === 'tighten'
          ? undefined
          : () => give({ type: 'doStage', station: stationId, stage: step.stage });
      case 'snug':
        return () => give({ type: 'snug', station: stationId, tool: 'hand' });
      case 'confirmStop':
        // Without any figure the fitter says how it was judged.
        return station?.spec.kind === 'missing' ? undefined : () => give({ type: 'confirmStop', station: stationId });
      case 'pull':
        if (clash) return undefined;
        if (atMark) return () => give({ type: 'seeMark', station: stationId });
        if (held && !turningOn) return () => (pinThrough ? pinFits('overEnd') : setPinThrough(true));
        if (liveId) return liveStatus === 'armed' ? pullNow : undefined;
        if (setting && usable && !isSet) return () => useWrenchSetting.getState().set(usable.id, setting.settingNm);
        // One tap a bolt: it clicked at what it is set to. An angle is entered.
        return setting && !band?.angle && !band?.gradient
          ? () => type(setting.value, setting.unit, group?.recheck ? { moved: false } : undefined)
          : undefined;
      default:
        return undefined;
    }
  };
  const pinFits = (pinWay: PinWay) => {
    if (held && 'read' in held) record(held.read, { pinFits: true, pinWay });
    else if (held) typedPull(held.typed.value, held.typed.unit, { pinFits: true, pinWay });
    setPinThrough(false);
    setHeld(undefined);
  };
  const typedPull = (
    value: number,
    unit: TorqueUnit,
    said: { angleDeg?: number; movementDeg?: number; moved?: boolean; pinFits?: boolean; pinWay?: PinWay } = {},
  ): boolean => {
    if (!wrench || stationId === undefined) return false;
    if (step.kind === 'stage')
      return give({
        type: 'doStage',
        station: stationId,
        stage: step.stage,
        torqueNm: toBase(value, unit),
        wrench: wrench.wrench.id,
        entered: { value, unit },
      });
    const share = through ? settingWithAdapterNm(1, through) : undefined;
    const accepted = give({
      type: 'pull',
      station: stationId,
      torqueNm: toBase(value, unit) / (share?.ok ? share.value : 1),
      wrench: wrench.wrench.id,
      source: 'typed',
      pass,
      entered: { value, unit },
      ...(seatNm === undefined ? {} : { seatedAndBackedOff: true, seatNm }),
      ...(through ? { through } : {}),
      ...said,
    });
    if (accepted) {
      setSeat(undefined);
      useWrenchSetting.getState().pulledWith(wrench.wrench.id);
    }
    return accepted;
  };
  const type: TorqueStep['type'] = (value, unit, said) => {
    const torqueNm = toBase(value, unit);
    // Only a nut that came to its window is asked about its pin; what missed it is judged as it is.
    if (asksPin && band && torqueNm >= band.minNm && torqueNm <= band.maxNm && said?.movementDeg === undefined) {
      setHeld({ torqueNm, typed: { value, unit } });
      return true;
    }
    return typedPull(value, unit, said);
  };
  const nextSlot = () => {
    if (!held || !station || !band) return;
    if ('typed' in held) {
      setHeld(undefined);
      return;
    }
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
    pinThrough,
    slotTooFar:
      station !== undefined && held !== undefined && slotOutOfReach(plan, station, held.torqueNm, turnedBy(held)),
    nextSlot,
    seatNm,
    setSeat,
    bead,
    beadHasSet,
    clash,
    setting,
    isSet,
    turnedDeg: turned,
    through,
    takeAdapter: (adapter) => useWrenchSetting.getState().use(adapter && { ...adapter, group: group.id }),
    type,
    act: big(),
  };
}
