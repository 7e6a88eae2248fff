import { z } from 'zod';

/** Half of a pair that stands alone: no database and no file keeps it. */
const LONE_SURROGATE = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/;

/** Whether a text can be stored: no half of a surrogate pair stands alone in it. */
export const isWellFormed = (text: string): boolean => !LONE_SURROGATE.test(text);

/** Text as people type it, at most so long, and such as can be stored. */
export const textUpTo = (longest: number) =>
  z.string().max(longest).refine(isWellFormed, 'holds a character that is cut in half');

/** How long what is typed may be, by what it is: the fields on the screens have the same limits. */
export const LONGEST = { reason: 500, name: 200, signature: 120, note: 2000 } as const;
