import { say } from '#contract/wording/say.ts';
import type { CombinationAnswer } from '#core/load/combination.ts';
import { ScaleUnder } from './LoadedTrailer.tsx';

/** A vehicle and its trailer from the side, front at the left, with a scale under each axle and the ball. */
export function TowedPair({
  answer,
  trailerKg,
  kgText,
  label,
}: {
  answer: CombinationAnswer;
  trailerKg: number;
  kgText: (kg: number) => string;
  label: string;
}) {
  const over = (...limits: string[]) =>
    answer.checks.some(({ limit, ok }) => !ok && limits.includes(limit)) ? 'bad' : undefined;
  const ground = 190;
  const wheel = (cx: number) => (
    <circle key={cx} cx={cx} cy={ground - 28} r={28} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={3} />
  );
  return (
    <svg viewBox="0 0 640 250" className="w-full" role="img" aria-label={label}>
      <path
        d="M40 146v-34l46-10 34-46h120l34 46h40v44z"
        fill="var(--steel)"
        fillOpacity={0.5}
        stroke="var(--ink)"
        strokeWidth={2.5}
      />
      <path d="M314 140h46" stroke="var(--ink)" strokeWidth={6} />
      <circle cx={360} cy={138} r={9} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2.5} />
      <path d="M368 140h52M420 146V70h180v76z" fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2.5} />
      {[104, 258, 510].map(wheel)}
      <line x1={20} x2={630} y1={ground} y2={ground} stroke="var(--ink)" strokeWidth={2} />
      <ScaleUnder x={104} y={ground} text={kgText(answer.frontKg)} tone={over('frontAxle', 'frontTyres')} />
      <ScaleUnder x={244} y={ground} text={kgText(answer.rearKg)} tone={over('rearAxle', 'rearTyres')} />
      <ScaleUnder x={362} y={ground} text={kgText(answer.tongueKg)} tone={over('tongue')} />
      <ScaleUnder
        x={510}
        y={ground}
        text={kgText(trailerKg - answer.tongueKg)}
        tone={over('trailer', 'trailerGross', 'trailerAxle')}
      />
      <text x={362} y={58} textAnchor="middle" fontSize={13} style={{ fill: 'var(--ink-2)' }}>
        {say('ball')}
      </text>
    </svg>
  );
}
