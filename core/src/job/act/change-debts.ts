import { type DebtState, debtState } from '../visit-state.ts';
import type { Draft } from './act.ts';

/** Changes what is kept of some debts, by every id they have: kits that share one come and go. */
export function changeDebts(draft: Draft, ids: readonly string[], change: (debt: DebtState) => DebtState): void {
  const changed = Object.fromEntries(ids.map((id) => [id, change(debtState(draft.visit, id))]));
  draft.visit = { ...draft.visit, debts: { ...draft.visit.debts, ...changed } };
}
