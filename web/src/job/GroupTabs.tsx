import type { JobState } from '#core/job/job-state.ts';
import { groupComplete } from '#core/job/station-progress.ts';
import type { Plan } from '#core/kit/plan.ts';

/** The joint groups of the kit; a stripe on those that are done. */
export function GroupTabs({
  plan,
  state,
  current,
  onChoose,
}: {
  plan: Plan;
  state: JobState;
  current: string;
  onChoose: (id: string) => void;
}) {
  if (plan.groups.length < 2) return null;
  return (
    <div role="tablist" aria-label="Joint groups" className="flex overflow-x-auto border-b border-rule bg-floor">
      {plan.groups.map((group) => {
        const done = groupComplete(plan, state, group.id);
        return (
          <button
            key={group.id}
            type="button"
            role="tab"
            aria-selected={group.id === current}
            onClick={() => onChoose(group.id)}
            className={`plate relative min-h-12 shrink-0 px-5 text-xl ${group.id === current ? 'bg-bench' : 'text-ink-2'}`}
          >
            {group.title}
            {done && (
              <>
                <span aria-hidden="true" className="absolute top-1 right-1 h-1.5 w-5 -rotate-35 bg-paint" />
                <span className="sr-only">, done</span>
              </>
            )}
          </button>
        );
      })}
    </div>
  );
}
