import type { Session } from '#contract/session.ts';

/**
 * What a person signs with on this device. Two keys of the curve P-256: one for what they do while they are signed in, one
 * for what needs their PIN. Both lie here locked by the PIN together with a key of the device that no script can read, so
 * that neither the PIN alone nor a copy of this store opens them.
 */
export interface PersonKeys {
  person: Session['person'];
  shop: Session['shop'];
  device: string;
  /** Their id at the server. */
  key: string;
  salt: Uint8Array<ArrayBuffer>;
  session: Locked;
  proof: Locked;
  /** The key of what they do, usable and not readable, while they are signed in here. */
  open?: CryptoKey;
  /** Wrong PINs since the last right one, and until when none is looked at. */
  wrong: number;
  waitUntilMs: number;
}

/** A private key, locked. */
export interface Locked {
  iv: Uint8Array<ArrayBuffer>;
  bytes: ArrayBuffer;
}
