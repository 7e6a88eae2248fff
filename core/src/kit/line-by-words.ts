import { isSameThreadText } from '../fastener/same-thread-text.ts';
import { parseThread } from '../fastener/thread.ts';
import type { Item } from './kit-document.ts';

type Named = Pick<Item, 'id' | 'kind' | 'name' | 'aliases' | 'thread' | 'acrossFlatsMm'>;

/** What lines a person's words may mean. */
export interface WordsMeant<P> {
  lines: P[];
  /**
   * They call a bolt by a bare figure in millimetres, which is a thread to one and a spanner to another: the lines by
   * either reading, to be asked which is meant.
   */
  bare?: { mm: number; asThread: P[]; asSpanner: P[] };
}

/** What the trade calls things that a packing list calls otherwise (common practice, no source). */
const TRADE: ReadonlyArray<[RegExp, RegExp]> = [
  [/\blug(?: ?(?:nut|bolt|stud))?s?\b/i, /wheel (?:nut|bolt|stud)|hub stud|\blug/i],
  [/\bshock(?: absorber)?\b/i, /damper|strut|shock/i],
  [/\bsway ?bar\b/i, /anti-?roll|stabili[sz]er|sway/i],
  [/\bcotter(?: pin)?s?\b/i, /split pin|cotter/i],
  [/\bjam nuts?\b/i, /lock ?nut|jam nut/i],
  [/\ballen(?: (?:bolt|screw))?s?\b/i, /socket (?:cap|head)|cap screw|allen/i],
  [/\bzip ties?\b/i, /cable tie|zip tie/i],
  [/\bsnap rings?\b/i, /circlip|retaining ring|snap ring/i],
];

const PLAIN = new Set(
  'the a an of for with in on to and which what is this that one mm bolt bolts nut nuts screw screws'.split(' '),
);

const wordsOf = (text: string): string[] =>
  (text.toLowerCase().match(/[\p{L}\d]+/gu) ?? []).filter((word) => !PLAIN.has(word));

const callsOf = ({ name, aliases = [] }: Named): string[] => [name, ...aliases];

/** `the 13 bolt`, `a 10 mm nut`, `13mm`: a figure that is neither a thread callout nor a length with its thread. */
const BARE = /(?:^|[^\d.,/x×M-])(\d{1,2}(?:[.,]\d)?)\s*(?:mm|mil(?:limetres?)?)?\s*(?:bolt|nut|screw|stud|head|$)/i;

/**
 * Which lines a person means: by the list's own names, by their other names, and by what the trade calls them.
 */
export function linesByWords<P extends Named>(said: string, items: readonly P[]): WordsMeant<P> {
  const text = said.trim();
  if (text === '') return { lines: [] };
  const read = parseThread(text);
  if (read.ok && /[x×/-]|^m\d/i.test(text))
    return {
      lines: items.filter(
        (item) => item.thread !== undefined && isSameThreadText(item.thread, read.value.thread.designation),
      ),
    };
  // With a callout in it the figure is a length.
  const mm = /\bm\s?\d/i.test(text) ? 0 : Number((BARE.exec(text)?.[1] ?? '').replace(',', '.'));
  const fasteners = items.filter(({ kind }) => kind === 'bolt' || kind === 'nut' || kind === 'stud');
  const bare =
    mm > 0
      ? {
          mm,
          asThread: fasteners.filter(({ thread }) => nominalOf(thread) === mm),
          asSpanner: items.filter(
            ({ acrossFlatsMm }) => acrossFlatsMm !== undefined && Math.abs(acrossFlatsMm - mm) < 0.3,
          ),
        }
      : undefined;
  const trade = TRADE.filter(([calls]) => calls.test(text)).map(([, means]) => means);
  const words = wordsOf(text.replace(BARE, ' '));
  const lines = items.filter((item) => {
    const calls = callsOf(item).join(' ');
    if (trade.some((means) => means.test(calls))) return true;
    const own = new Set(wordsOf(calls));
    return words.length > 0 && words.every((word) => [...own].some((one) => one.startsWith(word)));
  });
  return bare ? { lines, bare } : { lines };
}

const nominalOf = (thread: string | undefined): number | undefined => {
  const read = thread === undefined ? undefined : parseThread(thread);
  return read?.ok ? read.value.thread.nominalMm : undefined;
};
