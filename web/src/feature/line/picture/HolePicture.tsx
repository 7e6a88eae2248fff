import { say } from '#contract/wording/say.ts';
import type { PlanAction } from '#core/kit/plan.ts';
import { tell } from '../../../ui/tell.ts';

const WIDTH = 420;
const HEIGHT = 300;
const EDGE_Y = 60;

/** A hole to scale with its pilot, and how far it must stay from the edge. */
export function HolePicture({ action }: { action: PlanAction }) {
  if (action.type !== 'drill' && action.type !== 'ream' && action.type !== 'chase') return null;
  const diameterMm = action.type === 'chase' ? undefined : action.diameterMm;
  const pilotMm = action.type === 'drill' ? action.pilotMm : undefined;
  const edgeMm = action.type === 'drill' ? action.edgeMm : undefined;
  const reachMm = Math.max(edgeMm ?? 0, (diameterMm ?? 12) * 1.6);
  const scale = 170 / reachMm;
  const centre = { x: WIDTH / 2, y: EDGE_Y + (edgeMm ?? reachMm) * scale };
  const radius = ((diameterMm ?? 12) / 2) * scale;
  return (
    <div className="flex flex-1 items-center justify-center p-5">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="w-full max-w-lg"
        role="img"
        aria-label={
          diameterMm === undefined
            ? say('A threaded hole')
            : say('Hole of {diameterMm} mm{which}', {
                diameterMm,
                which: edgeMm ? say(', at least {edgeMm} mm from the edge', { edgeMm }) : '',
              })
        }
      >
        <rect x={20} y={EDGE_Y} width={WIDTH - 40} height={HEIGHT - EDGE_Y} fill="var(--sheet)" />
        <line x1={20} x2={WIDTH - 20} y1={EDGE_Y} y2={EDGE_Y} stroke="var(--ink)" strokeWidth={3} />
        <circle cx={centre.x} cy={centre.y} r={radius} fill="var(--floor)" stroke="var(--ink)" strokeWidth={2.5} />
        {pilotMm && (
          <circle
            cx={centre.x}
            cy={centre.y}
            r={(pilotMm / 2) * scale}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={1.5}
            strokeDasharray="4 4"
          />
        )}
        <path
          d={`M${centre.x - radius - 14} ${centre.y}h${2 * radius + 28}M${centre.x} ${centre.y - radius - 14}v${2 * radius + 28}`}
          stroke="var(--ink-2)"
          strokeWidth={1}
          strokeDasharray="10 4 2 4"
        />
        {edgeMm && (
          <>
            <line
              x1={centre.x + 90}
              x2={centre.x + 90}
              y1={EDGE_Y}
              y2={centre.y}
              stroke="var(--ink)"
              strokeWidth={1.5}
            />
            <text
              x={centre.x + 98}
              y={(EDGE_Y + centre.y) / 2}
              dominantBaseline="central"
              className="figures"
              fontSize={18}
            >
              {tell('{edgeMm} mm or more', { edgeMm })}
            </text>
          </>
        )}
        <text x={28} y={38} className="plate" fontSize={26}>
          {action.type === 'chase' ? action.thread : `Ø ${diameterMm} mm`}
          {action.type === 'drill' && action.size ? ` (${action.size})` : ''}
        </text>
      </svg>
    </div>
  );
}
