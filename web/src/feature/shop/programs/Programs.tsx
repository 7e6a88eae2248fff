import { useState } from 'react';
import type { HookCard, KeyCard } from '#contract/outside.ts';
import { SCOPE_TEXT, TOLD_TEXT } from '#contract/wording/en/outside.ts';
import { say } from '#contract/wording/say.ts';
import { api, call } from '../../../shop/api.ts';
import { type Change, useChange, usePrograms } from '../../../shop/queries.ts';
import { shopFormat } from '../../../shop/shop-time.ts';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';
import { ProveSheet } from '../ProveSheet.tsx';
import { HookForm, KeyForm } from './ProgramForms.tsx';

/** What was made and is told once. */
interface Told {
  what: string;
  secret: string;
}

/** How often the list is looked at while it is open: tellings come and go by themselves. */
const LOOK_EVERY_MS = 5000;

/** Other programs: keys that open visits, and listeners that are told of them. */
export default function Programs() {
  const { data, failure } = usePrograms(LOOK_EVERY_MS);
  const change = useChange('programs', 'settings');
  const [form, setForm] = useState<'key' | 'hook'>();
  const [told, setTold] = useState<Told>();
  const keys = data?.keys.filter(({ revokedAtMs }) => revokedAtMs === undefined) ?? [];
  const hooks = data?.hooks.filter(({ offAtMs }) => offAtMs === undefined) ?? [];
  return (
    <div className="grid gap-8">
      {(failure ?? (form ? undefined : change.failure)) && (
        <p role="alert" className="font-bold text-bad">
          {failure ?? change.failure}
        </p>
      )}
      {told && (
        <div role="status" className="border-4 border-paint bg-sheet p-4">
          <p>{tell('{what}, shown once:', { what: <b className="break-words">{told.what}</b> })}</p>
          <p className="figures my-2 break-all text-lg font-bold">{told.secret}</p>
          <div className="flex flex-wrap gap-2">
            <Button onClick={() => void navigator.clipboard?.writeText(told.secret)}>{say('Copy')}</Button>
            <Button tone="primary" onClick={() => setTold(undefined)}>
              {say('It was passed on')}
            </Button>
          </div>
        </div>
      )}
      <div className="grid gap-8 lg:grid-cols-2">
        <section aria-label={say('Keys')} className="grid content-start gap-2">
          <div className="flex flex-wrap items-center justify-between gap-3">
            <h2 className="plate text-3xl">{say('Keys')}</h2>
            <Button tone="primary" onClick={() => setForm('key')}>
              {say('Make a key')}
            </Button>
          </div>
          <p className="max-w-prose text-ink-2">
            {tell(
              'A till or web shop opens visits with a key of its own. What it may ask stands at {a}, below {span}.',
              {
                a: (
                  <a className="figures underline" href="/api/openapi.json" target="_blank" rel="noreferrer">
                    {say('/api/openapi.json')}
                  </a>
                ),
                span: <span className="figures">{say('/api/outside/v1')}</span>,
              },
            )}
          </p>
          {data && keys.length === 0 && <p className="text-ink-2">{say('No program has a key.')}</p>}
          <ul className="border-t-2 border-ink">
            {keys.map((key) => (
              <Key key={key.id} card={key} change={change} />
            ))}
          </ul>
        </section>
        <section aria-label={say('Who is told')} className="grid content-start gap-2">
          <div className="flex flex-wrap items-center justify-between gap-3">
            <h2 className="plate text-3xl">{say('Who is told')}</h2>
            <Button tone="primary" onClick={() => setForm('hook')}>
              {say('Tell a program')}
            </Button>
          </div>
          <p className="max-w-prose text-ink-2">
            {say(
              'A program that listens is told over HTTP when a visit is opened or closed, signed, and again until it answers.',
            )}
          </p>
          {data && hooks.length === 0 && <p className="text-ink-2">{say('No program is told anything.')}</p>}
          <ul className="border-t-2 border-ink">
            {hooks.map((hook) => (
              <Hook key={hook.id} card={hook} change={change} />
            ))}
          </ul>
        </section>
      </div>
      {form === 'key' && (
        <KeyForm
          change={change}
          onClose={() => setForm(undefined)}
          onMade={(name, key) => setTold({ what: say('Key of {name}', { name }), secret: key })}
        />
      )}
      {form === 'hook' && (
        <HookForm
          change={change}
          onClose={() => setForm(undefined)}
          onMade={(url, secret) => setTold({ what: say('Secret that {url} checks signatures with', { url }), secret })}
        />
      )}
    </div>
  );
}

