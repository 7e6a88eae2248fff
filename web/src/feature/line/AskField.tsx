import { Camera } from 'lucide-react';
import { useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { askText, optionText, whyText } from '#contract/wording/ask-text.ts';
import { say } from '#contract/wording/say.ts';
import type { Ask, AskOption } from '#core/line/ask.ts';
import { usePrimaryKey } from '../../app/use-primary-key.ts';
import { afterLoneKey } from '../../app/use-scanner.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { takePhoto } from '../../shop/photos.ts';
import { ActionBar, Button, Key } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';
import { type AskFieldProps, BAR, FIELD } from './ask-field.ts';
import { NumberAsk } from './NumberAsk.tsx';

/** One question of an act: asked large, answered by the bar, the keys or the keypad. */
export function AskField(props: AskFieldProps) {
  switch (props.ask.kind) {
    case 'tick':
      return <TickAsk {...props} />;
    case 'number':
      return <NumberAsk {...props} ask={props.ask} />;
    case 'oneOf':
      return <OneOfAsk {...props} ask={props.ask} />;
    case 'words':
      return <WordsAsk {...props} ask={props.ask} />;
    case 'photo':
      return <PhotoAsk {...props} />;
    case 'pieces':
      return <PiecesAsk {...props} ask={props.ask} />;
  }
}

/** Ways of doing something: which is right and what the wrong one breaks is told before one is taken. */
const TOLD = new Set<Ask['about']>(['method', 'wayOff', 'wayIn', 'holdBy', 'piece', 'heldUpBy']);

type Of<Kind extends Ask['kind']> = AskFieldProps & { ask: Extract<Ask, { kind: Kind }> };

function TickAsk({ ask, then, onAnswer }: AskFieldProps) {
  const yes = () => onAnswer(true);
  usePrimaryKey(yes);
  return (
    <>
      <p className="px-5 text-2xl font-bold lg:px-6">{askText(ask)}</p>
      <div className="flex-1" />
      <ActionBar className={BAR} onClick={yes}>
        <span className="text-3xl">{tell('It is{which}', { which: then ? say(', next: {then}', { then }) : '' })}</span>
      </ActionBar>
    </>
  );
}

function OneOfAsk({ ask, then, onAnswer }: Of<'oneOf'>) {
  const usual = ask.options.find(({ value }) => value === ask.usual);
  const take = usual ? () => onAnswer(usual.value) : undefined;
  usePrimaryKey(take);
  useHotkeys(
    '1,2,3,4,5,6,7,8,9',
    (event, { keys }) => {
      const option = ask.options[Number(keys?.[0]) - 1];
      if (option) afterLoneKey(event, () => onAnswer(option.value));
    },
    { useKey: true },
    [ask, onAnswer],
  );
  return (
    <>
      <fieldset className="grid gap-2 px-5 pb-3 lg:px-6">
        <legend className="mb-2 text-2xl font-bold">{askText(ask)}</legend>
        {ask.options.map((option, index) => (
          <Option
            key={option.value}
            option={option}
            number={index + 1}
            told={TOLD.has(ask.about)}
            onTake={() => onAnswer(option.value)}
          />
        ))}
      </fieldset>
      <div className="flex-1" />
      {usual && (
        <ActionBar className={BAR} onClick={take}>
          <span className="text-3xl">
            {optionText(usual)}
            {then ? say(', next: {then}', { then }) : ''}
          </span>
        </ActionBar>
      )}
    </>
  );
}

function Option({
  option,
  number,
  told,
  onTake,
}: {
  option: AskOption;
  number: number;
  /** Right and wrong are told before it is chosen: methods, not stamps that are to be read. */
  told: boolean;
  onTake: () => void;
}) {
  const wrong = told && option.is !== 'right';
  const why = whyText(option);
  return (
    <button
      type="button"
      className={`flex min-h-14 items-center justify-between gap-3 border-2 bg-sheet px-4 py-2 text-left ${wrong ? 'border-bad' : 'border-ink'}`}
      onClick={onTake}
    >
      <span>
        <b className={wrong ? 'text-bad' : ''}>{optionText(option)}</b>
        {why && (told || (option.is === 'right' && (option.label !== undefined || option.trade))) && (
          <span className="block text-sm text-ink-2">
            {wrong && option.trade === undefined ? say('Breaks: ') : ''}
            {why}
          </span>
        )}
      </span>
      <Key>{number}</Key>
    </button>
  );
}

function WordsAsk({ ask, then, onAnswer }: Of<'words'>) {
  const [text, setText] = useState(ask.suggested ?? '');
  // biome-ignore lint/correctness/useExhaustiveDependencies: another question starts anew
  useEffect(() => setText(ask.suggested ?? ''), [ask.key]);
  const give = () => {
    if (text.trim() !== '') onAnswer(text.trim());
  };
  usePrimaryKey(text.trim() === '' ? undefined : give);
  return (
    <form
      className="flex flex-1 flex-col"
      onSubmit={(event) => {
        event.preventDefault();
        give();
      }}
    >
      <label className="grid gap-2 px-5 pb-3 lg:px-6">
        <span className="text-2xl font-bold">{askText(ask)}</span>
        <input className={FIELD} maxLength={500} value={text} onChange={(event) => setText(event.target.value)} />
      </label>
      <div className="flex-1" />
      <ActionBar type="submit" className={BAR} hotkey="ENTER" disabled={text.trim() === ''}>
        <span className="text-3xl">{then ? say('On: {then}', { then }) : say('So it is')}</span>
      </ActionBar>
    </form>
  );
}

function PhotoAsk({ ask, onAnswer }: AskFieldProps) {
  const { document } = useOpenJob();
  const [fault, setFault] = useState<string>();
  const [sending, setSending] = useState(false);
  const take = async (file: File | undefined) => {
    if (!file) return;
    setSending(true);
    setFault(undefined);
    try {
      onAnswer(await takePhoto(document.id, file));
    } catch (error) {
      setFault(error instanceof Error ? error.message : String(error));
    }
    setSending(false);
  };
  return (
    <>
      <div className="grid gap-3 px-5 pb-3 lg:px-6">
        <p className="text-2xl font-bold">{askText(ask)}</p>
        <p className="text-ink-2">{say('What cannot be taken back is shown as it was.')}</p>
        {fault && (
          <p role="alert" className="font-bold text-bad">
            {fault}
          </p>
        )}
      </div>
      <div className="flex-1" />
      <label
        className={`${BAR} plate flex min-h-22 w-full cursor-pointer items-center justify-between bg-paint px-6 text-4xl text-on-paint`}
      >
        {sending ? say('Keeping it') : say('Take the photo')}
        <Camera size={34} aria-hidden="true" />
        <input
          type="file"
          accept="image/*"
          capture="environment"
          className="sr-only"
          disabled={sending}
          onChange={(event) => void take(event.target.files?.[0])}
        />
      </label>
    </>
  );
}

function PiecesAsk({ ask, onAnswer }: Of<'pieces'>) {
  const [taken, setTaken] = useState<string[]>([]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another stack starts empty
  useEffect(() => setTaken([]), [ask.key]);
  const [wrong, setWrong] = useState<string>();
  const due = ask.order[taken.length];
  const take = (item: string) => {
    if (!due) return;
    if (item !== due.item) {
      const piece = ask.among.find((entry) => entry.item === item);
      setWrong(
        say('Not {name}: {name2} is next.{which}', {
          name: piece?.name ?? item,
          name2: due.name,
          which: due.tellTale ? ` ${due.tellTale}` : piece?.tellTale ? ` ${piece.tellTale}` : '',
        }),
      );
      return;
    }
    setWrong(undefined);
    const now = [...taken, item];
    setTaken(now);
    if (now.length === ask.order.length) onAnswer(now);
  };
  useHotkeys(
    '1,2,3,4,5,6,7,8,9',
    (_, { keys }) => {
      const piece = ask.among[Number(keys?.[0]) - 1];
      if (piece) take(piece.item);
    },
    { useKey: true },
    [ask, taken],
  );
  return (
    <div className="grid gap-2 px-5 pb-3 lg:px-6">
      <p className="text-2xl font-bold">{askText(ask)}</p>
      <ol className="grid gap-1">
        {ask.order.map((piece, place) => (
          <li
            // biome-ignore lint/suspicious/noArrayIndexKey: a stack is its order; the same washer may lie in it twice
            key={place}
            className={`figures border-l-4 pl-2 ${place < taken.length ? 'border-paint' : 'border-hair text-ink-2'}`}
          >
            {place < taken.length ? piece.name : place === taken.length ? say('which piece now?') : '·'}
          </li>
        ))}
      </ol>
      {wrong && (
        <p role="alert" className="font-bold text-bad">
          {wrong}
        </p>
      )}
      <div className="grid gap-2">
        {ask.among.map((piece, index) => (
          <Button key={piece.item} className="justify-between!" onClick={() => take(piece.item)}>
            <span className="text-left">
              {piece.name}
              {piece.tellTale && <span className="block text-sm font-normal text-ink-2">{piece.tellTale}</span>}
            </span>
            <Key>{index + 1}</Key>
          </Button>
        ))}
      </div>
    </div>
  );
}
