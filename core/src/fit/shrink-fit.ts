import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';

export type FitMaterial = 'steel' | 'stainless' | 'castIron' | 'aluminium' | 'bronze' | 'brass' | 'magnesium';

/** Linear expansion, 1/K at room temperature. Any engineering handbook (entered from memory). */
export const EXPANSION_PER_K: Record<FitMaterial, number> = {
  steel: 11.7e-6,
  stainless: 16.5e-6,
  castIron: 10.5e-6,
  aluminium: 23e-6,
  bronze: 18e-6,
  brass: 19e-6,
  magnesium: 26e-6,
};

/** Highest temperature a bore should see, °C: heat treatment and seals. Chosen by us; the part's maker goes first. */
export const HEAT_LIMIT_C: Record<FitMaterial, number> = {
  steel: 250,
  stainless: 300,
  castIron: 250,
  aluminium: 150,
  bronze: 200,
  brass: 200,
  magnesium: 130,
};

/**
 * Contraction from 293 K, in hundred-thousandths of the length, by temperature in K: what cold takes is less and less a
 * degree. Iron, aluminium, 304 stainless and brass after NBS Monograph 29 (Corruccini and Gniewek, 1961), entered from
 * memory; the others by their expansion at room temperature against the nearest of these.
 */
const COLD_K = [77, 100, 150, 200, 250, 293] as const;
const COLD: Record<'iron' | 'aluminium' | 'stainless' | 'brass', readonly number[]> = {
  iron: [190, 181, 148, 102, 49, 0],
  aluminium: [393, 370, 295, 201, 97, 0],
  stainless: [281, 261, 206, 139, 66, 0],
  brass: [353, 326, 253, 169, 80, 0],
};
const LIKE: Record<FitMaterial, { as: keyof typeof COLD; perK: number }> = {
  steel: { as: 'iron', perK: EXPANSION_PER_K.steel },
  castIron: { as: 'iron', perK: EXPANSION_PER_K.steel },
  stainless: { as: 'stainless', perK: EXPANSION_PER_K.stainless },
  aluminium: { as: 'aluminium', perK: EXPANSION_PER_K.aluminium },
  magnesium: { as: 'aluminium', perK: EXPANSION_PER_K.aluminium },
  bronze: { as: 'brass', perK: EXPANSION_PER_K.brass },
  brass: { as: 'brass', perK: EXPANSION_PER_K.brass },
};
const ZERO_C_K = 273.15;

/** How much longer than at 20 °C a material is, as a share; below it by the cold table, above it by its expansion. */
function strainAt(material: FitMaterial, tempC: number): number {
  const kelvin = tempC + ZERO_C_K;
  const warm = COLD_K.at(-1) as number;
  if (kelvin >= warm) return EXPANSION_PER_K[material] * (kelvin - warm);
  const { as, perK } = LIKE[material];
  const table = COLD[as];
  const above = Math.max(
    1,
    COLD_K.findIndex((at) => at >= kelvin),
  );
  const [fromK, toK] = [COLD_K[above - 1] as number, COLD_K[above] as number];
  const [from, to] = [table[above - 1] as number, table[above] as number];
  const shrunk = from + ((to - from) * (kelvin - fromK)) / (toK - fromK);
  return (-shrunk * 1e-5 * EXPANSION_PER_K[material]) / perK;
}

/**
 * What a part loses of a diameter when it is chilled, mm.
 *
 * @param fromC - where it starts, °C
 * @param toC - −200 °C and above; colder than the table its end is drawn on
 */
export const contractionMm = (material: FitMaterial, diameterMm: number, fromC: number, toC: number): number =>
  diameterMm * (strainAt(material, fromC) - strainAt(material, toC));

export interface ShrinkFit {
  /** Nominal diameter, mm. */
  diameterMm: number;
  /** Pin minus bore at room temperature, mm; negative when there is clearance. */
  interferenceMm: number;
  /** Clearance wanted while the parts go together, mm. */
  slipMm: number;
  roomC: number;
  bore: FitMaterial;
  pin: FitMaterial;
  /** Temperature the pin is chilled to, °C; left out when it stays at room temperature. */
  pinC?: number;
}

export interface ShrinkFitAnswer {
  /** Temperature the bore must have, °C; room temperature when chilling alone is enough. */
  boreC: number;
  /** What the chilled pin loses in diameter, mm. */
  pinShrinksMm: number;
  boreGrowsMm: number;
  /** Above the limit of the bore's material: chill the pin more or press it. */
  tooHot: boolean;
}

/**
 * Temperature that opens a bore for a slip: ΔT = (interference + slip − what the chilled pin shrinks) / (α · d).
 *
 * @returns °C, or the input that cannot be
 * @see linear thermal expansion ΔL = α L ΔT for the bore; for a chilled pin the tabulated contraction
 */
export function shrinkFit(fit: ShrinkFit): Result<ShrinkFitAnswer, InputFault> {
  const fault = firstFault(
    outOfRange('diameterMm', fit.diameterMm, 1, 1000),
    outOfRange('interferenceMm', fit.interferenceMm, -1, 1),
    outOfRange('slipMm', fit.slipMm, 0, 1),
    outOfRange('roomC', fit.roomC, -20, 50),
    outOfRange('pinC', fit.pinC ?? fit.roomC, -200, fit.roomC),
  );
  if (fault) return fail(fault);
  const pinShrinksMm = contractionMm(fit.pin, fit.diameterMm, fit.roomC, fit.pinC ?? fit.roomC);
  const boreGrowsMm = Math.max(0, fit.interferenceMm + fit.slipMm - pinShrinksMm);
  const boreC = fit.roomC + boreGrowsMm / (EXPANSION_PER_K[fit.bore] * fit.diameterMm);
  return ok({ boreC, pinShrinksMm, boreGrowsMm, tooHot: boreC > HEAT_LIMIT_C[fit.bore] });
}

