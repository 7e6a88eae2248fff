import { scaleLinear } from 'd3-scale';
import { say } from '#contract/wording/say.ts';
import { written } from '#core/quantity/display.ts';
import type { StationSpread } from '#core/record/station-spread.ts';

const WIDTH = 420;
const HEIGHT = 56;
const EDGE = { left: 6, right: 6, top: 4, bottom: 16 };

/** How the final pulls of a station lie: a bar for each part of the scale, the band behind them, the mean as a line. */
export function SpreadChart({ spread }: { spread: StationSpread }) {
  const { bins, lowNm, highNm, minNm, maxNm, meanNm, station, pulls } = spread;
  const x = scaleLinear()
    .domain([lowNm, highNm])
    .range([EDGE.left, WIDTH - EDGE.right]);
  const y = scaleLinear()
    .domain([0, Math.max(1, ...bins)])
    .range([HEIGHT - EDGE.bottom, EDGE.top]);
  const wide = (x(highNm) - x(lowNm)) / bins.length;
  const upper = maxNm ?? highNm;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={say('{station}: {pulls} pulls from {lowNm} to {highNm} N·m, mean {meanNm}, band {minNm} to {value}', {
        station,
        pulls,
        lowNm: written(lowNm, 1),
        highNm: written(highNm, 1),
        meanNm: written(meanNm, 1),
        minNm: written(minNm, 1),
        value: maxNm?.toFixed(1) ?? say('open'),
      })}
      className="w-full max-w-md bg-sheet"
    >
      <rect
        x={x(minNm)}
        y={0}
        width={Math.max(0, x(upper) - x(minNm))}
        height={HEIGHT - EDGE.bottom}
        fill="var(--band)"
      />
      {bins.map((count, at) => {
        const middle = lowNm + ((at + 0.5) * (highNm - lowNm)) / bins.length;
        const outside = middle < minNm || middle > upper;
        return count === 0 ? null : (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: a part of the scale is its place
            key={at}
            x={x(lowNm) + at * wide + 0.5}
            y={y(count)}
            width={Math.max(1, wide - 1)}
            height={HEIGHT - EDGE.bottom - y(count)}
            fill={outside ? 'var(--bad)' : 'var(--ink)'}
          />
        );
      })}
      <line x1={x(meanNm)} x2={x(meanNm)} y1={0} y2={HEIGHT - EDGE.bottom} stroke="#ffd21f" strokeWidth={3} />
      <g className="figures" fontSize={11} fill="var(--ink-2)">
        <text x={x(minNm)} y={HEIGHT - 3} textAnchor="middle">
          {written(minNm, 1)}
        </text>
        {maxNm !== undefined && (
          <text x={x(maxNm)} y={HEIGHT - 3} textAnchor="middle">
            {written(maxNm, 1)}
          </text>
        )}
      </g>
    </svg>
  );
}
