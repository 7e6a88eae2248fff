import { useEffect, useMemo, useState } from 'react';
import { type Readiness, readiness } from '#core/readiness/readiness.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { api, call } from '../../shop/api.ts';
import { useNow } from '../../ui/use-now.ts';
import { useCrib } from '../crib/use-crib.ts';
import { failureOf } from '../vehicles/use-vehicles.ts';

/** What the day needs against what the shop has; undefined until the crib is read. */
export function useReadiness(): { result?: Readiness; failure?: string } {
  const { document, plan, state } = useOpenJob();
  const { crib, failure } = useCrib();
  const nowMs = useNow(60_000);
  const [ownMinutes, setOwnMinutes] = useState<Record<string, number[]>>({});
  const [unread, setUnread] = useState<string>();
  const ids = plan.kits.map((kit) => kit.id).join(' ');
  useEffect(() => {
    void Promise.all(
      ids.split(' ').map(async (id) => [id, await call(api.kits[':id'].minutes.$get({ param: { id } }))] as const),
    )
      .then((found) => setOwnMinutes(Object.fromEntries(found)))
      .catch((error: unknown) => setUnread(failureOf(error)));
  }, [ids]);
  const result = useMemo(
    () =>
      crib &&
      readiness(
        plan,
        state,
        {
          wrenches: document.wrenches,
          tools: crib.tools,
          bottles: crib.bottles,
          temperatures: crib.temperatures,
          ownMinutes,
          withdrawn: document.kits.flatMap(({ document: kit, prefix, withdrawn }) =>
            withdrawn && plan.kits.some((entry) => entry.prefix === prefix)
              ? [{ kit: kit.title, because: withdrawn.because }]
              : [],
          ),
        },
        nowMs,
      ),
    [crib, plan, state, document, ownMinutes, nowMs],
  );
  return { result, failure: failure ?? unread };
}
