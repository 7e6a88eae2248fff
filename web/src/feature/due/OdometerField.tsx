import { useState } from 'react';
import { odometerKm } from '#core/vehicle/odometer.ts';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { odometerOf } from './odometer-of.ts';

const MOST_KM = 3_000_000;
const CALLED = { km: 'kilometres', mi: 'miles' } as const;

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
      : `A number of ${CALLED[unit]}, like 61240; nothing where nobody read it.`;
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
    <FormField id={id} label={`Odometer ${when}, ${unit}`} fault={fault} hint={hint}>
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
