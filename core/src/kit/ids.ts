/**
 * Ids of a kit's parts. Each kind is a type of its own, so that a station is never taken for an item; plain text, as it
 * comes from a file or over the wire, is taken for any of them and looked up before it is used.
 */
declare const kind: unique symbol;
export type Id<Kind extends string> = string & { readonly [kind]?: Kind };

export type KitId = Id<'kit'>;
export type StationId = Id<'station'>;
export type ItemId = Id<'item'>;
export type GroupId = Id<'group'>;
export type StepId = Id<'step'>;
export type QuestionId = Id<'question'>;
export type ThingId = Id<'thing'>;
/** What a kit's ids carry before them in a visit of several kits; empty for the first kit. */
export type KitPrefix = Id<'prefix'>;

/**
 * The prefix a kit's ids carry. The first kit of a visit has none, so that a visit of one kit speaks in the kit's own
 * ids; it keeps them when others come and go.
 *
 * @param before - ids of all kits that are or were in the visit
 */
export function prefixOf(before: readonly KitId[], kit: KitId): KitPrefix {
  if (before.length === 0) return '';
  // A kit that was dropped and comes again, perhaps in a newer revision, is another entry in the record.
  const times = before.filter((id) => id === kit).length;
  return times === 0 ? `${kit}/` : `${kit}.${times + 1}/`;
}

/** The kit a prefix was made from, as a person may read it: `rock-sliders`, `rock-sliders.2`; empty for the first kit. */
export const kitOf = (prefix: KitPrefix): string => (prefix.endsWith('/') ? prefix.slice(0, -1) : prefix);

/** An id of a kit as the visit has it. */
export const scopedId = <T extends string>(prefix: KitPrefix, id: T): T => `${prefix}${id}` as T;

/** Entries keyed by a kit's own ids, keyed as the visit has them. */
export const scopedKeys = <T>(prefix: KitPrefix, entries: Readonly<Record<string, T>>): Record<string, T> =>
  Object.fromEntries(Object.entries(entries).map(([id, value]) => [scopedId(prefix, id), value]));

/** Those of a visit's entries that belong to the kit of this prefix. The empty prefix owns what no other kit does. */
export const ofPrefix = <T>(prefix: KitPrefix, entries: Readonly<Record<string, T>>): Record<string, T> =>
  Object.fromEntries(
    Object.entries(entries).filter(([id]) => (prefix === '' ? !id.includes('/') : id.startsWith(prefix))),
  );
