import { ListOrdered } from 'lucide-react';
import { lazy, Suspense, useCallback, useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useSearchParams } from 'react-router';
import { say } from '#contract/wording/say.ts';
import type { LineAct } from '#core/line/line.ts';
import { lineKind } from '#core/line/line-kinds.ts';
import { usePrimaryKey } from '../../app/use-primary-key.ts';
import { useLinePlace } from '../../job/line-place.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { useSettings } from '../../shop/settings.ts';
import { tell } from '../../ui/tell.ts';
import { CurveNotice } from './CurveNotice.tsx';
import { LineNotice, NOTICE_BAR } from './LineNotice.tsx';
import { SinceYouLeft } from './SinceYouLeft.tsx';
import { Tape } from './Tape.tsx';
import { useAwake } from './use-awake.ts';
import { type LineInHand, useLine } from './use-line.ts';

/** A line opens with one of the two; the other comes while the first is read. */
const actScreen = () => import('./ActScreen.tsx').then(({ ActScreen }) => ({ default: ActScreen }));
const jointAct = () => import('./joint/JointAct.tsx').then(({ JointAct }) => ({ default: JointAct }));
const ActScreen = lazy(actScreen);
/** For who has no hand free, and a listening program. */
const HeardStrip = lazy(() => import('./HeardStrip.tsx'));
const JointAct = lazy(jointAct);
/** Reads the plan of the day: fetched for steps that take two. */
const SecondHands = lazy(() => import('./SecondHands.tsx'));

const PlanAhead = lazy(() => import('./PlanAhead.tsx'));

/** How many open steps ahead one that takes two is planned for. */
const AHEAD = 6;
/** Whether a step that takes two comes soon. */
const takesTwoSoon = ({ line: { steps }, progress }: LineInHand): boolean =>
  steps
    .filter(({ id }) => !progress.steps.has(id))
    .slice(0, AHEAD)
    .some(({ step }) => (step.people ?? 1) > 1);

/** The joint group or the act itself: another one starts with a fresh screen. */
const sameScreen = (act: LineAct): string =>
  lineKind(act.action).byStations && 'group' in act.action ? `${act.action.group}` : act.id;

/** A job is one line of work, and the screen is the view of the step that is next. */
export default function Line() {
  const line = useLine();
  const { step, act, pick } = line;
  const [tape, setTape] = useState(false);
  const hears = useSettings((settings) => settings.hears);
  const stand = useLinePlace((place) => place.stand);
  const phase = step?.step.phase;
  useEffect(() => stand(phase), [phase, stand]);
  useHotkeys('t', () => setTape((open) => !open));
  useHotkeys('f', () => useSettings.setState(({ far }) => ({ far: !far })));
  useStretch(line);
  useAwake();
  useEffect(() => {
    void Promise.all([actScreen(), jointAct()]);
  }, []);
  const jump = useCallback(
    (id: string) => {
      setTape(false);
      pick(id);
    },
    [pick],
  );
  return (
    <div className="line-floor flex flex-1 flex-col md:min-h-0">
      <SinceYouLeft line={line} />
      <CurveNotice line={line} />
      {hears && (
        <Suspense fallback={null}>
          <HeardStrip />
        </Suspense>
      )}
      {takesTwoSoon(line) && (
        <Suspense fallback={null}>
          <PlanAhead />
        </Suspense>
      )}
      <button
        type="button"
        className="flex min-h-12 items-center gap-3 border-b border-rule bg-sheet px-4 text-left lg:hidden"
        aria-expanded={tape}
        onClick={() => setTape(!tape)}
      >
        <ListOrdered size={20} aria-hidden="true" />
        <span>
          {step
            ? tell('Step {number} of {count}', {
                number: <b className="figures">{step.number}</b>,
                count: line.line.steps.length,
              })
            : say('The line is done')}
        </span>
        <span className="ml-auto text-ink-2 underline">{tape ? say('Fold the tape') : say('All steps')}</span>
      </button>
      {/* On a tablet upright, and with large letters, panel and picture stand side by side and scroll each by itself. */}
      <div className="hand-row flex flex-1 flex-col md:min-h-0 md:flex-row md:max-lg:h-[calc(100dvh-10.5rem)] md:max-lg:flex-none">
        <div
          className={`${tape ? 'max-h-[60dvh] md:max-h-none md:w-56' : 'hidden'} flex min-h-0 shrink-0 flex-col border-ink lg:flex lg:max-h-none lg:w-56 lg:border-r-2 xl:w-64`}
        >
          <Tape line={line} onPick={jump} />
        </div>
        <Suspense fallback={<div className="flex-1 bg-bench" />}>
          {!act || !step ? (
            <LineDone line={line} />
          ) : (step.step.people ?? 1) > 1 ? (
            <SecondHands key={step.id} line={line} step={step}>
              <Act line={line} act={act} />
            </SecondHands>
          ) : (
            <Act line={line} act={act} />
          )}
        </Suspense>
      </div>
    </div>
  );
}

/** The act that is next: bolts on their picture, all else on its own screen. */
function Act({ line, act }: { line: LineInHand; act: LineAct }) {
  return lineKind(act.action).byStations ? (
    <JointAct key={sameScreen(act)} line={line} act={act} />
  ) : (
    <ActScreen key={sameScreen(act)} line={line} act={act} />
  );
}

/** A stretch tapped on the rule: to its first open step. */
function useStretch({ line, progress, pick }: LineInHand): void {
  const [search, setSearch] = useSearchParams();
  const stretch = search.get('stretch');
  useEffect(() => {
    if (stretch === null) return;
    const here = line.steps.find(({ id, step }) => step.phase === stretch && !progress.steps.has(id));
    if (here) pick(here.id);
    setSearch({}, { replace: true });
  }, [stretch, line, progress, pick, setSearch]);
}

/** Nothing of the line is open: parked, done, or waiting for what stands elsewhere. */
function LineDone({ line }: { line: LineInHand }) {
  const { state, give } = useOpenJob();
  const { parked } = state.visit;
  const left = line.line.steps.length - line.progress.steps.size;
  usePrimaryKey(parked ? () => give({ type: 'resume' }) : undefined);
  return (
    <LineNotice
      line={line}
      bar={
        parked ? (
          <button type="button" className={NOTICE_BAR} onClick={() => give({ type: 'resume' })}>
            {say('Take it up again')}
          </button>
        ) : (
          <Link to="../close-out" className={NOTICE_BAR}>
            {say('To Close out')}
          </Link>
        )
      }
    >
      <h1 className="plate text-5xl">
        {parked ? say('Put aside') : left === 0 ? say('The line is done') : say('Nothing can be done now')}
      </h1>
      <p className="mt-2 max-w-prose text-xl">
        {parked
          ? say('By {name}: {reason}', { name: parked.by.name, reason: parked.reason })
          : left === 0
            ? say('Every step is done or let go by a lead. Count the tray and sign.')
            : say(
                '{left} steps are open, and each waits for something: a count, a choice between two kits, or a lead.',
                { left },
              )}
      </p>
    </LineNotice>
  );
}
