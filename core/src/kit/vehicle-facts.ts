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

/** A name reduced to what tells it apart: `Rear  Wheels` and `rear wheels` are one. */
export const plainWord = (text: string): string =>
  text
    .toLowerCase()
    .replaceAll(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
