import { lookAlikes, type Seen } from './look-alike.ts';

/** A sorting tray as the shop has it: rows of compartments. */
export interface Tray {
  name: string;
  rows: number;
  columns: number;
}

/** A compartment, counted from the upper left, from 0. */
export interface TrayPlace {
  tray: string;
  row: number;
  column: number;
}

/** A tray of a shop that named none. */
export const USUAL_TRAYS: readonly Tray[] = [{ name: 'Tray', rows: 4, columns: 6 }];

/** How a compartment is called: letters down, numbers across, as a chart of squares. */
export const placeName = ({ row, column }: Pick<TrayPlace, 'row' | 'column'>): string =>
  `${String.fromCharCode(65 + row)}${column + 1}`;

const touches = (a: TrayPlace, b: TrayPlace): boolean =>
  a.tray === b.tray && Math.abs(a.row - b.row) <= 1 && Math.abs(a.column - b.column) <= 1;

/**
 * Lays hardware out in the order it is used, row by row, so that no piece lies beside one it may be taken for: a hand
 * that misses by one compartment comes up with something that does not go in. Where the trays are too small for that,
 * it lies in the next free one; where they are full, in no tray.
 *
 * @param pieces - in the order the work takes them
 * @param fixed - what a person laid somewhere; stays there
 */
export function layOut<P extends Seen & { id: string }>(
  pieces: readonly P[],
  trays: readonly Tray[],
  fixed: Readonly<Record<string, TrayPlace>> = {},
): Map<string, TrayPlace> {
  const places = trays.flatMap(({ name, rows, columns }) =>
    Array.from({ length: rows * columns }, (_, index) => ({
      tray: name,
      row: Math.floor(index / columns),
      column: index % columns,
    })),
  );
  const key = ({ tray, row, column }: TrayPlace) => `${tray} ${row} ${column}`;
  const laid = new Map<string, TrayPlace>();
  const taken = new Set<string>();
  const lay = (piece: P) => {
    const alikes = lookAlikes(piece, pieces).flatMap(({ piece: other }) => laid.get(other.id) ?? []);
    const free = places.filter((place) => !taken.has(key(place)));
    const place = free.find((one) => !alikes.some((other) => touches(one, other))) ?? free[0];
    if (!place) return;
    laid.set(piece.id, place);
    taken.add(key(place));
  };
  // As if no hand had moved anything, so that moving one moves no other.
  for (const piece of pieces) lay(piece);
  const moved = pieces.filter(({ id }) => fixed[id] !== undefined);
  for (const { id } of moved) laid.set(id, fixed[id] as TrayPlace);
  const byHand = new Set(moved.map(({ id }) => key(fixed[id] as TrayPlace)));
  // Only what lay where a hand put another gives way.
  const displaced = pieces.filter(({ id }) => {
    const place = laid.get(id);
    return place !== undefined && fixed[id] === undefined && byHand.has(key(place));
  });
  for (const { id } of displaced) laid.delete(id);
  taken.clear();
  for (const place of laid.values()) taken.add(key(place));
  for (const piece of displaced) lay(piece);
  return laid;
}
