import { scaleLinear } from 'd3-scale';
import { say } from '#contract/wording/say.ts';

const WIDTH = 400;
const HEIGHT = 62;
const LEFT = 8;
const BASE = 38;

/** A figure against its limits on a steel rule: what is wanted is shaded, the pointer is what was read. */
export function LimitRule({ unit, min, max, value }: { unit: string; min?: number; max?: number; value?: number }) {
  if (min === undefined && max === undefined) return null;
  const known = [min, max, value].filter((entry) => entry !== undefined);
  const reach = Math.max(1e-6, (max ?? 0) - (min ?? 0), Math.abs((min ?? max ?? 1) * 0.4));
  const low = Math.min(0, ...known) < 0 ? Math.min(...known) - reach * 0.4 : Math.max(0, Math.min(...known) - reach);
  const high = Math.max(...known) + reach;
  const x = scaleLinear()
    .domain([low, high])
    .nice()
    .range([LEFT, WIDTH - LEFT])
    .clamp(true);
  const from = x(min ?? low);
  const to = x(max ?? high);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full"
      role="img"
      aria-label={say('Wanted {which}{which2} {unit}', {
        which: min === undefined ? '' : say('from {min} ', { min }),
        which2: max === undefined ? say('up') : say('to {max}', { max }),
        unit,
      })}
    >
      <rect x={from} y={6} width={Math.max(2, to - from)} height={BASE - 6} fill="#5a7d33" opacity={0.28} />
      <line x1={LEFT} x2={WIDTH - LEFT} y1={BASE} y2={BASE} stroke="var(--ink)" strokeWidth={2} />
      {x.ticks(32).map((tick) => (
        <line key={tick} x1={x(tick)} x2={x(tick)} y1={BASE} y2={BASE - 8} stroke="var(--ink)" strokeWidth={1} />
      ))}
      {x.ticks(6).map((tick) => (
        <g key={tick}>
          <line x1={x(tick)} x2={x(tick)} y1={BASE} y2={BASE - 14} stroke="var(--ink)" strokeWidth={2} />
          <text x={x(tick)} y={BASE + 17} textAnchor="middle" className="figures" fontSize={14}>
            {tick}
          </text>
        </g>
      ))}
      {value !== undefined && (
        <line x1={x(value)} x2={x(value)} y1={2} y2={BASE + 4} stroke="var(--ink)" strokeWidth={5} />
      )}
    </svg>
  );
}
