/** A turn of thread as it is drawn, px. */

import { say } from '#contract/wording/say.ts';
import { written } from '#core/quantity/display.ts';
import { tell } from '../../../ui/tell.ts';

const TURN_PX = 7;

/** Stud, spacer, wheel and nut from the side, to scale. */
export function StudStackDrawing({
  studMm,
  spacerMm,
  wheelMm,
  engagementMm,
  neededMm,
  nominalMm,
  blindDepthMm,
  nutMm,
  label,
}: {
  studMm: number;
  spacerMm: number;
  wheelMm: number;
  engagementMm: number;
  neededMm: number;
  nominalMm: number;
  blindDepthMm?: number;
  /** Thread of an open nut; long enough for all that is in mesh when left out. */
  nutMm?: number;
  label: string;
}) {
  const width = 640;
  const reach = Math.max(studMm, spacerMm + wheelMm + neededMm) + 14;
  const scale = Math.min((width - 90) / reach, 12);
  const x = (mm: number) => 60 + mm * scale;
  const mid = 130;
  const r = (nominalMm / 2) * scale;
  const face = spacerMm + wheelMm;
  const nut = nutMm ?? Math.max(neededMm, engagementMm, blindDepthMm ?? 0);
  return (
    <svg viewBox={`0 0 ${width} 260`} className="w-full" role="img" aria-label={label}>
      <rect x={20} y={30} width={40} height={200} fill="var(--steel)" stroke="var(--ink)" strokeWidth={2} />
      <text x={40} y={24} textAnchor="middle" fontSize={12}>
        {say('hub')}
      </text>
      {spacerMm > 0 && (
        <rect
          x={x(0)}
          y={44}
          width={spacerMm * scale}
          height={172}
          fill="var(--band)"
          stroke="var(--ink)"
          strokeWidth={2}
        />
      )}
      <rect
        x={x(spacerMm)}
        y={56}
        width={wheelMm * scale}
        height={148}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <rect
        x={x(face)}
        y={mid - r * 1.9}
        width={nut * scale}
        height={r * 3.8}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      {blindDepthMm !== undefined && (
        <rect x={x(face + blindDepthMm)} y={mid - r * 1.9} width={6} height={r * 3.8} fill="var(--ink)" />
      )}
      <rect
        x={x(0)}
        y={mid - r}
        width={studMm * scale}
        height={2 * r}
        fill="var(--steel)"
        stroke="var(--ink)"
        strokeWidth={1.5}
      />
      <rect
        x={x(face)}
        y={mid - r}
        width={engagementMm * scale}
        height={2 * r}
        fill="var(--ink)"
        fillOpacity={0.18}
        stroke="var(--ink)"
        strokeWidth={1.5}
      />
      {/* Thread in mesh is hatched like a thread: the colours belong to the compounds. */}
      {Array.from({ length: Math.max(0, Math.floor((engagementMm * scale) / TURN_PX)) }, (_, turn) => {
        const at = x(face) + (turn + 0.75) * TURN_PX;
        return (
          <line key={at} x1={at - 1} x2={at + 1} y1={mid + r} y2={mid - r} stroke="var(--ink)" strokeWidth={1.5} />
        );
      })}
      {engagementMm < neededMm && (
        <rect
          x={x(face + engagementMm)}
          y={mid - r}
          width={(neededMm - engagementMm) * scale}
          height={2 * r}
          fill="none"
          stroke="var(--bad)"
          strokeWidth={2.5}
          strokeDasharray="6 4"
        />
      )}
      <g className="figures" fontSize={13}>
        {spacerMm > 0 && (
          <text x={x(spacerMm / 2)} y={250} textAnchor="middle">
            {Number(spacerMm.toFixed(1))}
          </text>
        )}
        <text x={x(spacerMm + wheelMm / 2)} y={250} textAnchor="middle">
          {Number(wheelMm.toFixed(1))}
        </text>
        <text x={x(face) + 4} y={mid - r * 1.9 - 8}>
          {tell('in mesh: needs {neededMm}, has {engagementMm} mm', {
            neededMm: written(neededMm, 1),
            engagementMm: written(engagementMm, 1),
          })}
        </text>
      </g>
    </svg>
  );
}
