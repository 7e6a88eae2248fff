import type { Burden } from '../shop/lifting-gear.ts';
import type { BuildMonth } from './build-month.ts';

/** What kits ask of a vehicle. Absent means not known, never "no". */
export interface VehicleFacts {
  modelYear?: number;
  /** 201903 is March 2019: what a change within a model year hangs on. */
  buildMonth?: BuildMonth;
  engine?: string;
  drivenWheels?: string;
  body?: string;
  gearbox?: string;
  trim?: string;
  /** What it already carries, once somebody has looked: a list that is there and empty means "nothing". */
  fitted?: ReadonlyArray<{ word: string; amount?: FittedAmount }>;
  /** What its plate says it may weigh: what holds it up must bear that. */
  ratings?: Burden;
  /** How often bolts of the vehicle that may be used again are known to have been tightened. */
  boltUses?: BoltUses[];
}

/** By how much something was changed: `lowered` by 40 mm. A length is in mm, whatever it was said in. */
export interface FittedAmount {
  value: number;
  printed: string;
}

/** A bolt of the vehicle by its place, else its name, and how often it was tightened. */
export interface BoltUses {
  bolt: string;
  uses: number;
}

/** What a vehicle's bolt is known by from one visit to the next. */
export const boltWord = ({ place, name, side }: { place?: string; name: string; side?: string }): string =>
  place ?? [side, name].filter(Boolean).join(' ');

/** How often a bolt of the vehicle was tightened; undefined where nobody counted. */
export const usesOf = (vehicle: VehicleFacts, thing: Parameters<typeof boltWord>[0]): number | undefined =>
  vehicle.boltUses?.find(({ bolt }) => sameWord(bolt, boltWord(thing)))?.uses;

/** Words of the register are the same whatever their case and spaces. */
export const sameWord = (a: string, b: string): boolean => plainWord(a) === plainWord(b);

/** Names already reduced: a plan asks for the same few hundred again and again. */
const reduced = new Map<string, string>();
const MOST_REDUCED = 5000;

/** A name reduced to what tells it apart: `Rear  Wheels` and `rear wheels` are one. */
export function plainWord(text: string): string {
  const known = reduced.get(text);
  if (known !== undefined) return known;
  const plain = text
    .toLowerCase()
    .replaceAll(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
  if (reduced.size >= MOST_REDUCED) reduced.clear();
  reduced.set(text, plain);
  return plain;
}
