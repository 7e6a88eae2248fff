import type { HeldUpBy } from '../kit/held-up-by.ts';

/** What a shop raises vehicles with and holds them up on. Stands and ramps are rated by the pair. */
export const GEAR_KINDS = ['lift', 'stands', 'ramps', 'jack'] as const;
export type GearKind = (typeof GEAR_KINDS)[number];

export interface LiftingGear {
  name: string;
  kind: GearKind;
  /** What its plate says it bears, kg; of stands and ramps the pair. */
  ratedKg: number;
}

/** Lighter than this no gear for vehicles is, heavier none a shop has, kg (chosen by us). */
export const GEAR_KG = { least: 250, most: 60_000 } as const;

/** The ratings of a vehicle that tell what gear must bear, kg. */
export interface Burden {
  grossKg?: number;
  frontAxleKg?: number;
  rearAxleKg?: number;
}

/** The strongest of a kind, and what it would have to bear, kg. */
export interface TooWeak {
  kind: GearKind;
  name: string;
  ratedKg: number;
  needKg: number;
}

/**
 * What gear of a kind must bear, kg: a lift all that the vehicle may weigh, whatever it weighs today; a pair of stands or
 * ramps and a jack its heavier axle. Undefined where the vehicle's plate does not say. Common practice, no source: the
 * rating and not the weight, since nobody weighs what is in it.
 */
export function burdenKg(kind: GearKind, { grossKg, frontAxleKg, rearAxleKg }: Burden): number | undefined {
  const axles = [frontAxleKg, rearAxleKg].filter((kg) => kg !== undefined);
  if (kind === 'lift') return grossKg ?? (axles.length === 2 ? axles.reduce((sum, kg) => sum + kg, 0) : undefined);
  return axles.length > 0 ? Math.max(...axles) : undefined;
}

/** Kinds of which the shop lists some and none bears this vehicle. */
export function tooWeak(gear: readonly LiftingGear[], ratings: Burden = {}): TooWeak[] {
  return GEAR_KINDS.flatMap((kind) => {
    const [best] = gear.filter((one) => one.kind === kind).sort((a, b) => b.ratedKg - a.ratedKg);
    const needKg = burdenKg(kind, ratings);
    return best && needKg !== undefined && best.ratedKg < needKg
      ? [{ kind, name: best.name, ratedKg: best.ratedKg, needKg }]
      : [];
  });
}

/** Of those, what this way of holding a vehicle up needs: on stands and on the floor a jack raises it. */
export const weakFor = (by: HeldUpBy, weak: readonly TooWeak[]): TooWeak | undefined =>
  weak.find(({ kind }) => kind === by || (kind === 'jack' && (by === 'stands' || by === 'floor')));
