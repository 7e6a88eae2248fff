import { memo, type RefObject, useEffect, useRef } from 'react';
import { NavLink, useLocation } from 'react-router';
import { say } from '#contract/wording/say.ts';
import type { PhaseProgress } from '#core/job/job-progress.ts';
import { PHASES, type Phase } from '#core/kit/phase.ts';
import { FLOOR_PHASES, hasWork } from '../job/floor-phases.ts';
import { useLinePlace } from '../job/line-place.ts';

export interface RulePhase {
  /** The last part of its address. */
  to: string;
  /** A stretch of the line, all of which are one screen. */
  stretch?: Phase;
  title: string;
  done: number;
  of: number;
}

const TICKS = 10;
/** Screens that are part of receiving. */
const RECEIVE_LEAVES = /\/(conflicts|readiness|card)$/;

/** The phases of a job as a steel rule: ticks fill as steps are done, the pointer is where you stand. */
export function PhaseRule({ phases }: { phases: readonly RulePhase[] }) {
  const { pathname } = useLocation();
  const place = useLinePlace((line) => line.phase);
  const standing = useRef<HTMLAnchorElement>(null);
  // On a phone the rule is longer than the screen: the phase you stand in comes into view, once, since it costs a layout.
  // biome-ignore lint/correctness/useExhaustiveDependencies: where one stands is the trigger
  useEffect(() => {
    standing.current?.scrollIntoView?.({ inline: 'center', block: 'nearest' });
  }, [pathname, place]);
  return (
    <nav aria-label={say('Phases of the job')} className="flex h-full min-w-0 flex-1 overflow-x-auto">
      {phases.map((phase) => {
        const screen = pathname.endsWith(`/${phase.to}`) || (phase.to === 'receive' && RECEIVE_LEAVES.test(pathname));
        const here = screen && (phase.stretch === undefined || phase.stretch === place);
        return <Stretch key={phase.stretch ?? phase.to} {...phase} here={here} mark={here ? standing : undefined} />;
      })}
    </nav>
  );
}

/** One phase of the rule. Most of them stand still while one is worked: they are not drawn again. */
const Stretch = memo(function Stretch({
  to,
  stretch,
  title,
  done,
  of,
  here,
  mark,
}: RulePhase & { here: boolean; mark: RefObject<HTMLAnchorElement | null> | undefined }) {
  const share = of === 0 ? 1 : done / of;
  return (
    <NavLink
      to={stretch === undefined ? to : `${to}?stretch=${stretch}`}
      aria-current={here ? 'page' : undefined}
      ref={mark}
      aria-label={say('{title}, {done} of {of} done', { title, done, of })}
      className={`relative flex min-w-fit flex-1 basis-[4.6rem] flex-col justify-between px-1.5 pt-2.5 text-center ${here ? 'text-paint' : share >= 1 ? 'text-on-plate' : 'text-on-plate-2'}`}
    >
      <span className="plate text-[1.2rem] whitespace-nowrap">{title}</span>
      {here && (
        <span
          aria-hidden="true"
          className="absolute bottom-5.5 left-1/2 hidden lg:block h-0 w-0 -translate-x-1/2 border-x-8 border-t-8 border-x-transparent border-t-paint"
        />
      )}
      <Ticks filled={share >= 1 ? TICKS : Math.floor(share * TICKS + (share > 0 ? 0.999 : 0))} />
    </NavLink>
  );
});

/** The ticks of a stretch: those that are filled in paint. */
const Ticks = memo(function Ticks({ filled }: { filled: number }) {
  return (
    <svg viewBox="0 0 100 22" preserveAspectRatio="none" className="h-5.5 w-full" aria-hidden="true">
      {Array.from({ length: TICKS }, (_, tick) => {
        const x = (tick * 100) / TICKS + 0.6;
        const height = tick === 0 ? 22 : tick === TICKS / 2 ? 14 : 8;
        return (
          <line
            key={x}
            x1={x}
            x2={x}
            y1={22}
            y2={22 - height}
            stroke={tick < filled ? '#ffd21f' : '#6d7b85'}
            strokeWidth={tick === 0 ? 2 : 1.3}
            vectorEffect="non-scaling-stroke"
          />
        );
      })}
    </svg>
  );
});

/** The rule's phases from a job's progress; receiving is done by the time a job exists. */
export const rulePhases = (phases: readonly PhaseProgress[]): RulePhase[] => [
  { to: 'receive', title: say('Receive'), done: 1, of: 1 },
  ...phases.filter(hasWork).map(({ phase, done, of }) => {
    const { path, title } = FLOOR_PHASES[phase];
    const stretch = PHASES.find((name) => name === phase);
    return { to: path, title, done, of, ...(stretch ? { stretch } : {}) };
  }),
];
