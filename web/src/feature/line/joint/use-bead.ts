import { useMemo } from 'react';
import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';
import { type CompoundKind, setsOnTheThread } from '#core/compound/compound.ts';
import type { ShelfBottle } from '#core/compound/shelf-bottle.ts';
import type { PlanStation } from '#core/kit/plan.ts';
import type { OpenJob } from '../../../job/use-open-job.ts';

interface BottlesInHand {
  /** The bottle last taken, by kind: picked once, and put back with the tab. */
  bottles: Partial<Record<CompoundKind, string>>;
  take(kind: CompoundKind, bottle: string | undefined): void;
}

export const useBottles = create<BottlesInHand>()(
  persist(
    (set) => ({
      bottles: {},
      take: (kind, bottle) => set(({ bottles }) => ({ bottles: { ...bottles, [kind]: bottle } })),
    }),
    { name: 'wrenchman.bottles', storage: createJSONStorage(() => sessionStorage) },
  ),
);

/** What goes on the thread in hand, and from where. */
export interface BeadInHand {
  /** What must be settled first: the strength by a lead, or the bottle. */
  refusal?: 'grade' | 'bottle';
  bottle?: ShelfBottle;
  /** It goes into a threaded hole, which must be clean too. */
  hole: boolean;
  /** What is said with it. */
  said: { bottle?: string; holeClean?: true };
}

/**
 * The bead of a station: which bottle, and whether there is a hole to clean.
 *
 * @param station - the one to be beaded; left out while none is
 */
export function useBead({ index, document }: OpenJob, station: PlanStation | undefined): BeadInHand {
  const inHand = useBottles((state) => state.bottles);
  return useMemo(() => {
    const compound = index.compounds.get(station?.compound ?? '');
    const last = station?.stack.at(-1);
    const hole =
      compound !== undefined && setsOnTheThread(compound.kind) && last?.kind === 'clamped' && last.tapped !== undefined;
    if (!compound) return { hole: false, said: {} };
    const shelf = document.bottles ?? [];
    const bottle = shelf.find(
      ({ id, kind, fault }) => id === inHand[compound.kind] && kind === compound.kind && !fault,
    );
    const wanted = shelf.some(({ kind, fault }) => kind === compound.kind && !fault);
    return {
      refusal: compound.gradeUnknown ? 'grade' : wanted && !bottle ? 'bottle' : undefined,
      bottle,
      hole,
      said: { ...(bottle ? { bottle: bottle.id } : {}), ...(hole ? { holeClean: true as const } : {}) },
    };
  }, [index, document.bottles, station, inHand]);
}
