import { plainWord } from '../kit/vehicle-facts.ts';
import type { Vehicle } from './vehicle.ts';

/** Somebody who brings vehicles: known by the name that stands on their cards. */
export interface Owner {
  name: string;
  /** Every way to reach them that stands on a card, the most frequent first. */
  contacts: string[];
  vehicles: Array<Pick<Vehicle, 'id' | 'make' | 'model' | 'plate'>>;
}

/** Two owners who may be one, and why. */
export interface LikelyDouble {
  first: Owner;
  second: Owner;
  because: 'contact' | 'order' | 'spelling';
}

/** Letters and digits in lower case without their accents, one blank between words. */
const plain = (text: string): string => plainWord(text.normalize('NFKD').replace(/\p{M}/gu, ''));

const inOrder = (text: string): string => plain(text).split(' ').sort().join(' ');

/** A number or address as it is compared; undefined where it is too short to tell people apart. */
function contactKey(contact: string): string | undefined {
  if (contact.includes('@')) return contact.trim().toLowerCase();
  const digits = contact.replace(/\D/g, '');
  return digits.length >= 6 ? digits : undefined;
}

/** Whether two names are one person's but for blanks, case and accents. */
export const isSameName = (one: string, other: string): boolean => plain(one) === plain(other);

/** Owners by name, each with what they bring. Names that differ by blanks, case or accents alone are one. */
export function ownersOf(vehicles: readonly Vehicle[]): Owner[] {
  interface Gathered {
    names: Map<string, number>;
    contacts: Map<string, number>;
    vehicles: Owner['vehicles'];
  }
  const byName = new Map<string, Gathered>();
  for (const { id, make, model, plate, owner, contact } of vehicles) {
    const key = plain(owner);
    // Erased on the owner's wish: nobody any more.
    if (key === '') continue;
    const known: Gathered = byName.get(key) ?? { names: new Map(), contacts: new Map(), vehicles: [] };
    byName.set(key, known);
    known.names.set(owner, (known.names.get(owner) ?? 0) + 1);
    if (contact) known.contacts.set(contact, (known.contacts.get(contact) ?? 0) + 1);
    known.vehicles.push({ id, make, model, plate });
  }
  const most = (counts: Map<string, number>): string[] =>
    [...counts].sort(([a, n], [b, m]) => m - n || a.localeCompare(b, 'en')).map(([text]) => text);
  return [...byName.values()]
    .map(({ names, contacts, vehicles: brought }) => ({
      name: most(names)[0] ?? '',
      contacts: most(contacts),
      vehicles: brought,
    }))
    .sort((a, b) => a.name.localeCompare(b.name, 'en'));
}

/**
 * Whether two words are one but for a single letter that is missing, too many, another, or changed places with its
 * neighbour. @see Damerau (1964), A technique for computer detection and correction of spelling errors
 */
export function oneSlipApart(one: string, other: string): boolean {
  if (one === other || Math.abs(one.length - other.length) > 1) return false;
  let at = 0;
  while (at < one.length && one[at] === other[at]) at += 1;
  const [rest, other_] = [one.slice(at), other.slice(at)];
  return (
    rest.slice(1) === other_.slice(1) ||
    rest.slice(1) === other_ ||
    rest === other_.slice(1) ||
    (rest[0] === other_[1] && rest[1] === other_[0] && rest.slice(2) === other_.slice(2))
  );
}

/** Shorter names than this are one letter apart by chance. */
const SHORTEST_NAME = 7;

/** Owners who may be written twice: the same way to reach them, the same words in another order, one slip of the pen. */
export function likelyDoubles(owners: readonly Owner[]): LikelyDouble[] {
  const found: LikelyDouble[] = [];
  const seen = new Set<string>();
  const add = (first: Owner, second: Owner, because: LikelyDouble['because']) => {
    const key = `${first.name}\n${second.name}`;
    if (first === second || seen.has(key)) return;
    seen.add(key);
    found.push({ first, second, because });
  };
  const groups = (keysOf: (owner: Owner) => string[], because: LikelyDouble['because']) => {
    const by = new Map<string, Owner>();
    for (const owner of owners)
      for (const key of keysOf(owner)) {
        const first = by.get(key);
        if (first) add(first, owner, because);
        else by.set(key, owner);
      }
  };
  groups((owner) => owner.contacts.flatMap((contact) => contactKey(contact) ?? []), 'contact');
  groups((owner) => [inOrder(owner.name)], 'order');
  // Sorted by length, only neighbours can be one letter apart.
  const byLength = [...owners]
    .map((owner) => ({ owner, text: plain(owner.name) }))
    .sort((a, b) => a.text.length - b.text.length);
  byLength.forEach(({ owner, text }, at) => {
    for (let next = at + 1; next < byLength.length; next++) {
      const other = byLength[next];
      if (!other || other.text.length - text.length > 1) break;
      if (text.length >= SHORTEST_NAME && oneSlipApart(text, other.text)) add(owner, other.owner, 'spelling');
    }
  });
  return found;
}
