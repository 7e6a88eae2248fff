import { type DayPlan, type Effort, type PlannedStep, planDay } from './day-plan.ts';
import type { DayInput, DayJob } from './day-problem.ts';
import type { StepWork } from './day-work.ts';

const MINUTE_MS = 60_000;

/** Something that fits into a wait. */
export interface Useful {
  job: string;
  step: StepWork;
  /** In the job that waits, in another in the same bay, or elsewhere. */
  where: 'here' | 'elsewhere';
  minutes: number;
  /** Who helps, where it takes two. */
  helper?: string;
}

/** What the plan has a person work on, or help with, at a moment. */
export const atWork = ({ steps }: Pick<DayPlan, 'steps'>, person: string, atMs: number): PlannedStep | undefined =>
  steps.find(({ people, startMs, endMs }) => people.includes(person) && startMs <= atMs && atMs < endMs);

/**
 * What fits into a wait for a person: steps that nothing keeps, that are in nobody's hand, and that end before the plan
 * wants the person again. What takes two is offered only while somebody else is free.
 */
export function usefulNow(
  input: DayInput,
  plan: DayPlan,
  person: string,
  nowMs: number,
): { untilMs?: number; list: Useful[] } {
  const mine = plan.steps.filter(({ people }) => people.includes(person));
  if (atWork(plan, person, nowMs)) return { list: [] };
  const next = mine.filter(({ startMs }) => startMs > nowMs).toSorted((a, b) => a.startMs - b.startMs)[0];
  const roomMin = next ? (next.startMs - nowMs) / MINUTE_MS : Number.POSITIVE_INFINITY;
  const free = input.people.find(({ id }) => id !== person && !atWork(plan, id, nowMs))?.id;
  const own = new Set(mine.map(({ job }) => job));
  const list = input.jobs
    .flatMap((job) =>
      job.work.steps
        .filter((step) => step.free && step.begun === undefined && step.leftMin <= roomMin)
        .filter((step) => step.people === 1 || (step.people === 2 && free !== undefined))
        .filter((step) => job.begun || own.has(job.id) || job.fromMs <= nowMs || step.phase === 'prepare')
        .map(
          (step): Useful => ({
            job: job.id,
            step,
            where: own.has(job.id) ? 'here' : 'elsewhere',
            minutes: step.leftMin,
            ...(step.people > 1 && free !== undefined ? { helper: free } : {}),
          }),
        ),
    )
    .toSorted((a, b) => Number(a.where === 'elsewhere') - Number(b.where === 'elsewhere') || b.minutes - a.minutes);
  return { ...(next ? { untilMs: next.startMs } : {}), list };
}

/**
 * Who has a hand free beside a person: somebody now, apprentices before those who work alone; else the first who will have,
 * and when. Nothing where nobody else is there at all.
 */
export function secondHand(
  { people }: Pick<DayInput, 'people'>,
  { steps }: Pick<DayPlan, 'steps'>,
  person: string,
  nowMs: number,
): { who: string; fromMs: number } | undefined {
  return people
    .filter(({ id }) => id !== person)
    .map(({ id, leads }) => {
      let fromMs = nowMs;
      // A step the two have together keeps nobody from it.
      const without = steps.filter((one) => one.people.includes(id) && !one.people.includes(person));
      for (const step of without.toSorted((a, b) => a.startMs - b.startMs))
        if (step.startMs <= fromMs && fromMs < step.endMs) fromMs = step.endMs;
      return { who: id, fromMs, leads };
    })
    .toSorted((a, b) => a.fromMs - b.fromMs || Number(a.leads) - Number(b.leads) || (a.who < b.who ? -1 : 1))
    .map(({ who, fromMs }) => ({ who, fromMs }))[0];
}

/** Somebody is wanted beside the fitter. */
export interface HelperCall {
  step: PlannedStep;
  /** Who is asked; undefined where nobody is free. */
  helper?: string;
  missing: number;
}

/** When who is wanted to hold, in the order of the day. */
export const helperCalls = ({ steps }: DayPlan): HelperCall[] =>
  steps
    .filter(({ step }) => step.people > 1)
    .map((step) => ({
      step,
      ...(step.people[1] === undefined ? {} : { helper: step.people[1] }),
      missing: step.missingHands,
    }));

