import type { Phase, PhaseProgress } from '#core/job/job-progress.ts';

export type FloorPhase = PhaseProgress['phase'];

/** What the screens say of each phase of a job on the floor, in one place: its address, its names, its part of the time. */
export const FLOOR_PHASES: Record<
  FloorPhase,
  {
    /** The last part of its address. */
    path: string;
    title: string;
    /** Its name where there is little room. */
    short: string;
    /** Share of a job's time, as a rough picture (chosen by us until own history says better). */
    share: number;
  }
> = {
  checkIn: { path: 'check-in', title: 'Check in', short: 'In', share: 0.1 },
  strip: { path: 'strip', title: 'Strip', short: 'Strip', share: 0.15 },
  fitLoose: { path: 'fit-loose', title: 'Fit loose', short: 'Loose', share: 0.2 },
  torque: { path: 'torque', title: 'Torque', short: 'Torque', share: 0.35 },
  refit: { path: 'refit', title: 'Refit', short: 'Refit', share: 0.1 },
  closeOut: { path: 'close-out', title: 'Close out', short: 'Out', share: 0.1 },
};

/** The screen of a job in this phase. */
export const phasePath = (phase: Phase): string => (phase === 'closed' ? 'record' : FLOOR_PHASES[phase].path);

/** A kit whose sheet takes nothing off has no strip and no refit to show. */
export const hasWork = ({ phase, of }: PhaseProgress): boolean => of > 0 || (phase !== 'strip' && phase !== 'refit');
