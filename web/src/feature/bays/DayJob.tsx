import { useDraggable } from '@dnd-kit/core';
import { GripVertical } from 'lucide-react';
import { Link } from 'react-router';
import type { JobCard } from '#contract/job.ts';
import { minutesText } from '#contract/wording/minutes-text.ts';
import { say } from '#contract/wording/say.ts';
import { FLOOR_PHASES, hasWork, phasePath } from '../../job/floor-phases.ts';
import { shopDayStart, shopFormat } from '../../shop/shop-time.ts';
import { tell } from '../../ui/tell.ts';
import { type JobPart, PlannedBar } from '../plan/PlannedBar.tsx';
import { NAME_SHARE } from './day-scale.ts';

/** The hour, with its day where that is another. */
const readyText = (atMs: number, nowMs: number): string =>
  shopFormat(atMs, shopDayStart(atMs) === shopDayStart(nowMs) ? 'HH:mm' : 'EEE HH:mm');

/**
 * A job as long as it is planned for, a block per phase for how far it has come; what it is called lies above, on paper of
 * its own, so that no line of the rule runs through the words.
 */
export function DayJob({
  job,
  name,
  left,
  top,
  width,
  movable,
  nowMs,
  startMs,
  lengthMs,
  part,
  compact,
}: {
  job: JobCard;
  name: number;
  left: number;
  top: number;
  width: number;
  movable: boolean;
  nowMs: number;
  startMs: number;
  lengthMs: number;
  /** Its part of the plan; left out while there is none. */
  part?: JobPart;
  /** Name and bar only. */
  compact: boolean;
}) {
  const { setNodeRef, setActivatorNodeRef, attributes, listeners, isDragging } = useDraggable({
    id: job.id,
    data: { job },
    disabled: !movable,
  });
  const { progress } = job;
  const stands =
    progress.phase === 'closed' ? say('closed') : say('in {phase}', { phase: FLOOR_PHASES[progress.phase].short });
  const takes =
    part && job.closedAtMs === undefined
      ? say('ready {readyText}', { readyText: readyText(part.readyMs, nowMs) })
      : undefined;
  const under = `${stands} · ${takes ?? say('about {minutesText}', { minutesText: minutesText(job.estimatedMinutes) })} · ${job.kitTitle}`;
  // The link spans bar and name together; each lies at its own place in it.
  const from = Math.min(name, left);
  const to = Math.max(name + NAME_SHARE * 100, left + width);
  const span = to - from;
  const within = (percent: number) => `${((percent - from) / span) * 100}%`;
  return (
    <div
      ref={setNodeRef}
      className={`absolute ${compact ? 'h-11' : 'h-18'} ${isDragging ? 'opacity-50' : ''}`}
      style={{ left: `${from}%`, width: `${span}%`, top: `${top}rem` }}
    >
      {movable && (
        <button
          ref={setActivatorNodeRef}
          type="button"
          {...attributes}
          {...listeners}
          aria-label={say('Move {plate} {model}', { plate: job.vehicle.plate, model: job.vehicle.model })}
          className={`absolute top-0 z-10 flex ${compact ? 'h-7' : 'h-11'} w-9 cursor-grab touch-none items-center justify-center bg-bench text-ink-2 print:hidden`}
          style={{ left: `calc(${within(name)} - 0.25rem)` }}
        >
          <GripVertical aria-hidden size={20} />
        </button>
      )}
      <Link
        to={`/jobs/${job.id}/${phasePath(progress.phase)}`}
        className={`block ${compact ? 'h-11' : 'h-18'}`}
        draggable={false}
      >
        <span
          className={`relative block bg-bench ${movable ? 'pl-9' : 'pl-1'}`}
          style={{ marginLeft: `calc(${within(name)} - 0.25rem)`, width: `${((NAME_SHARE * 100) / span) * 100}%` }}
        >
          <span
            className="plate flex gap-2 text-[1.2rem] leading-6"
            title={`${job.vehicle.plate} · ${job.vehicle.model}`}
          >
            <span className="shrink-0">{job.vehicle.plate} </span>
            <span className="truncate" title={job.vehicle.model}>
              {job.vehicle.model}
            </span>
          </span>
          <span className={compact ? 'sr-only' : 'block truncate text-sm text-ink-2'} title={under}>
            {under}
          </span>
        </span>
        {part && (
          <span className="relative mt-1 block" style={{ marginLeft: within(left), width: `${(width / span) * 100}%` }}>
            <PlannedBar
              part={part}
              percent={(atMs) => Math.max(0, Math.min(100, ((atMs - startMs) / lengthMs) * 100))}
              nowMs={nowMs}
              fromMs={Math.max(startMs, job.plannedStartMs)}
              shown={[startMs, startMs + lengthMs]}
            />
          </span>
        )}
        <span
          hidden={part !== undefined}
          className="relative mt-1 flex h-5 min-w-2 border-2 border-ink bg-sheet"
          style={{ marginLeft: within(left), width: `${(width / span) * 100}%` }}
          aria-hidden="true"
        >
          {progress.phases.filter(hasWork).map((phase) => {
            const done = phase.done >= phase.of;
            const now = progress.phase === phase.phase;
            return (
              <span
                key={phase.phase}
                className={`border-r border-ink last:border-r-0 ${done ? 'bg-plate' : now ? 'bg-paint' : 'bg-sheet'}`}
                // Shares that sum to less than one would leave part of the bar empty.
                style={{ flexGrow: 100 * FLOOR_PHASES[phase.phase].share, flexBasis: 0, minWidth: 0 }}
              />
            );
          })}
        </span>
        <span className="sr-only">{tell(', bay {bay}', { bay: job.bay })}</span>
        {progress.shortLines.length > 0 && (
          <span
            className="absolute right-0 bottom-0 bg-sheet px-1 text-sm font-bold text-bad"
            title={progress.shortLines
              .map((line) => say('{short} short of {line}', { short: line.short, line: line.line }))
              .join(', ')}
          >
            {progress.shortLines[0] &&
              say('{short} short of {line}', {
                short: progress.shortLines[0].short,
                line: progress.shortLines[0].line,
              })}
            {progress.shortLines.length > 1 && say(' and {count} more', { count: progress.shortLines.length - 1 })}
          </span>
        )}
      </Link>
    </div>
  );
}
