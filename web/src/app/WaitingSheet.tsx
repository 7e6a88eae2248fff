import { REFUSALS } from '#contract/wording/en/refusals.ts';
import { say } from '#contract/wording/say.ts';
import { refreshBacklog, useBacklog } from '../job/backlog.ts';
import { commandText } from '../job/command-text.ts';
import { dropCommands } from '../job/outbox.ts';
import { isSendable, type OutboxEntry } from '../job/outbox-entry.ts';
import { useSession } from '../shop/session.ts';
import { shopFormat } from '../shop/shop-time.ts';
import { Button } from '../ui/Button.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { tell } from '../ui/tell.ts';
import { jobName, stationLabel, useKeptJobs } from './use-kept-jobs.ts';

/** What this device holds that the server has not taken, job by job: waiting, or set aside with the reason. */
export default function WaitingSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const entries = useBacklog((state) => state.entries);
  const person = useSession((state) => state.session?.person.id);
  const jobs = [...new Set(entries.map(({ jobId }) => jobId))];
  const known = useKeptJobs(jobs);
  const putAway = (id: string) => void dropCommands([id]).then(refreshBacklog);
  return (
    <Sheet
      open={open}
      onClose={onClose}
      title={say('Waiting on this device')}
      description={say('Kept here until the server has it. It is sent by itself, from whatever screen is open.')}
      wide
    >
      {entries.length === 0 && <p>{say('Everything has been sent.')}</p>}
      {jobs.map((jobId) => (
        <section key={jobId} className="mt-3">
          <h3 className="font-bold">{jobName(known[jobId])}</h3>
          <ul className="border-t border-rule">
            {entries
              .filter((entry) => entry.jobId === jobId)
              .map((entry) => (
                <Waiting
                  key={entry.id}
                  entry={entry}
                  label={(station) => stationLabel(known[jobId], station)}
                  mine={isSendable(entry, person)}
                  onPutAway={putAway}
                />
              ))}
          </ul>
        </section>
      ))}
      <Button className="mt-4 w-full" tone="dark" onClick={onClose}>
        {say('Done')}
      </Button>
    </Sheet>
  );
}

function Waiting({
  entry,
  label,
  mine,
  onPutAway,
}: {
  entry: OutboxEntry;
  label: (station: string) => string | undefined;
  mine: boolean;
  onPutAway: (id: string) => void;
}) {
  const { envelope, refused } = entry;
  return (
    <li className="flex flex-wrap items-center justify-between gap-3 border-b border-hair py-2">
      <span>
        {commandText(envelope.command, label)}, {envelope.by.name},{' '}
        <span className="figures">{shopFormat(envelope.atMs, 'd MMM HH:mm')}</span>
        {refused && (
          <span className="block text-bad">{tell('Not taken: {title}.', { title: REFUSALS[refused.code].title })}</span>
        )}
        {!refused && !mine && (
          <span className="block text-ink-2">
            {tell('Waits until {name} signs in on this device.', { name: envelope.by.name })}
          </span>
        )}
      </span>
      {refused && <Button onClick={() => onPutAway(entry.id)}>{say('Put away')}</Button>}
    </li>
  );
}
