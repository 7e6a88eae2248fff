import type { TorqueUnit } from '../quantity/unit.ts';

/** How somebody looked: pulled once more at its figure, at the stripe across head and part, or with eyes and fingers. */
export const LOOK_WAYS = ['pull', 'stripe', 'seen'] as const;
export type LookWay = (typeof LOOK_WAYS)[number];

/** What is looked at: a joint, or something that was opened and is closed again. */
export type LookTarget = { station: string } | { debt: string };
export const lookKey = (target: LookTarget): string =>
  'station' in target ? `station:${target.station}` : `debt:${target.debt}`;

/** A second look at one joint or connection. */
export interface Look {
  target: LookTarget;
  way: LookWay;
  /** It did not move, the stripe is unbroken, it sits and is latched. */
  holds: boolean;
  torqueNm?: number;
  entered?: { value: number; unit: TorqueUnit };
  wrench?: { id: string; label: string };
  note?: string;
  /** By the one whose work it is, after a break. */
  own?: true;
}
