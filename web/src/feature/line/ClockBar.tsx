import { useEffect, useRef } from 'react';
import { clockName } from '#contract/wording/clock-text.ts';
import { CLOCK_GATE_TEXT } from '#contract/wording/en/line.ts';
import { minutesText } from '#contract/wording/minutes-text.ts';
import { runningClocks } from '#core/job/line-clocks.ts';
import { chime } from '../../shop/chime.ts';
import { useSettings } from '../../shop/settings.ts';
import { clockText } from './ClockPanel.tsx';
import type { LineInHand } from './use-line.ts';

const MINUTE_MS = 60_000;

/** Every clock of the job that runs, the one that ends first in front; a buzz when one is over. */
export function ClockBar({ line }: { line: LineInHand }) {
  const { plan, state, nowMs } = line;
  const clocks = runningClocks(plan, state, nowMs);
  const sound = useSettings((settings) => settings.sound);
  const waits = clocks.filter(({ kind }) => kind !== 'cure').length;
  const before = useRef(waits);
  useEffect(() => {
    // One fewer than a moment ago: it ran out, or what it waited for was done by hand.
    if (waits < before.current && sound) chime();
    before.current = waits;
  }, [waits, sound]);
  if (clocks.length === 0 || state.closed) return null;
  return (
    <ul
      aria-label="Clocks that run"
      className="flex gap-x-5 gap-y-1 overflow-x-auto border-b border-rule bg-sheet px-5 py-1.5 text-sm whitespace-nowrap"
    >
      {clocks.map((clock) => (
        <li key={clock.id} className="flex gap-1.5">
          <span className="wait-hatched w-4 shrink-0" aria-hidden="true" />
          <span>
            <b className="figures">{clockText(clock.endsAtMs)}</b> {clockName(plan, clock)}
            <span className="text-ink-2">
              {' '}
              · {minutesText(Math.max(1, (clock.endsAtMs - nowMs) / MINUTE_MS))}
              {clock.gates.length > 0 && ` · before ${clock.gates.map((gate) => CLOCK_GATE_TEXT[gate]).join(', ')}`}
            </span>
          </span>
        </li>
      ))}
    </ul>
  );
}
