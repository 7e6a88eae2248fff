import { say } from '#contract/wording/say.ts';
import { clockwiseFromFront, type Side } from '#core/geometry/eccentric.ts';

const R = 78;

/** Where the lobe points: up at neutral, outwards to the side of its wheel. From the front the left wheel is on the right. */
function lobe(side: Side, angleDeg: number): { x: number; y: number } {
  const out = side === 'left' ? 1 : -1;
  const angle = (angleDeg * Math.PI) / 180;
  return { x: out * Math.sin(angle), y: -Math.cos(angle) };
}

function Face({ side, fromDeg, toDeg, top, cx }: EccentricFace & { cx: number }) {
  const cy = 150;
  const [from, to] = [lobe(side, fromDeg), lobe(side, toDeg)];
  const turns = Math.abs(toDeg - fromDeg) > 0.5;
  const clockwise = clockwiseFromFront(side, toDeg > fromDeg ? 'outwards' : 'inwards');
  const arc = R + 22;
  const tip = { x: cx + to.x * arc, y: cy + to.y * arc };
  // The arrow's head lies along the circle where it ends.
  const along = clockwise ? { x: -to.y, y: to.x } : { x: to.y, y: -to.x };
  const wing = (turn: number) => {
    const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
    return { x: -(along.x * cos - along.y * sin) * 16, y: -(along.x * sin + along.y * cos) * 16 };
  };
  const [w1, w2] = [wing(0.5), wing(-0.5)];
  return (
    <g data-side={side}>
      <text x={cx} y={26} textAnchor="middle" className="plate" fontSize={22}>
        {side === 'left' ? say('Left wheel') : say('Right wheel')}
      </text>
      <circle cx={cx} cy={cy} r={R} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
      <line x1={cx} x2={cx} y1={cy - R - 6} y2={cy - R + 12} stroke="var(--ink)" strokeWidth={2} />
      <text x={cx} y={cy + R + 20} textAnchor="middle" fontSize={13} style={{ fill: 'var(--ink-2)' }}>
        {side === 'left' ? say('← inwards · outwards →') : say('← outwards · inwards →')}
      </text>
      <line
        x1={cx}
        y1={cy}
        x2={cx + from.x * R}
        y2={cy + from.y * R}
        stroke="var(--rule)"
        strokeWidth={8}
        strokeDasharray="6 5"
      />
      <line
        data-part="lobe"
        x1={cx}
        y1={cy}
        x2={cx + to.x * R}
        y2={cy + to.y * R}
        stroke="var(--ink)"
        strokeWidth={10}
      />
      <path
        d={Array.from({ length: 6 }, (_, k) => {
          const a = (k * Math.PI) / 3;
          return `${k === 0 ? 'M' : 'L'}${(cx + 26 * Math.cos(a)).toFixed(1)} ${(cy + 26 * Math.sin(a)).toFixed(1)}`;
        }).join('')}
        fill="var(--steel)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      {turns && (
        <path
          d={`M${cx + from.x * arc} ${cy + from.y * arc}A${arc} ${arc} 0 0 ${clockwise ? 1 : 0} ${tip.x} ${tip.y}M${tip.x + w1.x} ${tip.y + w1.y}L${tip.x} ${tip.y}L${tip.x + w2.x} ${tip.y + w2.y}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={4}
        />
      )}
      <text x={cx} y={cy + R + 46} textAnchor="middle" fontSize={16} fontWeight={700}>
        {turns ? say('turn the lobe {which}', { which: toDeg > fromDeg ? 'outwards' : 'inwards' }) : say('stays')}
      </text>
      <text x={cx} y={cy + R + 68} textAnchor="middle" fontSize={14}>
        {turns ? say('{which}: top goes {top}', { which: clockwise ? 'clockwise' : 'anticlockwise', top }) : ''}
      </text>
    </g>
  );
}

export interface EccentricFace {
  side: Side;
  /** Where the lobe stands, and where it goes: from neutral, outwards above 0. */
  fromDeg: number;
  toDeg: number;
  /** What the top of the wheel does on the way. */
  top: 'out' | 'in' | 'stays';
}

/** Eccentrics as one sees them standing in front of the vehicle: the lobe as it is, as it should be, and the way. */
export function EccentricFaces({ faces, label }: { faces: readonly EccentricFace[]; label: string }) {
  // From the front the right wheel is on the left.
  const placed = [...faces].sort((a) => (a.side === 'right' ? -1 : 1));
  return (
    <svg viewBox="0 0 640 330" className="w-full" role="img" aria-label={label}>
      {placed.map((face) => (
        <Face key={face.side} {...face} cx={face.side === 'right' ? 165 : 475} />
      ))}
      <text x={320} y={322} textAnchor="middle" fontSize={13} style={{ fill: 'var(--ink-2)' }}>
        {say('seen from the front of the vehicle')}
      </text>
    </svg>
  );
}
