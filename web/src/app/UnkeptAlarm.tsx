import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { commandText } from '../job/command-text.ts';
import { dismissUnkept, keepUnkept, useUnkept } from '../job/unkept.ts';
import { Button } from '../ui/Button.tsx';
import { tell } from '../ui/tell.ts';
import { jobName, stationLabel, useKeptJobs } from './use-kept-jobs.ts';

/** What this device could not keep, over every screen: the one thing nobody may overlook. */
export default function UnkeptAlarm() {
  const entries = useUnkept((state) => state.entries);
  const jobs = useKeptJobs(entries.map(({ jobId }) => jobId));
  const [still, setStill] = useState(false);
  const named = entries.map(({ jobId, envelope: { command, by } }) => {
    const job = jobs[jobId];
    return `${commandText(command, (station) => stationLabel(job, station))} (${by.name}, ${jobName(job)})`;
  });
  return (
    <section role="alert" className="flex flex-wrap items-center justify-between gap-3 bg-bad px-5 py-4 text-sheet">
      <div className="min-w-60 flex-1">
        <h2 className="plate text-3xl">{say('Not kept')}</h2>
        <p>
          {tell(
            'This device’s store is full or fails: {named}. None of it is on record. Make room on the device, then try again.',
            { named: named.join('; ') },
          )}
          {still && <b> {say('Still not kept.')}</b>}
        </p>
      </div>
      <span className="flex flex-wrap gap-2">
        <Button tone="primary" onClick={() => void keepUnkept().then((kept) => setStill(!kept))}>
          {say('Try again')}
        </Button>
        <Button onClick={dismissUnkept}>{say('I know it is lost')}</Button>
      </span>
    </section>
  );
}
