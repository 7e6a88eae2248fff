import { useEffect, useMemo, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { DRILL, FAULT_WORDS, HAND_WORDS, HOLE_WORDS, MODE_WORDS } from '#contract/wording/en/drill.ts';
import { say } from '#contract/wording/say.ts';
import { type DrillRun, faultsOpen } from '#core/drill/drill-run.ts';
import { FAULTS, type FaultKind } from '#core/drill/fault-kind.ts';
import { handOf, holeAt, readAt } from '#core/drill/scene.ts';
import { indexOf } from '#core/kit/plan.ts';
import { useInDrill } from '../job/in-drill.ts';
import { useJobStore } from '../job/job-store.ts';
import { useSession } from '../shop/session.ts';
import { Button } from '../ui/Button.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { BagStrip } from './BagStrip.tsx';
import { useDrill } from './drill-store.ts';
import { HolePicture } from './HoleLook.tsx';
import { PulledCurve } from './PulledCurve.tsx';
import { PRACTICE_JOB } from './practice.ts';
import { nameable, openKindAt, type SceneNow, sceneNow } from './scene-now.ts';

/** What a drill says on the job's screens: what lies there, what the hand feels, and the word that something is wrong. */
export default function DrillBar({ run }: { run: DrillRun }) {
  const screen = useLocation().pathname.split('/').at(-1) ?? '';
  const navigate = useNavigate();
  const person = useSession((state) => state.session?.person.id) ?? '';
  const open = useJobStore((store) => store.open);
  const [asking, setAsking] = useState(false);
  const { call, end, said, quiet } = useDrill();
  const now = useMemo(() => sceneNow(run, person, Date.now()), [run, person]);
  const may = nameable(run, screen, now);
  const away = run.interruptions.at(-1);
  const told = run.drill.mode === 'guided';
  useEffect(() => {
    useInDrill.setState({ on: true, sheetOnly: !told });
    return () => useInDrill.setState({ on: false, sheetOnly: false });
  }, [told]);
  const name = (kind: FaultKind, target: string) => {
    setAsking(false);
    // A slip that was found is put right on the sheet: the job is read anew.
    if (call(kind, target) && FAULTS[kind].room === 'sheet') void open(PRACTICE_JOB);
  };
  return (
    <aside aria-label={DRILL.title} className="border-b-4 border-paint bg-bench px-5 py-2 print:hidden">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <p className="min-w-48 flex-1">
          <b>{run.drill.title}</b>
          <span className="block text-sm text-ink-2">
            {MODE_WORDS[run.drill.mode].name}. {MODE_WORDS[run.drill.mode].what}
          </span>
        </p>
        <div className="flex w-full gap-2 sm:w-auto">
          <Button
            className="min-h-11! flex-1 sm:flex-none"
            disabled={may.length === 0}
            onClick={() => {
              quiet();
              setAsking(true);
            }}
          >
            {DRILL.wrong}
          </Button>
          <Button
            className="min-h-11! flex-1 sm:flex-none"
            onClick={() => {
              end();
              navigate('/drill/verdict');
            }}
          >
            {DRILL.end}
          </Button>
        </div>
      </div>
      {said && (
        <p role="status" className={`mt-2 border-l-4 pl-3 ${said.right ? 'border-ink' : 'border-bad text-bad'}`}>
          {said.right ? (
            <>
              <b>
                {DRILL.right} {FAULT_WORDS[said.kind].name}.
              </b>{' '}
              {FAULT_WORDS[said.kind].remedy}
            </>
          ) : (
            <b>{DRILL.falseAlarm}</b>
          )}
        </p>
      )}
      {away && away.afterEvents === run.events.length && (
        <p role="status" className="mt-2 border-l-4 border-ink pl-3 font-bold">
          {say(DRILL.away, { minutes: away.minutes })}
        </p>
      )}
      <Scene run={run} screen={screen} now={now} />
      <CallSheet run={run} open={asking} onClose={() => setAsking(false)} may={may} name={name} />
    </aside>
  );
}

/** What is to be seen or felt where the learner stands. */
function Scene({ run, screen, now }: { run: DrillRun; screen: string; now: SceneNow }) {
  const faults = useMemo(() => faultsOpen(run), [run]);
  const { station, stage } = now;
  const planned = station === undefined ? undefined : indexOf(run.log.plan).stations.get(station);
  if (screen === 'check-in')
    return (
      <section aria-label={DRILL.bag} className="mt-2">
        <h2 className="text-sm font-bold text-ink-2">{DRILL.bag}</h2>
        <BagStrip run={run} />
      </section>
    );
  if (screen !== 'line' || !station || !planned) return null;
  const told = run.drill.mode === 'guided' ? openKindAt(run, station) : undefined;
  const words =
    told && FAULTS[told].room === (stage === 'start' ? 'hole' : 'pull') ? FAULT_WORDS[told].tellTale : undefined;
  if (stage === 'start') {
    const look = holeAt(station, faults);
    return (
      <section aria-label={DRILL.hole} className="mt-2 flex flex-wrap items-center gap-4">
        <HolePicture
          look={look}
          detail={readAt(run.log.plan, station, look)}
          label={run.drill.mode === 'guided' ? HOLE_WORDS[look] : `${DRILL.hole}, ${planned.name}`}
        />
        <p className="max-w-md">
          <span className="block text-sm font-bold text-ink-2">
            {DRILL.hole}, {planned.name}
          </span>
          {run.drill.mode === 'guided' && (words ?? HOLE_WORDS.sound)}
        </p>
      </section>
    );
  }
  return (
    <section aria-label={DRILL.hand} className="mt-2 flex flex-wrap items-center gap-4">
      <PulledCurve
        plan={run.log.plan}
        station={station}
        faults={faults}
        seed={run.drill.seed}
        label={`${DRILL.hand}, ${planned.name}`}
      />
      <p className="max-w-md">
        <span className="block text-sm font-bold text-ink-2">
          {DRILL.hand}, {planned.name}
        </span>
        {run.drill.mode === 'guided' && (words ?? say('It runs free, then rises evenly to the click.'))}
        <span className="block text-sm text-ink-2">{HAND_WORDS[handOf(run.drill.seed)]}</span>
      </p>
    </section>
  );
}

/** What is wrong, and of what: wrong answers stand among the right ones. */
function CallSheet({
  run,
  open,
  onClose,
  may,
  name,
}: {
  run: DrillRun;
  open: boolean;
  onClose: () => void;
  may: ReadonlyArray<{ kind: FaultKind; target?: string }>;
  name: (kind: FaultKind, target: string) => void;
}) {
  const [item, setItem] = useState<string>();
  const ofItem = may.some(({ target }) => target === undefined);
  const lines = run.log.plan.items.filter(({ source }) => source === 'kit');
  return (
    <Sheet open={open} onClose={onClose} title={DRILL.which}>
      {ofItem && (
        <label className="mb-3 grid gap-1">
          <b>{DRILL.where}</b>
          <select
            className="min-h-12 border-2 border-ink bg-sheet px-3"
            value={item ?? lines[0]?.id ?? ''}
            onChange={(event) => setItem(event.target.value)}
          >
            {lines.map(({ id, line, name: called }) => (
              <option key={id} value={id}>
                {line} {called}
              </option>
            ))}
          </select>
        </label>
      )}
      <ul className="grid gap-2 sm:grid-cols-2">
        {may.map(({ kind, target }) => (
          <li key={kind}>
            <Button className="w-full justify-start!" onClick={() => name(kind, target ?? item ?? lines[0]?.id ?? '')}>
              {FAULT_WORDS[kind].name}
            </Button>
          </li>
        ))}
      </ul>
      <Button className="mt-3 w-full" onClick={onClose}>
        {DRILL.notNow}
      </Button>
    </Sheet>
  );
}
