import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen } from '@testing-library/react';
import { all, draw } from '../test/drawn.tsx';
import { ControlChart } from './ControlChart.tsx';
import { Curve } from './Curve.tsx';

afterEach(cleanup);

describe('a curve', () => {
  const curve = (over: Partial<React.ComponentProps<typeof Curve>> = {}) =>
    draw(
      <Curve
        label="Load over torque"
        xLabel="torque"
        yLabel="load"
        series={[
          {
            key: 's',
            label: 'load',
            points: [
              [0, 0],
              [50, 20],
              [100, 40],
            ],
          },
        ]}
        {...over}
      />,
    );
  it('is straight where its points are, and its frame holds it', () => {
    const drawn = curve();
    const path = drawn.querySelector('g[clip-path] path')?.getAttribute('d') ?? '';
    const at = [...path.matchAll(/([\d.]+),([\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)]) as [number, number][];
    expect(at).toHaveLength(3);
    const [[x0, y0], [x1, y1], [x2, y2]] = at as [[number, number], [number, number], [number, number]];
    expect((y1 - y0) / (x1 - x0)).toBeCloseTo((y2 - y1) / (x2 - x1), 6);
    expect(y2).toBeLessThan(y0);
  });
  it('limits are lines with their names; one outside its scale is left out', () => {
    curve({
      limits: [
        { y: 30, text: 'proof', bad: true },
        { x: 500, text: 'far away' },
        { x: 50, text: 'half' },
      ],
    });
    expect(screen.getByText('proof')).toBeVisible();
    expect(screen.getByText('half')).toBeVisible();
    expect(screen.queryByText('far away')).toBeNull();
  });
  it('a second scale stands on top, in its own unit', () => {
    curve({ xOther: { label: 'lbf·ft', factor: 0.7376 } });
    expect(screen.getByText('lbf·ft')).toBeVisible();
  });
  it('marks, bands and a logarithmic scale are drawn in numbers', () => {
    const drawn = curve({
      log: true,
      series: [
        {
          key: 's',
          label: 'strength',
          points: [
            [1, 0],
            [10, 10],
            [100, 95],
          ],
          dashed: true,
          tone: 'faint',
        },
      ],
      band: {
        label: 'range',
        points: [
          [1, 0, 1],
          [100, 80, 99],
        ],
      },
      marks: [{ x: 10, y: 10, text: 'fixture' }],
      xTicks: [{ at: 10, text: 'ten' }],
    });
    expect(drawn.innerHTML).not.toMatch(/NaN|Infinity/);
    expect(screen.getByText('ten')).toBeVisible();
    expect(screen.getByText('fixture')).toBeVisible();
  });
});

describe('the checks of a wrench', () => {
  const point = (value: number, worst = value, calibration = false) => ({
    value,
    worst,
    calibration,
    label: `${value}`,
  });
  const chart = (points: ReturnType<typeof point>[]) =>
    draw(<ControlChart points={points} permissible={0.04} label="Deviation" />);
  it('without any says so, and with few when its own limits begin', () => {
    chart([]);
    expect(screen.getByText('no check-pull yet')).toBeVisible();
    cleanup();
    chart([point(0.01), point(0.012)]);
    expect(screen.getByText(/2 checks, oldest left; own limits from/)).toBeVisible();
    expect(screen.queryByText('own limit')).toBeNull();
  });
  it('one out of what is allowed is a cross, a calibration an open ring', () => {
    const drawn = chart([point(0, 0, true), point(0.01), point(0.02, 0.05)]);
    expect(all(drawn, 'path[stroke="var(--bad)"]')).toHaveLength(1);
    expect(all(drawn, 'circle[fill="var(--sheet)"]')).toHaveLength(1);
    expect(all(drawn, 'circle[fill="var(--ink)"]')).toHaveLength(1);
  });
  it('from enough checks on it has limits of its own, and rings what stands out', () => {
    const steady = Array.from({ length: 14 }, (_, at) => point(at % 2 === 0 ? 0.002 : -0.002));
    const drawn = chart([...steady, point(0.03)]);
    expect(screen.getAllByText('own limit')).toHaveLength(2);
    expect(all(drawn, 'circle[stroke="var(--bad)"]').length).toBeGreaterThan(0);
  });
});
