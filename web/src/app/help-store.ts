import { create } from 'zustand';

/** Whether the help of the screen in view is open: asked for by `?`, by its button, and on a phone by the person's menu. */
export const useHelp = create<{ open: boolean; show: (open: boolean) => void }>((set) => ({
  open: false,
  show: (open) => set({ open }),
}));
