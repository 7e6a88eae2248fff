/** `1 station`, `3 stations`, `2 patches`. */
export const numberOf = (count: number, what: string): string =>
  `${count} ${count === 1 ? what : /(s|x|ch|sh)$/.test(what) ? `${what}es` : `${what}s`}`;
