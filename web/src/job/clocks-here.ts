import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { ClockGate } from '#core/kit/step-action.ts';

/** A clock of a job that was open on this tablet, as it is told on any screen. */
export interface ClockHere {
  id: string;
  /** `Drop brackets: handling strength`. */
  name: string;
  /** A full cure runs for a day and calls nobody. */
  calls: boolean;
  endsAtMs: number;
  gates: ClockGate[];
}

export interface ClocksOfJob {
  job: string;
  /** `Carrick 3.0 · 261127-5`. */
  jobName: string;
  clocks: ClockHere[];
}

/** How long a clock that ran out is told, ms (chosen by us). */
const TOLD_MS = 30 * 60_000;

/** The clocks of all jobs that were worked on this tablet: kept, so that they run on over a reload and without a network. */
export const useClocksHere = create<{
  jobs: ClocksOfJob[];
  note(of: ClocksOfJob): void;
}>()(
  persist(
    (set, get) => ({
      jobs: [],
      note: (of) => {
        const { jobs } = get();
        const before = jobs.find(({ job }) => job === of.job);
        // Most presses start and end no clock: nothing is written for them.
        if (JSON.stringify(before?.clocks ?? []) === JSON.stringify(of.clocks)) return;
        const others = jobs.filter(({ job }) => job !== of.job);
        set({ jobs: of.clocks.length > 0 ? [...others, of] : others });
      },
    }),
    { name: 'wrenchman.clocks', version: 1, partialize: ({ jobs }) => ({ jobs }) },
  ),
);

/** Clocks that run or ran out a short while ago, over all jobs, the first to end in front. */
export function clocksToTell(
  jobs: readonly ClocksOfJob[],
  nowMs: number,
): Array<ClockHere & Pick<ClocksOfJob, 'job' | 'jobName'>> {
  return jobs
    .flatMap(({ job, jobName, clocks }) => clocks.map((clock) => ({ ...clock, job, jobName })))
    .filter(({ endsAtMs, calls }) => endsAtMs > nowMs || (calls && endsAtMs > nowMs - TOLD_MS))
    .sort((a, b) => a.endsAtMs - b.endsAtMs);
}
