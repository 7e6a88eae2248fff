import { fail, ok, type Result } from '../result.ts';
import { type ParseError, type PrintedQuantity, parsePrinted } from './parse-printed.ts';
import { toBase } from './unit.ts';

/** A printed quantity with what stands about it: a tolerance, or a bound with one end only. */
export interface QualifiedQuantity extends PrintedQuantity {
  /** `max 83 N·m`: nothing is said of the other end. */
  bound?: 'atMost' | 'atLeast';
  /** `100 ± 5 N·m`: what is aimed at, in the printed unit; `min` and `max` are the ends. */
  nominal?: number;
}

const AT_MOST = /^(?:max(?:imum)?\.?|at most|up to|no(?:t)? more than|not over|<=?|≤)\s*(?=[\d.])/i;
const AT_LEAST = /^(?:min(?:imum)?\.?|at least|no(?:t)? less than|>=?|≥)\s*(?=[\d.])/i;
const PLUS_MINUS = /^(.+?)\s*(?:±|\+\s*\/\s*[-−]|\+[-−])\s*([\d.,]+)\s*(%?)\s*(.*)$/;

/** `100 ± 5 Nm`, `100 Nm ± 5 %`, `100 ± 5 % Nm`: the unit may stand on either side, or on both. */
function withTolerance(text: string): Result<QualifiedQuantity, ParseError> | undefined {
  const [, value, tolerance, percent, unitBehind = ''] = PLUS_MINUS.exec(text) ?? [];
  if (value === undefined || tolerance === undefined) return undefined;
  const bare = /^[-−]?[\d.,/\s]+$/.test(value);
  const read = parsePrinted(bare ? `${value} ${unitBehind}` : value);
  if (!read.ok) return read;
  const { unit, min: nominal, max } = read.value;
  if (nominal !== max) return fail({ code: 'numberMissing', text });
  const about = percent === '%' ? undefined : parsePrinted(`${tolerance} ${unitBehind === '' ? unit : unitBehind}`);
  if (about?.ok === false) return about;
  if (about && about.value.unit !== unit) return fail({ code: 'unitUnknown', unit: `${unit} … ${about.value.unit}` });
  const each = about ? about.value.min : (Math.abs(nominal) * Number(tolerance.replace(',', '.'))) / 100;
  const [low, high] = [nominal - each, nominal + each];
  if (low < 0 && read.value.dimension !== 'temperature') return fail({ code: 'negative', text });
  return ok({
    ...read.value,
    printed: text,
    min: low,
    max: high,
    minBase: toBase(low, unit),
    maxBase: toBase(high, unit),
    nominal,
  });
}

/**
 * Reads a printed quantity with its tolerance or its one bound: `100 ± 5 Nm`, `90 Nm ± 10 %`, `max 83 Nm`, `≥ 40 mm`.
 * What {@link parsePrinted} reads, this reads too.
 *
 * @returns the quantity, or what could not be read. Where a single value is wanted use `parsePrinted`, which takes
 *   neither a tolerance nor a bound.
 */
export function parseQualified(text: string): Result<QualifiedQuantity, ParseError> {
  const plain = text.trim();
  const tolerated = withTolerance(plain);
  if (tolerated) return tolerated;
  const bound = AT_MOST.test(plain) ? 'atMost' : AT_LEAST.test(plain) ? 'atLeast' : undefined;
  if (bound === undefined) return parsePrinted(plain);
  const read = parsePrinted(plain.replace(bound === 'atMost' ? AT_MOST : AT_LEAST, ''));
  return read.ok ? ok({ ...read.value, printed: plain, bound }) : read;
}
