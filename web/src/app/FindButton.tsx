import { Search } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { say } from '#contract/wording/say.ts';
import { Sheet } from '../ui/Sheet.tsx';

/** Fetched when it is first opened: it knows every tool of the bench. */
const FindLine = lazy(() => import('../feature/find/FindLine.tsx'));

/** For the list of keys of every screen under the bar. */
export const FIND_KEY = { keys: '/', does: say('Find in the shop') };

/** `/` finds anything of the shop from any of its screens. */
export function FindButton() {
  const [open, setOpen] = useState(false);
  useHotkeys('/', () => setOpen(true), { useKey: true, preventDefault: true });
  return (
    <>
      <button
        type="button"
        className="grid min-h-11 min-w-11 place-items-center text-on-plate-2"
        aria-label={say('Find in the shop')}
        onClick={() => setOpen(true)}
      >
        <Search aria-hidden size={22} />
      </button>
      <Sheet open={open} onClose={() => setOpen(false)} title={say('Find')} wide>
        {open && (
          <Suspense fallback={<p className="text-ink-2">{say('Fetching the line.')}</p>}>
            <FindLine onGone={() => setOpen(false)} />
          </Suspense>
        )}
      </Sheet>
    </>
  );
}
