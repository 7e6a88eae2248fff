import type { ItemId } from './ids.ts';
import type { Item } from './kit-document.ts';

/** Whether a line is in the kit's own box: what sits on the vehicle or on the shop's shelf is not counted with it. */
export const inTheBox = ({ source }: Pick<Item, 'source'>): boolean => source === 'kit';

/** Acts that put pieces of the packing list on by themselves: parts that are fitted, what is pressed or pushed in. */
interface Acting {
  actions: ReadonlyArray<{ type: string; item?: unknown }>;
}

/** How many acts put each item on, by item. */
export function actsPuttingOn(steps: readonly Acting[]): Map<ItemId, number> {
  const acts = new Map<ItemId, number>();
  for (const { actions } of steps)
    for (const { type, item } of actions)
      if ((type === 'fit' || type === 'press') && typeof item === 'string') acts.set(item, (acts.get(item) ?? 0) + 1);
  return acts;
}

/** Pieces that are on once some of the acts that put them on are done: each takes its share of them. */
export const piecesPutOn = (pieces: number, done: number, acts: number): number =>
  acts === 0 ? 0 : Math.round((pieces * done) / acts);
