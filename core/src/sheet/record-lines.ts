import { HARDWARE } from './lexicon.ts';

/** A line of a form or an export: `qty: 3`. */
const FIELD = /^[ \t]*(?:[-*•][ \t]+)?(\p{L}[\p{L} ]{1,20}?)[ \t]*[:=][ \t]*(\S.*?)[ \t]*$/u;
const COUNTS = /^(?:qty|quantity|count|pcs|pieces|number|no of|how many)$/i;
/** A field with the turn that follows its joint's torque. */
const TURN_BELOW =
  /^[ \t]*\n[ \t]*(?:[-*•][ \t]+)?(?:angle|turn|then turn|plus angle)[ \t]*[:=][ \t]*\+?(\d{1,3}) ?(?:°|deg)/i;

/**
 * The counts of a sheet that is written as fields, one a line, by the place of each number; with the piece that the
 * fields above it named.
 */
export function fieldCounts(text: string): ReadonlyMap<number, string> {
  const counts = new Map<number, string>();
  let piece: string | undefined;
  let start = 0;
  for (const line of text.split('\n')) {
    const [, name = '', value = ''] = FIELD.exec(line) ?? [];
    if (name === '') piece = undefined;
    else if (COUNTS.test(name) && /^\d{1,3}$/.test(value) && piece !== undefined)
      counts.set(start + line.lastIndexOf(value), piece);
    else {
      const words = value.toLowerCase().match(/\p{L}+/gu) ?? [];
      piece = words.flatMap((word) => HARDWARE.get(word) ?? []).at(0) ?? piece;
    }
    start += line.length + 1;
  }
  return counts;
}

/** The turn in the field right below a torque's, degrees; undefined without one. */
export const turnBelow = (text: string, end: number): number | undefined => {
  const degrees = TURN_BELOW.exec(text.slice(end, end + 60))?.[1];
  return degrees === undefined ? undefined : Number(degrees);
};
