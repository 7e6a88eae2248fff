import type { JobCard } from '#contract/job.ts';
import { say } from '#contract/wording/say.ts';
import { WRENCH_KIND_TEXT } from '#contract/wording/wrench-text.ts';
import { dayOf } from '#core/wrench/suitable-wrench.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import { shopFormat } from '../../shop/shop-time.ts';

/** Something a person should see to, most pressing first. */
export interface Need {
  key: string;
  /** What stands at the left: a time or a count. */
  mark: string;
  pressing: boolean;
  title: string;
  detail: string;
  to?: string;
  /** Lower comes first. */
  rank: number;
}

const DAY_MS = 86_400_000;
/** A wrench is mentioned this long before its calibration is due. */
const CALIBRATION_NOTICE_DAYS = 14;

const name = (job: JobCard): string =>
  say('{model} {number}, bay {bay}', { model: job.vehicle.model, number: job.number, bay: job.bay });

/** What needs a hand, worked out from the jobs' projections and the wrenches. */
export function needsOf(jobs: readonly JobCard[], wrenches: readonly Wrench[], nowMs: number): Need[] {
  const needs: Need[] = [];
  for (const job of jobs) {
    const to = (phase: string) => `/jobs/${job.id}/${phase}`;
    if (job.broken)
      needs.push({
        key: `${job.id}-broken`,
        mark: '!',
        pressing: true,
        title: say('Record altered'),
        detail: say('{name}. Somebody changed it outside of Wrenchman; a lead looks at it.', { name: name(job) }),
        to: to('record'),
        rank: -1,
      });
    for (const clock of job.progress.lockers) {
      const leftS = Math.max(0, (clock.closesAtMs - nowMs) / 1000);
      const left = `${Math.floor(leftS / 60)}:${String(Math.floor(leftS % 60)).padStart(2, '0')}`;
      needs.push({
        key: `${job.id}-${clock.group}`,
        mark: leftS === 0 ? 'set' : left,
        pressing: leftS < clock.needsS,
        title:
          leftS === 0
            ? say('Locker has begun to set')
            : say('Locker closing on {pullsLeft} {pullsLeft, plural, one {pull} other {pulls}}', {
                pullsLeft: clock.pullsLeft,
              }),
        detail: `${name(job)}.`,
        to: to('torque'),
        rank: leftS,
      });
    }
    for (const label of job.progress.spoiled) {
      needs.push({
        key: `${job.id}-bad-${label}`,
        mark: label,
        pressing: true,
        title: say('Station {label} must be loosened', { label }),
        detail: say('{name}. Its last pull proves nothing.', { name: name(job) }),
        to: to('torque'),
        rank: 1000,
      });
    }
    const conflicts = job.progress.conflicts ?? 0;
    if (conflicts > 0 && !job.closedAtMs) {
      needs.push({
        key: `${job.id}-conflicts`,
        mark: String(conflicts),
        pressing: true,
        title: say('{which} for a lead', {
          which: conflicts === 1 ? say('A conflict waits') : say('{conflicts} conflicts wait', { conflicts }),
        }),
        detail: say('{name}. Two kits are at odds.', { name: name(job) }),
        to: to('conflicts'),
        rank: 1800,
      });
    }
    for (const problem of job.progress.openProblems) {
      needs.push({
        key: `${job.id}-${problem.text}`,
        mark: '!',
        pressing: true,
        title: problem.text,
        detail: `${name(job)}${problem.station ? say(', a station waits') : ''}.`,
        to: to('close-out'),
        rank: 2000,
      });
    }
    if (job.progress.partsHere && !job.closedAtMs)
      needs.push({
        key: `${job.id}-parts`,
        mark: '!',
        pressing: true,
        title: say('What it waited for is here'),
        detail: say('{name} was put aside and can be taken up again.', { name: name(job) }),
        to: to('line'),
        rank: 1700,
      });
    for (const { line, name: item, short, stations, promisedMs } of job.progress.shortLines) {
      const late = promisedMs !== undefined && promisedMs < nowMs;
      needs.push({
        key: `${job.id}-${line}`,
        mark: `${short}`,
        pressing: late,
        title: late
          ? say('{short} of {item} promised and not here', { short, item })
          : say('{short} short of {item}', { short, item }),
        detail: [
          say('{name}, line {line}.', { name: name(job), line }),
          stations > 0 && `${stations} ${stations === 1 ? say('station waits') : say('stations wait')}.`,
          promisedMs !== undefined &&
            say('Ordered, promised for {shopFormat}.', { shopFormat: shopFormat(promisedMs, 'EEE HH:mm') }),
        ]
          .filter(Boolean)
          .join(' '),
        to: to('check-in'),
        rank: 3000,
      });
    }
    const started = job.progress.phases.some((phase) => phase.done > 0);
    if (!started && !job.closedAtMs && job.plannedStartMs < nowMs) {
      const lateMin = Math.round((nowMs - job.plannedStartMs) / 60_000);
      needs.push({
        key: `${job.id}-late`,
        mark: lateMin < 600 ? `${lateMin} min` : `${Math.round(lateMin / 1440)} d`,
        pressing: false,
        title: say('Not started yet'),
        detail: `${name(job)}.`,
        to: to('check-in'),
        rank: 4000,
      });
    }
  }
  for (const wrench of wrenches) {
    if (wrench.locked) {
      needs.push({
        key: `${wrench.id}-locked`,
        mark: 'lock',
        pressing: true,
        title: say('Wrench {label} is out of limits', { label: wrench.label }),
        detail: say('Locked. What it pulled since its last good check is listed in the crib.'),
        to: `/crib?wrench=${wrench.id}`,
        rank: 1500,
      });
      continue;
    }
    const daysLeft = Math.round((Date.parse(wrench.calibrationDueOn) - Date.parse(dayOf(nowMs))) / DAY_MS);
    if (daysLeft > CALIBRATION_NOTICE_DAYS) continue;
    needs.push({
      key: wrench.id,
      mark: daysLeft <= 0 ? 'due' : `${daysLeft} d`,
      pressing: daysLeft <= 0,
      title:
        daysLeft <= 0
          ? say('Wrench {label} out of calibration', { label: wrench.label })
          : say('Wrench {label} due for calibration', { label: wrench.label }),
      detail: `${wrench.squareDrive} ${WRENCH_KIND_TEXT[wrench.kind]}. ${daysLeft <= 0 ? say('No pull is taken from it.') : ''}`,
      to: `/crib?wrench=${wrench.id}`,
      rank: 5000 + daysLeft,
    });
  }
  return needs.sort((a, b) => a.rank - b.rank);
}
