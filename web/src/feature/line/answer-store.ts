import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { Answer, Answers } from '#core/line/ask.ts';

interface AnswerStore {
  /** Answers given so far, by job and act: an interrupted fitter comes back to where they stood. */
  given: Record<string, Answers>;
  put(act: string, key: string, answer: Answer): void;
  drop(act: string, key?: string): void;
}

const NONE: Answers = {};

/** Half-answered acts, kept on this device until the act is done. */
export const useAnswers = create<AnswerStore>()(
  persist(
    (set) => ({
      given: {},
      put: (act, key, answer) => set(({ given }) => ({ given: { ...given, [act]: { ...given[act], [key]: answer } } })),
      drop: (act, key) =>
        set(({ given }) => {
          const { [act]: own, ...rest } = given;
          if (key === undefined || own === undefined) return { given: rest };
          const { [key]: _, ...left } = own;
          return { given: { ...rest, [act]: left } };
        }),
    }),
    { name: 'wrenchman-half-answered' },
  ),
);

export const answersOf = (given: Record<string, Answers>, act: string): Answers => given[act] ?? NONE;
