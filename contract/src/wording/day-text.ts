import type { DayChange, Proposal } from '#core/day/day-advice.ts';
import type { Hanging, PlannedJob } from '#core/day/day-plan.ts';
import type { CannotBe, StepWork } from '#core/day/day-work.ts';
import type { Claim, Estimate } from '#core/day/estimate.ts';
import type { ScheduleFact } from '#core/schedule/explain.ts';
import { minutesText } from './minutes-text.ts';
import { say } from './say.ts';

/** What names are told by: jobs by their vehicle, people, instants by the shop's clock. */
export interface DayNames {
  job(id: string): string;
  person(id: string): string;
  clock(atMs: number): string;
  /** The step an activity of the plan stands for; undefined where it is no step. */
  stretch?(id: string): { job: string; step: StepWork } | undefined;
}

const LONGEST_TITLE = 70;

/** A step in a plan: its number on the line and the first of its words. */
export function stretchTitle({ number, text }: Pick<StepWork, 'number' | 'text'>): string {
  const plain = text.replace(/\s+/g, ' ').trim();
  const first = /^.{12,}?[.;:](?=\s)/.exec(plain)?.[0].replace(/[.;:]$/, '') ?? plain.replace(/\.$/, '');
  return `${number} ${first.length > LONGEST_TITLE ? `${first.slice(0, LONGEST_TITLE - 1).trimEnd()}…` : first}`;
}

const whole = (minutes: number): number => Math.max(1, Math.round(minutes));

/** How long a step is expected to take, and what that leans on. */
export function estimateText({ minutes, lowMin, highMin, sheetMin, jobs }: Estimate): string {
  const own = say('about {minutesText}, eight of ten times {whole} to {whole2} min', {
    minutesText: minutesText(whole(minutes)),
    whole: whole(lowMin),
    whole2: whole(highMin),
  });
  const sheet =
    sheetMin === undefined
      ? say('the sheet says nothing')
      : say('the sheet says {minutesText}', { minutesText: minutesText(whole(sheetMin)) });
  const from =
    jobs === 0
      ? say('not timed here yet')
      : jobs === 1
        ? say('timed once here')
        : say('timed {jobs} times here', { jobs });
  return `${own}; ${sheet}, ${from}`;
}

/** What a kit's own minutes are worth. */
export function claimText({ factor, low, high, jobs }: Claim): string {
  const times = (value: number) => value.toFixed(value < 10 ? 1 : 0);
  const range = say('{times} to {times2}', { times: times(low), times2: times(high) });
  const seen = jobs === 1 ? say('one job') : say('up to {jobs} jobs of a step', { jobs });
  if (low <= 1 && high >= 1)
    return say('takes here what its sheet says ({range} times it, by {seen})', { range, seen });
  return say('takes here {times} times what its sheet says ({range}, by {seen})', {
    times: times(factor),
    range,
    seen,
  });
}

/** Why a moment of the plan could not be sooner. */
export function becauseText({ at, because }: Hanging, names: DayNames): string {
  switch (because.kind) {
    case 'now':
      return say('begins now');
    case 'comes':
      return say('the vehicle comes at {clock}', { clock: names.clock(because.atMs) });
    case 'pieces':
      return say('{lines} promised for {clock}', { lines: because.lines.join(', '), clock: names.clock(because.atMs) });
    case 'clock':
      return say('a clock runs until {clock}', { clock: names.clock(because.atMs) });
    case 'order':
      return say('right after the step before it');
    case 'wait':
      return say('{minutesText} wait{which}', {
        minutesText: minutesText(whole(because.minutes)),
        which: because.about ? `: ${because.about}` : '',
      });
    case 'fixture':
      return say('{minutesText} until the locker holds{which}', {
        minutesText: minutesText(whole(because.minutes)),
        which: because.about ? `, ${because.about}` : '',
      });
    case 'person':
      return because.job === at.job
        ? say('one after the other: {person} does both', { person: names.person(because.person) })
        : say('{person} is at {job} until then', { person: names.person(because.person), job: names.job(because.job) });
    case 'hands':
      return say('nobody is free to help before {job} is done with them', { job: names.job(because.job) });
    case 'lift':
      return say('the lift is under {job} until then', { job: names.job(because.job) });
    case 'tool':
      return say('{tool} is at {job} until then', { tool: because.tool, job: names.job(because.job) });
    case 'bay':
      return say('{job} stands in bay {bay} until then', { job: names.job(because.job), bay: because.bay });
    case 'opens':
      return say('the shop opens at {clock}', { clock: names.clock(because.atMs) });
    case 'drive':
      return say('{minutesText} until it may be driven: what is on its threads sets', {
        minutesText: minutesText(whole(because.minutes)),
      });
  }
}

