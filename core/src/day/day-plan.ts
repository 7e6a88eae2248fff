import type { InputFault } from '../quantity/input-fault.ts';
import { normalShareBelow } from '../quantity/normal.ts';
import { ok, type Result } from '../result.ts';
import type { ScheduleFact } from '../schedule/explain.ts';
import { type Schedule, type SolveOptions, solveSchedule } from '../schedule/solve.ts';
import {
  type DayInput,
  type DayJob,
  type DayProblem,
  type DayRules,
  dayProblem,
  doneOf,
  readyOf,
  startOf,
} from './day-problem.ts';
import type { StepWork, WorkLag } from './day-work.ts';
import { EIGHT_OF_TEN } from './estimate.ts';

const MINUTE_MS = 60_000;

/** A stretch of work with its time and its people. */
export interface PlannedStep {
  id: string;
  job: string;
  step: StepWork;
  startMs: number;
  endMs: number;
  /** The fitter first, then who helps. */
  people: string[];
  /** Hands that nobody is there for. */
  missingHands: number;
}

/** What lies between two steps in the plan: a wait that is waited out, or a window it must be within. */
export interface PlannedWait {
  job: string;
  lag: WorkLag;
  fromMs: number;
  toMs: number;
}

/** How a promise stands: kept with room, close, or not. */
export type PromiseRisk = 'safe' | 'tight' | 'late';

/** A job in the plan. */
export interface PlannedJob {
  job: string;
  fitter?: string;
  startMs: number;
  /** All of it is done. */
  doneMs: number;
  /** It may leave: what set on its threads has set. */
  readyMs: number;
  /** Eight of ten times it is ready between these. */
  readyLowMs: number;
  readyHighMs: number;
  promise?: { promisedMs: number; risk: PromiseRisk /** Share of times it is kept, 0 to 1. */; kept: number };
}

/** What a moment of the plan hangs on: what comes before it and why it could not be sooner. */
export interface Hanging {
  /** The step, or the job where it is its coming or its leaving. */
  at: { job: string; step?: StepWork; startMs: number; endMs: number };
  because:
    | { kind: 'now' }
    | { kind: 'comes'; atMs: number }
    | { kind: 'pieces'; lines: readonly string[]; atMs: number }
    | { kind: 'clock'; atMs: number }
    | { kind: 'order' }
    | { kind: 'wait' | 'fixture'; minutes: number; about?: string }
    | { kind: 'person'; person: string; job: string }
    | { kind: 'hands' | 'lift'; job: string }
    | { kind: 'tool'; tool: string; job: string }
    | { kind: 'bay'; bay: number; job: string }
    | { kind: 'opens'; atMs: number }
    | { kind: 'drive'; minutes: number };
}

/** A plan of the day. */
export interface DayPlan {
  steps: PlannedStep[];
  waits: PlannedWait[];
  jobs: PlannedJob[];
  /** The last moment of the plan. */
  endMs: number;
  /** How much longer the plan may be than what is possible, as a share; 0 where it is proven. */
  gap: number;
  optimal: boolean;
  lost: DayProblem['lost'];
}

export type DayPlanned =
  | { kind: 'plan'; plan: DayPlan }
  | { kind: 'infeasible'; facts: ScheduleFact[] }
  | { kind: 'unknown' };

/** Shares of times a promise is kept from which it is safe, and below which it is late (chosen by us). */
const SAFE = 0.8;
const EVEN = 0.5;

/**
 * How much is looked for: looks at the clock, which is a counter, so that the same day gives the same plan on every
 * machine. Few for a first plan, more for a better one.
 */
export interface Effort {
  looks: number;
  /** Whether plans are looked for that hold promises; left out, they are. A first plan is there sooner without. */
  promises?: boolean;
}

/** A clock that moves by one with every look: what is found depends on nothing else. */
const counted = ({ looks }: Effort, seed: number, explains: boolean): SolveOptions => {
  let count = 0;
  return { seconds: looks / 1000, seed, explains, now: () => count++ };
};

/** Who helps whom: those who are there and have nothing else, by name; none twice at a time. */
function helpers(steps: PlannedStep[], input: DayInput): void {
  const busy = (person: string, one: PlannedStep) =>
    steps.some(
      (other) =>
        other !== one && other.people.includes(person) && other.startMs < one.endMs && one.startMs < other.endMs,
    );
  for (const one of steps) {
    const wanted = one.step.people - 1;
    // Apprentices help first: who works alone has work of their own.
    const order = input.people.toSorted((a, b) => Number(a.leads) - Number(b.leads) || (a.id < b.id ? -1 : 1));
    for (const { id } of order) {
      if (one.people.length > wanted) break;
      if (!one.people.includes(id) && !busy(id, one)) one.people.push(id);
    }
    one.missingHands = Math.max(0, one.step.people - one.people.length);
  }
}

