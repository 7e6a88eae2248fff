import type { DriveSize } from '../fastener/drive.ts';

/** What hangs in the crib beside torque wrenches and compounds. */
export type CribToolKind = 'socket' | 'bit' | 'spanner' | 'crowfoot' | 'special';

export const CRIB_TOOL_KINDS: readonly CribToolKind[] = ['socket', 'bit', 'spanner', 'crowfoot', 'special'];

export interface CribTool {
  id: string;
  kind: CribToolKind;
  /** What it is called: 16 mm deep socket, spring compressor. */
  name: string;
  /** What it grips; left out for specials. Never a thread. */
  /** A tool is in the hand: its size is known. */
  drive?: Exclude<DriveSize, { kind: 'unknown' }>;
  /** Square it takes: 1/2 in. */
  squareDrive?: string;
  /** Where it hangs. */
  place?: string;
  /** How it is used and what it must not be used for. */
  note?: string;
  /** Reported missing, by whom and when. */
  missing?: { atMs: number; by: string; note: string };
}

/** A thing of the crib in somebody's hands. */
export interface Loan {
  id: string;
  thing: 'wrench' | 'tool';
  thingId: string;
  /** As it is called, kept with the loan. */
  thingName: string;
  personId: string;
  personName: string;
  jobId?: string;
  outAtMs: number;
  backAtMs?: number;
  /** Click wrenches go back to the lowest mark, so that their spring keeps. */
  setToLow?: boolean;
}

export const isOut = (loan: Loan): boolean => loan.backAtMs === undefined;

/**
 * Names of things still out for a job: none may be left in the vehicle, so it cannot be closed. A thing reported
 * missing counts too, until it is found or a lead takes it off the job.
 */
export const outForJob = (loans: readonly Loan[], jobId: string): string[] =>
  loans.filter((loan) => loan.jobId === jobId && isOut(loan)).map((loan) => `${loan.thingName} (${loan.personName})`);
