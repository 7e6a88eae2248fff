/** What a device says of its clock with a command. */
export interface DeviceClock {
  /** What its clock showed, Unix ms. */
  deviceMs: number;
  /** What it then added to come to the server's time, as it had last measured, ms. */
  offsetMs: number;
}

/** When a command was given, as well as it can be known, kept with the event it became. */
export interface EventClock extends DeviceClock {
  /** When it came to the server, Unix ms. */
  receivedMs: number;
  /** How far the device's clock was behind the server's when it sent, ms. Absent where it did not say. */
  offsetAtReceiptMs?: number;
}

/**
 * The best estimate of when a command was given: what the device worked out, but never after it came in, and never
 * before the device was last known not to have it. A tablet whose clock is wrong, or set wrong, moves nothing beyond that.
 *
 * @param claimedMs - the device's own estimate, Unix ms
 * @param notBeforeMs - the device's person had not signed in, or the device had sent all it had, Unix ms
 * @param receivedMs - Unix ms
 */
export const bestTimeMs = (claimedMs: number, notBeforeMs: number, receivedMs: number): number =>
  Math.min(receivedMs, Math.max(claimedMs, notBeforeMs));
