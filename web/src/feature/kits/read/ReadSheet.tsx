import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useStore } from 'zustand';
import { say } from '#contract/wording/say.ts';
import { FIND_KEY } from '../../../app/FindButton.tsx';
import { TopBar } from '../../../app/TopBar.tsx';
import { type TorqueMark, TorqueRule } from '../../../drawing/TorqueRule.tsx';
import { Button, Key } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';
import { CorrectFact } from './CorrectFact.tsx';
import { FactList } from './FactList.tsx';
import { listOrder } from './list-order.ts';
import { MakeDraft } from './MakeDraft.tsx';
import { OpenSheet } from './OpenSheet.tsx';
import { SheetText } from './SheetText.tsx';
import { judged as judge, useSheet } from './sheet-store.ts';

const SHORTCUTS = [
  FIND_KEY,
  { keys: '↑ ↓', does: say('To the fact before, after') },
  { keys: 'Enter', does: say('Take this, on to the next') },
  { keys: 'E', does: say('Correct it') },
  { keys: 'X', does: say('Not so') },
  { keys: 'N', does: say('To the next doubt') },
  { keys: 'U', does: say('Take the last decision back') },
];

/** The sheet reader: the maker's sheet at the left, what it says at the right. */
export default function ReadSheet() {
  const reading = useSheet((state) => state.reading);
  return (
    <div className="flex min-h-dvh flex-col bg-bench lg:h-dvh">
      <TopBar keys={SHORTCUTS} />
      {reading ? <Reader /> : <OpenSheet />}
    </div>
  );
}

/** Enter on a button of the foot presses that button. */
const onOtherButton = (event: KeyboardEvent): boolean =>
  event.target instanceof HTMLButtonElement && event.target.closest('section') === null;

/** Buttons of the foot: small enough on a phone that all of them stay under the thumb. */
const FOOT = 'max-sm:min-h-11! max-sm:px-1! max-sm:text-sm';

