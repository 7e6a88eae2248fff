import { useEffect, useState } from 'react';
import type { SignInOptions } from '#contract/session.ts';
import { api, call, UnreachableError } from '../../shop/api.ts';

const RETRY_MS = 3000;

/** Who may sign in here; asked again until the server answers. */
export function useQueryOptions(wanted: boolean): { options?: SignInOptions; failure?: string } {
  const [options, setOptions] = useState<SignInOptions>();
  const [failure, setFailure] = useState<string>();
  useEffect(() => {
    if (!wanted || options) return undefined;
    let timer: ReturnType<typeof setTimeout>;
    let stopped = false;
    const ask = () =>
      call(api.session.options.$get()).then(
        (answer) => {
          if (stopped) return;
          setOptions(answer);
          setFailure(undefined);
        },
        (error: unknown) => {
          if (stopped) return;
          setFailure(error instanceof UnreachableError ? 'The server cannot be reached. Trying again.' : String(error));
          timer = setTimeout(ask, RETRY_MS);
        },
      );
    void ask();
    return () => {
      stopped = true;
      clearTimeout(timer);
    };
  }, [wanted, options]);
  return { options, failure };
}
