import { type ChangeEvent, useRef, useState } from 'react';
import type { KitFileFault } from '#contract/read-kit.ts';
import { say } from '#contract/wording/say.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

interface Outcome {
  title: string;
  detail: string;
  faults: KitFileFault[];
}

/** Adds a kit file to the library; a faulty one is answered with every fault and its place. */
export function ImportKit({ onImported }: { onImported: (kit: string) => void }) {
  const [outcome, setOutcome] = useState<Outcome>();
  const input = useRef<HTMLInputElement>(null);
  const read = async (event: ChangeEvent<HTMLInputElement>) => {
    const file = event.target.files?.[0];
    event.target.value = '';
    if (!file) return;
    // The file goes as it is, so that the server can say what is wrong with it, down to a missing bracket.
    const response = await fetch('/api/kits', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: await file.text(),
    }).catch(() => undefined);
    const answer = (await response?.json().catch(() => undefined)) as
      | { id?: string; revision?: number; added?: boolean; title?: string; detail?: string; faults?: KitFileFault[] }
      | undefined;
    if (!response || !answer) {
      setOutcome({
        title: say('Not reachable'),
        detail: say('The server does not answer; nothing was added.'),
        faults: [],
      });
      return;
    }
    if (response.ok && answer.id) {
      setOutcome({
        title: answer.added ? say('Kit added') : say('Already there'),
        detail: say('{name}: {id}, revision {revision}.', {
          name: file.name,
          id: answer.id,
          revision: answer.revision,
        }),
        faults: [],
      });
      onImported(answer.id);
      return;
    }
    setOutcome({
      title: answer.title ?? say('Refused'),
      detail: answer.detail ?? say('{name}: nothing was added.', { name: file.name }),
      faults: answer.faults ?? [],
    });
  };
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        className="sr-only"
        aria-label={say('Kit file')}
        tabIndex={-1}
        onChange={(event) => void read(event)}
      />
      <Button onClick={() => input.current?.click()}>{say('Add a kit file')}</Button>
      <Sheet
        open={outcome !== undefined}
        onClose={() => setOutcome(undefined)}
        title={outcome?.title ?? ''}
        description={outcome?.detail}
        wide
      >
        {outcome && outcome.faults.length > 0 && (
          <ul className="mb-4 max-h-96 overflow-y-auto border-y border-rule">
            {outcome.faults.map((fault) => (
              <li key={`${fault.path} ${fault.message}`} className="border-b border-hair py-2">
                <span className="figures text-sm font-bold text-bad">{fault.path || say('the file')}</span>{' '}
                {fault.message}
              </li>
            ))}
          </ul>
        )}
        <Button tone="dark" className="w-full" onClick={() => setOutcome(undefined)}>
          {say('Seen')}
        </Button>
      </Sheet>
    </>
  );
}
