import { useCallback } from 'react';
import type { AnswerValue } from '#core/kit/condition.ts';
import { scopedId } from '#core/kit/ids.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { fitsEachSide, type KitSide, kitOnSide } from '#core/visit/kit-on-side.ts';
import { kitPrefix, spreadAnswers, type VisitKit, type VisitQuestion } from '#core/visit/visit.ts';
import { useHalfVisit } from './half-visit.ts';

const SIDES: readonly KitSide[] = ['left', 'right'];

/** A kit as a job is opened with it. */
export type KitPick = string | { kit: string; side: KitSide };

export interface ChosenVisit {
  picks: KitPick[];
  kits: VisitKit[];
  /** By the visit's ids, an answer that several kits ask for given to all of them. */
  answers: Record<string, AnswerValue>;
  chosen: readonly string[];
  /** Chosen kits that are bought by the piece. */
  byThePiece: KitDocument[];
  eachSide: readonly string[];
  toggle: (kit: string) => void;
  setEachSide: (kit: string, both: boolean) => void;
  answer: (question: VisitQuestion, value: AnswerValue) => void;
  /** Another vehicle: what was answered was answered of the one before. */
  forget: () => void;
}

/**
 * The kits chosen for a visit and what was answered. Answers are kept by kit and question, not by the ids that the order of
 * the kits gives them: a kit that goes or comes costs no other kit's answers, and one that comes back has its own.
 */
export function useChosenVisit(library: readonly KitDocument[] | undefined): ChosenVisit {
  const { kits: chosen, eachSide, given, set } = useHalfVisit();
  const forget = useCallback(() => set({ given: {} }), [set]);
  const picks = chosen.flatMap((id): KitPick[] =>
    eachSide.includes(id) ? SIDES.map((side) => ({ kit: id, side })) : [id],
  );
  const kits: VisitKit[] = [];
  for (const pick of picks) {
    const stored = library?.find(({ id }) => id === (typeof pick === 'string' ? pick : pick.kit));
    const document = stored && (typeof pick === 'string' ? stored : kitOnSide(stored, pick.side));
    if (document) kits.push({ document, prefix: kitPrefix(kits, document.id) });
  }
  const own = Object.fromEntries(
    kits.flatMap(({ document, prefix }) =>
      Object.entries(given[document.id] ?? {}).map(([id, value]) => [scopedId(prefix, id), value] as const),
    ),
  );
  return {
    picks,
    kits,
    answers: spreadAnswers(kits, own),
    chosen,
    byThePiece: chosen.flatMap((id) => library?.find((kit) => kit.id === id && fitsEachSide(kit)) ?? []),
    eachSide,
    // What stands now, not what stood when the screen was drawn: two taps may come in one.
    toggle: (kit) => {
      const now = useHalfVisit.getState().kits;
      set({ kits: now.includes(kit) ? now.filter((one) => one !== kit) : [...now, kit] });
    },
    setEachSide: (kit, both) =>
      set({ eachSide: [...useHalfVisit.getState().eachSide.filter((one) => one !== kit), ...(both ? [kit] : [])] }),
    answer: ({ members }, value) => {
      const next = { ...useHalfVisit.getState().given };
      for (const { kit, id } of members) {
        const prefix = kits.find(({ document }) => document.id === kit)?.prefix ?? '';
        next[kit] = { ...next[kit], [id.slice(prefix.length)]: value };
      }
      set({ given: next });
    },
    forget,
  };
}
