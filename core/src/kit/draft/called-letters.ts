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

/** The letter or key a line of a list of torques begins with. */
export const rowLetter = (text: string): string | undefined => (LETTERED.exec(text) ?? KEYED.exec(text))?.[1];

/** Letters of such a list that a step calls: `Tighten to torque A`, `torque (C)`; or several keys: `then T3, T2, T0`. */
export function calledLetters(text: string): string[] {
  const keys = [...text.matchAll(/\b(?!M\d)[A-Z]{1,2}\d{1,2}\b(?!\s*[=:x×])/g)].map(([key]) => key);
  const letters = [
    ...text.matchAll(/\b(?:[Tt]orque|TORQUE|[Tt]ighten|TIGHTEN)(?: value| figure)? \(?([A-Z])\)?(?![\w-])/g),
  ];
  const ordered = [...text.matchAll(IN_ORDER)].flatMap(([, run = '']) => run.match(/[A-Z]/g) ?? []);
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
