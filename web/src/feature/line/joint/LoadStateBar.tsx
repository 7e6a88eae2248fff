import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { HIGHEST_MM } from '#core/job/act/set-load-state.ts';
import { Button } from '../../../ui/Button.tsx';
import { typedNumber } from '../../../ui/CommitField.tsx';
import { tell } from '../../../ui/tell.ts';
import type { TorqueStep } from './use-torque-step.ts';

/** Some joints are torqued only with the suspension loaded: how it stands now, and saying so. */
export function LoadStateBar({ torque }: { torque: TorqueStep }) {
  const { state, give } = torque;
  const [height, setHeight] = useState('');
  const [typed, setTyped] = useState<Record<string, string>>({});
  const wanted = torque.group.rideHeight;
  const { min = -Infinity, max = Infinity } = wanted ?? {};
  const stands = (wanted?.places ?? []).every((place) => {
    const at = state.load?.heights?.[place];
    return at !== undefined && at >= min && at <= max;
  });
  const loaded = stands && (state.load?.state === 'rideHeight' || state.load?.state === 'onWheels');
  if (loaded) {
    return (
      <p className="border-b border-rule bg-sheet px-5 py-2">
        {tell('{which}{which2}{entries}, said by {name}.', {
          which: <b>{state.load?.state === 'onWheels' ? say('On its wheels') : say('At ride height')}</b>,
          which2:
            state.load?.measuredMm === undefined
              ? ''
              : say(', measured {measuredMm} mm', { measuredMm: state.load.measuredMm }),
          entries: Object.entries(state.load?.heights ?? {}).map(([place, at]) => `, ${place} ${at} mm`),
          name: state.load?.by.name,
        })}{' '}
        <button
          type="button"
          className="min-h-11 px-2 underline"
          onClick={() => give({ type: 'setLoadState', state: 'hanging' })}
        >
          {say('It hangs again')}
        </button>
      </p>
    );
  }
  const measuredMm = height.trim() === '' ? undefined : typedNumber(height);
  const read = (wanted?.places ?? []).map((place) => [place, typedNumber(typed[place] ?? '')] as const);
  const open = read.some(([, at]) => Number.isNaN(at));
  const absurd = [...read.map(([, at]) => at), measuredMm].some(
    (at) => at !== undefined && !Number.isNaN(at) && !(at > 0 && at <= HIGHEST_MM),
  );
  const off = read.filter(([, at]) => at < min || at > max);
  const wrong = absurd || (measuredMm !== undefined && Number.isNaN(measuredMm));
  const heights = wanted ? { heights: Object.fromEntries(read) } : {};
  const limits = [
    wanted?.min !== undefined && say('at least {min}', { min: wanted.min }),
    wanted?.max !== undefined && say('at most {max}', { max: wanted.max }),
  ].filter(Boolean);
  return (
    <div className="flex flex-wrap items-center gap-3 border-b-2 border-bad bg-sheet px-5 py-2">
      <p className="min-w-48 flex-1">
        <b>{say('Torqued only at ride height.')}</b>{' '}
        <span className="text-ink-2">{say('Load the suspension; on stands under the axle counts.')}</span>
      </p>
      {wanted ? (
        wanted.places.map((place) => (
          <label key={place} className="flex items-center gap-2">
            <span className="text-sm text-ink-2">{place}, mm</span>
            <input
              className="figures min-h-12 w-24 border-2 border-ink bg-sheet px-2"
              inputMode="decimal"
              aria-invalid={off.some(([one]) => one === place)}
              value={typed[place] ?? ''}
              onChange={(event) => setTyped({ ...typed, [place]: event.target.value })}
            />
          </label>
        ))
      ) : (
        <label className="flex items-center gap-2">
          <span className="text-sm text-ink-2">{say('Hub to arch, mm')}</span>
          <input
            className="figures min-h-12 w-24 border-2 border-ink bg-sheet px-2"
            inputMode="decimal"
            aria-invalid={wrong}
            value={height}
            onChange={(event) => setHeight(event.target.value)}
          />
        </label>
      )}
      {(['rideHeight', 'onWheels'] as const).map((load) => (
        <Button
          key={load}
          disabled={wrong || open}
          onClick={() => give({ type: 'setLoadState', state: load, measuredMm, ...heights })}
        >
          {load === 'rideHeight' ? say('At ride height') : say('On its wheels')}
        </Button>
      ))}
      {off.length > 0 && !absurd && (
        <p role="status" className="basis-full font-bold text-bad">
          {tell('Wanted {limits} mm: {off}.', {
            limits: limits.join(', '),
            off: off.map(([place, at]) => `${place} ${at}`).join(', '),
          })}
        </p>
      )}
      {wrong && (
        <p role="alert" className="basis-full font-bold text-bad">
          {tell('A height is a number from 1 to {highestMm} mm; leave it empty if it was not measured.', {
            highestMm: HIGHEST_MM,
          })}
        </p>
      )}
    </div>
  );
}
