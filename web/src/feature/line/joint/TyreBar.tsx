import { say } from '#contract/wording/say.ts';
import { tyreHeld } from '#core/job/gate/joint-gate.ts';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';
import type { TorqueStep } from './use-torque-step.ts';

const STANDS: Record<string, string> = {
  tyreTouches: say('The tyre touches the ground'),
  rideHeight: say('At ride height'),
  onWheels: say('On its wheels'),
};

/** A wheel is pulled to its full torque with its tyre on the ground: how it stands, and saying so. */
export function TyreBar({ torque }: { torque: TorqueStep }) {
  const { state, give } = torque;
  if (tyreHeld(state))
    return (
      <p className="border-b border-rule bg-sheet px-5 py-2">
        {tell('{stands}, said by {name}.', {
          stands: <b>{STANDS[state.load?.state ?? '']}</b>,
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
  return (
    <div className="flex flex-wrap items-center gap-3 border-b-2 border-bad bg-sheet px-5 py-2">
      <p className="min-w-48 flex-1">
        <b>{say('Full torque with the tyre on the ground.')}</b>{' '}
        <span className="text-ink-2">
          {say('Let it down until the tyre just holds the wheel, faces and studs clean.')}
        </span>
      </p>
      <Button tone="dark" onClick={() => give({ type: 'setLoadState', state: 'tyreTouches' })}>
        {say('The tyre touches')}
      </Button>
      <Button onClick={() => give({ type: 'setLoadState', state: 'onWheels' })}>
        {say('It stands on its wheels')}
      </Button>
    </div>
  );
}
