import { useEffect, useState } from 'react';
import { type DayDocument, PLANNED_DAYS } from '#contract/day.ts';
import { stretchTitle } from '#contract/wording/day-text.ts';
import { secondHand, usefulNow } from '#core/day/day-advice.ts';
import type { DayPlan } from '#core/day/day-plan.ts';
import { useDays } from '../../shop/queries.ts';
import ShopData from '../../shop/ShopData.tsx';
import { shopDayStart, shopFormat } from '../../shop/shop-time.ts';
import { useNow } from '../../ui/use-now.ts';
import { planWorker } from '../../worker/plan-worker.ts';

/** How often who is free is asked for, ms. */
const REFRESH_MS = 30_000;

/**
 * Who has a hand free for a step that takes two, by the plan of the day: and where nobody has, until when, and what can be
 * done meanwhile. Says nothing without the server: the line itself works without the plan.
 */
export default function SecondHands(props: { job: string; person: string }) {
  return (
    <ShopData>
      <WhoIsFree {...props} />
    </ShopData>
  );
}

function WhoIsFree({ job, person }: { job: string; person: string }) {
  const nowMs = useNow(REFRESH_MS);
  const { data: day } = useDays(shopDayStart(nowMs), shopDayStart(nowMs, PLANNED_DAYS), REFRESH_MS);
  const [plan, setPlan] = useState<DayPlan>();
  useEffect(() => {
    if (!day) return;
    let gone = false;
    planWorker()
      .first(day)
      .then((answer) => {
        if (!gone) setPlan(answer.ok && answer.value.kind === 'plan' ? answer.value.plan : undefined);
      })
      // Who is free is a help; the step can be done without it.
      .catch(() => setPlan(undefined));
    return () => {
      gone = true;
    };
  }, [day]);
  return day && plan ? <SecondHand day={day} plan={plan} job={job} person={person} /> : null;
}

/** The sentence itself. */
export function SecondHand(props: { day: DayDocument; plan: DayPlan; job: string; person: string }) {
  const { day, plan, job, person } = props;
  const hand = secondHand(day, plan, person, day.nowMs);
  const name = (id: string) => day.people.find((one) => one.id === id)?.name ?? id;
  if (!hand) return <p className="font-bold text-bad">Takes two, and nobody else is there.</p>;
  if (hand.fromMs <= day.nowMs) return <p className="font-bold">Takes two: {name(hand.who)} is free.</p>;
  const [other] = usefulNow(day, plan, person, day.nowMs).list.filter(
    (one) => one.job === job && one.step.people === 1,
  );
  return (
    <p className="font-bold text-bad">
      Takes two: nobody is free before {shopFormat(hand.fromMs, 'HH:mm')}, then {name(hand.who)}.
      {other && <span className="text-ink"> Meanwhile: {stretchTitle(other.step)} (press Later).</span>}
    </p>
  );
}
