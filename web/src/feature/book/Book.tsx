import { type FormEvent, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { BOOK_PAGE, type BookPull, type BookSearch } from '#contract/book.ts';
import { VERDICT_TEXT } from '#contract/wording/en/terms.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import { showTorqueIn, written } from '#core/quantity/display.ts';
import { PULL_VERDICTS } from '#core/tightening/judge-pull.ts';
import { TopBar } from '../../app/TopBar.tsx';
import { useBook, useCribRead, useKits } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { KitField } from '../../ui/KitField.tsx';
import { tell } from '../../ui/tell.ts';
import { KitPages } from './KitPages.tsx';
import { WrenchPages } from './WrenchPages.tsx';

/** Everything ever pulled, and what it says of a kit and of a wrench. */
export default function Book() {
  const [params, setParams] = useSearchParams();
  const kit = params.get('kit') ?? undefined;
  const wrench = params.get('wrench') ?? undefined;
  const parts = [
    { title: say('Every pull'), open: kit === undefined && wrench === undefined, to: '' },
    { title: say('A kit'), open: kit !== undefined, to: 'kit=' },
    { title: say('A wrench'), open: wrench !== undefined, to: 'wrench=' },
  ];
  return (
    <div className="flex min-h-dvh flex-col">
      <TopBar />
      <main className="flex-1 bg-bench px-5 py-4">
        <div className="flex flex-wrap items-end justify-between gap-3">
          <h1 className="plate text-3xl">{say('Book')}</h1>
          <div className="flex gap-2">
            {parts.map(({ title, open, to }) => (
              <Button key={title} tone={open ? 'dark' : 'plain'} aria-pressed={open} onClick={() => setParams(to)}>
                {title}
              </Button>
            ))}
          </div>
        </div>
        {kit !== undefined ? (
          <OfKit kit={kit} onKit={(id) => setParams({ kit: id })} />
        ) : wrench !== undefined ? (
          <OfWrench wrench={wrench} onWrench={(id) => setParams({ wrench: id })} />
        ) : (
          <Pulls />
        )}
      </main>
    </div>
  );
}

const dayMs = (day: string, end: boolean): number | undefined => {
  const ms = Date.parse(`${day}T${end ? '23:59:59' : '00:00:00'}`);
  return Number.isNaN(ms) ? undefined : ms;
};

type Asked = Pick<BookSearch, 'words' | 'verdict' | 'from' | 'to'>;

function Pulls() {
  const [words, setWords] = useState('');
  const [verdict, setVerdict] = useState('');
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const [asked, setAsked] = useState<Asked>({ words: '' });
  const { pulls, more, behind, failure, busy, next } = useBook(asked);
  const lead = useSession((state) => state.session?.person.role === 'lead');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const [fromMs, toMs] = [dayMs(from, false), dayMs(to, true)];
    setAsked({
      words: words.trim(),
      ...(verdict ? { verdict: verdict as Asked['verdict'] } : {}),
      ...(fromMs === undefined ? {} : { from: fromMs }),
      ...(toMs === undefined ? {} : { to: toMs }),
    });
  };
  const query = new URLSearchParams(
    Object.entries(asked).flatMap(([name, value]) => (value === undefined ? [] : [[name, String(value)]])),
  ).toString();
  return (
    <>
      <form onSubmit={submit} className="mt-3 grid max-w-5xl gap-3 sm:grid-cols-[2fr_1fr_1fr_1fr_auto] sm:items-end">
        <FormField
          id="book-words"
          label={say('Plate, owner, kit, station or wrench{which}', { which: lead ? say(', or person') : '' })}
        >
          <input
            id="book-words"
            type="search"
            maxLength={200}
            autoComplete="off"
            className={`figures ${inputLook(undefined)}`}
            value={words}
            onChange={(event) => setWords(event.target.value)}
          />
        </FormField>
        <FormField id="book-verdict" label={say('Verdict')}>
          <select
            id="book-verdict"
            className={inputLook(undefined)}
            value={verdict}
            onChange={(event) => setVerdict(event.target.value)}
          >
            <option value="">{say('any')}</option>
            {PULL_VERDICTS.map((one) => (
              <option key={one} value={one}>
                {VERDICT_TEXT[one]}
              </option>
            ))}
          </select>
        </FormField>
        <FormField id="book-from" label={say('From')}>
          <input
            id="book-from"
            type="date"
            className={inputLook(undefined)}
            value={from}
            onChange={(event) => setFrom(event.target.value)}
          />
        </FormField>
        <FormField id="book-to" label={say('To')}>
          <input
            id="book-to"
            type="date"
            className={inputLook(undefined)}
            value={to}
            onChange={(event) => setTo(event.target.value)}
          />
        </FormField>
        <Button type="submit" tone="primary">
          {say('Find')}
        </Button>
      </form>
      {failure && (
        <p role="alert" className="mt-3 font-bold text-bad">
          {failure}
        </p>
      )}
      <div className="mt-4 flex flex-wrap items-center justify-between gap-3">
        <p role="status" className="text-ink-2">
          {busy && !pulls
            ? say('Looking it up.')
            : behind > 0
              ? say('{numberOf} more are still being written into the book.', { numberOf: numberOf(behind, 'job') })
              : ''}
        </p>
        <a
          className="flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold"
          href={`/api/book/pulls.csv?${query}`}
          download
        >
          {say('CSV of all')}
        </a>
      </div>
      {pulls?.length === 0 && <p className="text-ink-2">{say('No pull answers to that.')}</p>}
      {pulls && pulls.length > 0 && (
        <div className="overflow-x-auto">
          <table className="w-full min-w-200 border-t-2 border-ink text-left">
            <thead className="text-sm text-ink-2">
              <tr>
                <th className="py-1 font-normal">{say('When')}</th>
                <th className="font-normal">{say('Vehicle')}</th>
                <th className="font-normal">{say('Kit and joint')}</th>
                <th className="font-normal">{say('Pulled')}</th>
                <th className="font-normal">{say('Band')}</th>
                <th className="font-normal">{say('Wrench, who')}</th>
              </tr>
            </thead>
            <tbody>
              {pulls.map((pull) => (
                <PullRow key={`${pull.job} ${pull.id}`} pull={pull} />
              ))}
            </tbody>
          </table>
        </div>
      )}
      {more && (
        <Button className="mt-3" disabled={busy} onClick={next}>
          {busy ? say('Looking it up') : say('The next {bookPage}', { bookPage: BOOK_PAGE })}
        </Button>
      )}
    </>
  );
}

