import { create } from 'zustand';
import type { Phase } from '#core/kit/phase.ts';

/** The stretch of the line that is on screen: the pointer of the rule stands there. */
export const useLinePlace = create<{ phase?: Phase; stand(phase: Phase | undefined): void }>()((set) => ({
  stand: (phase) => set({ phase }),
}));
