import { lazy, memo, Suspense } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useLocation } from 'react-router';
import { say } from '#contract/wording/say.ts';
import { Key } from '../ui/Button.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { useHelp } from './help-store.ts';
import type { Shortcut } from './shortcut.ts';

/** Read when it is first asked for. */
const HelpBody = lazy(() => import('./HelpBody.tsx'));

/** `?` says what the screen it stands on is for, what its words mean, why it insists, and its keys. */
export const HelpSheet = memo(function HelpSheet({ shortcuts }: { shortcuts: readonly Shortcut[] }) {
  const { open, show } = useHelp();
  const { pathname } = useLocation();
  useHotkeys('shift+slash', () => show(true), { useKey: false });
  useHotkeys('?', () => show(true), { useKey: true });
  return (
    <>
      <button
        type="button"
        className="hidden min-h-11 min-w-11 text-on-plate-2 sm:block"
        aria-label={say('Help for this screen')}
        onClick={() => show(true)}
      >
        <Key>?</Key>
      </button>
      <Sheet open={open} onClose={() => show(false)} title={say('This screen')} wide>
        <Suspense fallback={<p className="text-ink-2">{say('One moment.')}</p>}>
          <HelpBody path={pathname} shortcuts={shortcuts} onLeave={() => show(false)} />
        </Suspense>
      </Sheet>
    </>
  );
});
