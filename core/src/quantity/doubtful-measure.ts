/** What is measured on a vehicle. */
export const MEASURED = [
  'rideHeight',
  'camber',
  'caster',
  'toe',
  'length',
  'gap',
  'clearance',
  'depth',
  'play',
  'bore',
  'thickness',
  'tread',
  'runout',
  'angle',
  'temperature',
  'pressure',
  'voltage',
  'torque',
] as const;
export type MeasuredQuantity = (typeof MEASURED)[number];

export type MeasuredUnit = 'mm' | 'in' | '°' | 'N·m' | 'kPa' | 'V' | '°C' | 'L';

/**
 * Between what a quantity lies on a car or truck: mm, degrees, °C, kPa, V, N·m. Wide, so that only a slip falls outside.
 * Common practice, no source; values from memory.
 */
const PLAUSIBLE: Readonly<Record<MeasuredQuantity, readonly [least: number, most: number]>> = {
  rideHeight: [100, 1500],
  camber: [-15, 15],
  caster: [-10, 25],
  toe: [-60, 60],
  length: [0.1, 6000],
  gap: [0, 150],
  clearance: [0, 600],
  depth: [0, 400],
  play: [0, 40],
  bore: [2, 400],
  thickness: [0.01, 250],
  tread: [0, 30],
  runout: [0, 20],
  angle: [-360, 360],
  temperature: [-60, 1200],
  pressure: [0, 21_000],
  voltage: [0, 60],
  torque: [0, 3000],
};

/** What a unit stands for where nobody says what is measured. */
const OF_UNIT: Readonly<Partial<Record<string, MeasuredQuantity>>> = {
  '°': 'angle',
  '°C': 'temperature',
  kPa: 'pressure',
  V: 'voltage',
  N·m: 'torque',
};

const MM_PER_INCH = 25.4;
/** Slips of hand and instrument: a decimal point lost or gained, inches read as millimetres and the reverse. */
const SLIPS = [0.1, 10, 0.01, 100, MM_PER_INCH, 1 / MM_PER_INCH];
/** A reading so many times another of its kind is looked at again (chosen by us). */
const FAR_OFF = 5;
/** How near a corrected reading has to come to the others to be offered, as a share of them (chosen by us). */
const NEAR = 0.3;

const tidy = (value: number): number => Number(value.toPrecision(6));

/** What a reading is held against. */
export interface Reference {
  quantity?: MeasuredQuantity;
  unit: string;
  min?: number;
  max?: number;
  /** The same thing measured before, or at its other places. */
  near?: readonly number[];
}

const middle = (values: readonly number[]): number | undefined =>
  [...values].sort((a, b) => a - b)[Math.floor((values.length - 1) / 2)];

/** A reading that is hardly what was on the vehicle, with what was probably meant. */
export interface Doubt {
  meant?: number;
}

/**
 * Whether a reading is likely a slip: outside what its quantity can be, or many times the others of its kind while a
 * shifted decimal point or another unit brings it right to them. One inside its limits is never doubted.
 *
 * @param value - in the unit of the reference
 */
export function doubtful(value: number, { quantity, unit, min, max, near = [] }: Reference): Doubt | undefined {
  const bounded = min !== undefined || max !== undefined;
  const inLimits = value >= (min ?? -Infinity) && value <= (max ?? Infinity);
  const range = PLAUSIBLE[quantity ?? OF_UNIT[unit] ?? 'length'];
  const toMm = unit === 'in' ? MM_PER_INCH : 1;
  const known = quantity !== undefined || OF_UNIT[unit] !== undefined;
  const plausible = (reading: number): boolean => !known || (reading * toMm >= range[0] && reading * toMm <= range[1]);
  if (plausible(value) && bounded && inLimits) return undefined;
  const reference =
    middle(near.filter((one) => one !== 0)) ??
    (min !== undefined && max !== undefined ? (min + max) / 2 : (min ?? max));
  const fits = (reading: number): boolean => {
    if (!plausible(reading)) return false;
    if (bounded && near.length === 0) return reading >= (min ?? -Infinity) && reading <= (max ?? Infinity);
    return reference === undefined || Math.abs(reading - reference) <= NEAR * Math.abs(reference);
  };
  const meant = value === 0 ? undefined : SLIPS.map((slip) => tidy(value * slip)).find(fits);
  if (!plausible(value)) return meant === undefined ? {} : { meant };
  if (reference === undefined || reference === 0 || value === 0 || meant === undefined) return undefined;
  const times = value / reference;
  return times >= FAR_OFF || (times > 0 && times <= 1 / FAR_OFF) ? { meant } : undefined;
}
