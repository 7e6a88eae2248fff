import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { lineState } from '#core/job/job-state.ts';
import { piecesApart } from '#core/job/pieces-apart.ts';
import type { PlanItem } from '#core/kit/plan.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { takePhoto } from '../../shop/photos.ts';
import { Button } from '../../ui/Button.tsx';
import { ReasonSheet } from '../../ui/ReasonSheet.tsx';
import { tell } from '../../ui/tell.ts';

/** Pieces that are not to be used: taken aside with a reason and a photo, and what becomes of them. */
export function Aside({ item, free }: { item: PlanItem; free: number }) {
  const { document, state, give } = useOpenJob();
  const [asking, setAsking] = useState<'aside' | 'tray' | 'scrap'>();
  const [photo, setPhoto] = useState<string>();
  const [fault, setFault] = useState<string>();
  const line = lineState(state, item.id);
  const apart = piecesApart(line);
  const pick = async (file: File | undefined) => {
    if (!file) return;
    setFault(undefined);
    try {
      setPhoto(await takePhoto(document.id, file));
    } catch (error) {
      setFault(error instanceof Error ? error.message : String(error));
    }
  };
  const close = () => {
    setAsking(undefined);
    setPhoto(undefined);
    setFault(undefined);
  };
  return (
    <section aria-label={say('Taken aside')} className="mt-3">
      {apart > 0 && (
        <div className="border-2 border-bad p-3">
          <p className="font-bold">{tell('{apart} taken aside', { apart })}</p>
          <ul className="text-sm">
            {line.apart?.map(({ commandId, quantity, reason, photo: shown, by }) => (
              <li key={commandId}>
                {quantity} × {reason}, {by.name}
                {shown && (
                  <>
                    {' '}
                    <a
                      className="underline"
                      href={`/api/jobs/${document.id}/photos/${shown}`}
                      target="_blank"
                      rel="noreferrer"
                    >
                      {say('photo')}
                    </a>
                  </>
                )}
              </li>
            ))}
          </ul>
          <div className="mt-2 grid grid-cols-2 gap-2">
            <Button onClick={() => setAsking('tray')}>{say('Good after all')}</Button>
            <Button onClick={() => setAsking('scrap')}>{say('Scrap it')}</Button>
          </div>
        </div>
      )}
      {line.count && free > 0 && (
        <Button className="mt-2 w-full" onClick={() => setAsking('aside')}>
          {say('Take one aside')}
        </Button>
      )}
      <ReasonSheet
        open={asking === 'aside'}
        onClose={close}
        title={say('Take aside: {line} {name}', { line: item.line, name: item.name })}
        label={say('What is wrong with it?')}
        confirm={say('Take it aside')}
        usual={[say('Damaged thread'), say('Bent'), say('Wrong finish'), say('Not what the sheet says')]}
        onReason={(reason) => {
          give({ type: 'setApart', item: item.id, quantity: 1, reason, ...(photo ? { photo } : {}) });
          close();
        }}
      >
        <label className="flex min-h-14 cursor-pointer items-center justify-center border-2 border-ink px-4 font-bold">
          {photo ? say('Photo kept. Take another') : say('Take a photo of it')}
          <input
            type="file"
            accept="image/*"
            capture="environment"
            className="sr-only"
            onChange={(event) => void pick(event.target.files?.[0])}
          />
        </label>
        {fault && (
          <p role="alert" className="font-bold text-bad">
            {fault}
          </p>
        )}
      </ReasonSheet>
      <ReasonSheet
        open={asking === 'tray' || asking === 'scrap'}
        onClose={close}
        title={asking === 'tray' ? say('Good after all') : say('Scrap it')}
        label={say('Why?')}
        confirm={asking === 'tray' ? say('Back on the tray') : say('To scrap')}
        usual={
          asking === 'tray'
            ? [say('Thread chased, nut runs on'), say('Dressed and looked at again')]
            : [say('Cannot be used')]
        }
        onReason={(reason) => {
          if (asking === 'tray' || asking === 'scrap')
            give({ type: 'endApart', item: item.id, quantity: 1, to: asking, reason });
          close();
        }}
      >
        <p>{tell('One of {apart}.', { apart })}</p>
      </ReasonSheet>
    </section>
  );
}
