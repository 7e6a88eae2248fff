import { PHASE_TEXT } from '#contract/wording/en/terms.ts';
import { say } from '#contract/wording/say.ts';
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
  checkIn: { path: 'check-in', title: say('Check in'), short: say('In', {}, 'phase'), share: 0.1 },
  prepare: { path: 'line', title: PHASE_TEXT.prepare, short: say('Prep'), share: 0.05 },
  strip: { path: 'line', title: PHASE_TEXT.strip, short: say('Strip'), share: 0.15 },
  loose: { path: 'line', title: PHASE_TEXT.loose, short: say('Loose'), share: 0.15 },
  align: { path: 'line', title: PHASE_TEXT.align, short: say('Align'), share: 0.05 },
  snug: { path: 'line', title: PHASE_TEXT.snug, short: say('Snug'), share: 0.05 },
  torque: { path: 'line', title: PHASE_TEXT.torque, short: say('Torque'), share: 0.25 },
  hold: { path: 'line', title: PHASE_TEXT.hold, short: say('Hold', {}, 'phase'), share: 0.02 },
  refit: { path: 'line', title: PHASE_TEXT.refit, short: say('Refit'), share: 0.1 },
  prove: { path: 'line', title: PHASE_TEXT.prove, short: say('Prove'), share: 0.05 },
  closeOut: { path: 'close-out', title: say('Close out'), short: say('Out', {}, 'phase'), share: 0.03 },
};

/** The screen of a job in this phase. */
export const phasePath = (phase: Phase): string => (phase === 'closed' ? 'record' : FLOOR_PHASES[phase].path);

/** A stretch that no step of the kits is in has nothing to show. */
export const hasWork = ({ of }: PhaseProgress): boolean => of > 0;
