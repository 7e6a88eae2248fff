/** The look of a small field in the editor. */
export const LOOK = 'min-h-11 border-2 border-rule bg-sheet px-2 focus:border-ink';
