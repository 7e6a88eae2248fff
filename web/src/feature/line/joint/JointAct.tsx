import { lazy, Suspense, useEffect, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { KIND_WORDS } from '#contract/wording/en/kinds.ts';
import { PATTERN_TEXT } from '#contract/wording/en/terms.ts';
import { say } from '#contract/wording/say.ts';
import { spokenJoint } from '#contract/wording/spoken-text.ts';
import { stageDone } from '#contract/wording/stage-text.ts';
import { wantsRideHeight, wantsTyreHeld } from '#core/job/gate/joint-gate.ts';
import { stationState } from '#core/job/job-state.ts';
import { waitsOfAct } from '#core/job/line-progress.ts';
import { lockerClock } from '#core/job/locker-window.ts';
import { stageOf } from '#core/job/procedure-stage.ts';
import { cautionsAt } from '#core/line/cautions-at.ts';
import type { LineAct } from '#core/line/line.ts';
import { written } from '#core/quantity/display.ts';
import { printedTorqueUnit } from '#core/quantity/parse-printed.ts';
import { usePrimaryKey } from '../../../app/use-primary-key.ts';
import { useScanner } from '../../../app/use-scanner.ts';
import { BoltMap, MapLegend } from '../../../drawing/BoltMap.tsx';
import { Cautions } from '../../../job/Cautions.tsx';
import { useLiveWrench } from '../../../job/live-wrench.ts';
import { useStationMarks } from '../../../job/use-open-job.ts';
import { useSettings } from '../../../shop/settings.ts';
import { ActionBar, Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';
import { FootButton } from '../FootButton.tsx';
import { LineFoot } from '../LineFoot.tsx';
import { StepHead } from '../StepHead.tsx';
import type { LineInHand } from '../use-line.ts';
import { useReadOut } from '../use-read-out.ts';
import { WaitsPanel } from '../WaitsPanel.tsx';
import { Accepted } from './Accepted.tsx';
import { LoadStateBar } from './LoadStateBar.tsx';
import { StartPanel } from './StartPanel.tsx';
import { StationPanel } from './StationPanel.tsx';
import { TyreBar } from './TyreBar.tsx';
import { type TorqueStep, useTorqueStep } from './use-torque-step.ts';

/** What the map calls the station to be worked. */
const CALL: Partial<Record<TorqueStep['step']['kind'], string>> = {
  start: say('Start by hand'),
  compound: say('Bead here'),
  snug: say('Snug here'),
  pull: say('Pull here'),
  confirmStop: say('To its stop'),
  stage: say('Stage here'),
  loosen: say('Loosen this'),
};

/** What the big action says while a bead cannot go on. */
const BEAD_WAITS = { bottle: say('Pick the bottle'), grade: say('Which strength?') } as const;

/** Whether a code is a wrench's serial or the name on its handle; letters and digits count. */
function isCalled(code: string, ...names: Array<string | undefined>): boolean {
  const bare = (text: string) => text.toLowerCase().replace(/[^a-z0-9]/g, '');
  return names.some((name) => name !== undefined && bare(name) === bare(code));
}

/** For who reads it across the bay. */
const FarPanel = lazy(() => import('../FarPanel.tsx').then((m) => ({ default: m.FarPanel })));
/** Few acts have one. */
const SheetFigure = lazy(() => import('../picture/SheetFigure.tsx').then((m) => ({ default: m.SheetFigure })));
/** Drawn when the first bead is on: many groups have none. */
const LockerGlass = lazy(() => import('./LockerGlass.tsx'));
const FigureSheet = lazy(() => import('../owed/FigureSheet.tsx'));
const StationSheet = lazy(() => import('./StationSheet.tsx'));
const LoosenSheet = lazy(() => import('./LoosenSheet.tsx'));
const WrenchSheet = lazy(() => import('./WrenchSheet.tsx'));
const LoadLeftSheet = lazy(() => import('./LoadLeftSheet.tsx'));
const LoadAdvice = lazy(() => import('./LoadAdvice.tsx'));

/** A joint act: one station at a time, in order, by what may do it. */
export function JointAct({ line, act }: { line: LineInHand; act: LineAct }) {
  const torque = useTorqueStep(act);
  if (!torque) return null;
  return <JointScreen line={line} act={act} torque={torque} />;
}

function JointScreen({ line, act, torque }: { line: LineInHand; act: LineAct; torque: TorqueStep }) {
  const { plan, state, group, stations, step, station, act: big, give } = torque;
  const marks = useStationMarks(plan, state, stations);
  const [sheet, setSheet] = useState<'loosen' | 'wrench' | 'byFeel' | 'station' | 'load'>();
  const [picked, setPicked] = useState<string>();
  const close = () => setSheet(undefined);
  const inspected = plan.stations.find((entry) => entry.id === picked) ?? station;
  const refusal = waitsOfAct(plan, state, act);
  const system = useSettings((settings) => settings.system);
  const far = useSettings((settings) => settings.far);
  const unit = (station && printedTorqueUnit(station.printed)) ?? (system === 'metric' ? 'N·m' : 'lbf·ft');
  const nextSaid = refusal ? '' : spokenJoint(step, station, torque.band, unit);
  useReadOut(nextSaid);
  // The next station begins with its figure, however far down the last one was read.
  const panel = useRef<HTMLDivElement>(null);
  const shown = useRef(nextSaid);
  useEffect(() => {
    if (shown.current === nextSaid) return;
    shown.current = nextSaid;
    if (panel.current) panel.current.scrollTop = 0;
  }, [nextSaid]);

  const byFeel = step.kind === 'confirmStop' && station?.spec.kind === 'missing';
  const opens = step.kind === 'loosen' ? 'loosen' : byFeel ? 'byFeel' : undefined;
  usePrimaryKey(refusal ? undefined : (big ?? (opens ? () => setSheet(opens) : undefined)));
  // A wrench's own code takes it in hand; one that may not do this pull shows why.
  useScanner((code) => {
    const scanned = torque.wrenches.find(({ wrench }) => isCalled(code, wrench.serial, wrench.label));
    if (!scanned) return false;
    if (scanned.faults.length > 0) setSheet('wrench');
    else torque.chooseWrench(scanned.wrench.id);
    return true;
  });
  useHotkeys('l', () => setSheet('loosen'), { preventDefault: true });
  useHotkeys('w', () => setSheet('wrench'), { preventDefault: true });

  const place = station ? group.torqueOrder.indexOf(station.id) : -1;
  const way =
    step.kind === 'pull' && station
      ? [group.torqueOrder[place - 1], station.id, group.torqueOrder[place + 1]].filter(
          (id): id is string => id !== undefined,
        )
      : [];
  const rideHeight = station !== undefined && wantsRideHeight(group, station);
  const starting = act.action.type === 'start';
  // Read at the first station; at the others the figure comes first.
  const begun = stations.some(({ id }) => {
    const { stage, pulls } = stationState(state, id);
    if (starting) return stage !== 'empty';
    return act.action.type === 'snug' ? stage === 'snug' : pulls.length > 0;
  });

  const made = stations.flatMap(({ id }) => stationState(state, id).pulls);
  // Bolts that share a plate take load from each other.
  const sharesPlate = stations.length >= 4 && made.length > 0;
  const checkMoved =
    sharesPlate && made.some(({ pass, movementDeg = 0 }) => group.passes[pass]?.kind === 'verify' && movementDeg >= 1);

  return (
    <>
      <main className="flex min-h-64 min-w-0 flex-1 flex-col bg-bench md:min-h-0">
        {rideHeight && !starting && <LoadStateBar torque={torque} />}
        {station && !rideHeight && step.kind === 'pull' && wantsTyreHeld(group, station, step.pass) && (
          <TyreBar torque={torque} />
        )}
        {far && (
          <Suspense fallback={null}>
            <FarPanel plan={plan} state={state} act={act} />
          </Suspense>
        )}
        <div className={`grid-paper relative flex min-h-64 flex-1 flex-col md:min-h-0 ${far ? 'hidden' : ''}`}>
          {act.action.figure !== undefined && (
            <Suspense fallback={null}>
              <SheetFigure plan={plan} act={act} />
            </Suspense>
          )}
          <div className="flex flex-wrap justify-between gap-x-6 px-5 pt-4 short:max-xl:hidden">
            <div>
              <h2 className="plate text-2xl">{group.map.title}</h2>
              <p className="text-sm text-ink-2">{group.map.note}</p>
            </div>
            {!starting && (
              <p className="figures text-sm">
                {tell('{patternText} · load balance {loadImbalance}', {
                  patternText: PATTERN_TEXT[group.torquePattern],
                  loadImbalance: written(group.loadImbalance, 2),
                })}
                {sharesPlate && (
                  <button type="button" className="ml-3 min-h-11 font-sans underline" onClick={() => setSheet('load')}>
                    {say('Load left')}
                  </button>
                )}
              </p>
            )}
          </div>
          {checkMoved && (
            <Suspense fallback={null}>
              <LoadAdvice torque={torque} onShow={() => setSheet('load')} />
            </Suspense>
          )}
          <div className="min-h-56 flex-1 p-2 short:min-h-40 md:min-h-0">
            <BoltMap
              group={group}
              stations={stations}
              marks={marks}
              next={station?.id}
              path={way}
              call={station && CALL[step.kind] ? { title: CALL[step.kind] ?? '' } : undefined}
              onStation={(id) => {
                // Started in any order; what is in is looked at and loosened.
                if (starting && stationState(state, id).stage === 'empty') {
                  give({ type: 'startByHand', station: id });
                  return;
                }
                setPicked(id);
                setSheet('station');
              }}
            />
          </div>
        </div>
        <div className={`hidden px-5 py-2 ${far ? '' : 'xl:block'}`}>
          <MapLegend
            marks={
              starting
                ? ['empty', 'started', 'beaded', 'snug']
                : ['snug', 'partTorque', 'atTorque', 'verified', 'reopened', 'bad']
            }
          />
        </div>
        <LockerClock torque={torque} />
        <LineFoot
          line={line}
          station={station}
          seen={(last) => 'station' in last && group.stations.includes(last.station)}
        >
          <FootButton text={say('Loosen')} hotkey="L" onClick={() => setSheet('loosen')} />
        </LineFoot>
      </main>
      <aside className="order-first flex shrink-0 flex-col border-b-2 border-ink bg-sheet md:order-none md:w-[24rem] lg:w-[430px] md:border-b-0 md:border-l-2 xl:w-[460px]">
        <div ref={panel} className="flex flex-1 flex-col md:min-h-0 md:overflow-y-auto">
          {/* Whoever works by ear is told of each next station without looking for it. */}
          <p className="sr-only" aria-live="polite" data-next-said>
            {nextSaid}
          </p>
          <StepHead line={line} act={act} />
          {refusal ? (
            <div className="flex flex-1 flex-col pt-4">
              <WaitsPanel line={line} refusal={refusal} />
            </div>
          ) : (
            <div className="flex-1 px-5 pt-3 pb-3 md:px-6">
              <Accepted torque={torque} />
              <Cautions cautions={cautionsAt(plan, act)} read={begun} />
              {starting && station ? (
                <StartPanel torque={torque} />
              ) : (
                <StationPanel torque={torque} onWrench={() => setSheet('wrench')} />
              )}
            </div>
          )}
        </div>
        {!refusal && <Action torque={torque} onLoosen={() => setSheet('loosen')} onByFeel={() => setSheet('byFeel')} />}
      </aside>
      {sheet === 'station' && inspected && (
        <Suspense fallback={null}>
          <StationSheet
            station={inspected}
            torque={torque}
            onLoosen={() => setSheet('loosen')}
            onClose={() => {
              close();
              setPicked(undefined);
            }}
          />
        </Suspense>
      )}
      {sheet === 'loosen' && (
        <Suspense fallback={null}>
          <LoosenSheet
            open
            station={step.kind === 'loosen' ? station : inspected}
            onClose={() => {
              close();
              setPicked(undefined);
            }}
            torque={torque}
          />
        </Suspense>
      )}
      {sheet === 'byFeel' && station && (
        <Suspense fallback={null}>
          <FigureSheet
            target={station.id}
            name={`station ${station.label}, ${station.name}`}
            onClose={close}
            onByFeel={(reason) => give({ type: 'confirmStop', station: station.id, reason })}
          />
        </Suspense>
      )}
      {sheet === 'load' && (
        <Suspense fallback={null}>
          <LoadLeftSheet torque={torque} onClose={close} />
        </Suspense>
      )}
      {sheet === 'wrench' && (
        <Suspense fallback={null}>
          <WrenchSheet open onClose={close} torque={torque} />
        </Suspense>
      )}
    </>
  );
}

/** The clock on the group's threads, or that there is none. */
function LockerClock({ torque }: { torque: TorqueStep }) {
  const { plan, state, group, index } = torque;
  const treated = group.stations.some((id) => index.stations.get(id)?.compound !== undefined);
  if (!treated || !lockerClock(plan, state, group.id)) return null;
  return (
    <Suspense fallback={null}>
      <LockerGlass torque={torque} />
    </Suspense>
  );
}

/** The bar at the thumb: what Space does now. */
function Action({ torque, onLoosen, onByFeel }: { torque: TorqueStep; onLoosen: () => void; onByFeel: () => void }) {
  const { step, act, wrench, held, station } = torque;
  const status = useLiveWrench((live) => live.status);
  const clicked = useLiveWrench((live) => live.clicked);
  const fixed = 'thumb-bar';
  switch (step.kind) {
    case 'start':
      return (
        <ActionBar className={fixed} onClick={act} disabled={!act}>
          {!torque.beadHasSet
            ? say('Started, next')
            : act
              ? say('Thread clean, new bead on')
              : BEAD_WAITS[torque.bead.refusal ?? 'bottle']}
        </ActionBar>
      );
    case 'compound':
      return (
        <ActionBar className={fixed} onClick={act} disabled={!act}>
          {!act
            ? BEAD_WAITS[torque.bead.refusal ?? 'bottle']
            : torque.bead.hole
              ? say('Bolt and hole clean, bead on')
              : say('Thread clean, bead on')}
        </ActionBar>
      );
    case 'stage': {
      const stage = stageOf(station, step.stage);
      return (
        <ActionBar className={fixed} onClick={act} disabled={!act}>
          {stage?.do === 'tighten'
            ? say('Pull, then enter it')
            : stage
              ? say('{stageDone}, next', { stageDone: stageDone(stage) })
              : ''}
        </ActionBar>
      );
    }
    case 'snug':
      return (
        <ActionBar className={fixed} onClick={act}>
          {say('Snug, next')}
        </ActionBar>
      );
    case 'confirmStop':
      return (
        <ActionBar className={fixed} onClick={act ?? onByFeel}>
          {station && KIND_WORDS[station.spec.kind].done}
        </ActionBar>
      );
    case 'loosen':
      return (
        <ActionBar className={fixed} onClick={onLoosen}>
          {say('Loosen, then again')}
        </ActionBar>
      );
    case 'pull': {
      if (torque.clash)
        return (
          <ActionBar className={fixed} disabled>
            {say('Which torque holds?')}
          </ActionBar>
        );
      if (torque.atMark)
        return (
          <ActionBar className={fixed} onClick={act}>
            {say('Mark unbroken, next')}
          </ActionBar>
        );
      if (held) {
        return (
          <div className={`grid grid-cols-[1fr_auto] ${fixed}`}>
            <ActionBar className="static!" onClick={act}>
              {torque.pinThrough ? say('A leg over the end') : say('Pin goes through')}
            </ActionBar>
            {torque.pinThrough ? (
              <Button className="min-h-22 border-0!" onClick={() => torque.pinFits('roundNut')}>
                {say('Legs round the nut')}
              </Button>
            ) : (
              <Button className="min-h-22 border-0!" onClick={torque.slotTooFar ? onLoosen : torque.nextSlot}>
                {torque.slotTooFar ? say('Washer or other nut') : say('On to next slot')}
              </Button>
            )}
          </div>
        );
      }
      if (!wrench || wrench.faults.length > 0) {
        return (
          <ActionBar className={fixed} disabled>
            {say('No wrench for this')}
          </ActionBar>
        );
      }
      if (!wrench.wrench.live || torque.through) {
        const { setting, isSet } = torque;
        const figure = setting && `${setting.value} ${setting.unit}`;
        return (
          <ActionBar className={fixed} onClick={act} disabled={!act}>
            {!figure || (isSet && !act)
              ? say('Pull, then enter it')
              : isSet
                ? torque.group?.recheck
                  ? say('Clicked, nothing turned')
                  : say('Clicked at {figure}, next', { figure })
                : say('{label} set to {figure}', { label: wrench.wrench.label, figure })}
          </ActionBar>
        );
      }
      const text =
        status === 'pulling'
          ? clicked
            ? say('Click')
            : say('Pulling')
          : status === 'armed'
            ? say('Pull to click, then next')
            : status === 'lost'
              ? say('Wrench not reachable: type it')
              : say('Reaching the wrench');
      return (
        <ActionBar className={fixed} onClick={act} disabled={!act}>
          {text}
        </ActionBar>
      );
    }
    case 'done':
      return null;
  }
}
