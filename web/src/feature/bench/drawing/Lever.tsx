import { say } from '#contract/wording/say.ts';
import { hexagon } from '../../../drawing/StationGlyph.tsx';

/** A torque wrench from above with its adapter at the angle it is used at; lengths to scale. */
export function Lever({
  wrenchMm,
  offsetMm,
  angleDeg,
  label,
}: {
  wrenchMm: number;
  offsetMm: number;
  angleDeg: number;
  label: string;
}) {
  const width = 640;
  const scale = 380 / (wrenchMm + 2 * Math.max(offsetMm, 20));
  const [sx, sy] = [200, 130];
  const rad = (angleDeg * Math.PI) / 180;
  const [fx, fy] = [sx - offsetMm * scale * Math.cos(rad), sy - offsetMm * scale * Math.sin(rad)];
  const hand = sx + wrenchMm * scale;
  return (
    <svg viewBox={`0 0 ${width} 260`} className="w-full" role="img" aria-label={label}>
      <line x1={fx} y1={fy} x2={sx} y2={sy} stroke="var(--ink)" strokeWidth={22} strokeLinecap="round" />
      <line x1={fx} y1={fy} x2={sx} y2={sy} stroke="var(--steel)" strokeWidth={17} strokeLinecap="round" />
      <rect
        x={sx}
        y={sy - 9}
        width={wrenchMm * scale}
        height={18}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <rect x={hand - 46} y={sy - 14} width={92} height={28} fill="var(--ink)" />
      <circle cx={sx} cy={sy} r={17} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2.5} />
      <rect x={sx - 8} y={sy - 8} width={16} height={16} fill="var(--steel)" stroke="var(--ink)" strokeWidth={2} />
      <polygon points={hexagon(30, fx, fy)} fill="#ffd21f" stroke="var(--ink)" strokeWidth={2.5} />
      <path d={`M${hand} ${sy + 74}V${sy + 24}m-7 10 7-10 7 10`} stroke="var(--ink)" strokeWidth={3} fill="none" />
      <text x={hand + 12} y={sy + 64} fontSize={13}>
        {say('hand here')}
      </text>
      <g className="figures" fontSize={14}>
        <path
          d={`M${sx} ${sy - 34}H${hand}M${sx} ${sy - 40}v12M${hand} ${sy - 40}v12`}
          stroke="var(--ink-2)"
          fill="none"
        />
        <text x={(sx + hand) / 2} y={sy - 42} textAnchor="middle">
          L {Number(wrenchMm.toFixed(1))} mm
        </text>
        {offsetMm > 0 && (
          <text x={(sx + fx) / 2} y={Math.max(sy, fy) + 40} textAnchor="middle">
            E {Number(offsetMm.toFixed(1))} mm, {Math.round(angleDeg)}°
          </text>
        )}
      </g>
    </svg>
  );
}
