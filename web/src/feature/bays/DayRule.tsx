import { useDroppable } from '@dnd-kit/core';
import type { ReactNode, RefObject } from 'react';
import type { JobCard } from '#contract/job.ts';
import { say } from '#contract/wording/say.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { PeopleLane } from '../plan/PeopleLane.tsx';
import type { JobPart } from '../plan/PlannedBar.tsx';
import { PromisePin } from '../plan/PromisePin.tsx';
import type { DayPerson, DayStep } from '../plan/people-lane.ts';
import { DayJob } from './DayJob.tsx';
import { type DayScale, type Extent, inLanes, type Placed, QUARTER_MS } from './day-scale.ts';
import { bayId, TRACK_ID } from './drag-job.ts';

/** Narrowest useful rule; smaller screens scroll sideways. */
const RULE_MIN_PX = 860;
/** Hours that can all be named on the narrowest rule. */
const ROOM_FOR_HOURS = 14;
/** Height of one job's drawing, rem; where there are many bays only its name and its bar. */
const LANE_REM = 5.25;
const COMPACT_REM = 2.9;
const MANY_BAYS = 6;

/** Jobs by bay along the hours of a day, drawn as a rule with a pointer at now. */
export function DayRule({
  jobs,
  bays,
  scale,
  nowMs,
  movable,
  track,
  extentOf,
  partOf,
  people,
}: {
  jobs: readonly JobCard[];
  bays: number;
  scale: DayScale;
  nowMs: number;
  /** Whether this person may move jobs. */
  movable: boolean;
  /** The hours: as wide as the day, so that a hand that moves a job is measured by them. */
  track: RefObject<HTMLElement | null>;
  /** From when to when a job takes its bay, by the plan. */
  extentOf: (job: JobCard) => Extent;
  partOf: (job: string) => JobPart | undefined;
  /** Who works where, by the plan. */
  people?: { list: readonly DayPerson[]; steps: readonly DayStep[] };
}) {
  const { fromMs, toMs, hours, quarters } = scale;
  const percent = (atMs: number) => `${scale.percent(atMs)}%`;
  // With more hours than there is room for their figures, every other one is named.
  const every = hours.length > ROOM_FOR_HOURS ? 2 : 1;
  const last = hours.length - 1;
  const showNow = nowMs >= fromMs && nowMs <= toMs;
  return (
    // The rule stays at the top and the bays at the left, whichever way the day is scrolled.
    <div className="max-h-[80dvh] overflow-auto print:max-h-none print:overflow-visible">
      <div className="relative pb-6" style={{ minWidth: RULE_MIN_PX }}>
        {showNow && (
          <div className="pointer-events-none absolute inset-y-0 right-6 left-28" aria-hidden="true">
            <div
              className="absolute inset-y-0 border-l-2 border-dotted border-ink"
              style={{ left: percent(nowMs), top: 34 }}
            />
          </div>
        )}
        <div className="sticky top-0 z-20 bg-bench pr-6 pl-28">
          <Track track={track}>
            {hours.map((hour, index) => (
              <span key={hour} className="absolute bottom-0" style={{ left: percent(hour) }}>
                <span
                  className={`figures absolute bottom-5 text-sm font-bold ${hour >= toMs ? 'right-1.5' : 'left-1.5'}`}
                >
                  {/* The last is always named, and the one beside it gives way. */}
                  {(index === last || (index % every === 0 && index + 1 < last) || every === 1) &&
                    shopFormat(hour, 'H')}
                </span>
                <span className="absolute bottom-0 h-6 w-0.5 bg-ink" />
              </span>
            ))}
            {quarters.map((quarter) => (
              <span
                key={quarter}
                className={`absolute bottom-0 w-px bg-ink-2 ${quarter % (2 * QUARTER_MS) === 0 ? 'h-3.5' : 'h-2'}`}
                style={{ left: percent(quarter) }}
              />
            ))}
            {showNow && (
              <svg
                aria-hidden="true"
                className="absolute"
                style={{ left: percent(nowMs), top: 14, marginLeft: -11 }}
                width="22"
                height="24"
                viewBox="0 0 22 24"
              >
                <path d="M2 2h18v13l-9 7-9-7z" fill="#ffd21f" stroke="var(--ink)" strokeWidth="2" />
              </svg>
            )}
          </Track>
        </div>
        <ol>
          {Array.from({ length: bays }, (_, index) => index + 1).map((bay) => (
            <BayRow
              key={bay}
              bay={bay}
              placed={inLanes(
                jobs.filter((job) => job.bay === bay),
                scale,
                extentOf,
              )}
              scale={scale}
              movable={movable}
              nowMs={nowMs}
              partOf={partOf}
              compact={bays > MANY_BAYS}
            />
          ))}
        </ol>
        {people && <PeopleLane people={people.list} steps={people.steps} scale={scale} />}
      </div>
    </div>
  );
}

