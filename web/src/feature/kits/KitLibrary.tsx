import { type FormEvent, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import { blankKit } from '#core/kit/blank-kit.ts';
import { TopBar } from '../../app/TopBar.tsx';
import { api, call } from '../../shop/api.ts';
import { useChange, useDrafts, useLibrary } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';
import { ImportKit } from '../receive/ImportKit.tsx';
import { idFrom } from './kit-id.ts';
import { OfferedKits } from './OfferedKits.tsx';

const LINK = 'inline-flex min-h-14 items-center justify-center border-2 border-ink bg-sheet px-4 font-bold';

/** The kits a shop has: what is being written, and what is released. */
export default function KitLibrary() {
  const { data: kits, failure: noKits, reload } = useLibrary();
  const { data: drafts = [], failure: noDrafts, reload: reloadDrafts } = useDrafts();
  const { act, failure: unsent } = useChange('drafts');
  const failure = unsent ?? noKits ?? noDrafts;
  const load = () => Promise.all([reload(), reloadDrafts()]);
  const [search, setSearch] = useState('');
  const [naming, setNaming] = useState(false);
  const navigate = useNavigate();
  const role = useSession((state) => state.session?.person.role);
  const mayWrite = role !== 'apprentice';
  const revise = async (id: string) => {
    if (await act(() => call(api['kit-library'][':id'].revise.$post({ param: { id } }))))
      void navigate(`/kits/drafts/${id}`);
  };
  if (!kits)
    return (
      <div className="flex h-dvh flex-col">
        <TopBar />
        {failure ? (
          <Notice
            title={say('The kits cannot be read')}
            detail={failure}
            action={say('Try again')}
            onAction={() => void load()}
          />
        ) : (
          <Notice title={say('One moment')} detail={say('Reading the kits.')} busy />
        )}
      </div>
    );
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const matches = (kit: { title: string; maker: string; id: string }) =>
    words.every((word) => `${kit.title} ${kit.maker} ${kit.id}`.toLowerCase().includes(word));
  const shown = kits.filter(matches);
  return (
    <div className="flex min-h-dvh flex-col bg-bench">
      <TopBar />
      <main className="mx-auto w-full max-w-6xl flex-1 px-5 py-4">
        <div className="flex flex-wrap items-center gap-3">
          <h1 className="plate mr-auto text-4xl">{say('Kits')}</h1>
          {mayWrite && (
            <>
              <Link
                to="/kits/read"
                className="inline-flex min-h-14 items-center border-2 border-paint bg-paint px-4 font-bold text-on-paint"
              >
                {say('Read a maker’s sheet')}
              </Link>
              <Button onClick={() => setNaming(true)}>{say('Start an empty kit')}</Button>
              <ImportKit onImported={() => void load()} />
            </>
          )}
        </div>
        {failure && (
          <p role="alert" className="mt-3 border-2 border-bad bg-sheet px-4 py-3 font-bold text-bad">
            {failure}
          </p>
        )}
        {drafts.length > 0 && (
          <section className="mt-5">
            <h2 className="plate text-2xl">{say('Being written')}</h2>
            <ul className="border-t-2 border-ink">
              {drafts.map((draft) => (
                <li key={draft.id} className="border-b border-rule">
                  <Link
                    to={`/kits/drafts/${draft.id}`}
                    className="flex min-h-16 flex-wrap items-center gap-x-5 px-2 py-2"
                  >
                    <span className="min-w-60 flex-1">
                      <b className="text-lg">{draft.title}</b>
                      <span className="block text-sm text-ink-2">{draft.maker}</span>
                    </span>
                    <span className="figures text-sm">{numberOf(draft.stations, 'station')}</span>
                    <span className="text-sm text-ink-2">
                      {draft.changedBy}, {shopFormat(draft.changedAtMs, 'd MMM HH:mm')}
                    </span>
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        )}
        <section className="mt-5">
          <div className="flex flex-wrap items-end justify-between gap-3">
            <h2 className="plate text-2xl">{say('Released')}</h2>
            <label className="flex items-center gap-2">
              <span className="text-sm text-ink-2">{say('Find')}</span>
              <input
                type="search"
                className="min-h-12 w-64 border-2 border-ink bg-sheet px-3"
                value={search}
                onChange={(event) => setSearch(event.target.value)}
              />
            </label>
          </div>
          <ul className="mt-2 border-t-2 border-ink">
            {shown.map((kit) => (
              <li key={kit.id} className="flex flex-wrap items-center gap-x-5 gap-y-2 border-b border-rule px-2 py-3">
                <span className="min-w-60 flex-1">
                  <Link to={`/kits/${kit.id}`} className="text-lg font-bold underline underline-offset-4">
                    {kit.title}
                  </Link>
                  <span className="block text-sm text-ink-2">
                    {kit.maker} ·{' '}
                    {say('{stations} in {groups}', {
                      stations: numberOf(kit.stations, 'station'),
                      groups: numberOf(kit.groups, 'group'),
                    })}
                    {kit.statedMinutes
                      ? say(' · {statedMinutes} min stated', { statedMinutes: kit.statedMinutes })
                      : ''}
                  </span>
                </span>
                <span className="figures text-sm">{tell('revision {revision}', { revision: kit.revision })}</span>
                <span className={`figures text-sm ${kit.errors > 0 ? 'font-bold text-bad' : 'text-ink-2'}`}>
                  {kit.errors > 0
                    ? say('errors: {errors}', { errors: kit.errors })
                    : kit.warnings > 0
                      ? say('warnings: {warnings}', { warnings: kit.warnings })
                      : say('no findings')}
                </span>
                <a className={LINK} href={`/api/kit-library/${kit.id}/revisions/${kit.revision}/file`} download>
                  {say('Export')}
                </a>
                {mayWrite && (
                  <Button onClick={() => void revise(kit.id)}>
                    {tell('Write revision {revision}', { revision: kit.revision + 1 })}
                  </Button>
                )}
              </li>
            ))}
            {shown.length === 0 && (
              <li className="px-2 py-5 text-ink-2">
                {kits.length === 0
                  ? say('No kit yet. Read a maker’s sheet, or add a kit file.')
                  : say('No kit matches “{search}”.', { search })}
              </li>
            )}
          </ul>
        </section>
        {mayWrite && <OfferedKits lead={role === 'lead'} matches={matches} />}
      </main>
      {naming && <NameKit onClose={() => setNaming(false)} />}
    </div>
  );
}

/** A kit from nothing: its title and maker. */
function NameKit({ onClose }: { onClose: () => void }) {
  const navigate = useNavigate();
  const [title, setTitle] = useState('');
  const [maker, setMaker] = useState('');
  const [missing, setMissing] = useState<string>();
  const { act, failure: unsent } = useChange('drafts');
  const failure = missing ?? unsent;
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (title.trim() === '' || maker.trim() === '') {
      setMissing(say('Give the kit a title and a maker.'));
      return;
    }
    const id = idFrom(title);
    setMissing(undefined);
    const document = blankKit(id, title.trim(), maker.trim());
    if (await act(() => call(api['kit-library'].drafts.$post({ json: { document } }))))
      void navigate(`/kits/drafts/${id}`);
  };
  return (
    <Sheet open onClose={onClose} title={say('Start an empty kit')}>
      <form onSubmit={submit} className="grid gap-4">
        <FormField id="kit-title" label={say('Title')}>
          <input
            id="kit-title"
            className={inputLook(failure)}
            value={title}
            onChange={(event) => setTitle(event.target.value)}
          />
        </FormField>
        <FormField id="kit-maker" label={say('Maker')} fault={failure}>
          <input
            id="kit-maker"
            className={inputLook(failure)}
            value={maker}
            onChange={(event) => setMaker(event.target.value)}
          />
        </FormField>
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={onClose}>{say('Leave it')}</Button>
          <Button type="submit" tone="primary">
            {say('Start')}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
