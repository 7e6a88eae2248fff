import type { TorqueUnit } from '../quantity/unit.ts';
import { HARDWARE } from './lexicon.ts';
import { torqueUnitOf } from './sheet-unit.ts';
import type { Span } from './token.ts';

/** A line of a form or an export: `qty: 3`. */
const FIELD = /^[ \t]*(?:[-*•][ \t]+)?(\p{L}[\p{L} ]{1,20}?)[ \t]*[:=][ \t]*(\S.*?)[ \t]*$/u;
/** `4`, `4 per side` */
const FIELD_COUNT = /^(\d{1,3})(?: (?:per|a|each) side)?$/i;
const COUNTS = /^(?:qty|quantity|count|pcs|pieces|number|no of|how many)$/i;
/** A field with the turn that follows its joint's torque. */
const TURN_BELOW =
  /^[ \t]*\n[ \t]*(?:[-*•][ \t]+)?(?:angle|turn|then turn|plus angle)[ \t]*[:=][ \t]*\+?(\d{1,3}) ?(?:°|deg)/i;

const TIGHTENS =
  /^(?:torque|tighten(?:ing)?|tightening torque|final torque)(?: (?:n ?m|(?:ft|in|lbf?) ?(?:lbf?|ft|in)s?|kgf? ?m))?$/i;
const NAMES_JOINT = /^(?:joint|name|fastener|bolt|nut|screw|stud|thread|size|qty|quantity|position|location)$/i;
const OF_SHEET = /^(?:kit|title|product|model|date|sheet|vehicle|customer|job|maker|issue|revision)$/i;
const BULLET = /^[ \t]*[-*•][ \t]/;
/** Fewer fields in a row are no record. */
const FEW_FIELDS = 3;

/** Joints that are written as fields below each other: `joint: …`, `qty: 3`, `torque: 23 Nm`. */
export function records(text: string): Span[] {
  const found: Span[] = [];
  let block: Array<Span & { name: string }> = [];
  const close = () => {
    // What stands above the first joint is of the whole sheet.
    while (block[0] && OF_SHEET.test(block[0].name)) block.shift();
    const joint = block.some(({ name }) => TIGHTENS.test(name)) && block.some(({ name }) => NAMES_JOINT.test(name));
    if (block.length >= FEW_FIELDS && joint) found.push({ start: block[0]?.start ?? 0, end: block.at(-1)?.end ?? 0 });
    block = [];
  };
  let start = 0;
  for (const line of text.split('\n')) {
    const name = FIELD.exec(line)?.[1];
    // A field that stands out begins the next record.
    const outdented = block.length > 1 && /^\S/.test(line) && /^\s/.test(text.slice(block.at(-1)?.start, start));
    // So does a dash before one of several fields.
    const dashed = BULLET.test(line) && block.length > 0 && !BULLET.test(text.slice(block.at(-1)?.start, start));
    if (name === undefined || outdented || dashed) close();
    if (name !== undefined) block.push({ start, end: start + line.length, name });
    start += line.length + 1;
  }
  close();
  return found;
}

/** What a record calls its joint; undefined in other text. */
export const recordName = (text: string): string | undefined =>
  /^[ \t]*(?:[-*•][ \t]+)?(?:joint|name|position|location|where)[ \t]*[:=][ \t]*(\S.*?)[ \t]*$/im.exec(text)?.[1];

/**
 * The counts of a sheet that is written as fields, one a line, by the place of each number; with the piece that the
 * fields above it named.
 */
export function fieldCounts(text: string): ReadonlyMap<number, { piece: string; perSide: boolean }> {
  const counts = new Map<number, { piece: string; perSide: boolean }>();
  let piece: string | undefined;
  let start = 0;
  for (const line of text.split('\n')) {
    const [, name = '', value = ''] = FIELD.exec(line) ?? [];
    if (name === '') piece = undefined;
    else if (COUNTS.test(name) && FIELD_COUNT.test(value) && piece !== undefined)
      counts.set(start + line.lastIndexOf(value), { piece, perSide: /side$/i.test(value) });
    else {
      const words = value.toLowerCase().match(/\p{L}+/gu) ?? [];
      piece = words.flatMap((word) => HARDWARE.get(word) ?? []).at(0) ?? piece;
    }
    start += line.length + 1;
  }
  return counts;
}

/** The torque of a field whose name says its unit, by the place of its figure. */
interface FieldTorque {
  start: number;
  unit: TorqueUnit;
  /** The same in another unit, in the field right below. */
  second?: { start: number; unit: TorqueUnit };
}

/** The figures of fields that say their unit in their name: `torque nm: 22`, and below it `torque ftlb: 16`. */
export function fieldTorques(text: string): FieldTorque[] {
  const found: FieldTorque[] = [];
  let above: FieldTorque | undefined;
  let start = 0;
  for (const line of text.split('\n')) {
    const [, name = '', value = ''] = FIELD.exec(line) ?? [];
    const unit = /^\d{1,4}(?:[.,]\d+)?$/.test(value) && /^\p{L}+ /u.test(name) ? torqueUnitOf(name) : undefined;
    const place = start + line.lastIndexOf(value);
    start += line.length + 1;
    if (unit === undefined) above = undefined;
    else if (above && above.unit !== unit) {
      above.second = { start: place, unit };
      above = undefined;
    } else {
      above = { start: place, unit };
      found.push(above);
    }
  }
  return found;
}

/** `Stage 2: 60 Nm`, and below it `Stage 3: 75 degrees`; in a table of passes their numbers alone. */
const TURN_OF_STAGE =
  /^[ \t]*(?:\([^()\n]*\))?[ \t]*[.,;]?[ \t]*\n[ \t|]*(?:(?:stage|pass|step|round) ?[2-9](?:st|nd|rd|th)?|[2-9](?=[ \t|]{2,}))[ \t:.|–-]*(?:(?:plus|turn|then|a further|another) )*\+? ?(\d{1,3}) ?(?:°|deg(?:rees?)?\b)/i;

/** The turn in the field right below a torque's, degrees; undefined without one. */
export const turnBelow = (text: string, end: number): number | undefined => {
  const field = TURN_BELOW.exec(text.slice(end, end + 60))?.[1];
  if (field !== undefined) return Number(field);
  // One row after the other: `Stage 3: 60°`, `Stage 4: 60°`.
  let turned: number | undefined;
  let from = end;
  for (let stage = TURN_OF_STAGE.exec(text.slice(from, from + 60)); stage; ) {
    turned = (turned ?? 0) + Number(stage[1]);
    from += stage[0].length;
    stage = TURN_OF_STAGE.exec(text.slice(from, from + 60));
  }
  return turned;
};