/** A change to the day that can be tried. */
export type DayChange =
  | { kind: 'swap'; first: string; second: string }
  | { kind: 'bay'; job: string; bay: number }
  | { kind: 'fitter'; job: string; person: string }
  | { kind: 'without'; person: string }
  | { kind: 'temperature'; tempC: number }
  | { kind: 'comes'; job: string; atMs: number };

/** The day with a change. */
export function changed(input: DayInput, change: DayChange): DayInput {
  const jobs = (one: (job: DayJob) => DayJob): DayInput => ({ ...input, jobs: input.jobs.map(one) });
  switch (change.kind) {
    case 'swap': {
      const [a, b] = [change.first, change.second].map((id) => input.jobs.find((job) => job.id === id));
      if (!a || !b) return input;
      return jobs((job) =>
        job.id === a.id ? { ...job, fromMs: b.fromMs + 1 } : job.id === b.id ? { ...job, fromMs: a.fromMs } : job,
      );
    }
    case 'bay':
      return jobs((job) => (job.id === change.job ? { ...job, bay: change.bay } : job));
    case 'fitter':
      return jobs((job) => (job.id === change.job ? { ...job, fitters: [change.person] } : job));
    case 'without':
      return { ...input, people: input.people.filter(({ id }) => id !== change.person) };
    case 'temperature':
      return { ...input, tempC: change.tempC };
    case 'comes':
      return jobs((job) => (job.id === change.job ? { ...job, fromMs: change.atMs } : job));
  }
}

/** Minutes by which promises are missed, and what the day takes; the first counts. */
export interface Worth {
  lateMin: number;
  endMs: number;
}
export const worthOf = (plan: DayPlan): Worth => ({
  lateMin: plan.jobs.reduce(
    (sum, { readyMs, promise }) => sum + Math.max(0, promise ? (readyMs - promise.promisedMs) / MINUTE_MS : 0),
    0,
  ),
  endMs: plan.endMs,
});

/** A change that would save something. */
export interface Proposal {
  change: DayChange;
  /** Minutes of promises missed that it saves. */
  savesLateMin: number;
  /** Minutes by which the day ends sooner. */
  savesMin: number;
}

/** Less than this is not worth a word, minutes (chosen by us). */
const WORTH_SAYING_MIN = 10;
/** Changes that are tried: more would be looked for longer than anybody waits. */
const MOST_TRIED = 60;

/**
 * The change that saves most: two jobs of a bay the other way round, a job in a bay that is free, another fitter. What has
 * begun stays where and with whom it is.
 */
export function bestChange(input: DayInput, plan: DayPlan, bays: number, effort: Effort): Proposal | undefined {
  const waiting = input.jobs.filter(({ begun }) => !begun);
  const changes: DayChange[] = [];
  waiting.forEach((job, at) => {
    for (const other of waiting.slice(at + 1))
      if (other.bay !== undefined && other.bay === job.bay)
        changes.push({ kind: 'swap', first: job.id, second: other.id });
    const taken = new Set(input.jobs.filter(({ id }) => id !== job.id).map(({ bay }) => bay));
    for (let bay = 1; bay <= bays; bay++)
      if (job.bay !== undefined && bay !== job.bay && !taken.has(bay)) {
        changes.push({ kind: 'bay', job: job.id, bay });
        break;
      }
    const mine = plan.jobs.find((one) => one.job === job.id)?.fitter;
    for (const { id, leads } of input.people)
      if (leads && id !== mine) changes.push({ kind: 'fitter', job: job.id, person: id });
  });
  const now = worthOf(plan);
  let best: Proposal | undefined;
  for (const change of changes.slice(0, MOST_TRIED)) {
    const tried = planDay(changed(input, change), effort);
    if (!tried.ok || tried.value.kind !== 'plan') continue;
    const { lateMin, endMs } = worthOf(tried.value.plan);
    const proposal: Proposal = {
      change,
      savesLateMin: now.lateMin - lateMin,
      savesMin: (now.endMs - endMs) / MINUTE_MS,
    };
    // Nobody is promised less for a day that ends sooner.
    if (proposal.savesLateMin < 0) continue;
    const score = (one: Proposal) => one.savesLateMin * 1000 + one.savesMin;
    if (!best || score(proposal) > score(best)) best = proposal;
  }
  return best && (best.savesLateMin >= WORTH_SAYING_MIN || (now.lateMin < 1 && best.savesMin >= 3 * WORTH_SAYING_MIN))
    ? best
    : undefined;
}
