import { useState } from 'react';
import { lineState } from '#core/job/job-state.ts';
import { piecesApart } from '#core/job/pieces-apart.ts';
import type { PlanItem } from '#core/kit/plan.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { takePhoto } from '../../shop/photos.ts';
import { Button } from '../../ui/Button.tsx';
import { ReasonSheet } from '../../ui/ReasonSheet.tsx';

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
    <section aria-label="Taken aside" className="mt-3">
      {apart > 0 && (
        <div className="border-2 border-bad p-3">
          <p className="font-bold">{apart} taken aside</p>
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
                      photo
                    </a>
                  </>
                )}
              </li>
            ))}
          </ul>
          <div className="mt-2 grid grid-cols-2 gap-2">
            <Button onClick={() => setAsking('tray')}>Good after all</Button>
            <Button onClick={() => setAsking('scrap')}>Scrap it</Button>
          </div>
        </div>
      )}
      {line.count && free > 0 && (
        <Button className="mt-2 w-full" onClick={() => setAsking('aside')}>
          Take one aside
        </Button>
      )}
      <ReasonSheet
        open={asking === 'aside'}
        onClose={close}
        title={`Take aside: ${item.line} ${item.name}`}
        label="What is wrong with it?"
        confirm="Take it aside"
        usual={['Damaged thread', 'Bent', 'Wrong finish', 'Not what the sheet says']}
        onReason={(reason) => {
          give({ type: 'setApart', item: item.id, quantity: 1, reason, ...(photo ? { photo } : {}) });
          close();
        }}
      >
        <label className="flex min-h-14 cursor-pointer items-center justify-center border-2 border-ink px-4 font-bold">
          {photo ? 'Photo kept. Take another' : 'Take a photo of it'}
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
        title={asking === 'tray' ? 'Good after all' : 'Scrap it'}
        label="Why?"
        confirm={asking === 'tray' ? 'Back on the tray' : 'To scrap'}
        usual={asking === 'tray' ? ['Thread chased, nut runs on', 'Dressed and looked at again'] : ['Cannot be used']}
        onReason={(reason) => {
          if (asking === 'tray' || asking === 'scrap')
            give({ type: 'endApart', item: item.id, quantity: 1, to: asking, reason });
          close();
        }}
      >
        <p>One of {apart}.</p>
      </ReasonSheet>
    </section>
  );
}
