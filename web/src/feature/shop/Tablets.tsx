import { create } from 'qrcode';
import { useState } from 'react';
import type { ShopNetwork } from '#contract/shop.ts';
import { fingerprintLines } from '#contract/wording/fingerprint-lines.ts';
import { useOpenShop } from './ShopShell.tsx';

/** Modules of white round a code, so that a camera finds it. @see ISO/IEC 18004, quiet zone */
const QUIET = 4;

/** An address as a code for a tablet's camera. */
function Code({ text }: { text: string }) {
  const { size, data } = create(text, { errorCorrectionLevel: 'M' }).modules;
  const dark = Array.from({ length: size * size }, (_, at) => at).filter((at) => data[at]);
  const wide = size + 2 * QUIET;
  return (
    <svg viewBox={`0 0 ${wide} ${wide}`} className="w-60 max-w-full" role="img" aria-label={`Code of ${text}`}>
      {/* Black on white by day and by night: a code is read by a camera. */}
      <rect width={wide} height={wide} fill="#ffffff" />
      <path
        d={dark.map((at) => `M${(at % size) + QUIET} ${Math.floor(at / size) + QUIET}h1v1h-1z`).join('')}
        fill="#000000"
      />
    </svg>
  );
}

/** How a tablet comes to trust this server: a code to follow, letters to compare. */
function LetIn({ network: { fingerprint, trustUrls } }: { network: ShopNetwork }) {
  const [at, setAt] = useState(0);
  const url = trustUrls[at] ?? trustUrls[0];
  return (
    <section aria-label="Tablets">
      <h2 className="plate mb-1 text-3xl">Let a tablet in</h2>
      {fingerprint === undefined && (
        <p className="max-w-prose">
          This server listens to its own machine alone. To reach it from tablets, start it with{' '}
          <code className="figures">HOST=0.0.0.0 npm run shop</code>: it then speaks TLS with certificates of this
          shop’s own.
        </p>
      )}
      {fingerprint !== undefined && (
        <div className="grid gap-3">
          {url === undefined && (
            <p className="max-w-prose font-bold">
              This machine has no name or address in a network just now: plug it in, and start the server again.
            </p>
          )}
          <ol className="max-w-prose list-decimal pl-5">
            <li>Let the tablet’s camera read this code, in the shop’s own network.</li>
            <li>Install the authority it fetches.</li>
            <li>
              Let the tablet show the installed certificate’s fingerprint and compare it with the letters below: every
              one must be the same. Only then go on to Wrenchman and sign in.
            </li>
          </ol>
          {url !== undefined && <Code text={url} />}
          {url !== undefined && <p className="figures break-all">{url}</p>}
          {trustUrls.length > 1 && (
            <label className="grid max-w-80 gap-1 text-sm font-bold">
              Another name or address of this machine
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
          <p className="text-sm font-bold">The authority’s fingerprint (SHA-256)</p>
          <p className="figures border-l-4 border-ink pl-3">
            {fingerprintLines(fingerprint).map((line) => (
              <span key={line} className="block">
                {line}
              </span>
            ))}
          </p>
          <p className="max-w-prose text-ink-2">
            The authority vouches for addresses of private networks and for this shop’s own names, and for nothing on
            the internet. A tablet that goes out of the house: take the authority out of its settings.
          </p>
        </div>
      )}
    </section>
  );
}

/** The shop's tablets: those that are known, and how another comes to trust this server. */
export default function Tablets() {
  const { network } = useOpenShop();
  return <LetIn network={network} />;
}