/** How a promise stands: `16:00 at risk: ready about 16:20`. */
export function promiseText(
  { readyMs, readyLowMs, readyHighMs, promise }: PlannedJob,
  names: Pick<DayNames, 'clock'>,
): string {
  const ready = say('ready about {clock}', { clock: names.clock(readyMs) });
  if (!promise)
    return say('{ready}, between {clock} and {clock2}', {
      ready,
      clock: names.clock(readyLowMs),
      clock2: names.clock(readyHighMs),
    });
  const kept = say('kept {kept} of 10 times', { kept: Math.round(promise.kept * 10) });
  const pin = names.clock(promise.promisedMs);
  if (promise.risk === 'safe') return say('{pin} promised: {ready}, {kept}', { pin, ready, kept });
  return promise.risk === 'tight'
    ? say('{pin} is close: {ready}, {kept}', { pin, ready, kept })
    : say('{pin} at risk: {ready}, {kept}', { pin, ready, kept });
}

/** What no order of the work can mend. */
export function cannotText(cannot: CannotBe): string {
  switch (cannot.kind) {
    case 'windowShort':
      return say(
        '{group}: {stations} bolts need {whole} min, the locker can be worked for {whole2} min. Bead {possible} at a time.',
        {
          group: cannot.group,
          stations: cannot.stations,
          whole: whole(cannot.needsMin),
          whole2: whole(cannot.windowMin),
          possible: cannot.possible,
        },
      );
    case 'notPromised':
      return say('Short of {lines}, and nobody has promised when they come.', { lines: cannot.lines.join(', ') });
    case 'noSkill':
      return say('Nobody who is to work on it has {skill} on their card.', { skill: cannot.skill });
    case 'conflict':
      return cannot.count === 1
        ? say('A conflict of kits waits for a lead.')
        : say('{count} conflicts of kits wait for a lead.', { count: cannot.count });
  }
}

/** A change that is tried or proposed. */
export function changeText(change: DayChange, names: DayNames): string {
  switch (change.kind) {
    case 'swap':
      return say('{job} before {job2}', { job: names.job(change.second), job2: names.job(change.first) });
    case 'bay':
      return say('{job} in bay {bay}', { job: names.job(change.job), bay: change.bay });
    case 'fitter':
      return say('{person} on {job}', { person: names.person(change.person), job: names.job(change.job) });
    case 'without':
      return say('Without {person}', { person: names.person(change.person) });
    case 'temperature':
      return say('Bay at {tempC} °C', { tempC: change.tempC });
    case 'comes':
      return say('{job} from {clock}', { job: names.job(change.job), clock: names.clock(change.atMs) });
  }
}

/** What a proposed change would save. */
export function proposalText({ change, savesLateMin, savesMin }: Proposal, names: DayNames): string {
  const late =
    savesLateMin >= 1 ? say('{minutesText} less late', { minutesText: minutesText(whole(savesLateMin)) }) : '';
  const sooner =
    savesMin >= 1 ? say('the day done {minutesText} sooner', { minutesText: minutesText(whole(savesMin)) }) : '';
  return `${changeText(change, names)}: ${[late, sooner].filter(Boolean).join(', ')}`;
}

/** A fact of a day that cannot be, in the shop's words. */
export function dayFactText(fact: ScheduleFact, names: DayNames): string {
  const named = (id: string): string => {
    const found = names.stretch?.(id);
    if (found) return `${names.job(found.job)} ${stretchTitle(found.step)}`;
    const [, what, job] = /^@(start|done|ready) (.+)$/.exec(id) ?? [];
    if (what === undefined || job === undefined) return 'now';
    return `${names.job(job)} ${what === 'start' ? 'begins' : what === 'done' ? say('is done') : say('is ready')}`;
  };
  switch (fact.kind) {
    case 'atLeast':
      return fact.minMinutes > 0
        ? say('{named}: not before {minutesText} after {named2}', {
            named: named(fact.to),
            minutesText: minutesText(fact.minMinutes),
            named2: named(fact.from),
          })
        : say('{named}: after {named2}', { named: named(fact.to), named2: named(fact.from) });
    case 'atMost':
      return say('{named}: within {minutesText} of {named2}', {
        named: named(fact.to),
        minutesText: minutesText(fact.maxMinutes),
        named2: named(fact.from),
      });
    case 'capacity': {
      const [, person] = /^person (.+)$/.exec(fact.resource) ?? [];
      if (person !== undefined) return say('{person} is one', { person: names.person(person) });
      return fact.resource === 'hands'
        ? say('there are {capacity} people', { capacity: fact.capacity })
        : say('there is {capacity} of {resource}', {
            capacity: fact.capacity,
            resource: fact.resource.replace(/^tool /, ''),
          });
    }
    case 'windows':
      return say('the shop is open {count} times in the days looked at', { count: fact.windows.length });
    case 'activity':
      return say('{named} takes {minutesText}', { named: named(fact.id), minutesText: minutesText(fact.minutes) });
  }
}
