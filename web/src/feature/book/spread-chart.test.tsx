import '@testing-library/jest-dom/jest-globals';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, screen } from '@testing-library/react';
import type { StationSpread } from '#core/record/station-spread.ts';
import { all, draw, number } from '../../test/drawn.tsx';
import { SpreadChart } from './SpreadChart.tsx';

afterEach(cleanup);

const SPREAD: StationSpread = {
  station: 'Guard, 1 Guard front edge, left',
  pulls: 12,
  meanNm: 10,
  sdNm: 0.3,
  minNm: 9,
  maxNm: 11,
  targetNm: 10,
  missed: 2,
  bins: [2, 0, 6, 4],
  lowNm: 8,
  highNm: 12,
};

describe('how the pulls of a station lie', () => {
  it('is told in words too: how many, from where to where, the mean and the band', () => {
    draw(<SpreadChart spread={SPREAD} />);
    expect(screen.getByRole('img')).toHaveAccessibleName(
      /12 pulls from 8\.0 to 12\.0 N·m, mean 10\.0, band 9\.0 to 11\.0/,
    );
  });
  it('has a bar for each part that holds pulls, as high as it holds, those outside the band in another tone', () => {
    const drawn = draw(<SpreadChart spread={SPREAD} />);
    const [band, ...bars] = all(drawn, 'rect');
    expect(bars).toHaveLength(3);
    const high = bars.map((bar) => number(bar as never, 'height'));
    expect((high[1] ?? 0) / (high[0] ?? 1)).toBeCloseTo(3, 5);
    expect((high[2] ?? 0) / (high[0] ?? 1)).toBeCloseTo(2, 5);
    expect(bars.map((bar) => bar.getAttribute('fill'))).toEqual(['var(--bad)', 'var(--ink)', 'var(--bad)']);
    // The band covers the middle half of the scale.
    const scale = number(bars[1] as never, 'width') + 1;
    expect(number(band as never, 'width') / scale).toBeCloseTo(2, 1);
  });
  it('without an upper bound the band goes to the end of the scale', () => {
    const { maxNm: _, ...open } = SPREAD;
    draw(<SpreadChart spread={open} />);
    expect(screen.getByRole('img')).toHaveAccessibleName(/band 9\.0 to open/);
  });
});
