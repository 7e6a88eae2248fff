import { pullShown } from '#contract/wording/joint-text.ts';
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
  if (inHand?.id === station.id) return 'It is the one in hand.';
  const first = inHand ? `Station ${inHand.label} comes first` : 'Its turn comes';
  const mark = stationMark(plan, station, state);
  if (mark === 'bad') return 'Its last pull proves nothing: it is loosened first.';
  if (mark === 'verified') return 'Nothing more is to be done to it.';
  if (stage === 'empty') return `It is not in its thread yet. ${first}.`;
  if (station.compound !== undefined && !bead && stage === 'started') return `Its thread wants its compound. ${first}.`;
  if (mark === 'atTorque')
    return `It is at its torque${step.kind === 'pull' ? `; the second look comes round. ${first}` : ''}.`;
  return `${first}, in the order ${step.kind === 'pull' ? 'that draws the parts down evenly' : 'of the sheet'}.`;
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
      title={`Station ${station.label}: ${MARK_TEXT[stationMark(plan, station, state)]}`}
      description={station.name}
    >
      <p className="text-xl">{whyNotYet(torque, station)}</p>
      <dl className="mt-3 grid grid-cols-[6rem_1fr] gap-y-1">
        <dt className="text-ink-2">Printed</dt>
        <dd className="figures">{station.printed}</dd>
        {pulled && (
          <>
            <dt className="text-ink-2">Pulled</dt>
            <dd className="figures font-bold">{pulled}</dd>
          </>
        )}
      </dl>
      <div className="mt-4 grid grid-cols-2 gap-2">
        <Button onClick={onLoosen} disabled={stage === 'empty'}>
          {stage === 'empty' ? 'Nothing to loosen' : 'Loosen it'}
        </Button>
        <Button tone="primary" onClick={onClose}>
          Back to the line
        </Button>
      </div>
    </Sheet>
  );
}
