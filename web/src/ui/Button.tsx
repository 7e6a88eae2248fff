import type { ComponentProps, ReactNode } from 'react';

type Tone = 'primary' | 'plain' | 'dark' | 'bad';

const TONES: Record<Tone, string> = {
  primary: 'bg-paint text-on-paint border-paint',
  plain: 'bg-sheet text-ink border-ink',
  dark: 'bg-plate text-on-plate border-plate',
  bad: 'bg-sheet text-bad border-bad',
};

export interface ButtonProps extends ComponentProps<'button'> {
  tone?: Tone;
  /** The key that does the same, shown on the button. */
  hotkey?: string;
  children: ReactNode;
}

/** A target for a gloved finger: at least 56 px high. */
export function Button({ tone = 'plain', hotkey, children, className = '', type = 'button', ...rest }: ButtonProps) {
  return (
    <button
      type={type}
      className={`inline-flex min-h-14 items-center justify-center gap-3 border-2 px-4 font-bold disabled:border-rule disabled:bg-hair disabled:text-ink-2 ${TONES[tone]} ${className}`}
      {...rest}
    >
      {children}
      {hotkey !== undefined && <Key>{hotkey}</Key>}
    </button>
  );
}

/** A key cap. */
export function Key({ children }: { children: ReactNode }) {
  return (
    <kbd className="figures hidden border-[1.5px] border-current px-1.5 py-0.5 text-sm leading-tight sm:inline-block">
      {children}
    </kbd>
  );
}

/** The one big action of a screen: a full-width bar in paint yellow. */
export function ActionBar({ children, hotkey = 'SPACE', className = '', ...rest }: ButtonProps) {
  return (
    <button
      type="button"
      className={`thumb-bar plate flex min-h-22 w-full items-center justify-between gap-4 bg-paint px-6 text-left text-3xl short:min-h-16 short:text-2xl sm:text-4xl text-on-paint disabled:bg-hair disabled:text-ink-2 ${className}`}
      {...rest}
    >
      <span>{children}</span>
      {!rest.disabled && <Key>{hotkey}</Key>}
    </button>
  );
}
