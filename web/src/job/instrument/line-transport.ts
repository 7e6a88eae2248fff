/** A way to an instrument: text out, text in, in whatever pieces it comes. */
export interface LineTransport {
  /** What it is called on the screen. */
  readonly name: string;
  /**
   * Opens the line.
   *
   * @param onText - whatever came
   * @param onLost - the line broke by itself
   * @throws where it cannot be opened: nothing was chosen, it is in use, it does not answer
   */
  open(onText: (text: string) => void, onLost: () => void): Promise<void>;
  write(text: string): void;
  /** Put away on purpose: `onLost` is not called. */
  close(): void;
}

/** Asks an instrument to say who it is: docs/formats/instrument-line.md. */
export const WHO = '?\n';
