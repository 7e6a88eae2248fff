import { type FormEvent, useState } from 'react';
import type { JobDocument, JobSlot } from '#contract/job.ts';
import { say } from '#contract/wording/say.ts';
import { api, call } from '../../shop/api.ts';
import { useChange } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { fromField, toField } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { SlotClashes } from './SlotClashes.tsx';
import { BayField, ClosedNote, SlotFields, slotStands } from './SlotFields.tsx';

/** Moves a job to another time, bay, place or other hands; what was done stays. */
export function MoveJob({
  job,
  estimatedMinutes,
  open,
  onClose,
  onMoved,
}: {
  job: JobDocument;
  estimatedMinutes: number;
  open: boolean;
  onClose: () => void;
  onMoved: () => void;
}) {
  const bays = useSession((state) => state.session?.shop.bays ?? 1);
  const { act, busy, failure } = useChange('jobs');
  const [bay, setBay] = useState(job.bay);
  const [start, setStart] = useState(() => toField(job.plannedStartMs));
  const [slot, setSlot] = useState<JobSlot>(job.slot ?? {});
  const startMs = fromField(start);
  const good = slotStands(slot, startMs);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (!good) return;
    void act(async () => {
      await call(
        api.jobs[':jobId'].slot.$put({ param: { jobId: job.id }, json: { bay, plannedStartMs: startMs, ...slot } }),
      );
      onMoved();
    });
  };
  return (
    <Sheet
      open={open}
      onClose={onClose}
      title={say('Move the job')}
      description={say('What was done stays done.')}
      wide
    >
      <form onSubmit={submit} className="grid grid-cols-2 gap-3">
        <BayField bay={bay} bays={Math.max(bays, job.bay)} onBay={setBay} />
        <label className="col-span-2 grid gap-1 sm:col-span-1">
          <span className="text-sm text-ink-2">{say('Start')}</span>
          <input
            type="datetime-local"
            className="figures min-h-14 w-full border-2 border-ink bg-sheet px-3"
            value={start}
            onChange={(event) => setStart(event.target.value)}
          />
          <ClosedNote atMs={startMs} />
        </label>
        <SlotFields slot={slot} startMs={startMs} onSlot={setSlot} />
        <SlotClashes job={{ ...slot, id: job.id, bay, plannedStartMs: startMs, estimatedMinutes }} />
        {failure && (
          <p role="alert" className="col-span-2 text-bad">
            {failure}
          </p>
        )}
        <Button onClick={onClose}>{say('Leave it')}</Button>
        <Button type="submit" tone="primary" disabled={!good || busy}>
          {busy ? say('Moving') : say('Move it')}
        </Button>
      </form>
    </Sheet>
  );
}
