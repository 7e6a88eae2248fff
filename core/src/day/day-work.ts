import type { ProductTimes } from '../compound/cure-curve.ts';
import type { Skill } from '../job/skill.ts';
import type { StepNeed } from '../kit/kit-step.ts';
import type { Phase } from '../kit/phase.ts';
import type { Claim, Estimate } from './estimate.ts';

/** A step of a job that is still to be done, or in hand. */
export interface StepWork {
  step: string;
  /** The line's number. */
  number: number;
  text: string;
  phase: Phase;
  /** The whole step. */
  estimate: Estimate;
  /** What of it is left: the share of its acts that are open. Minutes, 0 and up. */
  leftMin: number;
  /** One time in ten it is less, one time in ten more. */
  leftLowMin: number;
  leftHighMin: number;
  /** Hands, the fitter's included. */
  people: number;
  needs: readonly StepNeed[];
  /** Tools of which there is one. */
  tools: readonly string[];
  /** Something of it is done, and by whom it was last in hand. */
  begun?: { by?: string };
  /** Nothing on the line keeps it from being begun now. */
  free: boolean;
  /** Pieces it wants are not here before this instant, Unix ms; none promised where it is left out. */
  parts?: { lines: readonly string[]; promisedMs?: number };
  /** A clock that has begun keeps it shut until then, Unix ms. */
  shutUntilMs?: number;
}

/** Times of what sets, so that a plan can be made for another temperature. */
export interface Sets {
  times: ProductTimes;
  /** Which of the times the lag is. */
  part: 'fixture' | 'window';
}

/** What must lie between two steps of a job, end to start, minutes; nothing is held meanwhile. */
export interface WorkLag {
  from: string;
  to: string;
  minMinutes?: number;
  maxMinutes?: number;
  why: 'order' | 'wait' | 'fixture' | 'window';
  /** The joint group that sets, or what waits. */
  about?: string;
  sets?: Sets;
}

/** Why a plan cannot be what a sheet wants, whatever order is chosen. */
export type CannotBe =
  /** The locker of a group sets before all its bolts are pulled. */
  | { kind: 'windowShort'; group: string; windowMin: number; needsMin: number; stations: number; possible: number }
  /** Pieces are missing that nobody has promised. */
  | { kind: 'notPromised'; lines: readonly string[] }
  /** Nobody of those who are to work on it can do what it asks for. */
  | { kind: 'noSkill'; skill: Skill }
  /** A conflict between kits waits for a lead. */
  | { kind: 'conflict'; count: number };

/** What is left of a job. */
export interface JobWork {
  job: string;
  steps: readonly StepWork[];
  /** What whoever works on it must be able to do. */
  skills: readonly Skill[];
  lags: readonly WorkLag[];
  cannot: readonly CannotBe[];
  /** After the last step the vehicle is not driven before so long: what sets. Minutes; 0 where nothing does. */
  driveAfterMin: number;
  driveSets?: Sets;
  /** A clock that has begun keeps it from the road until then, Unix ms. */
  driveShutUntilMs?: number;
  /** A locker is on a thread and sets: pulled before this instant or not at all, Unix ms. */
  lockers: ReadonlyArray<{ group: string; step: string; closesAtMs: number; needsMin: number }>;
  claims: ReadonlyArray<{ kit: string; title: string; claim: Claim }>;
}
