import { say } from '#contract/wording/say.ts';
import { hexagon } from '../../../drawing/StationGlyph.tsx';

/** A ring of bolts, each filled up to the preload it has left, the last pulled one marked. */
export function BoltRing({
  shares,
  pulled,
  order,
  label,
}: {
  /** Preload over target, by bolt. */
  shares: readonly number[];
  pulled?: number;
  order: readonly number[];
  label: string;
}) {
  const n = shares.length;
  const size = n > 16 ? 20 : n > 10 ? 30 : 38;
  return (
    <svg viewBox="0 0 420 300" className="w-full" role="img" aria-label={label}>
      <circle cx={210} cy={150} r={112} fill="none" stroke="var(--rule)" strokeWidth={34} />
      <circle cx={210} cy={150} r={129} fill="none" stroke="var(--ink)" strokeWidth={1.5} />
      <circle cx={210} cy={150} r={95} fill="none" stroke="var(--ink)" strokeWidth={1.5} />
      {shares.map((share, bolt) => {
        const angle = (2 * Math.PI * bolt) / n;
        const [x, y] = [210 + 112 * Math.sin(angle), 150 - 112 * Math.cos(angle)];
        const fill = Math.max(0, Math.min(1, share)) * size;
        const name = `ring-${bolt}`;
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a bolt is its place on the ring
          <g key={bolt}>
            {pulled === bolt && <circle cx={x} cy={y} r={size * 0.78} fill="#ffd21f" />}
            <polygon points={hexagon(size, x, y)} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
            <clipPath id={name}>
              <polygon points={hexagon(size, x, y)} />
            </clipPath>
            <rect
              x={x - size}
              y={y + size * 0.58 - fill * 1.16}
              width={2 * size}
              height={fill * 1.16}
              fill="var(--ink)"
              clipPath={`url(#${name})`}
            />
            {n <= 16 && (
              <text
                x={210 + 68 * Math.sin(angle)}
                y={154 - 68 * Math.cos(angle)}
                textAnchor="middle"
                className="figures"
                fontSize={13}
                fontWeight={700}
              >
                {Math.round(share * 100)}
              </text>
            )}
            {n <= 12 && (
              <text
                x={210 + 142 * Math.sin(angle)}
                y={155 - 142 * Math.cos(angle)}
                textAnchor="middle"
                className="figures"
                fontSize={12}
                style={{ fill: 'var(--ink-2)' }}
              >
                {order.indexOf(bolt) + 1}
              </text>
            )}
          </g>
        );
      })}
      <text x={210} y={148} textAnchor="middle" fontSize={13} style={{ fill: 'var(--ink-2)' }}>
        {say('% of target')}
      </text>
      <text x={210} y={166} textAnchor="middle" fontSize={13} style={{ fill: 'var(--ink-2)' }}>
        {say('still held')}
      </text>
    </svg>
  );
}
