import { NavLink, Outlet, useOutletContext } from 'react-router';
import { FIND_KEY } from '../../app/FindButton.tsx';
import { TopBar } from '../../app/TopBar.tsx';
import { type CribHook, useCrib } from './use-crib.ts';

const TABS = [
  { to: '/crib', text: 'Wrenches', end: true },
  { to: '/crib/tools', text: 'Sockets and tools' },
  { to: '/crib/compounds', text: 'Compounds' },
  { to: '/crib/fasteners', text: 'Fasteners' },
  { to: '/crib/reorder', text: 'Reorder' },
];

/** The store: its walls as tabs, and what went wrong last. */
export default function CribShell() {
  const hook = useCrib();
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <TopBar
        keys={[
          FIND_KEY,
          { keys: 'Tab', does: 'To the next thing' },
          { keys: 'Space', does: 'Pull on the tester, then keep the check' },
        ]}
      />
      <nav aria-label="Crib" className="flex overflow-x-auto border-b-2 border-ink bg-floor">
        {TABS.map(({ to, text, end }) => (
          <NavLink
            key={to}
            to={to}
            end={end}
            className={({ isActive }) =>
              `plate flex min-h-14 items-center px-5 text-2xl whitespace-nowrap ${isActive ? 'bg-bench' : 'text-ink-2'}`
            }
          >
            {text}
          </NavLink>
        ))}
      </nav>
      {hook.failure && (
        <p
          role="alert"
          className="flex items-center justify-between gap-3 border-b-2 border-bad bg-sheet px-5 py-2 font-bold text-bad"
        >
          {hook.failure}
          <button type="button" className="min-h-11 px-3 underline" onClick={hook.clearFailure}>
            Seen
          </button>
        </p>
      )}
      {hook.crib ? <Outlet context={hook} /> : <p className="flex-1 bg-bench p-5 text-ink-2">Reading the crib.</p>}
    </div>
  );
}

/** The crib, once it has been read. */
export function useOpenCrib(): CribHook & { crib: NonNullable<CribHook['crib']> } {
  const hook = useOutletContext<CribHook>();
  if (!hook.crib) throw new Error('useOpenCrib stands inside CribShell, which waits for the crib');
  return { ...hook, crib: hook.crib };
}
