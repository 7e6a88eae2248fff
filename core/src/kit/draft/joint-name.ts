import type { Thread } from '../../fastener/thread.ts';
import type { SheetStep } from '../../sheet/step-split.ts';
import type { ItemKind } from '../piece-kind.ts';
import { clip } from './drafting.ts';
import { kindsIn, partWords, tellingWords } from './joint-words.ts';

/** A figure said of a place alone: `new damper in: upper`, `lower`. */
const PLACE_ALONE = /(?:^|[:,]\s*|\band\s+)(?:the )?(upper|lower|front|rear|inner|outer|top|bottom|left|right)\s*$/i;

const ENDS_PLACE = /[:,]?\s+(?:upper|lower|front|rear|inner|outer|top|bottom|left|right)$/i;

/** `Left foot` that stands on both sides is `Foot`. */
const ONE_SIDE = /^(?:left|right)(?:[- ]hand)? (?=\p{L})/iu;

const capital = (text: string): string => `${text[0]?.toUpperCase()}${text.slice(1)}`;

/** What a joint may be called by, as the sheet says it. */
export interface Naming {
  step: SheetStep;
  /** Its number on the sheet, or its place. */
  number: number | string;
  /** The step is a row of a table. */
  row: boolean;
  /** What stands before the figure in its step. */
  phrase: string;
  /** The heading it stands below. */
  section?: string | undefined;
  /** What its sentences call it. */
  title?: string | undefined;
  words: readonly string[];
  /** The word of the list that told its pieces. */
  beside?: string | undefined;
  thread?: Thread | undefined;
  /** The size of its pieces, as it is written. */
  size?: string | undefined;
  /** Called by its size alone: `5/8s got 150 ft-lbs`. */
  sizeAlone: boolean;
  /** The pieces in a word: `bolts`, `U-bolts`. */
  pieces: string;
  /** What its sentences call pieces. */
  kinds: readonly ItemKind[];
  /** It stands on both sides. */
  onSides: boolean;
  /** The version of the kit it is of. */
  version?: string | undefined;
}

/**
 * The name of a joint, at most 80 characters: what its sentences call it, else the heading it stands below, else its size,
 * else its step.
 *
 * @param taken - whether another joint is called so
 */
export function nameOfJoint(naming: Naming, taken: (title: string) => boolean): string {
  const { section, size, pieces, kinds, title, row, phrase, version } = naming;
  const plain =
    section !== undefined && tellingWords(section).length + partWords(section).length > 0
      ? `${capital(section.toLowerCase())} ${pieces}`
      : size
        ? `${size} ${pieces}`
        : kinds[0] === undefined
          ? 'Joint'
          : capital(pieces);
  // A size alone names a joint as long as it is the only one of its size.
  const unnamed = plain === 'Joint' || taken(plain) ? `${plain}, step ${naming.number}` : plain;
  // `Screws` alone says less than their size.
  const bySize =
    naming.thread &&
    !/\s/.test(title ?? '') &&
    // The one word of a cell is a name; of a sentence it may be any.
    (!row || title === undefined || kindsIn(title).length > 0) &&
    !naming.words.some((word) => word.startsWith('part '));
  const beside = naming.beside && `${capital(naming.beside)} ${pieces}`;
  const called = bySize || naming.sizeAlone ? undefined : (title ?? beside);
  const bare = called === undefined ? unnamed : toldApart(called, naming.step.text, phrase, taken);
  const onBoth = naming.onSides ? capital(bare.replace(ONE_SIDE, '')) : bare;
  return clip(version ? `${onBoth}, ${version}` : onBoth, 80);
}

/** A name with what tells it from another of the same: `chassis face (inner row)`, `new damper in: upper`. */
function toldApart(called: string, sentence: string, phrase: string, taken: (title: string) => boolean): string {
  const which = /^[^|\t]{3,40}?\((\p{L}[\p{L} -]{2,24})\)/u.exec(sentence)?.[1];
  if (which !== undefined && taken(called)) return `${called}, ${which}`;
  const place = PLACE_ALONE.exec(phrase)?.[1]?.toLowerCase();
  return place && !called.toLowerCase().includes(place) ? `${called.replace(ENDS_PLACE, '')}, ${place}` : called;
}
