import { ACT_WORDS } from '#contract/wording/en/acts.ts';
import { refusalText } from '#contract/wording/refusal-text.ts';
import { Button } from '../ui/Button.tsx';
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
                {by.name}: {ACT_WORDS[command.type] ?? command.type}
                {'station' in command && command.station !== undefined
                  ? `, station ${plan.stations.find((station) => station.id === command.station)?.label ?? command.station}`
                  : ''}
                {command.type === 'pull' ? `, ${command.torqueNm.toFixed(1)} N·m` : ''}. {words?.title}: {words?.why}{' '}
                {words?.lift}
              </span>
              <Button onClick={() => putAway(entry.id)}>Put away</Button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
