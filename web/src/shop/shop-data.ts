import { MutationCache, QueryCache, QueryClient } from '@tanstack/react-query';
import { ProblemError, UnreachableError } from './api.ts';
import { isFailure } from './failure-text.ts';
import { useSession } from './session.ts';

/** A session that ran out shows itself, whichever request found it. */
const noteExpired = (error: Error) => {
  if (error instanceof ProblemError && error.problem.code === 'notSignedIn') useSession.getState().expire();
};

/** What has been read from the server, for every screen but the floor, whose jobs have a store of their own. */
export const shopData = new QueryClient({
  queryCache: new QueryCache({ onError: noteExpired }),
  mutationCache: new MutationCache({ onError: noteExpired }),
  defaultOptions: {
    queries: {
      // A tablet's screens are few and change often: what was read is shown at once and read again.
      staleTime: 0,
      retry: (failures, error) => error instanceof UnreachableError && failures < 1,
      retryDelay: 800,
      // The application knows better than the browser whether its server answers.
      networkMode: 'always',
      throwOnError: (error) => !isFailure(error),
    },
    mutations: { retry: false, networkMode: 'always' },
  },
});
