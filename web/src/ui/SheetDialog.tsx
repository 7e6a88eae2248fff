import { Dialog } from 'radix-ui';
import type { SheetProps } from './sheet-props.ts';

/** The dialog behind {@link Sheet}, with the library that traps focus and scrolling in it. */
export default function SheetDialog({ open, onClose, title, description, children, wide = false }: SheetProps) {
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content
          // What is submitted in a sheet must not reach a form it was opened from: events pass through portals.
          onSubmit={(event) => event.stopPropagation()}
          className={`fixed inset-x-0 bottom-0 z-50 max-h-[92dvh] overflow-y-auto border-2 border-ink bg-sheet p-5 sm:inset-auto sm:top-1/2 sm:left-1/2 sm:w-full sm:-translate-x-1/2 sm:-translate-y-1/2 ${wide ? 'sm:max-w-3xl' : 'sm:max-w-lg'}`}
        >
          <Dialog.Title className="plate text-3xl">{title}</Dialog.Title>
          <Dialog.Description className={description ? 'mt-1 mb-4 text-ink-2' : 'sr-only'}>
            {description ?? title}
          </Dialog.Description>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
