import { scaleLinear } from 'd3-scale';
import { format } from 'date-fns';
import { Link } from 'react-router';
import type { JobCard } from '#contract/job.ts';
import { minutesText } from '#contract/wording/minutes-text.ts';
import { FLOOR_PHASES, hasWork, phasePath } from '../../job/floor-phases.ts';

const HOUR_MS = 3_600_000;
const MINUTE_MS = 60_000;
const QUARTER_MS = 15 * MINUTE_MS;
/** The shop's day on the rule; it stretches for jobs before or after. */
const DAY_FROM_H = 8;
const DAY_TO_H = 18;
/** Narrowest useful rule; smaller screens scroll sideways. */
const RULE_MIN_PX = 860;

/** Height of one job's drawing, rem. */
const LANE_REM = 8.5;
/** No job is drawn narrower than this share of the day, so that its words can be read. */
const NARROWEST_SHARE = 0.27;

/** Jobs of one bay side by side in time; one that would lie over another goes into the next lane down. */
function inLanes(
  jobs: readonly JobCard[],
  narrowestMs: number,
): Array<{ job: JobCard; lane: number; lengthMs: number }> {
  const ends: number[] = [];
  return [...jobs]
    .sort((a, b) => a.plannedStartMs - b.plannedStartMs)
    .map((job) => {
      const lengthMs = Math.max(narrowestMs, job.estimatedMinutes * MINUTE_MS);
      const free = ends.findIndex((endMs) => endMs <= job.plannedStartMs);
      const lane = free < 0 ? ends.length : free;
      ends[lane] = job.plannedStartMs + lengthMs;
      return { job, lane, lengthMs };
    });
}

