import { type ChangeEvent, type DragEvent, useRef, useState } from 'react';
import { decodeText } from '#contract/decode-text.ts';
import { say } from '#contract/wording/say.ts';
import { Button } from '../../../ui/Button.tsx';

/** A file chosen or dropped, or its text pasted. */
export function ChooseFile({
  label,
  accept,
  onText,
}: {
  label: string;
  accept: string;
  onText: (name: string, text: string) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const [pasted, setPasted] = useState('');
  const [over, setOver] = useState(false);
  const read = async (file: File | undefined) => {
    if (file) onText(file.name, decodeText(new Uint8Array(await file.arrayBuffer())));
  };
  const chosen = (event: ChangeEvent<HTMLInputElement>) => {
    const file = event.target.files?.[0];
    event.target.value = '';
    void read(file);
  };
  const dropped = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void read(event.dataTransfer.files[0]);
  };
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: dropping is beside the button, which does the same
    <div
      className={`grid gap-3 border-2 border-dashed p-4 ${over ? 'border-paint bg-sheet' : 'border-ink'}`}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={dropped}
    >
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={chosen}
      />
      <div className="flex flex-wrap items-center gap-3">
        <Button tone="primary" onClick={() => input.current?.click()}>
          {say('Choose the file')}
        </Button>
        <span className="text-ink-2">{say('or drop it here, or paste its lines:')}</span>
      </div>
      <textarea
        aria-label={say('Pasted lines')}
        rows={4}
        className="figures w-full border-2 border-ink bg-sheet p-2 text-sm"
        value={pasted}
        onChange={(event) => setPasted(event.target.value)}
      />
      {pasted.trim() !== '' && (
        <Button className="justify-self-start" onClick={() => onText(say('pasted lines'), pasted)}>
          {say('Read what was pasted')}
        </Button>
      )}
    </div>
  );
}
