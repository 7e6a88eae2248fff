import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen } from '@testing-library/react';
import type { StepSpread } from '#core/record/step-times.ts';
import { all, draw, number } from '../../test/drawn.tsx';
import { StepTimeChart } from './StepTimeChart.tsx';

afterEach(cleanup);

const SPREAD: StepSpread = {
  step: 't3',
  text: '3 Lift the guard into place',
  plannedMin: 10,
  jobs: 7,
  quarterMin: 15,
  medianMin: 20,
  threeQuartersMin: 30,
};
const parts = (spread: StepSpread) => {
  const drawn = draw(<StepTimeChart spread={spread} longestMin={40} />);
  const part = (name: string) => all(drawn, 'rect').find((rect) => rect.getAttribute('data-part') === name);
  return { planned: part('planned'), took: part('took') };
};

describe('what a step took', () => {
  it('is told in words too', () => {
    parts(SPREAD);
    expect(screen.getByRole('img')).toHaveAccessibleName(
      '3 Lift the guard into place: half of 7 jobs took 20 min or less, the middle half 15 min to 30 min, the sheet says 10 min',
    );
  });
  it('is a bar to scale beside what the sheet says, in another tone where it runs over', () => {
    const { planned, took } = parts(SPREAD);
    expect(number(took as never, 'width') / number(planned as never, 'width')).toBeCloseTo(1.5, 6);
    expect(took).toHaveAttribute('fill', 'var(--bad)');
    cleanup();
    expect(parts({ ...SPREAD, plannedMin: 25 }).took).toHaveAttribute('fill', 'var(--ink)');
  });
  it('has no frame where the sheet says nothing, and is still seen where it took no time', () => {
    const { plannedMin: _, ...unplanned } = SPREAD;
    const { planned, took } = parts({ ...unplanned, quarterMin: 0, medianMin: 0, threeQuartersMin: 0 });
    expect(planned).toBeUndefined();
    expect(number(took as never, 'width')).toBeGreaterThanOrEqual(2);
    expect(screen.getByRole('img')).toHaveAccessibleName(/took under a minute or less/);
  });
});
