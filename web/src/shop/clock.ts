import type { DeviceClock } from '#core/job/command-time.ts';

const KEY = 'wrenchman.clock';

/** What was last learnt of the server's time. */
interface Seen {
  /** The server's time then, Unix ms. */
  serverMs: number;
  /** What this device's clock lacked to it, ms. */
  offsetMs: number;
}

/** A round trip longer than this says too little of the time in its middle. */
const LONGEST_TRIP_MS = 10_000;

function remembered(): Seen | undefined {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? 'null') ?? undefined;
  } catch {
    // Not ours, or cut off: as if nothing was ever learnt.
    return undefined;
  }
}

let seen = remembered();
/** While the page lives, time goes by a clock nobody can set: server's time at an instant of it. */
let steady: { serverMs: number; atMs: number } | undefined;

/** Takes in what an answer said of the server's time; the answer was asked for at `askedMs` on the page's own clock. */
export function learnServerTime(serverMs: number, askedMs: number): void {
  const nowMs = performance.now();
  const trip = nowMs - askedMs;
  if (!(serverMs > 0) || trip > LONGEST_TRIP_MS) return;
  const estimate = serverMs + trip / 2;
  steady = { serverMs: estimate, atMs: nowMs };
  seen = { serverMs: estimate, offsetMs: Math.round(estimate - Date.now()) };
  try {
    localStorage.setItem(KEY, JSON.stringify(seen));
  } catch {
    // A full store keeps what it has; the page still knows.
  }
}

/**
 * The server's time, as well as this device knows it, Unix ms. However its clock is set meanwhile: while the page lives by
 * a steady clock, and never before the server was last heard.
 */
export function serverNowMs(): number {
  if (steady) return Math.round(steady.serverMs + performance.now() - steady.atMs);
  if (seen) return Math.max(Date.now() + seen.offsetMs, Math.round(seen.serverMs));
  return Date.now();
}

/** What is said of the clock with a command. */
export function clockNow(): DeviceClock {
  const deviceMs = Date.now();
  return { deviceMs, offsetMs: serverNowMs() - deviceMs };
}
