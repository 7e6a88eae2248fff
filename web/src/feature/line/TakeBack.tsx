import { useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { say } from '#contract/wording/say.ts';
import { agoText, undoText } from '#contract/wording/undo-text.ts';
import type { JobCommand } from '#core/job/acts.ts';
import type { Undoable } from '#core/job/job-state.ts';
import { useJobStore } from '../../job/job-store.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { serverNowMs } from '../../shop/clock.ts';
import { useSession } from '../../shop/session.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';
import { FootButton } from './FootButton.tsx';

/** How long what was taken back may be put again with one press, ms. */
const OFFER_MS = 10_000;

/** What was taken back, and how it is put again. */
interface TakenBack {
  whole: string;
  again?: JobCommand;
}

/**
 * Takes back the last thing this person did. What that is stands on the key; where it lies on another screen it is shown
 * and asked about first, so that nothing hidden is undone.
 */
export function TakeBack({ shows, onBack }: { shows: (last: Undoable) => boolean; onBack?: () => void }) {
  const { plan, state, give } = useOpenJob();
  const person = useSession((session) => session.session?.person.id ?? '');
  const lastGiven = useJobStore((store) => store.lastGiven);
  const [asking, setAsking] = useState<Undoable>();
  const [taken, setTaken] = useState<TakenBack>();
  useEffect(() => {
    if (!taken) return undefined;
    const timer = setTimeout(() => setTaken(undefined), OFFER_MS);
    return () => clearTimeout(timer);
  }, [taken]);
  const last = state.undoable[person];
  const text = last && undoText(plan, state, last);
  const ago = (of: Undoable) => (of.atMs === undefined ? '' : `, ${agoText(serverNowMs() - of.atMs)}`);
  const takeBack = () => {
    setAsking(undefined);
    if (!text || !give({ type: 'undo' })) return;
    // What a live wrench sent counts once: it is pulled again, not put again.
    const live = lastGiven?.type === 'pull' && lastGiven.source === 'live';
    setTaken({ whole: text.whole, again: lastGiven?.type === last?.act && !live ? lastGiven : undefined });
  };
  const press = () => {
    if (onBack) return onBack();
    if (!last) return void give({ type: 'undo' });
    return shows(last) ? takeBack() : setAsking(last);
  };
  useHotkeys('u', press, [press]);
  return (
    <>
      <FootButton
        text={say('Take back')}
        hotkey="U"
        under={onBack ? say('last answer') : text?.short}
        whole={onBack ? say('the last answer') : text?.whole}
        onClick={press}
      />
      {taken && (
        <div
          role="status"
          className="absolute inset-x-0 bottom-full z-10 flex flex-wrap items-center justify-between gap-2 border-t-2 border-ink bg-sheet px-4 py-2"
        >
          <span>{tell('Taken back: {whole}', { whole: <b>{taken.whole}</b> })}</span>
          {taken.again && (
            <Button
              onClick={() => {
                if (taken.again) give(taken.again);
                setTaken(undefined);
              }}
            >
              {say('Put again')}
            </Button>
          )}
        </div>
      )}
      <Sheet
        open={asking !== undefined}
        onClose={() => setAsking(undefined)}
        title={say('Take this back?')}
        description={say('It is not on the screen in front of you.')}
      >
        <p className="text-xl">
          {asking && undoText(plan, state, asking).whole}
          {asking && ago(asking)}
        </p>
        <div className="mt-4 grid grid-cols-2 gap-2">
          <Button onClick={() => setAsking(undefined)}>{say('Leave it')}</Button>
          <Button tone="primary" onClick={takeBack}>
            {say('Take it back')}
          </Button>
        </div>
      </Sheet>
    </>
  );
}
