import { type FormEvent, useEffect, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { KIND_WORDS } from '#contract/wording/en/kinds.ts';
import { say } from '#contract/wording/say.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';
import type { TorqueStep } from './use-torque-step.ts';

const UNITS: readonly TorqueUnit[] = ['N·m', 'lbf·ft', 'lbf·in', 'kgf·m'];

/** A reading typed from a wrench that cannot speak. Digits typed anywhere on the screen land here. */
export function TypedReading({ torque }: { torque: TorqueStep }) {
  const { wrench, band, station, group } = torque;
  const [value, setValue] = useState('');
  const [angle, setAngle] = useState('');
  const [unit, setUnit] = useState<TorqueUnit>(wrench?.wrench.scaleUnit ?? 'N·m');
  const field = useRef<HTMLInputElement>(null);
  const scaleUnit = wrench?.wrench.scaleUnit;
  useEffect(() => {
    if (scaleUnit) setUnit(scaleUnit);
  }, [scaleUnit]);
  // A new station starts with an empty field.
  // biome-ignore lint/correctness/useExhaustiveDependencies: the station is the trigger
  useEffect(() => setValue(''), [station?.id]);
  useHotkeys('0,1,2,3,4,5,6,7,8,9', () => field.current?.focus(), { useKey: true });
  const [turned, setTurned] = useState<boolean>();
  const asksTurned = group?.recheck === true;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const number = Number(value.replace(',', '.'));
    if (value.trim() === '') return;
    // A number that is none is judged like any other: the refusal says what is wrong with it.
    if (
      torque.type(Number.isNaN(number) ? -1 : number, unit, {
        ...(angle === '' ? {} : { angleDeg: Number(angle.replace(',', '.')) }),
        ...(asksTurned && turned !== undefined ? { moved: turned } : {}),
      })
    ) {
      setValue('');
      setAngle('');
      setTurned(undefined);
    }
  };
  return (
    <form onSubmit={submit} className="mt-3 flex flex-wrap items-end gap-2">
      <label className="grid flex-1">
        <span className="text-sm text-ink-2">{tell('Reading from {label}', { label: wrench?.wrench.label })}</span>
        <input
          ref={field}
          className="figures min-h-14 w-full min-w-24 border-2 border-ink bg-sheet px-3 text-3xl font-bold"
          inputMode="decimal"
          autoComplete="off"
          value={value}
          onChange={(event) => setValue(event.target.value)}
        />
      </label>
      <label>
        <span className="sr-only">{say('Unit')}</span>
        <select
          className="figures min-h-14 border-2 border-ink bg-sheet px-2"
          value={unit}
          onChange={(event) => setUnit(event.target.value as TorqueUnit)}
        >
          {UNITS.map((name) => (
            <option key={name}>{name}</option>
          ))}
        </select>
      </label>
      {band?.angle && (
        <label className="grid w-24">
          <span className="text-sm text-ink-2">{say('Turned, °')}</span>
          <input
            className="figures min-h-14 w-full border-2 border-ink bg-sheet px-3 text-2xl"
            inputMode="decimal"
            value={angle}
            onChange={(event) => setAngle(event.target.value)}
          />
        </label>
      )}
      {asksTurned && value.trim() !== '' && (
        <fieldset className="grid w-full grid-cols-2 gap-2">
          <legend className="text-sm text-ink-2">{say('Before it came to that, it')}</legend>
          <Button
            aria-pressed={turned === false}
            tone={turned === false ? 'dark' : 'plain'}
            onClick={() => setTurned(false)}
          >
            {say('did not turn')}
          </Button>
          <Button
            aria-pressed={turned === true}
            tone={turned === true ? 'dark' : 'plain'}
            onClick={() => setTurned(true)}
          >
            {say('turned')}
          </Button>
        </fieldset>
      )}
      <Button
        type="submit"
        tone="primary"
        hotkey="ENTER"
        disabled={value.trim() === '' || (asksTurned && turned === undefined)}
      >
        {station ? KIND_WORDS[station.spec.kind].record : say('Record')}
      </Button>
    </form>
  );
}
