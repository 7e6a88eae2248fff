import { Delete } from 'lucide-react';
import { say } from '#contract/wording/say.ts';

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0', '.', '⌫'];

/** Digits for a gloved finger. */
export function Keypad({ onKey }: { onKey: (key: string) => void }) {
  return (
    <fieldset className="grid grid-cols-6 gap-1.5">
      <legend className="sr-only">{say('Digits')}</legend>
      {KEYS.map((key) => (
        <button
          key={key}
          type="button"
          className="figures flex min-h-14 items-center justify-center border-2 border-ink bg-sheet text-xl font-bold"
          aria-label={key === '⌫' ? say('Take the last digit away') : key === '.' ? say('Decimal point') : key}
          onClick={() => onKey(key)}
        >
          {key === '⌫' ? <Delete size={22} aria-hidden="true" /> : key}
        </button>
      ))}
    </fieldset>
  );
}

/** What stands typed after one more key. */
export function afterKey(typed: string, key: string): string {
  if (key === '⌫') return typed.slice(0, -1);
  if (key === '.') return typed.includes('.') ? typed : `${typed || '0'}.`;
  return typed.length < 9 ? typed + key : typed;
}
