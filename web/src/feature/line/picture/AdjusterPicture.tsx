import { say } from '#contract/wording/say.ts';
import type { PlanAction } from '#core/kit/plan.ts';
import type { Ask } from '#core/line/ask.ts';
import { tell } from '../../../ui/tell.ts';

/** Turns of thread drawn at each end. */
const THREADS = [0, 1, 2, 3, 4, 5, 6, 7, 8];

type Preset = Extract<PlanAction, { type: 'preset' }>;

/** An adjustable part with its length and the thread that stays in mesh at both ends; what is asked now is painted. */
export function AdjusterPicture({ action, asks }: { action: Preset; asks?: Ask }) {
  const length = asks?.about === 'length';
  const mesh = asks?.about === 'inMesh' || asks?.about === 'equalThread';
  return (
    <div className="flex flex-1 items-center justify-center p-5">
      <svg
        viewBox="0 0 520 250"
        className="w-full max-w-xl"
        role="img"
        aria-label={say('{what}: length between centres', { what: action.what })}
      >
        <g fill="none" stroke="var(--ink)" strokeWidth={2.5}>
          <circle cx={50} cy={120} r={30} fill="var(--sheet)" />
          <circle cx={470} cy={120} r={30} fill="var(--sheet)" />
          <rect x={78} y={110} width={110} height={20} fill={mesh ? '#ffd21f' : 'var(--sheet)'} />
          <rect x={332} y={110} width={110} height={20} fill={mesh ? '#ffd21f' : 'var(--sheet)'} />
          <rect x={150} y={100} width={220} height={40} fill="var(--floor)" />
          {THREADS.map((at) => (
            <path key={at} d={`M${84 + at * 8} 110l5 20M${376 + at * 8} 110l5 20`} strokeWidth={1.2} />
          ))}
          <path d="M50 165V196M470 165V196" strokeWidth={1.5} />
          <path d="M52 188H468" stroke={length ? '#a9642c' : 'var(--ink)'} strokeWidth={length ? 5 : 1.5} />
        </g>
        <text x={260} y={216} textAnchor="middle" className="figures" fontSize={20}>
          {action.lengthMm === undefined ? say('as measured before') : `${action.lengthMm} mm`}
        </text>
        <text x={150} y={90} textAnchor="middle" fontSize={15}>
          {tell('at least {inMeshMm} mm in mesh', { inMeshMm: action.inMeshMm })}
        </text>
        <text x={470} y={70} textAnchor="middle" fontSize={15}>
          {action.leftHand ? say('left-hand thread') : ''}
        </text>
        {action.longestMm !== undefined && (
          <text x={260} y={240} textAnchor="middle" fontSize={15}>
            {tell('never longer than {longestMm} mm', { longestMm: action.longestMm })}
          </text>
        )}
      </svg>
    </div>
  );
}
