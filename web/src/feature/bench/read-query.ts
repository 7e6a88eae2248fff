import { readPropertyClass } from '#core/fastener/property-class.ts';
import { parseThread } from '#core/fastener/thread.ts';
import { parsePrinted, unitFromSpelling } from '#core/quantity/parse-printed.ts';
import { parseQualified } from '#core/quantity/qualified-quantity.ts';
import { dimensionOf } from '#core/quantity/unit.ts';
import type { Field, Values } from './bench-field.ts';
import type { BenchTool } from './bench-tool.ts';

/** A tool that a typed line may mean, with the values found in it. */
export interface Suggestion {
  tool: BenchTool;
  values: Values;
  /** Higher is likelier. */
  score: number;
}

/** What stands in a typed line besides words. */
interface Found {
  thread?: string;
  propertyClass?: string;
  /** With their units, as typed. */
  quantities: string[];
  numbers: string[];
  /** What is left, in lower case. */
  words: string;
}

const THREAD = /(?:\bm\s?\d+(?:\.\d+)?(?:\s?[x×]\s?\d(?:\.\d+)?)?|#\d+-\d+|(?:\d+-)?\d+\/\d+-\d+)(?![\d/])/i;
const CLASS =
  /\b(?:a[24][ -]?(?:50|70|80)|(?:grade|gr)\.?\s?[258]|(?:4\.6|4\.8|5\.6|5\.8|6\.8|8\.8|9\.8|10\.9|12\.9))\b/i;
const QUANTITY =
  /(?:\d+(?:[-\s]\d+\/\d+)?|\d+\/\d+|\d*[.,]\d+)\s?(?:n[·.\s-]?m|ft[-.\s·]?lbs?|lbf?[-.\s·]?ft|in[-.\s·]?lbs?|lbf?[-.\s·]?in|kgf?[-.\s·]?c?m|mm|cm|inch(?:es)?|in|"|°c|°f|c|f|°|deg(?:rees)?|kn|n|lbf|ml)(?![a-z])/gi;

function look(text: string): Found {
  let rest = ` ${text.toLowerCase()} `;
  const take = (pattern: RegExp): string | undefined => {
    const match = pattern.exec(rest)?.[0];
    if (match === undefined) return undefined;
    rest = rest.replace(match, ' ');
    return match.trim();
  };
  const thread = take(THREAD);
  const propertyClass = take(CLASS);
  const quantities = (rest.match(QUANTITY) ?? []).map((match) => match.trim());
  for (const quantity of quantities) rest = rest.replace(quantity, ' ');
  const numbers = rest.match(/-?\d+(?:\.\d+)?(?:\/\d+)?/g) ?? [];
  for (const number of numbers) rest = rest.replace(number, ' ');
  return {
    thread: thread && parseThread(thread).ok ? thread : undefined,
    propertyClass: propertyClass && readPropertyClass(propertyClass) ? readPropertyClass(propertyClass) : undefined,
    quantities,
    numbers,
    words: rest.replace(/\s+/g, ' ').trim(),
  };
}

/** `90 ft-lb in nm`, `25.4 mm`, `80-100 in-lb to nm`: a quantity by itself, and the unit it is wanted in. */
function conversion(text: string): Values | undefined {
  const [, quantity = text, wanted] = /^(.+?)\s+(?:in|to|as|=)\s+(\S.*)$/i.exec(text.trim()) ?? [];
  const unit = wanted === undefined ? undefined : unitFromSpelling(wanted);
  if (wanted !== undefined && unit === undefined) return undefined;
  if (!parseQualified(quantity).ok) return undefined;
  return unit === undefined ? { text: quantity.trim() } : { text: quantity.trim(), to: unit };
}

const optionsOf = (field: Field, values: Values) => {
  if (field.kind !== 'choice') return [];
  return typeof field.options === 'function' ? field.options(values) : field.options;
};

/** Whether the words name a choice: by its value, or by a telling word of its label. */
function names(words: string, option: { value: string; label: string }): number {
  const plain = words.replaceAll('-', '');
  const value = option.value.toLowerCase().replaceAll('-', '');
  if (value.length > 2 && plain.includes(value)) return plain.indexOf(value) + 1;
  const head = option.label.toLowerCase().split(/[,( ]/)[0] ?? '';
  return head.length > 3 && words.includes(head) ? words.indexOf(head) + 1 : 0;
}

function valuesFor(tool: BenchTool, found: Found): Values {
  const values: Record<string, string> = {};
  const has = (key: string) => tool.fields.some((field) => field.key === key);
  if (found.thread !== undefined && has('thread')) values.thread = found.thread.toUpperCase().replaceAll('X', 'x');
  if (found.propertyClass !== undefined && has('class')) values.class = found.propertyClass;
  const free = tool.takes.filter((key) => has(key));
  for (const quantity of found.quantities) {
    const read = parsePrinted(quantity);
    if (!read.ok) continue;
    const at = free.findIndex((key) => {
      const field = tool.fields.find((entry) => entry.key === key);
      return field?.kind === 'number' && field.unit !== undefined && dimensionOf(field.unit) === read.value.dimension;
    });
    if (at < 0) continue;
    values[free[at] as string] = quantity;
    free.splice(at, 1);
  }
  for (const number of found.numbers) {
    const key = free.shift();
    if (key !== undefined) values[key] = number;
  }
  const taken = new Set<string>();
  for (const field of tool.fields) {
    if (field.kind !== 'choice' || field.key === 'class') continue;
    const [best] = optionsOf(field, values)
      .map((option) => ({ option, at: names(found.words, option) }))
      .filter(({ option, at }) => at > 0 && !taken.has(option.value))
      .sort((a, b) => a.at - b.at);
    if (best) {
      values[field.key] = best.option.value;
      taken.add(best.option.value);
    }
  }
  return values;
}

/** How well the words of a line fit a tool: the letters of the words they share. */
function fitOf(tool: BenchTool, words: string): number {
  const plain = words.replaceAll('-', '');
  const named = [...tool.words, tool.title.toLowerCase()].reduce((sum, word) => {
    const bare = word.toLowerCase().replaceAll('-', '');
    // The first word of a line most often names the tool.
    if (plain.includes(bare)) return sum + bare.length * (plain.startsWith(bare) ? 3 : 1);
    // A word begun counts for what is typed of it.
    return plain.length > 2 && bare.startsWith(plain) ? sum + plain.length : sum;
  }, 0);
  return named;
}

/**
 * The tools a typed line may mean, best first. `m10 8.8` is a bolt, `90 ft-lb in nm` a conversion,
 * `crowfoot 50` an adapter of 50 mm.
 */
export function readQuery(text: string, tools: readonly BenchTool[]): Suggestion[] {
  const line = text.trim();
  if (line === '') return [];
  const byId = (id: string) => tools.find((tool) => tool.id === id) as BenchTool;
  const converted = conversion(line);
  const found = look(line);
  const suggestions = tools
    .map((tool) => ({ tool, values: valuesFor(tool, found), score: fitOf(tool, found.words) }))
    .filter(({ score }) => score > 0);
  if (converted)
    suggestions.push({ tool: byId('convert'), values: converted, score: converted.to === undefined ? 4 : 100 });
  if (found.thread !== undefined && !suggestions.some(({ tool }) => tool.id === 'torque'))
    suggestions.push({
      tool: byId('torque'),
      values: valuesFor(byId('torque'), found),
      score: found.propertyClass === undefined ? 1.5 : 3,
    });
  if (found.thread !== undefined && !suggestions.some(({ tool }) => tool.id === 'parts'))
    suggestions.push({ tool: byId('parts'), values: valuesFor(byId('parts'), found), score: 2 });
  return suggestions.sort((a, b) => b.score - a.score).slice(0, 6);
}
