import { lazy, Suspense, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link } from 'react-router';
import { KIND_WORDS } from '#contract/wording/en/kinds.ts';
import { PATTERN_TEXT } from '#contract/wording/en/terms.ts';
import { stationState } from '#core/job/job-state.ts';
import { lockerClock } from '#core/job/locker-window.ts';
import { usePrimaryKey } from '../../app/use-primary-key.ts';
import { BoltMap, MapLegend } from '../../drawing/BoltMap.tsx';
import { GroupTabs } from '../../job/GroupTabs.tsx';
import { useLiveWrench } from '../../job/live-wrench.ts';
import { ProblemSheet } from '../../job/ProblemSheet.tsx';
import { useStationMarks } from '../../job/use-open-job.ts';
import { ActionBar, Button } from '../../ui/Button.tsx';
import { ReasonSheet } from '../../ui/ReasonSheet.tsx';
import { LoadStateBar } from './LoadStateBar.tsx';
import { StationPanel } from './StationPanel.tsx';
import { type TorqueStep, useTorqueStep } from './use-torque-step.ts';

/** What the map calls the station to be worked. */
const CALL: Partial<Record<TorqueStep['step']['kind'], string>> = {
  compound: 'Bead here',
  snug: 'Snug here',
  pull: 'Pull here',
  confirmStop: 'To its stop',
  loosen: 'Loosen this',
};

/** Drawn when the first bead is on: many groups have none. */
const LockerGlass = lazy(() => import('./LockerGlass.tsx'));
const LoosenSheet = lazy(() => import('./LoosenSheet.tsx'));
const WrenchSheet = lazy(() => import('./WrenchSheet.tsx'));

/** A button at the foot of the map. */
const FOOT = 'min-h-22 flex-1 border-0! border-l! border-hair! px-3';

/** Torque: one station at a time, in order, by a wrench that may do it. */
export default function Torque() {
  const torque = useTorqueStep();
  if (!torque) return null;
  return <TorqueScreen torque={torque} />;
}

function TorqueScreen({ torque }: { torque: TorqueStep }) {
  const { plan, state, group, stations, step, station, act, give } = torque;
  const marks = useStationMarks(plan, state);
  const [sheet, setSheet] = useState<'loosen' | 'problem' | 'wrench' | 'byFeel'>();
  const [picked, setPicked] = useState<string>();
  const close = () => setSheet(undefined);
  const inspected = plan.stations.find((entry) => entry.id === picked) ?? station;

  const byFeel = step.kind === 'confirmStop' && station?.spec.kind === 'missing';
  const opens = step.kind === 'loosen' ? 'loosen' : byFeel ? 'byFeel' : undefined;
  usePrimaryKey(act ?? (opens ? () => setSheet(opens) : undefined));
  useHotkeys('l', () => setSheet('loosen'), { preventDefault: true });
  useHotkeys('p', () => setSheet('problem'), { preventDefault: true });
  useHotkeys('w', () => setSheet('wrench'), { preventDefault: true });
  useHotkeys('u', () => give({ type: 'undo' }), [give]);
  useHotkeys(
    'g',
    () => torque.chooseGroup(plan.groups[(plan.groups.indexOf(group) + 1) % plan.groups.length]?.id ?? group.id),
    [group, plan],
  );

  const place = station ? group.torqueOrder.indexOf(station.id) : -1;
  const way =
    step.kind === 'pull' && station
      ? [group.torqueOrder[place - 1], station.id, group.torqueOrder[place + 1]].filter(
          (id): id is string => id !== undefined,
        )
      : [];

  return (
    <div className="flex flex-1 flex-col lg:min-h-0 lg:flex-row">
      <main className="flex flex-1 flex-col bg-bench pb-22 lg:min-h-0 lg:pb-0">
        <GroupTabs plan={plan} state={state} current={group.id} onChoose={torque.chooseGroup} />
        {group.atRideHeight && <LoadStateBar torque={torque} />}
        <div className="grid-paper flex min-h-64 flex-1 flex-col">
          <div className="flex flex-wrap justify-between gap-x-6 px-5 pt-4">
            <div>
              <h1 className="plate text-2xl">{group.map.title}</h1>
              <p className="text-sm text-ink-2">{group.map.note}</p>
            </div>
            <p className="figures text-sm">
              {PATTERN_TEXT[group.torquePattern]} · load balance {group.loadImbalance.toFixed(2)}
            </p>
          </div>
          <div className="min-h-56 flex-1 p-2">
            <BoltMap
              group={group}
              stations={stations}
              marks={marks}
              next={station?.id}
              path={way}
              call={station && CALL[step.kind] ? { title: CALL[step.kind] ?? '' } : undefined}
              onStation={(id) => {
                setPicked(id);
                setSheet('loosen');
              }}
            />
          </div>
        </div>
        <div className="hidden px-5 py-2 md:block">
          <MapLegend marks={['snug', 'atTorque', 'verified', 'reopened', 'bad']} />
        </div>
        <div className="flex flex-wrap border-t border-rule">
          <div className="min-w-60 flex-1">
            <LockerClock torque={torque} />
          </div>
          <div className="flex flex-1 lg:flex-none">
            <Button className={FOOT} hotkey="U" onClick={() => give({ type: 'undo' })}>
              Take back
            </Button>
            <Button className={FOOT} hotkey="L" onClick={() => setSheet('loosen')}>
              Loosen
            </Button>
            <Button className={FOOT} hotkey="P" onClick={() => setSheet('problem')}>
              Problem
            </Button>
          </div>
        </div>
      </main>
      <aside className="order-first flex shrink-0 flex-col border-b-2 border-ink bg-sheet lg:order-none lg:w-[470px] lg:border-b-0 lg:border-l-2">
        <div className="flex-1 px-5 pt-4 pb-3 lg:min-h-0 lg:overflow-y-auto lg:px-6 lg:pt-5">
          <StationPanel torque={torque} onWrench={() => setSheet('wrench')} />
        </div>
        <Action torque={torque} onLoosen={() => setSheet('loosen')} onByFeel={() => setSheet('byFeel')} />
      </aside>
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
      <ReasonSheet
        open={sheet === 'byFeel'}
        onClose={close}
        title={`Station ${station?.label ?? ''}: no figure`}
        label="How was it judged?"
        confirm="On the record"
        usual={['By feel, as the sheet says', 'Figure from the vehicle maker’s manual', 'Same as its like neighbour']}
        onReason={(reason) => {
          if (station) give({ type: 'confirmStop', station: station.id, reason });
          close();
        }}
      />
      <ProblemSheet open={sheet === 'problem'} onClose={close} station={station} />
      {sheet === 'wrench' && (
        <Suspense fallback={null}>
          <WrenchSheet open onClose={close} torque={torque} />
        </Suspense>
      )}
    </div>
  );
}

