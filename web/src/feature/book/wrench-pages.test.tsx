import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen } from '@testing-library/react';
import type { WrenchBook } from '#contract/book.ts';
import type { UsePoint } from '#core/crib/wrench-drift.ts';
import { wrenchDrift } from '#core/crib/wrench-drift.ts';
import { all, draw } from '../../test/drawn.tsx';
import { DriftChart } from './DriftChart.tsx';
import { driftText } from './WrenchPages.tsx';

afterEach(cleanup);

const point = (pulls: number, mean: number, calibration = false): UsePoint => ({
  atMs: 1_760_000_000_000 + pulls * 1000,
  pulls,
  mean,
  worst: mean,
  calibration,
});
const book = (points: UsePoint[], pullsSince = 0): WrenchBook => {
  const drift = wrenchDrift(points, 0.04);
  return { label: 'W-2', permissible: 0.04, points, ...(drift ? { drift } : {}), pullsSince, behind: 0 };
};
const RISING = [0, 100, 200, 300, 400, 500].map((pulls) => point(pulls, pulls * 4e-5));

describe('drift of a wrench against use', () => {
  it('is told with its bounds and the pulls that are left, those since the last check counted off', () => {
    expect(driftText(book(RISING))).toBe(
      'It wanders with use: +4.00 % in 1000 pulls, between +4.00 % and +4.00 %. Going on so, it leaves what is allowed in about 500 pulls.',
    );
    expect(driftText(book(RISING, 120))).toMatch(/in about 380 pulls\. It has made 120 pulls since the last check\.$/);
    expect(driftText(book(RISING, 700))).toMatch(/it has left what is allowed by now: check it before the next pull/);
  });
  it('is not told of too little, and not of what use does not move', () => {
    expect(driftText(book([]))).toBe('No check of it is on record.');
    expect(driftText(book(RISING.slice(0, 3)))).toMatch(/^Too little to tell a drift from: it wants 5 checks/);
    const steady = [1, -1, 1, -1, 1, -1, 1].map((side, k) => point(k * 100, side * 0.002));
    expect(driftText(book(steady))).toMatch(/^Use is not seen to move it/);
  });
  it('is drawn over the pulls, a calibration from edge to edge, and the line only where there is a drift', () => {
    const drawn = draw(
      <DriftChart book={book([point(0, 0.03, true), ...RISING.map((p) => point(p.pulls + 10, p.mean))])} />,
    );
    expect(all(drawn, 'circle')).toHaveLength(7);
    expect(all(drawn, 'line').filter((line) => line.getAttribute('data-part') === 'calibration')).toHaveLength(1);
    expect(all(drawn, 'path').filter((path) => path.getAttribute('data-part') === 'drift')).toHaveLength(1);
    cleanup();
    const few = draw(<DriftChart book={book(RISING.slice(0, 2))} />);
    expect(all(few, 'path')).toHaveLength(0);
    expect(screen.getByRole('img')).toHaveAccessibleName('W-2: 2 checks over 100 pulls, last +0.4 %, allowed ±4 %');
  });
});
