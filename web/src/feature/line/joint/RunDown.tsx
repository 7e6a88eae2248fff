import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { runDownLimitNm } from '#core/job/run-down.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import { printedTorqueUnit } from '#core/quantity/parse-printed.ts';
import { fromBase, type TorqueUnit, toBase } from '#core/quantity/unit.ts';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';
import type { TorqueStep } from './use-torque-step.ts';

/** What a bolt asked for while it ran down: said where it took a tool, because the joint lacks what the thread takes. */
export function RunDown({ torque }: { torque: TorqueStep }) {
  const { station, plan } = torque;
  const [open, setOpen] = useState(false);
  const [value, setValue] = useState('');
  if (!station) return null;
  const limitNm = runDownLimitNm(plan, station);
  if (limitNm === undefined) return null;
  const unit: TorqueUnit = printedTorqueUnit(station.printed) ?? 'N·m';
  const number = Number(value.replace(',', '.'));
  if (!open)
    return (
      <Button className="mt-2" onClick={() => setOpen(true)}>
        {say('It took torque to run down')}
      </Button>
    );
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (value.trim() === '' || !Number.isFinite(number)) return;
        if (torque.give({ type: 'snug', station: station.id, tool: 'hand', runDownNm: toBase(number, unit) })) {
          setOpen(false);
          setValue('');
        }
      }}
    >
      <label className="grid flex-1">
        <span className="text-sm text-ink-2">
          {tell('Torque while it ran down, {unit}; at most {number}', {
            unit,
            number: showTorqueIn(fromBase(limitNm, 'N·m'), unit).number,
          })}
        </span>
        <input
          className="figures min-h-14 w-full border-2 border-ink bg-sheet px-3 text-2xl font-bold"
          inputMode="decimal"
          autoComplete="off"
          value={value}
          onChange={(event) => setValue(event.target.value)}
        />
      </label>
      <Button type="submit" tone="primary" disabled={value.trim() === '' || !Number.isFinite(number)}>
        {say('Snug, with that')}
      </Button>
    </form>
  );
}
