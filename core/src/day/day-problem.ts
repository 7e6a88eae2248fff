import type { Skill } from '../job/skill.ts';
import type { Lag, Resource, ScheduleProblem } from '../schedule/problem.ts';
import type { JobWork, StepWork, WorkLag } from './day-work.ts';
import { settingMin } from './job-work.ts';

/** Somebody of the shop. */
export interface DayPerson {
  id: string;
  /** May work by themselves; an apprentice helps. */
  leads: boolean;
  /** What they can do; left out where the shop keeps no skills. */
  skills?: readonly Skill[];
}

/** A job as the day takes it. */
export interface DayJob {
  id: string;
  work: JobWork;
  /** Its bay; undefined where it stands in the yard or at the customer's. */
  bay?: number;
  /** Not before this instant, Unix ms: when the vehicle is to come. */
  fromMs: number;
  promisedMs?: number;
  /** Who is to work on it, the first by themselves; nobody named takes who has least to do. */
  fitters: readonly string[];
  /** Something is done already: it stays in its bay and goes on. */
  begun: boolean;
}

/** What a day is planned from. */
export interface DayInput {
  nowMs: number;
  jobs: readonly DayJob[];
  people: readonly DayPerson[];
  /** How many lifts there are; undefined where the shop never said. */
  lifts?: number;
  /** When the shop is open, Unix ms, in order; empty where it never said, and then it always is. */
  open: ReadonlyArray<readonly [fromMs: number, toMs: number]>;
  /** Another temperature than each job's own, °C: what if. */
  tempC?: number;
}

/** A stretch of work by itself: a step of a job, or a part of one that no day is long enough for. */
export interface Stretch {
  id: string;
  job: string;
  step: StepWork;
  minutes: number;
  person?: string;
}

/** A day as a problem of activities, with what each stands for. */
export interface DayProblem {
  problem: ScheduleProblem;
  stretches: ReadonlyMap<string, Stretch>;
  /** Lags by their place in the problem: what they are. */
  lags: ReadonlyArray<{ job: string; lag: WorkLag } | undefined>;
  /** Who works on a job by themselves. */
  fitterOf: ReadonlyMap<string, string>;
  /** Unix ms of minute 0. */
  zeroMs: number;
  /** Windows that are too short from where it stands, and were let go so that there is a plan. */
  lost: ReadonlyArray<{ job: string; group: string; closesAtMs: number; needsMin: number }>;
  /** What has to begin by itself within so many minutes from now: beads that run, steps that are in hand. */
  pressing: ReadonlyArray<{ key: string; to: string; latest: number }>;
}

const MINUTE_MS = 60_000;
/** What no day is long enough for is parted into stretches of so much, minutes (chosen by us). */
const PART_MIN = 120;
const NOW = '@now';
/** Where a job begins, where all of it is done, and where it may leave. */
export const startOf = (job: string): string => `@start ${job}`;
export const doneOf = (job: string): string => `@done ${job}`;
export const readyOf = (job: string): string => `@ready ${job}`;
export const stretchId = (job: string, step: string, part = 0): string =>
  `${job} ${step}${part > 0 ? ` ~${part}` : ''}`;

/** Whether somebody can do all that a job asks for; in a shop that keeps no skills everybody can. */
const able = ({ skills = [] }: DayPerson, { work }: DayJob, kept: boolean): boolean =>
  !kept || work.skills.every((skill) => skills.includes(skill));

/** Jobs as they are taken: who has begun, then by when they come. */
const byTurn = (a: DayJob, b: DayJob): number =>
  Number(b.begun) - Number(a.begun) || a.fromMs - b.fromMs || (a.id < b.id ? -1 : 1);

/**
 * Who works on each job: who is named, else who can do what it asks for and has least to do; the same for the same day.
 */
export function fittersOf({ jobs, people }: Pick<DayInput, 'jobs' | 'people'>): Map<string, string> {
  const load = new Map(people.map(({ id }) => [id, 0]));
  const found = new Map<string, string>();
  const minutes = ({ work }: DayJob) => work.steps.reduce((sum, { leftMin }) => sum + leftMin, 0);
  const give = (job: DayJob, person: string) => {
    found.set(job.id, person);
    load.set(person, (load.get(person) ?? 0) + minutes(job));
  };
  const inOrder = jobs.toSorted(byTurn);
  // Who has a step in hand goes on with it.
  const holderOf = (job: DayJob) =>
    job.work.steps.find(({ begun }) => begun?.by !== undefined && load.has(begun.by))?.begun?.by;
  for (const job of inOrder) {
    const named = job.fitters.find((id) => load.has(id)) ?? holderOf(job);
    if (named !== undefined) give(job, named);
  }
  const leads = people.filter(({ leads: alone }) => alone);
  const kept = people.some(({ skills = [] }) => skills.length > 0);
  for (const job of inOrder) {
    if (found.has(job.id)) continue;
    const asked = leads.length > 0 ? leads : people;
    const can = asked.filter((person) => able(person, job, kept));
    const [least] = (can.length > 0 ? can : asked).toSorted(
      (a, b) => (load.get(a.id) ?? 0) - (load.get(b.id) ?? 0) || (a.id < b.id ? -1 : 1),
    );
    if (least) give(job, least.id);
  }
  return found;
}