function readPlan(input: DayInput, day: DayProblem, schedule: Schedule): DayPlan {
  const ms = (id: string): number => day.zeroMs + (schedule.starts[id] ?? 0) * MINUTE_MS;
  const steps = [...day.stretches.values()]
    .map(
      (stretch): PlannedStep => ({
        id: stretch.id,
        job: stretch.job,
        step: stretch.step,
        startMs: ms(stretch.id),
        endMs: ms(stretch.id) + stretch.minutes * MINUTE_MS,
        people: stretch.person === undefined ? [] : [stretch.person],
        missingHands: 0,
      }),
    )
    .sort((a, b) => a.startMs - b.startMs || a.step.number - b.step.number || (a.id < b.id ? -1 : 1));
  helpers(steps, input);
  const byId = new Map(steps.map((step) => [step.id, step]));
  const waits = day.problem.lags.flatMap(({ from, to, minMinutes = 0 }, at): PlannedWait[] => {
    const of = day.lags[at];
    const [before, after] = [byId.get(from), byId.get(to)];
    if (!of || !before || !after || of.lag.why === 'order') return [];
    return of.lag.why === 'window'
      ? [{ job: of.job, lag: of.lag, fromMs: before.startMs, toMs: after.endMs }]
      : [{ job: of.job, lag: of.lag, fromMs: before.endMs, toMs: before.endMs + minMinutes * MINUTE_MS }];
  });
  const plan: DayPlan = {
    steps,
    waits,
    jobs: [],
    endMs: day.zeroMs + schedule.makespan * MINUTE_MS,
    gap: schedule.lowerBound > 0 ? (schedule.makespan - schedule.lowerBound) / schedule.lowerBound : 0,
    optimal: schedule.optimal,
    lost: day.lost,
  };
  plan.jobs = input.jobs.map((job) => plannedJob(job, input, day, plan, ms));
  return plan;
}

function plannedJob(
  job: DayJob,
  input: DayInput,
  day: DayProblem,
  plan: DayPlan,
  ms: (id: string) => number,
): PlannedJob {
  const own = plan.steps.filter((step) => step.job === job.id);
  const readyMs = ms(readyOf(job.id));
  // The spread of what it hangs on, each step by itself.
  const variance = hangsOn(input, plan, job.id)
    .flatMap(({ at }) => (at.step ? [at.step] : []))
    .reduce((sum, { leftLowMin, leftHighMin }) => sum + ((leftHighMin - leftLowMin) / (2 * EIGHT_OF_TEN)) ** 2, 0);
  const sdMs = Math.sqrt(variance) * MINUTE_MS;
  const fitter = day.fitterOf.get(job.id);
  const kept = (promisedMs: number): number =>
    sdMs > 0 ? normalShareBelow((promisedMs - readyMs) / sdMs) : promisedMs >= readyMs ? 1 : 0;
  const promise = job.promisedMs === undefined ? undefined : { promisedMs: job.promisedMs, kept: kept(job.promisedMs) };
  return {
    job: job.id,
    ...(fitter === undefined ? {} : { fitter }),
    startMs: own.length > 0 ? Math.min(...own.map(({ startMs }) => startMs)) : ms(startOf(job.id)),
    doneMs: ms(doneOf(job.id)),
    readyMs,
    readyLowMs: Math.max(day.zeroMs, readyMs - EIGHT_OF_TEN * sdMs),
    readyHighMs: readyMs + EIGHT_OF_TEN * sdMs,
    ...(promise
      ? {
          promise: {
            ...promise,
            risk: promise.kept >= SAFE ? 'safe' : promise.kept >= EVEN ? 'tight' : 'late',
          } as const,
        }
      : {}),
  };
}

/** What presses most among facts that contradict, a step in hand before a bead; undefined where nothing of them does. */
function mostPressing({ pressing }: DayProblem, facts: readonly ScheduleFact[]): string | undefined {
  const held = new Set(facts.flatMap((fact) => (fact.kind === 'atMost' ? [fact.to] : [])));
  return pressing
    .filter(({ to }) => held.has(to))
    .toSorted((a, b) => a.latest - b.latest || b.key.localeCompare(a.key, 'en'))[0]?.key;
}

