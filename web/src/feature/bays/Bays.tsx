import { useState } from 'react';
import { Link } from 'react-router';
import type { JobCard } from '#contract/job.ts';
import { FIND_KEY } from '../../app/FindButton.tsx';
import { TopBar } from '../../app/TopBar.tsx';
import { useCribRead, useJobs, useWrenches } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { closedThen, openThen, shopDayStart, shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { useNow } from '../../ui/use-now.ts';
import { CalledOffJobs } from './CalledOffJobs.tsx';
import { CarriedOver } from './CarriedOver.tsx';
import { DayPlan } from './DayPlan.tsx';
import { dayScale } from './day-scale.ts';
import { FirstDay } from './FirstDay.tsx';
import { MovedNote, useMoveOnRule } from './MovedNote.tsx';
import { NeedsHand } from './NeedsHand.tsx';
import { needsOf } from './needs.ts';

/** How often the bays are asked for again while they are on screen, ms. */
const REFRESH_MS = 5000;

/** The shop's jobs of a day, and what needs a hand. */
export default function Bays() {
  const shop = useSession((state) => state.session?.shop);
  const nowMs = useNow(1000);
  const [offset, setOffset] = useState(0);
  const dayMs = shopDayStart(nowMs, offset);
  const closed = openThen(dayMs) === null ? closedThen(dayMs) : undefined;

  const nextMs = shopDayStart(nowMs, offset + 1);
  const { data: jobs, failure: unread } = useJobs(dayMs, nextMs, REFRESH_MS);
  const { data: crib } = useCribRead();
  const role = useSession((state) => state.session?.person.role);
  const { data: wrenches, failure: unknown } = useWrenches(REFRESH_MS);
  const failure = unread ?? unknown;

  const inDay = ({ plannedStartMs }: JobCard) => plannedStartMs >= dayMs && plannedStartMs < nextMs;
  const moving = useMoveOnRule();
  const today = (jobs ?? []).map(moving.asPut).filter((job) => inDay(job) && !job.calledOff);
  const needs =
    jobs && wrenches
      ? needsOf(
          jobs.filter(({ calledOff }) => !calledOff),
          wrenches,
          nowMs,
        )
      : [];
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <TopBar
        keys={[
          FIND_KEY,
          { keys: 'Tab', does: 'To the next job' },
          { keys: 'Enter', does: 'Open it' },
          { keys: 'Space', does: 'On its handle: lift it, then arrows, Page Up and Page Down for the day, Space' },
        ]}
      />
      {failure && (
        <p role="alert" className="border-b-2 border-bad bg-sheet px-5 py-2 text-bad">
          {failure} What you see may be old.
        </p>
      )}
      <div className="flex flex-1 flex-col lg:min-h-0 lg:flex-row">
        <main className="min-w-0 flex-1 bg-bench lg:overflow-auto">
          {jobs ? (
            <DayPlan
              jobs={today}
              bays={shop?.bays ?? 1}
              scale={dayScale(today, dayMs, nowMs)}
              nowMs={nowMs}
              movable={role !== 'apprentice'}
              nameOf={(id) => crib?.people.find((person) => person.id === id)?.name ?? id}
              onDay={(days) => setOffset(offset + days)}
              onMove={moving.move}
              heading={
                <>
                  <h1 className="plate mr-auto text-3xl">
                    {offset === 0 ? 'Today' : shopFormat(dayMs, 'EEEE d MMMM')}
                    {closed && (
                      <span className="ml-3 text-base text-ink-2">
                        {closed.why === 'holiday' ? (closed.name ?? 'Holiday') : 'Closed'}
                      </span>
                    )}
                  </h1>
                  <Button onClick={() => setOffset(0)} disabled={offset === 0}>
                    Today
                  </Button>
                </>
              }
            >
              <MovedNote moving={moving} />
              <CarriedOver jobs={jobs.filter((job) => job.plannedStartMs < dayMs)} />
              <CalledOffJobs jobs={jobs.filter((job) => inDay(job) && job.calledOff)} />
            </DayPlan>
          ) : (
            <p className="p-5 text-ink-2">Reading the bays.</p>
          )}
        </main>
        <aside className="flex shrink-0 flex-col border-ink bg-sheet lg:w-[370px] lg:border-l-2">
          <div className="flex-1 p-5 pb-24 lg:min-h-0 lg:overflow-y-auto lg:pb-5">
            <h2 className="plate border-b border-rule pb-3 text-3xl">Needs a hand</h2>
            <NeedsHand needs={needs} loaded={jobs !== undefined && wrenches !== undefined} />
            {jobs?.length === 0 && <FirstDay />}
          </div>
          <Link
            to="/receive"
            className="thumb-bar plate flex min-h-20 items-center bg-paint px-6 text-3xl text-on-paint"
          >
            Receive a vehicle
          </Link>
        </aside>
      </div>
    </div>
  );
}
