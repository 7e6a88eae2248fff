import { useState } from 'react';
import { Link } from 'react-router';
import { readDrill } from '#contract/drill.ts';
import { DRILL, MODE_WORDS } from '#contract/wording/en/drill.ts';
import { say } from '#contract/wording/say.ts';
import type { Drill } from '#core/drill/drill.ts';
import { masteryOf } from '#core/drill/mastery.ts';
import { TopBar } from '../../app/TopBar.tsx';
import { api, call } from '../../shop/api.ts';
import { useAssignments, useAttempts, useChange, useDrills, useKits, useMastery } from '../../shop/queries.ts';
import { saveFile } from '../../shop/save-file.ts';
import { useSession } from '../../shop/session.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';
import { useNow } from '../../ui/use-now.ts';
import { drillForYou } from './for-you.ts';
import { MasteryTable } from './MasteryTable.tsx';
import { useBegin } from './use-begin.ts';

/** Drills to do, what was done, and what is told by now. */
export default function DrillScreen() {
  const nowMs = useNow(60_000);
  const me = useSession((state) => state.session?.person);
  const { data: drills, failure } = useDrills();
  const { data: attempts } = useAttempts();
  const { data: learner } = useMastery();
  const { data: assignments } = useAssignments();
  const { data: kits } = useKits();
  const { act, busy, failure: unsent, clearFailure } = useChange('drills');
  const { begin, fault } = useBegin();
  const [sure, setSure] = useState(false);
  const mastery = learner?.mastery ?? masteryOf([], nowMs);
  const fetched = async (id: string) => begin((await call(api.drills[':id'].$get({ param: { id } }))) as Drill);
  const mine = (assignments ?? []).filter(({ person, signed, attempt }) => person === me?.id && !signed && !attempt);
  const [newest] = mine;
  const own = kits && drillForYou(kits, mastery, (attempts?.length ?? 0) + 1, nowMs);
  const lead = me?.role === 'lead';
  return (
    <div className="flex min-h-dvh flex-col">
      <TopBar />
      <main className="flex-1 bg-bench px-5 py-5">
        <div className="flex flex-wrap items-end justify-between gap-4">
          <div>
            <h1 className="plate text-4xl">{DRILL.title}</h1>
            <p className="max-w-3xl text-ink-2">{DRILL.intro}</p>
          </div>
          {lead && (
            <div className="flex flex-wrap gap-2">
              <Link
                to="/drill/make"
                className="inline-flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold"
              >
                {say('Make a drill')}
              </Link>
              <Link
                to="/drill/learners"
                className="inline-flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold"
              >
                {DRILL.mentor}
              </Link>
            </div>
          )}
        </div>
        {(failure ?? unsent ?? fault) && (
          <p role="alert" className="mt-3 border-l-4 border-bad pl-3 font-bold text-bad">
            {failure ?? unsent ?? fault}
          </p>
        )}
        <div className="mt-5 grid gap-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
          <section aria-label={say('Drills')}>
            <h2 className="plate border-b-2 border-ink text-2xl">{say('To do')}</h2>
            <ul>
              {own && (
                <DrillRow
                  title={own.title}
                  detail={`${MODE_WORDS[own.mode].name} · ${own.faults.length} ${own.faults.length === 1 ? 'fault' : 'faults'}`}
                  why={DRILL.forYouWhy}
                  first={newest === undefined}
                  begin={() => begin(own)}
                />
              )}
              {(drills ?? []).map((drill) => {
                const asked = mine.find((entry) => entry.drill === drill.id);
                return (
                  <DrillRow
                    key={drill.id}
                    title={drill.title}
                    detail={say(
                      '{name} · {kit} · {faults} {faults, plural, one {fault} other {faults}} · level {level}',
                      { name: MODE_WORDS[drill.mode].name, kit: drill.kit, faults: drill.faults, level: drill.level },
                    )}
                    why={asked && say('{by} asks you to do it. {comment}', { by: asked.by, comment: asked.comment })}
                    first={asked !== undefined && asked === newest}
                    begin={() => void act(() => fetched(drill.id))}
                  />
                );
              })}
            </ul>
            {drills?.length === 0 && <p className="py-3 text-ink-2">{DRILL.noDrills}</p>}
            <FromFile begin={begin} />
          </section>
          <section aria-label={DRILL.mine}>
            <h2 className="plate border-b-2 border-ink text-2xl">{DRILL.mine}</h2>
            <MasteryTable mastery={mastery} nowMs={nowMs} />
            {me && (
              <a
                className="mt-3 inline-flex min-h-12 items-center border-2 border-ink bg-sheet px-4 font-bold"
                href={`/api/drills/learners/${me.id}/certificate.pdf`}
              >
                {DRILL.certificate}
              </a>
            )}
          </section>
        </div>
        <section aria-label={say('Done')} className="mt-8">
          <h2 className="plate border-b-2 border-ink text-2xl">{say('Done')}</h2>
          {attempts?.length === 0 && <p className="py-3 text-ink-2">{DRILL.noAttempts}</p>}
          <ul>
            {(attempts ?? []).slice(0, 20).map((attempt) => (
              <li key={attempt.id} className="flex flex-wrap items-center gap-x-5 border-b border-hair">
                <Link
                  to={`/drill/verdict/${attempt.id}`}
                  className="flex min-h-12 min-w-0 flex-1 items-center gap-4 font-bold underline underline-offset-4"
                >
                  <span className="truncate">{attempt.title}</span>
                </Link>
                <span className="figures text-sm">{shopFormat(attempt.endedMs, 'd MMM yyyy')}</span>
                <span className="text-sm">
                  {tell('{caught} found{which}{which2}{which3}', {
                    caught: attempt.caught,
                    which: attempt.late > 0 ? say(', {late} too late', { late: attempt.late }) : '',
                    which2: attempt.missed > 0 ? say(', {missed} not found', { missed: attempt.missed }) : '',
                    which3:
                      attempt.falseAlarms > 0 ? say(', {falseAlarms} false', { falseAlarms: attempt.falseAlarms }) : '',
                  })}
                </span>
              </li>
            ))}
          </ul>
          {(attempts?.length ?? 0) > 0 && (
            <div className="mt-3 flex flex-wrap gap-2">
              <Button
                disabled={busy}
                onClick={() =>
                  void act(async () =>
                    saveFile(
                      'my-drills.json',
                      'application/json',
                      JSON.stringify(await call(api.drills['attempts.json'].$get()), null, 2),
                    ),
                  )
                }
              >
                {DRILL.export}
              </Button>
              <Button tone="bad" onClick={() => setSure(true)}>
                {DRILL.delete}
              </Button>
            </div>
          )}
        </section>
        <Sheet open={sure} onClose={() => setSure(false)} title={DRILL.delete} description={DRILL.deleteSure}>
          <div className="flex flex-wrap gap-2">
            <Button
              tone="bad"
              onClick={() => {
                clearFailure();
                void act(() => call(api.drills.attempts.$delete())).then((gone) => gone && setSure(false));
              }}
            >
              {DRILL.delete}
            </Button>
            <Button onClick={() => setSure(false)}>{say('Keep them')}</Button>
          </div>
        </Sheet>
      </main>
    </div>
  );
}