function PullRow({ pull }: { pull: BookPull }) {
  const { atMs, vehicle, kit, station, torqueNm, minNm, maxNm, verdict, stands, wrench, person, job, number } = pull;
  return (
    <tr className={`border-t border-hair align-top ${stands ? '' : 'text-ink-2'}`}>
      <td className="figures py-2 pr-3 text-sm whitespace-nowrap">{shopFormat(atMs, 'd MMM yyyy HH:mm')}</td>
      <td className="pr-3">
        <Link className="font-bold underline" to={`/vehicles/${vehicle.id}`}>
          {vehicle.plate || say('no plate')}
        </Link>
        <span className="block text-sm text-ink-2">{vehicle.model}</span>
      </td>
      <td className="max-w-80 pr-3 break-words">
        {station}
        <span className="block text-sm text-ink-2">
          {tell('{title}, revision {revision} · {link}', {
            title: kit.title,
            revision: kit.revision,
            link: (
              <Link className="underline" to={`/jobs/${job}/record`}>
                {tell('Job {number}', { number })}
              </Link>
            ),
          })}
        </span>
      </td>
      <td
        className={`figures pr-3 whitespace-nowrap ${verdict === 'accepted' ? '' : 'font-bold text-bad'} ${stands ? '' : 'line-through'}`}
      >
        {showTorqueIn(torqueNm, 'N·m').number} N·m
        <span className="block text-sm text-ink-2">{showTorqueIn(torqueNm, 'lbf·ft').number} lbf·ft</span>
        {verdict !== 'accepted' && <span className="block font-sans text-sm">{VERDICT_TEXT[verdict]}</span>}
      </td>
      <td className="figures pr-3 text-sm whitespace-nowrap">
        {written(minNm, 1)} – {maxNm?.toFixed(1) ?? say('open')}
      </td>
      <td className="text-sm">
        {wrench}
        <span className="block text-ink-2">{person}</span>
      </td>
    </tr>
  );
}

function OfKit({ kit, onKit }: { kit: string; onKit: (id: string) => void }) {
  const { data: kits, failure } = useKits();
  const [revision, setRevision] = useState('');
  const number = Number(revision);
  return (
    <>
      <div className="mt-3 grid max-w-3xl gap-3 sm:grid-cols-2">
        <KitField id="book-kit" kits={kits} kit={kit} onKit={onKit} />
        <FormField id="book-revision" label={say('Revision, empty for all')}>
          <input
            id="book-revision"
            type="number"
            min={1}
            className={inputLook(undefined)}
            value={revision}
            onChange={(event) => setRevision(event.target.value)}
          />
        </FormField>
      </div>
      {failure && (
        <p role="alert" className="mt-3 font-bold text-bad">
          {failure}
        </p>
      )}
      {kit !== '' && <KitPages kit={kit} revision={number > 0 ? number : undefined} />}
    </>
  );
}

function OfWrench({ wrench, onWrench }: { wrench: string; onWrench: (id: string) => void }) {
  const { data: crib, failure } = useCribRead();
  return (
    <>
      <div className="mt-3 max-w-md">
        <FormField id="book-wrench" label={say('Wrench')}>
          <select
            id="book-wrench"
            className={inputLook(undefined)}
            value={wrench}
            onChange={(event) => onWrench(event.target.value)}
          >
            <option value="">{say('which?')}</option>
            {(crib?.wrenches ?? []).map(({ id, label }) => (
              <option key={id} value={id}>
                {label}
              </option>
            ))}
          </select>
        </FormField>
      </div>
      {failure && (
        <p role="alert" className="mt-3 font-bold text-bad">
          {failure}
        </p>
      )}
      {wrench !== '' && <WrenchPages wrench={wrench} />}
    </>
  );
}
