/** Two tyres from the side on one ground, and how much one stands over the other. */
import { written } from '#core/quantity/display.ts';
import { tell } from '../../../ui/tell.ts';
export function TyrePair({
  oldDiameterMm,
  newDiameterMm,
  names,
  label,
}: {
  oldDiameterMm: number;
  newDiameterMm: number;
  names: readonly [string, string];
  label: string;
}) {
  const scale = 250 / Math.max(oldDiameterMm, newDiameterMm);
  const ground = 290;
  const tyre = (cx: number, diameterMm: number, name: string, bold: boolean) => {
    const r = (diameterMm / 2) * scale;
    return (
      <g key={name}>
        <circle
          cx={cx}
          cy={ground - r}
          r={r}
          fill={bold ? 'var(--steel)' : 'none'}
          fillOpacity={0.5}
          stroke="var(--ink)"
          strokeWidth={bold ? 3 : 2}
          strokeDasharray={bold ? undefined : '7 5'}
        />
        <circle cx={cx} cy={ground - r} r={r * 0.55} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.5} />
        <text x={cx} y={ground - r - 4} textAnchor="middle" className="figures" fontSize={15} fontWeight={700}>
          {name}
        </text>
        <text x={cx} y={ground - r + 18} textAnchor="middle" className="figures" fontSize={14}>
          {written(diameterMm, 0)} mm
        </text>
      </g>
    );
  };
  const [low, high] = [ground - oldDiameterMm * scale, ground - newDiameterMm * scale];
  return (
    <svg viewBox="0 0 640 330" className="w-full" role="img" aria-label={label}>
      <line x1={20} x2={620} y1={ground} y2={ground} stroke="var(--ink)" strokeWidth={2} />
      {tyre(175, oldDiameterMm, names[0], false)}
      {tyre(465, newDiameterMm, names[1], true)}
      <path d={`M320 ${low}H350M320 ${high}H350M335 ${low}V${high}`} stroke="var(--ink)" strokeWidth={2} fill="none" />
      <text x={320} y={318} textAnchor="middle" className="figures" fontSize={15}>
        {tell('stands {newDiameterMm} mm higher', { newDiameterMm: written((newDiameterMm - oldDiameterMm) / 2, 1) })}
      </text>
    </svg>
  );
}
