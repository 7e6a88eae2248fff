import { KIT_FORMAT, KIT_VERSION } from './kit-document.ts';

type Raw = Record<string, unknown>;

const isRaw = (value: unknown): value is Raw => typeof value === 'object' && value !== null && !Array.isArray(value);

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
  { from: 3, lift: (kit) => to4(kit) },
  // Version 5 only adds: findings, what was bought, conditions on choices and on pieces of a stack.
  { from: 4, lift: (kit) => ({ ...kit, version: 5 }) },
  // Version 6 only adds: what checks and baselines are judged by, shims, and ride heights.
  { from: 5, lift: (kit) => ({ ...kit, version: 6 }) },
  // Version 7 only adds: procedures, lockers of unknown strength, the share that running down may take.
  { from: 6, lift: (kit) => ({ ...kit, version: 7 }) },
];

/** What a closing step of version 3 was for: putting together again, or looking whether it works. */
const PUTS_BACK = new Set(['refit', 'reconnect', 'retighten', 'clear', 'lower']);
const PHASE_IN_4: Readonly<Record<string, string>> = { fitLoose: 'loose', cure: 'hold' };

const entries = (list: unknown): Raw[] => (Array.isArray(list) ? list.filter(isRaw) : []);

function phaseIn4(step: Raw): unknown {
  if (step.phase !== 'closeOut') return PHASE_IN_4[String(step.phase)] ?? step.phase;
  return entries(step.actions).some((action) => PUTS_BACK.has(String(action.type))) ? 'refit' : 'prove';
}

/** Version 4 says what `after` holds back, and up to where a temporary thing may stay on; its phases are the line's. */
const to4 = (kit: Raw): Raw => ({
  ...kit,
  version: 4,
  groups: Array.isArray(kit.groups)
    ? kit.groups.map((group) =>
        isRaw(group) && Array.isArray(group.after)
          ? { ...group, after: group.after.map((id) => ({ group: id, holds: 'snug' })) }
          : group,
      )
    : kit.groups,
  temporary: Array.isArray(kit.temporary)
    ? kit.temporary.map((entry) => {
        if (!isRaw(entry) || !('clearBy' in entry)) return entry;
        const { clearBy, ...rest } = entry;
        return { ...rest, goneBefore: clearBy === 'closeOut' ? { close: true } : { group: clearBy } };
      })
    : kit.temporary,
  steps: Array.isArray(kit.steps)
    ? kit.steps.map((step) => (isRaw(step) ? { ...step, phase: phaseIn4(step) } : step))
    : kit.steps,
});

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
