import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link } from 'react-router';
import { lookTargetText } from '#contract/wording/look-text.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import { type LookTarget, type LookWay, lookKey } from '#core/job/look.ts';
import { lookable, lookBand, looksDue, standingLook } from '#core/job/second-look.ts';
import { indexOf } from '#core/kit/plan.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import { printedTorqueUnit } from '#core/quantity/parse-printed.ts';
import { fromBase, type TorqueUnit, toBase } from '#core/quantity/unit.ts';
import { rankWrenches } from '#core/wrench/suitable-wrench.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { serverNowMs } from '../../shop/clock.ts';
import { useSession } from '../../shop/session.ts';
import { Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';

/**
 * The second look: over what is finished once more, by other eyes. What was read the first time is not shown, so that
 * nobody reads what they expect.
 */
export default function SecondLook() {
  const { plan, state } = useOpenJob();
  const person = useSession((session) => session.session?.person);
  const [picked, pick] = useState<string>();
  const all = useMemo(() => lookable(plan, state), [plan, state]);
  const due = useMemo(() => looksDue(plan, state), [plan, state]);
  const open = all.filter((target) => !standingLook(state, plan, target));
  const dueKeys = new Set(due.map(lookKey));
  const next = open.find((target) => dueKeys.has(lookKey(target))) ?? open[0];
  const target = all.find((one) => lookKey(one) === picked) ?? next;
  return (
    <div className="flex flex-1 flex-col lg:min-h-0 lg:flex-row">
      <main className="flex-1 bg-bench px-5 py-4 lg:overflow-y-auto">
        <div className="mb-2 flex flex-wrap items-baseline justify-between gap-3">
          <h1 className="plate text-3xl">{say('Second look')}</h1>
          <Link className="inline-flex min-h-11 items-center underline" to="../close-out">
            {say('To Close out')}
          </Link>
        </div>
        <p className="mb-3 max-w-prose text-ink-2">
          {all.length === 0
            ? say('Nothing is finished yet. Joints stand here when they are at torque, plugs when they are back.')
            : say('Go by your own hands and eyes: what was read the first time is not shown. {which}', {
                which:
                  due.length > 0
                    ? say('The shop asks for {numberOf}.', { numberOf: numberOf(due.length, 'more look') })
                    : say('The shop asks for nothing more; any may be looked at.'),
              })}
        </p>
        <ul className="border-t border-rule">
          {all.map((one) => {
            const key = lookKey(one);
            const stands = standingLook(state, plan, one);
            const disagreed = !stands && (state.visit.looks?.[key]?.length ?? 0) > 0;
            return (
              <li key={key} className="border-b border-rule">
                <button
                  type="button"
                  aria-pressed={target !== undefined && key === lookKey(target)}
                  className={`flex min-h-14 w-full items-center justify-between gap-3 px-2 py-2 text-left ${
                    target !== undefined && key === lookKey(target) ? 'bg-sheet font-bold' : ''
                  }`}
                  onClick={() => pick(key)}
                >
                  <span>{lookTargetText(plan, one)}</span>
                  <span className={`shrink-0 text-sm ${disagreed ? 'text-bad' : 'text-ink-2'}`}>
                    {stands
                      ? say('Looked at, {name}', { name: stands.by.name })
                      : disagreed
                        ? say('Disagreed: look again when it is mended')
                        : dueKeys.has(key)
                          ? say('Asked for')
                          : say('If you like')}
                  </span>
                </button>
              </li>
            );
          })}
        </ul>
      </main>
      {/* On a phone what is in hand stands above the list, however long that is. */}
      <aside className="order-first flex shrink-0 flex-col border-b-2 border-ink bg-sheet p-5 lg:order-none lg:w-[430px] lg:overflow-y-auto lg:border-b-0 lg:border-l-2">
        {target && person && !state.closed ? (
          <Looking key={lookKey(target)} target={target} onLooked={() => pick(undefined)} />
        ) : (
          <p className="text-ink-2">
            {state.closed
              ? say('The job is signed.')
              : all.length === 0
                ? ''
                : say('Everything here has been looked at.')}
          </p>
        )}
      </aside>
    </div>
  );
}

/** One thing to look at, with the ways there are. */
function Looking({ target, onLooked }: { target: LookTarget; onLooked: () => void }) {
  const { plan, state, document, give } = useOpenJob();
  const [note, setNote] = useState('');
  const [typed, setTyped] = useState('');
  const [chosen, choose] = useState<string>();
  const station = 'station' in target ? indexOf(plan).stations.get(target.station) : undefined;
  const band = useMemo(
    () => (station ? lookBand(plan, state, station, serverNowMs()) : undefined),
    [plan, state, station],
  );
  const wrenches = useMemo(
    () =>
      band ? rankWrenches(document.wrenches, band, serverNowMs()).filter(({ faults }) => faults.length === 0) : [],
    [band, document.wrenches],
  );
  const wrench = wrenches.find((choice) => choice.wrench.id === chosen)?.wrench ?? wrenches[0]?.wrench;
  const unit: TorqueUnit = (station && printedTorqueUnit(station.printed)) ?? 'N·m';
  const setTo = band && showTorqueIn(fromBase(band.targetNm, 'N·m'), unit).number;
  const value = Number((typed || setTo || '').replace(',', '.'));
  const look = (way: LookWay, holds: boolean) => {
    const said = way === 'pull' ? { torqueNm: toBase(value, unit), entered: { value, unit }, wrench: wrench?.id } : {};
    if (give({ type: 'lookAgain', target, way, holds, ...said, ...(note.trim() ? { note: note.trim() } : {}) }))
      onLooked();
  };
  const pulls = band !== undefined && wrench !== undefined;
  const usual = () => look(pulls ? 'pull' : station ? 'stripe' : 'seen', true);
  useHotkeys('space', usual, { preventDefault: true }, [usual]);
  return (
    <section aria-label={lookTargetText(plan, target)} className="grid gap-4">
      <h2 className="plate text-3xl">{lookTargetText(plan, target)}</h2>
      {pulls && (
        <div className="grid gap-3 border-b border-rule pb-4">
          <div className="grid grid-cols-[1fr_8rem] gap-3">
            <label className="grid gap-1">
              <span className="text-sm text-ink-2">{say('Wrench')}</span>
              <select
                className="min-h-12 border-2 border-ink bg-sheet px-2"
                value={wrench.id}
                onChange={(event) => choose(event.target.value)}
              >
                {wrenches.map((choice) => (
                  <option key={choice.wrench.id} value={choice.wrench.id}>
                    {choice.wrench.label}
                  </option>
                ))}
              </select>
            </label>
            <label className="grid gap-1">
              <span className="text-sm text-ink-2">{tell('Pulled to, {unit}', { unit })}</span>
              <input
                className="figures min-h-12 w-full border-2 border-ink bg-sheet px-2 text-right text-xl font-bold"
                inputMode="decimal"
                autoComplete="off"
                placeholder={setTo}
                value={typed}
                onChange={(event) => setTyped(event.target.value)}
              />
            </label>
          </div>
          <Button tone="primary" disabled={!Number.isFinite(value) || value <= 0} onClick={() => look('pull', true)}>
            {say('Did not move')}
          </Button>
          <Button disabled={!Number.isFinite(value) || value <= 0} onClick={() => look('pull', false)}>
            {say('It moved')}
          </Button>
        </div>
      )}
      {station && !pulls && (
        <p className="text-sm text-ink-2">
          {band
            ? say('No wrench of the shop shows this torque: look at the stripe.')
            : say('Not by another pull: it would break the locker, turn the angle further, or there is no figure.')}
        </p>
      )}
      {station ? (
        <div className="grid grid-cols-2 gap-2">
          <Button tone={pulls ? 'plain' : 'primary'} onClick={() => look('stripe', true)}>
            {say('Stripe unbroken')}
          </Button>
          <Button onClick={() => look('stripe', false)}>{say('Stripe broken')}</Button>
        </div>
      ) : null}
      {(!station || !pulls) && (
        <div className="grid grid-cols-2 gap-2">
          <Button tone={station ? 'plain' : 'primary'} onClick={() => look('seen', true)}>
            {station ? say('As it should be') : say('Seated and latched')}
          </Button>
          <Button onClick={() => look('seen', false)}>
            {station ? say('Not as it should be') : say('Not seated')}
          </Button>
        </div>
      )}
      <label className="grid gap-1">
        <span className="text-sm text-ink-2">{say('Note, where something is wrong')}</span>
        <textarea
          className="min-h-20 border-2 border-ink bg-sheet p-3"
          maxLength={500}
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
      </label>
    </section>
  );
}
