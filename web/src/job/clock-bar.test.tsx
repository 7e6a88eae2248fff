import '@testing-library/jest-dom/jest-globals';
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { act, cleanup, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { ClockBar } from './ClockBar.tsx';
import { type ClockHere, clocksToTell, useClocksHere } from './clocks-here.ts';

const MINUTE_MS = 60_000;
const clock = (id: string, inMin: number, over: Partial<ClockHere> = {}): ClockHere => ({
  id,
  name: `Brackets: ${id}`,
  calls: true,
  endsAtMs: Date.now() + inMin * MINUTE_MS,
  gates: ['drive'],
  ...over,
});

beforeEach(() => {
  jest.useFakeTimers({ now: Date.UTC(2026, 10, 27, 9) });
  useClocksHere.setState({ jobs: [] });
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});
const show = (job?: string) =>
  render(
    <MemoryRouter>
      <ClockBar job={job} />
    </MemoryRouter>,
  );

describe('the clock bar', () => {
  it('is not there while nothing runs', () => {
    show('j1');
    expect(screen.queryByRole('list')).toBeNull();
  });
  it('tells the clocks of all jobs of the tablet, the first to end in front, and leads to the others', () => {
    const { note } = useClocksHere.getState();
    note({ job: 'j1', jobName: 'Carrick · 1', clocks: [clock('soak', 15), clock('cure', 900, { calls: false })] });
    note({ job: 'j2', jobName: 'Gorse · 2', clocks: [clock('fixture', 5), clock('cure2', 901, { calls: false })] });
    show('j1');
    const lines = screen.getAllByRole('listitem').map(({ textContent }) => textContent);
    expect(lines).toHaveLength(3);
    expect(lines[0]).toContain('Gorse · 2: Brackets: fixture');
    expect(lines[1]).toContain('Brackets: soak');
    // The other job's cure of a day calls nobody here.
    expect(lines[2]).toContain('Brackets: cure');
    expect(screen.getByRole('link')).toHaveAttribute('href', '/jobs/j2/line');
  });
  it('says over when one has run out, and lets it go after a while', () => {
    useClocksHere.getState().note({ job: 'j1', jobName: 'Carrick · 1', clocks: [clock('soak', 1)] });
    show('j1');
    act(() => void jest.advanceTimersByTime(61_000));
    expect(screen.getByText(/over/)).toBeVisible();
    act(() => void jest.advanceTimersByTime(31 * MINUTE_MS));
    expect(screen.queryByRole('list')).toBeNull();
  });
  it('forgets a job whose clocks are all done', () => {
    const { note } = useClocksHere.getState();
    note({ job: 'j1', jobName: 'Carrick · 1', clocks: [clock('soak', 15)] });
    note({ job: 'j1', jobName: 'Carrick · 1', clocks: [] });
    expect(clocksToTell(useClocksHere.getState().jobs, Date.now())).toEqual([]);
  });
});
