import { createHash, randomInt } from 'node:crypto';

/** Letters that are not taken for one another when they are read off a screen. */
const ALPHABET = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';
const LENGTH = 8;

/** A code to be typed once: 40 bits, as `K7QM-2XWD`. */
export function oneTimeCode(): string {
  const code = Array.from({ length: LENGTH }, () => ALPHABET[randomInt(ALPHABET.length)]).join('');
  return `${code.slice(0, 4)}-${code.slice(4)}`;
}

/** The hash of a code however it was typed: small, with or without its dash. */
export const codeHashOf = (code: string): string =>
  createHash('sha256')
    .update(code.toUpperCase().replace(/[^A-Z0-9]/g, ''))
    .digest('hex');
