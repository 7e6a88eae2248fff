import { type KitChange, kitDifference } from './kit-difference.ts';
import type { KitDocument } from './kit-document.ts';

/** A revision of a kit as far as its origin goes. */
export interface RevisionOrigin {
  revision: number;
  /** Said when the shop released it from its own draft; a maker's file came without. */
  note?: string;
}

/**
 * The revisions between which the shop's own edits lie that a newer file of the maker does not know of: from the maker's
 * file they were made on to the last the shop released before the newest. Nothing where the newest is the shop's own,
 * or where the shop had changed nothing.
 */
export function ownEdits(revisions: readonly RevisionOrigin[]): { from: number; to: number } | undefined {
  const newestFirst = [...revisions].sort((a, b) => b.revision - a.revision);
  const [newest, ...earlier] = newestFirst;
  if (!newest || newest.note !== undefined) return undefined;
  const [last] = earlier;
  if (last?.note === undefined) return undefined;
  const base = earlier.find(({ note }) => note === undefined);
  return base && { from: base.revision, to: last.revision };
}

/** An edit of the shop's, and whether the maker's newer file says the same. */
export interface OwnEdit {
  change: KitChange;
  carried: boolean;
}

/**
 * The shop's edits of an earlier file against the maker's newer one. An edit the newer file says alike needs no carrying
 * over; any other is at odds with it, or missing from it.
 *
 * @param base - the maker's file they were made on
 * @param ours - the shop's last revision of it
 * @param newer - the maker's newer file
 */
export function editsToCarry(base: KitDocument, ours: KitDocument, newer: KitDocument): OwnEdit[] {
  const place = ({ list, name, field, kind }: KitChange): string => `${list} ${name} ${field ?? kind}`;
  const differs = new Set(kitDifference(newer, ours).map(place));
  return kitDifference(base, ours).map((change) => ({ change, carried: !differs.has(place(change)) }));
}
