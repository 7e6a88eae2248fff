import { lazy, Suspense, useRef } from 'react';
import type { SheetProps } from './sheet-props.ts';

/** Fetched with the first sheet that opens: most screens are worked without one. */
const SheetDialog = lazy(() => import('./SheetDialog.tsx'));

/** A dialog in the house's dress. Escape and the backdrop close it. */
export function Sheet(props: SheetProps) {
  // Once opened it stays mounted, so that closing hands the focus back to where it was.
  const wanted = useRef(false);
  wanted.current ||= props.open;
  if (!wanted.current) return null;
  return (
    <Suspense fallback={null}>
      <SheetDialog {...props} />
    </Suspense>
  );
}
