import type { TighteningSpec } from '../tightening/kinds.ts';
import type { Condition } from './condition.ts';

/** What is on the thread that a figure was worked out for. */
export const FIGURE_BASES = ['dry', 'oiled', 'locker', 'antiSeize'] as const;
export type FigureBasis = (typeof FIGURE_BASES)[number];

/** A specification with the words it was printed in, and the case it is for. */
export interface PrintedSpec {
  spec: TighteningSpec;
  /** The torque as the sheet prints it: `46 lbf·ft`. Shown first, converted second. */
  printed: string;
  /** The thread the figure is for, where the sheet says it. */
  basis?: FigureBasis;
  when?: Condition;
}
