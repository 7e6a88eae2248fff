import { temporal } from 'zundo';
import { create } from 'zustand';
import { doubts } from '#core/sheet/doubt.ts';
import type { Fact, FactValue } from '#core/sheet/fact.ts';
import type { SheetReading } from '#core/sheet/read-sheet.ts';
import { type Doubtful, isShown, listOrder } from './list-order.ts';

/** What a person said of a fact. */
export type Verdict = 'taken' | 'rejected';

interface SheetState {
  file?: string;
  reading?: SheetReading;
  /** By index among the reading's facts. Left out, a plain fact counts as taken and a doubtful one as open. */
  verdicts: Readonly<Record<number, Verdict>>;
  corrections: Readonly<Record<number, FactValue>>;
  /** Index of the fact under the hand. */
  cursor: number;
  open(file: string, reading: SheetReading): void;
  close(): void;
  point(index: number): void;
  judge(index: number, verdict: Verdict): void;
  correct(index: number, value: FactValue): void;
}

/** The sheet being read, with what was decided about each fact. Decisions can be taken back. */
export const useSheet = create<SheetState>()(
  temporal(
    (set) => ({
      verdicts: {},
      corrections: {},
      cursor: 0,
      open: (file, reading) => set({ file, reading, verdicts: {}, corrections: {}, cursor: firstShown(reading.facts) }),
      close: () => set({ file: undefined, reading: undefined, verdicts: {}, corrections: {}, cursor: 0 }),
      point: (cursor) => set({ cursor }),
      judge: (index, verdict) => set((state) => ({ verdicts: { ...state.verdicts, [index]: verdict } })),
      correct: (index, value) =>
        set((state) => ({
          corrections: { ...state.corrections, [index]: value },
          verdicts: { ...state.verdicts, [index]: 'taken' },
        })),
    }),
    {
      partialize: ({ verdicts, corrections }) => ({ verdicts, corrections }),
      equality: (before, after) => before.verdicts === after.verdicts && before.corrections === after.corrections,
      limit: 200,
    },
  ),
);

/** What the reader doubts, as it read the sheet. */
const doubtfulOf = (facts: readonly Fact[]): Doubtful[] =>
  [...doubts(facts)].map(([index, doubt]) => ({ index, doubt }));
/** A sheet opens at what is to be checked first, where anything is. */
const firstShown = (facts: readonly Fact[]): number => listOrder(facts, doubtfulOf(facts))[0] ?? 0;

/** The facts as they stand after what was decided, with what is still to be looked at. */
export function judged(
  reading: SheetReading,
  verdicts: SheetState['verdicts'],
  corrections: SheetState['corrections'],
) {
  const facts = reading.facts.map((fact, index) => {
    const value = corrections[index];
    return value ? { ...fact, value, confidence: 1 } : fact;
  });
  const doubt = doubts(facts);
  // What the reader doubted at first stays in its place when it is decided.
  const doubtful = doubtfulOf(reading.facts);
  const stateOf = (index: number): Verdict | 'open' => verdicts[index] ?? (doubt.has(index) ? 'open' : 'taken');
  return {
    facts,
    doubt,
    doubtful,
    stateOf,
    taken: facts.filter((_, index) => stateOf(index) === 'taken'),
    open: facts.flatMap((fact, index) => (stateOf(index) === 'open' && isShown(fact) ? [index] : [])),
  };
}
export type Judged = ReturnType<typeof judged>;
