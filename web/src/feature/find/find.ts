import type { JobCard } from '#contract/job.ts';
import type { KitCard } from '#contract/kit-draft.ts';
import type { ShopPerson } from '#contract/shop.ts';
import { say } from '#contract/wording/say.ts';
import type { Bottle } from '#core/crib/bottle.ts';
import type { CribTool } from '#core/crib/crib-tool.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import type { Wrench } from '#core/wrench/wrench.ts';

/** Something of the shop that was looked for, and where it is shown. */
export interface Found {
  key: string;
  kind: 'job' | 'vehicle' | 'kit' | 'person' | 'wrench' | 'tool' | 'bottle';
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
  /** What hangs in the crib. */
  wrenches?: readonly Pick<Wrench, 'id' | 'label' | 'serial' | 'kind'>[];
  tools?: readonly Pick<CribTool, 'id' | 'name' | 'place'>[];
  bottles?: readonly Pick<Bottle, 'id' | 'name' | 'lot'>[];
}

/** Most that are listed: what is further down is found by typing on. */
const MOST = 9;

/** As it is compared: plates are typed with and without their gaps and dashes. */
const bare = (text: string): string => text.toLowerCase().replace(/[\s\-–.]/g, '');

/** An entry with the words it answers to; the first one counts most. */
interface Entry {
  found: Found;
  names: readonly string[];
  /** How many of them are its own; the others are of its vehicle or maker. */
  own: number;
}

const entriesOf = ({ jobs, vehicles, kits, people, wrenches = [], tools = [], bottles = [] }: Findable): Entry[] => [
  ...jobs.map(({ id, number, kitTitle, vehicle, closedAtMs }) => ({
    found: {
      key: `job ${id}`,
      kind: 'job' as const,
      title: `${number}, ${vehicle.plate}`,
      says: `${kitTitle}${closedAtMs === undefined ? '' : say(', closed')}`,
      to: `/jobs/${id}`,
    },
    names: [number, vehicle.plate, kitTitle, vehicle.make, vehicle.model],
    own: 1,
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
    own: 1,
  })),
  ...kits.map(({ id, title, maker, revision }) => ({
    found: {
      key: `kit ${id}`,
      kind: 'kit' as const,
      title,
      says: say('{maker}, revision {revision}', { maker, revision }),
      to: `/kits/${id}`,
    },
    names: [title, id, maker],
    own: 2,
  })),
  ...people.map(({ id, name, initials, role }) => ({
    found: { key: `person ${id}`, kind: 'person' as const, title: name, says: role, to: '/shop' },
    names: [name, initials],
    own: 1,
  })),
  ...wrenches.map(({ id, label, serial, kind }) => ({
    found: {
      key: `wrench ${id}`,
      kind: 'wrench' as const,
      title: label,
      says: [say('{kind} wrench', { kind }), serial].filter(Boolean).join(', '),
      to: '/crib',
    },
    names: [label, ...(serial ? [serial] : [])],
    own: 2,
  })),
  ...tools.map(({ id, name, place }) => ({
    found: { key: `tool ${id}`, kind: 'tool' as const, title: name, says: place ?? 'crib', to: '/crib/tools' },
    names: [name],
    own: 1,
  })),
  ...bottles.map(({ id, name, lot }) => ({
    found: {
      key: `bottle ${id}`,
      kind: 'bottle' as const,
      title: name,
      says: say('lot {lot}', { lot }),
      to: '/crib/compounds',
    },
    names: [name, lot],
    own: 2,
  })),
];

/**
 * Where a scanned code leads: an address of this application, or the one thing of the shop that is called just so.
 * Undefined where nothing or more than one thing is.
 */
export function scannedPlace(code: string, origin: string, shop: Findable): string | undefined {
  const text = code.trim();
  if (/^https?:\/\//i.test(text)) {
    const address = URL.canParse(text) ? new URL(text) : undefined;
    return address?.origin === origin ? `${address.pathname}${address.search}` : undefined;
  }
  const whole = bare(text);
  const exact = entriesOf(shop).filter(({ names, own }) => names.slice(0, own).some((name) => bare(name) === whole));
  return exact.length === 1 ? exact[0]?.found.to : undefined;
}

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
