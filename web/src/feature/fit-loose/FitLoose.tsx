import { useCallback, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link } from 'react-router';
import { describeDrive } from '#core/fastener/drive.ts';
import { stationState } from '#core/job/job-state.ts';
import { usePrimaryKey } from '../../app/use-primary-key.ts';
import { BoltMap, MapLegend } from '../../drawing/BoltMap.tsx';
import { StackDrawing } from '../../drawing/StackDrawing.tsx';
import { Cautions } from '../../job/Cautions.tsx';
import { GroupStep } from '../../job/GroupStep.tsx';
import { GroupTabs } from '../../job/GroupTabs.tsx';
import { ProblemSheet } from '../../job/ProblemSheet.tsx';
import { useOpenJob, useStationMarks } from '../../job/use-open-job.ts';
import { ActionBar, Button } from '../../ui/Button.tsx';

/** Every fastener of a group is started by hand before any is snugged. */
export default function FitLoose() {
  const { plan, index, state, give } = useOpenJob();
  const marks = useStationMarks(plan, state);
  const [chosenGroup, setChosenGroup] = useState<string>();
  const [problem, setProblem] = useState(false);
  const open = (id: string) =>
    index.groups.get(id)?.startOrder.some((station) => stationState(state, station).stage === 'empty') ?? false;
  const group =
    index.groups.get(chosenGroup ?? '') ?? plan.groups.find((entry) => open(entry.id)) ?? plan.groups.at(-1);
  const stations = useMemo(() => plan.stations.filter((station) => station.groupId === group?.id), [plan, group]);
  const nextId = group?.startOrder.find((id) => stationState(state, id).stage === 'empty');
  const next = nextId === undefined ? undefined : index.stations.get(nextId);
  const started = stations.filter((station) => stationState(state, station.id).stage !== 'empty').length;
  const anyOpen = plan.groups.find((entry) => entry.id !== group?.id && open(entry.id));

  const start = useCallback(
    (id: string) => {
      // A tap on one already in takes nothing back by accident: that is what U is for.
      if (stationState(state, id).stage === 'empty') give({ type: 'startByHand', station: id });
    },
    [state, give],
  );
  const startNext = next ? () => start(next.id) : undefined;
  const nextGroup = () => {
    const place = plan.groups.findIndex((entry) => entry.id === group?.id);
    setChosenGroup(plan.groups[(place + 1) % plan.groups.length]?.id);
  };
  usePrimaryKey(startNext ?? (anyOpen ? () => setChosenGroup(anyOpen.id) : undefined));
  useHotkeys('g', nextGroup, [group, plan]);
  useHotkeys('p', () => setProblem(true), { preventDefault: true });
  useHotkeys('u', () => give({ type: 'undo' }), [give]);
  if (!group) return null;

  return (
    <div className="flex flex-1 flex-col lg:min-h-0 lg:flex-row">
      <main className="flex flex-1 flex-col bg-bench lg:min-h-0">
        <GroupTabs plan={plan} state={state} current={group.id} onChoose={setChosenGroup} />
        <div className="grid-paper relative flex min-h-72 flex-1 flex-col">
          <div className="px-5 pt-4">
            <h1 className="plate text-2xl">{group.map.title}</h1>
            <p className="text-sm text-ink-2">{group.map.note}</p>
            <GroupStep plan={plan} group={group.id} type="start" />
          </div>
          <div className="min-h-64 flex-1 p-2">
            <BoltMap
              group={group}
              stations={stations}
              marks={marks}
              next={next?.id}
              call={next ? { title: 'Start by hand' } : undefined}
              onStation={start}
            />
          </div>
        </div>
        <div className="flex flex-wrap items-center justify-between gap-3 px-5 py-3">
          <MapLegend marks={['empty', 'started', 'snug', 'atTorque']} />
          <p className="figures">
            {started} of {stations.length} started
          </p>
        </div>
      </main>
      <aside className="flex shrink-0 flex-col border-ink bg-sheet lg:w-[440px] lg:border-l-2">
        <div className="flex-1 p-5 lg:min-h-0 lg:overflow-y-auto">
          {next ? (
            <>
              <div className="flex items-baseline justify-between">
                <h2 className="plate text-5xl">Station {next.label}</h2>
                <span className="figures text-ink-2">
                  {started + 1} of {stations.length}
                </span>
              </div>
              <p className="text-lg">{next.name}</p>
              <div className="mt-4 grid grid-cols-[150px_1fr] gap-5">
                <StackDrawing station={next} items={index.items} />
                <ol className="text-[0.95rem]">
                  {next.stack.map((piece, place) => {
                    const item = piece.kind === 'hardware' ? index.items.get(piece.item) : undefined;
                    return (
                      // biome-ignore lint/suspicious/noArrayIndexKey: a stack is its order; the same washer may lie in it twice
                      <li key={place} className="border-b border-hair py-1">
                        {piece.kind === 'clamped' ? (
                          <span className="text-ink-2">{piece.name}</span>
                        ) : (
                          <b>{item?.name ?? piece.item}</b>
                        )}
                        {piece.kind === 'hardware' && piece.facing && (
                          <span className="block text-sm text-ink-2">{piece.facing}</span>
                        )}
                      </li>
                    );
                  })}
                </ol>
              </div>
              <p className="mt-4">
                Fingers only, at least three turns. One that will not start by hand is crossed or dirty.
              </p>
              <p className="text-ink-2">
                {next.drive.kind === 'hand' ? '' : `Leave the ${describeDrive(next.drive)} where it is.`}
              </p>
            </>
          ) : (
            <>
              <h2 className="plate text-4xl">All started</h2>
              <p className="mt-2">
                {anyOpen
                  ? `Every fastener of ${group.title} is in its thread. ${anyOpen.title} still waits.`
                  : 'Every fastener is in its thread. Now they may be drawn down.'}
              </p>
              {!anyOpen && (
                <Link
                  className="mt-4 inline-flex min-h-14 items-center border-2 border-ink bg-paint px-5 font-bold text-on-paint"
                  to="../torque"
                >
                  On to Torque
                </Link>
              )}
            </>
          )}
          <Cautions plan={plan} group={group.id} />
        </div>
        <div className="mb-22 grid grid-cols-2 border-t border-rule lg:mb-0">
          <Button className="min-h-16 border-0!" hotkey="U" onClick={() => give({ type: 'undo' })}>
            Take back
          </Button>
          <Button className="min-h-16 border-0! border-l-2! border-hair!" hotkey="P" onClick={() => setProblem(true)}>
            Problem
          </Button>
        </div>
        {next ? (
          <ActionBar onClick={startNext}>Started, next</ActionBar>
        ) : (
          anyOpen && <ActionBar onClick={() => setChosenGroup(anyOpen.id)}>{`Next: ${anyOpen.title}`}</ActionBar>
        )}
      </aside>
      <ProblemSheet open={problem} onClose={() => setProblem(false)} station={next} />
    </div>
  );
}
