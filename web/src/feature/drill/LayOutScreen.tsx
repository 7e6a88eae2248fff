import { useState } from 'react';
import { Navigate, useNavigate } from 'react-router';
import { DRILL } from '#contract/wording/en/drill.ts';
import { say } from '#contract/wording/say.ts';
import type { LaidOut } from '#core/drill/drill-run.ts';
import { indexOf } from '#core/kit/plan.ts';
import { acceptBand } from '#core/tightening/kinds.ts';
import { TopBar } from '../../app/TopBar.tsx';
import { MapShapes } from '../../drawing/BoltMap.tsx';
import { useDrill } from '../../practice/drill-store.ts';
import { PRACTICE_JOB } from '../../practice/practice.ts';
import { practiceWrenches } from '../../practice/practice-wrenches.ts';
import { ActionBar, Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';

/** Before a blank drill: each group's order, what goes on its threads, and the wrench. Judged against the kit afterwards. */
export default function LayOutScreen() {
  const run = useDrill((state) => state.run);
  const layOut = useDrill((state) => state.layOut);
  const navigate = useNavigate();
  const [laid, setLaid] = useState<Record<string, LaidOut>>({});
  const [figures, setFigures] = useState<Record<string, string>>({});
  const [at, setAt] = useState(0);
  if (!run) return <Navigate to="/drill" replace />;
  const { plan } = run.log;
  const groups = plan.groups.filter(({ stations, recheck }) => stations.length > 0 && !recheck);
  const group = groups[at];
  if (!group) return <Navigate to={`/jobs/${PRACTICE_JOB}/check-in`} replace />;
  const own = laid[group.id] ?? { group: group.id, order: [] };
  const put = (change: Partial<LaidOut>) => setLaid({ ...laid, [group.id]: { ...own, ...change } });
  const stations = group.stations.flatMap((id) => indexOf(plan).stations.get(id) ?? []);
  const asksFigure = stations[0] !== undefined && acceptBand(stations[0].spec) !== undefined;
  const typed = figures[group.id] ?? '';
  const figureNm = Number(typed.replace(',', '.'));
  const bad = typed.trim() !== '' && !(figureNm > 0);
  const ready =
    own.order.length === stations.length && own.wrench !== undefined && (!asksFigure || (typed.trim() !== '' && !bad));
  const next = () => {
    if (at + 1 < groups.length) setAt(at + 1);
    else {
      layOut(
        Object.values({ ...laid, [group.id]: own }).map((entry) => {
          const value = Number((figures[entry.group] ?? '').replace(',', '.'));
          return value > 0 ? { ...entry, figureNm: value } : entry;
        }),
      );
      navigate(`/jobs/${PRACTICE_JOB}/check-in`);
    }
  };
  return (
    <div className="flex min-h-dvh flex-col">
      <TopBar />
      <main className="flex-1 bg-bench px-5 py-5">
        <p className="text-ink-2">
          {tell('{title}, group {at} of {count}', { title: run.drill.title, at: at + 1, count: groups.length })}
        </p>
        <h1 className="plate text-4xl">{group.title}</h1>
        <div className="mt-4 grid gap-6 lg:grid-cols-[minmax(0,1fr)_22rem]">
          <div>
            <p className="mb-2">
              {tell('{b} Press them one after the other.', { b: <b>{say('In which order are they tightened?')}</b> })}
            </p>
            <svg
              viewBox={`0 0 ${group.map.widthMm} ${group.map.heightMm}`}
              className="max-h-[52vh] w-full border-2 border-ink bg-sheet"
            >
              <title>{group.map.title}</title>
              <MapShapes shapes={group.map.shapes} unit={group.map.widthMm / 600} />
              {stations.map((station) => {
                const place = own.order.indexOf(station.id);
                const radius = group.map.widthMm / 26;
                return (
                  // biome-ignore lint/a11y/useSemanticElements: a station of a drawing
                  <g
                    key={station.id}
                    role="button"
                    tabIndex={0}
                    aria-label={`${station.name}${place >= 0 ? say(', number {place}', { place: place + 1 }) : ''}`}
                    className="cursor-pointer"
                    onClick={() => place < 0 && put({ order: [...own.order, station.id] })}
                    onKeyDown={(event) => {
                      if ((event.key === 'Enter' || event.key === ' ') && place < 0) {
                        event.preventDefault();
                        put({ order: [...own.order, station.id] });
                      }
                    }}
                  >
                    {/* As wide as a thumb on a phone. */}
                    <circle cx={station.xMm} cy={station.yMm} r={radius * 2} fill="transparent" />
                    <circle
                      cx={station.xMm}
                      cy={station.yMm}
                      r={radius}
                      fill={place >= 0 ? 'var(--ink)' : 'var(--sheet)'}
                      stroke="var(--ink)"
                      strokeWidth={radius / 8}
                      strokeDasharray={place >= 0 ? undefined : `${radius / 3} ${radius / 4}`}
                    />
                    {place >= 0 && (
                      <text
                        x={station.xMm}
                        y={station.yMm}
                        textAnchor="middle"
                        dominantBaseline="central"
                        className="figures"
                        fontSize={radius * 1.1}
                        fill="var(--sheet)"
                      >
                        {place + 1}
                      </text>
                    )}
                  </g>
                );
              })}
            </svg>
            <Button
              className="mt-2"
              disabled={own.order.length === 0}
              onClick={() => put({ order: own.order.slice(0, -1) })}
            >
              {say('Take the last back')}
            </Button>
          </div>
          <div className="grid content-start gap-5">
            <fieldset>
              <legend className="font-bold">{say('What goes on the threads?')}</legend>
              {[undefined, ...plan.compounds].map((compound) => (
                <label key={compound?.id ?? 'none'} className="flex min-h-12 items-center gap-3">
                  <input
                    type="radio"
                    name="compound"
                    className="size-6 shrink-0"
                    checked={own.compound === compound?.id}
                    onChange={() => put({ compound: compound?.id })}
                  />
                  {compound?.name ?? say('Nothing')}
                </label>
              ))}
            </fieldset>
            {asksFigure && (
              <div className="grid gap-1">
                <label className="grid gap-1 font-bold">
                  {say('To what? (N·m)')}
                  <input
                    className="figures min-h-14 w-full border-2 border-ink bg-sheet px-3 text-3xl font-bold"
                    inputMode="decimal"
                    autoComplete="off"
                    aria-invalid={bad}
                    value={typed}
                    onChange={(event) => setFigures({ ...figures, [group.id]: event.target.value })}
                  />
                </label>
                {bad && (
                  <span role="alert" className="font-bold text-bad">
                    {tell('“{typed}” is no torque.', { typed })}
                  </span>
                )}
              </div>
            )}
            <fieldset>
              <legend className="font-bold">{say('Which wrench?')}</legend>
              {practiceWrenches(0).map(({ id, label, lowestNm, fullScaleNm }) => (
                <label key={id} className="flex min-h-12 items-center gap-3">
                  <input
                    type="radio"
                    name="wrench"
                    className="size-6 shrink-0"
                    checked={own.wrench === id}
                    onChange={() => put({ wrench: id })}
                  />
                  <span>
                    {label},{' '}
                    <span className="figures">
                      {lowestNm}–{fullScaleNm}
                    </span>{' '}
                    N·m
                  </span>
                </label>
              ))}
            </fieldset>
          </div>
        </div>
      </main>
      <ActionBar disabled={!ready} hotkey="" onClick={next}>
        {at + 1 < groups.length ? say('Next group') : DRILL.begin}
      </ActionBar>
    </div>
  );
}