/**
 * A plan of the day: as short as can be found, with the promises held where that is possible. Where not all of them can
 * be, those of the jobs that come first are.
 */
export function planDay(input: DayInput, effort: Effort, seed = 1): Result<DayPlanned, InputFault> {
  const promised = input.jobs
    .filter(({ promisedMs }) => promisedMs !== undefined)
    .toSorted((a, b) => (a.promisedMs ?? 0) - (b.promisedMs ?? 0));
  let givenUp: ReadonlySet<string> = new Set();
  const tryWith = (rules: DayRules) => {
    const day = dayProblem(input, { ...rules, givenUp });
    // That promises cannot all be held is no contradiction of the day.
    const solved = solveSchedule(day.problem, counted(effort, seed, rules.deadlines === undefined && !rules.asTheLine));
    return solved.ok ? ok({ day, found: solved.value }) : solved;
  };
  let free = tryWith({});
  // Two beads that run out at once and one pair of hands, or a step in hand that does not end before the shop shuts: one
  // of them is let go, the day is not.
  while (free.ok && free.value.found.kind === 'infeasible') {
    const key = mostPressing(free.value.day, free.value.found.facts);
    if (key === undefined) break;
    givenUp = new Set([...givenUp, key]);
    free = tryWith({});
  }
  if (!free.ok) return free;
  const { day, found } = free.value;
  if (found.kind === 'infeasible') return ok({ kind: 'infeasible', facts: found.facts });
  if (found.kind === 'unknown') return ok({ kind: 'unknown' });
  const plain = readPlan(input, day, found);
  const late = (plan: DayPlan) =>
    plan.jobs.reduce((sum, { readyMs, promise }) => sum + Math.max(0, promise ? readyMs - promise.promisedMs : 0), 0);
  // Where it costs little, work goes as the line has it: nobody likes to be sent about.
  const lined = tryWith({ asTheLine: true });
  const inOrder =
    lined.ok && lined.value.found.kind === 'plan' ? readPlan(input, lined.value.day, lined.value.found) : undefined;
  const costs = (plan: DayPlan) => late(plan) - late(plain) + (plan.endMs - plain.endMs);
  let best =
    inOrder && costs(inOrder) <= WORTH_OTHERWISE_MS
      ? { ...inOrder, gap: plain.gap, optimal: plain.optimal && inOrder.endMs === plain.endMs }
      : plain;
  // The more of the promises are held as rules, the fewer plans there are: as many as can be, the first ones before others.
  let [held, most] = [0, effort.promises === false ? 0 : promised.length];
  while (held < most && late(best) > 0) {
    const count = Math.ceil((held + most) / 2);
    const tried = tryWith({ deadlines: new Set(promised.slice(0, count).map(({ id }) => id)) });
    if (!tried.ok || tried.value.found.kind !== 'plan') {
      most = count - 1;
      continue;
    }
    held = count;
    const plan = readPlan(input, tried.value.day, tried.value.found);
    if (late(plan) + WORTH_OTHERWISE_MS < late(best)) best = plan;
  }
  return ok({ kind: 'plan', plan: best });
}

/** A plan that goes otherwise than the line saves at least so much (chosen by us). */
const WORTH_OTHERWISE_MS = 5 * MINUTE_MS;

/** Links a chain may have: a day has no more steps that matter than a person can read. */
const MOST_LINKS = 400;

/** What a job's leaving hangs on, from its last moment back to the first: each link with why it could not be sooner. */
export function hangsOn(input: DayInput, plan: DayPlan, jobId: string): Hanging[] {
  const job = input.jobs.find(({ id }) => id === jobId);
  const own = plan.steps.filter((step) => step.job === jobId);
  const last = own.toSorted((a, b) => b.endMs - a.endMs || b.step.number - a.step.number)[0];
  const zeroMs = Math.floor(input.nowMs / MINUTE_MS) * MINUTE_MS;
  const chain: Hanging[] = [];
  if (!job || !last) return chain;
  let here: PlannedStep | undefined = last;
  const seen = new Set<string>();
  while (here && chain.length < MOST_LINKS && !seen.has(here.id)) {
    seen.add(here.id);
    const link: { because: Hanging['because']; next?: PlannedStep } = before(input, plan, here, zeroMs);
    chain.push({
      at: { job: here.job, step: here.step, startMs: here.startMs, endMs: here.endMs },
      because: link.because,
    });
    here = link.next;
  }
  if (job.work.driveAfterMin > 0)
    chain.unshift({
      at: { job: jobId, startMs: last.endMs, endMs: last.endMs + job.work.driveAfterMin * MINUTE_MS },
      because: { kind: 'drive', minutes: job.work.driveAfterMin },
    });
  return chain;
}

