/** A key of a screen, and what it does. */
export interface Shortcut {
  keys: string;
  does: string;
}
