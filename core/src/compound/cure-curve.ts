import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';
import { type CompoundKind, type SettingCompound, setsOnTheThread } from './compound.ts';

/** What the thread is made of or plated with: metals that let an anaerobic product set, and those that do not help. */
export type Substrate = 'steel' | 'brass' | 'zincPlated' | 'stainless' | 'aluminium' | 'blackOxide';

/** Times at 22 °C on plain steel with a thin gap, as a product's sheet gives them. */
export interface ProductTimes {
  workingWindowMin: number;
  fixtureMin: number;
  fullCureH: number;
}

export interface CureConditions {
  temperatureC: number;
  substrate: Substrate;
  /** Diametral clearance between the threads, mm; 0.05 is usual. */
  gapMm?: number;
  primer?: boolean;
}

/** Where a time comes from. Times of the model are guides: the product's own sheet goes before them. */
export type TimeOrigin = 'productSheet' | 'model';

/**
 * Times that anaerobic lockers and sealants commonly have; used only where the product's sheet was not
 * entered. Common practice, no source.
 */
export const USUAL_TIMES: Record<SettingCompound, ProductTimes> = {
  threadlockerLow: { workingWindowMin: 12, fixtureMin: 20, fullCureH: 24 },
  threadlockerMedium: { workingWindowMin: 12, fixtureMin: 20, fullCureH: 24 },
  threadlockerHigh: { workingWindowMin: 12, fixtureMin: 25, fullCureH: 24 },
  retaining: { workingWindowMin: 8, fixtureMin: 15, fullCureH: 24 },
  sealant: { workingWindowMin: 20, fixtureMin: 60, fullCureH: 24 },
};

/** Usual times of what sets; those of a medium locker for what does not, whose clock nobody asks. */
export const usualTimesOf = (kind: CompoundKind): ProductTimes =>
  USUAL_TIMES[setsOnTheThread(kind) ? kind : 'threadlockerMedium'];

/** How much longer a metal takes than plain steel. Chosen by us after what product sheets commonly show. */
const SUBSTRATE_FACTOR: Record<Substrate, { factor: number; active: boolean }> = {
  steel: { factor: 1, active: true },
  brass: { factor: 0.5, active: true },
  blackOxide: { factor: 1.5, active: false },
  aluminium: { factor: 2, active: false },
  zincPlated: { factor: 2.5, active: false },
  stainless: { factor: 5, active: false },
};

export const isActive = (substrate: Substrate): boolean => SUBSTRATE_FACTOR[substrate].active;
export const SUBSTRATES = Object.keys(SUBSTRATE_FACTOR) as Substrate[];

const REFERENCE_C = 22;
const USUAL_GAP_MM = 0.05;
/** Share of full strength at fixture: hand strong. Chosen by us. */
const FIXTURE_SHARE = 0.1;
/** Share of full strength called full cure. Chosen by us. */
const FULL_SHARE = 0.95;

/**
 * By how much every time is stretched against plain steel at 22 °C with a thin gap.
 *
 * Temperature: twice as long for every 10 K colder (rule of thumb for reaction rates). Metal: the table above. Gap:
 * grows with (gap / 0.05 mm) to the power 0.8 above 0.05 mm. Primer: inactive metals behave as active ones, and all
 * take half the time. All chosen by us after what product sheets commonly show.
 */
export function slowdown({ temperatureC, substrate, gapMm = USUAL_GAP_MM, primer = false }: CureConditions): number {
  const cold = 2 ** ((REFERENCE_C - temperatureC) / 10);
  const metal = SUBSTRATE_FACTOR[substrate].factor;
  const gap = Math.max(1, gapMm / USUAL_GAP_MM) ** 0.8;
  return cold * (primer ? Math.min(1, metal) * 0.5 : metal) * gap;
}

export interface CureTimes extends ProductTimes {
  slowdown: number;
  origin: TimeOrigin;
  /** Below this an anaerobic product hardly sets at all. */
  tooCold: boolean;
}

/**
 * Working window, fixture and full cure under the conditions of the bay.
 *
 * The working window is never lengthened by cold or plating: the bead is used within the sheet's own time, which is
 * the safe side. It shrinks in heat and with primer.
 *
 * @param times - the product sheet's times at 22 °C on steel
 * @returns minutes and hours, or the condition that cannot be
 */
export function cureTimes(
  times: ProductTimes,
  conditions: CureConditions,
  origin: TimeOrigin = 'model',
): Result<CureTimes, InputFault> {
  const fault = firstFault(
    outOfRange('temperatureC', conditions.temperatureC, -20, 60),
    outOfRange('gapMm', conditions.gapMm ?? USUAL_GAP_MM, 0, 0.5),
    outOfRange('workingWindowMin', times.workingWindowMin, 0.5, 600),
    outOfRange('fixtureMin', times.fixtureMin, 0.5, 2880),
    outOfRange('fullCureH', times.fullCureH, 0.1, 400),
    times.fixtureMin >= times.fullCureH * 60
      ? {
          code: 'contradiction',
          field: 'fixtureMin',
          with: 'fullCureH',
          reason: 'hand strength comes before full cure',
        }
      : undefined,
  );
  if (fault) return fail(fault);
  const factor = slowdown(conditions);
  return ok({
    workingWindowMin: times.workingWindowMin * Math.min(1, factor),
    fixtureMin: times.fixtureMin * factor,
    fullCureH: times.fullCureH * factor,
    slowdown: factor,
    origin,
    tooCold: conditions.temperatureC < 5,
  });
}

/**
 * Share of full strength after a time: 1 − exp(−(t/τ)^β), through 10 % at fixture and 95 % at full cure.
 *
 * @param minutes - since the parts met, from 0
 * @returns 0 to 1
 */
export function strengthShare(minutes: number, times: Pick<ProductTimes, 'fixtureMin' | 'fullCureH'>): number {
  if (minutes <= 0) return 0;
  const [a, b] = [-Math.log(1 - FIXTURE_SHARE), -Math.log(1 - FULL_SHARE)];
  const beta = Math.log(b / a) / Math.log((times.fullCureH * 60) / times.fixtureMin);
  return 1 - Math.exp(-a * (minutes / times.fixtureMin) ** beta);
}
