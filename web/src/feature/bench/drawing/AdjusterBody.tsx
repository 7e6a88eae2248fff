/** An adjustable link: two ends in a body, with the thread showing and the thread in mesh at each. */

import { say } from '#contract/wording/say.ts';
import { written } from '#core/quantity/display.ts';
import { tell } from '../../../ui/tell.ts';
export function AdjusterBody({
  before,
  after,
  needed,
  movingEnds,
  turns,
  label,
}: {
  before: [number, number];
  after: [number, number];
  needed: number;
  movingEnds: 1 | 2;
  turns: number;
  label: string;
}) {
  const scale = 4;
  const body = Math.max(...before, ...after) * 2 * scale + 60;
  const left = 320 - body / 2;
  const right = 320 + body / 2;
  const end = (side: -1 | 1, mesh: number) => {
    const tip = side < 0 ? left + mesh * scale : right - mesh * scale;
    const outer = side < 0 ? left - 90 : right + 90;
    return (
      <g key={side}>
        <rect
          x={Math.min(tip, outer)}
          y={94}
          width={Math.abs(tip - outer)}
          height={32}
          fill="var(--steel)"
          stroke="var(--ink)"
          strokeWidth={1.5}
        />
        {Array.from({ length: 34 }, (_, i) => tip + side * i * 5)
          .filter((x) => (side < 0 ? x > outer + 6 : x < outer - 6))
          .map((x) => (
            <line key={x} x1={x} x2={x + side * 2} y1={94} y2={126} stroke="var(--ink)" strokeWidth={0.75} />
          ))}
        <circle cx={outer + side * 20} cy={110} r={24} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
        <rect
          x={side < 0 ? left : right - Math.max(0, mesh) * scale}
          y={132}
          width={Math.max(0, mesh) * scale}
          height={8}
          fill={mesh < needed ? 'var(--bad)' : 'var(--ink)'}
          stroke="var(--ink)"
          strokeWidth={1}
        />
        <text
          x={side < 0 ? left : right}
          y={160}
          textAnchor={side < 0 ? 'start' : 'end'}
          className="figures"
          fontSize={13}
        >
          {tell('in mesh {mesh}', { mesh: written(mesh, 1) })}
        </text>
      </g>
    );
  };
  return (
    <svg viewBox="0 0 640 220" className="w-full" role="img" aria-label={label}>
      {end(-1, after[0])}
      {end(1, after[1])}
      <rect x={left} y={82} width={body} height={56} fill="none" stroke="var(--ink)" strokeWidth={2.5} />
      <path
        d={turns >= 0 ? 'M290 70a30 16 0 0 1 60 0m-8-8 8 8 7-9' : 'M350 70a30 16 0 0 0-60 0m8-8-8 8-7-9'}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={3}
      />
      <text x={320} y={36} textAnchor="middle" className="figures" fontSize={15} fontWeight={700}>
        {tell('{turns} turns, {which}', {
          turns: written(Math.abs(turns), 2),
          which: turns >= 0 ? say('longer') : say('shorter'),
        })}
      </text>
      <text x={320} y={196} textAnchor="middle" fontSize={13} style={{ fill: 'var(--ink-2)' }}>
        {movingEnds === 2 ? say('one end is left-hand thread: both move') : say('one end moves')}
      </text>
    </svg>
  );
}
