import { arc } from 'd3-shape';
import { COMPOUND_TEXT } from '#contract/wording/en/terms.ts';
import { lockerClock } from '#core/job/locker-window.ts';
import { useNow } from '../../../ui/use-now.ts';
import type { TorqueStep } from './use-torque-step.ts';

const ring = arc<number>()
  .innerRadius(26)
  .outerRadius(34)
  .startAngle(0)
  .endAngle((share) => share * 2 * Math.PI);

/** Minutes and seconds: 7:12. */
const minutes = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

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
      aria-label={`${compound ? COMPOUND_TEXT[compound.kind] : 'Locker'}: ${minutes(leftS)} left`}
    >
      <svg viewBox="-36 -36 72 72" className="size-17 shrink-0" aria-hidden="true">
        <path d={ring(1) ?? ''} fill="var(--hair)" />
        <path d={ring(Math.min(1, leftS / wholeS)) ?? ''} fill={color} />
        <text textAnchor="middle" dominantBaseline="central" fontSize={15} fontWeight={700} className="figures">
          {minutes(leftS)}
        </text>
      </svg>
      <div className="min-w-0">
        <p className={`font-bold ${tight ? 'text-bad' : ''}`}>
          {leftS === 0 ? 'Locker has begun to set' : tight ? 'Locker closing' : 'Locker still workable'}
        </p>
        <p className="text-sm text-ink-2">
          {clock.pullsLeft} to go; this pace needs {minutes(clock.needsS)}. Oldest bead is Station{' '}
          {index.stations.get(clock.oldest)?.label}.
        </p>
      </div>
    </div>
  );
}
