import { scaleLinear, scaleLog } from 'd3-scale';
import { area, line } from 'd3-shape';

export interface CurveSeries {
  key: string;
  label: string;
  points: ReadonlyArray<readonly [x: number, y: number]>;
  tone?: 'ink' | 'bad' | 'faint';
  dashed?: boolean;
}

export interface CurveProps {
  label: string;
  xLabel: string;
  yLabel: string;
  series: readonly CurveSeries[];
  /** Between two bounds: what may be. */
  band?: { label: string; points: ReadonlyArray<readonly [x: number, low: number, high: number]> };
  marks?: ReadonlyArray<{ x: number; y: number; text: string }>;
  /** Limits: a horizontal or vertical line with its name. */
  limits?: ReadonlyArray<{ y?: number; x?: number; text: string; bad?: boolean }>;
  log?: boolean;
  xTicks?: ReadonlyArray<{ at: number; text: string }>;
  /** A second scale along the top, in the other system. */
  xOther?: { label: string; factor: number };
  yFrom?: number;
}

const WIDTH = 640;
const HEIGHT = 270;
const EDGE = { left: 62, right: 18, top: 34, bottom: 42 };
const TONE: Record<NonNullable<CurveSeries['tone']>, string> = {
  ink: 'var(--ink)',
  bad: 'var(--bad)',
  faint: 'var(--rule)',
};

/** Several series may go by one name: it stands once below. */
const firstOfLabel = ({ label }: CurveSeries, at: number, all: readonly CurveSeries[]): boolean =>
  all.findIndex((other) => other.label === label) === at;

