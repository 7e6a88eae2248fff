import { describe, expect, it } from '@jest/globals';
import type { DayChange } from '#core/day/day-advice.ts';
import type { Hanging, PlannedJob } from '#core/day/day-plan.ts';
import type { StepWork } from '#core/day/day-work.ts';
import {
  becauseText,
  cannotText,
  changeText,
  claimText,
  type DayNames,
  dayFactText,
  estimateText,
  promiseText,
  proposalText,
  stretchTitle,
} from './day-text.ts';

const ZERO = Date.UTC(2026, 10, 30, 8);
const clock = (atMs: number) => new Date(atMs).toISOString().slice(11, 16);
const at = (hour: number, minute = 0) => Date.UTC(2026, 10, 30, hour, minute);
const step = { number: 4, text: 'Set both plates. Nip them.' } as StepWork;
const names: DayNames = {
  job: (id) => ({ a: '14-208', b: '14-231' })[id] ?? id,
  person: (id) => ({ mira: 'Mira Vane' })[id] ?? id,
  clock,
  stretch: (id) => (id === 'a s4' ? { job: 'a', step } : undefined),
};

describe('a step in a plan', () => {
  it('is its number and the first of its words', () => {
    expect(stretchTitle(step)).toBe('4 Set both plates');
    expect(stretchTitle({ number: 1, text: 'Wait.' })).toBe('1 Wait');
    expect(stretchTitle({ number: 2, text: `Put ${'the bracket '.repeat(20)}on` }).length).toBeLessThan(76);
  });
});

describe('how long', () => {
  it('says what the sheet says, what is expected, and from how many jobs', () => {
    expect(estimateText({ minutes: 18.2, lowMin: 12, highMin: 27, sheetMin: 15, jobs: 6 })).toBe(
      'about 18 min, eight of ten times 12 to 27 min; the sheet says 15 min, timed 6 times here',
    );
    expect(estimateText({ minutes: 0.3, lowMin: 0.1, highMin: 0.6, jobs: 0 })).toBe(
      'about 1 min, eight of ten times 1 to 1 min; the sheet says nothing, not timed here yet',
    );
    expect(estimateText({ minutes: 5, lowMin: 4, highMin: 6, jobs: 1 })).toContain('timed once here');
  });
  it('judges a kit’s claim, with its interval', () => {
    expect(claimText({ factor: 1.42, low: 1.2, high: 1.7, steps: 5, jobs: 9 })).toBe(
      'takes here 1.4 times what its sheet says (1.2 to 1.7, by up to 9 jobs of a step)',
    );
    expect(claimText({ factor: 1.05, low: 0.8, high: 1.3, steps: 5, jobs: 1 })).toBe(
      'takes here what its sheet says (0.8 to 1.3 times it, by one job)',
    );
  });
});

describe('a promise', () => {
  const job = (over: Partial<PlannedJob> = {}): PlannedJob => ({
    job: 'a',
    startMs: ZERO,
    doneMs: at(15, 40),
    readyMs: at(16),
    readyLowMs: at(15, 30),
    readyHighMs: at(16, 40),
    ...over,
  });
  it('is told with its hour, and how sure it is', () => {
    const promise = (risk: 'safe' | 'tight' | 'late', kept: number) =>
      promiseText(job({ promise: { promisedMs: at(16), risk, kept } }), names);
    expect(promise('safe', 0.93)).toBe('16:00 promised: ready about 16:00, kept 9 of 10 times');
    expect(promise('tight', 0.6)).toBe('16:00 is close: ready about 16:00, kept 6 of 10 times');
    expect(promise('late', 0.04)).toBe('16:00 at risk: ready about 16:00, kept 0 of 10 times');
    expect(promiseText(job(), names)).toBe('ready about 16:00, between 15:30 and 16:40');
  });
});

