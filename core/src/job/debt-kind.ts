import type { Fate } from '../kit/kit-step.ts';

/** What may be owed: a removed thing, something opened, a bolt loosened for access, something put on for the work. */
export const DEBT_KINDS = ['removed', 'disconnect', 'neighbour', 'temporary', 'other'] as const;
export type DebtKind = (typeof DEBT_KINDS)[number];

/** Where a debt ends. `cleared`: closed, tightened again or taken away, which have one end only. */
export type DebtEnd = Fate | 'cleared';
export const DEBT_ENDS = ['refit', 'transfer', 'keep', 'scrap', 'cleared'] as const satisfies readonly DebtEnd[];

/** A debt that no sheet speaks of. */
export interface AddedDebt {
  name: string;
  kind: DebtKind;
  count: number;
  end: DebtEnd;
  note?: string;
}
