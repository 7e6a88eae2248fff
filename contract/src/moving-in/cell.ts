import { parsePrinted } from '#core/quantity/parse-printed.ts';
import { MM_PER_INCH, TORQUE_UNITS, type TorqueUnit, toBase, type UnitName } from '#core/quantity/unit.ts';
import { fail, ok, type Result } from '#core/result.ts';
import { say } from '../wording/say.ts';

/** Why the text of a cell was not taken. */
export interface CellRefused {
  code: 'cellRefused';
  reason: string;
}

/** Reads what a cell holds; the text is trimmed and not empty. */
export type CellReader = (text: string) => Result<unknown, CellRefused>;

const refused = (reason: string) => fail({ code: 'cellRefused' as const, reason });
const shown = (text: string): string => `“${text.slice(0, 24)}”`;

/** Text as it stands, of at most so many characters. */
export const words =
  (longest: number): CellReader =>
  (text) =>
    text.length > longest ? refused(say('is longer than {longest} characters', { longest })) : ok(text);

/** `1 250`, `1.250` and `1,250` are one whole number; `12,5` is none. */
const GROUPED = /^\d{1,3}([.,'’ \u00a0\u202f]\d{3})+$/;

/** A whole number, with or without marks between its thousands. */
export const whole =
  (least: number, most: number): CellReader =>
  (text) => {
    const plain = GROUPED.test(text) ? text.replace(/\D/g, '') : text;
    const value = Number(plain);
    if (!/^\d+$/.test(plain)) return refused(say('must be a whole number, was {shown}', { shown: shown(text) }));
    return value < least || value > most
      ? refused(say('must lie between {least} and {most}, was {value}', { least, most, value }))
      : ok(value);
  };

/** A number with a decimal point or comma. One comma before three digits may be either, and is asked back. */
export const decimal =
  (least: number, most: number): CellReader =>
  (text) => {
    if (/^[1-9]\d{0,2},\d{3}$/.test(text))
      return refused(say('{shown} may be a thousand or a fraction: write a point', { shown: shown(text) }));
    const plain = text.replace(/[\s\u00a0\u202f'’]/g, '').replace(',', '.');
    const value = Number(plain);
    if (!/^-?\d+(\.\d+)?$/.test(plain)) return refused(say('must be a number, was {shown}', { shown: shown(text) }));
    return value < least || value > most
      ? refused(say('must lie between {least} and {most}, was {value}', { least, most, value }))
      : ok(value);
  };

/** A figure of the wanted kind: bare in `unit`, or with any unit of its dimension. The value is in `unit`'s base. */
const measured = (unit: UnitName, least: number, most: number, text: string): Result<number, CellRefused> => {
  const bare = decimal(Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY)(text);
  const printed = bare.ok ? undefined : parsePrinted(text);
  if (printed && !printed.ok)
    return refused(say('must be a figure in {unit}, was {shown}', { unit, shown: shown(text) }));
  const dimension = parsePrinted(`1 ${unit}`);
  if (printed && dimension.ok && printed.value.dimension !== dimension.value.dimension)
    return refused(say('must be in {unit} or another unit of the same, was {shown}', { unit, shown: shown(text) }));
  if (printed && printed.value.min !== printed.value.max)
    return refused(say('must be one figure, was {shown}', { shown: shown(text) }));
  const base = printed ? printed.value.minBase : toBase((bare as { value: number }).value, unit);
  return base < least || base > most
    ? refused(say('lies outside {least} to {most}, was {shown}', { least, most, shown: shown(text) }))
    : ok(base);
};

/** A measure: bare in `unit`, or with its unit beside it; in the base unit of its dimension, between two bounds. */
export const measure =
  (unit: UnitName, least: number, most: number): CellReader =>
  (text) =>
    measured(unit, least, most, text);

/** A torque with the unit it was written in, so that a scale is shown as it is engraved. */
export const torque =
  (least: number, most: number): CellReader =>
  (text) => {
    const read = measured('N·m', least, most, text);
    if (!read.ok) return read;
    const printed = parsePrinted(text);
    const unit = printed.ok ? TORQUE_UNITS.find((known) => known === printed.value.unit) : undefined;
    return ok({ nm: read.value, unit } satisfies { nm: number; unit?: TorqueUnit });
  };

/** An odometer: kilometres bare, miles where it says so; the dial's unit stays known. */
export const odometer: CellReader = (text) => {
  const match = /^([\d.,'’\s\u00a0\u202f]+?)\s*(km|kilomet\w+|mi|miles?)?$/i.exec(text);
  const read = match && whole(0, 5_000_000)(match[1]?.trim() ?? '');
  if (!read) return refused(say('must be kilometres or miles, was {shown}', { shown: shown(text) }));
  if (!read.ok) return read;
  const miles = /^mi/i.test(match[2] ?? '');
  return ok({ km: miles ? toBase(read.value as number, 'mi') : read.value, ...(miles ? { unit: 'mi' as const } : {}) });
};

/** A day: `2026-04-03`, or `3 April 2026`. `03/04/2026` is the third or the fourth month's: asked back, unless one cannot be. */
export const day: CellReader = (text) => {
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})/.exec(text);
  const mixed = /^(\d{1,2})([./-])(\d{1,2})\2(\d{4})$/.exec(text);
  const named = /^(?:(\d{1,2})\.? ?([A-Za-z]{3,9})\.?|([A-Za-z]{3,9})\.? (\d{1,2}),?) (\d{4})$/.exec(text);
  if (iso) return dayOf(Number(iso[1]), Number(iso[2]), Number(iso[3]), text);
  if (named) return dayOf(Number(named[5]), monthOf(named[2] ?? named[3]), Number(named[1] ?? named[4]), text);
  if (!mixed) return refused(say('must be a day such as 2026-04-03, was {shown}', { shown: shown(text) }));
  const [first, second, year] = [Number(mixed[1]), Number(mixed[3]), Number(mixed[4])];
  // A point between is the order of the continent; a stroke or dash leaves both open.
  if (mixed[2] === '.' || first > 12) return dayOf(year, second, first, text);
  if (second > 12 || first === second) return dayOf(year, first, second, text);
  return refused(
    say('{shown} may be one of two days: write it as {mixed}-04-03', { shown: shown(text), mixed: mixed[4] }),
  );
};

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const monthOf = (name = ''): number => MONTHS.indexOf(name.slice(0, 3).toLowerCase()) + 1;

function dayOf(year: number, month: number, date: number, text: string): Result<string, CellRefused> {
  const at = new Date(Date.UTC(year, month - 1, date));
  const exists = at.getUTCFullYear() === year && at.getUTCMonth() === month - 1 && at.getUTCDate() === date;
  return exists
    ? ok(at.toISOString().slice(0, 10))
    : refused(say('{shown} is no day of the calendar', { shown: shown(text) }));
}

const key = (text: string): string => text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '');

/** One of a few, as any of the names it goes by. */
export const oneOf =
  (names: Readonly<Record<string, readonly string[]>>): CellReader =>
  (text) => {
    const wanted = key(text);
    const found = Object.entries(names).find(([value, also]) => [value, ...also].some((name) => key(name) === wanted));
    return found
      ? ok(found[0])
      : refused(say('must be one of {keys}, was {shown}', { keys: Object.keys(names).join(', '), shown: shown(text) }));
  };

/** Yes or no. */
export const yesNo: CellReader = (text) => {
  if (/^(yes|y|true|1|x|✓|ja|oui|si)$/i.test(text)) return ok(true);
  if (/^(no|n|false|0|-|nein|non)$/i.test(text)) return ok(false);
  return refused(say('must be yes or no, was {shown}', { shown: shown(text) }));
};

/** Several of a few, with commas, semicolons or strokes between. */
export const someOf =
  (names: Readonly<Record<string, readonly string[]>>): CellReader =>
  (text) => {
    const found: unknown[] = [];
    for (const part of text
      .split(/[,;/|]/)
      .map((entry) => entry.trim())
      .filter(Boolean)) {
      const read = oneOf(names)(part);
      if (!read.ok) return read;
      if (!found.includes(read.value)) found.push(read.value);
    }
    return ok(found);
  };

/** What a tool grips: `16 mm`, `5/8 in`, `8 mm hex key`, `12-point 14 mm`, `T40`, `E12`. */
export const gripped: CellReader = (text) => {
  const lobe = /^(?:six[- ]?lobe\s*)?([TE]\d{1,3})$/i.exec(text);
  if (lobe) return ok({ kind: 'sixLobe', size: lobe[1]?.toUpperCase() });
  const twelvePoint = /12[- ]?point|twelve[- ]point|bi-?hex/i;
  const size = /(\d+-\d+\/\d+|\d+ \d+\/\d+|\d+\/\d+|\d+(?:[.,]\d+)?)\s*(mm|in\b|inch|")?/i.exec(
    text.replace(twelvePoint, ''),
  );
  if (!size) return refused(say('must be a size such as 16 mm, 5/8 in, T40, was {shown}', { shown: shown(text) }));
  const fraction = /^(?:(\d+)[- ])?(\d+)\/(\d+)$/.exec(size[1] ?? '');
  const value = fraction
    ? Number(fraction[1] ?? 0) + Number(fraction[2]) / Number(fraction[3])
    : Number(size[1]?.replace(',', '.'));
  const inch = /^(in|")/i.test(size[2] ?? '') || (fraction !== null && size[2] === undefined);
  const acrossFlatsMm = Number((inch ? value * MM_PER_INCH : value).toFixed(4));
  if (!(acrossFlatsMm >= 0.5 && acrossFlatsMm <= 120))
    return refused(say('{shown} is no size of a tool', { shown: shown(text) }));
  const inInches = inch ? { inch: true as const } : {};
  if (twelvePoint.test(text)) return ok({ kind: 'twelvePoint', acrossFlatsMm });
  if (/\bkey|\bbit|allen|internal|inner/i.test(text)) return ok({ kind: 'hexKey', acrossFlatsMm, ...inInches });
  return ok({ kind: 'hex', acrossFlatsMm, ...inInches });
};

/** Readings of a calibration: `40: 40.2 39.9 40.1; 120: 119.5 …`, N·m, what was set before what the reference showed. */
export const readings: CellReader = (text) => {
  const found: Array<{ setNm: number; referenceNm: number }> = [];
  for (const part of text.split(/[;|]/).filter((entry) => entry.trim() !== '')) {
    const [set = '', shownThen = ''] = part.split(':');
    const setNm = Number(set.trim().replace(',', '.'));
    const read = shownThen
      .trim()
      .split(/[\s/]+/)
      .filter(Boolean)
      .map((entry) => Number(entry.replace(',', '.')));
    if (!(setNm > 0) || read.length === 0 || read.some((value) => !(value > 0)))
      return refused(say('must be as 40: 40.2 39.9; 120: 119.5, was {shown}', { shown: shown(part.trim()) }));
    found.push(...read.map((referenceNm) => ({ setNm, referenceNm })));
  }
  return found.length > 60 ? refused(say('has more than 60 readings')) : ok(found);
};
