import { Download } from 'lucide-react';
import { useState } from 'react';
import { LINK_DAYS, type OwnerLink } from '#contract/owner-page.ts';
import { say } from '#contract/wording/say.ts';
import { QrCode } from '../../drawing/QrCode.tsx';
import { api, call } from '../../shop/api.ts';
import { useChange, useOwnerLinks } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';

const FILES = [
  ['hand-over.pdf', say('Hand-over')],
  ['in-short.pdf', say('In short, one page')],
  ['windscreen.pdf', say('Windscreen label')],
  ['pack.zip', say('Pack with the record')],
] as const;

/** What the owner takes away: files, and a page of their own by a link. */
export function HandOver({ job }: { job: string }) {
  const apprentice = useSession((state) => state.session?.person.role === 'apprentice');
  const { data: links, failure } = useOwnerLinks(job);
  const change = useChange('links');
  const nowMs = Date.now();
  const counting = links?.filter(({ revokedAtMs, expiresAtMs }) => revokedAtMs === undefined && expiresAtMs > nowMs);
  const ended = (links?.length ?? 0) - (counting?.length ?? 0);
  const make = () =>
    void change.act(() =>
      call(api['hand-overs'][':jobId'].links.$post({ param: { jobId: job }, json: { days: LINK_DAYS.usual } })),
    );
  return (
    <section aria-label={say('Hand over')} className="mt-5">
      <h3 className="font-bold">{say('Hand over')}</h3>
      <ul className="mt-1 grid grid-cols-2 gap-2">
        {FILES.map(([file, name]) => (
          <li key={file}>
            <a
              download
              href={`/api/hand-overs/${job}/${file}`}
              className="flex min-h-14 items-center gap-2 border-2 border-ink bg-sheet px-3 py-1 leading-tight font-bold"
            >
              <Download aria-hidden="true" className="shrink-0" /> {name}
            </a>
          </li>
        ))}
      </ul>
      {(failure ?? change.failure) && (
        <p role="alert" className="mt-2 font-bold text-bad">
          {failure ?? change.failure}
        </p>
      )}
      {counting?.map((link) => (
        <Link key={link.id} job={job} link={link} apprentice={apprentice} />
      ))}
      {counting?.length === 0 && !apprentice && (
        <>
          <Button className="mt-2 w-full" disabled={change.busy} onClick={make}>
            {say('Make the owner’s page')}
          </Button>
          <p className="mt-1 text-sm text-ink-2">
            {tell(
              'Opens this hand-over without signing in, to whoever has the link, for {usual} days. Its code goes on the windscreen label and the PDF.',
              { usual: LINK_DAYS.usual },
            )}
          </p>
        </>
      )}
      {ended > 0 && (
        <p className="mt-1 text-sm text-ink-2">
          {tell('{which} ended before.', { which: ended === 1 ? say('One link') : say('{ended} links', { ended }) })}
        </p>
      )}
    </section>
  );
}

function Link({ job, link, apprentice }: { job: string; link: OwnerLink; apprentice: boolean }) {
  const change = useChange('links');
  const [copied, setCopied] = useState(false);
  const copy = () => navigator.clipboard?.writeText(link.url).then(() => setCopied(true));
  const revoke = () =>
    void change.act(() =>
      call(api['hand-overs'][':jobId'].links[':link'].revoke.$post({ param: { jobId: job, link: link.id } })),
    );
  return (
    <div className="mt-2 border-2 border-ink bg-sheet p-3">
      <p className="font-bold">{say('The owner’s page')}</p>
      <div className="my-2 w-40">
        <QrCode text={link.url} />
      </div>
      <p>
        <a className="figures text-sm break-all underline" href={link.url} target="_blank" rel="noreferrer">
          {link.url}
        </a>
      </p>
      <p className="text-sm text-ink-2">
        {tell('Made by {madeBy}, until {shopFormat}; {which}.', {
          madeBy: link.madeBy,
          shopFormat: shopFormat(link.expiresAtMs, 'd MMM yyyy'),
          which:
            link.opened === 0
              ? say('not opened yet')
              : say('opened {which}, last {shopFormat}', {
                  which: link.opened === 1 ? 'once' : say('{opened} times', { opened: link.opened }),
                  shopFormat: shopFormat(link.lastOpenedMs ?? 0, 'd MMM HH:mm'),
                }),
        })}
      </p>
      <div className="mt-2 grid grid-cols-2 gap-2">
        <Button onClick={() => void copy()}>{copied ? say('Copied') : say('Copy the link')}</Button>
        {!apprentice && (
          <Button tone="bad" disabled={change.busy} onClick={revoke}>
            {say('Take it back')}
          </Button>
        )}
      </div>
      {change.failure && (
        <p role="alert" className="mt-2 font-bold text-bad">
          {change.failure}
        </p>
      )}
    </div>
  );
}
