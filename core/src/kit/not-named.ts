import type { KitDocument, KitList } from './kit-document.ts';

/**
 * What a new entry is called until its writer names it. Nothing is suggested: a name that was only suggested reads, on the
 * floor, like what the sheet says.
 */
export const NOT_NAMED = {
  items: 'New line',
  questions: 'New question?',
  steps: 'New step',
  removed: 'New thing',
  disconnects: 'New connection',
  neighbours: 'New neighbour',
  temporary: 'New protection',
  baselines: 'New measurement',
  checks: 'New check',
  irreversible: 'New cut or hole',
  prerequisites: 'New condition',
  cautions: 'New caution',
  aftercare: 'New aftercare',
  tools: 'New tool',
} as const satisfies Partial<Record<KitList, string>>;

/** An entry that still has the name it was added with. */
export interface NotNamed {
  list: keyof typeof NOT_NAMED;
  index: number;
  name: string;
}

/** Every entry of a kit that nobody has named yet. */
export const notNamed = (kit: KitDocument): NotNamed[] =>
  (Object.keys(NOT_NAMED) as Array<keyof typeof NOT_NAMED>).flatMap((list) =>
    (kit[list] as ReadonlyArray<{ name?: string; text?: string }>).flatMap((entry, index) =>
      (entry.name ?? entry.text) === NOT_NAMED[list] ? [{ list, index, name: NOT_NAMED[list] }] : [],
    ),
  );