/** The clock on the group's threads, or that there is none. */
function LockerClock({ torque }: { torque: TorqueStep }) {
  const { plan, state, group, index } = torque;
  const treated = group.stations.some((id) => index.stations.get(id)?.compound !== undefined);
  const still = (
    <p className="flex h-full min-h-14 items-center px-5 text-sm text-ink-2">
      {treated ? 'No locker clock runs.' : 'No locker in this group.'}
    </p>
  );
  if (!treated || !lockerClock(plan, state, group.id)) return still;
  return (
    <Suspense fallback={still}>
      <LockerGlass torque={torque} />
    </Suspense>
  );
}

/** The bar at the thumb: what Space does now. */
function Action({ torque, onLoosen, onByFeel }: { torque: TorqueStep; onLoosen: () => void; onByFeel: () => void }) {
  const { step, act, wrench, held, plan, group, station } = torque;
  const status = useLiveWrench((live) => live.status);
  const clicked = useLiveWrench((live) => live.clicked);
  const fixed = 'thumb-bar';
  switch (step.kind) {
    case 'start':
      return (
        <Link
          to="../fit-loose"
          className={`plate flex min-h-22 items-center bg-paint px-6 text-4xl text-on-paint ${fixed}`}
        >
          Start them by hand first
        </Link>
      );
    case 'compound':
      return (
        <ActionBar className={fixed} onClick={act}>
          Thread clean, bead on
        </ActionBar>
      );
    case 'snug':
      return (
        <ActionBar className={fixed} onClick={act}>
          Snug, next
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
          Loosen, then again
        </ActionBar>
      );
    case 'pull': {
      if (held) {
        return (
          <div className={`grid grid-cols-[1fr_auto] ${fixed}`}>
            <ActionBar className="static!" onClick={act}>
              Pin goes through
            </ActionBar>
            <Button className="min-h-22 border-0!" onClick={torque.nextSlot}>
              On to next slot
            </Button>
          </div>
        );
      }
      if (!wrench || wrench.faults.length > 0) {
        return (
          <ActionBar className={fixed} disabled>
            No wrench for this
          </ActionBar>
        );
      }
      if (!wrench.wrench.live) {
        return (
          <ActionBar className={fixed} disabled>
            Pull, then enter it
          </ActionBar>
        );
      }
      const text =
        status === 'pulling'
          ? clicked
            ? 'Click'
            : 'Pulling'
          : status === 'armed'
            ? 'Pull to click, then next'
            : status === 'lost'
              ? 'Wrench not reachable: type it'
              : 'Reaching the wrench';
      return (
        <ActionBar className={fixed} onClick={act} disabled={!act}>
          {text}
        </ActionBar>
      );
    }
    case 'done': {
      const open = plan.groups.find(
        (entry) =>
          entry.id !== group.id &&
          !torque.state.closed &&
          entry.stations.some((id) => stationState(torque.state, id).stage !== 'snug'),
      );
      if (open) {
        return (
          <ActionBar className={fixed} hotkey="G" onClick={() => torque.chooseGroup(open.id)}>
            {`Next: ${open.title}`}
          </ActionBar>
        );
      }
      return (
        <Link
          to="../close-out"
          className={`plate flex min-h-22 items-center bg-paint px-6 text-4xl text-on-paint ${fixed}`}
        >
          On to Close out
        </Link>
      );
    }
  }
}
