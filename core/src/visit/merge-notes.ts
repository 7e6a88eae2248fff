import type { Plan } from '../kit/plan.ts';
import type { SharedWork } from '../kit/shared-work.ts';
import { plainWord } from '../kit/vehicle-facts.ts';

interface Merged<T> {
  kept: T[];
  shared: SharedWork[];
}

/** Entries that say the same, the first standing for all. */
function firstOfEach<T extends { id: string; kit: string; text: string }>(
  list: readonly T[],
  what: SharedWork['what'],
  key: (entry: T) => string,
  combine: (one: T, other: T) => T,
): Merged<T> {
  const found = new Map<string, { entry: T; members: Array<{ kit: string; id: string }> }>();
  for (const entry of list) {
    const name = key(entry);
    const known = found.get(name);
    const member = { kit: entry.kit, id: entry.id };
    if (!known) found.set(name, { entry, members: [member] });
    else {
      known.entry = known.members.some(({ kit }) => kit === entry.kit) ? known.entry : combine(known.entry, entry);
      known.members.push(member);
    }
  }
  return {
    kept: [...found.values()].map(({ entry }) => entry),
    shared: [...found].flatMap(([name, { entry, members }]) =>
      new Set(members.map(({ kit }) => kit)).size > 1
        ? [{ key: `${what} ${name}`, what, name: entry.text, by: 'name' as const, members }]
        : [],
    ),
  };
}

const sooner = (a: number | undefined, b: number | undefined): number | undefined =>
  a === undefined ? b : b === undefined ? a : Math.min(a, b);

/**
 * Aftercare of all kits: one alignment and one wheel re-torque serve them all, at the earliest date any of them asks;
 * the same words at the same time are one.
 */
export function mergeAftercare(list: Plan['aftercare']): Merged<Plan['aftercare'][number]> {
  const alone = (entry: Plan['aftercare'][number]) =>
    [plainWord(entry.text), entry.afterKm, entry.afterDays, entry.afterHours, entry.afterHeatCycles, entry.event].join(
      ' ',
    );
  // A kit's second look at the wheels is not another kit's first.
  const counted = new Map<string, number>();
  return firstOfEach(
    list,
    'aftercare',
    (entry) => {
      const once = (entry.about === 'alignment' || entry.about === 'wheels') && !entry.repeats;
      if (!once) return alone(entry);
      const nth = (counted.get(`${entry.kit} ${entry.about}`) ?? 0) + 1;
      counted.set(`${entry.kit} ${entry.about}`, nth);
      return `about ${entry.about} ${nth}`;
    },
    (one, other) => ({
      ...one,
      ...timeOf('afterKm', sooner(one.afterKm, other.afterKm)),
      ...timeOf('afterDays', sooner(one.afterDays, other.afterDays)),
      ...timeOf('afterHours', sooner(one.afterHours, other.afterHours)),
      ...timeOf('afterHeatCycles', sooner(one.afterHeatCycles, other.afterHeatCycles)),
    }),
  );
}

const timeOf = (field: 'afterKm' | 'afterDays' | 'afterHours' | 'afterHeatCycles', value: number | undefined) =>
  value === undefined ? {} : { [field]: value };

/** Cautions of all kits, the same words once; one tied to a joint group stays with its group. */
export const mergeCautions = (list: Plan['cautions']): Merged<Plan['cautions'][number]> =>
  firstOfEach(
    list,
    'caution',
    (entry) => `${plainWord(entry.text)} ${entry.group ?? ''}`,
    (one, other) => (other.safetyCritical ? { ...one, safetyCritical: true } : one),
  );
