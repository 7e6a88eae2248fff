import { useEffect, useState } from 'react';
import { api, call } from '../../shop/api.ts';

/** How often the crib is asked while the screen is open, ms. */
const REFRESH_MS = 10_000;
const NONE: readonly string[] = [];

/**
 * Things of the crib lent for a job and not back. Without a line to the server none are known, and closing is decided
 * by the server once it is there again.
 */
export function useToolsOut(jobId: string, closed: boolean): readonly string[] {
  const [tools, setTools] = useState<readonly string[]>(NONE);
  useEffect(() => {
    if (closed) return undefined;
    let stopped = false;
    const ask = () =>
      call(api.jobs[':jobId']['tools-out'].$get({ param: { jobId } }))
        .then((list) => {
          // The same list keeps its identity, so that what is worked out from it is not worked out again.
          if (!stopped) setTools((before) => (before.join() === list.join() ? before : list));
        })
        // Offline, the last answer stands; the server asks again when the closing reaches it.
        .catch(() => undefined);
    void ask();
    const timer = setInterval(() => void ask(), REFRESH_MS);
    return () => {
      stopped = true;
      clearInterval(timer);
    };
  }, [jobId, closed]);
  return tools;
}
