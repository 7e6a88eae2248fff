import { say } from '#contract/wording/say.ts';
import { written } from '#core/quantity/display.ts';

/** Middle of the drawing, and radii: bolt, crown of the nut, corners of its hexagon, px. */

const [CX, CY] = [210, 140];
const BOLT_R = 40;
const CROWN_R = 74;
const CORNER_R = 104;
const SLOT_WIDE = 18;
const PIN_WIDE = 12;
/** Nearer than this the pin goes through; the advice says so too. */
const MEETS_DEG = 3;

/** A place so far from the middle, clockwise from the top. */
const at = (deg: number, r: number): [number, number] => [
  CX + r * Math.sin((deg * Math.PI) / 180),
  CY - r * Math.cos((deg * Math.PI) / 180),
];

/**
 * A castle nut from above: the hexagon, the crown with its slots cut through, the bolt in it with its pin hole from top
 * to bottom, and the way to the slot the hole meets next.
 */
export function CastleNut({ slots, pastDeg, label }: { slots: number; pastDeg: number; label: string }) {
  const step = 360 / slots;
  const next = step - pastDeg;
  const meets = pastDeg < MEETS_DEG || next < 1e-9;
  const corners = [0, 1, 2, 3, 4, 5].map((corner) => at(pastDeg + 30 + corner * 60, CORNER_R).join(' '));
  const [ax, ay] = at(-next, CORNER_R + 12);
  const [bx, by] = at(0, CORNER_R + 12);
  return (
    <svg viewBox="0 0 420 300" className="w-full" role="img" aria-label={label}>
      <path d={`M${corners.join('L')}z`} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2.5} />
      <circle cx={CX} cy={CY} r={CROWN_R} fill="var(--steel)" stroke="var(--ink)" strokeWidth={2} />
      {Array.from({ length: slots }, (_, index) => {
        // Turned on clockwise: a slot that has passed the hole stands past it. The last one is met next.
        const deg = pastDeg + index * step;
        const met = meets ? index === 0 : index === slots - 1;
        const [left, right] = [CX - SLOT_WIDE / 2, CX + SLOT_WIDE / 2];
        const [outer, inner] = [CY - CROWN_R - 1, CY - BOLT_R];
        return (
          <g key={deg} transform={`rotate(${deg} ${CX} ${CY})`}>
            <rect
              x={left}
              y={outer}
              width={SLOT_WIDE}
              height={inner - outer}
              fill={met ? 'var(--band)' : 'var(--sheet)'}
            />
            <path
              d={`M${left} ${outer + 1}V${inner}M${right} ${outer + 1}V${inner}`}
              stroke="var(--ink)"
              strokeWidth={met ? 3.5 : 2}
            />
          </g>
        );
      })}
      <circle cx={CX} cy={CY} r={BOLT_R} fill="var(--bench)" stroke="var(--ink)" strokeWidth={2} />
      <circle cx={CX} cy={CY} r={BOLT_R - 6} fill="none" stroke="var(--ink)" strokeWidth={1} />
      <path
        d={`M${CX - PIN_WIDE / 2} ${CY - BOLT_R}V${CY + BOLT_R}M${CX + PIN_WIDE / 2} ${CY - BOLT_R}V${CY + BOLT_R}`}
        stroke="var(--ink)"
        strokeWidth={1.5}
        strokeDasharray="5 4"
      />
      <line
        x1={CX}
        y1={CY - CORNER_R - 6}
        x2={CX}
        y2={CY + CORNER_R + 6}
        stroke="var(--ink)"
        strokeDasharray="14 4 3 4"
      />
      {!meets && (
        <path
          d={`M${ax} ${ay}A${CORNER_R + 12} ${CORNER_R + 12} 0 0 1 ${bx} ${by}m-11 -9 11 9 -11 8`}
          stroke="var(--ink)"
          strokeWidth={3}
          fill="none"
        />
      )}
      <text x={318} y={34} className="figures" fontSize={15} fontWeight={700}>
        {meets ? say('Pin fits') : say('{next}° on', { next: written(next, 0) })}
      </text>
      <text x={318} y={52} fontSize={12} style={{ fill: 'var(--ink-2)' }}>
        {meets ? say('slot at the hole') : say('to the next slot')}
      </text>
      <text x={CX + 8} y={CY + CORNER_R + 22} fontSize={12} style={{ fill: 'var(--ink-2)' }}>
        {say('pin hole')}
      </text>
      <text x={CX} y={292} textAnchor="middle" fontSize={12} style={{ fill: 'var(--ink-2)' }}>
        {say('never back')}
      </text>
    </svg>
  );
}
