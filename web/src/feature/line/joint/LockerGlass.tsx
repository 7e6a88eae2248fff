import { COMPOUND_TEXT } from '#contract/wording/en/terms.ts';
import { say } from '#contract/wording/say.ts';
import { lockerClock } from '#core/job/locker-window.ts';
import TimeRing, { countdown } from '../../../drawing/TimeRing.tsx';
import { tell } from '../../../ui/tell.ts';
import { useNow } from '../../../ui/use-now.ts';
import type { TorqueStep } from './use-torque-step.ts';

/** How long the locker can still be worked, and whether the pulls left fit in; nothing where no clock runs. */
export default function LockerGlass({ torque }: { torque: TorqueStep }) {
  const nowMs = useNow();
  const { plan, state, group, index } = torque;
  const clock = lockerClock(plan, state, group.id);
  if (!clock) return null;
  const leftS = Math.max(0, (clock.closesAtMs - nowMs) / 1000);
  const wholeS = (clock.closesAtMs - clock.openedAtMs) / 1000;
  const tight = leftS < clock.needsS;
  const compound = index.compounds.get(clock.compound);
  const color = compound?.kind === 'threadlockerHigh' || leftS === 0 ? 'var(--bad)' : 'var(--medium)';
  return (
    <div
      className="flex items-center gap-4 px-5 py-2"
      role="timer"
      aria-label={say('{which}: {countdown} left', {
        which: compound ? COMPOUND_TEXT[compound.kind] : say('Locker'),
        countdown: countdown(leftS),
      })}
    >
      <TimeRing share={leftS / wholeS} text={countdown(leftS)} color={color} className="size-17 shrink-0" />
      <div className="min-w-0">
        <p className={`font-bold ${tight ? 'text-bad' : ''}`}>
          {leftS === 0 ? say('Locker has begun to set') : tight ? say('Locker closing') : say('Locker still workable')}
        </p>
        <p className="text-sm text-ink-2">
          {tell('{which} left, {countdown} at this pace; the bead on station {label} is the oldest.', {
            which:
              clock.pullsLeft === 1 ? say('One pull is') : say('{pullsLeft} pulls are', { pullsLeft: clock.pullsLeft }),
            countdown: countdown(clock.needsS),
            label: index.stations.get(clock.oldest)?.label,
          })}
        </p>
      </div>
    </div>
  );
}
