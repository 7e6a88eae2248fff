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

// `10/13/16` is a list and not a fraction; `MlO` is an M and what a scanner made of 10.
// In this order: a mixed number or fraction, a number with its commas and points, a vulgar fraction, a word, a line's
// end, any other mark. Digits and letters that touch are two tokens: `16mm`, `M10`, `T40`.
const TOKEN =
  /(?<fraction>(?<![\d/])\d+[-\s]\d+\/\d+(?![\d/])|(?<![\d/])\d+\/\d+(?![\d/]))|(?<number>\d+(?:[.,]\d+)*)(?<glyph>[¼½¾⅛⅜⅝⅞])?|(?<alone>[¼½¾⅛⅜⅝⅞])|(?<misread>M(?=[lIO]{1,2}\b))|(?<word>[\p{L}']+)|(?<break>\r?\n)|(?<mark>[^\s])/gu;

function fractionValue(text: string): number | undefined {
  const [, whole = '0', top, bottom] = /^(?:(\d+)[-\s])?(\d+)\/(\d+)$/.exec(text) ?? [];
  return Number(bottom) > 0 ? Number(whole) + Number(top) / Number(bottom) : undefined;
}

/**
 * A number as a sheet prints it: `1,500` and `5,000` are thousands where exactly three digits follow a comma, `27,5` is
 * a decimal comma. `1,500` with torque behind it is trusted less by the reader.
 */
function plainValue(text: string): number | undefined {
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

/** Splits a sheet into tokens, each with its place in the text. */
export function tokenize(text: string): Token[] {
  const tokens: Token[] = [];
  for (const match of text.matchAll(TOKEN)) {
    const start = match.index;
    const raw = match[0];
    const base = { text: raw, lower: raw.toLowerCase(), start, end: start + raw.length };
    const groups = match.groups ?? {};
    if (groups.break !== undefined) tokens.push({ ...base, kind: 'break' });
    else if (groups.fraction !== undefined) tokens.push({ ...base, kind: 'number', value: fractionValue(raw) });
    else if (groups.number !== undefined) {
      const glyph = groups.glyph === undefined ? 0 : (VULGAR[groups.glyph] ?? 0);
      const value = plainValue(groups.number);
      tokens.push({ ...base, kind: 'number', value: value === undefined ? undefined : value + glyph });
    } else if (groups.alone !== undefined) tokens.push({ ...base, kind: 'number', value: VULGAR[groups.alone] });
    else if (groups.word !== undefined || groups.misread !== undefined) tokens.push({ ...base, kind: 'word' });
    else tokens.push({ ...base, kind: 'mark' });
  }
  return tokens;
}
