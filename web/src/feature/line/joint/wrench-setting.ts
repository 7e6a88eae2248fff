import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';
import type { Adapter } from '#core/wrench/adapter.ts';

interface WrenchSettings {
  /** The wrench last confirmed as set on this tablet, and to what, N·m on its scale. */
  wrench?: string;
  settingNm?: number;
  /** The wrench of the pull before, whatever its kind: another is announced. */
  lastWrench?: string;
  /** The adapter in hand, and the group it was put on for. */
  adapter?: Adapter & { group: string };
  set(wrench: string, settingNm: number): void;
  pulledWith(wrench: string): void;
  use(adapter: (Adapter & { group: string }) | undefined): void;
}

/** Settings are compared to a thousandth of a newton metre, like readings. */
const SAME_NM = 1e-3;

/** How the wrench in hand is set: kept for the tab, because a reload does not turn the handle. */
export const useWrenchSetting = create<WrenchSettings>()(
  persist(
    (set) => ({
      set: (wrench, settingNm) => set({ wrench, settingNm }),
      pulledWith: (lastWrench) => set({ lastWrench }),
      use: (adapter) => set({ adapter, wrench: undefined, settingNm: undefined }),
    }),
    { name: 'wrenchman.wrench-setting', storage: createJSONStorage(() => sessionStorage) },
  ),
);

/** Whether this wrench stands at this setting, by the last word of whoever holds it. */
export const standsAt = (
  { wrench, settingNm }: Pick<WrenchSettings, 'wrench' | 'settingNm'>,
  id: string,
  wantedNm: number,
): boolean => wrench === id && settingNm !== undefined && Math.abs(settingNm - wantedNm) <= SAME_NM;
