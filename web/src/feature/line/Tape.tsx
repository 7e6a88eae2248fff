import { memo, useState } from 'react';
import { Link } from 'react-router';
import { NEED_TEXT } from '#contract/wording/en/terms.ts';
import { midSentence, say } from '#contract/wording/say.ts';
import { stepTitle } from '#contract/wording/step-text.ts';
import type { JobState } from '#core/job/job-state.ts';
import { waitsOfStep } from '#core/job/line-progress.ts';
import { stepHolder } from '#core/job/step-holder.ts';
import type { Plan } from '#core/kit/plan.ts';
import type { LineStep } from '#core/line/line.ts';
import { lineKind } from '#core/line/line-kinds.ts';
import { tell } from '../../ui/tell.ts';
import type { LineInHand } from './use-line.ts';

/** Steps shown behind and ahead of the hook; more on demand, since a line may have hundreds. */
const BEHIND = 3;
const AHEAD = 12;
const MORE = 40;

type RowState = 'done' | 'waived' | 'here' | 'waits' | 'open';

/** The line as a steel tape, pulled past the yellow hook as its steps are done. */
export function Tape({ line, onPick }: { line: LineInHand; onPick: (step: string) => void }) {
  const { plan, state, progress, step: here, person } = line;
  const [more, setMore] = useState({ behind: 0, ahead: 0 });
  const { steps } = line.line;
  const at = here ? here.number - 1 : steps.length;
  const from = Math.max(0, at - BEHIND - more.behind);
  const to = Math.min(steps.length, at + 1 + AHEAD + more.ahead);
  return (
    <nav aria-label={say('The line, step by step')} className="flex min-h-0 flex-col overflow-y-auto bg-sheet">
      {from > 0 && (
        <button
          type="button"
          className="min-h-12 border-b border-hair text-ink-2 underline"
          onClick={() => setMore((shown) => ({ ...shown, behind: shown.behind + MORE }))}
        >
          {tell('{from} earlier', { from })}
        </button>
      )}
      <ol>
        {steps.slice(from, to).map((step) => {
          const isHere = step.id === here?.id;
          const row = rowState(plan, state, step, progress.steps, isHere);
          const holder = row === 'open' || isHere ? stepHolder(plan, state, step) : undefined;
          return (
            <TapeRow
              key={step.id}
              number={step.number}
              title={titleOf(plan, step)}
              under={isHere ? hereText(line, step) : underText(plan, step)}
              sheet={step.step.made === undefined ? step.step.number : undefined}
              row={row}
              waiting={isWait(step)}
              by={holder && holder.id !== person ? holder.name : undefined}
              id={step.id}
              onPick={onPick}
            />
          );
        })}
      </ol>
      {to < steps.length && (
        <button
          type="button"
          className="min-h-12 text-ink-2 underline"
          onClick={() => setMore((shown) => ({ ...shown, ahead: shown.ahead + MORE }))}
        >
          {tell('{count} further on', { count: steps.length - to })}
        </button>
      )}
      <Link
        to="../screen"
        className="mt-auto flex min-h-12 items-center justify-center border-t border-hair text-ink-2 underline"
      >
        {say('Second screen')}
      </Link>
    </nav>
  );
}

const isWait = (step: LineStep): boolean => step.acts.every(({ action }) => lineKind(action).clock !== undefined);

function rowState(plan: Plan, state: JobState, step: LineStep, done: ReadonlySet<string>, here: boolean): RowState {
  if (state.visit.waived[step.id]) return 'waived';
  if (done.has(step.id)) return 'done';
  if (here) return 'here';
  return waitsOfStep(plan, state, step.id).length > 0 ? 'waits' : 'open';
}

/** The step in a few words: the sheet's number stands beside the line's. */
function titleOf(plan: Plan, { step }: LineStep): string {
  return stepTitle(plan, step.number ? { ...step, number: undefined } : step);
}

function underText(plan: Plan, { step }: LineStep): string {
  return [
    plan.kits.length > 1 ? plan.kits.find(({ id }) => id === step.kit)?.title : undefined,
    (step.people ?? 1) > 1 ? say('{people} people', { people: step.people }) : undefined,
    ...step.needs.filter((need) => need !== 'helper').map((need) => midSentence(NEED_TEXT[need])),
  ]
    .filter(Boolean)
    .join(' · ');
}

function hereText({ progress }: LineInHand, step: LineStep): string {
  const done = step.acts.filter(({ id }) => progress.acts.has(id)).length;
  return step.acts.length > 1 ? say('{done} of {count}', { done: done + 1, count: step.acts.length }) : '';
}

const ROW: Record<RowState, string> = {
  done: 'text-ink-2',
  waived: 'text-ink-2 line-through',
  here: 'bg-paint text-on-paint',
  waits: 'text-ink-2',
  open: '',
};
const STATE_TEXT: Record<RowState, string> = {
  done: say('done'),
  waived: say('let go'),
  here: say('in hand'),
  waits: say('waits'),
  open: say('can be done'),
};

/** Most steps stand still while one is worked: they are not drawn again. */
const TapeRow = memo(function TapeRow({
  id,
  number,
  title,
  under,
  sheet,
  row,
  waiting,
  by,
  onPick,
}: {
  number: number;
  title: string;
  under: string;
  sheet?: string;
  row: RowState;
  waiting: boolean;
  by?: string;
  id: string;
  onPick: (step: string) => void;
}) {
  return (
    <li className={`flex border-b border-hair ${ROW[row]}`}>
      <span
        aria-hidden="true"
        className={`tape-blade figures w-14 shrink-0 border-r-2 border-ink py-2 pr-4 text-right text-sm font-bold ${row === 'here' ? '' : 'text-ink'}`}
      >
        {number}
      </span>
      <button
        type="button"
        aria-current={row === 'here' ? 'step' : undefined}
        className={`relative flex min-h-14 min-w-0 flex-1 flex-col justify-center px-3 py-1.5 text-left`}
        disabled={row === 'done' || row === 'waived'}
        onClick={() => onPick(id)}
      >
        <span
          className={`plate line-clamp-2 leading-tight ${row === 'here' ? 'text-2xl' : 'text-lg'} ${row === 'done' || row === 'waits' ? 'pr-6' : ''}`}
        >
          <span className="sr-only">{tell('Step {number}:', { number })} </span>
          {title}
          <span className="sr-only">: {STATE_TEXT[row]}</span>
        </span>
        {waiting && <span className="wait-hatched absolute inset-y-0 right-0 w-1.5" aria-hidden="true" />}
        <span className="text-sm wrap-anywhere">
          {[sheet ? `sheet ${sheet}` : '', under, by ? say('{by} has it', { by }) : ''].filter(Boolean).join(' · ')}
        </span>
        {row === 'done' && (
          <svg viewBox="0 0 24 24" className="absolute top-2 right-2 size-5" aria-hidden="true">
            <line x1={3} y1={20} x2={20} y2={4} stroke="var(--ink)" strokeWidth={7} />
            <line x1={3} y1={20} x2={20} y2={4} stroke="#ffd21f" strokeWidth={4} />
          </svg>
        )}
        {row === 'waits' && (
          <svg viewBox="0 0 24 24" className="absolute top-3 right-2 size-4" aria-hidden="true">
            <path d="M4 3V21M20 3V21M4 12H20" fill="none" stroke="var(--ink-2)" strokeWidth={3} />
          </svg>
        )}
      </button>
    </li>
  );
});