function Track({ track, children }: { track: RefObject<HTMLElement | null>; children: ReactNode }) {
  const { setNodeRef } = useDroppable({ id: TRACK_ID });
  return (
    <div
      ref={(node) => {
        track.current = node;
        setNodeRef(node);
      }}
      className="relative h-16 border-b-2 border-ink"
      aria-hidden="true"
    >
      {children}
    </div>
  );
}

function BayRow({
  bay,
  placed,
  scale,
  movable,
  nowMs,
  partOf,
  compact,
}: {
  bay: number;
  placed: readonly Placed[];
  scale: DayScale;
  movable: boolean;
  nowMs: number;
  partOf: (job: string) => JobPart | undefined;
  compact: boolean;
}) {
  const laneRem = compact ? COMPACT_REM : LANE_REM;
  const { setNodeRef, isOver } = useDroppable({ id: bayId(bay) });
  const lanes = Math.max(1, ...placed.map((entry) => entry.lane + 1));
  return (
    <li
      ref={setNodeRef}
      className={`flex border-b border-rule ${isOver ? 'bg-sheet' : ''}`}
      style={{ minHeight: `${laneRem * lanes + (compact ? 0.35 : 1)}rem` }}
    >
      <div
        className={`sticky left-0 z-10 w-28 shrink-0 px-5 ${compact ? 'pt-1' : 'pt-3'} ${isOver ? 'bg-sheet' : 'bg-bench'}`}
      >
        <span className="sr-only">{say('Bay')} </span>
        <span className={`plate ${compact ? 'text-3xl' : 'text-6xl'}`}>{bay}</span>
      </div>
      <div className="relative mr-6 flex-1">
        {scale.hours.map((hour) => (
          <span
            key={hour}
            aria-hidden="true"
            className="absolute inset-y-0 w-px bg-hair"
            style={{ left: `${scale.percent(hour)}%` }}
          />
        ))}
        {placed.length === 0 && <span className="absolute top-6 left-3 text-sm text-ink-2">{say('free')}</span>}
        {placed.flatMap(({ job }) => {
          const promise = partOf(job.id)?.promise;
          return promise && promise.promisedMs >= scale.fromMs && promise.promisedMs <= scale.toMs
            ? [<PromisePin key={`pin ${job.id}`} promise={promise} left={scale.percent(promise.promisedMs)} />]
            : [];
        })}
        {placed.map(({ job, lane, startMs, lengthMs, nameMs }) => (
          <DayJob
            key={job.id}
            job={job}
            name={scale.percent(nameMs)}
            left={scale.percent(startMs)}
            top={lane * laneRem + (compact ? 0.2 : 0.75)}
            compact={compact}
            width={scale.percent(startMs + lengthMs) - scale.percent(startMs)}
            movable={movable && job.closedAtMs === undefined}
            nowMs={nowMs}
            startMs={startMs}
            lengthMs={lengthMs}
            part={partOf(job.id)}
          />
        ))}
      </div>
    </li>
  );
}
