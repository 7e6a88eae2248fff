/** The strengths a threadlocker comes in: for small screws, for what hand tools open, for what wants heat. */
export const LOCKERS = ['threadlockerLow', 'threadlockerMedium', 'threadlockerHigh'] as const;
export type Locker = (typeof LOCKERS)[number];

export const COMPOUND_KINDS = [...LOCKERS, 'antiSeize', 'grease', 'sealant', 'retaining'] as const;
export type CompoundKind = (typeof COMPOUND_KINDS)[number];

export const isLocker = (kind: string | undefined): kind is Locker => LOCKERS.some((locker) => locker === kind);

/** What sets once it is on, and so has a window, a fixture and a cure. */
export type SettingCompound = Locker | 'retaining' | 'sealant';

/**
 * Something put on a thread or face. Times are those of the product's own sheet, as the kit quotes them; a kit that
 * quotes none leaves them out, and no clock runs on a guess.
 */
export interface Compound {
  id: string;
  name: string;
  kind: CompoundKind;
  /** From the bead to the last moment the joint may be tightened, minutes. */
  workingWindowMin?: number;
  /** From the bead to handling strength, minutes. */
  fixtureMin?: number;
  /** From the bead to full cure, hours. */
  fullCureH?: number;
  /** The sheet says `threadlocker` and not how strong: a lead names the product before any goes on. */
  gradeUnknown?: true;
  /** Its own sheet says that a trace of oil does not keep it from setting. */
  oilTolerant?: boolean;
}

/** Compounds whose bead starts a clock: past the window the joint is cleaned and done again. */
export const setsOnTheThread = (kind: CompoundKind): kind is SettingCompound =>
  isLocker(kind) || kind === 'retaining' || kind === 'sealant';
