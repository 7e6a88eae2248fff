import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import type { RecallBy, RecallHit, RecallTold } from '#contract/recall.ts';
import { stopText } from '#contract/wording/en/message.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import { TopBar } from '../../app/TopBar.tsx';
import { api, call } from '../../shop/api.ts';
import { useChange, useKits, useRecall, useWrenches } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { KitField } from '../../ui/KitField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';

const BY_TEXT: Record<RecallBy['by'], string> = {
  kit: say('A kit'),
  class: 'A class of bolts',
  wrench: say('A wrench'),
  lot: say('A bottle’s lot'),
};
const DAY_MS = 86_400_000;
const YEAR_DAYS = 365;
/** Most vehicles that are listed; the CSV has them all. */
const SHOWN = 200;

const dayOf = (atMs: number): string => new Date(atMs).toLocaleDateString('sv');
const query = (by: RecallBy): string =>
  new URLSearchParams(Object.entries(by).map(([name, value]) => [name, String(value)])).toString();

/** Vehicles that carry something that turned out wrong: found by it, listed, their owners told. */
export default function Recall() {
  const [by, setBy] = useState<RecallBy>();
  const { data: hits, failure } = useRecall(by);
  const [telling, setTelling] = useState(false);
  const [told, setTold] = useState<RecallTold>();
  const lead = useSession((state) => state.session?.person.role === 'lead');
  const vehicles = new Set(hits?.map(({ vehicle }) => vehicle.id));
  const here = hits?.filter(({ closedAtMs }) => closedAtMs === undefined).length ?? 0;
  return (
    <div className="flex min-h-dvh flex-col">
      <TopBar />
      <main className="flex-1 bg-bench px-5 py-4">
        <h1 className="plate text-3xl">{say('Call back')}</h1>
        <p className="max-w-prose text-ink-2">
          {say(
            'Every vehicle that carries what turned out wrong: a kit’s revision, a class of bolts, a lot of a bottle, or what a wrench pulled while it was out.',
          )}
        </p>
        <Search
          onSearch={(asked) => {
            setBy(asked);
            setTold(undefined);
          }}
        />
        {failure && (
          <p role="alert" className="mt-3 font-bold text-bad">
            {failure}
          </p>
        )}
        {by && !hits && !failure && <p className="mt-4 text-ink-2">{say('Looking through every record.')}</p>}
        {told && <Told told={told} />}
        {by && hits && (
          <section aria-label={say('Vehicles')} className="mt-5">
            <div className="flex flex-wrap items-end justify-between gap-3 border-b-2 border-ink pb-2">
              <h2 className="plate text-2xl">
                {numberOf(vehicles.size, 'vehicle')}
                {here > 0 && <span className="text-bad"> {tell('· {here} in the shop now', { here })}</span>}
              </h2>
              {hits.length > 0 && (
                <span className="flex flex-wrap gap-2">
                  <a
                    className="flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold"
                    href={`/api/recalls/vehicles.csv?${query(by)}`}
                    download
                  >
                    {say('CSV')}
                  </a>
                  {lead && <Button onClick={() => setTelling(true)}>{say('Write to all owners')}</Button>}
                </span>
              )}
            </div>
            {hits.length === 0 && <p className="py-3 text-ink-2">{say('No visit of this shop answers to that.')}</p>}
            <ul>
              {hits.slice(0, SHOWN).map((hit) => (
                <Hit key={hit.job} hit={hit} />
              ))}
            </ul>
            {hits.length > SHOWN && (
              <p className="py-2 text-ink-2">
                {tell('{numberOf} not shown: take the CSV.', { numberOf: numberOf(hits.length - SHOWN, 'more visit') })}
              </p>
            )}
          </section>
        )}
      </main>
      {telling && by && (
        <Tell
          by={by}
          vehicles={vehicles.size}
          onClose={() => setTelling(false)}
          onTold={(outcome) => {
            setTelling(false);
            setTold(outcome);
          }}
        />
      )}
    </div>
  );
}

