import { scaleLinear } from 'd3-scale';

export interface RuleBar {
  name: string;
  value: number;
  /** Drawn as the one that counts, or as one that is not met. */
  tone?: 'main' | 'bad';
  /** A mark on the bar's rule: a limit. */
  limit?: number;
}

const WIDTH = 640;
const ROW = 54;
const LEFT = 190;

/** Lengths or loads side by side on one rule, each with its figure and, where it has one, its limit. */
export function RuleBars({ bars, unit, label }: { bars: readonly RuleBar[]; unit: string; label: string }) {
  const values = bars.flatMap(({ value, limit = 0 }) => [value, limit]);
  const x = scaleLinear()
    .domain([Math.min(0, ...values), Math.max(1e-9, ...values) * 1.05])
    .range([LEFT, WIDTH - 90])
    .nice(5);
  const height = bars.length * ROW + 40;
  return (
    <svg viewBox={`0 0 ${WIDTH} ${height}`} className="w-full" role="img" aria-label={label}>
      {x.ticks(6).map((tick) => (
        <g key={tick}>
          <line x1={x(tick)} x2={x(tick)} y1={8} y2={height - 26} stroke="var(--hair)" />
          <text x={x(tick)} y={height - 8} textAnchor="middle" className="figures" fontSize={12}>
            {tick}
          </text>
        </g>
      ))}
      {bars.map(({ name, value, tone, limit }, row) => {
        const y = 16 + row * ROW;
        const [from, to] = [Math.min(x(0), x(value)), Math.max(x(0), x(value))];
        return (
          <g key={name}>
            <text x={LEFT - 10} y={y + 22} textAnchor="end" fontSize={14}>
              {name}
            </text>
            <rect
              data-part={name}
              x={from}
              y={y + 4}
              width={Math.max(1, to - from)}
              height={26}
              fill={tone === 'bad' ? 'var(--bad)' : tone === 'main' ? 'var(--ink)' : 'var(--steel)'}
              stroke="var(--ink)"
              strokeWidth={1.5}
            />
            {limit !== undefined && (
              <path data-part="limit" d={`M${x(limit)} ${y - 2}V${y + 36}`} stroke="var(--ink)" strokeWidth={4} />
            )}
            <text
              x={Math.max(to, limit === undefined ? 0 : x(limit)) + 8}
              y={y + 23}
              className="figures"
              fontSize={15}
              fontWeight={700}
            >
              {Number(value.toFixed(1))}
            </text>
          </g>
        );
      })}
      <text x={WIDTH - 4} y={height - 8} textAnchor="end" fontSize={12} style={{ fill: 'var(--ink-2)' }}>
        {unit}
      </text>
    </svg>
  );
}
