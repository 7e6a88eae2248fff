import type { Plan } from '../kit/plan.ts';

/**
 * What must be come back for though no sheet says so: an alignment after parts that carry the geometry, headlamp aim and
 * driver-assist sensors after a changed ride height, the wheel nuts after wheels that were off.
 */
export type Raised = 'alignment' | 'lampAim' | 'wheels';

export interface RaisedCare {
  what: Raised;
  /** Stations or things it follows from. */
  because: string[];
  afterKm?: number;
}

/** Distance after which wheel nuts are looked at again, km: 25 miles. Common practice, no source. */
const WHEELS_AGAIN_KM = 40;

const named = (list: ReadonlyArray<{ text: string; about?: string }>, about: string, words: RegExp): boolean =>
  list.some((entry) => entry.about === about || words.test(entry.text));

/** Raised by what the plan does, where the sheets themselves ask for nothing of the kind. */
export function raisedAftercare(plan: Plan): RaisedCare[] {
  const raised: RaisedCare[] = [];
  const geometry = plan.stations.filter((station) => station.tags?.includes('changesGeometry')).map(({ id }) => id);
  const heights = plan.baselines.filter(({ quantity, change }) => quantity === 'rideHeight' && change !== undefined);
  const moved = heights.map(({ id }) => id);
  if (geometry.length + moved.length > 0 && !named(plan.aftercare, 'alignment', /align|toe|camber/i))
    raised.push({ what: 'alignment', because: [...geometry, ...moved] });
  if (moved.length > 0 && !named(plan.aftercare, 'headlamps', /head ?lamp|headlight|lamp aim/i))
    raised.push({ what: 'lampAim', because: moved });
  const wheels = plan.removed.filter(({ name }) => /\b(road )?wheels?\b(?! (arch|well|liner|nut|bolt))/i.test(name));
  if (wheels.length > 0 && !named(plan.aftercare, 'wheels', /wheel|lug/i))
    raised.push({ what: 'wheels', because: wheels.map(({ id }) => id), afterKm: WHEELS_AGAIN_KM });
  return raised;
}
