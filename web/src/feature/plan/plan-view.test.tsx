import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import type { DayDocument } from '#contract/day.ts';
import type { JobCard } from '#contract/job.ts';
import { type DayPlan, planDay } from '#core/day/day-plan.ts';
import { day, HOUR, job, MINUTE, step, work, ZERO } from '#core/day/fixture/day.ts';
import { handAt } from '../line/SecondHands.tsx';
import { Elsewhere } from '../line/UsefulElsewhere.tsx';
import { Agenda } from './Agenda.tsx';
import { PlanNotes, UsefulNow } from './PlanNotes.tsx';
import { PlannedBar, partOf } from './PlannedBar.tsx';
import { stretchesOf } from './people-lane.ts';
import { planNeeds } from './plan-needs.ts';
import { namesOf } from './use-day-plan.ts';
import { Week } from './Week.tsx';

afterEach(cleanup);

const card = (id: string, plate: string): JobCard => ({
  id,
  number: `261130-${id}`,
  bay: 1,
  plannedStartMs: ZERO,
  estimatedMinutes: 60,
  kitTitle: 'Front recovery points',
  vehicle: { make: 'Aldren', model: 'Tussock', plate },
  progress: { phase: 'loose', phases: [], shortLines: [], openProblems: [], spoiled: [], lockers: [] },
});
const steps = [step(1, 30, { people: 2 }), step(2, 45)];
const lags = [{ from: 's1', to: 's2', minMinutes: 20, why: 'wait' as const, about: 'Soak' }];
const input = day([
  job('a', steps, { work: work('a', steps, { lags }), fitters: ['mira'], promisedMs: ZERO + HOUR }),
  job('b', [step(1, 25)], { bay: 2, fitters: ['rafe'], begun: true }),
]);
const document: DayDocument = {
  ...input,
  bays: 2,
  jobs: input.jobs.map((one) => ({ ...one, done: [], card: card(one.id, one.id === 'a' ? '14-208' : '14-231') })),
  people: [
    { id: 'mira', name: 'Mira Vane', initials: 'MV', leads: true },
    { id: 'rafe', name: 'Rafe Orrin', initials: 'RO', leads: true },
    { id: 'hob', name: 'Hob Larkmoor', initials: 'HL', leads: false },
  ],
};
const plan = ((): DayPlan => {
  const found = planDay(document, { looks: 10 });
  if (!found.ok || found.value.kind !== 'plan') throw new Error('no plan');
  return found.value.plan;
})();
const inRouter = (children: React.ReactNode) => render(<MemoryRouter>{children}</MemoryRouter>);

describe('a job’s part of the plan', () => {
  it('is its stretches, its waits and its promise', () => {
    const part = partOf({ plan }, 'a');
    expect(part?.work).toHaveLength(2);
    expect(part?.waits).toMatchObject([
      { why: 'wait', about: 'Soak', fromMs: ZERO + 30 * MINUTE, toMs: ZERO + 50 * MINUTE },
    ]);
    expect(part?.promise?.risk).toBe('late');
    expect(partOf({ plan }, 'nothing')).toBeUndefined();
  });
  it('is drawn with the wait hatched and the step of now filled', () => {
    const part = partOf({ plan }, 'a');
    if (!part) throw new Error('no part');
    const { container } = render(
      <PlannedBar
        part={part}
        percent={(ms) => ((ms - ZERO) / (2 * HOUR)) * 100}
        nowMs={ZERO + MINUTE}
        fromMs={ZERO}
        shown={[ZERO, ZERO + 2 * HOUR]}
      />,
    );
    expect(container.querySelectorAll('.wait-hatched')).toHaveLength(1);
    expect(container.querySelectorAll('.bg-paint')).toHaveLength(1);
  });
});

describe('a second hand, on the line', () => {
  const hand = (who: string[], at = 'a') => {
    const people = document.people.filter(({ id }) => who.includes(id));
    return handAt({ ...document, people, nowMs: ZERO }, plan, at, 'mira');
  };
  it('is named where there is one', () =>
    expect(hand(['mira', 'rafe', 'hob'])).toEqual({ text: 'Takes two: Hob Larkmoor is free.' }));
  it('is waited for where all have something in hand', () => {
    const { text, freeAtMs } = hand(['mira', 'rafe']);
    expect(text).toMatch(/^Takes two: nobody is free before \d\d:\d\d, then Rafe Orrin\.$/);
    expect(freeAtMs).toBe(ZERO + 25 * MINUTE);
  });
  it('says what the job has for one meanwhile, and nothing where all else waits too', () => {
    expect(hand(['mira', 'rafe'], 'b').meanwhile?.step).toBe('s1');
    expect(hand(['mira', 'rafe'], 'a').meanwhile).toBeUndefined();
  });
  it('is missing where nobody else is there, and then nothing is waited for', () =>
    expect(hand(['mira'])).toEqual({ text: 'Takes two, and nobody else is there.' }));
});

