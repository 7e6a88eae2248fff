import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';
import type { JobSlot } from '#contract/job.ts';
import type { AnswerValue } from '#core/kit/condition.ts';
import type { HeldUpBy } from '#core/kit/held-up-by.ts';

/** What was chosen and answered of a visit that is not opened yet. */
export interface HalfVisit {
  vehicle?: string;
  kits: readonly string[];
  /** Of them, bought by the piece and fitted on each side. */
  eachSide: readonly string[];
  /** Answers by kit and by the kit's own question. */
  given: Readonly<Record<string, Readonly<Record<string, AnswerValue>>>>;
  bay: number;
  /** As the field has it; left out while nobody changed it. */
  start?: string;
  held?: HeldUpBy;
  slot: JobSlot;
  odometer?: string;
}

interface HalfVisitStore extends HalfVisit {
  /** Who was at it: another person at the same tablet begins with an empty one. */
  person?: string;
  set(change: Partial<HalfVisit>): void;
  /** An empty one, for a person. */
  begin(person: string | undefined): void;
}

const EMPTY: HalfVisit & { start: undefined; vehicle: undefined; held: undefined; odometer: undefined } = {
  vehicle: undefined,
  kits: [],
  eachSide: [],
  given: {},
  bay: 1,
  start: undefined,
  held: undefined,
  slot: {},
  odometer: undefined,
};

/** A half-made visit, kept in this tab until it is opened: a reload in the middle of a telephone call costs nothing. */
export const useHalfVisit = create<HalfVisitStore>()(
  persist(
    (set) => ({
      ...EMPTY,
      set: (change) => set(change),
      begin: (person) => set({ ...EMPTY, person }),
    }),
    { name: 'wrenchman-half-visit', version: 1, storage: createJSONStorage(() => sessionStorage) },
  ),
);