/** The jobs of each bay in the order they stand there: who is in it, then by when they come. */
export function bayOrder(jobs: readonly DayJob[]): Map<number, DayJob[]> {
  const found = new Map<number, DayJob[]>();
  for (const job of jobs.toSorted(byTurn))
    if (job.bay !== undefined) found.set(job.bay, [...(found.get(job.bay) ?? []), job]);
  return found;
}

/** How a day is put as a problem. */
export interface DayRules {
  /** Jobs whose promise is held as a rule and not only looked at. */
  deadlines?: ReadonlySet<string>;
  /** Each job's steps one after the other as its line has them, also where they could be worked otherwise. */
  asTheLine?: boolean;
  /** What presses now and cannot all be held, by {@link DayProblem.pressing}: a bead is told as lost, a hand is let go. */
  givenUp?: ReadonlySet<string>;
}

/**
 * A day as activities, lags and resources: people, hands in all, lifts, tools of which there is one, bays by the order of
 * their jobs, the vehicle's coming, pieces that are promised, clocks that run.
 */
export function dayProblem(
  input: DayInput,
  { deadlines = new Set(), asTheLine = false, givenUp = new Set() }: DayRules = {},
): DayProblem {
  const { jobs, people, nowMs, open, lifts, tempC } = input;
  const zeroMs = Math.floor(nowMs / MINUTE_MS) * MINUTE_MS;
  const minute = (ms: number): number => Math.ceil((ms - zeroMs) / MINUTE_MS);
  const fitterOf = fittersOf(input);
  const windows = open.flatMap(([from, to]): Array<readonly [number, number]> => {
    const [a, b] = [Math.max(0, minute(from)), minute(to)];
    return b > a ? [[a, b]] : [];
  });
  const longest = windows.length > 0 ? Math.max(...windows.map(([from, to]) => to - from)) : Number.POSITIVE_INFINITY;
  const isOpenNow = windows.length === 0 || windows[0]?.[0] === 0;
  const within = windows.length > 0 ? { windows } : {};
  const tools = [...new Set(jobs.flatMap(({ work }) => work.steps.flatMap((step) => step.tools)))];
  const usesLift = lifts !== undefined && lifts > 0;
  const most = Math.max(1, people.length);
  const resources: Resource[] = [
    ...people.map(({ id }) => ({ id: `person ${id}`, capacity: 1, ...within })),
    { id: 'hands', capacity: most, ...within },
    ...(usesLift ? [{ id: 'lift', capacity: lifts }] : []),
    ...tools.map((tool) => ({ id: `tool ${tool}`, capacity: 1 })),
  ];
  const stretches = new Map<string, Stretch>();
  const activities: ScheduleProblem['activities'][number][] = [{ id: NOW, minutes: 0 }];
  const lags: Lag[] = [];
  const kept: Array<{ job: string; lag: WorkLag } | undefined> = [];
  const lost: Array<DayProblem['lost'][number]> = [];
  const pressing: Array<DayProblem['pressing'][number]> = [];
  const put = (lag: Lag, of?: { job: string; lag: WorkLag }) => {
    lags.push(lag);
    kept.push(of);
  };
  for (const job of jobs) {
    const { id, work } = job;
    const person = fitterOf.get(id);
    // Its rest was put to later: what is in hand is put down, and an open locker does not last till then.
    const putOff = !job.begun && minute(job.fromMs) > 0;
    activities.push({ id: startOf(id), minutes: 0 }, { id: doneOf(id), minutes: 0 }, { id: readyOf(id), minutes: 0 });
    put({ from: NOW, to: startOf(id), minMinutes: job.begun ? 0 : Math.max(0, minute(job.fromMs)) });
    put({ from: startOf(id), to: doneOf(id), minMinutes: 0 });
    const parts = new Map<string, string[]>();
    for (const step of work.steps) {
      const minutes = Math.max(1, Math.round(step.leftMin));
      const pieces = minutes > longest ? Math.ceil(minutes / Math.min(longest, PART_MIN)) : 1;
      const names = Array.from({ length: pieces }, (_, at) => stretchId(id, step.step, at));
      parts.set(step.step, names);
      names.forEach((name, at) => {
        const own = Math.round((minutes * (at + 1)) / pieces) - Math.round((minutes * at) / pieces);
        stretches.set(name, { id: name, job: id, step, minutes: own, ...(person === undefined ? {} : { person }) });
        activities.push({
          id: name,
          minutes: own,
          uses: {
            ...(person === undefined ? {} : { [`person ${person}`]: 1 }),
            hands: Math.min(step.people, most),
            ...(usesLift && step.needs.includes('lift') ? { lift: 1 } : {}),
            ...Object.fromEntries(step.tools.map((tool) => [`tool ${tool}`, 1])),
          },
        });
        if (at > 0) put({ from: names[at - 1] as string, to: name, minMinutes: 0 });
      });
      const [first, last] = [names[0] as string, names.at(-1) as string];
      put({ from: startOf(id), to: first, minMinutes: 0 });
      put({ from: last, to: doneOf(id), minMinutes: 0 });
      const shut = Math.max(step.shutUntilMs ?? 0, step.parts?.promisedMs ?? 0);
      if (shut > zeroMs) put({ from: NOW, to: first, minMinutes: minute(shut) });
    }
    if (asTheLine)
      work.steps
        .toSorted((a, b) => Number(b.begun !== undefined) - Number(a.begun !== undefined) || a.number - b.number)
        .forEach((step, at, list) => {
          const last = at > 0 ? parts.get(list[at - 1]?.step ?? '')?.at(-1) : undefined;
          const first = parts.get(step.step)?.[0];
          if (last !== undefined && first !== undefined) put({ from: last, to: first, minMinutes: 0 });
        });
    // Who has begun a step goes on with it: nothing is reshuffled that is in hand.
    const [inHand] = work.steps
      .filter(({ begun, shutUntilMs }) => begun?.by !== undefined && begun.by === person && shutUntilMs === undefined)
      .toSorted((a, b) => b.number - a.number);
    const busy = jobs.some((other) => other.id < id && fitterOf.get(other.id) === person && other.begun);
    const hand = inHand && `hand ${id} ${inHand.step}`;
    if (inHand && hand && isOpenNow && !busy && !putOff && inHand.free && !givenUp.has(hand)) {
      const to = stretchId(id, inHand.step);
      put({ from: NOW, to, minMinutes: 0, maxMinutes: 0 });
      pressing.push({ key: hand, to, latest: 0 });
    }
    for (const lag of work.lags) {
      const from = parts.get(lag.from)?.at(-1);
      const to = parts.get(lag.to)?.[0];
      if (from === undefined || to === undefined) continue;
      const other = tempC !== undefined && lag.sets ? settingMin(lag.sets, tempC) : undefined;
      const { minMinutes, maxMinutes } = lag;
      put(
        {
          from,
          to,
          ...(minMinutes === undefined ? {} : { minMinutes: other === undefined ? minMinutes : Math.ceil(other) }),
          ...(maxMinutes === undefined ? {} : { maxMinutes: maxMinutes }),
        },
        { job: id, lag },
      );
    }
    for (const { group, step, closesAtMs, needsMin } of work.lockers) {
      const to = parts.get(step)?.[0];
      const latest = Math.floor((closesAtMs - zeroMs) / MINUTE_MS - needsMin);
      if (to === undefined) continue;
      const key = `bead ${id} ${step}`;
      if (latest < 0 || !isOpenNow || putOff || givenUp.has(key)) lost.push({ job: id, group, closesAtMs, needsMin });
      else {
        put({ from: NOW, to, minMinutes: 0, maxMinutes: latest });
        pressing.push({ key, to, latest });
      }
    }
    const driveMin = tempC !== undefined && work.driveSets ? settingMin(work.driveSets, tempC) : work.driveAfterMin;
    put({ from: doneOf(id), to: readyOf(id), minMinutes: Math.ceil(driveMin) });
    if (work.driveShutUntilMs !== undefined && work.driveShutUntilMs > zeroMs)
      put({ from: NOW, to: readyOf(id), minMinutes: minute(work.driveShutUntilMs) });
    if (deadlines.has(id) && job.promisedMs !== undefined)
      put({
        from: NOW,
        to: readyOf(id),
        minMinutes: 0,
        maxMinutes: Math.max(0, Math.floor((job.promisedMs - zeroMs) / MINUTE_MS)),
      });
  }
  for (const list of bayOrder(jobs).values())
    list.slice(1).forEach((job, at) => {
      const before = list[at];
      if (before) put({ from: doneOf(before.id), to: startOf(job.id), minMinutes: 0 });
    });
  return { problem: { activities, lags, resources }, stretches, lags: kept, fitterOf, zeroMs, lost, pressing };
}

/** The step an activity of a day's problem stands for; undefined where it is a job's beginning or end. */
export function stretchOf({ jobs }: Pick<DayInput, 'jobs'>, id: string): { job: string; step: StepWork } | undefined {
  for (const { id: job, work } of jobs)
    for (const step of work.steps) {
      const own = stretchId(job, step.step);
      if (id === own || id.startsWith(`${own} ~`)) return { job, step };
    }
  return undefined;
}
