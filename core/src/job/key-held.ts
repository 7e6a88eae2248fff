import type { Stamp } from './stamp.ts';

/** What is small, is handed about, and must be back before the vehicle goes. */
export const KEY_KINDS = ['vehicleKey', 'lockKey', 'lockBit', 'removalTool', 'code'] as const;
export type KeyKind = (typeof KEY_KINDS)[number];

/** Who has it: a person of the shop, the owner, or its place in the vehicle. */
export type KeyHolder =
  | { who: 'person'; name: string }
  | { who: 'owner'; name: string }
  | { who: 'vehicle'; name: string };

export interface KeyHeld {
  name: string;
  kind: KeyKind;
  /** Everyone who had it, the last one now. */
  hands: Array<KeyHolder & Stamp>;
}

/** Whether it is where it belongs when the vehicle goes. */
export const keyIsBack = ({ hands }: KeyHeld): boolean => {
  const now = hands.at(-1);
  return now !== undefined && now.who !== 'person';
};
