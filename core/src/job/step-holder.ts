import { indexOf, type Plan } from '../kit/plan.ts';
import type { LineStep } from '../line/line.ts';
import { type JobState, stationState } from './job-state.ts';
import { lastTry } from './line-progress.ts';
import type { Person } from './role.ts';
import type { Stamp } from './stamp.ts';

/** What was done at the stations of a step, the last of each. */
function stationStamps(plan: Plan, job: JobState, step: LineStep): Stamp[] {
  const groups = new Set(
    step.acts.flatMap(({ action }) => ('group' in action && action.group !== undefined ? [action.group] : [])),
  );
  return [...groups].flatMap((group) =>
    (indexOf(plan).groups.get(group)?.stations ?? []).flatMap((id) => {
      const { started, bead, snugged, pulls } = stationState(job, id);
      return [started, bead, snugged, pulls.at(-1)].filter((stamp) => stamp !== undefined);
    }),
  );
}

/**
 * Who has a step in hand: whoever took it, or did the last thing in it. A group that one has begun is left to them, until
 * somebody takes it over by name.
 */
export function stepHolder(plan: Plan, job: JobState, step: LineStep): Person | undefined {
  const stamps = [
    ...step.acts.flatMap(({ id }) => lastTry(job, id) ?? []),
    ...stationStamps(plan, job, step),
    ...(job.visit.taken[step.id] ? [job.visit.taken[step.id] as Stamp] : []),
  ];
  let last: Stamp | undefined;
  for (const stamp of stamps) if (!last || stamp.atMs >= last.atMs) last = stamp;
  return last?.by;
}
