import { type FormEvent, useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { Button } from './Button.tsx';
import { Sheet } from './Sheet.tsx';

/** Asks for a reason, by tapping a usual one or by typing. */
export function ReasonSheet({
  open,
  onClose,
  title,
  label,
  confirm,
  usual = [],
  onReason,
  children,
}: {
  open: boolean;
  onClose: () => void;
  title: string;
  label: string;
  confirm: string;
  usual?: readonly string[];
  onReason: (reason: string) => void;
  children?: React.ReactNode;
}) {
  const [reason, setReason] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (reason.trim() === '') return;
    onReason(reason.trim());
    setReason('');
  };
  return (
    <Sheet open={open} onClose={onClose} title={title}>
      <form onSubmit={submit} className="grid gap-3">
        {children}
        {usual.length > 0 && (
          <div className="flex flex-wrap gap-2">
            {usual.map((text) => (
              <Button
                key={text}
                tone={reason === text ? 'dark' : 'plain'}
                aria-pressed={reason === text}
                onClick={() => setReason(text)}
              >
                {text}
              </Button>
            ))}
          </div>
        )}
        <label className="grid gap-1">
          <span className="font-bold">{label}</span>
          <textarea
            className="min-h-24 w-full border-2 border-ink bg-sheet p-3"
            maxLength={500}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
        </label>
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={onClose}>{say('Leave it')}</Button>
          <Button type="submit" tone="primary" disabled={reason.trim() === ''}>
            {confirm}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
