/** Ids of the commands a job has taken. Grows without copying what was there before. */
export interface CommandIds {
  has(id: string): boolean;
  readonly depth: number;
  /** All ids, for laying them together. */
  ids(): Iterable<string>;
}

export const noCommands: CommandIds = { has: () => false, depth: 0, ids: () => [] };

/** Layers above this are laid together into one set, so that looking an id up stays quick. */
const DEEPEST = 64;

/** The ids with some more. The given ids stay as they are. */
export function withCommands(before: CommandIds, added: readonly string[]): CommandIds {
  if (added.length === 0) return before;
  const all = before.depth >= DEEPEST || added.length > DEEPEST;
  const own = new Set(all ? [...before.ids(), ...added] : added);
  const below = all ? noCommands : before;
  return {
    has: (id) => own.has(id) || below.has(id),
    depth: below.depth + 1,
    *ids() {
      yield* below.ids();
      yield* own;
    },
  };
}
