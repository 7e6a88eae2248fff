import { say } from '#contract/wording/say.ts';
import { written } from '#core/quantity/display.ts';

/** Thread profiles of the candidates over one another, at one scale, with the measured pitch as a comb. */
export function ThreadCombs({
  combs,
  measuredPitchMm,
  label,
}: {
  combs: ReadonlyArray<{ name: string; pitchMm: number; diameterMm: number }>;
  measuredPitchMm?: number;
  label: string;
}) {
  const span = 12;
  const scale = 440 / span;
  const rows = [
    ...combs.slice(0, 3),
    ...(measuredPitchMm ? [{ name: 'measured', pitchMm: measuredPitchMm, diameterMm: 0 }] : []),
  ];
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: it slides, and a keyboard slides it too
    <div className="overflow-x-auto" tabIndex={0}>
      <svg viewBox={`0 0 640 ${rows.length * 62 + 34}`} className="w-full min-w-140" role="img" aria-label={label}>
        {rows.map((row, index) => {
          const y = 20 + index * 62;
          const p = row.pitchMm * scale;
          const teeth = Math.floor((span / row.pitchMm) * 1);
          const path = Array.from(
            { length: teeth },
            (_, i) => `L${130 + i * p + p / 2} ${y}L${130 + (i + 1) * p} ${y + Math.min(34, p * 0.8)}`,
          ).join('');
          return (
            <g key={row.name}>
              <path
                d={`M130 ${y + Math.min(34, p * 0.8)}${path}`}
                fill="none"
                stroke={row.name === 'measured' ? 'var(--bad)' : 'var(--ink)'}
                strokeWidth={2}
              />
              <text x={8} y={y + 18} className="figures" fontSize={15} fontWeight={700}>
                {row.name}
              </text>
              <text x={8} y={y + 36} className="figures" fontSize={13.5} style={{ fill: 'var(--ink-2)' }}>
                P {written(row.pitchMm, 3)}
              </text>
            </g>
          );
        })}
        <text x={572} y={rows.length * 62 + 26} textAnchor="end" fontSize={13.5} style={{ fill: 'var(--ink-2)' }}>
          {say('12 mm of thread, enlarged')}
        </text>
      </svg>
    </div>
  );
}
