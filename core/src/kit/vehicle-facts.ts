/** What kits ask of a vehicle. Absent means not known, never "no". */
export interface VehicleFacts {
  modelYear?: number;
  engine?: string;
  drivenWheels?: string;
  body?: string;
  gearbox?: string;
  trim?: string;
  /** What it already carries, once somebody has looked: a list that is there and empty means "nothing". */
  fitted?: ReadonlyArray<{ word: string }>;
}

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
