import { useState } from 'react';
import { Link } from 'react-router';
import type { JobCard } from '#contract/job.ts';
import { say } from '#contract/wording/say.ts';
import { api, call } from '../../shop/api.ts';
import { useChange } from '../../shop/queries.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';
import type { Place } from './DayPlan.tsx';

const placeOf = ({ bay, plannedStartMs }: Place): Place => ({ bay, plannedStartMs });

/** A job that was moved on the rule: where it was, and where it is now. */
interface Moved {
  job: JobCard;
  to: Place;
}

export interface MovingOnRule {
  last?: Moved;
  failure?: string;
  busy: boolean;
  move(job: JobCard, to: Place): void;
  putBack(): void;
  dismiss(): void;
  /** Puts a job into another bay, to another time or into other hands, as the plan proposes. */
  take(job: JobCard, to: Partial<Place> & { fitters?: string[] }): void;
  /** A job where it was just put, while the server is being told. */
  asPut(job: JobCard): JobCard;
  isMoving(job: string): boolean;
}

/** Moves jobs on the rule, and remembers the last one so that it can be put back. */
export function useMoveOnRule(): MovingOnRule {
  const { act, busy, failure, clearFailure } = useChange('jobs');
  const [last, setLast] = useState<Moved>();
  const [underWay, setUnderWay] = useState<Moved>();
  const send = async (job: JobCard, to: Place, fitters = job.slot?.fitters) => {
    setUnderWay({ job, to });
    const slot = { ...job.slot, ...(fitters ? { fitters } : {}) };
    const done = await act(() =>
      call(api.jobs[':jobId'].slot.$put({ param: { jobId: job.id }, json: { ...slot, ...to } })),
    );
    setUnderWay(undefined);
    return done;
  };
  return {
    last,
    failure,
    busy,
    move: (job, to) => void send(job, to).then((done) => setLast(done ? { job, to } : undefined)),
    take: (job, { fitters, ...to }) => {
      const place = { ...placeOf(job), ...to };
      void send(job, place, fitters).then((done) => setLast(done ? { job, to: place } : undefined));
    },
    isMoving: (id) => underWay?.job.id === id,
    putBack: () => void (last && send(last.job, placeOf(last.job)).then((done) => done && setLast(undefined))),
    dismiss: () => {
      clearFailure();
      setLast(undefined);
    },
    asPut: (job) => (underWay?.job.id === job.id ? { ...job, ...underWay.to } : job),
  };
}

/** What was moved last, the way back, and the card that no longer says where it stands. */
export function MovedNote({ moving: { last, failure, busy, putBack, dismiss } }: { moving: MovingOnRule }) {
  if (failure)
    return (
      <p role="alert" className="mx-5 mt-3 border-2 border-bad bg-sheet p-3 text-bad">
        {tell('{failure} It stays where it was.', { failure })}
      </p>
    );
  if (!last) return null;
  const { job, to } = last;
  return (
    <div
      role="status"
      className="mx-5 mt-3 flex flex-wrap items-center justify-between gap-3 border-2 border-ink bg-sheet px-3 py-1"
    >
      <span>
        {tell('{plate} now in bay {bay}, {shopFormat}. Its printed card says otherwise.', {
          plate: (
            <b>
              {job.vehicle.plate} {job.vehicle.model}
            </b>
          ),
          bay: to.bay,
          shopFormat: shopFormat(to.plannedStartMs, 'EEE d MMM HH:mm'),
        })}
      </span>
      <span className="flex flex-wrap gap-2">
        <Link
          className="inline-flex min-h-11 items-center border-2 border-ink px-4 font-bold"
          to={`/jobs/${job.id}/card?print=1`}
        >
          {say('Print the card again')}
        </Link>
        <Button className="min-h-11!" disabled={busy} onClick={putBack}>
          {say('Put it back')}
        </Button>
        <Button className="min-h-11!" onClick={dismiss}>
          {say('Seen')}
        </Button>
      </span>
    </div>
  );
}