function Search({ onSearch }: { onSearch: (by: RecallBy) => void }) {
  const { data: kits } = useKits();
  const { data: wrenches } = useWrenches();
  const [way, setWay] = useState<RecallBy['by']>('kit');
  const [kit, setKit] = useState('');
  const [revision, setRevision] = useState('');
  const [propertyClass, setPropertyClass] = useState('');
  const [thread, setThread] = useState('');
  const [wrench, setWrench] = useState('');
  const [from, setFrom] = useState(() => dayOf(Date.now() - YEAR_DAYS * DAY_MS));
  const [to, setTo] = useState(() => dayOf(Date.now()));
  const [lot, setLot] = useState('');
  const asked = (): RecallBy | undefined => {
    if (way === 'kit') {
      const number = Number(revision);
      return kit ? { by: 'kit', kit, ...(number > 0 ? { revision: number } : {}) } : undefined;
    }
    if (way === 'class')
      return propertyClass.trim()
        ? { by: 'class', propertyClass: propertyClass.trim(), ...(thread.trim() ? { thread: thread.trim() } : {}) }
        : undefined;
    if (way === 'lot') return lot.trim() ? { by: 'lot', lot: lot.trim() } : undefined;
    const [fromMs, toMs] = [Date.parse(`${from}T00:00:00`), Date.parse(`${to}T23:59:59`)];
    return wrench && fromMs <= toMs ? { by: 'wrench', wrench, from: fromMs, to: toMs } : undefined;
  };
  const wanted = asked();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (wanted) onSearch(wanted);
  };
  const field = (id: string, label: string, value: string, set: (to: string) => void, type = 'text') => (
    <FormField id={id} label={label}>
      <input
        id={id}
        type={type}
        autoComplete="off"
        className={inputLook(undefined)}
        value={value}
        onChange={(event) => set(event.target.value)}
      />
    </FormField>
  );
  return (
    <form onSubmit={submit} className="mt-3 grid max-w-3xl gap-3">
      <fieldset className="grid grid-cols-2 gap-2 sm:grid-cols-4">
        <legend className="font-bold">{say('By')}</legend>
        {(Object.keys(BY_TEXT) as Array<RecallBy['by']>).map((one) => (
          <Button
            key={one}
            tone={way === one ? 'dark' : 'plain'}
            aria-pressed={way === one}
            onClick={() => setWay(one)}
          >
            {BY_TEXT[one]}
          </Button>
        ))}
      </fieldset>
      <div className="grid gap-3 sm:grid-cols-3">
        {way === 'kit' && (
          <>
            <KitField id="recall-kit" kits={kits} kit={kit} onKit={setKit} />
            {field('recall-revision', say('Revision, empty for all'), revision, setRevision, 'number')}
          </>
        )}
        {way === 'class' && (
          <>
            {field('recall-class', say('Property class, as 10.9'), propertyClass, setPropertyClass)}
            {field('recall-thread', say('Thread, empty for all'), thread, setThread)}
          </>
        )}
        {way === 'lot' && field('recall-lot', say('Lot'), lot, setLot)}
        {way === 'wrench' && (
          <>
            <FormField id="recall-wrench" label={say('Wrench')}>
              <select
                id="recall-wrench"
                className={inputLook(undefined)}
                value={wrench}
                onChange={(event) => setWrench(event.target.value)}
              >
                <option value="">{say('which?')}</option>
                {wrenches?.map(({ id, label }) => (
                  <option key={id} value={id}>
                    {label}
                  </option>
                ))}
              </select>
            </FormField>
            {field('recall-from', say('Out from'), from, setFrom, 'date')}
            {field('recall-to', 'to', to, setTo, 'date')}
          </>
        )}
      </div>
      <Button type="submit" tone="primary" className="justify-self-start" disabled={!wanted}>
        {say('Find the vehicles')}
      </Button>
    </form>
  );
}

function Hit({ hit }: { hit: RecallHit }) {
  const { vehicle, what, number, job, openedAtMs, closedAtMs } = hit;
  return (
    <li className="grid gap-x-4 border-b border-hair py-3 sm:grid-cols-[9rem_1fr]">
      <p className="figures text-lg">{shopFormat(closedAtMs ?? openedAtMs, 'd MMM yyyy')}</p>
      <div className="min-w-0">
        <p className="break-words">
          <Link to={`/vehicles/${vehicle.id}`} className="font-bold underline">
            {vehicle.plate || say('no plate')}
          </Link>{' '}
          {vehicle.make} {vehicle.model} · {vehicle.owner}
          {vehicle.contact && <span className="text-ink-2"> · {vehicle.contact}</span>}
        </p>
        <p className="break-words">{what}</p>
        <p className="text-sm text-ink-2">
          {closedAtMs === undefined && <b className="text-bad">{say('In the shop: the job is open.')} </b>}
          <Link to={`/jobs/${job}/record`} className="underline">
            {tell('Job {number}', { number })}
          </Link>
        </p>
      </div>
    </li>
  );
}

function Tell({
  by,
  vehicles,
  onClose,
  onTold,
}: {
  by: RecallBy;
  vehicles: number;
  onClose: () => void;
  onTold: (told: RecallTold) => void;
}) {
  const change = useChange('messages');
  const [text, setText] = useState(
    `${say('Please call us before you drive on: we have to look at your vehicle again.')} ${stopText()}`,
  );
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    await change.act(async () => onTold(await call(api.recalls.messages.$post({ json: { by, text: text.trim() } }))));
  };
  return (
    <Sheet
      open
      onClose={onClose}
      title={say('Write to all owners')}
      description={say('One message for each of {numberOf}; who was told of this before is not told again.', {
        numberOf: numberOf(vehicles, 'vehicle'),
      })}
    >
      <form onSubmit={submit} className="grid gap-4">
        <FormField id="recall-text" label={say('Text')} hint={say('Say what is wrong and what the owner is to do.')}>
          <textarea
            id="recall-text"
            rows={6}
            maxLength={1000}
            className={inputLook(undefined)}
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        </FormField>
        {change.failure && (
          <p role="alert" className="font-bold text-bad">
            {change.failure}
          </p>
        )}
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={onClose}>{say('Not now')}</Button>
          <Button type="submit" tone="primary" disabled={change.busy || text.trim() === ''}>
            {say('Send to all')}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}

function Told({ told: { sent, noAddress, refused, before } }: { told: RecallTold }) {
  return (
    <div role="status" className="mt-3 border-4 border-paint bg-sheet p-3">
      <p className="font-bold">
        {tell('{numberOf} in the outbox{which}.', {
          numberOf: numberOf(sent, 'message'),
          which: before > 0 ? say(', {before} told before', { before }) : '',
        })}
      </p>
      {noAddress.length > 0 && (
        <p className="break-words">
          {tell('No way to write to, so call: {noAddress}.', { noAddress: noAddress.join('; ') })}
        </p>
      )}
      {refused.length > 0 && (
        <p className="break-words">{tell('Want no messages, so call: {refused}.', { refused: refused.join('; ') })}</p>
      )}
    </div>
  );
}
