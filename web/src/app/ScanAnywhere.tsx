import { lazy, Suspense, useCallback, useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { Sheet } from '../ui/Sheet.tsx';
import { useScanner } from './use-scanner.ts';

/** Fetched with the first code: it looks through the whole shop. */
const ScannedSheet = lazy(() => import('../feature/find/ScannedSheet.tsx'));

/**
 * What a scanner reads on a screen that has no use for it: a job's card opens the job, a plate the vehicle, a serial the
 * crib. What is called so more than once, or not at all, is looked for in the open.
 */
export function ScanAnywhere() {
  const [scanned, setScanned] = useState<string>();
  useScanner((code) => {
    // A dialog is in the way of everything else, a scanner too.
    if (document.querySelector('[role="dialog"]')) return false;
    setScanned(code);
    return true;
  });
  const close = useCallback(() => setScanned(undefined), []);
  return (
    <Sheet open={scanned !== undefined} onClose={close} title={say('Scanned')} wide>
      {scanned !== undefined && (
        <Suspense fallback={<p className="text-ink-2">{say('Fetching the line.')}</p>}>
          <ScannedSheet key={scanned} scanned={scanned} onGone={close} />
        </Suspense>
      )}
    </Sheet>
  );
}
