import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { kitChangeText } from '#contract/wording/kit-difference-text.ts';
import { say } from '#contract/wording/say.ts';
import { kitDifference } from '#core/kit/kit-difference.ts';
import { TopBar } from '../../app/TopBar.tsx';
import { api, call } from '../../shop/api.ts';
import { useChange, useRevision, useRevisions } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Notice } from '../../ui/Notice.tsx';
import { ReasonSheet } from '../../ui/ReasonSheet.tsx';
import { tell } from '../../ui/tell.ts';
import { KitReach } from './KitReach.tsx';

/** A kit's released revisions, and what changed from one to the next. */
export default function KitHistory() {
  const { kitId = '' } = useParams();
  const { data: revisions, failure: unread, problem, reload } = useRevisions(kitId);
  const [asked, setPair] = useState<{ from: number; to: number }>();
  const [newest, earlier] = revisions ?? [];
  const pair = asked ?? (newest && { from: earlier?.revision ?? newest.revision, to: newest.revision });
  const { data: before, failure: noBefore } = useRevision(kitId, pair?.from);
  const { data: after, failure: noAfter } = useRevision(kitId, pair?.to);
  const changes = useMemo(() => before && after && kitDifference(before, after), [before, after]);
  const title = after?.title ?? kitId;
  const { act, failure: unsent } = useChange('library', 'kits');
  const failure = unread ?? noBefore ?? noAfter ?? unsent;
  const [withdrawing, setWithdrawing] = useState<number>();
  const lead = useSession((state) => state.session?.person.role === 'lead');
  if (problem === 'unknownKit' || revisions?.length === 0)
    return (
      <div className="flex h-dvh flex-col">
        <TopBar />
        <Notice
          title={say('No such kit')}
          detail={say('Nothing is released as “{kitId}”.', { kitId })}
          secondary={{ to: '/kits', label: say('To the kits') }}
        />
      </div>
    );
  if (!revisions && unread)
    return (
      <div className="flex h-dvh flex-col">
        <TopBar />
        <Notice
          title={say('The kit cannot be read')}
          detail={unread}
          action={say('Try again')}
          onAction={() => void reload()}
        />
      </div>
    );
  return (
    <div className="flex min-h-dvh flex-col bg-bench">
      <TopBar />
      <main className="mx-auto grid w-full max-w-6xl flex-1 content-start gap-6 px-5 py-4 lg:grid-cols-2">
        <h1 className="plate text-4xl lg:col-span-2">
          <Link to="/kits" className="text-ink-2 underline underline-offset-4">
            {say('Kits')}
          </Link>{' '}
          / {title}
        </h1>
        {failure && (
          <p role="alert" className="border-2 border-bad bg-sheet px-4 py-3 font-bold text-bad lg:col-span-2">
            {failure}
          </p>
        )}
        <section>
          <h2 className="plate text-2xl">{say('Revisions')}</h2>
          <ul className="border-t-2 border-ink">
            {revisions?.map((entry) => (
              <li key={entry.revision} className="border-b border-rule px-2 py-3">
                <div className="flex flex-wrap items-baseline gap-x-4">
                  <b className="figures text-lg">{entry.revision}</b>
                  <span className="flex-1">{entry.note ?? say('Added as a file')}</span>
                  <span className="text-sm text-ink-2">
                    {entry.releasedBy ? `${entry.releasedBy}, ` : ''}
                    {shopFormat(entry.addedAtMs, 'd MMM yyyy HH:mm')}
                  </span>
                </div>
                {entry.waivers.map((waiver) => (
                  <p key={waiver.key} className="mt-1 text-sm text-ink-2">
                    {tell('Let stand by {by}: {reason}  {key}', {
                      by: waiver.by,
                      reason: waiver.reason,
                      key: <span className="figures">({waiver.key})</span>,
                    })}
                  </p>
                ))}
                {entry.withdrawn && (
                  <p className="mt-1 font-bold text-bad">
                    {tell('Withdrawn {shopFormat}: {because}', {
                      shopFormat: shopFormat(entry.withdrawn.atMs, 'd MMM yyyy'),
                      because: entry.withdrawn.because,
                    })}
                  </p>
                )}
                {lead && !entry.withdrawn && (
                  <button
                    type="button"
                    className="mt-1 mr-4 min-h-11 text-sm underline"
                    onClick={() => setWithdrawing(entry.revision)}
                  >
                    {tell('Withdraw revision {revision}', { revision: entry.revision })}
                  </button>
                )}
                <a
                  className="mt-1 inline-block text-sm underline"
                  href={`/api/kit-library/${kitId}/revisions/${entry.revision}/file`}
                  download
                >
                  {say('Export this revision')}
                </a>
              </li>
            ))}
          </ul>
        </section>
        <section>
          <h2 className="plate text-2xl">{say('What changed')}</h2>
          {pair && revisions && (
            <div className="mt-2 flex flex-wrap items-center gap-3">
              {(['from', 'to'] as const).map((side) => (
                <label key={side} className="flex items-center gap-2">
                  <span className="text-sm text-ink-2">{side === 'from' ? say('From') : say('to')}</span>
                  <select
                    className="figures min-h-12 border-2 border-ink bg-sheet px-3"
                    value={pair[side]}
                    onChange={(event) => setPair({ ...pair, [side]: Number(event.target.value) })}
                  >
                    {revisions.map((entry) => (
                      <option key={entry.revision}>{entry.revision}</option>
                    ))}
                  </select>
                </label>
              ))}
            </div>
          )}
          <ul className="mt-2 border-t-2 border-ink">
            {changes?.map((change) => {
              const text = kitChangeText(change);
              return (
                <li key={text} className="border-b border-rule px-2 py-2">
                  {text}
                </li>
              );
            })}
            {changes?.length === 0 && <li className="px-2 py-3 text-ink-2">{say('Nothing differs.')}</li>}
            {!changes && <li className="px-2 py-3 text-ink-2">{say('Comparing.')}</li>}
          </ul>
        </section>
        {revisions && <KitReach kit={kitId} revisions={revisions} />}
      </main>
      <ReasonSheet
        open={withdrawing !== undefined}
        onClose={() => setWithdrawing(undefined)}
        title={say('Withdraw revision {withdrawing}', { withdrawing })}
        label={say('Why. Open jobs show it; no new job begins with this revision.')}
        confirm={say('Withdraw it')}
        onReason={(because) => {
          if (withdrawing !== undefined)
            void act(() =>
              call(
                api['kit-library'][':id'].revisions[':revision'].withdraw.$post({
                  param: { id: kitId, revision: String(withdrawing) },
                  json: { because },
                }),
              ),
            );
          setWithdrawing(undefined);
        }}
      />
    </div>
  );
}