/** A curve on squared paper, its scales drawn as rules. Values outside the frame are cut off, never squeezed in. */
export function Curve({
  label,
  xLabel,
  yLabel,
  series,
  band,
  marks = [],
  limits = [],
  log = false,
  xTicks,
  xOther,
  yFrom,
}: CurveProps) {
  const xs = series.flatMap(({ points }) => points.map(([x]) => x)).filter((x) => Number.isFinite(x));
  const ys = [
    ...series.flatMap(({ points }) => points.map(([, y]) => y)),
    ...(band?.points.map(([, , high]) => high) ?? []),
    ...limits.flatMap(({ y }) => y ?? []),
  ].filter((y) => Number.isFinite(y));
  const low = yFrom ?? Math.min(0, ...ys);
  const xDomain: [number, number] = [Math.min(...xs), Math.max(...xs)];
  const x = (log ? scaleLog() : scaleLinear()).domain(xDomain).range([EDGE.left, WIDTH - EDGE.right]);
  const y = scaleLinear()
    .domain([low, Math.max(low + 1e-9, ...ys)])
    .nice(5)
    .range([HEIGHT - EDGE.bottom, EDGE.top]);
  const path = line<readonly [number, number]>()
    .x(([at]) => x(at))
    .y(([, at]) => y(at));
  const between = area<readonly [number, number, number]>()
    .x(([at]) => x(at))
    .y0(([, from]) => y(from))
    .y1(([, , to]) => y(to));
  const ticks = xTicks ?? x.ticks(6).map((at) => ({ at, text: String(at) }));
  const base = HEIGHT - EDGE.bottom;
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: it slides, and a keyboard slides it too
    <figure className="overflow-x-auto" tabIndex={0}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full min-w-130" role="img" aria-label={label}>
        <clipPath id="curve-frame">
          <rect x={EDGE.left} y={EDGE.top} width={WIDTH - EDGE.left - EDGE.right} height={base - EDGE.top} />
        </clipPath>
        {y.ticks(5).map((tick) => (
          <g key={tick}>
            <line x1={EDGE.left} x2={WIDTH - EDGE.right} y1={y(tick)} y2={y(tick)} stroke="var(--hair)" />
            <line x1={EDGE.left - 8} x2={EDGE.left} y1={y(tick)} y2={y(tick)} stroke="var(--ink)" strokeWidth={1.5} />
            <text x={EDGE.left - 12} y={y(tick) + 4} textAnchor="end" className="figures" fontSize={14}>
              {tick}
            </text>
          </g>
        ))}
        {ticks.map(({ at, text }) => (
          <g key={at}>
            <line x1={x(at)} x2={x(at)} y1={base} y2={base + 8} stroke="var(--ink)" strokeWidth={1.5} />
            <text x={x(at)} y={base + 21} textAnchor="middle" className="figures" fontSize={14}>
              {text}
            </text>
          </g>
        ))}
        {xOther &&
          scaleLinear()
            .domain(xDomain.map((end) => end * xOther.factor))
            .ticks(6)
            .map((tick) => (
              <g key={tick}>
                <line
                  x1={x(tick / xOther.factor)}
                  x2={x(tick / xOther.factor)}
                  y1={EDGE.top}
                  y2={EDGE.top - 6}
                  stroke="var(--ink-2)"
                />
                <text
                  x={x(tick / xOther.factor)}
                  y={EDGE.top - 9}
                  textAnchor="middle"
                  className="figures"
                  fontSize={13}
                  style={{ fill: 'var(--ink-2)' }}
                >
                  {tick}
                </text>
              </g>
            ))}
        {xOther && (
          <text x={WIDTH - EDGE.right} y={11} textAnchor="end" fontSize={14} style={{ fill: 'var(--ink-2)' }}>
            {xOther.label}
          </text>
        )}
        <path
          d={`M${EDGE.left} ${EDGE.top}V${base}H${WIDTH - EDGE.right}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2}
        />
        <g clipPath="url(#curve-frame)">
          {band && <path d={between(band.points) ?? ''} fill="var(--band)" />}
          {series.map(({ key, points, tone = 'ink', dashed }) => (
            <path
              key={key}
              d={path(points) ?? ''}
              fill="none"
              stroke={TONE[tone]}
              strokeWidth={tone === 'faint' ? 1.5 : 2.5}
              strokeDasharray={dashed ? '6 4' : undefined}
            />
          ))}
        </g>
        {limits.map(({ x: atX, y: atY, text, bad }) => (
          <g key={text}>
            {atY !== undefined && (
              <>
                <line
                  x1={EDGE.left}
                  x2={WIDTH - EDGE.right}
                  y1={y(atY)}
                  y2={y(atY)}
                  stroke={bad ? 'var(--bad)' : 'var(--ink-2)'}
                  strokeDasharray="7 4"
                />
                <text
                  x={EDGE.left + 8}
                  y={y(atY) - 5}
                  fontSize={14}
                  style={{ fill: bad ? 'var(--bad)' : 'var(--ink-2)' }}
                >
                  {text}
                </text>
              </>
            )}
            {atX !== undefined && atX >= xDomain[0] && atX <= xDomain[1] && (
              <>
                <line
                  x1={x(atX)}
                  x2={x(atX)}
                  y1={EDGE.top}
                  y2={base}
                  stroke={bad ? 'var(--bad)' : 'var(--ink-2)'}
                  strokeDasharray="7 4"
                />
                <text
                  x={x(atX) + (x(atX) > WIDTH - 150 ? -5 : 5)}
                  y={EDGE.top + 14}
                  textAnchor={x(atX) > WIDTH - 150 ? 'end' : 'start'}
                  fontSize={14}
                  style={{ fill: bad ? 'var(--bad)' : 'var(--ink-2)' }}
                >
                  {text}
                </text>
              </>
            )}
          </g>
        ))}
        {marks.map(({ x: atX, y: atY, text }) => (
          <g key={`${atX}-${text}`}>
            <circle cx={x(atX)} cy={y(atY)} r={6} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={3.5} />
            <text
              x={x(atX) + (x(atX) > WIDTH - 190 ? -12 : 12)}
              y={y(atY) + 20}
              textAnchor={x(atX) > WIDTH - 190 ? 'end' : 'start'}
              className="figures"
              fontSize={15}
              fontWeight={700}
              style={{ paintOrder: 'stroke', stroke: 'var(--bench)', strokeWidth: 5 }}
            >
              {text}
            </text>
          </g>
        ))}
        <text x={WIDTH - EDGE.right} y={HEIGHT - 5} textAnchor="end" fontSize={14} style={{ fill: 'var(--ink-2)' }}>
          {xLabel}
        </text>
        <text x={6} y={16} fontSize={14} style={{ fill: 'var(--ink-2)' }}>
          {yLabel}
        </text>
      </svg>
      {(series.length > 1 || band) && (
        <figcaption className="mt-1 flex flex-wrap gap-x-5 gap-y-1 text-sm">
          {series.filter(firstOfLabel).map(({ key, label: name, tone = 'ink', dashed }) => (
            <span key={key} className="flex items-center gap-2">
              <svg width="26" height="8" aria-hidden="true">
                <line
                  x1="0"
                  x2="26"
                  y1="4"
                  y2="4"
                  stroke={TONE[tone]}
                  strokeWidth="2.5"
                  strokeDasharray={dashed ? '6 4' : undefined}
                />
              </svg>
              {name}
            </span>
          ))}
          {band && (
            <span className="flex items-center gap-2">
              <span aria-hidden="true" className="inline-block h-3 w-6 bg-band" />
              {band.label}
            </span>
          )}
        </figcaption>
      )}
    </figure>
  );
}
