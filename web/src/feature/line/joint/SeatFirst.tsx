import { useState } from 'react';
import { turnText } from '#contract/wording/stage-text.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import { type TorqueUnit, toBase } from '#core/quantity/unit.ts';
import type { BearingSpec } from '#core/tightening/kind/bearing.ts';
import { tell } from '../../../ui/tell.ts';
import type { TorqueStep } from './use-torque-step.ts';

/** A bearing is seated while it turns and backed off before its window: what the wrench showed, not a tick. */
export function SeatFirst({ torque, spec, unit }: { torque: TorqueStep; spec: BearingSpec; unit: TorqueUnit }) {
  const [typed, setTyped] = useState('');
  return (
    <label className="mt-2 grid gap-1 border-2 border-ink p-3">
      <span>
        {tell(
          'Seat it at {number}  {unit} while it turns, then back off {turnText}. What did the wrench show, {unit}?',
          {
            number: <b className="figures">{showTorqueIn(spec.seatNm, unit).number}</b>,
            unit,
            turnText: turnText(spec.backOffDeg),
          },
        )}
      </span>
      <input
        className="figures min-h-14 w-40 border-2 border-ink bg-sheet px-3 text-2xl font-bold"
        inputMode="decimal"
        autoComplete="off"
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
          const value = Number(event.target.value.replace(',', '.'));
          torque.setSeat(event.target.value.trim() === '' || !Number.isFinite(value) ? undefined : toBase(value, unit));
        }}
      />
    </label>
  );
}
