import { parseThread } from '../fastener/thread.ts';
import { isBuildMonth } from '../kit/build-month.ts';
import type { KitLoads } from '../kit/kit-loads.ts';
import type { FittedAmount, VehicleFacts } from '../kit/vehicle-facts.ts';
import { readTyreSize } from './tyre-size.ts';
import { readVin } from './vin.ts';

/** Something the vehicle carries beyond its maker's: it alters how kits go on. */
export interface Fitted {
  /** The word kits ask for: `air springs`. */
  word: string;
  /** By how much, where kits ask for it: lowered by so much. */
  amount?: FittedAmount;
  /** What it is, where a word is not enough. */
  note?: string;
  /** Numbers its parts carry, as they were read at check-in: a recall asks by them. */
  serials?: string[];
  /** ISO day it was fitted or seen. */
  since?: string;
  /** The job that fitted it; absent for what came with the vehicle. */
  jobNumber?: string;
  /** What it weighs and carries, where its kit says so. */
  loads?: KitLoads;
}

/** Ratings from the vehicle's own plate, kg. Never worked out from each other. */
export interface Ratings {
  /** Gross vehicle weight rating (GVWR), elsewhere gross vehicle mass (GVM). */
  grossKg?: number;
  frontAxleKg?: number;
  rearAxleKg?: number;
  /** Gross combination weight rating (GCWR). */
  combinationKg?: number;
  towKg?: number;
  kerbKg?: number;
}

/** Lengths and the one weight that a vehicle's loads are worked out from. */
export interface Dimensions {
  wheelbaseMm?: number;
  /** Ball behind the rear axle. */
  hitchBehindMm?: number;
  /** What the front axle carries of the kerb mass, kg. */
  kerbFrontKg?: number;
}

export type NutSeat = 'cone' | 'ball' | 'flat';

/** What holds the wheels. */
export interface Wheels {
  thread?: string;
  nutSeat?: NutSeat;
  perWheel?: number;
  /** As the vehicle's manual prints it: `97 lbf·ft`. */
  torque?: string;
  tyre?: string;
}

/** A vehicle as the shop knows it. */
export interface Vehicle extends VehicleFacts {
  id: string;
  make: string;
  model: string;
  plate: string;
  owner: string;
  /** How to reach the owner; never printed on a label. */
  contact?: string;
  vin?: string;
  /** At the last visit, km. */
  odometerKm?: number;
  /** The unit on its own dial. */
  odometerUnit?: 'km' | 'mi';
  ratings?: Ratings;
  dimensions?: Dimensions;
  wheels?: Wheels;
  fitted?: Fitted[];
  note?: string;
}

/** Cars began with a patent of 1886; a maker sells next year's models in autumn. */
const FIRST_YEAR = 1886;

/** What no vehicle here is outside of, mm and kg. Chosen by us. */
const DIMENSION_LIMITS: Record<keyof Dimensions, [number, number]> = {
  wheelbaseMm: [1000, 10_000],
  hitchBehindMm: [0, 5000],
  kerbFrontKg: [50, 50_000],
};

/** Something about a vehicle that cannot be, or that should be looked at again. */
export type VehicleFault =
  | { code: 'nameMissing'; field: 'make' | 'model' | 'owner' }
  | { code: 'yearImpossible'; year: number; from: number; to: number }
  | { code: 'ratingImpossible'; field: keyof Ratings; kg: number }
  | { code: 'dimensionImpossible'; field: keyof Dimensions; value: number; from: number; to: number }
  | { code: 'monthImpossible'; month: number }
  | { code: 'odometerImpossible'; km: number };

export type VehicleDoubt =
  | { code: 'vinForm'; length: number }
  | { code: 'vinCharacters'; characters: string[] }
  | { code: 'vinCheckDigit'; written: string; computed: string }
  | { code: 'vinYear'; year: number; years: number[] }
  /** Built long before or after its model year began. */
  | { code: 'monthOffYear'; built: number; year: number }
  | { code: 'ratingsDisagree'; smaller: keyof Ratings; larger: keyof Ratings }
  /** The two axles together carry less than the vehicle may weigh. */
  | { code: 'axlesBelowGross'; axlesKg: number; grossKg: number }
  | { code: 'tyreUnreadable'; tyre: string }
  | { code: 'wheelThreadUnreadable'; thread: string };

