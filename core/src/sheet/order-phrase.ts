import type { FactValue } from './fact.ts';

/** Numbers in the order they are tightened: `1-4-7-2-5-3-6`, `in the order 1, 3, 2, 4`. */
const RUN =
  /(?<![\d.,/-])\d{1,2}(?:\s?(?:[-–>,]|->|→)\s?\d{1,2}){2,}(?:\s?(?:,\s?)?(?:and|then)\s\d{1,2})?(?![\d/]|[.,]\d)/g;
const ORDER_WORD =
  /\b(?:order|sequence|torque|tighten(?:ed|ing)?|pattern|follow(?:ing)?|numbers?|in turn|as numbered|diagram)\b[^.;]{0,50}$/i;

const BEHIND_FIGURE = /(?<=\d ?(?:n[·.]?m|ft[- .]?lbs?|lb[- .]?ft|ft ?#|# ?ft|#),? |\d, )star(?=[.,;\n]| *$)/gim;

/** Orders of tightening that are printed in numbers. Places and values, in order. */
export function printedOrders(text: string): Array<{ start: number; end: number; value: FactValue }> {
  const found: Array<{ start: number; end: number; value: FactValue }> = [];
  for (const match of text.matchAll(RUN)) {
    const order = (match[0].match(/\d+/g) ?? []).map(Number);
    const distinct = new Set(order).size === order.length;
    // Every place from the first to the last once: else it is a date, a size or a number of a part.
    const whole = distinct && Math.max(...order) === order.length && Math.min(...order) === 1;
    const before = text.slice(Math.max(0, match.index - 60), match.index);
    const comma = match[0].includes(',');
    if (!whole || (comma && !ORDER_WORD.test(before))) continue;
    found.push({
      start: match.index,
      end: match.index + match[0].length,
      value: { kind: 'pattern', pattern: 'printed', order },
    });
  }
  // `100 ft-lb star.`: a word behind the figure
  for (const match of text.matchAll(BEHIND_FIGURE))
    found.push({
      start: match.index,
      end: match.index + match[0].length,
      value: { kind: 'pattern', pattern: 'star' },
    });
  // A drawing of heads with their numbers: a row of small numbers, its places under it.
  for (const match of text.matchAll(
    /(?<=^|\n)([^\S\n]*\d{1,2}(?:[^\S\n]{2,}\d{1,2}){2,}[^\S\n]*)\n[^\n]*[(oO0][^\n]*\n([^\S\n]*\d{1,2}(?:[^\S\n]{2,}\d{1,2}){2,})/g,
  )) {
    const numbers = `${match[1]} ${match[2]}`.match(/\d+/g)?.map(Number) ?? [];
    const whole = new Set(numbers).size === numbers.length && Math.max(...numbers) === numbers.length;
    const lead = (match[1] ?? '').length - (match[1] ?? '').trimStart().length;
    if (whole)
      found.push({
        start: match.index + lead,
        end: match.index + (match[1] ?? '').trimEnd().length,
        value: { kind: 'pattern', pattern: 'printed', order: [...numbers].sort((a, b) => a - b) },
      });
  }
  return found.sort((a, b) => a.start - b.start);
}
