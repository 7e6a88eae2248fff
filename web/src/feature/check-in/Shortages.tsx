import { lazy, Suspense, useEffect, useState } from 'react';
import { reachText, standsText } from '#contract/wording/reach-text.ts';
import { say } from '#contract/wording/say.ts';
import { stepTitle } from '#contract/wording/step-text.ts';
import type { Shortage } from '#core/job/hardware-ledger.ts';
import type { JobLog } from '#core/job/job-log.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import { lineOf } from '#core/line/line.ts';
import type { Reach } from '#core/rehearse/reach.ts';
import { useJobStore } from '../../job/job-store.ts';
import { serverNowMs } from '../../shop/clock.ts';
import { tell } from '../../ui/tell.ts';
import { kitWorker, workerFailure } from '../../worker/kit-worker.ts';

/** Reads the server, which the floor does without: fetched when something is short. */
const Replacements = lazy(() => import('./Replacements.tsx'));

/** What waits for the missing pieces: stations by their numbers, steps by their titles. */
function waitingText(plan: Plan, { stations, acts }: Shortage): string {
  const { stations: byId } = indexOf(plan);
  const line = lineOf(plan);
  const labels = stations.map((id) => byId.get(id)?.label ?? id);
  const steps = [...new Set(acts.flatMap((id) => line.actById.get(id)?.step ?? []))].flatMap((id) => {
    const step = line.stepById.get(id);
    return step
      ? [say('step {number}, {stepTitle}', { number: step.number, stepTitle: stepTitle(plan, step.step) })]
      : [];
  });
  if (labels.length + steps.length === 0) return say('Nothing waits for it yet.');
  const parts = [
    labels.length > 0 && `${labels.length === 1 ? 'station' : 'stations'} ${labels.join(', ')}`,
    ...steps,
  ].filter(Boolean);
  const text = parts.join('; ');
  return say('{charAt}{text} {count, plural, one {waits} other {wait}}; the rest can be worked.', {
    charAt: text.charAt(0).toUpperCase(),
    text: text.slice(1),
    count: labels.length + steps.length,
  });
}

/** Each line that is short, what waits for it, and the way out. */
export function Shortages({
  plan,
  short,
  onStock,
}: {
  plan: Plan;
  short: readonly Shortage[];
  onStock: (shortage: Shortage) => void;
}) {
  return short.map((shortage) => (
    <section key={shortage.item.id} className="mt-4 border-2 border-bad p-4">
      <h3 className="font-bold">
        {tell('{short} short: {line}  {name}', {
          short: shortage.short,
          line: shortage.item.line,
          name: shortage.item.name,
        })}
      </h3>
      <p className="text-ink-2">{waitingText(plan, shortage)}</p>
      <Suspense fallback={<p className="mt-2 text-ink-2">{say('Looking into the drawers.')}</p>}>
        <Replacements shortage={shortage} onOther={() => onStock(shortage)} />
      </Suspense>
    </section>
  ));
}

/** How far the job gets with what is there, and how the vehicle stands then; worked out beside the screen. */
export function HowFar() {
  const log = useJobStore((store) => store.log);
  const [told, setTold] = useState<{ log: JobLog; reach?: Reach; failure?: string }>();
  useEffect(() => {
    if (!log) return undefined;
    let newest = true;
    const { setup, plan, state } = log;
    // A device that starts no worker is told so like any other failure.
    Promise.resolve()
      .then(() => kitWorker().reach({ setup, plan, state }, serverNowMs()))
      .then((reach) => newest && setTold({ log, reach }))
      .catch((error: unknown) => newest && setTold({ log, failure: workerFailure(error) }));
    return () => {
      newest = false;
    };
  }, [log]);
  if (!log) return null;
  return (
    <section aria-label={say('Without what is short')} aria-live="polite" className="mt-4 border-l-4 border-ink pl-3">
      <h3 className="font-bold">{say('With what is there')}</h3>
      {told?.log === log && told.reach ? (
        <>
          <p>{reachText(log.plan, told.reach)}</p>
          {told.reach.stopsAt !== undefined && <p className="text-ink-2">{standsText(told.reach)}</p>}
        </>
      ) : (
        <p className="text-ink-2">{(told?.log === log && told.failure) || say('Working it out.')}</p>
      )}
    </section>
  );
}
