import { plainWord } from '../kit/vehicle-facts.ts';
import { parsePrinted } from '../quantity/parse-printed.ts';
import type { Fitted } from './vehicle.ts';

/**
 * One line of what a vehicle carries, as it is typed: `roof rack`, or with its figure `lowered: 40 mm`. What stands behind
 * the colon and is no length or mass stays part of the word. A length is kept in mm, a mass in kg.
 */
export function readFittedLine(line: string): Pick<Fitted, 'word' | 'amount'> | undefined {
  const text = line.trim();
  if (text === '') return undefined;
  const colon = text.lastIndexOf(':');
  const read = colon > 0 ? parsePrinted(text.slice(colon + 1).trim()) : undefined;
  const measured = read?.ok && ['length', 'mass'].includes(read.value.dimension) ? read.value : undefined;
  // Two figures are no figure: nobody may choose one of them.
  if (!measured || measured.minBase !== measured.maxBase) return { word: text };
  const word = text.slice(0, colon).trim();
  return plainWord(word) === ''
    ? { word: text }
    : { word, amount: { value: measured.minBase, printed: measured.printed } };
}

/** The same line for the field it is typed in. */
export const fittedLine = ({ word, amount }: Pick<Fitted, 'word' | 'amount'>): string =>
  amount ? `${word}: ${amount.printed}` : word;
