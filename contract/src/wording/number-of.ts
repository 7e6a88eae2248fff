import { say } from './say.ts';

/** `1 station`, `3 stations`, `2 patches`: a message of the catalogue for each thing that is counted. */
export const numberOf = (count: number, what: string): string =>
  say(
    `{count, plural, one {{count} ${what}} other {{count} ${/(s|x|ch|sh)$/.test(what) ? `${what}es` : `${what}s`}}}`,
    {
      count,
    },
  );
