import { KIT_FORMAT, KIT_VERSION } from './kit-document.ts';

type Raw = Record<string, unknown>;

/** Lists that came with version 2; a kit of version 1 has none of what they hold. */
const NEW_IN_2 = [
  'prerequisites',
  'baselines',
  'choices',
  'irreversible',
  'temporary',
  'neighbours',
  'removed',
  'disconnects',
  'checks',
  'steps',
] as const;

/** Each step lifts a document by one version. */
const STEPS: ReadonlyArray<{ from: number; lift: (kit: Raw) => Raw }> = [
  {
    from: 1,
    lift: (kit) => ({ ...kit, version: 2, ...Object.fromEntries(NEW_IN_2.map((list) => [list, kit[list] ?? []])) }),
  },
  { from: 2, lift: (kit) => ({ ...kit, version: 3, tools: kit.tools ?? [] }) },
];

const isRaw = (value: unknown): value is Raw => typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * Lifts a kit document of an older version to this one, step by step. Anything that is not an older kit is given back
 * as it is, for the reader to judge.
 */
export function upgradeKit(raw: unknown): unknown {
  if (!isRaw(raw) || raw.format !== KIT_FORMAT) return raw;
  let kit = raw;
  for (const { from, lift } of STEPS) {
    if (kit.version === from && from < KIT_VERSION) kit = lift(kit);
  }
  return kit;
}