/** Jobs by bay along the hours of a day, drawn as a rule with a pointer at now. */
export function DayRule({
  jobs,
  bays,
  dayMs,
  nowMs,
}: {
  jobs: readonly JobCard[];
  bays: number;
  dayMs: number;
  nowMs: number;
}) {
  const inDay = (job: JobCard) => job.plannedStartMs >= dayMs && job.plannedStartMs < dayMs + 24 * HOUR_MS;
  const today = jobs.filter(inDay);
  const carried = jobs.filter((job) => !inDay(job) && job.plannedStartMs < dayMs);
  // The hour of now is always on today's rule.
  const isToday = nowMs >= dayMs && nowMs < dayMs + 24 * HOUR_MS;
  const hourOf = (atMs: number) => Math.floor(atMs / HOUR_MS) * HOUR_MS;
  const fromMs = Math.min(
    dayMs + DAY_FROM_H * HOUR_MS,
    ...today.map((job) => hourOf(job.plannedStartMs)),
    ...(isToday ? [hourOf(nowMs)] : []),
  );
  const toMs = Math.max(
    dayMs + DAY_TO_H * HOUR_MS,
    ...today.map((job) => job.plannedStartMs + job.estimatedMinutes * MINUTE_MS),
    ...(isToday ? [hourOf(nowMs) + HOUR_MS] : []),
  );
  const scale = scaleLinear().domain([fromMs, toMs]).range([0, 100]);
  const percent = (atMs: number) => `${scale(atMs)}%`;
  const hours = Array.from(
    { length: Math.floor((toMs - fromMs) / HOUR_MS) + 1 },
    (_, index) => fromMs + index * HOUR_MS,
  );
  const quarters = Array.from(
    { length: Math.floor((toMs - fromMs) / QUARTER_MS) },
    (_, index) => fromMs + index * QUARTER_MS,
  ).filter((atMs) => (atMs - fromMs) % HOUR_MS !== 0);
  const showNow = nowMs >= fromMs && nowMs <= toMs;
  return (
    <>
      {carried.length > 0 && (
        <section className="mx-5 mt-3 border-2 border-ink bg-sheet p-3">
          <h2 className="font-bold">Still open from before</h2>
          <ul className="mt-1 flex flex-wrap gap-x-6">
            {carried.map((job) => (
              <li key={job.id}>
                <Link
                  className="inline-flex min-h-11 items-center underline"
                  to={`/jobs/${job.id}/${phasePath(job.progress.phase)}`}
                >
                  {job.vehicle.model} · {job.number}, {job.kitTitle}
                </Link>
              </li>
            ))}
          </ul>
        </section>
      )}
      <div className="overflow-x-auto">
        <div className="relative pb-6" style={{ minWidth: RULE_MIN_PX }}>
          <div className="relative mr-6 ml-28 h-16 border-b-2 border-ink" aria-hidden="true">
            {hours.map((hour) => (
              <span key={hour} className="absolute bottom-0" style={{ left: percent(hour) }}>
                <span className="figures absolute bottom-5 left-1.5 text-sm font-bold">{format(hour, 'H')}</span>
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
          </div>
          <ol>
            {Array.from({ length: bays }, (_, index) => index + 1).map((bay) => {
              const mine = inLanes(
                today.filter((job) => job.bay === bay),
                (toMs - fromMs) * NARROWEST_SHARE,
              );
              const lanes = Math.max(1, ...mine.map((entry) => entry.lane + 1));
              return (
                <li key={bay} className="flex border-b border-rule" style={{ minHeight: `${LANE_REM * lanes + 1}rem` }}>
                  <div className="w-28 shrink-0 px-5 pt-5">
                    <span className="sr-only">Bay </span>
                    <span className="plate text-6xl">{bay}</span>
                  </div>
                  <div className="relative mr-6 flex-1">
                    {hours.map((hour) => (
                      <span
                        key={hour}
                        aria-hidden="true"
                        className="absolute inset-y-0 w-px bg-hair"
                        style={{ left: percent(hour) }}
                      />
                    ))}
                    {mine.length === 0 && <span className="absolute top-12 left-3 text-sm text-ink-2">free</span>}
                    {mine.map(({ job, lane, lengthMs }) => (
                      <Job
                        key={job.id}
                        job={job}
                        left={percent(job.plannedStartMs)}
                        top={lane * LANE_REM + 1}
                        width={scale(job.plannedStartMs + lengthMs) - scale(job.plannedStartMs)}
                      />
                    ))}
                  </div>
                </li>
              );
            })}
          </ol>
          {showNow && (
            <div className="pointer-events-none absolute inset-y-0 right-6 left-28" aria-hidden="true">
              <div
                className="absolute inset-y-0 border-l-2 border-dotted border-ink"
                style={{ left: percent(nowMs), top: 34 }}
              />
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
            </div>
          )}
        </div>
      </div>
    </>
  );
}

/** How far a job has come, as one block per phase. */
function Job({ job, left, top, width }: { job: JobCard; left: string; top: number; width: number }) {
  const { progress } = job;
  return (
    <Link
      to={`/jobs/${job.id}/${phasePath(progress.phase)}`}
      className="absolute block min-h-24"
      style={{ left, width: `${width}%`, top: `${top}rem` }}
    >
      <span className="plate block truncate text-[1.35rem]">
        {job.vehicle.model} · {job.vehicle.plate}
      </span>
      <span className="mb-2 block truncate text-sm text-ink-2">
        {job.kitTitle} · about {minutesText(job.estimatedMinutes)}
      </span>
      <span className="flex h-12 border-2 border-ink">
        {progress.phases.filter(hasWork).map((phase) => {
          const done = phase.done >= phase.of;
          const now = progress.phase === phase.phase;
          return (
            <span
              key={phase.phase}
              className={`plate relative flex items-center overflow-hidden border-r border-ink px-1 text-base last:border-r-0 ${done ? 'bg-plate text-on-plate' : now ? 'bg-paint text-on-paint' : 'bg-sheet'}`}
              // Shares that sum to less than one would leave part of the bar empty.
              style={{ flexGrow: 100 * FLOOR_PHASES[phase.phase].share, flexBasis: 0, minWidth: 0 }}
            >
              {done && <span aria-hidden="true" className="absolute top-0.5 right-0.5 h-1.5 w-4 -rotate-35 bg-paint" />}
              <span className="truncate">{FLOOR_PHASES[phase.phase].short}</span>
            </span>
          );
        })}
      </span>
      <span className="sr-only">
        , bay {job.bay}, {progress.phase === 'closed' ? 'closed' : `in ${FLOOR_PHASES[progress.phase].short}`}
      </span>
      {progress.shortLines.length > 0 && (
        <span className="mt-1 block text-sm text-bad">
          {progress.shortLines.map((line) => `${line.short} short of ${line.line}`).join(', ')}
        </span>
      )}
    </Link>
  );
}
