import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { WrenchBook } from '#contract/book.ts';
import { say } from '#contract/wording/say.ts';
import type { UsePoint } from '#core/crib/wrench-drift.ts';
import { written } from '#core/quantity/display.ts';
import { shopFormat } from '../../shop/shop-time.ts';

const WIDTH = 760;
const HEIGHT = 300;
const EDGE = { left: 56, right: 20, top: 16, bottom: 44 };

/** A deviation in percent with its sign. */
const percent = (share: number): string => `${share > 0 ? '+' : ''}${(share * 100).toFixed(1)} %`;

/** Checks of a wrench over the pulls it had made by then: what is allowed as a band, the drift since its last calibration as a line. */
export function DriftChart({ book: { points, permissible, drift, label, pullsSince } }: { book: WrenchBook }) {
  const most = (points.at(-1)?.pulls ?? 0) + pullsSince;
  const reach = Math.max(permissible * 1.25, ...points.map(({ worst }) => Math.abs(worst) * 1.1));
  const x = scaleLinear()
    .domain([points[0]?.pulls ?? 0, Math.max((points[0]?.pulls ?? 0) + 1, most)])
    .range([EDGE.left + 12, WIDTH - EDGE.right - 12]);
  const y = scaleLinear()
    .domain([-reach, reach])
    .range([HEIGHT - EDGE.bottom, EDGE.top]);
  const last = points.at(-1);
  const first = drift && points[drift.from];
  const path = line<[number, number]>()
    .x(([pulls]) => x(pulls))
    .y(([, value]) => y(value));
  const told: Array<[number, number]> =
    drift && first && last
      ? [
          [first.pulls, drift.now - (drift.perThousand / 1000) * (last.pulls - first.pulls)],
          [last.pulls, drift.now],
          [most, drift.now + (drift.perThousand / 1000) * pullsSince],
        ]
      : [];
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: it slides, and a keyboard slides it too
    <div className="overflow-x-auto" tabIndex={0}>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="w-full min-w-150 bg-sheet"
        role="img"
        aria-label={say('{label}: {count} checks over {most} pulls, last {which}, allowed ±{permissible} %', {
          label,
          count: points.length,
          most,
          which: last ? percent(last.mean) : say('none'),
          permissible: written(permissible * 100, 0),
        })}
      >
        <rect
          x={EDGE.left}
          y={y(permissible)}
          width={WIDTH - EDGE.left - EDGE.right}
          height={y(-permissible) - y(permissible)}
          fill="var(--band)"
        />
        {y.ticks(6).map((tick) => (
          <g key={tick}>
            <line
              x1={EDGE.left}
              x2={WIDTH - EDGE.right}
              y1={y(tick)}
              y2={y(tick)}
              stroke={tick === 0 ? 'var(--ink)' : 'var(--hair)'}
            />
            <text x={EDGE.left - 8} y={y(tick) + 4} textAnchor="end" className="figures" fontSize={12}>
              {written(tick * 100, 0)} %
            </text>
          </g>
        ))}
        {x.ticks(7).map((tick) => (
          <text
            key={tick}
            x={x(tick)}
            y={HEIGHT - EDGE.bottom + 18}
            textAnchor="middle"
            className="figures"
            fontSize={12}
          >
            {tick}
          </text>
        ))}
        <text x={WIDTH - EDGE.right} y={HEIGHT - 6} textAnchor="end" fontSize={13} style={{ fill: 'var(--ink-2)' }}>
          {say('pulls on record')}
        </text>
        {told.length > 0 && (
          <path data-part="drift" d={path(told) ?? ''} fill="none" stroke="var(--bad)" strokeWidth={3} />
        )}
        {points.map((point) => (
          <Check key={point.atMs} point={point} x={x(point.pulls)} y={y(point.mean)} />
        ))}
      </svg>
    </div>
  );
}

/** A calibration sets the wrench anew, so it is a line from edge to edge, too. */
function Check({ point: { atMs, mean, calibration }, x, y }: { point: UsePoint; x: number; y: number }) {
  return (
    <g>
      <title>{`${shopFormat(atMs, 'd MMM yyyy')}, ${calibration ? 'calibration' : 'check'}: ${percent(mean)}`}</title>
      {calibration && (
        <line
          data-part="calibration"
          x1={x}
          x2={x}
          y1={EDGE.top}
          y2={HEIGHT - EDGE.bottom}
          stroke="var(--ink)"
          strokeDasharray="6 4"
        />
      )}
      <circle
        cx={x}
        cy={y}
        r={5}
        fill={calibration ? 'var(--sheet)' : 'var(--ink)'}
        stroke="var(--ink)"
        strokeWidth={2}
      />
    </g>
  );
}
