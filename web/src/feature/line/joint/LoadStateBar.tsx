import { useState } from 'react';
import { Button } from '../../../ui/Button.tsx';
import { typedNumber } from '../../../ui/CommitField.tsx';
import type { TorqueStep } from './use-torque-step.ts';

/** No wheel arch stands higher above its hub (chosen by us). */
const HIGHEST_MM = 3000;

/** Some joints are torqued only with the suspension loaded: how it stands now, and saying so. */
export function LoadStateBar({ torque }: { torque: TorqueStep }) {
  const { state, give } = torque;
  const [height, setHeight] = useState('');
  const loaded = state.load?.state === 'rideHeight' || state.load?.state === 'onWheels';
  if (loaded) {
    return (
      <p className="border-b border-rule bg-sheet px-5 py-2">
        <b>{state.load?.state === 'onWheels' ? 'On its wheels' : 'At ride height'}</b>
        {state.load?.measuredMm === undefined ? '' : `, measured ${state.load.measuredMm} mm`}, said by{' '}
        {state.load?.by.name}.{' '}
        <button
          type="button"
          className="min-h-11 px-2 underline"
          onClick={() => give({ type: 'setLoadState', state: 'hanging' })}
        >
          It hangs again
        </button>
      </p>
    );
  }
  const measuredMm = height.trim() === '' ? undefined : typedNumber(height);
  const wrong = measuredMm !== undefined && !(measuredMm > 0 && measuredMm <= HIGHEST_MM);
  return (
    <div className="flex flex-wrap items-center gap-3 border-b-2 border-bad bg-sheet px-5 py-2">
      <p className="min-w-48 flex-1">
        <b>Torqued only at ride height.</b>{' '}
        <span className="text-ink-2">Load the suspension; on stands under the axle counts.</span>
      </p>
      <label className="flex items-center gap-2">
        <span className="text-sm text-ink-2">Hub to arch, mm</span>
        <input
          className="figures min-h-12 w-24 border-2 border-ink bg-sheet px-2"
          inputMode="decimal"
          aria-invalid={wrong}
          value={height}
          onChange={(event) => setHeight(event.target.value)}
        />
      </label>
      {(['rideHeight', 'onWheels'] as const).map((load) => (
        <Button key={load} disabled={wrong} onClick={() => give({ type: 'setLoadState', state: load, measuredMm })}>
          {load === 'rideHeight' ? 'At ride height' : 'On its wheels'}
        </Button>
      ))}
      {wrong && (
        <p role="alert" className="basis-full font-bold text-bad">
          A height is a number from 1 to {HIGHEST_MM} mm; leave it empty if it was not measured.
        </p>
      )}
    </div>
  );
}
