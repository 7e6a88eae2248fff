import { lazy, Suspense } from 'react';
import { askText, optionText } from '#contract/wording/ask-text.ts';
import { PHASE_TEXT } from '#contract/wording/en/terms.ts';
import { minutesText } from '#contract/wording/minutes-text.ts';
import { say } from '#contract/wording/say.ts';
import { planActionText, stepTitle } from '#contract/wording/step-text.ts';
import type { JobLog } from '#core/job/job-log.ts';
import { asksNow } from '#core/job/line-known.ts';
import { indexOf } from '#core/kit/plan.ts';
import type { Answer, Ask } from '#core/line/ask.ts';
import { cautionsAt } from '#core/line/cautions-at.ts';
import type { LineAct } from '#core/line/line.ts';
import { lineOf } from '#core/line/line.ts';
import type { Move } from '#core/rehearse/careful-fitter.ts';
import { BoltMap } from '../../../drawing/BoltMap.tsx';
import { HardwareDrawing } from '../../../drawing/HardwareDrawing.tsx';
import { Cautions } from '../../../job/Cautions.tsx';
import { useStationMarks } from '../../../job/use-open-job.ts';
import { useSettings } from '../../../shop/settings.ts';
import { tell } from '../../../ui/tell.ts';
import { ActPicture } from '../../line/ActPicture.tsx';
import { seenOf } from './use-rehearsal.ts';

/** Few acts have one. */
const SheetFigure = lazy(() => import('../../line/picture/SheetFigure.tsx').then((m) => ({ default: m.SheetFigure })));

/** What a fitter sees at one move: its step, its picture, and what is done. */
export function FilmPicture({ log, move, text }: { log: JobLog; move: Move; text: string }) {
  const { plan } = log;
  const line = lineOf(plan);
  const act = move.act === undefined ? undefined : line.actById.get(move.act);
  const step = act && line.stepById.get(act.step);
  const station = move.station === undefined ? undefined : indexOf(plan).stations.get(move.station);
  const group = station && indexOf(plan).groups.get(station.groupId);
  return (
    <>
      <div className="border-b border-hair bg-sheet px-5 py-3">
        <p className="text-sm text-ink-2">
          {step
            ? tell('Step {number} of {count} · {phaseText}', {
                number: <b className="figures text-ink">{step.number}</b>,
                count: line.steps.length,
                phaseText: PHASE_TEXT[step.step.phase],
              })
            : say('Beside the line')}
        </p>
        {step && <h2 className="text-lg">{stepTitle(plan, step.step)}</h2>}
        <p className="plate text-3xl" aria-live="polite">
          {text}
        </p>
        {station && (
          <p className="text-ink-2">
            {tell('{title} · {name} · the sheet prints {printed}', {
              title: group?.title,
              name: station.name,
              printed: station.printed,
            })}
          </p>
        )}
        {move.waitedMs > 0 && (
          <p className="font-bold">
            {tell('Waits {minutesText} before it: nothing else can be done.', {
              minutesText: minutesText(move.waitedMs / 60_000),
            })}
          </p>
        )}
        {act && <Cautions cautions={cautionsAt(plan, act)} read={false} />}
      </div>
      <div className="relative flex min-h-64 flex-1 flex-col">
        {station && group ? (
          <StationMap log={log} group={group.id} station={station.id} />
        ) : (
          act && (
            <>
              <ActPicture line={seenOf(log, 0)} act={act} answers={answersOf(move)} />
              <Said log={log} act={act} move={move} />
            </>
          )
        )}
        {act?.action.figure !== undefined && (
          <Suspense fallback={null}>
            <SheetFigure plan={plan} act={act} />
          </Suspense>
        )}
        {!act && !station && <Beside log={log} move={move} />}
      </div>
    </>
  );
}

const answersOf = ({ command }: Move) => (command.type === 'doAct' ? (command.answers ?? {}) : {});

/** Counting in and closing out are beside the line: the piece in hand, and how far the list is. */
function Beside({ log, move }: { log: JobLog; move: Move }) {
  const pxPerMm = useSettings((settings) => settings.pxPerMm);
  const { items } = log.plan;
  const { command } = move;
  const at = 'item' in command ? items.findIndex(({ id }) => id === command.item) : -1;
  const item = items[at];
  return (
    <div className="flex flex-1 flex-col items-center justify-center gap-4 p-6">
      {item && item.kind !== 'part' && item.kind !== 'compound' && <HardwareDrawing item={item} pxPerMm={pxPerMm} />}
      <p className="figures text-ink-2">
        {item
          ? say('Line {at} of {count} on the packing list', { at: at + 1, count: items.length })
          : say('The PIN of the one who answers for it signs.')}
      </p>
    </div>
  );
}

/** The group as it fills, with the station in hand and the way to it. */
function StationMap({ log, group: id, station }: { log: JobLog; group: string; station: string }) {
  const { plan, state } = log;
  const { groups, orders } = indexOf(plan);
  const group = groups.get(id);
  const stations = orders.get(id)?.listed ?? [];
  const marks = useStationMarks(plan, state, stations);
  if (!group) return null;
  const place = group.torqueOrder.indexOf(station);
  const path = [group.torqueOrder[place - 1], station].flatMap((one) => one ?? []);
  return (
    <div className="min-h-64 flex-1 p-3">
      <BoltMap group={group} stations={stations} marks={marks} next={station} path={path} />
    </div>
  );
}

function answerText(ask: Ask, answer: Answer | undefined): string {
  if (answer === undefined) return say('left out');
  if (ask.kind === 'number' && typeof answer === 'number') return `${answer} ${ask.unit}`.trim();
  if (ask.kind === 'oneOf') {
    const option = ask.options.find(({ value }) => value === answer);
    return option ? optionText(option) : String(answer);
  }
  if (ask.kind === 'pieces') return ask.order.map(({ name }) => name).join(', ');
  if (ask.kind === 'photo') return say('a photo');
  return answer === true ? 'yes' : String(answer);
}

/** All that the step asks of the fitter, with what was said here. */
function Said({ log, act, move }: { log: JobLog; act: LineAct; move: Move }) {
  const answers = answersOf(move);
  const asks = asksNow(log.plan, log.state, act, answers);
  if (asks.length === 0) return null;
  return (
    <dl
      aria-label={say('Asked: {planActionText}', { planActionText: planActionText(log.plan, act.action) })}
      className="border-t border-hair bg-sheet px-5 py-2"
    >
      {asks.map((ask) => (
        <div key={ask.key} className="flex justify-between gap-4 border-b border-hair py-1 last:border-0">
          <dt>{askText(ask)}</dt>
          <dd className="figures text-right font-bold">{answerText(ask, answers[ask.key])}</dd>
        </div>
      ))}
    </dl>
  );
}
