import { lazy, Suspense, useState } from 'react';
import { minutesText } from '#contract/wording/minutes-text.ts';
import { say } from '#contract/wording/say.ts';
import { stepTitle } from '#contract/wording/step-text.ts';
import { type LineClock, waitsForTheDriver } from '#core/job/line-clocks.ts';
import { waitsOfStep } from '#core/job/line-progress.ts';
import type { LineAct, LineStep } from '#core/line/line.ts';
import { lineKind } from '#core/line/line-kinds.ts';
import { usePrimaryKey } from '../../app/use-primary-key.ts';
import { clockText } from '../../shop/clock-text.ts';
import { useSession } from '../../shop/session.ts';
import { ActionBar, Button } from '../../ui/Button.tsx';
import { afterKey, Keypad } from '../../ui/Keypad.tsx';
import { tell } from '../../ui/tell.ts';
import type { LineInHand } from './use-line.ts';

const MINUTE_MS = 60_000;
/** Reads the plan of the day: fetched where a line has nothing else to do. */
const UsefulElsewhere = lazy(() => import('./UsefulElsewhere.tsx'));
const sinceOf = (typed: string, nowMs: number): number | undefined => {
  const [, hour, minute] = /^(\d{1,2}):(\d{2})$/.exec(typed) ?? [];
  if (hour === undefined || minute === undefined) return undefined;
  const at = new Date(nowMs);
  at.setHours(Number(hour), Number(minute), 0, 0);
  // A time that lies ahead was yesterday's.
  return at.getTime() > nowMs ? at.getTime() - 24 * 60 * MINUTE_MS : at.getTime();
};

/** A timed wait: started by a press or at a typed time, ended by the clock or earlier by a thermometer; what fits into it. */
export function ClockPanel({
  line,
  act,
  clock,
  onTemperature,
}: {
  line: LineInHand;
  act: LineAct;
  clock: LineClock | undefined;
  onTemperature: (value: number) => void;
}) {
  const { plan, give, nowMs, pick } = line;
  const role = useSession((session) => session.session?.person.role);
  const [since, setSince] = useState('');
  const [temperature, setTemperature] = useState('');
  const { action } = act;
  const minutes = lineKind(action).clock?.(action).minutes ?? 0;
  const limit =
    action.type === 'coolDown' && action.belowC !== undefined
      ? say('below {belowC} °C', { belowC: action.belowC })
      : action.type === 'warmUp' && action.aboveC !== undefined
        ? say('above {aboveC} °C', { aboveC: action.aboveC })
        : undefined;
  const begin = clock ? undefined : () => give({ type: 'beginClock', act: act.id });
  const meanwhile = fitsIn(line, act);
  const other = clock && meanwhile ? () => pick(meanwhile.id) : undefined;
  const goOn = clock && waitsForTheDriver(action) ? () => give({ type: 'doAct', act: act.id }) : undefined;
  usePrimaryKey(begin ?? goOn ?? other);
  const typedSince = sinceOf(since, nowMs);
  const typedTemperature = temperature.trim() === '' ? undefined : Number(temperature.replace(',', '.'));
  return (
    <>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-4 px-5 lg:px-6">
        {clock ? (
          <p className="text-xl">
            {tell('Until {clockText}{minutesText}', {
              clockText: <b className="figures text-5xl">{clockText(clock.endsAtMs)}</b>,
              minutesText: (
                <span className="block text-ink-2">
                  {tell('{minutesText} to go, since {clockText}', {
                    minutesText: minutesText(Math.max(1, (clock.endsAtMs - nowMs) / MINUTE_MS)),
                    clockText: clockText(clock.sinceMs),
                  })}
                </span>
              ),
            })}
          </p>
        ) : (
          <p className="text-xl">
            {tell('It takes {minutesText}.', { minutesText: minutesText(minutes) })}
            {limit && say(' Or earlier, {limit}.', { limit })}
          </p>
        )}
        {!clock && (
          <form
            className="flex items-end gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              if (typedSince !== undefined) give({ type: 'beginClock', act: act.id, sinceMs: typedSince });
            }}
          >
            <label className="grid min-w-0 flex-1">
              <span className="text-sm text-ink-2">{say('It began earlier, at')}</span>
              <input
                type="time"
                className="figures min-h-14 w-full min-w-0 border-2 border-ink bg-sheet px-3 text-xl"
                value={since}
                onChange={(event) => setSince(event.target.value)}
              />
            </label>
            <Button type="submit" disabled={typedSince === undefined}>
              {say('Since then')}
            </Button>
          </form>
        )}
        {limit && (
          <form
            className="grid gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              if (typedTemperature !== undefined && Number.isFinite(typedTemperature)) onTemperature(typedTemperature);
            }}
          >
            <span className="flex items-end gap-2">
              <label className="grid min-w-0 flex-1">
                <span className="text-sm text-ink-2">{tell('Measured, °C ({limit})', { limit })}</span>
                <input
                  className="figures min-h-14 w-full min-w-0 border-2 border-ink bg-sheet px-3 text-xl"
                  inputMode="decimal"
                  value={temperature}
                  onChange={(event) => setTemperature(event.target.value)}
                />
              </label>
              <Button type="submit" disabled={temperature.trim() === ''}>
                {say('Measured')}
              </Button>
            </span>
            <Keypad onKey={(key) => setTemperature((before) => afterKey(before, key))} />
          </form>
        )}
        {clock && !goOn && role === 'lead' && (
          <Button onClick={() => give({ type: 'doAct', act: act.id })}>{say('Let it be over, with a reason')}</Button>
        )}
        {goOn && <p>{say('The work goes on; whoever signs tells the driver in writing until when.')}</p>}
        {clock && !goOn && (
          <p>
            <b>{say('Meanwhile:')}</b>{' '}
            {meanwhile
              ? say('step {number}, {stepTitle}', {
                  number: meanwhile.number,
                  stepTitle: stepTitle(plan, meanwhile.step),
                })
              : say('nothing of this line fits in.')}
          </p>
        )}
        {clock && !goOn && !meanwhile && <OtherJobs line={line} />}
      </div>
      <div className="flex-1" />
      {begin ? (
        <ActionBar className="thumb-bar" onClick={begin}>
          {say('Start the clock')}
        </ActionBar>
      ) : goOn ? (
        <ActionBar className="thumb-bar" onClick={goOn}>
          {say('It runs, go on')}
        </ActionBar>
      ) : (
        <ActionBar className="thumb-bar" onClick={other} disabled={!other}>
          {other
            ? say('Do that meanwhile')
            : say('Waits until {clockText}', { clockText: clockText(clock?.endsAtMs ?? nowMs) })}
        </ActionBar>
      )}
    </>
  );
}

