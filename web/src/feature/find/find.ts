import type { JobCard } from '#contract/job.ts';
import type { KitCard } from '#contract/kit-draft.ts';
import type { ShopPerson } from '#contract/shop.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';

/** Something of the shop that was looked for, and where it is shown. */
export interface Found {
  key: string;
  kind: 'job' | 'vehicle' | 'kit' | 'person';
  title: string;
  says: string;
  to: string;
}

/** Everything that is looked through. */
export interface Findable {
  jobs: readonly JobCard[];
  vehicles: readonly Pick<Vehicle, 'id' | 'plate' | 'make' | 'model' | 'owner'>[];
  kits: readonly Pick<KitCard, 'id' | 'title' | 'maker' | 'revision'>[];
  /** Only leads see people. */
  people: readonly Pick<ShopPerson, 'id' | 'name' | 'initials' | 'role'>[];
}

/** Most that are listed: what is further down is found by typing on. */
const MOST = 9;

/** As it is compared: plates are typed with and without their gaps and dashes. */
const bare = (text: string): string => text.toLowerCase().replace(/[\s\-–.]/g, '');

/** An entry with the words it answers to; the first one counts most. */
interface Entry {
  found: Found;
  names: readonly string[];
}

const entriesOf = ({ jobs, vehicles, kits, people }: Findable): Entry[] => [
  ...jobs.map(({ id, number, kitTitle, vehicle, closedAtMs }) => ({
    found: {
      key: `job ${id}`,
      kind: 'job' as const,
      title: `${number}, ${vehicle.plate}`,
      says: `${kitTitle}${closedAtMs === undefined ? '' : ', closed'}`,
      to: `/jobs/${id}`,
    },
    names: [number, vehicle.plate, kitTitle, vehicle.make, vehicle.model],
  })),
  ...vehicles.map(({ id, plate, make, model, owner }) => ({
    found: {
      key: `vehicle ${id}`,
      kind: 'vehicle' as const,
      title: `${plate}, ${make} ${model}`,
      says: owner,
      to: `/vehicles/${id}`,
    },
    names: [plate, make, model, owner],
  })),
  ...kits.map(({ id, title, maker, revision }) => ({
    found: { key: `kit ${id}`, kind: 'kit' as const, title, says: `${maker}, revision ${revision}`, to: `/kits/${id}` },
    names: [title, maker, id],
  })),
  ...people.map(({ id, name, initials, role }) => ({
    found: { key: `person ${id}`, kind: 'person' as const, title: name, says: role, to: '/shop' },
    names: [name, initials],
  })),
];

/**
 * What of the shop answers to a typed or scanned line: every word of it must be in the entry. A name that is just what
 * was typed goes first, then one that begins so.
 */
export function findInShop(text: string, shop: Findable): Found[] {
  const words = text.trim().split(/\s+/).map(bare).filter(Boolean);
  if (words.length === 0) return [];
  const whole = bare(text);
  return entriesOf(shop)
    .map(({ found, names }) => {
      const plain = names.map(bare);
      const all = plain.join('\n');
      // A plate with a gap in it is two words that stand together.
      if (!all.includes(whole) && !words.every((word) => all.includes(word))) return undefined;
      const rank = plain.includes(whole) ? 0 : plain.some((name) => name.startsWith(whole)) ? 1 : 2;
      return { found, rank };
    })
    .filter((hit) => hit !== undefined)
    .sort((a, b) => a.rank - b.rank)
    .slice(0, MOST)
    .map(({ found }) => found);
}