/** Density kg/m³ and specific heat J/(kg·K). Any engineering handbook (from memory). */
const HEAT_STORE: Record<FitMaterial, { density: number; heat: number }> = {
  steel: { density: 7850, heat: 460 },
  stainless: { density: 7900, heat: 500 },
  castIron: { density: 7200, heat: 460 },
  aluminium: { density: 2700, heat: 900 },
  bronze: { density: 8800, heat: 380 },
  brass: { density: 8500, heat: 380 },
  magnesium: { density: 1800, heat: 1020 },
};

/** Heat passed to still air and hands of a part being carried and fitted, W/(m²·K). Chosen by us for workshop air. */
const AIR_TRANSFER_W = 15;

/** A part's time constant, s: τ = ρ c V / (h A), its wall cooled on both sides so that V/A is half of it. */
const timeConstantS = (material: FitMaterial, wallMm: number, transferW: number): number =>
  (HEAT_STORE[material].density * HEAT_STORE[material].heat * (wallMm / 2000)) / transferW;

/** A fit on its way together: what was warmed and chilled, and the walls that hold the heat, mm. */
export interface FitUnderway extends ShrinkFit {
  boreC: number;
  wallMm: number;
  /** Wall of a bush; a solid pin when left out, which is a wall of half its diameter. */
  pinWallMm?: number;
  /** Heat passed to the air, W/(m²·K). */
  transferW?: number;
}

/**
 * Clearance between bore and pin so many seconds after oven and cold, mm; below 0 they touch. Both come to room
 * temperature, each by its own time constant.
 * @see Newton's law of cooling; lumped capacity, any heat transfer text
 */
export function gapAfterMm(fit: FitUnderway, seconds: number): number {
  const { diameterMm, roomC, boreC, pinC = roomC, transferW = AIR_TRANSFER_W } = fit;
  const boreNow = roomC + (boreC - roomC) * Math.exp(-seconds / timeConstantS(fit.bore, fit.wallMm, transferW));
  const pinWall = fit.pinWallMm ?? diameterMm / 2;
  const pinNow = roomC + (pinC - roomC) * Math.exp(-seconds / timeConstantS(fit.pin, pinWall, transferW));
  const grown = EXPANSION_PER_K[fit.bore] * diameterMm * (boreNow - roomC);
  return grown + contractionMm(fit.pin, diameterMm, roomC, pinNow) - fit.interferenceMm;
}

/** Halvings of the time: finer than a second of any wait. */
const HALVINGS = 60;

/**
 * Seconds until bore and pin touch, warm bore and chilled pin alike. Once they touch, they grip at once.
 *
 * @returns undefined where they never touch: there is clearance at room temperature
 */
export function secondsUntilTouch(fit: FitUnderway): Result<number | undefined, InputFault> {
  const fault = firstFault(
    outOfRange('wallMm', fit.wallMm, 0.2, 200),
    outOfRange('pinWallMm', fit.pinWallMm ?? 1, 0.2, 500),
    outOfRange('transferW', fit.transferW ?? AIR_TRANSFER_W, 1, 2000),
  );
  if (fault) return fail(fault);
  if (fit.interferenceMm <= 0) return ok(undefined);
  if (gapAfterMm(fit, 0) <= 0) return ok(0);
  let [open, closed] = [0, 60];
  while (gapAfterMm(fit, closed) > 0) [open, closed] = [closed, closed * 2];
  for (let halving = 0; halving < HALVINGS; halving++) {
    const middle = (open + closed) / 2;
    if (gapAfterMm(fit, middle) > 0) open = middle;
    else closed = middle;
  }
  return ok(open);
}

export type FitKind = 'loose' | 'slide' | 'push' | 'press' | 'shrink';

export interface MeasuredFit {
  kind: FitKind;
  /** Pin minus bore, mm. */
  interferenceMm: number;
  remedy: 'retainingCompound' | 'none' | 'press' | 'heatOrChill' | 'checkParts';
}

/**
 * What two measured sizes make, by interference over diameter. Bounds are common practice, no source: looser than
 * 0.05 % wants retaining compound, tighter than 0.1 % wants heat or cold instead of the press.
 *
 * @param boreMm - measured bore, mm
 * @param pinMm - measured pin or bush, mm
 */
export function measuredFit(boreMm: number, pinMm: number): Result<MeasuredFit, InputFault> {
  const fault = firstFault(outOfRange('boreMm', boreMm, 1, 1000), outOfRange('pinMm', pinMm, 1, 1000));
  if (fault) return fail(fault);
  const interferenceMm = pinMm - boreMm;
  const share = interferenceMm / boreMm;
  if (Math.abs(share) > 0.02) return ok({ kind: share > 0 ? 'shrink' : 'loose', interferenceMm, remedy: 'checkParts' });
  if (share < -0.002) return ok({ kind: 'loose', interferenceMm, remedy: 'retainingCompound' });
  if (share < 0) return ok({ kind: 'slide', interferenceMm, remedy: share < -0.0015 ? 'retainingCompound' : 'none' });
  if (share <= 0.0002) return ok({ kind: 'push', interferenceMm, remedy: 'none' });
  return share <= 0.001
    ? ok({ kind: 'press', interferenceMm, remedy: 'press' })
    : ok({ kind: 'shrink', interferenceMm, remedy: 'heatOrChill' });
}
