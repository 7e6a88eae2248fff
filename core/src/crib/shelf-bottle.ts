import type { BottleFault, ShelfBottle } from '../compound/shelf-bottle.ts';
import type { StoreReading } from '../compound/shelf-life.ts';
import { type Bottle, bottleVerdict, leftMl } from './bottle.ts';

/** The shelf for the floor: what is empty is left out, what must not be used stays there with why. */
export function shelfBottles(
  bottles: readonly Bottle[],
  readings: readonly StoreReading[],
  today: string,
): ShelfBottle[] {
  return bottles
    .filter(({ emptiedOn, gelledOn }) => emptiedOn === undefined || gelledOn !== undefined)
    .map((bottle) => {
      const { id, name, kind, lot, gelledOn } = bottle;
      const { lastDay, usable, because } = bottleVerdict(bottle, readings, today);
      const fault: BottleFault | undefined =
        gelledOn !== undefined ? 'gelled' : !usable ? because : leftMl(bottle) <= 0 ? 'empty' : undefined;
      return { id, name, kind, lot, lastDay, ...(fault ? { fault } : {}) };
    })
    .sort(
      (a, b) => Number(a.fault !== undefined) - Number(b.fault !== undefined) || a.lastDay.localeCompare(b.lastDay),
    );
}
