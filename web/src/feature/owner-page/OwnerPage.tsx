import { useEffect, useState } from 'react';
import type { OwnerDue, OwnerPage as Page } from '#contract/owner-page.ts';
import { deference, HAND_OVER_TITLE as TITLE } from '#contract/wording/en/hand-over.ts';
import { say } from '#contract/wording/say.ts';
import { shopDay } from '#contract/wording/shop-time.ts';
import { failureText } from '../../shop/failure-text.ts';
import { saveFile } from '../../shop/save-file.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { tell } from '../../ui/tell.ts';
import { askOwnerPage } from './ask.ts';
import { ReportDone } from './ReportDone.tsx';

/** What an owner sees who followed the shop's link: no account, one job, nothing to change. */
export default function OwnerPage() {
  const token = window.location.hash.slice(1);
  const [page, setPage] = useState<Page>();
  const [failure, setFailure] = useState<string>();
  const [again, setAgain] = useState(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: read once more when something was reported
  useEffect(() => {
    let gone = false;
    askOwnerPage(token, '')
      .then((answer) => answer.json())
      .then((read) => !gone && setPage(read as Page))
      .catch((error: unknown) => !gone && setFailure(failureText(error)));
    return () => {
      gone = true;
    };
  }, [token, again]);
  useEffect(() => {
    if (page) document.title = say('{plate}: hand-over', { plate: page.sheet.plate });
  }, [page]);
  if (failure)
    return (
      <Notice
        title={say('This page cannot be shown')}
        detail={failure}
        action={say('Try again')}
        onAction={() => location.reload()}
      />
    );
  if (!page) return <Notice title={say('One moment')} detail={say('Loading.')} busy />;
  return <Told page={page} token={token} onReported={() => setAgain((count) => count + 1)} />;
}

function Told({ page, token, onReported }: { page: Page; token: string; onReported: () => void }) {
  const { sheet, due, expiresAtMs, proof, clock } = page;
  const day = (atMs: number) => shopDay(atMs, clock);
  const joints = sheet.groups.flatMap((group) => group.joints);
  const open = joints.filter(({ tight }) => !tight).length;
  return (
    <div className="min-h-dvh bg-bench">
      <header className="bg-plate px-5 py-4 text-on-plate">
        <p className="plate text-2xl text-paint">{sheet.shop}</p>
        <h1 className="plate text-4xl">{sheet.vehicle}</h1>
        <p className="figures text-lg">
          {sheet.plate || say('no plate')}
          {sheet.odometer && ` · ${sheet.odometer}`}
        </p>
        <p className="text-on-plate-2">
          {tell('Job {number}{which}', {
            number: sheet.number,
            which: sheet.signed ? say(', signed by {signed}', { signed: sheet.signed }) : say(': not signed yet'),
          })}
        </p>
      </header>
      <main className="mx-auto grid max-w-3xl grid-cols-[minmax(0,1fr)] gap-6 px-5 py-5">
        {sheet.driver.length > 0 && (
          <section aria-label={TITLE.driver} className="border-4 border-bad bg-sheet p-4">
            <h2 className="plate text-2xl text-bad">{TITLE.driver}</h2>
            <ul className="grid gap-1">
              {sheet.driver.map((line) => (
                <li key={line} className="font-bold break-words">
                  {line}
                </li>
              ))}
            </ul>
          </section>
        )}
        <section aria-label={TITLE.due}>
          <h2 className="plate border-b-2 border-ink text-3xl">{TITLE.due}</h2>
          {due.length === 0 && <p className="py-3">{say('Nothing is due.')}</p>}
          <ul>
            {due.map((item) => (
              <DueLine key={item.care} item={item} token={token} day={day} onReported={onReported} />
            ))}
          </ul>
        </section>
        <section aria-label={TITLE.joints}>
          <h2 className="plate border-b-2 border-ink text-3xl">{TITLE.joints}</h2>
          <p className={`py-2 text-lg font-bold ${open > 0 ? 'text-bad' : ''}`}>
            {tell('{count} of {count2} joints stand at their torque.', {
              count: joints.length - open,
              count2: joints.length,
            })}
          </p>
          {sheet.groups.map((group) => (
            <details key={group.id} className="border-b border-hair">
              <summary className="min-h-12 cursor-pointer py-3 font-bold">
                {group.title} <span className="text-ink-2">{group.joints.length}</span>
              </summary>
              <ul className="pb-3">
                {group.joints.map((joint) => (
                  <li key={joint.station} className="grid grid-cols-[3rem_1fr] gap-2 py-1">
                    <b className="figures">{joint.label}</b>
                    <span className="break-words">
                      {tell('{name}: wanted {wanted}{told}', {
                        name: joint.name,
                        wanted: joint.wanted,
                        told: (
                          <span className={`block ${joint.tight ? 'text-ink-2' : 'font-bold text-bad'}`}>
                            {joint.told}
                          </span>
                        ),
                      })}
                    </span>
                  </li>
                ))}
              </ul>
            </details>
          ))}
        </section>
        <Lines title={TITLE.fitted} lines={sheet.fitted} />
        <Lines title={TITLE.watch} lines={sheet.watch} />
        <Lines title={TITLE.limits} lines={sheet.limits} />
        <Lines title={TITLE.carries} lines={sheet.carries} />
        <Lines title={TITLE.measured} lines={sheet.measured} />
        <Lines title={TITLE.byFeel} lines={sheet.byFeel} />
        <Lines title={TITLE.deviations} lines={sheet.deviations} none={say('None.')} />
        <Lines title={TITLE.parts} lines={sheet.parts} />
        <Lines title={TITLE.keys} lines={sheet.keys} />
        <Lines title={TITLE.offAgain} lines={sheet.offAgain} />
        <Lines title={TITLE.cautions} lines={sheet.cautions} />
        <TakePdf token={token} number={sheet.number} />
        <footer className="grid gap-2 text-sm text-ink-2">
          <p>{deference()}</p>
          <p>
            {tell(
              'This page is for the owner of {plate}. It can be opened until {day}, and whoever has its address can open it: pass it on only with the vehicle.',
              { plate: sheet.plate || say('this vehicle'), day: day(expiresAtMs) },
            )}
          </p>
          <p className="break-all">
            {tell('Record of {seq} entries{hash}. The shop’s public key: {publicKey}', {
              seq: proof.seq,
              hash: proof.hash && say(', last hash {hash}', { hash: proof.hash }),
              publicKey: proof.publicKey,
            })}
          </p>
        </footer>
      </main>
    </div>
  );
}

function DueLine({
  item,
  token,
  day,
  onReported,
}: {
  item: OwnerDue;
  token: string;
  day: (atMs: number) => string;
  onReported: () => void;
}) {
  const [reporting, setReporting] = useState(false);
  const { text, when, expected, settled, reported } = item;
  return (
    <li className="grid grid-cols-[minmax(0,1fr)] gap-1 border-b border-hair py-3">
      <p className={`break-words ${settled ? 'text-ink-2 line-through' : 'font-bold'}`}>{text}</p>
      {when && !settled && <p>{tell('That is {when}.', { when })}</p>}
      {expected && !settled && (
        <p className="text-ink-2">
          {tell('Likely about {day}, between {day2} and {day3}, by how far this vehicle goes.', {
            day: day(expected.expectedMs),
            day2: day(expected.earliestMs),
            day3: day(expected.latestMs),
          })}
        </p>
      )}
      {settled && (
        <p>{settled.how === 'notWanted' ? say('Not wanted') : say('Done, {day}', { day: day(settled.atMs) })}.</p>
      )}
      {reported && (
        <p role="status">
          {tell('You reported it done on {doneOn}. The shop has not looked at it yet.', { doneOn: reported.doneOn })}
        </p>
      )}
      {!settled && !reporting && (
        <Button className="mt-1 justify-self-start" onClick={() => setReporting(true)}>
          {reported ? say('Report it anew') : say('I had it done elsewhere')}
        </Button>
      )}
      {reporting && (
        <ReportDone
          care={item.care}
          token={token}
          onClose={() => setReporting(false)}
          onReported={() => {
            setReporting(false);
            onReported();
          }}
        />
      )}
    </li>
  );
}

function Lines({ title, lines, none }: { title: string; lines: readonly string[]; none?: string }) {
  if (lines.length === 0 && none === undefined) return null;
  return (
    <section aria-label={title}>
      <h2 className="plate border-b-2 border-ink text-2xl">{title}</h2>
      <ul>
        {lines.map((line) => (
          <li key={line} className="border-b border-hair py-2 break-words">
            {line}
          </li>
        ))}
        {lines.length === 0 && <li className="py-2">{none}</li>}
      </ul>
    </section>
  );
}

function TakePdf({ token, number }: { token: string; number: string }) {
  const [busy, setBusy] = useState(false);
  const [failure, setFailure] = useState<string>();
  const take = async () => {
    setBusy(true);
    setFailure(undefined);
    try {
      const answer = await askOwnerPage(token, '/hand-over.pdf');
      saveFile(`hand-over-${number}.pdf`, 'application/pdf', await answer.arrayBuffer());
    } catch (error) {
      setFailure(failureText(error));
    }
    setBusy(false);
  };
  return (
    <div>
      <Button tone="primary" className="w-full" disabled={busy} onClick={() => void take()}>
        {busy ? say('One moment') : say('Keep it as PDF')}
      </Button>
      {failure && (
        <p role="alert" className="mt-2 font-bold text-bad">
          {failure}
        </p>
      )}
    </div>
  );
}