function Key({ card, change }: { card: KeyCard; change: Change }) {
  const [asking, setAsking] = useState(false);
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-rule py-2">
      <span className="min-w-48 flex-1">
        <b className="block break-words">{card.name}</b>
        <span className="block text-sm text-ink-2">{card.scopes.map((scope) => SCOPE_TEXT[scope]).join(' · ')}</span>
        <span className="block text-sm text-ink-2">
          {tell('made by {madeBy}, {shopFormat}; {which}', {
            madeBy: card.madeBy,
            shopFormat: shopFormat(card.madeAtMs, 'd MMM yyyy'),
            which: card.usedAtMs
              ? say('used {shopFormat}', { shopFormat: shopFormat(card.usedAtMs, 'd MMM yyyy HH:mm') })
              : say('never used'),
          })}
        </span>
      </span>
      <Button
        className="min-h-11!"
        aria-label={say('Take back the key of {name}', { name: card.name })}
        onClick={() => setAsking(true)}
      >
        {say('Take back')}
      </Button>
      {asking && (
        <ProveSheet
          title={say('Take back the key of {name}', { name: card.name })}
          description={say('From now on it opens nothing. What it opened stays.')}
          action={say('Take it back')}
          change={change}
          onClose={() => setAsking(false)}
          act={(secret) => call(api.programs.keys[':id'].revoke.$post({ param: { id: card.id }, json: { secret } }))}
        />
      )}
    </li>
  );
}

function Hook({ card, change }: { card: HookCard; change: Change }) {
  const [asking, setAsking] = useState(false);
  const behind = card.tellings.filter(({ doneAtMs }) => doneAtMs === undefined);
  return (
    <li className="grid gap-1 border-b border-rule py-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <span className="min-w-48 flex-1">
          <b className="figures block break-all">{card.url}</b>
          <span className="text-sm text-ink-2">{card.events.map((event) => TOLD_TEXT[event]).join(' · ')}</span>
        </span>
        <Button
          className="min-h-11!"
          aria-label={say('Tell {url} nothing more', { url: card.url })}
          onClick={() => setAsking(true)}
        >
          {say('No more')}
        </Button>
      </div>
      <details open={behind.length > 0}>
        <summary className="flex min-h-11 items-center text-sm font-bold">
          {card.tellings.length === 0
            ? say('Told nothing yet')
            : behind.length === 0
              ? say('The last tellings all arrived')
              : say('{count} of the last {count2} did not arrive yet', {
                  count: behind.length,
                  count2: card.tellings.length,
                })}
        </summary>
        <ul>
          {card.tellings.map((telling) => (
            <li key={telling.id} className="flex flex-wrap items-center gap-x-3 border-b border-hair py-1 text-sm">
              <span className="flex-1">
                {TOLD_TEXT[telling.event]}, {shopFormat(telling.madeAtMs, 'd MMM HH:mm')}
              </span>
              <span className={telling.givenUp ? 'font-bold text-bad' : 'text-ink-2'}>
                {telling.doneAtMs
                  ? `arrived, ${telling.answer}`
                  : telling.givenUp
                    ? say('given up after {tries} tries, {answer}', { tries: telling.tries, answer: telling.answer })
                    : telling.tries === 0
                      ? say('on its way')
                      : say('{answer}; again {which}', {
                          answer: telling.answer,
                          which: telling.nextAtMs ? shopFormat(telling.nextAtMs, 'd MMM HH:mm') : '',
                        })}
              </span>
              {!telling.doneAtMs && telling.tries > 0 && (
                <Button
                  className="min-h-11!"
                  disabled={change.busy}
                  onClick={() =>
                    void change.act(() =>
                      call(api.programs.tellings[':telling'].again.$post({ param: { telling: String(telling.id) } })),
                    )
                  }
                >
                  {say('Tell it now')}
                </Button>
              )}
            </li>
          ))}
        </ul>
      </details>
      {asking && (
        <ProveSheet
          title={say('Tell it nothing more')}
          description={say('{url} is told nothing from now on, and what waits is dropped.', { url: card.url })}
          action={say('Tell it nothing more')}
          change={change}
          onClose={() => setAsking(false)}
          act={(secret) => call(api.programs.hooks[':id'].off.$post({ param: { id: card.id }, json: { secret } }))}
        />
      )}
    </li>
  );
}
