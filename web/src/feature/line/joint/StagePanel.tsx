import { say } from '#contract/wording/say.ts';
import { stageText } from '#contract/wording/stage-text.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import { printedTorqueUnit } from '#core/quantity/parse-printed.ts';
import { tell } from '../../../ui/tell.ts';
import { TypedReading } from './TypedReading.tsx';
import type { TorqueStep } from './use-torque-step.ts';

/** A procedure stage by stage: what is done, what is in hand, what is to come. None is skipped. */
export function StagePanel({ torque, stage: due }: { torque: TorqueStep; stage: number }) {
  const { station, wrench, band } = torque;
  if (station?.spec.kind !== 'procedure') return null;
  const { stages } = station.spec;
  const unit = printedTorqueUnit(station.printed) ?? 'N·m';
  const now = stages[due];
  if (!now) return null;
  return (
    <div className="mt-3">
      <p className="text-sm text-ink-2">{tell('Stage {due} of {count}', { due: due + 1, count: stages.length })}</p>
      <p className="text-3xl font-bold">{stageText(now, unit)}</p>
      {now.do === 'tighten' && band && (
        <p className="figures text-ink-2">
          {tell('accept {number} – {number2}  {unit}', {
            number: showTorqueIn(band.minNm, unit).number,
            number2: showTorqueIn(band.maxNm, unit).number,
            unit,
          })}
        </p>
      )}
      <ol className="mt-3 border-y border-rule text-base">
        {stages.map((stage, at) => (
          <li
            // biome-ignore lint/suspicious/noArrayIndexKey: a stage is known by its place
            key={at}
            aria-current={at === due ? 'step' : undefined}
            className={`flex gap-2 px-2 py-0.5 ${at === due ? 'bg-paint font-bold text-on-paint' : at < due ? 'text-ink-2' : ''}`}
          >
            <span className="figures w-6">{at + 1}</span>
            <span className="flex-1">{stageText(stage, unit)}</span>
            {at < due && <span>{say('done')}</span>}
          </li>
        ))}
      </ol>
      {now.do === 'tighten' &&
        (wrench?.faults.length === 0 ? (
          <TypedReading torque={torque} />
        ) : (
          <p className="mt-2 font-bold text-bad">{say('No wrench of the crib may make this pull.')}</p>
        ))}
    </div>
  );
}
