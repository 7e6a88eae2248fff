import type { Condition } from './condition.ts';
import type { KitDocument, KitList } from './kit-document.ts';

/** Lists whose entries may belong to one side of the vehicle. */
const SIDED = ['items', 'stations', 'removed', 'disconnects', 'steps'] as const satisfies readonly KitList[];

/** Documents already made: a kit is resolved again with every answer. */
const made = new WeakMap<KitDocument, KitDocument>();

/**
 * The kit with what was bought of it as conditions: where a question asks which side, what the kit has for the one side
 * waits for an answer that is not the other. A kit that asks no such question is given back as it is.
 */
export function sidesAsConditions(kit: KitDocument): KitDocument {
  const asked = kit.questions.find(({ bought }) => bought === 'side');
  if (!asked) return kit;
  const known = made.get(kit);
  if (known) return known;
  const notTheOther = (side: 'left' | 'right'): Condition => ({
    not: { question: asked.id, is: side === 'left' ? 'right' : 'left' },
  });
  const sided = <T extends { side?: 'left' | 'right'; when?: Condition }>(entry: T): T => {
    if (entry.side === undefined) return entry;
    const bought = notTheOther(entry.side);
    return { ...entry, when: entry.when === undefined ? bought : { all: [entry.when, bought] } };
  };
  const lists = Object.fromEntries(
    SIDED.map((list) => [list, (kit[list] as Array<{ side?: 'left' | 'right' }>).map(sided)]),
  );
  const document = { ...kit, ...lists } as KitDocument;
  made.set(kit, document);
  // Made again of itself it stays itself.
  made.set(document, document);
  return document;
}
