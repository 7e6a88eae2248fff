import { useState } from 'react';
import { END_TEXT } from '#contract/wording/en/terms.ts';
import { say } from '#contract/wording/say.ts';
import { type Debt, isOwed } from '#core/job/debt.ts';
import type { DebtEnd } from '#core/job/debt-kind.ts';
import { useOpenJob } from '../../../job/use-open-job.ts';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { tell } from '../../../ui/tell.ts';
import { EndChoice, REMOVED_ENDS } from './EndChoice.tsx';

/** What is owed: open above, ended below, each with where it must end. */
export function DebtList({ debts }: { debts: readonly Debt[] }) {
  const { state } = useOpenJob();
  const [closing, setClosing] = useState<Debt>();
  const sorted = [...debts].sort((a, b) => Number(isOwed(b)) - Number(isOwed(a)));
  return (
    <>
      <ul className="mt-2 border-t border-rule">
        {sorted.map((debt) => {
          const open = isOwed(debt);
          return (
            <li key={debt.id} className="flex items-center justify-between gap-3 border-b border-hair py-1.5">
              <span className={open ? '' : 'text-ink-2'}>
                <b>
                  {debt.count > 1 && <span className="figures">{debt.count} × </span>}
                  {debt.name}
                </b>
                <span className="block text-sm text-ink-2">
                  {[
                    debt.side,
                    debt.lengthMm === undefined ? '' : `${debt.lengthMm} mm`,
                    debt.note,
                    open
                      ? say('must be {endText}{which}{which2}', {
                          endText: END_TEXT[debt.end],
                          which: debt.movesTo ? say(' to {movesTo}', { movesTo: debt.movesTo }) : '',
                          which2: debt.printed ? `, ${debt.printed}` : '',
                        })
                      : [...new Set(debt.ends.map(({ end }) => END_TEXT[end]))].join(', '),
                    open && debt.ended > 0 ? say('{count} left', { count: debt.count - debt.ended }) : '',
                  ]
                    .filter(Boolean)
                    .join(', ')}
                </span>
              </span>
              {open && !state.closed && (
                <Button onClick={() => setClosing(debt)}>
                  {tell('Ends{name}', { name: <span className="sr-only">: {debt.name}</span> })}
                </Button>
              )}
            </li>
          );
        })}
      </ul>
      {closing && <CloseDebt key={closing.id} debt={closing} onClose={() => setClosing(undefined)} />}
    </>
  );
}

function CloseDebt({ debt, onClose }: { debt: Debt; onClose: () => void }) {
  const { give } = useOpenJob();
  const left = debt.count - debt.ended;
  const [count, setCount] = useState(String(left));
  const [end, setEnd] = useState<DebtEnd>(debt.end);
  const [note, setNote] = useState('');
  const [fresh, setFresh] = useState(false);
  const ends = debt.end === 'cleared' ? (['cleared'] as const) : REMOVED_ENDS;
  return (
    <Sheet
      open
      onClose={onClose}
      title={debt.name}
      description={say('Planned: {endText}. {left} owed.', { endText: END_TEXT[debt.end], left })}
    >
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          give({
            type: 'closeDebt',
            debt: debt.id,
            count: Number(count),
            end,
            ...(note.trim() ? { note: note.trim() } : {}),
            ...(fresh ? { newPieces: true } : {}),
          });
          onClose();
        }}
      >
        <EndChoice ends={ends} end={end} onChoose={setEnd} />
        {left > 1 && (
          <label className="flex items-center gap-3">
            {say('How many')}
            <input
              className="figures min-h-14 w-24 border-2 border-ink bg-sheet px-3 text-xl"
              inputMode="numeric"
              value={count}
              onChange={(event) => setCount(event.target.value)}
            />
          </label>
        )}
        {debt.asks.includes('newPiece') && (
          <label className="flex min-h-11 items-center gap-3">
            <input
              type="checkbox"
              className="h-6 w-6"
              checked={fresh}
              onChange={(event) => setFresh(event.target.checked)}
            />
            {say('A new one goes in: it is used once only')}
          </label>
        )}
        {end !== debt.end && (
          <label className="grid gap-1">
            <span className="font-bold">{tell('Why not {endText}', { endText: END_TEXT[debt.end] })}</span>
            <input
              className="min-h-14 border-2 border-ink bg-sheet px-3"
              value={note}
              onChange={(event) => setNote(event.target.value)}
            />
          </label>
        )}
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={onClose}>{say('Leave it')}</Button>
          <Button type="submit" tone="primary" disabled={end !== debt.end && note.trim() === ''}>
            {say('It has ended')}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
