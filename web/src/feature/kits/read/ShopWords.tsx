import { type FormEvent, useState } from 'react';
import { say } from '#contract/wording/say.ts';
import type { ShopWord } from '#core/sheet/shop-lexicon.ts';
import { api, call } from '../../../shop/api.ts';
import { useChange } from '../../../shop/queries.ts';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { tell } from '../../../ui/tell.ts';

const KINDS: ReadonlyArray<readonly [ShopWord['compound'], string]> = [
  ['threadlockerLow', say('Threadlocker, low strength')],
  ['threadlockerMedium', say('Threadlocker, medium')],
  ['threadlockerHigh', say('Threadlocker, high strength')],
  ['antiSeize', say('Anti-seize')],
  ['grease', say('Grease')],
  ['sealant', say('Sealant')],
  ['retaining', say('Retaining compound')],
  ['penetrant', say('Penetrating oil')],
  ['oil', say('Oil')],
];

/** What this shop calls its compounds, so that the reader knows them in a sheet. */
export function ShopWords({ words }: { words: ShopWord[] }) {
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState('');
  const [kind, setKind] = useState<ShopWord['compound']>('threadlockerMedium');
  const [typedWrong, setTypedWrong] = useState<string>();
  const { act, failure: unsent } = useChange('lexicon');
  const failure = typedWrong ?? unsent;
  const keep = (next: ShopWord[]) => act(() => call(api['kit-library'].lexicon.$put({ json: next })));
  const add = async (event: FormEvent) => {
    event.preventDefault();
    if (typed.trim().length < 2) return setTypedWrong(say('Type the word as sheets have it, two letters or more.'));
    setTypedWrong(undefined);
    if (await keep([...words, { words: typed.trim(), compound: kind }])) setTyped('');
    return undefined;
  };
  return (
    <>
      <Button onClick={() => setOpen(true)}>{tell('Words of this shop ({count})', { count: words.length })}</Button>
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title={say('Words of this shop')}
        description={say('Names that sheets use for compounds. None come with the application.')}
      >
        <ul className="border-t-2 border-ink">
          {words.map((entry) => (
            <li key={entry.words} className="flex items-center gap-3 border-b border-hair">
              <b className="flex-1">{entry.words}</b>
              <span className="text-sm text-ink-2">{KINDS.find(([name]) => name === entry.compound)?.[1]}</span>
              <button
                type="button"
                aria-label={say('Take {words} away', { words: entry.words })}
                className="size-11 text-xl text-ink-2"
                onClick={() => void keep(words.filter((other) => other !== entry))}
              >
                ×
              </button>
            </li>
          ))}
          {words.length === 0 && <li className="py-2 text-ink-2">{say('None yet.')}</li>}
        </ul>
        <form onSubmit={add} className="mt-4 grid gap-2">
          <label className="text-sm text-ink-2">
            {say('As sheets have it')}
            <input
              className="min-h-12 w-full border-2 border-ink bg-sheet px-3"
              value={typed}
              onChange={(event) => setTyped(event.target.value)}
              maxLength={60}
            />
          </label>
          <label className="text-sm text-ink-2">
            {say('Stands for')}
            <select
              className="min-h-12 w-full border-2 border-ink bg-sheet px-3"
              value={kind}
              onChange={(event) => setKind(event.target.value as ShopWord['compound'])}
            >
              {KINDS.map(([name, text]) => (
                <option key={name} value={name}>
                  {text}
                </option>
              ))}
            </select>
          </label>
          {failure && (
            <p role="alert" className="font-bold text-bad">
              {failure}
            </p>
          )}
          <div className="grid grid-cols-2 gap-2">
            <Button onClick={() => setOpen(false)}>{say('Done')}</Button>
            <Button type="submit" tone="primary">
              {say('Add it')}
            </Button>
          </div>
        </form>
      </Sheet>
    </>
  );
}
