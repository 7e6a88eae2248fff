import type { JobCard, MoveJob } from './job.ts';

const MINUTE_MS = 60_000;

/** What speaks against a job standing where and when it is put. None of it is forbidden: a shop may know better. */
export type SlotClash =
  /** Another stands in the bay at that time. */
  | { kind: 'bay'; other: JobCard }
  /** Somebody of those who are to work on it works on another then. */
  | { kind: 'fitter'; other: JobCard; person: string }
  /** It would be done this many minutes after it was promised. */
  | { kind: 'promise'; lateMinutes: number };

/** A job as it would stand. */
export type PlannedJob = Pick<MoveJob, 'bay' | 'plannedStartMs' | 'place' | 'fitters' | 'promisedMs'> & {
  id?: string;
  estimatedMinutes: number;
};

const endMs = ({ plannedStartMs, estimatedMinutes }: Pick<PlannedJob, 'plannedStartMs' | 'estimatedMinutes'>) =>
  plannedStartMs + estimatedMinutes * MINUTE_MS;

/** Whether a job still takes a bay and hands. */
const stands = ({ closedAtMs, calledOff }: JobCard): boolean => closedAtMs === undefined && calledOff === undefined;

/** What a job would get in the way of, and what it would miss, as it is put. Each person and each other job is told once. */
export function slotClashes(jobs: readonly JobCard[], put: PlannedJob): SlotClash[] {
  const beside = jobs.filter(
    (other) =>
      other.id !== put.id && stands(other) && other.plannedStartMs < endMs(put) && put.plannedStartMs < endMs(other),
  );
  const inBay = (place: PlannedJob['place']) => (place ?? 'bay') === 'bay';
  return [
    ...beside
      .filter((other) => inBay(put.place) && inBay(other.slot?.place) && other.bay === put.bay)
      .map((other): SlotClash => ({ kind: 'bay', other })),
    ...(put.fitters ?? []).flatMap((person): SlotClash[] => {
      const other = beside.find(({ slot }) => slot?.fitters?.includes(person));
      return other ? [{ kind: 'fitter', other, person }] : [];
    }),
    ...(put.promisedMs !== undefined && endMs(put) > put.promisedMs
      ? [{ kind: 'promise' as const, lateMinutes: Math.ceil((endMs(put) - put.promisedMs) / MINUTE_MS) }]
      : []),
  ];
}
