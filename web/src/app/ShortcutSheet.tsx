import { memo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Key } from '../ui/Button.tsx';
import { Sheet } from '../ui/Sheet.tsx';

export interface Shortcut {
  keys: string;
  does: string;
}

/** `?` lists the keys of the screen it stands on. */
export const ShortcutSheet = memo(function ShortcutSheet({ shortcuts }: { shortcuts: readonly Shortcut[] }) {
  const [open, setOpen] = useState(false);
  useHotkeys('shift+slash', () => setOpen(true), { useKey: false });
  useHotkeys('?', () => setOpen(true), { useKey: true });
  return (
    <>
      <button
        type="button"
        className="min-h-11 min-w-11 text-on-plate-2"
        aria-label="Keys of this screen"
        onClick={() => setOpen(true)}
      >
        <Key>?</Key>
        <span className="sm:hidden">?</span>
      </button>
      <Sheet open={open} onClose={() => setOpen(false)} title="Keys of this screen">
        <dl className="grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-2">
          {[...shortcuts, { keys: '?', does: 'This list' }, { keys: 'Esc', does: 'Close what is open' }].map(
            ({ keys, does }) => (
              <div className="contents" key={keys}>
                <dt className="figures border border-rule px-2 py-1 text-center text-sm">{keys}</dt>
                <dd>{does}</dd>
              </div>
            ),
          )}
        </dl>
      </Sheet>
    </>
  );
});
