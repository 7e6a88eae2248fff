import { create } from 'zustand';

/** Whether the line shows what the sheet says and no more: in a drill whose learner reads, chooses and sets by himself. */
export const useSheetOnly = create<{ on: boolean }>()(() => ({ on: false }));