describe('a line that has nothing for a wait', () => {
  const shown = (person: string, at: number) =>
    inRouter(<Elsewhere day={{ ...document, nowMs: at }} plan={plan} job="a" person={person} />);
  it('leads where the plan has the person now', () => {
    shown('rafe', ZERO + MINUTE);
    expect(screen.getByRole('link', { name: '14-231, step 1 Step 1' })).toHaveAttribute('href', '/jobs/b/line');
  });
  it('offers what is useful where the person is wanted nowhere', () => {
    shown('hob', ZERO + 31 * MINUTE);
    expect(screen.queryByText('The plan has you elsewhere:')).toBeNull();
    expect(screen.getByRole('region', { name: 'Useful now' })).toBeVisible();
  });
});

describe('what the plan wants seen to', () => {
  const names = namesOf(document);
  it('is a promise at risk, and who is wanted to help, when and for how long', () => {
    const needs = planNeeds(document, plan, names);
    const titles = needs.map(({ title }) => title);
    expect(titles).toContain('14-208 at risk');
    expect(titles).toContain('Hob Larkmoor to help');
    expect(needs.find(({ key }) => key.startsWith('helper'))?.detail).toContain('for about 30 min');
    expect(needs.every(({ to }) => to?.startsWith('/plan/') || to?.startsWith('/jobs/'))).toBe(true);
  });
  it('says that nobody is free, and that a locker is lost', () => {
    const missing = {
      ...plan,
      steps: plan.steps.map((one) => ({ ...one, people: one.people.slice(0, 1), missingHands: one.step.people - 1 })),
    };
    const lost = { ...missing, lost: [{ job: 'a', group: 'Plate', closesAtMs: ZERO + MINUTE, needsMin: 5 }] };
    const titles = planNeeds(document, lost, names).map(({ title }) => title);
    expect(titles).toContain('Nobody is free to help');
    expect(titles).toContain('Locker sets before its last pull');
  });
});

describe('views of the plan', () => {
  it('agenda: each job with its hour, its person and how its promise stands', () => {
    inRouter(<Agenda day={document} plan={plan} fromMs={ZERO} toMs={ZERO + 10 * HOUR} />);
    expect(screen.getAllByRole('listitem')).toHaveLength(2);
    expect(screen.getByText(/at risk: ready about/)).toBeVisible();
    expect(screen.getByText(/Bay 1, Mira Vane/)).toBeVisible();
    cleanup();
    inRouter(<Agenda day={document} plan={plan} fromMs={ZERO + 100 * HOUR} toMs={ZERO + 101 * HOUR} />);
    expect(screen.getByText('Nothing is planned.')).toBeVisible();
  });
  it('week: a row for each bay, a job in the days it is worked on', () => {
    inRouter(<Week day={document} plan={plan} onDay={() => undefined} />);
    expect(screen.getAllByRole('rowheader')).toHaveLength(2);
    expect(screen.getByRole('link', { name: /14-208 Tussock/ })).toHaveAttribute('href', '/plan/a');
  });
  it('notes: how good it is; a change that saves with a way to take it; facts that contradict', () => {
    const taken: unknown[] = [];
    const proposal = { change: { kind: 'bay' as const, job: 'a', bay: 2 }, savesLateMin: 30, savesMin: 0 };
    inRouter(
      <PlanNotes
        planned={{ day: document, plan: { ...plan, optimal: false, gap: 0.034 }, looking: false, proposal }}
        onTake={(...given) => taken.push(given)}
      />,
    );
    expect(screen.getByRole('status')).toHaveTextContent('At most 4 % longer than what is possible.');
    screen.getByRole('button', { name: 'Do that' }).click();
    expect(taken).toMatchObject([[{ id: 'a' }, { bay: 2 }]]);
    cleanup();
    inRouter(
      <PlanNotes
        planned={{
          day: document,
          looking: false,
          contradiction: [{ kind: 'atMost', from: 'a s1', to: 'a s2', maxMinutes: 5 }],
        }}
      />,
    );
    expect(screen.getByRole('alert')).toHaveTextContent('14-208 2 Step 2: within 5 min of 14-208 1 Step 1');
    cleanup();
    inRouter(<PlanNotes planned={{ looking: false, failure: 'The server could not be reached.' }} />);
    expect(screen.getByRole('alert')).toHaveTextContent('The plan: The server could not be reached.');
  });
  it('useful now: nothing for who works, and for who waits what fits', () => {
    inRouter(<UsefulNow planned={{ day: document, plan, looking: false }} person="mira" nowMs={ZERO + MINUTE} />);
    expect(screen.queryByText('Useful now')).toBeNull();
  });
  it('people: who works and who helps, what follows on put together', () => {
    const lane = plan.steps.map((one) => ({ ...one, plate: one.job }));
    expect(stretchesOf('mira', lane).map(({ helps }) => helps)).toEqual([false, false]);
    expect(stretchesOf('hob', lane)).toMatchObject([{ helps: true, startMs: ZERO }]);
    const one = { id: '1', people: ['mira'], job: 'a', plate: 'a', startMs: 0, endMs: 5 };
    expect(stretchesOf('mira', [one, { ...one, id: '2', startMs: 5, endMs: 9 }])).toMatchObject([
      { startMs: 0, endMs: 9 },
    ]);
  });
});
