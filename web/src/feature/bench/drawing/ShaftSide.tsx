import { say } from '#contract/wording/say.ts';
import type { PropShaftChange } from '#core/geometry/prop-shaft.ts';
import { written } from '#core/quantity/display.ts';
import { tell } from '../../../ui/tell.ts';

const RAD = Math.PI / 180;

/** A prop shaft from the side, gearbox at the left: before thin, after bold, with the angles at its joints. */
export function ShaftSide({
  change,
  horizontalMm,
  heightDifferenceMm,
  liftMm,
  outputDownDeg,
  pinionUpDeg,
  label,
}: {
  change: PropShaftChange;
  horizontalMm: number;
  heightDifferenceMm: number;
  liftMm: number;
  outputDownDeg: number;
  pinionUpDeg: number;
  label: string;
}) {
  const scale = 380 / horizontalMm;
  const pinion = { x: 510, y: 250 };
  const output = (lift: number) => ({ x: pinion.x - 380, y: pinion.y - (heightDifferenceMm + lift) * scale });
  const shaft = (lift: number, bold: boolean) => {
    const from = output(lift);
    return (
      <g key={String(bold)}>
        <line
          x1={from.x}
          y1={from.y}
          x2={pinion.x}
          y2={pinion.y}
          stroke={bold ? 'var(--ink)' : 'var(--rule)'}
          strokeWidth={bold ? 8 : 5}
          strokeDasharray={bold ? undefined : '9 6'}
        />
        {/* The output's own axis, to the front and up by as much as it falls to the rear. */}
        <line
          x1={from.x}
          y1={from.y}
          x2={from.x - 100 * Math.cos(outputDownDeg * RAD)}
          y2={from.y - 100 * Math.sin(outputDownDeg * RAD)}
          stroke={bold ? 'var(--ink)' : 'var(--rule)'}
          strokeWidth={bold ? 12 : 6}
        />
        {bold && <circle cx={from.x} cy={from.y} r={9} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2.5} />}
      </g>
    );
  };
  const top = output(Math.max(0, liftMm));
  return (
    <svg viewBox="0 0 640 350" className="w-full" role="img" aria-label={label}>
      {shaft(0, false)}
      {shaft(liftMm, true)}
      <line
        x1={pinion.x}
        y1={pinion.y}
        x2={pinion.x + 90 * Math.cos(pinionUpDeg * RAD)}
        y2={pinion.y + 90 * Math.sin(pinionUpDeg * RAD)}
        stroke="var(--ink)"
        strokeWidth={14}
      />
      <circle cx={pinion.x} cy={pinion.y} r={9} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2.5} />
      <g className="figures" fontSize={16} fontWeight={700}>
        <text x={top.x + 10} y={Math.max(20, top.y - 20)}>
          {tell('{outputJointDeg}° (was {outputJointDeg2}°)', {
            outputJointDeg: written(change.after.outputJointDeg, 1),
            outputJointDeg2: written(change.before.outputJointDeg, 1),
          })}
        </text>
        <text x={pinion.x - 30} y={pinion.y + 44} textAnchor="middle">
          {tell('{pinionJointDeg}° (was {pinionJointDeg2}°)', {
            pinionJointDeg: written(change.after.pinionJointDeg, 1),
            pinionJointDeg2: written(change.before.pinionJointDeg, 1),
          })}
        </text>
      </g>
      <text x={620} y={340} textAnchor="end" fontSize={13} style={{ fill: 'var(--ink-2)' }}>
        {say('front is left · dashed: before')}
      </text>
    </svg>
  );
}