/** What the line has that can be done while something else waits. */
const fitsIn = ({ line, plan, state, progress }: LineInHand, act: LineAct): LineStep | undefined =>
  line.steps.find(({ id }) => id !== act.step && !progress.steps.has(id) && waitsOfStep(plan, state, id).length === 0);

/** What other jobs have for the person meanwhile. */
const OtherJobs = ({ line: { document, person } }: { line: LineInHand }) => (
  <Suspense fallback={null}>
    <UsefulElsewhere job={document.id} person={person} />
  </Suspense>
);

/** What is on the threads has not set: what carries weight waits for it. */
export function ShutPanel({ line, act, untilMs }: { line: LineInHand; act: LineAct; untilMs: number }) {
  const { plan, give, nowMs, pick } = line;
  const role = useSession((session) => session.session?.person.role);
  const meanwhile = fitsIn(line, act);
  const other = meanwhile ? () => pick(meanwhile.id) : undefined;
  usePrimaryKey(other);
  return (
    <>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-4 px-5 lg:px-6">
        <p className="text-xl">
          {tell('The locker sets until {clockText}{minutesText}', {
            clockText: <b className="figures text-5xl">{clockText(untilMs)}</b>,
            minutesText: (
              <span className="block text-ink-2">
                {tell('{minutesText} to handling strength; the wheels do not carry before.', {
                  minutesText: minutesText(Math.max(1, (untilMs - nowMs) / MINUTE_MS)),
                })}
              </span>
            ),
          })}
        </p>
        {role === 'lead' && (
          <Button onClick={() => give({ type: 'doAct', act: act.id })}>{say('Let it be over, with a reason')}</Button>
        )}
        <p>
          <b>{say('Meanwhile:')}</b>{' '}
          {meanwhile
            ? say('step {number}, {stepTitle}', {
                number: meanwhile.number,
                stepTitle: stepTitle(plan, meanwhile.step),
              })
            : say('nothing of this line fits in.')}
        </p>
        {!meanwhile && <OtherJobs line={line} />}
      </div>
      <div className="flex-1" />
      <ActionBar className="thumb-bar" onClick={other} disabled={!other}>
        {other ? say('Do that meanwhile') : say('Waits until {clockText}', { clockText: clockText(untilMs) })}
      </ActionBar>
    </>
  );
}
