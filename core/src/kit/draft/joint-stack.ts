import type { Thread } from '../../fastener/thread.ts';
import type { Item, StackPiece } from '../kit-document.ts';

/** Whether a washer whose name has a size fits a thread: `flat washers, 7/16`, `washers 13` (the hole of an M12). */
export function fitsBySize(name: string, thread: Thread | undefined, sizes: ReadonlySet<number>): boolean {
  if (!thread) return true;
  const inch = /(?<![\d/.-])([1-9]\d?\/(?:2|4|8|16))(?![\d/])/.exec(name)?.[1];
  if (inch !== undefined) return thread.designation.startsWith(`${inch}-`);
  const metric = /\bM(\d{1,2})\b/.exec(name)?.[1];
  if (metric !== undefined) return Number(metric) === thread.nominalMm;
  const [, behind, before] =
    /\bwashers?,? (?:ø ?)?(\d{1,2}(?:[.,]\d)?)(?: mm)?(?:,? (?:hard(?:ened)?|flat|plain|thick|heavy|large|zinc|black|stainless|spring))?$|^(\d{1,2}(?:[.,]\d)?) ?[x×] ?\d{2}\b.*\bwashers?$/i.exec(
      name.trim(),
    ) ?? [];
  const hole = Number((behind ?? before)?.replace(',', '.'));
  // `Washer 14` beside M14 bolts is called by their size.
  if (sizes.has(hole)) return hole === thread.nominalMm;
  // A washer's hole is up to 2 mm wider than its bolt. Common practice, no source.
  return !(hole > 4) || (hole >= thread.nominalMm && hole <= thread.nominalMm + 2);
}

/** The washers of one station, from the head inwards and from the part to the nut. */
export interface Washers {
  underHead: readonly Item[];
  underNut: readonly Item[];
}

/** Forms that lock what turns on them. */
const LOCKS: ReadonlySet<Item['form']> = new Set<Item['form']>(['lock', 'star', 'conical']);

/**
 * Which of the washers that fit a station has, and where they stand. Twice as many plain ones as bolts stand under head
 * and nut; a locking one stands against what is turned: under the nut, under the head where there is none. Common
 * practice, no source.
 *
 * @param fitting - washers that fit and suffice for every station, in the order of the list
 * @param often - how many of one there are for a station
 */
export function washersOf(
  fitting: readonly Item[],
  { bolt, nut, often }: { bolt: Item | undefined; nut: Item | undefined; often: (item: Item) => number },
): Washers {
  const plain = fitting.find(({ form }) => !LOCKS.has(form));
  const locking = fitting.find(({ form }) => LOCKS.has(form));
  const both = bolt !== undefined && nut !== undefined;
  const twice = plain && both && plain.quantity >= 2 * bolt.quantity && often(plain) >= 2;
  const underNut = [...(twice ? [plain] : []), ...(locking && nut ? [locking] : [])];
  return { underHead: [...(locking && !nut ? [locking] : []), ...(plain ? [plain] : [])], underNut };
}

/** A station's pieces in order: bolt, its washers, the part, washers and nut. The part's thickness is unknown yet. */
export function stackOf(piece: Item, nut: Item | undefined, { underHead, underNut }: Washers): StackPiece[] {
  const hardware = ({ id }: Item): StackPiece => ({ kind: 'hardware', item: id });
  const end = nut ?? (piece.kind === 'nut' ? piece : undefined);
  return [
    ...(piece.kind === 'bolt' ? [hardware(piece)] : []),
    ...underHead.map(hardware),
    { kind: 'clamped', name: 'Part', thicknessMm: 5 },
    ...underNut.map(hardware),
    ...(end ? [hardware(end)] : []),
  ];
}
