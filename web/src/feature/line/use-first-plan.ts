import { type QueryClient, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { type DayDocument, PLANNED_DAYS } from '#contract/day.ts';
import type { DayPlan } from '#core/day/day-plan.ts';
import { useDays } from '../../shop/queries.ts';
import { shopDayStart } from '../../shop/shop-time.ts';
import { useNow } from '../../ui/use-now.ts';
import { planWorker } from '../../worker/plan-worker.ts';

/** How often the line asks who is where, ms. */
const REFRESH_MS = 30_000;
/** A plan as old as this still says who is where, until the new one is there, ms. */
const STILL_SO_MS = 90_000;
/** A plan as young as this is not made anew: it takes a processor a second or two, and people do not move that fast, ms. */
const YOUNG_MS = 20_000;
const KEY = ['firstPlan'];
/** The plan that is being made, for whoever asks meanwhile. */
let running: Promise<FirstPlan> | undefined;

interface Planned {
  day: DayDocument;
  plan: DayPlan;
}

/** How old the last plan is, ms. */
const ageOf = (cache: QueryClient): number => Date.now() - (cache.getQueryState(KEY)?.dataUpdatedAt ?? 0);

/** What the plan of the day says; `none` where its facts contradict each other, or nobody answers. */
export type FirstPlan = Planned | 'none';

/**
 * The first plan of the day, for a line that asks who is where; undefined until it is there. What was planned a moment ago is
 * there at once: nobody waits at each step that takes two.
 */
export function useFirstPlan(): FirstPlan | undefined {
  const nowMs = useNow(REFRESH_MS);
  const { data: day } = useDays(shopDayStart(nowMs), shopDayStart(nowMs, PLANNED_DAYS), REFRESH_MS);
  const cache = useQueryClient();
  const [planned, setPlanned] = useState<FirstPlan | undefined>(() =>
    ageOf(cache) < STILL_SO_MS ? cache.getQueryData<FirstPlan>(KEY) : undefined,
  );
  useEffect(() => {
    if (!day || ageOf(cache) < YOUNG_MS) return;
    let gone = false;
    running ??= planWorker()
      .first(day)
      .then(
        (answer): FirstPlan => (answer.ok && answer.value.kind === 'plan' ? { day, plan: answer.value.plan } : 'none'),
      )
      // Who is where is a help; the line can be worked without it.
      .catch((): FirstPlan => 'none')
      .finally(() => {
        running = undefined;
      });
    void running.then((fresh) => {
      cache.setQueryData<FirstPlan>(KEY, fresh);
      if (!gone) setPlanned(fresh);
    });
    return () => {
      gone = true;
    };
  }, [day, cache]);
  return planned;
}
