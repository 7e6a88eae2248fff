import { addDays, format, startOfDay } from 'date-fns';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { JobCard } from '#contract/job.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import { ShortcutSheet } from '../../app/ShortcutSheet.tsx';
import { TopBar } from '../../app/TopBar.tsx';
import { api, call, UnreachableError } from '../../shop/api.ts';
import { useSession } from '../../shop/session.ts';
import { Button } from '../../ui/Button.tsx';
import { useNow } from '../../ui/use-now.ts';
import { DayRule } from './DayRule.tsx';
import { NeedsHand } from './NeedsHand.tsx';
import { needsOf } from './needs.ts';

/** How often the bays are asked for again while they are on screen, ms. */
const REFRESH_MS = 5000;

interface ShopDay {
  jobs: JobCard[];
  wrenches: Wrench[];
}

/** The shop's jobs of a day, and what needs a hand. */
export default function Bays() {
  const shop = useSession((state) => state.session?.shop);
  const expire = useSession((state) => state.expire);
  const nowMs = useNow(1000);
  const [offset, setOffset] = useState(0);
  const [day, setDay] = useState<ShopDay>();
  const [failure, setFailure] = useState<string>();
  const dayMs = startOfDay(addDays(nowMs, offset)).getTime();

  useEffect(() => {
    let stopped = false;
    const load = async () => {
      try {
        const [jobs, wrenches] = await Promise.all([
          call(api.jobs.$get({ query: { from: String(dayMs), to: String(addDays(dayMs, 1).getTime()) } })),
          call(api.wrenches.$get()),
        ]);
        if (stopped) return;
        setDay({ jobs: jobs as JobCard[], wrenches });
        setFailure(undefined);
      } catch (error) {
        if (stopped) return;
        if (error instanceof UnreachableError) setFailure('The server cannot be reached. What you see may be old.');
        else expire();
      }
    };
    void load();
    const timer = setInterval(() => void load(), REFRESH_MS);
    return () => {
      stopped = true;
      clearInterval(timer);
    };
  }, [dayMs, expire]);

  const needs = day ? needsOf(day.jobs, day.wrenches, nowMs) : [];
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <TopBar>
        <ShortcutSheet
          shortcuts={[
            { keys: 'Tab', does: 'To the next job' },
            { keys: 'Enter', does: 'Open it' },
          ]}
        />
      </TopBar>
      {failure && (
        <p role="alert" className="border-b-2 border-bad bg-sheet px-5 py-2 text-bad">
          {failure}
        </p>
      )}
      <div className="flex flex-1 flex-col lg:min-h-0 lg:flex-row">
        <main className="min-w-0 flex-1 bg-bench lg:overflow-auto">
          <div className="flex items-center gap-2 px-5 pt-4">
            <h1 className="plate mr-auto text-3xl">{offset === 0 ? 'Today' : format(dayMs, 'EEEE d MMMM')}</h1>
            <Button aria-label="Day before" onClick={() => setOffset(offset - 1)}>
              ‹
            </Button>
            <Button onClick={() => setOffset(0)} disabled={offset === 0}>
              Today
            </Button>
            <Button aria-label="Day after" onClick={() => setOffset(offset + 1)}>
              ›
            </Button>
          </div>
          {day ? (
            <DayRule jobs={day.jobs} bays={shop?.bays ?? 1} dayMs={dayMs} nowMs={nowMs} />
          ) : (
            <p className="p-5 text-ink-2">Reading the bays.</p>
          )}
        </main>
        <aside className="flex shrink-0 flex-col border-ink bg-sheet lg:w-[370px] lg:border-l-2">
          <div className="flex-1 p-5 pb-24 lg:min-h-0 lg:overflow-y-auto lg:pb-5">
            <h2 className="plate border-b border-rule pb-3 text-3xl">Needs a hand</h2>
            <NeedsHand needs={needs} loaded={day !== undefined} />
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
