import type { Plan } from '../kit/plan.ts';
import { type Wanted, wantedOf } from '../visit/wanted.ts';
import type { JobState } from './job-state.ts';

/** A line of the shopping list: what is wanted, and what is there of it. */
export interface ToBuy extends Wanted {
  got: number;
  expiresOn?: string;
  /** Enough of it is there, and good on the day. */
  there: boolean;
}

/**
 * What the resolved plan takes and no box brings, with what was bought of it, from the moment the answers are given.
 *
 * @param today - ISO day: what is past its date then counts as not there
 */
export function shoppingList(plan: Plan, { visit, lines }: Pick<JobState, 'visit' | 'lines'>, today: string): ToBuy[] {
  return wantedOf(plan).map((one) => {
    const noted = visit.bought[one.id];
    const counted = one.item === undefined ? 0 : (lines[one.item]?.count?.found ?? 0);
    const got = Math.max(noted?.quantity ?? 0, counted);
    const good = noted?.expiresOn === undefined || noted.expiresOn >= today;
    // Of what no amount is stated something must be there.
    const there = good && got > 0 && got >= one.quantity;
    return { ...one, got, there, ...(noted?.expiresOn === undefined ? {} : { expiresOn: noted.expiresOn }) };
  });
}
