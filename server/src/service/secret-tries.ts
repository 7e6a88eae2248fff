import type { PersonRepository } from '../store/person-repository.ts';

/** Slips of a gloved finger that cost nothing. */
const FREE_TRIES = 3;
const FIRST_WAIT_MS = 1000;
/** At this wait ten thousand PINs take a hundred days. */
const LONGEST_WAIT_MS = 15 * 60_000;

/** Devices nobody of the shop has signed in on share one count for each person: more addresses buy no more tries. */
export const UNKNOWN_DEVICE = '00000000-0000-0000-0000-000000000000';

/** Counts tries at secrets, per person and device. An unknown device never makes a known one wait. */
export class SecretTries {
  constructor(private readonly people: PersonRepository) {}

  /** @returns seconds to wait; undefined where the try may be made, and then it is counted already */
  async wait(userId: string, deviceId: string, nowMs: number): Promise<number | undefined> {
    const untilMs = await this.people.countTry(userId, deviceId, {
      nowMs,
      free: FREE_TRIES,
      firstMs: FIRST_WAIT_MS,
      longestMs: LONGEST_WAIT_MS,
    });
    return untilMs === undefined ? undefined : Math.max(1, Math.ceil((untilMs - nowMs) / 1000));
  }

  right(userId: string, deviceId: string): Promise<void> {
    return this.people.clearTries(userId, deviceId);
  }
}
