import { scaleLinear } from 'd3-scale';
import type { ReactNode } from 'react';
import { say } from '#contract/wording/say.ts';
import type { Spot } from '#core/vehicle/joint-spot.ts';

const LENGTH = 560;
const WIDTH = 250;
const MARGIN = 24;

/** From the vehicle's own measures, along 0 nose to 1 tail and across -1 left to 1 right, to the drawing. */
const along = scaleLinear()
  .domain([0, 1])
  .range([MARGIN, MARGIN + LENGTH]);
const across = scaleLinear()
  .domain([-1, 1])
  .range([MARGIN + WIDTH, MARGIN]);

const WHEELS: readonly Spot[] = [
  { along: 0.2, across: -0.92 },
  { along: 0.2, across: 0.92 },
  { along: 0.8, across: -0.92 },
  { along: 0.8, across: 0.92 },
];

export interface JointDot {
  key: string;
  spot: Spot;
  /** At torque, or still open. */
  done: boolean;
  label: string;
  chosen?: boolean;
}

/**
 * A vehicle from above, nose to the left, with a dot where each joint is: filled with a stripe when it is at torque, a
 * dashed ring when it is open. Left is the driver's left, looking forward: below in the drawing.
 */
export function VehicleOutline({
  dots,
  title,
  children,
}: {
  dots: readonly JointDot[];
  title: string;
  children?: ReactNode;
}) {
  return (
    <svg
      viewBox={`0 0 ${LENGTH + 2 * MARGIN} ${WIDTH + 2 * MARGIN}`}
      role="img"
      aria-label={title}
      className="w-full bg-sheet text-ink"
    >
      <g fill="none" stroke="currentColor" strokeWidth={2}>
        <rect x={along(0.03)} y={across(0.86)} width={LENGTH * 0.94} height={across(-0.86) - across(0.86)} rx={26} />
        <path
          d={`M ${along(0.3)} ${across(0.66)} L ${along(0.36)} ${across(0.56)} L ${along(0.36)} ${across(-0.56)} L ${along(0.3)} ${across(-0.66)} Z`}
          strokeWidth={1.5}
        />
        <path d={`M ${along(0.66)} ${across(0.6)} L ${along(0.66)} ${across(-0.6)}`} strokeWidth={1.5} />
        <path
          d={`M ${along(0.3)} ${across(0.66)} H ${along(0.66)} M ${along(0.3)} ${across(-0.66)} H ${along(0.66)}`}
          strokeWidth={1}
        />
        {WHEELS.map((wheel) => (
          <rect
            key={`${wheel.along} ${wheel.across}`}
            x={along(wheel.along) - 34}
            y={across(wheel.across) - 12}
            width={68}
            height={24}
            fill="var(--color-hair)"
          />
        ))}
        <path
          d={`M ${along(0.2)} ${across(0.9)} V ${across(-0.9)} M ${along(0.8)} ${across(0.9)} V ${across(-0.9)}`}
          strokeWidth={1}
          strokeDasharray="6 5"
        />
      </g>
      <g className="figures" fontSize={19} fill="var(--color-ink-2)">
        <text
          x={along(0)}
          y={MARGIN + WIDTH / 2}
          textAnchor="middle"
          transform={`rotate(-90 ${along(0)} ${MARGIN + WIDTH / 2})`}
        >
          {say('NOSE')}
        </text>
        <text x={along(0.5)} y={across(1) - 6} textAnchor="middle">
          {say('RIGHT')}
        </text>
        <text x={along(0.5)} y={across(-1) + 17} textAnchor="middle">
          {say('LEFT')}
        </text>
      </g>
      {dots.map(({ key, spot, done, label, chosen }) => {
        const [x, y] = [along(spot.along), across(spot.across)];
        return (
          <g key={key}>
            <title>{label}</title>
            {chosen && <circle cx={x} cy={y} r={13} fill="none" stroke="var(--color-ink)" strokeWidth={2} />}
            <circle
              cx={x}
              cy={y}
              r={5.5}
              fill={done ? 'var(--color-ink)' : 'var(--color-sheet)'}
              stroke="var(--color-ink)"
              strokeWidth={1.5}
              strokeDasharray={done ? undefined : '3 3'}
            />
            {done && <line x1={x - 4} y1={y + 3} x2={x + 4} y2={y - 3} stroke="var(--color-paint)" strokeWidth={3} />}
          </g>
        );
      })}
      {children}
    </svg>
  );
}
