import { lazy, Suspense, useState } from 'react';
import { askText, optionText } from '#contract/wording/ask-text.ts';
import { lobeAdviceText } from '#contract/wording/lobe-text.ts';
import { shimFaultText, wantedText } from '#contract/wording/measured-text.ts';
import { say } from '#contract/wording/say.ts';
import { spacerText } from '#contract/wording/spacer-text.ts';
import { forTheEar } from '#contract/wording/spoken-text.ts';
import { planActionText } from '#contract/wording/step-text.ts';
import { actGate } from '#core/job/act/do-act.ts';
import { clockOfAct } from '#core/job/line-clocks.ts';
import { asksNow } from '#core/job/line-known.ts';
import { debtTouched, lastTry, liftedForStep, waitsOfAct } from '#core/job/line-progress.ts';
import { checkRead } from '#core/kit/step-action.ts';
import { type Answer, type Answers, type Ask, judgeAnswers, sureKey } from '#core/line/ask.ts';
import { cautionsAt } from '#core/line/cautions-at.ts';
import { shimsFor } from '#core/line/kind/adjusting.ts';
import type { LineAct } from '#core/line/line.ts';
import { lineKind } from '#core/line/line-kinds.ts';
import { lobeAdvice } from '#core/line/lobe-advice.ts';
import { usePrimaryKey } from '../../app/use-primary-key.ts';
import { Cautions } from '../../job/Cautions.tsx';
import { useSettings } from '../../shop/settings.ts';
import { ActionBar, Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';
import { ActPicture } from './ActPicture.tsx';
import { AskField } from './AskField.tsx';
import { answersOf, useAnswers } from './answer-store.ts';
import { ClockPanel, ShutPanel } from './ClockPanel.tsx';
import { FitPanel } from './FitPanel.tsx';
import { FluidFirst } from './FluidFirst.tsx';
import { LineFoot } from './LineFoot.tsx';
import { NotForThisOne } from './NotForThisOne.tsx';
import { rackFigure } from './rack-figure.ts';
import { StepHead } from './StepHead.tsx';
import type { LineInHand } from './use-line.ts';
import { useReadOut } from './use-read-out.ts';
import { WaitsPanel } from './WaitsPanel.tsx';

/** For who reads it across the bay. */
const FarPanel = lazy(() => import('./FarPanel.tsx').then((m) => ({ default: m.FarPanel })));
/** Few acts have one. */
const SheetFigure = lazy(() => import('./picture/SheetFigure.tsx').then((m) => ({ default: m.SheetFigure })));
/** Reads the files of a rack, with what reads files: only where an act is measured on one. */
const RackReading = lazy(() => import('./RackReading.tsx'));
/** Looks through the shop's kits: fetched when a figure is missing. */
const FigureSheet = lazy(() => import('./owed/FigureSheet.tsx'));

/** One act of the line: its picture, what to do, and what it asks, one question at a time. */
export function ActScreen({ line, act }: { line: LineInHand; act: LineAct }) {
  const { plan, state, document, give, nowMs } = line;
  const far = useSettings((settings) => settings.far);
  const key = `${document.id} ${act.id}`;
  const given = useAnswers((store) => answersOf(store.given, key));
  const { put, drop } = useAnswers.getState();
  const asks = asksNow(plan, state, act, given);
  const open = asks.filter((ask) => given[ask.key] === undefined);
  const [ask] = open;
  useReadOut(forTheEar(`${planActionText(plan, act.action)}. ${ask ? askText(ask) : ''}`));
  const gate = actGate(plan, state, act, { ...given, temperature: 0 }, nowMs);
  const waits = waitsOfAct(plan, state, act);
  const kind = lineKind(act.action);
  const clock = clockOfAct(plan, state, act);
  const over = liftedForStep(state, act.step, 'clockRunning') || (clock !== undefined && clock.endsAtMs <= nowMs);
  // What ends by the thermometer alone is a question like any other.
  const waiting = kind.clock?.(act.action).minutes !== undefined && !over;

  const finish = (answers: Answers) => {
    const said = Object.keys(answers).length > 0 ? { answers } : {};
    if (give({ type: 'doAct', act: act.id, ...said })) drop(key);
    // What was refused is asked again; the strip says why.
    else for (const last of Object.keys(answers).slice(-1)) drop(key, last);
  };
  const answer = (to: Ask, value: Answer, sure = false) => {
    const answers = { ...given, [to.key]: value, ...(sure ? { [sureKey(to.key)]: true } : {}) };
    // What is never taken is refused at once, by the same rules, and asked again.
    if (judgeAnswers([to], answers).refused) {
      give({ type: 'doAct', act: act.id, answers });
      return;
    }
    const left = asksNow(plan, state, act, answers).filter((other) => answers[other.key] === undefined);
    put(key, to.key, value);
    if (sure) put(key, sureKey(to.key), true);
    if (left.length === 0) finish(answers);
  };
  const last = asks.filter((other) => given[other.key] !== undefined).at(-1);
  const title = planActionText(plan, act.action);
  const { action } = act;
  const found = action.type === 'find' ? plan.findings.find(({ id }) => id === action.question) : undefined;
  const lookAt = found?.lookAt;
  const spacer = found?.spacer && spacerText(found.spacer);
  const debt = debtTouched(act.action);
  const lacksFigure =
    gate?.code === 'figureMissing' && debt ? { id: debt.id, name: title.replace(/^[^:]*: /, '') } : undefined;

  return (
    <>
      <main className="flex min-h-56 min-w-0 flex-1 flex-col bg-bench md:min-h-0">
        {far && (
          <Suspense fallback={null}>
            <FarPanel plan={plan} state={state} act={act} />
          </Suspense>
        )}
        <div className={`grid-paper relative flex min-h-56 flex-1 flex-col ${far ? 'hidden' : ''}`}>
          <ActPicture line={line} act={act} ask={ask} answers={given} />
          {act.action.figure !== undefined && (
            <Suspense fallback={null}>
              <SheetFigure plan={plan} act={act} />
            </Suspense>
          )}
        </div>
        <LineFoot line={line} onBack={last ? () => drop(key, last.key) : undefined} />
      </main>
      <aside className="order-first flex shrink-0 flex-col border-b-2 border-ink bg-sheet md:order-none md:w-[24rem] lg:w-[430px] md:border-b-0 md:border-l-2">
        <div className="flex flex-1 flex-col md:min-h-0 md:overflow-y-auto">
          <StepHead line={line} act={act} />
          <h1 className="plate px-5 pt-3 text-4xl text-balance md:px-6">{title}</h1>
          {spacer && <p className="px-5 font-bold md:px-6">{spacer}</p>}
          <NotForThisOne line={line} act={act} />
          {lookAt && <p className="px-5 text-ink-2 md:px-6">{tell('Not sure? {lookAt}', { lookAt })}</p>}
          <div className="px-5 md:px-6">
            <Cautions cautions={cautionsAt(plan, act)} />
          </div>
          <Failed line={line} act={act} />
          {!waits && rackFigure(plan, act) && (
            <Suspense fallback={null}>
              <RackReading
                plan={plan}
                act={act}
                vehicle={document.vehicle.id}
                answers={given}
                onRead={(values) => {
                  // What it was read with needs no asking.
                  const readWith: Answers = asks.some((one) => one.key === 'instrument')
                    ? { instrument: say('alignment rack') }
                    : {};
                  const answers = { ...given, ...readWith, ...values };
                  for (const [one, value] of Object.entries({ ...readWith, ...values })) put(key, one, value);
                  const left = asksNow(plan, state, act, answers).filter((other) => answers[other.key] === undefined);
                  if (left.length === 0) finish(answers);
                }}
              />
            </Suspense>
          )}
          <Answered asks={asks} given={given} onDrop={(one) => drop(key, one)} />
          {action.type === 'press' && action.measureFit && <FitPanel answers={given} roomC={state.visit.bay?.tempC} />}
          <div className="flex flex-1 flex-col pt-4">
            {waits ? (
              <WaitsPanel line={line} refusal={waits} />
            ) : lacksFigure ? (
              <FigureFirst figure={lacksFigure} />
            ) : gate?.code === 'fluidMissing' ? (
              <FluidFirst line={line} fluid={gate} />
            ) : gate?.code === 'compoundNotSet' ? (
              <ShutPanel line={line} act={act} untilMs={gate.endsAtMs} />
            ) : waiting ? (
              <ClockPanel
                line={line}
                act={act}
                clock={clock}
                onTemperature={(value) => finish({ temperature: value })}
              />
            ) : ask ? (
              // What was kept as not met must not stand in front of the digits of the next reading.
              <AskField
                key={`${ask.key} ${state.visit.acts[act.id]?.tries.length ?? 0}`}
                ask={ask}
                then={open[1] ? nameOf(open[1]) : ''}
                onAnswer={(value, sure) => answer(ask, value, sure)}
              />
            ) : (
              <Press onDo={() => finish(given)} blocked={gate !== undefined && !waits} />
            )}
          </div>
        </div>
      </aside>
    </>
  );
}

/** The next question in a word or two. */
const nameOf = (ask: Ask): string => (ask.what && ask.what.length < 28 ? ask.what : '');

/** Nothing is asked: a press says that it is done. */
function Press({ onDo, blocked }: { onDo: () => void; blocked: boolean }) {
  usePrimaryKey(onDo);
  return (
    <>
      <div className="flex-1" />
      <ActionBar className="thumb-bar" onClick={onDo}>
        {blocked ? say('Try it') : say('Done, next')}
      </ActionBar>
    </>
  );
}

function FigureFirst({ figure }: { figure: { id: string; name: string } }) {
  const [open, setOpen] = useState(false);
  usePrimaryKey(() => setOpen(true));
  return (
    <>
      <p className="px-5 text-xl md:px-6">
        {say('It goes back with the vehicle maker’s figure, and the sheet gives none. Look it up first.')}
      </p>
      <div className="flex-1" />
      <ActionBar className="thumb-bar" onClick={() => setOpen(true)}>
        {say('Find the figure')}
      </ActionBar>
      {open && (
        <Suspense fallback={null}>
          <FigureSheet target={figure.id} name={figure.name} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}

/** What the last try came to, where it was not met. */
function Failed({ line, act }: { line: LineInHand; act: LineAct }) {
  const { plan, state } = line;
  const tried = lastTry(state, act.id);
  if (!tried || tried.failed.length === 0) return null;
  const { action } = act;
  const check = plan.checks.find(({ id }) => id === checkRead(action));
  const back = check?.failsTo === undefined ? undefined : line.line.stepById.get(check.failsTo);
  const times = state.visit.acts[act.id]?.tries.length ?? 0;
  const unit = action.type === 'shim' ? 'mm' : check?.unit;
  const wanted = check && wantedText(check);
  const lobes = action.type === 'align' ? lobeAdvice(plan, action, tried.answers) : [];
  const shims = action.type === 'shim' ? shimsFor(plan, action, tried.answers) : undefined;
  return (
    <p role="status" className="mx-5 mt-3 border-2 border-bad p-3 md:mx-6">
      <b className="text-bad">
        {tell('Not met{which}.', { which: times > 1 ? say(', tried {times} times', { times }) : '' })}
      </b>{' '}
      {tried.failed
        .map((key) => {
          const answer = tried.answers[key];
          const place = key.replace(/^(?:at |value$|verdict$)/, '');
          return `${place ? `${place}: ` : ''}${shown(answer)}${typeof answer === 'number' && unit ? ` ${unit}` : ''}`;
        })
        .join(', ')}
      {wanted !== undefined && say(' · wanted {wanted}', { wanted })}
      {shims && !shims.ok && (
        <span className="block">{shimFaultText(shims, action.type === 'shim' ? action.places : [])}</span>
      )}
      {lobes.map((lobe) => (
        <span key={lobe.place} className="mt-1 block">
          {lobeAdviceText(lobe)}
        </span>
      ))}
      {check?.usually !== undefined && (
        <span className="block">{tell('Usually: {usually} Is it that?', { usually: check.usually })}</span>
      )}
      {back && say(' · put it right: step {number}', { number: back.number })}
    </p>
  );
}

const shown = (answer: Answer | undefined): string =>
  answer === undefined
    ? ''
    : answer === 'notMet'
      ? say('not so')
      : Array.isArray(answer)
        ? answer.join(', ')
        : String(answer);

/** What was said so far; a tap asks it again. */
function Answered({ asks, given, onDrop }: { asks: readonly Ask[]; given: Answers; onDrop: (key: string) => void }) {
  const said = asks.filter(({ key }) => given[key] !== undefined);
  if (said.length === 0) return null;
  return (
    <ul className="mx-5 mt-3 border-t border-rule md:mx-6">
      {said.map((ask) => {
        const value = given[ask.key];
        const option = ask.kind === 'oneOf' ? ask.options.find((one) => one.value === value) : undefined;
        return (
          <li key={ask.key} className="flex items-center justify-between gap-3 border-b border-hair">
            <span className="py-1">{askText(ask)}</span>
            <Button className="figures min-h-11! border-0! px-2" onClick={() => onDrop(ask.key)}>
              {value === true ? say('yes') : option ? optionText(option) : shown(value)}
              {ask.kind === 'number' ? ` ${ask.unit}` : ''}
              <span className="sr-only">{say(', ask again')}</span>
            </Button>
          </li>
        );
      })}
    </ul>
  );
}
