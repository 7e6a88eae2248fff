import { useState } from 'react';
import type { ShopNetwork } from '#contract/shop.ts';
import { say } from '#contract/wording/say.ts';
import { QrCode } from '../../../drawing/QrCode.tsx';
import { api, call } from '../../../shop/api.ts';
import type { Change } from '../../../shop/queries.ts';
import { shopFormat } from '../../../shop/shop-time.ts';
import { Button } from '../../../ui/Button.tsx';
import { FormField, inputLook } from '../../../ui/FormField.tsx';
import { tell } from '../../../ui/tell.ts';

/** Where a tablet gives its code: over TLS by the likeliest address, or on this machine alone. */
function pairUrl({ fingerprint, trustUrls }: ShopNetwork, code: string): string {
  const { protocol, port, origin } = window.location;
  const place = trustUrls[0] && new URL(trustUrls[0]).hostname;
  const at = fingerprint !== undefined && place ? `${protocol}//${place}${port ? `:${port}` : ''}` : origin;
  return `${at}/pair#${code}`;
}

/** A code that lets one tablet in under a name. */
export function LetIn({ network, change }: { network: ShopNetwork; change: Change }) {
  const [name, setName] = useState('');
  const [invited, setInvited] = useState<{ name: string; code: string; untilMs: number }>();
  const invite = async () => {
    const wanted = name.trim();
    const ok = await change.act(async () => {
      const given = await call(api.tablets.codes.$post({ json: { name: wanted } }));
      setInvited({ name: wanted, ...given });
    });
    if (ok) setName('');
  };
  return (
    <section aria-label={say('Let a tablet in')} className="grid gap-3">
      <h2 className="plate text-3xl">{say('Let a tablet in')}</h2>
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          void invite();
        }}
      >
        <span className="min-w-48 flex-1">
          <FormField id="new-tablet" label={say('Its name')}>
            <input
              id="new-tablet"
              className={inputLook(false)}
              maxLength={80}
              placeholder={say('Bay 2')}
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
          </FormField>
        </span>
        <Button type="submit" tone="primary" disabled={name.trim() === '' || change.busy}>
          {say('Make its code')}
        </Button>
      </form>
      {invited && (
        <div role="status" className="grid justify-items-start gap-2 border-4 border-paint bg-sheet p-4">
          <p>
            {tell('{name}: once the tablet trusts this server, let its camera read this, or type the code at {span}.', {
              name: <b className="break-words">{invited.name}</b>,
              span: <span className="figures break-all">{say('/pair')}</span>,
            })}
          </p>
          <QrCode text={pairUrl(network, invited.code)} />
          <p className="figures text-3xl font-bold">{invited.code}</p>
          <p className="text-sm text-ink-2">
            {tell('Counts once, until {shopFormat}.', { shopFormat: shopFormat(invited.untilMs, 'HH:mm') })}
          </p>
          <Button onClick={() => setInvited(undefined)}>{say('Put it away')}</Button>
        </div>
      )}
    </section>
  );
}
