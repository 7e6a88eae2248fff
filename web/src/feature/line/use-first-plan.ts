import { useEffect, useState } from 'react';
import { type DayDocument, PLANNED_DAYS } from '#contract/day.ts';
import type { DayPlan } from '#core/day/day-plan.ts';
import { useDays } from '../../shop/queries.ts';
import { shopDayStart } from '../../shop/shop-time.ts';
import { useNow } from '../../ui/use-now.ts';
import { planWorker } from '../../worker/plan-worker.ts';

/** How often the line asks who is where, ms. */
const REFRESH_MS = 30_000;

/** The first plan of the day, for a line that asks who is where; undefined without the server, or where facts contradict. */
export function useFirstPlan(): { day: DayDocument; plan: DayPlan } | undefined {
  const nowMs = useNow(REFRESH_MS);
  const { data: day } = useDays(shopDayStart(nowMs), shopDayStart(nowMs, PLANNED_DAYS), REFRESH_MS);
  const [planned, setPlanned] = useState<{ day: DayDocument; plan: DayPlan }>();
  useEffect(() => {
    if (!day) return;
    let gone = false;
    planWorker()
      .first(day)
      .then((answer) => {
        if (!gone) setPlanned(answer.ok && answer.value.kind === 'plan' ? { day, plan: answer.value.plan } : undefined);
      })
      // Who is where is a help; the line can be worked without it.
      .catch(() => setPlanned(undefined));
    return () => {
      gone = true;
    };
  }, [day]);
  return planned;
}
