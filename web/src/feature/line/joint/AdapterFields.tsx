import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import { settingWithAdapterNm } from '#core/wrench/adapter.ts';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';
import type { TorqueStep } from './use-torque-step.ts';

/** Directions an adapter is turned to, by how they are spoken of. */
const ANGLES = [
  [say('Straight on'), 0],
  [say('Across'), 90],
  [say('Folded back'), 180],
] as const;

/** A crow-foot or other adapter between wrench and bolt: its lever changes what is set. */
export function AdapterFields({ torque }: { torque: TorqueStep }) {
  const { wrench, band, through } = torque;
  const [length, setLength] = useState(String(through?.wrenchLengthMm ?? wrench?.wrench.lengthMm ?? ''));
  const [offset, setOffset] = useState(through ? String(through.offsetMm) : '');
  const [angleDeg, setAngle] = useState(through?.angleDeg ?? 0);
  if (!wrench || !band) return null;
  const lever = { wrenchLengthMm: Number(length), offsetMm: Number(offset), angleDeg };
  const entered = length.trim() !== '' && offset.trim() !== '';
  const setting = entered ? settingWithAdapterNm(band.targetNm, lever) : undefined;
  const unit = wrench.wrench.scaleUnit;
  const field = (label: string, value: string, change: (value: string) => void) => (
    <label className="grid">
      <span className="text-sm text-ink-2">{label}</span>
      <input
        className="figures min-h-14 w-full border-2 border-ink bg-sheet px-3 text-xl"
        inputMode="decimal"
        value={value}
        onChange={(event) => change(event.target.value)}
      />
    </label>
  );
  return (
    <fieldset className="mt-4 border-t-2 border-ink pt-3">
      <legend className="font-bold">{say('Through an adapter')}</legend>
      <div className="grid grid-cols-2 gap-2">
        {field(say('Wrench, square to grip, mm'), length, setLength)}
        {field(say('Adapter, square to bolt, mm'), offset, setOffset)}
      </div>
      <div className="mt-2 grid grid-cols-3 gap-2">
        {ANGLES.map(([name, deg]) => (
          <Button
            key={deg}
            tone={angleDeg === deg ? 'dark' : 'plain'}
            aria-pressed={angleDeg === deg}
            onClick={() => setAngle(deg)}
          >
            {name}
          </Button>
        ))}
      </div>
      <p role="status" className="mt-2 min-h-7">
        {setting?.ok
          ? tell('Set {number}  {unit} for {number2} at the bolt. Hand on the middle of the grip.', {
              number: <b className="figures">{showTorqueIn(setting.value, unit).number}</b>,
              unit,
              number2: <span className="figures">{showTorqueIn(band.targetNm, unit).number}</span>,
            })
          : setting
            ? say('These measures leave no lever: check them.')
            : say('It counts for this group, until it is taken off.')}
      </p>
      <div className="mt-2 grid grid-cols-2 gap-2">
        <Button disabled={!through} onClick={() => torque.takeAdapter(undefined)}>
          {say('Without adapter')}
        </Button>
        <Button tone="primary" disabled={!setting?.ok} onClick={() => torque.takeAdapter(lever)}>
          {say('Use the adapter')}
        </Button>
      </div>
    </fieldset>
  );
}
