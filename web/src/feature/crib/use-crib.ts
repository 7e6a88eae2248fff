import type { Crib } from '#contract/crib.ts';
import { say } from '#contract/wording/say.ts';
import { type Change, useChange, useCribRead } from '../../shop/queries.ts';

/** How often the crib is asked for again while it is on screen, ms. */
const REFRESH_MS = 15_000;

export interface CribHook extends Change {
  crib?: Crib;
}

/** The crib, kept fresh, and what is done to it. */
export function useCrib(): CribHook {
  const { data: crib, failure: unread } = useCribRead(REFRESH_MS);
  const change = useChange('crib', 'wrenches');
  return {
    ...change,
    crib,
    failure: change.failure ?? (unread && say('{unread} What you see may be old.', { unread })),
  };
}
