import type { CompoundKind } from '../compound/compound.ts';
import type { TighteningSpec } from '../tightening/kinds.ts';
import type { ThreadFinish } from '../tightening/thread-finish.ts';
import type { Condition } from './condition.ts';

/** What is on the thread that a figure was worked out for. */
export const FIGURE_BASES = ['dry', 'oiled', 'locker', 'antiSeize'] as const;
export type FigureBasis = (typeof FIGURE_BASES)[number];

const FINISH_OF: Record<FigureBasis, ThreadFinish> = {
  dry: 'dry',
  oiled: 'oiled',
  locker: 'lockerMedium',
  antiSeize: 'antiSeize',
};

/** What a figure counts on, as the table of frictions names it; a sheet that does not say counts on a dry thread. */
export const finishOfBasis = (basis: FigureBasis | undefined): ThreadFinish => FINISH_OF[basis ?? 'dry'];

/** What is on a thread once a compound is, as a figure's basis speaks of it; grease and oil are slippery alike. */
const BASIS_OF: Partial<Record<CompoundKind, FigureBasis>> = {
  threadlockerLow: 'locker',
  threadlockerMedium: 'locker',
  threadlockerHigh: 'locker',
  antiSeize: 'antiSeize',
  grease: 'oiled',
};

/** The basis that a compound makes; undefined for one that no figure speaks of. */
export const basisMadeBy = (kind: CompoundKind): FigureBasis | undefined => BASIS_OF[kind];

/** A specification with the words it was printed in, and the case it is for. */
export interface PrintedSpec {
  spec: TighteningSpec;
  /** The torque as the sheet prints it: `46 lbf·ft`. Shown first, converted second. */
  printed: string;
  /** The thread the figure is for, where the sheet says it. */
  basis?: FigureBasis;
  when?: Condition;
}