describe('why no sooner', () => {
  const link = (because: Hanging['because'], job = 'a'): Hanging => ({
    at: { job, startMs: ZERO, endMs: ZERO },
    because,
  });
  it.each<[Hanging['because'], string]>([
    [{ kind: 'now' }, 'begins now'],
    [{ kind: 'comes', atMs: at(9) }, 'the vehicle comes at 09:00'],
    [{ kind: 'pieces', lines: ['A3', 'A4'], atMs: at(11) }, 'A3, A4 promised for 11:00'],
    [{ kind: 'clock', atMs: at(10, 5) }, 'a clock runs until 10:05'],
    [{ kind: 'order' }, 'right after the step before it'],
    [{ kind: 'wait', minutes: 30, about: 'Let the oil soak' }, '30 min wait: Let the oil soak'],
    [{ kind: 'fixture', minutes: 90 }, '1 h 30 min until the locker holds'],
    [{ kind: 'person', person: 'mira', job: 'b' }, 'Mira Vane is at 14-231 until then'],
    [{ kind: 'person', person: 'mira', job: 'a' }, 'one after the other: Mira Vane does both'],
    [{ kind: 'hands', job: 'b' }, 'nobody is free to help before 14-231 is done with them'],
    [{ kind: 'lift', job: 'b' }, 'the lift is under 14-231 until then'],
    [{ kind: 'tool', tool: 'The puller', job: 'b' }, 'The puller is at 14-231 until then'],
    [{ kind: 'bay', bay: 2, job: 'b' }, '14-231 stands in bay 2 until then'],
    [{ kind: 'opens', atMs: at(7, 30) }, 'the shop opens at 07:30'],
    [{ kind: 'drive', minutes: 20 }, '20 min until it may be driven: what is on its threads sets'],
  ])('%j', (because, text) => expect(becauseText(link(because), names)).toBe(text));
});

describe('what cannot be, and what could', () => {
  it('says the window against the bolts and the pace', () => {
    expect(
      cannotText({ kind: 'windowShort', group: 'Plate', windowMin: 12, needsMin: 18, stations: 16, possible: 10 }),
    ).toBe('Plate: 16 bolts need 18 min, the locker can be worked for 12 min. Bead 10 at a time.');
    expect(cannotText({ kind: 'notPromised', lines: ['A3'] })).toContain('nobody has promised');
    expect(cannotText({ kind: 'conflict', count: 1 })).toBe('A conflict of kits waits for a lead.');
    expect(cannotText({ kind: 'conflict', count: 2 })).toBe('2 conflicts of kits wait for a lead.');
  });
  it.each<[DayChange, string]>([
    [{ kind: 'swap', first: 'a', second: 'b' }, '14-231 before 14-208'],
    [{ kind: 'bay', job: 'a', bay: 3 }, '14-208 in bay 3'],
    [{ kind: 'fitter', job: 'a', person: 'mira' }, 'Mira Vane on 14-208'],
    [{ kind: 'without', person: 'mira' }, 'Without Mira Vane'],
    [{ kind: 'temperature', tempC: 8 }, 'Bay at 8 °C'],
    [{ kind: 'comes', job: 'a', atMs: at(11) }, '14-208 from 11:00'],
  ])('%j', (change, text) => {
    expect(changeText(change, names)).toBe(text);
    expect(proposalText({ change, savesLateMin: 80, savesMin: 0 }, names)).toBe(`${text}: 1 h 20 min less late`);
    expect(proposalText({ change, savesLateMin: 12, savesMin: 30 }, names)).toBe(
      `${text}: 12 min less late, the day done 30 min sooner`,
    );
  });
  it('names the facts of a day that contradict by what the shop calls them', () => {
    const text = (fact: Parameters<typeof dayFactText>[0]) => dayFactText(fact, names);
    expect(text({ kind: 'atLeast', from: '@now', to: 'a s4', minMinutes: 30 })).toBe(
      '14-208 4 Set both plates: not before 30 min after now',
    );
    expect(text({ kind: 'atLeast', from: 'a s4', to: '@done a', minMinutes: 0 })).toBe(
      '14-208 is done: after 14-208 4 Set both plates',
    );
    expect(text({ kind: 'atMost', from: '@start b', to: '@ready b', maxMinutes: 45 })).toBe(
      '14-231 is ready: within 45 min of 14-231 begins',
    );
    expect(text({ kind: 'capacity', resource: 'person mira', capacity: 1 })).toBe('Mira Vane is one');
    expect(text({ kind: 'capacity', resource: 'hands', capacity: 2 })).toBe('there are 2 people');
    expect(text({ kind: 'capacity', resource: 'tool puller', capacity: 1 })).toBe('there is 1 of puller');
    expect(text({ kind: 'windows', resource: 'hands', windows: [[0, 60]] })).toContain('open 1 times');
    expect(text({ kind: 'activity', id: 'a s4', minutes: 75, uses: {} })).toBe(
      '14-208 4 Set both plates takes 1 h 15 min',
    );
  });
});
