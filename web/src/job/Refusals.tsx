import { refusalText } from '#contract/wording/refusal-text.ts';
import { say } from '#contract/wording/say.ts';
import { indexOf } from '#core/kit/plan.ts';
import { useSession } from '../shop/session.ts';
import { Button } from '../ui/Button.tsx';
import { commandText } from './command-text.ts';
import { useJobStore } from './job-store.ts';
import { RefusalStrip } from './RefusalStrip.tsx';
import { useOpenJob } from './use-open-job.ts';

/** What was refused: by the server later, and here just now. */
export default function Refusals() {
  const { plan } = useOpenJob();
  return (
    <>
      <RefusedLater />
      <RefusalStrip plan={plan} />
    </>
  );
}

/** Commands the server refused after this device had taken them: shown with their reason, never dropped. */
function RefusedLater() {
  const { plan } = useOpenJob();
  const refusedLater = useJobStore((store) => store.refusedLater);
  const putAway = useJobStore((store) => store.putAway);
  const giveAgain = useJobStore((store) => store.giveAgain);
  const me = useSession((state) => state.session?.person.id);
  const label = (station: string) => indexOf(plan).stations.get(station)?.label;
  if (refusedLater.length === 0) return null;
  return (
    <section role="alert" className="border-b-2 border-bad bg-sheet px-5 py-3 print:hidden">
      <h2 className="font-bold text-bad">{say('Not taken by the server')}</h2>
      <ul className="mt-1 grid gap-2">
        {refusedLater.map((entry) => {
          const words = entry.refused && refusalText(entry.refused, plan);
          const { command, by } = entry.envelope;
          return (
            <li key={entry.id} className="flex flex-wrap items-center justify-between gap-3">
              <span>
                {by.name}: {commandText(command, label)}. {words?.title}: {words?.why} {words?.lift}
              </span>
              <span className="flex flex-wrap gap-2">
                {by.id === me && <Button onClick={() => giveAgain(entry.id)}>{say('Do it again')}</Button>}
                <Button onClick={() => putAway(entry.id)}>{say('Put away')}</Button>
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
