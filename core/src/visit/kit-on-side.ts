import type { KitDocument } from '../kit/kit-document.ts';

export type KitSide = 'left' | 'right';

/** A kit that is bought by the piece: one may be fitted on each side of a vehicle. */
export const fitsEachSide = ({ scope }: Pick<KitDocument, 'scope'>): boolean => scope === 'singlePart';

/**
 * The same kit once on one side of the vehicle, as a document of its own: its joints, parts and what comes off are that
 * side's, so that two of them in a visit are not taken for one. Its steps and figures are as they stand.
 *
 * @param kit - as stored; what it gives a side itself keeps it
 */
export function kitOnSide(kit: KitDocument, side: KitSide): KitDocument {
  const here = (name: string): string => `${name}, ${side}`;
  /** The vehicle's own name for a spot, of which there is one on each side. */
  const placed = <T extends { side?: KitSide; place?: string }>(entry: T): T => ({
    ...entry,
    side: entry.side ?? side,
    ...(entry.place === undefined || entry.side !== undefined ? {} : { place: here(entry.place) }),
  });
  return {
    ...kit,
    id: `${kit.id}@${side}`,
    title: here(kit.title),
    items: kit.items.map((item) => (item.kind === 'part' ? placed(item) : item)),
    stations: kit.stations.map(placed),
    groups: kit.groups.map((group) => ({
      ...group,
      title: here(group.title),
      ...(group.spot
        ? {
            spot: {
              ...group.spot,
              across: side === 'left' ? 0 - Math.abs(group.spot.across) : Math.abs(group.spot.across),
            },
          }
        : {}),
    })),
    removed: kit.removed.map(placed),
    disconnects: kit.disconnects.map(placed),
    baselines: kit.baselines.map((baseline) => ({ ...baseline, name: here(baseline.name) })),
    checks: kit.checks.map((check) => ({ ...check, text: here(check.text) })),
    temporary: kit.temporary.map((thing) => ({ ...thing, name: here(thing.name) })),
    neighbours: kit.neighbours.map((bolt) => ({ ...bolt, name: here(bolt.name) })),
    steps: kit.steps.map((step) => ({ ...step, side: step.side ?? side })),
  };
}
