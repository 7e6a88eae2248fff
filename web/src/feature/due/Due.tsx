import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { type DueItem, reportNote } from '#contract/due.ts';
import type { OwnerMessage } from '#contract/owner-message.ts';
import { dueWhenText, onDial, SETTLED_TEXT } from '#contract/wording/due-text.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import { dueState } from '#core/follow-up/expected-due.ts';
import { TopBar } from '../../app/TopBar.tsx';
import { api, call } from '../../shop/api.ts';
import { useChange, useDue, useMessages } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { shopDayStart, shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';
import { useNow } from '../../ui/use-now.ts';
import { partsByDay, partsByOwner } from './due-parts.ts';
import { Sent, WriteToOwner } from './Messages.tsx';
import { OpenRetorque } from './OpenRetorque.tsx';
import { SettleDue } from './SettleDue.tsx';

/** Most items of a part that are listed; a search finds the rest. */
const SHOWN = 100;

const matches = ({ vehicle, text, number }: DueItem, asked: string): boolean =>
  `${vehicle.plate} ${vehicle.make} ${vehicle.model} ${vehicle.owner} ${vehicle.contact ?? ''} ${text} ${number}`
    .toLowerCase()
    .includes(asked);

/** What owners are to come back for: by when it is likely to be, whose it is, and what became of it. */
export default function Due() {
  const { data, failure } = useDue();
  const change = useChange('due');
  const nowMs = useNow(60_000);
  const [params, setParams] = useSearchParams();
  const byOwner = params.get('by') === 'owner';
  const [query, setQuery] = useState('');
  const [settling, setSettling] = useState<DueItem>();
  const [settled, setSettled] = useState<DueItem>();
  const [again, setAgain] = useState<DueItem>();
  const [writing, setWriting] = useState<DueItem>();
  const { data: sent } = useMessages();
  const asked = query.trim().toLowerCase();
  const found = (data ?? []).filter((item) => matches(item, asked));
  const today = shopDayStart(nowMs);
  const parts = byOwner ? partsByOwner(found, today) : partsByDay(found, today);
  const open = (data ?? []).filter((item) => !item.settled);
  const takeAsDone = async (item: DueItem) => {
    const { job, care, reported } = item;
    if (!reported) return;
    const { odometerKm } = reported;
    const json = {
      job,
      care,
      how: 'elsewhere' as const,
      note: reportNote(reported),
      ...(odometerKm === undefined ? {} : { odometerKm }),
    };
    if (await change.act(() => call(api.due.settled.$post({ json })))) setSettled(item);
  };
  const takeBack = async ({ job, care }: DueItem) => {
    if (await change.act(() => call(api.due.settled.$post({ json: { job, care, how: 'open' } }))))
      setSettled(undefined);
  };
  return (
    <div className="flex min-h-dvh flex-col">
      <TopBar />
      <main className="flex-1 bg-bench px-5 py-4">
        <div className="flex flex-wrap items-end justify-between gap-4">
          <h1 className="plate text-3xl">{say('Due')}</h1>
          <div className="flex gap-2">
            {['csv', 'ics'].map((kind) => (
              <a
                key={kind}
                href={`/api/due/due.${kind}`}
                download
                className="flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold"
              >
                {kind === 'csv' ? 'CSV' : say('Calendar')}
              </a>
            ))}
          </div>
        </div>
        <div className="mt-3 flex flex-wrap items-end gap-3">
          <div className="min-w-64 flex-1 sm:max-w-xl">
            {' '}
            <label htmlFor="find-due" className="block font-bold">
              {say('Plate, owner or work')}
            </label>
            <input
              id="find-due"
              type="search"
              autoComplete="off"
              className="figures min-h-14 w-full border-2 border-ink bg-sheet px-3 text-xl"
              value={query}
              onChange={(event) => setQuery(event.target.value)}
            />
          </div>
          <div className="flex gap-2">
            {[
              [say('By day'), false],
              [say('By owner'), true],
            ].map(([title, owner]) => (
              <Button
                key={String(title)}
                tone={owner === byOwner ? 'dark' : 'plain'}
                aria-pressed={owner === byOwner}
                onClick={() => setParams(owner ? { by: 'owner' } : {}, { replace: true })}
              >
                {title}
              </Button>
            ))}
          </div>
        </div>
        {(failure ?? change.failure) && (
          <p role="alert" className="mt-3 font-bold text-bad">
            {failure ?? change.failure}
          </p>
        )}
        {settled && (
          <div role="status" className="mt-3 flex flex-wrap items-center gap-3 border-4 border-paint bg-sheet p-3">
            <p className="flex-1 break-words">
              {tell('{plate}: {text} is settled.', { plate: <b>{settled.vehicle.plate}</b>, text: settled.text })}
            </p>
            <Button disabled={change.busy} onClick={() => void takeBack(settled)}>
              {say('Take it back')}
            </Button>
          </div>
        )}
        {!data && !failure && <p className="mt-4 text-ink-2">{say('Working it out.')}</p>}
        {data && open.length === 0 && asked === '' && (
          <p className="mt-4 max-w-prose text-ink-2">
            {say(
              'Nobody is to come back for anything. What a sheet or the shop wants looked at again stands here once its job is signed, with the day it is likely to be.',
            )}
          </p>
        )}
        {data && asked !== '' && found.length === 0 && (
          <p className="mt-4 text-ink-2">{say('Nothing due answers to that.')}</p>
        )}
        {parts.slice(0, SHOWN).map(({ key, title, late, items }) => (
          <section key={key} aria-label={title} className="mt-5">
            <h2 className={`plate border-b-2 border-ink text-2xl break-words ${late ? 'text-bad' : ''}`}>
              {title} <span className="text-ink-2">{items.length}</span>
            </h2>
            <ul>
              {items.slice(0, SHOWN).map((item) => (
                <Item
                  key={`${item.job} ${item.care}`}
                  item={item}
                  underOwner={byOwner}
                  late={byOwner && dueState(item.expected, today) === 'overdue'}
                  onSettle={() => setSettling(item)}
                  onTake={() => void takeAsDone(item)}
                  onAgain={() => setAgain(item)}
                  onWrite={() => setWriting(item)}
                  messages={(sent ?? []).filter(({ job, care }) => job === item.job && care === item.care)}
                />
              ))}
            </ul>
            {items.length > SHOWN && (
              <p className="py-2 text-ink-2">
                {tell('{numberOf} not shown: search for a plate or an owner, or take the CSV.', {
                  numberOf: numberOf(items.length - SHOWN, 'more'),
                })}
              </p>
            )}
          </section>
        ))}
        {parts.length > SHOWN && (
          <p className="py-2 text-ink-2">
            {tell('{numberOf} not shown: search, or take the CSV.', {
              numberOf: numberOf(parts.length - SHOWN, 'more'),
            })}
          </p>
        )}
      </main>
      {writing && <WriteToOwner item={writing} onClose={() => setWriting(undefined)} />}
      {again && <OpenRetorque item={again} onClose={() => setAgain(undefined)} />}
      {settling && (
        <SettleDue
          item={settling}
          onClose={() => setSettling(undefined)}
          onSettled={() => {
            setSettled(settling);
            setSettling(undefined);
          }}
        />
      )}
    </div>
  );
}

/** A day as it is written on the list; of another year with that year. */
const dayOf = (atMs: number, thisYear: string): string =>
  shopFormat(atMs, shopFormat(atMs, 'yyyy') === shopFormat(Date.now(), 'yyyy') ? thisYear : 'd MMM yyyy');

/** What no bolt is pulled for. */
const NO_PULL: ReadonlySet<string> = new Set(['alignment', 'grease']);

function Item({
  item,
  underOwner,
  late,
  onSettle,
  onTake,
  onAgain,
  onWrite,
  messages,
}: {
  item: DueItem;
  /** The heading names the owner already. */
  underOwner: boolean;
  /** Says of itself that it is overdue, where no heading does. */
  late: boolean;
  onSettle: () => void;
  onTake: () => void;
  onAgain: () => void;
  onWrite: () => void;
  messages: readonly OwnerMessage[];
}) {
  const { vehicle, expected, settled } = item;
  const apprentice = useSession((state) => state.session?.person.role === 'apprentice');
  return (
    <li className="grid gap-x-4 gap-y-1 border-b border-hair py-3 sm:grid-cols-[9rem_1fr]">
      <p className="figures text-lg">
        {settled ? shopFormat(settled.atMs, 'd MMM yyyy') : expected ? dayOf(expected.expectedMs, 'EEE d MMM') : '—'}
        {late && <b className="block font-sans text-sm text-bad">{say('overdue')}</b>}
      </p>
      <div className="min-w-0 gap-6 lg:grid lg:grid-cols-[minmax(0,1fr)_auto] lg:items-start">
        <div className="min-w-0">
          <p className="break-words">
            <Link to={`/vehicles/${vehicle.id}`} className="font-bold underline">
              {vehicle.plate}
            </Link>{' '}
            {vehicle.make} {vehicle.model}
            {!underOwner && ` · ${vehicle.owner}`}
            {!underOwner && vehicle.contact && <span className="text-ink-2"> · {vehicle.contact}</span>}
          </p>
          <p className="break-words">{item.text}</p>
          <p className="text-sm text-ink-2">
            {settled ? (
              <>
                {SETTLED_TEXT[settled.how]}, {settled.by}
                {settled.note ? `: ${settled.note}` : ''}
              </>
            ) : (
              dueWhenText(item, (atMs) => dayOf(atMs, 'd MMM'))
            )}{' '}
            <Link to={`/jobs/${item.job}/record`} className="underline">
              {tell('Job {number}', { number: item.number })}
            </Link>
          </p>
          {item.reported && <Reported item={item} reported={item.reported} onTake={apprentice ? undefined : onTake} />}
          {messages.map((message) => (
            <Sent key={message.id} message={message} mayChange={!apprentice} />
          ))}
        </div>
        {!apprentice && (
          <div className="mt-2 flex flex-wrap gap-2 lg:mt-0">
            {!settled && !NO_PULL.has(item.about ?? '') && <Button onClick={onAgain}>{say('Pull it again')}</Button>}
            {!settled && <Button onClick={onWrite}>{say('Write to the owner')}</Button>}
            <Button onClick={onSettle}>{settled ? say('Change') : say('What became of it')}</Button>
          </div>
        )}
      </div>
    </li>
  );
}

/** What the owner said of it by their link: the shop takes it as done, or does not. */
function Reported({
  item,
  reported,
  onTake,
}: {
  item: DueItem;
  reported: NonNullable<DueItem['reported']>;
  onTake?: () => void;
}) {
  const { doneOn, odometerKm, note, photo, atMs } = reported;
  return (
    <div className="mt-2 flex flex-wrap items-center gap-3 border-l-4 border-paint bg-sheet p-2">
      <p className="min-w-40 flex-1 break-words">
        {tell('The owner reported it done elsewhere on {doneOn}{odometerKm}{note}  {shopFormat}', {
          doneOn,
          odometerKm:
            odometerKm !== undefined && say(' at {onDial}', { onDial: onDial(odometerKm, item.vehicle.odometerUnit) }),
          note: note && `: ${note}`,
          shopFormat: <span className="text-sm text-ink-2">({shopFormat(atMs, 'd MMM HH:mm')})</span>,
        })}{' '}
        {photo && (
          <a className="underline" href={`/api/jobs/${item.job}/photos/${photo}`} target="_blank" rel="noreferrer">
            {say('Photo')}
          </a>
        )}
      </p>
      {onTake && <Button onClick={onTake}>{say('Take it as done')}</Button>}
    </div>
  );
}
