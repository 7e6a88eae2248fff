import { scaleLinear } from 'd3-scale';
import { say } from '#contract/wording/say.ts';
import type { CargoPiece } from '#core/load/trailer-cargo.ts';

/** A scale under a wheel or a ball. */
export function ScaleUnder({ x, y, text, tone }: { x: number; y: number; text: string; tone?: 'bad' }) {
  return (
    <g>
      <path d={`M${x - 34} ${y}h68l-8 16h-52z`} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
      <text
        x={x}
        y={y + 36}
        textAnchor="middle"
        className="figures"
        fontSize={17}
        fontWeight={700}
        style={{ fill: tone === 'bad' ? 'var(--bad)' : 'var(--ink)' }}
      >
        {text}
      </text>
    </g>
  );
}

/** A trailer from the side, coupling at the left, on a scale under ball and axle; cargo where it lies, in outline where it would go. */
export function LoadedTrailer({
  couplerToAxleMm,
  unladenAheadMm,
  cargo,
  moveMm,
  tongueText,
  axleText,
  label,
}: {
  couplerToAxleMm: number;
  unladenAheadMm: number;
  cargo: readonly CargoPiece[];
  moveMm: number;
  tongueText: string;
  axleText: string;
  label: string;
}) {
  const rear = Math.min(-800, ...cargo.map(({ aheadMm }) => aheadMm - 500));
  // Ahead is to the left.
  const x = scaleLinear().domain([couplerToAxleMm, rear]).range([70, 600]);
  const bed = 190;
  const most = Math.max(1, ...cargo.map(({ kg }) => kg));
  const box = ({ kg, aheadMm }: CargoPiece, by: number, bold: boolean, key: string) => {
    const size = 30 + 50 * Math.sqrt(kg / most);
    return (
      <rect
        key={key}
        x={x(aheadMm + by) - size / 2}
        y={bed - size}
        width={size}
        height={size}
        fill={bold ? 'var(--steel)' : 'none'}
        fillOpacity={0.7}
        stroke="var(--ink)"
        strokeWidth={bold ? 2 : 2.5}
        strokeDasharray={bold ? undefined : '6 4'}
      />
    );
  };
  return (
    <svg viewBox="0 0 640 300" className="w-full" role="img" aria-label={label}>
      <line x1={x(couplerToAxleMm)} x2={600} y1={bed} y2={bed} stroke="var(--ink)" strokeWidth={8} />
      <circle cx={x(couplerToAxleMm)} cy={bed} r={13} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={3} />
      {cargo.map((piece, at) => box(piece, 0, true, say('at {at}', { at })))}
      {Math.abs(moveMm) > 1 && cargo.map((piece, at) => box(piece, moveMm, false, say('to {at}', { at })))}
      <path
        d={`M${x(unladenAheadMm) - 8} ${bed + 12}h16l-8 -12z`}
        fill="var(--ink)"
        aria-label={say('weight of the empty trailer')}
      />
      <circle cx={x(0)} cy={bed + 34} r={32} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={3} />
      <line x1={20} x2={620} y1={bed + 66} y2={bed + 66} stroke="var(--ink)" strokeWidth={2} />
      <line
        x1={x(couplerToAxleMm)}
        x2={x(couplerToAxleMm)}
        y1={bed + 13}
        y2={bed + 66}
        stroke="var(--ink)"
        strokeWidth={3}
      />
      <ScaleUnder x={x(couplerToAxleMm)} y={bed + 66} text={tongueText} />
      <ScaleUnder x={x(0)} y={bed + 66} text={axleText} />
    </svg>
  );
}
