import { useMemo, useState } from 'react';
import { clockName } from '#contract/wording/clock-text.ts';
import { minutesText } from '#contract/wording/minutes-text.ts';
import { say } from '#contract/wording/say.ts';
import { sinceYouLeft } from '#core/job/since-you-left.ts';
import { useJobStore } from '../../job/job-store.ts';
import { serverNowMs } from '../../shop/clock.ts';
import { clockText } from '../../shop/clock-text.ts';
import { Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';
import type { LineInHand } from './use-line.ts';

const MINUTE_MS = 60_000;

/** Back after a break: what another did, and the clocks that ran out. Told once, when the line comes on screen. */
export function SinceYouLeft({ line }: { line: LineInHand }) {
  const { plan, state, document, person } = line;
  const [read, setRead] = useState<string>();
  // What this device kept is older than what the server tells a moment later.
  const live = useJobStore((store) => store.link === 'live');
  // What was there when this person came to the line: what they see happen is not news.
  // biome-ignore lint/correctness/useExhaustiveDependencies: told for the person, not for each entry
  const since = useMemo(() => {
    const atMs = serverNowMs();
    const events = document.events.map(({ event }) => event);
    const found = sinceYouLeft(plan, state, events, person, atMs);
    return found && { ...found, atMs };
  }, [person, document.id, live]);
  if (!since || read === person || state.closed) return null;
  return (
    <section
      aria-label={say('Since you left')}
      className="flex flex-wrap items-center gap-x-6 gap-y-2 border-b-2 border-ink bg-sheet px-5 py-2"
    >
      <div className="min-w-60 flex-1">
        <b>
          {tell('Since you left, {minutesText} ago:', {
            minutesText: minutesText(Math.max(1, (since.atMs - since.leftAtMs) / MINUTE_MS)),
          })}
        </b>
        <ul>
          {since.others.map(({ name, steps, groups, problems }) => {
            const numbers = steps
              .flatMap((id) => line.line.stepById.get(id)?.number ?? [])
              .sort((a, b) => a - b)
              .map((number) => say('step {number}', { number }));
            return (
              <li key={name}>
                {name}:{' '}
                {[...numbers, ...groups, ...problems.map((text) => `problem: ${text}`)].join(', ') || say('was here')}
              </li>
            );
          })}
          {since.over.map((clock) => (
            <li key={clock.id}>
              {tell('{clockName}: over since {clockText}', {
                clockName: clockName(plan, clock),
                clockText: <span className="figures">{clockText(clock.endsAtMs)}</span>,
              })}
            </li>
          ))}
        </ul>
      </div>
      <Button tone="dark" onClick={() => setRead(person)}>
        {say('Seen')}
      </Button>
    </section>
  );
}
