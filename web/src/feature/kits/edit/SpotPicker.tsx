import { say } from '#contract/wording/say.ts';
import type { Spot } from '#core/vehicle/joint-spot.ts';
import { VehicleOutline } from '../../../drawing/VehicleOutline.tsx';

const ALONG: Array<[number, string]> = [
  [0.05, 'nose'],
  [0.2, say('front axle')],
  [0.5, 'middle'],
  [0.8, say('rear axle')],
  [0.95, 'tail'],
];
const ACROSS: Array<[number, string]> = [
  [-0.8, 'left'],
  [-0.4, say('half left')],
  [0, 'centre'],
  [0.4, say('half right')],
  [0.8, 'right'],
];

const nearest = (list: ReadonlyArray<[number, string]>, value: number): number =>
  list.reduce((best, [at]) => (Math.abs(at - value) < Math.abs(best - value) ? at : best), list[0]?.[0] ?? 0);

/** Where on the vehicle a group sits, so that its joints can be drawn in the vehicle's history. */
export function SpotPicker({ spot, onPick }: { spot?: Spot; onPick: (spot: Spot | undefined) => void }) {
  const select = (label: string, list: Array<[number, string]>, value: number, pick: (at: number) => void) => (
    <label className="grid gap-1 text-sm">
      {label}
      <select
        className="min-h-11 border-2 border-rule bg-sheet px-2 focus:border-ink"
        value={spot ? nearest(list, value) : ''}
        onChange={(event) => (event.target.value === '' ? onPick(undefined) : pick(Number(event.target.value)))}
      >
        <option value="">{say('not said')}</option>
        {list.map(([at, name]) => (
          <option key={name} value={at}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <fieldset>
      <legend className="text-sm text-ink-2">{say('Where on the vehicle, seen from above')}</legend>
      <div className="grid grid-cols-2 gap-2">
        {select('Along', ALONG, spot?.along ?? 0, (along) => onPick({ along, across: spot?.across ?? 0 }))}
        {select('Across', ACROSS, spot?.across ?? 0, (across) => onPick({ along: spot?.along ?? 0.5, across }))}
      </div>
      {spot && (
        <div className="mt-2 max-w-xs border border-rule">
          <VehicleOutline
            dots={[{ key: 'spot', spot, done: true, label: say('this group') }]}
            title={say('Where this group sits')}
          />
        </div>
      )}
    </fieldset>
  );
}
