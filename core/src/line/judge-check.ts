import type { Check, Prerequisite } from '../kit/kit-preparation.ts';
import type { Answers } from './ask.ts';

/** The key a reading is kept under: its place, and the end of a travel it was read at. */
export function checkKey(place: string | undefined, end?: 'from' | 'to'): string {
  const where = place === undefined ? 'value' : `at ${place}`;
  return end === undefined ? where : `${where} ${end}`;
}

/** Readings have a tenth or a hundredth; what a subtraction adds beyond that is not the vehicle's. */
const EXACT = 1e-9;

/** The limits of one reading: as printed, or what the target leaves. */
export function limitsOf(entry: Check | Prerequisite): { min?: number; max?: number } {
  const { min, max } = entry;
  const { target, tolerance = 0 } = entry as Check;
  if (target === undefined) return { min, max };
  const tidy = (value: number) => Number(value.toFixed(6));
  return { min: min ?? tidy(target - tolerance), max: max ?? tidy(target + tolerance) };
}

const numberAt = (answers: Answers, key: string): number | undefined => {
  const value = answers[key];
  return typeof value === 'number' ? value : undefined;
};

/** What was read at each place; of a travel the difference of its ends, as it came. */
export function readAt(check: Check, answers: Answers): Array<{ place?: string; value: number; keys: string[] }> {
  return (check.places ?? [undefined]).flatMap((place) => {
    if (!check.travel) {
      const value = numberAt(answers, checkKey(place));
      return value === undefined ? [] : [{ place, value, keys: [checkKey(place)] }];
    }
    const keys = [checkKey(place, 'from'), checkKey(place, 'to')];
    const [from, to] = keys.map((key) => numberAt(answers, key));
    return from === undefined || to === undefined ? [] : [{ place, value: Number((to - from).toFixed(6)), keys }];
  });
}

const sideOf = (place: string): 'left' | 'right' | undefined =>
  /\bleft\b/i.test(place) ? 'left' : /\bright\b/i.test(place) ? 'right' : undefined;

/** Places that are each other's mirror, left first: `front left` and `front right`, `left` and `right`. */
export function mirrored(places: readonly string[]): Array<[left: string, right: string]> {
  return places.flatMap((left): Array<[string, string]> => {
    if (sideOf(left) !== 'left') return [];
    const right = places.find((other) => other.toLowerCase() === left.toLowerCase().replace(/\bleft\b/, 'right'));
    return right === undefined ? [] : [[left, right]];
  });
}

/**
 * The keys whose readings miss what the check wants: over a travel the limits themselves, and together the spread of the
 * places, what they are level or centred by, and left against right. What each place alone must be, its question knows.
 */
export function checkMisses(check: Check | undefined, answers: Answers): string[] {
  if (!check) return [];
  const read = readAt(check, answers);
  const missed = new Set<string>();
  const add = (keys: readonly string[]) => {
    for (const key of keys) missed.add(key);
  };
  if (check.travel) {
    const { min = -Infinity, max = Infinity } = limitsOf(check);
    for (const { value, keys } of read) if (value < min - EXACT || value > max + EXACT) add(keys);
  }
  const values = read.map(({ value }) => value);
  const apart = read.length < 2 ? 0 : Math.max(...values) - Math.min(...values);
  const off = check.symmetry === 'centred' ? apart / 2 : apart;
  if (check.spread !== undefined && off > check.spread + EXACT) add(read.flatMap(({ keys }) => keys));
  if (check.sides !== undefined)
    for (const pair of mirrored(check.places ?? [])) {
      const [left, right] = pair.map((place) => read.find((one) => one.place === place));
      if (left && right && Math.abs(left.value - right.value) > check.sides + EXACT) add([...left.keys, ...right.keys]);
    }
  return [...missed];
}
