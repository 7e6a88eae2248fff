import type { LookTarget } from './look.ts';

/** Something that still keeps a job from being closed, with where to go to clear it. */
export type CloseBlock =
  | { code: 'linesUncounted'; items: string[] }
  | { code: 'stationsOpen'; group: string; stations: string[] }
  | { code: 'piecesUnaccounted'; item: string; unaccounted: number; onTray: number }
  /** Two people counted a line and found different numbers. */
  | { code: 'countsDisagree'; items: string[] }
  /** Parts with a number of their own that nobody has read. */
  | { code: 'serialsMissing'; items: string[] }
  /** Keys, bits and codes that are not handed over or put back: by their ids. */
  | { code: 'keysOut'; keys: string[] }
  /** Joints and connections the shop asks a second look at. */
  | { code: 'secondLookDue'; targets: LookTarget[] }
  | { code: 'problemOpen'; problem: string }
  /** Taken off, opened or put on, and not ended where it must. */
  | { code: 'debtsOpen'; debts: string[] }
  /** Steps of the line that are neither done nor let go by a lead. */
  | { code: 'stepsOpen'; steps: string[] }
  /** Clocks that still run, and of which the driver was told nothing. */
  | { code: 'clocksRunning'; clocks: string[] }
  | { code: 'conflictsUnsettled'; conflicts: string[] }
  /** Lent for this job and not back: it may lie in the vehicle. */
  | { code: 'toolsOut'; tools: string[] };
