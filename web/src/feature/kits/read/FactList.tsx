import { memo, useEffect, useMemo, useRef } from 'react';
import { doubtText, FACT_KIND_TEXT, factText } from '#contract/wording/fact-text.ts';
import type { SheetReading } from '#core/sheet/read-sheet.ts';
import { isShown, type Judged } from './sheet-store.ts';

const STATE = {
  taken: { text: 'Taken', look: 'bg-plate text-on-plate' },
  open: { text: 'Check', look: 'border-2 border-bad text-bad' },
  rejected: { text: 'Not so', look: 'border-2 border-rule text-ink-2' },
} as const;

/** What was read, step by step, each with its state. */
export const FactList = memo(function FactList({
  reading,
  judged,
  cursor,
  onPoint,
}: {
  reading: SheetReading;
  judged: Judged;
  cursor: number;
  onPoint: (index: number) => void;
}) {
  const here = useRef<HTMLButtonElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the place to show changes with the cursor
  useEffect(() => {
    here.current?.scrollIntoView({ block: 'nearest' });
  }, [cursor]);
  const steps = useMemo(() => {
    const byStep = new Map<number, number[]>();
    reading.facts.forEach((fact, index) => {
      if (isShown(fact)) byStep.set(fact.step, [...(byStep.get(fact.step) ?? []), index]);
    });
    return [...byStep];
  }, [reading]);
  return (
    <ol>
      {steps.map(([step, indexes]) => (
        <li key={step} className="border-b border-rule [content-visibility:auto] [contain-intrinsic-height:120px]">
          <h3 className="flex gap-3 pt-3 text-sm text-ink-2">
            <span className="figures w-8 shrink-0 text-right">{reading.steps[step]?.number ?? step + 1}</span>
            <span className="truncate">{reading.steps[step]?.text}</span>
          </h3>
          <ul>
            {indexes.map((index) => {
              const fact = judged.facts[index];
              if (!fact) return null;
              const state = judged.stateOf(index);
              const doubt = judged.doubt.get(index);
              return (
                <li key={index}>
                  <button
                    ref={index === cursor ? here : undefined}
                    type="button"
                    aria-current={index === cursor}
                    onClick={() => onPoint(index)}
                    className={`grid min-h-11 w-full grid-cols-[6.5rem_1fr_5.5rem] items-center gap-x-3 border-2 px-2 py-1 text-left ${
                      index === cursor ? 'border-ink bg-sheet' : 'border-transparent'
                    }`}
                  >
                    <span className="text-sm text-ink-2">{FACT_KIND_TEXT[fact.value.kind]}</span>
                    <span className={state === 'rejected' ? 'text-ink-2 line-through' : ''}>
                      <b className={fact.value.kind === 'torque' || fact.value.kind === 'thread' ? 'figures' : ''}>
                        {factText(fact.value)}
                      </b>
                      {fact.about && fact.value.kind === 'torque' && (
                        <span className="text-ink-2"> · {fact.about}</span>
                      )}
                      {doubt && state !== 'rejected' && (
                        <span className={`block text-sm ${state === 'open' ? 'text-bad' : 'text-ink-2'}`}>
                          {doubtText(doubt)}
                        </span>
                      )}
                    </span>
                    <span className={`plate px-2 py-1.5 text-center text-lg ${STATE[state].look}`}>
                      {STATE[state].text}
                    </span>
                  </button>
                </li>
              );
            })}
          </ul>
        </li>
      ))}
    </ol>
  );
});
