import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import type { DebtEnd, DebtKind } from '#core/job/debt-kind.ts';
import { useOpenJob } from '../../../job/use-open-job.ts';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { EndChoice, REMOVED_ENDS } from './EndChoice.tsx';

const KINDS: Array<[DebtKind, string]> = [
  ['removed', say('Taken off')],
  ['disconnect', say('Opened')],
  ['neighbour', say('Loosened for access')],
  ['temporary', say('Put on for the work')],
];

/** Something off the vehicle, or on it for the work, that no sheet speaks of: it is owed like the rest. */
export function AddDebt({ onClose }: { onClose: () => void }) {
  const { give } = useOpenJob();
  const [name, setName] = useState('');
  const [count, setCount] = useState('1');
  const [kind, setKind] = useState<DebtKind>('removed');
  const [end, setEnd] = useState<DebtEnd>('refit');
  return (
    <Sheet open onClose={onClose} title={say('Off, and not on the sheet')}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          const ends = kind === 'removed' ? end : 'cleared';
          if (give({ type: 'addDebt', name: name.trim(), kind, count: Number(count), end: ends })) onClose();
        }}
      >
        <div className="flex flex-wrap gap-2">
          {KINDS.map(([value, text]) => (
            <Button
              key={value}
              tone={kind === value ? 'dark' : 'plain'}
              aria-pressed={kind === value}
              onClick={() => setKind(value)}
            >
              {text}
            </Button>
          ))}
        </div>
        <div className="grid grid-cols-[1fr_6rem] gap-3">
          <label className="grid gap-1">
            <span className="font-bold">{say('What')}</span>
            <input
              className="min-h-14 border-2 border-ink bg-sheet px-3"
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
          </label>
          <label className="grid gap-1">
            <span className="font-bold">{say('How many')}</span>
            <input
              className="figures min-h-14 border-2 border-ink bg-sheet px-3"
              inputMode="numeric"
              value={count}
              onChange={(event) => setCount(event.target.value)}
            />
          </label>
        </div>
        {kind === 'removed' && <EndChoice ends={REMOVED_ENDS} end={end} onChoose={setEnd} />}
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={onClose}>{say('Leave it')}</Button>
          <Button type="submit" tone="primary" disabled={name.trim() === ''}>
            {say('It is owed')}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
