import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { odometerKm } from '#core/vehicle/odometer.ts';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { odometerOf } from './odometer-of.ts';

const MOST_KM = 3_000_000;
const CALLED = { km: say('kilometres'), mi: say('miles') } as const;

export interface OdometerReading {
  typed: string;
  setTyped: (typed: string) => void;
  unit: 'km' | 'mi';
  /** Undefined where nothing is typed. */
  km?: number;
  fault?: string;
}

/** What is read off a vehicle's dial, in what that dial shows. */
export function useOdometer(unit: 'km' | 'mi' = 'km'): OdometerReading {
  const [typed, setTyped] = useState('');
  const km = typed.trim() === '' ? undefined : odometerKm(odometerOf(typed), unit);
  const fault =
    km === undefined || (km >= 0 && km <= MOST_KM)
      ? undefined
      : say('A number of {called}, like 61240; nothing where nobody read it.', { called: CALLED[unit] });
  return { typed, setTyped, unit, km, fault };
}

export function OdometerField({
  id,
  when,
  hint,
  reading: { typed, setTyped, unit, fault },
}: {
  id: string;
  when: 'then' | 'now';
  hint?: string;
  reading: OdometerReading;
}) {
  return (
    <FormField id={id} label={say('Odometer {when}, {unit}', { when, unit })} fault={fault} hint={hint}>
      <input
        id={id}
        inputMode="numeric"
        autoComplete="off"
        className={`figures ${inputLook(fault)}`}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
    </FormField>
  );
}
