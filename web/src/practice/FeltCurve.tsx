import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { say } from '#contract/wording/say.ts';
import type { TraceSample } from '#core/trace/pull-trace.ts';

const WIDTH = 420;
const HEIGHT = 132;
const EDGE = { left: 44, right: 10, top: 10, bottom: 30 };
/** Share of the width that the run-down takes: what counts comes after it. */
const RUN_SHARE = 0.28;
/** From this share of the target on it is no free run. */
const FREE = 0.08;
/** The rise is drawn on so many times what it should take, so that one that goes too far is seen to (chosen by us). */
const ROOM = 2.2;

export interface FeltCurveProps {
  samples: readonly TraceSample[];
  targetNm: number;
  /** Degrees from contact to the target that the joint's stack would take. */
  riseDeg: number;
  label: string;
}

/** Torque over turn as a hand would draw it: the run-down drawn together, the rise on the same scale at every station. */
export function FeltCurve({ samples, targetNm, riseDeg, label }: FeltCurveProps) {
  const endDeg = Math.max(...samples.map(({ angleDeg }) => angleDeg));
  const meets = samples.find(({ torqueNm }) => torqueNm > FREE * targetNm)?.angleDeg ?? 0;
  const breakDeg = Math.max(1, meets - 0.15 * riseDeg);
  const toDeg = Math.max(endDeg, breakDeg + ROOM * riseDeg);
  const knee = EDGE.left + RUN_SHARE * (WIDTH - EDGE.left - EDGE.right);
  const x = scaleLinear()
    .domain([0, breakDeg, toDeg])
    .range([EDGE.left, knee, WIDTH - EDGE.right]);
  const y = scaleLinear()
    .domain([0, 1.25 * targetNm])
    .range([HEIGHT - EDGE.bottom, EDGE.top]);
  const path = line<TraceSample>()
    .x(({ angleDeg }) => x(angleDeg))
    .y(({ torqueNm }) => y(Math.max(0, torqueNm)));
  const rise = scaleLinear()
    .domain([0, toDeg - breakDeg])
    .ticks(5);
  const base = HEIGHT - EDGE.bottom;
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="h-33 w-105 max-w-full bg-sheet" role="img" aria-label={label}>
      <line
        x1={EDGE.left}
        x2={WIDTH - EDGE.right}
        y1={y(targetNm)}
        y2={y(targetNm)}
        stroke="var(--ink-2)"
        strokeDasharray="5 4"
      />
      <text x={EDGE.left - 6} y={y(targetNm) + 5} textAnchor="end" className="figures" fontSize={13} fill="var(--ink)">
        {Math.round(targetNm)}
      </text>
      <text x={EDGE.left - 6} y={base} textAnchor="end" fontSize={11} fill="var(--ink-2)">
        N·m
      </text>
      <line x1={EDGE.left} x2={WIDTH - EDGE.right} y1={base} y2={base} stroke="var(--ink)" strokeWidth={1.5} />
      {/* The scale changes where the parts begin to meet. */}
      <path d={`M${knee - 4} ${base + 5} l4 -10 M${knee} ${base + 5} l4 -10`} stroke="var(--ink)" strokeWidth={1.5} />
      <text x={(EDGE.left + knee) / 2} y={HEIGHT - 8} textAnchor="middle" fontSize={12} fill="var(--ink-2)">
        {say('run-down')}
      </text>
      {rise
        .filter((tick) => tick > 0)
        .map((tick) => (
          <g key={tick}>
            <line
              x1={x(breakDeg + tick)}
              x2={x(breakDeg + tick)}
              y1={base}
              y2={base + 6}
              stroke="var(--ink)"
              strokeWidth={1.5}
            />
            <text
              x={x(breakDeg + tick)}
              y={HEIGHT - 8}
              textAnchor="middle"
              className="figures"
              fontSize={12}
              fill="var(--ink)"
            >
              {tick}°
            </text>
          </g>
        ))}
      <path d={path(samples) ?? ''} fill="none" stroke="var(--ink)" strokeWidth={2} />
    </svg>
  );
}
