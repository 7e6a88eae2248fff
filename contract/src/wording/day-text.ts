import type { DayChange, Proposal } from '#core/day/day-advice.ts';
import type { Hanging, PlannedJob } from '#core/day/day-plan.ts';
import type { CannotBe, StepWork } from '#core/day/day-work.ts';
import type { Claim, Estimate } from '#core/day/estimate.ts';
import type { ScheduleFact } from '#core/schedule/explain.ts';
import { minutesText } from './minutes-text.ts';

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
  const own = `about ${minutesText(whole(minutes))}, eight of ten times ${whole(lowMin)} to ${whole(highMin)} min`;
  const sheet = sheetMin === undefined ? 'the sheet says nothing' : `the sheet says ${minutesText(whole(sheetMin))}`;
  const from = jobs === 0 ? 'not timed here yet' : jobs === 1 ? 'timed once here' : `timed ${jobs} times here`;
  return `${own}; ${sheet}, ${from}`;
}

/** What a kit's own minutes are worth. */
export function claimText({ factor, low, high, jobs }: Claim): string {
  const times = (value: number) => value.toFixed(value < 10 ? 1 : 0);
  const range = `${times(low)} to ${times(high)}`;
  const seen = jobs === 1 ? 'one job' : `up to ${jobs} jobs of a step`;
  if (low <= 1 && high >= 1) return `takes here what its sheet says (${range} times it, by ${seen})`;
  return `takes here ${times(factor)} times what its sheet says (${range}, by ${seen})`;
}

/** Why a moment of the plan could not be sooner. */
export function becauseText({ at, because }: Hanging, names: DayNames): string {
  switch (because.kind) {
    case 'now':
      return 'begins now';
    case 'comes':
      return `the vehicle comes at ${names.clock(because.atMs)}`;
    case 'pieces':
      return `${because.lines.join(', ')} promised for ${names.clock(because.atMs)}`;
    case 'clock':
      return `a clock runs until ${names.clock(because.atMs)}`;
    case 'order':
      return 'right after the step before it';
    case 'wait':
      return `${minutesText(whole(because.minutes))} wait${because.about ? `: ${because.about}` : ''}`;
    case 'fixture':
      return `${minutesText(whole(because.minutes))} until the locker holds${because.about ? `, ${because.about}` : ''}`;
    case 'person':
      return because.job === at.job
        ? `one after the other: ${names.person(because.person)} does both`
        : `${names.person(because.person)} is at ${names.job(because.job)} until then`;
    case 'hands':
      return `nobody is free to help before ${names.job(because.job)} is done with them`;
    case 'lift':
      return `the lift is under ${names.job(because.job)} until then`;
    case 'tool':
      return `${because.tool} is at ${names.job(because.job)} until then`;
    case 'bay':
      return `${names.job(because.job)} stands in bay ${because.bay} until then`;
    case 'opens':
      return `the shop opens at ${names.clock(because.atMs)}`;
    case 'drive':
      return `${minutesText(whole(because.minutes))} until it may be driven: what is on its threads sets`;
  }
}

/** How a promise stands: `16:00 at risk: ready about 16:20`. */
export function promiseText(
  { readyMs, readyLowMs, readyHighMs, promise }: PlannedJob,
  names: Pick<DayNames, 'clock'>,
): string {
  const ready = `ready about ${names.clock(readyMs)}`;
  if (!promise) return `${ready}, between ${names.clock(readyLowMs)} and ${names.clock(readyHighMs)}`;
  const kept = `kept ${Math.round(promise.kept * 10)} of 10 times`;
  const pin = names.clock(promise.promisedMs);
  if (promise.risk === 'safe') return `${pin} promised: ${ready}, ${kept}`;
  return promise.risk === 'tight' ? `${pin} is close: ${ready}, ${kept}` : `${pin} at risk: ${ready}, ${kept}`;
}

/** What no order of the work can mend. */
export function cannotText(cannot: CannotBe): string {
  switch (cannot.kind) {
    case 'windowShort':
      return `${cannot.group}: ${cannot.stations} bolts need ${whole(cannot.needsMin)} min, the locker can be worked for ${whole(cannot.windowMin)} min. Bead ${cannot.possible} at a time.`;
    case 'notPromised':
      return `Short of ${cannot.lines.join(', ')}, and nobody has promised when they come.`;
    case 'noSkill':
      return `Nobody who is to work on it has ${cannot.skill} on their card.`;
    case 'conflict':
      return cannot.count === 1
        ? 'A conflict of kits waits for a lead.'
        : `${cannot.count} conflicts of kits wait for a lead.`;
  }
}

/** A change that is tried or proposed. */
export function changeText(change: DayChange, names: DayNames): string {
  switch (change.kind) {
    case 'swap':
      return `${names.job(change.second)} before ${names.job(change.first)}`;
    case 'bay':
      return `${names.job(change.job)} in bay ${change.bay}`;
    case 'fitter':
      return `${names.person(change.person)} on ${names.job(change.job)}`;
    case 'without':
      return `Without ${names.person(change.person)}`;
    case 'temperature':
      return `Bay at ${change.tempC} °C`;
    case 'comes':
      return `${names.job(change.job)} from ${names.clock(change.atMs)}`;
  }
}

/** What a proposed change would save. */
export function proposalText({ change, savesLateMin, savesMin }: Proposal, names: DayNames): string {
  const late = savesLateMin >= 1 ? `${minutesText(whole(savesLateMin))} less late` : '';
  const sooner = savesMin >= 1 ? `the day done ${minutesText(whole(savesMin))} sooner` : '';
  return `${changeText(change, names)}: ${[late, sooner].filter(Boolean).join(', ')}`;
}

/** A fact of a day that cannot be, in the shop's words. */
export function dayFactText(fact: ScheduleFact, names: DayNames): string {
  const named = (id: string): string => {
    const found = names.stretch?.(id);
    if (found) return `${names.job(found.job)} ${stretchTitle(found.step)}`;
    const [, what, job] = /^@(start|done|ready) (.+)$/.exec(id) ?? [];
    if (what === undefined || job === undefined) return 'now';
    return `${names.job(job)} ${what === 'start' ? 'begins' : what === 'done' ? 'is done' : 'is ready'}`;
  };
  switch (fact.kind) {
    case 'atLeast':
      return fact.minMinutes > 0
        ? `${named(fact.to)}: not before ${minutesText(fact.minMinutes)} after ${named(fact.from)}`
        : `${named(fact.to)}: after ${named(fact.from)}`;
    case 'atMost':
      return `${named(fact.to)}: within ${minutesText(fact.maxMinutes)} of ${named(fact.from)}`;
    case 'capacity': {
      const [, person] = /^person (.+)$/.exec(fact.resource) ?? [];
      if (person !== undefined) return `${names.person(person)} is one`;
      return fact.resource === 'hands'
        ? `there are ${fact.capacity} people`
        : `there is ${fact.capacity} of ${fact.resource.replace(/^tool /, '')}`;
    }
    case 'windows':
      return `the shop is open ${fact.windows.length} times in the days looked at`;
    case 'activity':
      return `${named(fact.id)} takes ${minutesText(fact.minutes)}`;
  }
}
