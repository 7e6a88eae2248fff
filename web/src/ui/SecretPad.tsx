import { Delete } from 'lucide-react';
import { type FormEvent, type ReactNode, useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { tell } from '../ui/tell.ts';
import { Button } from './Button.tsx';

const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9'];

/** A PIN by touch or by keyboard; a password types into the same field. `onSecret` says why it was not taken. */
export function SecretPad({
  label,
  hint,
  onSecret,
  children,
}: {
  label: string;
  hint?: string;
  onSecret: (secret: string) => Promise<string | undefined>;
  children?: ReactNode;
}) {
  const [secret, setSecret] = useState('');
  const [failure, setFailure] = useState<string>();
  const [busy, setBusy] = useState(false);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (secret.length < 4) {
      setFailure(say('A PIN has at least four digits.'));
      return;
    }
    setBusy(true);
    try {
      setFailure(await onSecret(secret));
    } finally {
      setSecret('');
      setBusy(false);
    }
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="grid gap-3">
      <label className="grid gap-1">
        <span className="font-bold">{label}</span>
        <input
          className="figures min-h-14 w-full border-2 border-ink bg-sheet px-3 text-2xl tracking-[0.4em]"
          type="password"
          inputMode="none"
          autoComplete="off"
          // biome-ignore lint/a11y/noAutofocus: the pad was opened to type a PIN and nothing else
          autoFocus
          value={secret}
          onChange={(event) => setSecret(event.target.value)}
        />
      </label>
      {hint !== undefined && (
        <p className="text-sm text-ink-2">
          {tell('Demo PIN: {hint}', { hint: <span className="figures font-bold text-ink">{hint}</span> })}
        </p>
      )}
      <p role="alert" className="min-h-6 text-bad">
        {failure}
      </p>
      <div className="grid grid-cols-3 gap-2">
        {DIGITS.map((digit) => (
          <Button key={digit} className="figures text-xl" onClick={() => setSecret(secret + digit)}>
            {digit}
          </Button>
        ))}
        <Button aria-label={say('Delete the last digit')} onClick={() => setSecret(secret.slice(0, -1))}>
          <Delete />
        </Button>
        <Button className="figures text-xl" onClick={() => setSecret(`${secret}0`)}>
          0
        </Button>
        <Button type="submit" tone="primary" disabled={busy}>
          {say('Enter')}
        </Button>
      </div>
      {children}
    </form>
  );
}
