import { useState } from 'react';
import type { Tablets as AllTablets, Tablet } from '#contract/tablet.ts';
import { RULE_TEXT } from '#contract/wording/en/rules.ts';
import { say } from '#contract/wording/say.ts';
import { api, call } from '../../../shop/api.ts';
import { type Change, useChange, useTablets } from '../../../shop/queries.ts';
import { shopFormat } from '../../../shop/shop-time.ts';
import { Button } from '../../../ui/Button.tsx';
import { FormField, inputLook } from '../../../ui/FormField.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { tell } from '../../../ui/tell.ts';
import { ProveSheet } from '../ProveSheet.tsx';
import { useOpenShop } from '../ShopShell.tsx';
import { LetIn } from './LetIn.tsx';
import { Trust } from './Trust.tsx';

/** How often the list is looked at: a tablet that was just let in is there before the lead looks up. */
const LOOK_EVERY_MS = 3000;

/** The shop's tablets: those that are known, how another comes in, and how one is put out. */
export default function Tablets() {
  const { network } = useOpenShop();
  const { data, failure } = useTablets(LOOK_EVERY_MS);
  const change = useChange('tablets', 'settings');
  const [renaming, setRenaming] = useState<Tablet>();
  const [putting, setPutting] = useState<Tablet>();
  const here = data?.tablets.filter(({ revokedAtMs }) => revokedAtMs === undefined) ?? [];
  const out = data?.tablets.filter(({ revokedAtMs }) => revokedAtMs !== undefined) ?? [];
  return (
    <div className="grid gap-8 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      <section aria-label={say('Tablets')} className="grid content-start gap-3">
        <h2 className="plate text-3xl">{say('Tablets')}</h2>
        {(failure ?? change.failure) && (
          <p role="alert" className="font-bold text-bad">
            {failure ?? change.failure}
          </p>
        )}
        {!data && !failure && <p className="text-ink-2">{say('Asking which there are.')}</p>}
        {data && <PairedOnly data={data} change={change} />}
        <ul className="border-t-2 border-ink">
          {here.map((tablet) => (
            <li key={tablet.id} className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-rule py-2">
              <span className="min-w-48 flex-1">
                <b className="block break-words">
                  {tablet.name}
                  {tablet.id === data?.own && say(' · this one')}
                </b>
                <span className="text-sm text-ink-2">
                  {[
                    tablet.pairedAtMs ? say('let in by a lead') : say('came by a PIN alone'),
                    tablet.last,
                    say('seen {shopFormat}', { shopFormat: shopFormat(tablet.seenAtMs, 'd MMM HH:mm') }),
                  ]
                    .filter(Boolean)
                    .join(' · ')}
                </span>
              </span>
              <span className="flex gap-2">
                <Button
                  className="min-h-11!"
                  aria-label={say('Name {name}', { name: tablet.name })}
                  onClick={() => setRenaming(tablet)}
                >
                  {say('Name')}
                </Button>
                <Button
                  className="min-h-11!"
                  aria-label={say('Put out {name}', { name: tablet.name })}
                  disabled={tablet.id === data?.own}
                  onClick={() => setPutting(tablet)}
                >
                  {say('Put out')}
                </Button>
              </span>
            </li>
          ))}
        </ul>
        {out.length > 0 && (
          <details>
            <summary className="flex min-h-11 items-center font-bold">
              {tell('Put out: {count}', { count: out.length })}
            </summary>
            <ul>
              {out.map((tablet) => (
                <li key={tablet.id} className="border-b border-hair py-1">
                  {tablet.name}{' '}
                  <span className="text-sm text-ink-2">
                    {tablet.revokedAtMs && shopFormat(tablet.revokedAtMs, 'd MMM yyyy HH:mm')}
                  </span>
                </li>
              ))}
            </ul>
          </details>
        )}
      </section>
      <div className="grid content-start gap-8">
        <LetIn network={network} change={change} />
        <Trust network={network} />
      </div>
      {renaming && <Rename tablet={renaming} change={change} onClose={() => setRenaming(undefined)} />}
      {putting && (
        <ProveSheet
          title={say('Put out {name}', { name: putting.name })}
          description={say(
            'Whoever is signed in on it is out at once. What it has not sent yet is not taken any more: ask first whether something waits on it.',
          )}
          action={say('Put it out')}
          change={change}
          onClose={() => setPutting(undefined)}
          act={(secret) => call(api.tablets[':id'].out.$post({ param: { id: putting.id }, json: { secret } }))}
        />
      )}
    </div>
  );
}

/** Whether a PIN alone opens anything on a device nobody has let in. */
function PairedOnly({ data, change }: { data: AllTablets; change: Change }) {
  const { title, why } = RULE_TEXT.pairedOnly;
  return (
    <label className="flex items-start gap-3 border-l-4 border-ink pl-3">
      <input
        type="checkbox"
        className="mt-1 size-6 shrink-0"
        checked={data.pairedOnly}
        disabled={change.busy}
        onChange={(event) => {
          const on = event.target.checked;
          void change.act(() => call(api.tablets['paired-only'].$put({ json: { on } })));
        }}
      />
      <span>
        <b className="block">{title}</b>
        <span className="text-sm text-ink-2">{why}</span>
      </span>
    </label>
  );
}

function Rename({ tablet, change, onClose }: { tablet: Tablet; change: Change; onClose: () => void }) {
  const [name, setName] = useState(tablet.name);
  return (
    <Sheet open onClose={onClose} title={say('What is it called?')}>
      <form
        className="grid gap-4"
        onSubmit={async (event) => {
          event.preventDefault();
          const save = () => call(api.tablets[':id'].$put({ param: { id: tablet.id }, json: { name: name.trim() } }));
          if (await change.act(save)) onClose();
        }}
      >
        <FormField id="tablet-name" label={say('Name')} hint={say('Where it lies or whose it is: Bay 2, Counter.')}>
          <input
            id="tablet-name"
            className={inputLook(false)}
            maxLength={80}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </FormField>
        <Button type="submit" tone="primary" disabled={name.trim() === '' || change.busy}>
          {say('Keep the name')}
        </Button>
      </form>
    </Sheet>
  );
}
