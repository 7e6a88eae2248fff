import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import type { TorqueStep } from './use-torque-step.ts';

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
  const measuredMm = height.trim() === '' || !(Number(height) > 0) ? undefined : Number(height);
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
          value={height}
          onChange={(event) => setHeight(event.target.value)}
        />
      </label>
      <Button onClick={() => give({ type: 'setLoadState', state: 'rideHeight', measuredMm })}>At ride height</Button>
      <Button onClick={() => give({ type: 'setLoadState', state: 'onWheels', measuredMm })}>On its wheels</Button>
    </div>
  );
}
