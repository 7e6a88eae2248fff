import { CloudUpload } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { counted, useBacklog } from '../job/backlog.ts';
import { tell } from '../ui/tell.ts';

const WaitingSheet = lazy(() => import('./WaitingSheet.tsx'));

/** How much on this device the server has not taken, on every screen; quiet while there is nothing. */
export function WaitingBadge() {
  const entries = useBacklog((state) => state.entries);
  const [open, setOpen] = useState(false);
  const { waiting, setAside } = counted(entries);
  if (waiting + setAside === 0 && !open) return null;
  return (
    <>
      <button
        type="button"
        className={`figures flex min-h-11 min-w-11 items-center gap-2 px-3 ${setAside > 0 ? 'bg-bad text-sheet' : 'bg-plate-2 text-on-plate'}`}
        onClick={() => setOpen(true)}
      >
        <CloudUpload size={18} aria-hidden="true" />
        <span aria-hidden="true">{waiting + setAside}</span>
        <span className="sr-only">
          {tell('{waiting} waiting on this device to be sent, {setAside} not taken by the server. Show them', {
            waiting,
            setAside,
          })}
        </span>
      </button>
      {open && (
        <Suspense fallback={null}>
          <WaitingSheet open={open} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
