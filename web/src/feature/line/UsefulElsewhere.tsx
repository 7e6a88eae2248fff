import { Link } from 'react-router';
import type { DayDocument } from '#contract/day.ts';
import { stretchTitle } from '#contract/wording/day-text.ts';
import { say } from '#contract/wording/say.ts';
import { atWork } from '#core/day/day-advice.ts';
import type { DayPlan } from '#core/day/day-plan.ts';
import ShopData from '../../shop/ShopData.tsx';
import { tell } from '../../ui/tell.ts';
import { UsefulNow } from '../plan/PlanNotes.tsx';
import { namesOf } from '../plan/use-day-plan.ts';
import { useFirstPlan } from './use-first-plan.ts';

/** While nothing of a line fits into a wait: where the plan has the person now, or what is useful on other jobs. */
export default function UsefulElsewhere(props: { job: string; person: string }) {
  return (
    <ShopData>
      <ByPlan {...props} />
    </ShopData>
  );
}

function ByPlan(props: { job: string; person: string }) {
  const planned = useFirstPlan();
  return planned && planned !== 'none' ? <Elsewhere {...planned} {...props} /> : null;
}

export function Elsewhere(props: { day: DayDocument; plan: DayPlan; job: string; person: string }) {
  const { day, plan, job, person } = props;
  const now = atWork(plan, person, day.nowMs);
  if (!now || now.job === job)
    return <UsefulNow planned={{ day, plan, looking: false }} person={person} nowMs={day.nowMs} />;
  return (
    <p>
      <b>{say('The plan has you elsewhere:')}</b>{' '}
      <Link className="inline-flex min-h-11 items-center underline" to={`/jobs/${now.job}/line`}>
        {tell('{job}, step {stretchTitle}', { job: namesOf(day).job(now.job), stretchTitle: stretchTitle(now.step) })}
      </Link>
    </p>
  );
}
