import { useToolsOutRead } from '../../shop/queries.ts';

/** How often the crib is asked while the screen is open, ms. */
const REFRESH_MS = 10_000;
const NONE: readonly string[] = [];

/**
 * Things of the crib lent for a job and not back. Without a line to the server none are known, and closing is decided
 * by the server once it is there again.
 */
export const useToolsOut = (jobId: string, closed: boolean): readonly string[] =>
  useToolsOutRead(jobId, closed ? undefined : REFRESH_MS).data ?? NONE;
