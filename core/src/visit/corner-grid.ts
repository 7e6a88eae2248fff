import type { Plan } from '../kit/plan.ts';
import { plainWord } from '../kit/vehicle-facts.ts';

export type VehicleEnd = 'front' | 'rear' | 'either';
type Side = 'left' | 'right';
const SIDES: readonly Side[] = ['left', 'right'];

/** A part that belongs to one side, or what comes off there. */
export interface CornerPart {
  id: string;
  name: string;
  mark?: string;
  quantity: number;
  /** Off the vehicle, and not of a kit. */
  comesOff: boolean;
  /** There is no such part for the other side. */
  onlyHere: boolean;
}

/** One end of the vehicle with what belongs to each of its corners. */
export interface CornerRow {
  end: VehicleEnd;
  left: CornerPart[];
  right: CornerPart[];
}

/** A part's name without its side: what its mirror is known by. */
const mirrored = (name: string): string =>
  plainWord(name)
    .replaceAll(/\b(left|right|lh|rh|l|r)\b/g, '')
    .replaceAll(/\s+/g, ' ')
    .trim();

const endOf = (words: string, along: number | undefined): VehicleEnd => {
  if (/\bfront\b/i.test(words)) return 'front';
  if (/\brear\b/i.test(words)) return 'rear';
  if (along === undefined) return 'either';
  return along < 0.5 ? 'front' : 'rear';
};

/**
 * Mirrored parts by the corner they belong to, with what one side has alone: the second look-alike that ends on the wrong
 * side is seen before it is fitted. Ends come from the words, else from where the part's joints are.
 *
 * @returns rows that hold something, front first
 */
export function cornerGrid(plan: Pick<Plan, 'items' | 'removed' | 'groups' | 'shared'>): CornerRow[] {
  const spots = new Map(plan.groups.map((group) => [group.id, group.spot?.along]));
  // What two kits take off is one thing.
  const again = new Set(
    plan.shared.flatMap(({ what, members }) => (what === 'removed' ? members.slice(1).map(({ id }) => id) : [])),
  );
  const sided = [
    ...plan.items.flatMap(({ id, name, mark, quantity, side, fittedWith }) =>
      side ? [{ id, name, mark, quantity, side, comesOff: false, end: endOf(name, spots.get(fittedWith ?? '')) }] : [],
    ),
    ...plan.removed.flatMap(({ id, name, count, side }) => {
      if (again.has(id)) return [];
      const off = { id, name, mark: undefined, comesOff: true, end: endOf(name, undefined) };
      if (side) return [{ ...off, quantity: count, side }];
      // Wheels and their nuts are named by the pair: half of them sit at each corner.
      return /\bwheels?\b/i.test(name) && count % 2 === 0
        ? SIDES.map((corner) => ({ ...off, quantity: count / 2, side: corner }))
        : [];
    }),
  ];
  const there = new Set(sided.map(({ side, name, end, comesOff }) => `${side} ${end} ${comesOff} ${mirrored(name)}`));
  const other = (side: Side): Side => (side === 'left' ? 'right' : 'left');
  return (['front', 'rear', 'either'] as const).flatMap((end): CornerRow[] => {
    const at = (side: Side): CornerPart[] =>
      sided
        .filter((part) => part.end === end && part.side === side)
        .map(({ id, name, mark, quantity, comesOff }) => ({
          id,
          name,
          ...(mark === undefined ? {} : { mark }),
          quantity,
          comesOff,
          onlyHere: !there.has(`${other(side)} ${end} ${comesOff} ${mirrored(name)}`),
        }));
    const row = { end, left: at('left'), right: at('right') };
    return row.left.length + row.right.length > 0 ? [row] : [];
  });
}
