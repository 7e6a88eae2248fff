import { say } from '#contract/wording/say.ts';
import type { HardPoints } from '#core/geometry/hard-points.ts';
import type { CornerPose } from '#core/geometry/solve-corner.ts';
import type { Vector } from '#core/geometry/vector.ts';

const WIDTH = 640;
const HEIGHT = 420;
const EDGE = 34;

/** A left corner from the front, the middle of the vehicle at the left: as it stood drawn thin, as it stands bold. */
export function CornerFront({
  hung,
  before,
  after,
  tyreLoadedRadiusMm,
  tyreWidthMm = 220,
  label,
}: {
  hung: HardPoints;
  before: CornerPose;
  after: CornerPose;
  tyreLoadedRadiusMm: number;
  tyreWidthMm?: number;
  label: string;
}) {
  const { points } = hung;
  const middle = (a: Vector, b: Vector): Vector => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];
  const lowerPivot = middle(points.lowerArmFront, points.lowerArmRear);
  const upperPivot = hung.type === 'strut' ? undefined : middle(hung.points.upperArmFront, hung.points.upperArmRear);
  const all = [...(Object.values(points) as Vector[]), before.wheelCentre, after.wheelCentre];
  const y = {
    min: Math.min(...all.map((p) => p[1])) - 40,
    max: Math.max(...all.map((p) => p[1])) + tyreWidthMm / 2 + 50,
  };
  const ground = after.wheelCentre[2] - tyreLoadedRadiusMm;
  const z = {
    min: ground - 30,
    max: Math.max(...all.map((p) => p[2]), after.wheelCentre[2] + tyreLoadedRadiusMm) + 40,
  };
  const scale = Math.min((WIDTH - 2 * EDGE) / (y.max - y.min), (HEIGHT - 2 * EDGE) / (z.max - z.min));
  const at = (point: Vector): [number, number] => [
    EDGE + (point[1] - y.min) * scale,
    HEIGHT - EDGE - (point[2] - z.min) * scale,
  ];
  const groundY = at([0, 0, ground])[1];
  const wheel = ({ wheelCentre, spin }: CornerPose) => {
    const [cx, cy] = at(wheelCentre);
    // Seen from the front the wheel's plane leans by the spin axis' height.
    const lean = (Math.atan2(-spin[2], spin[1]) * 180) / Math.PI;
    return { cx, cy, lean };
  };
  const link = (a: Vector, b: Vector, name: string, bold: boolean) => {
    const [[x1, y1], [x2, y2]] = [at(a), at(b)];
    return (
      <line
        key={name}
        data-part={bold ? name : undefined}
        x1={x1}
        y1={y1}
        x2={x2}
        y2={y2}
        stroke={bold ? 'var(--ink)' : 'var(--rule)'}
        strokeWidth={bold ? 5 : 3}
        strokeLinecap="round"
      />
    );
  };
  const corner = (pose: CornerPose, bold: boolean) => {
    const { cx, cy, lean } = wheel(pose);
    const half = (tyreWidthMm / 2) * scale;
    const radius = tyreLoadedRadiusMm * scale;
    return (
      <g key={bold ? 'after' : 'before'}>
        <rect
          x={cx - half}
          y={cy - radius}
          width={2 * half}
          height={2 * radius}
          rx={half / 3}
          fill={bold ? 'var(--steel)' : 'none'}
          fillOpacity={0.5}
          stroke={bold ? 'var(--ink)' : 'var(--rule)'}
          strokeWidth={bold ? 2.5 : 2}
          strokeDasharray={bold ? undefined : '7 5'}
          transform={`rotate(${lean} ${cx} ${cy})`}
        />
        {link(pose.lower, pose.upper, 'knuckle', bold)}
        {link(lowerPivot, pose.lower, 'lowerArm', bold)}
        {upperPivot && link(upperPivot, pose.upper, 'upperArm', bold)}
        {link(points.tieRodInner, pose.tieRodOuter, 'tieRod', bold)}
        {bold &&
          [pose.lower, pose.upper, pose.tieRodOuter].map((joint) => {
            const [x, jy] = at(joint);
            return (
              <circle key={`${x} ${jy}`} cx={x} cy={jy} r={6} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
            );
          })}
      </g>
    );
  };
  const names: Array<[string, Vector]> = [
    [say('lower arm'), lowerPivot],
    ...(upperPivot ? [[say('upper arm'), upperPivot] as [string, Vector]] : []),
    [say('tie rod'), points.tieRodInner],
  ];
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full" role="img" aria-label={label}>
      <line x1={0} x2={WIDTH} y1={groundY} y2={groundY} stroke="var(--ink)" strokeWidth={2} />
      {corner(before, false)}
      {corner(after, true)}
      {names.map(([name, point]) => {
        const [x, ny] = at(point);
        return (
          <text
            key={name}
            x={x - 4}
            y={name === 'lower arm' ? ny + 20 : ny - 9}
            fontSize={13}
            textAnchor="start"
            style={{ fill: 'var(--ink-2)' }}
          >
            {name}
          </text>
        );
      })}
      <text x={WIDTH - 8} y={groundY + 20} textAnchor="end" fontSize={13} style={{ fill: 'var(--ink-2)' }}>
        {say('left wheel from the front; outwards is to the right')}
      </text>
    </svg>
  );
}
