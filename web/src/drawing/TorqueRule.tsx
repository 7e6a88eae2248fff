import { scaleLog } from 'd3-scale';
import { say } from '#contract/wording/say.ts';
import { written } from '#core/quantity/display.ts';

export interface TorqueMark {
  key: string;
  nm: number;
  name: string;
  bad?: boolean;
  here?: boolean;
}

const WIDTH = 520;
const HEIGHT = 116;
const LEFT = 14;
const BASE = 84;
const MAJOR = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000];

/** Every torque of a kit on one logarithmic rule: a value twelve times off stands alone. */
export function TorqueRule({ marks, onMark }: { marks: readonly TorqueMark[]; onMark?: (key: string) => void }) {
  if (marks.length === 0) return <p className="text-sm text-ink-2">{say('No torque yet.')}</p>;
  const values = marks.map((mark) => mark.nm);
  const low = Math.min(...values) / 1.6;
  const high = Math.max(...values) * 1.6;
  const x = scaleLog()
    .domain([low, high])
    .range([LEFT, WIDTH - LEFT]);
  const decades = Array.from({ length: 8 }, (_, index) => 10 ** (index - 2));
  const ticks = decades
    .flatMap((decade) => Array.from({ length: 9 }, (_, step) => (step + 1) * decade))
    .filter((tick) => tick >= low && tick <= high);
  const labelled = MAJOR.filter((tick) => tick >= low && tick <= high);
  return (
    // biome-ignore lint/a11y/useSemanticElements: a fieldset cannot stand inside a drawing
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full"
      role="group"
      aria-label={say('Every torque of this kit: {count} values from {value} to {value2} newton metres', {
        count: marks.length,
        value: written(Math.min(...values), 1),
        value2: written(Math.max(...values), 1),
      })}
    >
      <line x1={LEFT} x2={WIDTH - LEFT} y1={BASE} y2={BASE} stroke="var(--ink)" strokeWidth={2} />
      {ticks.map((tick) => (
        <line
          key={tick}
          x1={x(tick)}
          x2={x(tick)}
          y1={BASE}
          y2={BASE - (labelled.includes(tick) ? 20 : 11)}
          stroke="var(--ink)"
          strokeWidth={labelled.includes(tick) ? 2 : 1}
        />
      ))}
      {labelled.map((tick) => (
        <text key={tick} x={x(tick)} y={BASE + 20} textAnchor="middle" className="figures" fontSize={14}>
          {tick}
        </text>
      ))}
      {marks.map((mark) => {
        const at = x(mark.nm);
        const drawn = (
          <g transform={`translate(${at} ${BASE - 24})`}>
            <path
              d="M-7 -22H7V-9L0 0L-7 -9Z"
              fill={mark.bad ? 'var(--sheet)' : mark.here ? 'var(--color-paint)' : 'var(--ink)'}
              stroke={mark.bad ? 'var(--bad)' : mark.here ? 'var(--ink)' : 'var(--sheet)'}
              strokeWidth={mark.bad ? 2.5 : 1}
            />
            {mark.bad && (
              <text
                y={-30}
                textAnchor="middle"
                className="figures"
                fontSize={14}
                fontWeight={700}
                style={{ fill: 'var(--bad)' }}
              >
                {Number(mark.nm.toFixed(0))}
              </text>
            )}
          </g>
        );
        if (!onMark) return <g key={mark.key}>{drawn}</g>;
        return (
          // biome-ignore lint/a11y/useSemanticElements: a button element cannot stand inside an SVG
          <g
            key={mark.key}
            role="button"
            tabIndex={-1}
            aria-label={say('{name}, {nm} newton metres{which}', {
              name: mark.name,
              nm: written(mark.nm, 1),
              which: mark.bad ? say(', off its neighbours') : '',
            })}
            className="cursor-pointer"
            onClick={() => onMark(mark.key)}
            onKeyDown={(event) => event.key === 'Enter' && onMark(mark.key)}
          >
            {drawn}
          </g>
        );
      })}
    </svg>
  );
}
