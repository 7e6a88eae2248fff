import { type InputHTMLAttributes, useEffect, useId, useState } from 'react';

/**
 * A field that takes effect when it is left or Enter is pressed; Escape gives back what was there. What it cannot take
 * stays in it, with the reason beneath.
 */
export function CommitField({
  value,
  onCommit,
  label,
  hideLabel = false,
  multiline = false,
  className = '',
  ...rest
}: {
  value: string;
  /** Takes what was typed, or says why not. */
  onCommit: (typed: string) => string | undefined;
  label: string;
  hideLabel?: boolean;
  multiline?: boolean;
} & Omit<InputHTMLAttributes<HTMLInputElement>, 'value' | 'onChange'>) {
  const id = useId();
  const [typed, setTyped] = useState(value);
  const [fault, setFault] = useState<string>();
  useEffect(() => {
    setTyped(value);
    setFault(undefined);
  }, [value]);
  const commit = () => {
    if (typed === value) return setFault(undefined);
    return setFault(onCommit(typed));
  };
  const shared = {
    id,
    value: typed,
    'aria-invalid': fault !== undefined,
    'aria-describedby': fault ? `${id}-fault` : undefined,
    className: `w-full border-2 bg-sheet px-2 ${multiline ? 'py-1' : 'min-h-11'} ${fault ? 'border-bad' : 'border-rule focus:border-ink'} ${className}`,
    onBlur: commit,
  };
  return (
    <div className="min-w-0">
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'block text-sm text-ink-2'}>
        {label}
      </label>
      {multiline ? (
        <textarea
          {...shared}
          rows={2}
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={(event) => event.key === 'Escape' && setTyped(value)}
        />
      ) : (
        <input
          {...rest}
          {...shared}
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') commit();
            if (event.key === 'Escape') setTyped(value);
            rest.onKeyDown?.(event);
          }}
        />
      )}
      {fault && (
        <p id={`${id}-fault`} role="alert" className="text-sm font-bold text-bad">
          {fault}
        </p>
      )}
    </div>
  );
}

/** Reads a typed length or count: a comma is a decimal comma. @returns NaN for what is no number */
export const typedNumber = (typed: string): number =>
  typed.trim() === '' ? Number.NaN : Number(typed.trim().replace(',', '.'));
