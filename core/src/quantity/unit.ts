/**
 * Every unit the application reads or shows, with its exact size in the base unit of its dimension.
 *
 * The sources of the exact factors:
 * - inch 25.4 mm, pound 0.453 592 37 kg, US gallon 231 in³: NIST SP 811 (2008), appendix B.8 and footnotes;
 * - standard gravity 9.806 65 m/s²: 3rd CGPM (1901), so 1 lbf = 0.453 592 37 × 9.806 65 = 4.448 221 615 260 5 N;
 * - mile 1 609.344 m: NIST SP 811, appendix B.8.
 */
export type Dimension =
  | 'torque'
  | 'length'
  | 'mass'
  | 'force'
  | 'angle'
  | 'temperature'
  | 'distance'
  | 'volume'
  | 'pressure'
  | 'area'
  | 'speed'
  | 'springRate';

export const MM_PER_INCH = 25.4;
export const NEWTON_PER_LBF = 4.4482216152605;
const STANDARD_GRAVITY = 9.80665;
const KG_PER_POUND = 0.45359237;
const ML_PER_CUBIC_INCH = 16.387064; // 2.54³

/** `base = value × factor + offset`. Base units: N·m, mm, kg, N, °, °C, km, mL, N/mm² (stress too), mm², km/h, N/mm. */
interface Unit {
  dimension: Dimension;
  factor: number;
  offset?: number;
}

export const UNITS = {
  N·m: { dimension: 'torque', factor: 1 },
  lbf·ft: { dimension: 'torque', factor: (NEWTON_PER_LBF * 12 * MM_PER_INCH) / 1000 },
  lbf·in: { dimension: 'torque', factor: (NEWTON_PER_LBF * MM_PER_INCH) / 1000 },
  kgf·m: { dimension: 'torque', factor: STANDARD_GRAVITY },
  cN·m: { dimension: 'torque', factor: 0.01 },
  daN·m: { dimension: 'torque', factor: 10 },
  kgf·cm: { dimension: 'torque', factor: STANDARD_GRAVITY / 100 },
  mm: { dimension: 'length', factor: 1 },
  cm: { dimension: 'length', factor: 10 },
  m: { dimension: 'length', factor: 1000 },
  in: { dimension: 'length', factor: MM_PER_INCH },
  ft: { dimension: 'length', factor: 12 * MM_PER_INCH },
  thou: { dimension: 'length', factor: MM_PER_INCH / 1000 },
  kg: { dimension: 'mass', factor: 1 },
  g: { dimension: 'mass', factor: 0.001 },
  lb: { dimension: 'mass', factor: KG_PER_POUND },
  oz: { dimension: 'mass', factor: KG_PER_POUND / 16 },
  N: { dimension: 'force', factor: 1 },
  kN: { dimension: 'force', factor: 1000 },
  lbf: { dimension: 'force', factor: NEWTON_PER_LBF },
  kgf: { dimension: 'force', factor: STANDARD_GRAVITY },
  '°': { dimension: 'angle', factor: 1 },
  turn: { dimension: 'angle', factor: 360 },
  '°C': { dimension: 'temperature', factor: 1 },
  '°F': { dimension: 'temperature', factor: 5 / 9, offset: -160 / 9 },
  km: { dimension: 'distance', factor: 1 },
  mi: { dimension: 'distance', factor: 1.609344 },
  mL: { dimension: 'volume', factor: 1 },
  L: { dimension: 'volume', factor: 1000 },
  'fl oz': { dimension: 'volume', factor: (231 * ML_PER_CUBIC_INCH) / 128 },
  qt: { dimension: 'volume', factor: (231 * ML_PER_CUBIC_INCH) / 4 },
  bar: { dimension: 'pressure', factor: 0.1 },
  kPa: { dimension: 'pressure', factor: 0.001 },
  MPa: { dimension: 'pressure', factor: 1 },
  'N/mm²': { dimension: 'pressure', factor: 1 },
  psi: { dimension: 'pressure', factor: NEWTON_PER_LBF / MM_PER_INCH ** 2 },
  ksi: { dimension: 'pressure', factor: (1000 * NEWTON_PER_LBF) / MM_PER_INCH ** 2 },
  'mm²': { dimension: 'area', factor: 1 },
  'cm²': { dimension: 'area', factor: 100 },
  'in²': { dimension: 'area', factor: MM_PER_INCH ** 2 },
  'km/h': { dimension: 'speed', factor: 1 },
  mph: { dimension: 'speed', factor: 1.609344 },
  'm/s': { dimension: 'speed', factor: 3.6 },
  'N/mm': { dimension: 'springRate', factor: 1 },
  'lbf/in': { dimension: 'springRate', factor: NEWTON_PER_LBF / MM_PER_INCH },
} as const satisfies Record<string, Unit>;

export type UnitName = keyof typeof UNITS;
export type UnitOf<D extends Dimension> = {
  [Name in UnitName]: (typeof UNITS)[Name]['dimension'] extends D ? Name : never;
}[UnitName];
/** The torque units that wrenches have on their scales and records are kept in; others are read and converted. */
export const TORQUE_UNITS = [
  'N·m',
  'lbf·ft',
  'lbf·in',
  'kgf·m',
  'kgf·cm',
] as const satisfies readonly UnitOf<'torque'>[];
export type TorqueUnit = (typeof TORQUE_UNITS)[number];

const unitNamed = (name: UnitName): Unit => UNITS[name];

/** The dimension a unit measures. */
export const dimensionOf = (name: UnitName): Dimension => unitNamed(name).dimension;

/**
 * A value in `unit`, in the base unit of its dimension (N·m, mm, kg, N, °, °C, km, mL, N/mm², mm², km/h, N/mm).
 * @see NIST SP 811 (2008), appendix B
 */
export function toBase(value: number, unit: UnitName): number {
  const { factor, offset = 0 } = unitNamed(unit);
  return value * factor + offset;
}

/** A value in the base unit of `unit`'s dimension, in `unit`. The inverse of {@link toBase}. */
export function fromBase(base: number, unit: UnitName): number {
  const { factor, offset = 0 } = unitNamed(unit);
  return (base - offset) / factor;
}

/** Absolute zero, °C. @see NIST SP 811 (2008), appendix B.8 */
export const ABSOLUTE_ZERO_C = -273.15;

/** Millimetres of a kilometre: a distance and a length are one thing at two scales. */
const MM_PER_KM = 1e6;
const scaleOf = (dimension: Dimension): { as: Dimension; factor: number } =>
  dimension === 'distance' ? { as: 'length', factor: MM_PER_KM } : { as: dimension, factor: 1 };

/** Whether a value in one unit can be said in the other: miles in metres, but no torque in newtons. */
export const measureAlike = (one: UnitName, other: UnitName): boolean =>
  scaleOf(dimensionOf(one)).as === scaleOf(dimensionOf(other)).as;

/**
 * A value in another unit of what it measures, lengths and distances alike.
 * @returns undefined where the two do not measure the same
 */
export function valueIn(value: number, from: UnitName, to: UnitName): number | undefined {
  if (!measureAlike(from, to)) return undefined;
  const base = toBase(value, from) * scaleOf(dimensionOf(from)).factor;
  return fromBase(base / scaleOf(dimensionOf(to)).factor, to);
}

/** Converts between two units of one dimension; units of different dimensions do not compile. */
export function convert<D extends Dimension>(value: number, from: UnitOf<D>, to: UnitOf<D>): number {
  return fromBase(toBase(value, from), to);
}
