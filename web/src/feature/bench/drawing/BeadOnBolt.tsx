import { say } from '#contract/wording/say.ts';

/** A bolt with its bead: where the compound goes, and the gap it fills, enlarged. */
export function BeadOnBolt({
  diameterMm,
  engagedMm,
  tint,
  blind,
  label,
}: {
  diameterMm: number;
  engagedMm: number;
  /** Left out where nothing is put on. */
  tint?: string;
  blind: boolean;
  label: string;
}) {
  const scale = Math.min(9, 150 / diameterMm, 220 / (engagedMm + diameterMm));
  const r = (diameterMm * scale) / 2;
  const length = (engagedMm + 0.6 * diameterMm) * scale;
  const mesh = engagedMm * scale;
  return (
    <svg viewBox="0 0 600 280" className="w-full" role="img" aria-label={label}>
      <rect
        x={160 - r * 2.2}
        y={40}
        width={r * 4.4}
        height={mesh}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      {blind && (
        <rect
          x={160 - r * 2.2}
          y={40 + mesh}
          width={r * 4.4}
          height={diameterMm * scale * 0.8}
          fill="var(--bench)"
          stroke="var(--ink)"
          strokeWidth={2}
        />
      )}
      <rect
        x={160 - r}
        y={20}
        width={2 * r}
        height={length}
        fill="var(--steel)"
        stroke="var(--ink)"
        strokeWidth={1.5}
      />
      {Array.from({ length: Math.floor(length / 6) }, (_, i) => (
        <line
          // biome-ignore lint/suspicious/noArrayIndexKey: threads are their place
          key={i}
          x1={160 - r}
          x2={160 + r}
          y1={24 + i * 6}
          y2={22 + i * 6}
          stroke="var(--ink)"
          strokeWidth={0.75}
        />
      ))}
      {tint !== undefined && (
        <>
          <rect x={160 - r - 5} y={40} width={10} height={mesh} fill={tint} />
          <rect x={160 + r - 5} y={40} width={10} height={mesh} fill={tint} />
        </>
      )}
      {tint !== undefined && (
        <g fontSize={14}>
          <path d={`M${160 + r + 6} ${40 + mesh / 2}L300 100`} stroke="var(--ink-2)" />
          <text x={306} y={104}>
            {say('fills the space in the threads')}
          </text>
          <text x={306} y={124} style={{ fill: 'var(--ink-2)' }}>
            {blind ? say('drop into the hole, not the bolt’s tip') : say('on the bolt, where the nut will stand')}
          </text>
        </g>
      )}
    </svg>
  );
}