/** What keeps a vehicle from being saved. `yearNow` is the calendar year. */
export function vehicleFaults(vehicle: Vehicle, yearNow: number): VehicleFault[] {
  const faults: VehicleFault[] = [];
  for (const field of ['make', 'model', 'owner'] as const)
    if (vehicle[field].trim() === '') faults.push({ code: 'nameMissing', field });
  const { modelYear: year, odometerKm: km } = vehicle;
  const to = yearNow + 1;
  if (year !== undefined && !(Number.isInteger(year) && year >= FIRST_YEAR && year <= to))
    faults.push({ code: 'yearImpossible', year, from: FIRST_YEAR, to });
  if (vehicle.buildMonth !== undefined && !isBuildMonth(vehicle.buildMonth))
    faults.push({ code: 'monthImpossible', month: vehicle.buildMonth });
  for (const [field, kg] of Object.entries(vehicle.ratings ?? {}) as Array<[keyof Ratings, number | undefined]>)
    if (kg !== undefined && !(kg > 0 && kg <= 100_000)) faults.push({ code: 'ratingImpossible', field, kg });
  for (const [field, [from, to]] of Object.entries(DIMENSION_LIMITS) as Array<[keyof Dimensions, [number, number]]>) {
    const value = vehicle.dimensions?.[field];
    if (value !== undefined && !(value >= from && value <= to))
      faults.push({ code: 'dimensionImpossible', field, value, from, to });
  }
  if (km !== undefined && !(km >= 0 && km <= 5_000_000)) faults.push({ code: 'odometerImpossible', km });
  return faults;
}

/** Ratings of which the first can never be above the second. */
const NOT_ABOVE: ReadonlyArray<[keyof Ratings, keyof Ratings]> = [
  ['kerbKg', 'grossKg'],
  ['frontAxleKg', 'grossKg'],
  ['rearAxleKg', 'grossKg'],
  ['grossKg', 'combinationKg'],
  ['towKg', 'combinationKg'],
];

/** What looks wrong and is kept all the same: the plate and the paper decide, not the program. */
export function vehicleDoubts(vehicle: Vehicle): VehicleDoubt[] {
  const doubts: VehicleDoubt[] = [];
  const { vin, modelYear, ratings = {}, wheels } = vehicle;
  if (vin !== undefined && vin !== '') {
    const read = readVin(vin);
    if (!read.ok) {
      doubts.push(
        read.fault.code === 'vinLength'
          ? { code: 'vinForm', length: read.fault.length }
          : { code: 'vinCharacters', characters: read.fault.wrong.map(({ character }) => character) },
      );
    } else {
      const { checkDigitApplies, checkDigit, modelYears } = read.value;
      if (checkDigitApplies && !checkDigit.holds)
        doubts.push({ code: 'vinCheckDigit', written: checkDigit.written, computed: checkDigit.computed });
      if (modelYear !== undefined && modelYears.length > 0 && !modelYears.includes(modelYear))
        doubts.push({ code: 'vinYear', year: modelYear, years: modelYears });
    }
  }
  const { buildMonth } = vehicle;
  // A model year begins in the calendar year before (common practice, no source).
  if (buildMonth !== undefined && modelYear !== undefined) {
    const built = Math.floor(buildMonth / 100);
    if (built < modelYear - 1 || built > modelYear) doubts.push({ code: 'monthOffYear', built, year: modelYear });
  }
  for (const [smaller, larger] of NOT_ABOVE) {
    const [low, high] = [ratings[smaller], ratings[larger]];
    if (low !== undefined && high !== undefined && low > high)
      doubts.push({ code: 'ratingsDisagree', smaller, larger });
  }
  const { frontAxleKg, rearAxleKg, grossKg } = ratings;
  if (frontAxleKg !== undefined && rearAxleKg !== undefined && grossKg !== undefined) {
    const axlesKg = frontAxleKg + rearAxleKg;
    if (axlesKg < grossKg) doubts.push({ code: 'axlesBelowGross', axlesKg, grossKg });
  }
  if (wheels?.tyre && readTyreSize(wheels.tyre) === undefined)
    doubts.push({ code: 'tyreUnreadable', tyre: wheels.tyre });
  if (wheels?.thread && !parseThread(wheels.thread).ok)
    doubts.push({ code: 'wheelThreadUnreadable', thread: wheels.thread });
  return doubts;
}
