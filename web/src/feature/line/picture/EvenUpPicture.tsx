import { evenUpText } from '#contract/wording/even-up-text.ts';
import type { EvenUp } from '#core/line/even-up.ts';

/** A part over its two farthest places, the lean drawn far larger than it is, and the way it must go. */
export function EvenUpPicture({ even }: { even: EvenUp }) {
  const { symmetry, most, least, apart, move, unit, met } = even;
  // As much as can be seen, however little it is; the figure beside it is the true one.
  const lean = apart === 0 ? 0 : 26;
  const colour = met ? 'var(--ink)' : 'var(--bad)';
  const arrow = (x: number, y: number, dx: number, dy: number) => (
    <path
      d={`M${x} ${y}l${dx} ${dy}m${-dx * 0.3 - dy * 0.25} ${-dy * 0.3 + dx * 0.25}l${dx * 0.3 + dy * 0.25} ${dy * 0.3 - dx * 0.25}l${-dx * 0.3 + dy * 0.25} ${-dy * 0.3 - dx * 0.25}`}
      fill="none"
      stroke={colour}
      strokeWidth={3.5}
    />
  );
  return (
    <figure className="mt-4">
      <svg viewBox="0 0 480 170" className="w-full" role="img" aria-label={evenUpText(even)}>
        {symmetry === 'centred' ? (
          <>
            <path d="M40 20V140M440 20V140" stroke="var(--ink)" strokeWidth={6} />
            <rect
              x={180 + lean}
              y={45}
              width={120}
              height={70}
              fill="var(--steel)"
              stroke="var(--ink)"
              strokeWidth={2.5}
            />
            <path d="M240 10V150" stroke="var(--ink-2)" strokeDasharray="6 5" strokeWidth={1.5} />
            {apart > 0 && arrow(175 + lean, 80, -44, 0)}
          </>
        ) : (
          <>
            <path d="M20 150H460" stroke="var(--ink)" strokeWidth={3} />
            <path d="M70 72H410" stroke="var(--ink-2)" strokeDasharray="6 5" strokeWidth={1.5} />
            <path d={`M70 ${72 - lean}L410 ${72 + lean}`} stroke="var(--ink)" strokeWidth={12} />
            <path d={`M70 ${78 - lean}V150M410 ${78 + lean}V150`} stroke="var(--ink-2)" strokeWidth={2} />
            {apart > 0 && arrow(110, 30, 0, 34)}
            {apart > 0 && arrow(370, 128, 0, -26)}
          </>
        )}
        <g className="figures" fontSize={16} fontWeight={700}>
          <text x={symmetry === 'centred' ? 50 : 30} y={166}>
            {most.place} {most.value}
          </text>
          <text x={symmetry === 'centred' ? 430 : 450} y={166} textAnchor="end">
            {least.place} {least.value}
          </text>
          {apart > 0 && (
            <text x={240} y={symmetry === 'centred' ? 34 : 30} textAnchor="middle" style={{ fill: colour }}>
              {move} {unit}
            </text>
          )}
        </g>
      </svg>
      <figcaption className={met ? '' : 'font-bold'}>{evenUpText(even)}</figcaption>
    </figure>
  );
}
