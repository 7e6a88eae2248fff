import { useState } from 'react';
import { Link } from 'react-router';
import { v4 as uuid } from 'uuid';
import type { CommandBatchAnswer } from '#contract/job.ts';
import { say } from '#contract/wording/say.ts';
import type { RefusalCode } from '#core/job/refusal.ts';
import { api, call } from '../../shop/api.ts';
import { useChange, useJobs } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { shopDayStart } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';

const DAYS_BACK = 3;

/** Why a job would not take it; the job's own screens say more about the rest. */
const REFUSED: Partial<Record<RefusalCode, string>> = {
  notPermitted: say('Only a lead may put a figure of the bench to use.'),
  jobClosed: say('The job is closed meanwhile.'),
  reasonMissing: say('Say why.'),
  unknownStation: say('The job has no such station.'),
};

/** Puts a result of the bench on a job's record, under a lead's name and with a reason. */
export function UseInJob({
  tool,
  summary,
  link,
  refused,
  job: fromJob,
  station,
}: {
  tool: string;
  summary: string;
  link: string;
  refused?: string;
  job?: string;
  station?: string;
}) {
  const person = useSession((state) => state.session?.person);
  const [open, setOpen] = useState(false);
  const [job, setJob] = useState(fromJob ?? '');
  const [reason, setReason] = useState('');
  const [refusal, setRefusal] = useState<string>();
  const [done, setDone] = useState<string>();
  const today = shopDayStart(Date.now());
  const { data, failure: unread } = useJobs(shopDayStart(today, -DAYS_BACK), shopDayStart(today, 2), undefined, open);
  const jobs = data?.filter((card) => card.closedAtMs === undefined);
  const { act, busy, failure: unsent } = useChange('jobs');
  const fault = refusal ?? unsent ?? unread;
  const lead = person?.role === 'lead';
  const send = async () => {
    if (!person) return;
    setRefusal(undefined);
    await act(async () => {
      const command = {
        type: 'useCalculation' as const,
        tool,
        summary,
        link,
        reason: reason.trim(),
        ...(station ? { station } : {}),
      };
      const answer = await call(
        api.jobs[':jobId'].commands.$post({
          param: { jobId: job },
          json: { commands: [{ id: uuid(), atMs: Date.now(), by: person.id, command }] },
        }),
      );
      const [result] = (answer as CommandBatchAnswer).results;
      if (result?.ok) setDone(job);
      else setRefusal((result && REFUSED[result.refusal.code]) ?? say('The job would not take it.'));
    });
  };
  return (
    <>
      <Button onClick={() => setOpen(true)} disabled={refused !== undefined} title={refused}>
        {say('Use in a job')}
      </Button>
      <Sheet
        open={open}
        onClose={() => {
          setOpen(false);
          setDone(undefined);
        }}
        title={say('Use in a job')}
        description={say(
          "It goes on the job's record as worked out at the bench, not from the sheet, under a lead's name.",
        )}
      >
        {done !== undefined ? (
          <div className="grid gap-4">
            <p>{tell('Recorded by {name}.', { name: <b>{person?.name}</b> })}</p>
            <Link
              to={`/jobs/${done}/record`}
              className="inline-flex min-h-14 items-center border-2 border-ink px-4 font-bold"
            >
              {say('To the job’s record')}
            </Link>
          </div>
        ) : (
          <form
            className="grid gap-4"
            onSubmit={(event) => {
              event.preventDefault();
              void send();
            }}
          >
            <p className="border-l-4 border-ink bg-bench p-3">{summary}</p>
            {!lead && <p className="font-bold text-bad">{say('A lead signs this. Sign in as one to record it.')}</p>}
            <label className="grid gap-1">
              <span className="font-bold">{say('Job')}</span>
              <select
                className="min-h-14 border-2 border-ink bg-sheet px-3"
                value={job}
                onChange={(event) => setJob(event.target.value)}
              >
                <option value="">
                  {jobs === undefined
                    ? say('reading the jobs')
                    : jobs.length === 0
                      ? say('no open job')
                      : say('choose')}
                </option>
                {jobs?.map((card) => (
                  <option key={card.id} value={card.id}>
                    {card.number}, {card.vehicle.model}, {card.kitTitle}
                  </option>
                ))}
              </select>
            </label>
            <label className="grid gap-1">
              <span className="font-bold">{say('Why')}</span>
              <textarea
                className="min-h-20 border-2 border-ink bg-sheet p-3"
                maxLength={500}
                value={reason}
                onChange={(event) => setReason(event.target.value)}
              />
            </label>
            {fault && (
              <p role="alert" className="font-bold text-bad">
                {fault}
              </p>
            )}
            <div className="grid grid-cols-2 gap-2">
              <Button onClick={() => setOpen(false)}>{say('Leave it')}</Button>
              <Button type="submit" tone="primary" disabled={!lead || job === '' || reason.trim() === '' || busy}>
                {say('Record it')}
              </Button>
            </div>
          </form>
        )}
      </Sheet>
    </>
  );
}
