import { Outlet, useOutletContext } from 'react-router';
import { say } from '#contract/wording/say.ts';
import { FIND_KEY } from '../../app/FindButton.tsx';
import { TopBar } from '../../app/TopBar.tsx';
import { TabBar } from '../../ui/TabBar.tsx';
import { type CribHook, useCrib } from './use-crib.ts';

const TABS = [
  { to: '/crib', text: say('Wrenches'), end: true },
  { to: '/crib/tools', text: say('Sockets and tools') },
  { to: '/crib/compounds', text: say('Compounds') },
  { to: '/crib/fasteners', text: say('Fasteners') },
  { to: '/crib/reorder', text: say('Reorder') },
];

/** The store: its walls as tabs, and what went wrong last. */
export default function CribShell() {
  const hook = useCrib();
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <TopBar
        keys={[
          FIND_KEY,
          { keys: 'Tab', does: say('To the next thing') },
          { keys: 'Space', does: say('Pull on the tester, then keep the check') },
        ]}
      />
      <TabBar label={say('Crib')} tabs={TABS} />
      {hook.failure && (
        <p
          role="alert"
          className="flex items-center justify-between gap-3 border-b-2 border-bad bg-sheet px-5 py-2 font-bold text-bad"
        >
          {hook.failure}
          <button type="button" className="min-h-11 px-3 underline" onClick={hook.clearFailure}>
            {say('Seen')}
          </button>
        </p>
      )}
      {hook.crib ? (
        <Outlet context={hook} />
      ) : (
        <p className="flex-1 bg-bench p-5 text-ink-2">{say('Reading the crib.')}</p>
      )}
    </div>
  );
}

/** The crib, once it has been read. */
export function useOpenCrib(): CribHook & { crib: NonNullable<CribHook['crib']> } {
  const hook = useOutletContext<CribHook>();
  if (!hook.crib) throw new Error('useOpenCrib stands inside CribShell, which waits for the crib');
  return { ...hook, crib: hook.crib };
}
