import { type FormEvent, useEffect, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { askText } from '#contract/wording/ask-text.ts';
import { changeText, claimText } from '#contract/wording/change-text.ts';
import { say } from '#contract/wording/say.ts';
import { type Ask, judgeAnswers } from '#core/line/ask.ts';
import { instrumentText, inUnit, isZero, wasSent } from '#core/quantity/instrument-text.ts';
import { ActionBar, Button } from '../../ui/Button.tsx';
import { afterKey, Keypad } from '../../ui/Keypad.tsx';
import { tell } from '../../ui/tell.ts';
import { type AskFieldProps, BAR } from './ask-field.ts';
import { ElsewhereForm } from './ElsewhereForm.tsx';
import { zeroChecked, zeroWasChecked } from './gauge-zero.ts';
import { Limits } from './picture/Limits.tsx';

type NumberQuestion = Extract<Ask, { kind: 'number' }>;

/** What is wanted of a reading, in a few words. */
function wantedOf({ min, max }: NumberQuestion): string | undefined {
  if (min !== undefined && max !== undefined) return `${min} – ${max}`;
  if (min !== undefined) return say('at least {min}', { min });
  return max === undefined ? undefined : say('at most {max}', { max });
}

/** Why what stands typed cannot be taken. */
function faultOf(typed: string, unit: string): string | undefined {
  const read = instrumentText(typed);
  if (!read) return say('A number is needed.');
  return inUnit(read, unit) === undefined
    ? say('It shows {unit}, and {unit2} is asked for.', { unit: read.unit, unit2: unit })
    : undefined;
}

/** A figure, typed, tapped, or sent by an instrument that types; a likely slip is asked about before it is kept. */
export function NumberAsk({ ask, then, onAnswer }: AskFieldProps & { ask: NumberQuestion }) {
  const [typed, setTyped] = useState('');
  const [doubt, setDoubt] = useState<{ value: number; meant?: number }>();
  const [elsewhere, setElsewhere] = useState(false);
  /** A reading that an instrument sent whose zero nobody checked yet. */
  const [held, setHeld] = useState<number>();
  const [zeroFault, setZeroFault] = useState<string>();
  const times = useRef<number[]>([]);
  const field = useRef<HTMLInputElement>(null);
  const clear = () => {
    setTyped('');
    times.current = [];
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: another question starts empty
  useEffect(() => {
    clear();
    setDoubt(undefined);
    setElsewhere(false);
    setHeld(undefined);
    setZeroFault(undefined);
  }, [ask.key]);
  useHotkeys('0,1,2,3,4,5,6,7,8,9,-', () => field.current?.focus(), { useKey: true });
  const { min, max, unit, expected, claim } = ask;
  const read = instrumentText(typed);
  const value = read && inUnit(read, unit);
  const type = (text: string) => {
    if (text.length > typed.length) times.current.push(performance.now());
    else times.current = [];
    setTyped(text);
    setDoubt(undefined);
  };
  const keep = (reading: number) => {
    const { doubtful } = judgeAnswers([ask], { [ask.key]: reading });
    if (doubtful) setDoubt(doubtful);
    else onAnswer(reading);
  };
  const give = () => {
    if (value === undefined) return;
    const sent = ask.measured !== undefined && wasSent(times.current);
    if (held !== undefined) {
      clear();
      setHeld(undefined);
      if (!isZero(value, unit)) {
        setZeroFault(say('Closed it reads {value} {unit}. Set its zero, then measure again.', { value, unit }));
        return;
      }
      zeroChecked();
      keep(held);
    } else if (sent && !zeroWasChecked()) {
      clear();
      setZeroFault(undefined);
      setHeld(value);
    } else keep(value);
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    give();
  };
  if (elsewhere)
    return (
      <ElsewhereForm
        title={askText(ask)}
        onSaid={(who, what) => onAnswer([who, what])}
        onBack={() => setElsewhere(false)}
      />
    );
  if (doubt)
    return (
      <Doubted
        value={doubt.value}
        meant={doubt.meant}
        unit={unit}
        onMeant={(meant) => onAnswer(meant)}
        onSure={() => onAnswer(doubt.value, true)}
        onAgain={() => {
          setDoubt(undefined);
          clear();
        }}
      />
    );
  const wanted = wantedOf(ask);
  const out = value !== undefined && ((min !== undefined && value < min) || (max !== undefined && value > max));
  const change = claim && expected !== undefined && value !== undefined ? value - expected : undefined;
  const off = change !== undefined && claim?.change && (change < claim.change.min || change > claim.change.max);
  return (
    <form onSubmit={submit} className="flex flex-1 flex-col">
      <div className="grid gap-2 px-5 pb-3 lg:px-6">
        <div className="flex items-end justify-between gap-3">
          <label className="grid flex-1">
            <span className="text-lg font-bold">
              {held === undefined ? askText(ask) : say('Close the instrument and send: it must read 0')}
            </span>
            <span className="flex items-baseline gap-2">
              <input
                ref={field}
                className="figures min-h-16 w-full min-w-0 border-b-2 border-ink bg-sheet text-6xl font-bold placeholder:text-hair"
                inputMode="decimal"
                autoComplete="off"
                placeholder="–"
                value={typed}
                onChange={(event) => type(event.target.value)}
              />
              <span className="text-xl">{unit}</span>
            </span>
          </label>
          {wanted && held === undefined && (
            <p className="shrink-0 text-right">
              <span className="block text-sm text-ink-2">{say('wanted')}</span>
              <span className="figures text-lg">{wanted}</span>
            </p>
          )}
        </div>
        {held === undefined && <Limits unit={unit} min={min} max={max} value={value} />}
        {typed !== '' && value === undefined && (
          <p role="status" className="font-bold text-bad">
            {faultOf(typed, unit)}
          </p>
        )}
        {read?.unit !== undefined && value !== undefined && read.unit !== unit && (
          <p className="text-sm">
            {tell('{value}  {unit} is {value2}.', {
              value: read.value,
              unit: read.unit,
              value2: (
                <span className="figures">
                  {value} {unit}
                </span>
              ),
            })}
          </p>
        )}
        {zeroFault && (
          <p role="alert" className="font-bold text-bad">
            {zeroFault}
          </p>
        )}
        {out && (
          <p role="status" className="font-bold text-bad">
            {ask.outside === 'fails' ? say('Outside: it is kept as not met.') : say('Outside what may be.')}
          </p>
        )}
        {expected !== undefined && (
          <p className="text-sm text-ink-2">
            {claim ? say('before') : say('measured before')}: <span className="figures text-ink">{expected}</span>{' '}
            {unit}
            {claim?.change &&
              say('; the kit says {claimText}', { claimText: claimText(claim.quantity, claim.change, unit) })}
          </p>
        )}
        {change !== undefined && claim && (
          <p role="status" className={off ? 'font-bold text-bad' : 'font-bold'}>
            {changeText(claim.quantity, Number(change.toFixed(3)), unit)}
          </p>
        )}
        <Keypad onKey={(key) => setTyped((before) => afterKey(before, key))} />
        <div className="grid gap-1 sm:grid-flow-col">
          {(ask.measured || (min !== undefined && min < 0)) && (
            <Button onClick={() => setTyped((before) => (before.startsWith('-') ? before.slice(1) : `-${before}`))}>
              {say('Plus or minus')}
            </Button>
          )}
          {ask.elsewhere && held === undefined && (
            <Button onClick={() => setElsewhere(true)}>{say('Measured elsewhere')}</Button>
          )}
          {ask.optional && <Button onClick={() => onAnswer('')}>{say('Not measured')}</Button>}
          {held !== undefined && (
            <Button
              onClick={() => {
                zeroChecked();
                setHeld(undefined);
                keep(held);
              }}
            >
              {say('Its zero was checked')}
            </Button>
          )}
        </div>
      </div>
      <div className="flex-1" />
      <ActionBar type="submit" className={BAR} hotkey="ENTER" disabled={value === undefined}>
        <span className="text-3xl">
          {value === undefined ? say('Type what you read') : `${value} ${unit}`}
          {value !== undefined && then && held === undefined ? say(', next: {then}', { then }) : ''}
        </span>
      </ActionBar>
    </form>
  );
}

/** Hardly what was on the vehicle: what was probably meant is offered, and never taken by itself. */
function Doubted({
  value,
  meant,
  unit,
  onMeant,
  onSure,
  onAgain,
}: {
  value: number;
  meant?: number;
  unit: string;
  onMeant: (meant: number) => void;
  onSure: () => void;
  onAgain: () => void;
}) {
  return (
    <>
      <div role="alert" className="grid gap-3 px-5 pb-3 lg:px-6">
        <p className="text-2xl font-bold">
          {tell('{value}  {unit} is hardly what is on the vehicle.', { value, unit })}
        </p>
        <p className="text-ink-2">
          {meant === undefined
            ? say('Read it again.')
            : say('With its decimal point elsewhere, or in its other unit, it is {meant} {unit}.', { meant, unit })}
        </p>
        <Button onClick={onSure}>{tell('It really is {value}  {unit}', { value, unit })}</Button>
        {meant !== undefined && (
          <Button onClick={() => onMeant(meant)}>{tell('It is {meant}  {unit}', { meant, unit })}</Button>
        )}
      </div>
      <div className="flex-1" />
      {/* A press without a look must not turn a miss into what is wanted. */}
      <ActionBar className={BAR} onClick={onAgain}>
        <span className="text-3xl">{say('Read it again')}</span>
      </ActionBar>
    </>
  );
}
