import { type ReactNode, useEffect, useState } from 'react';
import type { DayDocument } from '#contract/day.ts';
import { stretchTitle } from '#contract/wording/day-text.ts';
import { PHASE_TEXT } from '#contract/wording/en/terms.ts';
import { say } from '#contract/wording/say.ts';
import { stepTitle } from '#contract/wording/step-text.ts';
import { secondHand } from '#core/day/day-advice.ts';
import type { DayPlan } from '#core/day/day-plan.ts';
import { stepHolder } from '#core/job/step-holder.ts';
import type { LineStep } from '#core/line/line.ts';
import ShopData from '../../shop/ShopData.tsx';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';
import { LineNotice, NOTICE_BAR } from './LineNotice.tsx';
import { SecondHandSaid } from './second-hand.ts';
import { useFirstPlan } from './use-first-plan.ts';
import type { LineInHand } from './use-line.ts';

/** A step is not kept from its fitter longer than this by a plan that is slow or a server that is away, ms. */
const PATIENCE_MS = 5_000;

/**
 * The acts of a step that takes two, offered while somebody is free by the plan of the day, or once the fitter says that
 * somebody is there. Without the server, and in a shop of one, they are offered as they are.
 */
export default function SecondHands(props: { line: LineInHand; step: LineStep; children: ReactNode }) {
  return (
    <ShopData>
      <WithPlan {...props} />
    </ShopData>
  );
}

function WithPlan({ line, step, children }: { line: LineInHand; step: LineStep; children: ReactNode }) {
  const { document, plan: work, state, person } = line;
  const first = useFirstPlan();
  const planned = first === 'none' ? undefined : first;
  // Begun by whoever, or let through once: nothing is put in its way any more.
  const [open, setOpen] = useState(() => stepHolder(work, state, step) !== undefined);
  const hand = planned ? handAt(planned.day, planned.plan, document.id, person) : undefined;
  // What waits for another step says so itself.
  const waits = planned?.day.jobs
    .find(({ id }) => id === document.id)
    ?.work.steps.some((one) => one.step === step.id && !one.free);
  // A plan whose facts contradict each other says nothing of who is free, and keeps nobody waiting.
  const free = first === 'none' || (hand !== undefined && (hand.freeAtMs === undefined || waits === true));
  useEffect(() => {
    if (free) setOpen(true);
  }, [free]);
  useEffect(() => {
    if (hand !== undefined) return;
    const timer = setTimeout(() => setOpen(true), navigator.onLine ? PATIENCE_MS : 0);
    return () => clearTimeout(timer);
  }, [hand]);
  return (
    <SecondHandSaid.Provider value={hand && { text: hand.text, missing: hand.freeAtMs !== undefined }}>
      {open || free ? (
        children
      ) : hand ? (
        <NobodyFree line={line} step={step} text={hand.text} meanwhile={hand.meanwhile} onBegin={() => setOpen(true)} />
      ) : (
        <output className="flex-1 bg-bench p-6 text-xl">{say('Looking who has a hand free…')}</output>
      )}
    </SecondHandSaid.Provider>
  );
}

/** What is known of a second hand for a person on a job. */
export interface Hand {
  text: string;
  /** When the first will be free, Unix ms; undefined where somebody is now, or nobody else is there at all. */
  freeAtMs?: number;
  /** What the job has meanwhile for one. */
  meanwhile?: { step: string; text: string };
}

/** Who has a hand free at the moment of a day. */
export function handAt(day: DayDocument, plan: DayPlan, job: string, person: string): Hand {
  const hand = secondHand(day, plan, person, day.nowMs);
  if (!hand) return { text: say('Takes two, and nobody else is there.') };
  const name = day.people.find(({ id }) => id === hand.who)?.name ?? hand.who;
  if (hand.fromMs <= day.nowMs) return { text: say('Takes two: {name} is free.', { name }) };
  const other = day.jobs
    .find(({ id }) => id === job)
    ?.work.steps.find(({ free, begun, people }) => free && begun === undefined && people === 1);
  return {
    text: say('Takes two: nobody is free before {shopFormat}, then {name}.', {
      shopFormat: shopFormat(hand.fromMs, 'HH:mm'),
      name,
    }),
    freeAtMs: hand.fromMs,
    ...(other ? { meanwhile: { step: other.step, text: stretchTitle(other) } } : {}),
  };
}

/** In the place of the step: who comes when, what can be done till then, and the way on for whom the plan does not see. */
function NobodyFree({
  line,
  step,
  text,
  meanwhile,
  onBegin,
}: {
  line: LineInHand;
  step: LineStep;
  text: string;
  meanwhile: Hand['meanwhile'];
  onBegin: () => void;
}) {
  return (
    <LineNotice
      line={line}
      bar={
        meanwhile && (
          <button type="button" className={NOTICE_BAR} onClick={() => line.pick(meanwhile.step)}>
            {say('Do that meanwhile')}
          </button>
        )
      }
    >
      <p className="text-sm text-ink-2">
        <span className="max-lg:hidden">
          {tell('Step {number} of {count} ·', {
            number: <b className="figures text-ink">{step.number}</b>,
            count: line.line.steps.length,
          })}{' '}
        </span>
        {PHASE_TEXT[step.step.phase]}
      </p>
      <h1 className="plate text-5xl">{say('Nobody to hold')}</h1>
      <p className="mt-2 max-w-prose text-xl">{stepTitle(line.plan, { ...step.step, number: undefined })}</p>
      <p className="mt-2 max-w-prose text-xl">{text}</p>
      <p className="mt-2 max-w-prose text-xl text-ink-2">
        {meanwhile
          ? say('Meanwhile this job has for one: step {text}.', { text: meanwhile.text })
          : say('This job has nothing for one meanwhile.')}
      </p>
      <p className="mt-6">
        <Button onClick={onBegin}>{say('Somebody holds: begin')}</Button>
      </p>
    </LineNotice>
  );
}
