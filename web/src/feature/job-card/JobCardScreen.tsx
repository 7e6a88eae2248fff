import { useCallback, useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import { jobCardSheet } from '#contract/job-card.ts';
import { say } from '#contract/wording/say.ts';
import { ReceiveTabs } from '../../job/ReceiveTabs.tsx';
import { useOpenJob } from '../../job/use-open-job.ts';
import { Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';

/** A code a phone reads, as modules of a square; drawn rather than an image, so that it prints sharp. */
function Code({
  text,
  className = '',
  onDrawn,
}: {
  text: string;
  className?: string;
  /** Once it can be read. */
  onDrawn?: () => void;
}) {
  const [modules, setModules] = useState<{ size: number; dark: boolean[] }>();
  useEffect(() => {
    void import('qrcode').then(({ create }) => {
      const { size, data } = create(text, { errorCorrectionLevel: 'M' }).modules;
      setModules({ size, dark: Array.from(data, (value) => value === 1) });
    });
  }, [text]);
  useEffect(() => {
    if (modules) onDrawn?.();
  }, [modules, onDrawn]);
  if (!modules) return <span className={className} />;
  const { size, dark } = modules;
  const path = dark.map((on, at) => (on ? `M${at % size} ${Math.floor(at / size)}h1v1h-1z` : '')).join('');
  return (
    <svg
      viewBox={`-2 -2 ${size + 4} ${size + 4}`}
      className={`bg-white ${className}`}
      role="img"
      aria-label={say('Code of {text}', { text })}
    >
      <path d={path} fill="#000" />
    </svg>
  );
}

/** The job's card for the windscreen, A4, and a label for the parts tray. */
export default function JobCardScreen() {
  const { document: job, plan, state } = useOpenJob();
  const [label, setLabel] = useState(false);
  const [search, setSearch] = useSearchParams();
  const [drawn, setDrawn] = useState(false);
  const markDrawn = useCallback(() => setDrawn(true), []);
  // Sent here to print: once its code is drawn, and not again by going back.
  const atOnce = search.has('print');
  useEffect(() => {
    if (!atOnce || !drawn) return;
    setSearch({}, { replace: true });
    window.print();
  }, [atOnce, drawn, setSearch]);
  const card = jobCardSheet(job, plan, state);
  const address = `${location.origin}${card.path}`;
  return (
    <div className="flex flex-1 flex-col lg:min-h-0 print:block">
      <ReceiveTabs />
      <main className="flex-1 bg-bench px-5 py-4 lg:overflow-y-auto print:bg-white print:p-0">
        <div className="mb-4 flex flex-wrap gap-2 print:hidden">
          <Button tone="primary" onClick={() => window.print()}>
            {tell('Print {which}', { which: label ? say('the label') : say('the card') })}
          </Button>
          <Button aria-pressed={label} tone={label ? 'dark' : 'plain'} onClick={() => setLabel(!label)}>
            {say('Label')}
          </Button>
          <a
            className="inline-flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold"
            href={`/api/jobs/${job.id}/card.pdf`}
          >
            {say('Card as PDF')}
          </a>
          <a
            className="inline-flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold"
            href={`/api/jobs/${job.id}/label.pdf`}
          >
            {say('Label as PDF')}
          </a>
        </div>
        {label ? (
          <section
            aria-label={say('Label')}
            className="flex w-full max-w-lg items-center gap-4 border-2 border-black bg-white p-4 text-black"
          >
            <Code text={address} className="h-32 w-32 shrink-0" />
            <div className="min-w-0">
              <p className="figures text-2xl font-bold">{card.number}</p>
              <p className="plate text-2xl">{card.heading}</p>
              <p className="figures text-xl">{job.vehicle.plate}</p>
              <p className="text-sm">{plan.kits.map((kit) => kit.title).join(' + ')}</p>
            </div>
          </section>
        ) : (
          <article
            aria-label={say('Job card')}
            className="mx-auto w-full max-w-[210mm] border-2 border-black bg-white p-6 text-black print:border-0"
          >
            <header className="flex items-start justify-between gap-6 border-b-4 border-black pb-3">
              <div>
                <p className="text-sm">{job.shop.name}</p>
                <h1 className="plate text-5xl">{tell('Job {number}', { number: card.number })}</h1>
                <p className="plate text-3xl">{card.heading}</p>
              </div>
              <Code text={address} className="h-32 w-32 shrink-0" onDrawn={markDrawn} />
            </header>
            <dl className="grid grid-cols-2 sm:grid-cols-3">
              {card.facts.map(([name, text]) => (
                <div key={name} className="border-b border-gray-400 py-1.5">
                  <dt className="text-xs text-gray-700">{name}</dt>
                  <dd className="figures font-bold break-words">{text}</dd>
                </div>
              ))}
            </dl>
            <Lines title={say('Kits')} lines={card.kits} />
            <dl className="mt-3 grid grid-cols-2 border-y-2 border-black text-center sm:grid-cols-6">
              {card.totals.map(([name, text]) => (
                <div key={name} className="flex flex-col-reverse py-1.5">
                  <dt className="text-xs">{name}</dt>
                  <dd className="figures text-lg font-bold whitespace-nowrap">{text}</dd>
                </div>
              ))}
            </dl>
            <Lines title={say('What applies')} lines={card.applies} empty={say('Nothing depends on an answer.')} />
            <Lines title={say('Decided')} lines={card.decided} />
            <h2 className="plate mt-4 text-2xl">{say('Cautions')}</h2>
            <ul>
              {card.cautions.map(({ text, critical }) => (
                <li key={text} className={`border-b border-gray-300 py-1 ${critical ? 'font-bold' : ''}`}>
                  {text}
                </li>
              ))}
            </ul>
            <p className="mt-4 text-xs">
              {say(
                'An aid, not an approval. The vehicle maker’s manual, the kit maker’s sheet and local law come first.',
              )}
            </p>
          </article>
        )}
      </main>
    </div>
  );
}

function Lines({ title, lines, empty }: { title: string; lines: readonly string[]; empty?: string }) {
  if (lines.length === 0 && empty === undefined) return null;
  return (
    <>
      <h2 className="plate mt-4 text-2xl">{title}</h2>
      {lines.length === 0 && <p>{empty}</p>}
      <ul>
        {lines.map((line) => (
          <li key={line} className="border-b border-gray-300 py-1">
            {line}
          </li>
        ))}
      </ul>
    </>
  );
}
