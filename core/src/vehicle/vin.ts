/**
 * The vehicle identification number: 17 characters in three sections.
 *
 * @see ISO 3779:2009, Road vehicles: Vehicle identification number, content and structure (characters, length)
 * @see 49 CFR 565.15 (c), tables III to V: the check digit in position 9 and its arithmetic
 */

/** 49 CFR 565.15, table III: value of each character. I, O and Q are not used (ISO 3779, 5.2). */
const VALUE: Readonly<Record<string, number>> = {
  ...Object.fromEntries(Array.from('0123456789', (digit) => [digit, Number(digit)])),
  ...{ A: 1, B: 2, C: 3, D: 4, E: 5, F: 6, G: 7, H: 8, J: 1, K: 2, L: 3, M: 4, N: 5, P: 7, R: 9 },
  ...{ S: 2, T: 3, U: 4, V: 5, W: 6, X: 7, Y: 8, Z: 9 },
};

/** 49 CFR 565.15, table IV: weight of each position; the check digit itself weighs nothing. */
const WEIGHT: readonly number[] = [8, 7, 6, 5, 4, 3, 2, 10, 0, 9, 8, 7, 6, 5, 4, 3, 2];

/** 49 CFR 565.15, table VII: letters and digits of the model year, 30 in a round; 1980 is A. No U, Z or 0. */
const YEAR_CODES = 'ABCDEFGHJKLMNPRSTVWXY123456789';
const FIRST_CODED_YEAR = 1980;

export type VinFault =
  | { code: 'vinLength'; length: number }
  /** Characters a number cannot hold, each with its place, from 1. */
  | { code: 'vinCharacters'; wrong: Array<{ place: number; character: string }> };

export interface VinReading {
  vin: string;
  /** Whether the check digit is prescribed where the maker sits: regions 1 to 5 of ISO 3780, North America. */
  checkDigitApplies: boolean;
  checkDigit: { written: string; computed: string; holds: boolean };
  /** Model years the tenth character may stand for, oldest first; only where the check digit applies too. */
  modelYears: number[];
  lastSix: string;
}

/** A number as it is typed or scanned, without the spaces, dashes and asterisks people and labels add. */
export const plainVin = (text: string): string => text.toUpperCase().replaceAll(/[\s*-]/g, '');

/** The check digit of 17 characters: the weighted sum modulo 11, 10 written X. */
export function vinCheckDigit(vin: string): string {
  const sum = Array.from(vin).reduce((total, character, index) => {
    const value = VALUE[character] ?? 0;
    return total + value * (WEIGHT[index] ?? 0);
  }, 0);
  const rest = sum % 11;
  return rest === 10 ? 'X' : String(rest);
}

/**
 * Reads a vehicle identification number.
 *
 * @param text - as typed or scanned
 * @returns its form and check digit; a wrong check digit is told and never refuses the number
 */
export function readVin(text: string): { ok: true; value: VinReading } | { ok: false; fault: VinFault } {
  const vin = plainVin(text);
  const wrong = Array.from(vin).flatMap((character, index) =>
    VALUE[character] === undefined ? [{ place: index + 1, character }] : [],
  );
  if (wrong.length > 0) return { ok: false, fault: { code: 'vinCharacters', wrong } };
  if (vin.length !== WEIGHT.length) return { ok: false, fault: { code: 'vinLength', length: vin.length } };
  const written = vin.charAt(8);
  const computed = vinCheckDigit(vin);
  const checkDigitApplies = '12345'.includes(vin.charAt(0));
  const place = YEAR_CODES.indexOf(vin.charAt(9));
  const first = FIRST_CODED_YEAR + place;
  return {
    ok: true,
    value: {
      vin,
      checkDigitApplies,
      checkDigit: { written, computed, holds: written === computed },
      modelYears: checkDigitApplies && place >= 0 ? [first, first + YEAR_CODES.length] : [],
      lastSix: vin.slice(-6),
    },
  };
}
