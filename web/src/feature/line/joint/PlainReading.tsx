import { say } from '#contract/wording/say.ts';
import { roundTo } from '#core/quantity/rounding.ts';
import { fromBase } from '#core/quantity/unit.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import { useInDrill } from '../../../job/in-drill.ts';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';
import { TypedReading } from './TypedReading.tsx';
import type { TorqueStep } from './use-torque-step.ts';
import { useWrenchSetting } from './wrench-setting.ts';

/** A pull with a wrench that cannot speak: what it is set to, and what it showed. */
export function PlainReading({ torque }: { torque: TorqueStep }) {
  const { setting, isSet, wrench, through, band, group } = torque;
  const sheetOnly = useInDrill((drill) => drill.sheetOnly);
  const before = useWrenchSetting((settings) => settings.wrench);
  const beforeNm = useWrenchSetting((settings) => settings.settingNm);
  if (!wrench || !band) return null;
  const { label } = wrench.wrench;
  const figure = setting && `${setting.value} ${setting.unit}`;
  const atBolt = setting && through && roundTo(fromBase(setting.torqueNm, setting.unit), 1);
  return (
    <div className="mt-3">
      {setting && (
        <div className={`border-2 p-3 ${isSet ? 'border-rule' : 'border-ink bg-bench'}`}>
          <p className={isSet ? 'text-ink-2' : 'text-lg font-bold'}>
            {isSet ? say('{label} is set to', { label }) : say('Set {label} to', { label })}
          </p>
          <p className="figures text-4xl font-bold">{figure}</p>
          {atBolt !== undefined && (
            <p className="figures text-ink-2">
              {tell('through the adapter: {atBolt}  {unit} at the bolt', { atBolt, unit: setting.unit })}
            </p>
          )}
          {!isSet && (
            <p className="text-sm text-ink-2">
              {before === undefined
                ? say('Its first pull here: look at the scale.')
                : before !== wrench.wrench.id
                  ? say('Another wrench than the pull before.')
                  : say('It still stands at {roundTo} {unit}.', {
                      roundTo: roundTo(fromBase(beforeNm ?? 0, setting.unit), 1),
                      unit: setting.unit,
                    })}
            </p>
          )}
        </div>
      )}
      {wrench.wrench.kind === 'beam' && <BeamAdvice wrench={wrench.wrench} />}
      {(!setting || isSet) && <TypedReading torque={torque} />}
      {group?.recheck && (!setting || isSet) && (
        <Button
          tone="bad"
          className="mt-2 w-full"
          onClick={() =>
            torque.type(
              setting?.value ?? fromBase(band.targetNm, wrench.wrench.scaleUnit),
              setting?.unit ?? wrench.wrench.scaleUnit,
              { moved: true },
            )
          }
        >
          {say('It turned before it clicked')}
        </Button>
      )}
      {!group?.recheck && (!setting || isSet) && !sheetOnly && (
        <Button
          className="mt-2"
          onClick={() =>
            torque.type(
              setting?.value ?? fromBase(band.targetNm, wrench.wrench.scaleUnit),
              setting?.unit ?? wrench.wrench.scaleUnit,
              { movementDeg: 0 },
            )
          }
        >
          {say('It clicked and nothing turned')}
        </Button>
      )}
    </div>
  );
}

/**
 * Which way a beam's reading errs. The pointer stands above its scale: an eye to the side of it sees it against another
 * mark, away from the eye. Plain geometry, no source.
 */
function BeamAdvice({ wrench: { divisionNm, scaleUnit } }: { wrench: Wrench }) {
  const half = divisionNm === undefined ? undefined : roundTo(fromBase(divisionNm / 2, scaleUnit), 2);
  return (
    <p className="mb-2 text-sm text-ink-2">
      {say(
        'Look square onto the pointer. From the side of the higher figures it reads too little, from the side of the lower ones too much.',
      )}
      {half !== undefined && (
        <>
          {' '}
          {tell('Between two marks it is good to {half}.', {
            half: (
              <span className="figures">
                ±{half} {scaleUnit}
              </span>
            ),
          })}
        </>
      )}
    </p>
  );
}
