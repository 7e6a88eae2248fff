import { pullShown } from '#contract/wording/joint-text.ts';
import { say } from '#contract/wording/say.ts';
import { stationState } from '#core/job/job-state.ts';
import { finalPull, stationMark } from '#core/job/station-progress.ts';
import type { PlanStation } from '#core/kit/plan.ts';
import { MARK_TEXT } from '../../../drawing/StationGlyph.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import type { TorqueStep } from './use-torque-step.ts';

/** Why a station that was tapped is not the one in hand: what it waits for, or that it is done. */
export function whyNotYet({ plan, state, step, station: inHand }: TorqueStep, station: PlanStation): string {
  const { stage, bead } = stationState(state, station.id);
  if (inHand?.id === station.id) return say('It is the one in hand.');
  const first = inHand ? say('Station {label} comes first', { label: inHand.label }) : say('Its turn comes');
  const mark = stationMark(plan, station, state);
  if (mark === 'bad') return say('Its last pull proves nothing: it is loosened first.');
  if (mark === 'verified') return say('Nothing more is to be done to it.');
  if (stage === 'empty') return say('It is not in its thread yet. {first}.', { first });
  if (station.compound !== undefined && !bead && stage === 'started')
    return say('Its thread wants its compound. {first}.', { first });
  if (mark === 'atTorque')
    return say('It is at its torque{which}.', {
      which: step.kind === 'pull' ? say('; the second look comes round. {first}', { first }) : '',
    });
  return say('{first}, in the order {which}.', {
    first,
    which: step.kind === 'pull' ? say('that draws the parts down evenly') : say('of the sheet'),
  });
}

/** A station tapped on the map: what it is, what was done to it, why it is not its turn; loosening is one step behind. */
export default function StationSheet({
  station,
  torque,
  onLoosen,
  onClose,
}: {
  station: PlanStation;
  torque: TorqueStep;
  onLoosen: () => void;
  onClose: () => void;
}) {
  const { plan, state } = torque;
  const pull = finalPull(plan, state, station.id);
  const pulled = pull && pullShown(station, { pull, stands: 'stands', stroke: false }).pulled;
  const { stage } = stationState(state, station.id);
  return (
    <Sheet
      open
      onClose={onClose}
      title={say('Station {label}: {markText}', {
        label: station.label,
        markText: MARK_TEXT[stationMark(plan, station, state)],
      })}
      description={station.name}
    >
      <p className="text-xl">{whyNotYet(torque, station)}</p>
      <dl className="mt-3 grid grid-cols-[6rem_1fr] gap-y-1">
        <dt className="text-ink-2">{say('Printed')}</dt>
        <dd className="figures">{station.printed}</dd>
        {pulled && (
          <>
            <dt className="text-ink-2">{say('Pulled')}</dt>
            <dd className="figures font-bold">{pulled}</dd>
          </>
        )}
      </dl>
      <div className="mt-4 grid grid-cols-2 gap-2">
        <Button onClick={onLoosen} disabled={stage === 'empty'}>
          {stage === 'empty' ? say('Nothing to loosen') : say('Loosen it')}
        </Button>
        <Button tone="primary" onClick={onClose}>
          {say('Back to the line')}
        </Button>
      </div>
    </Sheet>
  );
}
