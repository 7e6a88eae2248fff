import type { ReactNode } from 'react';

/** A labelled field of a form with what is wrong beneath it; the child is the input, which takes the given id. */
export function FormField({
  id,
  label,
  fault,
  hint,
  children,
}: {
  id: string;
  label: string;
  fault?: string;
  hint?: string;
  children: ReactNode;
}) {
  return (
    <div className="grid content-start gap-1">
      <label htmlFor={id} className="font-bold">
        {label}
      </label>
      {children}
      {fault ? (
        <p role="alert" className="text-sm font-bold text-bad">
          {fault}
        </p>
      ) : (
        hint && <p className="text-sm text-ink-2">{hint}</p>
      )}
    </div>
  );
}

/** The look of an input in a form. */
export const inputLook = (fault: unknown): string =>
  `min-h-12 w-full border-2 bg-sheet px-3 ${fault ? 'border-bad' : 'border-ink'}`;
