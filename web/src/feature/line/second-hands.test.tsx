import '@testing-library/jest-dom/jest-globals';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import type { DayDocument } from '#contract/day.ts';
import { type DayPlan, planDay } from '#core/day/day-plan.ts';
import { day, job, step, ZERO } from '#core/day/fixture/day.ts';
import { lineOf } from '#core/line/line.ts';
import { FRONT_RECOVERY_POINTS } from '#demo/kits.ts';
import { openKit } from '#demo/try-job.ts';
import { shopData } from '../../shop/shop-data.ts';
import SecondHands from './SecondHands.tsx';
import type { LineInHand } from './use-line.ts';

afterEach(cleanup);

const log = openKit(FRONT_RECOVERY_POINTS, { shield: false });
const [first] = lineOf(log.plan).steps;
if (!first) throw new Error('The line is empty');
const line = { plan: log.plan, state: log.state, document: { id: 'a' }, person: 'mira' } as unknown as LineInHand;

const input = day([job('a', [step(1, 30, { people: 2 })], { fitters: ['mira'] })]);
const people = ['mira', 'hob'].map((id) => ({ id, name: id === 'hob' ? 'Hob Larkmoor' : 'Mira Vane', initials: 'X' }));
const document = { ...input, people, nowMs: ZERO } as unknown as DayDocument;
const plan = ((): DayPlan => {
  const found = planDay(document, { looks: 10 });
  if (!found.ok || found.value.kind !== 'plan') throw new Error('no plan');
  return found.value.plan;
})();

/** The step with what was planned a moment ago, in a shop that does not answer meanwhile. */
const open = (planned?: 'none' | { day: DayDocument; plan: DayPlan }, agoMs = 0) => {
  if (planned !== undefined) shopData.setQueryData(['firstPlan'], planned, { updatedAt: Date.now() - agoMs });
  render(
    <MemoryRouter>
      <SecondHands line={line} step={first}>
        <p>the act</p>
      </SecondHands>
    </MemoryRouter>,
  );
};

describe('a step that takes two', () => {
  beforeEach(() => {
    shopData.clear();
    globalThis.fetch = (() => new Promise(() => undefined)) as typeof fetch;
  });
  it('looks for a hand while nothing is planned', () => {
    open();
    expect(screen.getByText('Looking who has a hand free…')).toBeVisible();
    expect(screen.queryByText('the act')).toBeNull();
  });
  it('is there at once where somebody is free by the plan of a moment ago', () => {
    open({ day: document, plan });
    expect(screen.getByText('the act')).toBeVisible();
  });
  it('keeps nobody waiting for a plan whose facts contradict each other', () => {
    open('none');
    expect(screen.getByText('the act')).toBeVisible();
  });
  it('does not go by a plan that is old', () => {
    open({ day: document, plan }, 10 * 60_000);
    expect(screen.getByText('Looking who has a hand free…')).toBeVisible();
  });
});
