import { Link } from 'react-router';
import { stepTitle } from '#contract/wording/step-text.ts';
import type { PlanStep } from '#core/kit/plan.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { ActionBar } from '../../ui/Button.tsx';

/** The one big action of a list of steps: the next step, or on to the next screen. */
export function NextStepBar({
  next,
  onDo,
  then,
}: {
  next?: PlanStep;
  onDo?: () => void;
  then: { to: string; title: string };
}) {
  const { plan } = useOpenJob();
  if (next)
    return (
      <ActionBar onClick={onDo} disabled={!onDo}>
        <span className="line-clamp-2 text-3xl">{stepTitle(plan, next)}</span>
      </ActionBar>
    );
  return (
    <Link to={then.to} className="thumb-bar plate flex min-h-22 items-center bg-paint px-6 text-4xl text-on-paint">
      {then.title}
    </Link>
  );
}
