import { Printer } from 'lucide-react';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { JobCard } from '#contract/job.ts';
import { say } from '#contract/wording/say.ts';
import { FIND_KEY } from '../../app/FindButton.tsx';
import { TopBar } from '../../app/TopBar.tsx';
import { useCribRead, useJobs, useWrenches } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { closedThen, openThen, shopDayStart, shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';
import { useNow } from '../../ui/use-now.ts';
import { Agenda } from '../plan/Agenda.tsx';
import { PlanNotes, UsefulNow } from '../plan/PlanNotes.tsx';
import { partOf } from '../plan/PlannedBar.tsx';
import { planNeeds } from '../plan/plan-needs.ts';
import { namesOf, useDayPlan } from '../plan/use-day-plan.ts';
import { Week } from '../plan/Week.tsx';
import { WhatIf } from '../plan/WhatIf.tsx';
import { CalledOffJobs } from './CalledOffJobs.tsx';
import { CarriedOver } from './CarriedOver.tsx';
import { DayPlan } from './DayPlan.tsx';
import { cardExtent, dayScale, type Extent } from './day-scale.ts';
import { FirstDay } from './FirstDay.tsx';
import { MovedNote, useMoveOnRule } from './MovedNote.tsx';
import { NeedsHand } from './NeedsHand.tsx';
import { needsOf } from './needs.ts';

/** How often the bays are asked for again while they are on screen, ms. */
const REFRESH_MS = 5000;
const VIEWS = ['day', 'week', 'what-if'] as const;
type View = (typeof VIEWS)[number];
const VIEW_TEXT: Record<View, string> = { day: say('Day'), week: say('Week'), 'what-if': say('What if') };

/** The shop's jobs of a day as they are planned, and what needs a hand. */
export default function Bays() {
  const session = useSession((state) => state.session);
  const { shop, person } = session ?? {};
  const nowMs = useNow(1000);
  const [offset, setOffset] = useState(0);
  const [params, setParams] = useSearchParams();
  const view = VIEWS.find((one) => one === params.get('view')) ?? 'day';
  const show = (next: View) => setParams(next === 'day' ? {} : { view: next }, { replace: true });
  const dayMs = shopDayStart(nowMs, offset);
  const closed = openThen(dayMs) === null ? closedThen(dayMs) : undefined;

  const nextMs = shopDayStart(nowMs, offset + 1);
  const { data: jobs, failure: unread } = useJobs(dayMs, nextMs, REFRESH_MS);
  const { data: crib } = useCribRead();
  const role = person?.role;
  const { data: wrenches, failure: unknown } = useWrenches(REFRESH_MS);
  const failure = unread ?? unknown;
  const planned = useDayPlan(nowMs);
  const { day, plan } = planned;
  const names = namesOf(day);

  const moving = useMoveOnRule();
  const parts = new Map((day?.jobs ?? []).map(({ id }) => [id, partOf(planned, id)]));
  /** What of a job lies in the day on screen: as the plan has it, else as its card. */
  const extentOf = (job: JobCard): Extent => {
    const part = job.closedAtMs === undefined && !moving.isMoving(job.id) ? parts.get(job.id) : undefined;
    if (!part) return cardExtent(job);
    const startMs = Math.max(dayMs, Math.min(job.plannedStartMs, part.startMs));
    const last = part.work.findLast((stretch) => stretch.startMs < nextMs && stretch.endMs > dayMs)?.endMs;
    // It comes today and is worked on another day: as long as its kit says, as it stands in the bay.
    if (last === undefined)
      return { startMs, endMs: Math.min(nextMs, Math.max(cardExtent(job).endMs, startMs + 60_000)) };
    const endMs = Math.min(nextMs, part.doneMs < nextMs ? Math.max(part.readyMs, last) : last);
    return { startMs, endMs: Math.max(endMs, startMs + 60_000) };
  };
  const inDay = (job: JobCard) =>
    (job.plannedStartMs >= dayMs && job.plannedStartMs < nextMs) ||
    (parts.get(job.id)?.work.some((stretch) => stretch.startMs < nextMs && stretch.endMs > dayMs) ?? false);
  // What is worked on over a night stands in both days.
  const known = new Map([...(day?.jobs.map(({ card }) => card) ?? []), ...(jobs ?? [])].map((job) => [job.id, job]));
  const today = jobs ? [...known.values()].map(moving.asPut).filter((job) => inDay(job) && !job.calledOff) : [];
  const needs =
    jobs && wrenches
      ? [
          ...needsOf(
            jobs.filter(({ calledOff }) => !calledOff),
            wrenches,
            nowMs,
          ),
          ...(day && plan ? planNeeds(day, plan, names) : []),
        ].sort((a, b) => a.rank - b.rank)
      : [];
  const standing = today.flatMap((job) => {
    const { startMs, endMs } = extentOf(job);
    return job.closedAtMs === undefined && (job.slot?.place ?? 'bay') === 'bay'
      ? [{ id: job.id, bay: job.bay, startMs, endMs, name: `${job.vehicle.plate} ${job.vehicle.model}` }]
      : [];
  });
  const calendar = (id: string) =>
    `/api/days/${encodeURIComponent(id)}/plan.ics?from=${shopDayStart(nowMs)}&to=${shopDayStart(nowMs, 7)}`;
  const people =
    day && plan
      ? {
          list: day.people.map(({ id, name, initials }) => ({ id, name, initials, calendar: calendar(id) })),
          steps: plan.steps.map(({ id, people: hands, startMs, endMs, job }) => ({
            id,
            people: hands,
            startMs,
            endMs,
            job,
            plate: names.job(job),
          })),
        }
      : undefined;
  const movable = role !== 'apprentice';
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh print:h-auto">
      <div className="print:hidden">
        <TopBar
          keys={[
            FIND_KEY,
            { keys: 'Tab', does: say('To the next job') },
            { keys: 'Enter', does: say('Open it') },
            {
              keys: 'Space',
              does: say('On its handle: lift it, then arrows, Page Up and Page Down for the day, Space'),
            },
          ]}
        />
      </div>
      {failure && (
        <p role="alert" className="border-b-2 border-bad bg-sheet px-5 py-2 text-bad">
          {tell('{failure} What you see may be old.', { failure })}
        </p>
      )}
      <div className="flex flex-1 flex-col lg:min-h-0 lg:flex-row">
        <main className="min-w-0 flex-1 bg-bench lg:overflow-auto print:overflow-visible">
          <nav aria-label={say('Views of the plan')} className="flex border-b-2 border-ink bg-floor print:hidden">
            {VIEWS.map((one) => (
              <button
                key={one}
                type="button"
                aria-pressed={view === one}
                className={`plate min-h-12 px-5 text-2xl ${view === one ? 'bg-bench' : 'text-ink-2'}`}
                onClick={() => show(one)}
              >
                {VIEW_TEXT[one]}
              </button>
            ))}
            <button
              type="button"
              className="ml-auto hidden min-h-12 items-center gap-2 px-5 font-bold lg:flex"
              onClick={() => window.print()}
            >
              <Printer aria-hidden size={18} /> {say('Print for the wall')}
            </button>
          </nav>
          {view === 'day' && jobs && (
            <DayPlan
              jobs={today}
              bays={shop?.bays ?? 1}
              scale={dayScale(today, dayMs, nowMs, extentOf)}
              nowMs={nowMs}
              movable={movable}
              nameOf={(id) => crib?.people.find((one) => one.id === id)?.name ?? id}
              onDay={(days) => setOffset(offset + days)}
              onMove={moving.move}
              extentOf={extentOf}
              partOf={(id) => (moving.isMoving(id) ? undefined : parts.get(id))}
              people={people}
              standing={standing}
              open={day?.open ?? []}
              agenda={day && plan && <Agenda day={day} plan={plan} fromMs={dayMs} toMs={nextMs} />}
              heading={
                <>
                  <h1 className="plate mr-auto text-3xl">
                    {offset === 0 ? say('Today') : shopFormat(dayMs, 'EEEE d MMMM')}
                    {closed && (
                      <span className="ml-3 text-base text-ink-2">
                        {closed.why === 'holiday' ? (closed.name ?? say('Holiday')) : say('Closed')}
                      </span>
                    )}
                  </h1>
                  <Button className="print:hidden" onClick={() => setOffset(0)} disabled={offset === 0}>
                    {say('Today')}
                  </Button>
                </>
              }
            >
              <PlanNotes planned={planned} onTake={movable ? moving.take : undefined} />
              <MovedNote moving={moving} />
              <CarriedOver jobs={jobs.filter((job) => job.plannedStartMs < dayMs && !inDay(job))} />
              <CalledOffJobs jobs={jobs.filter((job) => inDay(job) && job.calledOff)} />
            </DayPlan>
          )}
          {view !== 'day' && (
            <>
              <PlanNotes planned={planned} onTake={movable ? moving.take : undefined} />
              {day && plan ? (
                view === 'week' ? (
                  <Week
                    day={day}
                    plan={plan}
                    onDay={(days) => {
                      setOffset(days);
                      show('day');
                    }}
                  />
                ) : (
                  <WhatIf day={day} plan={plan} />
                )
              ) : (
                <p className="p-5 text-ink-2">{say('Planning.')}</p>
              )}
            </>
          )}
          {view === 'day' && !jobs && <p className="p-5 text-ink-2">{say('Reading the bays.')}</p>}
        </main>
        <aside className="flex shrink-0 flex-col border-ink bg-sheet lg:w-[370px] lg:border-l-2 print:hidden">
          <div className="flex-1 p-5 pb-24 lg:min-h-0 lg:overflow-y-auto lg:pb-5">
            <h2 className="plate border-b border-rule pb-3 text-3xl">{say('Needs a hand')}</h2>
            <NeedsHand needs={needs} loaded={jobs !== undefined && wrenches !== undefined} />
            {person && <UsefulNow planned={planned} person={person.id} nowMs={nowMs} />}
            {jobs?.length === 0 && <FirstDay />}
          </div>
          <Link
            to="/receive"
            className="thumb-bar plate flex min-h-20 items-center bg-paint px-6 text-3xl text-on-paint"
          >
            {say('Receive a vehicle')}
          </Link>
        </aside>
      </div>
    </div>
  );
}
