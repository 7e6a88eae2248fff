import { scaleLog } from 'd3-scale';
import { say } from '#contract/wording/say.ts';

const TICKS: ReadonlyArray<[number, string]> = [
  [1, '1 min'],
  [5, '5'],
  [15, '15'],
  [60, '1 h'],
  [240, '4 h'],
  [1440, '1 d'],
  [4320, '3 d'],
  [14400, '10 d'],
];

/** The three clocks of a compound on one logarithmic rule: work, wait, loaded. */
export function WaitRule({
  windowMin,
  fixtureMin,
  fullMin,
  label,
}: {
  windowMin: number;
  fixtureMin: number;
  fullMin: number;
  label: string;
}) {
  const x = scaleLog()
    .domain([1, Math.max(15000, fullMin * 1.2)])
    .range([20, 620])
    .clamp(true);
  return (
    <svg viewBox="0 0 640 200" className="w-full" role="img" aria-label={label}>
      <rect x={20} y={70} width={Math.max(2, x(Math.max(1, windowMin)) - 20)} height={40} fill="#ffd21f" />
      <rect
        x={x(Math.max(1, windowMin))}
        y={70}
        width={Math.max(0, x(fixtureMin) - x(Math.max(1, windowMin)))}
        height={40}
        fill="var(--hair)"
      />
      <rect x={x(fixtureMin)} y={70} width={Math.max(0, x(fullMin) - x(fixtureMin))} height={40} fill="var(--band)" />
      <rect x={x(fullMin)} y={70} width={Math.max(0, 620 - x(fullMin))} height={40} fill="var(--ink)" />
      <line x1={20} x2={620} y1={110} y2={110} stroke="var(--ink)" strokeWidth={2} />
      {TICKS.map(([at, text]) => (
        <g key={at}>
          <line x1={x(at)} x2={x(at)} y1={110} y2={128} stroke="var(--ink)" strokeWidth={2} />
          <text x={x(at)} y={146} textAnchor="middle" className="figures" fontSize={12}>
            {text}
          </text>
        </g>
      ))}
      <g fontSize={14}>
        <text x={22} y={60}>
          {say('tighten')}
        </text>
        <text x={x(fixtureMin)} y={60} textAnchor="middle">
          {say('holds by hand')}
        </text>
        <text x={Math.min(x(fullMin), 580)} y={40} textAnchor="middle">
          {say('full load')}
        </text>
      </g>
      <path d={`M${x(fixtureMin)} 66v44M${x(fullMin)} 46v64`} stroke="var(--ink)" strokeWidth={2} />
      <text x={20} y={186} fontSize={12} style={{ fill: 'var(--ink-2)' }}>
        {say('nothing loaded before “holds by hand”; no towing, track or rough ground before “full load”')}
      </text>
    </svg>
  );
}
