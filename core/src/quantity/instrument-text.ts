/** What a caliper, height or angle gauge types when its button is pressed, or a person who copies it. */
export interface InstrumentText {
  value: number;
  /** As it was sent; left out, a bare number. */
  unit?: 'mm' | 'in' | '°';
}

const UNITS: Readonly<Record<string, InstrumentText['unit']>> = {
  mm: 'mm',
  cm: 'mm',
  in: 'in',
  inch: 'in',
  '"': 'in',
  '°': '°',
  deg: '°',
};

const TYPED = /^([+-]?)0*(\d*(?:[.,]\d+)?)\s*(mm|cm|inch|in|"|°|deg)?$/i;

/** Reads what was typed; undefined where it is no reading. `+0012.34 mm`, `0.486in`, `-0,5°`. */
export function instrumentText(typed: string): InstrumentText | undefined {
  const found = TYPED.exec(typed.trim().replaceAll('\u2212', '-'));
  if (!found) return undefined;
  const [, sign, digits = '', word = ''] = found;
  // A lone sign or unit is no reading; a nought is.
  if (digits === '' && !/\d/.test(typed)) return undefined;
  const size = Number((digits === '' ? '0' : digits).replace(',', '.'));
  if (!Number.isFinite(size)) return undefined;
  const unit = UNITS[word.toLowerCase()];
  const value = Number(((word.toLowerCase() === 'cm' ? size * 10 : size) * (sign === '-' ? -1 : 1)).toFixed(6));
  return unit === undefined ? { value } : { value, unit };
}

const MM_PER_INCH = 25.4;

/**
 * A reading in the unit that is asked for: lengths are converted, to a thousandth of it; undefined where the instrument
 * shows something else, degrees for a length.
 */
export function inUnit({ value, unit }: InstrumentText, wanted: string): number | undefined {
  if (unit === undefined || unit === wanted) return value;
  if (unit === 'in' && wanted === 'mm') return Number((value * MM_PER_INCH).toFixed(3));
  if (unit === 'mm' && wanted === 'in') return Number((value / MM_PER_INCH).toFixed(4));
  return undefined;
}

/** Faster than this a person does not type, ms a character (chosen by us): it was sent by an instrument. */
const SENT_MS = 25;

/** Whether characters came as an instrument sends them: at least three, one right behind the other. */
export function wasSent(timesMs: readonly number[]): boolean {
  const [first, last] = [timesMs[0], timesMs.at(-1)];
  return (
    timesMs.length >= 3 && first !== undefined && last !== undefined && last - first <= SENT_MS * (timesMs.length - 1)
  );
}

/** How far off nought a closed instrument may read: mm, inches, degrees (chosen by us: two steps of a caliper). */
const ZERO_OFF: Readonly<Record<string, number>> = { mm: 0.02, in: 0.001, '°': 0.1 };

/** Whether a closed instrument reads nought. */
export const isZero = (value: number, unit: string): boolean => Math.abs(value) <= (ZERO_OFF[unit] ?? 0.02) + 1e-9;
