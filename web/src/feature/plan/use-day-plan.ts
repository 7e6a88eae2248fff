import { useEffect, useMemo, useRef, useState } from 'react';
import { type DayDocument, PLANNED_DAYS } from '#contract/day.ts';
import type { DayNames } from '#contract/wording/day-text.ts';
import { say } from '#contract/wording/say.ts';
import type { Proposal } from '#core/day/day-advice.ts';
import type { DayPlan } from '#core/day/day-plan.ts';
import { stretchOf } from '#core/day/day-problem.ts';
import type { ScheduleFact } from '#core/schedule/explain.ts';
import { useDays } from '../../shop/queries.ts';
import { shopDayStart, shopFormat } from '../../shop/shop-time.ts';
import { planWorker } from '../../worker/plan-worker.ts';

/** How often the work left is asked for again, ms: the plan moves with the line. */
const REFRESH_MS = 10_000;
/** Looks at the counter for a plan that is better than the first. */
const BETTER_LOOKS = 150;

/** The plan of the shop's days, as it stands. */
export interface PlannedDays {
  day?: DayDocument;
  plan?: DayPlan;
  /** A better one is being looked for. */
  looking: boolean;
  proposal?: Proposal;
  /** Facts that contradict: there is no plan. */
  contradiction?: ScheduleFact[];
  failure?: string;
}

/** What a plan calls jobs and people by. */
export function namesOf(day: DayDocument | undefined): DayNames {
  const job = (id: string) => day?.jobs.find((one) => one.id === id);
  return {
    job: (id) => job(id)?.card.vehicle.plate ?? id,
    person: (id) => day?.people.find((one) => one.id === id)?.name ?? id,
    clock: (atMs) =>
      day && shopDayStart(atMs) !== shopDayStart(day.nowMs) ? shopFormat(atMs, 'EEE HH:mm') : shopFormat(atMs, 'HH:mm'),
    stretch: (id) => (day ? stretchOf(day, id) : undefined),
  };
}

/** What of a day a plan depends on: not the second it was asked in. */
const key = (day: DayDocument): string => JSON.stringify({ ...day, nowMs: Math.floor(day.nowMs / 60_000) });

/**
 * Plans the shop's days from today on, in a worker: a first plan at once, a better one when it is found, and both anew
 * whenever something on the floor has changed.
 */
export function useDayPlan(nowMs: number): PlannedDays {
  const fromMs = shopDayStart(nowMs);
  const { data: day, failure } = useDays(fromMs, shopDayStart(nowMs, PLANNED_DAYS), REFRESH_MS);
  // The day a plan was made of stays with it: what is asked of the plan is asked of that day.
  const [planned, setPlanned] = useState<PlannedDays>({ looking: true });
  const asked = useMemo(() => day && key(day), [day]);
  const latest = useRef(day);
  latest.current = day;
  useEffect(() => {
    const of = latest.current;
    if (!of || asked === undefined) return;
    let gone = false;
    const look = async () => {
      setPlanned((before) => ({ ...before, looking: true }));
      for (const looking of [true, false]) {
        const answer = await (looking ? planWorker().first(of) : planWorker().plan(of, BETTER_LOOKS));
        if (gone) return;
        if (!answer.ok) throw new Error(`The plan was refused: ${JSON.stringify(answer.error)}`);
        const { value } = answer;
        if (value.kind === 'plan')
          setPlanned((before) => ({ proposal: before.proposal, day: of, plan: value.plan, looking }));
        else if (value.kind === 'infeasible')
          return setPlanned({ day: of, contradiction: value.facts, looking: false });
        else if (!looking) return setPlanned({ looking: false, failure: say('No plan was found in the time.') });
        if (!looking && value.kind === 'plan') {
          const proposal = await planWorker().better(of, value.plan);
          if (!gone) setPlanned((before) => ({ ...before, proposal }));
        }
      }
    };
    look().catch((error: unknown) => {
      if (!gone) setPlanned({ looking: false, failure: error instanceof Error ? error.message : String(error) });
    });
    return () => {
      gone = true;
    };
  }, [asked]);
  return { ...planned, day: planned.day ?? day, failure: failure ?? planned.failure };
}
