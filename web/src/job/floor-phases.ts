import { PHASE_TEXT } from '#contract/wording/en/terms.ts';
import type { Phase, PhaseProgress } from '#core/job/job-progress.ts';

export type FloorPhase = PhaseProgress['phase'];

/** What the screens say of each phase of a job on the floor, in one place: its address, its names, its part of the time. */
export const FLOOR_PHASES: Record<
  FloorPhase,
  {
    /** The last part of its address; the stretches of the line are one screen. */
    path: string;
    title: string;
    /** Its name where there is little room. */
    short: string;
    /** Share of a job's time, as a rough picture (chosen by us until own history says better). */
    share: number;
  }
> = {
  checkIn: { path: 'check-in', title: 'Check in', short: 'In', share: 0.1 },
  prepare: { path: 'line', title: PHASE_TEXT.prepare, short: 'Prep', share: 0.05 },
  strip: { path: 'line', title: PHASE_TEXT.strip, short: 'Strip', share: 0.15 },
  loose: { path: 'line', title: PHASE_TEXT.loose, short: 'Loose', share: 0.15 },
  align: { path: 'line', title: PHASE_TEXT.align, short: 'Align', share: 0.05 },
  snug: { path: 'line', title: PHASE_TEXT.snug, short: 'Snug', share: 0.05 },
  torque: { path: 'line', title: PHASE_TEXT.torque, short: 'Torque', share: 0.25 },
  hold: { path: 'line', title: PHASE_TEXT.hold, short: 'Hold', share: 0.02 },
  refit: { path: 'line', title: PHASE_TEXT.refit, short: 'Refit', share: 0.1 },
  prove: { path: 'line', title: PHASE_TEXT.prove, short: 'Prove', share: 0.05 },
  closeOut: { path: 'close-out', title: 'Close out', short: 'Out', share: 0.03 },
};

/** The screen of a job in this phase. */
export const phasePath = (phase: Phase): string => (phase === 'closed' ? 'record' : FLOOR_PHASES[phase].path);

/** A stretch that no step of the kits is in has nothing to show. */
export const hasWork = ({ of }: PhaseProgress): boolean => of > 0;
