import { useCallback, useEffect, useState } from 'react';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import { api, call, ProblemError, UnreachableError } from '../../shop/api.ts';
import { useSession } from '../../shop/session.ts';

/** What to say when a request did not come through; undefined where the session ended, which shows itself. */
export function failureOf(error: unknown): string | undefined {
  if (error instanceof UnreachableError) return 'The server cannot be reached. Nothing was changed.';
  if (error instanceof ProblemError) {
    if (error.problem.code === 'notSignedIn') {
      useSession.getState().expire();
      return undefined;
    }
    const { title, detail, faults } = error.problem;
    return [title, detail, ...(faults ?? []).map(({ message }) => message)].filter(Boolean).join('. ');
  }
  throw error;
}

/** The vehicles of the shop. */
export function useVehicles(): { vehicles?: Vehicle[]; failure?: string; reload: () => Promise<void> } {
  const [vehicles, setVehicles] = useState<Vehicle[]>();
  const [failure, setFailure] = useState<string>();
  const reload = useCallback(async () => {
    try {
      setVehicles((await call(api.vehicles.$get())) as Vehicle[]);
      setFailure(undefined);
    } catch (error) {
      setFailure(failureOf(error));
    }
  }, []);
  useEffect(() => {
    void reload();
  }, [reload]);
  return { vehicles, failure, reload };
}
