import { Link } from 'react-router';
import type { JobCard } from '#contract/job.ts';
import { dayFactText, proposalText, stretchTitle } from '#contract/wording/day-text.ts';
import { minutesText } from '#contract/wording/minutes-text.ts';
import { say } from '#contract/wording/say.ts';
import { usefulNow } from '#core/day/day-advice.ts';
import { Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';
import { namesOf, type PlannedDays } from './use-day-plan.ts';

/** Most things that are offered for a wait. */
const OFFERED = 4;

/** What fits now for this person, while what they work on waits. */
export function UsefulNow({
  planned: { day, plan },
  person,
  nowMs,
}: {
  planned: PlannedDays;
  person: string;
  nowMs: number;
}) {
  if (!day || !plan || !day.people.some(({ id }) => id === person)) return null;
  const names = namesOf(day);
  const { untilMs, list } = usefulNow(day, plan, person, nowMs);
  if (list.length === 0) return null;
  return (
    <section className="mt-4 border-2 border-ink p-3" aria-label={say('Useful now')}>
      <h3 className="plate text-xl">{say('Useful now')}</h3>
      {untilMs !== undefined && (
        <p className="text-sm text-ink-2">
          {tell('The plan wants you again at {clock}.', { clock: names.clock(untilMs) })}
        </p>
      )}
      <ul className="mt-1">
        {list.slice(0, OFFERED).map(({ job, step, minutes, helper }) => (
          <li key={`${job} ${step.step}`}>
            <Link className="flex min-h-11 items-baseline gap-2 py-1" to={`/jobs/${job}/line`}>
              <span className="figures w-16 shrink-0 text-right">{minutesText(Math.max(1, Math.round(minutes)))}</span>
              <span>
                <b>{names.job(job)}</b> {stretchTitle(step)}
                {helper !== undefined && (
                  <span className="text-ink-2"> {tell('(with {person})', { person: names.person(helper) })}</span>
                )}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What the plan says of itself: how good it is, the change that would save most, or what contradicts. */
export function PlanNotes({
  planned,
  onTake,
}: {
  planned: PlannedDays;
  /** Puts a job elsewhere; a change of who works on it too. */
  onTake?: (job: JobCard, to: { bay?: number; plannedStartMs?: number; fitters?: string[] }) => void;
}) {
  const { day, plan, looking, proposal, contradiction, failure } = planned;
  const names = namesOf(day);
  const take = () => {
    if (!day || !proposal || !onTake) return;
    const { change } = proposal;
    const card = (id: string) => day.jobs.find((job) => job.id === id)?.card;
    if (change.kind === 'swap') {
      const [a, b] = [card(change.first), card(change.second)];
      if (!a || !b) return;
      onTake(a, { plannedStartMs: b.plannedStartMs });
      onTake(b, { plannedStartMs: a.plannedStartMs });
    } else if (change.kind === 'bay' || change.kind === 'fitter') {
      const job = card(change.job);
      if (job) onTake(job, change.kind === 'bay' ? { bay: change.bay } : { fitters: [change.person] });
    }
  };
  if (failure)
    return (
      <p role="alert" className="border-b-2 border-bad bg-sheet px-5 py-2 text-bad">
        {tell('The plan: {failure}', { failure })}
      </p>
    );
  if (contradiction)
    return (
      <div role="alert" className="mx-5 mt-3 border-2 border-bad bg-sheet p-3">
        <b className="text-bad">{say('No plan can be made: these contradict each other.')}</b>
        <ul className="list-disc pl-6">
          {contradiction.map((fact, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: facts have no other name, and are never moved
            <li key={at}>{dayFactText(fact, names)}</li>
          ))}
        </ul>
      </div>
    );
  const known = plan && plan.steps.length > 0;
  return (
    <div className="mx-5 mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 text-sm text-ink-2 print:hidden">
      <span role="status">
        {!known
          ? looking
            ? say('Planning.')
            : say('Nothing is left to plan.')
          : plan.optimal
            ? say('No plan is shorter.')
            : say('At most {gap} % longer than what is possible{which}.', {
                gap: Math.ceil(plan.gap * 100),
                which: looking ? say(', still looking') : '',
              })}
      </span>
      {proposal && (
        <span className="flex items-center gap-2 text-ink">
          <b>{proposalText(proposal, names)}.</b>
          {onTake && ['swap', 'bay', 'fitter'].includes(proposal.change.kind) && (
            <Button className="min-h-11!" onClick={take}>
              {say('Do that')}
            </Button>
          )}
        </span>
      )}
    </div>
  );
}
