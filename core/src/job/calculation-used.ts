import type { StationId } from '../kit/ids.ts';

/** A figure worked out at the bench and used on a job, on a lead's word. It is never taken for the sheet's own. */
export interface CalculationUsed {
  station?: StationId;
  /** Which tool of the bench. */
  tool: string;
  /** What it said, in one line. */
  summary: string;
  /** Address that shows the calculation again, with all its values. */
  link: string;
  reason: string;
}
