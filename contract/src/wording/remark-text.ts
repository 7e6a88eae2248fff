import type { Remark } from '#core/bench/remark.ts';
import type { Measured } from '#core/fastener/identify.ts';
import { CLUE_TEXT, LIMIT_TEXT, MEMBER_TEXT, PART_TEXT, REMARKS } from './en/bench.ts';
import { say, type Values } from './say.ts';

/** What a figure measures, by the end of its name. */
const QUANTITY_BY_ENDING = {
  Mpa: 'stress',
  Nm: 'torque',
  Mm: 'length',
  N: 'force',
  Ml: 'volume',
  C: 'temperature',
  Deg: 'angle',
  Share: 'percent',
  Kg: 'mass',
} as const;
type Ending = keyof typeof QUANTITY_BY_ENDING;
type Quantity = (typeof QUANTITY_BY_ENDING)[Ending];

/** How the reader wants a figure written, with its unit. */
export type FigureWriter = (quantity: Quantity, value: number) => string;

/** How many threads a wrong socket is said to fit. */
const ALSO_FITS = 3;

const quantityOf = (name: string): Quantity | undefined => {
  const ending = /(Mpa|Nm|Mm|Ml|N|C|Deg|Share|Kg)$/.exec(name)?.[1] as Ending | undefined;
  return ending && QUANTITY_BY_ENDING[ending];
};

/** A remark of the bench in words, its figures as the reader wants them. */
export function remarkText(remark: Remark, write: FigureWriter): string {
  const shown = (name: string, fact: unknown): string | undefined => {
    const quantity = quantityOf(name);
    if (Array.isArray(fact)) {
      const list = fact.map((entry) => shown(name, entry) ?? '');
      return list.length === 0 ? undefined : list.join(name === 'clues' ? ' and ' : ', ');
    }
    if (typeof fact === 'number') return quantity ? write(quantity, fact) : String(fact);
    if (name === 'weakest') return MEMBER_TEXT[fact as keyof typeof MEMBER_TEXT];
    if (name === 'limit' || name === 'limits') return LIMIT_TEXT[fact as keyof typeof LIMIT_TEXT];
    if (name === 'part') return PART_TEXT[fact as keyof typeof PART_TEXT];
    if (name === 'clues') return CLUE_TEXT[fact as keyof Measured];
    return String(fact);
  };
  const facts: Array<[string, unknown]> = Object.entries(remark).filter(([name]) => name !== 'code');
  const values: Values = Object.fromEntries(
    facts.map(([name, fact]) => [
      name,
      shown(name, name === 'alsoFits' ? (fact as string[]).slice(0, ALSO_FITS) : fact),
    ]),
  );
  return say(REMARKS[remark.code], values);
}
