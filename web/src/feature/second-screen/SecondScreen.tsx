import { Maximize } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { say } from '#contract/wording/say.ts';
import { holdText, letGoText } from '#contract/wording/second-hand-text.ts';
import { nextOnLine } from '#core/job/line-next.ts';
import { type SecondHand, secondHand } from '#core/job/second-hand.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { chime } from '../../shop/chime.ts';
import { serverNowMs } from '../../shop/clock.ts';
import { useSession } from '../../shop/session.ts';
import { useSettings } from '../../shop/settings.ts';
import { Button } from '../../ui/Button.tsx';
import { FarPanel } from '../line/FarPanel.tsx';
import { useAwake } from '../line/use-awake.ts';

/** How long `Let go` stands, ms: as long as it takes to look up. */
const LET_GO_MS = 6000;

/** What is held, so that a change of it is seen. */
const heldKey = (hand: SecondHand): string =>
  hand.holds === 'otherEnd'
    ? `${hand.station} ${hand.until}`
    : hand.holds === 'part'
      ? hand.group
      : hand.holds === 'thing'
        ? hand.act
        : '';

/**
 * A second screen for the wall or for whoever lends a hand: it follows the work of the tablet in the bay, and nothing is
 * recorded on it.
 */
export default function SecondScreen() {
  const { plan, state, document: job } = useOpenJob();
  const [search, setSearch] = useSearchParams();
  const person = useSession((session) => session.session?.person.id) ?? '';
  useAwake();
  // Whoever gave the last event is at the car; before the first it is whoever looks.
  const atWork = job.events.at(-1)?.event.by.id ?? person;
  const nowMs = serverNowMs();
  const act = nextOnLine(plan, state, atWork, nowMs)?.act;
  const hand: SecondHand = act ? secondHand(plan, state, act, nowMs) : { holds: 'nothing' };
  const letGo = useLetGo(hand);
  const view = search.get('view') === 'wall' ? 'wall' : 'helper';
  return (
    <div className="flex flex-1 flex-col bg-bench lg:min-h-0">
      <div className="flex flex-wrap items-center gap-2 border-b-2 border-ink bg-sheet px-4 py-2 print:hidden">
        {(['helper', 'wall'] as const).map((name) => (
          <Button
            key={name}
            className="min-h-12!"
            tone={view === name ? 'dark' : 'plain'}
            aria-pressed={view === name}
            onClick={() => setSearch({ view: name }, { replace: true })}
          >
            {name === 'helper' ? say('For the helper') : say('For the wall')}
          </Button>
        ))}
        <p className="min-w-40 flex-1 text-sm text-ink-2">
          {say('Follows the tablet in the bay. Nothing is recorded here.')}
        </p>
        {document.fullscreenEnabled && (
          <Button className="min-h-12!" onClick={() => void document.documentElement.requestFullscreen()}>
            <Maximize size={20} aria-hidden="true" className="mr-2 inline" />
            {say('Whole screen')}
          </Button>
        )}
      </div>
      {view === 'helper' && (
        <section
          aria-label={say('For the helper')}
          aria-live="assertive"
          className={`border-b-2 border-ink px-6 py-5 ${letGo ? 'bg-paint text-on-paint' : hand.holds === 'nothing' ? 'bg-sheet' : 'bg-plate text-on-plate'}`}
        >
          {letGo ? (
            <p className="plate text-6xl sm:text-8xl">{say('Let go')}</p>
          ) : (
            <>
              <p className="plate text-4xl text-balance sm:text-6xl">{holdText(plan, hand)}</p>
              <p className="mt-2 text-2xl sm:text-3xl">{letGoText(plan, hand)}</p>
            </>
          )}
        </section>
      )}
      <FarPanel plan={plan} state={state} act={act} />
    </div>
  );
}

/** Whether what was held is done with just now. */
function useLetGo(hand: SecondHand): boolean {
  const key = heldKey(hand);
  const before = useRef(key);
  const [until, setUntil] = useState<string>();
  useEffect(() => {
    const held = before.current;
    before.current = key;
    if (held === '' || held === key) return undefined;
    setUntil(held);
    if (useSettings.getState().sound) chime();
    const timer = setTimeout(() => setUntil(undefined), LET_GO_MS);
    return () => clearTimeout(timer);
  }, [key]);
  return until !== undefined;
}
