import { useState } from 'react';
import { THREAD_RUNG_TEXT } from '#contract/wording/en/line.ts';
import { say } from '#contract/wording/say.ts';
import { stationState } from '#core/job/job-state.ts';
import { needsApproval, nextRung, THREAD_RUNGS } from '#core/job/thread-rung.ts';
import type { PlanStation } from '#core/kit/plan.ts';
import { useOpenJob } from '../../../job/use-open-job.ts';
import { Button } from '../../../ui/Button.tsx';

/** A damaged thread: brush, chaser, tap, insert, each when the one before has failed. */
export function ThreadLadder({ station }: { station: PlanStation }) {
  const { state, give } = useOpenJob();
  const [note, setNote] = useState('');
  const { mending = [] } = stationState(state, station.id);
  const due = nextRung(mending);
  const saved = mending.at(-1)?.runs === true;
  const tell = (runs: boolean) => {
    if (due && give({ type: 'mendThread', station: station.id, rung: due, runs, note: note.trim() || undefined }))
      setNote('');
  };
  const cuts = due !== undefined && needsApproval(due);
  return (
    <section aria-label={say('Damaged thread')}>
      <ol className="grid grid-cols-4 border-2 border-rule">
        {THREAD_RUNGS.map((rung) => {
          const tried = saved ? undefined : mending.filter((one) => one.rung === rung).at(-1);
          return (
            <li
              key={rung}
              aria-current={rung === due ? 'step' : undefined}
              className={`min-h-14 border-l border-hair px-2 py-1 first:border-l-0 ${rung === due ? 'bg-plate text-on-plate' : ''}`}
            >
              <b className="block">{THREAD_RUNG_TEXT[rung].name}</b>
              <span className={`text-sm ${rung === due ? 'text-on-plate-2' : 'text-ink-2'}`}>
                {tried ? say('no help') : rung === due ? say('now') : say('if not')}
              </span>
            </li>
          );
        })}
      </ol>
      {saved && <p className="mt-2 font-bold">{say('It runs again: start it by hand.')}</p>}
      {due ? (
        <>
          <p className="mt-2">{THREAD_RUNG_TEXT[due].how}</p>
          {cuts && (
            <label className="mt-2 grid gap-1">
              <span className="text-sm text-ink-2">{say('What is used, with its size')}</span>
              <input
                className="min-h-12 border-2 border-ink bg-sheet px-3"
                maxLength={500}
                value={note}
                onChange={(event) => setNote(event.target.value)}
              />
            </label>
          )}
          <div className="mt-2 grid grid-cols-2 gap-2">
            <Button disabled={cuts && note.trim() === ''} onClick={() => tell(true)}>
              {say('A bolt runs in by hand')}
            </Button>
            <Button disabled={cuts && note.trim() === ''} onClick={() => tell(false)}>
              {say('It does not')}
            </Button>
          </div>
        </>
      ) : (
        <p className="mt-2 text-bad">
          {say('Nothing is left to try here: the part is changed, or a lead lets the joint go.')}
        </p>
      )}
    </section>
  );
}
