import { type ChangeEvent, useRef } from 'react';
import { Button } from '../../../../ui/Button.tsx';

export function ToolButton({
  children,
  label,
  ...rest
}: {
  children: string;
  label: string;
  disabled?: boolean;
  onClick: () => void;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      className="min-h-11 min-w-11 border border-rule px-2 text-sm font-bold disabled:text-ink-2 disabled:opacity-50"
      {...rest}
    >
      {children}
    </button>
  );
}

export function FileButton({
  label,
  accept,
  onFile,
}: {
  label: string;
  accept: string;
  onFile: (event: ChangeEvent<HTMLInputElement>) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button className="min-h-11!" onClick={() => input.current?.click()}>
        {label}
      </Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => void onFile(event)}
      />
    </>
  );
}
