import { useState } from 'react';
import type { ShopNetwork } from '#contract/shop.ts';
import { fingerprintLines } from '#contract/wording/fingerprint-lines.ts';
import { say } from '#contract/wording/say.ts';
import { QrCode } from '../../../drawing/QrCode.tsx';
import { tell } from '../../../ui/tell.ts';

/** How a tablet comes to trust this server: a code to follow, letters to compare. */
export function Trust({ network: { fingerprint, trustUrls } }: { network: ShopNetwork }) {
  const [at, setAt] = useState(0);
  const url = trustUrls[at] ?? trustUrls[0];
  return (
    <section aria-label={say('Trust')}>
      <h2 className="plate mb-1 text-3xl">{say('How it comes to trust this server')}</h2>
      {fingerprint === undefined && (
        <p className="max-w-prose">
          {tell(
            'This server listens to its own machine alone. To reach it from tablets, start it with {code}: it then speaks TLS with certificates of this shop’s own.',
            { code: <code className="figures">{say('HOST=0.0.0.0 npm run shop')}</code> },
          )}
        </p>
      )}
      {fingerprint !== undefined && (
        <div className="grid gap-3">
          {url === undefined && (
            <p className="max-w-prose font-bold">
              {say(
                'This machine has no name or address in a network just now: plug it in, and start the server again.',
              )}
            </p>
          )}
          <ol className="max-w-prose list-decimal pl-5">
            <li>{say('Let the tablet’s camera read this code, in the shop’s own network.')}</li>
            <li>{say('Install the authority it fetches.')}</li>
            <li>
              {say(
                'Let the tablet show the installed certificate’s fingerprint and compare it with the letters below: every one must be the same. Only then go on to Wrenchman and sign in.',
              )}
            </li>
          </ol>
          {url !== undefined && <QrCode text={url} />}
          {url !== undefined && <p className="figures break-all">{url}</p>}
          {trustUrls.length > 1 && (
            <label className="grid max-w-80 gap-1 text-sm font-bold">
              {say('Another name or address of this machine')}
              <select
                className="min-h-12 border-2 border-rule bg-sheet px-3 text-lg font-normal"
                value={at}
                onChange={(event) => setAt(Number(event.target.value))}
              >
                {trustUrls.map((address, index) => (
                  <option key={address} value={index}>
                    {address}
                  </option>
                ))}
              </select>
            </label>
          )}
          <p className="text-sm font-bold">{say('The authority’s fingerprint (SHA-256)')}</p>
          <p className="figures border-l-4 border-ink pl-3">
            {fingerprintLines(fingerprint).map((line) => (
              <span key={line} className="block">
                {line}
              </span>
            ))}
          </p>
          <p className="max-w-prose text-ink-2">
            {say(
              'The authority vouches for addresses of private networks and for this shop’s own names, and for nothing on the internet. A tablet that goes out of the house: take the authority out of its settings.',
            )}
          </p>
        </div>
      )}
    </section>
  );
}
