import { useCallback, useEffect, useState } from 'react';
import type { Crib } from '#contract/crib.ts';
import { api, call, ProblemError } from '../../shop/api.ts';
import { useSession } from '../../shop/session.ts';

/** How often the crib is asked for again while it is on screen, ms. */
const REFRESH_MS = 15_000;

/** What a person reads when a request failed. */
export const failureText = (error: unknown): string =>
  error instanceof ProblemError
    ? [error.problem.title, error.problem.detail].filter(Boolean).join('. ')
    : 'The server cannot be reached. Nothing was changed; try again.';

export interface CribHook {
  crib?: Crib;
  failure?: string;
  reload(): Promise<void>;
  /** Does something to the crib and reads it anew. True when it was done; the reason is in `failure` otherwise. */
  act(work: () => Promise<unknown>): Promise<boolean>;
  clearFailure(): void;
}

/** The crib, kept fresh. */
export function useCrib(): CribHook {
  const [crib, setCrib] = useState<Crib>();
  const [failure, setFailure] = useState<string>();
  const expire = useSession((state) => state.expire);
  const reload = useCallback(async () => {
    try {
      setCrib((await call(api.crib.$get())) as Crib);
    } catch (error) {
      if (error instanceof ProblemError && error.problem.code === 'notSignedIn') expire();
      else setFailure('The crib cannot be read just now. What you see may be old.');
    }
  }, [expire]);
  useEffect(() => {
    void reload();
    const timer = setInterval(() => void reload(), REFRESH_MS);
    return () => clearInterval(timer);
  }, [reload]);
  const act = useCallback(
    async (work: () => Promise<unknown>) => {
      try {
        await work();
        setFailure(undefined);
        await reload();
        return true;
      } catch (error) {
        setFailure(failureText(error));
        return false;
      }
    },
    [reload],
  );
  const clearFailure = useCallback(() => setFailure(undefined), []);
  return { crib, failure, reload, act, clearFailure };
}
