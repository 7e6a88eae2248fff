/**
 * Ways of saving a damaged thread, the gentlest first; each is tried when the one before has failed. Common practice, no
 * source.
 */
export const THREAD_RUNGS = ['brush', 'chaser', 'tap', 'insert'] as const;
export type ThreadRung = (typeof THREAD_RUNGS)[number];

/** A tap cuts metal away and an insert replaces it: somebody who answers for the work does that. */
export const needsApproval = (rung: ThreadRung): boolean => rung === 'tap' || rung === 'insert';

/** The rung that is next for a thread; undefined where it runs, or nothing is left to try. */
export function nextRung(mending: ReadonlyArray<{ rung: ThreadRung; runs: boolean }>): ThreadRung | undefined {
  const last = mending.at(-1);
  if (!last || last.runs) return THREAD_RUNGS[0];
  return THREAD_RUNGS[THREAD_RUNGS.indexOf(last.rung) + 1];
}