/** Why a step begins when it does, and what it came after. */
function before(
  input: DayInput,
  plan: DayPlan,
  here: PlannedStep,
  zeroMs: number,
): { because: Hanging['because']; next?: PlannedStep } {
  const { startMs, step } = here;
  const job = input.jobs.find(({ id }) => id === here.job) as DayJob;
  const ends = (other: PlannedStep) => other.id !== here.id && other.endMs === startMs;
  const of = (name: string) => plan.steps.filter((other) => other.job === here.job && other.step.step === name).at(-1);
  if (startMs === zeroMs) return { because: { kind: 'now' } };
  for (const wait of plan.waits)
    if (wait.job === here.job && wait.lag.to === step.step && wait.lag.why !== 'window' && wait.toMs === startMs) {
      const next = of(wait.lag.from);
      const { why, about } = wait.lag;
      const minutes = (wait.toMs - wait.fromMs) / MINUTE_MS;
      return {
        because: { kind: why === 'fixture' ? 'fixture' : 'wait', minutes, ...(about === undefined ? {} : { about }) },
        ...(next ? { next } : {}),
      };
    }
  for (const lag of job.work.lags) {
    const from = lag.to === step.step && lag.why === 'order' ? of(lag.from) : undefined;
    if (from && ends(from)) return { because: { kind: 'order' }, next: from };
  }
  const part = plan.steps.find((other) => other.job === here.job && other.step === step && ends(other));
  if (part) return { because: { kind: 'order' }, next: part };
  const [mine] = here.people;
  const hand = mine === undefined ? undefined : plan.steps.find((other) => ends(other) && other.people.includes(mine));
  if (hand && mine !== undefined) return { because: { kind: 'person', person: mine, job: hand.job }, next: hand };
  const tool = step.tools.flatMap((name) => {
    const other = plan.steps.find((one) => ends(one) && one.step.tools.includes(name));
    return other ? [{ name, other }] : [];
  })[0];
  if (tool) return { because: { kind: 'tool', tool: tool.name, job: tool.other.job }, next: tool.other };
  const lift = step.needs.includes('lift')
    ? plan.steps.find((one) => ends(one) && one.step.needs.includes('lift'))
    : undefined;
  if (lift) return { because: { kind: 'lift', job: lift.job }, next: lift };
  const together = step.people > 1 ? plan.steps.find((one) => ends(one)) : undefined;
  if (together) return { because: { kind: 'hands', job: together.job }, next: together };
  if (step.parts?.promisedMs !== undefined && Math.abs(step.parts.promisedMs - startMs) < MINUTE_MS)
    return { because: { kind: 'pieces', lines: step.parts.lines, atMs: step.parts.promisedMs } };
  if (step.shutUntilMs !== undefined && Math.abs(step.shutUntilMs - startMs) < MINUTE_MS)
    return { because: { kind: 'clock', atMs: step.shutUntilMs } };
  const inBay =
    job.bay === undefined
      ? undefined
      : plan.steps.find(
          (one) => one.job !== here.job && ends(one) && input.jobs.find(({ id }) => id === one.job)?.bay === job.bay,
        );
  if (inBay && job.bay !== undefined) return { because: { kind: 'bay', bay: job.bay, job: inBay.job }, next: inBay };
  if (Math.abs(job.fromMs - startMs) < MINUTE_MS) return { because: { kind: 'comes', atMs: job.fromMs } };
  const opens = input.open.find(([from]) => Math.abs(from - startMs) < MINUTE_MS);
  if (opens) {
    // What came before it ended the evening before: it hangs on that as well.
    const earlier = plan.steps
      .filter((one) => one.job === here.job && one.endMs <= startMs && one.id !== here.id)
      .at(-1);
    return { because: { kind: 'opens', atMs: opens[0] }, ...(earlier ? { next: earlier } : {}) };
  }
  const earlier = plan.steps.filter((one) => one.job === here.job && one.endMs <= startMs && one.id !== here.id).at(-1);
  return { because: { kind: 'order' }, ...(earlier ? { next: earlier } : {}) };
}
