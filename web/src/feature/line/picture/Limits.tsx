import { lazy, Suspense } from 'react';

/** Scales are fetched with the first value that has limits: many lines open with none. */
const LimitRule = lazy(() =>
  import('../../../drawing/LimitRule.tsx').then((drawing) => ({ default: drawing.LimitRule })),
);

/** A figure against its limits; its room is kept while the drawing comes. */
export const Limits = (props: { unit: string; min?: number; max?: number; value?: number }) =>
  props.min === undefined && props.max === undefined ? null : (
    <Suspense fallback={<div className="aspect-[400/62] w-full" />}>
      <LimitRule {...props} />
    </Suspense>
  );
