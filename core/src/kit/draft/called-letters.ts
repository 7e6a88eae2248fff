import type { SheetStep } from '../../sheet/step-split.ts';

/** A line of a list of torques with its letter: `A   strut top nuts`, `(B) clamp bolts`. */
const LETTERED = /^\(?([A-Z])\)?(?:\s{2,}|[.):]\s+)/;
/** A figure with its key: `T2 = 40 Nm`. */
const KEYED = /^((?!M\d)[A-Z]{1,2}\d{1,2})\s*[=:]\s/;
/** `Tighten in the order D, B, A`, `tighten points A and C`: letters of such a list, one after the other. */
const IN_ORDER =
  /\b(?:[Tt]orque|[Tt]ighten)\b[^.;:]{0,40}?\b((?:[A-Z](?:, | and |, then | then |, and )){1,8}[A-Z])(?![\w-])/g;
/** `Neck to the crossbar, points C`: where a letter is fitted. */
const AT_POINT = /\b[Pp]oints? \(?([A-Z])\)?(?![\w-])/g;

/** `Tighten a, then c, then b, d last`: small letters, several of them. */
const SMALL_IN_ORDER =
  /\b(?:torque|tighten)\b(?: in (?:the|this) order)?:? ((?:[a-z](?:, (?:then |and )?| and | then )){1,8}[a-z])(?![\w-])/gi;
/** `a  front edge to cradle    45`: a row that begins with a small letter. */
const SMALL_LETTERED = /^\(?([a-z])\)?\s{2,}(?=\p{L}{3})/u;
/** `Number: a 4, b 2, c 4`: how many there are of each. */
const COUNTED =
  /^\W*(?:numbers?|quantit(?:y|ies)|qty|counts?|how many|pieces)\b[^:]{0,24}:\s*(?=\(?[A-Za-z]\)? ?[x×:=]? ?\d)/i;
const EACH_COUNT = /(?<![\w])\(?([A-Za-z])\)? ?[x×:=]? ?(\d{1,2})(?!\w|\.\d)/g;
const FEW_COUNTS = 2;

/** The letter or key a line of a list of torques begins with. */
export const rowLetter = (text: string): string | undefined =>
  (LETTERED.exec(text) ?? KEYED.exec(text) ?? SMALL_LETTERED.exec(text))?.[1];

/** How many a sheet says there are of each letter, in a sentence of its own. */
export function countsByLetter(steps: readonly SheetStep[]): ReadonlyMap<string, number> {
  for (const { text } of steps) {
    const lead = COUNTED.exec(text)?.[0].length;
    const each = lead === undefined ? [] : [...text.slice(lead).matchAll(EACH_COUNT)];
    if (each.length >= FEW_COUNTS) return new Map(each.map(([, letter = '', count]) => [letter, Number(count)]));
  }
  return new Map();
}

/** Letters of such a list that a step calls: `Tighten to torque A`, `torque (C)`; or several keys: `then T3, T2, T0`. */
export function calledLetters(text: string): string[] {
  const keys = [...text.matchAll(/\b(?!M\d)[A-Z]{1,2}\d{1,2}\b(?!\s*[=:x×])/g)].map(([key]) => key);
  const letters = [
    ...text.matchAll(/\b(?:[Tt]orque|TORQUE|[Tt]ighten|TIGHTEN)(?: value| figure)? \(?([A-Z])\)?(?![\w-])/g),
  ];
  const ordered = [
    ...[...text.matchAll(IN_ORDER)].flatMap(([, run = '']) => run.match(/[A-Z]/g) ?? []),
    ...[...text.matchAll(SMALL_IN_ORDER)].flatMap(([, run = '']) => run.match(/\b[a-z]\b/g) ?? []),
  ];
  return [...letters.flatMap(([, letter]) => letter ?? []), ...(keys.length > 1 ? keys : []), ...ordered];
}

/** Where the letters of a sheet are called, found once for all of them. */
export interface Calls {
  /** Whether a step other than the letter's own row tightens it by name. */
  tightened(letter: string, row: number): boolean;
  /** The last step that fits something at the letter's point. */
  fittedAt(letter: string): number | undefined;
}

export function callsOf(steps: readonly SheetStep[]): Calls {
  const tightened = new Map<string, Set<number>>();
  const fitted = new Map<string, number>();
  steps.forEach(({ text }, at) => {
    for (const letter of calledLetters(text)) tightened.set(letter, (tightened.get(letter) ?? new Set()).add(at));
    for (const [, letter = ''] of text.matchAll(AT_POINT)) fitted.set(letter, at);
  });
  return {
    tightened(letter, row) {
      const at = tightened.get(letter);
      return at !== undefined && at.size > (at.has(row) ? 1 : 0);
    },
    fittedAt: (letter) => fitted.get(letter),
  };
}
