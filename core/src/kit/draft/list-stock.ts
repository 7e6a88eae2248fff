import { inchSizeIn } from '../../sheet/spoken-thread.ts';
import type { Item } from '../kit-document.ts';
import type { ItemKind } from '../piece-kind.ts';
import type { Packing } from './draft-packing.ts';
import { type Drafting, isKind } from './drafting.ts';
import { threadNamed } from './joint-size.ts';
import { U_BOLTS } from './joint-words.ts';

/** A U-bolt is held by two nuts. */
export const NUTS_OF_U_BOLT = 2;

/** What the list holds, and what is left of it while its joints are drawn. */
export interface ListStock {
  /** The lines of a kind, or of a kind and a thread as the list writes it. */
  of: (kind: ItemKind, thread?: string) => readonly Item[];
  /** Pieces of a line that no joint has yet. */
  unused: (item: Item | undefined) => number;
  /** Pieces of a line that are there for the figure of a step: none that wait for a later one or another row. */
  left: (item: Item | undefined, step: number) => number;
  /** Whether a later figure is said of a line. */
  waits: (item: Item, step: number) => boolean;
  /** Gives pieces of a line to a joint. */
  use: (item: Item, often: number) => void;
  /** The metric sizes the list has, mm. */
  metricSizes: ReadonlySet<number>;
  /** Whether it has U-bolts. */
  uBolts: boolean;
}

/** The stock of a sheet's list before its first joint is drawn; the vehicle's own pieces are each made for one joint. */
export function stockOfList({ kit, facts, reading }: Drafting, { tightenedInRow, countedIn }: Packing): ListStock {
  const used = new Map<string, number>();
  const unused = (item: Item | undefined): number => (item ? item.quantity - (used.get(item.id) ?? 0) : 0);
  const listed = new Map<string, Item[]>();
  const keep = (key: string, item: Item) => {
    const list = listed.get(key);
    if (list) list.push(item);
    else listed.set(key, [item]);
  };
  for (const item of kit.items) {
    keep(item.kind, item);
    if (item.thread !== undefined) keep(`${item.kind} ${item.thread}`, item);
  }
  const metricSizes = new Set(
    kit.items.flatMap(({ thread }) => {
      const size = threadNamed(thread);
      return size?.system === 'metric' ? [size.nominalMm] : [];
    }),
  );
  // Pieces of a size that a torque's own sentence names wait for it.
  const claimed = new Map<string, number>();
  for (const { about, step } of facts.filter(isKind('torque'))) {
    const size = inchSizeIn(reading.steps[step]?.text ?? '');
    for (const name of [about?.replace(' × ', ' x '), size && `${size}-`]) if (name) claimed.set(name, step);
  }
  // `Shoulder bolts 45 lb ft` further on: those are no others'. By two words, the last step that tightens them.
  const calledIn = new Map<string, number>();
  for (const { step } of facts.filter(isKind('torque'))) {
    const words = reading.steps[step]?.text.toLowerCase().match(/\p{L}+/gu) ?? [];
    for (const [at, word] of words.entries()) calledIn.set(`${words[at - 1]} ${word}`, step);
  }
  const calledLater = (item: Item, step: number): boolean => {
    const name = item.name.toLowerCase().replace(/^\d+(?:\.\d+)? ?mm /, '');
    return (calledIn.get(name.replace('-', ' ')) ?? -1) > step;
  };
  const waits = (item: Item, step: number): boolean =>
    [...claimed].some(
      ([name, by]) => by > step && (item.thread === name || (name.endsWith('-') && item.thread?.startsWith(name))),
    ) || calledLater(item, step);
  // Twice as many nuts or washers as U-bolts of their size wait for them.
  const uBoltsAt = facts.findLast(
    (fact) => isKind('torque')(fact) && U_BOLTS.test(reading.steps[fact.step]?.text ?? ''),
  );
  const uBolts = kit.items.filter(({ form }) => form === 'uBolt');
  const heldForUBolts = (item: Item, step: number): boolean =>
    uBoltsAt !== undefined &&
    uBoltsAt.step > step &&
    (item.kind === 'nut' || item.kind === 'washer') &&
    uBolts.some(
      ({ thread, quantity }) =>
        item.quantity === NUTS_OF_U_BOLT * quantity &&
        (item.thread === undefined || thread === undefined || item.thread === thread),
    );
  const left = (item: Item | undefined, step: number): number => {
    if (!item || heldForUBolts(item, step) || (countedIn.get(item.id) ?? -1) > step) return 0;
    // What another row of the table tightens is not there for this joint.
    const row = tightenedInRow.get(item.id);
    return row !== undefined && row !== step ? 0 : unused(item);
  };
  return {
    of: (kind, thread) => listed.get(thread === undefined ? kind : `${kind} ${thread}`) ?? [],
    unused,
    left,
    waits,
    use: ({ id }, often) => used.set(id, (used.get(id) ?? 0) + often),
    metricSizes,
    uBolts: uBolts.length > 0,
  };
}
