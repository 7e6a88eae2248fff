import { ACT_WORDS } from '#contract/wording/en/acts.ts';
import { refusalText } from '#contract/wording/refusal-text.ts';
import type { JobCommand } from '#core/job/acts.ts';
import type { Plan } from '#core/kit/plan.ts';
import { useSession } from '../shop/session.ts';
import { Button } from '../ui/Button.tsx';
import { useJobStore } from './job-store.ts';
import { RefusalStrip } from './RefusalStrip.tsx';
import { useOpenJob } from './use-open-job.ts';

/** What was refused: by the server later, and here just now. */
export default function Refusals() {
  const { plan } = useOpenJob();
  return (
    <>
      <Unkept />
      <RefusedLater />
      <RefusalStrip plan={plan} />
    </>
  );
}

/** What this device could not keep: the one thing nobody may overlook. */
function Unkept() {
  const unkept = useJobStore((store) => store.unkept);
  const keepAgain = useJobStore((store) => store.keepAgain);
  const dismiss = useJobStore((store) => store.dismissUnkept);
  const { plan } = useOpenJob();
  if (unkept.length === 0) return null;
  return (
    <section role="alert" className="flex flex-wrap items-center justify-between gap-3 bg-bad px-5 py-4 text-sheet">
      <div className="min-w-60 flex-1">
        <h2 className="plate text-3xl">Not kept</h2>
        <p>
          This device’s store is full or fails: {unkept.map((command) => commandText(command, plan)).join('; ')}. None
          of it is on record. Make room on the device, then try again.
        </p>
      </div>
      <span className="flex flex-wrap gap-2">
        <Button tone="primary" onClick={keepAgain}>
          Try again
        </Button>
        <Button onClick={dismiss}>I know it is lost</Button>
      </span>
    </section>
  );
}

/** A command in a few words: what, where, how much. */
function commandText(command: JobCommand, plan: Plan): string {
  const at = 'station' in command && command.station !== undefined ? command.station : undefined;
  const label = plan.stations.find((station) => station.id === at)?.label ?? at;
  return [
    ACT_WORDS[command.type] ?? command.type,
    ...(label === undefined ? [] : [`station ${label}`]),
    ...(command.type === 'pull' ? [`${command.torqueNm.toFixed(1)} N·m`] : []),
  ].join(', ');
}

/** Commands the server refused after this device had taken them: shown with their reason, never dropped. */
function RefusedLater() {
  const { plan } = useOpenJob();
  const refusedLater = useJobStore((store) => store.refusedLater);
  const putAway = useJobStore((store) => store.putAway);
  const giveAgain = useJobStore((store) => store.giveAgain);
  const me = useSession((state) => state.session?.person.id);
  if (refusedLater.length === 0) return null;
  return (
    <section role="alert" className="border-b-2 border-bad bg-sheet px-5 py-3">
      <h2 className="font-bold text-bad">Not taken by the server</h2>
      <ul className="mt-1 grid gap-2">
        {refusedLater.map((entry) => {
          const words = entry.refused && refusalText(entry.refused, plan);
          const { command, by } = entry.envelope;
          return (
            <li key={entry.id} className="flex flex-wrap items-center justify-between gap-3">
              <span>
                {by.name}: {commandText(command, plan)}. {words?.title}: {words?.why} {words?.lift}
              </span>
              <span className="flex flex-wrap gap-2">
                {by.id === me && <Button onClick={() => giveAgain(entry.id)}>Do it again</Button>}
                <Button onClick={() => putAway(entry.id)}>Put away</Button>
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
