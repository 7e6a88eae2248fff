import { say } from '#contract/wording/say.ts';
import type { PlanStation } from '#core/kit/plan.ts';
import { ReasonSheet } from '../ui/ReasonSheet.tsx';
import { useOpenJob } from './use-open-job.ts';

const USUAL = [
  say('Will not start by hand'),
  say('Thread damaged'),
  say('Hole does not line up'),
  say('Part does not sit flush'),
];

/** Raises a problem; it keeps the job open until somebody says how it was cleared. */
export function ProblemSheet({
  open,
  onClose,
  station,
}: {
  open: boolean;
  onClose: () => void;
  station?: PlanStation;
}) {
  const { give } = useOpenJob();
  return (
    <ReasonSheet
      open={open}
      onClose={onClose}
      title={station ? say('Problem at station {label}', { label: station.label }) : say('Problem')}
      label={say('What is it?')}
      confirm={say('Put it on the list')}
      usual={USUAL}
      onReason={(text) => {
        give({ type: 'raiseProblem', station: station?.id, text });
        onClose();
      }}
    />
  );
}
