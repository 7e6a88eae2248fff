import type { PlanStation } from '#core/kit/plan.ts';
import { ReasonSheet } from '../ui/ReasonSheet.tsx';
import { useOpenJob } from './use-open-job.ts';

const USUAL = ['Will not start by hand', 'Thread damaged', 'Hole does not line up', 'Part does not sit flush'];

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
      title={station ? `Problem at station ${station.label}` : 'Problem'}
      label="What is it?"
      confirm="Put it on the list"
      usual={USUAL}
      onReason={(text) => {
        give({ type: 'raiseProblem', station: station?.id, text });
        onClose();
      }}
    />
  );
}