function DrillRow({
  title,
  detail,
  why,
  first = false,
  begin,
}: {
  title: string;
  detail: string;
  why?: string;
  first?: boolean;
  begin: () => void;
}) {
  return (
    <li
      className={`flex items-center gap-4 border-b border-hair py-3 ${first ? 'border-l-4 border-l-paint pl-3' : ''}`}
    >
      <span className="min-w-0 flex-1">
        <b className="block">{title}</b>
        <span className="block text-sm text-ink-2">{detail}</span>
        {why && <span className="block text-sm">{why}</span>}
      </span>
      <Button onClick={begin} aria-label={`${DRILL.begin}: ${title}`}>
        {DRILL.begin}
      </Button>
    </li>
  );
}

/** A drill somebody shared as a file. */
function FromFile({ begin }: { begin: (drill: Drill) => void }) {
  const [faults, setFaults] = useState<string[]>([]);
  return (
    <div className="mt-4">
      <label className="inline-flex min-h-12 cursor-pointer items-center border-2 border-ink bg-sheet px-4 font-bold focus-within:outline-2">
        {say('Begin one from a file')}
        <input
          type="file"
          accept=".json,application/json"
          className="sr-only"
          onChange={async (event) => {
            const file = event.target.files?.[0];
            event.target.value = '';
            if (!file) return;
            const read = readDrill(await file.text());
            setFaults(
              read.ok ? [] : read.error.faults.map(({ path, message }) => (path ? `${path}: ${message}` : message)),
            );
            if (read.ok) begin(read.value);
          }}
        />
      </label>
      {faults.length > 0 && (
        <ul role="alert" className="mt-2 border-l-4 border-bad pl-3 text-bad">
          {faults.map((fault) => (
            <li key={fault}>{fault}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
