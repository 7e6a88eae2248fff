import { type ChangeEvent, type DragEvent, type FormEvent, useRef, useState } from 'react';
import { say } from '#contract/wording/say.ts';
import type { ShopWord } from '#core/sheet/shop-lexicon.ts';
import { useLexicon } from '../../../shop/queries.ts';
import { Button } from '../../../ui/Button.tsx';
import type { ReadOutcome } from '../../../worker/sheet.worker.ts';
import { inSheetWorker, LARGEST_FILE } from '../../../worker/sheet-worker.ts';
import { ShopWords } from './ShopWords.tsx';
import { useSheet } from './sheet-store.ts';

const NO_WORDS: ShopWord[] = [];

/** Where a sheet comes in: pasted, dropped, or from a file. A refusal leaves what was pasted as it is. */
export function OpenSheet() {
  const open = useSheet((state) => state.open);
  const [text, setText] = useState('');
  const [busy, setBusy] = useState(false);
  const [rejected, setRefused] = useState<string>();
  const [over, setOver] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  // Without them the sheet can still be read; only the shop's own words are not known.
  const { data: words = NO_WORDS, failure: unread } = useLexicon();
  const refused = rejected ?? unread;

  const take = async (name: string, work: () => Promise<ReadOutcome>) => {
    setBusy(true);
    setRefused(undefined);
    try {
      const outcome = await work();
      if (outcome.ok) open(name, outcome.reading);
      else setRefused(outcome.message);
    } catch (error) {
      setRefused(
        say('{name} could not be read: {which}', {
          name,
          which: error instanceof Error ? error.message : String(error),
        }),
      );
    } finally {
      setBusy(false);
    }
  };
  const file = (given: File | undefined) =>
    given &&
    void take(given.name, async () => {
      if (given.size > LARGEST_FILE) throw new Error(`it is larger than ${LARGEST_FILE / 1e6} MB`);
      const bytes = new Uint8Array(await given.arrayBuffer());
      return inSheetWorker<ReadOutcome>(async (worker) => worker.readFile(bytes, given.name, words));
    });
  const paste = (event: FormEvent) => {
    event.preventDefault();
    if (text.trim() === '') setRefused(say('Nothing is pasted yet.'));
    else
      void take(say('Pasted sheet'), () => inSheetWorker<ReadOutcome>(async (worker) => worker.readText(text, words)));
  };
  return (
    <main
      className={`mx-auto grid w-full max-w-5xl flex-1 content-start gap-5 p-5 ${over ? 'outline-4 -outline-offset-4 outline-ink' : ''}`}
      onDragOver={(event: DragEvent) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event: DragEvent) => {
        event.preventDefault();
        setOver(false);
        file(event.dataTransfer.files[0]);
      }}
    >
      <div>
        <h1 className="plate text-4xl">{say('Read a maker’s sheet')}</h1>
        <p className="mt-1 max-w-3xl text-ink-2">
          {say(
            'Paste its text, or give the file: plain text, Markdown, or a PDF with text in it. Nothing leaves the shop. What is read is shown beside the sheet for you to take, correct or turn down; what is not understood stays visible.',
          )}
        </p>
      </div>
      {refused && (
        <p role="alert" className="border-2 border-bad bg-sheet px-4 py-3 font-bold text-bad">
          {refused}
        </p>
      )}
      <form onSubmit={paste} className="grid gap-3">
        <label htmlFor="sheet-text" className="font-bold">
          {say('Text of the sheet')}
        </label>
        <textarea
          id="sheet-text"
          rows={14}
          value={text}
          onChange={(event) => setText(event.target.value)}
          className="figures border-2 border-ink bg-sheet p-3"
          spellCheck={false}
        />
        <div className="flex flex-wrap gap-3">
          <Button type="submit" tone="primary" disabled={busy}>
            {busy ? say('Reading') : say('Read it')}
          </Button>
          <Button onClick={() => input.current?.click()} disabled={busy}>
            {say('From a file')}
          </Button>
          <ShopWords words={words} />
          <input
            ref={input}
            type="file"
            accept=".txt,.md,.pdf,text/plain,text/markdown,application/pdf"
            aria-label={say('Sheet file')}
            className="sr-only"
            tabIndex={-1}
            onChange={(event: ChangeEvent<HTMLInputElement>) => {
              file(event.target.files?.[0]);
              event.target.value = '';
            }}
          />
        </div>
      </form>
    </main>
  );
}
