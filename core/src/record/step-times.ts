import type { JobEvent } from '../job/acts.ts';
import { indexOf, type Plan } from '../kit/plan.ts';
import { lineOf } from '../line/line.ts';

/** How long a step of one job took, hands on it. */
export interface StepTime {
  step: string;
  /** As the sheet says, minutes; left out, it says nothing. */
  plannedMin?: number;
  tookMin: number;
  /** Who worked on it most, by id. */
  by?: string;
}

/** Longest between two acts that is still work, minutes: behind it somebody had a break, or the night came (chosen by us). */
const LONGEST_MIN = 30;
/** A step that is planned as longer may take so much of it without an act (chosen by us). */
const LONGEST_SHARE = 2;
const MINUTE_MS = 60_000;

/** The act of a joint a fact of a station belongs to. */
const JOINT_ACT: Readonly<Partial<Record<JobEvent['type'], readonly string[]>>> = {
  stationStarted: ['start'],
  stationSnugged: ['snug'],
  pullRecorded: ['torque', 'verify'],
  pullRepeated: ['torque', 'verify'],
};

/** The step a fact was done for. */
function stepOf(plan: Plan, event: JobEvent): string | undefined {
  const line = lineOf(plan);
  if ('step' in event && typeof event.step === 'string') return line.stepById.get(event.step)?.id;
  if ('act' in event && typeof event.act === 'string') return line.actById.get(event.act)?.step;
  const acts = JOINT_ACT[event.type];
  if (!acts || !('station' in event) || typeof event.station !== 'string') return undefined;
  const group = indexOf(plan).stations.get(event.station)?.groupId;
  return acts.flatMap((act) => line.jointActs.get(`${group} ${act}`) ?? [])[0]?.step;
}

/**
 * What each step took: the time from a person's act before to each of theirs in the step. Breaks and nights are left out,
 * and so is whoever only watched. Two who work on one step add up, as they do on a bill.
 *
 * @param events - of one job, in any order
 * @returns steps in the order of the line, those somebody worked on
 */
export function stepTimes(plan: Plan, events: readonly JobEvent[]): StepTime[] {
  const { steps, stepById } = lineOf(plan);
  const tookMs = new Map<string, number>();
  const byPerson = new Map<string, Map<string, number>>();
  const lastOf = new Map<string, number>();
  for (const event of [...events].sort((a, b) => a.atMs - b.atMs)) {
    const before = lastOf.get(event.by.id);
    lastOf.set(event.by.id, event.atMs);
    const step = stepOf(plan, event);
    if (step === undefined || before === undefined) continue;
    const planned = stepById.get(step)?.step.minutes ?? 0;
    const gap = event.atMs - before;
    if (gap > Math.max(LONGEST_MIN, planned * LONGEST_SHARE) * MINUTE_MS) continue;
    tookMs.set(step, (tookMs.get(step) ?? 0) + gap);
    const own = byPerson.get(step) ?? new Map<string, number>();
    own.set(event.by.id, (own.get(event.by.id) ?? 0) + gap);
    byPerson.set(step, own);
  }
  return steps.flatMap(({ id, step }) => {
    const took = tookMs.get(id);
    if (took === undefined) return [];
    const [most] = [...(byPerson.get(id) ?? [])].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1));
    return [
      {
        step: id,
        ...(step.minutes === undefined ? {} : { plannedMin: step.minutes }),
        tookMin: took / MINUTE_MS,
        ...(most ? { by: most[0] } : {}),
      },
    ];
  });
}

/** How a step went over many jobs. */
export interface StepSpread {
  step: string;
  text: string;
  plannedMin?: number;
  jobs: number;
  /** A quarter of the jobs took less, half of them, three quarters; minutes. */
  quarterMin: number;
  medianMin: number;
  threeQuartersMin: number;
}

/** A quantile between its neighbours, Hyndman and Fan (1996), definition 7. */
function quantile(sorted: readonly number[], share: number): number {
  const at = (sorted.length - 1) * share;
  const low = sorted[Math.floor(at)] ?? 0;
  const high = sorted[Math.ceil(at)] ?? low;
  return low + (at - Math.floor(at)) * (high - low);
}

/**
 * Steps of many jobs put together, those that run over by most first.
 *
 * @param rows - a step of a job each, the newest first: words and plan are the newest job's
 */
export function stepSpreads(rows: ReadonlyArray<StepTime & { text: string }>): StepSpread[] {
  const by = new Map<string, Array<StepTime & { text: string }>>();
  for (const row of rows) {
    const own = by.get(row.step);
    if (own) own.push(row);
    else by.set(row.step, [row]);
  }
  return [...by.values()]
    .flatMap((own): StepSpread[] => {
      const [newest] = own;
      if (!newest) return [];
      const sorted = own.map(({ tookMin }) => tookMin).sort((a, b) => a - b);
      const { step, text, plannedMin } = newest;
      return [
        {
          step,
          text,
          ...(plannedMin === undefined ? {} : { plannedMin }),
          jobs: own.length,
          quarterMin: quantile(sorted, 0.25),
          medianMin: quantile(sorted, 0.5),
          threeQuartersMin: quantile(sorted, 0.75),
        },
      ];
    })
    .sort((a, b) => over(b) - over(a) || b.medianMin - a.medianMin);
}

/** Minutes over what was planned; without a plan it runs over by nothing. */
const over = ({ medianMin, plannedMin }: StepSpread): number => (plannedMin === undefined ? 0 : medianMin - plannedMin);
