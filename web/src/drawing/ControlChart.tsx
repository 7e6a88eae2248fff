import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { say } from '#contract/wording/say.ts';
import { written } from '#core/quantity/display.ts';
import { controlChart, POINTS_FOR_LIMITS } from '#core/wrench/control-chart.ts';

export interface ChartPoint {
  /** Mean deviation of one check, as a fraction. */
  value: number;
  /** Worst reading of the check, as a fraction. */
  worst: number;
  calibration: boolean;
  label: string;
}

const WIDTH = 640;
const HEIGHT = 230;
const EDGE = { left: 52, right: 64, top: 14, bottom: 30 };

/** Check-pulls of a wrench in order: what is allowed as a band, its own limits as lines, signals ringed. */
export function ControlChart({
  points,
  permissible,
  label,
}: {
  points: readonly ChartPoint[];
  permissible: number;
  label: string;
}) {
  const chart = controlChart(points.map((point) => point.value));
  const known = points.length >= POINTS_FOR_LIMITS;
  const reach = Math.max(permissible * 1.25, ...points.map((point) => Math.abs(point.worst) * 1.1));
  const x = scaleLinear()
    .domain([0, Math.max(1, points.length - 1)])
    .range([EDGE.left + 12, WIDTH - EDGE.right - 12]);
  const y = scaleLinear()
    .domain([-reach, reach])
    .range([HEIGHT - EDGE.bottom, EDGE.top]);
  const path = line<ChartPoint>()
    .x((_, index) => x(index))
    .y((point) => y(point.value));
  const levels = [
    { at: 0, text: say('true'), tone: 'var(--ink-2)', dash: undefined },
    ...(known
      ? [
          { at: chart.upper, text: say('own limit'), tone: 'var(--ink-2)', dash: '7 4' },
          { at: chart.centre, text: say('mean'), tone: 'var(--ink)', dash: '2 3' },
          { at: chart.lower, text: say('own limit'), tone: 'var(--ink-2)', dash: '7 4' },
        ]
      : []),
  ].sort((a, b) => b.at - a.at);
  // Names of levels that lie close are pushed apart, downwards.
  const nameAt: number[] = [];
  for (const { at } of levels) nameAt.push(Math.max(y(at) + 4, (nameAt.at(-1) ?? Number.NEGATIVE_INFINITY) + 14));
  const signalled = new Set(chart.signals.map((signal) => signal.index));
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: it slides, and a keyboard slides it too
    <div className="overflow-x-auto" tabIndex={0}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full min-w-150" role="img" aria-label={label}>
        <rect
          x={EDGE.left}
          y={y(permissible)}
          width={WIDTH - EDGE.left - EDGE.right}
          height={y(-permissible) - y(permissible)}
          fill="var(--band)"
        />
        {y.ticks(6).map((tick) => (
          <g key={tick}>
            <line x1={EDGE.left - 8} x2={EDGE.left} y1={y(tick)} y2={y(tick)} stroke="var(--ink)" strokeWidth={1.5} />
            <text x={EDGE.left - 11} y={y(tick) + 4} textAnchor="end" className="figures" fontSize={12}>
              {written(tick * 100, 0)} %
            </text>
          </g>
        ))}
        <path d={`M${EDGE.left} ${EDGE.top}V${HEIGHT - EDGE.bottom}`} stroke="var(--ink)" strokeWidth={2} />
        {levels.map(({ at, text, tone, dash }, index) => (
          <g key={`${text}-${at}`}>
            <line
              x1={EDGE.left}
              x2={WIDTH - EDGE.right}
              y1={y(at)}
              y2={y(at)}
              stroke={tone}
              strokeWidth={1.5}
              strokeDasharray={dash}
            />
            <text x={WIDTH - EDGE.right + 6} y={nameAt[index]} fontSize={13} style={{ fill: tone }}>
              {text}
            </text>
          </g>
        ))}
        <path d={path([...points]) ?? ''} fill="none" stroke="var(--ink)" strokeWidth={2} />
        {points.map((point, index) => {
          const out = Math.abs(point.worst) > permissible;
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a check is its place in time
            <g key={index}>
              <title>{point.label}</title>
              <line
                x1={x(index)}
                x2={x(index)}
                y1={y(point.value)}
                y2={y(point.worst)}
                stroke="var(--ink-2)"
                strokeWidth={1.5}
              />
              {signalled.has(index) && (
                <circle cx={x(index)} cy={y(point.value)} r={11} fill="none" stroke="var(--bad)" strokeWidth={2} />
              )}
              {out ? (
                <path
                  d={`M${x(index) - 6} ${y(point.value) - 6}l12 12m0-12l-12 12`}
                  stroke="var(--bad)"
                  strokeWidth={3}
                />
              ) : (
                <circle
                  cx={x(index)}
                  cy={y(point.value)}
                  r={5}
                  fill={point.calibration ? 'var(--sheet)' : 'var(--ink)'}
                  stroke="var(--ink)"
                  strokeWidth={2}
                />
              )}
            </g>
          );
        })}
        <text x={EDGE.left} y={HEIGHT - 6} fontSize={12} style={{ fill: 'var(--ink-2)' }}>
          {points.length === 0
            ? say('no check-pull yet')
            : say('{count} checks, oldest left', { count: points.length })}
          {points.length > 0 && !known
            ? say('; own limits from {pointsForLimits}', { pointsForLimits: POINTS_FOR_LIMITS })
            : ''}
        </text>
      </svg>
    </div>
  );
}