function Reader() {
  const sheet = useSheet();
  const { reading, verdicts, corrections, cursor, point, file } = sheet;
  const [open, setOpen] = useState<'correct' | 'draft'>();
  const [pane, setPane] = useState<'sheet' | 'facts'>('facts');
  const judged = useMemo(() => reading && judge(reading, verdicts, corrections), [reading, verdicts, corrections]);
  const { undo, pastStates } = useStore(useSheet.temporal);

  const shown = useMemo(
    // In the order of the list: what is to be checked first, then the sheet's.
    () => (reading && judged ? listOrder(reading.facts, judged.doubtful) : []),
    [reading, judged],
  );
  const at = shown.indexOf(cursor);
  const go = (step: number) => {
    const index = shown[Math.max(0, Math.min(shown.length - 1, at + step))];
    if (index !== undefined) point(index);
  };
  const nextDoubt = () => {
    const waiting = shown.filter((index) => judged?.open.includes(index));
    const after = waiting.find((index) => shown.indexOf(index) > at) ?? waiting[0];
    if (after !== undefined) point(after);
  };
  const take = () => {
    sheet.judge(cursor, 'taken');
    go(1);
  };
  const reject = () => {
    sheet.judge(cursor, 'rejected');
    go(1);
  };
  const enabled = open === undefined;
  useHotkeys('down, j', () => go(1), { enabled, preventDefault: true }, [cursor, shown]);
  useHotkeys('up, k', () => go(-1), { enabled, preventDefault: true }, [cursor, shown]);
  useHotkeys('enter', take, { enabled, preventDefault: true, ignoreEventWhen: onOtherButton }, [cursor, shown]);
  useHotkeys('e', () => setOpen('correct'), { enabled, preventDefault: true });
  useHotkeys('x', reject, { enabled, preventDefault: true }, [cursor, shown]);
  useHotkeys('n', nextDoubt, { enabled, preventDefault: true }, [cursor, judged, shown]);
  useHotkeys('u, mod+z', () => undo(), { enabled, preventDefault: true });

  if (!reading || !judged) return null;
  const fact = judged.facts[cursor];
  const marks = judged.facts.flatMap((entry, index): TorqueMark[] =>
    entry.value.kind === 'torque' && judged.stateOf(index) !== 'rejected'
      ? [
          {
            key: String(index),
            nm: entry.value.maxNm,
            name: `${entry.printed}${entry.about ? `, ${entry.about}` : ''}`,
            bad: judged.doubt.get(index)?.code === 'twelveTimes' || judged.doubt.get(index)?.code === 'pairDisagrees',
            here: index === cursor,
          },
        ]
      : [],
  );
  const unread = reading.unread.map((index) => reading.steps[index]?.text ?? '');
  return (
    <>
      <div role="tablist" aria-label={say('Sheet or facts')} className="flex border-b-2 border-ink bg-floor lg:hidden">
        {(['sheet', 'facts'] as const).map((name) => (
          <button
            key={name}
            type="button"
            role="tab"
            aria-selected={pane === name}
            className={`plate min-h-14 flex-1 text-2xl ${pane === name ? 'bg-bench' : 'text-ink-2'}`}
            onClick={() => setPane(name)}
          >
            {name === 'sheet' ? say('Maker’s sheet') : say('What it says')}
          </button>
        ))}
      </div>
      <main className="flex flex-1 flex-col lg:min-h-0 lg:flex-row">
        <section
          aria-label={say('Maker’s sheet')}
          className={`flex-col bg-sheet lg:flex lg:min-h-0 lg:w-[44%] lg:shrink-0 lg:border-r-2 lg:border-ink ${pane === 'sheet' ? 'flex' : 'hidden'}`}
        >
          <div className="flex items-baseline justify-between gap-3 px-6 pt-4">
            <h1 className="plate text-3xl">{say('Maker’s sheet')}</h1>
            <span className="truncate text-sm text-ink-2">{file}</span>
          </div>
          {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a text that scrolls is reached by keyboard */}
          <div className="px-6 py-2 lg:min-h-0 lg:flex-1 lg:overflow-y-auto" tabIndex={0}>
            <SheetText reading={reading} judged={judged} cursor={cursor} onPoint={point} />
          </div>
          <div className="border-t border-rule px-6 py-3">
            <h2 className="plate text-xl">{say('Every torque of this sheet, N·m')}</h2>
            <TorqueRule marks={marks} onMark={(key) => point(Number(key))} />
          </div>
        </section>
        <section
          aria-label={say('What it says')}
          className={`min-w-0 flex-1 flex-col lg:flex lg:min-h-0 ${pane === 'facts' ? 'flex' : 'hidden'}`}
        >
          <div className="flex flex-wrap items-baseline justify-between gap-x-4 px-6 pt-4 pb-2">
            <h2 className="plate text-3xl">{say('What it says')}</h2>
            <span className="figures text-sm">
              {tell('{count} read · {count2} · {count3} unread', {
                count: shown.length,
                count2: (
                  <b className={judged.open.length > 0 ? 'text-bad' : ''}>
                    {tell('{count} to check', { count: judged.open.length })}
                  </b>
                ),
                count3: unread.length,
              })}
            </span>
          </div>
          {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a list that scrolls is reached by keyboard */}
          <div className="border-t border-rule px-4 pb-4 lg:min-h-0 lg:flex-1 lg:overflow-y-auto" tabIndex={0}>
            {shown.length === 0 && (
              <p className="p-4">{say('Nothing was understood. The steps still go into the draft as they stand.')}</p>
            )}
            <FactList reading={reading} judged={judged} cursor={cursor} onPoint={point} />
            {unread.length > 0 && (
              <div className="mt-4">
                <h3 className="plate text-xl">{say('Still unread')}</h3>
                <ul className="text-sm">
                  {unread.map((text, index) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: the same words may stand twice
                    <li key={index} className="hatched mt-1 px-2 py-1">
                      {text}
                    </li>
                  ))}
                </ul>
                <p className="mt-1 text-sm text-ink-2">{say('They go into the draft as steps in their own words.')}</p>
              </div>
            )}
          </div>
        </section>
      </main>
      <footer className="sticky bottom-0 z-20 flex flex-wrap items-stretch border-t-2 border-ink bg-bench lg:static">
        <div className="grid flex-1 basis-full grid-cols-3 items-center gap-2 px-2 py-2 sm:flex sm:basis-0 sm:flex-wrap sm:px-4">
          <Button className={FOOT} onClick={() => setOpen('correct')} hotkey="E" disabled={!fact}>
            {say('Correct')}
          </Button>
          <Button className={FOOT} onClick={reject} hotkey="X" disabled={!fact}>
            {say('Not so')}
          </Button>
          <Button className={FOOT} onClick={nextDoubt} hotkey="N" disabled={judged.open.length === 0}>
            {say('Next doubt')}
          </Button>
          <Button className={FOOT} onClick={() => undo()} hotkey="U" disabled={pastStates.length === 0}>
            {say('Take back')}
          </Button>
          <Button tone="dark" onClick={() => setOpen('draft')} className={`${FOOT} sm:ml-auto`}>
            {say('Make the draft')}
          </Button>
          <Button className={FOOT} onClick={sheet.close}>
            {say('Another sheet')}
          </Button>
        </div>
        <button
          type="button"
          onClick={take}
          disabled={!fact}
          className="plate flex min-h-16 w-full items-center justify-between gap-4 bg-paint px-6 text-4xl text-on-paint disabled:bg-hair disabled:text-ink-2 sm:min-h-20 sm:w-80"
        >
          {tell('Take this {key}', { key: <Key>{say('ENTER')}</Key> })}
        </button>
      </footer>
      {open === 'correct' && fact && (
        <CorrectFact
          fact={fact}
          onClose={() => setOpen(undefined)}
          onValue={(value) => {
            sheet.correct(cursor, value);
            setOpen(undefined);
            go(1);
          }}
        />
      )}
      {open === 'draft' && <MakeDraft judged={judged} onClose={() => setOpen(undefined)} />}
    </>
  );
}
