import { useState } from 'react';
import { BOOKS, type Book } from '#contract/moving-in/book.ts';
import type { MovedIn, TakenIn } from '#contract/moving-in/brought.ts';
import { BOOK_TEXT, BOOK_WHY } from '#contract/wording/en/moving-in.ts';
import { say } from '#contract/wording/say.ts';
import { api, call } from '../../../shop/api.ts';
import { useChange, useMovedIn } from '../../../shop/queries.ts';
import { saveFile } from '../../../shop/save-file.ts';
import { shopFormat } from '../../../shop/shop-time.ts';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';
import { BringKits } from './BringKits.tsx';
import { BringTable } from './BringTable.tsx';
import { MovingOut } from './MovingOut.tsx';

/** What an import changes of what else was read. */
const CHANGED = ['movedIn', 'settings', 'vehicles', 'crib', 'wrenches', 'shelf', 'people', 'kits', 'library'] as const;

/** Books of another program, one after the other; the last can be taken out again. */
export default function MovingIn() {
  const [book, setBook] = useState<Book>();
  const [taken, setTaken] = useState<TakenIn & { book: Book }>();
  const change = useChange(...CHANGED);
  const done = (given: TakenIn) => {
    if (book === undefined) return;
    setTaken({ ...given, book });
    setBook(undefined);
  };
  return (
    <div className="grid gap-8 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      <div className="grid content-start gap-5">
        {taken && <Taken taken={taken} onSeen={() => setTaken(undefined)} />}
        {book === undefined && (
          <section aria-label={say('What to bring')}>
            <h2 className="plate mb-1 text-3xl">{say('What do you bring along?')}</h2>
            <p className="mb-3 max-w-prose text-ink-2">
              {say(
                'As CSV out of any program, pasted, or as JSON. You see every line before anything is taken, and the last import can be taken out again.',
              )}
            </p>
            <ul className="border-t-2 border-ink">
              {BOOKS.map((name) => (
                <li key={name}>
                  <button
                    type="button"
                    className="grid min-h-16 w-full gap-x-4 border-b border-rule py-2 text-left sm:grid-cols-[13rem_1fr] sm:items-center"
                    onClick={() => {
                      setTaken(undefined);
                      setBook(name);
                    }}
                  >
                    <b className="text-lg underline decoration-2 underline-offset-4">{BOOK_TEXT[name]}</b>
                    <span className="text-sm text-ink-2">{BOOK_WHY[name]}</span>
                  </button>
                </li>
              ))}
            </ul>
          </section>
        )}
        {book === 'kits' && <BringKits change={change} onDone={done} onBack={() => setBook(undefined)} />}
        {book !== undefined && book !== 'kits' && (
          <BringTable key={book} book={book} change={change} onDone={done} onBack={() => setBook(undefined)} />
        )}
      </div>
      <div className="grid content-start gap-8">
        <History />
        <MovingOut />
      </div>
    </div>
  );
}

/** What the last import did; PINs of people are told here and nowhere else. */
function Taken({ taken, onSeen }: { taken: TakenIn & { book: Book }; onSeen: () => void }) {
  const { pins } = taken;
  return (
    <div role="status" className="border-4 border-paint bg-sheet p-4">
      <p className="text-lg">
        <b>{tell('{bookText}: {taken} brought in', { bookText: BOOK_TEXT[taken.book], taken: taken.taken })}</b>
        {taken.there > 0 && say(', {there} were here already', { there: taken.there })}.
      </p>
      {pins && (
        <>
          <p className="mt-2">
            {say('These PINs are shown once. Each person changes theirs under their initials, Settings.')}
          </p>
          <ul className="my-2 border-t border-rule">
            {pins.map(({ name, initials, pin }) => (
              <li key={initials} className="flex items-baseline gap-3 border-b border-hair py-1">
                <span className="figures w-12">{initials}</span>
                <span className="flex-1 break-words">{name}</span>
                <b className="figures text-2xl">{pin}</b>
              </li>
            ))}
          </ul>
        </>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        {pins && (
          <Button
            onClick={() =>
              saveFile('pins.txt', 'text/plain', pins.map(({ name, pin }) => `${name}: ${pin}`).join('\r\n'))
            }
          >
            {say('Save the PINs')}
          </Button>
        )}
        <Button tone="primary" onClick={onSeen}>
          {pins ? say('They were passed on') : say('Seen')}
        </Button>
      </div>
    </div>
  );
}

/** What was brought before; the last of it goes out again with one press. */
function History() {
  const { data: all, failure } = useMovedIn();
  const change = useChange(...CHANGED);
  const [asking, setAsking] = useState<MovedIn>();
  const last = all?.find(({ undoneAtMs }) => undoneAtMs === undefined);
  return (
    <section aria-label={say('Brought before')} className="content-start">
      <h2 className="plate text-3xl">{say('Brought before')}</h2>
      {failure && (
        <p role="alert" className="font-bold text-bad">
          {failure}
        </p>
      )}
      {all?.length === 0 && <p className="text-ink-2">{say('Nothing yet.')}</p>}
      <ul className="border-t-2 border-ink">
        {all?.map((entry) => (
          <li key={entry.id} className="border-b border-hair py-2">
            <span className={`block break-words ${entry.undoneAtMs ? 'text-ink-2 line-through' : ''}`}>
              <b>
                {entry.rows} · {BOOK_TEXT[entry.book]}
              </b>{' '}
              {entry.file}
            </span>
            <span className="block text-sm text-ink-2">
              {entry.byName}, {shopFormat(entry.atMs, 'd MMM yyyy HH:mm')}
              {entry.undoneAtMs &&
                say('; taken out by {undoneBy}, {shopFormat}', {
                  undoneBy: entry.undoneBy,
                  shopFormat: shopFormat(entry.undoneAtMs, 'd MMM yyyy HH:mm'),
                })}
            </span>
            {entry === last && asking !== entry && (
              <Button className="mt-2 min-h-11!" onClick={() => setAsking(entry)}>
                {say('Take it out again')}
              </Button>
            )}
            {entry === last && asking === entry && (
              <div className="mt-2 border-l-4 border-bad pl-3">
                <p>
                  {tell(
                    'All {rows} go out again, unless one of them is in use since. What is in use keeps the whole import.',
                    { rows: entry.rows },
                  )}
                </p>
                <div className="mt-2 flex gap-2">
                  <Button
                    tone="bad"
                    disabled={change.busy}
                    onClick={async () => {
                      const out = () => call(api['moving-in'][':id'].undo.$post({ param: { id: entry.id } }));
                      if (await change.act(out)) setAsking(undefined);
                    }}
                  >
                    {tell('Take out {rows}', { rows: entry.rows })}
                  </Button>
                  <Button
                    onClick={() => {
                      change.clearFailure();
                      setAsking(undefined);
                    }}
                  >
                    {say('Leave it')}
                  </Button>
                </div>
              </div>
            )}
          </li>
        ))}
      </ul>
      {change.failure && (
        <p role="alert" className="mt-2 font-bold text-bad">
          {change.failure}
        </p>
      )}
    </section>
  );
}
