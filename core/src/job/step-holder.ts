import { indexOf, type Plan } from '../kit/plan.ts';
import type { LineStep } from '../line/line.ts';
import { type JobState, stationState } from './job-state.ts';
import { lastTry } from './line-progress.ts';
import type { Person } from './role.ts';
import type { Stamp } from './stamp.ts';

/**
 * Who has a step in hand: whoever took it, or did the last thing in it. A group that one has begun is left to them, until
 * somebody takes it over by name. Asked for every open step at every press, so nothing is gathered on the way.
 */
export function stepHolder(plan: Plan, job: JobState, step: LineStep): Person | undefined {
  let last: Stamp | undefined;
  const see = (stamp: Stamp | undefined): void => {
    if (stamp && (!last || stamp.atMs >= last.atMs)) last = stamp;
  };
  for (const { id } of step.acts) see(lastTry(job, id));
  const seen = new Set<string>();
  for (const { action } of step.acts) {
    const group = 'group' in action ? action.group : undefined;
    if (group === undefined || seen.has(group)) continue;
    seen.add(group);
    for (const id of indexOf(plan).groups.get(group)?.stations ?? []) {
      const { started, bead, snugged, pulls } = stationState(job, id);
      see(started);
      see(bead);
      see(snugged);
      see(pulls.at(-1));
    }
  }
  see(job.visit.taken[step.id]);
  return last?.by;
}
