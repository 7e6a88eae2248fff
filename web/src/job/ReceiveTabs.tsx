import { NavLink } from 'react-router';
import { useOpenJob } from './use-open-job.ts';

const look = ({ isActive }: { isActive: boolean }) =>
  `plate flex min-h-12 items-center px-4 text-xl ${isActive ? 'border-b-4 border-ink' : 'border-b-4 border-transparent text-ink-2'}`;

/** The leaves of receiving: answers, conflicts between kits, what the day needs, and the card to print. */
export function ReceiveTabs() {
  const { plan } = useOpenJob();
  const open = plan.conflicts.filter((conflict) => conflict.settled === undefined).length;
  return (
    <nav aria-label="Receive" className="flex flex-wrap border-b-2 border-ink bg-sheet print:hidden">
      <NavLink to="../receive" className={look}>
        Answers
      </NavLink>
      <NavLink to="../conflicts" className={look}>
        Conflicts
        {open > 0 && <span className="figures ml-2 bg-bad px-1.5 text-base text-sheet">{open}</span>}
      </NavLink>
      <NavLink to="../readiness" className={look}>
        Readiness
      </NavLink>
      <NavLink to="../card" className={look}>
        Job card
      </NavLink>
    </nav>
  );
}
