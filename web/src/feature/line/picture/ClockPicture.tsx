import { say } from '#contract/wording/say.ts';
import type { LineClock } from '#core/job/line-clocks.ts';
import TimeRing, { countdown } from '../../../drawing/TimeRing.tsx';

/** How far a wait is; a dash while it has not begun. */
export default function ClockPicture({ clock, nowMs }: { clock?: LineClock; nowMs: number }) {
  const share = clock ? (nowMs - clock.sinceMs) / Math.max(1, clock.endsAtMs - clock.sinceMs) : 0;
  return (
    <TimeRing
      share={share}
      text={clock ? countdown(Math.max(0, Math.ceil((clock.endsAtMs - nowMs) / 1000))) : '–'}
      className="w-full max-w-72"
      label={say('How far the wait is')}
    />
  );
}
