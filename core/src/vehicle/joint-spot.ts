/** Where on the vehicle, seen from above: along 0 nose to 1 tail, across -1 left to 1 right. */
export interface Spot {
  along: number;
  across: number;
}

/** How far a group's stations are spread around its spot on the drawn vehicle, as a share of its length and half width. */
const SPREAD_ALONG = 0.14;
const SPREAD_ACROSS = 0.34;

/**
 * Where a station is drawn on the vehicle: its group's spot, moved by its place on the group's map; a station of one side
 * stands on that side.
 */
export function stationSpot(
  group: { spot?: Spot; map: { widthMm: number; heightMm: number } },
  station: { xMm: number; yMm: number; side?: 'left' | 'right' },
): Spot | undefined {
  const { spot, map } = group;
  if (!spot) return undefined;
  const across = station.xMm / map.widthMm - 0.5;
  const along = station.yMm / map.heightMm - 0.5;
  const centre =
    station.side === undefined ? spot.across : Math.abs(spot.across || 0.5) * (station.side === 'left' ? -1 : 1);
  const within = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));
  return {
    along: within(spot.along + along * SPREAD_ALONG, 0, 1),
    across: within(centre + across * SPREAD_ACROSS, -1, 1),
  };
}
