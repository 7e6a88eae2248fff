import { parseThread } from '../fastener/thread.ts';
/** A span of the sheet's text, by character. */
export interface Span {
  start: number;
  end: number;
}

/** One token of a sheet: a number, a word, a mark, or the end of a line. */
export interface Token extends Span {
  kind: 'number' | 'word' | 'mark' | 'break';
  /** As it stands in the sheet. */
  text: string;
  /** Lower case, for words. */
  lower: string;
  /** Of a number. */
  value?: number;
  /** Read through what looks like a scanning error, such as `lO` for 10. */
  suspect?: true;
}

const VULGAR: Record<string, number> = {
  '¼': 0.25,
  '½': 0.5,
  '¾': 0.75,
  '⅛': 0.125,
  '⅜': 0.375,
  '⅝': 0.625,
  '⅞': 0.875,
};

// `10/13/16` is a list and `50/60` two values; only the parts of a rule or a turn are fractions. A hyphen or space
// before a proper fraction makes a mixed number.
const FRACTION = /(?<![\d/])(?:\d+[-\t ])?\d+\/(?:2|3|4|5|6|8|10|16|32|64)(?![\d/]|[.,]\d)/y;
/** Digits with their commas and points, and a vulgar fraction behind. */
const NUMBER = /\d+(?:[.,]\d+)*[¼½¾⅛⅜⅝⅞]?/y;
/** `.016`, not the last of a row of dots or the digits of `v.2`. */
const POINTED = /(?<![\w.])\.\d+(?![\d.,]*\d)/y;
/** `1 000 km`: thousands parted by a space, told by what they measure. */
const SPACED = /(?<![\d.,\p{L}])\d{1,3}(?: \d{3})+(?=\s?(?:km|kms|mi|miles|kilometres|kilometers|kg|N|rpm)\b)/uy;
const LETTERS = /[\p{L}']+/uy;
/** A word that goes on in the next line: `cross-` and `wise`. */
const BROKEN_WORD = /-[ ]*\r?\n[ ]*(?=\p{Ll})/uy;
/** `MlO` is an M and what a scanner made of 10. */
const MISREAD_METRIC = /M(?=[lIO]{1,2}\b)/y;

const matchAt = (pattern: RegExp, text: string, at: number): string | undefined => {
  pattern.lastIndex = at;
  return pattern.exec(text)?.[0];
};

/** A count, and behind a blank an inch thread with its pitch. */
const COUNTED_THREAD = /^(\d{1,3}) (\d{1,2}\/\d{1,2})"?-(\d{1,2})\b/;
const isUnified = (designation: string): boolean => {
  const read = parseThread(designation);
  return read.ok && read.value.thread.series !== 'other';
};

const isDigit = (code: number): boolean => code >= 48 && code <= 57;
const isAsciiLetter = (code: number): boolean =>
  (code >= 97 && code <= 122) || (code >= 65 && code <= 90) || code === 39;

function fractionValue(text: string): number | undefined {
  const [, whole = '0', top, bottom] = /^(?:(\d+)[-\s])?(\d+)\/(\d+)$/.exec(text) ?? [];
  return Number(top) < Number(bottom) ? Number(whole) + Number(top) / Number(bottom) : undefined;
}

/**
 * A number as a sheet prints it: `1,500` and `5,000` are thousands where exactly three digits follow a comma, `27,5` is
 * a decimal comma. `1,500` with torque behind it is trusted less by the reader.
 *
 * @param decimalComma - whether this sheet writes its decimals with a comma
 */
function plainValue(text: string, decimalComma: boolean): number | undefined {
  if (/^\d{1,3}(?:\.\d{3})+,\d+$/.test(text)) return Number(text.replaceAll('.', '').replace(',', '.'));
  // Where commas are decimal, a point before three digits parts the thousands.
  if (decimalComma && /^\d{1,3}(?:\.\d{3})+$/.test(text)) return Number(text.replaceAll('.', ''));
  if (decimalComma && /^\d+,\d+$/.test(text)) return Number(text.replace(',', '.'));
  if (/^\d{1,3}(?:,\d{3})+(?:\.\d+)?$/.test(text)) return Number(text.replaceAll(',', ''));
  if (/^\d+,\d+$/.test(text)) return Number(text.replace(',', '.'));
  const value = Number(text);
  return Number.isFinite(value) ? value : undefined;
}

/** Letters that a scanner makes of digits, in a run that is meant as a number. */
const MISREAD = /^[lIO\d][lIOoS\d]*$/;

/** The digits a misread run stands for: `lO` is 10; undefined when it is a word after all. */
export function misreadNumber(text: string): number | undefined {
  if (!MISREAD.test(text) || !/[lIO]/.test(text) || text.length > 4) return undefined;
  const digits = text.replace(/[lI]/g, '1').replace(/[Oo]/g, '0').replace(/S/g, '5');
  return Number(digits);
}

/** The number at a place and the characters it takes. */
function numberAt(
  text: string,
  at: number,
  decimalComma: boolean,
): { raw: string; value: number | undefined } | undefined {
  // `.016 in.`: the nought before the point is left out.
  if (text[at] === '.') {
    const raw = matchAt(POINTED, text, at);
    return raw === undefined ? undefined : { raw, value: Number(raw) };
  }
  const fraction = matchAt(FRACTION, text, at);
  const share = fraction === undefined ? undefined : fractionValue(fraction);
  // `10 1/4-20 screws`: ten of a quarter inch, and no size of ten and a quarter.
  const [, many, size, threads] = COUNTED_THREAD.exec(text.slice(at, at + 14)) ?? [];
  if (many !== undefined && isUnified(`${size}-${threads}`) && !isUnified(`${many}-${size}-${threads}`))
    return { raw: many, value: Number(many) };
  if (fraction !== undefined && share !== undefined) return { raw: fraction, value: share };
  const spaced = matchAt(SPACED, text, at);
  if (spaced !== undefined) return { raw: spaced, value: Number(spaced.replaceAll(' ', '')) };
  const raw = matchAt(NUMBER, text, at);
  if (raw === undefined) return undefined;
  const glyph = VULGAR[raw.at(-1) ?? ''];
  const value = plainValue(glyph === undefined ? raw : raw.slice(0, -1), decimalComma);
  return { raw, value: value === undefined ? undefined : value + (glyph ?? 0) };
}

/** The word at a place; most are plain letters, told without a pattern. */
function wordAt(text: string, at: number): string | undefined {
  const misread = text[at] === 'M' ? matchAt(MISREAD_METRIC, text, at) : undefined;
  if (misread !== undefined) return misread;
  let end = at;
  while (isAsciiLetter(text.charCodeAt(end))) end++;
  // A letter that is not English goes on the word.
  return text.charCodeAt(end) > 127 ? matchAt(LETTERS, text, at) : end > at ? text.slice(at, end) : undefined;
}

/** Whether a sheet writes its decimals with a comma: more such numbers than with a point. */
function writesDecimalComma(text: string): boolean {
  const commas = text.match(/(?<![\d.,])\d+,\d{1,2}(?![\d,])/g)?.length ?? 0;
  const points = text.match(/(?<![\d.,])\d+\.\d{1,2}(?![\d.])/g)?.length ?? 0;
  return commas > 0 && commas > points;
}

/**
 * Splits a sheet into tokens, each with its place in the text. Digits and letters that touch are two tokens: `16mm`,
 * `M10`, `T40`.
 */
export function tokenize(text: string): Token[] {
  const tokens: Token[] = [];
  const decimalComma = writesDecimalComma(text);
  let at = 0;
  while (at < text.length) {
    const code = text.charCodeAt(at);
    if (code === 10 || (code === 13 && text.charCodeAt(at + 1) === 10)) {
      const end = at + (code === 10 ? 1 : 2);
      tokens.push({ kind: 'break', text: text.slice(at, end), lower: '\n', start: at, end });
      at = end;
      continue;
    }
    const number = isDigit(code) || code === 46 ? numberAt(text, at, decimalComma) : undefined;
    if (number) {
      const end = at + number.raw.length;
      tokens.push({ kind: 'number', text: number.raw, lower: number.raw, start: at, end, value: number.value });
      at = end;
      continue;
    }
    const vulgar = VULGAR[text[at] ?? ''];
    if (vulgar !== undefined) {
      tokens.push({
        kind: 'number',
        text: text[at] ?? '',
        lower: text[at] ?? '',
        start: at,
        end: at + 1,
        value: vulgar,
      });
      at++;
      continue;
    }
    const word = wordAt(text, at);
    if (word !== undefined) {
      let [whole, lower] = [word, word.toLowerCase()];
      const broken = matchAt(BROKEN_WORD, text, at + word.length);
      const rest = broken === undefined ? undefined : wordAt(text, at + word.length + broken.length);
      if (broken !== undefined && rest !== undefined && word.length > 1) {
        whole = text.slice(at, at + word.length + broken.length + rest.length);
        lower += rest.toLowerCase();
      }
      tokens.push({ kind: 'word', text: whole, lower, start: at, end: at + whole.length });
      at += whole.length;
      continue;
    }
    // One mark is one character, even where it takes two units.
    const mark = String.fromCodePoint(text.codePointAt(at) ?? code);
    if (mark.trim() !== '') tokens.push({ kind: 'mark', text: mark, lower: mark, start: at, end: at + mark.length });
    at += mark.length;
  }
  return tokens;
}
