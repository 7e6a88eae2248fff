import { NavLink } from 'react-router';
import { say } from '#contract/wording/say.ts';
import { useOpenJob } from './use-open-job.ts';

const look = ({ isActive }: { isActive: boolean }) =>
  `plate flex min-h-12 items-center px-4 text-xl ${isActive ? 'border-b-4 border-ink' : 'border-b-4 border-transparent text-ink-2'}`;

/** The leaves of receiving: answers, conflicts between kits, what the day needs, and the card to print. */
export function ReceiveTabs() {
  const { plan } = useOpenJob();
  const open = plan.conflicts.filter((conflict) => conflict.settled === undefined).length;
  return (
    <nav aria-label={say('Receive')} className="flex flex-wrap border-b-2 border-ink bg-sheet print:hidden">
      <NavLink to="../receive" className={look}>
        {say('Answers')}
      </NavLink>
      <NavLink to="../conflicts" className={look}>
        {say('Conflicts')}
        {open > 0 && <span className="figures ml-2 bg-bad px-1.5 text-base text-sheet">{open}</span>}
      </NavLink>
      <NavLink to="../readiness" className={look}>
        {say('Readiness')}
      </NavLink>
      <NavLink to="../card" className={look}>
        {say('Job card')}
      </NavLink>
    </nav>
  );
}
