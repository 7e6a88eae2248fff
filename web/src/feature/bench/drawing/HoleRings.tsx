import { written } from '#core/quantity/display.ts';

/** A drilled and tapped hole from above: drill, minor and major diameter, to scale with each other. */
export function HoleRings({
  rings,
  label,
}: {
  rings: ReadonlyArray<{ text: string; diameterMm: number; kind: 'cut' | 'thread' | 'faint' }>;
  label: string;
}) {
  const largest = Math.max(...rings.map((ring) => ring.diameterMm));
  const scale = 232 / largest;
  const sorted = [...rings].sort((a, b) => b.diameterMm - a.diameterMm);
  return (
    <svg viewBox="0 0 560 280" className="w-full" role="img" aria-label={label}>
      {sorted.map((ring, index) => {
        const r = (ring.diameterMm * scale) / 2;
        const y = 60 + index * 44;
        return (
          <g key={ring.text}>
            <circle
              cx={140}
              cy={140}
              r={r}
              fill={ring.kind === 'cut' ? 'var(--floor)' : 'var(--sheet)'}
              stroke={ring.kind === 'faint' ? 'var(--rule)' : 'var(--ink)'}
              strokeWidth={ring.kind === 'cut' ? 3 : 1.5}
              strokeDasharray={ring.kind === 'thread' ? '7 4' : undefined}
            />
            <path d={`M${140 + r * 0.94} ${140 + (y - 140) * 0.25}L300 ${y}`} stroke="var(--ink-2)" fill="none" />
            <text x={308} y={y - 2} fontSize={14} fontWeight={ring.kind === 'cut' ? 700 : 400}>
              {ring.text}
            </text>
            <text x={308} y={y + 16} className="figures" fontSize={13} style={{ fill: 'var(--ink-2)' }}>
              {written(ring.diameterMm, 2)} mm, {written(ring.diameterMm / 25.4, 3)} in
            </text>
          </g>
        );
      })}
    </svg>
  );
}
