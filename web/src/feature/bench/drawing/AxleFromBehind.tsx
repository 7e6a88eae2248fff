import { say } from '#contract/wording/say.ts';

/** A solid axle from behind on its track bar, before and after a lift; the shift drawn larger than it is. */
export function AxleFromBehind({
  barLengthMm,
  heightDifferenceMm,
  liftMm,
  shiftMm,
  label,
}: {
  barLengthMm: number;
  heightDifferenceMm: number;
  liftMm: number;
  shiftMm: number;
  label: string;
}) {
  const scale = 330 / Math.max(barLengthMm, 400);
  // Ten times what it is, so that it is seen at all; the figure beside it is the true one.
  const shift = Math.max(-90, Math.min(90, shiftMm * 10 * scale));
  const axleY = 250;
  const frame = (lift: number) => axleY - 40 - (heightDifferenceMm + lift) * scale;
  const left = 180;
  const across = Math.sqrt(Math.max(0, barLengthMm ** 2 - heightDifferenceMm ** 2)) * scale;
  const axle = (by: number, bold: boolean) => (
    <g key={String(bold)} transform={`translate(${-by} 0)`}>
      {[-60, across + 60].map((x) => (
        <rect
          key={x}
          x={left + x - 24}
          y={axleY - 70}
          width={48}
          height={140}
          rx={10}
          fill={bold ? 'var(--steel)' : 'none'}
          fillOpacity={0.5}
          stroke={bold ? 'var(--ink)' : 'var(--rule)'}
          strokeWidth={2}
          strokeDasharray={bold ? undefined : '7 5'}
        />
      ))}
      <line
        x1={left - 40}
        x2={left + across + 40}
        y1={axleY}
        y2={axleY}
        stroke={bold ? 'var(--ink)' : 'var(--rule)'}
        strokeWidth={bold ? 9 : 5}
      />
    </g>
  );
  const bar = (lift: number, by: number, bold: boolean) => (
    <line
      key={`bar ${bold}`}
      data-part={bold ? 'bar' : undefined}
      x1={left}
      y1={frame(lift)}
      x2={left + across - by}
      y2={axleY - 40}
      stroke={bold ? 'var(--ink)' : 'var(--rule)'}
      strokeWidth={bold ? 6 : 4}
      strokeLinecap="round"
    />
  );
  return (
    <svg viewBox="0 0 640 350" className="w-full" role="img" aria-label={label}>
      <line x1={20} x2={620} y1={axleY + 70} y2={axleY + 70} stroke="var(--ink)" strokeWidth={2} />
      {axle(0, false)}
      {axle(shift, true)}
      {bar(0, 0, false)}
      {bar(liftMm, shift, true)}
      <circle cx={left} cy={frame(liftMm)} r={8} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
      <text x={left - 14} y={frame(liftMm) - 12} textAnchor="end" fontSize={13}>
        {say('frame end')}
      </text>
      <text x={620} y={axleY + 92} textAnchor="end" fontSize={13} style={{ fill: 'var(--ink-2)' }}>
        {say('dashed: before · the shift is drawn ten times')}
      </text>
    </svg>
  );
}
