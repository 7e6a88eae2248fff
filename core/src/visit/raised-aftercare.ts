import type { AgainKind } from '../kit/house-rules.ts';
import type { Plan } from '../kit/plan.ts';

/**
 * What must be come back for though no sheet says so: an alignment after parts that carry the geometry, headlamp aim and
 * driver-assist sensors after a changed ride height, the wheel nuts after wheels that were off; and, where the shop says
 * how far, exhaust joints once they have been hot, hose clamps and bushes once they have settled.
 */
export type Raised = 'alignment' | 'lampAim' | AgainKind;

export interface RaisedCare {
  what: Raised;
  /** Stations or things it follows from. */
  because: string[];
  afterKm?: number;
}

/** Distance after which wheel nuts are looked at again, km: 25 miles. Common practice, no source. */
const WHEELS_AGAIN_KM = 40;

/** How joints are called that settle, or have warmed through, by the words of their group. */
const SETTLES = {
  exhaust: /exhaust|down ?pipe|silencer|muffler|tail ?pipe|manifold/i,
  clamps: /clamp|hose clip|pipe clip|u-bolt/i,
  bushes: /bush/i,
} as const;

const named = (list: ReadonlyArray<{ text: string; about?: string }>, about: string, words: RegExp): boolean =>
  list.some((entry) => entry.about === about || words.test(entry.text));

const ALIGNING = /align|toe|camber/i;

/** Whether the vehicle is to be aligned after this work, by a sheet's word or by what was moved. */
export const needsAlignment = (plan: Plan): boolean =>
  named(plan.aftercare, 'alignment', ALIGNING) || raisedAftercare(plan).some(({ what }) => what === 'alignment');

/** Raised by what the plan does, where the sheets themselves ask for nothing of the kind. */
export function raisedAftercare(plan: Plan): RaisedCare[] {
  const raised: RaisedCare[] = [];
  const stationNames = new Map(plan.stations.map(({ id, name }) => [id, name]));
  const geometry = plan.stations.filter((station) => station.tags?.includes('changesGeometry')).map(({ id }) => id);
  const heights = plan.baselines.filter(({ quantity, change }) => quantity === 'rideHeight' && change !== undefined);
  const moved = heights.map(({ id }) => id);
  if (geometry.length + moved.length > 0 && !named(plan.aftercare, 'alignment', ALIGNING))
    raised.push({ what: 'alignment', because: [...geometry, ...moved] });
  if (moved.length > 0 && !named(plan.aftercare, 'headlamps', /head ?lamp|headlight|lamp aim/i))
    raised.push({ what: 'lampAim', because: moved });
  const again = plan.rules.againAfterKm ?? {};
  const wheels = plan.removed.filter(({ name }) => /\b(road )?wheels?\b(?! (arch|well|liner|nut|bolt))/i.test(name));
  if (wheels.length > 0 && !named(plan.aftercare, 'wheels', /wheel|lug/i))
    raised.push({ what: 'wheels', because: wheels.map(({ id }) => id), afterKm: again.wheels ?? WHEELS_AGAIN_KM });
  for (const [what, words] of Object.entries(SETTLES) as Array<[keyof typeof SETTLES, RegExp]>) {
    const afterKm = again[what];
    const joints = plan.groups.filter(
      ({ title, stations, recheck }) =>
        !recheck && [title, ...stations.map((id) => stationNames.get(id) ?? '')].some((name) => words.test(name)),
    );
    if (afterKm !== undefined && joints.length > 0 && !named(plan.aftercare, what, words))
      raised.push({ what, because: joints.flatMap(({ stations }) => stations), afterKm });
  }
  return raised;
}
